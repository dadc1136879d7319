package org.pressboard.schema;

import java.util.List;
import org.jooq.Condition;
import org.jooq.impl.DSL;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Grant;
import org.pressboard.grant.Grants;
import org.pressboard.grant.Verb;
import org.pressboard.sql.OperandSql;
import org.pressboard.sql.TableSql;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;
import org.pressboard.value.FieldKey;

/** The grants of a table as conditions over its rows, for whoever the settings of the transaction say. */
record GrantSql(Tables tables, Table table, Grants grants) {

    /** That the grant is given to them, and is for the row. */
    Condition of(Grant grant) {
        return audience(grant.audience()).and(rows(grants.reach(grant)));
    }

    /** That they may do that with the row, and with this field of it. */
    Condition of(Verb verb, FieldKey field) {
        return DSL.or(grants.with(field, verb).stream().map(this::of).toList()).and(bound(verb));
    }

    /** What binds everybody, whatever they were granted: that the row has been let through, or need not be. */
    Condition bound(Verb verb) {
        if (!grants.approval().isAsked()) {
            return DSL.noCondition();
        }
        List<Condition> letting = grants.all().stream().filter(grant -> grant.verb() == Verb.APPROVE).map(this::of).toList();
        // those who let through are told by whom they are, which the core's condition cannot
        return rows(grants.approval().bound(verb, grants.ofOwn(), org.pressboard.condition.Condition.NEVER))
                .or(DSL.or(letting));
    }

    private Condition rows(org.pressboard.condition.Condition condition) {
        return TableSql.secured(tables, table).conditionRowByRow(condition);
    }

    private static Condition audience(Audience audience) {
        return switch (audience) {
            case Audience.Everyone everyone -> DSL.trueCondition();
            case Audience.Members members -> OperandSql.setting(OperandSql.SETTING_KIND).eq(DSL.inline("MEMBER"));
            case Audience.Those those -> OperandSql.isInGroup(those.group().name());
        };
    }
}
