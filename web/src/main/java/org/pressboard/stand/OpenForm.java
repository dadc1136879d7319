package org.pressboard.stand;

import java.util.List;
import java.util.Locale;
import org.pressboard.condition.Standpoint;
import org.pressboard.form.Form;
import org.pressboard.grant.Sight;
import org.pressboard.grant.Verb;
import org.pressboard.grant.Visitor;
import org.pressboard.table.Field;
import org.pressboard.table.Table;

/**
 * A form on a page that somebody has before them.
 *
 * @param form as it asks them: for nothing that they may not give
 */
public record OpenForm(OpenPage on, Form form) {

    public OpenForm {
        form = on.visit().site().asked(form, on.visit().visitor());
    }

    public Visitor visitor() {
        return on.visit().visitor();
    }

    /** What they see of its table, and of those around it. */
    public Sight sight() {
        return on.visit().sight(form.table());
    }

    public Table table() {
        return sight().table();
    }

    /** Whether they may add rows to it at all. */
    public boolean may() {
        return on.visit().site().may(visitor(), Verb.ADD, form.table()).isAllowed();
    }

    /** From where they fill it in. */
    public Standpoint standpoint() {
        return on.visit().standpoint().on(on.page().here());
    }

    public Locale language() {
        return on.visit().language();
    }

    /** Where it is sent to; empty in a proof, where nothing is. */
    public String address() {
        return on.stand() instanceof Stand.Published published ? published.page() + "/send/" + form.key() : "";
    }

    /** As rows remember it. */
    public String name() {
        return on.page().remembered(form);
    }

    /** The fields that it asks for, as it asks for them. */
    public List<Field> fields() {
        Table table = table();
        return form.questions().stream().map(question -> question.asked(table)).toList();
    }
}
