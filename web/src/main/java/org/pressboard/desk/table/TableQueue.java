package org.pressboard.desk.table;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.pressboard.catalog.Catalog;
import org.pressboard.condition.Standpoint;
import org.pressboard.editing.Approvals;
import org.pressboard.grant.Approval;
import org.pressboard.grant.Sight;
import org.pressboard.listing.RowQuery;
import org.pressboard.mail.Letter;
import org.pressboard.mail.Outbox;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.rows.Rows;
import org.pressboard.value.RowId;
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

    @GetMapping(AT)
    String waiting(@PathVariable String key, Model model) {
        Table table = frame.show(key, "waiting", model);
        if (table.letThrough().isEmpty()) {
            throw new NotThere("not-there.table");
        }
        List<Field> shown = table.fields().stream().filter(field -> !field.hidden()
                && !table.letThrough().filter(field.key()::equals).isPresent()).toList();
        RowQuery query = waiting(frame, table);
        Locale language = catalog.published().site().language();
        List<Row> first = rows.rows(query.reading(table.withParts(shown.stream().map(Field::key).toList())).first(MOST),
                language);
        Map<RowId, String> senders = approvals.senders(table, first.stream().map(Row::id).toList());
        model.addAttribute("waiting", first.stream().map(row -> waiting(table, shown, row, senders.get(row.id()))).toList());
        model.addAttribute("count", rows.count(query, language));
        return "desk/table/waiting";
    }

    private Waiting waiting(Table table, List<Field> shown, Row row, @Nullable String sender) {
        Words words = frame.siteWords();
        List<Told> told = shown.stream().map(field -> new Told(field.label(), words.written(table, field, row)))
                .filter(each -> !each.text().isEmpty()).toList();
        return new Waiting(row.id(), called(table, row), told, sender);
    }

    private String called(Table table, Row row) {
        return table.headingField().map(heading -> frame.siteWords().written(table, heading, row)).orElse("");
    }

    /** Lets a row through, or turns it away, and writes to whoever sent it. */
    @PostMapping(AT + "/{row:\\d{1,18}}")
    String decide(Visit visit, @PathVariable String key, @PathVariable RowId row, @RequestParam(name = "do") String what,
            @RequestParam(defaultValue = "") String words, RedirectAttributes flash) {
        Table table = frame.find(key);
        Optional<String> sender = approvals.sender(table.key(), row);
        try {
            Long act = what.equals("away") ? Long.valueOf(approvals.turnAway(table.key(), row, visit.author()))
                    : approvals.letThrough(table.key(), row, visit.author()).orElse(null);
            sender.filter(Letter::isAddress).ifPresent(to -> tell(to, table, what, words.strip()));
            frame.tell(flash, act, what.equals("away") ? "waiting.away" : "waiting.through");
        } catch (ProblemsFound against) {
            flash.addFlashAttribute("problem", frame.words().say(against.problems().all().getFirst()));
        }
        return "redirect:/desk/tables/" + table.key() + "/waiting";
    }

    private void tell(String to, Table table, String what, String words) {
        Locale language = catalog.published().site().language();
        String code = what.equals("away") ? "letter.away" : "letter.through";
        Object[] details = {catalog.published().site().name(), table.label(),
            words.substring(0, Math.min(words.length(), LONGEST_WORDS))};
        outbox.put(new Letter(to, messages.getMessage(code + ".subject", details, language),
                messages.getMessage(code + ".text", details, language).strip(), Letter.Why.DECISION));
    }
}
