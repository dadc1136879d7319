package org.pressboard.stand;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.PublishedSite;
import org.pressboard.condition.Onlooker;
import org.pressboard.grant.Group;
import org.pressboard.grant.Visitor;
import org.pressboard.member.Members;
import org.pressboard.rows.RowPicker;
import org.pressboard.table.Tables;
import org.pressboard.value.Row;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;
import org.pressboard.visit.Visit;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

/**
 * By whom a draft is seen before anybody sees it: those at the desk, people who are not signed in, anybody in a group, or
 * one of the members by their name or address.
 */
@Component
public class SeenBy {

    /** People who are not signed in. */
    static final String ANYONE = "anyone";

    /** What stands before the key of a group. */
    static final String GROUP = "group:";

    private final Catalog catalog;
    private final Members members;
    private final RowPicker picker;

    SeenBy(Catalog catalog, Members members, RowPicker picker) {
        this.catalog = catalog;
        this.members = members;
        this.picker = picker;
    }

    /** What a proof offers to be seen by. */
    public void offer(Tables tables, Model model) {
        model.addAttribute("seenGroups", catalog.groups());
        model.addAttribute("hasMembers", tables.people().isPresent());
    }

    /** Empty where nobody is called so; nothing said means those at the desk. */
    public Optional<Visitor> find(Visit visit, String who) {
        if (who.isBlank()) {
            return Optional.of(visit.caller().visitor());
        }
        if (who.equals(ANYONE)) {
            return Optional.of(Visitor.ANYONE);
        }
        PublishedSite site = visit.site();
        if (who.startsWith(GROUP)) {
            return site.groups().stream().map(Group::key).filter(key -> who.equals(GROUP + key)).findFirst()
                    .map(key -> new Visitor(Visitor.Kind.MEMBER, Onlooker.NOBODY, Set.of(key)));
        }
        String wanted = who.strip();
        Optional<RowId> byAddress = members.find(wanted.toLowerCase(Locale.ROOT)).map(Row::id);
        return byAddress.or(() -> called(site, wanted)).flatMap(members::visitor);
    }

    /** Whoever is called just so, or the only one of whose name it is a part. */
    private Optional<RowId> called(PublishedSite site, String name) {
        List<Value.Referred> found = site.tables().people().map(site.tables()::get).map(people -> picker.find(site.tables(),
                people, name, site.site().language())).orElse(List.of());
        return RowPicker.just(found, name).or(() -> found.stream().findFirst().filter(only -> found.size() == 1))
                .map(Value.Referred::row);
    }
}
