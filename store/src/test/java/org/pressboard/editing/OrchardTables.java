package org.pressboard.editing;

import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;
import org.pressboard.condition.Condition;
import org.pressboard.history.Author;
import org.pressboard.schema.TableChanges;
import org.pressboard.table.Computed;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.Numeric;
import org.pressboard.table.Referring;
import org.pressboard.table.Rules;
import org.pressboard.table.Table;
import org.pressboard.table.Temporal;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;

/** Varieties, trees that refer to them, and pickings that refer to trees; new ones for each test. */
final class OrchardTables {

    static final FieldKey NAME = new FieldKey("name");
    static final FieldKey CODE = new FieldKey("code");
    static final FieldKey VARIETY = new FieldKey("variety");
    static final FieldKey TREE = new FieldKey("tree");
    static final FieldKey KILOGRAMS = new FieldKey("kilograms");
    static final FieldKey DAY = new FieldKey("day");
    static final FieldKey LEAST = new FieldKey("least");
    static final FieldKey TITLE = new FieldKey("title");
    static final FieldKey PICKED = new FieldKey("picked");
    static final FieldKey BORROWED = new FieldKey("variety_name");

    private static final AtomicInteger NUMBER = new AtomicInteger();

    final Table varieties;
    final Table trees;
    final Table pickings;

    private OrchardTables(Table varieties, Table trees, Table pickings) {
        this.varieties = varieties;
        this.trees = trees;
        this.pickings = pickings;
    }

    static OrchardTables make(TableChanges changes, Author author, Referring.OnRemoval onRemoval) {
        int number = NUMBER.incrementAndGet();
        Table varieties = changes.make("Kinds " + number, new Fields(List.of(
                new Field(NAME, "Name", new Textual.Text()).with(Rules.NONE.requiring(true).differing(true)))), author);
        Table trees = changes.make("Trees " + number, new Fields(List.of(
                new Field(CODE, "Code", new Textual.Text()),
                new Field(VARIETY, "Variety", new Referring.Reference(varieties.key(), onRemoval)),
                new Field(LEAST, "Least", new Numeric.Decimal(1)))), author);
        Table pickings = changes.make("Pickings " + number, new Fields(List.of(
                new Field(TREE, "Tree", new Referring.Reference(trees.key(), onRemoval)),
                new Field(DAY, "Day", new Temporal.Date()),
                new Field(KILOGRAMS, "Kilograms", new Numeric.Decimal(1)))), author);
        return new OrchardTables(varieties, trees, pickings);
    }

    /** The kilograms picked from each tree, at least what is expected of it; what it is called, and its variety's name. */
    void compute(TableChanges changes, Author author) {
        changes.addField(trees.key(), Field.computed(PICKED, "Picked", new Computed.Tally(pickings.key(), TREE,
                Computed.Measure.SUM, KILOGRAMS, Condition.ALWAYS, null, null, new Computed.Floor(null, LEAST))), author);
        changes.addField(trees.key(), Field.computed(BORROWED, "Name of variety",
                new Computed.Borrowed(List.of(VARIETY), NAME)), author);
        changes.addField(trees.key(), Field.computed(TITLE, "Title", new Computed.Composed(List.of(
                new Computed.Part.OfField(CODE), new Computed.Part.Words(", "), new Computed.Part.OfField(VARIETY)))),
                author);
    }

    static Map<FieldKey, Value> kind(String name) {
        return Map.of(NAME, Value.of(name));
    }

    static Map<FieldKey, Value> tree(String code, RowId variety) {
        return Map.of(CODE, Value.of(code), VARIETY, new Value.Referred(variety, ""));
    }

    static Map<FieldKey, Value> picking(RowId tree, String kilograms) {
        return Map.of(TREE, new Value.Referred(tree, ""), KILOGRAMS, Value.of(new java.math.BigDecimal(kilograms)));
    }
}
