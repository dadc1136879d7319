package org.pressboard.site;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.pressboard.files.Files;
import org.pressboard.rows.AttachmentRows;
import org.pressboard.sheet.line.FileAnswer;
import org.pressboard.stand.NotThere;
import org.pressboard.visit.Visit;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** The files of rows, for those who may see a row with that file, and a field that shows it. */
@Controller
class FileController {

    private final Files files;
    private final AttachmentRows rows;

    FileController(Files files, AttachmentRows rows) {
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
}
