package org.pressboard.site;

import jakarta.servlet.http.HttpServletRequest;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.pressboard.catalog.PublishedSite;
import org.pressboard.drawing.DrawnOnce;
import org.pressboard.grant.Visitor;
import org.pressboard.visit.Visit;
import org.pressboard.visit.Who;
import org.springframework.security.web.csrf.CsrfToken;
import org.unbescape.html.HtmlEscape;
import tools.jackson.databind.json.JsonMapper;

/** What stands around one answer: the site's name, the menu of what this visitor may see, and who is signed in. */
public final class SiteFrame {

    private static final JsonMapper JSON = new JsonMapper();

    private final SiteFrames parts;
    private final Supplier<Visit> visit;
    private final HttpServletRequest request;

    SiteFrame(SiteFrames parts, Supplier<Visit> visit, HttpServletRequest request) {
        this.parts = parts;
        this.visit = visit;
        this.request = request;
    }

    /** An entry of the menu. */
    public record Entry(String key, String title) {
    }

    private Visit visit() {
        return visit.get();
    }

    /** What a button sends besides its form, as scripts read it: names and values in turn. */
    public String sends(Object... namesAndValues) {
        Map<String, String> sent = new LinkedHashMap<>();
        for (int i = 0; i < namesAndValues.length; i += 2) {
            sent.put(String.valueOf(namesAndValues[i]), Objects.toString(namesAndValues[i + 1], ""));
        }
        return JSON.writeValueAsString(sent);
    }

    /** How little room is left on the disk, for those at the desk to be warned; {@code null}: there is enough. */
    public DiskSpace.@Nullable Little diskSpace() {
        return parts.disk().little().orElse(null);
    }

    public String siteName() {
        return visit().site().site().name();
    }

    public String language() {
        return visit().site().site().languageTag();
    }

    private List<Entry> menu() {
        return visit().site().openTo(visit().visitor()).values().stream().filter(edition -> !edition.page().unlisted())
                .map(edition -> new Entry(edition.page().key().name(), edition.page().title())).toList();
    }

    /**
     * The head of a page as HTML.
     *
     * @param canonical the page's own address; {@code null} or empty: it is not said
     * @param bundle    whose styles and scripts it has: {@code site} or {@code desk}
     */
    public String head(String title, @Nullable String canonical, String bundle, Locale language) {
        return DrawnOnce.text(html -> drawHead(html, title, canonical, bundle, language));
    }

    /** Draws the same. */
    void drawHead(StringBuilder html, String title, @Nullable String canonical, String bundle, Locale language) {
        parts.drawn().draw(html, "site/head", Map.of("canonical", Objects.requireNonNullElse(canonical, ""), "bundle", bundle,
                "assets", parts.assets()), language, Map.of("title", gap -> gap.append(HtmlEscape.escapeHtml4Xml(title))));
    }

    /**
     * What the masthead is drawn from.
     *
     * @param who      what whoever is signed in is called
     * @param standsIn the member whom the owner stands in for; {@code null}: they do not
     * @param tried    the title of the page that they try out meanwhile
     * @param current  the page that it stands on; empty: none of the menu
     */
    public record Masthead(String siteName, boolean signedIn, String who, boolean staff, @Nullable String standsIn,
                           String tried, List<Entry> menu, String current) {
    }

    /** The masthead as HTML. */
    public String masthead(String current, Locale language) {
        return DrawnOnce.text(html -> drawMasthead(html, current, language));
    }

    /** Draws the same. */
    void drawMasthead(StringBuilder html, String current, Locale language) {
        Masthead mast = new Masthead(siteName(), isSignedIn(), who(), isStaff(), standsIn(), tried(), menu(), current);
        parts.drawn().draw(html, "site/masthead", Map.of("mast", mast), language, Map.of("token", gap -> gap.append(token())));
    }

    /** What stands at the foot of each page, in the owner's own words; may be empty. */
    public String foot() {
        return visit().site().site().foot();
    }

    /** By which the forms of this page are known to be ours. */
    public String token() {
        return request.getAttribute(CsrfToken.class.getName()) instanceof CsrfToken token ? token.getToken() : "";
    }

    /** Whether whoever the page is drawn for is signed in. */
    public boolean isSignedIn() {
        return visit().who() != null && (visit().isTheirOwn() || visit().visitor().kind() != Visitor.Kind.ANYONE);
    }

    private boolean isStaff() {
        return signedIn().filter(Who::isStaff).isPresent() && visit().isTheirOwn();
    }

    public boolean isOwner() {
        return signedIn().filter(Who::isOwner).isPresent();
    }

    /** Whether drafts of pages are theirs to change. */
    public boolean isDrafting() {
        return signedIn().filter(Who::isDrafting).isPresent();
    }

    private Optional<Who> signedIn() {
        return Optional.ofNullable(visit().who());
    }

    private @Nullable String standsIn() {
        Visitor visitor = visit().caller().visitor();
        return !isOwner() || visitor.isStaff() ? null : visitor.called();
    }

    private String tried() {
        PublishedSite site = visit().site();
        return Optional.ofNullable(visit().tried()).map(page -> site.edition(page).map(edition -> edition.page().title())
                .orElseGet(page::name)).orElse("");
    }

    /** What whoever the page is drawn for is called; empty: they have no name. */
    public String who() {
        return visit().isTheirOwn() ? signedIn().map(Who::name).orElse("")
                : Objects.requireNonNullElse(visit().visitor().called(), "");
    }
}
