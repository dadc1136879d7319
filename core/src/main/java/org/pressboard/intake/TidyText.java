package org.pressboard.intake;

import java.io.IOException;
import java.io.Reader;
import org.pressboard.problem.ProblemsFound;

/**
 * A text of separated values as RFC 4180 would have it: what stands behind a closing quotation mark belongs to the
 * value, marks and all ({@code "Big" Jim} is {@code "Big" Jim}), so it is quoted anew. Lines above the headings are
 * passed over. Says by the line what cannot be read: a NUL character, a quotation mark that is never closed, a value
 * without end.
 */
final class TidyText extends Reader {

    /** A longer single value is not data. */
    static final int MOST_CHARACTERS_OF_A_VALUE = 1024 * 1024;

    private static final int CHUNK = 32 * 1024;
    private static final char QUOTE = '"';

    /** Where in a value the text stands. */
    private enum At {
        /** Above the headings. */
        TOP,
        /** Before the first character of a value. */
        START,
        /** In a value without quotation marks around it. */
        BARE,
        QUOTED,
        /** Behind a mark that closes a value, or is the first of two that stand for one. */
        CLOSED,
        /** In what stands behind a closed value. */
        BEHIND
    }

    private final Reader in;
    private final char delimiter;
    private final char[] raw = new char[CHUNK];
    private final StringBuilder ready = new StringBuilder();
    private final StringBuilder value = new StringBuilder();
    private int given;
    private int topLines;
    private At at;
    private long line = 1;
    private long valueLine = 1;
    private int valueLength;
    private boolean wasReturn;
    private boolean ended;

    TidyText(Reader in, char delimiter, int topLines) {
        this.in = in;
        this.delimiter = delimiter;
        this.topLines = topLines;
        this.at = topLines > 0 ? At.TOP : At.START;
    }

    @Override
    public int read(char[] into, int offset, int length) throws IOException {
        while (given == ready.length() && !ended) {
            more();
        }
        int count = Math.min(length, ready.length() - given);
        if (count == 0) {
            return length == 0 ? 0 : -1;
        }
        ready.getChars(given, given + count, into, offset);
        given += count;
        return count;
    }

    private void more() throws IOException {
        ready.setLength(0);
        given = 0;
        int count = in.read(raw, 0, CHUNK);
        if (count < 0) {
            ended = true;
            end();
        }
        for (int i = 0; i < count; i++) {
            i += takePlain(i, count);
            if (i < count) {
                take(raw[i]);
            }
        }
    }

    /** Takes what is nothing but part of a value all at once, and says how much that was. */
    private int takePlain(int from, int to) {
        if (at != At.BARE && at != At.QUOTED) {
            return 0;
        }
        char end = at == At.BARE ? delimiter : QUOTE;
        int i = from;
        while (i < to && raw[i] != end && raw[i] != '\n' && raw[i] != '\r' && raw[i] != 0) {
            i++;
        }
        int length = i - from;
        if (length > 0) {
            wasReturn = false;
            valueLength += length;
            (at == At.BARE ? ready : value).append(raw, from, length);
            if (valueLength > MOST_CHARACTERS_OF_A_VALUE) {
                throw tooLong();
            }
        }
        return length;
    }

    private void take(char each) {
        countLines(each);
        if (each == 0) {
            throw ProblemsFound.of("file.nul", line);
        }
        switch (at) {
            case TOP -> passOver(each);
            case START -> begin(each);
            case BARE -> bare(each);
            case QUOTED -> quoted(each);
            case CLOSED -> closed(each);
            case BEHIND -> behind(each);
        }
    }

    /** A line ends with a line feed, a carriage return, or both in this order. */
    private void countLines(char each) {
        if (each == '\r' || (each == '\n' && !wasReturn)) {
            line++;
        }
        wasReturn = each == '\r';
    }

    private void passOver(char each) {
        if (line > topLines && each != '\r') {
            at = At.START;
            valueLine = line;
            if (each != '\n') {
                begin(each); // the line above ended with a mere carriage return
            }
        }
    }

    private void begin(char each) {
        valueLine = line;
        valueLength = 1;
        if (each == QUOTE) {
            value.setLength(0);
            value.append(each);
            at = At.QUOTED;
        } else {
            ready.append(each);
            at = isEnd(each) ? At.START : At.BARE;
        }
    }

    private void bare(char each) {
        ready.append(each);
        if (isEnd(each)) {
            at = At.START;
        } else if (++valueLength > MOST_CHARACTERS_OF_A_VALUE) {
            throw tooLong();
        }
    }

    private void quoted(char each) {
        value.append(each);
        if (each == QUOTE) {
            at = At.CLOSED;
        }
    }

    private void closed(char each) {
        if (each == QUOTE) {
            value.append(each);
            at = At.QUOTED;
        } else if (isEnd(each)) {
            ready.append(value).append(each);
            at = At.START;
        } else {
            ready.append(QUOTE).append(value.toString().replace("\"", "\"\""));
            at = At.BEHIND;
            behind(each);
        }
    }

    private void behind(char each) {
        if (isEnd(each)) {
            ready.append(QUOTE).append(each);
            at = At.START;
            return;
        }
        if (each == QUOTE) {
            ready.append(QUOTE);
        }
        ready.append(each);
        if (++valueLength > MOST_CHARACTERS_OF_A_VALUE) {
            throw tooLong();
        }
    }

    private void end() {
        switch (at) {
            case QUOTED -> throw ProblemsFound.of("file.unclosed-quote", valueLine);
            case CLOSED -> ready.append(value);
            case BEHIND -> ready.append(QUOTE);
            case TOP, START, BARE -> { }
        }
    }

    private ProblemsFound tooLong() {
        return ProblemsFound.of("file.value-too-long", valueLine, MOST_CHARACTERS_OF_A_VALUE);
    }

    private boolean isEnd(char each) {
        return each == delimiter || each == '\n' || each == '\r';
    }

    @Override
    public void close() throws IOException {
        in.close();
    }
}
