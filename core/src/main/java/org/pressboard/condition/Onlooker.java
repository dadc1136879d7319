package org.pressboard.condition;

import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Row;
import org.pressboard.value.Value;

/**
 * Whoever looks, as far as conditions know them.
 *
 * @param email   their address, in lower case; {@code null}: they are not signed in
 * @param name    what they are called; may be empty
 * @param member  their row among the members; {@code null} where they have none
 * @param browser what their browser is called, of those who are not signed in and have sent something; {@code null}: they
 *                are, or have not
 */
public record Onlooker(@Nullable String email, String name, @Nullable Row member, @Nullable String browser) {

    public Onlooker(@Nullable String email, String name, @Nullable Row member) {
        this(email, name, member, null);
    }

    /** Somebody not signed in, told from others by their browser. */
    public static Onlooker in(String browser) {
        return new Onlooker(null, "", null, browser);
    }

    /** Somebody not signed in. */
    public static final Onlooker NOBODY = new Onlooker(null, "", null);

    /** What they have of that; of several values in a field, none is meant. */
    Optional<Value> part(Operand.OfVisitor of) {
        return switch (of.part()) {
            case EMAIL -> Optional.ofNullable(email).map(Value::of);
            case NAME -> Optional.of(name).filter(some -> !some.isEmpty()).map(Value::of);
            case ROW -> Optional.ofNullable(member).map(row -> new Value.Referred(row.id(), name));
            case FIELD -> field(Objects.requireNonNull(of.field()));
        };
    }

    /** What their row has in a field, where that is one value. */
    public Optional<Value> field(FieldKey field) {
        return Optional.ofNullable(member).flatMap(row -> row.find(field))
                .filter(value -> !(value instanceof Value.Several));
    }

    /** Whether the value is theirs: leads to their row, or is their address, in whatever case it is written. */
    boolean owns(Value value) {
        return switch (value) {
            case Value.Referred referred -> member != null && referred.row().equals(member.id());
            case Value.Text(String text) -> text.toLowerCase(java.util.Locale.ROOT).equals(email);
            default -> false;
        };
    }
}
