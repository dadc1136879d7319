package org.pressboard.form;

import java.time.LocalDateTime;
import java.util.Optional;
import org.pressboard.condition.Operand;
import org.pressboard.condition.Standpoint;
import org.pressboard.table.Field;
import org.pressboard.table.Temporal;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Value;

/** A field that is set when a row is sent or something is done to it, whatever anybody sends for it. */
public record Stamp(FieldKey field, Operand value) {

    /** What it is set to; today is the moment where a moment is kept. */
    public Optional<Value> on(Field of, Standpoint standpoint, LocalDateTime moment) {
        boolean isMoment = of.type() instanceof Temporal.DateTime && value instanceof Operand.Today(int on) && on == 0;
        return isMoment ? Optional.of(Value.of(moment)) : value.resolve(standpoint);
    }
}
