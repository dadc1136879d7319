package org.pressboard.desk.table;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.pressboard.desk.operand.OperandChoices;
import org.pressboard.history.Act;
import org.pressboard.words.Words;
import org.pressboard.table.Computed;
import org.pressboard.table.Field;
import org.pressboard.table.Operands;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;
import org.pressboard.value.FieldKey;

/** What an act changed of the definition of a table, in words: each piece as it was and as it is. */
final class DefinitionWords {

    /** What is said besides by another piece. */
    private static final Set<String> REPEATED = Set.of("optionWas", "partField", "partWords", "startWith");

    /** Pieces that are codes, and where the words for these stand. */
    private static final Map<String, String> CODES = Map.of("noted", "noted.", "characters", "characters.", "colour", "colour.",
            "measure", "measure.", "whereIs", "comparison.", "onRemoval", "definition.onRemoval.");

    private final Words desk;
    private final Words site;

    private final Tables tables;

    DefinitionWords(Words desk, Words site, Tables tables) {
        this.tables = tables;
        this.desk = desk;
        this.site = site;
    }

    List<HistoryWords.Change> of(Act.Details details) {
        return details.before() == null || details.after() == null ? List.of()
                : between(details.before(), details.after());
    }

    List<HistoryWords.Change> between(Table before, Table after) {
        List<HistoryWords.Change> changes = new ArrayList<>();
        add(changes, "", about(before), about(after));
        for (Field field : before.fields()) {
            Optional<Field> now = after.fields().find(field.key());
            now.ifPresentOrElse(is -> add(changes, is.label() + ": ", pieces(before, field), pieces(after, is)),
                    () -> changes.add(new HistoryWords.Change(field.label(), kind(field), "")));
        }
        after.fields().stream().filter(field -> !before.fields().has(field.key()))
                .forEach(field -> changes.add(new HistoryWords.Change(field.label(), "", kind(field))));
        order(before, after).ifPresent(changes::add);
        return changes;
    }

    private void add(List<HistoryWords.Change> changes, String of, Map<String, String> before,
            Map<String, String> after) {
        Set<String> names = new LinkedHashSet<>(before.keySet());
        names.addAll(after.keySet());
        for (String name : names) {
            String was = before.getOrDefault(name, "");
            String is = after.getOrDefault(name, "");
            if (!was.equals(is)) {
                changes.add(new HistoryWords.Change(of + desk.say("definition." + name), was, is));
            }
        }
    }

    private static Map<String, String> about(Table table) {
        Map<String, String> about = new LinkedHashMap<>();
        about.put("table", table.label());
        about.put("description", table.description());
        about.put("heading", label(table, table.heading()));
        about.put("rowKey", label(table, table.rowKey()));
        about.put("people", label(table, table.people()));
        return about;
    }

    private static String label(Table table, @Nullable FieldKey key) {
        return Optional.ofNullable(key).flatMap(table.fields()::find).map(Field::label).orElse("");
    }

    private Map<String, String> pieces(Table table, Field field) {
        Map<String, String> pieces = new LinkedHashMap<>();
        pieces.put("kind", kind(field));
        FieldTexts.of(field, site).forEach((name, texts) -> {
            if (!REPEATED.contains(name)) {
                pieces.put(name, texts.stream().filter(text -> !text.isEmpty()).map(text -> word(name, text))
                        .collect(Collectors.joining(", ")));
            }
        });
        if (field.start() != null) {
            pieces.put("start", new OperandChoices(new Operands(tables, table, Operands.Use.START), desk)
                    .said(field.start(), value -> site.written(field, value)));
        }
        if (field.computed() instanceof Computed.Composed composed) {
            pieces.put("parts", composed.parts().stream().map(part -> switch (part) {
                case Computed.Part.Words(String text) -> desk.quoted(text);
                case Computed.Part.OfField(FieldKey key) -> key.name();
            }).collect(Collectors.joining(" ")));
        }
        return pieces;
    }

    private String word(String name, String text) {
        return CODES.containsKey(name) ? desk.say(CODES.get(name) + text) : text;
    }

    private String kind(Field field) {
        return desk.say("kind." + FieldKind.of(field));
    }

    /** The order of the fields that both have. */
    private Optional<HistoryWords.Change> order(Table before, Table after) {
        List<FieldKey> was = shared(before, after);
        List<FieldKey> is = shared(after, before);
        return was.equals(is) ? Optional.empty()
                : Optional.of(new HistoryWords.Change(desk.say("definition.fields"), labels(after, was), labels(after, is)));
    }

    private static List<FieldKey> shared(Table one, Table other) {
        return one.fields().stream().map(Field::key).filter(other.fields()::has).toList();
    }

    private static String labels(Table table, List<FieldKey> keys) {
        return keys.stream().map(key -> table.field(key).label()).collect(Collectors.joining(", "));
    }
}
