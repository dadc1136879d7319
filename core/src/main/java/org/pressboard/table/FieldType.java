package org.pressboard.table;

import java.util.Comparator;
import java.util.Optional;
import java.util.Set;
import org.pressboard.condition.Operator;
import org.pressboard.value.PlainForm;
import org.pressboard.value.TypedForm;
import org.pressboard.value.Value;
import org.pressboard.value.WrittenForm;

/**
 * What a field may hold. Each kind knows how its values are held, read, written, compared and ordered; a further kind is
 * a record in one of the families, which the compiler does not take until it says all of that.
 */
public sealed interface FieldType permits Textual, Numeric, Temporal, FieldType.YesNo, Chosen, Referring, Attached {

    /** As what values of the kind are held. */
    enum Held { TEXT, TEXTS, WHOLE, DECIMAL, YES_NO, DATE, MOMENT, TIME, ROW, ROWS, FILE, FILES }

    Held held();

    /** Reads a value's plain form (see {@link PlainForm}); empty when the text is none. */
    Optional<Value> read(String text);

    /** Reads what somebody typed in a language, or a control sent; empty when it does not fit. */
    Optional<Value> readTyped(String text, TypedForm language);

    /** The value as people of a language read it. */
    String write(Value value, WrittenForm language);

    /** How it makes sense to compare such a field. */
    Set<Operator> comparisons();

    /** A short name of the kind for codes of messages, such as {@code whole-number}. */
    String code();

    /** The order of such values, texts as a language has them. */
    default Comparator<Value> order(Comparator<String> texts) {
        return (one, other) -> switch (one) {
            case Value.Text(String left) when other instanceof Value.Text(String right) -> texts.compare(left, right);
            case Value.Referred left when other instanceof Value.Referred right ->
                    texts.compare(left.heading(), right.heading());
            default -> one.compareWith(other);
        };
    }

    /** Whether the values are texts, so that words can be searched in them. */
    default boolean isText() {
        return false;
    }

    default boolean isNumber() {
        return this instanceof Numeric;
    }

    /** Whether a field holds several values at once. */
    default boolean isSeveral() {
        return held() == Held.TEXTS || held() == Held.ROWS || held() == Held.FILES;
    }

    /** Whether a visitor may give a range of its values. */
    default boolean hasRange() {
        return false;
    }

    /** Whether sorting by such a field helps anybody. */
    default boolean isSortable() {
        return true;
    }

    /** Whether a visitor may pick values of it (as against giving a range). */
    default boolean hasFewValues() {
        return false;
    }

    /** Yes or no. */
    record YesNo() implements FieldType {

        @Override
        public Held held() {
            return Held.YES_NO;
        }

        @Override
        public Optional<Value> read(String text) {
            return PlainForm.yesNo(text);
        }

        @Override
        public Optional<Value> readTyped(String text, TypedForm language) {
            return language.yesNo(text);
        }

        @Override
        public String write(Value value, WrittenForm language) {
            return value instanceof Value.YesNo(boolean yes) ? language.yesNo(yes) : PlainForm.write(value);
        }

        @Override
        public Set<Operator> comparisons() {
            return Operator.OF_LIKENESS;
        }

        @Override
        public String code() {
            return "yes-no";
        }

        @Override
        public boolean hasFewValues() {
            return true;
        }
    }
}
