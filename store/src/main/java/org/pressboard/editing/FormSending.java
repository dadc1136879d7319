package org.pressboard.editing;

import java.time.Clock;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.pressboard.catalog.Catalog;
import org.pressboard.condition.Operator;
import org.pressboard.condition.Standpoint;
import org.pressboard.edition.Page;
import org.pressboard.form.Form;
import org.pressboard.form.FormKey;
import org.pressboard.grant.Sight;
import org.pressboard.grant.Visitor;
import org.pressboard.history.Author;
import org.pressboard.listing.ListingKey;
import org.pressboard.listing.Sending;
import org.pressboard.problem.Problem;
import org.pressboard.problem.Problems;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.rows.ReferredValues;
import org.pressboard.source.Hosted;
import org.pressboard.sql.TableSql;
import org.pressboard.sql.ValueSql;
import org.pressboard.table.Numeric;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;
import org.pressboard.value.FieldKey;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Takes what is sent by a form: as often as it may be, with what the form sets by itself, in both locks. */
@Component
public class FormSending {

    /** Problems that one person has with how often they have sent a form. */
    private static final Set<String> PER_PERSON = Set.of("form.once", "form.often-enough");

    private final VisitorEditing editing;
    private final Catalog catalog;
    private final ReferredValues referred;
    private final DSLContext sql;
    private final Clock clock;

    FormSending(VisitorEditing editing, Catalog catalog, ReferredValues referred, DSLContext sql, Clock clock) {
        this.referred = referred;
        this.editing = editing;
        this.catalog = catalog;
        this.sql = sql;
        this.clock = clock;
    }

    /**
     * Why the form can be sent no more, or not yet, by that person.
     *
     * @param name   of the form, as rows remember it
     * @param sender whoever would send it; empty: they have sent nothing
     */
    @Transactional(readOnly = true)
    public Optional<Problem> against(Form form, String name, String sender) {
        // which of what they have sent counts, only their answer tells
        return form.bounds().alike() == null ? counted(form, name, sender, DSL.noCondition())
                : counted(form, name, "", DSL.noCondition());
    }

    /** Why what begins with these answers would not be taken, unless others are given. */
    @Transactional(readOnly = true)
    public Optional<Problem> against(Form form, String name, String sender, Map<FieldKey, Value> begun) {
        if (begun.isEmpty() || !form.bounds().isCounted()) {
            return Optional.empty();
        }
        FieldKey alike = form.bounds().alike();
        Table table = catalog.tables().get(form.table());
        if (alike == null || !begun.containsKey(alike)) {
            return hasRoom(form, table, begun) ? Optional.empty() : Optional.of(Problem.of("form.no-room"));
        }
        return against(form, name, sender, table, begun);
    }

    /**
     * About which of these rows a form is sent no more, and why: they have sent it as often as they may, or there is no place
     * left. Of whoever is not signed in only the latter is known.
     *
     * @param listing a published one; else nothing is known
     * @param about   its button for it
     */
    @Transactional(readOnly = true)
    public Map<RowId, Problem> shut(ListingKey listing, Sending about, Visitor visitor, Collection<RowId> rows) {
        return catalog.published().listing(listing).map(found -> found.edition().page()).flatMap(page ->
                page.form(new FormKey(about.form())).filter(form -> form.bounds().isCounted() && !rows.isEmpty())
                        .map(form -> shut(form, page.remembered(form), about.by(), visitor, rows))).orElse(Map.of());
    }

    private Map<RowId, Problem> shut(Form form, String name, FieldKey by, Visitor visitor, Collection<RowId> rows) {
        Map<RowId, Problem> shut = new HashMap<>();
        full(form, by, rows).forEach(row -> shut.put(row, Problem.of("form.no-room")));
        String sender = Objects.requireNonNullElse(visitor.email(), "");
        if (form.bounds().each() == null || sender.isEmpty()) {
            return shut;
        }
        if (form.bounds().alike() == null) {
            against(form, name, sender).filter(problem -> PER_PERSON.contains(problem.code()))
                    .ifPresent(problem -> rows.forEach(row -> shut.put(row, problem)));
        } else if (form.bounds().alike().equals(by)) {
            sent(form, name, sender, by, rows).forEach((row, times) -> form.bounds().against(times)
                    .ifPresent(problem -> shut.put(row, problem)));
        }
        return shut;
    }

    /** How often they have sent it about these rows. */
    private Map<RowId, Long> sent(Form form, String name, String sender, FieldKey by, Collection<RowId> rows) {
        Table table = catalog.tables().get(form.table());
        Map<RowId, Long> sent = new HashMap<>();
        sql.fetch("select {0}, count(*) from {1} where {2} = {3} and {4} = {5} and {0} = any({6}) group by {0}",
                TableSql.column(table.field(by)), Hosted.name(table), Hosted.FORM, DSL.val(name),
                Hosted.SENDER, DSL.val(sender), DSL.val(Hosted.array(rows)))
                .forEach(found -> sent.put(new RowId(found.get(0, Long.class)), found.get(1, Long.class)));
        return sent;
    }

    /** Of these rows, those of which the number that bounds the form is not more than nought. */
    private List<RowId> full(Form form, FieldKey by, Collection<RowId> rows) {
        FieldKey room = form.bounds().room();
        if (room == null || !room.isThrough() || !room.way().getFirst().equals(by)) {
            return List.of();
        }
        Tables tables = catalog.tables();
        TableSql from = TableSql.of(Sight.whole(tables, tables.target(tables.get(form.table()).field(by)).key()),
                Standpoint.NOBODY, Locale.ENGLISH);
        Condition none = from.conditionRowByRow(org.pressboard.condition.Condition.compare(room.way().getLast(),
                Operator.AT_MOST, Value.of(0L)));
        return sql.select(from.rowId()).from(from.asTable()).where(from.rowId().in(rows).and(none)).fetch(from.rowId());
    }

    private Optional<Problem> counted(Form form, String name, String sender, Condition alike) {
        if (!form.bounds().isCounted()) {
            return form.bounds().against(LocalDate.now(clock), 0, 0);
        }
        Record sent = sql.fetchSingle("select count(*), count(*) filter (where {0} = {1} and {5}) from {2} where {3} = {4}",
                Hosted.SENDER, DSL.val(sender), Hosted.name(catalog.tables().get(form.table())),
                Hosted.FORM, DSL.val(name), alike);
        return form.bounds().against(LocalDate.now(clock), sent.get(0, Long.class), sent.get(1, Long.class));
    }

    private Optional<Problem> against(Form form, String name, String sender, Table table, Map<FieldKey, Value> row) {
        FieldKey alike = form.bounds().alike();
        Condition same = alike == null ? DSL.noCondition() : row.containsKey(alike)
                ? DSL.condition("{0} = {1}", TableSql.column(table.field(alike)), ValueSql.bound(row.get(alike)))
                : DSL.condition("{0} is null", TableSql.column(table.field(alike)));
        return counted(form, name, sender, same).map(problem -> ofAnswer(problem, table, alike))
                .or(() -> hasRoom(form, table, row) ? Optional.empty() : Optional.of(Problem.of("form.no-room")));
    }

    /** Where only those that answer a question alike are counted, which question that is. */
    private static Problem ofAnswer(Problem problem, Table table, @Nullable FieldKey alike) {
        return alike != null && PER_PERSON.contains(problem.code())
                ? Problem.of(problem.code() + "-alike", problem.details().getFirst(), table.field(alike).label()) : problem;
    }

    /** Whether the number that bounds the form is more than nought, of the row that is referred to. */
    private boolean hasRoom(Form form, Table table, Map<FieldKey, Value> row) {
        return Optional.ofNullable(form.bounds().room()).flatMap(room -> referred.of(catalog.tables(), table, row,
                List.of(room)).values().stream().findFirst()).map(Numeric::number)
                .filter(left -> left.signum() <= 0).isEmpty();
    }

    /**
     * Adds the row that the answers make.
     *
     * @param page the one that the form stands on
     * @throws ProblemsFound when they may not, or the form can be sent no more
     */
    @Transactional
    public RowEditing.Added send(Visitor visitor, String sender, Page page, Form form, Map<FieldKey, Value> answers,
            Author author) {
        String name = page.remembered(form);
        if (form.bounds().isCounted()) {
            // two who want the last place come one after the other
            sql.fetch("select pg_advisory_xact_lock(hashtext({0}))", DSL.val("pressboard form " + form.table()));
        }
        Tables tables = catalog.tables();
        Table table = tables.get(form.table());
        Standpoint standpoint = visitor.at(LocalDateTime.now(clock)).on(page.here());
        Map<FieldKey, Value> row = form.row(table, answers, standpoint.referring(referred.of(tables, table,
                form.begun(table, answers, standpoint), form.waysOfStamps())));
        against(form, name, sender, table, row).ifPresent(problem -> {
            throw new ProblemsFound(new Problems(List.of(problem)));
        });
        Set<FieldKey> given = new HashSet<>(answers.keySet());
        form.stamps().forEach(stamp -> given.remove(stamp.field()));
        RowEditing.Added added = editing.add(visitor, form.table(), row, given, author, new Hand.Sent(sender, name));
        if (form.atOnce() && added.outcome() instanceof RowEditing.Outcome.Done) {
            table.letThrough().ifPresent(by -> editing.rows().give(table, added.row(),
                    Map.of(by, Optional.of(Value.of(true))), author));
        }
        return added;
    }
}
