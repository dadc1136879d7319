package org.pressboard.takeaway;

import com.openhtmltopdf.bidi.support.ICUBidiReorderer;
import com.openhtmltopdf.bidi.support.ICUBidiSplitter;
import com.openhtmltopdf.extend.FSStream;
import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.outputdevice.helper.ExternalResourceControlPriority;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.svgsupport.BatikSVGDrawer;
import com.openhtmltopdf.util.XRLog;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.OutputStream;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.logging.Level;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.pressboard.files.Files;
import org.pressboard.files.KeptFile;
import org.pressboard.listing.Paper;
import org.pressboard.sheet.line.FileAnswer;
import org.pressboard.sheet.line.Printed;
import org.pressboard.words.Words;
import org.unbescape.html.HtmlEscape;

/** Rows as a file to print: pages with repeated headings and numbers, with letters and pictures in it. */
final class PdfOut {

    /** What the addresses of pictures begin with, which are read here and nowhere else. */
    static final String PICTURES = "pressboard:";

    private static final Pattern PICTURE = Pattern.compile(PICTURES + "/files/[a-z0-9_]+/([0-9a-f]{64})/.*");

    private final Files files;
    private final Letters letters;

    /** @param further a font for letters that those which ship have not */
    PdfOut(Files files, Path further) {
        // it would tell of every file how it goes about it
        XRLog.listRegisteredLoggers().forEach(logger -> XRLog.setLevel(logger, Level.WARNING));
        this.files = files;
        this.letters = new Letters(further);
    }

    void write(Printed printed, Words words, OutputStream out) throws IOException {
        PdfRendererBuilder builder = new PdfRendererBuilder();
        builder.useFont(() -> Letters.unjoined("hanken.ttf"), "Hanken", 400, FontStyle.NORMAL, true);
        builder.useFont(() -> Letters.unjoined("hanken-bold.ttf"), "Hanken", 600, FontStyle.NORMAL, true);
        builder.useFont(() -> Letters.unjoined("other.ttf"), "Other", 400, FontStyle.NORMAL, true);
        builder.useFont(() -> Letters.unjoined("other-bold.ttf"), "Other", 600, FontStyle.NORMAL, true);
        String beyond = letters.beyond(printed.texts());
        if (!beyond.isEmpty()) {
            letters.further().ifPresent(font -> builder.useFont(font.toFile(), "Further"));
        }
        // texts that run from right to left stand so, their letters joined
        builder.useUnicodeBidiSplitter(new ICUBidiSplitter.ICUBidiSplitterFactory());
        builder.useUnicodeBidiReorderer(new ICUBidiReorderer());
        builder.useSVGDrawer(new BatikSVGDrawer());
        // nothing is read but the pictures of the rows
        builder.useExternalResourceAccessControl((address, type) -> PICTURE.matcher(address).matches(),
                ExternalResourceControlPriority.RUN_BEFORE_RESOLVING_URI);
        builder.useExternalResourceAccessControl((address, type) -> PICTURE.matcher(address).matches(),
                ExternalResourceControlPriority.RUN_AFTER_RESOLVING_URI);
        builder.useProtocolsStreamImplementation(address -> new Picture(picture(address)), "pressboard");
        builder.withHtmlContent(page(printed, letters.missing(beyond), words), null);
        builder.toStream(out);
        builder.run();
    }

    private byte[] picture(String address) {
        Matcher found = PICTURE.matcher(address);
        if (!found.matches()) {
            throw new IllegalArgumentException(address);
        }
        return files.thumbnail(found.group(1), FileAnswer.IN_LISTS).orElseGet(() -> whole(found.group(1)));
    }

    /** Drawings have no small copy. */
    private byte[] whole(String content) {
        KeptFile file = files.find(content).orElseThrow();
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try {
            files.write(file, bytes);
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
        return bytes.toByteArray();
    }

    private record Picture(byte[] bytes) implements FSStream {

        @Override
        public InputStream getStream() {
            return new ByteArrayInputStream(bytes);
        }

        @Override
        public Reader getReader() {
            return new InputStreamReader(getStream(), StandardCharsets.UTF_8);
        }
    }

    private String page(Printed printed, String missing, Words words) {
        StringBuilder html = new StringBuilder("<html><head><title>").append(escaped(printed.title()))
                .append("</title><style>").append(style(printed.paper())).append("</style></head><body><h1>")
                .append(escaped(printed.title())).append("</h1>");
        printed.asked().forEach(asked -> html.append("<p class=\"asked\">").append(escaped(asked)).append("</p>"));
        html.append("<p class=\"asked\">").append(escaped(printed.count())).append(", ").append(escaped(printed.day()))
                .append("</p>");
        if (!missing.isEmpty()) {
            html.append("<p class=\"asked\">").append(escaped(words.say("take-away.letters", missing.length()
                    - missing.codePoints().filter(Character::isSupplementaryCodePoint).count(), codes(missing))))
                    .append("</p>");
        }
        return html.append(printed.table()).append("</body></html>").toString();
    }

    /** Letters that cannot be drawn are told by their numbers. */
    private static String codes(String letters) {
        return String.join(", ", letters.codePoints().limit(10).mapToObj(each -> "U+%04X".formatted(each)).toList());
    }

    private static String style(Paper paper) {
        return """
                @page { size: %s %s; margin: 14mm 12mm 16mm; @bottom-right { content: counter(page) " / " counter(pages);
                  font: 8pt Hanken; color: #5f5847 } }
                body { font: 9pt/1.35 Hanken, Other, Further; color: #24211b }
                h1 { font: 600 16pt/1.2 Hanken, Other, Further; margin: 0 0 4pt }
                .asked { margin: 0 0 2pt; color: #5f5847 }
                table { width: 100%%; border-collapse: collapse; margin-top: 8pt; -fs-table-paginate: paginate }
                th { text-align: left; font-weight: 600; border-bottom: 1pt solid #24211b; padding: 3pt 7pt 3pt 0 }
                td { vertical-align: top; border-bottom: .4pt solid #d9cfb9; padding: 3pt 7pt 3pt 0 }
                .endless { word-wrap: break-word } td p { margin: 0 0 2pt }
                tr { page-break-inside: avoid }
                .number, td.number { text-align: right }
                .row-struck td { text-decoration: line-through } .row-muted td { color: #5f5847 }
                .row-bold td { font-weight: 600 }
                img { width: 28pt; height: 28pt }
                """.formatted(paper.size() == Paper.Size.A4 ? "A4" : "letter", paper.across() ? "landscape" : "portrait");
    }

    private static String escaped(String text) {
        return HtmlEscape.escapeHtml4Xml(text);
    }
}
