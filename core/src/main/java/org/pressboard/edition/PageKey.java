package org.pressboard.edition;

import java.util.Set;
import java.util.regex.Pattern;
import org.pressboard.value.Names;

/** Names a page and is its address: {@code /{key}}. Lower-case letters, digits and hyphens. */
public record PageKey(String name) {

    private static final Pattern VALID = Pattern.compile("[a-z][a-z0-9-]{0,59}");

    /** Addresses that the site itself needs. */
    private static final Set<String> RESERVED = Set.of("desk", "sign-in", "sign-out", "listings", "files", "assets",
            "actuator", "error", "welcome", "favicon", "robots", "api", "feeds", "members");

    public PageKey {
        if (!isValid(name)) {
            throw new IllegalArgumentException("Not a page key: \"" + name + "\"");
        }
    }

    public static boolean isValid(String name) {
        return VALID.matcher(name).matches() && !RESERVED.contains(name);
    }

    /** A readable address for a page with this title that differs from the taken ones. */
    public static PageKey from(String title, Set<String> taken) {
        String name = Names.from(title, "-", "page");
        return new PageKey(Names.unique(isValid(name) ? name : "page-" + name, "-", taken));
    }

    @Override
    public String toString() {
        return name;
    }
}
