package org.pressboard.desk.table;

import java.util.ArrayList;
import java.util.List;
import org.pressboard.history.Act;
import org.pressboard.history.Acts;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.schema.RowTitles;
import org.pressboard.words.Words;
import org.pressboard.stand.NotThere;
import org.pressboard.table.Computed;
import org.pressboard.table.Field;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.Textual;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The tab with the fields of a table, over which one of them is opened. */
@Component
class FieldList {

    static final String AT = "/desk/tables/{key}/fields";

    private final TableFrame frame;
    private final UnseenFields unseen;
    private final Acts acts;
    private final RowTitles titles;

    FieldList(TableFrame frame, UnseenFields unseen, Acts acts, RowTitles titles) {
        this.titles = titles;
        this.frame = frame;
        this.unseen = unseen;
        this.acts = acts;
    }

    /** A field as the tab lists it. */
    public record FieldLine(String key, String label, String kind, List<String> marks, String help) {
    }

    Table show(String key, Model model) {
        Table table = frame.show(key, "fields", model);
        model.addAttribute("lines", table.fields().stream().map(field -> line(table, field)).toList());
        model.addAttribute("kinds", List.of(FieldKind.values()));
        model.addAttribute("referring", frame.tables().referringTo(table.key()));
        model.addAttribute("emails", table.entered().stream()
                .filter(field -> field.type() instanceof Textual.Email && field.rules().unique()).toList());
        model.addAttribute("repeating", titles.repeating(table).orElse(null));
        model.addAttribute("keys", table.entered().stream().filter(field -> field.rules().unique()).toList());
        return table;
    }

    private FieldLine line(Table table, Field field) {
        Words words = frame.words();
        List<String> marks = new ArrayList<>();
        if (field.rules().required()) {
            marks.add(words.say("desk.field.required"));
        }
        if (field.rules().unique()) {
            marks.add(words.say("desk.field.unique"));
        }
        if (field.hidden()) {
            marks.add(words.say("desk.field.hidden"));
        }
        unseen.of(frame.site(), table, field).map(UnseenFields.Unseen::said).ifPresent(marks::add);
        if (table.headingField().filter(field::equals).isPresent()) {
            marks.add(words.say("desk.field.heading"));
        }
        return new FieldLine(field.key().name(), field.label(), kind(field), marks, field.help());
    }

    private String kind(Field field) {
        Words words = frame.words();
        String kind = words.say("kind." + FieldKind.of(field));
        return switch (field.computed()) {
            case null -> field.type() instanceof Referring referring
                    ? kind + ": " + frame.tables().get(referring.to()).label() : kind;
            case Computed.Borrowed borrowed -> kind + ": " + source(field, borrowed);
            case Computed.Tally tally -> kind + ": " + words.say("measure." + tally.measure()) + ", "
                    + frame.tables().get(tally.table()).label();
            case Computed.Composed composed -> kind;
            case Computed.Noted noted -> kind + ": " + words.say("noted." + noted.what());
        };
    }

    private String source(Field field, Computed.Borrowed borrowed) {
        return frame.tables().all().stream().filter(table -> table.fields().find(field.key()).filter(field::equals)
                .isPresent()).findFirst().map(table -> frame.tables().source(table, borrowed))
                .map(from -> from.from().label() + " → " + from.by().label()).orElse("");
    }

    /** @throws NotThere when the table has no such field */
    static Field find(Table table, String name) {
        return table.fields().stream().filter(each -> each.key().name().equals(name)).findFirst()
                .orElseThrow(() -> new NotThere("not-there.field"));
    }

    /** Goes back to the list, which says what came of it. */
    String trying(Table table, RedirectAttributes flash, String code, Runnable work) {
        try {
            work.run();
            tell(table, flash, code);
        } catch (ProblemsFound against) {
            flash.addFlashAttribute("problem", frame.words().say(against.problems().all().getFirst()));
        }
        return back(table);
    }

    /** Has the next page say what was changed, and offer to take it back. */
    void tell(Table table, RedirectAttributes flash, String code, Object... details) {
        Long act = acts.latest(table.key(), null, 1).stream().filter(each -> each.details().after() != null)
                .map(Act::id).findFirst().orElse(null);
        frame.tell(flash, act, code, details);
    }

    static String back(Table table) {
        return "redirect:/desk/tables/" + table.key() + "/fields";
    }
}
