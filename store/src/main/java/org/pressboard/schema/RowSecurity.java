package org.pressboard.schema;

import java.util.List;
import java.util.Locale;
import org.jooq.DSLContext;
import org.jooq.Name;
import org.jooq.Query;
import org.jooq.conf.Settings;
import org.jooq.conf.SettingsTools;
import org.jooq.conf.StatementType;
import org.jooq.impl.DSL;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Grant;
import org.pressboard.grant.Grants;
import org.pressboard.rows.VisitorScope;
import org.pressboard.sql.OperandSql;
import org.pressboard.sql.TableSql;
import org.pressboard.table.Table;
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

    /** Makes the row security say what the grants say, and nothing else. */
    void protect(Table table, Grants grants) {
        for (String policy : policies(table)) {
            sql.execute("drop policy {0} on {1}", DSL.name(policy), TableSql.name(table));
        }
        int number = 0;
        for (Grant grant : grants.all()) {
            policy(table, grant, ++number).execute();
        }
    }

    private List<String> policies(Table table) {
        return sql.select(DSL.field(DSL.name("policyname"), String.class)).from(DSL.name("pg_catalog", "pg_policies"))
                .where(DSL.field(DSL.name("schemaname"), String.class).eq(TableSql.SCHEMA))
                .and(DSL.field(DSL.name("tablename"), String.class).eq(table.key().name()))
                .fetch(0, String.class);
    }

    private Query policy(Table table, Grant grant, int number) {
        Name name = TableSql.name(table);
        org.jooq.Condition rows = TableSql.alone(table, Locale.ENGLISH).condition(grant.rows());
        // a policy is kept as text and takes no parameters: its values are written into it, quoted by jOOQ
        return DSL.using(sql.configuration().derive(inlined())).query(
                "create policy {0} on {1} for select to {2} using ({3})", DSL.name("grant_" + number + "_see"),
                name, DSL.name(VisitorScope.ROLE), audience(grant.audience()).and(rows));
    }

    private Settings inlined() {
        return SettingsTools.clone(sql.settings()).withStatementType(StatementType.STATIC_STATEMENT);
    }

    private static org.jooq.Condition audience(Audience audience) {
        return switch (audience) {
            case EVERYONE -> DSL.trueCondition();
            case MEMBERS -> OperandSql.setting(OperandSql.SETTING_KIND).eq(DSL.inline("MEMBER"));
        };
    }
}
