package org.pressboard.desk.publish;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Group;
import org.pressboard.words.Words;

/** Those whom a page or a part of it can be for, beside everybody: members, and each group of them. */
public final class Audiences {

    private static final String MEMBERS = "members";
    private static final String GROUP = "group:";

    private final List<Group> groups;
    private final Words words;

    public Audiences(List<Group> groups, Words words) {
        this.groups = List.copyOf(groups);
        this.words = words;
    }

    /**
     * Somebody who may be let to something.
     *
     * @param name as it is sent
     */
    public record Choice(String name, String label) {
    }

    public List<Choice> choices() {
        return Stream.concat(Stream.of(new Choice(MEMBERS, words.say("desk.access.members"))), groups.stream()
                .map(group -> new Choice(GROUP + group.key(), group.label()))).toList();
    }

    /** As they are sent; of none, everybody is meant. */
    public static List<String> names(List<Audience> audiences) {
        return audiences.stream().map(Audiences::name).toList();
    }

    /** In words; empty: everybody. */
    public String said(List<Audience> audiences) {
        return audiences.stream().map(Audiences::name).map(name -> choices().stream().filter(choice -> choice.name().equals(name))
                .findFirst().map(Choice::label).orElse(name)).collect(Collectors.joining(", "));
    }

    /** Those that were sent; names of nobody are left out. */
    public List<Audience> read(@Nullable List<String> names) {
        return names == null ? List.of() : names.stream().flatMap(name -> read(name).stream()).toList();
    }

    private Optional<Audience> read(String name) {
        return name.equals(MEMBERS) ? Optional.of(Audience.MEMBERS) : groups.stream()
                .filter(group -> name.equals(GROUP + group.key())).findFirst().map(group -> Audience.those(group.key()));
    }

    private static String name(Audience audience) {
        return switch (audience) {
            case Audience.Everyone everyone -> "everyone";
            case Audience.Members members -> MEMBERS;
            case Audience.Those those -> GROUP + those.group();
        };
    }
}
