package org.pressboard.desk.table;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.pressboard.catalog.Catalog;
import org.pressboard.condition.Condition;
import org.pressboard.edition.Page;
import org.pressboard.form.Form;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Grant;
import org.pressboard.grant.Grants;
import org.pressboard.grant.Group;
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

    private static final String EVERYONE = "everyone";
    private static final String MEMBERS = "members";
    private static final String GROUP = "group-";

    private final Catalog catalog;
    private final Publisher publisher;
    private final TableFrame frame;
    private final LogBook log;

    Ungranted(Catalog catalog, Publisher publisher, TableFrame frame, LogBook log) {
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
        List<Offer> offers = new ArrayList<>();
        offer(listing.table(), Verb.ADD, changing.add(), "desk.ungranted.ADD").ifPresent(offers::add);
        offer(listing.table(), Verb.CHANGE, changing.change(), "desk.ungranted.CHANGE").ifPresent(offers::add);
        offer(listing.table(), Verb.REMOVE, changing.remove(), "desk.ungranted.REMOVE").ifPresent(offers::add);
        return offers;
    }

    /** Of a form that nobody can send. */
    public Optional<Offer> of(Form form) {
        return offer(form.table(), Verb.ADD, true, "desk.ungranted.form", form.title());
    }

    private Optional<Offer> offer(TableKey key, Verb verb, boolean isOffered, String code, Object... more) {
        return catalog.table(key).filter(table -> isOffered && catalog.grants(key).of(verb).stream()
                .allMatch(grant -> !grant.own() && grant.rows().equals(Condition.NEVER)))
                .map(table -> new Offer(key, verb, frame.words().say(code, Stream.concat(Stream.of(table.label()), Stream.of(more)).toArray()),
                        whom(verb)));
    }

    private List<Choice> whom(Verb verb) {
        Choice everyone = new Choice(EVERYONE, frame.words().say("desk.ungranted.everyone"));
        Choice members = new Choice(MEMBERS, frame.words().say("desk.ungranted.members"));
        Stream<Choice> groups = catalog.groups().stream().map(group -> new Choice(GROUP + group.key(), group.label()));
        return Stream.concat(verb == Verb.ADD ? Stream.of(everyone, members) : Stream.of(members, everyone), groups).toList();
    }

    /** Lets somebody do it with all rows; where rows are somebody's own, with their own. */
    @PostMapping("/desk/tables/{key}/let")
    String let(Visit visit, @PathVariable String key, @RequestParam Verb verb, @RequestParam String whom,
            @RequestParam(defaultValue = "") String back, RedirectAttributes flash) {
        Table table = frame.find(key);
        try {
            audience(whom).ifPresent(audience -> {
                let(table, verb, audience);
                log.note(visit, Logged.What.GRANTS_CHANGED, table.label() + " " + whom + "-" + verb.word());
                flash.addFlashAttribute("said", frame.words().say("desk.ungranted.let." + verb + (isOwn(table, verb) ? ".own" : ""), table.label()));
            });
        } catch (ProblemsFound against) {
            flash.addFlashAttribute("problem", frame.words().say(against.problems().all().getFirst()));
        }
        return "redirect:" + (back.matches("/desk/[a-z0-9/_-]{1,200}") ? back : "/desk/tables/" + table.key() + "/access");
    }

    private void let(Table table, Verb verb, Audience audience) {
        List<Grant> all = new ArrayList<>(catalog.grants(table.key()).all().stream()
                .filter(grant -> !(grant.audience().equals(audience) && grant.verb() == verb)).toList());
        all.add(isOwn(table, verb) ? Grant.ofOwn(audience, verb) : new Grant(audience, verb, Condition.ALWAYS));
        publisher.grant(table.key(), new Grants(all));
    }

    private static boolean isOwn(Table table, Verb verb) {
        return table.owner() != null && verb != Verb.ADD;
    }

    private Optional<Audience> audience(String whom) {
        return switch (whom) {
            case EVERYONE -> Optional.of(Audience.EVERYONE);
            case MEMBERS -> Optional.of(Audience.MEMBERS);
            default -> catalog.groups().stream().map(Group::key).filter(key -> whom.equals(GROUP + key)).findFirst().map(Audience::those);
        };
    }
}
