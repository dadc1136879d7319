package org.pressboard.desk;

import static org.pressboard.desk.condition.ConditionDesk.first;

import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.PublishedSite;
import org.pressboard.condition.Condition;
import org.pressboard.desk.condition.ConditionDesk;
import org.pressboard.grant.Group;
import org.pressboard.grant.GroupKey;
import org.pressboard.log.Logged;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.rows.RowPicker;
import org.pressboard.schema.Publisher;
import org.pressboard.value.RowId;
import org.pressboard.words.Words;
import org.pressboard.signin.LogBook;
import org.pressboard.stand.NotThere;
import org.pressboard.table.Attached;
import org.pressboard.table.Fields;
import org.pressboard.table.Operands;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;
import org.pressboard.visit.Visit;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** A group of members: who is in it, and changing that. */
@Controller
class DeskGroups {

    private static final int MOST_BY_HAND = 500;
    private static final String GROUP = "/desk/members/groups/{key}";

    private final Catalog catalog;
    private final Publisher publisher;
    private final ConditionDesk conditions;
    private final GroupLines lines;
    private final RowPicker picker;
    private final LogBook log;
    private final MessageSource messages;

    DeskGroups(Catalog catalog, Publisher publisher, ConditionDesk conditions, GroupLines lines, RowPicker picker, LogBook log,
            MessageSource messages) {
        this.catalog = catalog;
        this.publisher = publisher;
        this.conditions = conditions;
        this.lines = lines;
        this.picker = picker;
        this.log = log;
        this.messages = messages;
    }

    @PostMapping("/desk/members/groups")
    String make(@RequestParam(defaultValue = "") String label, RedirectAttributes flash) {
        String name = label.strip();
        if (!Group.isLabel(name)) {
            flash.addFlashAttribute("problem", words().say("groups.no-label"));
            return "redirect:/desk/members";
        }
        Set<String> taken = catalog.groups().stream().map(group -> group.key().name()).collect(Collectors.toSet());
        Group group = new Group(GroupKey.from(name, taken), name, Condition.NEVER, Set.of());
        publisher.keepGroup(group);
        return "redirect:/desk/members/groups/" + group.key();
    }

    @GetMapping(GROUP)
    String group(@PathVariable String key, Model model) {
        show(key, model);
        return "desk/group";
    }

    private void show(String key, Model model) {
        PublishedSite site = catalog.publishedNow();
        Table people = site.tables().people().map(site.tables()::get).orElseThrow(() -> new NotThere("not-there.page"));
        Group group = find(key).of(site.tables(), people);
        model.addAttribute("people", people);
        model.addAttribute("group", group);
        model.addAttribute("line", lines.line(site, people, group));
        model.addAttribute("statements", conditions.statements(ConditionDesk.said(group.rows()), operands(site.tables(), people), model));
        model.addAttribute("hands", group.byHand().stream().sorted()
                .map(row -> new DeskMembers.Person(row, picker.heading(site.tables(), people, row))).toList());
        model.addAttribute("words", words());
    }

    private static Operands operands(Tables tables, Table people) {
        return new Operands(tables, people, Operands.Use.GRANT);
    }

    /** Changes who is in the group. */
    @PostMapping(GROUP + "/change")
    String change(Visit visit, @PathVariable String key, @RequestParam MultiValueMap<String, String> parameters,
            @RequestHeader(name = "HX-Request", defaultValue = "") String asked, Model model) {
        Group group = find(key);
        try {
            publisher.keepGroup(changed(group, parameters, model));
            if (!model.containsAttribute("problem")) {
                log.note(visit, Logged.What.GROUP_CHANGED, group.label());
            }
        } catch (ProblemsFound against) {
            model.addAttribute("problem", words().say(against.problems().all().getFirst()));
        }
        if (asked.isEmpty()) {
            return "redirect:/desk/members/groups/" + key;
        }
        show(key, model);
        return "desk/group :: group";
    }

    private Group changed(Group group, MultiValueMap<String, String> parameters, Model model) {
        Set<RowId> hands = new TreeSet<>(group.byHand());
        Set<RowId> sent = parameters.getOrDefault("value", List.of()).stream()
                .flatMap(text -> RowId.read(text).stream()).collect(Collectors.toSet());
        switch (first(parameters, "do")) {
            case "label" -> {
                String label = first(parameters, "label").strip();
                if (!Group.isLabel(label)) {
                    throw ProblemsFound.of("groups.no-label");
                }
                return group.labelled(label);
            }
            case "hands" -> hands.addAll(sent);
            case "out" -> hands.removeAll(sent);
            default -> {
                Tables tables = catalog.publishedNow().tables();
                Table people = tables.people().map(tables::get).orElseThrow();
                return group.meeting(conditions.changedOrNobody(group.rows(), operands(tables, askable(people)), parameters, model));
            }
        }
        if (hands.size() > MOST_BY_HAND) {
            throw ProblemsFound.of("groups.many-hands", MOST_BY_HAND);
        }
        return group.with(hands);
    }

    /** The inputs of a statement that is yet to be added. */
    @GetMapping(GROUP + "/statement")
    String statement(@PathVariable String key, @RequestParam MultiValueMap<String, String> parameters, Model model) {
        Tables tables = catalog.publishedNow().tables();
        Table people = tables.people().map(tables::get).orElseThrow(() -> new NotThere("not-there.page"));
        return ConditionDesk.template(conditions.begin(ConditionDesk.said(find(key).rows()), operands(tables, askable(people)), parameters,
                "/desk/members/groups/" + key, model));
    }

    @PostMapping(GROUP + "/remove")
    String remove(Visit visit, @PathVariable String key, RedirectAttributes flash) {
        Group group = find(key);
        publisher.removeGroup(group.key());
        log.note(visit, Logged.What.GROUP_CHANGED, group.label());
        flash.addFlashAttribute("said", words().say("groups.removed", group.label()));
        return "redirect:/desk/members";
    }

    /** What a row alone can be asked. */
    private static Table askable(Table table) {
        return table.with(new Fields(table.columns().stream().filter(field -> !(field.type() instanceof Attached)
                && !(field.type() instanceof Referring)).toList()));
    }

    private Group find(String key) {
        return catalog.groups().stream().filter(group -> group.key().name().equals(key)).findFirst()
                .orElseThrow(() -> new NotThere("not-there.page"));
    }

    private Words words() {
        return Words.ofRequest(messages);
    }
}
