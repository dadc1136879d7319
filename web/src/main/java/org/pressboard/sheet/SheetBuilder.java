package org.pressboard.sheet;

import static java.nio.charset.StandardCharsets.UTF_8;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.pressboard.listing.Asked;
import org.pressboard.listing.Finding;
import org.pressboard.listing.Listing;
import org.pressboard.listing.Narrowing;
import org.pressboard.listing.Opening;
import org.pressboard.listing.RequestState;
import org.pressboard.listing.RowAddress;
import org.pressboard.listing.RowPage;
import org.pressboard.listing.Shown;
import org.pressboard.listing.SortBy;
import org.pressboard.listing.StateAddress;
import org.pressboard.listing.TakeAway;
import org.pressboard.listing.Total;
import org.pressboard.sheet.finder.Chip;
import org.pressboard.sheet.finder.Finder;
import org.pressboard.sheet.finder.MenuBuilder;
import org.pressboard.sheet.finder.Picks;
import org.pressboard.sheet.finder.SortOption;
import org.pressboard.sheet.line.Cell;
import org.pressboard.sheet.line.Cells;
import org.pressboard.sheet.line.FileAnswer;
import org.pressboard.sheet.line.Heading;
import org.pressboard.sheet.line.Line;
import org.pressboard.sheet.line.Look;
import org.pressboard.sheet.line.PrintMarkup;
import org.pressboard.sheet.line.Printed;
import org.pressboard.sheet.line.RowMark;
import org.pressboard.stand.Addresses;
import org.pressboard.stand.Asking;
import org.pressboard.table.Field;
import org.pressboard.table.FieldType;
import org.pressboard.table.Numeric;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.Temporal;
import org.pressboard.value.PlainForm;
import org.pressboard.value.Row;
import org.pressboard.value.Value;
import org.pressboard.value.WebTexts;
import org.pressboard.words.Words;
import org.springframework.web.util.UriUtils;

/** Builds one sheet. For one use. */
final class SheetBuilder {

    private static final int LARGE = 50_000;

    private final Listing listing;
    private final Table table;
    private final Asked asked;
    private final RequestState state;
    private final Addresses addresses;
    private final Words words;
    private final StateAddress address;
    private final Picks picks;
    private final MenuBuilder menus;
    private final Function<Row, RowMark> marks;

    SheetBuilder(Asking asking, Words words, Picks picks, MenuBuilder menus,
            Function<Row, RowMark> marks) {
        this.picks = picks;
        this.menus = menus;
        this.marks = marks;
        this.listing = asking.listing();
        this.table = asking.table();
        this.asked = asking.asked();
        this.state = asked.state();
        this.addresses = asking.addresses();
        this.words = words;
        this.address = asking.address();
    }

    Sheet build(RowPage page, Offered offered, SheetFrame.@Nullable Totalled totals, long rowsState,
            List<SheetFrame.Instead> instead) {
        Look look = Look.of(listing);
        SheetFrame frame = new SheetFrame("sheet-" + listing.key(), table.label(), addresses, address.write(state), finder(page),
                chips(), headings(), count(page), state.isNarrowed() ? address.write(state.cleared()) : null, countAll(page),
                isLimited() ? Pager.NONE : new PagerBuilder(listing, state, address, words).build(page), notices(),
                takeAway(), look, all(page), offered.doing(), totals, page.rows().isEmpty(), instead,
                isPastEnd(page) ? address.write(state.withPage((int) lastPage(page))) : null);
        return new Sheet(frame, new Cells(table, listing.show().fields(), words, look.isOfCards() ? FileAnswer.IN_CARDS
                : FileAnswer.IN_LISTS).lines(page.rows(), this::opens, marks), listing.shown(), offered, rowsState);
    }

    /** @param pictures what the addresses of pictures begin with */
    Printed print(List<Row> rows, String title, Value today, String pictures) {
        List<Line> lines = new Cells(table, listing.show().fields(), words, FileAnswer.IN_LISTS).whole(rows, marks);
        String texts = title + headings().stream().map(Heading::label).collect(Collectors.joining())
                + lines.stream().flatMap(line -> line.cells().stream()).map(Cell::text).collect(Collectors.joining());
        return new Printed(listing.dress().titleOr(title),
                chips().stream().map(chip -> chip.label() + ": " + chip.text()).toList(),
                words.say("sheet.count-printed", words.count(rows.size())),
                new Temporal.Date().write(today, words.written()), PrintMarkup.of(headings(), lines, pictures), texts,
                listing.paper());
    }

    private Finder finder(RowPage page) {
        return new Finder(listing.find().search().isEmpty() ? null : state.search(), hint(),
                page.outOf().atLeast() >= LARGE, menus.menus(), sorts(), names(), hidden(), listing.find().form(),
                isWaiting(listing, state));
    }

    /** Whether no rows are shown before somebody says what they look for. */
    static boolean isWaiting(Listing listing, RequestState state) {
        return listing.find().form() == Finding.SearchForm.BOXES_FIRST && !state.isNarrowed();
    }

    private String opens(Row row) {
        if (!addresses.opening().isEmpty()) {
            return addresses.opening() + row.id() + address.write(state);
        }
        if (listing.opening().link() != null && listing.opening().how() == Opening.How.LINK) {
            return row.find(listing.opening().link()).map(PlainForm::write).filter(WebTexts::isLink).orElse("");
        }
        return listing.opening().how().hasAddress() ? RowAddress.of(table, row).map(key ->
                addresses.read() + "/" + UriUtils.encodePathSegment(key, UTF_8) + address.write(state)).orElse("") : "";
    }

    private String hint() {
        return listing.find().hint().isEmpty() ? words.say("sheet.search-in", table.label()) : listing.find().hint();
    }

    /** Whether no more is shown than the first few. */
    private boolean isLimited() {
        return listing.ordering().limit() > 0 && state.size() == listing.ordering().limit();
    }

    /** The state in which the rest is shown too, where there is a rest. */
    private @Nullable String all(RowPage page) {
        return isLimited() && page.hasMore() ? address.write(state.withSize(listing.ordering().pageSize())) : null;
    }

    private List<TakeAway> takeAway() {
        return addresses.takeAway().isEmpty() ? List.of() : List.copyOf(listing.takeAway());
    }

    private List<Chip> chips() {
        List<Chip> chips = new ArrayList<>();
        if (!state.search().isBlank()) {
            chips.add(new Chip(words.say("sheet.searched"), state.search(), address.write(state.withSearch(""))));
        }
        state.narrowing().forEach((key, narrowing) -> chips.addAll(chips(table.field(key), narrowing)));
        return chips;
    }

    private List<Chip> chips(Field field, Narrowing narrowing) {
        List<Chip> chips = new ArrayList<>();
        List<? extends Value> picked = field.type() instanceof Referring type
                ? picks.picked(field.key(), type) : narrowing.values();
        for (Value value : picked) {
            chips.add(new Chip(menus.label(field), field.type().write(value, words.written()),
                    address.write(state.without(field.key(), value))));
        }
        if (narrowing.from() != null || narrowing.to() != null) {
            chips.add(chip(field, range(field.type(), narrowing), narrowing.between(null, null)));
        }
        if (!narrowing.contains().isEmpty()) {
            chips.add(chip(field, words.say("sheet.has", narrowing.contains()),
                    narrowing.lettered("", narrowing.begins())));
        }
        if (!narrowing.begins().isEmpty()) {
            chips.add(chip(field, words.say("sheet.begins", narrowing.begins()),
                    narrowing.lettered(narrowing.contains(), "")));
        }
        return chips;
    }

    private Chip chip(Field field, String text, Narrowing without) {
        return new Chip(menus.label(field), text, address.write(state.narrowed(field.key(), without)));
    }

    private String range(FieldType type, Narrowing narrowing) {
        String from = written(type, narrowing.from());
        String to = written(type, narrowing.to());
        if (to.isEmpty()) {
            return words.say("sheet.from", from);
        }
        return from.isEmpty() ? words.say("sheet.to", to) : words.say("sheet.from-to", from, to);
    }

    private String written(FieldType type, @Nullable Value value) {
        return value == null ? "" : type.write(value, words.written());
    }

    private List<SortBy> order() {
        return state.sort().isEmpty() ? listing.order() : state.sort();
    }

    private List<Heading> headings() {
        return listing.show().fields().stream().map(this::heading).toList();
    }

    private Heading heading(Shown look) {
        Field field = table.field(look.field());
        SortBy first = order().isEmpty() ? null : order().getFirst();
        boolean sorted = first != null && first.field().equals(field.key());
        boolean up = first != null && sorted && !first.descending();
        String sortedAs = sorted ? (up ? "ascending" : "descending") : "none";
        SortBy onClick = new SortBy(field.key(), up);
        return new Heading(look.labelOf(field), isInFigures(look, field), isSortable(field), sortedAs,
                address.write(state.withSort(List.of(onClick))), Cells.column(look));
    }

    /** Marks stand at the left as texts do. */
    private static boolean isInFigures(Shown look, Field field) {
        return field.type().isNumber() && (!(field.type() instanceof Numeric.Rating) || look.format().figures());
    }

    private boolean isSortable(Field field) {
        return field.type().isSortable() && !listing.find().unsorted();
    }

    private List<SortOption> sorts() {
        List<SortOption> options = new ArrayList<>();
        List<SortBy> current = order();
        for (Shown look : listing.show().fields()) {
            Field field = table.field(look.field());
            if (isSortable(field)) {
                for (SortBy sort : List.of(SortBy.up(field.key()), SortBy.down(field.key()))) {
                    String text = words.sorted(look.labelOf(field), field.type(), sort.descending());
                    options.add(new SortOption(sort.toString(), text, current.equals(List.of(sort))));
                }
            }
        }
        if (options.stream().noneMatch(SortOption::picked)) {
            options.addFirst(new SortOption(state.sort().isEmpty() ? "" : joined(state.sort()),
                    words.say("sheet.sort-own"), true));
        }
        return options;
    }

    private static String joined(List<SortBy> order) {
        return String.join(",", order.stream().map(SortBy::toString).toList());
    }

    private String count(RowPage page) {
        long first = listing.ordering().more() ? 1 : (long) (state.page() - 1) * state.size() + 1;
        long last = first + page.rows().size() - 1;
        String found = words.count(page.found());
        String outOf = words.count(page.outOf());
        if (isWaiting(listing, state)) {
            return "";
        }
        if (isPastEnd(page)) {
            return words.say("sheet.past-end", words.count(state.page()), words.count(lastPage(page)));
        }
        if (page.rows().isEmpty()) {
            return state.isNarrowed() ? words.say("sheet.count-none", outOf) : words.say("sheet.count-nothing");
        }
        return state.isNarrowed()
                ? words.say("sheet.count-narrowed", words.count(first), words.count(last), found, outOf)
                : words.say("sheet.count", words.count(first), words.count(last), found);
    }

    private @Nullable String countAll(RowPage page) {
        boolean open = page.found() instanceof Total.MoreThan && !page.rows().isEmpty();
        return open ? addresses.rows() + "/count" + address.write(state.withPage(1)) : null;
    }

    private List<String> notices() {
        return asked.problems().all().stream().map(problem -> words.say(problem)).toList();
    }

    private boolean isPastEnd(RowPage page) {
        return page.rows().isEmpty() && state.page() > 1 && !listing.ordering().more() && page.found().atLeast() > 0;
    }

    private long lastPage(RowPage page) {
        return page.found().pages(state.size());
    }

    private Finder.Names names() {
        return new Finder.Names(address.name(""), address.name("q"), address.name("sort"));
    }

    /**
     * What a form must send along: the page size, that what the listing begins with is taken back where nothing else is
     * said, and the states of the page's other listings.
     */
    private List<Finder.Hidden> hidden() {
        List<Finder.Hidden> hidden = new ArrayList<>();
        if (state.size() != listing.ordering().startSize()) {
            hidden.add(new Finder.Hidden(address.name("size"), Integer.toString(state.size())));
        }
        listing.find().controls().stream().filter(control -> !control.start().isOpen())
                .forEach(control -> hidden.add(new Finder.Hidden(address.name("f." + control.field()), "")));
        address.others().forEach((name, values) ->
                values.forEach(value -> hidden.add(new Finder.Hidden(name, value))));
        return hidden;
    }
}
