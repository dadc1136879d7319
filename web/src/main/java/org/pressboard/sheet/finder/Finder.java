package org.pressboard.sheet.finder;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.pressboard.listing.Finding;

/**
 * What people find rows by, ready to be drawn.
 *
 * @param searched the words searched; {@code null} where there is no search
 * @param hint     what stands in the empty search box
 * @param large    whether searching takes a while, so that it is not begun with every letter
 * @param hidden   what the form sends along unseen
 * @param waiting  whether there are no rows before something is asked for
 */
public record Finder(@Nullable String searched, String hint, boolean large, List<NarrowMenu> menus, List<SortOption> sorts,
                     Names names, List<Hidden> hidden, Finding.SearchForm form, boolean waiting) {

    private static final int MOST_IN_BAR = 4;

    /** What the form's fields are called in the address, and how all names of the listing begin; often with nothing. */
    public record Names(String prefix, String search, String sort) {
    }

    /** Something the form sends along unseen. */
    public record Hidden(String name, String value) {
    }

    /** The controls whose values stand under the bar, side by side. */
    public List<NarrowMenu> laidOut() {
        return menus.stream().filter(NarrowMenu::isLaidOut).toList();
    }

    private List<NarrowMenu> opening() {
        return menus.stream().filter(menu -> !menu.isLaidOut()).toList();
    }

    /** The menus that have a place of their own in the bar; the others share one. */
    public List<NarrowMenu> inBar() {
        List<NarrowMenu> all = opening();
        return all.size() <= MOST_IN_BAR + 1 ? all : all.subList(0, MOST_IN_BAR);
    }

    public List<NarrowMenu> behind() {
        return opening().subList(inBar().size(), opening().size());
    }

    /** How many things the menus that share a place narrow by. */
    public long pickedBehind() {
        return behind().stream().mapToLong(NarrowMenu::picked).sum();
    }

    /** Whether there is anything to say what one looks for by. */
    public boolean isThere() {
        return searched != null || !menus.isEmpty();
    }

    /** What makes rows follow: in a bar whatever is picked, in a form that it is sent. */
    public String trigger() {
        return "submit, change target:select"
                + (form.isOfBoxes() ? "" : ", change target:'input[type=checkbox]', change target:'input[type=radio]', "
                        + "change target:.range-end");
    }
}
