package org.pressboard.control;

import java.util.function.UnaryOperator;
import org.pressboard.value.PlainForm;
import org.pressboard.value.Value;

/** Files as forms carry them along, sealed, so that nobody sends the name of a file that somebody else has brought. */
public record SealedFiles(UnaryOperator<String> seal) {

    public String carried(Value.Attachment file) {
        return seal.apply(PlainForm.write(file));
    }
}
