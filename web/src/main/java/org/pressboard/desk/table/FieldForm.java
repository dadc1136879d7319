package org.pressboard.desk.table;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.pressboard.condition.Operand;
import org.pressboard.sheet.Words;
import org.pressboard.table.Chosen;
import org.pressboard.table.Computed;
import org.pressboard.table.Field;
import org.pressboard.table.FieldType;
import org.pressboard.table.Numeric;
import org.pressboard.table.Referring;
import org.pressboard.table.Rules;
import org.pressboard.table.Shape;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;
import org.pressboard.table.Temporal;
import org.pressboard.value.FieldKey;
import org.pressboard.value.TypedForm;
import org.pressboard.value.Value;
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
        List<String> texts = sent.getOrDefault(name, List.of());
        return texts.isEmpty() ? "" : texts.getFirst();
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
        List<String> texts = sent.getOrDefault(name, List.of());
        return index < texts.size() ? texts.get(index) : "";
    }

    /** As it was sent, for a new field or one that is there. */
    static FieldForm sent(Tables tables, Table table, @Nullable Field existing, MultiValueMap<String, String> parameters,
            Words site, Words desk) {
        FieldKind kind = existing != null ? FieldKind.of(existing)
                : kind(String.valueOf(parameters.getFirst("kind"))).orElse(FieldKind.TEXT);
        return new FieldReader(tables, table, existing, kind, parameters, site, desk).read();
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

    /** The texts of the inputs that a field as it is comes to. */
    static final class FieldTexts {

        private FieldTexts() {
        }

        static Map<String, List<String>> of(Field field, Words site) {
            Map<String, List<String>> texts = new LinkedHashMap<>();
            texts.put("label", List.of(field.label()));
            texts.put("help", List.of(field.help()));
            texts.put("unit", List.of(field.unit()));
            put(texts, "hidden", field.hidden());
            put(texts, "required", field.rules().required());
            put(texts, "unique", field.rules().unique());
            rules(texts, field, site);
            type(texts, field.type());
            field.computing().ifPresent(computed -> computed(texts, computed, site));
            return texts;
        }

        private static void put(Map<String, List<String>> texts, String name, boolean isSet) {
            if (isSet) {
                texts.put(name, List.of("yes"));
            }
        }

        private static void rules(Map<String, List<String>> texts, Field field, Words site) {
            Rules rules = field.rules();
            texts.put("least", List.of(typed(field, rules.least(), site)));
            texts.put("greatest", List.of(typed(field, rules.greatest(), site)));
            texts.put("begins", List.of(rules.shape().begins()));
            texts.put("characters", List.of(rules.shape().rest().name()));
            texts.put("shortest", List.of(Objects.toString(rules.shape().shortest(), "")));
            texts.put("longest", List.of(Objects.toString(rules.shape().longest(), "")));
            switch (field.start()) {
                case null -> { }
                case Operand.Fixed fixed -> texts.put("start", List.of(typed(field, fixed.value(), site)));
                case Operand.Today today -> put(texts, "startToday", true);
                case Operand.OfVisitor visitor -> put(texts, "startVisitor", true);
            }
        }

        private static String typed(Field field, @Nullable Value value, Words site) {
            return Control.of(field, value, site.written()).text();
        }

        private static void type(Map<String, List<String>> texts, FieldType type) {
            switch (type) {
                case Numeric.WholeNumber whole -> put(texts, "ungrouped", !whole.grouped());
                case Numeric.Decimal decimal -> texts.put("digits", List.of(String.valueOf(decimal.digits())));
                case Numeric.Percent percent -> texts.put("digits", List.of(String.valueOf(percent.digits())));
                case Numeric.Money money -> texts.put("currency", List.of(money.currency()));
                case Numeric.Rating rating -> texts.put("marks", List.of(String.valueOf(rating.most())));
                case Chosen chosen -> {
                    List<String> options = chosen.options().stream().map(Chosen.Option::text).toList();
                    texts.put("option", options);
                    texts.put("optionWas", options);
                    texts.put("colour", chosen.options().stream().map(option -> option.colour().name()).toList());
                }
                case Referring referring -> {
                    texts.put("to", List.of(referring.to().name()));
                    texts.put("onRemoval", List.of(referring.onRemoval().name()));
                }
                default -> { }
            }
        }

        private static void computed(Map<String, List<String>> texts, Computed computed, Words site) {
            switch (computed) {
                case Computed.Borrowed borrowed -> texts.put("path", List.of(ComputedChoices.path(borrowed)));
                case Computed.Tally tally -> TallyForm.texts(texts, tally, site);
                case Computed.Composed composed -> {
                    texts.put("partField", composed.parts().stream().map(part ->
                            part instanceof Computed.Part.OfField of ? of.field().name() : "").toList());
                    texts.put("partWords", composed.parts().stream().map(part ->
                            part instanceof Computed.Part.Words words ? words.text() : "").toList());
                }
            }
        }
    }

    /** Reads one form. */
    private static final class FieldReader {

        private static final int LONGEST_HELP = 300;
        private static final int LONGEST_UNIT = 12;
        private static final int MOST_OPTIONS = 200;
        private static final int MOST_CHARACTERS = 10_000;

        private final Tables tables;
        private final Table table;
        private final @Nullable Field existing;
        private final FieldKind kind;
        private final MultiValueMap<String, String> sent;
        private final Words site;
        private final Words desk;
        private final Map<String, String> problems = new LinkedHashMap<>();
        private final Map<String, String> renamed = new LinkedHashMap<>();

        FieldReader(Tables tables, Table table, @Nullable Field existing, FieldKind kind,
                MultiValueMap<String, String> sent, Words site, Words desk) {
            this.tables = tables;
            this.table = table;
            this.existing = existing;
            this.kind = kind;
            this.sent = sent;
            this.site = site;
            this.desk = desk;
        }

        FieldForm read() {
            String label = label();
            FieldType type = kind.type(sent, options(), tables).orElse(null);
            if (type == null) {
                problems.put("to", desk.say(kind == FieldKind.PERSON ? "desk.field.no-people" : "desk.field.no-target"));
            }
            Computed computed = kind.isComputed() ? computed() : null;
            Field field = null;
            if (type != null && !label.isEmpty() && (computed != null || !kind.isComputed())) {
                FieldKey key = existing != null ? existing.key() : FieldKey.from(label, table.fields().stream()
                        .map(each -> each.key().name()).collect(Collectors.toSet()));
                field = new Field(key, label, existing != null && kind.isComputed() ? existing.type() : type, computed,
                        Rules.NONE, null, text("help", LONGEST_HELP), text("unit", LONGEST_UNIT),
                        sent.containsKey("hidden"));
                field = kind.isComputed() ? field : field.with(rules(type)).starting(start(type));
            }
            return new FieldForm(kind, new LinkedHashMap<>(sent), field, renamed, problems);
        }

        private String label() {
            String label = first("label").strip();
            if (label.isEmpty() || label.length() > Field.LONGEST_LABEL) {
                problems.put("label", desk.say("desk.field.no-label"));
                return "";
            }
            boolean isTaken = table.fields().stream().filter(field -> existing == null
                    || !field.key().equals(existing.key())).anyMatch(field -> field.label().equalsIgnoreCase(label));
            if (isTaken) {
                problems.put("label", desk.say("desk.field.label-taken", label));
            }
            return label;
        }

        private String first(String name) {
            return Objects.toString(sent.getFirst(name), "");
        }

        private String text(String name, int longest) {
            String text = first(name).strip();
            if (text.length() > longest) {
                problems.put(name, desk.say("desk.field.too-long", longest));
            }
            return text.length() > longest ? "" : text;
        }

        private List<Chosen.Option> options() {
            List<Chosen.Option> options = new ArrayList<>();
            List<String> texts = sent.getOrDefault("option", List.of());
            for (int i = 0; i < Math.min(texts.size(), MOST_OPTIONS) && kind.isChosen(); i++) {
                String text = texts.get(i).strip();
                String was = at("optionWas", i);
                if (text.isEmpty()) {
                    continue;
                }
                if (options.stream().anyMatch(option -> option.text().equals(text))) {
                    problems.put("option", desk.say("desk.field.option-twice", text));
                    continue;
                }
                options.add(new Chosen.Option(text, colour(at("colour", i))));
                if (!was.isEmpty() && !was.equals(text)) {
                    renamed.put(was, text);
                }
            }
            return options;
        }

        private String at(String name, int index) {
            List<String> texts = sent.getOrDefault(name, List.of());
            return index < texts.size() ? texts.get(index) : "";
        }

        private static Chosen.Colour colour(String name) {
            return List.of(Chosen.Colour.values()).stream().filter(colour -> colour.name().equals(name)).findFirst()
                    .orElse(Chosen.Colour.PLAIN);
        }

        private Rules rules(FieldType type) {
            return new Rules(sent.containsKey("required"), sent.containsKey("unique") && !kind.cannotDiffer(),
                    kind.hasRange() ? value("least", type) : null, kind.hasRange() ? value("greatest", type) : null,
                    kind.isText() ? shape() : Shape.ANY);
        }

        private Shape shape() {
            Shape.Characters characters = List.of(Shape.Characters.values()).stream()
                    .filter(each -> each.name().equals(first("characters"))).findFirst().orElse(Shape.Characters.ANY);
            return new Shape(first("begins"), characters, count("shortest"), count("longest"));
        }

        private @Nullable Integer count(String name) {
            String text = first(name).strip();
            if (text.isEmpty()) {
                return null;
            }
            if (!text.matches("\\d{1,5}") || Integer.parseInt(text) > MOST_CHARACTERS) {
                problems.put(name, desk.say("entry.misfit.whole-number", text));
                return null;
            }
            return Integer.valueOf(text);
        }

        private @Nullable Value value(String name, FieldType type) {
            String text = first(name).strip();
            if (text.isEmpty()) {
                return null;
            }
            Optional<Value> value = type.readTyped(text, TypedForm.of(site.language()));
            if (value.isEmpty()) {
                problems.put(name, desk.say("entry.misfit." + type.code(), text));
            }
            return value.orElse(null);
        }

        private @Nullable Operand start(FieldType type) {
            if (sent.containsKey("startToday") && (type instanceof Temporal.Date || type instanceof Temporal.DateTime)) {
                return new Operand.Today(0);
            }
            Value value = value("start", type);
            return value == null ? null : new Operand.Fixed(value);
        }

        private @Nullable Computed computed() {
            return switch (kind) {
                case BORROWED -> ComputedChoices.borrowed(tables, table, first("path")).orElseGet(() -> missing("path"));
                case TALLY -> new TallyForm(tables, table, sent, site, desk, problems).read();
                default -> composed();
            };
        }

        private @Nullable Computed missing(String name) {
            problems.put(name, desk.say("desk.field.choose"));
            return null;
        }

        private @Nullable Computed composed() {
            List<Computed.Part> parts = new ArrayList<>();
            for (int i = 0; i < sent.getOrDefault("partField", List.of()).size(); i++) {
                String name = at("partField", i);
                Optional<Field> field = table.fields().stream().filter(each -> each.key().name().equals(name)
                        && (existing == null || !each.key().equals(existing.key()))).findFirst();
                if (field.isPresent()) {
                    parts.add(new Computed.Part.OfField(field.get().key()));
                } else if (!at("partWords", i).isEmpty()) {
                    parts.add(new Computed.Part.Words(at("partWords", i)));
                }
            }
            return parts.stream().anyMatch(Computed.Part.OfField.class::isInstance) ? new Computed.Composed(parts)
                    : missing("partField");
        }
    }

    /** The names of the colours that an option can have. */
    public List<String> colours() {
        return List.of(Chosen.Colour.values()).stream().map(Enum::name).toList();
    }

    public List<String> currencies() {
        return Currencies.ALL;
    }

    public String kindName() {
        return kind.name().toLowerCase(Locale.ROOT);
    }
}
