package org.pressboard.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import java.util.UUID;
import java.util.random.RandomGenerator;
import java.util.random.RandomGeneratorFactory;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.pressboard.bulk.Intake;
import org.pressboard.bulk.Intakes;
import org.pressboard.catalog.Catalog;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Onlooker;
import org.pressboard.condition.Operator;
import org.pressboard.condition.Standpoint;
import org.pressboard.grant.Sight;
import org.pressboard.grant.Visitor;
import org.pressboard.history.Author;
import org.pressboard.listing.Finding;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.listing.Narrowing;
import org.pressboard.listing.RequestState;
import org.pressboard.listing.RowPage;
import org.pressboard.listing.RowQuery;
import org.pressboard.listing.SortBy;
import org.pressboard.listing.Total;
import org.pressboard.rows.FieldCounts;
import org.pressboard.rows.Rows;
import org.pressboard.schema.Publisher;
import org.pressboard.site.RunningSite;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.value.FieldKey;
import org.pressboard.value.PlainForm;
import org.pressboard.value.Row;
import org.pressboard.value.TextOrder;
import org.pressboard.value.Value;
import org.springframework.beans.factory.annotation.Autowired;

/**
 * Tickets and states of the address bar by chance, over {@code movies.json} and {@code airports.csv} of the npm package
 * vega-datasets: rows, their order, totals and how many rows there are of each option are those that DuckDB works out of
 * the same, and those of memory.
 */
class TicketsAgainstDuckTest extends RunningSite {

    private static final String FILES = Path.of("front/node_modules/vega-datasets/data").toAbsolutePath().toString();
    private static final Author OWNER = new Author(null, "owner@example.org", Author.Origin.DESK);
    private static final FieldKey NUMBER = new FieldKey("number");
    private static final FieldKey NAME = new FieldKey("name");
    private static final FieldKey KIND = new FieldKey("kind");
    private static final FieldKey MEASURE = new FieldKey("measure");
    private static final FieldKey OTHER = new FieldKey("other");
    private static final FieldKey DAY = new FieldKey("day");
    private static final long SEED = 500_2026;
    private static final LocalDate TODAY = LocalDate.of(2026, 3, 14);

    /** What is compared, and over how many tickets. */
    private enum Data {
        FILMS(500, 3_201, List.of("Drama", "Comedy", "Action", "Horror", "Western"), 30, List.of("the", "man", "of", "r"),
                """
                "Title"::varchar as name, "Major Genre" as kind, "IMDB Rating"::decimal(6, 2) as measure,
                try_cast("IMDB Votes"::varchar as bigint) as other,
                try_strptime("Release Date"::varchar, '%b %d %Y')::date as day from read_json_auto('movies.json')"""),
        AIRPORTS(250, 3_376, List.of("TX", "AK", "CA", "MI", "HI"), 250, List.of("municipal", "san", "field", "y"), """
                name, state as kind, round(latitude, 2)::decimal(9, 2) as measure,
                round(longitude, 2)::decimal(9, 2) as other from read_csv('airports.csv', header = true, nullstr = 'NA')""");

        private final int tickets;
        private final int rows;
        private final List<String> kinds;
        private final int least;
        private final List<String> words;
        private final String select;

        Data(int tickets, int rows, List<String> kinds, int least, List<String> words, String select) {
            this.tickets = tickets;
            this.rows = rows;
            this.kinds = kinds;
            this.least = least;
            this.words = words;
            this.select = select.replace("('", "('" + FILES + "/");
        }

        private String title() {
            return name().toLowerCase(Locale.ROOT);
        }

        private TableKey table() {
            return new TableKey(title());
        }

        private boolean hasDays() {
            return this == FILMS;
        }

        private List<FieldKey> fields() {
            return hasDays() ? List.of(NUMBER, NAME, KIND, MEASURE, OTHER, DAY) : List.of(NUMBER, NAME, KIND, MEASURE, OTHER);
        }

        private List<FieldKey> ordered() {
            return hasDays() ? List.of(NUMBER, MEASURE, OTHER, DAY) : List.of(NUMBER, MEASURE, OTHER);
        }
    }

    @Autowired
    private Intakes intakes;

    @Autowired
    private Catalog catalog;

    @Autowired
    private Publisher publisher;

    @Autowired
    private Rows rows;

    @Autowired
    private FieldCounts counts;

    @TempDir
    private Path folder;

    private final RandomGenerator random = RandomGeneratorFactory.of("L64X128MixRandom").create(SEED);
    private Data data = Data.FILMS;

    @AfterEach
    void removeTheTable() {
        publisher.remove(data.table());
    }

    @ParameterizedTest
    @EnumSource
    void everyTicketGivesWhatDuckDbGives(Data of) throws Exception {
        data = of;
        try (Connection duck = DriverManager.getConnection("jdbc:duckdb:"); Statement sql = duck.createStatement()) {
            sql.execute("create table rows as select row_number() over () as number, " + data.select);
            sql.execute("copy rows to '" + file() + "' (header)");
            bringIn();
            Table table = catalog.table(data.table()).orElseThrow();
            Listing plain = Listing.plain(new ListingKey(data.title()), data.table(), data.fields());
            List<Row> all = rows.rows(query(plain, table, RequestState.startOf(plain)).first(10_000), Locale.ENGLISH);
            assertThat(all).hasSize(data.rows);
            for (int i = 0; i < data.tickets; i++) {
                compare(sql, table, all);
            }
        }
    }

    private Path file() {
        return folder.resolve(data.title() + ".csv");
    }

    private void bringIn() throws Exception {
        UUID id;
        try (InputStream in = Files.newInputStream(file())) {
            id = intakes.receive(data.title() + ".csv", in);
        }
        intakes.survey(id).get();
        intakes.load(id, Objects.requireNonNull(intakes.find(id).orElseThrow().plan()), OWNER).get();
        Intake done = intakes.find(id).orElseThrow();
        assertThat(done.rowsAside()).as(done.toString()).isZero();
    }

    private static RowQuery query(Listing listing, Table table, RequestState state) {
        return RowQuery.of(listing, Sight.of(table), Visitor.staff(""), state, Standpoint.of(Onlooker.NOBODY, TODAY));
    }

    private void compare(Statement sql, Table table, List<Row> all) throws SQLException {
        Condition keep = condition(2);
        Listing listing = Listing.plain(new ListingKey(data.title()), data.table(), data.fields()).keeping(keep)
                .with(Finding.by(List.of(NAME), data.fields().subList(1, data.fields().size())));
        RequestState state = state(listing);
        RowQuery query = query(listing, table, state);
        String where = " from rows where (" + duck(keep) + ") and (" + duck(query.sought()) + ")";
        String as = where + ", seed " + SEED;
        RowPage page = rows.page(query, Locale.ENGLISH);
        List<Long> numbers = page.rows().stream().map(TicketsAgainstDuckTest::number).toList();
        assertThat(numbers).as(as).isEqualTo(query.pageOf(all, TextOrder.of(Locale.ENGLISH)).stream()
                .map(TicketsAgainstDuckTest::number).toList());
        assertThat(numbers).as(as).isEqualTo(numbers(sql, "select number" + where + order(query)
                + " limit " + query.size() + " offset " + query.offset()));
        long found = numbers(sql, "select count(*)" + where).getFirst();
        assertThat(page.rows().isEmpty() ? rows.countToEnd(query, Locale.ENGLISH) : page.found()).as(as)
                .isEqualTo(new Total.Exactly(found));
        assertThat(counts.byValue(query, KIND, List.of(), Locale.ENGLISH)).as(as).isEqualTo(byKind(sql, where));
    }

    private static long number(Row row) {
        return ((Value.Whole) Objects.requireNonNull(row.get(NUMBER))).number();
    }

    private static List<Long> numbers(Statement sql, String query) throws SQLException {
        List<Long> numbers = new ArrayList<>();
        try (ResultSet result = sql.executeQuery(query)) {
            while (result.next()) {
                numbers.add(result.getLong(1));
            }
        }
        return numbers;
    }

    private static Map<String, Long> byKind(Statement sql, String where) throws SQLException {
        Map<String, Long> counts = new TreeMap<>();
        try (ResultSet result = sql.executeQuery("select kind, count(*)" + where + " and kind is not null group by 1")) {
            while (result.next()) {
                counts.put(result.getString(1), result.getLong(2));
            }
        }
        return counts;
    }

    /** Rows that are not told apart follow by their number, as those in the file do. */
    private static String order(RowQuery query) {
        StringBuilder by = new StringBuilder(" order by ");
        query.order().forEach(sort -> by.append(sort.field()).append(sort.descending() ? " desc" : " asc")
                .append(" nulls last, "));
        return by.append(query.isLastDescending() ? "number desc" : "number asc").toString();
    }

    private RequestState state(Listing listing) {
        RequestState state = RequestState.startOf(listing);
        if (random.nextInt(3) == 0) {
            state = state.withSearch(pick(pick(data.words), "zz", "an e"));
        }
        if (random.nextInt(3) == 0) {
            state = state.narrowed(KIND, Narrowing.toValues(List.of(value(KIND), value(KIND))));
        }
        if (random.nextInt(3) == 0) {
            state = state.narrowed(MEASURE, Narrowing.toRange(value(MEASURE), random.nextBoolean() ? value(MEASURE) : null));
        }
        if (data.hasDays() && random.nextInt(4) == 0) {
            state = state.narrowed(DAY, Narrowing.toRange(null, value(DAY)));
        }
        if (random.nextInt(5) == 0) {
            state = state.narrowed(NAME, Narrowing.OPEN.lettered("", pick("t", "A", "b")));
        }
        List<SortBy> sort = new ArrayList<>();
        for (int i = random.nextInt(3); i > 0; i--) {
            FieldKey field = pick(data.ordered());
            if (sort.stream().noneMatch(each -> each.field().equals(field))) {
                sort.add(new SortBy(field, random.nextBoolean()));
            }
        }
        return state.withSort(sort).withSize(Listing.PAGE_SIZES.get(random.nextInt(3))).withPage(1 + random.nextInt(4));
    }

    private Condition condition(int depth) {
        return switch (random.nextInt(depth > 0 ? 8 : 4)) {
            case 0 -> Condition.compare(MEASURE, number(), value(MEASURE));
            case 1 -> random.nextBoolean() ? Condition.isEmpty(pick(KIND, OTHER)) : day();
            case 2 -> Condition.oneOf(KIND, List.of(value(KIND), value(KIND)));
            case 3 -> Condition.compare(NAME, random.nextBoolean() ? Operator.CONTAINS : Operator.BEGINS,
                    Value.of(pick("the", "S", "e", "man ")));
            case 4, 5 -> new Condition.All(List.of(condition(depth - 1), condition(depth - 1)));
            case 6 -> new Condition.Any(List.of(condition(depth - 1), condition(depth - 1)));
            default -> condition(depth - 1).not();
        };
    }

    private Condition day() {
        FieldKey field = data.hasDays() ? DAY : OTHER;
        return Condition.compare(field, number(), value(field));
    }

    private Operator number() {
        return pick(Operator.EQUALS, Operator.DIFFERS, Operator.LESS, Operator.AT_MOST, Operator.GREATER, Operator.AT_LEAST);
    }

    private Value value(FieldKey field) {
        if (field.equals(KIND)) {
            return Value.of(pick(data.kinds));
        }
        return field.equals(DAY) ? Value.of(LocalDate.of(1985, 1, 1).plusDays(random.nextInt(9_000)))
                : Value.of(java.math.BigDecimal.valueOf(random.nextInt(data.least, 3 * data.least), 1));
    }

    private <T> T pick(List<T> of) {
        return of.get(random.nextInt(of.size()));
    }

    @SafeVarargs
    private <T> T pick(T... of) {
        return of[random.nextInt(of.length)];
    }

    /** A condition in DuckDB's own words. */
    private static String duck(Condition condition) {
        return switch (condition) {
            case Condition.All(List<Condition> parts) -> joined(parts, " and ", "true");
            case Condition.Any(List<Condition> parts) -> joined(parts, " or ", "false");
            case Condition.Not(Condition part) -> "not coalesce(" + duck(part) + ", false)";
            case Condition.Empty(FieldKey field) -> field + " is null";
            case Condition.OneOf(FieldKey field, List<Value> values) -> field + " in ("
                    + String.join(", ", values.stream().map(TicketsAgainstDuckTest::duck).toList()) + ")";
            case Condition.Mentions(List<FieldKey> among, String text) -> "coalesce(contains(strip_accents(lower("
                    + among.getFirst() + ")), '" + text + "'), false)";
            case Condition.Compare(FieldKey field, Operator operator,
                    org.pressboard.condition.Operand.Fixed(Value value)) -> switch (operator) {
                        case EQUALS -> field + " = " + duck(value);
                        case DIFFERS -> field + " is distinct from " + duck(value);
                        case LESS -> field + " < " + duck(value);
                        case AT_MOST -> field + " <= " + duck(value);
                        case GREATER -> field + " > " + duck(value);
                        case AT_LEAST -> field + " >= " + duck(value);
                        case CONTAINS -> "contains(strip_accents(lower(" + field + ")), lower(" + duck(value) + "))";
                        case BEGINS -> "starts_with(strip_accents(lower(" + field + ")), lower(" + duck(value) + "))";
                    };
            case Condition.Between between -> joined(between.ends(), " and ", "true");
            case Condition.Owned owned -> throw new IllegalArgumentException(owned.toString());
            case Condition.Sent sent -> throw new IllegalArgumentException(sent.toString());
            case Condition.Compare compare -> throw new IllegalArgumentException(compare.toString());
        };
    }

    private static String joined(List<Condition> parts, String by, String none) {
        return parts.isEmpty() ? none : String.join(by, parts.stream().map(part -> "(" + duck(part) + ")").toList());
    }

    private static String duck(Value value) {
        return value instanceof Value.Decimal ? PlainForm.write(value)
                : value instanceof Value.Date ? "date '" + PlainForm.write(value) + "'" : "'" + PlainForm.write(value) + "'";
    }
}
