package org.pressboard.desk.table;

import java.util.List;
import java.util.Map;
import java.util.function.BiFunction;
import java.util.stream.Stream;
import org.pressboard.catalog.Catalog;
import org.pressboard.condition.Condition;
import org.pressboard.edition.Page;
import org.pressboard.form.Form;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Grant;
import org.pressboard.grant.Grants;
import org.pressboard.grant.Verb;
import org.pressboard.listing.Changing;
import org.pressboard.listing.Listing;
import org.pressboard.log.Logged;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.schema.Publisher;
import org.pressboard.signin.LogBook;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.visit.Visit;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** What a page offers people and no grant lets anybody do: told where it is offered, with one click that lets them. */
@Controller
public class Ungranted {

    private final Catalog catalog;
    private final Publisher publisher;
    private final TableFrame frame;
    private final GrantGrid grid;
    private final LogBook log;

    Ungranted(Catalog catalog, Publisher publisher, TableFrame frame, GrantGrid grid, LogBook log) {
        this.grid = grid;
        this.catalog = catalog;
        this.publisher = publisher;
        this.frame = frame;
        this.log = log;
    }

    /** Whom it could be allowed. */
    public record Choice(String value, String label) {
    }

    /**
     * Something that nobody but staff may do.
     *
     * @param said that, in a sentence
     * @param whom who could be let, the most likely first
     */
    public record Offer(TableKey table, Verb verb, String said, List<Choice> whom) {
    }

    /** Of all that the page offers. */
    public List<Offer> of(Page page) {
        return Stream.concat(page.listings().stream().flatMap(listing -> of(listing).stream()),
                page.forms().stream().flatMap(form -> of(form).stream())).distinct().toList();
    }

    /** Of a listing whose rows people are to change. */
    public List<Offer> of(Listing listing) {
        Changing changing = listing.changing();
        Map<Verb, Boolean> offered = Map.of(Verb.ADD, changing.add(), Verb.CHANGE, changing.change(), Verb.REMOVE, changing.remove());
        return of(listing.table(), Verb.of(false).stream().filter(verb -> offered.getOrDefault(verb, false)).toList(),
                (table, verb) -> frame.words().say("desk.ungranted." + verb, table.label()));
    }

    /** Of a form that nobody can send. */
    public List<Offer> of(Form form) {
        return of(form.table(), List.of(Verb.ADD), (table, verb) -> frame.words().say("desk.ungranted.form", table.label(), form.title()));
    }

    private List<Offer> of(TableKey key, List<Verb> offered, BiFunction<Table, Verb, String> said) {
        if (offered.isEmpty()) {
            return List.of();
        }
        Grants grants = catalog.grants(key);
        return catalog.table(key).stream().flatMap(table -> offered.stream()
                .filter(verb -> grants.of(verb).stream().allMatch(grant -> !grant.own() && grant.rows().equals(Condition.NEVER)))
                .map(verb -> new Offer(key, verb, said.apply(table, verb), whom(verb)))).toList();
    }

    private List<Choice> whom(Verb verb) {
        Choice everyone = new Choice(GrantGrid.id(Audience.EVERYONE), frame.words().say("desk.ungranted.everyone"));
        Choice members = new Choice(GrantGrid.id(Audience.MEMBERS), frame.words().say("desk.ungranted.members"));
        Stream<Choice> groups = catalog.groups().stream().map(group -> new Choice(GrantGrid.id(Audience.those(group.key())), group.label()));
        return Stream.concat(verb == Verb.ADD ? Stream.of(everyone, members) : Stream.of(members, everyone), groups).toList();
    }

    /** Lets somebody do it with all rows; where rows are somebody's own, with their own. */
    @PostMapping("/desk/tables/{key}/let")
    String let(Visit visit, @PathVariable String key, @RequestParam Verb verb, @RequestParam String whom,
            @RequestParam(defaultValue = "") String back, RedirectAttributes flash) {
        Table table = frame.find(key);
        try {
            grid.audience(whom).ifPresent(audience -> {
                let(table, verb, audience);
                log.note(visit, Logged.What.GRANTS_CHANGED, table.label() + " " + whom + "-" + verb.word());
                flash.addFlashAttribute("said", frame.words().say("desk.ungranted.let." + verb + (isOwn(table, verb) ? ".own" : ""), table.label()));
            });
        } catch (ProblemsFound against) {
            flash.addFlashAttribute("problem", frame.words().say(against.problems().all().getFirst()));
        }
        return TableFrame.back(back, "/desk/tables/" + table.key() + "/access");
    }

    private void let(Table table, Verb verb, Audience audience) {
        publisher.grant(table.key(), catalog.grants(table.key()).giving(audience, verb,
                isOwn(table, verb) ? Grant.ofOwn(audience, verb) : new Grant(audience, verb, Condition.ALWAYS)));
    }

    private static boolean isOwn(Table table, Verb verb) {
        return table.owner() != null && verb != Verb.ADD;
    }
}
