package org.pressboard.desk.table;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.pressboard.catalog.Catalog;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Standpoint;
import org.pressboard.desk.condition.ConditionDesk;
import org.pressboard.desk.condition.Statements;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Deciding;
import org.pressboard.grant.Grant;
import org.pressboard.grant.Grants;
import org.pressboard.grant.Group;
import org.pressboard.grant.Openness;
import org.pressboard.grant.Ownership;
import org.pressboard.grant.Sight;
import org.pressboard.grant.Verb;
import org.pressboard.listing.RowQuery;
import org.pressboard.rows.Rows;
import org.pressboard.table.Field;
import org.pressboard.table.FieldType;
import org.pressboard.table.Operands;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;
import org.pressboard.value.FieldKey;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import org.pressboard.words.Words;

/** The grants of a table as they are shown: a line for each audience, in it a word for each verb. */
@Component
class GrantGrid {

    private final TableFrame frame;
    private final Catalog catalog;
    private final ConditionDesk conditions;
    private final Rows rows;

    GrantGrid(TableFrame frame, Catalog catalog, ConditionDesk conditions, Rows rows) {
        this.frame = frame;
        this.catalog = catalog;
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

        public String word(Words words) {
            return words.say("verb." + verb);
        }
    }

    /**
     * A field that may be chosen: as that by which rows are somebody's own, or to be left out.
     *
     * @param gives what somebody gets who may write it, as it decides who belongs to groups; empty: nothing
     */
    public record Choice(String key, String label, boolean chosen, String gives) {
    }

    void show(Table table, Model model) {
        Tables tables = catalog.publishedNow().tables();
        Table now = tables.get(table.key());
        Deciding deciding = Deciding.of(tables, catalog.groups());
        Grants grants = catalog.grants(table.key()).of(tables, now, deciding);
        model.addAttribute("grantLines", lines(tables, now, grants, deciding, model));
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

    private List<Line> lines(Tables tables, Table table, Grants grants, Deciding deciding, Model model) {
        List<Line> lines = new ArrayList<>();
        lines.add(line(tables, table, grants, deciding, id(Audience.EVERYONE), conditions.audience(Audience.EVERYONE), model));
        lines.add(line(tables, table, grants, deciding, id(Audience.MEMBERS), conditions.audience(Audience.MEMBERS), model));
        catalog.groups().forEach(group -> lines.add(line(tables, table, grants, deciding, id(Audience.those(group.key())), group.label(), model)));
        return lines;
    }

    private Line line(Tables tables, Table table, Grants grants, Deciding deciding, String id, String label, Model model) {
        Audience audience = audience(id).orElseThrow();
        return new Line(label, Verb.of(grants.approval().isAsked()).stream().map(verb ->
                cell(tables, table, grants, deciding, id, audience, verb, model)).toList());
    }

    private Cell cell(Tables tables, Table table, Grants grants, Deciding deciding, String id, Audience audience, Verb verb,
            Model model) {
        String of = id + "-" + verb.word();
        Grant grant = grants.find(audience, verb).orElse(null);
        Reach reach = reach(grant);
        Condition said = grant == null ? Condition.ALWAYS : ConditionDesk.said(grant.rows());
        boolean isChanging = of.equals(model.getAttribute("of"));
        Operands operands = new Operands(tables, table, Operands.Use.GRANT);
        Statements statements = isChanging ? conditions.statements(said, operands, model) : conditions.statements(said, operands);
        return grant == null
                ? new Cell(of, verb, reach, frame.words().say("grants.NONE"), "", "", statements, List.of())
                : new Cell(of, verb, reach, conditions.grantWords(tables, table).rows(grant),
                        count(tables, table, grants, grant), warning(table, grants, deciding, grant), statements,
                        fields(table, grant, deciding));
    }

    private List<Choice> fields(Table table, Grant grant, Deciding deciding) {
        return table.fields().stream().filter(field -> canLeaveOut(table, grant.verb(), field))
                .map(field -> new Choice(field.key().name(), field.label(), grant.without().contains(field.key()),
                        grant.verb() == Verb.SEE ? "" : gives(deciding.groups(table.key(), field.key())))).toList();
    }

    /** What those may do who belong to these groups, table by table. */
    private String gives(List<Group> groups) {
        return groups.isEmpty() ? "" : frame.words().say("grants.deciding", named(groups), groups.stream().flatMap(group ->
                catalog.tables().all().stream().flatMap(table -> given(table, group))).distinct()
                .reduce((one, other) -> one + "; " + other).orElse(frame.words().say("grants.deciding-nothing")));
    }

    private static String named(List<Group> groups) {
        return groups.stream().map(Group::label).collect(Collectors.joining(", "));
    }

    private Stream<String> given(Table table, Group group) {
        List<String> may = catalog.grants(table.key()).all().stream().filter(grant -> grant.audience()
                .equals(Audience.those(group.key()))).map(grant -> frame.words().say("verb." + grant.verb())).toList();
        return may.isEmpty() ? Stream.of() : Stream.of(frame.words().say("grants.deciding-table", String.join(", ", may), table.label()));
    }

    static boolean canLeaveOut(Table table, Verb verb, Field field) {
        return switch (verb) {
            case SEE -> Grant.canLeaveOut(table, field);
            case ADD, CHANGE -> Grant.canLeaveOut(table, field) && field.isEntered() && !field.key().equals(table.owner())
                    && !field.key().equals(table.approval());
            case REMOVE, APPROVE -> false;
        };
    }

    static Reach reach(@Nullable Grant grant) {
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

    private String warning(Table table, Grants grants, Deciding deciding, Grant grant) {
        if (grant.own() && grants.ofOwn().equals(Condition.NEVER)) {
            return frame.words().say("grants.no-owner");
        }
        if (grant.own() && grant.audience().equals(Audience.EVERYONE) && !table.browsers()) {
            return frame.words().say("grants.own-of-everyone");
        }
        String letting = grant.letting().stream().filter(field -> !deciding.groups(table.key(), field).isEmpty()).map(field ->
                frame.words().say("grants.letting", table.field(field).label(), named(deciding.groups(table.key(), field))))
                .findFirst().orElse("");
        if (!letting.isEmpty()) {
            return letting;
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
                key.equals(table.owner()) || (table.owner() == null && key.equals(table.people())), "")).toList();
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

    /** The fields that can say whether a row has been let through. */
    static List<Field> yesNo(Table table) {
        return table.entered().stream().filter(field -> field.type() instanceof FieldType.YesNo).toList();
    }

    /** How an audience is named in addresses, and in what is sent. */
    static String id(Audience audience) {
        return switch (audience) {
            case Audience.Everyone everyone -> "everyone";
            case Audience.Members members -> "members";
            case Audience.Those those -> "group-" + those.group();
        };
    }

    /** Whom such a name means; nobody where there is no such group. */
    Optional<Audience> audience(String id) {
        return Stream.concat(Stream.of(Audience.EVERYONE, Audience.MEMBERS), catalog.groups().stream()
                .map(group -> Audience.those(group.key()))).filter(audience -> id(audience).equals(id)).findFirst();
    }
}
