package org.pressboard.visit;

import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.pressboard.catalog.PublishedSite;
import org.pressboard.condition.Standpoint;
import org.pressboard.edition.PageKey;
import org.pressboard.grant.Sight;
import org.pressboard.grant.Visitor;
import org.pressboard.history.Author;
import org.pressboard.table.TableKey;

/** One request of one person: the site as of one moment, who looks, for whom it is drawn, and when. */
public final class Visit {

    private final Caller caller;
    private final Visitor visitor;
    private final PublishedSite site;
    private final long revision;
    private final LocalDateTime moment;
    private @Nullable Sight seen;

    private Visit(Caller caller, Visitor visitor, PublishedSite site, long revision, LocalDateTime moment) {
        this.caller = caller;
        this.visitor = visitor;
        this.site = site;
        this.revision = revision;
        this.moment = moment;
    }

    /**
     * @param revision the number of the catalog's state that the site was read in, or of an earlier one
     * @param moment   by the site's clock
     */
    public static Visit of(Caller caller, PublishedSite site, long revision, LocalDateTime moment) {
        return new Visit(caller, caller.visitor(), site, revision, moment);
    }

    /** The same drawn as somebody else would have it; what is done is still done by whoever asks. */
    public Visit seenBy(Visitor somebody) {
        return new Visit(caller, somebody, site, revision, moment);
    }

    public Caller caller() {
        return caller;
    }

    /** Who is signed in; {@code null}: nobody. */
    public @Nullable Who who() {
        return caller.who();
    }

    /** For whom everything is drawn. */
    public Visitor visitor() {
        return visitor;
    }

    /** Whether it is drawn for whoever asks for it. */
    public boolean isTheirOwn() {
        return visitor.equals(caller.visitor());
    }

    /** The page that they try out; {@code null}: none. */
    public @Nullable PageKey tried() {
        return caller.tried();
    }

    /** Where on the network they are. */
    public String address() {
        return caller.address();
    }

    /** As it stood when they came; what they change meanwhile is not in it. */
    public PublishedSite site() {
        return site;
    }

    /** The number of the catalog's state in which it stood so, or of an earlier one. */
    public long revision() {
        return revision;
    }

    /** In which values are written, and pages for visitors speak. */
    public Locale language() {
        return site.site().language();
    }

    /** The day on which they came, by the site's clock. */
    public LocalDate today() {
        return moment.toLocalDate();
    }

    /** From where everything is looked at that is on no page and of no row. */
    public Standpoint standpoint() {
        return visitor.at(moment);
    }

    /** The table as they see it, and what is around it. What they see of all tables is worked out once. */
    public synchronized Sight sight(TableKey table) {
        Sight known = seen == null ? site.sight(visitor, table) : seen.of(table);
        seen = known;
        return known;
    }

    /** On whose behalf something is changed, from there. */
    public Author author(Author.Origin origin) {
        Who who = caller.who();
        return who == null ? new Author(null, "", origin) : who.author(origin);
    }

    /** On whose behalf something is changed at the desk. */
    public Author author() {
        return author(Author.Origin.DESK);
    }
}
