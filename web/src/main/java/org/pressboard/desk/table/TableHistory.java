package org.pressboard.desk.table;

import java.time.Instant;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.pressboard.undo.Undo;
import org.pressboard.history.Act;
import org.pressboard.history.Acts;
import org.pressboard.history.RowHistory;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.rows.RowPicker;
import org.pressboard.schema.Bin;
import org.pressboard.value.RowId;
import org.pressboard.words.Moments;
import org.pressboard.table.Table;
import org.pressboard.visit.Visit;
import org.pressboard.visit.Who;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** What was done to a table and its rows, taken back where wanted; and its bin. */
@Controller
class TableHistory {

    private static final int ACTS = 50;
    private static final int ROWS = 200;

    /** Besides the history, the tabs on which something is undone. */
    private static final List<String> TABS = List.of("fields", "waiting");

    private final TableFrame frame;
    private final Acts acts;
    private final RowHistory history;
    private final Undo undo;
    private final Bin bin;
    private final RowPicker picker;

    TableHistory(TableFrame frame, Acts acts, RowHistory history, Undo undo, Bin bin, RowPicker picker) {
        this.frame = frame;
        this.acts = acts;
        this.history = history;
        this.undo = undo;
        this.bin = bin;
        this.picker = picker;
    }

    /** An act as the tab lists it. */
    public record ActLine(long id, String when, String who, String what, String rows, boolean undone, boolean undoable,
                          boolean hasMore) {
    }

    /** A field in the bin. */
    public record BinnedField(long id, String label, String since, boolean former) {
    }

    @GetMapping("/desk/tables/{key}/history")
    String history(@PathVariable String key, @RequestParam @Nullable Long before, @RequestParam @Nullable Long act,
            Model model) {
        Table table = frame.show(key, "history", model);
        List<Act> latest = acts.latest(table.key(), before, ACTS);
        model.addAttribute("acts", latest.stream().map(each -> line(table, each)).toList());
        model.addAttribute("more", latest.size() == ACTS ? latest.getLast().id() : null);
        model.addAttribute("removals", acts.removals(table.key(), Instant.now().minus(Bin.KEPT), ACTS).stream()
                .map(each -> line(table, each)).toList());
        model.addAttribute("binnedFields", bin.fields(table.key()).stream().map(removed -> new BinnedField(removed.id(),
                removed.field().label(), Moments.written(removed.since()),
                table.fields().has(removed.field().key()))).toList());
        if (act != null) {
            model.addAttribute("opened", act);
            model.addAttribute("defined", acts.find(table.key(), act).map(opened -> definition().of(opened.details()))
                    .orElse(List.of()));
            model.addAttribute("lines", words(table).of(history.ofAct(table, act, ROWS)));
        }
        return "desk/table/history";
    }

    private HistoryWords words(Table table) {
        return new HistoryWords(frame.words(), frame.siteWords(), picker, frame.tables(), table);
    }

    private DefinitionWords definition() {
        return new DefinitionWords(frame.words(), frame.siteWords(), frame.tables());
    }

    private ActLine line(Table table, Act act) {
        Act.Rows rows = act.rows();
        String what = Stream.concat(Stream.of(frame.words().say("act." + act.what(), act.details().name())),
                act.details().along().stream().map(along -> frame.words().say(along.removed() ? "act.along.removed"
                        : "act.along.cleared", along.rows(), along.table(), along.field()))).collect(Collectors.joining("; "));
        String counts = rows.isNone() ? "" : frame.words().say("act.rows", rows.added(), rows.changed(), rows.removed());
        boolean undoable = !act.isUndone() && (act.details().after() != null || !rows.isNone());
        return new ActLine(act.id(), Moments.written(act.at()), words(table).who(act), what, counts, act.isUndone(),
                undoable, rows.changed() + rows.removed() > 0 || !definition().of(act.details()).isEmpty());
    }

    /** Asks first where rows were changed since, which would be lost with what the act added. */
    @PostMapping("/desk/tables/{key}/undo")
    String undo(Visit visit, @PathVariable String key, @RequestParam long act, @RequestParam(defaultValue = "no") String anyway,
            @RequestParam(defaultValue = "rows") String from, RedirectAttributes flash) {
        Table table = frame.find(key);
        String back = "redirect:/desk/tables/" + key + (from.equals("rows") ? "" : "/" + (TABS.contains(from) ? from : "history"));
        boolean isOfRows = acts.find(table.key(), act).filter(found -> found.details().after() == null).isPresent();
        Who current = visit.who();
        if (!isOfRows && (current == null || !current.isOwner())) {
            flash.addFlashAttribute("problem", frame.words().say("undo.owner"));
            return back;
        }
        long since = anyway.equals("yes") ? 0 : undo.changedSince(table.key(), act);
        if (since > 0) {
            flash.addFlashAttribute("ask", act);
            flash.addFlashAttribute("problem", frame.words().say("undo.ask", since));
            return "redirect:/desk/tables/" + key + "/history";
        }
        try {
            Undo.Undone undone = undo.undo(table.key(), act, visit.author());
            Long last = acts.latest(table.key(), null, 1).stream().map(Act::id).findFirst().orElse(null);
            if (undone.left() > 0) {
                frame.tell(flash, last, "undo.partly", undone.done(), undone.left());
            } else {
                frame.tell(flash, last, "undo.whole");
            }
        } catch (ProblemsFound against) {
            flash.addFlashAttribute("problem", frame.words().say(against.problems().all().getFirst()));
        }
        return back;
    }

    @PostMapping("/desk/tables/{key}/rows/{row:\\d{1,18}}/put-back")
    String putBack(Visit visit, @PathVariable String key, @PathVariable RowId row, @RequestParam long entry, RedirectAttributes flash) {
        Table table = frame.find(key);
        return trying(table, flash, "/rows/" + row, () -> undo.putBack(table.key(), row, entry, visit.author()));
    }

    /** Gives one row back out of the bin. */
    @PostMapping("/desk/tables/{key}/rows/{row:\\d{1,18}}/give-back")
    String giveBack(Visit visit, @PathVariable String key, @PathVariable RowId row, @RequestParam long act, RedirectAttributes flash) {
        Table table = frame.find(key);
        return trying(table, flash, "/history", () -> undo.putBackRow(table.key(), act, row, visit.author()));
    }

    private String trying(Table table, RedirectAttributes flash, String back, Runnable work) {
        try {
            work.run();
            frame.tell(flash, acts.latest(table.key(), null, 1).getFirst().id(), "desk.row.put-back");
        } catch (ProblemsFound against) {
            flash.addFlashAttribute("problem", frame.words().say(against.problems().all().getFirst()));
        }
        return "redirect:/desk/tables/" + table.key() + back;
    }
}
