package org.pressboard.filling;

import java.util.List;
import java.util.Map;
import org.pressboard.catalog.Catalog;
import org.pressboard.control.RowForm;
import org.pressboard.problem.Problem;
import org.pressboard.words.Words;
import org.pressboard.signin.JoiningForm;
import org.pressboard.table.Field;
import org.pressboard.value.FieldKey;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Component;
import org.springframework.util.LinkedMultiValueMap;

/** Asks those who join as every form asks. */
@Component
class JoiningAnswers implements JoiningForm {

    private final Catalog catalog;
    private final MessageSource messages;

    JoiningAnswers(Catalog catalog, MessageSource messages) {
        this.catalog = catalog;
        this.messages = messages;
    }

    @Override
    public Object blank(List<Field> fields) {
        return RowForm.of(fields, Map.of(), words());
    }

    @Override
    public Answers read(List<Field> fields, Map<String, List<String>> sent) {
        LinkedMultiValueMap<String, String> all = new LinkedMultiValueMap<>(sent);
        // whoever leaves an input away has left it empty
        fields.forEach(field -> all.putIfAbsent("was." + field.key(), List.of("")));
        RowForm form = RowForm.sent(fields, all, words(), words());
        Map<FieldKey, Problem> missing = form.missing(fields);
        RowForm shown = form.with(missing, words());
        return new Answers(shown, form.filled(), missing.isEmpty() && !form.isWrong());
    }

    private Words words() {
        return new Words(messages, catalog.published().site().language());
    }
}
