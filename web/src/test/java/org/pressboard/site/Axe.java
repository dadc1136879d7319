package org.pressboard.site;

import static java.nio.charset.StandardCharsets.UTF_8;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.Frame;
import com.microsoft.playwright.Page;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;

/**
 * What axe finds fault with, by WCAG 2.2 AA and best practice. It is asked within each frame: its own binding opens a page for
 * each answer and carries all that is well over with it, which takes five times as long.
 */
final class Axe {

    private static final String SOURCE = source();
    private static final String ASK = """
            async rules => {
              const options = {resultTypes: ['violations'], iframes: false};
              const found = await axe.run(document, rules.length ? {...options, runOnly: rules} : options);
              return found.violations.map(rule => rule.id + ': ' + rule.nodes.slice(0, 3).map(node => node.html).join(' '));
            }""";

    /** The rules that depend on how light or dark it is. */
    private static final List<String> OF_COLOUR = List.of("color-contrast", "link-in-text-block");

    private Axe() {
    }

    private static String source() {
        try (InputStream in = AxeBuilder.class.getResourceAsStream("/axe.min.js")) {
            return new String(in.readAllBytes(), UTF_8);
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    /** Each fault with up to three of its places. */
    static List<String> violations(Page page) {
        return violations(page, List.of());
    }

    /** Those of colours only. */
    static List<String> violationsOfColour(Page page) {
        return violations(page, OF_COLOUR);
    }

    private static List<String> violations(Page page, List<String> rules) {
        List<String> all = new ArrayList<>();
        for (Frame frame : page.frames()) {
            if (!(boolean) frame.evaluate("typeof axe === 'object'")) {
                frame.evaluate(SOURCE);
            }
            ((List<?>) frame.evaluate(ASK, rules)).forEach(found -> all.add(found.toString()));
        }
        return all;
    }
}
