package org.pressboard.desk.operand;

import java.util.List;
import java.util.Map;

/** The texts of a form's inputs by their names; of lines of inputs, each name has one text for each line. */
public final class SentTexts {

    private SentTexts() {
    }

    /** The text of that line, from 0; nothing where none was sent. */
    public static String at(Map<String, List<String>> sent, String name, int line) {
        List<String> texts = sent.getOrDefault(name, List.of());
        return line < texts.size() && texts.get(line) != null ? texts.get(line) : "";
    }
}
