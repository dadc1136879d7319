package org.pressboard.bulk;

import java.io.InputStream;
import java.util.Objects;
import java.util.function.IntFunction;

/** Reads pieces of bytes one after the other as one stream; an empty piece is the end. */
final class PieceStream extends InputStream {

    private final IntFunction<byte[]> pieces;
    private byte[] piece = new byte[0];
    private int next;
    private int at;
    private boolean ended;

    PieceStream(IntFunction<byte[]> pieces) {
        this.pieces = pieces;
    }

    @Override
    public int read() {
        return fill() ? piece[at++] & 0xFF : -1;
    }

    @Override
    public int read(byte[] into, int offset, int length) {
        Objects.checkFromIndexSize(offset, length, into.length);
        if (length == 0) {
            return 0;
        }
        if (!fill()) {
            return -1;
        }
        int count = Math.min(length, piece.length - at);
        System.arraycopy(piece, at, into, offset, count);
        at += count;
        return count;
    }

    private boolean fill() {
        if (at == piece.length && !ended) {
            piece = pieces.apply(next++);
            at = 0;
            ended = piece.length == 0;
        }
        return !ended;
    }
}
