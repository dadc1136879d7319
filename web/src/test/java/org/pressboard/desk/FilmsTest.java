package org.pressboard.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.InputStream;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.jspecify.annotations.Nullable;
import org.pressboard.bulk.Intake;
import org.pressboard.bulk.Intakes;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Operator;
import org.pressboard.history.Author;
import org.pressboard.schema.Publisher;
import org.pressboard.schema.TableChanges;
import org.pressboard.site.RunningSite;
import org.pressboard.table.Computed;
import org.pressboard.table.Computed.Measure;
import org.pressboard.table.Field;
import org.pressboard.table.Referring;
import org.pressboard.table.TableKey;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Value;
import org.springframework.beans.factory.annotation.Autowired;

/**
 * A dataset that nobody here made, {@code movies.json} of the npm package vega-datasets, as two files: films, and the
 * directors that they refer to. Every tally and every borrowed value is compared with what DuckDB works out of the same.
 */
class FilmsTest extends RunningSite {

    private static final Path FILE = Path.of("front/node_modules/vega-datasets/data/movies.json").toAbsolutePath();
    private static final Author OWNER = new Author(null, "owner@example.org", Author.Origin.DESK);
    private static final TableKey FILMS = new TableKey("films");
    private static final TableKey DIRECTORS = new TableKey("directors");
    private static final FieldKey DIRECTOR = new FieldKey("director");

    @Autowired
    private Intakes intakes;

    @Autowired
    private TableChanges changes;

    @Autowired
    private Publisher publisher;

    @TempDir
    private Path folder;

    @AfterEach
    void removeTheTables() {
        publisher.remove(FILMS, DIRECTORS);
    }

    @Test
    void everyTallyAndBorrowedValueIsDuckDbs() throws Exception {
        try (Connection duck = DriverManager.getConnection("jdbc:duckdb:"); Statement sql = duck.createStatement();
                Connection own = DATABASE.connect(); Statement ours = own.createStatement()) {
            sql.execute("create table films as select row_number() over () as number, \"Title\"::varchar as title, "
                    + "\"Director\" as director, try_cast(\"US Gross\"::varchar as bigint) as gross, "
                    + "\"IMDB Rating\" as rating, try_cast(\"IMDB Votes\"::varchar as bigint) as votes, "
                    + "\"Major Genre\" as genre from read_json_auto('" + FILE + "')");
            sql.execute("copy films to '" + folder.resolve("films.csv") + "' (header)");
            sql.execute("copy (select distinct director as name from films where director is not null) to '"
                    + folder.resolve("directors.csv") + "' (header)");
            bringIn("directors.csv");
            bringIn("films.csv");
            changes.retype(FILMS, DIRECTOR, new Referring.Reference(DIRECTORS, Referring.OnRemoval.REFUSE), OWNER);
            tally("films", Measure.COUNT, null, Condition.ALWAYS, null);
            tally("gross", Measure.SUM, "gross", Condition.ALWAYS, null);
            tally("rating", Measure.AVERAGE, "rating", Condition.ALWAYS, null);
            tally("worst", Measure.LEAST, "rating", Condition.ALWAYS, null);
            tally("best", Measure.GREATEST, "rating", Condition.ALWAYS, null);
            tally("known_for", Measure.LAST, "title", Condition.isEmpty(new FieldKey("votes")).not(), "votes");
            tally("dramas", Measure.COUNT, null, Condition.compare(new FieldKey("genre"), Operator.EQUALS,
                    Value.of("Drama")), null);
            assertThat(lines(ours, "select name, films, gross, round(rating, 6), worst, best, known_for, dramas "
                    + "from hosted.directors order by name collate \"C\"")).hasSizeGreaterThan(500)
                    .isEqualTo(lines(sql, "select director, count(*), coalesce(sum(gross), 0), round(avg(rating), 6), "
                            + "min(rating), max(rating), arg_max(title, votes), count(*) filter (genre = 'Drama') "
                            + "from films where director is not null group by 1 order by 1"));
            assertThat(lines(ours, "select f.number, d.name, d.films from hosted.films f "
                    + "join hosted.directors d on d.row_id = f.director order by 1"))
                    .isEqualTo(lines(sql, "select number, director, count(*) over (partition by director) from films "
                            + "where director is not null order by 1"));
        }
    }

    private void bringIn(String file) throws Exception {
        UUID id;
        try (InputStream in = Files.newInputStream(folder.resolve(file))) {
            id = intakes.receive(file, in);
        }
        intakes.survey(id).get();
        intakes.load(id, Objects.requireNonNull(intakes.find(id).orElseThrow().plan()), OWNER).get();
        Intake done = intakes.find(id).orElseThrow();
        assertThat(done.rowsAside()).as(done.toString()).isZero();
    }

    private void tally(String key, Measure measure, @Nullable String field, Condition where, @Nullable String order) {
        changes.addField(DIRECTORS, Field.computed(new FieldKey(key), key, new Computed.Tally(FILMS, DIRECTOR, measure,
                field == null ? null : new FieldKey(field), where, order == null ? null : new FieldKey(order), null,
                Computed.Floor.NONE)), OWNER);
    }

    private static List<List<String>> lines(Statement sql, String query) throws SQLException {
        List<List<String>> lines = new ArrayList<>();
        try (ResultSet result = sql.executeQuery(query)) {
            while (result.next()) {
                List<String> line = new ArrayList<>();
                for (int i = 1; i <= result.getMetaData().getColumnCount(); i++) {
                    line.add(plain(String.valueOf(result.getString(i))));
                }
                lines.add(line);
            }
        }
        return lines;
    }

    /** A number without the zeros that only fill it up. */
    private static String plain(String text) {
        return text.matches("-?\\d+\\.\\d+") ? new BigDecimal(text).setScale(6, RoundingMode.HALF_UP)
                .stripTrailingZeros().toPlainString() : text;
    }
}
