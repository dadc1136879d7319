package org.pressboard.sql;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.random.RandomGenerator;
import org.junit.jupiter.api.Test;
import org.pressboard.condition.Cases;
import org.pressboard.condition.Condition;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Grant;
import org.pressboard.grant.Grants;
import org.pressboard.grant.Sight;
import org.pressboard.grant.Verb;
import org.pressboard.grant.Visitor;
import org.pressboard.scope.VisitorScope;
import org.pressboard.schema.TableChanges;
import org.pressboard.table.Field;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Tables;
import org.pressboard.testing.StoreTest;
import org.pressboard.value.Row;
import org.pressboard.value.RowId;
import org.springframework.beans.factory.annotation.Autowired;

/** Conditions over fields of every kind, through references and over computed fields, in memory, in SQL and by row security. */
class RelatedAgreementTest extends StoreTest {

    private static final long SEED = 20261126;
    private static final int CASES = 2_000;
    private static final List<Visitor> VISITORS = List.of(Visitor.ANYONE, Visitor.member("mira@example.org"));

    @Autowired
    private TableChanges changes;

    @Autowired
    private VisitorScope scope;

    private final RandomGenerator random = Cases.random(SEED);
    private final RelatedCases cases = new RelatedCases(1);
    private List<Row> makers = RelatedCases.rows(cases.makers, List.of(), random, 12);
    private final List<Row> tools = RelatedCases.rows(cases.tools, makers, random, 60);

    private void make() {
        Tables tables = cases.tables();
        Table bare = tables.get(cases.makers.key());
        inTransaction(() -> {
            Table without = bare.with(new org.pressboard.table.Fields(bare.entered()));
            hostedTables.create(without);
            catalog.addTable(without);
        });
        Table made = catalog.table(cases.makers.key()).orElseThrow();
        load(made, makers);
        Table toolTable = tables.get(cases.tools.key());
        Table plain = toolTable.with(new org.pressboard.table.Fields(toolTable.entered()));
        make(plain, tools);
        changes.addField(bare.key(), cases.makers.field(RelatedCases.MADE), OWNER);
        for (Field field : cases.tools.fields()) {
            if (!field.isEntered()) {
                changes.addField(cases.tools.key(), field, OWNER);
            }
        }
        makers = RelatedCases.worked(makers, tools);
    }

    @Test
    void conditionsHoldForTheSameRowsInMemoryAndInSql() {
        make();
        Tables tables = catalog.tables();
        List<Field> fields = tables.get(cases.tools.key()).fields().all();
        List<Field> own = tables.get(cases.makers.key()).fields().all();
        for (int i = 0; i < CASES; i++) {
            Visitor visitor = Cases.pick(VISITORS, random);
            Condition seen = random.nextInt(3) == 0 ? Condition.ALWAYS
                    : RelatedCases.condition(own, makers, random, 1);
            Condition condition = RelatedCases.condition(fields, makers, random, 3);
            List<RowId> inMemory = RelatedCases.worked(tools, makers, seen, visitor.at(Cases.midnight())).stream()
                    .filter(row -> condition.holds(row, visitor.at(Cases.midnight()))).map(Row::id).toList();
            assertThat(bySql(tables, seen, condition, visitor)).as("seed %d, case %d, %s, seen %s, %s", SEED, i, visitor,
                    seen, condition).isEqualTo(inMemory);
        }
        byRowSecurity(fields.stream().filter(Field::isEntered).filter(field -> !field.key()
                .equals(RelatedCases.MAKER) && !field.key().equals(RelatedCases.MENDERS)).toList());
    }

    private List<RowId> bySql(Tables tables, Condition seen, Condition condition, Visitor visitor) {
        Map<TableKey, Condition> rows = new HashMap<>();
        rows.put(cases.tools.key(), Condition.ALWAYS);
        rows.put(cases.makers.key(), seen);
        TableSql table = TableSql.of(new Sight(tables.get(cases.tools.key()), tables, rows), visitor.at(Cases.midnight()),
                ENGLISH);
        List<RowId> found = ids(table, table.condition(condition));
        assertThat(ids(table, table.conditionRowByRow(condition))).as("seed %d, row by row, seen %s, %s", SEED, seen,
                condition).isEqualTo(found);
        return found;
    }

    private List<RowId> ids(TableSql table, org.jooq.Condition condition) {
        return Objects.requireNonNull(inTransaction(() -> sql.select(table.rowId()).from(table.asTable())
                .where(condition).orderBy(table.rowId()).fetch(table.rowId())));
    }

    private void byRowSecurity(List<Field> fields) {
        for (int i = 0; i < 60; i++) {
            Condition granted = RelatedCases.condition(fields, makers, random, 2);
            publisher.grant(cases.tools.key(), new Grants(List.of(new Grant(Audience.EVERYONE, Verb.SEE, granted))));
            for (Visitor visitor : VISITORS) {
                List<RowId> inMemory = tools.stream().filter(row -> granted.holds(row, visitor.at(Cases.midnight())))
                        .map(Row::id).toList();
                TableSql table = TableSql.plain(catalog.table(cases.tools.key()).orElseThrow());
                List<RowId> shown = Objects.requireNonNull(inTransaction(() -> {
                    scope.enter(visitor, visitor.at(Cases.midnight()));
                    return sql.select(table.rowId()).from(table.asTable()).orderBy(table.rowId()).fetch(table.rowId());
                }));
                assertThat(shown).as("seed %d, %s, %s", SEED, visitor, granted).isEqualTo(inMemory);
            }
        }
    }
}
