package org.pressboard.condition;

import java.time.LocalDate;
import java.util.Optional;

/** From where a condition is looked at: which day it is, and who looks. */
public record Standpoint(LocalDate today, Onlooker who) {

    /** Where it is all the same: nobody looks, on no day in particular. */
    public static final Standpoint NOBODY = new Standpoint(LocalDate.EPOCH, Onlooker.NOBODY);

    /** Whoever has that address, of whom nothing else is known. */
    public Standpoint(LocalDate today, String email) {
        this(today, new Onlooker(email, "", null));
    }

    public Optional<String> visitorEmail() {
        return Optional.ofNullable(who.email());
    }
}
