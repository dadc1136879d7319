package org.pressboard.sheet.line;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.Function;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Standpoint;
import org.pressboard.grant.Approval;
import org.pressboard.listing.Mark;
import org.pressboard.stand.Asking;
import org.pressboard.table.Table;
import org.pressboard.value.Row;
import org.pressboard.words.Words;
import org.unbescape.html.HtmlEscape;

/**
 * How a row is marked.
 *
 * @param classes by which styles know it, each with a blank before it
 * @param signs   what stands before what names it, as HTML
 */
public record RowMark(String classes, String signs) {

    static final RowMark NONE = new RowMark("", "");

    /** Of each row the marks whose condition it meets, as whoever looks sees it, and whether it waits for approval. */
    public static Function<Row, RowMark> of(Table table, List<Mark> marks, Standpoint standpoint, Words words) {
        Condition waiting = waiting(table);
        return marks.isEmpty() && waiting.equals(Condition.NEVER) ? row -> NONE : row -> {
            List<Mark> met = marks.stream().filter(mark -> mark.when().holds(row, standpoint)).toList();
            RowMark mark = met.isEmpty() ? NONE : of(met, words);
            return waiting.holds(row, standpoint) ? new RowMark(mark.classes, mark.signs + tag(words)) : mark;
        };
    }

    /** Whether nobody has approved the row yet: told to those who see it all the same. */
    public static boolean waits(Asking asking, Row row) {
        return waiting(asking.table()).holds(row, asking.standpoint());
    }

    private static Condition waiting(Table table) {
        return table.letThrough().map(by -> new Approval(by).waiting()).orElse(Condition.NEVER);
    }

    private static String tag(Words words) {
        return "<span class=\"tag tag-mustard\">" + HtmlEscape.escapeHtml4Xml(words.say("sheet.waits")) + "</span> ";
    }

    private static RowMark of(List<Mark> marks, Words words) {
        List<String> classes = new ArrayList<>();
        StringBuilder signs = new StringBuilder();
        boolean hasEdge = false;
        for (Mark mark : marks) {
            String colour = mark.colour().name().toLowerCase(Locale.ROOT);
            if (mark.style().isSign()) {
                signs.append("<svg class=\"icon sign sign-").append(colour).append("\" viewBox=\"0 0 24 24\" role=\"img\" ")
                        .append("aria-label=\"").append(HtmlEscape.escapeHtml4Xml(words.say("sheet.sign." + mark.style())))
                        .append("\"><path d=\"").append(drawn(mark.style())).append("\"></path></svg> ");
            } else if (mark.style() == Mark.Style.EDGE && !hasEdge) {
                hasEdge = true;
                classes.add(" edge-" + colour);
            } else if (mark.style() != Mark.Style.EDGE) {
                classes.add(" row-" + mark.style().name().toLowerCase(Locale.ROOT));
            }
        }
        return new RowMark(String.join("", classes), signs.toString());
    }

    /** The lines of a sign in a box of 24 by 24. */
    private static String drawn(Mark.Style style) {
        return switch (style) {
            case DONE -> "M20 6 9 17l-5-5";
            case STAR -> "m12 3 2.8 5.7 6.2.9-4.5 4.4 1 6.2L12 17.3l-5.5 2.9 1-6.2L3 9.6l6.2-.9z";
            case WARNING -> "M12 4 2.5 20h19zM12 10v4M12 17v.5";
            default -> "M12 3a9 9 0 1 0 0 18a9 9 0 0 0 0-18M6 6l12 12";
        };
    }
}
