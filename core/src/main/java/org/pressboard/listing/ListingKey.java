package org.pressboard.listing;

import java.util.regex.Pattern;

/** Names a listing for good; stands in its addresses. Lower-case letters, digits and hyphens. */
public record ListingKey(String name) {

    private static final Pattern VALID = Pattern.compile("[a-z0-9][a-z0-9-]{0,59}");

    public ListingKey {
        if (!isValid(name)) {
            throw new IllegalArgumentException("Not a listing key: \"" + name + "\"");
        }
    }

    public static boolean isValid(String name) {
        return VALID.matcher(name).matches();
    }

    @Override
    public String toString() {
        return name;
    }
}
