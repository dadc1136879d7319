package org.pressboard.desk.bench;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.PublishedSite;
import org.pressboard.condition.Condition;
import org.pressboard.desk.condition.ConditionDesk;
import org.pressboard.desk.condition.ConditionWords;
import org.pressboard.desk.table.UnseenFields;
import org.pressboard.edition.Page;
import org.pressboard.grant.Sight;
import org.pressboard.grant.Visitor;
import org.pressboard.listing.Listing;
import org.pressboard.listing.RowQuery;
import org.pressboard.listing.Total;
import org.pressboard.rows.RowPicker;
import org.pressboard.rows.Rows;
import org.pressboard.value.RowId;
import org.pressboard.words.Words;
import org.pressboard.sieve.Gate;
import org.pressboard.sieve.Sieve;
import org.pressboard.stand.Asking;
import org.pressboard.stand.DraftedPages;
import org.pressboard.stand.NotThere;
import org.pressboard.stand.OpenPage;
import org.pressboard.stand.SeenBy;
import org.pressboard.stand.Stand;
import org.pressboard.table.Field;
import org.pressboard.table.Table;
import org.pressboard.value.Value;
import org.pressboard.value.Row;
import org.pressboard.visit.Visit;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** How many rows pass each gate between the table and the screen, and why one that is looked for is not there. */
@Controller
class SieveScreen {


    /** So many rows of one name are looked at. */
    private static final int MOST_CALLED = 100;

    /** So many of those that fall out are named. */
    private static final int FALLEN = 6;

    private final Catalog catalog;
    private final Rows rows;
    private final RowPicker picker;
    private final BenchWords benchWords;
    private final ConditionDesk conditionDesk;
    private final SeenBy seenBy;
    private final UnseenFields unseen;

    SieveScreen(Catalog catalog, Rows rows, RowPicker picker, BenchWords benchWords, ConditionDesk conditionDesk,
            SeenBy seenBy, UnseenFields unseen) {
        this.unseen = unseen;
        this.catalog = catalog;
        this.rows = rows;
        this.picker = picker;
        this.benchWords = benchWords;
        this.conditionDesk = conditionDesk;
        this.seenBy = seenBy;
    }

    /**
     * A gate as it is drawn.
     *
     * @param said  how many rows pass it
     * @param width of its bar, of 100
     */
    public record Bar(Gate gate, String said, long width) {
    }

    /**
     * @param as  for whom, as {@link SeenBy} finds them
     * @param why a row that is looked for, by its key; empty: none
     */
    @GetMapping("/desk/pages/{page}/{listing}/sieve")
    String sieve(Visit visit, @PathVariable String page, @PathVariable String listing, @RequestParam(defaultValue = "") String as,
            @RequestParam(defaultValue = "") String why, @RequestParam MultiValueMap<String, String> parameters,
            Model model) {
        Page draft = DraftedPages.draft(catalog, page);
        PublishedSite site = visit.site();
        Visitor visitor = seenBy.find(visit, as).orElseThrow(() -> new NotThere("not-there.person"));
        Page whole = draft.among(site.tables());
        Listing there = DraftedPages.listing(whole, listing);
        Asking asking = new OpenPage(new Stand.Draft(draft.key(), as), whole, visit.seenBy(visitor)).asking(there, parameters);
        Sight sight = asking.sight();
        Sieve sieve = new Sieve(there, RowQuery.of(there, sight, visitor, asking.state(), asking.standpoint()));
        Words words = benchWords.desk();
        List<Total> totals = totals(sieve, site.site().language());
        model.addAttribute("bars", bars(totals, words));
        model.addAttribute("stop", stop(totals));
        model.addAttribute("table", sight.table());
        model.addAttribute("fallen", there.keep().equals(Condition.ALWAYS) ? List.of() : picker.without(sight, visitor,
                sieve.query().standpoint(), there.keep(), FALLEN + 1).stream().map(Value.Referred::heading).toList());
        model.addAttribute("mostFallen", FALLEN);
        model.addAttribute("keep", conditions(site, sight.table()).of(there.keep()));
        model.addAttribute("broken", there.isBroken());
        model.addAttribute("unseen", unseen.of(sight, there));
        model.addAttribute("as", as);
        model.addAttribute("why", why);
        model.addAttribute("answer", why.isBlank() ? null : answer(sieve, site, why.strip(), words));
        model.addAttribute("at", "/desk/pages/" + draft.key() + "/" + there.key());
        model.addAttribute("words", words);
        return "desk/bench/sieve :: sieve";
    }

    private List<Total> totals(Sieve sieve, Locale language) {
        List<Total> totals = new ArrayList<>(sieve.counted().stream().map(query -> rows.count(query, language)).toList());
        long left = totals.getLast().atLeast();
        long before = sieve.query().offset();
        totals.add(new Total.Exactly(Math.clamp(left - before, 0, sieve.query().size())));
        return totals;
    }

    private static List<Bar> bars(List<Total> totals, Words words) {
        long most = Math.max(1, totals.getFirst().atLeast());
        List<Bar> bars = new ArrayList<>();
        for (Gate gate : Gate.values()) {
            Total total = totals.get(gate.ordinal());
            long width = Math.round(100.0 * total.atLeast() / most);
            bars.add(new Bar(gate, words.count(total), total.atLeast() == 0 ? 0 : Math.clamp(width, 1, 100)));
        }
        return bars;
    }

    /** The gate that stops everything that came as far as it. */
    private static @Nullable Gate stop(List<Total> totals) {
        for (Gate gate : Gate.values()) {
            if (totals.get(gate.ordinal()).equals(new Total.Exactly(0))) {
                return gate;
            }
        }
        return null;
    }

    /** The sentence that says where the row is stopped, and by what; of several that are called so, how many are where. */
    private String answer(Sieve sieve, PublishedSite site, String called, Words words) {
        Table table = sieve.query().table();
        List<Row> found = found(sieve, site, called);
        if (found.isEmpty()) {
            List<String> alike = RowPicker.alike(picker.find(site.tables(), table, called, site.site().language()));
            return alike.isEmpty() ? words.say("sieve.why.TABLE", called, table.label())
                    : words.say("sieve.why.alike", called, table.label(), String.join(", ", alike));
        }
        if (found.size() == 1) {
            return sieve.stops(found.getFirst()).map(gate -> words.say("sieve.why." + gate, called,
                    gate == Gate.KEPT ? unmet(sieve, found.getFirst(), conditions(site, table), words) : table.label()))
                    .orElseGet(() -> words.say("sieve.why.here", called));
        }
        Map<Optional<Gate>, Long> gates = found.stream().collect(Collectors.groupingBy(sieve::stops, LinkedHashMap::new,
                Collectors.counting()));
        String each = gates.entrySet().stream().map(gate -> words.say("sieve.several." + gate.getKey().map(Gate::name).orElse("here"),
                gate.getValue())).collect(Collectors.joining(", "));
        return words.say(found.size() > MOST_CALLED ? "sieve.why.many" : "sieve.why.several", called,
                Math.min(found.size(), MOST_CALLED), each);
    }

    /** The rows that are called so, by their key or by what stands in their heading, blind to case and accents. */
    private List<Row> found(Sieve sieve, PublishedSite site, String called) {
        Table table = sieve.query().table();
        Locale language = site.site().language();
        RowQuery all = new RowQuery(sieve.query().sight().seeing(Condition.ALWAYS), Visitor.staff(""),
                sieve.query().standpoint(), Condition.ALWAYS, Condition.ALWAYS, List.of(), 1, 1,
                table.fields().stream().map(Field::key).toList());
        List<RowId> numbers = picker.called(Sight.whole(site.tables(), table.key()), called, language, MOST_CALLED + 1);
        List<Row> byName = numbers.isEmpty() ? List.of() : rows.numbered(all, language, numbers);
        return byName.isEmpty() ? rows.one(all, language, called).stream().toList() : byName;
    }

    private static String unmet(Sieve sieve, Row row, ConditionWords conditions, Words words) {
        return String.join("; ", sieve.unmet(row).stream().map(unmet -> unmet.equals(Condition.NEVER) ? words.say("sieve.broken")
                : conditions.of(unmet)).toList());
    }

    private ConditionWords conditions(PublishedSite site, Table table) {
        return conditionDesk.words(site.tables(), table);
    }
}
