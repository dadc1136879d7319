package org.pressboard.sheet;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import org.pressboard.rows.FieldCounts;
import org.pressboard.stand.Asking;
import org.pressboard.table.Field;
import org.pressboard.table.Table;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Value;
import org.pressboard.words.Words;

/** What the numbers of all rows that match come to, in words. */
final class Totals {

    private final Asking asking;
    private final FieldCounts counts;
    private final Words words;

    Totals(Asking asking, FieldCounts counts, Words words) {
        this.asking = asking;
        this.counts = counts;
        this.words = words;
    }

    private List<FieldKey> fields() {
        return asking.listing().show().totals();
    }

    /** As the sheet tells them, or where they are worked out. */
    SheetFrame.Totalled told(String address) {
        return new SheetFrame.Totalled(known().orElse(""), address);
    }

    /** If all are known without adding anything up. */
    private Optional<String> known() {
        List<Optional<Optional<BigDecimal>>> known = fields().stream().map(field -> counts.knownSum(asking.rowQuery(), field)).toList();
        return known.stream().allMatch(Optional::isPresent)
                ? Optional.of(said(field -> known.get(fields().indexOf(field)).orElseThrow())) : Optional.empty();
    }

    /** @throws org.pressboard.turn.Busy when that takes too long */
    String addedUp() {
        return said(field -> counts.sum(asking.rowQuery(), field, asking.language()));
    }

    private String said(Function<FieldKey, Optional<BigDecimal>> sums) {
        Table table = asking.table();
        return String.join("  ", fields().stream().map(key -> {
            Field field = table.field(key);
            String label = asking.listing().show().find(key).map(shown -> shown.labelOf(field)).orElse(field.label());
            return words.say("sheet.total", label, sums.apply(key).map(sum -> words.written(field, number(sum)))
                    .orElse(words.count(0)));
        }).toList());
    }

    private static Value number(BigDecimal sum) {
        return sum.stripTrailingZeros().scale() <= 0 && sum.precision() - sum.scale() < 18 ? Value.of(sum.longValue())
                : Value.of(sum);
    }
}
