package org.pressboard.desk.table;

import java.util.ArrayList;
import java.util.List;
import org.pressboard.desk.operand.SentTexts;
import org.springframework.util.LinkedMultiValueMap;
import org.springframework.util.MultiValueMap;

/** The lines that composed text is edited by: each a field, or words, and whether it was there when the lines were drawn. */
final class Pieces {

    static final String FIELD = "partField";
    static final String WORDS = "partWords";
    private static final String KNOWN = "partKnown";
    private static final String BLANK = " ";

    private Pieces() {
    }

    /** The same with a blank before each field that has just been chosen right behind another; whoever wants none takes it out. */
    static MultiValueMap<String, String> apart(MultiValueMap<String, String> sent) {
        int lines = sent.getOrDefault(FIELD, List.of()).size();
        List<String> fields = new ArrayList<>();
        List<String> words = new ArrayList<>();
        for (int i = 0; i < lines; i++) {
            String field = SentTexts.at(sent, FIELD, i);
            String text = field.isEmpty() ? SentTexts.at(sent, WORDS, i) : "";
            if (field.isEmpty() && text.isEmpty()) {
                continue;
            }
            boolean isFresh = SentTexts.at(sent, KNOWN, i).isEmpty();
            if (isFresh && !field.isEmpty() && !fields.isEmpty() && !fields.getLast().isEmpty()) {
                fields.add("");
                words.add(BLANK);
            }
            fields.add(field);
            words.add(text);
        }
        MultiValueMap<String, String> apart = new LinkedMultiValueMap<>(sent);
        if (lines > 0) {
            apart.put(FIELD, fields);
            apart.put(WORDS, words);
        }
        return apart;
    }
}
