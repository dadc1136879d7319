package org.pressboard.rows;

import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.pressboard.condition.Standpoint;
import org.pressboard.grant.Visitor;
import org.pressboard.sql.OperandSql;
import org.springframework.stereotype.Component;

/**
 * The second lock: the rest of the transaction runs under the role that visitors' rows leave by, with who they are in
 * settings that end with the transaction. Staff keep the owner's role.
 */
@Component
public class VisitorScope {

    public static final String ROLE = "pressboard_visitor";

    private final DSLContext sql;

    VisitorScope(DSLContext sql) {
        this.sql = sql;
    }

    public void enter(Visitor visitor, Standpoint standpoint) {
        if (visitor.isStaff()) {
            return;
        }
        sql.fetch("select set_config('role', {0}, true), set_config({1}, {2}, true), set_config({3}, {4}, true), "
                        + "set_config({5}, {6}, true)",
                DSL.inline(ROLE),
                DSL.inline(OperandSql.SETTING_KIND), DSL.val(visitor.kind().name()),
                DSL.inline(OperandSql.SETTING_EMAIL), DSL.val(standpoint.visitorEmail().orElse("")),
                DSL.inline(OperandSql.SETTING_TODAY), DSL.val(standpoint.today().toString()));
    }
}
