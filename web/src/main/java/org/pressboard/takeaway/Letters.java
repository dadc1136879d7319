package org.pressboard.takeaway;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.function.IntPredicate;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import org.apache.fontbox.ttf.CmapLookup;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import org.springframework.util.function.SingletonSupplier;

/**
 * The letters that can be printed: those of the fonts that ship with the application, and of one more where the machine has
 * it. That one has those of Chinese, Japanese and Korean, which weigh more than all others together.
 */
final class Letters {

    private final List<CmapLookup> shipped = List.of(letters(open("hanken.ttf")), letters(open("other.ttf")));
    private final Optional<Path> further;
    private final Supplier<CmapLookup> ofFurther;

    /** @param further a file; where there is none, its letters are missing */
    Letters(Path further) {
        this.further = Optional.of(further).filter(Files::isReadable);
        this.ofFurther = SingletonSupplier.of(() -> letters(read(further)));
    }

    static InputStream open(String font) {
        return Objects.requireNonNull(Letters.class.getResourceAsStream("/fonts/" + font), font);
    }

    /** The same as it is printed with: a joined letter such as ﬀ is none that a text could be searched or copied by. */
    static InputStream unjoined(String font) {
        try (InputStream in = open(font)) {
            return new ByteArrayInputStream(Ligatures.without(in.readAllBytes()));
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    private static InputStream read(Path font) {
        try {
            return Files.newInputStream(font);
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    private static CmapLookup letters(InputStream font) {
        try (font) {
            return new TTFParser().parse(new RandomAccessReadBuffer(font)).getUnicodeCmapLookup();
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    /** The font that does not ship. */
    Optional<Path> further() {
        return further;
    }

    /** Those of a text that none of the shipped fonts has, each once. */
    String beyond(String text) {
        return those(text, each -> !Character.isISOControl(each)
                && shipped.stream().allMatch(font -> font.getGlyphId(each) == 0));
    }

    /** Those {@link #beyond beyond the shipped fonts} that no font has. */
    String missing(String beyond) {
        return further.isEmpty() ? beyond : those(beyond, each -> ofFurther.get().getGlyphId(each) == 0);
    }

    private static String those(String text, IntPredicate which) {
        return text.codePoints().distinct().filter(which).mapToObj(Character::toString).collect(Collectors.joining());
    }
}
