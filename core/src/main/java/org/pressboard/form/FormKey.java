package org.pressboard.form;

import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** Names a form on its page for good; stands in its address. Lower-case letters, digits and hyphens. */
public record FormKey(String name) {

    private static final Pattern VALID = Pattern.compile("[a-z0-9][a-z0-9-]{0,59}");

    public FormKey {
        if (!isValid(name)) {
            throw new IllegalArgumentException("Not a form key: \"" + name + "\"");
        }
    }

    public static boolean isValid(@Nullable String name) {
        return name != null && VALID.matcher(name).matches();
    }

    @Override
    public String toString() {
        return name;
    }
}
