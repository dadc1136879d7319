package org.pressboard.editing;

import java.sql.SQLException;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Collection;
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
import org.pressboard.problem.ProblemsFound;
import org.pressboard.rows.VisitorScope;
import org.pressboard.sql.TableSql;
import org.pressboard.table.Field;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.value.FieldKey;
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
        return add(visitor, key, values, author, new Hand.Sent(Objects.requireNonNullElse(visitor.email(), ""), ""));
    }

    /** Rows as those read and write them who may do everything. */
    RowEditing rows() {
        return editing;
    }

    RowEditing.Added add(Visitor visitor, TableKey key, Map<FieldKey, Value> values, Author author, Hand.Sent sent) {
        PublishedSite site = catalog.published();
        Map<FieldKey, Value> stamped = new HashMap<>(values);
        stamp(visitor, site.table(key), stamped);
        letThrough(site, visitor, site.table(key), stamped);
        Map<FieldKey, Problem> unseen = unseen(site, visitor, key, stamped);
        return unseen.isEmpty() ? editing.add(key, stamped, author, new OfVisitor(site, visitor, sent))
                : new RowEditing.Added(new RowEditing.Outcome.Refused(unseen), 0);
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
        Map<FieldKey, Value> given = new HashMap<>();
        give.forEach((field, value) -> value.filter(is -> !Optional.of(is).equals(was.get(field)))
                .ifPresent(is -> given.put(field, is)));
        Map<FieldKey, Problem> unseen = unseen(site, visitor, key, given);
        return unseen.isEmpty() ? editing.change(key, row, was, give, author, new OfVisitor(site, visitor, Hand.Sent.NOT))
                : new RowEditing.Outcome.Refused(unseen);
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
        Map<FieldKey, Value> given = new HashMap<>();
        give.forEach((field, value) -> value.ifPresent(is -> given.put(field, is)));
        Map<FieldKey, Problem> unseen = unseen(site, visitor, key, given);
        return unseen.isEmpty() ? editing.changeAll(key, rows, give, author, new OfVisitor(site, visitor, Hand.Sent.NOT))
                : new RowEditing.Outcome.Refused(unseen);
    }

    /**
     * @return the act that did
     * @throws ProblemsFound when they may not; none is removed then
     */
    @Transactional
    public long remove(Visitor visitor, TableKey key, Collection<Long> rows, Author author) {
        return editing.remove(key, rows, author, new OfVisitor(catalog.published(), visitor, Hand.Sent.NOT));
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
                : meeting(site, visitor, site.table(key), decision.rows(), rows);
    }

    /** Those of these rows of which that is so, as far as the visitor sees what it asks about. */
    @Transactional(readOnly = true)
    public Set<Long> among(Visitor visitor, TableKey key, Condition condition, Collection<Long> rows) {
        PublishedSite site = catalog.published();
        return rows.isEmpty() ? Set.of() : meeting(site, visitor, site.table(key), condition, rows);
    }

    /** Whether the visitor may add rows at all; which, only the row tells. */
    public boolean mayAdd(Visitor visitor, TableKey key) {
        Decision decision = catalog.published().may(visitor, Verb.ADD, key);
        return decision.isAllowed() && !(visitor.kind() == Visitor.Kind.ANYONE && isOfOwn(decision.rows()));
    }

    private static boolean isOfOwn(Condition rows) {
        return rows instanceof Condition.Owned || (rows instanceof Condition.All(List<Condition> parts)
                && parts.stream().anyMatch(VisitorEditing::isOfOwn));
    }

    private Set<Long> meeting(PublishedSite site, Visitor visitor, Table table, Condition condition, Collection<Long> rows) {
        TableSql from = TableSql.of(site.sight(visitor, table.key()), standpoint(visitor), Locale.ENGLISH);
        return new HashSet<>(sql.select(from.rowId()).from(from.asTable()).where(from.rowId().in(rows))
                .and(from.conditionRowByRow(condition)).fetch(from.rowId()));
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
                Sight sight = site.sight(visitor, target.key());
                if (meeting(site, visitor, target, sight.rows(target.key()), wanted).size() < new HashSet<>(wanted).size()) {
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
        private final Sent sent;

        OfVisitor(PublishedSite site, Visitor visitor, Sent sent) {
            this.site = site;
            this.visitor = visitor;
            this.sent = sent;
        }

        @Override
        public Sent sent() {
            return sent;
        }

        @Override
        public int write(int wanted, IntSupplier statement) {
            scope.enter(visitor, standpoint(visitor));
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
            if (meeting(site, visitor, table, decision.rows(), rows).size() < new HashSet<>(rows).size()) {
                throw ProblemsFound.of("not-granted." + verb.word() + "-this");
            }
        }
    }
}
