package org.pressboard.schema;

import java.util.ArrayList;
import java.util.List;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.Name;
import org.jooq.Query;
import org.jooq.conf.Settings;
import org.jooq.conf.SettingsTools;
import org.jooq.conf.StatementType;
import org.jooq.impl.DSL;
import org.jooq.impl.SQLDataType;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Grant;
import org.pressboard.grant.Grants;
import org.pressboard.rows.VisitorScope;
import org.pressboard.sql.OperandSql;
import org.pressboard.sql.TableSql;
import org.pressboard.sql.ValueSql;
import org.pressboard.table.FieldKey;
import org.pressboard.table.Table;
import org.springframework.stereotype.Component;

/**
 * The physical tables of the owner's rows: one real table each, with readable column names, its own triggers that
 * tell of changes, and row security. All within the caller's transaction.
 */
@Component
public class HostedTables {

    private final DSLContext sql;

    HostedTables(DSLContext sql) {
        this.sql = sql;
    }

    /** Makes the table, empty, with nobody granted anything. */
    public void create(Table table) {
        Name name = TableSql.name(table);
        List<Field<?>> columns = new ArrayList<>();
        columns.add(DSL.field(DSL.name(TableSql.ROW_ID), SQLDataType.BIGINT.generatedByDefaultAsIdentity()));
        table.fields().forEach(field ->
                columns.add(DSL.field(DSL.name(field.key().name()), ValueSql.columnType(field.type()))));
        for (String when : List.of("added_at", "changed_at")) {
            columns.add(DSL.field(DSL.name(when), SQLDataType.TIMESTAMPWITHTIMEZONE.notNull()
                    .defaultValue(DSL.currentOffsetDateTime())));
        }
        for (String who : List.of("added_by", "changed_by")) {
            columns.add(DSL.field(DSL.name(who), SQLDataType.CLOB));
        }
        sql.createTable(name).columns(columns).primaryKey(DSL.name(TableSql.ROW_ID)).execute();
        sql.execute("comment on table {0} is {1}", name, DSL.inline(table.label()));
        sql.execute("alter table {0} enable row level security", name);
        sql.fetch("select pressboard.watch({0}::regclass)", DSL.inline(sql.render(name)));
    }

    /** Says in the database, too, what the table is called now. */
    public void relabel(Table table) {
        sql.execute("comment on table {0} is {1}", TableSql.name(table), DSL.inline(table.label()));
    }

    /** Whether each row has a value in the field and no two have the same. */
    public boolean namesRows(Table table, FieldKey field) {
        Field<?> column = new TableSql(table, java.util.Locale.ENGLISH).column(field);
        return !sql.fetchExists(DSL.selectOne().from(TableSql.name(table)).groupBy(column)
                .having(DSL.count().gt(1).or(column.isNull())));
    }

    /** Removes the table with all its rows. */
    public void drop(Table table) {
        sql.execute("drop table {0}", TableSql.name(table));
    }

    /** Makes the row security say what the grants say, and nothing else. */
    public void protect(Table table, Grants grants) {
        Name name = TableSql.name(table);
        Name visitors = DSL.name(VisitorScope.ROLE);
        for (String policy : policies(table)) {
            sql.execute("drop policy {0} on {1}", DSL.name(policy), name);
        }
        sql.execute("revoke all on {0} from {1}", name, visitors);
        if (!grants.all().isEmpty()) {
            sql.execute("grant select on {0} to {1}", name, visitors);
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
        org.jooq.Condition rows = new TableSql(table, java.util.Locale.ENGLISH)
                .condition(grant.rows(), new OperandSql.FromSettings());
        // a policy is kept as text and takes no parameters: its values are written into it, quoted by jOOQ
        return DSL.using(sql.configuration().derive(inlined())).query(
                "create policy {0} on {1} for select to {2} using ({3})", DSL.name("grant_" + number + "_see"),
                TableSql.name(table), DSL.name(VisitorScope.ROLE), audience(grant.audience()).and(rows));
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
