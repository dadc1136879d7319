package org.pressboard.condition;

import java.time.LocalDate;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** From where a condition is looked at: which day it is, and who looks ({@code null}: somebody not signed in). */
public record Standpoint(LocalDate today, @Nullable String email) {

    public Optional<String> visitorEmail() {
        return Optional.ofNullable(email);
    }
}
