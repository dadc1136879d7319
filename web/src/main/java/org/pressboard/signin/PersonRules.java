package org.pressboard.signin;

import com.nulabinc.zxcvbn.Zxcvbn;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.pressboard.catalog.Accounts;
import org.pressboard.mail.Letter;
import org.pressboard.value.Folding;
import org.pressboard.value.MailAddress;

/** What is asked of names, addresses and passwords of those who are to sign in. What is wrong is said as message codes. */
public final class PersonRules {

    private static final int SHORTEST_PASSWORD = 10;

    /** What lies behind them would not count (bcrypt). */
    private static final int LONGEST_PASSWORD_BYTES = 72;

    /** Of 0 to 4: what takes fewer than a hundred million guesses, such as well-known passwords, is not taken. */
    private static final int EASIEST = 2;

    private static final int SHORTEST_WORD = 3;

    private static final Zxcvbn GUESSING = new Zxcvbn();
    private static final int LONGEST_NAME = 100;
    private static final Pattern CONTROL = Pattern.compile("\\p{Cntrl}");

    private PersonRules() {
    }

    static List<String> problems(String name, String email, String password) {
        List<String> problems = new ArrayList<>(ofName(name));
        problems.addAll(ofEmail(email));
        problems.addAll(ofPassword(password, name, email));
        return problems;
    }

    public static List<String> ofName(String name) {
        boolean isName = !name.isBlank() && name.length() <= LONGEST_NAME && !CONTROL.matcher(name).find();
        return isName ? List.of() : List.of("welcome.no-name");
    }

    public static List<String> ofEmail(String email) {
        return Letter.isAddress(Accounts.normal(email)) && !MailAddress.isMisleading(email) ? List.of() : List.of("welcome.no-email");
    }

    /** @param known what others know of whoever chooses it, which it must not rest on */
    static List<String> ofPassword(String password, String... known) {
        if (password.length() < SHORTEST_PASSWORD) {
            return List.of("welcome.short-password");
        }
        if (password.getBytes(StandardCharsets.UTF_8).length > LONGEST_PASSWORD_BYTES) {
            return List.of("welcome.long-password");
        }
        List<String> words = Stream.of(known).flatMap(text -> Stream.of(text.split("[\\s@._-]+"))).toList();
        return isEasy(password, words) || isMadeOf(words, password) ? List.of("welcome.easy-password") : List.of();
    }

    private static boolean isEasy(String password, List<String> words) {
        return GUESSING.measure(password, words).getScore() < EASIEST;
    }

    /** What is left without the words that are known is all that must be guessed. */
    private static boolean isMadeOf(List<String> words, String password) {
        String left = Folding.fold(password);
        for (String word : words.stream().map(Folding::fold).filter(word -> word.length() >= SHORTEST_WORD)
                .sorted(Comparator.comparingInt(String::length).reversed()).toList()) {
            left = left.replace(word, "");
        }
        return left.length() < Folding.fold(password).length() && (left.isEmpty() || isEasy(left, words));
    }
}
