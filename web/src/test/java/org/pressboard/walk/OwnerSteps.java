package org.pressboard.walk;

import static org.pressboard.walk.Asked.WORDS;
import static org.pressboard.walk.Asked.askable;
import static org.pressboard.walk.Asked.condition;
import static org.pressboard.walk.Asked.pick;

import java.io.ByteArrayInputStream;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ExecutionException;
import java.util.random.RandomGenerator;
import org.pressboard.bulk.Intakes;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.DraftedPage;
import org.pressboard.catalog.Drafts;
import org.pressboard.catalog.PageBin;
import org.pressboard.condition.Condition;
import org.pressboard.edition.PageKey;
import org.pressboard.editing.RowEditing;
import org.pressboard.undo.Undo;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Grant;
import org.pressboard.grant.Grants;
import org.pressboard.grant.Openness;
import org.pressboard.grant.Verb;
import org.pressboard.history.Act;
import org.pressboard.history.Acts;
import org.pressboard.history.Author;
import org.pressboard.intake.Plan;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.schema.Bin;
import org.pressboard.schema.Publisher;
import org.pressboard.schema.TableChanges;
import org.pressboard.table.Chosen;
import org.pressboard.table.Computed;
import org.pressboard.table.Field;
import org.pressboard.table.FieldType;
import org.pressboard.table.Fields;
import org.pressboard.table.Numeric;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Tables;
import org.pressboard.table.Temporal;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/** What owners do with tables and pages of their own, one thing after the other, in no order at all. */
@Component
class OwnerSteps {

    static final String OF_WALK = "walk";

    private static final Author OWNER = new Author(null, "owner@example.org", Author.Origin.DESK);
    private static final TableKey MEMBERS = new TableKey("members");
    private static final int MOST_TABLES = 4;
    private static final int MOST_PAGES = 3;
    private static final int MOST_FIELDS = 7;
    private static final List<String> LABELS = List.of("by", "Select", "end", "a \"b\" c", "100 %", "Größe & <b>", "'; drop table x; --",
            "row id", "search text", "added at", "new", "old", "Name", "concerned", "pressboard", "null", "was", "each", "{0}", "$1");

    private final Catalog catalog;
    private final Drafts drafts;
    private final Publisher publisher;
    private final TableChanges changes;
    private final RowEditing editing;
    private final Undo undo;
    private final Acts acts;
    private final PageBin pages;
    private final Intakes intakes;
    private final Bin bin;
    private final JdbcTemplate database;

    OwnerSteps(Catalog catalog, Drafts drafts, Publisher publisher, TableChanges changes, RowEditing editing, Undo undo, Acts acts,
            PageBin pages, Intakes intakes, Bin bin, JdbcTemplate database) {
        this.catalog = catalog;
        this.drafts = drafts;
        this.publisher = publisher;
        this.changes = changes;
        this.editing = editing;
        this.undo = undo;
        this.acts = acts;
        this.pages = pages;
        this.intakes = intakes;
        this.bin = bin;
        this.database = database;
    }

    List<Table> tables() {
        return catalog.tables().all().stream().filter(table -> table.key().name().startsWith(OF_WALK)).toList();
    }

    List<DraftedPage> pages() {
        return catalog.pages().values().stream().filter(page -> page.draft().key().name().startsWith(OF_WALK)).toList();
    }

    /** What the walk has made is gone, as if it had not been. */
    void cleanUp() {
        pages().forEach(page -> pages.put(page.draft().key()));
        List.copyOf(pages.pages().keySet()).stream().map(page -> page.draft().key())
                .filter(key -> key.name().startsWith(OF_WALK)).forEach(pages::forget);
        publisher.remove(tables().stream().map(Table::key).toArray(TableKey[]::new));
        database.update("update pressboard.hosted_table set removed_at = removed_at - interval '31 days' where key like ?", OF_WALK + "%");
        bin.empty();
    }

    Step take(RandomGenerator random) {
        List<Table> tables = tables();
        if (tables.size() < 2) {
            return makeTable(random);
        }
        Table table = tables.get(random.nextInt(tables.size()));
        List<DraftedPage> made = pages();
        if (!made.isEmpty() && made.stream().noneMatch(DraftedPage::isPublished) && random.nextBoolean()) {
            return publish(made.getFirst(), random); // else little of it is ever seen
        }
        return switch (random.nextInt(20)) {
            case 0 -> tables.size() < MOST_TABLES ? makeTable(random) : removeTable(table);
            case 1 -> bringIn(table, random);
            case 2, 3 -> addField(table, random);
            case 4, 5 -> removeField(table, random);
            case 6, 7 -> retype(table, random);
            case 8 -> putBackField(table, random);
            case 9 -> putBackTable(random);
            case 10 -> grant(table, random);
            case 11 -> own(table, random);
            case 12, 13 -> addRows(table, random);
            case 14 -> removeRow(table, random);
            case 15 -> takeBack(table, random);
            case 16 -> made.size() < MOST_PAGES ? makePage(table, random) : removePage(made.get(random.nextInt(made.size())));
            case 17 -> made.isEmpty() ? makePage(table, random) : publish(made.get(random.nextInt(made.size())), random);
            case 18 -> made.isEmpty() ? makePage(table, random) : changePage(made.get(random.nextInt(made.size())), table, random);
            default -> made.isEmpty() ? makePage(table, random) : withdraw(made.get(random.nextInt(made.size())));
        };
    }

    private Step makeTable(RandomGenerator random) {
        Field first = new Field(new FieldKey("mark"), "Mark", new Textual.Text());
        Table made = changes.make("Walk " + pick(LABELS, random), new Fields(List.of(first)), OWNER);
        changes.change(made.knownBy(first.key(), null, null), OWNER);
        return Step.of("make " + made.key());
    }

    private Step removeTable(Table table) {
        changes.remove(table.key(), OWNER);
        return Step.of("remove " + table.key());
    }

    private Step putBackTable(RandomGenerator random) {
        List<TableKey> removed = catalog.removedTables().keySet().stream().map(Table::key)
                .filter(key -> key.name().startsWith(OF_WALK)).toList();
        if (removed.isEmpty()) {
            return Step.of("nothing");
        }
        TableKey key = pick(removed, random);
        changes.putBack(key, OWNER);
        return Step.of("put back " + key);
    }

    /** As a file that is added to a table. */
    private Step bringIn(Table table, RandomGenerator random) {
        StringBuilder csv = new StringBuilder("Mark,Something\n");
        int rows = 1 + random.nextInt(30);
        for (int i = 0; i < rows; i++) {
            csv.append("walk-mark-file-").append(random.nextInt(1_000_000)).append(',').append(pick(List.of("1", "2", "x"), random)).append('\n');
        }
        UUID id = intakes.receive("Walk brought in.csv", new ByteArrayInputStream(csv.toString().getBytes(StandardCharsets.UTF_8)));
        try {
            if (tables().size() >= MOST_TABLES) {
                return Step.of("bring in nothing beside " + table.key());
            }
            intakes.survey(id).get();
            Plan plan = Objects.requireNonNull(intakes.find(id).orElseThrow().plan());
            intakes.load(id, plan, OWNER).get();
            return Step.of("bring in " + intakes.find(id).orElseThrow().status());
        } catch (InterruptedException stop) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(stop);
        } catch (ExecutionException failed) {
            throw new IllegalStateException(failed);
        } finally {
            intakes.discard(id);
        }
    }

    private Step addField(Table table, RandomGenerator random) {
        if (table.fields().all().size() >= MOST_FIELDS) {
            return removeField(table, random);
        }
        String label = pick(LABELS, random);
        FieldKey key = FieldKey.from(label, new HashSet<>(table.fields().stream().map(field -> field.key().name()).toList()));
        Field field = random.nextInt(4) == 0 ? computed(key, label, table, random) : new Field(key, label, type(random));
        changes.addField(table.key(), field, OWNER);
        return Step.of("add " + table.key() + "." + field.key() + " " + field.type() + " " + field.computed());
    }

    private FieldType type(RandomGenerator random) {
        TableKey other = pick(tables(), random).key();
        Referring.OnRemoval onRemoval = pick(List.of(Referring.OnRemoval.values()), random);
        return switch (random.nextInt(10)) {
            case 0, 1 -> new Textual.Text();
            case 2 -> new Numeric.WholeNumber(random.nextBoolean());
            case 3 -> new Numeric.Decimal(2);
            case 4 -> new Temporal.Date();
            case 5 -> new FieldType.YesNo();
            case 6 -> Chosen.Choice.of(List.of("plum", "pear", "%_'\"\\"));
            case 7 -> Chosen.Choices.of(List.of("plum", "pear"));
            case 8 -> new Referring.Person(MEMBERS, onRemoval);
            default -> new Referring.Reference(other, onRemoval);
        };
    }

    private Field computed(FieldKey key, String label, Table table, RandomGenerator random) {
        Tables all = catalog.tables();
        List<Field> references = table.entered().stream().filter(field -> field.type() instanceof Referring.Reference).toList();
        List<Tables.Reference> referring = all.referringTo(table.key()).stream()
                .filter(each -> each.by().type() instanceof Referring.Reference).toList();
        if (!references.isEmpty() && random.nextBoolean()) {
            Field through = pick(references, random);
            return Field.computed(key, label, new Computed.Borrowed(List.of(through.key()),
                    pick(all.target(through).fields().all(), random).key()));
        }
        if (!referring.isEmpty()) {
            Tables.Reference by = pick(referring, random);
            return Field.computed(key, label, new Computed.Tally(by.from().key(), by.by().key(), Computed.Measure.COUNT, null,
                    condition(by.from(), random), null, null, Computed.Floor.NONE));
        }
        return Field.computed(key, label, new Computed.Composed(List.of(new Computed.Part.OfField(pick(table.fields().all(), random).key()))));
    }

    private Step removeField(Table table, RandomGenerator random) {
        List<Field> all = table.fields().stream().filter(field -> !field.key().name().equals("mark")).toList();
        if (all.isEmpty()) {
            return Step.of("nothing");
        }
        Field field = pick(all, random);
        changes.removeField(table.key(), field.key(), OWNER);
        return Step.of("remove " + table.key() + "." + field.key());
    }

    private Step putBackField(Table table, RandomGenerator random) {
        List<Act> removals = acts.latest(table.key(), null, 50).stream().filter(act -> act.what() == Act.What.FIELD_REMOVED).toList();
        if (removals.isEmpty()) {
            return Step.of("nothing");
        }
        Act act = pick(removals, random);
        changes.putBackField(table.key(), act.id(), OWNER);
        return Step.of("put back a field of " + table.key());
    }

    private Step retype(Table table, RandomGenerator random) {
        List<Field> all = table.entered().stream().filter(field -> !field.key().name().equals("mark")).toList();
        if (all.isEmpty()) {
            return Step.of("nothing");
        }
        Field field = pick(all, random);
        FieldType type = type(random);
        changes.retype(table.key(), field.key(), type, OWNER);
        return Step.of("retype " + table.key() + "." + field.key() + " as " + type);
    }

    private Step grant(Table table, RandomGenerator random) {
        List<Grant> grants = new ArrayList<>();
        for (Verb verb : Verb.of(false)) {
            Audience audience = pick(List.of(Audience.EVERYONE, Audience.MEMBERS), random);
            switch (random.nextInt(4)) {
                case 0 -> grants.add(new Grant(audience, verb, Condition.ALWAYS));
                case 1 -> grants.add(Grant.ofOwn(audience, verb));
                case 2 -> grants.add(new Grant(audience, verb, askable(table, random)).leavingOut(leftOut(table, verb, random)));
                default -> { }
            }
        }
        publisher.grant(table.key(), new Grants(grants));
        return new Step("grant " + table.key() + " " + grants, Set.of(table.key()), Set.of());
    }

    private static Set<FieldKey> leftOut(Table table, Verb verb, RandomGenerator random) {
        List<FieldKey> fields = table.fields().stream().filter(field -> Grant.canLeaveOut(table, field)).map(Field::key).toList();
        return verb == Verb.REMOVE || fields.isEmpty() ? Set.of() : Set.of(pick(fields, random));
    }

    private Step own(Table table, RandomGenerator random) {
        List<Field> people = table.entered().stream().filter(field -> field.type() instanceof Referring.Person).toList();
        changes.change(people.isEmpty() || random.nextInt(3) == 0 ? table.ownedBy(null) : table.ownedBy(pick(people, random).key()), OWNER);
        return Step.of("own " + table.key());
    }

    private Step addRows(Table table, RandomGenerator random) {
        int rows = 1 + random.nextInt(4);
        for (int i = 0; i < rows; i++) {
            Map<FieldKey, Value> values = new HashMap<>();
            values.put(new FieldKey("mark"), Value.of("walk-mark-" + table.key() + "-" + random.nextInt(1_000_000)));
            table.entered().stream().filter(field -> !values.containsKey(field.key()))
                    .forEach(field -> value(field, random).ifPresent(value -> values.put(field.key(), value)));
            editing.add(table.key(), values, OWNER);
        }
        return Step.of("add " + rows + " rows to " + table.key());
    }

    private static Optional<Value> value(Field field, RandomGenerator random) {
        return switch (field.type()) {
            case Referring.Person person -> Optional.of(new Value.Referred(new RowId(1 + random.nextInt(40)), ""));
            case Referring.Reference reference -> Optional.of(new Value.Referred(new RowId(1 + random.nextInt(5)), ""));
            case Numeric.Decimal decimal -> Optional.of(Value.of(new BigDecimal(random.nextInt(100))));
            default -> {
                String word = pick(WORDS, random);
                yield word.isEmpty() ? Optional.empty() : field.type().read(word);
            }
        };
    }

    private Step removeRow(Table table, RandomGenerator random) {
        RowId row = new RowId(1 + random.nextInt(6));
        if (editing.find(table.key(), row).isEmpty()) {
            return Step.of("nothing");
        }
        editing.remove(table.key(), List.of(row), OWNER);
        return Step.of("remove row " + row + " of " + table.key());
    }

    private Step takeBack(Table table, RandomGenerator random) {
        List<Act> latest = acts.latest(table.key(), null, 5);
        if (latest.isEmpty()) {
            return Step.of("nothing");
        }
        Act act = pick(latest, random);
        if (act.what().name().startsWith("ROW")) {
            undo.undo(table.key(), act.id(), OWNER);
        } else {
            changes.undo(table.key(), act, OWNER);
        }
        return Step.of("take back " + act.what() + " of " + table.key());
    }

    private Step makePage(Table table, RandomGenerator random) {
        String name = OF_WALK + "-page-" + random.nextInt(1_000);
        if (catalog.pageKeys().contains(name)) {
            return Step.of("nothing");
        }
        catalog.addPage(Parts.page(new PageKey(name), table, random));
        return Step.of("make page " + name + " of " + table.key());
    }

    private Step changePage(DraftedPage page, Table table, RandomGenerator random) {
        PageKey key = page.draft().key();
        if (random.nextInt(4) == 0) {
            drafts.undo(key);
            return Step.of("take back a step of " + key);
        }
        drafts.change(key, "owner", draft -> draft.with(List.of(Parts.listing(new ListingKey(key.name()), table, random)))
                .holding(List.of(Parts.form(table, random))));
        return Step.of("change " + key + " to " + table.key());
    }

    private Step publish(DraftedPage page, RandomGenerator random) {
        Map<TableKey, Openness> open = new HashMap<>();
        page.draft().listings().stream().map(Listing::table).filter(key -> catalog.table(key).isPresent())
                .forEach(key -> open.put(key, pick(List.of(Openness.values()), random)));
        publisher.publish(page.draft().key(), open, null);
        return new Step("publish " + page.draft().key() + " " + open, Set.of(), open.keySet());
    }

    private Step withdraw(DraftedPage page) {
        catalog.withdraw(page.draft().key());
        return Step.of("withdraw " + page.draft().key());
    }

    private Step removePage(DraftedPage page) {
        pages.put(page.draft().key());
        pages.forget(page.draft().key());
        return Step.of("remove page " + page.draft().key());
    }
}
