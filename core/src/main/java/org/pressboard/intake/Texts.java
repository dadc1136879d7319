package org.pressboard.intake;

import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.pressboard.table.Textual;
import org.pressboard.value.PlainForm;
import org.pressboard.value.TypedForm;
import org.pressboard.value.Value;
import org.pressboard.value.WebTexts;

/** Reads texts, and those kinds of values that are texts of a certain shape. */
final class Texts {

    private static final TypedForm PLAIN = TypedForm.of(Locale.ROOT);
    private static final Set<String> YES = Set.of("yes", "y", "true", "ja", "j", "wahr");
    private static final Set<String> NO = Set.of("no", "n", "false", "nein", "falsch");

    private Texts() {
    }

    static Value any(String text) {
        return Value.of(text);
    }

    static @Nullable Value yesNo(String text) {
        if (text.length() > 8) {
            return null;
        }
        String word = text.toLowerCase(Locale.ROOT);
        if (YES.contains(word)) {
            return Value.of(true);
        }
        return NO.contains(word) ? Value.of(false) : null;
    }

    static @Nullable Value email(String text) {
        return WebTexts.isEmail(text) ? Value.of(text) : null;
    }

    static @Nullable Value phone(String text) {
        return new Textual.Phone().readTyped(text, PLAIN).orElse(null);
    }

    static @Nullable Value several(String text) {
        List<Value> values = PlainForm.parts(text).stream().<Value>map(Value::of).toList();
        return values.isEmpty() ? null : new Value.Several(values);
    }

    static @Nullable Value file(String text) {
        return text.isBlank() || text.lines().count() > 1 ? null : new Value.Attachment("", text.strip());
    }

    static @Nullable Value files(String text) {
        List<Value> values = PlainForm.parts(text).stream().<Value>map(name -> new Value.Attachment("", name)).toList();
        return values.isEmpty() ? null : new Value.Several(values);
    }

    static @Nullable Value link(String text) {
        return WebTexts.isLink(text) ? Value.of(text) : null;
    }
}
