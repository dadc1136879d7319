package org.pressboard.desk;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;

/** How somebody works at the desk, and in how many actions: each click, choice or text typed is one. */
final class Hands {

    /** With what, and on how wide a screen. */
    enum By {
        MOUSE(1280), TOUCH(390), KEYS(1280);

        final int width;

        By(int width) {
            this.width = width;
        }
    }

    /** Further away by Tab than that, nobody would look for anything. */
    private static final int MOST_TABS = 300;

    private final Page page;
    private final By by;
    private int actions;

    Hands(Page page, By by) {
        this.page = page;
        this.by = by;
        page.setViewportSize(by.width, 844);
    }

    int actions() {
        return actions;
    }

    /** What takes no pointer and no keys, such as dropping a file. */
    void act(Runnable action) {
        actions++;
        action.run();
    }

    void click(Locator locator) {
        actions++;
        if (by == By.KEYS) {
            reach(locator);
            page.keyboard().press("Enter");
        } else {
            locator.click();
        }
    }

    /** Ticks a box, or makes one choice of several. */
    void check(Locator locator) {
        actions++;
        if (by != By.KEYS) {
            locator.check();
        } else if ("radio".equals(locator.getAttribute("type"))) {
            reachAmong(locator);
        } else {
            reach(locator);
            page.keyboard().press(" ");
        }
    }

    void fill(Locator locator, String text) {
        actions++;
        if (by == By.KEYS) {
            reach(locator);
            page.keyboard().press("Control+a");
            page.keyboard().type(text);
        } else {
            locator.fill(text);
        }
    }

    /** Picks an option by its value. */
    void select(Locator locator, String value) {
        actions++;
        if (by == By.KEYS) {
            Locator option = locator.locator("option[value='" + value + "']");
            reach(locator);
            page.keyboard().type(option.textContent().strip());
        } else {
            locator.selectOption(value);
        }
    }

    /** From where one is, by Tab. */
    private void reach(Locator locator) {
        locator.waitFor();
        tab(locator, "each => each === document.activeElement");
    }

    /** Only one of the choices of a group is reached by Tab; from it, arrows lead to the others. */
    private void reachAmong(Locator choice) {
        choice.waitFor();
        tab(choice, "each => document.activeElement.type === 'radio' && document.activeElement.name === each.name"
                + " && document.activeElement.form === each.form");
        page.keyboard().press(" ");
        for (int arrows = 0; !choice.isChecked(); arrows++) {
            if (arrows == MOST_TABS) {
                throw new AssertionError("no arrow leads to " + choice);
            }
            page.keyboard().press("ArrowDown");
        }
    }

    private void tab(Locator locator, String isThere) {
        for (int tabs = 0; tabs < MOST_TABS; tabs++) {
            if ((boolean) locator.evaluate(isThere)) {
                return;
            }
            page.keyboard().press("Tab");
        }
        throw new AssertionError("no key leads to " + locator);
    }
}
