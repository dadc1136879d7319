package org.pressboard.wiring;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStreamReader;
import java.io.Reader;
import java.nio.charset.StandardCharsets;
import java.util.Objects;
import java.util.ArrayList;
import java.util.List;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Stream;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Attribute;
import org.jsoup.nodes.Element;
import org.jsoup.nodes.TextNode;
import org.jsoup.parser.Parser;
import java.util.Properties;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** Everything that is said is there in every language, with the same places for details, and in the bundles alone. */
class MessagesTest {

    private static final Set<String> PUT = Set.of("th:text", "th:utext", "th:replace", "th:insert");
    private static final Set<String> SAID = Set.of("aria-label", "placeholder", "title", "alt", "label", "data-label", "data-title");
    private static final Set<String> DRAWN = Set.of("th:text", "th:aria-label", "th:placeholder", "th:title", "th:label", "th:data-label");
    private static final Pattern WORD = Pattern.compile("\\p{L}{2}");
    private static final Pattern PIPED = Pattern.compile("\\|([^|]*)\\|");

    /** What an expression comes to, or a part of it, that is neither a key, which has a dot, nor the end of one. */
    private static final Pattern QUOTED = Pattern.compile("(?:[?:+] |\\{)'([^'.]*)'");
    private static final Pattern PHRASE = Pattern.compile("\\p{L}\\p{Ll}");

    @Test
    void germanSaysWhatEnglishSays() throws IOException {
        Properties english = read("/messages.properties");
        Properties german = read("/messages_de.properties");
        assertThat(german.stringPropertyNames()).containsExactlyInAnyOrderElementsOf(english.stringPropertyNames());
        for (String key : english.stringPropertyNames()) {
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

    /**
     * Words in a template beside the bundles would be said in one language only. What stands in an element whose text is put
     * there when it is drawn is for whoever reads the template.
     */
    @Test
    void noTemplateHasWordsOfItsOwn() throws IOException {
        List<String> found = new ArrayList<>();
        try (Stream<Path> templates = Files.walk(Path.of("src/main/resources/templates"))) {
            for (Path template : templates.filter(path -> path.toString().endsWith(".html") && !path.toString().contains("error/")).toList()) {
                look(template.getFileName().toString(), Jsoup.parse(Files.readString(template), "", Parser.xmlParser()), found);
            }
        }
        assertThat(found).isEmpty();
    }

    private static void look(String template, Element in, List<String> found) {
        for (Attribute attribute : in.attributes()) {
            String text = attribute.getValue();
            boolean isSaid = SAID.contains(attribute.getKey()) && WORD.matcher(text).find();
            boolean isDrawn = DRAWN.contains(attribute.getKey())
                    && (PIPED.matcher(text).results().anyMatch(piped -> WORD.matcher(piped.group(1).replaceAll("[$#]\\{[^}]*}", "")).find())
                    || QUOTED.matcher(text).results().anyMatch(quoted -> PHRASE.matcher(quoted.group(1)).find()));
            if (isSaid || isDrawn) {
                found.add(template + ": " + attribute.getKey() + "=" + text);
            }
        }
        if (PUT.stream().anyMatch(in::hasAttr)) {
            return;
        }
        in.textNodes().stream().map(TextNode::text).filter(text -> WORD.matcher(text).find()).forEach(text -> found.add(template + ": " + text.strip()));
        in.children().stream().filter(child -> !Set.of("script", "style").contains(child.tagName())).forEach(child -> look(template, child, found));
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
