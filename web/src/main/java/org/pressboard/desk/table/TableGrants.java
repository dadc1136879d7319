package org.pressboard.desk.table;

import static org.pressboard.desk.condition.ConditionDesk.first;

import java.util.List;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.pressboard.catalog.Catalog;
import org.pressboard.condition.Comparison;
import org.pressboard.condition.Condition;
import org.pressboard.desk.condition.ConditionDesk;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Deciding;
import org.pressboard.grant.Grant;
import org.pressboard.grant.Grants;
import org.pressboard.grant.Ownership;
import org.pressboard.grant.Verb;
import org.pressboard.log.Logged;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.schema.Publisher;
import org.pressboard.schema.TableChanges;
import org.pressboard.signin.LogBook;
import org.pressboard.table.Field;
import org.pressboard.table.FieldType;
import org.pressboard.table.Fields;
import org.pressboard.table.Operands;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.value.FieldKey;
import org.pressboard.visit.Visit;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;

/** Changes who may do what with which rows of a table. */
@Controller
class TableGrants {

    private static final String AT = "/desk/tables/{key}/grants";
    private static final Set<String> LETTERS = Set.of(Comparison.CONTAINS.name(), Comparison.CONTAINS_NOT.name(),
            Comparison.BEGINS.name());

    private static final String NEW_FIELD = "+";

    private final GrantGrid grid;
    private final TableFrame frame;
    private final Catalog catalog;
    private final Publisher publisher;
    private final TableChanges changes;
    private final ConditionDesk conditions;
    private final LogBook log;

    TableGrants(GrantGrid grid, TableFrame frame, Catalog catalog, Publisher publisher, TableChanges changes,
            ConditionDesk conditions, LogBook log) {
        this.grid = grid;
        this.log = log;
        this.frame = frame;
        this.catalog = catalog;
        this.publisher = publisher;
        this.changes = changes;
        this.conditions = conditions;
    }

    /** Changes one word. */
    @PostMapping(AT + "/change")
    String change(Visit visit, @PathVariable String key, @RequestParam MultiValueMap<String, String> parameters,
            @RequestHeader(name = "HX-Request", defaultValue = "") String asked, Model model) {
        Table table = frame.find(key);
        try {
            change(visit, table, first(parameters, "do"), parameters, model);
            if (!model.containsAttribute("problem")) {
                log.note(visit, Logged.What.GRANTS_CHANGED, (table.label() + " " + first(parameters, "of")).strip());
            }
        } catch (ProblemsFound against) {
            model.addAttribute("problem", frame.words().say(against.problems().all().getFirst()));
        }
        if (asked.isEmpty()) {
            return "redirect:/desk/tables/" + table.key() + "/access";
        }
        model.addAttribute("of", first(parameters, "of"));
        model.addAttribute("answered", true);
        grid.show(table, model);
        return "desk/table/grants :: grants";
    }

    private void change(Visit visit, Table table, String what, MultiValueMap<String, String> parameters, Model model) {
        switch (what) {
            case "owner" -> own(visit, table, first(parameters, "value"));
            case "browsers" -> browsers(visit, table, first(parameters, "value").equals("on"));
            case "own-rows" -> ownRows(visit, table, parameters);
            case "approval" -> approval(visit, table, first(parameters, "value"));
            case "fields" -> leaveOut(table, first(parameters, "of"), parameters.getOrDefault("value", List.of()));
            case "reach" -> reach(table, first(parameters, "of"), first(parameters, "value"));
            default -> meeting(table, parameters, model);
        }
    }

    private void own(Visit visit, Table table, String way) {
        FieldKey owner = Ownership.ways(frame.tables(), table).stream().filter(key -> key.name().equals(way)).findFirst()
                .orElse(null);
        changes.change(table.ownedBy(owner), visit.author());
    }

    /** New rows wait until that field says yes, be it one that is made for it; or they need not. */
    private void approval(Visit visit, Table table, String by) {
        if (!by.equals(NEW_FIELD)) {
            changes.change(table.approvedBy(GrantGrid.yesNo(table).stream().map(Field::key).filter(key -> key.name().equals(by))
                    .findFirst().orElse(null)), visit.author());
            return;
        }
        FieldKey added = add(visit, table, frame.words().say("grants.approved"), new FieldType.YesNo());
        changes.change(catalog.publishedNow().tables().get(table.key()).approvedBy(added), visit.author());
    }

    private FieldKey add(Visit visit, Table table, String label, FieldType type) {
        FieldKey key = table.fields().free(label);
        changes.addField(table.key(), new Field(key, label, type), visit.author());
        return key;
    }

    /** Each sees and changes only their own, and the staff everything: path and grants together. */
    private void ownRows(Visit visit, Table table, MultiValueMap<String, String> parameters) {
        List<FieldKey> ways = Ownership.ways(frame.tables(), table);
        if (first(parameters, "value").equals(NEW_FIELD)) {
            TableKey people = frame.tables().people().orElseThrow(() -> ProblemsFound.of("grants.no-way", table.label()));
            FieldKey added = add(visit, table, frame.words().say("grants.whose"), new Referring.Person(people,
                    Referring.OnRemoval.CLEAR));
            changes.change(catalog.publishedNow().tables().get(table.key()).ownedBy(added), visit.author());
        } else if (!first(parameters, "value").isEmpty()) {
            own(visit, table, first(parameters, "value"));
        } else if (table.owner() == null && table.people() == null && !(ways.isEmpty() && table.browsers())) {
            own(visit, table, ways.stream().findFirst().orElseThrow(() -> ProblemsFound.of("grants.no-way", table.label())).name());
        }
        publisher.grant(table.key(), new Grants(List.copyOf(ownOf(table.browsers() ? Audience.EVERYONE : Audience.MEMBERS))));
    }

    /** Whether people who are not signed in have rows of their own; where each has theirs, they are among them at once. */
    private void browsers(Visit visit, Table table, boolean areCounted) {
        changes.change(table.countingBrowsers(areCounted), visit.author());
        Set<Grant> ofMembers = ownOf(Audience.MEMBERS);
        Set<Grant> ofEveryone = ownOf(Audience.EVERYONE);
        Set<Grant> now = Set.copyOf(catalog.grants(table.key()).all());
        if (now.equals(areCounted ? ofMembers : ofEveryone)) {
            publisher.grant(table.key(), new Grants(List.copyOf(areCounted ? ofEveryone : ofMembers)));
        }
    }

    private static Set<Grant> ownOf(Audience audience) {
        return Verb.of(false).stream().map(verb -> Grant.ofOwn(audience, verb)).collect(Collectors.toSet());
    }

    private void reach(Table table, String of, String reach) {
        Audience audience = grid.audience(of.replaceFirst("-[a-z]+$", "")).orElseThrow(() -> ProblemsFound.of("bench.unknown", of));
        Verb verb = verb(of);
        Grants grants = catalog.grants(table.key());
        Grant before = grants.find(audience, verb).orElse(null);
        Grant after = switch (reach) {
            case "ALL" -> new Grant(audience, verb, Condition.ALWAYS);
            case "OWN" -> Grant.ofOwn(audience, verb);
            case "MEETING" -> before != null && GrantGrid.reach(before) == GrantGrid.Reach.MEETING ? before
                    : new Grant(audience, verb, Condition.NEVER);
            default -> null;
        };
        keep(table, grants, audience, verb, before == null || after == null ? after
                : after.leavingOut(before.without()).letting(before.letting()));
    }

    /** Fields that are not among those that are done something with; of those on which groups rest all others are let. */
    private void leaveOut(Table table, String of, List<String> fields) {
        Audience audience = grid.audience(of.replaceFirst("-[a-z]+$", "")).orElseThrow(() -> ProblemsFound.of("bench.unknown", of));
        Grants grants = catalog.grants(table.key());
        Grant before = grants.find(audience, verb(of)).orElseThrow(() -> ProblemsFound.of("bench.unknown", of));
        Set<FieldKey> chosen = table.fields().stream().filter(field -> fields.contains(field.key().name())
                && GrantGrid.canLeaveOut(table, verb(of), field)).map(Field::key).collect(Collectors.toSet());
        Set<FieldKey> deciding = Deciding.of(frame.tables(), catalog.groups()).fields(table.key());
        keep(table, grants, audience, verb(of), before
                .leavingOut(only(chosen, field -> !deciding.contains(field) || before.without().contains(field)))
                .letting(only(deciding, field -> !chosen.contains(field))));
    }

    private static Set<FieldKey> only(Set<FieldKey> of, Predicate<FieldKey> which) {
        return of.stream().filter(which).collect(Collectors.toSet());
    }

    private void meeting(Table table, MultiValueMap<String, String> parameters, Model model) {
        String of = first(parameters, "of");
        Audience audience = grid.audience(of.replaceFirst("-[a-z]+$", "")).orElseThrow(() -> ProblemsFound.of("bench.unknown", of));
        refuseLetters(table, parameters);
        Grants grants = catalog.grants(table.key());
        Grant before = grants.find(audience, verb(of)).orElseGet(() -> new Grant(audience, verb(of), Condition.NEVER));
        keep(table, grants, audience, verb(of), new Grant(audience, verb(of), conditions.changedOrNobody(before.rows(),
                askable(table), parameters, model)).leavingOut(before.without()).letting(before.letting()));
    }

    /** What a row referred to is called stands in another table, which row security does not look into. */
    private static void refuseLetters(Table table, MultiValueMap<String, String> parameters) {
        table.fields().stream().filter(field -> field.key().name().equals(first(parameters, "field"))
                && field.type() instanceof Referring && LETTERS.contains(first(parameters, "is"))).findFirst()
                .ifPresent(field -> {
                    throw ProblemsFound.of("grants.letters", field.label());
                });
    }

    private void keep(Table table, Grants grants, Audience audience, Verb verb, @Nullable Grant after) {
        publisher.grant(table.key(), grants.giving(audience, verb, after));
    }

    /** The inputs of a statement that is yet to be added. */
    @GetMapping(AT + "/statement")
    String statement(@PathVariable String key, @RequestParam MultiValueMap<String, String> parameters, Model model) {
        Table table = frame.find(key);
        model.addAttribute("of", first(parameters, "of"));
        return ConditionDesk.template(conditions.begin(Condition.ALWAYS, askable(table), parameters,
                "/desk/tables/" + table.key() + "/grants", model));
    }

    /** What the database can ask of a row alone: its columns, and of references whether they lead to the visitor's. */
    private Operands askable(Table table) {
        return new Operands(frame.tables(), table.with(new Fields(table.columns().stream()
                .filter(field -> !(field.type() instanceof Referring) || field.isEntered()).toList())), Operands.Use.GRANT);
    }


    private static Verb verb(String of) {
        return Stream.of(Verb.values()).filter(verb -> of.endsWith("-" + verb.word())).findFirst()
                .orElseThrow(() -> ProblemsFound.of("bench.unknown", of));
    }
}
