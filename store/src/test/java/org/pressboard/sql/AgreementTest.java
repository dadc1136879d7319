package org.pressboard.sql;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.random.RandomGenerator;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.pressboard.condition.Cases;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Standpoint;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Grant;
import org.pressboard.grant.Grants;
import org.pressboard.grant.Sight;
import org.pressboard.grant.Verb;
import org.pressboard.grant.Visitor;
import org.pressboard.scope.VisitorScope;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;
import org.pressboard.table.TableKey;
import org.pressboard.testing.StoreTest;
import org.pressboard.value.Row;
import org.pressboard.value.RowId;
import org.springframework.beans.factory.annotation.Autowired;

/** The core in memory, the compiled SQL and the row security alone give the same answers, whatever is asked. */
class AgreementTest extends StoreTest {

    private static final long SEED = 20261125;
    private static final List<Visitor> VISITORS = List.of(Visitor.ANYONE, Visitor.member("mira@example.org"),
            Visitor.member("tomas@example.org"));

    @Autowired
    private VisitorScope scope;

    @Test
    void conditionsHoldForTheSameRowsInMemoryAndInSql() {
        RandomGenerator random = Cases.random(SEED);
        List<Row> rows = Cases.rows(random, 120);
        Table table = tableWith(rows);
        for (int i = 0; i < 600; i++) {
            Condition condition = Cases.condition(random, 3);
            Standpoint standpoint = Cases.standpoint(Cases.pick(VISITORS, random).who(), random);
            List<RowId> inMemory = rows.stream().filter(row -> condition.holds(row, standpoint)).map(Row::id).toList();
            assertThat(bySql(table, condition, standpoint)).as("seed %d, %s, %s", SEED, standpoint, condition)
                    .isEqualTo(inMemory);
        }
    }

    /** What was said before fields became other kinds is answered alike as long as it can be asked. */
    @Test
    void whatCanStillBeAskedOfFieldsOfOtherKindsIsAnsweredAlike() {
        RandomGenerator random = Cases.random(SEED);
        for (int round = 0; round < 8; round++) {
            Table kinds = Cases.shuffled(random);
            List<Row> rows = Cases.rows(kinds, random, 40);
            Table table = make(new Table(new TableKey("retyped_" + round), "Retyped", kinds.fields()), rows);
            List<Condition> conditions = Stream.generate(() -> Cases.condition(random, 1)).limit(400)
                    .filter(condition -> Tables.alone(table).canAsk(table, condition)).toList();
            assertThat(conditions).isNotEmpty();
            conditions.forEach(condition -> assertThat(bySql(table, condition, VISITORS.getFirst().at(Cases.midnight()))).as("seed %d, %s, %s", SEED,
                    kinds.fields(), condition).isEqualTo(rows.stream().filter(row -> condition.holds(row,
                            VISITORS.getFirst().at(Cases.midnight()))).map(Row::id).toList()));
        }
    }

    /** A grant that asks of a field what can be asked of it no more gives nothing, and is no reason for anything to fail. */
    @Test
    void aGrantThatCannotBeAskedAnyMoreGivesNothing() {
        RandomGenerator random = Cases.random(SEED + 1);
        for (int round = 0; round < 40; round++) {
            Table kinds = Cases.shuffled(random);
            List<Row> rows = Cases.rows(kinds, random, 10);
            Table table = make(new Table(new TableKey("granted_" + round), "Granted", kinds.fields()), rows);
            Condition condition = Cases.condition(random, 1);
            publisher.grant(table.key(), new Grants(List.of(new Grant(Audience.EVERYONE, Verb.SEE, condition))));
            boolean canAsk = Tables.alone(table).canAsk(table, condition);
            assertThat(byRowSecurity(table, Visitor.ANYONE)).as("%s", condition).isEqualTo(rows.stream()
                    .filter(row -> canAsk && condition.holds(row, Visitor.ANYONE.at(Cases.midnight()))).map(Row::id).toList());
        }
    }

    @Test
    void rowSecurityAloneShowsWhatTheGrantsAllow() {
        RandomGenerator random = Cases.random(SEED);
        List<Row> rows = Cases.rows(random, 60);
        Table table = tableWith(rows);
        for (int i = 0; i < 80; i++) {
            Grants grants = grants(random);
            publisher.grant(table.key(), grants);
            for (Visitor visitor : VISITORS) {
                Condition allowed = grants.decide(visitor, Verb.SEE).rows();
                List<RowId> inMemory = rows.stream().filter(row -> allowed.holds(row, visitor.at(Cases.midnight())))
                        .map(Row::id).toList();
                assertThat(byRowSecurity(table, visitor)).as("seed %d, %s, %s", SEED, visitor, grants)
                        .isEqualTo(inMemory);
            }
        }
    }

    private static Grants grants(RandomGenerator random) {
        List<Grant> grants = new ArrayList<>();
        int count = random.nextInt(3);
        for (int i = 0; i < count; i++) {
            grants.add(new Grant(Cases.pick(List.of(Audience.EVERYONE, Audience.MEMBERS), random), Verb.SEE, Cases.condition(random, 2)));
        }
        return new Grants(grants);
    }

    private List<RowId> bySql(Table table, Condition condition, Standpoint standpoint) {
        TableSql tableSql = TableSql.of(Sight.of(table), standpoint, ENGLISH);
        return inTransaction(() -> sql.select(tableSql.rowId()).from(tableSql.asTable())
                .where(tableSql.condition(condition))
                .orderBy(tableSql.rowId()).fetch(tableSql.rowId()));
    }

    private List<RowId> byRowSecurity(Table table, Visitor visitor) {
        TableSql tableSql = TableSql.plain(table);
        return inTransaction(() -> {
            scope.enter(visitor, visitor.at(Cases.midnight()));
            return sql.select(tableSql.rowId()).from(tableSql.asTable()).orderBy(tableSql.rowId())
                    .fetch(tableSql.rowId());
        });
    }
}
