package org.pressboard.takeaway;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Locale;
import java.util.Objects;
import java.util.Set;
import org.pressboard.files.Files;
import org.pressboard.listing.TakeAway;
import org.pressboard.log.Logged;
import org.pressboard.problem.Problem;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.turn.Turns;
import org.pressboard.pace.Pace;
import org.pressboard.sheet.line.Printed;
import org.pressboard.sheet.Sheets;
import org.pressboard.words.Words;
import org.pressboard.signin.LogBook;
import org.pressboard.stand.Asking;
import org.pressboard.visit.Visit;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** All rows that match, to be printed: as a page, or as a file; what is copied comes from that page. */
@Controller
class PrintController {

    /** More rows on paper are nobody's reading, and laying them out would take too long. */
    private static final int MOST_IN_FILE = 2_000;
    private static final int MOST_ON_PAGE = 5_000;

    /** So many characters stand in a file, or on a page, at most; laid out they take a hundred times as much memory. */
    private static final int MOST_CHARACTERS_IN_FILE = 1_000_000;
    private static final int MOST_CHARACTERS_ON_PAGE = 4_000_000;

    /** What is said of too much begins so, and ends with what of. */
    private static final String FULL = "take-away.too-";

    private static final Duration LONGEST_WAIT = Duration.ofSeconds(10);

    private final Offers offers;
    private final Sheets sheets;
    private final MessageSource messages;
    private final Pace pace;
    private final PdfOut pdf;
    private final LogBook log;

    /** Laying out takes much of a processor and of memory, and long pages take some of it too. */
    private final Turns filing = new Turns(1);
    private final Turns printing = new Turns(2);

    PrintController(Offers offers, Sheets sheets, Files files, MessageSource messages, Pace pace, LogBook log,
            @Value("${pressboard.print-font}") Path font) {
        this.log = log;
        this.offers = offers;
        this.sheets = sheets;
        this.messages = messages;
        this.pace = pace;
        this.pdf = new PdfOut(files, font);
    }

    @GetMapping("/listings/{listing}/print")
    String print(Visit visit, @RequestParam MultiValueMap<String, String> parameters, Model model, HttpServletRequest request) {
        Asking asking = offers.find(visit, request, parameters, Set.of(TakeAway.PRINT, TakeAway.COPY));
        try {
            model.addAttribute("printed", printing.take(LONGEST_WAIT, () -> bounded(printed(visit, asking, TakeAway.PRINT, MOST_ON_PAGE, ""),
                    MOST_CHARACTERS_ON_PAGE)));
        } catch (ProblemsFound full) {
            return "redirect:" + back(asking, full);
        }
        return "site/print";
    }

    /** The list as it was, which says what is too much for paper, and what there is instead. */
    private static String back(Asking asking, ProblemsFound full) {
        Problem problem = full.problems().all().getFirst();
        if (!problem.code().startsWith(FULL)) {
            throw full;
        }
        String query = asking.query();
        return asking.addresses().page() + query + (query.isEmpty() ? "?" : "&") + "full=" + asking.listing().key() + "&most="
                + problem.details().getFirst() + "&of=" + problem.code().substring(FULL.length());
    }

    @GetMapping("/listings/{listing}/rows.pdf")
    void pdf(Visit visit, @PathVariable String listing, @RequestParam MultiValueMap<String, String> parameters,
            HttpServletRequest request, HttpServletResponse response) throws IOException {
        Asking asking = offers.find(visit, request, parameters, Set.of(TakeAway.PDF));
        byte[] file;
        try {
            file = filing.take(LONGEST_WAIT, () -> laidOut(bounded(printed(visit, asking, TakeAway.PDF, MOST_IN_FILE, PdfOut.PICTURES),
                    MOST_CHARACTERS_IN_FILE), new Words(messages, visit.language())));
        } catch (ProblemsFound full) {
            response.sendRedirect(back(asking, full));
            return;
        }
        response.setContentType("application/pdf");
        response.setContentLength(file.length);
        response.setHeader("Content-Disposition", "attachment; filename=\"" + listing + ".pdf\"");
        response.getOutputStream().write(file);
    }

    private static Printed bounded(Printed printed, int most) {
        if (printed.texts().length() > most) {
            throw ProblemsFound.of("take-away.too-long-to-print", most);
        }
        return printed;
    }

    private byte[] laidOut(Printed printed, Words words) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            pdf.write(printed, words, out);
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
        return out.toByteArray();
    }

    private Printed printed(Visit visit, Asking asking, TakeAway as, int most, String pictures) {
        pace.spend(visit.address(), Pace.TAKE_AWAY);
        log.noteAtTimes(visit.caller(), Logged.What.TAKEN_AWAY, asking.listing().key() + " "
                + as.name().toLowerCase(Locale.ROOT) + asking.query());
        String title = Objects.requireNonNull(asking.page()).title();
        return pace.inTurn(visit.address(), () -> sheets.print(asking, title, most, pictures));
    }
}
