package org.pressboard.schema;

import java.util.List;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Name;
import org.jooq.QueryPart;
import org.jooq.conf.SettingsTools;
import org.jooq.conf.StatementType;
import org.jooq.impl.DSL;
import org.pressboard.grant.Deciding;
import org.pressboard.grant.Grant;
import org.pressboard.grant.Grants;
import org.pressboard.grant.Verb;
import org.pressboard.scope.VisitorScope;
import org.pressboard.source.Hosted;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;
import org.springframework.stereotype.Component;

/** The second lock: the grants of a table as policies of the database. All within the caller's transaction. */
@Component
class RowSecurity {

    private final DSLContext sql;
    private final LeftOut leftOut;

    RowSecurity(DSLContext sql, LeftOut leftOut) {
        this.sql = sql;
        this.leftOut = leftOut;
    }

    /** Visitors may ask the table from now on, and get nothing until a grant says what. */
    void begin(Table table) {
        sql.execute("alter table {0} enable row level security", Hosted.name(table));
        sql.execute("grant select on {0} to {1}", Hosted.name(table), visitors());
    }

    /** Makes the row security say what the grants say of the table as it is, and nothing else. */
    void protect(Tables tables, Table table, Grants grants, Deciding deciding) {
        release(table);
        GrantSql whole = new GrantSql(tables, table, grants.of(tables, table, deciding));
        List<Grant> all = whole.grants().all();
        for (int i = 0; i < all.size(); i++) {
            Verb verb = all.get(i).verb();
            if (verb != Verb.APPROVE) {
                inline().query("create policy {0} on {1} for {2} to {3} {4}", DSL.name("grant_" + (i + 1) + "_" + verb.word()),
                        Hosted.name(table), statement(verb), visitors(), rows(verb, whole.of(all.get(i)))).execute();
                if (verb != Verb.SEE) {
                    sql.execute("grant {0} on {1} to {2}", statement(verb), Hosted.name(table), visitors());
                }
            }
        }
        bind(whole);
        leftOut.protect(whole);
    }

    /** What has to be let through binds everybody, whatever they were granted. */
    private void bind(GrantSql grants) {
        if (grants.grants().approval().isAsked()) {
            for (Verb verb : Verb.of(false)) {
                inline().query("create policy {0} on {1} as restrictive for {2} to {3} {4}",
                        DSL.name("let_through_" + verb.word()), Hosted.name(grants.table()), statement(verb), visitors(),
                        rows(verb, grants.bound(verb))).execute();
            }
        }
    }

    /** Lets the columns of the table be altered: visitors get and change nothing of it until it is protected again. */
    void release(Table table) {
        for (String policy : policies(table)) {
            sql.execute("drop policy {0} on {1}", DSL.name(policy), Hosted.name(table));
        }
        sql.execute("revoke insert, update, delete on {0} from {1}", Hosted.name(table), visitors());
        leftOut.release(table);
    }

    private List<String> policies(Table table) {
        return sql.select(DSL.field(DSL.name("policyname"), String.class)).from(DSL.name("pg_catalog", "pg_policies"))
                .where(DSL.field(DSL.name("schemaname"), String.class).eq(Hosted.schema()))
                .and(DSL.field(DSL.name("tablename"), String.class).eq(table.key().name()))
                .fetch(0, String.class);
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

    private DSLContext inline() {
        return inline(sql);
    }

    /** A policy is kept as text and takes no parameters: its values are written into it, quoted by jOOQ. */
    static DSLContext inline(DSLContext sql) {
        return DSL.using(sql.configuration().derive(
                SettingsTools.clone(sql.settings()).withStatementType(StatementType.STATIC_STATEMENT)));
    }

    private static Name visitors() {
        return DSL.name(VisitorScope.ROLE);
    }
}
