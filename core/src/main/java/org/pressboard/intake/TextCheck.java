package org.pressboard.intake;

import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.CharBuffer;
import java.nio.charset.CharsetDecoder;
import java.nio.charset.CoderResult;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import org.pressboard.problem.ProblemsFound;

/** Reads a whole file's bytes once: whether they are UTF-8, and that there is no NUL among them. */
final class TextCheck {

    private static final int CHUNK = 64 * 1024;

    private final CharsetDecoder decoder = StandardCharsets.UTF_8.newDecoder()
            .onMalformedInput(CodingErrorAction.REPORT).onUnmappableCharacter(CodingErrorAction.REPORT);
    private final ByteBuffer bytes = ByteBuffer.allocate(CHUNK);
    private final CharBuffer characters = CharBuffer.allocate(CHUNK);
    private boolean utf8 = true;
    private long line = 1;

    /** @throws ProblemsFound when there is a NUL byte, naming its line */
    static boolean isUtf8(FileContent content) throws IOException {
        try (InputStream in = new BufferedInputStream(content.open(), CHUNK)) {
            return new TextCheck().check(in);
        }
    }

    private boolean check(InputStream in) throws IOException {
        int count;
        while ((count = in.read(bytes.array(), bytes.position(), bytes.remaining())) >= 0) {
            refuseNul(bytes.position(), count);
            bytes.position(bytes.position() + count).flip();
            decode(false);
        }
        bytes.flip();
        decode(true);
        return utf8;
    }

    private void refuseNul(int from, int count) {
        byte[] array = bytes.array();
        for (int i = from; i < from + count; i++) {
            if (array[i] == '\n') {
                line++;
            } else if (array[i] == 0) {
                throw ProblemsFound.of("file.nul-byte", line);
            }
        }
    }

    private void decode(boolean atEnd) {
        if (!utf8) {
            bytes.clear();
            return;
        }
        characters.clear();
        CoderResult result = decoder.decode(bytes, characters, atEnd);
        utf8 = !result.isError();
        bytes.compact();
    }
}
