package org.pressboard.signin;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.pressboard.catalog.Accounts;
import org.pressboard.mail.Letter;

/** What is asked of names, addresses and passwords of those who are to sign in. What is wrong is said as message codes. */
public final class PersonRules {

    private static final int SHORTEST_PASSWORD = 10;

    /** What lies behind them would not count (bcrypt). */
    private static final int LONGEST_PASSWORD_BYTES = 72;

    private static final int LONGEST_NAME = 100;
    private static final Pattern CONTROL = Pattern.compile("\\p{Cntrl}");

    private PersonRules() {
    }

    static List<String> problems(String name, String email, String password) {
        List<String> problems = new ArrayList<>(ofName(name));
        problems.addAll(ofEmail(email));
        problems.addAll(ofPassword(password));
        return problems;
    }

    public static List<String> ofName(String name) {
        boolean isName = !name.isBlank() && name.length() <= LONGEST_NAME && !CONTROL.matcher(name).find();
        return isName ? List.of() : List.of("welcome.no-name");
    }

    public static List<String> ofEmail(String email) {
        return Letter.isAddress(Accounts.normal(email)) ? List.of() : List.of("welcome.no-email");
    }

    static List<String> ofPassword(String password) {
        if (password.length() < SHORTEST_PASSWORD) {
            return List.of("welcome.short-password");
        }
        return password.getBytes(StandardCharsets.UTF_8).length > LONGEST_PASSWORD_BYTES
                ? List.of("welcome.long-password") : List.of();
    }
}
