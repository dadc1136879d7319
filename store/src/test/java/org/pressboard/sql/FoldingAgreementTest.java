package org.pressboard.sql;

import static org.assertj.core.api.Assertions.assertThat;

import com.ibm.icu.lang.UCharacter;
import com.ibm.icu.util.VersionInfo;
import java.util.ArrayList;
import java.util.List;
import org.jooq.impl.DSL;
import org.junit.jupiter.api.Test;
import org.pressboard.testing.StoreTest;
import org.pressboard.value.Folding;

/** What is searched is folded alike in the database and in Java. */
class FoldingAgreementTest extends StoreTest {

    /** What PostgreSQL 15 knows of Unicode by itself; letters that came later are rare, and may fold otherwise. */
    private static final VersionInfo KNOWN = VersionInfo.getInstance(14, 0);

    @Test
    void everyCharacterFoldsAlike() {
        List<String> texts = new ArrayList<>();
        for (int codePoint = 1; codePoint <= Character.MAX_CODE_POINT; codePoint++) {
            boolean isSurrogate = codePoint >= Character.MIN_SURROGATE && codePoint <= Character.MAX_SURROGATE;
            VersionInfo since = UCharacter.getAge(codePoint);
            if (!isSurrogate && since.getMajor() > 0 && since.compareTo(KNOWN) <= 0) {
                texts.add("a" + Character.toString(codePoint) + "B");
            }
        }
        assertThat(texts).hasSizeGreaterThan(100_000);
        assertThat(folded(texts)).isEqualTo(texts.stream().map(Folding::fold).toList());
    }

    @Test
    void wholeTextsFoldAlike() {
        List<String> texts = List.of("Árpád Straße", "Ǆungla ǅungla ǆungla", "ΌΣΟΣ ΣΑΣ", "İIıi", "ﬁﬂ ﬀ ẞ", "e\u0301\u0327 Å",
                "ᾳ ᾼ ΐ", "plain ASCII Words", "", "שָׁלוֹם", "مُحَمَّد", "ガギグ ｶﾞ", "Łódź—ÐÞ ħŧ’‘");
        assertThat(folded(texts)).isEqualTo(texts.stream().map(Folding::fold).toList());
    }

    private List<String> folded(List<String> texts) {
        return sql.fetch("select hosted.folded(said) from unnest({0}::text[]) with ordinality as t (said, place) "
                + "order by place", DSL.val(texts.toArray(String[]::new))).map(found -> found.get(0, String.class));
    }
}
