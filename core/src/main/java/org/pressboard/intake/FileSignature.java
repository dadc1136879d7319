package org.pressboard.intake;

import static java.nio.charset.StandardCharsets.ISO_8859_1;

import java.util.Map;
import org.pressboard.problem.ProblemsFound;

/** The first bytes by which common kinds of files that are not text are known (from memory). */
final class FileSignature {

    private static final Map<String, String> KINDS = Map.of(
            "\u0089PNG", "picture (PNG)",
            "\u00FF\u00D8\u00FF", "picture (JPEG)",
            "GIF8", "picture (GIF)",
            "RIFF", "picture or sound (RIFF)",
            "%PDF", "PDF",
            "PK\u0003\u0004", "workbook or archive (ZIP)",
            "\u00D0\u00CF\u0011\u00E0", "old workbook (XLS)",
            "\u001F\u008B", "packed file (GZIP)",
            "SQLite format 3", "database (SQLite)");

    private FileSignature() {
    }

    static void refuseOtherKinds(byte[] start) {
        String text = new String(start, 0, Math.min(start.length, 16), ISO_8859_1);
        KINDS.forEach((signature, kind) -> {
            if (text.startsWith(signature)) {
                throw ProblemsFound.of("file.other-kind", kind);
            }
        });
    }
}
