package org.pressboard.drawing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import org.pressboard.memory.Budget;
import org.thymeleaf.spring6.SpringTemplateEngine;
import org.thymeleaf.templateresolver.StringTemplateResolver;

class DrawnOnceTest {

    private static final String TEMPLATE =
            "<p th:text=\"${counted.next()}\"></p><b th:each=\"each : ${names}\" th:text=\"${each}\"></b>"
                    + "<i th:data-at=\"${at}\" th:utext=\"${inside}\"></i>";

    /** Tells how often it has been drawn. */
    public static final class Counted {

        private final AtomicInteger drawn = new AtomicInteger();

        public int next() {
            return drawn.incrementAndGet();
        }
    }

    private final Counted counted = new Counted();
    private final DrawnOnce drawing = new DrawnOnce(engine(), new Budget(512L * 1024 * 1024));

    private static SpringTemplateEngine engine() {
        SpringTemplateEngine engine = new SpringTemplateEngine();
        engine.setTemplateResolver(new StringTemplateResolver());
        return engine;
    }

    private String draw(List<String> names, Locale language, String at, String inside) {
        StringBuilder html = new StringBuilder();
        drawing.draw(html, TEMPLATE, Map.of("counted", counted, "names", names), language,
                Map.of("at", gap -> gap.append(at), "inside", gap -> gap.append(inside)));
        return html.toString();
    }

    @Test
    void whatIsTheSameIsDrawnOnceAndTheGapsAreFilledEachTime() {
        assertThat(draw(List.of("Ada"), Locale.UK, "1", "<u>x</u>"))
                .isEqualTo("<p>1</p><b>Ada</b><i data-at=\"1\"><u>x</u></i>");
        assertThat(draw(List.of("Ada"), Locale.UK, "2", "y")).isEqualTo("<p>1</p><b>Ada</b><i data-at=\"2\">y</i>");
    }

    @Test
    void whatDiffersIsDrawnForItself() {
        draw(List.of("Ada"), Locale.UK, "1", "x");
        assertThat(draw(List.of("Bo"), Locale.UK, "1", "x")).startsWith("<p>2</p><b>Bo</b>");
        assertThat(draw(List.of("Ada"), Locale.GERMANY, "1", "x")).startsWith("<p>3</p>");
    }

    @Test
    void aTextOfAnOwnersIsNoGapWhateverItSays() {
        assertThat(draw(List.of("${at} gap-at; <i>"), Locale.UK, "1", "x")).contains("<b>${at} gap-at; &lt;i&gt;</b>");
    }

    @Test
    void whatFillsAGapIsNotTakenForAnother() {
        String once = draw(List.of("Ada"), Locale.UK, "1", "x");
        assertThat(draw(List.of("Ada"), Locale.UK, "1", once)).isEqualTo(once.replace(">x<", ">" + once + "<"));
    }
}
