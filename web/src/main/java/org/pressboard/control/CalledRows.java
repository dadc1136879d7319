package org.pressboard.control;

import java.time.Clock;
import java.time.LocalDate;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.pressboard.grant.Sight;
import org.pressboard.grant.Visitor;
import org.pressboard.rows.RowPicker;
import org.pressboard.sheet.Words;
import org.pressboard.table.Field;
import org.pressboard.table.Referring;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Value;
import org.springframework.stereotype.Component;
import org.springframework.util.LinkedMultiValueMap;
import org.springframework.util.MultiValueMap;

/** Rows that visitors refer to by what they are called, as far as they see them. */
@Component
public class CalledRows {

    private final RowPicker picker;
    private final Clock clock;

    CalledRows(RowPicker picker, Clock clock) {
        this.picker = picker;
        this.clock = clock;
    }

    /** The rows that a field could lead to and that are called so. */
    public List<String> called(Sight sight, Visitor visitor, Field reference, String called, Locale language) {
        return find(sight, visitor, reference, called, language).stream().map(Value.Referred::heading).toList();
    }

    private List<Value.Referred> find(Sight sight, Visitor visitor, Field reference, String called, Locale language) {
        if (!(reference.type() instanceof Referring referring)) {
            return List.of();
        }
        return picker.find(sight.of(referring.to()), visitor, visitor.on(LocalDate.now(clock)), called, language);
    }

    /**
     * What was sent of these fields, where rows are referred to by what they are called.
     */
    public RowForm read(Sight sight, Visitor visitor, List<Field> fields, MultiValueMap<String, String> sent, Words words) {
        Named named = named(sight, visitor, fields, sent, words.language());
        return named.restored(RowForm.sent(fields, named.parameters, words, words), words);
    }

    /**
     * What was sent with the numbers of rows in place of what they are called.
     *
     * @param typed   what was typed of fields that lead to rows
     * @param unknown those of them whose rows are not there
     */
    private record Named(MultiValueMap<String, String> parameters, Map<FieldKey, String> typed, Set<FieldKey> unknown) {

        /** The form with what was typed standing where it was typed. */
        RowForm restored(RowForm form, Words words) {
            return new RowForm(form.controls().stream().map(control -> restored(control, words)).toList(), form.values(),
                    form.was());
        }

        private Control restored(Control control, Words words) {
            String text = typed.get(control.field().key());
            if (text == null) {
                return control;
            }
            Control typedIn = new Control(control.field(), control.kind(), text, text, control.was(), control.problem(),
                    control.theirs());
            return unknown.contains(control.field().key())
                    ? typedIn.wrong(words.say("entry.no-row-called", text)) : typedIn;
        }
    }

    private Named named(Sight sight, Visitor visitor, List<Field> fields, MultiValueMap<String, String> sent,
            Locale language) {
        MultiValueMap<String, String> numbers = new LinkedMultiValueMap<>(sent);
        Map<FieldKey, String> typed = new LinkedHashMap<>();
        Set<FieldKey> unknown = new HashSet<>();
        for (Field field : fields) {
            String name = "v." + field.key();
            String text = Optional.ofNullable(sent.getFirst(name)).orElse("").strip();
            if (field.type() instanceof Referring && !text.isEmpty()) {
                typed.put(field.key(), text);
                Optional<Value.Referred> row = RowPicker.just(find(sight, visitor, field, text, language), text);
                numbers.set(name, row.map(found -> Long.toString(found.row())).orElse(""));
                if (row.isEmpty()) {
                    unknown.add(field.key());
                }
            }
        }
        return new Named(numbers, typed, unknown);
    }
}
