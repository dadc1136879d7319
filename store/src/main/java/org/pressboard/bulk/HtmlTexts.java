package org.pressboard.bulk;

import java.util.Set;
import org.commonmark.node.BlockQuote;
import org.commonmark.node.BulletList;
import org.commonmark.node.Code;
import org.commonmark.node.Document;
import org.commonmark.node.Emphasis;
import org.commonmark.node.FencedCodeBlock;
import org.commonmark.node.HardLineBreak;
import org.commonmark.node.Heading;
import org.commonmark.node.Link;
import org.commonmark.node.ListBlock;
import org.commonmark.node.ListItem;
import org.commonmark.node.Node;
import org.commonmark.node.OrderedList;
import org.commonmark.node.Paragraph;
import org.commonmark.node.StrongEmphasis;
import org.commonmark.node.Text;
import org.commonmark.node.ThematicBreak;
import org.commonmark.renderer.markdown.MarkdownRenderer;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Element;
import org.jsoup.nodes.TextNode;
import org.jspecify.annotations.Nullable;

/**
 * HTML as CommonMark: paragraphs, headings, lists, quotations, links, strong and emphatic words. Of all other tags what is
 * said between them stays; scripts and styles say nothing. How blanks collapse is that of HTML (WHATWG, "white space").
 */
final class HtmlTexts {

    private static final MarkdownRenderer RENDERER = MarkdownRenderer.builder().build();
    private static final Set<String> SILENT = Set.of("script", "style", "template", "head", "title", "noscript");

    private HtmlTexts() {
    }

    static String commonMark(String html) {
        Document document = new Document();
        blocks(Jsoup.parseBodyFragment(html).body(), document);
        return RENDERER.render(document).strip();
    }

    /** What stands between blocks is paragraphs. */
    private static void blocks(Element from, Node to) {
        Node paragraph = new Paragraph();
        for (org.jsoup.nodes.Node child : from.childNodes()) {
            if (child instanceof Element element && isBlock(element)) {
                end(paragraph, to);
                paragraph = new Paragraph();
                block(element, to);
            } else {
                inline(child, paragraph);
            }
        }
        end(paragraph, to);
    }

    private static boolean isBlock(Element element) {
        return (element.isBlock() && !element.tagName().equals("br")) || element.tagName().equals("hr");
    }

    /** Blanks alone make no paragraph, nor do blanks around one show. */
    private static void end(Node paragraph, Node to) {
        trim(paragraph.getFirstChild(), true);
        trim(paragraph.getLastChild(), false);
        if (paragraph.getFirstChild() != null) {
            to.appendChild(paragraph);
        }
    }

    private static void trim(@Nullable Node end, boolean isFirst) {
        if (end instanceof Text text) {
            text.setLiteral(isFirst ? text.getLiteral().stripLeading() : text.getLiteral().stripTrailing());
            if (text.getLiteral().isEmpty()) {
                text.unlink();
            }
        } else if (end instanceof HardLineBreak) {
            end.unlink();
        }
    }

    private static void block(Element element, Node to) {
        switch (element.tagName()) {
            case "h1", "h2", "h3", "h4", "h5", "h6" -> heading(element, to);
            case "ul" -> items(element, to, new BulletList());
            case "ol" -> items(element, to, new OrderedList());
            case "blockquote" -> within(element, to, new BlockQuote());
            case "hr" -> to.appendChild(new ThematicBreak());
            case "pre" -> {
                FencedCodeBlock code = new FencedCodeBlock();
                code.setFenceCharacter("`");
                code.setLiteral(element.wholeText());
                to.appendChild(code);
            }
            default -> {
                if (!SILENT.contains(element.tagName())) {
                    blocks(element, to);
                }
            }
        }
    }

    private static void heading(Element element, Node to) {
        Heading heading = new Heading();
        heading.setLevel(element.tagName().charAt(1) - '0');
        inlines(element, heading);
        end(heading, to);
    }

    /** What stands in a list and is no item is one. */
    private static void items(Element list, Node to, ListBlock made) {
        made.setTight(true);
        for (org.jsoup.nodes.Node child : list.childNodes()) {
            if (child instanceof Element item && item.tagName().equals("li")) {
                within(item, made, new ListItem());
            } else {
                within(new Element("li").appendChild(child.clone()), made, new ListItem());
            }
        }
        if (made.getFirstChild() != null) {
            to.appendChild(made);
        }
    }

    private static void within(Element element, Node to, Node made) {
        blocks(element, made);
        if (made.getFirstChild() != null) {
            to.appendChild(made);
        }
    }

    private static void inlines(Element from, Node to) {
        from.childNodes().forEach(child -> inline(child, to));
    }

    private static void inline(org.jsoup.nodes.Node node, Node to) {
        if (node instanceof TextNode text) {
            text(text.text(), to);
        } else if (node instanceof Element element && !SILENT.contains(element.tagName())) {
            switch (element.tagName()) {
                case "br" -> to.appendChild(new HardLineBreak());
                case "b", "strong" -> between(element, to, new StrongEmphasis());
                case "i", "em" -> between(element, to, new Emphasis());
                case "code" -> to.appendChild(new Code(element.text()));
                case "a" -> between(element, to, element.attr("href").isBlank() ? null : new Link(element.attr("href").strip(), null));
                default -> inlines(element, to);
            }
        }
    }

    private static void text(String text, Node to) {
        boolean isAfterBlank = switch (to.getLastChild()) {
            case null -> true;
            case HardLineBreak end -> true;
            case Text before -> before.getLiteral().endsWith(" ");
            default -> false;
        };
        String shown = isAfterBlank ? text.stripLeading() : text;
        if (!shown.isEmpty()) {
            to.appendChild(new Text(shown));
        }
    }

    /** Marks with nothing between them are none, and what they stand around begins and ends with something. */
    private static void between(Element element, Node to, @Nullable Node made) {
        if (made == null) {
            inlines(element, to);
            return;
        }
        String all = element.wholeText();
        if (all.isBlank()) {
            text(all.isEmpty() ? "" : " ", to);
            return;
        }
        if (Character.isWhitespace(all.charAt(0))) {
            text(" ", to);
        }
        inlines(element, made);
        trim(made.getLastChild(), false);
        to.appendChild(made);
        if (Character.isWhitespace(all.charAt(all.length() - 1))) {
            to.appendChild(new Text(" "));
        }
    }
}
