package org.pressboard.schema;

import static org.assertj.core.api.Assertions.assertThat;

import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.Test;
import org.pressboard.catalog.Definitions;
import org.pressboard.catalog.KeptForm;
import org.pressboard.intake.ColumnSurvey;
import org.pressboard.intake.Survey;
import org.pressboard.table.Chosen;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.Numeric;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.testing.TestDatabase;
import org.pressboard.value.FieldKey;

/** What an owner has brought in survives every upgrade, and works with what the new version expects. */
class MigrationsTest {

    private final TestDatabase database = TestDatabase.create();

    @Test
    void tablesMadeByAnEarlierVersionTellOfChangesAsNewOnesDo() throws SQLException {
        migrateTo("2");
        database.execute("create table hosted.pears (row_id bigint primary key, name text)");
        database.execute("create trigger pressboard_changes after insert or update or delete or truncate "
                + "on hosted.pears for each statement execute function pressboard.rows_changed()");
        database.execute("insert into hosted.pears values (1, 'Copper Warden'), (2, 'Hollin Catherine')");
        migrateTo("latest");
        assertThat(list("select tgname from pg_trigger where tgrelid = 'hosted.pears'::regclass order by 1"))
                .containsExactly("pressboard_added", "pressboard_altered", "pressboard_emptied", "pressboard_removed",
                        "remember_added", "remember_changed", "remember_emptied", "remember_removed");
        assertThat(list("select name from hosted.pears order by 1")).containsExactly("Copper Warden", "Hollin Catherine");
        database.execute("update hosted.pears set name = 'Warden' where row_id = 1");
        assertThat(list("select name from hosted.pears order by 1")).containsExactly("Hollin Catherine", "Warden");
    }

    @Test
    void filesOfAnEarlierVersionWaitOnAndWhatWasKeptAsideKeepsItsHeadings() throws SQLException {
        migrateTo("3");
        String survey = "{\"dialect\": {\"encoding\": \"UTF-8\", \"delimiter\": \",\"}, \"columns\": [{\"label\": \"Name\", "
                + "\"filled\": 2, \"misfits\": {\"WHOLE\": {\"count\": 1, \"examples\": [], \"digits\": 0}}, "
                + "\"suggested\": [\"TEXT\"], \"options\": [], \"looksLikeYears\": false}], \"rows\": 2, \"ragged\": 0, "
                + "\"firstRows\": [[\"a\"]]}";
        for (String status : List.of("DONE", "READY")) {
            database.execute("insert into pressboard.intake (id, file_name, file_size, status, survey, created_at, "
                    + "beat_at) values (gen_random_uuid(), '" + status + "', 1, '" + status + "', '" + survey
                    + "', now(), now())");
        }
        migrateTo("latest");
        String done = list("select survey from pressboard.intake where file_name = 'DONE'").getFirst();
        assertThat(Definitions.read(done, Survey.class).columns()).extracting(ColumnSurvey::label)
                .containsExactly("Name");
        assertThat(list("select status || coalesce(survey::text, '') from pressboard.intake where file_name = 'READY'"))
                .containsExactly("FAILED");
    }

    @Test
    void tablesOfAnEarlierVersionKeepTheirFieldsAndChoicesGetAnOrder() throws SQLException {
        migrateTo("5");
        database.execute("insert into pressboard.hosted_table (key, label, fields, created_at) values ('pears', 'Pears', "
                + "'[{\"key\": \"use\", \"label\": \"Use\", \"type\": {\"type\": \"choice\", "
                + "\"options\": [\"Perry\", \"Eating\"]}}, {\"key\": \"kg\", \"label\": \"Kg\", "
                + "\"type\": {\"type\": \"decimal\", \"digits\": 1}}]', now())");
        migrateTo("latest");
        Table table = KeptForm.TABLE.read(list("select definition from pressboard.hosted_table").getFirst());
        assertThat(table).isEqualTo(new Table(new TableKey("pears"), "Pears", new Fields(List.of(
                new Field(new FieldKey("use"), "Use", Chosen.Choice.of(List.of("Eating", "Perry"))),
                new Field(new FieldKey("kg"), "Kg", new Numeric.Decimal(1))))));
    }

    /** Rows are asked for by the key of their listing: of two of one key the second gets another, in all that was kept of its page. */
    @Test
    void listingsOfAnEarlierVersionGetKeysOfTheirOwn() throws SQLException {
        migrateTo("18");
        for (String page : List.of("trees", "trees-2")) {
            String content = "{\"version\": 2, \"page\": {\"key\": \"" + page + "\", \"title\": \"Trees\", \"listings\": "
                    + "[{\"key\": \"trees\", \"table\": \"trees\"}, {\"key\": \"" + page + "-b\", \"table\": \"trees\"}], \"access\": "
                    + "{\"listings\": [{\"listing\": \"trees\", \"audiences\": []}]}}}";
            database.execute("insert into pressboard.page (key, title, draft, position, created_at) values ('" + page + "', 'Trees', '"
                    + content + "', 1, now())");
            database.execute("insert into pressboard.edition (page_key, number, content, published_at) values ('" + page + "', 1, '"
                    + content + "', now())");
        }
        migrateTo("latest");
        assertThat(list("select key || ' ' || page_key from pressboard.listing_key order by 1")).containsExactly("trees trees",
                "trees-2 trees-2", "trees-2-b trees-2", "trees-b trees");
        for (String of : List.of("draft from pressboard.page where key", "content from pressboard.edition where page_key")) {
            assertThat(list("select " + of + " = 'trees-2'").getFirst()).contains("\"key\": \"trees-2\", \"table\"",
                    "\"listing\": \"trees-2\"").doesNotContain("\"trees\", \"audiences");
            assertThat(list("select " + of + " = 'trees'").getFirst()).contains("\"listing\": \"trees\"");
        }
    }

    private void migrateTo(String version) {
        Flyway.configure().dataSource(database.url(), database.user(), database.password()).schemas("pressboard")
                .target(version).load().migrate();
    }

    private List<String> list(String query) throws SQLException {
        List<String> all = new ArrayList<>();
        try (Connection connection = database.connect();
                ResultSet found = connection.createStatement().executeQuery(query)) {
            while (found.next()) {
                all.add(found.getString(1));
            }
        }
        return all;
    }
}
