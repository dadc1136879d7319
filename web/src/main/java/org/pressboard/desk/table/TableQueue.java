package org.pressboard.desk.table;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.pressboard.catalog.Catalog;
import org.pressboard.condition.Standpoint;
import org.pressboard.editing.Approvals;
import org.pressboard.grant.Approval;
import org.pressboard.grant.Sight;
import org.pressboard.listing.RowQuery;
import org.pressboard.listing.Total;
import org.pressboard.mail.Letter;
import org.pressboard.mail.Outbox;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.rows.Rows;
import org.pressboard.value.RowId;
import org.pressboard.words.Typed;
import org.pressboard.words.Words;
import org.pressboard.stand.NotThere;
import org.pressboard.table.Field;
import org.pressboard.table.Table;
import org.pressboard.value.Row;
import org.pressboard.visit.Visit;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The rows of a table that wait to be let through, the longest waiting first. */
@Controller
class TableQueue {

    private static final String AT = "/desk/tables/{key}/waiting";
    private static final int MOST = 50;
    private static final int MOST_PAGES = 1_000;
    private static final int LONGEST_WORDS = 1000;

    private final TableFrame frame;
    private final Approvals approvals;
    private final Rows rows;
    private final Outbox outbox;
    private final Catalog catalog;
    private final MessageSource messages;

    TableQueue(TableFrame frame, Approvals approvals, Rows rows, Outbox outbox, Catalog catalog, MessageSource messages) {
        this.frame = frame;
        this.approvals = approvals;
        this.rows = rows;
        this.outbox = outbox;
        this.catalog = catalog;
        this.messages = messages;
    }

    /** A row that waits: what is known of it, and who sent it, where that is known. */
    public record Waiting(RowId row, String called, List<Told> told, @Nullable String sender) {
    }

    /** A field of it, as it is written. */
    public record Told(String label, String text) {
    }

    /** How many rows of the table wait; empty where none has to. */
    static Optional<String> count(TableFrame frame, Rows rows, Table table) {
        return table.letThrough().map(by -> frame.words().count(rows.count(waiting(frame, table), Locale.UK)));
    }

    private static RowQuery waiting(TableFrame frame, Table table) {
        return RowQuery.counting(Sight.whole(frame.tables(), table.key()), Standpoint.NOBODY,
                new Approval(table.letThrough().orElseThrow()).waiting());
    }

    /**
     * @param page which fifty of them
     * @param at   where whoever decides goes on
     */
    @GetMapping(AT)
    String waiting(@PathVariable String key, @RequestParam(defaultValue = "1") int page, @RequestParam(defaultValue = "") String at, Model model) {
        Table table = frame.show(key, "waiting", model);
        if (table.letThrough().isEmpty()) {
            throw new NotThere("not-there.table");
        }
        List<Field> shown = table.fields().stream().filter(field -> !field.hidden() && table.headingField().filter(field::equals).isEmpty()
                && !table.letThrough().filter(field.key()::equals).isPresent()).toList();
        RowQuery query = waiting(frame, table);
        Locale language = catalog.published().site().language();
        Total count = rows.count(query, language);
        int last = (int) Math.clamp(count.pages(MOST), 1, MOST_PAGES);
        int number = Math.clamp(page, 1, last);
        List<Row> some = rows.rows(query.reading(table.withParts(table.fields().stream().map(Field::key).toList())).first(MOST).onPage(number),
                language);
        Map<RowId, String> senders = approvals.senders(table, some.stream().map(Row::id).toList());
        model.addAttribute("waiting", some.stream().map(row -> waiting(table, shown, row, senders.get(row.id()))).toList());
        model.addAttribute("count", count);
        model.addAttribute("number", number);
        model.addAttribute("last", last);
        model.addAttribute("at", at);
        return "desk/table/waiting";
    }

    private Waiting waiting(Table table, List<Field> shown, Row row, @Nullable String sender) {
        Words words = frame.siteWords();
        List<Told> told = shown.stream().map(field -> new Told(field.label(), words.written(table, field, row)))
                .filter(each -> !each.text().isEmpty()).toList();
        return new Waiting(row.id(), called(table, row), told, sender);
    }

    private Map<RowId, String> called(Table table, List<RowId> chosen) {
        return rows.numbered(waiting(frame, table).reading(table.withParts(table.headingField().stream().map(Field::key).toList())),
                catalog.published().site().language(), chosen).stream().collect(Collectors.toMap(Row::id, row -> called(table, row)));
    }

    private String called(Table table, Row row) {
        return table.headingField().map(heading -> frame.siteWords().written(table, heading, row)).orElse("");
    }

    /**
     * Approves rows or rejects them, and writes to whoever sent them.
     *
     * @param what what is done: with the rows that are ticked, or with the one whose number stands behind it
     * @param next where whoever decides goes on
     */
    @PostMapping(AT)
    String decide(Visit visit, @PathVariable String key, @RequestParam(name = "do") String what, @RequestParam(defaultValue = "") List<String> row,
            @RequestParam(defaultValue = "") String words, @RequestParam(defaultValue = "1") int page,
            @RequestParam(defaultValue = "") String next, RedirectAttributes flash) {
        Table table = frame.find(key);
        String[] one = what.split(":", 2);
        List<RowId> chosen = (one.length > 1 ? List.of(one[1]) : row).stream().flatMap(number -> RowId.read(number).stream()).limit(MOST).toList();
        boolean isAway = one[0].equals("away");
        Map<RowId, String> senders = approvals.senders(table, chosen);
        String why = Typed.within(words, LONGEST_WORDS);
        try {
            Optional<Approvals.Decided> decided = isAway ? approvals.turnAway(table.key(), called(table, chosen), why, visit.author())
                    : approvals.letThrough(table.key(), chosen, visit.author());
            decided.ifPresentOrElse(done -> {
                done.rows().stream().flatMap(each -> Optional.ofNullable(senders.get(each)).stream()).filter(Letter::isAddress).distinct()
                        .forEach(to -> tell(to, table, isAway, why));
                frame.tell(flash, done.act(), isAway ? "waiting.away" : "waiting.through", done.rows().size());
            }, () -> flash.addFlashAttribute("problem", frame.words().say(chosen.isEmpty() ? "waiting.none-chosen" : "waiting.decided")));
        } catch (ProblemsFound against) {
            flash.addFlashAttribute("problem", frame.words().say(against.problems().all().getFirst()));
        }
        return "redirect:/desk/tables/" + table.key() + "/waiting?page=" + page + RowId.read(next).map(number -> "&at=" + number).orElse("");
    }

    private void tell(String to, Table table, boolean isAway, String words) {
        Locale language = catalog.published().site().language();
        String code = isAway ? "letter.away" : "letter.through";
        Object[] details = {catalog.published().site().name(), table.label(), words};
        outbox.put(new Letter(to, messages.getMessage(code + ".subject", details, language),
                messages.getMessage(code + ".text", details, language).strip(), Letter.Why.DECISION));
    }
}
