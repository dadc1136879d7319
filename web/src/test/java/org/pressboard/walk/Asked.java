package org.pressboard.walk;

import java.util.List;
import java.util.random.RandomGenerator;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Operand;
import org.pressboard.condition.Operator;
import org.pressboard.table.Field;
import org.pressboard.table.Numeric;
import org.pressboard.table.Table;
import org.pressboard.table.Temporal;
import org.pressboard.table.Textual;
import org.pressboard.value.Value;

/** What is asked of a table's rows, at random. */
final class Asked {

    static final List<String> WORDS = List.of("plum", "pear", "3", "2026-11-30", "yes", "4.5", "", "%_'\"\\", "<i>", "Äpfel");

    private Asked() {
    }

    static Condition condition(Table table, RandomGenerator random) {
        Condition asked = ask(pick(table.fields().all(), random), random);
        return random.nextInt(3) == 0 ? asked.not() : asked;
    }

    /** What row security can ask of a row alone. */
    static Condition askable(Table table, RandomGenerator random) {
        return ask(pick(table.entered(), random), random);
    }

    static Condition ask(Field field, RandomGenerator random) {
        return switch (field.type()) {
            case Textual text -> Condition.compare(field.key(), Operator.DIFFERS, Value.of(pick(WORDS, random)));
            case Numeric.WholeNumber number -> Condition.compare(field.key(), Operator.AT_LEAST, Value.of((long) random.nextInt(4)));
            case Temporal.Date date -> new Condition.Compare(field.key(), Operator.AT_LEAST, new Operand.Today(-random.nextInt(9)));
            default -> Condition.isEmpty(field.key()).not();
        };
    }

    static <T> T pick(List<T> of, RandomGenerator random) {
        return of.get(random.nextInt(of.size()));
    }
}
