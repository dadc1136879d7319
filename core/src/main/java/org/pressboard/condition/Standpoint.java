package org.pressboard.condition;

import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Row;
import org.pressboard.value.Value;

/**
 * From where something is looked at: all that an {@link Operand} may take something of, and nothing else brings any of it.
 *
 * @param who    whoever looks
 * @param moment when, by the site's clock
 * @param page   on which page; {@code null}: on none
 * @param open   the row that is open, or that a button is pressed at; {@code null}: none
 * @param dials  what the dials of the page are set to, by their names
 * @param referred what the rows have to which references of the row at hand lead, by the way to it
 */
public record Standpoint(Onlooker who, LocalDateTime moment, @Nullable OnPage page, @Nullable Row open,
                         Map<String, Value> dials, Map<FieldKey, Value> referred) {

    /** Where it is all the same: nobody looks, on no day in particular. */
    public static final Standpoint NOBODY = of(Onlooker.NOBODY, LocalDate.EPOCH.atStartOfDay());

    /** What the page is called, and its address. */
    public record OnPage(String title, String address) {
    }

    public Standpoint {
        dials = Map.copyOf(dials);
        referred = Map.copyOf(referred);
    }

    /** On no page, with nothing open. */
    public static Standpoint of(Onlooker who, LocalDateTime moment) {
        return new Standpoint(who, moment, null, null, Map.of(), Map.of());
    }

    public static Standpoint of(Onlooker who, LocalDate day) {
        return of(who, day.atStartOfDay());
    }

    public Standpoint on(@Nullable OnPage other) {
        return new Standpoint(who, moment, other, open, dials, referred);
    }

    public Standpoint at(@Nullable Row row) {
        return new Standpoint(who, moment, page, row, dials, referred);
    }

    public Standpoint turning(Map<String, Value> set) {
        return new Standpoint(who, moment, page, open, set, referred);
    }

    public Standpoint referring(Map<FieldKey, Value> found) {
        return new Standpoint(who, moment, page, open, dials, found);
    }

    public LocalDate today() {
        return moment.toLocalDate();
    }

    public Optional<String> visitorEmail() {
        return Optional.ofNullable(who.email());
    }

    /** The same at the beginning of its day: which rows are meant is the same all day. */
    public Standpoint allDay() {
        return moment.equals(today().atStartOfDay()) ? this : new Standpoint(who, today().atStartOfDay(), page, open, dials, referred);
    }

    /** As much of it as something depends on that takes from these origins; alike for all for whom it is the same. */
    public Standpoint asFarAs(Set<Operand.Origin> origins) {
        return new Standpoint(origins.contains(Operand.Origin.VISITOR) ? who : Onlooker.NOBODY,
                (origins.contains(Operand.Origin.CLOCK) ? today() : LocalDate.EPOCH).atStartOfDay(),
                origins.contains(Operand.Origin.PAGE) ? page : null, origins.contains(Operand.Origin.OPEN) ? open : null,
                origins.contains(Operand.Origin.DIAL) ? dials : Map.of(), origins.contains(Operand.Origin.REFERRED) ? referred : Map.of());
    }

    /** What the page is called, or its address. */
    Optional<Value> page(Operand.PagePart part) {
        return Optional.ofNullable(page).map(on -> Value.of(part == Operand.PagePart.TITLE ? on.title : on.address));
    }

    /** What the open row has there, where that is one value. */
    Optional<Value> open(FieldKey field) {
        return Optional.ofNullable(open).flatMap(row -> row.find(field)).filter(value -> !(value instanceof Value.Several));
    }

    /** What a dial is set to. */
    Optional<Value> dial(String name) {
        return Optional.ofNullable(dials.get(Objects.requireNonNull(name)));
    }
}
