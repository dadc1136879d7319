package org.pressboard.desk.table;

import java.util.Currency;
import java.util.List;

/** The currencies that money can be of: those of ISO 4217 that have minor units or none, not metals and the like. */
final class Currencies {

    static final String USUAL = "EUR";

    static final List<String> ALL = Currency.getAvailableCurrencies().stream()
            .filter(currency -> currency.getDefaultFractionDigits() >= 0).map(Currency::getCurrencyCode)
            .filter(code -> !code.startsWith("X")).sorted().toList();

    private Currencies() {
    }
}
