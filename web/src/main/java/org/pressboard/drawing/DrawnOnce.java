package org.pressboard.drawing;

import static java.nio.charset.StandardCharsets.UTF_8;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.pressboard.memory.Budget;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.View;
import org.thymeleaf.ITemplateEngine;
import org.thymeleaf.context.Context;

/**
 * Parts of pages that are drawn once for all that are the same, for a template takes longer over them than the database
 * over the rows. What they are drawn from is worked out anew for whoever asks, and compared; what differs with each
 * request is put into the gaps that the template leaves for it. A template of these may go by nothing but what it is
 * given here.
 */
@Component
public class DrawnOnce {

    private static final long MOST_CHARACTERS = 8L * 1024 * 1024;

    /** Nobody can write it into a text of theirs. */
    private static final String GAP = "gap-" + UUID.randomUUID() + "-";
    private static final Pattern GAPS = Pattern.compile(GAP + "([a-z]+);");

    private record Key(String template, Map<String, Object> of, Locale language) {
    }

    /** A text, and the gap behind it; empty: none is. */
    private record Piece(String text, String gap) {
    }

    private final ITemplateEngine templates;
    private final Cache<Key, List<Piece>> drawn;

    DrawnOnce(ITemplateEngine templates, Budget budget) {
        long characters = budget.setAside(Budget.Use.ANSWERS, MOST_CHARACTERS * Character.BYTES) / Character.BYTES;
        this.drawn = Caffeine.newBuilder().maximumWeight(characters).weigher((Key key, List<Piece> pieces) ->
                pieces.stream().mapToInt(piece -> piece.text.length()).sum()).build();
        this.templates = templates;
    }

    /** Draws what stands in a gap, as HTML that is escaped already. */
    public interface Filling {

        void draw(StringBuilder html);
    }

    /** What stands in a gap by itself. */
    public static String text(Filling filling) {
        StringBuilder html = new StringBuilder();
        filling.draw(html);
        return html.toString();
    }

    /** What was drawn, as the whole of an answer. */
    public static View answer(StringBuilder drawing, Locale language) {
        byte[] html = drawing.toString().getBytes(UTF_8);
        return (model, request, response) -> {
            response.setContentType(MediaType.TEXT_HTML_VALUE + ";charset=UTF-8");
            response.setLocale(language);
            response.getOutputStream().write(html);
        };
    }

    /**
     * Draws a template.
     *
     * @param of   what it is drawn from, by the names that it has there; compared by value
     * @param gaps what is put in, by the names of the variables that stand for it there
     */
    public void draw(StringBuilder html, String template, Map<String, Object> of, Locale language,
            Map<String, Filling> gaps) {
        for (Piece piece : drawn.get(new Key(template, of, language), key -> pieces(key, gaps.keySet()))) {
            html.append(piece.text);
            if (!piece.gap.isEmpty()) {
                Objects.requireNonNull(gaps.get(piece.gap)).draw(html);
            }
        }
    }

    private List<Piece> pieces(Key key, Set<String> gaps) {
        Context context = new Context(key.language);
        key.of.forEach(context::setVariable);
        gaps.forEach(gap -> context.setVariable(gap, GAP + gap + ";"));
        String html = templates.process(key.template, context);
        List<Piece> pieces = new ArrayList<>();
        Matcher matcher = GAPS.matcher(html);
        int end = 0;
        while (matcher.find()) {
            pieces.add(new Piece(html.substring(end, matcher.start()), matcher.group(1)));
            end = matcher.end();
        }
        pieces.add(new Piece(html.substring(end), ""));
        return pieces;
    }
}
