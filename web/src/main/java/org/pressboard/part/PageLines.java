package org.pressboard.part;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.pressboard.control.AskedForm;
import org.pressboard.drawing.DrawnOnce;
import org.pressboard.edition.Frame;
import org.pressboard.edition.Part;
import org.pressboard.files.Files;
import org.pressboard.form.FormKey;
import org.pressboard.listing.ListingKey;
import org.pressboard.sheet.DrawnSheets;
import org.pressboard.sheet.Sheet;
import org.pressboard.sheet.line.FileAnswer;
import org.pressboard.sheet.line.FormattedTexts;
import org.pressboard.stand.OpenPage;
import org.springframework.stereotype.Component;
import org.springframework.web.util.UriUtils;

/** Draws what a page is made of, line by line: parts as wide as the page each have one, narrower ones share one. */
@Component
public class PageLines {

    private static final int TWELFTHS = Frame.Width.WHOLE.twelfths();

    private final DrawnSheets drawn;
    private final DrawnOnce once;

    PageLines(DrawnSheets drawn, DrawnOnce once) {
        this.drawn = drawn;
        this.once = once;
    }

    /**
     * One part, as it is drawn.
     *
     * @param drawing as HTML; {@code null}: it is a form, which its template draws
     */
    public record Piece(Frame.Width width, DrawnOnce.@Nullable Filling drawing, @Nullable AskedForm asked) {

        public String html() {
            return drawing == null ? "" : DrawnOnce.text(drawing);
        }

        /** The name of its width in the styles. */
        public String look() {
            return "part-" + width.twelfths();
        }
    }

    /** Parts beside each other, as many as a line has room for. */
    public record Line(List<Piece> pieces) {

        public boolean isWhole() {
            return pieces.size() == 1 && pieces.getFirst().width == Frame.Width.WHOLE;
        }
    }

    /**
     * The lines of a page for whoever looks.
     *
     * @param sheets its listings; those that are not among them are left out, as are forms
     */
    public List<Line> lines(OpenPage on, Map<ListingKey, Sheet> sheets, Map<FormKey, AskedForm> forms) {
        List<Line> lines = new ArrayList<>();
        List<Piece> line = new ArrayList<>();
        int taken = 0;
        for (Part part : on.page().parts()) {
            Piece piece = piece(on, part, sheets, forms);
            if (piece == null) {
                continue;
            }
            if (!line.isEmpty() && taken + piece.width.twelfths() > TWELFTHS) {
                lines.add(new Line(List.copyOf(line)));
                line.clear();
                taken = 0;
            }
            line.add(piece);
            taken += piece.width.twelfths();
        }
        if (!line.isEmpty()) {
            lines.add(new Line(List.copyOf(line)));
        }
        return lines;
    }

    private @Nullable Piece piece(OpenPage on, Part part, Map<ListingKey, Sheet> sheets, Map<FormKey, AskedForm> forms) {
        Locale language = on.visit().language();
        Frame.Width width = part.frame().width();
        return switch (part) {
            case Part.OfListing of -> {
                Sheet sheet = sheets.get(of.key());
                yield sheet == null ? null : new Piece(width, html -> drawn.draw(html, sheet, language), null);
            }
            case Part.OfForm of -> {
                AskedForm asked = forms.get(of.key());
                yield asked == null ? null : new Piece(width, null, asked);
            }
            case Part.OfOwner of -> own(on, of);
        };
    }

    /**
     * Words and pictures of the owner, which are drawn once for all who read them.
     *
     * @param pictures what the addresses of pictures begin with
     */
    public record Own(Part part, String pictures) {

        public Part.@Nullable OfPicture picture() {
            return part instanceof Part.OfPicture of ? of : null;
        }

        /** The picture's address. */
        public String address() {
            Part.OfPicture of = picture();
            return of == null ? "" : pictures + "/" + of.picture().content() + "/"
                    + UriUtils.encodePathSegment(Files.named(of.picture().name()), StandardCharsets.UTF_8);
        }

        /** The address of the copy that is enough on a phone. */
        public String small() {
            return address() + "?edge=" + FileAnswer.IN_CARDS;
        }

        /** What is enough where the part has its width. */
        public String enough() {
            return part.frame().width() == Frame.Width.THIRD ? small() : address();
        }

        public boolean isRule() {
            return part instanceof Part.OfRule;
        }

        public boolean isText() {
            return part instanceof Part.OfText;
        }

        public String anchor() {
            return part.anchor();
        }

        public String heading() {
            return part.heading();
        }

        public String html() {
            return part instanceof Part.OfText of ? FormattedTexts.page(of.text()) : "";
        }
    }

    private Piece own(OpenPage on, Part part) {
        // drawn the same for whomever it is
        Own own = new Own(part.framed(part.frame().forThose(List.of())), on.stand().pictures());
        return new Piece(part.frame().width(), html -> once.draw(html, "site/own", Map.of("own", own), on.visit().language(), Map.of()), null);
    }

    /** The same as HTML, where there are no forms among them. */
    public static void draw(StringBuilder html, List<Line> lines) {
        for (Line line : lines) {
            if (line.isWhole()) {
                draw(html, line.pieces.getFirst());
                continue;
            }
            html.append("<div class=\"part-line\">");
            for (Piece piece : line.pieces) {
                html.append("<div class=\"").append(piece.look()).append("\">");
                draw(html, piece);
                html.append("</div>");
            }
            html.append("</div>");
        }
    }

    private static void draw(StringBuilder html, Piece piece) {
        if (piece.drawing != null) {
            piece.drawing.draw(html);
        }
    }
}
