package org.pressboard.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * Whatever an owner may choose can be read: every colour of letters on every paper, stripe and tag, light and dark, as WCAG
 * 2.2 asks for (success criteria 1.4.3, contrast of text, and 1.4.11, of what is no text).
 */
class ContrastTest {

    private static final double OF_TEXT = 4.5;
    private static final double OF_OTHERS = 3;
    private static final Path LOOK = Path.of("front/src/look");
    private static final Pattern COLOUR = Pattern.compile("(\\.[a-z, .-]+ \\{ )?--([a-z-]+): (?:light-dark\\()?(#[0-9a-f]{6})"
            + "(?:, (#[0-9a-f]{6})\\))?;");

    /** Colours as W3C's definition of relative luminance has them; the last three from the checks of its own techniques. */
    @ParameterizedTest
    @CsvSource({"#000000, #ffffff, 21", "#ffffff, #ffffff, 1", "#777777, #ffffff, 4.48", "#767676, #ffffff, 4.54"})
    void theFormulaIsThatOfWcag(String one, String other, double ratio) {
        assertThat(contrast(one, other)).isCloseTo(ratio, within(0.005));
    }

    @Test
    void lettersCanBeReadOnWhateverTheyStand() throws IOException {
        Map<String, List<String>> colours = colours();
        List<String> papers = colours.keySet().stream().filter(name -> name.matches("color-(paper|leaf|leaf-deep|hover|warn-leaf"
                + "|good-leaf)|stripe-.*")).toList();
        assertThat(papers).hasSizeGreaterThan(9);
        for (String paper : papers) {
            for (String letters : List.of("color-ink", "color-ink-soft", "color-link")) {
                assertContrast(colours, letters, paper, OF_TEXT);
            }
        }
        List<String> tags = colours.keySet().stream().filter(name -> name.startsWith("tag-")).toList();
        assertThat(tags).hasSize(8);
        tags.forEach(tag -> assertContrast(colours, "color-ink", tag, OF_TEXT));
    }

    @Test
    void marksCanBeSeenOnEveryPaper() throws IOException {
        Map<String, List<String>> colours = colours();
        List<String> edges = colours.keySet().stream().filter(name -> name.startsWith("edge-")).toList();
        assertThat(edges).hasSize(4);
        for (String edge : edges) {
            for (String paper : colours.keySet()) {
                if (paper.equals("color-leaf") || paper.startsWith("stripe-")) {
                    assertContrast(colours, edge, paper, OF_OTHERS);
                }
            }
        }
    }

    private static void assertContrast(Map<String, List<String>> colours, String one, String other, double least) {
        for (int scheme = 0; scheme < 2; scheme++) {
            assertThat(contrast(colours.get(one).get(scheme), colours.get(other).get(scheme)))
                    .as("%s on %s, %s", one, other, scheme == 0 ? "light" : "dark").isGreaterThanOrEqualTo(least);
        }
    }

    /** The colours of the styles, light and dark; those that a class chooses by the last word of the class. */
    private static Map<String, List<String>> colours() throws IOException {
        Map<String, List<String>> colours = new TreeMap<>();
        for (String file : List.of("theme.css", "sheet.css")) {
            Matcher found = COLOUR.matcher(Files.readString(LOOK.resolve(file)));
            while (found.find()) {
                String of = found.group(1) == null ? "" : found.group(1).replaceAll(".*-([a-z]+) \\{ $", "-$1");
                List<String> both = new ArrayList<>(List.of(found.group(3)));
                both.add(found.group(4) == null ? found.group(3) : found.group(4));
                colours.put(found.group(2) + of, both);
            }
        }
        return colours;
    }

    private static double contrast(String one, String other) {
        double lighter = Math.max(luminance(one), luminance(other));
        double darker = Math.min(luminance(one), luminance(other));
        return (lighter + 0.05) / (darker + 0.05);
    }

    private static double luminance(String colour) {
        return 0.2126 * linear(colour, 1) + 0.7152 * linear(colour, 3) + 0.0722 * linear(colour, 5);
    }

    private static double linear(String colour, int at) {
        double share = Integer.parseInt(colour.substring(at, at + 2), 16) / 255.0;
        return share <= 0.04045 ? share / 12.92 : Math.pow((share + 0.055) / 1.055, 2.4);
    }
}
