package org.pressboard.desk.table;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.pressboard.condition.Operand;
import org.pressboard.desk.operand.OperandChoices;
import org.pressboard.desk.operand.SentTexts;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.words.Words;
import org.pressboard.table.Chosen;
import org.pressboard.table.Computed;
import org.pressboard.table.Field;
import org.pressboard.table.FieldType;
import org.pressboard.table.Operands;
import org.pressboard.table.Rules;
import org.pressboard.table.Shape;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;
import org.pressboard.value.FieldKey;
import org.pressboard.value.TypedForm;
import org.pressboard.value.Value;
import org.springframework.util.MultiValueMap;

/** Reads what was sent of one field. For one use. */
final class FieldReader {

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
            FieldKey key = existing != null ? existing.key() : table.fields().free(label);
            field = new Field(key, label, existing != null && kind.isComputed() ? existing.type() : type, computed,
                    Rules.NONE, null, text("help", LONGEST_HELP), text("unit", LONGEST_UNIT),
                    sent.containsKey("hidden"), kind.comesFromRows() && sent.containsKey("open"));
            field = kind.isComputed() ? field : field.with(rules(type)).starting(start(field));
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
        return SentTexts.at(sent, name, 0);
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
        return SentTexts.at(sent, name, index);
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

    private @Nullable Operand start(Field field) {
        OperandChoices starts = new OperandChoices(new Operands(tables, table, Operands.Use.START), desk);
        try {
            return starts.read(field, first("startWith"), first("start").strip(), text -> new Operand.Fixed(field.type()
                    .readTyped(text, TypedForm.of(site.language())).orElseThrow(() -> ProblemsFound.of("entry.misfit." + field.type().code(), text))))
                    .orElse(null);
        } catch (ProblemsFound misfit) {
            problems.put("start", desk.say(misfit.problems().all().getFirst()));
            return null;
        }
    }

    private @Nullable Computed computed() {
        return switch (kind) {
            case BORROWED -> ComputedChoices.borrowed(tables, table, first("path")).orElseGet(() -> missing("path"));
            case TALLY -> new TallyForm(tables, table, sent, site, desk, problems).read();
            case NOTED -> Stream.of(Computed.Note.values()).filter(note -> note.name().equals(first("noted"))).findFirst()
                    .<Computed>map(Computed.Noted::new).orElseGet(() -> missing("noted"));
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
