package org.pressboard.sheet;

import java.util.List;

/** The values by which a field can be narrowed, and which are picked. */
public record NarrowMenu(String parameter, String label, List<Option> options) {

    /** One value. */
    public record Option(String value, String text, boolean picked) {
    }

    public long picked() {
        return options.stream().filter(Option::picked).count();
    }
}
