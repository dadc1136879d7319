package org.pressboard.sheet.finder;

import java.time.LocalDate;
import java.time.temporal.IsoFields;
import java.util.ArrayList;
import java.util.List;
import org.pressboard.condition.Operand;
import org.pressboard.listing.Narrowing;
import org.pressboard.listing.RequestState;
import org.pressboard.listing.StateAddress;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Value;
import org.pressboard.words.Words;

/** The stretches of days that people narrow to most. Weeks begin on Mondays, as ISO 8601 has it. */
public final class Spans {

    private static final int SOME_DAYS = 30;

    private final LocalDate today;
    private final Words words;

    public Spans(LocalDate today, Words words) {
        this.today = today;
        this.words = words;
    }

    /** Each with the state narrowed to it. */
    List<NarrowMenu.Span> of(FieldKey field, RequestState state, StateAddress address) {
        Narrowing now = state.narrowingOf(field);
        List<NarrowMenu.Span> spans = new ArrayList<>();
        stretches().forEach(stretch -> {
            Narrowing to = now.between(Value.of(stretch.from), Value.of(stretch.to));
            spans.add(new NarrowMenu.Span(words.say("sheet.span." + stretch.name),
                    address.write(state.narrowed(field, to.equals(now) ? now.between(null, null) : to)), to.equals(now)));
        });
        return spans;
    }

    private record Stretch(String name, LocalDate from, LocalDate to) {
    }

    private List<Stretch> stretches() {
        LocalDate quarter = today.with(IsoFields.DAY_OF_QUARTER, 1);
        return List.of(new Stretch("today", today, today), of("week", Operand.Span.WEEK), of("month", Operand.Span.MONTH),
                new Stretch("last", today.minusDays(SOME_DAYS), today), new Stretch("next", today, today.plusDays(SOME_DAYS)),
                new Stretch("quarter", quarter, quarter.plus(1, IsoFields.QUARTER_YEARS).minusDays(1)),
                of("year", Operand.Span.YEAR));
    }

    private Stretch of(String name, Operand.Span span) {
        return new Stretch(name, span.beginning(today, 0), span.beginning(today, 1).minusDays(1));
    }
}
