package org.pressboard.intake;

import java.util.List;

/**
 * What stands above the headings of a file: a line that names the delimiter ({@code sep=;}), comment lines, blank
 * ones.
 *
 * @param lines     how many lines these are
 * @param delimiter the delimiter named there, or NUL
 * @param comment   the last of the comment lines; empty where there is none
 * @param linesAboveLastComment how many lines stand above that
 */
record Top(int lines, char delimiter, String comment, int linesAboveLastComment) {

    private static final String NAMING = "(?i)\"?sep=(.)\"?";
    private static final String COMMENT = "#";

    static Top of(String text) {
        List<String> all = text.lines().limit(Dialect.MOST_TOP + 1L).toList();
        char delimiter = 0;
        String comment = "";
        int above = 0;
        int lines = 0;
        if (all.getFirst().matches(NAMING)) {
            delimiter = all.getFirst().replaceFirst(NAMING, "$1").charAt(0);
            lines = 1;
        }
        while (lines < all.size() - 1 && (all.get(lines).isEmpty() || all.get(lines).startsWith(COMMENT))) {
            if (!all.get(lines).isEmpty()) {
                comment = all.get(lines);
                above = lines;
            }
            lines++;
        }
        // a column of nothing but such texts has no comments
        boolean isNothingElse = all.stream().skip(above).allMatch(line -> line.isEmpty() || line.startsWith(COMMENT));
        return comment.isEmpty() || !isNothingElse ? new Top(lines, delimiter, comment, above)
                : new Top(delimiter == 0 ? 0 : 1, delimiter, "", 0);
    }

    /** Whether the last comment has the headings: {@code #name,use}, as wide as the records right below it. */
    boolean isHeading(int width, char chosen) {
        boolean isRightAbove = linesAboveLastComment == lines - 1 && !comment.startsWith(COMMENT + " ");
        return isRightAbove && width > 1 && comment.chars().filter(each -> each == chosen).count() == width - 1;
    }
}
