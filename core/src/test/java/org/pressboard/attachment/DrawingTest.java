package org.pressboard.attachment;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class DrawingTest {

    private static final String OPEN = "<svg xmlns=\"http://www.w3.org/2000/svg\" "
            + "xmlns:xlink=\"http://www.w3.org/1999/xlink\" viewBox=\"0 0 9 9\">";

    private static String sanitised(String inside) {
        return new String(Drawing.sanitised((OPEN + inside + "</svg>").getBytes(UTF_8)).orElseThrow(), UTF_8);
    }

    @Test
    void shapesStayAsTheyAre() {
        String shapes = "<defs><linearGradient id=\"a\"><stop offset=\"0\" stop-color=\"#fff\"/></linearGradient></defs>"
                + "<path d=\"M0 0h9\" fill=\"url(#a)\" stroke=\"red\"/><use xlink:href=\"#b\"/>"
                + "<text x=\"1\">Äpfel &amp; Birnen</text>";
        assertThat(sanitised(shapes)).contains(shapes);
        assertThat(sanitised("<path style=\"fill: #fff; stroke:url(https://example.org/x)\"/>"))
                .contains("<path fill=\"#fff\"/>");
    }

    /** Ways by which drawings run scripts or fetch something (OWASP, XSS Filter Evasion Cheat Sheet; from memory). */
    @ParameterizedTest
    @ValueSource(strings = {
        "<script>alert(1)</script>", "<script xlink:href=\"https://example.org/a.js\"/>",
        "<rect onload=\"alert(1)\" onclick=\"alert(1)\"/>", "<a xlink:href=\"javascript:alert(1)\"><rect/></a>",
        "<foreignObject><iframe xmlns=\"http://www.w3.org/1999/xhtml\" src=\"javascript:alert(1)\"/></foreignObject>",
        "<image href=\"https://example.org/track.png\"/>",
        "<image xlink:href=\"data:image/svg+xml;base64,PHN2Zz4=\"/>",
        "<use href=\"https://example.org/a.svg#alert\"/>", "<style>@import 'https://example.org/alert.css';</style>",
        "<rect style=\"fill:url(https://example.org/alert)\"/>", "<rect fill=\"url('//example.org/alert')\"/>",
        "<set attributeName=\"onmouseover\" to=\"alert(1)\"/>",
        "<animate attributeName=\"href\" to=\"javascript:alert(1)\"/>",
        "<handler xmlns:ev=\"http://www.w3.org/2001/xml-events\" ev:event=\"load\">alert(1)</handler>",
        "<x:script xmlns:x=\"http://www.w3.org/1999/xhtml\">alert(1)</x:script>",
        "<?xml-stylesheet href=\"alert.css\"?>", "<rect style=\"fill:u\\72l(https://example.org/alert)\"/>",
        "<!-- alert -->"})
    void whatRunsOrFetchesIsLeftOut(String harm) {
        assertThat(sanitised(harm + "<path d=\"M0 0\"/>")).contains("<path d=\"M0 0\"/>")
                .doesNotContainIgnoringCase("alert").doesNotContain("example.org", "javascript", "base64");
    }

    @ParameterizedTest
    @ValueSource(strings = {
        "<!DOCTYPE svg PUBLIC \"-//W3C//DTD SVG 1.1//EN\" \"https://example.org/svg11.dtd\">",
        "<!DOCTYPE svg [<!ENTITY a \"said\"><!ENTITY b \"&a;&a;&a;\">]>",
        "<!DOCTYPE svg [<!ENTITY b SYSTEM \"file:///etc/hostname\">]>"})
    void whatStandsForSomethingElseIsNotFollowed(String type) {
        String drawing = type + OPEN + "<text>" + (type.contains("ENTITY") ? "&b;" : "") + "</text></svg>";
        assertThat(new String(Drawing.sanitised(drawing.getBytes(UTF_8)).orElseThrow(), UTF_8))
                .isEqualTo(OPEN + "<text/></svg>");
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "no drawing", "<html><body/></html>", "<svg>of no namespace</svg>",
        "<svg xmlns=\"http://www.w3.org/2000/svg\">"})
    void whatIsNoDrawingIsNone(String text) {
        assertThat(Drawing.sanitised(text.getBytes(UTF_8))).isEmpty();
    }
}
