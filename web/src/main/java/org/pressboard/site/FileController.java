package org.pressboard.site;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.pressboard.files.Files;
import org.pressboard.rows.AttachmentRows;
import org.pressboard.sheet.line.FileAnswer;
import org.pressboard.stand.NotThere;
import org.pressboard.stand.Stands;
import org.pressboard.visit.Visit;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** Files of rows, for those who may see a row with that file, and a field that shows it; and pictures of pages, for who gets to them. */
@Controller
class FileController {

    private final Files files;
    private final AttachmentRows rows;
    private final Stands stands;

    FileController(Files files, AttachmentRows rows, Stands stands) {
        this.stands = stands;
        this.files = files;
        this.rows = rows;
    }

    @GetMapping("/files/{table:[a-z][a-z0-9_]*}/{content:[0-9a-f]{64}}/{name}")
    void file(Visit visit, @PathVariable String table, @PathVariable String content, @PathVariable String name,
            @RequestParam(defaultValue = "0") int edge, HttpServletResponse response) throws IOException {
        boolean isShown = visit.site().tables().all().stream()
                .filter(candidate -> candidate.key().name().equals(table))
                .anyMatch(candidate -> rows.isShown(candidate, content, visit.visitor()));
        if (!isShown) {
            throw new NotThere("not-there.file");
        }
        new FileAnswer(files, response).give(content, name, edge);
    }

    /** A picture of a page, for whoever gets to the page and to that part of it. */
    @GetMapping("/{page:[a-z][a-z0-9-]*}/picture/{content:[0-9a-f]{64}}/{name}")
    void picture(Visit visit, @PathVariable String page, @PathVariable String content, @PathVariable String name,
            @RequestParam(defaultValue = "0") int edge, HttpServletResponse response) throws IOException {
        if (!stands.published(visit, page).page().hasPicture(content)) {
            throw new NotThere("not-there.file");
        }
        new FileAnswer(files, response).give(content, name, edge);
    }
}
