package org.pressboard.schema;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.pressboard.catalog.Catalog;
import org.pressboard.history.Act;
import org.pressboard.history.Acts;
import org.pressboard.history.Author;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.table.Field;
import org.pressboard.table.FieldType;
import org.pressboard.table.Fields;
import org.pressboard.table.Referring;
import org.pressboard.table.Rules;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Tables;
import org.pressboard.value.FieldKey;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/**
 * Makes tables and changes what they are: definition and columns change together or not at all, and each change is an act
 * that can be taken back.
 *
 * <p>What must not be, such as a circle of computed fields, is refused with {@link ProblemsFound}; nothing is changed
 * then.
 */
@Component
public class TableChanges {

    private final Catalog catalog;
    private final Dependents dependents;
    private final Bin bin;
    private final Retyping retyping;
    private final Reshaping reshaping;
    private final Acts acts;
    private final DSLContext sql;

    TableChanges(Catalog catalog, Dependents dependents, Bin bin, Retyping retyping, Reshaping reshaping, Acts acts,
            DSLContext sql) {
        this.catalog = catalog;
        this.dependents = dependents;
        this.bin = bin;
        this.retyping = retyping;
        this.reshaping = reshaping;
        this.acts = acts;
        this.sql = sql;
    }

    /** Makes an empty table. */
    @Transactional
    public Table make(String label, Fields fields, Author author) {
        Table table = new Table(TableKey.from(label, catalog.tableKeys()), label, fields);
        Table settled = catalog.tables().with(table).get(table.key());
        acts.begin(author, Act.What.TABLE_MADE, table.key(), Act.Details.of(label));
        reshaping.make(settled);
        return settled;
    }

    /** Adds a field behind all others. */
    @Transactional
    public void addField(TableKey key, Field field, Author author) {
        Table before = get(key);
        List<Field> fields = new ArrayList<>(before.fields().all());
        fields.add(field);
        redefine(before, before.with(new Fields(fields)), Act.What.FIELD_ADDED, field.label(), author);
    }

    /**
     * Gives the table that definition: names, order, rules and how rows are known. Its fields must be those that it has,
     * and of the kinds that they are, but for details of these.
     */
    @Transactional
    public void change(Table after, Author author) {
        Table before = get(after.key());
        if (!keys(before).equals(keys(after))) {
            throw ProblemsFound.of("table.changed-meanwhile", before.label());
        }
        redefine(before, after, Act.What.TABLE_CHANGED, "", author);
    }

    private static Set<FieldKey> keys(Table table) {
        return table.fields().stream().map(Field::key).collect(Collectors.toSet());
    }

    /** Changes one field, but not its kind. */
    @Transactional
    public void changeField(TableKey key, Field field, Author author) {
        Table before = get(key);
        redefine(before, before.changing(field.key(), it -> field), Act.What.FIELD_CHANGED, field.label(), author);
    }

    /**
     * Changes a choice some of whose options are called otherwise from now on, in all rows that have them.
     *
     * @param renamed the new texts of options by their former ones
     */
    @Transactional
    public void changeOptions(TableKey key, Field field, Map<String, String> renamed, Author author) {
        changeField(key, field, author);
        reshaping.rename(get(key), field, renamed);
    }

    /** Removes a field; its values wait in the bin. */
    @Transactional
    public void removeField(TableKey key, FieldKey field, Author author) {
        Table before = get(key);
        List<Field> left = before.fields().stream().filter(each -> !each.key().equals(field)).toList();
        redefine(before, before.with(new Fields(left)), Act.What.FIELD_REMOVED, before.field(field).label(), author);
    }

    /** Puts a field back from the bin, with its values; under its key no other may be. */
    @Transactional
    public void putBackField(TableKey key, long removed, Author author) {
        Table before = get(key);
        Bin.RemovedField found = bin.fields(key).stream().filter(each -> each.id() == removed).findFirst()
                .orElseThrow(() -> ProblemsFound.of("bin.gone"));
        if (before.fields().has(found.field().key())) {
            throw ProblemsFound.of("bin.key-taken", before.field(found.field().key()).label());
        }
        List<Field> fields = new ArrayList<>(before.fields().all());
        fields.add(Math.min(found.place(), fields.size()), found.field());
        Table after = settled(before.with(new Fields(fields)));
        long act = acts.begin(author, Act.What.PUT_BACK, key, new Act.Details(found.field().label(), before, after));
        reshaping.follow(before, after, act, found.act());
    }

    /** How the values of a field would go with another kind. */
    @Transactional(readOnly = true)
    public Retyping.Preview preview(TableKey key, FieldKey field, FieldType type) {
        return retyping.preview(catalog.tables(), catalog.tables().get(key), field, type);
    }

    /** Makes a field one of another kind. Values that do not fit are left out, and stay in the history. */
    @Transactional
    public void retype(TableKey key, FieldKey field, FieldType type, Author author) {
        retype(key, field, type, false, author);
    }

    /**
     * The same.
     *
     * @param makeMissing whether texts that name no row of the table pointed to become new rows of it
     */
    @Transactional
    public void retype(TableKey key, FieldKey field, FieldType type, boolean makeMissing, Author author) {
        Table before = get(key);
        if (makeMissing && type instanceof Referring referring) {
            acts.begin(author, Act.What.ROWS_MADE, referring.to(), Act.Details.of(before.label()));
            retyping.makeMissing(catalog.tables(), before, field, referring);
        }
        Field kind = before.field(field).of(retyping.completed(before, field, type)).with(
                Rules.NONE.requiring(before.field(field).rules().required())).starting(null);
        Table after = before.changing(field, it -> kind);
        redefine(before, after, Act.What.FIELD_RETYPED, before.field(field).label(), author);
    }

    /** Puts the table into the bin, with its rows; its listings are not shown until it is put back. */
    @Transactional
    public void remove(TableKey key, Author author) {
        Table table = get(key);
        Tables tables = catalog.tables();
        List<Tables.Reference> from = tables.referringTo(key).stream()
                .filter(reference -> !reference.from().key().equals(key)).toList();
        if (!from.isEmpty()) {
            throw ProblemsFound.of("table.referred", table.label(), from.getFirst().by().label(),
                    from.getFirst().from().label());
        }
        tables.talliesOf(key).stream().findFirst().ifPresent(tally -> {
            throw ProblemsFound.of("table.tallied", table.label(), tally.by().label(), tally.from().label());
        });
        reshaping.giveWay();
        acts.begin(author, Act.What.TABLE_REMOVED, key, Act.Details.of(table.label()));
        reshaping.bin(table);
    }

    /** Puts a table back from the bin. */
    @Transactional
    public void putBack(TableKey key, Author author) {
        if (catalog.removedTables().keySet().stream().noneMatch(table -> table.key().equals(key))) {
            throw ProblemsFound.of("bin.gone");
        }
        acts.begin(author, Act.What.PUT_BACK, key, Act.Details.of(""));
        reshaping.putBack(key);
    }

    /**
     * Takes back a change of a definition, if nothing was changed after it.
     *
     * @throws ProblemsFound when it is not as that change left it
     */
    @Transactional
    public void undo(TableKey key, Act act, Author author) {
        Table now = get(key);
        Table before = act.details().before();
        Table after = act.details().after();
        if (before == null || after == null || act.isUndone() || !now.equals(settled(after))) {
            throw ProblemsFound.of("undo.changed-since");
        }
        long id = acts.undoing(act, author, key, new Act.Details(act.details().name(), now, before));
        reshaping.follow(now, settled(before), id, act.id());
    }

    private Table settled(Table table) {
        return catalog.tables().with(table).get(table.key());
    }

    /** One at a time changes what a table is, knowing what it is now. */
    private Table get(TableKey key) {
        sql.fetch("select pg_advisory_xact_lock(hashtext({0}))", DSL.val("pressboard define " + key));
        return catalog.table(key).orElseThrow(() -> ProblemsFound.of("not-there.table"));
    }

    private void redefine(Table before, Table wanted, Act.What what, String name, Author author) {
        Set<FieldKey> gone = new HashSet<>(before.fields().stream().map(Field::key).toList());
        wanted.fields().forEach(field -> gone.remove(field.key()));
        dependents.used(before, gone);
        dependents.retypedUnderTallies(before, wanted);
        Table after = settled(wanted);
        if (after.equals(before)) {
            return;
        }
        long act = acts.begin(author, what, before.key(), new Act.Details(name, before, after));
        reshaping.follow(before, after, act, null);
    }
}
