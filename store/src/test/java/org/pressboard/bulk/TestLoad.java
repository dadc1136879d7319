package org.pressboard.bulk;

import java.util.Iterator;
import java.util.List;
import java.util.UUID;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.pressboard.intake.Outcome;
import org.pressboard.table.Table;
import org.pressboard.value.Value;

/** Puts rows of tests into tables the way that files get there. */
public final class TestLoad {

    private TestLoad() {
    }

    public static void load(DSLContext sql, Table table, UUID intake, Iterator<List<@Nullable Value>> rows) {
        Iterator<Outcome> outcomes = new Iterator<>() {
            @Override
            public boolean hasNext() {
                return rows.hasNext();
            }

            @Override
            public Outcome next() {
                return new Outcome.Fits(rows.next());
            }
        };
        new TableLoad(sql, table, intake).load(outcomes, (done, aside) -> { });
    }
}
