package org.pressboard.editing;

import java.sql.SQLException;
import java.time.Clock;
import java.time.LocalDate;
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
import java.util.function.IntSupplier;
import org.jooq.DSLContext;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.PublishedSite;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Operand;
import org.pressboard.condition.Standpoint;
import org.pressboard.grant.Decision;
import org.pressboard.grant.Sight;
import org.pressboard.grant.Verb;
import org.pressboard.grant.Visitor;
import org.pressboard.history.Author;
import org.pressboard.problem.Problem;
import org.pressboard.problem.Problems;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.rows.VisitorScope;
import org.pressboard.sql.TableSql;
import org.pressboard.table.Field;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Row;
import org.pressboard.value.Value;
import org.springframework.dao.NonTransientDataAccessException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/**
 * Adds, changes and removes rows for visitors, in both locks: what is written is asked of the grants before and after, and
 * the statement that writes it is executed under row security. Whatever is refused leaves nothing behind. A grant that has
 * been taken back this moment on another node may be unknown to the first lock; the second knows.
 */
@Component
public class VisitorEditing {

    private static final String NOT_ALLOWED = "42501";

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
                        Objects.requireNonNullElse(visitor.who().browser(), "")), ""));
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
        OfVisitor hand = new OfVisitor(site, visitor, own, sent);
        Map<FieldKey, Problem> against = unseen(site, visitor, key, stamped);
        against.putAll(hand.leftOut(Verb.ADD, site.table(key), List.of()));
        return against.isEmpty() ? editing.add(key, stamped, author, hand)
                : new RowEditing.Added(new RowEditing.Outcome.Refused(against), 0);
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
    public RowEditing.Outcome change(Visitor visitor, TableKey key, long row, Map<FieldKey, Optional<Value>> was,
            Map<FieldKey, Optional<Value>> give, Author author) {
        PublishedSite site = catalog.published();
        Map<FieldKey, Optional<Value>> given = new HashMap<>(give);
        given.entrySet().removeIf(each -> each.getValue().equals(was.getOrDefault(each.getKey(), Optional.empty())));
        OfVisitor hand = new OfVisitor(site, visitor, given.keySet(), Hand.Sent.NOT);
        Map<FieldKey, Problem> against = against(hand, site.table(key), List.of(row), given);
        return against.isEmpty() ? new UnseenRows(seeing(site, visitor), site.table(key), stored(key, row, site, give.keySet()))
                .change(was, give, (before, after) -> editing.change(key, row, before, after, author, hand))
                : new RowEditing.Outcome.Refused(against);
    }

    /**
     * Gives several rows the same in a field.
     *
     * @throws ProblemsFound when they may not change one of them so; none is changed then
     */
    @Transactional
    public RowEditing.Outcome changeAll(Visitor visitor, TableKey key, Collection<Long> rows,
            Map<FieldKey, Optional<Value>> give, Author author) {
        PublishedSite site = catalog.published();
        OfVisitor hand = new OfVisitor(site, visitor, give.keySet(), Hand.Sent.NOT);
        Map<FieldKey, Problem> against = against(hand, site.table(key), rows, give);
        return against.isEmpty() ? editing.changeAll(key, rows, give, author, hand)
                : new RowEditing.Outcome.Refused(against);
    }

    /** What is against changing these rows so; what they may not change at all is refused later. */
    private Map<FieldKey, Problem> against(OfVisitor hand, Table table, Collection<Long> rows,
            Map<FieldKey, Optional<Value>> give) {
        Map<FieldKey, Value> given = new HashMap<>();
        give.forEach((field, value) -> value.ifPresent(is -> given.put(field, is)));
        Map<FieldKey, Problem> against = unseen(hand.site, hand.visitor, table.key(), given);
        against.putAll(hand.leftOut(Verb.CHANGE, table, rows));
        return against;
    }

    /**
     * @return the act that did
     * @throws ProblemsFound when they may not; none is removed then
     */
    @Transactional
    public long remove(Visitor visitor, TableKey key, Collection<Long> rows, Author author) {
        return editing.remove(key, rows, author, new OfVisitor(catalog.published(), visitor, Set.of(), Hand.Sent.NOT));
    }

    /** To which of these rows the visitor may do that. */
    @Transactional(readOnly = true)
    public Set<Long> may(Visitor visitor, Verb verb, TableKey key, Collection<Long> rows) {
        PublishedSite site = catalog.published();
        Decision decision = site.may(visitor, verb, key);
        if (rows.isEmpty() || !decision.isAllowed()) {
            return Set.of();
        }
        return decision.rows().equals(Condition.ALWAYS) ? Set.copyOf(rows)
                : granted(site, visitor, site.table(key), decision.rows(), rows);
    }

    /** The same of several verbs at once; those of which they may do it with none may be left out. */
    @Transactional(readOnly = true)
    public Map<Verb, Set<Long>> may(Visitor visitor, Set<Verb> verbs, TableKey key, Collection<Long> rows) {
        Map<Verb, Set<Long>> may = new EnumMap<>(Verb.class);
        Map<Condition, Set<Long>> known = new HashMap<>();
        for (Verb verb : verbs) {
            Condition allowed = catalog.published().may(visitor, verb, key).rows();
            may.put(verb, known.computeIfAbsent(allowed, same -> may(visitor, verb, key, rows)));
        }
        return may;
    }

    /** In which of these rows none of these fields is left out of what the visitor may do; what else is needed apart. */
    @Transactional(readOnly = true)
    public Set<Long> open(Visitor visitor, Verb verb, TableKey key, Collection<FieldKey> fields, Collection<Long> rows) {
        PublishedSite site = catalog.published();
        Set<Long> open = new HashSet<>(rows);
        for (Verb needed : needed(verb)) {
            site.partly(visitor, needed, key).forEach((field, in) -> {
                if (fields.contains(field) && !in.equals(Condition.ALWAYS)) {
                    open.retainAll(open.isEmpty() ? open : granted(site, visitor, site.table(key), in, open));
                }
            });
        }
        return open;
    }

    /** The fields that are left out of all rows that the visitor may add. */
    public Set<FieldKey> closedInNew(Visitor visitor, TableKey key) {
        return catalog.published().closed(visitor, Verb.ADD, key);
    }

    /** Who changes a value has to see it, for the answer would tell what it was. */
    private static List<Verb> needed(Verb verb) {
        return verb == Verb.CHANGE ? List.of(Verb.CHANGE, Verb.SEE) : List.of(verb);
    }

    /** Those of these rows of which that is so, as far as the visitor sees what it asks about. */
    @Transactional(readOnly = true)
    public Set<Long> among(Visitor visitor, TableKey key, Condition condition, Collection<Long> rows) {
        PublishedSite site = catalog.published();
        return rows.isEmpty() ? Set.of() : meeting(site, visitor, site.table(key), condition, rows);
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

    private Set<Long> meeting(PublishedSite site, Visitor visitor, Table table, Condition condition, Collection<Long> rows) {
        TableSql from = TableSql.of(site.sight(visitor, table.key()), standpoint(visitor), Locale.ENGLISH);
        return meeting(from, condition, rows);
    }

    /** Those of which a grant is, which looks at rows as they are. */
    private Set<Long> granted(PublishedSite site, Visitor visitor, Table table, Condition condition, Collection<Long> rows) {
        return meeting(TableSql.of(Sight.whole(site.tables(), table.key()), standpoint(visitor), Locale.ENGLISH), condition,
                rows);
    }

    private Set<Long> meeting(TableSql from, Condition condition, Collection<Long> rows) {
        return new HashSet<>(sql.select(from.rowId()).from(from.asTable()).where(from.rowId().in(rows))
                .and(from.conditionRowByRow(condition)).fetch(from.rowId()));
    }

    /** The row as it is, where one of the fields leads to rows: of these, not all need be seen. */
    private Optional<Row> stored(TableKey key, long row, PublishedSite site, Set<FieldKey> fields) {
        return fields.stream().anyMatch(field -> site.table(key).field(field).type() instanceof Referring)
                ? editing.find(key, row) : Optional.empty();
    }

    private UnseenRows.Seeing seeing(PublishedSite site, Visitor visitor) {
        return (field, rows) -> visitor.isStaff() ? Set.copyOf(rows) : seen(site, visitor, site.tables().target(field), rows);
    }

    private Set<Long> seen(PublishedSite site, Visitor visitor, Table target, Collection<Long> rows) {
        return meeting(site, visitor, target, site.sight(visitor, target.key()).asked(target.key()), rows);
    }

    /** Nobody refers to a row that they do not see: whether there is one would be told by that. */
    private Map<FieldKey, Problem> unseen(PublishedSite site, Visitor visitor, TableKey key, Map<FieldKey, Value> values) {
        Table table = site.table(key);
        Map<FieldKey, Problem> unseen = new HashMap<>();
        values.forEach((field, value) -> {
            Field of = table.field(field);
            if (of.type() instanceof Referring && !field.equals(table.owner()) && !visitor.isStaff()) {
                Table target = site.tables().target(of);
                List<Long> wanted = value.each().stream().map(each -> ((Value.Referred) each).row()).toList();
                if (seen(site, visitor, target, wanted).size() < new HashSet<>(wanted).size()) {
                    unseen.put(field, Problem.of("entry.no-such-row", target.label()));
                }
            }
        });
        return unseen;
    }

    private Standpoint standpoint(Visitor visitor) {
        return visitor.on(LocalDate.now(clock));
    }

    /** A visitor's hand, as the site's grants have it. */
    private final class OfVisitor implements Hand {

        private final PublishedSite site;
        private final Visitor visitor;
        private final Set<FieldKey> given;
        private final Sent sent;

        OfVisitor(PublishedSite site, Visitor visitor, Set<FieldKey> given, Sent sent) {
            this.site = site;
            this.visitor = visitor;
            this.given = given;
            this.sent = sent;
        }

        /** The fields given that are left out of what they may do with one of these rows, or with all rows. */
        private Map<FieldKey, Problem> leftOut(Verb verb, Table table, Collection<Long> rows) {
            Map<FieldKey, Problem> leftOut = new HashMap<>();
            needed(verb).forEach(needed -> site.partly(visitor, needed, table.key()).forEach((field, in) -> {
                if (given.contains(field) && !in.equals(Condition.ALWAYS) && (in.equals(Condition.NEVER)
                        || granted(site, visitor, table, in, rows).size() < new HashSet<>(rows).size())) {
                    leftOut.put(field, Problem.of("not-granted.field", table.field(field).label()));
                }
            }));
            return leftOut;
        }

        @Override
        public Sent sent() {
            return sent;
        }

        @Override
        public int write(Verb verb, Table table, int wanted, IntSupplier statement) {
            Set<FieldKey> byServer = new HashSet<>(verb == Verb.ADD ? site.partly(visitor, verb, table.key()).keySet()
                    : Set.of());
            byServer.removeAll(given);
            scope.enter(visitor, standpoint(visitor));
            if (!byServer.isEmpty()) {
                scope.setting(byServer);
            }
            int written;
            try {
                written = statement.getAsInt();
            } catch (NonTransientDataAccessException refused) {
                if (refused.getMostSpecificCause() instanceof SQLException cause && NOT_ALLOWED.equals(cause.getSQLState())) {
                    throw ProblemsFound.of("not-granted.write");
                }
                throw refused;
            }
            scope.leave(visitor);
            if (written < wanted) {
                throw ProblemsFound.of("not-granted.write");
            }
            return written;
        }

        @Override
        public void check(Verb verb, Table table, Collection<Long> rows) {
            Decision decision = site.may(visitor, verb, table.key());
            if (decision instanceof Decision.Refused(Problem reason)) {
                throw ProblemsFound.of(reason.code());
            }
            if (granted(site, visitor, table, decision.rows(), rows).size() < new HashSet<>(rows).size()) {
                throw ProblemsFound.of("not-granted." + verb.word() + "-this");
            }
            leftOut(verb, table, rows).values().stream().findFirst().ifPresent(problem -> {
                throw new ProblemsFound(new Problems(List.of(problem)));
            });
        }
    }
}
