package org.pressboard.wiring;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

class TemplatesTest {

    private static final Pattern ELEMENT = Pattern.compile("<[a-z][^<>]*?(?:\"[^\"]*\"[^<>\"]*?)*>");
    private static final Pattern NAMED = Pattern.compile("th:with=\"([a-zA-Z]+)=");
    private static final Pattern ASKED_FIRST = Pattern.compile("th:(?:if|unless|each)=\"([^\"]*)\"");
    private static final Pattern CONTROL = Pattern.compile("<(?:input|select|textarea|button)\\b[^>]*\\bname=\"([^\"]+)\"");

    /** What scripts ask an element for; a control of a form that is called so is what they would get (HTML, 4.10.3). */
    private static final List<String> ASKED = List.of("form", "id", "style", "action", "method", "target", "elements", "submit",
            "requestSubmit", "reset", "closest", "matches", "children", "parentNode", "dataset", "className", "attributes");

    @Test
    void noControlStandsInTheWayOfWhatScriptsAskItsForm() throws IOException {
        for (Path template : templates()) {
            Matcher controls = CONTROL.matcher(Files.readString(template));
            while (controls.find()) {
                assertThat(ASKED).as("%s: %s", template, controls.group()).doesNotContain(controls.group(1));
            }
        }
    }

    /** Whether an element is there at all is asked before it gives anything a name (Thymeleaf's order of attributes). */
    @Test
    void nothingIsAskedOfWhatIsNamedOnlyAfterwards() throws IOException {
        for (Path template : templates()) {
            for (Matcher element = ELEMENT.matcher(Files.readString(template)); element.find();) {
                Matcher named = NAMED.matcher(element.group());
                Matcher asked = ASKED_FIRST.matcher(element.group());
                while (named.find() && asked.find()) {
                    assertThat(asked.group(1)).as("%s: %s", template, element.group())
                            .doesNotContainPattern("\\$\\{[^}]*\\b" + named.group(1) + "\\b");
                }
            }
        }
    }

    private static List<Path> templates() throws IOException {
        try (Stream<Path> templates = Files.walk(Path.of("src/main/resources/templates"))) {
            List<Path> all = templates.filter(path -> path.toString().endsWith(".html")).toList();
            assertThat(all).hasSizeGreaterThan(40);
            return all;
        }
    }
}
