package org.pressboard.desk.table;

import jakarta.servlet.http.HttpServletResponse;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.pressboard.catalog.Account;
import org.pressboard.catalog.Accounts;
import org.pressboard.editing.Referrers;
import org.pressboard.editing.RowEditing;
import org.pressboard.control.Control;
import org.pressboard.control.RowForm;
import org.pressboard.history.RowHistory;
import org.pressboard.member.Members;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.rows.RowPicker;
import org.pressboard.schema.TableChanges;
import org.pressboard.sheet.Sheet;
import org.pressboard.sheet.Sheets;
import org.pressboard.value.RowId;
import org.pressboard.words.Words;
import org.pressboard.stand.NotThere;
import org.pressboard.table.Field;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Row;
import org.pressboard.value.Value;
import org.pressboard.visit.Visit;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import org.springframework.web.util.UriComponentsBuilder;

/** The rows of a table at the desk: listed, and one opened over the list to be read and changed. */
@Controller
class TableRows {

    private static final String ROW = "/desk/tables/{key}/rows/{row:\\d{1,18}}";
    private static final int MOST_NAMED = 100;
    private static final int ENTRIES = 50;

    private final TableFrame frame;
    private final Sheets sheets;
    private final RowEditing editing;
    private final Referrers referrers;
    private final RowHistory history;
    private final RowPicker picker;
    private final TableChanges changes;
    private final Members members;
    private final Accounts accounts;

    TableRows(TableFrame frame, Sheets sheets, RowEditing editing, RowHistory history, RowPicker picker,
            TableChanges changes, Members members, Accounts accounts, Referrers referrers) {
        this.referrers = referrers;
        this.members = members;
        this.accounts = accounts;
        this.frame = frame;
        this.sheets = sheets;
        this.editing = editing;
        this.history = history;
        this.picker = picker;
        this.changes = changes;
    }

    @GetMapping("/desk/tables/{key}")
    String rows(Visit visit, @PathVariable String key, @RequestParam MultiValueMap<String, String> parameters, Model model) {
        show(visit, key, parameters, model);
        return "desk/table/rows";
    }

    private Table show(Visit visit, String key, MultiValueMap<String, String> parameters, Model model) {
        Table table = frame.show(key, "rows", model);
        model.addAttribute("sheet", sheet(visit, table, listState(parameters)));
        return table;
    }

    /** A form carries the state of the list along; its own fields are none of it. */
    private static Map<String, List<String>> listState(MultiValueMap<String, String> parameters) {
        String carried = parameters.getFirst("list");
        if (carried == null) {
            return parameters;
        }
        Map<String, List<String>> state = new LinkedHashMap<>();
        UriComponentsBuilder.fromUriString("/" + carried.replaceAll("[{}]", "")).build().getQueryParams()
                .forEach((name, values) -> state.put(decoded(name), values.stream().map(TableRows::decoded).toList()));
        return state;
    }

    private static String decoded(@Nullable String part) {
        return part == null ? "" : URLDecoder.decode(part, StandardCharsets.UTF_8);
    }

    /** The list alone, as its state changes. */
    @GetMapping("/desk/tables/{key}/rows")
    String sheet(Visit visit, @PathVariable String key, @RequestParam MultiValueMap<String, String> parameters, Model model,
            HttpServletResponse response) {
        Sheet sheet = sheet(visit, frame.find(key), parameters);
        response.setHeader("HX-Replace-Url", sheet.address());
        model.addAttribute("sheet", sheet);
        return "sheet/sheet :: sheet";
    }

    private Sheet sheet(Visit visit, Table table, Map<String, List<String>> parameters) {
        return sheets.sheet(TableListing.asking(visit, table.key(), parameters));
    }

    @GetMapping("/desk/tables/{key}/rows/new")
    String begin(Visit visit, @PathVariable String key, @RequestParam MultiValueMap<String, String> parameters, Model model) {
        Table table = show(visit, key, parameters, model);
        model.addAttribute("form", named(table, RowForm.of(table.entered(), starts(visit, table), frame.siteWords())));
        return "desk/table/rows";
    }

    /** What a new row has in it before anybody says otherwise. */
    private Map<FieldKey, Value> starts(Visit visit, Table table) {
        return Field.begun(table.entered(), visit.standpoint());
    }

    @PostMapping("/desk/tables/{key}/rows/new")
    String add(Visit visit, @PathVariable String key, @RequestParam MultiValueMap<String, String> parameters, Model model,
            RedirectAttributes flash) {
        Table table = withNewOptions(frame.find(key), parameters);
        RowForm form = RowForm.sent(table.entered(), parameters, frame.siteWords(), frame.words());
        if (!form.isWrong()) {
            keepOptions(visit, table);
            RowEditing.Added added = editing.add(table.key(), present(form.values()), visit.author());
            switch (added.outcome()) {
                case RowEditing.Outcome.Done done -> {
                    frame.tell(flash, done.act(), "desk.row.added");
                    return back(table, parameters);
                }
                case RowEditing.Outcome.Refused refused -> form = form.with(refused.problems(), frame.words());
                case RowEditing.Outcome.Meanwhile meanwhile ->
                        throw new IllegalStateException("Nobody changed a row that is not there yet");
            }
        }
        show(visit, key, parameters, model);
        model.addAttribute("form", named(table, form));
        return "desk/table/rows";
    }

    private static Map<FieldKey, Value> present(Map<FieldKey, Optional<Value>> values) {
        Map<FieldKey, Value> present = new LinkedHashMap<>();
        values.forEach((field, value) -> value.ifPresent(is -> present.put(field, is)));
        return present;
    }

    @GetMapping(ROW)
    String open(Visit visit, @PathVariable String key, @PathVariable RowId row, @RequestParam MultiValueMap<String, String> parameters,
            Model model) {
        Table table = show(visit, key, parameters, model);
        Row found = editing.find(table.key(), row).orElseThrow(() -> new NotThere("not-there.row"));
        return slip(table, found, RowForm.of(table.entered(), found.values(), frame.siteWords()), model);
    }

    private String slip(Table table, Row row, RowForm form, Model model) {
        Words site = frame.siteWords();
        model.addAttribute("form", named(table, form));
        model.addAttribute("row", row);
        model.addAttribute("against", referrers.of(table.key(), List.of(row.id())));
        model.addAttribute("computed", table.fields().stream().filter(field -> !field.isEntered())
                .map(field -> new Told(field.label(), row.find(field.key()).isEmpty() ? "–"
                        : site.written(table, field, row))).toList());
        model.addAttribute("history", new HistoryWords(frame.words(), site, picker, frame.tables(), table)
                .of(history.ofRow(table, row.id(), ENTRIES)));
        model.addAttribute("called", table.headingField().flatMap(heading -> row.find(heading.key())
                .map(value -> site.written(heading, value))).orElse(""));
        return "desk/table/rows";
    }

    /** A value and what it is of. */
    public record Told(String label, String text) {
    }

    @PostMapping(ROW)
    String change(Visit visit, @PathVariable String key, @PathVariable RowId row,
            @RequestParam MultiValueMap<String, String> parameters, Model model, RedirectAttributes flash) {
        Table table = withNewOptions(frame.find(key), parameters);
        Row found = editing.find(table.key(), row).orElseThrow(() -> new NotThere("not-there.row"));
        RowForm form = RowForm.sent(table.entered(), parameters, frame.siteWords(), frame.words());
        if (!form.isWrong()) {
            keepOptions(visit, table);
            switch (editing.change(table.key(), row, form.was(), form.values(), visit.author())) {
                case RowEditing.Outcome.Done done -> {
                    frame.tell(flash, done.act(), done.act() == null ? "desk.row.same" : "desk.row.changed");
                    return back(table, parameters);
                }
                case RowEditing.Outcome.Refused refused -> form = form.with(refused.problems(), frame.words());
                case RowEditing.Outcome.Meanwhile meanwhile -> {
                    form = form.meanwhile(meanwhile.theirs(), frame.siteWords());
                    model.addAttribute("meanwhile", true);
                }
            }
        }
        show(visit, key, parameters, model);
        return slip(table, found, form, model);
    }

    @PostMapping("/desk/tables/{key}/rows/remove")
    String remove(Visit visit, @PathVariable String key, @RequestParam List<RowId> row, @RequestParam(defaultValue = "") String sure,
            @RequestParam MultiValueMap<String, String> parameters, Model model, RedirectAttributes flash) {
        Table table = frame.find(key);
        if (sure.isEmpty() && costsMore(table, row)) {
            show(visit, key, parameters, model);
            model.addAttribute("removing", true);
            return several(table, row, model);
        }
        try {
            long act = editing.remove(table.key(), row, visit.author());
            frame.tell(flash, act, "desk.rows.removed", row.size());
        } catch (ProblemsFound against) {
            flash.addFlashAttribute("problem", frame.words().say(against.problems().all().getFirst()));
        }
        return back(table, parameters);
    }

    /** Several rows picked from the list, to change one field of all of them or to remove them. */
    @GetMapping("/desk/tables/{key}/rows/several")
    String several(Visit visit, @PathVariable String key, @RequestParam(defaultValue = "") List<RowId> row,
            @RequestParam(defaultValue = "") String field, @RequestParam MultiValueMap<String, String> parameters,
            Model model, RedirectAttributes flash) {
        Table table = frame.find(key);
        if (row.isEmpty()) {
            flash.addFlashAttribute("problem", frame.words().say("desk.rows.none-picked"));
            return back(table, parameters);
        }
        show(visit, key, parameters, model);
        several(table, row, model);
        table.entered().stream().filter(each -> each.key().name().equals(field)).findFirst()
                .ifPresent(each -> model.addAttribute("control", Control.of(each, null, frame.siteWords().written())));
        return "desk/table/rows";
    }

    /** Whether others lose something with them, which is said and asked once more. */
    private boolean costsMore(Table table, List<RowId> rows) {
        return referrers.of(table.key(), rows).stream().anyMatch(against -> against.onRemoval() != Referring.OnRemoval.REFUSE)
                || !signedOut(table, rows).isEmpty();
    }

    /** Those among the rows who can sign in, and cannot once they are no members any more. */
    private List<String> signedOut(Table table, List<RowId> rows) {
        return table.people() == null ? List.of() : rows.stream().limit(MOST_NAMED).flatMap(row -> members.visitor(row).stream())
                .flatMap(member -> Optional.ofNullable(member.email()).flatMap(accounts::find).stream())
                .filter(account -> account.role() == Account.Role.MEMBER).map(Account::name).toList();
    }

    private String several(Table table, List<RowId> rows, Model model) {
        model.addAttribute("several", rows);
        model.addAttribute("against", referrers.of(table.key(), rows));
        model.addAttribute("signedOut", signedOut(table, rows));
        return "desk/table/rows";
    }

    @PostMapping("/desk/tables/{key}/rows/several")
    String changeSeveral(Visit visit, @PathVariable String key, @RequestParam List<RowId> row, @RequestParam String field,
            @RequestParam MultiValueMap<String, String> parameters, Model model, RedirectAttributes flash) {
        Table table = withNewOptions(frame.find(key), parameters);
        RowForm form = RowForm.sent(table.entered(), parameters, frame.siteWords(), frame.words());
        if (!form.isWrong()) {
            keepOptions(visit, table);
            RowEditing.Outcome outcome = editing.changeAll(table.key(), row, form.values(), visit.author());
            if (outcome instanceof RowEditing.Outcome.Done done) {
                frame.tell(flash, done.act(), "desk.rows.changed", row.size());
                return back(table, parameters);
            }
            if (outcome instanceof RowEditing.Outcome.Refused refused) {
                form = form.with(refused.problems(), frame.words());
            }
        }
        show(visit, key, parameters, model);
        several(table, row, model);
        model.addAttribute("control", named(table, form).controls().getFirst());
        return "desk/table/rows";
    }

    /** The rows that the list can be narrowed by, found by words of what they are called. */
    @GetMapping("/desk/tables/{key}/narrow/{field}")
    String narrow(Visit visit, @PathVariable String key, @PathVariable String field, @RequestParam(defaultValue = "") String called,
            @RequestParam MultiValueMap<String, String> parameters, Model model) {
        Table table = frame.find(key);
        model.addAttribute("menu", sheets.pick(TableListing.asking(visit, table.key(), parameters), field, called));
        return "sheet/sheet :: picks";
    }

    /** Rows of the table that a field points to, found by words of what they are called. */
    @GetMapping("/desk/tables/{key}/pick/{field}")
    String pick(@PathVariable String key, @PathVariable String field, @RequestParam(defaultValue = "") String q,
            Model model) {
        Table table = frame.find(key);
        Field reference = table.entered().stream().filter(each -> each.key().name().equals(field)
                && each.type() instanceof Referring).findFirst().orElseThrow(() -> new NotThere("not-there.table"));
        model.addAttribute("found", picker.find(frame.tables(), frame.tables().target(reference), q,
                frame.siteWords().language()));
        return "desk/table/controls :: found";
    }

    private RowForm named(Table table, RowForm form) {
        return form.named((field, row) -> picker.heading(frame.tables(), frame.tables().target(field), row));
    }

    private static Table withNewOptions(Table table, MultiValueMap<String, String> parameters) {
        return NewOptions.in(table, parameters);
    }

    /** A new option is offered from now on. */
    private void keepOptions(Visit visit, Table table) {
        if (!table.equals(frame.find(table.key().name()))) {
            changes.change(table, visit.author());
        }
    }

    /** To the list as it was, whose state the forms carry along. */
    private static String back(Table table, MultiValueMap<String, String> parameters) {
        List<String> parts = new ArrayList<>();
        String state = Optional.ofNullable(parameters.getFirst("list")).orElse("");
        if (state.matches("\\?[A-Za-z0-9_.=&%+,~*-]*")) {
            parts.add(state);
        }
        return "redirect:/desk/tables/" + table.key() + String.join("", parts).replace("{", "").replace("}", "");
    }
}
