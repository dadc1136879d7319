package org.pressboard.value;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;

/**
 * Orders of texts as published.
 *
 * @param source where
 */
public record PublishedOrder(String source, String language, List<String> texts) {

    public static final List<PublishedOrder> ALL = List.of(
            new PublishedOrder("Unicode Technical Standard 10, comparison levels, base letters", "en",
                    List.of("role", "roles", "rule")),
            new PublishedOrder("UTS 10, comparison levels, accents", "en", List.of("role", "rôle", "roles")),
            new PublishedOrder("UTS 10, comparison levels, case", "en", List.of("role", "Role", "rôle")),
            new PublishedOrder("UTS 10, accents weighed forwards", "en", List.of("cote", "coté", "côte", "côté")),
            new PublishedOrder("UTS 10, example differences, German: ö before z", "de", List.of("of", "öf", "z")),
            new PublishedOrder("UTS 10, example differences, Swedish: z before ö", "sv", List.of("of", "z", "öf")),
            new PublishedOrder("CLDR collation chart, root: base letters with their marks, then the next letter", "en",
                    List.of("a", "A", "å", "Å", "b", "ss", "ß", "z", "Z")));

    /** The texts in an order of no meaning. */
    public List<String> shuffled() {
        List<String> shuffled = new ArrayList<>(texts);
        Collections.shuffle(shuffled, new Random(7));
        return shuffled;
    }

    @Override
    public String toString() {
        return source;
    }
}
