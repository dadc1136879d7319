package org.pressboard.schema;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Name;
import org.jooq.QueryPart;
import org.jooq.impl.DSL;
import org.pressboard.grant.Verb;
import org.pressboard.scope.VisitorScope;
import org.pressboard.source.Hosted;
import org.pressboard.table.Table;
import org.pressboard.value.FieldKey;
import org.springframework.stereotype.Component;

/**
 * The second lock of fields that grants leave out. Their columns are closed to visitors; a view shows of them what the
 * visitor of the transaction may see. A trigger refuses to write what they may not. All within the caller's transaction.
 */
@Component
class LeftOut {

    private static final String TRIGGER = "a_fields_left_out";

    private final DSLContext sql;

    LeftOut(DSLContext sql) {
        this.sql = sql;
    }

    /** Visitors see all columns again, as far as they see rows. */
    void release(Table table) {
        sql.execute("drop view if exists {0}", view(table));
        sql.execute("drop function if exists {0}() cascade", view(table));
        sql.execute("grant select on {0} to {1}", Hosted.name(table), DSL.name(VisitorScope.ROLE));
    }

    /** To a released table. */
    void protect(GrantSql grants) {
        Set<FieldKey> unseen = grants.grants().leftOut(Verb.SEE);
        if (!unseen.isEmpty()) {
            close(grants.table(), unseen);
            show(grants, unseen);
        }
        guard(grants, unseen);
    }

    private void close(Table table, Set<FieldKey> unseen) {
        List<Name> open = sql.select(DSL.field(DSL.name("attname"), String.class)).from(DSL.name("pg_catalog", "pg_attribute"))
                .where("attrelid = {0}::regclass and attnum > 0 and not attisdropped", DSL.inline(sql.render(
                        Hosted.name(table)))).fetch(0, String.class).stream()
                .filter(column -> !column.equals(Hosted.SEARCH_TEXT.last()) && unseen.stream().noneMatch(
                        field -> field.name().equals(column))).map(DSL::name).toList();
        sql.execute("revoke select on {0} from {1}", Hosted.name(table), DSL.name(VisitorScope.ROLE));
        sql.execute("grant select ({0}) on {1} to {2}", DSL.list(open), Hosted.name(table), DSL.name(VisitorScope.ROLE));
    }

    private void show(GrantSql grants, Set<FieldKey> unseen) {
        Table table = grants.table();
        List<QueryPart> columns = new ArrayList<>(List.of(Hosted.ROW));
        unseen.forEach(field -> columns.add(DSL.sql("case when {0} then {1} end as {1}", grants.of(Verb.SEE, field),
                DSL.name(field.name()))));
        RowSecurity.inline(sql).query("create view {0} as select {1} from {2}", view(table), DSL.list(columns),
                Hosted.name(table)).execute();
        sql.execute("grant select on {0} to {1}", view(table), DSL.name(VisitorScope.ROLE));
    }

    /** Of a row that is changed, both what it was and what it becomes is asked, and that what it was is seen. */
    private void guard(GrantSql grants, Set<FieldKey> unseen) {
        Set<FieldKey> changed = new TreeSet<>(unseen);
        changed.addAll(grants.grants().leftOut(Verb.CHANGE));
        Set<FieldKey> added = grants.grants().leftOut(Verb.ADD);
        if (changed.isEmpty() && added.isEmpty()) {
            return;
        }
        List<QueryPart> checks = new ArrayList<>();
        changed.forEach(field -> checks.add(check(grants, "UPDATE", "{0} is distinct from {1}", field,
                grants.of(Verb.CHANGE, field).and(grants.of(Verb.SEE, field)), List.of("old", "new"))));
        added.forEach(field -> checks.add(check(grants, "INSERT", "{0} is not null and {2} <> all (string_to_array(coalesce("
                + "current_setting('" + VisitorScope.SETTING_BY_SERVER + "', true), ''), ','))", field,
                grants.of(Verb.ADD, field), List.of("new"))));
        DSLContext inline = RowSecurity.inline(sql);
        String body = "#variable_conflict use_column\nbegin if current_user = " + inline.render(DSL.inline(VisitorScope.ROLE))
                + " then " + checks.stream().map(inline::renderInlined).collect(Collectors.joining(" "))
                + " end if; return new; end";
        sql.execute("create function {0}() returns trigger language plpgsql as {1}", view(grants.table()), DSL.inline(body));
        sql.execute("create trigger {0} before insert or update on {1} for each row execute function {2}()",
                DSL.name(TRIGGER), Hosted.name(grants.table()), view(grants.table()));
    }

    private static QueryPart check(GrantSql grants, String when, String isWritten, FieldKey field, Condition may,
            List<String> rows) {
        Name is = DSL.name("new", field.name());
        List<Condition> met = rows.stream().map(row -> DSL.condition("exists (select from (select {0}.*) as {1} where {2})",
                DSL.keyword(row), DSL.name(grants.table().key().name()), may)).toList();
        return DSL.sql("if tg_op = {0} then if {1} and not ({2}) then raise insufficient_privilege using message = {3}; end if; "
                + "end if;", DSL.inline(when), DSL.sql(isWritten, is, DSL.name("old", field.name()),
                DSL.inline(field.name())), DSL.and(met), DSL.inline("The grants leave out " + field.name()));
    }

    private static Name view(Table table) {
        return Hosted.partly(table.key());
    }
}
