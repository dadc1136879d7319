package org.pressboard.site;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.pressboard.catalog.Catalog;
import org.pressboard.files.Files;
import org.pressboard.rows.AttachmentRows;
import org.pressboard.sheet.FileAnswer;
import org.pressboard.sheet.NotThere;
import org.pressboard.signin.SignedIn;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** The files of rows, for those who may see a row with that file, and a field that shows it. */
@Controller
class FileController {

    private final Catalog catalog;
    private final Files files;
    private final AttachmentRows rows;

    FileController(Catalog catalog, Files files, AttachmentRows rows) {
        this.catalog = catalog;
        this.files = files;
        this.rows = rows;
    }

    @GetMapping("/files/{table:[a-z][a-z0-9_]*}/{content:[0-9a-f]{64}}/{name}")
    void file(@PathVariable String table, @PathVariable String content, @PathVariable String name,
            @RequestParam(defaultValue = "0") int edge, HttpServletResponse response) throws IOException {
        boolean isShown = catalog.published().tables().all().stream()
                .filter(candidate -> candidate.key().name().equals(table))
                .anyMatch(candidate -> rows.isShown(candidate, content, SignedIn.currentVisitor()));
        if (!isShown) {
            throw new NotThere("not-there.file");
        }
        new FileAnswer(files, response).give(content, name, edge);
    }
}
