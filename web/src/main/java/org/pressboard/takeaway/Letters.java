package org.pressboard.takeaway;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Objects;
import java.util.stream.Collectors;
import org.apache.fontbox.ttf.CmapLookup;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.pdfbox.io.RandomAccessReadBuffer;

/** The letters that can be printed: those of the fonts that ship with the application. */
final class Letters {

    private final List<CmapLookup> fonts = List.of(letters("hanken.ttf"), letters("other.ttf"));

    static InputStream open(String font) {
        return Objects.requireNonNull(Letters.class.getResourceAsStream("/fonts/" + font), font);
    }

    private static CmapLookup letters(String font) {
        try (InputStream in = open(font)) {
            return new TTFParser().parse(new RandomAccessReadBuffer(in)).getUnicodeCmapLookup();
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    /** Those of a text that no font has, each once. */
    String missing(String text) {
        return text.codePoints().distinct().filter(each -> !Character.isISOControl(each)
                        && fonts.stream().allMatch(font -> font.getGlyphId(each) == 0))
                .mapToObj(Character::toString).collect(Collectors.joining());
    }
}
