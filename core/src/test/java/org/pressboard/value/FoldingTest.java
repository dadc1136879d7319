package org.pressboard.value;

import static org.assertj.core.api.Assertions.assertThat;

import com.ibm.icu.lang.UCharacter;
import java.text.Normalizer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FoldingTest {

    @ParameterizedTest
    @CsvSource({
        "Árpád, arpad", "Straße, strasse", "STRASSE, strasse", "GRÜẞE, grusse", "Łódź, lodz", "Ærø, aero",
        "İstanbul, istanbul", "ısı, isi", "ΣΊΣΥΦΟΣ, σισυφοσ", "Ёлка, елка", "ﬁne, fine", "Ⅷ, viii", "ｆｕｌｌ, full",
        "dʼor, dʼor", "l’œuf, l'oeuf", "한국, 한국", "가, 가", "がか, がか", "हिंदी, हिंदी"})
    void lettersThatPeopleTakeForTheSameAreTheSame(String text, String folded) {
        assertThat(Folding.fold(text)).isEqualTo(folded);
    }

    @Test
    void foldingAgainChangesNothing() {
        for (int codePoint = 0; codePoint <= Character.MAX_CODE_POINT; codePoint++) {
            if (isLetter(codePoint)) {
                String folded = Folding.fold(Character.toString(codePoint));
                assertThat(Folding.fold(folded)).as(Integer.toHexString(codePoint)).isEqualTo(folded);
            }
        }
    }

    /**
     * Unicode's own case folding, in full (CaseFolding.txt, as ICU carries it): what it makes the same is the same here.
     * The Greek iota below a letter it makes a letter, where people leave it out.
     */
    @Test
    void whatUnicodeFoldsIsTheSame() {
        for (int codePoint = 0; codePoint <= Character.MAX_CODE_POINT; codePoint++) {
            if (isLetter(codePoint) && !Normalizer.normalize(Character.toString(codePoint), Normalizer.Form.NFD)
                    .contains("\u0345")) {
                String letter = Character.toString(codePoint);
                assertThat(Folding.fold(UCharacter.foldCase(letter, true))).as(Integer.toHexString(codePoint))
                        .isEqualTo(Folding.fold(letter));
            }
        }
    }

    private static boolean isLetter(int codePoint) {
        return Character.isDefined(codePoint) && !(codePoint >= Character.MIN_SURROGATE
                && codePoint <= Character.MAX_SURROGATE) && Character.isLetter(codePoint);
    }
}
