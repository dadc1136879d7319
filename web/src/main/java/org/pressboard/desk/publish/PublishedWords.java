package org.pressboard.desk.publish;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.PublishedSite;
import org.pressboard.desk.condition.ConditionDesk;
import org.pressboard.desk.condition.GrantWords;
import org.pressboard.edition.Page;
import org.pressboard.form.Form;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Verb;
import org.pressboard.listing.Listing;
import org.pressboard.words.Words;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Component;

/** Says who gets what of a page that is published, a sentence for each thing on it, as the grants are at that moment. */
@Component
class PublishedWords {

    private final Catalog catalog;
    private final ConditionDesk conditions;
    private final MessageSource messages;

    PublishedWords(Catalog catalog, ConditionDesk conditions, MessageSource messages) {
        this.catalog = catalog;
        this.conditions = conditions;
        this.messages = messages;
    }

    /** Of each table that is listed, who sees its rows; whom the page is for; which form nobody can fill in. */
    List<String> of(Page page) {
        PublishedSite site = catalog.publishedNow();
        Page here = page.among(site.tables());
        List<String> said = new ArrayList<>();
        if (!here.access().audiences().isEmpty()) {
            said.add(say("desk.published.only", names(here.access().audiences())));
        }
        here.listings().stream().map(Listing::table).distinct().forEach(table -> said.add(rows(site, table)));
        for (Listing listing : here.listings()) {
            List<Audience> some = here.audiences(listing.key());
            if (!some.isEmpty()) {
                said.add(say("desk.published.listing", site.table(listing.table()).label(), names(some)));
            }
        }
        here.forms().stream().filter(form -> !site.isGranted(Verb.ADD, form.table()))
                .forEach(form -> said.add(say("desk.published.form", form.title(), label(site, form))));
        if (isForNobody(site, here)) {
            said.add(say("desk.published.nothing"));
        }
        return said;
    }

    /** Who may see which rows of a table by its grants. */
    String seen(TableKey table) {
        PublishedSite site = catalog.published();
        return words(site, site.table(table)).said(catalog.grants(table).all(), Verb.SEE);
    }

    private String rows(PublishedSite site, TableKey key) {
        Table table = site.table(key);
        return say("desk.published.rows." + site.openness(key), table.label(),
                words(site, table).said(catalog.grants(key).all(), Verb.SEE));
    }

    private static boolean isForNobody(PublishedSite site, Page page) {
        return page.listings().stream().noneMatch(listing -> site.isGranted(Verb.SEE, listing.table()))
                && page.forms().stream().noneMatch(form -> site.isGranted(Verb.ADD, form.table()));
    }

    private String names(List<Audience> audiences) {
        return audiences.stream().map(conditions::audience).collect(Collectors.joining(", "));
    }

    private GrantWords words(PublishedSite site, Table table) {
        return conditions.grantWords(site.tables(), table);
    }

    private static String label(PublishedSite site, Form form) {
        return site.table(form.table()).label();
    }

    private String say(String code, Object... details) {
        return Words.ofRequest(messages).say(code, details);
    }
}
