package org.pressboard.desk.table;

import static org.pressboard.desk.condition.ConditionDesk.first;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.pressboard.catalog.Catalog;
import org.pressboard.condition.Comparison;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Standpoint;
import org.pressboard.desk.condition.ConditionDesk;
import org.pressboard.desk.condition.Statements;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Grant;
import org.pressboard.grant.Grants;
import org.pressboard.grant.Openness;
import org.pressboard.grant.Ownership;
import org.pressboard.grant.Sight;
import org.pressboard.grant.Verb;
import org.pressboard.listing.RowQuery;
import org.pressboard.log.Logged;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.rows.Rows;
import org.pressboard.schema.Publisher;
import org.pressboard.schema.TableChanges;
import org.pressboard.signin.LogBook;
import org.pressboard.signin.SignedIn;
import org.pressboard.table.Field;
import org.pressboard.table.FieldType;
import org.pressboard.table.Fields;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;
import org.pressboard.value.FieldKey;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;

/** Who may do what with which rows of a table: a line for each audience, in it a word for each verb. */
@Controller
class TableGrants {

    private static final String AT = "/desk/tables/{key}/grants";
    private static final Set<String> LETTERS = Set.of(Comparison.CONTAINS.name(), Comparison.CONTAINS_NOT.name(),
            Comparison.BEGINS.name());

    private static final String NEW_FIELD = "+";

    private final TableFrame frame;
    private final Catalog catalog;
    private final Publisher publisher;
    private final TableChanges changes;
    private final ConditionDesk conditions;
    private final Rows rows;
    private final LogBook log;

    TableGrants(TableFrame frame, Catalog catalog, Publisher publisher, TableChanges changes,
            ConditionDesk conditions, Rows rows, LogBook log) {
        this.log = log;
        this.frame = frame;
        this.catalog = catalog;
        this.publisher = publisher;
        this.changes = changes;
        this.conditions = conditions;
        this.rows = rows;
    }

    /** Which rows a grant is for, as the desk lets it be chosen. */
    enum Reach { NONE, OWN, MEETING, ALL }

    /** Those whom grants are given to, and their grant of each verb. */
    public record Line(String label, List<Cell> cells) {
    }

    /**
     * One grant, or that there is none.
     *
     * @param of         which it is, as the address of a change has it: {@code everyone-see}
     * @param said       which rows it is for, in words
     * @param count      how many rows that is right now; empty where it cannot be said, or none is
     * @param warning    why it lets nobody do anything; empty: it does
     * @param statements what rows must be, where that is said
     * @param fields     those that can be left out of it
     */
    public record Cell(String of, Verb verb, Reach reach, String said, String count, String warning,
                       Statements statements, List<Choice> fields) {

        public String word() {
            return verb.word();
        }
    }

    /** A field that may be chosen: as that by which rows are somebody's own, or to be left out. */
    public record Choice(String key, String label, boolean chosen) {
    }

    void show(Table table, Model model) {
        Tables tables = catalog.publishedNow().tables();
        Table now = tables.get(table.key());
        Grants grants = catalog.grants(table.key()).of(tables, now);
        model.addAttribute("grantLines", lines(tables, now, grants, model));
        model.addAttribute("ways", ways(tables, now));
        model.addAttribute("yesNo", yesNo(now));
        model.addAttribute("waiting", TableQueue.count(frame, rows, now).orElse(null));
        model.addAttribute("unowned", unowned(tables, now, grants));
        model.addAttribute("owned", owned(tables, now));
        model.addAttribute("members", tables.people().map(tables::get).orElse(null));
        model.addAttribute("onPages", catalog.pages().values().stream().filter(page -> page.lists(table.key())).count());
        model.addAttribute("openness", Openness.of(grants));
        model.addAttribute("words", frame.words());
        model.addAttribute("table", now);
    }

    private List<Line> lines(Tables tables, Table table, Grants grants, Model model) {
        List<Line> lines = new ArrayList<>();
        lines.add(line(tables, table, grants, "everyone", frame.words().say("grants.everyone"), model));
        lines.add(line(tables, table, grants, "members", frame.words().say("grants.members"), model));
        catalog.groups().forEach(group -> lines.add(line(tables, table, grants, "group-" + group.key(), group.label(), model)));
        return lines;
    }

    private Line line(Tables tables, Table table, Grants grants, String id, String label, Model model) {
        Audience audience = audience(id).orElseThrow();
        return new Line(label, Verb.of(grants.approval().isAsked()).stream().map(verb ->
                cell(tables, table, grants, id, audience, verb, model)).toList());
    }

    private Cell cell(Tables tables, Table table, Grants grants, String id, Audience audience, Verb verb, Model model) {
        String of = id + "-" + verb.word();
        Grant grant = grants.find(audience, verb).orElse(null);
        Reach reach = reach(grant);
        Condition said = grant == null ? Condition.ALWAYS : ConditionDesk.said(grant.rows());
        boolean isChanging = of.equals(model.getAttribute("of"));
        Statements statements = isChanging ? conditions.statements(said, tables, table, model)
                : Statements.of(said, table, conditions.words(tables, table), null);
        String text = reach == Reach.MEETING && !said.equals(Condition.ALWAYS)
                ? frame.words().say("grants.MEETING", conditions.words(tables, table).of(said))
                : frame.words().say("grants." + (reach == Reach.MEETING ? "MEETING-nothing" : reach.name()));
        return grant == null ? new Cell(of, verb, reach, text, "", "", statements, List.of())
                : new Cell(of, verb, reach, leavingOut(table, text, grant), count(tables, table, grants, grant),
                        warning(table, grants, grant), statements, fields(table, grant));
    }

    private String leavingOut(Table table, String said, Grant grant) {
        String labels = table.fields().stream().filter(field -> grant.without().contains(field.key())).map(Field::label)
                .collect(Collectors.joining(", "));
        return labels.isEmpty() ? said : frame.words().say("grants.without", said, labels);
    }

    private static List<Choice> fields(Table table, Grant grant) {
        return table.fields().stream().filter(field -> canLeaveOut(table, grant.verb(), field))
                .map(field -> new Choice(field.key().name(), field.label(), grant.without().contains(field.key()))).toList();
    }

    private static boolean canLeaveOut(Table table, Verb verb, Field field) {
        return switch (verb) {
            case SEE -> Grant.canLeaveOut(table, field);
            case ADD, CHANGE -> Grant.canLeaveOut(table, field) && field.isEntered() && !field.key().equals(table.owner())
                    && !field.key().equals(table.approval());
            case REMOVE, APPROVE -> false;
        };
    }

    private static Reach reach(@Nullable Grant grant) {
        if (grant == null) {
            return Reach.NONE;
        }
        return grant.own() ? Reach.OWN : grant.rows().equals(Condition.ALWAYS) ? Reach.ALL : Reach.MEETING;
    }

    /** What is added meets a condition or not; nobody can count it. Nor can what depends on who looks be. */
    private String count(Tables tables, Table table, Grants grants, Grant grant) {
        if (grant.verb() == Verb.ADD) {
            return "";
        }
        Condition reached = grant.own() ? ofSomebody(tables, table) : grant.rows();
        return reached.dependsOnStandpoint() ? frame.words().say("grants.by-visitor")
                : frame.words().say(grant.own() ? "grants.owned-rows" : "grants.rows", count(tables, table, reached));
    }

    /** The rows that are somebody's. */
    private static Condition ofSomebody(Tables tables, Table table) {
        return Ownership.by(tables, table).map(by -> Condition.isEmpty(by).not()).orElse(Condition.NEVER);
    }

    private String count(Tables tables, Table table, Condition which) {
        Sight sight = Sight.whole(tables, table.key()).reaching(which.fields());
        return frame.words().count(rows.count(RowQuery.counting(sight, Standpoint.NOBODY, which), frame.words().language()));
    }

    private String warning(Table table, Grants grants, Grant grant) {
        if (grant.own() && grants.ofOwn().equals(Condition.NEVER)) {
            return frame.words().say("grants.no-owner");
        }
        if (grant.own() && grant.audience().equals(Audience.EVERYONE) && !table.browsers()) {
            return frame.words().say("grants.own-of-everyone");
        }
        boolean isBlind = (grant.verb() == Verb.CHANGE || grant.verb() == Verb.REMOVE)
                && grants.all().stream().noneMatch(other -> other.verb() == Verb.SEE
                && (other.audience().equals(grant.audience()) || !(other.audience() instanceof Audience.Those)));
        return isBlind ? frame.words().say("grants.blind") : keptBy(table, grant);
    }

    /** That a listing keeps rows by a field that they do not see, and so none for them. */
    private String keptBy(Table table, Grant grant) {
        return grant.verb() != Verb.SEE || grant.without().isEmpty() ? "" : catalog.pages().values().stream()
                .flatMap(page -> page.draft().listings().stream().filter(listing -> listing.table().equals(table.key())
                        && listing.keep().fields().stream().anyMatch(grant.without()::contains))
                        .map(listing -> frame.words().say("grants.kept-by", page.draft().title())))
                .findFirst().orElse("");
    }

    private static List<Choice> ways(Tables tables, Table table) {
        List<FieldKey> ways = Ownership.ways(tables, table);
        Table wide = tables.reaching(table, ways);
        return ways.stream().filter(wide.fields()::has).map(key -> new Choice(key.name(), wide.field(key).label(),
                key.equals(table.owner()) || (table.owner() == null && key.equals(table.people())))).toList();
    }

    /** That some rows are nobody's, where grants are of own rows; {@code null}: all are somebody's, or it is all the same. */
    private @Nullable String unowned(Tables tables, Table table, Grants grants) {
        FieldKey by = Ownership.by(tables, table).orElse(null);
        if (grants.all().stream().noneMatch(Grant::own) || by == null || table.browsers()) {
            return null;
        }
        String rows = count(tables, table, Condition.isEmpty(by));
        return rows.equals("0") ? null : frame.words().say("grants.unowned", rows);
    }

    /** How many rows are somebody's, and of how many; {@code null} where none can be. */
    private @Nullable String owned(Tables tables, Table table) {
        return Ownership.by(tables, table).isEmpty() ? null : frame.words().say("grants.owned",
                count(tables, table, ofSomebody(tables, table)), count(tables, table, Condition.ALWAYS));
    }

    /** Changes one word. */
    @PostMapping(AT + "/change")
    String change(@PathVariable String key, @RequestParam MultiValueMap<String, String> parameters,
            @RequestHeader(name = "HX-Request", defaultValue = "") String asked, Model model) {
        Table table = frame.find(key);
        try {
            change(table, first(parameters, "do"), parameters, model);
            if (!model.containsAttribute("problem")) {
                log.note(Logged.What.GRANTS_CHANGED, (table.label() + " " + first(parameters, "of")).strip());
            }
        } catch (ProblemsFound against) {
            model.addAttribute("problem", frame.words().say(against.problems().all().getFirst()));
        }
        if (asked.isEmpty()) {
            return "redirect:/desk/tables/" + table.key() + "/access";
        }
        model.addAttribute("of", first(parameters, "of"));
        model.addAttribute("answered", true);
        show(table, model);
        return "desk/table/grants :: grants";
    }

    private void change(Table table, String what, MultiValueMap<String, String> parameters, Model model) {
        switch (what) {
            case "owner" -> own(table, first(parameters, "value"));
            case "browsers" -> browsers(table, first(parameters, "value").equals("on"));
            case "own-rows" -> ownRows(table, parameters);
            case "approval" -> approval(table, first(parameters, "value"));
            case "fields" -> leaveOut(table, first(parameters, "of"), parameters.getOrDefault("value", List.of()));
            case "reach" -> reach(table, first(parameters, "of"), first(parameters, "value"));
            default -> meeting(table, parameters, model);
        }
    }

    private void own(Table table, String way) {
        FieldKey owner = Ownership.ways(frame.tables(), table).stream().filter(key -> key.name().equals(way)).findFirst()
                .orElse(null);
        changes.change(table.ownedBy(owner), SignedIn.author());
    }

    /** New rows wait until that field says yes, be it one that is made for it; or they need not. */
    private void approval(Table table, String by) {
        if (!by.equals(NEW_FIELD)) {
            changes.change(table.approvedBy(yesNo(table).stream().map(Field::key).filter(key -> key.name().equals(by))
                    .findFirst().orElse(null)), SignedIn.author());
            return;
        }
        String label = frame.words().say("grants.approved");
        Field field = new Field(FieldKey.from(label, table.fields().stream().map(each -> each.key().name())
                .collect(Collectors.toSet())), label, new FieldType.YesNo());
        changes.addField(table.key(), field, SignedIn.author());
        changes.change(catalog.publishedNow().tables().get(table.key()).approvedBy(field.key()), SignedIn.author());
    }

    private static List<Field> yesNo(Table table) {
        return table.entered().stream().filter(field -> field.type() instanceof FieldType.YesNo).toList();
    }

    /** Each sees and changes only their own, and the staff everything: path and grants together. */
    private void ownRows(Table table, MultiValueMap<String, String> parameters) {
        List<FieldKey> ways = Ownership.ways(frame.tables(), table);
        if (!first(parameters, "value").isEmpty()) {
            own(table, first(parameters, "value"));
        } else if (table.owner() == null && table.people() == null && !(ways.isEmpty() && table.browsers())) {
            own(table, ways.stream().findFirst().orElseThrow(() -> ProblemsFound.of("grants.no-way", table.label())).name());
        }
        publisher.grant(table.key(), new Grants(List.copyOf(ownOf(table.browsers() ? Audience.EVERYONE : Audience.MEMBERS))));
    }

    /** Whether people who are not signed in have rows of their own; where each has theirs, they are among them at once. */
    private void browsers(Table table, boolean areCounted) {
        changes.change(table.countingBrowsers(areCounted), SignedIn.author());
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
        Audience audience = audience(of.replaceFirst("-[a-z]+$", "")).orElseThrow(() -> ProblemsFound.of("bench.unknown", of));
        Verb verb = verb(of);
        Grants grants = catalog.grants(table.key());
        Grant before = grants.find(audience, verb).orElse(null);
        Grant after = switch (reach) {
            case "ALL" -> new Grant(audience, verb, Condition.ALWAYS);
            case "OWN" -> Grant.ofOwn(audience, verb);
            case "MEETING" -> before != null && reach(before) == Reach.MEETING ? before
                    : new Grant(audience, verb, Condition.NEVER);
            default -> null;
        };
        keep(table, grants, audience, verb, before == null || after == null ? after : after.leavingOut(before.without()));
    }

    /** Fields that are not among those that are done something with. */
    private void leaveOut(Table table, String of, List<String> fields) {
        Audience audience = audience(of.replaceFirst("-[a-z]+$", "")).orElseThrow(() -> ProblemsFound.of("bench.unknown", of));
        Grants grants = catalog.grants(table.key());
        Grant before = grants.find(audience, verb(of)).orElseThrow(() -> ProblemsFound.of("bench.unknown", of));
        keep(table, grants, audience, verb(of), before.leavingOut(table.fields().stream()
                .filter(field -> fields.contains(field.key().name()) && canLeaveOut(table, verb(of), field)).map(Field::key)
                .collect(Collectors.toSet())));
    }

    private void meeting(Table table, MultiValueMap<String, String> parameters, Model model) {
        String of = first(parameters, "of");
        Audience audience = audience(of.replaceFirst("-[a-z]+$", "")).orElseThrow(() -> ProblemsFound.of("bench.unknown", of));
        refuseLetters(table, parameters);
        Grants grants = catalog.grants(table.key());
        Grant before = grants.find(audience, verb(of)).orElseGet(() -> new Grant(audience, verb(of), Condition.NEVER));
        keep(table, grants, audience, verb(of), new Grant(audience, verb(of), conditions.changedOrNobody(before.rows(),
                frame.tables(), askable(table), parameters, model)).leavingOut(before.without()));
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
        List<Grant> all = new ArrayList<>(grants.all().stream()
                .filter(grant -> !(grant.audience().equals(audience) && grant.verb() == verb)).toList());
        Optional.ofNullable(after).ifPresent(all::add);
        publisher.grant(table.key(), new Grants(all));
    }

    /** The inputs of a statement that is yet to be added. */
    @GetMapping(AT + "/statement")
    String statement(@PathVariable String key, @RequestParam MultiValueMap<String, String> parameters, Model model) {
        Table table = frame.find(key);
        model.addAttribute("of", first(parameters, "of"));
        return ConditionDesk.template(conditions.begin(Condition.ALWAYS, frame.tables(), askable(table), parameters,
                "/desk/tables/" + table.key() + "/grants", model));
    }

    /** What the database can ask of a row alone: its columns, and of references whether they lead to the visitor's. */
    private static Table askable(Table table) {
        return table.with(new Fields(table.columns().stream()
                .filter(field -> !(field.type() instanceof Referring) || field.isEntered()).toList()));
    }

    private Optional<Audience> audience(String id) {
        return switch (id) {
            case "everyone" -> Optional.of(Audience.EVERYONE);
            case "members" -> Optional.of(Audience.MEMBERS);
            default -> catalog.groups().stream().filter(group -> id.equals("group-" + group.key())).findFirst()
                    .map(group -> Audience.those(group.key()));
        };
    }

    private static Verb verb(String of) {
        return Stream.of(Verb.values()).filter(verb -> of.endsWith("-" + verb.word())).findFirst()
                .orElseThrow(() -> ProblemsFound.of("bench.unknown", of));
    }
}
