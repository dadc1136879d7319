package org.pressboard.wiring;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStreamReader;
import java.io.Reader;
import java.nio.charset.StandardCharsets;
import java.util.Objects;
import java.util.Properties;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** Everything the visitors' pages say is there in every language, with the same places for details. */
class MessagesTest {

    /** Said at the desk alone, which speaks English. */
    private static final Pattern AT_THE_DESK =
            Pattern.compile("(problem\\.(file|plan|row\\.(ragged|bad-bytes|too-wide|misfit)|intake|field|table|computed|bin|undo|retype|archive|bench|grants|groups|people|members|"
                    + "not-there\\.(table|intake|row|field|person))|undo|history|act|kind|noted|measure|comparison|characters|colour|reading|line|difference|"
                    + "definition|edition|gate|sieve|choice|ticket|phrase|clause|comparing|kept-aside|kept-as|fit|delimiter|encoding|language|desk|"
                    + "grants|groups|may|log|staff|waiting|members|bench|form\\.(then|who|question)|operand|problem\\.row\\.waits-no-more|letter\\.(why|state)|problem\\.account\\.last-owner)"
                    + "(\\..*)?");

    @Test
    void germanSaysWhatEnglishSays() throws IOException {
        Properties english = read("/messages.properties");
        Properties german = read("/messages_de.properties");
        Set<String> said = english.stringPropertyNames().stream()
                .filter(key -> !AT_THE_DESK.matcher(key).matches()).collect(Collectors.toSet());
        assertThat(german.stringPropertyNames()).containsExactlyInAnyOrderElementsOf(said);
        for (String key : said) {
            assertThat(places(german.getProperty(key))).as(key).isEqualTo(places(english.getProperty(key)));
        }
    }

    /** A straight apostrophe is a sign of its own in such messages, and would swallow the places behind it. */
    @Test
    void noMessageHasAStraightApostrophe() throws IOException {
        for (String bundle : new String[] {"/messages.properties", "/messages_de.properties"}) {
            read(bundle).forEach((key, text) -> assertThat((String) text).as((String) key).doesNotContain("'"));
        }
    }

    private static Set<String> places(String text) {
        return Pattern.compile("\\{\\d}").matcher(text).results().map(place -> place.group()).collect(Collectors.toSet());
    }

    private static Properties read(String bundle) throws IOException {
        Properties properties = new Properties();
        try (Reader reader = new InputStreamReader(
                Objects.requireNonNull(MessagesTest.class.getResourceAsStream(bundle)), StandardCharsets.UTF_8)) {
            properties.load(reader);
        }
        return properties;
    }
}
