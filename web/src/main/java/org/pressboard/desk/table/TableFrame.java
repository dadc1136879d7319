package org.pressboard.desk.table;

import java.util.List;
import java.util.Optional;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.PublishedSite;
import org.pressboard.words.Words;
import org.pressboard.stand.NotThere;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Tables;
import org.pressboard.value.Names;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** What the four tabs of a table share. */
@Component
public class TableFrame {

    private final Catalog catalog;
    private final MessageSource messages;

    TableFrame(Catalog catalog, MessageSource messages) {
        this.catalog = catalog;
        this.messages = messages;
    }

    Tables tables() {
        return catalog.published().tables();
    }

    PublishedSite site() {
        return catalog.published();
    }

    Table find(String key) {
        return Optional.of(key).filter(Names::isValid).map(TableKey::new).flatMap(tables()::find)
                .orElseThrow(() -> new NotThere("not-there.table"));
    }

    /** Shows one of the tabs. */
    Table show(String key, String tab, Model model) {
        Table table = find(key);
        model.addAttribute("table", table);
        model.addAttribute("tab", tab);
        model.addAttribute("words", words());
        model.addAttribute("listedOn", listedOn(table));
        return table;
    }

    /** A listing of the table, on a page as it is drafted. */
    public record OnPage(String page, String listing, String title) {
    }

    private List<OnPage> listedOn(Table table) {
        return catalog.drafts().stream().flatMap(page -> page.listings().stream().filter(listing -> listing.table().equals(table.key()))
                .map(listing -> new OnPage(page.key().name(), listing.key().name(), page.title()))).toList();
    }

    /** In the language of the request. */
    public Words words() {
        return Words.ofRequest(messages);
    }

    /** Values are written and typed in the site's language. */
    Words siteWords() {
        return new Words(messages, catalog.published().site().language());
    }

    /** Tells on the next page what was done, and offers to take it back. */
    void tell(RedirectAttributes flash, @org.jspecify.annotations.Nullable Long act, String code, Object... details) {
        flash.addFlashAttribute("said", words().say(code, details));
        if (act != null) {
            flash.addFlashAttribute("undo", act);
        }
    }

    /** Back to the screen of this desk that somebody came from, or else to that one. */
    public static String back(String from, String otherwise) {
        return "redirect:" + (from.matches("/desk/[a-z0-9/_-]{1,200}") ? from : otherwise);
    }
}
