package org.pressboard.desk;


import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.EntryLinks;
import org.pressboard.catalog.PublishedSite;
import org.pressboard.condition.Condition;
import org.pressboard.member.Joining;
import org.pressboard.member.People;
import org.pressboard.rows.RowPicker;
import org.pressboard.rows.Rows;
import org.pressboard.value.RowId;
import org.pressboard.words.Words;
import org.pressboard.table.Field;
import org.pressboard.table.Table;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The tab with the members: what groups there are of them, and what each may do. */
@Controller
class DeskMembers {

    private final Catalog catalog;
    private final GroupLines groups;
    private final RowPicker picker;
    private final Rows rows;
    private final EntryLinks links;
    private final Joining joining;
    private final People people;
    private final MessageSource messages;

    DeskMembers(Catalog catalog, GroupLines groups, RowPicker picker, Rows rows, EntryLinks links, Joining joining, People people,
            MessageSource messages) {
        this.catalog = catalog;
        this.groups = groups;
        this.picker = picker;
        this.rows = rows;
        this.links = links;
        this.joining = joining;
        this.people = people;
        this.messages = messages;
    }

    /** Somebody, by the number of their row. */
    public record Person(RowId row, String name) {
    }

    @GetMapping("/desk/members")
    String members(@RequestParam(defaultValue = "") String called, Model model) {
        PublishedSite site = catalog.publishedNow();
        Table table = people(site);
        model.addAttribute("people", table);
        model.addAttribute("others", others(site, table));
        model.addAttribute("words", words());
        model.addAttribute("called", called);
        model.addAttribute("invitations", DeskStaff.invitations(links, false));
        if (table != null) {
            Joining.Required required = joining.required();
            model.addAttribute("asked", labels(required.asked()));
            model.addAttribute("never", labels(required.never()));
            model.addAttribute("groups", site.groups().stream().map(group -> groups.line(site, table, group)).toList());
            model.addAttribute("found", found(site, table, called));
            model.addAttribute("count", words().count(rows.countToEnd(GroupLines.query(site, table, Condition.ALWAYS), Locale.UK)));
        }
        return "desk/members";
    }

    /** A table that could be the members', or be joined to it, and how that would go, in words. */
    public record Other(String table, String label, String email, String taken, String left) {
    }

    private List<Other> others(PublishedSite site, @Nullable Table members) {
        return people.candidates(site.tables()).stream().map(candidate -> {
            People.Way way = members == null ? null : people.way(site.tables(), candidate);
            return new Other(candidate.table().key().name(), candidate.table().label(), candidate.email().label(),
                    way == null ? "" : way.fields().entrySet().stream().map(each -> each.getValue().label().equals(each.getKey().label())
                            ? each.getKey().label() : each.getValue().label() + " → " + each.getKey().label()).collect(Collectors.joining(", ")),
                    way == null ? "" : labels(way.left()));
        }).toList();
    }

    private static String labels(List<Field> fields) {
        return fields.stream().map(Field::label).collect(Collectors.joining(", "));
    }

    /** What members are called, for those who type a name. */
    @GetMapping("/desk/members/called")
    String called(@RequestParam(defaultValue = "") String called, Model model) {
        PublishedSite site = catalog.publishedNow();
        Table people = people(site);
        model.addAttribute("found", people == null ? List.of()
                : found(site, people, called).stream().map(Person::name).toList());
        return "site/controls :: found";
    }

    private List<Person> found(PublishedSite site, Table people, String called) {
        return picker.find(site.tables(), people, called, site.site().language()).stream()
                .map(row -> new Person(row.row(), row.heading())).toList();
    }

    static @Nullable Table people(PublishedSite site) {
        return site.tables().people().map(site.tables()::get).orElse(null);
    }

    private Words words() {
        return Words.ofRequest(messages);
    }
}
