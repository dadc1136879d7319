package org.pressboard.intake;

import java.io.FilterReader;
import java.io.IOException;
import java.io.PushbackReader;
import java.io.Reader;

/** Passes over a byte order mark at the start of a text. */
final class WithoutByteOrderMark extends FilterReader {

    private static final char MARK = '\uFEFF';
    private boolean started;

    WithoutByteOrderMark(Reader text) {
        super(new PushbackReader(text));
    }

    @Override
    public int read(char[] buffer, int offset, int length) throws IOException {
        start();
        return in.read(buffer, offset, length);
    }

    @Override
    public int read() throws IOException {
        start();
        return in.read();
    }

    private void start() throws IOException {
        if (!started) {
            started = true;
            int first = in.read();
            if (first >= 0 && first != MARK) {
                ((PushbackReader) in).unread(first);
            }
        }
    }
}
