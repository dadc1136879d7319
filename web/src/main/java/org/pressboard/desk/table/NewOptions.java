package org.pressboard.desk.table;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.pressboard.table.Chosen;
import org.pressboard.table.Field;
import org.pressboard.table.Table;
import org.springframework.util.MultiValueMap;

/** Options that somebody adds to a choice in passing, while they fill in a row. */
final class NewOptions {

    private static final int LONGEST = 60;

    private NewOptions() {
    }

    /** The table with its choices offering what was typed as new. */
    static Table in(Table table, MultiValueMap<String, String> parameters) {
        Table offering = table;
        for (Field field : table.entered()) {
            String added = Optional.ofNullable(parameters.getFirst("new." + field.key())).orElse("").strip();
            if (field.type() instanceof Chosen chosen && !added.isEmpty() && added.length() <= LONGEST
                    && chosen.meant(added).isEmpty()) {
                List<Chosen.Option> options = new ArrayList<>(chosen.options());
                options.add(new Chosen.Option(added, Chosen.Colour.PLAIN));
                offering = offering.changing(field.key(), each -> each.of(chosen.offering(options)));
            }
        }
        return offering;
    }
}
