package org.pressboard.site;

import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.PublishedSite;
import org.pressboard.grant.Visitor;
import org.pressboard.signin.SignedIn;
import org.springframework.stereotype.Component;
import org.springframework.web.context.request.RequestAttributes;
import org.springframework.web.context.request.RequestContextHolder;

/** What stands around every page: the site's name, the menu of what this visitor may see, and who is signed in. */
@Component
public class SiteFrame {

    private final Catalog catalog;

    SiteFrame(Catalog catalog) {
        this.catalog = catalog;
    }

    /** An entry of the menu. */
    public record Entry(String key, String title) {
    }

    /** The request's attribute that says when it came, in milliseconds since 1970. */
    public static final String ASKED = SiteFrame.class.getName();

    /** When the page was asked for: what has changed since, it may not have. */
    public Object asked() {
        return RequestContextHolder.currentRequestAttributes().getAttribute(ASKED, RequestAttributes.SCOPE_REQUEST);
    }

    public String siteName() {
        return catalog.published().site().name();
    }

    public String language() {
        return catalog.published().site().languageTag();
    }

    public List<Entry> menu() {
        PublishedSite site = catalog.published();
        return site.openTo(SignedIn.drawnFor()).values().stream().filter(edition -> !edition.page().unlisted())
                .map(edition -> new Entry(edition.page().key().name(), edition.page().title())).toList();
    }

    /** Whether whoever the page is drawn for is signed in. */
    public boolean isSignedIn() {
        return SignedIn.current() != null && (isTheirOwn() || SignedIn.drawnFor().kind() != Visitor.Kind.ANYONE);
    }

    /** Whether the page is drawn for whoever asks for it. */
    private static boolean isTheirOwn() {
        return SignedIn.drawnFor().equals(SignedIn.currentVisitor());
    }

    public boolean isStaff() {
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

    /** The member whom the owner stands in for; {@code null}: they do not. */
    public @Nullable String standsIn() {
        Visitor visitor = SignedIn.currentVisitor();
        return !isOwner() || visitor.isStaff() ? null : visitor.called();
    }

    public String who() {
        SignedIn current = SignedIn.current();
        return isTheirOwn() ? (current == null ? "" : current.name())
                : Objects.requireNonNullElse(SignedIn.drawnFor().called(), "");
    }
}
