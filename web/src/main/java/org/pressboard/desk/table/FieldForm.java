package org.pressboard.desk.table;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.pressboard.desk.operand.SentTexts;
import org.pressboard.words.Words;
import org.pressboard.table.Chosen;
import org.pressboard.table.Currencies;
import org.pressboard.table.Field;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;
import org.springframework.util.MultiValueMap;

/**
 * A field as its owner describes it: what was sent, the field that it comes to, and what is wrong.
 *
 * @param sent     the texts of its inputs by their names
 * @param field    the field so described; {@code null} as long as something is missing
 * @param renamed  options that are called otherwise now, by their former texts
 * @param problems what is wrong, by the names of the inputs
 */
record FieldForm(FieldKind kind, Map<String, List<String>> sent, @Nullable Field field, Map<String, String> renamed,
                 Map<String, String> problems) {

    /** An option as it is edited. */
    public record OptionLine(String was, String text, String colour) {
    }

    /** A piece of composed text as it is edited: of a field, or fixed words. */
    public record PartLine(String field, String words) {
    }

    /** A field as it is, to be changed. */
    static FieldForm of(Field field, Words site) {
        return new FieldForm(FieldKind.of(field), FieldTexts.of(field, site), field, Map.of(), Map.of());
    }

    static FieldForm fresh(FieldKind kind) {
        return new FieldForm(kind, Map.of(), null, Map.of(), Map.of());
    }

    boolean isRight() {
        return field != null && problems.isEmpty();
    }

    public String text(String name) {
        return at(name, 0);
    }

    public boolean has(String name) {
        return sent.containsKey(name);
    }

    public boolean is(String name, String text) {
        return text(name).equals(text);
    }

    public String problem(String name) {
        return problems.getOrDefault(name, "");
    }

    /** The options as they stand, with room for more. */
    public List<OptionLine> options() {
        List<OptionLine> lines = new ArrayList<>();
        List<String> texts = sent.getOrDefault("option", List.of());
        for (int i = 0; i < texts.size(); i++) {
            lines.add(new OptionLine(at("optionWas", i), texts.get(i), at("colour", i)));
        }
        lines.removeIf(line -> line.text.isBlank() && line.was.isBlank());
        for (int room = 0; room < 3; room++) {
            lines.add(new OptionLine("", "", "PLAIN"));
        }
        return lines;
    }

    /** The pieces as they stand, with room for one of each sort. */
    public List<PartLine> parts() {
        List<PartLine> lines = new ArrayList<>();
        int count = sent.getOrDefault("partField", List.of()).size();
        for (int i = 0; i < count; i++) {
            lines.add(new PartLine(at("partField", i), at("partWords", i)));
        }
        lines.removeIf(line -> line.field.isEmpty() && line.words.isEmpty());
        lines.add(new PartLine("", ""));
        lines.add(new PartLine("", ""));
        return lines;
    }

    public String at(String name, int index) {
        return SentTexts.at(sent, name, index);
    }

    /** As it was sent, for a new field or one that is there. */
    static FieldForm sent(Tables tables, Table table, @Nullable Field existing, MultiValueMap<String, String> parameters,
            Words site, Words desk) {
        FieldKind kind = existing != null ? FieldKind.of(existing)
                : kind(String.valueOf(parameters.getFirst("kind"))).orElse(FieldKind.TEXT);
        return new FieldReader(tables, table, existing, kind, Pieces.apart(parameters), site, desk).read();
    }

    static Optional<FieldKind> kind(String name) {
        return List.of(FieldKind.values()).stream().filter(kind -> kind.name().equals(name)).findFirst();
    }

    /** The same with something wrong that only the site as a whole can tell. */
    FieldForm wrong(String name, String sentence) {
        Map<String, String> more = new LinkedHashMap<>(problems);
        more.put(name, sentence);
        return new FieldForm(kind, sent, field, renamed, more);
    }

    /** The names of the colours that an option can have. */
    public List<String> colours() {
        return List.of(Chosen.Colour.values()).stream().map(Enum::name).toList();
    }

    public Set<String> currencies() {
        return Currencies.ALL;
    }
}
