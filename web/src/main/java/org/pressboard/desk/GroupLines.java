package org.pressboard.desk;


import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.pressboard.catalog.PublishedSite;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Standpoint;
import org.pressboard.desk.condition.ConditionDesk;
import org.pressboard.grant.Group;
import org.pressboard.grant.Sight;
import org.pressboard.listing.RowQuery;
import org.pressboard.rows.Rows;
import org.pressboard.words.Words;
import org.pressboard.table.Table;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Component;

/** Groups in words, and how many members are in them right now. */
@Component
class GroupLines {

    private final Rows rows;
    private final ConditionDesk conditions;
    private final MessageSource messages;

    GroupLines(Rows rows, ConditionDesk conditions, MessageSource messages) {
        this.rows = rows;
        this.conditions = conditions;
        this.messages = messages;
    }

    /** A group, who is in it in words, and how many that are right now. */
    public record GroupLine(Group group, String said, String count) {
    }

    GroupLine line(PublishedSite site, Table people, Group group) {
        Group now = group.of(site.tables(), people);
        List<String> said = new ArrayList<>();
        List<String> counts = new ArrayList<>();
        if (!now.rows().equals(Condition.NEVER)) {
            said.add(words().say("groups.where", conditions.words(site.tables(), people).of(now.rows())));
            counts.add(now.rows().dependsOnStandpoint() ? words().say("groups.by-day")
                    : words().count(rows.count(query(site, people, now.rows()), Locale.UK)));
        }
        if (!now.byHand().isEmpty() || said.isEmpty()) {
            said.add(words().say("groups.by-hand", now.byHand().size()));
            counts.add(words().count(now.byHand().size()));
        }
        return new GroupLine(now, String.join(", ", said), String.join(" + ", counts));
    }

    /** Of which members that is so. */
    static RowQuery query(PublishedSite site, Table people, Condition which) {
        Sight sight = Sight.whole(site.tables(), people.key());
        return RowQuery.counting(sight, Standpoint.NOBODY, which);
    }

    private Words words() {
        return Words.ofRequest(messages);
    }
}
