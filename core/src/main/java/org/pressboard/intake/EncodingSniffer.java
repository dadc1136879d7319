package org.pressboard.intake;

import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.CharBuffer;
import java.nio.charset.CharsetDecoder;
import java.nio.charset.CoderResult;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;

/**
 * Works out the encoding of a file: by its byte order mark, by where its NUL bytes stand, else by going through all of
 * its bytes. A few bytes that are not UTF-8 do not make a file another one, if more of it can be nothing else.
 */
final class EncodingSniffer {

    private static final int CHUNK = 64 * 1024;

    private record Mark(String encoding, byte... bytes) {
    }

    /** The longer ones first: that of UTF-32 begins like that of UTF-16 (Unicode Standard, 2.6). */
    private static final List<Mark> MARKS = List.of(
            new Mark("UTF-32LE", (byte) 0xFF, (byte) 0xFE, (byte) 0, (byte) 0),
            new Mark("UTF-32BE", (byte) 0, (byte) 0, (byte) 0xFE, (byte) 0xFF),
            new Mark("UTF-16LE", (byte) 0xFF, (byte) 0xFE),
            new Mark("UTF-16BE", (byte) 0xFE, (byte) 0xFF),
            new Mark("UTF-8", (byte) 0xEF, (byte) 0xBB, (byte) 0xBF));

    private final CharsetDecoder decoder = StandardCharsets.UTF_8.newDecoder()
            .onMalformedInput(CodingErrorAction.REPORT).onUnmappableCharacter(CodingErrorAction.REPORT);
    private final ByteBuffer bytes = ByteBuffer.allocate(CHUNK);
    private final CharBuffer characters = CharBuffer.allocate(CHUNK);
    private long beyondAscii;
    private long bad;

    private EncodingSniffer() {
    }

    static String encoding(FileContent content, byte[] start) throws IOException {
        for (Mark mark : MARKS) {
            if (start.length >= mark.bytes.length
                    && Arrays.equals(start, 0, mark.bytes.length, mark.bytes, 0, mark.bytes.length)) {
                return mark.encoding;
            }
        }
        String wide = wide(start);
        return wide.isEmpty() ? narrow(content) : wide;
    }

    /** UTF-16 without a mark: mostly letters whose upper byte is NUL. */
    private static String wide(byte[] start) {
        int[] nuls = new int[2];
        for (int i = 0; i < start.length; i++) {
            if (start[i] == 0) {
                nuls[i % 2]++;
            }
        }
        int many = Math.max(2, start.length / 5);
        int few = start.length / 50;
        if (Math.max(nuls[0], nuls[1]) < many || Math.min(nuls[0], nuls[1]) > few) {
            return "";
        }
        return nuls[1] > nuls[0] ? "UTF-16LE" : "UTF-16BE";
    }

    private static String narrow(FileContent content) throws IOException {
        EncodingSniffer sniffer = new EncodingSniffer();
        try (InputStream in = content.open()) {
            sniffer.goThrough(in);
        }
        return sniffer.bad == 0 || sniffer.beyondAscii >= sniffer.bad ? "UTF-8" : "windows-1252";
    }

    private void goThrough(InputStream in) throws IOException {
        int count;
        while ((count = in.read(bytes.array(), bytes.position(), bytes.remaining())) >= 0) {
            bytes.position(bytes.position() + count).flip();
            decode(false);
            bytes.compact();
        }
        bytes.flip();
        decode(true);
    }

    private void decode(boolean atEnd) {
        CoderResult result;
        do {
            characters.clear();
            result = decoder.decode(bytes, characters, atEnd);
            characters.flip();
            for (int i = 0; i < characters.length(); i++) {
                if (characters.charAt(i) >= 0x80) {
                    beyondAscii++;
                }
            }
            if (result.isError()) {
                bad++;
                bytes.position(bytes.position() + result.length());
            }
        } while (!result.isUnderflow());
    }
}
