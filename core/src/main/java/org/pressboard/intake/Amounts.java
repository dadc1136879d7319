package org.pressboard.intake;

import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.pressboard.table.Currencies;
import org.pressboard.table.Numeric;
import org.pressboard.value.Value;

/** Reads amounts of money with the sign or code of their currency (ISO 4217), and per cents. */
final class Amounts {

    /** What signs alone mean most often; others are known by their code. */
    private static final Map<String, String> SIGNS = Map.of("€", "EUR", "£", "GBP", "$", "USD", "¥", "JPY", "₹", "INR",
            "zł", "PLN", "Kč", "CZK", "₺", "TRY", "₩", "KRW", "₪", "ILS");

    private static final Pattern MONEY = Pattern.compile(
            "([-+]?)\\s*([^\\s\\d.,+-]{1,3})\\s*([-+]?[\\d.,]+)|([-+]?[\\d.,]+)\\s*([^\\s\\d.,+-]{1,3})");
    private static final int LONGEST = 40;

    private Amounts() {
    }

    /** The number alone; which currency it is of tells {@link #currency}. */
    static @Nullable Value money(String text, char mark, char group) {
        if (text.length() > LONGEST || isPlain(text)) {
            return null;
        }
        Matcher parts = MONEY.matcher(text);
        Optional<String> currency = parts.matches() ? currency(parts) : Optional.empty();
        if (currency.isEmpty()) {
            return null;
        }
        String number = parts.group(4) != null ? parts.group(4) : parts.group(1) + parts.group(3);
        Value amount = Numbers.decimal(number, mark, group);
        return amount != null && new Numeric.Money(currency.get()).isInMinorUnits(amount) ? amount : null;
    }

    /** The currency that an amount is of; empty where the text is none. */
    static Optional<String> currency(String text) {
        Matcher parts = MONEY.matcher(text.strip());
        return text.length() <= LONGEST && parts.matches() ? currency(parts) : Optional.empty();
    }

    private static Optional<String> currency(Matcher parts) {
        String sign = parts.group(2) != null ? parts.group(2) : parts.group(5);
        return Optional.ofNullable(SIGNS.getOrDefault(sign, Currencies.ALL.contains(sign) ? sign : null));
    }

    private static boolean isPlain(String text) {
        return Numbers.isDigit(text.charAt(0)) && Numbers.isDigit(text.charAt(text.length() - 1));
    }

    static @Nullable Value percent(String text, char mark, char group) {
        int last = text.length() - 1;
        String number = last > 0 && text.charAt(last) == '%' ? text.substring(0, last).stripTrailing() : "";
        return number.isEmpty() ? null : Numbers.decimal(number, mark, group);
    }
}
