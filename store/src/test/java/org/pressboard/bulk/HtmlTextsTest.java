package org.pressboard.bulk;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.random.RandomGenerator;
import java.util.random.RandomGeneratorFactory;
import org.commonmark.parser.Parser;
import org.commonmark.renderer.text.TextContentRenderer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class HtmlTextsTest {

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "<p>One</p><p>Two</p> | One//Two", "<b>Crisp</b> and <i>sweet</i> | **Crisp** and *sweet*",
        "<p>One<br>Two</p> | One  /Two", "<ul><li>a<li>b</ul> | - a/- b", "<h2>Store</h2>cool | ## Store//cool",
        "<a href=\"https://example.org/x\">see</a> | [see](https://example.org/x)", "<p> a <b> b </b>c</p> | a **b** c",
        "5 * 3 <i>or</i> 2_x_y | 5 \\* 3 *or* 2\\_x\\_y", "<p>1. no list</p> | 1\\. no list", "<script>alert(1)</script>ripe | ripe",
        "<p>A &amp; B &lt;c&gt;</p> | A \\& B \\<c\\>", "no tags | no tags"})
    void whatItSaysStaysAndItsTagsBecomeMarks(String html, String commonMark) {
        assertThat(HtmlTexts.commonMark(html)).isEqualTo(commonMark.replace('/', '\n').replace("https:\n\nexample.org\nx", "https://example.org/x"));
    }

    /** Whatever is between the tags, the words come out in their order, and none is taken for a mark (CommonMark 0.31.2). */
    @Test
    void noWordIsLostOrAdded() {
        List<String> words = List.of("a*b", "_c_", "1.", "#", "-", "`d`", "[e](f)", "<", "&", "apple", "\\", "!", "+", "~~", "> g");
        List<String> tags = List.of("p", "b", "i", "ul", "li", "div", "h3", "blockquote", "a", "span", "x-y");
        for (long seed = 0; seed < 400; seed++) {
            RandomGenerator random = RandomGeneratorFactory.of("L64X128MixRandom").create(seed);
            StringBuilder html = new StringBuilder();
            StringBuilder said = new StringBuilder();
            for (int i = 0; i < 12; i++) {
                if (random.nextBoolean()) {
                    html.append(random.nextBoolean() ? "<" : "</").append(tags.get(random.nextInt(tags.size()))).append('>');
                } else {
                    String word = words.get(random.nextInt(words.size()));
                    html.append(' ').append(word.replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;"));
                    said.append(word);
                }
            }
            String read = TextContentRenderer.builder().build().render(Parser.builder().build().parse(HtmlTexts.commonMark(html.toString())));
            assertThat(letters(read)).as("seed %d: %s", seed, html).isEqualTo(letters(said.toString()));
        }
    }

    /** Without what lists, quotations and headings are drawn with in plain text. */
    private static String letters(String text) {
        return text.replaceAll("[^a-z]", "");
    }
}
