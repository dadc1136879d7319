package org.pressboard.listing;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.random.RandomGenerator;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.pressboard.condition.Cases;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Operator;
import org.pressboard.grant.Sight;
import org.pressboard.grant.Visitor;
import org.pressboard.problem.Problem;
import org.pressboard.value.Row;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;

class StateAddressTest {

    private static final Listing LISTING = Listing.plain(new ListingKey("apples"), Cases.TABLE.key(),
            List.of(Cases.NAME, Cases.NOTES, Cases.USE, Cases.RARE, Cases.WEEKS, Cases.PLANTED, Cases.SEEN))
            .with(Finding.by(List.of(Cases.NAME, Cases.NOTES),
                    List.of(Cases.USE, Cases.RARE, Cases.PLANTED, Cases.WEEKS, Cases.SEEN)))
            .with(Ordering.by(List.of(SortBy.up(Cases.NAME))));
    private static final StateAddress ADDRESS = new StateAddress(LISTING, Cases.TABLE, AddressPart.whole(Map.of()));

    @Test
    void thePlainAddressIsTheListingsOwnState() {
        assertThat(read("").state()).isEqualTo(RequestState.startOf(LISTING));
        assertThat(ADDRESS.write(RequestState.startOf(LISTING))).isEmpty();
    }

    @Test
    void everythingThatAnAddressCanSay() {
        RequestState state = read("?q=two+words&f.use=Cider&f.use=Eating&f.planted.from=2020-01-01"
                + "&f.planted.to=2021-12-31&f.rare=yes&sort=-planted,name&size=50&page=3").state();
        assertThat(state.search()).isEqualTo("two words");
        assertThat(state.narrowingOf(Cases.USE).values()).containsExactly(Value.of("Cider"), Value.of("Eating"));
        assertThat(state.narrowingOf(Cases.RARE).values()).containsExactly(Value.of(true));
        assertThat(state.sort()).containsExactly(SortBy.down(Cases.PLANTED), SortBy.up(Cases.NAME));
        assertThat(state.size()).isEqualTo(50);
        assertThat(state.page()).isEqualTo(3);
        assertThat(ADDRESS.write(state)).isEqualTo("?q=two+words&f.planted.from=2020-01-01&f.planted.to=2021-12-31"
                + "&f.rare=yes&f.use=Cider&f.use=Eating&sort=-planted,name&size=50&page=3");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "?page=x|state.bad-page|x", "?page=0|state.bad-page|0", "?page=99999999999|state.bad-page|99999999999",
        "?size=7|state.bad-size|7", "?sort=-nosuch|state.no-sort|nosuch", "?sort=sugar|state.no-sort|sugar",
        "?f.name=x|state.no-narrowing|name", "?f.weeks.from=many|state.bad-value|many",
        "?f.planted.to=2021-02-30|state.bad-value|2021-02-30", "?f.use.from=Cider|state.no-narrowing|use.from"})
    void whatCannotBeFollowedIsSaidAndLeftOut(String query, String code, String named) {
        Asked asked = read(query);
        assertThat(asked.problems().all()).extracting(Problem::code).containsExactly(code);
        assertThat(asked.problems().all().getFirst().details()).contains(named);
        assertThat(asked.state()).isEqualTo(RequestState.startOf(LISTING));
    }

    @ParameterizedTest
    @ValueSource(strings = {"?utm_source=x", "?fbclid=1&f=2", "?q=", "?f.use=", "?sort=", "?page=", "?sort=name"})
    void whatIsNotTheListingsOrIsEmptyChangesNothing(String query) {
        Asked asked = read(query);
        assertThat(asked.problems().isEmpty()).isTrue();
        assertThat(ADDRESS.write(asked.state())).isEmpty();
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "?q=a&q=b|state.twice", "?size=10&size=50|state.twice", "?f.weeks.from=1&f.weeks.from=2|state.twice",
        "?f.weeks.from=3&f.weeks.to=2|state.backwards", "?q=a+b+c+d+e+f+g+h+i+j+k|state.many-words",
        "?sort=use,rare,weeks,planted,seen|state.many-orders"})
    void whatCountsOnlyInPartIsSaidToo(String query, String code) {
        assertThat(read(query).problems().all()).extracting(Problem::code).containsExactly(code);
    }

    @Test
    void moreValuesThanAnybodyPicksAndEndlessWordsAreSaid() {
        Asked asked = read("?q=" + "x".repeat(201) + "&f.use=v" + IntStream.range(0, 200)
                .mapToObj(Integer::toString).collect(Collectors.joining("&f.use=v")));
        assertThat(asked.problems().all()).extracting(Problem::code)
                .containsExactlyInAnyOrder("state.many-values", "state.long-search");
        assertThat(asked.state().narrowingOf(Cases.USE).values()).hasSize(100);
    }

    @Test
    void whatMeansNothingIsLetBeOnPagesAndToldWhereNothingMayBe() {
        Asked asked = read("?utm_source=x&q=a");
        assertThat(asked.problems().isEmpty()).isTrue();
        assertThat(asked.notHonoured().all()).containsExactly(Problem.of("state.unknown", "utm_source"));
    }

    @Test
    void aDayAtTheEndIsInTheRangeWhole() {
        Condition sought = read("?f.seen.from=2026-03-13&f.seen.to=2026-03-14").state().sought(List.of());
        assertThat(List.of("2026-03-12T23:59", "2026-03-13T00:00", "2026-03-14T23:59:59.999999", "2026-03-15T00:00"))
                .filteredOn(at -> sought.holds(Row.of(new RowId(1), Map.of(Cases.SEEN, Value.of(LocalDateTime.parse(at)))),
                        Cases.NOBODY)).containsExactly("2026-03-13T00:00", "2026-03-14T23:59:59.999999");
    }

    /** Whatever an address asks of a field that is not shown, by any of its parts, tells nothing of it. */
    @ParameterizedTest
    @ValueSource(strings = {"?f.keeper=mira@example.org", "?f.sugar.from=1", "?f.sugar.to=1", "?sort=keeper",
        "?sort=-sugar"})
    void fieldsThatAreNotShownCannotBeAskedFor(String query) {
        Listing loose = Listing.plain(LISTING.key(), LISTING.table(), List.of(Cases.NAME))
                .with(Finding.by(List.of(Cases.NAME, Cases.KEEPER), List.of(Cases.KEEPER, Cases.SUGAR)));
        Asked asked = new StateAddress(loose, Cases.TABLE, AddressPart.whole(parameters(query))).read();
        assertThat(asked.problems().isEmpty()).isFalse();
        assertThat(asked.state()).isEqualTo(RequestState.startOf(loose));
        assertThat(loose.find().search()).containsExactly(Cases.NAME);
    }

    @Test
    void valuesWithSignsOfTheirOwnSurviveTheAddress() {
        RequestState state = RequestState.startOf(LISTING).withSearch("50% & more = \"ß\" +#?");
        assertThat(read(ADDRESS.write(state)).state()).isEqualTo(state);
    }

    @Test
    void randomStatesSurviveTheAddress() {
        RandomGenerator random = RandomGenerator.of("L64X128MixRandom");
        for (int i = 0; i < 300; i++) {
            RequestState state = random(random);
            assertThat(read(ADDRESS.write(state)).state()).isEqualTo(state);
        }
    }

    private static RequestState random(RandomGenerator random) {
        RequestState state = RequestState.startOf(LISTING);
        if (random.nextBoolean()) {
            state = state.withSearch(Cases.pick(List.of("a", "å b", "%", "x&y=z"), random));
        }
        if (random.nextBoolean()) {
            state = state.narrowed(Cases.USE, Narrowing.toValues(List.of(Value.of("Cider"), Value.of("a,b"))));
        }
        if (random.nextBoolean()) {
            state = state.narrowed(Cases.WEEKS, Narrowing.toRange(Value.of(random.nextInt(9)), null));
        }
        if (random.nextBoolean()) {
            state = state.withSort(List.of(new SortBy(Cases.PLANTED, random.nextBoolean())));
        }
        return state.withSize(Cases.pick(Listing.PAGE_SIZES, random)).withPage(1 + random.nextInt(5));
    }

    @Test
    void eachWordMustBeInOneOfTheSearchedFields() {
        Condition sought = read("?q=red+apple").state().sought(LISTING.find().search());
        Condition red = new Condition.Mentions(List.of(Cases.NAME, Cases.NOTES), "red");
        assertThat(sought).isInstanceOfSatisfying(Condition.All.class,
                all -> assertThat(all.parts()).hasSize(2).contains(red));
    }

    @Test
    void anySearchOrOrderBeginsAtTheFirstPageAgain() {
        RequestState third = RequestState.startOf(LISTING).withPage(3);
        assertThat(third.withSearch("x").page()).isEqualTo(1);
        assertThat(third.withSort(List.of(SortBy.up(Cases.USE))).page()).isEqualTo(1);
        assertThat(third.without(Cases.USE).page()).isEqualTo(1);
    }

    @Test
    void listingsOfOnePageDoNotDisturbEachOther() {
        ListingKey trees = new ListingKey("trees");
        Map<String, List<String>> parameters = parameters(
                "?apples~q=red&trees~q=old+%26+tall&trees~f.plot=A&q=nobody&utm_source=x");
        AddressPart part = AddressPart.of(LISTING.key(), Set.of(LISTING.key(), trees), parameters);
        StateAddress address = new StateAddress(LISTING, Cases.TABLE, part);
        RequestState state = address.read().state();
        assertThat(state.search()).isEqualTo("red");
        assertThat(address.name("sort")).isEqualTo("apples~sort");
        assertThat(address.others()).containsOnlyKeys("trees~q", "trees~f.plot");
        assertThat(address.write(state.withPage(2)))
                .isEqualTo("?apples~q=red&apples~page=2&trees~q=old+%26+tall&trees~f.plot=A");
        assertThat(address.write(state.cleared())).isEqualTo("?trees~q=old+%26+tall&trees~f.plot=A");
    }

    @Test
    void inAnAddressOfTheListingItselfTheNamesMayBePlain() {
        Map<String, List<String>> parameters = parameters("?q=red&size=50&apples~size=10");
        AddressPart part = AddressPart.of(LISTING.key(), Set.of(LISTING.key(), new ListingKey("trees")), parameters);
        RequestState state = new StateAddress(LISTING, Cases.TABLE, part.with(parameters)).read().state();
        assertThat(state.search()).isEqualTo("red");
        assertThat(state.size()).isEqualTo(10);
    }

    @Test
    void lettersInAndAtTheBeginningOfTexts() {
        Listing lettered = LISTING.with(Finding.by(List.of(), List.of(Cases.NAME, Cases.USE)));
        StateAddress address = new StateAddress(lettered, Cases.TABLE,
                AddressPart.whole(Map.of("f.name.has", List.of(" å "), "f.name.begins", List.of("B"), "f.use.from", List.of("x"))));
        Asked asked = address.read();
        assertThat(asked.state().narrowingOf(Cases.NAME)).isEqualTo(Narrowing.OPEN.lettered("å", "B"));
        assertThat(asked.problems().all()).extracting(Problem::code).containsExactly("state.no-narrowing");
        assertThat(address.write(asked.state())).isEqualTo("?f.name.has=%C3%A5&f.name.begins=B");
        assertThat(asked.state().sought(List.of())).isEqualTo(Condition.compare(Cases.NAME, Operator.CONTAINS,
                Value.of("å")).and(Condition.compare(Cases.NAME, Operator.BEGINS, Value.of("B"))));
    }

    @Test
    void whatAListingBeginsWithCanBeTakenBack() {
        Narrowing cider = Narrowing.toValues(List.of(Value.of("Cider")));
        Listing started = LISTING.with(LISTING.find().changing(Cases.USE, control -> control.startingWith(cider)));
        StateAddress address = new StateAddress(started, Cases.TABLE, AddressPart.whole(Map.of()));
        RequestState start = RequestState.startOf(started);
        assertThat(address.read().state()).isEqualTo(start);
        assertThat(start.narrowingOf(Cases.USE)).isEqualTo(cider);
        assertThat(address.write(start)).isEmpty();
        assertThat(address.write(start.cleared())).isEqualTo("?f.use=");
        assertThat(address.write(start.narrowed(Cases.USE, Narrowing.toValues(List.of(Value.of("Eating"))))))
                .isEqualTo("?f.use=Eating");
        assertThat(read(started, "f.use", "").state()).isEqualTo(start.cleared());
        // a form sends what takes back along with what is ticked
        assertThat(read(started, "f.use", "", "Eating").state().narrowingOf(Cases.USE).values())
                .containsExactly(Value.of("Eating"));
    }

    private static Asked read(Listing listing, String name, String... values) {
        return new StateAddress(listing, Cases.TABLE, AddressPart.whole(Map.of(name, List.of(values)))).read();
    }

    @Test
    void whatIsSearchedFromTheStartIsTakenBackInTheAddress() {
        Listing started = LISTING.with(LISTING.find().starting(" crisp "));
        StateAddress address = new StateAddress(started, Cases.TABLE, AddressPart.whole(Map.of()));
        RequestState start = RequestState.startOf(started);
        assertThat(start.search()).isEqualTo("crisp");
        assertThat(address.read().state()).isEqualTo(start);
        assertThat(address.write(start)).isEmpty();
        assertThat(address.write(start.cleared())).isEqualTo("?q=");
        assertThat(address.write(start.withSearch("tart"))).isEqualTo("?q=tart");
        assertThat(read(started, "q", "").state()).isEqualTo(start.cleared());
        // a form with a box for each field has none for such words
        assertThat(RequestState.startOf(started.with(started.find().in(Finding.SearchForm.BOXES))).search()).isEmpty();
    }

    @Test
    void rowsUnderEachOtherEndWhereNobodyReadsOn() {
        Listing more = LISTING.with(LISTING.ordering().adding(true));
        assertThat(read(more, "page", "40").state().page()).isEqualTo(40);
        assertThat(read(more, "page", "41").problems().all()).extracting(Problem::code).containsExactly("state.bad-page");
        RowQuery third = RowQuery.of(more, Sight.of(Cases.TABLE), Visitor.ANYONE, read(more, "page", "3").state(), Cases.NOBODY);
        assertThat(third.page()).isEqualTo(1);
        assertThat(third.size()).isEqualTo(75);
    }

    private static Asked read(String query) {
        return new StateAddress(LISTING, Cases.TABLE, AddressPart.whole(parameters(query))).read();
    }

    private static Map<String, List<String>> parameters(String query) {
        Map<String, List<String>> parameters = new LinkedHashMap<>();
        for (String part : query.replaceFirst("^\\?", "").split("&")) {
            if (!part.isEmpty()) {
                String[] pair = part.split("=", 2);
                parameters.computeIfAbsent(pair[0], name -> new ArrayList<>())
                        .add(pair.length > 1 ? URLDecoder.decode(pair[1], StandardCharsets.UTF_8) : "");
            }
        }
        return parameters;
    }
}
