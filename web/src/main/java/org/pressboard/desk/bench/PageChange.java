package org.pressboard.desk.bench;

import java.util.List;
import java.util.Objects;
import java.util.stream.Stream;
import org.pressboard.desk.publish.Audiences;
import org.pressboard.edition.Frame;
import org.pressboard.edition.Page;
import org.pressboard.edition.Part;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.value.Value;
import org.pressboard.words.Typed;
import org.springframework.util.MultiValueMap;

/** A change of what a page is made of, as the page's ticket sends it. */
final class PageChange {

    /** More than that on one page nobody reads, and each is asked for by whoever opens it. */
    static final int MOST_PARTS = 40;

    private final Audiences audiences;
    private final MultiValueMap<String, String> sent;

    PageChange(Audiences audiences, MultiValueMap<String, String> sent) {
        this.audiences = audiences;
        this.sent = sent;
    }

    /** @throws ProblemsFound when there are as many parts as there may be */
    Page of(Page page) {
        String part = one("part");
        return switch (one("do")) {
            case "add.text" -> hasNothing() ? page : roomy(page).telling(heading(), text());
            case "add.rule" -> roomy(page).ruled(heading());
            case "order" -> page.ordered(Objects.requireNonNullElse(sent.get("part"), List.of()));
            case "remove" -> page.without(part);
            case "width" -> Stream.of(Frame.Width.values()).filter(width -> width.name().equals(one("value"))).findFirst()
                    .map(width -> page.changing(part, it -> it.framed(it.frame().of(width)))).orElse(page);
            case "who" -> page.changing(part, it -> it.forThose(audiences.read(sent.get("who"))));
            case "say" -> page.changing(part, this::saying);
            default -> page;
        };
    }

    private Part saying(Part part) {
        return switch (part) {
            case Part.OfText text -> text.saying(heading(), text());
            case Part.OfPicture picture -> picture.saying(words(), caption());
            case Part.OfRule rule -> rule.saying(heading());
            case Part.OfListing listing -> listing;
            case Part.OfForm form -> form;
        };
    }

    /** The page with a picture that was brought. */
    Page with(Page page, Value.Attachment picture) {
        return roomy(page).picturing(picture, words(), caption());
    }

    private String words() {
        return Typed.within(one("heading"), Part.OfPicture.LONGEST_WORDS);
    }

    private String caption() {
        return Typed.within(one("text"), Part.OfPicture.LONGEST_WORDS);
    }

    private static Page roomy(Page page) {
        if (page.parts().size() >= MOST_PARTS) {
            throw ProblemsFound.of("bench.many-parts", MOST_PARTS);
        }
        return page;
    }

    private boolean hasNothing() {
        return heading().isEmpty() && text().isEmpty();
    }

    private String heading() {
        return Typed.within(one("heading"), Part.LONGEST_HEADING);
    }

    private String text() {
        return Typed.within(one("text"), Part.OfText.LONGEST_TEXT);
    }

    private String one(String name) {
        return Objects.requireNonNullElse(sent.getFirst(name), "");
    }
}
