package org.pressboard.sheet.finder;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.pressboard.rows.RowPicker;
import org.pressboard.stand.Asking;
import org.pressboard.table.Referring;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Value;

/** Finds the rows that a field can be narrowed by, as far as the visitor sees them. For one request. */
public final class Picks {

    private final Asking asking;
    private final RowPicker picker;
    private final Map<FieldKey, List<Value.Referred>> named = new HashMap<>();

    public Picks(Asking asking, RowPicker picker) {
        this.asking = asking;
        this.picker = picker;
    }

    List<Value.Referred> find(Referring type, String called) {
        return picker.find(asking.sight().of(type.to()), asking.visitor(), asking.standpoint(), called, asking.language());
    }

    /** The rows that a field is narrowed to, by what they are called; the menu and the chips both tell them. */
    public List<Value.Referred> picked(FieldKey field, Referring type) {
        return named.computeIfAbsent(field, key -> picker.headings(asking.sight().of(type.to()), asking.visitor(),
                asking.standpoint(), asking.state().narrowingOf(key).values().stream()
                        .map(value -> ((Value.Referred) value).row()).toList()));
    }
}
