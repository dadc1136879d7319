package org.pressboard.sheet;

import static java.nio.charset.StandardCharsets.UTF_8;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.pressboard.listing.Asked;
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
import org.pressboard.table.Attached;
import org.pressboard.table.Chosen;
import org.pressboard.table.Field;
import org.pressboard.table.FieldType;
import org.pressboard.table.Numeric;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.Temporal;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;
import org.pressboard.value.PlainForm;
import org.pressboard.value.Row;
import org.pressboard.value.Value;
import org.pressboard.value.WebTexts;
import org.springframework.web.util.UriUtils;

/** Builds one sheet. For one use. */
final class SheetBuilder {

    private static final int LARGE = 50_000;

    private final Listing listing;
    private final Table table;
    private final Asked asked;
    private final RequestState state;
    private final Place place;
    private final Words words;
    private final StateAddress address;
    private final Sheets.Picks picks;

    SheetBuilder(Asking asking, Place place, Words words, Sheets.Picks picks) {
        this.picks = picks;
        this.listing = asking.listing();
        this.table = asking.table();
        this.asked = asking.asked();
        this.state = asked.state();
        this.place = place;
        this.words = words;
        this.address = asking.address();
    }

    Sheet build(RowPage page) {
        Look look = new Look(listing.show().layout(), listing.show().cards(), listing.dress(), listing.opening());
        return new Sheet("sheet-" + listing.key(), table.label(), place, address.write(state),
                listing.find().search().isEmpty() ? null : state.search(), menus(), chips(), sorts(), headings(),
                new Cells(table, listing.show().fields(), words, look.isOfCards() ? FileAnswer.IN_CARDS
                        : FileAnswer.IN_LISTS).lines(page.rows(), this::opens), count(page),
                state.isNarrowed() ? address.write(state.cleared()) : null, countAll(page),
                isLimited() ? Pager.NONE : new PagerBuilder(state, address, words).build(page),
                notices(page), names(), hidden(),
                page.outOf().atLeast() >= LARGE, takeAway(), look, listing.shown(), hint(), all(page));
    }

    private String opens(Row row) {
        if (!place.opening().isEmpty()) {
            return place.opening() + row.id() + address.write(state);
        }
        if (listing.opening().link() != null && listing.opening().how() == Opening.How.LINK) {
            return row.find(listing.opening().link()).map(PlainForm::write).filter(WebTexts::isLink).orElse("");
        }
        return listing.opening().how().hasAddress() ? RowAddress.of(table, row).map(key ->
                place.page() + "/" + UriUtils.encodePathSegment(key, UTF_8) + address.write(state)).orElse("") : "";
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

    private List<String> takeAway() {
        return place.takeAway().isEmpty() ? List.of() : listing.takeAway().stream().map(TakeAway::name).toList();
    }

    private List<NarrowMenu> menus() {
        return listing.find().narrow().stream().map(table::field)
                .filter(field -> field.type().hasFewValues() || field.type().hasRange()
                        || field.type() instanceof Referring)
                .map(field -> menu(field, "")).toList();
    }

    NarrowMenu menu(Field field, String called) {
        Narrowing narrowing = state.narrowingOf(field.key());
        List<NarrowMenu.Option> options = values(field, called).stream()
                .map(value -> new NarrowMenu.Option(PlainForm.write(value), field.type().write(value, words.written()),
                        isPicked(narrowing, value)))
                .toList();
        return new NarrowMenu(address.name("f." + field.key()), label(field), options,
                field.type().hasRange() ? range(field, narrowing) : null,
                field.type() instanceof Referring && !place.picking().isEmpty() ? place.picking() + field.key() : "");
    }

    private String label(Field field) {
        return listing.show().find(field.key()).map(look -> look.labelOf(field)).orElse(field.label());
    }

    private static boolean isPicked(Narrowing narrowing, Value value) {
        return narrowing.values().stream().anyMatch(picked -> picked.compareWith(value) == 0);
    }

    /** Those narrowed by already are always there. */
    private List<Value> rows(Referring type, FieldKey key, String called) {
        List<Value> offered = new ArrayList<>(picks.picked(key, type));
        picks.find(type, called).stream()
                .filter(found -> offered.stream().noneMatch(each -> each.compareWith(found) == 0)).forEach(offered::add);
        return offered;
    }

    /** By days, also where the field has times of day, unless the address says a time. */
    private static NarrowMenu.Range range(Field field, Narrowing narrowing) {
        boolean hasTime = narrowing.from() instanceof Value.Moment || narrowing.to() instanceof Value.Moment;
        String input = field.type().isNumber() ? "number" : field.type() instanceof Temporal.TimeOfDay ? "time"
                : hasTime ? "datetime-local" : "date";
        return new NarrowMenu.Range(input, plain(narrowing.from()), plain(narrowing.to()));
    }

    private static String plain(@Nullable Value value) {
        return value == null ? "" : PlainForm.write(value);
    }

    private List<Value> values(Field field, String called) {
        return switch (field.type()) {
            case Chosen chosen -> chosen.options().stream().map(option -> Value.of(option.text())).toList();
            case FieldType.YesNo yesNo -> List.of(Value.of(true), Value.of(false));
            case Textual textual -> List.of();
            case Numeric numeric -> List.of();
            case Temporal temporal -> List.of();
            case Referring referring -> rows(referring, field.key(), called);
            case Attached attached -> List.of();
        };
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
            chips.add(new Chip(label(field), field.type().write(value, words.written()),
                    address.write(state.without(field.key(), value))));
        }
        if (narrowing.from() != null || narrowing.to() != null) {
            chips.add(new Chip(label(field), range(field.type(), narrowing),
                    address.write(state.narrowed(field.key(), new Narrowing(narrowing.values(), null, null)))));
        }
        return chips;
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
        boolean up = sorted && !first.descending();
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
                    String text = words.say(sort.descending() ? "sheet.sort-down" : "sheet.sort-up", look.labelOf(field));
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
        long first = (long) (state.page() - 1) * state.size() + 1;
        long last = first + page.rows().size() - 1;
        String found = words.count(page.found());
        String outOf = words.count(page.outOf());
        if (page.rows().isEmpty()) {
            return state.isNarrowed() ? words.say("sheet.count-none", outOf) : words.say("sheet.count-nothing");
        }
        return state.isNarrowed()
                ? words.say("sheet.count-narrowed", words.count(first), words.count(last), found, outOf)
                : words.say("sheet.count", words.count(first), words.count(last), found);
    }

    private @Nullable String countAll(RowPage page) {
        boolean open = page.found() instanceof Total.MoreThan && !page.rows().isEmpty();
        return open ? place.rows() + "/count" + address.write(state.withPage(1)) : null;
    }

    private List<String> notices(RowPage page) {
        List<String> notices = new ArrayList<>();
        asked.problems().forEach(problem -> notices.add(words.say(problem)));
        if (page.rows().isEmpty() && state.page() > 1) {
            long lastPage = Math.max(1, (page.found().atLeast() + state.size() - 1) / state.size());
            notices.add(words.say("sheet.past-end", words.count(state.page()), words.count(lastPage)));
        }
        return notices;
    }

    private Sheet.Names names() {
        return new Sheet.Names(address.name(""), address.name("q"), address.name("sort"));
    }

    /** What a form must send along: the page size, and the states of the page's other listings. */
    private List<Sheet.Hidden> hidden() {
        List<Sheet.Hidden> hidden = new ArrayList<>();
        if (state.size() != listing.ordering().startSize()) {
            hidden.add(new Sheet.Hidden(address.name("size"), Integer.toString(state.size())));
        }
        address.others().forEach((name, values) ->
                values.forEach(value -> hidden.add(new Sheet.Hidden(name, value))));
        return hidden;
    }
}
