package org.pressboard.desk;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.pressboard.files.Files;
import org.pressboard.files.KeptFile;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.sheet.line.FileAnswer;
import org.pressboard.words.Words;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;

/** Takes files that are dropped on a field, before the row that they are for is kept; and shows them to staff. */
@Controller
class DeskFiles {

    private final Files files;
    private final MessageSource messages;

    DeskFiles(Files files, MessageSource messages) {
        this.files = files;
        this.messages = messages;
    }

    /** A file that was brought, or why it was not taken. */
    public record Brought(String name, String content, boolean picture, String problem) {
    }

    /** @param pictures whether the field takes nothing but pictures */
    @PostMapping("/desk/files")
    String receive(@RequestParam List<MultipartFile> file, @RequestParam(defaultValue = "false") boolean pictures,
            @RequestParam String field, Model model, Locale language) throws IOException {
        List<Brought> brought = new ArrayList<>();
        for (MultipartFile each : file) {
            brought.add(keep(each, pictures, new Words(messages, language)));
        }
        model.addAttribute("brought", brought);
        model.addAttribute("field", field);
        return "desk/table/controls :: brought";
    }

    private Brought keep(MultipartFile file, boolean pictures, Words words) throws IOException {
        String name = Files.named(Optional.ofNullable(file.getOriginalFilename()).orElse(""));
        try (InputStream in = file.getInputStream()) {
            KeptFile kept = files.keep(in, name);
            String problem = pictures && !kept.isPicture() ? words.say("problem.entry.no-picture", name) : "";
            return new Brought(name, kept.content(), kept.isPicture(), problem);
        } catch (ProblemsFound refused) {
            return new Brought(name, "", false, name + ": " + words.say(refused.problems().all().getFirst()));
        }
    }

    @GetMapping("/desk/files/{content:[0-9a-f]{64}}/{name}")
    void file(@PathVariable String content, @PathVariable String name, @RequestParam(defaultValue = "0") int edge,
            HttpServletResponse response) throws IOException {
        new FileAnswer(files, response).give(content, name, edge);
    }
}
