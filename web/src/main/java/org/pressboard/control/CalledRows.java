package org.pressboard.control;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.pressboard.rows.RowPicker;
import org.pressboard.value.RowId;
import org.pressboard.words.Words;
import org.pressboard.table.Field;
import org.pressboard.table.Referring;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Value;
import org.pressboard.visit.Visit;
import org.springframework.stereotype.Component;
import org.springframework.util.LinkedMultiValueMap;
import org.springframework.util.MultiValueMap;

/** Rows that visitors refer to by what they are called, as far as they see them. */
@Component
public class CalledRows {

    private static final int MOST_ROWS = 100;

    private final RowPicker picker;

    CalledRows(RowPicker picker) {
        this.picker = picker;
    }

    /** The rows that a field could lead to and that are called as what was typed in it. */
    public List<String> called(Visit visit, Field reference, MultiValueMap<String, String> sent) {
        String typed = Optional.ofNullable(sent.getFirst("v." + reference.key())).orElse("");
        return find(visit, reference, typed).stream().map(Value.Referred::heading).toList();
    }

    private List<Value.Referred> find(Visit visit, Field reference, String called) {
        if (!(reference.type() instanceof Referring referring)) {
            return List.of();
        }
        return picker.find(visit.sight(referring.to()), visit.visitor(), visit.standpoint(), called, visit.language());
    }

    /**
     * What was sent of these fields, where rows are referred to by what they are called, or by {@code #} and their number.
     */
    public RowForm read(Visit visit, List<Field> fields, MultiValueMap<String, String> sent, Words words) {
        Named named = named(visit, fields, sent);
        return named.restored(RowForm.sent(fields, named.parameters, words, words), words);
    }

    /**
     * What was sent with the numbers of rows in place of what they are called.
     *
     * @param typed what was typed of fields that lead to rows, and the rows that are called so
     */
    private record Named(MultiValueMap<String, String> parameters, Map<FieldKey, List<Typed>> typed) {

        /** The form with what was typed standing where it was typed. */
        RowForm restored(RowForm form, Words words) {
            return new RowForm(form.controls().stream().map(control -> restored(control, words)).toList(), form.values(),
                    form.was());
        }

        private Control restored(Control control, Words words) {
            List<Typed> all = typed.get(control.field().key());
            if (all == null) {
                return control;
            }
            boolean isSeveral = control.field().type().isSeveral();
            Control typedIn = new Control(control.field(), control.kind(), joined(all, isSeveral ? Typed::inSeveral
                    : Typed::text), joined(all, isSeveral ? Typed::called : Typed::text), control.was(), control.problem(),
                    control.theirs());
            return all.stream().filter(each -> each.row.isEmpty()).findFirst()
                    .map(each -> typedIn.wrong(each.alike.isEmpty() ? words.say("entry.no-row-called", each.text)
                            : words.say("entry.no-row-called.alike", each.text, String.join(", ", each.alike)))).orElse(typedIn);
        }

        private static String joined(List<Typed> all, Function<Typed, String> how) {
            return Control.joined(all.stream().map(how).toList());
        }
    }

    /** What somebody typed, and the row that is called so; where none is, some that are called nearly so. */
    private record Typed(String text, Optional<Value.Referred> row, List<String> alike) {

        private String called() {
            return row.map(Value.Referred::heading).orElse(text);
        }

        private String inSeveral() {
            return row.map(found -> found.row().toString()).orElse(Control.UNKNOWN + text);
        }
    }

    private Named named(Visit visit, List<Field> fields, MultiValueMap<String, String> sent) {
        MultiValueMap<String, String> numbers = new LinkedMultiValueMap<>(sent);
        Map<FieldKey, List<Typed>> typed = new LinkedHashMap<>();
        for (Field field : fields) {
            String name = "v." + field.key();
            List<String> texts = sent.getOrDefault(name, List.of()).stream().map(String::strip).filter(text -> !text.isEmpty())
                    .distinct().limit(field.type().isSeveral() ? MOST_ROWS : 1).toList();
            if (field.type() instanceof Referring referring && !texts.isEmpty()) {
                List<Typed> found = texts.stream().map(text -> typed(visit, referring, field, text)).toList();
                typed.put(field.key(), found);
                numbers.put(name, found.stream().map(each -> each.row.map(row -> row.row().toString()).orElse(""))
                        .distinct().toList());
            }
        }
        return new Named(numbers, typed);
    }

    private Typed typed(Visit visit, Referring referring, Field field, String text) {
        Optional<RowId> number = numbered(text);
        if (number.isPresent()) {
            return new Typed(text, picker.headings(visit.sight(referring.to()), visit.visitor(), visit.standpoint(), List.of(number.get()))
                    .stream().findFirst(), List.of());
        }
        List<Value.Referred> found = find(visit, field, text);
        return new Typed(text, RowPicker.just(found, text), RowPicker.alike(found));
    }

    /** The row that is meant by {@code #} and its number. */
    static Optional<RowId> numbered(String text) {
        return text.startsWith("#") ? RowId.read(text.substring(1)) : Optional.empty();
    }
}
