package org.pressboard.signin;

import java.util.List;
import java.util.Map;
import org.pressboard.table.Field;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Value;

/** What somebody who becomes a member is asked for beside name, address and password, because their row requires it. */
public interface JoiningForm {

    /**
     * What was filled in.
     *
     * @param form       as it is shown again, with what is wrong beside it
     * @param isComplete whether nothing is missing or wrong
     */
    record Answers(Object form, Map<FieldKey, Value> values, boolean isComplete) {
    }

    /** The inputs, with nothing in them yet. */
    Object blank(List<Field> fields);

    Answers read(List<Field> fields, Map<String, List<String>> sent);
}
