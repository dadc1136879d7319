package org.pressboard.form;

import java.util.List;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.pressboard.table.Field;
import org.pressboard.table.Table;

/**
 * A letter that follows a form: words in which names of fields between ‹ and › stand for what was answered. Names that no
 * field has stay as they are.
 */
public record Notice(Whom whom, String subject, String text) {

    /** To whom it goes. */
    public enum Whom { SENDER, OWNER }

    public static final int LONGEST = 5_000;
    private static final Pattern BLANK = Pattern.compile("‹([^‹›]{1,100})›");

    /** The words with what was answered in place of names. */
    public static String filled(String words, Table table, Function<Field, String> answers) {
        Matcher blanks = BLANK.matcher(words);
        return blanks.replaceAll(blank -> Matcher.quoteReplacement(table.fields().stream()
                .filter(field -> field.label().equals(blank.group(1))).findFirst().map(answers).orElse(blank.group())));
    }

    /** The names in the words that no field of the table has. */
    public static List<String> unknown(String words, Table table) {
        return BLANK.matcher(words).results().map(blank -> blank.group(1))
                .filter(name -> table.fields().stream().noneMatch(field -> field.label().equals(name))).distinct().toList();
    }
}
