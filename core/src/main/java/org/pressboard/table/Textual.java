package org.pressboard.table;

import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import org.pressboard.condition.Operator;
import org.pressboard.value.MailAddress;
import org.pressboard.value.PlainForm;
import org.pressboard.value.TypedForm;
import org.pressboard.value.Value;
import org.pressboard.value.WebTexts;
import org.pressboard.value.WrittenForm;

/** Kinds of field that hold one text. */
public sealed interface Textual extends FieldType {

    /** A short text on one line. */
    record Text() implements Textual {
        @Override
        public String code() {
            return "text";
        }
    }

    /** Text of any length, with line breaks. */
    record LongText() implements Textual {
        @Override
        public String code() {
            return "long-text";
        }

        @Override
        public boolean isSortable() {
            return false;
        }
    }

    /** Text of any length in CommonMark, shown with its headings, lists and emphasis. */
    record FormattedText() implements Textual {
        @Override
        public String code() {
            return "formatted-text";
        }

        @Override
        public boolean isSortable() {
            return false;
        }
    }

    record Email() implements Textual {
        @Override
        public String code() {
            return "email";
        }

        @Override
        public Optional<Value> readTyped(String text, TypedForm language) {
            // what is not seen of an address is not meant
            return Optional.of(text.strip()).map(MailAddress::seen).filter(WebTexts::isEmail).map(Value::of);
        }
    }

    /** An address on the web, {@code http} or {@code https}. */
    record Link() implements Textual {
        @Override
        public String code() {
            return "link";
        }

        @Override
        public Optional<Value> readTyped(String text, TypedForm language) {
            return Optional.of(text.strip()).filter(WebTexts::isLink).map(Value::of);
        }

        @Override
        public boolean isSortable() {
            return false;
        }
    }

    /** A telephone number as people write it: digits, a plus before them, and marks between. */
    record Phone() implements Textual {

        /** At most 15 digits (ITU-T E.164), and as few as a number within a house has. */
        private static final Pattern NUMBER = Pattern.compile("\\+?[(]?(?:\\d[ ()/.\\-]{0,3}){2,14}\\d");

        @Override
        public String code() {
            return "phone";
        }

        @Override
        public Optional<Value> readTyped(String text, TypedForm language) {
            return Optional.of(text.strip()).filter(number -> NUMBER.matcher(number).matches()).map(Value::of);
        }
    }

    @Override
    default Held held() {
        return Held.TEXT;
    }

    @Override
    default Optional<Value> read(String text) {
        return Optional.of(Value.of(text));
    }

    /** Line ends as everything but the web has them. */
    @Override
    default Optional<Value> readTyped(String text, TypedForm language) {
        return Optional.of(Value.of(text.replace("\r\n", "\n")));
    }

    @Override
    default String write(Value value, WrittenForm language) {
        return PlainForm.write(value);
    }

    @Override
    default Set<Operator> comparisons() {
        return Operator.OF_TEXTS;
    }

    @Override
    default boolean isText() {
        return true;
    }
}
