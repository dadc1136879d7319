package org.pressboard.desk.table;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.pressboard.schema.Dependents;
import org.pressboard.schema.RowTitles;
import org.pressboard.schema.TableChanges;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.Table;
import org.pressboard.value.FieldKey;
import org.pressboard.visit.Visit;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** What a table is, and which fields it has in which order. */
@Controller
class TableFields {

    private static final String FIELDS = FieldList.AT;
    private static final int LONGEST_DESCRIPTION = 500;

    private final TableFrame frame;
    private final FieldList list;
    private final TableChanges changes;
    private final Dependents dependents;
    private final RowTitles titles;

    TableFields(TableFrame frame, FieldList list, TableChanges changes, Dependents dependents, RowTitles titles) {
        this.titles = titles;
        this.frame = frame;
        this.list = list;
        this.changes = changes;
        this.dependents = dependents;
    }

    @GetMapping(FIELDS)
    String fields(@PathVariable String key, Model model) {
        list.show(key, model);
        return "desk/table/fields";
    }

    /** What the table itself is called and is, and by what its rows are known. */
    @PostMapping("/desk/tables/{key}/about")
    String about(Visit visit, @PathVariable String key, @RequestParam String label, @RequestParam String description,
            @RequestParam(defaultValue = "") String heading, @RequestParam(defaultValue = "") String rowKey,
            @RequestParam(defaultValue = "") String people, RedirectAttributes flash) {
        Table table = frame.find(key);
        String name = label.strip();
        if (name.isEmpty() || name.length() > Table.LONGEST_LABEL || description.length() > LONGEST_DESCRIPTION) {
            flash.addFlashAttribute("problem", frame.words().say("desk.table.no-name"));
            return FieldList.back(table);
        }
        boolean isTaken = !people.isEmpty() && frame.tables().people()
                .filter(other -> !other.equals(table.key())).isPresent();
        if (isTaken) {
            flash.addFlashAttribute("problem", frame.words().say("desk.table.other-people"));
            return FieldList.back(table);
        }
        Table named = table.labelled(name, description.strip())
                .knownBy(chosen(table, heading), chosen(table, rowKey), chosen(table, people));
        return list.trying(table, flash, "desk.table.changed", () -> changes.change(named, visit.author()));
    }

    private static @Nullable FieldKey chosen(Table table, String name) {
        return table.fields().stream().map(Field::key).filter(key -> key.name().equals(name)).findFirst().orElse(null);
    }

    /** Has rows known by several fields together. */
    @PostMapping("/desk/tables/{key}/row-title")
    String title(Visit visit, @PathVariable String key, @RequestParam List<String> field, RedirectAttributes flash) {
        Table table = frame.find(key);
        List<FieldKey> of = field.stream().distinct().map(name -> FieldList.find(table, name).key()).toList();
        return list.trying(table, flash, "desk.row-title.made", () -> titles.compose(table.key(), of, visit.author()));
    }

    /** The order of the fields, as they were dragged or moved. */
    @PostMapping(FIELDS + "/order")
    String order(Visit visit, @PathVariable String key, @RequestParam List<String> field, RedirectAttributes flash) {
        Table table = frame.find(key);
        List<Field> ordered = new ArrayList<>(field.stream().distinct().flatMap(name -> table.fields().stream()
                .filter(each -> each.key().name().equals(name))).toList());
        table.fields().stream().filter(each -> !ordered.contains(each)).forEach(ordered::add);
        return list.trying(table, flash, "desk.fields.ordered",
                () -> changes.change(table.with(new Fields(ordered)), visit.author()));
    }

    /** Asks for the field's name where values would go. */
    @PostMapping(FIELDS + "/{field}/remove")
    String remove(Visit visit, @PathVariable String key, @PathVariable String field, @RequestParam(defaultValue = "") String typed,
            RedirectAttributes flash) {
        Table table = frame.find(key);
        Field found = FieldList.find(table, field);
        boolean losesValues = dependents.of(table.key(), found.key()).values() > 0;
        if (losesValues && !typed.strip().equals(found.label())) {
            flash.addFlashAttribute("problem", frame.words().say("desk.remove.type-name", found.label()));
            return FieldList.back(table) + "/" + field;
        }
        return list.trying(table, flash, "desk.field.removed",
                () -> changes.removeField(table.key(), found.key(), visit.author()));
    }

    @PostMapping(FIELDS + "/put-back")
    String putBack(Visit visit, @PathVariable String key, @RequestParam long removed, RedirectAttributes flash) {
        Table table = frame.find(key);
        return list.trying(table, flash, "desk.field.put-back",
                () -> changes.putBackField(table.key(), removed, visit.author()));
    }
}
