package org.pressboard.site;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.PublishedSite;
import org.pressboard.catalog.TriedPage;
import org.pressboard.drawing.Assets;
import org.pressboard.drawing.DrawnOnce;
import org.pressboard.grant.Visitor;
import org.pressboard.signin.SignedIn;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.stereotype.Component;
import org.springframework.web.context.request.RequestAttributes;
import org.springframework.web.context.request.RequestContextHolder;
import org.unbescape.html.HtmlEscape;
import tools.jackson.databind.json.JsonMapper;

/** What stands around every page: the site's name, the menu of what this visitor may see, and who is signed in. */
@Component
public class SiteFrame {

    private static final JsonMapper JSON = new JsonMapper();

    private final Catalog catalog;
    private final TriedPage triedPage;
    private final DrawnOnce drawn;
    private final DiskSpace disk;
    private final Assets assets;

    SiteFrame(Catalog catalog, TriedPage triedPage, DrawnOnce drawn, Assets assets, DiskSpace disk) {
        this.disk = disk;
        this.triedPage = triedPage;
        this.assets = assets;
        this.catalog = catalog;
        this.drawn = drawn;
    }

    /** An entry of the menu. */
    public record Entry(String key, String title) {
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
        return disk.little().orElse(null);
    }

    public String siteName() {
        return catalog.published().site().name();
    }

    public String language() {
        return catalog.published().site().languageTag();
    }

    private List<Entry> menu() {
        PublishedSite site = catalog.published();
        return site.openTo(SignedIn.drawnFor()).values().stream().filter(edition -> !edition.page().unlisted())
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
        drawn.draw(html, "site/head", Map.of("canonical", Objects.requireNonNullElse(canonical, ""), "bundle", bundle,
                "assets", assets), language, Map.of("title", gap -> gap.append(HtmlEscape.escapeHtml4Xml(title))));
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
        drawn.draw(html, "site/masthead", Map.of("mast", mast), language, Map.of("token", gap -> gap.append(token())));
    }

    /** By which the forms of this page are known to be ours. */
    public static String token() {
        return RequestContextHolder.currentRequestAttributes().getAttribute(CsrfToken.class.getName(),
                RequestAttributes.SCOPE_REQUEST) instanceof CsrfToken token ? token.getToken() : "";
    }

    /** Whether whoever the page is drawn for is signed in. */
    public boolean isSignedIn() {
        return SignedIn.current() != null && (isTheirOwn() || SignedIn.drawnFor().kind() != Visitor.Kind.ANYONE);
    }

    /** Whether the page is drawn for whoever asks for it. */
    private static boolean isTheirOwn() {
        return SignedIn.drawnFor().equals(SignedIn.currentVisitor());
    }

    private boolean isStaff() {
        SignedIn current = SignedIn.current();
        return current != null && current.isStaff() && isTheirOwn();
    }

    public boolean isOwner() {
        SignedIn current = SignedIn.current();
        return current != null && current.isOwner();
    }

    /** Whether drafts of pages are theirs to change. */
    public boolean isDrafting() {
        SignedIn current = SignedIn.current();
        return current != null && current.isDrafting();
    }

    private @Nullable String standsIn() {
        Visitor visitor = SignedIn.currentVisitor();
        return !isOwner() || visitor.isStaff() ? null : visitor.called();
    }

    private String tried() {
        return triedPage.current().map(page -> catalog.published().edition(page).map(edition -> edition.page().title())
                .orElseGet(page::name)).orElse("");
    }

    public String who() {
        SignedIn current = SignedIn.current();
        return isTheirOwn() ? (current == null ? "" : current.name())
                : Objects.requireNonNullElse(SignedIn.drawnFor().called(), "");
    }
}
