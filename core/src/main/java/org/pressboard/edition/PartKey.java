package org.pressboard.edition;

import java.util.Set;
import java.util.regex.Pattern;
import org.pressboard.value.Names;

/** By which a text, a picture or a rule is told from the other parts of its page, such as {@code opening-hours}. */
public record PartKey(String name) {

    private static final Pattern FORM = Pattern.compile("[a-z][a-z0-9-]{0,59}");

    public PartKey {
        if (!isValid(name)) {
            throw new IllegalArgumentException("Not the key of a part: " + name);
        }
    }

    public static boolean isValid(String name) {
        return FORM.matcher(name).matches();
    }

    /** One that is like the words, and not among those taken. */
    static PartKey from(String words, Set<String> taken) {
        return new PartKey(Names.unique(Names.from(words, "-", "part"), "-", taken));
    }

    @Override
    public String toString() {
        return name;
    }
}
