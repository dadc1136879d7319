package org.pressboard.desk.table;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.pressboard.table.Attached;
import org.pressboard.table.Computed;
import org.pressboard.table.Field;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;
import org.pressboard.value.FieldKey;

/** What a computed field of a table can be made of. */
final class ComputedChoices {

    /** So many references are followed, one after the other. */
    private static final int DEEPEST = 3;

    private ComputedChoices() {
    }

    /** Something to choose, and what it is called: {@code Variety → Season}. */
    public record Choice(String value, String text) {
    }

    /** The fields of other tables that can be reached through references. */
    static List<Choice> borrowable(Tables tables, Table table) {
        List<Choice> choices = new ArrayList<>();
        borrowable(tables, table, "", "", 0, choices);
        return choices;
    }

    private static void borrowable(Tables tables, Table table, String path, String names, int depth,
            List<Choice> choices) {
        for (Field reference : table.fields()) {
            if (!(reference.type() instanceof Referring) || reference.type().isSeveral() || depth == DEEPEST) {
                continue;
            }
            Table target = tables.target(reference);
            String through = path + reference.key() + "/";
            String called = names + reference.label() + " → ";
            for (Field field : target.fields()) {
                if (!(field.type() instanceof Attached)) {
                    choices.add(new Choice(through + field.key(), called + field.label()));
                }
            }
            borrowable(tables, target, through, called, depth + 1, choices);
        }
    }

    static String path(Computed.Borrowed borrowed) {
        return Stream.concat(borrowed.through().stream(), Stream.of(borrowed.field())).map(FieldKey::name)
                .collect(Collectors.joining("/"));
    }

    static Optional<Computed> borrowed(Tables tables, Table table, String path) {
        if (borrowable(tables, table).stream().noneMatch(choice -> choice.value.equals(path))) {
            return Optional.empty();
        }
        List<FieldKey> keys = Arrays.stream(path.split("/")).map(FieldKey::new).toList();
        return Optional.of(new Computed.Borrowed(keys.subList(0, keys.size() - 1), keys.getLast()));
    }

    /** The references of all tables that point here, whose rows can be tallied. */
    static List<Choice> tallied(Tables tables, Table table) {
        return tables.referringTo(table.key()).stream().filter(reference -> !reference.by().type().isSeveral())
                .map(reference -> new Choice(reference.from().key() + "/" + reference.by().key(),
                        reference.from().label() + " (" + reference.by().label() + ")")).toList();
    }
}
