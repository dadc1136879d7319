package org.pressboard.site;

import java.time.Duration;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.Picture;
import org.pressboard.catalog.Pictures;
import org.pressboard.rows.PictureRows;
import org.pressboard.sheet.NotThere;
import org.pressboard.signin.SignedIn;
import org.pressboard.table.Table;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

/** The pictures of rows, for those who may see a row with that picture. */
@Controller
class PictureController {

    /** A drawing is shown and nothing more: it can load nothing and run nothing. */
    private static final String DRAWING_POLICY = "default-src 'none'; sandbox";

    private final Catalog catalog;
    private final Pictures pictures;
    private final PictureRows rows;

    PictureController(Catalog catalog, Pictures pictures, PictureRows rows) {
        this.catalog = catalog;
        this.pictures = pictures;
        this.rows = rows;
    }

    @GetMapping("/files/{table:[a-z][a-z0-9_]*}/{name}")
    ResponseEntity<byte[]> picture(@PathVariable String table, @PathVariable String name) {
        Table found = catalog.published().tables().all().stream()
                .filter(candidate -> candidate.key().name().equals(table))
                .filter(candidate -> rows.isShown(candidate, name, SignedIn.currentVisitor()))
                .findFirst().orElseThrow(() -> new NotThere("not-there.picture"));
        Picture picture = pictures.find(found.key(), name).orElseThrow(() -> new NotThere("not-there.picture"));
        return ResponseEntity.ok().contentType(MediaType.parseMediaType(picture.mediaType()))
                .header("Content-Security-Policy", DRAWING_POLICY)
                .cacheControl(CacheControl.maxAge(Duration.ofHours(1)).cachePrivate())
                .body(picture.bytes());
    }
}
