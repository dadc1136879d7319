package org.pressboard.bulk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.jooq.impl.DSL;
import org.junit.jupiter.api.Test;
import org.pressboard.condition.Condition;
import org.pressboard.editing.RowEditing;
import org.pressboard.undo.Undo;
import org.pressboard.grant.Visitor;
import org.pressboard.history.Acts;
import org.pressboard.intake.Plan;
import org.pressboard.intake.Reading;
import org.pressboard.problem.Problem;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.schema.TableChanges;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;
import org.pressboard.value.RowId;
import org.pressboard.value.SpreadsheetCells;
import org.pressboard.value.Value;
import org.springframework.beans.factory.annotation.Autowired;

class BesideFileTest extends IntakeStoreTest {

    @Autowired
    private CsvOut csv;

    @Autowired
    private TableChanges changes;

    @Autowired
    private RowEditing editing;

    @Autowired
    private Undo undo;

    @Autowired
    private Acts acts;

    @Autowired
    private Archive archive;

    @Test
    void aColumnThatNamesRowsOfAnotherTableRefersToThem() throws Exception {
        Table sorts = changes.make("Sorts", new Fields(List.of(new Field(new FieldKey("name"), "Name",
                new Textual.Text()))), OWNER);
        for (String name : List.of("Árpád", "Hollin", "Rook", "Vesper")) {
            editing.add(sorts.key(), Map.of(new FieldKey("name"), Value.of(name)), OWNER);
        }
        String known = "Weight,Sort\n1,arpad\n2,HOLLIN\n3,Rook \n4,Vesper\n";
        assertThat(plan(surveyed("known.csv", known)).columns().get(1).to()).isEqualTo(sorts.key());
        // where names are missing, rows would be kept aside: whoever wants that says so
        String text = known + "5,Marrow\n6,marrow\n";
        UUID id = surveyed("weights.csv", text);
        assertThat(plan(id).columns().get(1).to()).isNull();
        assertThat(plan(surveyed("long.csv", known + "7,Rook\n".repeat(3_000) + "8,Marrow\n")).columns().get(1).to()).isNull();
        Plan.Column sort = plan(id).columns().get(1).referringTo(sorts.key(), false);
        Plan referring = new Plan("Aside", List.of(plan(id).columns().getFirst(), sort));
        BesideFile.Naming naming = intakes.namings(intakes.find(id).orElseThrow(), referring).get(1);
        assertThat(naming).isEqualTo(new BesideFile.Naming(6, 2, List.of("Marrow", "marrow")));

        intakes.load(id, referring, OWNER).get();
        assertThat(intakes.find(id).orElseThrow().rowsAside()).isEqualTo(2);

        UUID again = surveyed("weights.csv", text);
        intakes.load(again, new Plan("Made", List.of(plan(again).columns().getFirst(),
                sort.referringTo(sorts.key(), true))), OWNER).get();
        Intake done = intakes.find(again).orElseThrow();
        assertThat(done.rowsDone()).isEqualTo(6);
        assertThat(sql.fetch("select s.name from hosted.{0} m join hosted.sorts s on s.row_id = m.sort "
                + "order by m.row_id", DSL.name(done.tableKey())).getValues(0, String.class))
                .containsExactly("Árpád", "Hollin", "Rook", "Vesper", "Marrow", "Marrow");
        // taken back as one, with the row that it made
        TableKey made = new TableKey(Objects.requireNonNull(done.tableKey()));
        undo.undo(made, acts.latest(made, null, 10).getFirst().id(), OWNER);
        assertThat(sql.fetch("select name from hosted.sorts order by row_id").getValues(0, String.class))
                .containsExactly("Árpád", "Hollin", "Rook", "Vesper");
    }

    @Test
    void aColumnMayNameSeveralRowsInACell() throws Exception {
        Table helpers = changes.make("Helpers", new Fields(List.of(new Field(new FieldKey("name"), "Name",
                new Textual.Text()))), OWNER);
        for (String name : List.of("Mira", "Tomas", "Odile, Ingrid", "Bashir", "Fergus", "Ruth", "Noor", "Ada")) {
            editing.add(helpers.key(), Map.of(new FieldKey("name"), Value.of(name)), OWNER);
        }
        String text = "Day,Who\n1,Mira; tomas\n2,Bashir\n3,\"Odile, Ingrid\"\n4,Tomas; Pavel; Ruth\n5,\n"
                + "6,Ada;Noor;Fergus\n";
        Plan.Column known = plan(surveyed("known.csv", text.replace(" Pavel;", ""))).columns().get(1);
        assertThat(known.reading()).isEqualTo(Reading.REFERENCES);
        assertThat(known.to()).isEqualTo(helpers.key());
        UUID id = surveyed("days.csv", text);
        Plan.Column who = plan(id).columns().get(1).referringToSeveral(helpers.key(), false);
        assertThat(intakes.namings(intakes.find(id).orElseThrow(), new Plan("-", List.of(plan(id).columns().getFirst(), who))).get(1))
                .isEqualTo(new BesideFile.Naming(5, 1, List.of("Pavel")));

        intakes.load(id, new Plan("Days", List.of(plan(id).columns().getFirst(),
                who.referringToSeveral(helpers.key(), true))), OWNER).get();
        Intake done = intakes.find(id).orElseThrow();
        assertThat(done.rowsDone()).isEqualTo(6);
        assertThat(sql.fetch("select (select string_agg(h.name, ' + ' order by place) from unnest(d.who) with ordinality "
                + "each (row, place) join hosted.helpers h on h.row_id = each.row) from hosted.{0} d order by d.row_id",
                DSL.name(done.tableKey())).getValues(0, String.class))
                .containsExactly("Mira + Tomas", "Bashir", "Odile, Ingrid", "Tomas + Pavel + Ruth", null, "Ada + Noor + Fergus");
        assertThatThrownBy(() -> editing.remove(helpers.key(), List.of(new RowId(1)), OWNER))
                .isInstanceOf(ProblemsFound.class);
    }

    @Test
    void aTableThatIsGoneMeanwhileIsSaidToBe() throws Exception {
        Table passing = changes.make("Passing", new Fields(List.of(new Field(new FieldKey("name"), "Name",
                new Textual.Text()))), OWNER);
        UUID id = surveyed("after.csv", "Day,Who\n1,a\n2,b\n");
        Plan plan = new Plan("After", List.of(plan(id).columns().getFirst(),
                plan(id).columns().get(1).referringTo(passing.key(), false)));
        assertThat(intakes.against(plan).isEmpty()).isTrue();
        changes.remove(passing.key(), OWNER);
        assertThat(intakes.against(plan).all()).containsExactly(Problem.of("plan.table-gone", "Who"));
        assertThat(intakes.namings(intakes.find(id).orElseThrow(), plan)).isEmpty();
        assertThatThrownBy(() -> intakes.load(id, plan, OWNER)).isInstanceOf(ProblemsFound.class);
    }

    @Test
    void whatTwoColumnsNameIsMadeOnce() throws Exception {
        Table mixes = changes.make("Mixes", new Fields(List.of(new Field(new FieldKey("name"), "Name",
                new Textual.Text()))), OWNER);
        UUID id = surveyed("crosses.csv", "Mother,Father\nMarrow,Rook\nRook,marrow\nVesper,Marrow\n");
        List<Plan.Column> columns = plan(id).columns().stream()
                .map(column -> column.referringTo(mixes.key(), true)).toList();
        intakes.load(id, new Plan("Crosses", columns), OWNER).get();
        assertThat(intakes.find(id).orElseThrow().rowsDone()).isEqualTo(3);
        assertThat(sql.fetch("select name from hosted.mixes order by row_id").getValues(0, String.class))
                .containsExactly("Marrow", "Rook", "Vesper");
    }

    @Test
    void picturesInAZipAreMetByTheirNames() throws Exception {
        UUID id = surveyed("shown.csv", "Name,Picture\na,Pictures/One.SVG\nb,two.svg\nc,three.svg\n");
        Plan plan = new Plan("Shown", List.of(plan(id).columns().getFirst(),
                plan(id).columns().get(1).withReading(Reading.PICTURE)));
        String drawing = "<svg xmlns=\"http://www.w3.org/2000/svg\"><path d=\"M0 0\"/></svg>";
        archive.unpack(id, zip(Map.of("one.svg", drawing, "deep/TWO.svg", drawing + " ", "broken.svg", "<svg",
                "__MACOSX/._one.svg", "x")), null);
        Archive.Brought brought = archive.brought(id);
        assertThat(brought.kept()).isEqualTo(2);
        assertThat(brought.refused()).containsOnlyKeys("broken.svg");
        assertThat(intakes.namings(intakes.find(id).orElseThrow(), plan).get(1).missing()).containsExactly("three.svg");

        intakes.load(id, plan, OWNER).get();
        TableKey key = new TableKey(Objects.requireNonNull(intakes.find(id).orElseThrow().tableKey()));
        List<Object> pictures = sql.fetch("select picture from hosted.{0} order by row_id", DSL.name(key.name()))
                .getValues(0).stream().map(Object.class::cast).toList();
        assertThat(pictures.get(0).toString()).matches("[0-9a-f]{64}/Pictures/One.SVG");
        assertThat(pictures.get(2)).isEqualTo("three.svg");
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        csv.write(query(catalog.table(key).orElseThrow(), Visitor.staff(""), Condition.ALWAYS, List.of(), 1, 10),
                ENGLISH, SpreadsheetCells.BARE, Carrying.UNWATCHED, out);
        assertThat(out.toString(StandardCharsets.UTF_8)).contains("a,Pictures/One.SVG").contains("c,three.svg");
        assertThatThrownBy(() -> archive.unpack(id, new ByteArrayInputStream(new byte[] {1, 2, 3}), null))
                .isInstanceOfSatisfying(ProblemsFound.class, found -> assertThat(found.problems().all())
                        .containsExactly(Problem.of("archive.broken")));
    }

    private static InputStream zip(Map<String, String> files) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
            for (Map.Entry<String, String> each : files.entrySet()) {
                zip.putNextEntry(new ZipEntry(each.getKey()));
                zip.write(each.getValue().getBytes(StandardCharsets.UTF_8));
            }
        }
        return new ByteArrayInputStream(bytes.toByteArray());
    }
}
