package org.pressboard.schema;

import java.util.List;
import java.util.Locale;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Name;
import org.jooq.Query;
import org.jooq.QueryPart;
import org.jooq.conf.SettingsTools;
import org.jooq.conf.StatementType;
import org.jooq.impl.DSL;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Grants;
import org.pressboard.grant.Verb;
import org.pressboard.rows.VisitorScope;
import org.pressboard.sql.OperandSql;
import org.pressboard.sql.TableSql;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;
import org.springframework.stereotype.Component;

/** The second lock: the grants of a table as policies of the database. All within the caller's transaction. */
@Component
class RowSecurity {

    private final DSLContext sql;

    RowSecurity(DSLContext sql) {
        this.sql = sql;
    }

    /** Visitors may ask the table from now on, and get nothing until a grant says what. */
    void begin(Table table) {
        sql.execute("alter table {0} enable row level security", TableSql.name(table));
        sql.execute("grant select on {0} to {1}", TableSql.name(table), DSL.name(VisitorScope.ROLE));
    }

    /** Makes the row security say what the grants say of the table as it is, and nothing else. */
    void protect(Tables tables, Table table, Grants grants) {
        release(table);
        Grants whole = grants.of(tables, table);
        for (int i = 0; i < whole.all().size(); i++) {
            if (whole.all().get(i).verb() == Verb.APPROVE) {
                continue;
            }
            policy(tables, table, whole, i).execute();
            sql.execute("grant {0} on {1} to {2}", statement(whole.all().get(i).verb()), TableSql.name(table),
                    DSL.name(VisitorScope.ROLE));
        }
        bind(tables, table, whole);
    }

    /** What has to be let through binds everybody, whatever they were granted. */
    private void bind(Tables tables, Table table, Grants grants) {
        if (!grants.approval().isAsked()) {
            return;
        }
        TableSql rows = TableSql.secured(tables, table);
        Condition letting = DSL.or(grants.all().stream().filter(grant -> grant.verb() == Verb.APPROVE)
                .map(grant -> audience(grant.audience()).and(rows.conditionRowByRow(grants.reach(grant)))).toList());
        for (Verb verb : Verb.of(false)) {
            // those who let through are told by whom they are, which the core's condition cannot
            Condition bound = rows.conditionRowByRow(grants.approval().bound(verb, grants.ofOwn(),
                    org.pressboard.condition.Condition.NEVER)).or(letting);
            inline().query("create policy {0} on {1} as restrictive for {2} to {3} {4}",
                    DSL.name("let_through_" + verb.word()), TableSql.name(table), statement(verb),
                    DSL.name(VisitorScope.ROLE), rows(verb, bound)).execute();
        }
    }

    /** Lets the columns of the table be altered: visitors get and change nothing of it until it is protected again. */
    void release(Table table) {
        for (String policy : policies(table)) {
            sql.execute("drop policy {0} on {1}", DSL.name(policy), TableSql.name(table));
        }
        sql.execute("revoke insert, update, delete on {0} from {1}", TableSql.name(table), DSL.name(VisitorScope.ROLE));
    }

    private List<String> policies(Table table) {
        return sql.select(DSL.field(DSL.name("policyname"), String.class)).from(DSL.name("pg_catalog", "pg_policies"))
                .where(DSL.field(DSL.name("schemaname"), String.class).eq(TableSql.SCHEMA))
                .and(DSL.field(DSL.name("tablename"), String.class).eq(table.key().name()))
                .fetch(0, String.class);
    }

    private Query policy(Tables tables, Table table, Grants grants, int number) {
        Verb verb = grants.all().get(number).verb();
        Name name = DSL.name("grant_" + (number + 1) + "_" + verb.name().toLowerCase(Locale.ROOT));
        Condition rows = audience(grants.all().get(number).audience()).and(TableSql.secured(tables, table)
                .conditionRowByRow(grants.reach(grants.all().get(number))));
        return inline().query("create policy {0} on {1} for {2} to {3} {4}", name,
                TableSql.name(table), statement(verb), DSL.name(VisitorScope.ROLE), rows(verb, rows));
    }

    private static QueryPart statement(Verb verb) {
        return DSL.keyword(switch (verb) {
            case SEE -> "select";
            case ADD -> "insert";
            case CHANGE -> "update";
            case REMOVE -> "delete";
            case APPROVE -> throw new IllegalArgumentException("Nothing of its own is done by letting through");
        });
    }

    /** Of a row that is changed, both what it was and what it becomes. */
    private static QueryPart rows(Verb verb, Condition rows) {
        return switch (verb) {
            case SEE, REMOVE, APPROVE -> DSL.sql("using ({0})", rows);
            case ADD -> DSL.sql("with check ({0})", rows);
            case CHANGE -> DSL.sql("using ({0}) with check ({0})", rows);
        };
    }

    /** A policy is kept as text and takes no parameters: its values are written into it, quoted by jOOQ. */
    private DSLContext inline() {
        return DSL.using(sql.configuration().derive(
                SettingsTools.clone(sql.settings()).withStatementType(StatementType.STATIC_STATEMENT)));
    }

    private static Condition audience(Audience audience) {
        return switch (audience) {
            case Audience.Everyone everyone -> DSL.trueCondition();
            case Audience.Members members -> OperandSql.setting(OperandSql.SETTING_KIND).eq(DSL.inline("MEMBER"));
            case Audience.Those those -> OperandSql.isInGroup(those.group().name());
        };
    }
}
