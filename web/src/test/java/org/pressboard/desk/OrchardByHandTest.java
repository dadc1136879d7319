package org.pressboard.desk;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.pressboard.condition.Condition;
import org.pressboard.edition.PageKey;
import org.pressboard.listing.Listing;
import org.pressboard.site.WithTables;

/**
 * The orchard's public listings, made a second time with nothing but what the bench offers: what is published in the end
 * shows, finds, orders, opens and dresses its rows as the one of the demo does.
 */
class OrchardByHandTest extends WithTables {

    private Page page;
    private String key;

    @AfterEach
    void takeThePageAway() {
        closePages();
        catalog.withdraw(new PageKey(key));
    }

    @Test
    void varietiesAreCardsThatOpen() {
        make("varieties");
        pick("layout", "cards");
        fields("picture", "name", "use", "season", "flavours", "keeps_weeks", "trees", "score", "first_recorded", "notes");
        pick("open", "a page of its own");
        tick("tags", "use", "season", "flavours");
        tick("search", "name", "use", "season", "flavours", "notes");
        tick("narrow", "use", "season", "flavours", "keeps_weeks", "first_recorded");
        narrowedBy("use", "TAGS");
        narrowedBy("season", "TAGS");
        narrowedBy("keeps_weeks", "RANGE", "distribution");
        narrowedBy("first_recorded", "RANGE", "distribution");
        orderedBy("name");
        tick("opened", "picture", "use", "season", "flavours", "skin", "shape", "keeps_weeks", "sugar_bx", "trees", "score",
                "first_recorded", "notes");
        isPublishedAs("varieties");
        assertThat(page.locator(".cards .card")).hasCount(25);
    }

    @Test
    void treesAreATableThatUnfolds() {
        make("trees");
        fields("tree", "plot", "variety", "season", "health", "planted", "height_m", "picked_this_season", "highest_pledge",
                "propped");
        tick("search", "tree", "plot", "variety", "season", "health");
        tick("narrow", "variety", "plot", "health", "planted", "season", "propped", "height_m", "picked_this_season",
                "highest_pledge");
        narrowedBy("planted", "RANGE", "distribution");
        orderedBy("tree");
        pick("choice", "Visitors choose how many rows they see at once");
        marked("health", "IS", "Poor", "EDGE", "BRICK");
        marked("propped", "IS", "yes", "WARNING", "MUSTARD");
        pick("open", "a line that unfolds between the rows");
        tick("opened", "variety", "plot", "keeper", "planted", "last_pruned", "height_m", "picked", "picked_this_season",
                "suggested_pledge", "highest_pledge", "notes");
        isPublishedAs("trees");
        page.locator(".table tbody tr").first().locator("td").first().click();
        assertThat(page.locator(".table .unfolded")).isVisible();
    }

    @Test
    void workDaysAreThoseToCome() {
        make("work_days");
        kept("day", "UPCOMING");
        fields("day", "work_day", "begins", "where", "what_we_do", "places_left");
        step(() -> {
            open("fields");
            open("look-day");
            page.locator("#look-days-day").selectOption("LONG");
        });
        tick("search", "work_day", "where");
        tick("narrow", "where");
        orderedBy("day");
        pick("density", "spacious rows");
        marked("places_left", "AT_MOST", "0", "MUTED", "SLATE");
        step(() -> {
            open("nothing");
            page.locator("[data-panel=nothing] textarea").fill("No work days are planned. Look in again soon.");
            page.keyboard().press("Tab");
        });
        pick("open", "a page of its own");
        tick("opened", "day", "begins", "where", "what_we_do", "places", "places_left");
        isPublishedAs("work-days");
        assertThat(page.locator(".table tbody tr").first().locator("td.when").first()).isVisible();
    }

    private void make(String table) {
        page = signedIn("owner@example.org");
        page.navigate(address("/desk/pages"));
        page.locator(".make-table [name=table]").selectOption(table);
        button(page, "Add").click();
        page.waitForURL("**/desk/pages/*/*");
        key = page.url().replaceFirst(".*/", "");
    }

    /** Something is done on the ticket, which then says so. */
    private void step(Runnable done) {
        String before = page.locator("#ticket").getAttribute("data-mark");
        done.run();
        assertThat(page.locator("#ticket[data-mark='" + before + "']")).hasCount(0);
    }

    private void open(String word) {
        Locator chip = page.locator("[data-opens='" + word + "']");
        if (!"true".equals(chip.getAttribute("aria-expanded"))) {
            chip.click();
        }
        assertThat(page.locator("[data-panel='" + word + "']")).isVisible();
    }

    private void pick(String word, String label) {
        open(word);
        step(() -> page.locator("[data-panel=" + word + "]").getByLabel(label, new Locator.GetByLabelOptions().setExact(true))
                .check());
    }

    /**
     * Takes these and no others, in this order: what is ticked anew comes behind what is ticked. One stays until the others
     * are there: on an opened row, nothing ticked means whatever the list shows.
     */
    private void tick(String word, String... wanted) {
        open(word);
        Locator boxes = page.locator("[data-panel=" + word + "] [name=field][type=checkbox]");
        List<String> ticked = new ArrayList<>(values(page.locator("[data-panel=" + word + "] [name=field]:checked")));
        List<String> late = new ArrayList<>();
        while (!List.of(wanted).subList(0, Math.min(wanted.length, ticked.size())).equals(ticked)) {
            String last = ticked.removeLast();
            if (ticked.isEmpty() && !List.of(wanted).contains(last)) {
                late.add(last);
            } else {
                step(() -> boxes.and(page.locator("[value='" + last + "']")).uncheck());
            }
        }
        for (String field : List.of(wanted).subList(ticked.size(), wanted.length)) {
            step(() -> boxes.and(page.locator("[value='" + field + "']")).check());
        }
        late.forEach(field -> step(() -> boxes.and(page.locator("[value='" + field + "']")).uncheck()));
    }

    /** Shows these and no others, moved to their places by keys. */
    private void fields(String... wanted) {
        open("fields");
        Locator shown = page.locator("[data-panel=fields] .shown-fields [name=field]");
        values(shown).stream().filter(field -> !List.of(wanted).contains(field)).forEach(field ->
                step(() -> line(field).getByText("hide").click()));
        List<String> before = values(shown);
        List.of(wanted).stream().filter(field -> !before.contains(field)).forEach(field ->
                step(() -> page.locator(".other-fields [hx-vals*='\"" + field + "\"']").click()));
        for (int place = 0; place < wanted.length; place++) {
            String field = wanted[place];
            int ups = values(shown).indexOf(field) - place;
            if (ups > 0) {
                step(() -> moved(field, ups));
            }
        }
    }

    private void moved(String field, int ups) {
        line(field).locator(".handle").press(" ");
        for (int i = 0; i < ups; i++) {
            page.keyboard().press("ArrowUp");
        }
        page.keyboard().press(" ");
    }

    private Locator line(String field) {
        return page.locator(".shown-field").filter(new Locator.FilterOptions().setHas(page.locator("#label-" + field)));
    }

    private void narrowedBy(String field, String way, String... also) {
        open("narrow");
        Locator select = page.locator("#control-way-" + field);
        if (!select.inputValue().equals(way)) {
            step(() -> select.selectOption(way));
        }
        for (String each : also) {
            step(() -> page.locator(".controls form").filter(new Locator.FilterOptions().setHas(select))
                    .locator("[name=" + each + "]").check());
        }
    }

    private void orderedBy(String sort) {
        open("order");
        if (!page.locator("#ticket-sort-0").inputValue().equals(sort)) {
            step(() -> page.locator("#ticket-sort-0").selectOption(sort));
        }
    }

    private void kept(String field, String comparison) {
        open("keep");
        step(() -> {
            page.locator("#keep-new-field").selectOption(field);
            page.locator("#keep-new-is").selectOption(comparison);
            button(page, "Add").click();
        });
    }

    private void marked(String field, String comparison, String value, String style, String colour) {
        open("marks");
        page.locator("#mark-new-field").selectOption(field);
        page.locator("#mark-new-is").selectOption(comparison);
        if (!value.isEmpty()) {
            Locator box = page.locator("#mark-new-value-0");
            assertThat(box).isVisible();
            if ((Boolean) box.evaluate("box => box.tagName === 'SELECT'")) {
                box.selectOption(value);
            } else {
                box.fill(value);
            }
        }
        page.locator("#mark-style-new").selectOption(style);
        page.locator("#mark-colour-new").selectOption(colour);
        step(() -> button(page, "Mark them").click());
    }

    private static List<String> values(Locator inputs) {
        return inputs.all().stream().map(input -> input.getAttribute("value")).toList();
    }

    private void isPublishedAs(String demo) {
        page.navigate(address("/desk/pages/" + key));
        button(page, "Publish").click();
        page.navigate(address("/" + key));
        Listing made = editions(key).getFirst();
        // tests that look at the site before have made a table of its cards
        Listing there = editions(demo).stream().filter(each -> each.show().layout().kind() == made.show().layout().kind()).findFirst()
                .orElseThrow();
        assertThat(made.show()).isEqualTo(there.show());
        assertThat(made.find().search()).hasSameElementsAs(there.find().search());
        assertThat(made.find().controls()).isEqualTo(there.find().controls());
        assertThat(made.keep()).isIn(there.keep(), new Condition.All(List.of(there.keep())));
        assertThat(made.ordering()).isEqualTo(there.ordering());
        assertThat(made.opening()).isEqualTo(there.opening());
        assertThat(made.takeAway()).isEqualTo(there.takeAway());
        assertThat(made.dress()).isEqualTo(there.dress());
    }

    private List<Listing> editions(String name) {
        return catalog.page(new PageKey(name)).orElseThrow().editions().stream()
                .map(edition -> edition.page().listings().getFirst()).toList();
    }
}
