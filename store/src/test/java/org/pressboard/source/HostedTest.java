package org.pressboard.source;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** Of what hosted tables are made of nobody knows the names but one class; what became of rows has tables of its own. */
class HostedTest {

    private static final Path MAIN = Path.of("src/main/java/org/pressboard");
    private static final Pattern NAMES = Pattern.compile("\"hosted(_bin|_open|_partly|_links)?\"|\\bhosted\\.[a-z]|row_id"
            + "|\"(added|changed)_(at|by)\"|\"_sender\"|\"_form\"|\"search_text\"");

    @Test
    void theNamesStandInOnePlace() throws IOException {
        try (Stream<Path> files = Files.walk(MAIN)) {
            List<String> naming = files.filter(file -> file.toString().endsWith(".java") && !file.startsWith(MAIN.resolve("history")))
                    .flatMap(HostedTest::named).toList();
            assertThat(naming).isNotEmpty().allMatch(line -> line.startsWith("Hosted.java: "));
        }
    }

    private static Stream<String> named(Path file) {
        try {
            return Files.readAllLines(file).stream().filter(line -> !line.startsWith("import ") && NAMES.matcher(line).find())
                    // a component that is called so
                    .filter(line -> !line.contains("hosted.") || line.contains("\""))
                    .map(line -> file.getFileName() + ": " + line.strip());
        } catch (IOException unreadable) {
            throw new java.io.UncheckedIOException(unreadable);
        }
    }
}
