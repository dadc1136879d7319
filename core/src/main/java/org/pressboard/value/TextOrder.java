package org.pressboard.value;

import com.ibm.icu.text.Collator;
import com.ibm.icu.util.ULocale;
import java.util.Comparator;
import java.util.Locale;

/**
 * The order in which people of a language look texts up: the Unicode collation order with the language's own
 * rules (Unicode Technical Standard 10, rules of CLDR). Texts that this order does not tell apart follow by code
 * point, as PostgreSQL does with its deterministic collations. Safe for use by several threads.
 */
public final class TextOrder implements Comparator<String> {

    private final Collator collator;

    private TextOrder(Collator collator) {
        this.collator = collator;
    }

    public static TextOrder of(Locale language) {
        return new TextOrder(Collator.getInstance(ULocale.forLocale(language)).freeze());
    }

    @Override
    public int compare(String one, String other) {
        int order = collator.compare(one, other);
        return order != 0 ? order : one.compareTo(other);
    }
}
