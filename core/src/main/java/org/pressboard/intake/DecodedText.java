package org.pressboard.intake;

import java.io.IOException;
import java.io.InputStream;
import java.io.Reader;
import java.nio.ByteBuffer;
import java.nio.CharBuffer;
import java.nio.charset.Charset;
import java.nio.charset.CharsetDecoder;
import java.nio.charset.CoderResult;
import java.nio.charset.CodingErrorAction;

/**
 * The text of a file in an encoding, without a byte order mark. A byte that means nothing in the encoding comes as a
 * mark of its own (see {@link BadBytes}), so that it can be told from every character that a file may have.
 */
final class DecodedText extends Reader {

    private static final int CHUNK = 64 * 1024;
    private static final char BYTE_ORDER_MARK = '\uFEFF';

    private final InputStream in;
    private final CharsetDecoder decoder;
    private final ByteBuffer bytes = ByteBuffer.allocate(CHUNK);
    private boolean started;
    private boolean ended;
    private boolean flushed;
    private long badBytes;

    DecodedText(InputStream in, String encoding) {
        this.in = in;
        this.decoder = Charset.forName(encoding).newDecoder()
                .onMalformedInput(CodingErrorAction.REPORT).onUnmappableCharacter(CodingErrorAction.REPORT);
        this.bytes.flip();
    }

    /** How many bytes so far meant nothing. */
    long badBytes() {
        return badBytes;
    }

    @Override
    public int read(char[] into, int offset, int length) throws IOException {
        if (length < 4) {
            throw new IllegalArgumentException("There must be room for a few characters");
        }
        CharBuffer characters = CharBuffer.wrap(into, offset, length).slice();
        while (characters.position() == 0 && !flushed) {
            decode(characters);
            passOverMark(characters);
        }
        return characters.position() == 0 ? -1 : characters.position();
    }

    private void decode(CharBuffer characters) throws IOException {
        CoderResult result = decoder.decode(bytes, characters, ended);
        if (result.isError()) {
            mark(characters, result.length());
        } else if (result.isUnderflow() && ended) {
            flushed = decoder.flush(characters).isUnderflow();
        } else if (result.isUnderflow()) {
            fill();
        }
    }

    /** One bad byte at a time where room is short; the decoder finds the rest again. */
    private void mark(CharBuffer characters, int count) {
        for (int i = 0; i < count && characters.hasRemaining(); i++) {
            characters.put(BadBytes.mark(bytes.get()));
            badBytes++;
        }
    }

    private void fill() throws IOException {
        bytes.compact();
        int count = in.read(bytes.array(), bytes.position(), bytes.remaining());
        if (count < 0) {
            ended = true;
        } else {
            bytes.position(bytes.position() + count);
        }
        bytes.flip();
    }

    private void passOverMark(CharBuffer characters) {
        if (!started && characters.position() > 0) {
            started = true;
            if (characters.get(0) == BYTE_ORDER_MARK) {
                characters.flip().position(1);
                characters.compact();
            }
        }
    }

    @Override
    public void close() throws IOException {
        in.close();
    }
}
