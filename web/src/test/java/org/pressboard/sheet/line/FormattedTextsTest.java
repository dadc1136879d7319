package org.pressboard.sheet.line;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Locale;
import java.util.regex.Pattern;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.pressboard.sheet.line.FormattedTexts;

class FormattedTextsTest {

    /** Examples of the CommonMark specification 0.31.2 (numbers from memory): 62, 219, 236, 301, 350, 378, 482, 43. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "# foo|<h1>foo</h1>", "### foo|<h3>foo</h3>", "aaa\\n\\nbbb|<p>aaa</p> <p>bbb</p>",
        "- one\\n\\n two|<ul> <li>one</li> </ul> <p>two</p>", "- foo\\n- bar|<ul> <li>foo</li> <li>bar</li> </ul>",
        "*foo bar*|<p><em>foo bar</em></p>", "**foo bar**|<p><strong>foo bar</strong></p>", "***|<hr />",
        "> # Foo\\n> bar|<blockquote> <h1>Foo</h1> <p>bar</p> </blockquote>", "`foo`|<p><code>foo</code></p>",
        "1. a\\n2. b|<ol> <li>a</li> <li>b</li> </ol>"})
    void commonMarkBecomesItsHtml(String text, String html) {
        String written = FormattedTexts.html(text.replace("\\n", "\n"));
        assertThat(written.replaceAll(">\\s+<", "><").strip()).isEqualTo(html.replace("> <", "><"));
    }

    /** Cases of the OWASP "XSS Filter Evasion Cheat Sheet", as they would be written into a text. */
    @ParameterizedTest
    @ValueSource(strings = {"<script>alert(1)</script>", "<IMG SRC=\"javascript:alert('XSS');\">",
        "<img src=x onerror=alert(1)>", "[a](javascript:alert(1))", "[a](JaVaScRiPt:alert(1))",
        "[a](data:text/html;base64,PHNjcmlwdD4=)", "<a href=\"jav\tascript:alert('XSS');\">x</a>",
        "<svg/onload=alert(1)>", "<iframe src=javascript:alert(1)>", "![x](javascript:alert(1))",
        "<BODY ONLOAD=alert('XSS')>", "<DIV STYLE=\"background-image: url(javascript:alert('XSS'))\">",
        "[a](vbscript:msgbox(1))", "<<SCRIPT>alert(\"XSS\");//<</SCRIPT>", "[x](https://a.example/\" onclick=\"alert(1))",
        "<a href=\"&#106;&#97;&#118;&#97;&#115;cript:alert(1)\">x</a>", "<style>@import 'x';</style>",
        "<table background=\"javascript:alert(1)\">", "\\\";alert('XSS');//", "<object data=\"x\">"})
    void nothingInItRuns(String text) {
        String html = FormattedTexts.html(text).toLowerCase(Locale.ROOT);
        assertThat(Pattern.compile("<(?!/?(p|br|h[1-6]|ul|ol|li|blockquote|pre|code|em|strong|hr|a)[ >/])").matcher(html)
                .find()).as(html).isFalse();
        assertThat(Pattern.compile("<[^>]* (on\\w+|style|src)=").matcher(html).find()).as(html).isFalse();
        assertThat(Pattern.compile("href=\"(?!https?://|mailto:)").matcher(html).find()).as(html).isFalse();
    }

    @ParameterizedTest
    @CsvSource({"https://example.org/a,true", "mailto:a@example.org,true", "ftp://example.org,false"})
    void linksLeadToTheWebAndToMailAndAreFollowedByNoSearchEngine(String address, boolean leads) {
        String html = FormattedTexts.html("[x](" + address + ")");
        assertThat(html.contains("href=")).isEqualTo(leads);
        assertThat(html.contains("rel=\"noopener nofollow ugc\"")).isEqualTo(leads);
    }
}
