package org.pressboard.desk;

import de.siegmar.fastcsv.writer.CsvWriter;
import de.siegmar.fastcsv.writer.LineDelimiter;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.OutputStreamWriter;
import java.nio.charset.StandardCharsets;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.pressboard.log.Log;
import org.pressboard.log.Logged;
import org.pressboard.mail.Outbox;
import org.pressboard.mailing.Postman;
import org.pressboard.words.Moments;
import org.pressboard.words.Words;
import org.pressboard.value.SpreadsheetCells;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.util.UriComponentsBuilder;

/** The tab with what happened, and with the letters that were sent or would have been. */
@Controller
class DeskLog {

    private static final int PAGE = 100;

    private final Log log;
    private final Outbox outbox;
    private final Postman postman;
    private final MessageSource messages;

    DeskLog(Log log, Outbox outbox, Postman postman, MessageSource messages) {
        this.log = log;
        this.outbox = outbox;
        this.postman = postman;
        this.messages = messages;
    }

    /** One thing that happened, as it is written. */
    public record Line(long id, String when, String what, String who, String origin, String about) {
    }

    /** A letter, as it is written; links of those that left this machine are for their readers alone. */
    public record LetterLine(Outbox.Posted posted, String text, String when, String why, String state) {
    }

    @GetMapping("/desk/log")
    String log(@RequestParam Map<String, String> parameters, Model model) {
        Log.Search search = search(parameters);
        List<Line> lines = log.find(search, PAGE + 1).stream().map(this::line).toList();
        model.addAttribute("lines", lines.stream().limit(PAGE).toList());
        model.addAttribute("older", lines.size() > PAGE ? lines.get(PAGE - 1).id() : null);
        model.addAttribute("search", search);
        model.addAttribute("narrowed", query(parameters));
        model.addAttribute("kinds", Stream.of(Logged.What.values()).toList());
        return "desk/log";
    }

    /** All that is found, as a file. */
    @GetMapping("/desk/log.csv")
    void carry(@RequestParam Map<String, String> parameters, HttpServletResponse response) throws IOException {
        response.setContentType("text/csv;charset=UTF-8");
        response.setHeader("Content-Disposition", "attachment; filename=\"log.csv\"");
        try (CsvWriter csv = CsvWriter.builder().lineDelimiter(LineDelimiter.CRLF)
                .build(new OutputStreamWriter(response.getOutputStream(), StandardCharsets.UTF_8))) {
            csv.writeRecord("when", "what", "who", "from", "about");
            log.all(search(parameters), each -> csv.writeRecord(Stream.of(each.at().toString(), said(each.what()), each.who(),
                    each.origin(), each.about()).map(SpreadsheetCells.HARMLESS::write).toList()));
        }
    }

    @GetMapping("/desk/log/letters")
    String letters(@RequestParam(required = false) @Nullable Long before, Model model) {
        List<LetterLine> lines = outbox.latest(before, PAGE + 1).stream().map(this::line).toList();
        model.addAttribute("lines", lines.stream().limit(PAGE).toList());
        model.addAttribute("older", lines.size() > PAGE ? lines.get(PAGE - 1).posted().id() : null);
        model.addAttribute("served", postman.hasServer());
        return "desk/letters";
    }

    private Line line(Logged logged) {
        return new Line(logged.id(), Moments.written(logged.at()), said(logged.what()), logged.who(), logged.origin(),
                logged.about());
    }

    private LetterLine line(Outbox.Posted posted) {
        String state = posted.state() == Outbox.State.WAITING && !postman.hasServer() ? "KEPT" : posted.state().name();
        String text = postman.hasServer() ? posted.letter().body().replaceAll("token=[\\w-]+", "token=…")
                : posted.letter().body();
        return new LetterLine(posted, text, Moments.written(posted.written()), words().say("letter.why."
                + posted.letter().why()),
                words().say("letter.state." + state));
    }

    private String said(Logged.What what) {
        return words().say("log." + what);
    }

    private static Log.Search search(Map<String, String> parameters) {
        Logged.What what = Stream.of(Logged.What.values()).filter(each -> each.name().equals(parameters.get("what")))
                .findFirst().orElse(null);
        String before = parameters.getOrDefault("before", "");
        return new Log.Search(what, parameters.getOrDefault("words", ""), day(parameters.get("from")),
                day(parameters.get("to")), before.matches("\\d{1,18}") ? Long.valueOf(before) : null);
    }

    private static @Nullable LocalDate day(@Nullable String text) {
        try {
            return text == null || text.isBlank() ? null : LocalDate.parse(text);
        } catch (DateTimeException noDay) {
            return null;
        }
    }

    /** What was looked for, to look for the same further back and to carry it away. */
    private static String query(Map<String, String> parameters) {
        var query = UriComponentsBuilder.newInstance();
        Stream.of("what", "words", "from", "to").filter(parameters::containsKey)
                .forEach(name -> query.queryParam(name, "{" + name + "}"));
        return query.encode().buildAndExpand(parameters).toUriString();
    }

    private Words words() {
        return Words.ofRequest(messages);
    }
}
