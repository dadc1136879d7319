package org.pressboard.condition;

import java.util.Optional;
import org.pressboard.value.Value;

/** What a field is compared with. */
public sealed interface Operand {

    /** A value that never changes. */
    record Fixed(Value value) implements Operand {
    }

    /** The e-mail address of whoever looks; absent for those who are not signed in. */
    record OfVisitor() implements Operand {
    }

    /** Today, so many days on (negative: back). */
    record Today(int daysOn) implements Operand {
    }

    /** The value it stands for; empty where there is none. */
    default Optional<Value> resolve(Standpoint standpoint) {
        return switch (this) {
            case Fixed fixed -> Optional.of(fixed.value);
            case OfVisitor ofVisitor -> standpoint.visitorEmail().map(Value::of);
            case Today today -> Optional.of(Value.of(standpoint.today().plusDays(today.daysOn)));
        };
    }
}
