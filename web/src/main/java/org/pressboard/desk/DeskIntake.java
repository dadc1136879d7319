package org.pressboard.desk;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import org.pressboard.bulk.Archive;
import org.pressboard.bulk.Intake;
import org.pressboard.bulk.Intakes;
import org.pressboard.catalog.Catalog;
import org.pressboard.files.Files;
import org.pressboard.problem.Problems;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.words.Moments;
import org.pressboard.words.Words;
import org.pressboard.stand.NotThere;
import org.pressboard.table.Currencies;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.value.SpreadsheetCells;
import org.pressboard.visit.Visit;
import org.springframework.context.MessageSource;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Bringing in a file: one screen from its first rows to a table. */
@Controller
class DeskIntake {

    /** Most files are read in less; then the owner lands on the screen itself, not on its progress. */
    private static final int SECONDS_TO_WAIT = 2;

    /** With this a zip begins (APPNOTE.TXT, 4.3.7). */
    private static final byte[] ZIP = {'P', 'K', 3, 4};

    private final Intakes intakes;
    private final Archive archive;
    private final Catalog catalog;
    private final MessageSource messages;

    DeskIntake(Intakes intakes, Archive archive, Catalog catalog, MessageSource messages) {
        this.intakes = intakes;
        this.archive = archive;
        this.catalog = catalog;
        this.messages = messages;
    }

    @PostMapping("/desk/intake")
    String receive(@RequestParam MultipartFile file) throws IOException {
        if (file.isEmpty()) {
            throw ProblemsFound.of("file.empty");
        }
        UUID id = received(file);
        await(intakes.survey(id));
        return "redirect:/desk/intake/" + id;
    }

    /** A file with rows by itself, or in a zip together with what it names. */
    private UUID received(MultipartFile file) throws IOException {
        Optional<String> rows = rowsIn(file);
        UUID[] id = new UUID[1];
        try (InputStream in = file.getInputStream()) {
            if (rows.isEmpty()) {
                return intakes.receive(fileName(file), in);
            }
            archive.read(in, rows.get(), bytes -> id[0] = intakes.receive(Files.named(rows.get()), bytes));
        }
        try (InputStream in = file.getInputStream()) {
            archive.unpack(id[0], in, rows.get());
        } catch (ProblemsFound against) {
            intakes.discard(id[0]);
            throw against;
        }
        return id[0];
    }

    private Optional<String> rowsIn(MultipartFile file) throws IOException {
        try (InputStream start = file.getInputStream(); InputStream in = file.getInputStream()) {
            return Arrays.equals(start.readNBytes(ZIP.length), ZIP) ? archive.rowsIn(in) : Optional.empty();
        }
    }

    /** Browsers send quotation marks and line ends of a name so (WHATWG HTML, multipart/form-data encoding). */
    private static String fileName(MultipartFile file) {
        return Optional.ofNullable(file.getOriginalFilename()).orElse("")
                .replace("%22", "\"").replace("%0D", " ").replace("%0A", " ").replace('\0', ' ');
    }

    @GetMapping("/desk/intake/{id}")
    String screen(@PathVariable UUID id, Model model) {
        Intake intake = find(id);
        if (intake.status() == Intake.Status.DONE) {
            return "redirect:" + pageOf(intake);
        }
        show(model, intake, intake.plan() == null ? null : IntakeForm.of(intake));
        if (intake.status() == Intake.Status.READING && intake.asked() != null) {
            model.addAttribute("firstRows", intakes.firstRows(id, intake.asked()));
        }
        return "desk/intake";
    }

    /** How far reading or loading is; sends the browser on when it is done. */
    @GetMapping("/desk/intake/{id}/progress")
    String progress(@PathVariable UUID id, Model model, HttpServletResponse response) {
        Intake intake = find(id);
        if (!intake.status().isUnderWay() || intake.isInterrupted()) {
            response.setHeader("HX-Redirect",
                    intake.status() == Intake.Status.DONE ? pageOf(intake) : "/desk/intake/" + id);
        }
        model.addAttribute("intake", intake);
        model.addAttribute("words", Words.ofRequest(messages));
        return "desk/intake-parts :: workState";
    }

    /** The screen with the choices made so far, which are kept, and what they come to. */
    @PostMapping("/desk/intake/{id}/look")
    String look(@PathVariable UUID id, @RequestParam Map<String, String> parameters, Model model) {
        Intake intake = findReady(id);
        IntakeForm form = IntakeForm.sent(intake, parameters);
        intakes.keepPlan(id, form.plan());
        show(model, intake, form);
        return "desk/intake-parts :: looked";
    }

    /** Reads the file as the owner says that it is written. */
    @PostMapping("/desk/intake/{id}/read")
    String read(Visit visit, @PathVariable UUID id, @RequestParam Map<String, String> parameters) {
        Intake intake = findReady(id);
        intakes.keepPlan(id, IntakeForm.sent(intake, parameters).plan());
        IntakeForm.dialect(intake, parameters).ifPresent(dialect -> await(intakes.survey(id, dialect)));
        return "redirect:/desk/intake/" + id;
    }

    @PostMapping("/desk/intake/{id}/load")
    String load(Visit visit, @PathVariable UUID id, @RequestParam Map<String, String> parameters, Model model,
            RedirectAttributes flash) {
        Intake intake = find(id);
        if (intake.survey() == null || intake.status() == Intake.Status.DONE) {
            return "redirect:/desk/intake/" + id;
        }
        IntakeForm form = IntakeForm.sent(intake, parameters);
        Problems problems = form.plan().check().and(intakes.against(form.plan()));
        if (!problems.isEmpty()) {
            show(model, intake, form.with(problems));
            return "desk/intake";
        }
        if (intake.status().isUnderWay() && !intake.isInterrupted()) {
            flash.addFlashAttribute("already", true);
        } else {
            await(intakes.load(id, form.plan(), visit.author()));
        }
        return "redirect:/desk/intake/" + id;
    }

    /** Pictures and files that the columns name, in one archive. */
    @PostMapping("/desk/intake/{id}/pictures")
    String pictures(@PathVariable UUID id, @RequestParam MultipartFile file) throws IOException {
        Intake intake = findReady(id);
        try (InputStream in = file.getInputStream()) {
            archive.unpack(intake.id(), in, null);
        }
        return "redirect:/desk/intake/" + id;
    }

    @PostMapping("/desk/intake/{id}/cancel")
    String cancel(@PathVariable UUID id) {
        intakes.cancel(find(id).id());
        return "redirect:/desk/intake/" + id;
    }

    @PostMapping("/desk/intake/{id}/again")
    String again(@PathVariable UUID id) {
        await(intakes.survey(find(id).id()));
        return "redirect:/desk/intake/" + id;
    }

    @PostMapping("/desk/intake/{id}/discard")
    String discard(@PathVariable UUID id) {
        intakes.discard(find(id).id());
        return "redirect:/desk/tables";
    }

    @GetMapping("/desk/intake/{id}/kept-aside.csv")
    void keptAside(@PathVariable UUID id, @RequestParam(defaultValue = "") String cells, Locale language,
            HttpServletResponse response) throws IOException {
        Intake intake = find(id);
        response.setContentType("text/csv;charset=UTF-8;header=present");
        response.setHeader("Content-Disposition", "attachment; filename=\"kept-aside.csv\"");
        SpreadsheetCells written = cells.equals("bare") ? SpreadsheetCells.BARE : SpreadsheetCells.HARMLESS;
        new KeptAsideCsv(intakes, new Words(messages, language), written).write(intake, response.getOutputStream());
    }

    /** For uploads by script: the refusal alone, to be shown at the place. */
    @org.springframework.web.bind.annotation.ExceptionHandler
    @ResponseStatus(HttpStatus.UNPROCESSABLE_CONTENT)
    String refused(ProblemsFound found, Locale language, Model model) {
        Words words = new Words(messages, language);
        model.addAttribute("refusals", found.problems().all().stream().map(words::say).toList());
        return "desk/refused";
    }

    private void show(Model model, Intake intake, @org.jspecify.annotations.Nullable IntakeForm form) {
        Words words = Words.ofRequest(messages);
        model.addAttribute("intake", intake);
        model.addAttribute("form", form);
        model.addAttribute("words", words);
        model.addAttribute("dialects", new DialectChoices(intake, words));
        model.addAttribute("twins", twins(intake, words));
        model.addAttribute("brought", archive.brought(intake.id()));
        model.addAttribute("tables", catalog.published().tables().all());
        model.addAttribute("currencies", Currencies.ALL);
        model.addAttribute("lookedAt", Intakes.LOOKED_AT);
        model.addAttribute("namings", form == null ? Map.of() : intakes.namings(intake, form.plan()));
        model.addAttribute("refusals", intake.problems().all().stream().map(words::say).toList());
        Problems missing = form == null ? Problems.NONE : form.problems().and(intakes.against(form.plan()));
        model.addAttribute("missing", missing.all().stream().distinct().map(words::say).toList());
    }

    /** The same content brought before: where it is now, and what bringing it in again would add. */
    private List<String> twins(Intake intake, Words words) {
        List<String> sentences = new ArrayList<>();
        for (Intake twin : intake.digest().isEmpty() ? List.<Intake>of() : intakes.twins(intake)) {
            Optional<Table> table = Optional.ofNullable(twin.tableKey()).map(TableKey::new).flatMap(catalog::table);
            if (twin.status() != Intake.Status.DONE) {
                sentences.add(words.say("desk.twin.waits", twin.fileName(), Moments.written(twin.createdAt())));
            } else {
                table.ifPresent(found -> sentences.add(words.say("desk.twin.in", twin.fileName(), found.label(),
                        Moments.written(twin.createdAt()), twin.rowsDone(),
                        intake.survey() == null ? 0 : intake.survey().rows())));
            }
        }
        return sentences;
    }

    private Intake findReady(UUID id) {
        Intake intake = find(id);
        if (intake.survey() == null || intake.status() == Intake.Status.DONE) {
            throw new NotThere("not-there.intake");
        }
        return intake;
    }

    private Intake find(UUID id) {
        return intakes.find(id).orElseThrow(() -> new NotThere("not-there.intake"));
    }

    private static String pageOf(Intake intake) {
        return "/desk/pages/" + intake.pageKey() + "?intake=" + intake.id();
    }

    private static void await(Future<?> work) {
        try {
            work.get(SECONDS_TO_WAIT, TimeUnit.SECONDS);
        } catch (TimeoutException goesOn) {
            // its progress is shown
            return;
        } catch (InterruptedException stop) {
            Thread.currentThread().interrupt();
        } catch (ExecutionException failed) {
            throw new IllegalStateException(failed.getCause());
        }
    }
}
