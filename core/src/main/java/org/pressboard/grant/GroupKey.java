package org.pressboard.grant;

import java.util.Set;
import org.pressboard.value.Names;

/** Names a group of members for good. */
public record GroupKey(String name) implements Comparable<GroupKey> {

    public GroupKey {
        if (!Names.isValid(name)) {
            throw new IllegalArgumentException("Not a group's key: \"" + name + "\"");
        }
    }

    /** A readable key for a group with this label that differs from the taken ones. */
    public static GroupKey from(String label, Set<String> taken) {
        return new GroupKey(Names.unique(Names.from(label, "_", "group"), "_", taken));
    }

    @Override
    public int compareTo(GroupKey other) {
        return name.compareTo(other.name);
    }

    @Override
    public String toString() {
        return name;
    }
}
