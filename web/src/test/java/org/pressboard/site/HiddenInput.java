package org.pressboard.site;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** What a page hands to its forms without showing it, for those who send them without a browser. */
public final class HiddenInput {

    private HiddenInput() {
    }

    /** The value of the first of that name. */
    public static String of(String page, String name) {
        Matcher found = Pattern.compile("name=\"" + Pattern.quote(name) + "\" value=\"([^\"]+)\"").matcher(page);
        assertThat(found.find()).as("%s in %s", name, page).isTrue();
        return found.group(1);
    }
}
