package org.pressboard.sheet.line;

import org.commonmark.node.AbstractVisitor;
import org.commonmark.node.Heading;
import org.commonmark.node.Node;
import org.commonmark.parser.Parser;
import org.commonmark.renderer.html.HtmlRenderer;
import org.owasp.html.HtmlPolicyBuilder;
import org.owasp.html.PolicyFactory;

/**
 * CommonMark as HTML that can do nothing but be read: whatever else stands in it, as HTML of its own, is shown as text or
 * left out (OWASP, "Cross Site Scripting Prevention", rule on sanitising).
 */
public final class FormattedTexts {

    private static final Parser PARSER = Parser.builder().build();
    private static final HtmlRenderer RENDERER = HtmlRenderer.builder().escapeHtml(true).build();

    private static final PolicyFactory POLICY = new HtmlPolicyBuilder()
            .allowElements("p", "br", "h1", "h2", "h3", "h4", "h5", "h6", "ul", "ol", "li", "blockquote", "pre", "code",
                    "em", "strong", "hr", "a")
            .allowAttributes("start").matching(java.util.regex.Pattern.compile("\\d{1,9}")).onElements("ol")
            .allowAttributes("href").onElements("a").allowUrlProtocols("http", "https", "mailto")
            .requireRelsOnLinks("noopener", "nofollow", "ugc")
            .toFactory();

    /** The page's title, and what stands over a part. */
    private static final int ABOVE = 2;
    private static final int LOWEST = 6;

    private FormattedTexts() {
    }

    /** The same on a page, where headings of the text stand below those of the page. */
    public static String page(String commonMark) {
        Node text = PARSER.parse(commonMark);
        text.accept(new AbstractVisitor() {
            @Override
            public void visit(Heading heading) {
                heading.setLevel(Math.min(heading.getLevel() + ABOVE, LOWEST));
            }
        });
        return html(text);
    }

    public static String html(String commonMark) {
        return html(PARSER.parse(commonMark));
    }

    private static String html(Node text) {
        return POLICY.sanitize(RENDERER.render(text));
    }
}
