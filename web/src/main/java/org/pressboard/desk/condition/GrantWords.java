package org.pressboard.desk.condition;

import java.util.List;
import java.util.stream.Collectors;
import org.pressboard.condition.Condition;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Grant;
import org.pressboard.grant.Group;
import org.pressboard.grant.Verb;
import org.pressboard.words.Words;
import org.pressboard.table.Field;
import org.pressboard.table.Table;

/** Grants of one table in words: who, and which rows. */
public final class GrantWords {

    private final Words desk;
    private final ConditionWords conditions;
    private final Table table;
    private final List<Group> groups;

    GrantWords(Words desk, ConditionWords conditions, Table table, List<Group> groups) {
        this.desk = desk;
        this.conditions = conditions;
        this.table = table;
        this.groups = groups;
    }

    /** Those whom something is given to. */
    static String audience(Audience audience, List<Group> groups, Words desk) {
        return switch (audience) {
            case Audience.Everyone everyone -> desk.say("grants.everyone");
            case Audience.Members members -> desk.say("grants.members");
            case Audience.Those those -> groups.stream().filter(group -> group.key().equals(those.group())).findFirst()
                    .map(Group::label).orElse(those.group().name());
        };
    }

    /** Which rows it is for, and without which fields. */
    public String rows(Grant grant) {
        String labels = table.fields().stream().filter(field -> grant.without().contains(field.key())).map(Field::label)
                .collect(Collectors.joining(", "));
        return labels.isEmpty() ? reach(grant) : desk.say("grants.without", reach(grant), labels);
    }

    private String reach(Grant grant) {
        if (grant.own()) {
            return desk.say("grants.OWN");
        }
        Condition rows = grant.rows();
        if (rows.equals(Condition.ALWAYS)) {
            return desk.say("grants.ALL");
        }
        return rows.equals(Condition.NEVER) ? desk.say("grants.MEETING-nothing")
                : desk.say("grants.MEETING", conditions.of(rows));
    }

    /** Who may do that with which rows, of all grants of that verb. */
    public String said(List<Grant> grants, Verb verb) {
        return grants.stream().filter(grant -> grant.verb() == verb)
                .map(grant -> desk.say("grants.said", audience(grant.audience(), groups, desk), rows(grant)))
                .collect(Collectors.joining("; "));
    }
}
