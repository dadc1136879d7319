package org.pressboard.files;

import java.util.Set;
import org.apache.tika.Tika;

/** What files are, told by their bytes; their name only tells more closely what the bytes leave open. */
final class MediaTypes {

    static final String DRAWING = "image/svg+xml";

    /** What every browser shows. */
    static final Set<String> PICTURES = Set.of("image/png", "image/jpeg", "image/gif", "image/webp", DRAWING);

    private static final Tika TIKA = new Tika();

    private MediaTypes() {
    }

    static String of(byte[] bytes, String name) {
        return TIKA.detect(bytes, name);
    }
}
