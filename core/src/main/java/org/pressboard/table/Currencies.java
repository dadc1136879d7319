package org.pressboard.table;

import java.util.Currency;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;

/** The currencies that money can be of: those of ISO 4217 that have minor units or none, not metals and the like. */
public final class Currencies {

    /** Where nobody says which. */
    public static final String USUAL = "EUR";

    /** Their codes in order. */
    public static final Set<String> ALL = Currency.getAvailableCurrencies().stream()
            .filter(currency -> currency.getDefaultFractionDigits() >= 0).map(Currency::getCurrencyCode)
            .collect(Collectors.collectingAndThen(Collectors.toCollection(TreeSet::new),
                    java.util.Collections::unmodifiableSet));

    private Currencies() {
    }
}
