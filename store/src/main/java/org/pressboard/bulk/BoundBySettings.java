package org.pressboard.bulk;

import java.util.ArrayList;
import java.util.List;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.Param;
import org.jooq.Query;
import org.jooq.VisitContext;
import org.jooq.VisitListener;
import org.jooq.impl.DSL;

/**
 * Renders a query for COPY, which takes no parameters: its values are bound to settings of the transaction, and the
 * text refers to these. So no value is ever written into the text. For one query.
 */
final class BoundBySettings implements VisitListener {

    private static final String SETTING = "pressboard.value_";

    private final List<String> names = new ArrayList<>();
    private final List<String> values = new ArrayList<>();

    /** The query's text, good until the transaction ends. */
    static String render(DSLContext sql, Query query) {
        BoundBySettings bound = new BoundBySettings();
        String text = DSL.using(sql.configuration().derive(bound)).render(query);
        sql.fetch("select set_config(name, value, true) from unnest({0}, {1}) as bound (name, value)",
                DSL.val(bound.names.toArray(String[]::new)), DSL.val(bound.values.toArray(String[]::new)));
        return text;
    }

    @Override
    public void visitStart(VisitContext context) {
        if (context.queryPart() instanceof Param<?> value && !value.isInline()) {
            context.queryPart(inSetting(value));
        }
    }

    private Field<?> inSetting(Param<?> value) {
        if (value.getValue() == null) {
            return DSL.inline((String) null).cast(value.getDataType());
        }
        String name = SETTING + names.size();
        names.add(name);
        values.add(value.getValue().toString());
        return DSL.field("current_setting({0})", String.class, DSL.inline(name)).cast(value.getDataType());
    }
}
