package org.pressboard.desk.bench;

import java.util.Locale;
import org.pressboard.rows.RowPicker;
import org.pressboard.sheet.Words;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Component;

/** How the bench says things: in English, as all of the desk, with values as the language of the site writes them. */
@Component
class BenchWords {

    private final RowPicker picker;
    private final MessageSource messages;

    BenchWords(RowPicker picker, MessageSource messages) {
        this.picker = picker;
        this.messages = messages;
    }

    Words desk() {
        return new Words(messages, Locale.UK);
    }

    /** Of conditions on the rows of a table. */
    ConditionWords conditions(Tables tables, Table table, Locale site) {
        return new ConditionWords(desk(), new Words(messages, site), picker, tables, table);
    }

    /** Of what is otherwise on one page than on another. */
    DifferenceWords differences(Tables tables, Locale site) {
        return new DifferenceWords(desk(), kept -> tables.find(kept.table()).map(table -> conditions(tables,
                tables.reaching(table, kept.rows().fields()), site).of(kept.rows())).orElse(""));
    }
}
