package org.pressboard.editing;

import java.time.Clock;
import java.time.LocalDateTime;
import java.util.Collection;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.jooq.DSLContext;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.PublishedSite;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Operand;
import org.pressboard.condition.Standpoint;
import org.pressboard.grant.Decision;
import org.pressboard.grant.Verb;
import org.pressboard.grant.Visitor;
import org.pressboard.history.Author;
import org.pressboard.listing.RowQuery;
import org.pressboard.problem.Problem;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.scope.VisitorScope;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.value.FieldKey;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/**
 * Adds, changes and removes rows for visitors, in both locks: what is written is asked of the grants before and after, and
 * the statement that writes it is executed under row security. Whatever is refused leaves nothing behind. A grant that has
 * been taken back this moment on another node may be unknown to the first lock; the second knows.
 */
@Component
public class VisitorEditing {

    private final RowEditing editing;
    private final Catalog catalog;
    private final VisitorScope scope;
    private final DSLContext sql;
    private final Clock clock;

    VisitorEditing(RowEditing editing, Catalog catalog, VisitorScope scope, DSLContext sql, Clock clock) {
        this.editing = editing;
        this.catalog = catalog;
        this.scope = scope;
        this.sql = sql;
        this.clock = clock;
    }

    /**
     * Adds a row that is the visitor's own where rows are somebody's, whatever is given for that.
     *
     * @throws ProblemsFound when they may not
     */
    @Transactional
    public RowEditing.Added add(Visitor visitor, TableKey key, Map<FieldKey, Value> values, Author author) {
        return add(visitor, key, values, values.keySet(), author,
                new Hand.Sent(Objects.requireNonNullElse(visitor.email(),
                        Objects.requireNonNullElse(visitor.browser(), "")), ""));
    }

    /** Rows as those read and write them who may do everything. */
    RowEditing rows() {
        return editing;
    }

    /** @param given the fields of which they say themselves what they are to have; the others are set by the server */
    RowEditing.Added add(Visitor visitor, TableKey key, Map<FieldKey, Value> values, Set<FieldKey> given, Author author,
            Hand.Sent sent) {
        PublishedSite site = catalog.published();
        Map<FieldKey, Value> stamped = new HashMap<>(values);
        stamp(visitor, site.table(key), stamped);
        letThrough(site, visitor, site.table(key), stamped);
        Set<FieldKey> own = new HashSet<>(given);
        own.remove(site.table(key).owner());
        own.remove(site.table(key).approval());
        VisitorRows theirs = rows(site, visitor);
        Map<FieldKey, Problem> against = theirs.unseen(site.table(key), stamped);
        against.putAll(theirs.leftOut(Verb.ADD, site.table(key), own, List.of()));
        return against.isEmpty() ? editing.add(key, stamped, author, new VisitorHand(theirs, scope, own, sent))
                : new RowEditing.Added(new RowEditing.Outcome.Refused(against), RowId.NONE);
    }

    /** Set by the server, so that it can be neither forgotten nor forged; staff say themselves whose a row is. */
    private void stamp(Visitor visitor, Table table, Map<FieldKey, Value> values) {
        FieldKey owner = table.owner();
        if (owner == null || owner.isThrough() || visitor.isStaff()) {
            return;
        }
        Operand.OfVisitor part = table.field(owner).type() instanceof Referring ? Operand.OfVisitor.ROW : Operand.OfVisitor.EMAIL;
        values.remove(owner);
        part.resolve(standpoint(visitor)).ifPresent(value -> values.put(owner, value));
    }

    /** What those add who let rows through need not wait, unless they say so; what others add waits, whatever they say. */
    private static void letThrough(PublishedSite site, Visitor visitor, Table table, Map<FieldKey, Value> values) {
        boolean lets = site.may(visitor, Verb.APPROVE, table.key()).isAllowed();
        table.letThrough().ifPresent(by -> values.put(by, lets ? values.getOrDefault(by, Value.of(true)) : Value.of(false)));
    }

    /** Whether the visitor lets rows through, where they have to be. */
    public boolean mayLetThrough(Visitor visitor, TableKey key) {
        return catalog.published().may(visitor, Verb.APPROVE, key).isAllowed();
    }

    /** @throws ProblemsFound when they may not, or the row is not there */
    @Transactional
    public RowEditing.Outcome change(Visitor visitor, TableKey key, RowId row, Map<FieldKey, Optional<Value>> was,
            Map<FieldKey, Optional<Value>> give, Author author) {
        return change(visitor, key, row, was, give, author, Among.ALL)
                .orElseThrow(() -> ProblemsFound.of("row.gone"));
    }

    /**
     * The same of a row of a listing.
     *
     * @return empty where it is none of those that the visitor gets there
     */
    @Transactional
    public Optional<RowEditing.Outcome> change(RowQuery listing, Locale language, RowId row, Map<FieldKey, Optional<Value>> was,
            Map<FieldKey, Optional<Value>> give, Author author) {
        return change(listing.visitor(), listing.table().key(), row, was, give, author, Among.of(listing, language));
    }

    private Optional<RowEditing.Outcome> change(Visitor visitor, TableKey key, RowId row, Map<FieldKey, Optional<Value>> was,
            Map<FieldKey, Optional<Value>> give, Author author, Among among) {
        Map<FieldKey, Optional<Value>> given = new HashMap<>(give);
        given.entrySet().removeIf(each -> each.getValue().equals(was.getOrDefault(each.getKey(), Optional.empty())));
        return editing.change(key, row, was, give, author, hand(catalog.published(), visitor, given.keySet()), among);
    }

    /**
     * Gives several rows the same in a field.
     *
     * @throws ProblemsFound when they may not change one of them so; none is changed then
     */
    @Transactional
    public RowEditing.Outcome changeAll(Visitor visitor, TableKey key, Collection<RowId> rows,
            Map<FieldKey, Optional<Value>> give, Author author) {
        return editing.changeAll(key, rows, give, author, hand(catalog.published(), visitor, give.keySet()));
    }

    /**
     * @return the act that did
     * @throws ProblemsFound when they may not; none is removed then
     */
    @Transactional
    public long remove(Visitor visitor, TableKey key, Collection<RowId> rows, Author author) {
        return editing.remove(key, rows, author, hand(catalog.published(), visitor, Set.of()));
    }

    /** To which of these rows the visitor may do that. */
    @Transactional(readOnly = true)
    public Set<RowId> may(Visitor visitor, Verb verb, TableKey key, Collection<RowId> rows) {
        PublishedSite site = catalog.published();
        Decision decision = site.may(visitor, verb, key);
        if (rows.isEmpty() || !decision.isAllowed()) {
            return Set.of();
        }
        return decision.rows().equals(Condition.ALWAYS) ? Set.copyOf(rows)
                : rows(site, visitor).granted(site.table(key), decision.rows(), rows);
    }

    /** The same of several verbs, asked once of those of which grants say the same. */
    @Transactional(readOnly = true)
    public Map<Verb, Set<RowId>> may(Visitor visitor, Set<Verb> verbs, TableKey key, Collection<RowId> rows) {
        Map<Verb, Set<RowId>> may = new EnumMap<>(Verb.class);
        Map<Condition, Set<RowId>> known = new HashMap<>();
        for (Verb verb : verbs) {
            Condition allowed = catalog.published().may(visitor, verb, key).rows();
            may.put(verb, known.computeIfAbsent(allowed, same -> may(visitor, verb, key, rows)));
        }
        return may;
    }

    /** In which of these rows none of these fields is left out of what the visitor may do; what else is needed apart. */
    @Transactional(readOnly = true)
    public Set<RowId> open(Visitor visitor, Verb verb, TableKey key, Collection<FieldKey> fields, Collection<RowId> rows) {
        PublishedSite site = catalog.published();
        return rows(site, visitor).open(verb, site.table(key), fields, rows);
    }

    /** Those of these fields that are left out of what the visitor may do with one of these rows, or with all rows. */
    @Transactional(readOnly = true)
    public Set<FieldKey> leftOut(Visitor visitor, Verb verb, TableKey key, Collection<FieldKey> fields, Collection<RowId> rows) {
        PublishedSite site = catalog.published();
        return rows(site, visitor).leftOut(verb, site.table(key), fields, rows).keySet();
    }

    /** Those of these rows of which that is so, as far as the visitor sees what it asks about. */
    @Transactional(readOnly = true)
    public Set<RowId> among(Visitor visitor, TableKey key, Condition condition, Collection<RowId> rows) {
        PublishedSite site = catalog.published();
        return rows.isEmpty() ? Set.of() : rows(site, visitor).among(site.table(key), condition, rows);
    }

    /** Whether the visitor may add rows at all; which, only the row tells. */
    public boolean mayAdd(Visitor visitor, TableKey key) {
        PublishedSite site = catalog.published();
        Decision decision = site.may(visitor, Verb.ADD, key);
        return decision.isAllowed() && (visitor.kind() != Visitor.Kind.ANYONE || site.table(key).browsers()
                || !isOfOwn(decision.rows()));
    }

    /** Whether the visitor may change rows at all; which, only the rows tell. */
    public boolean mayChange(Visitor visitor, TableKey key) {
        return catalog.published().may(visitor, Verb.CHANGE, key).isAllowed();
    }

    private static boolean isOfOwn(Condition rows) {
        return rows instanceof Condition.Owned || (rows instanceof Condition.All(List<Condition> parts)
                && parts.stream().anyMatch(VisitorEditing::isOfOwn));
    }

    private VisitorHand hand(PublishedSite site, Visitor visitor, Set<FieldKey> given) {
        return new VisitorHand(rows(site, visitor), scope, given, Hand.Sent.NOT);
    }

    private VisitorRows rows(PublishedSite site, Visitor visitor) {
        return new VisitorRows(sql, site, visitor, standpoint(visitor));
    }

    private Standpoint standpoint(Visitor visitor) {
        return visitor.at(LocalDateTime.now(clock));
    }
}
