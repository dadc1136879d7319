package org.pressboard.control;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiFunction;
import java.util.stream.Collectors;
import org.pressboard.problem.Problem;
import org.pressboard.value.RowId;
import org.pressboard.words.Words;
import org.pressboard.table.Attached;
import org.pressboard.table.Chosen;
import org.pressboard.table.Field;
import org.pressboard.table.Referring;
import org.pressboard.value.FieldKey;
import org.pressboard.value.TypedForm;
import org.pressboard.value.Value;
import org.springframework.util.MultiValueMap;

/**
 * A row as somebody fills it in: what was there, what they typed, and what of that is wrong.
 *
 * @param values what was typed, of the fields where it fits; absent where a field is left empty
 * @param was    what stood there when they began
 */
public record RowForm(List<Control> controls, Map<FieldKey, Optional<Value>> values, Map<FieldKey, Optional<Value>> was) {

    /** The fields that are left as somebody else has put them meanwhile, whatever was typed there. */
    private static final String LEFT = "left";

    /** Before anything is typed. */
    public static RowForm of(List<Field> fields, Map<FieldKey, Value> values, Words site) {
        return new RowForm(fields.stream()
                .map(field -> Control.of(field, values.get(field.key()), site.written())).toList(), Map.of(), Map.of());
    }

    /** As it was sent; fields that were not sent are left out. */
    public static RowForm sent(List<Field> fields, MultiValueMap<String, String> parameters, Words site,
            Words said) {
        TypedForm language = TypedForm.of(site.language());
        List<Control> controls = new ArrayList<>();
        Map<FieldKey, Optional<Value>> values = new LinkedHashMap<>();
        Map<FieldKey, Optional<Value>> was = new LinkedHashMap<>();
        for (Field field : fields) {
            if (!parameters.containsKey("was." + field.key())) {
                continue;
            }
            String wasThen = String.valueOf(parameters.getFirst("was." + field.key())).replace("\r\n", "\n");
            Optional<Value> before = field.type().read(wasThen).filter(value -> !wasThen.isEmpty());
            was.put(field.key(), before);
            if (parameters.getOrDefault(LEFT, List.of()).contains(field.key().name())) {
                values.put(field.key(), before);
                controls.add(Control.of(field, before.orElse(null), site.written()));
                continue;
            }
            String typed = typed(field, parameters);
            Control control = Control.of(field, null, site.written()).with(typed, wasThen);
            Optional<Value> value = typed.isBlank() ? Optional.empty() : field.type().readTyped(typed, language);
            if (value.isEmpty() && !typed.isBlank()) {
                controls.add(control.wrong(said.say("entry.misfit." + field.type().code(), typed)));
            } else {
                values.put(field.key(), value);
                controls.add(control);
            }
        }
        return new RowForm(controls, values, was);
    }

    /** Several values, and one that is not offered yet, are sent under the same name. */
    private static String typed(Field field, MultiValueMap<String, String> parameters) {
        List<String> sent = parameters.getOrDefault("v." + field.key(), List.of());
        String added = Optional.ofNullable(parameters.getFirst("new." + field.key())).orElse("").strip();
        if (field.type() instanceof Attached || field.type() instanceof Referring.References) {
            return Control.joined(sent);
        }
        if (!(field.type() instanceof Chosen)) {
            return sent.isEmpty() ? "" : sent.getFirst();
        }
        if (field.type() instanceof Chosen.Choice) {
            return added.isEmpty() ? Control.joined(sent) : added;
        }
        List<String> all = new ArrayList<>(sent);
        all.add(added);
        return Control.joined(all);
    }

    public boolean takesFiles() {
        return controls.stream().anyMatch(control -> control.field().type() instanceof Attached);
    }

    public boolean isWrong() {
        return controls.stream().anyMatch(control -> !control.problem().isEmpty());
    }

    /** What was filled in. */
    public Map<FieldKey, Value> filled() {
        Map<FieldKey, Value> filled = new HashMap<>();
        values.forEach((field, value) -> value.ifPresent(is -> filled.put(field, is)));
        return filled;
    }

    /** Whether something is asked and nothing filled in; nobody means to add a row with nothing in it. */
    public boolean isUnfilled() {
        return !controls.isEmpty() && filled().isEmpty();
    }

    /** What these fields are still against; where something is wrong already it has been said. */
    public Map<FieldKey, Problem> missing(Collection<Field> fields) {
        Set<FieldKey> said = controls.stream().filter(control -> !control.problem().isEmpty())
                .map(control -> control.field().key()).collect(Collectors.toSet());
        Map<FieldKey, Problem> missing = new HashMap<>();
        fields.stream().filter(field -> !said.contains(field.key())).forEach(field ->
                Optional.ofNullable(values.get(field.key())).flatMap(value -> field.rules().check(value.orElse(null)))
                        .ifPresent(problem -> missing.put(field.key(), problem)));
        return missing;
    }

    /** The same with what is wrong said at its field. */
    public RowForm with(Map<FieldKey, Problem> problems, Words said) {
        return new RowForm(controls.stream().map(control -> Optional.ofNullable(problems.get(control.field().key()))
                .map(problem -> control.wrong(sentence(problem, control.field(), said))).orElse(control)).toList(),
                values, was);
    }

    private static String sentence(Problem problem, Field field, Words said) {
        Object[] details = problem.details().stream().map(detail -> detail instanceof Value value
                ? field.type().write(value, said.written()) : detail).toArray();
        return said.say("problem." + problem.code(), details);
    }

    /** The same with what somebody else put there meanwhile beside it. */
    public RowForm meanwhile(Map<FieldKey, Optional<Value>> theirs, Words site) {
        return new RowForm(controls.stream().map(control -> theirs.containsKey(control.field().key())
                ? control.meanwhile(theirs.get(control.field().key()).orElse(null), site.written())
                : control).toList(), values, was);
    }

    /** The same with rows referred to by what they are called. */
    public RowForm named(BiFunction<Field, RowId, String> headings) {
        return new RowForm(controls.stream().map(control -> control.field().type() instanceof Referring
                ? control.called(headings) : control).toList(), values, was);
    }
}
