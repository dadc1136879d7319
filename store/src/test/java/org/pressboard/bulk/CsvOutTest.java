package org.pressboard.bulk;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import de.siegmar.fastcsv.reader.CsvReader;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.random.RandomGenerator;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.pressboard.condition.Cases;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Operator;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Grant;
import org.pressboard.grant.Grants;
import org.pressboard.grant.Openness;
import org.pressboard.grant.Sight;
import org.pressboard.grant.Verb;
import org.pressboard.grant.Visitor;
import org.pressboard.listing.RowQuery;
import org.pressboard.listing.SortBy;
import org.pressboard.table.Field;
import org.pressboard.table.Table;
import org.pressboard.testing.StoreTest;
import org.pressboard.value.PlainForm;
import org.pressboard.value.Row;
import org.pressboard.value.SpreadsheetCells;
import org.pressboard.value.TextOrder;
import org.pressboard.value.Value;
import org.springframework.beans.factory.annotation.Autowired;

class CsvOutTest extends StoreTest {

    private static final long SEED = 4180;
    private static final List<Visitor> VISITORS = List.of(Visitor.ANYONE, Visitor.member("mira@example.org"),
            Visitor.staff("owner@example.org"));

    @Autowired
    private CsvOut csv;

    @Autowired
    private Scratch scratch;

    @Test
    void whatIsCarriedAwayIsWhatMemoryFindsInPlainForm() {
        RandomGenerator random = Cases.random(SEED);
        List<Row> all = Cases.rows(random, 120);
        Table table = tableWith(all);
        publisher.open(table.key(), Openness.EVERYONE);
        for (int i = 0; i < 80; i++) {
            RowQuery query = query(table, Cases.pick(VISITORS, random), Cases.condition(random, 3),
                    List.of(new SortBy(Cases.pick(Cases.TABLE.fields().all(), random).key(), random.nextBoolean())),
                    2, 10);
            RowQuery whole = query(table, query.visitor(), query.within(), query.order(), 1, all.size());
            assertThat(records(written(query))).as("seed %d, %s", SEED, query)
                    .isEqualTo(plain(table, whole.pageOf(all, TextOrder.of(ENGLISH))));
        }
    }

    private List<List<String>> plain(Table table, List<Row> rows) {
        List<List<String>> records = new ArrayList<>();
        records.add(table.fields().stream().map(Field::label).toList());
        rows.forEach(row -> records.add(table.fields().stream().map(field -> plain(row.get(field.key()))).toList()));
        return records;
    }

    private static String plain(@Nullable Value value) {
        return value == null ? "" : PlainForm.write(value);
    }

    private static List<List<String>> records(String text) {
        return CsvReader.builder().ofCsvRecord(text).stream().map(record -> record.getFields()).toList();
    }

    /** RFC 4180, section 2: lines end with CR LF (1), the last one too, and a quote is doubled within quotes (7). */
    @Test
    void recordsEndAndAreQuotedAsRfc4180Says() {
        Table table = tableWith(List.of(Cases.named("b\"bb"), Cases.named("b\r\nbb"), Cases.named("a,b\n")));
        RowQuery names = new RowQuery(Sight.of(table), VISITORS.getLast(), Cases.NOBODY, Condition.ALWAYS, Condition.ALWAYS,
                List.of(), 1, 10, List.of(Cases.NAME, Cases.RARE));
        assertThat(written(names))
                .isEqualTo("Name,Rare\r\n\"b\"\"bb\",\r\n\"b\r\nbb\",\r\n\"a,b\n\",\r\n");
    }

    /** Such as when all fields that a listing shows were removed: not those that it does not show. */
    @Test
    void ofNoFieldsNothingIsCarriedAway() {
        Table table = tableWith(List.of(Cases.named("plum"), Cases.named("pear")));
        assertThat(written(new RowQuery(Sight.of(table), VISITORS.getLast(), Cases.NOBODY, Condition.ALWAYS, Condition.ALWAYS,
                List.of(), 1, 10, List.of()))).isEqualTo("\r\n\"\"\r\n\"\"\r\n");
    }

    @Test
    void cellsAreMadeHarmlessInPostgreSqlAsInMemory() {
        List<String> texts = List.of("=1+1", "+cmd", "-2+3", "@x", "\tx", "\rx", "-5", "+4915112345100", "-1,2.5", "a=b",
                "-", "x\n=1", "+1.", "-\u0661");
        Table table = tableWith(texts.stream().map(Cases::named).toList());
        RowQuery names = new RowQuery(Sight.of(table), VISITORS.getLast(), Cases.NOBODY, Condition.ALWAYS, Condition.ALWAYS,
                List.of(), 1, 10, List.of(Cases.NAME));
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        csv.write(names, ENGLISH, SpreadsheetCells.HARMLESS, Carrying.UNWATCHED, out);
        assertThat(records(out.toString(UTF_8)).stream().skip(1).map(List::getFirst))
                .isEqualTo(texts.stream().map(SpreadsheetCells.HARMLESS::write).toList());
    }

    @Test
    void whatIsReadIsGivenWholeAndLeavesNothingOnTheDisk() throws IOException {
        Table table = tableWith(List.of());
        inTransaction(() -> sql.execute("insert into {0} (name) select 'n' || i from generate_series(1, 300000) i",
                name("hosted", table.key().name())));
        RowQuery query = query(table, VISITORS.getLast(), Condition.ALWAYS, List.of(), 1, 10);
        ByteArrayOutputStream given = new ByteArrayOutputStream();
        try (Spool spool = csv.read(query, ENGLISH, SpreadsheetCells.BARE, Carrying.UNWATCHED)) {
            assertThat(scratch.folder().toFile().list()).isNotEmpty();
            spool.copyTo(given);
        }
        assertThat(given.toString(UTF_8)).isEqualTo(written(query));
        assertThat(scratch.folder().toFile().list()).isEmpty();
    }

    /** The first lock is left open on purpose. */
    @Test
    void rowSecurityHoldsForWhatIsCarriedAway() {
        Table table = tableWith(List.of(Cases.named("Hollin"), Cases.named("Bramber")));
        RowQuery open = query(table, Visitor.ANYONE, Condition.ALWAYS, List.of(), 1, 10);
        publisher.open(table.key(), Openness.MEMBERS);
        assertThat(records(written(open))).hasSize(1);
        Condition onlyHollin = Condition.compare(Cases.NAME, Operator.EQUALS, Value.of("Hollin"));
        publisher.grant(table.key(), new Grants(List.of(new Grant(Audience.EVERYONE, Verb.SEE, onlyHollin))));
        assertThat(records(written(open))).hasSize(2).last().satisfies(row -> assertThat(row).contains("Hollin"));
    }

    @Test
    void whoeverStopsInTheMiddleLeavesTheConnectionWell() {
        Table table = tableWith(List.of());
        inTransaction(() -> sql.execute("insert into {0} (name) select 'n' || i from generate_series(1, 100000) i",
                name("hosted", table.key().name())));
        RowQuery query = query(table, VISITORS.getLast(), Condition.ALWAYS, List.of(), 1, 10);
        for (int room : new int[] {0, 10, 100_000, 0, 10, 100_000}) {
            assertThatThrownBy(() -> csv.write(query, ENGLISH, SpreadsheetCells.BARE, Carrying.UNWATCHED, new Full(room)))
                    .isInstanceOf(UncheckedIOException.class);
        }
        assertThat(records(written(query))).hasSize(100_001);
    }

    /** Takes so many bytes and no more. */
    private static final class Full extends OutputStream {

        private int room;

        Full(int room) {
            this.room = room;
        }

        @Override
        public void write(int each) throws IOException {
            if (room-- <= 0) {
                throw new IOException("full");
            }
        }
    }

    private String written(RowQuery query) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        csv.write(query, ENGLISH, SpreadsheetCells.BARE, Carrying.UNWATCHED, out);
        return out.toString(UTF_8);
    }
}
