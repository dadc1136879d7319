package org.pressboard.site;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.PublishedSite;
import org.pressboard.control.FormDesk;
import org.pressboard.edition.Page;
import org.pressboard.form.Form;
import org.pressboard.form.FormKey;
import org.pressboard.grant.Sight;
import org.pressboard.grant.Verb;
import org.pressboard.grant.Visitor;
import org.pressboard.sheet.NotThere;
import org.pressboard.sheet.Offered;
import org.pressboard.signin.SignedIn;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.springframework.stereotype.Component;
import org.springframework.web.util.UriUtils;

/** The published forms on pages that a visitor gets to. */
@Component
public class OpenForms {

    private final Catalog catalog;

    OpenForms(Catalog catalog) {
        this.catalog = catalog;
    }

    /**
     * A form on a page that somebody gets to.
     *
     * @param sight what they see of its table, and of those around it
     * @param may   whether they may add rows to it at all
     */
    public record Open(Page page, Form form, Sight sight, boolean may) {

        public Table table() {
            return sight.table();
        }

        /** The form before whoever the request is from. */
        public FormDesk.Sitting sitting(Locale language) {
            return new FormDesk.Sitting(form, page.here(), sight, SignedIn.currentVisitor(), address(), language);
        }

        /** The form's address. */
        public String address() {
            return "/" + page.key() + "/send/" + form.key();
        }

        /** As rows remember it. */
        public String name() {
            return page.remembered(form);
        }
    }

    /** @throws NotThere when there is no such form, or the visitor does not get to its page */
    public Open open(String page, String form, Visitor visitor) {
        PublishedSite site = catalog.published();
        Page found = Doors.open(site, page, visitor).page();
        return Optional.of(form).filter(FormKey::isValid).map(FormKey::new).flatMap(found::form)
                .map(each -> open(site, found, each, visitor)).orElseThrow(() -> new NotThere("not-there.form"));
    }

    /** The forms of a page, those besides that only people who are signed in may send. */
    List<Open> on(PublishedSite site, Page page, Visitor visitor) {
        return page.forms().stream().filter(form -> site.offers(form, visitor)).map(form -> open(site, page, form, visitor))
                .toList();
    }

    /** The forms on the page that ask for a row of that table, with this row as the answer, where rows have no button for it. */
    List<Offered.Link> about(PublishedSite site, Page page, Visitor visitor, TableKey table, String called, String key) {
        return on(site, page, visitor).stream().filter(open -> !page.hasButton(open.form().key(), table)).flatMap(open -> open.form().askingFor(table, open.table()).stream().limit(1)
                .map(field -> new Offered.Link(open.address() + "?v." + field.key() + "="
                        + UriUtils.encode(called, StandardCharsets.UTF_8) + "&back=" + UriUtils.encode(key,
                                StandardCharsets.UTF_8), open.form().title()))).toList();
    }

    private static Open open(PublishedSite site, Page page, Form form, Visitor visitor) {
        return new Open(page, site.asked(form, visitor), site.sight(visitor, form.table()),
                site.may(visitor, Verb.ADD, form.table()).isAllowed());
    }
}
