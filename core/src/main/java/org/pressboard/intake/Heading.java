package org.pressboard.intake;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * The heading of a column.
 *
 * @param written as it stands in the file, shortened; empty where there is none
 * @param label   the name that a field could have by it, which no other column's is
 */
public record Heading(String written, String label) {

    private static final int LONGEST = 100;

    /** Headings for the columns of a first record, or for as many columns without any. */
    static List<Heading> of(List<String> first, boolean headed) {
        Set<String> taken = new HashSet<>();
        List<Heading> headings = new ArrayList<>();
        for (String text : first) {
            String written = headed ? BadBytes.shown(text) : "";
            String plain = written.strip().replaceAll("\\s+", " ");
            String label = plain.isEmpty() ? "Column " + (headings.size() + 1) : shortened(plain);
            headings.add(new Heading(Fit.Example.shortened(written), unique(label, taken)));
        }
        return headings;
    }

    private static String unique(String label, Set<String> taken) {
        String unique = label;
        for (int number = 2; !taken.add(unique); number++) {
            unique = label + " " + number;
        }
        return unique;
    }

    private static String shortened(String label) {
        return label.length() <= LONGEST ? label : label.substring(0, LONGEST - 1) + "…";
    }
}
