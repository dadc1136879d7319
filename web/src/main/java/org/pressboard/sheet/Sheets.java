package org.pressboard.sheet;

import java.time.Clock;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.pressboard.condition.Standpoint;
import org.pressboard.editing.FormSending;
import org.pressboard.editing.VisitorEditing;
import org.pressboard.listing.Listing;
import org.pressboard.listing.NarrowBy;
import org.pressboard.listing.Opening;
import org.pressboard.listing.RequestState;
import org.pressboard.listing.RowAddress;
import org.pressboard.listing.RowPage;
import org.pressboard.listing.RowQuery;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.rows.FieldCounts;
import org.pressboard.rows.RowPicker;
import org.pressboard.rows.Rows;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Row;
import org.pressboard.value.Value;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Component;

/** Draws up sheets. */
@Component
public class Sheets {

    private final Rows rows;
    private final FieldCounts counts;
    private final RowPicker picker;
    private final VisitorEditing editing;
    private final FormSending forms;
    private final MessageSource messages;
    private final Clock clock;

    Sheets(Rows rows, FieldCounts counts, RowPicker picker, VisitorEditing editing, FormSending forms,
            MessageSource messages, Clock clock) {
        this.forms = forms;
        this.rows = rows;
        this.counts = counts;
        this.picker = picker;
        this.editing = editing;
        this.messages = messages;
        this.clock = clock;
    }

    /** The row query that the address means. */
    public RowQuery query(Asking asking) {
        return query(asking, asking.asked().state());
    }

    /** From where the listing is asked for. */
    public Standpoint standpoint(Asking asking) {
        return asking.standpoint(LocalDateTime.now(clock));
    }

    /** The same in another state. */
    RowQuery query(Asking asking, RequestState state) {
        return RowQuery.of(asking.listing(), asking.sight(), asking.visitor(), state, standpoint(asking));
    }

    public Sheet sheet(Asking asking, Place place, Locale language) {
        long state = state(asking);
        RowPage page = SheetBuilder.isWaiting(asking.listing(), asking.asked().state()) ? RowPage.NONE
                : rows.page(query(asking).reading(needed(asking.listing(), asking.table())), language);
        Offered offered = offered(asking, place, page.rows().stream().map(Row::id).toList(), language);
        return builder(asking, place, language).build(page, offered, asking.listing().show().totals().isEmpty() ? null
                : totals(asking, language).told(place.rows() + "/totals" + asking.query()), state);
    }

    private Totals totals(Asking asking, Locale language) {
        return new Totals(asking, query(asking), counts, new Words(messages, language));
    }

    /**
     * What the numbers of all rows that match come to, in words.
     *
     * @throws org.pressboard.rows.Busy when that takes too long
     */
    public String total(Asking asking, Locale language) {
        return totals(asking, language).addedUp(language);
    }

    private Offered offered(Asking asking, Place place, List<Long> of, Locale language) {
        return Offered.of(editing, forms, asking.visitor(), asking.table(), asking.listing(), place, of, new Words(messages,
                language));
    }

    /** A row of the listing by its number, with these fields; empty where it is not among those that the visitor gets. */
    public Optional<Row> row(Asking asking, long number, Collection<FieldKey> fields, Locale language) {
        return rows(asking, List.of(number), fields, language).stream().findFirst();
    }

    /** The same of several rows, in the order of their numbers; those that the visitor does not get are left out. */
    public List<Row> rows(Asking asking, List<Long> numbers, Collection<FieldKey> fields, Locale language) {
        return rows.numbered(query(asking).reading(fields), language, numbers);
    }

    private SheetBuilder builder(Asking asking, Place place, Locale language) {
        Words words = new Words(messages, language);
        Picks picks = new Picks(asking, language);
        return new SheetBuilder(asking, place, words, picks, menus(asking, place, words, picks, Set.of()),
                RowMark.of(asking.listing().dress().marks(), picks.standpoint(), words));
    }

    private MenuBuilder menus(Asking asking, Place place, Words words, Picks picks, Set<String> counted) {
        return new MenuBuilder(asking, place, words, picks, new ValueCounts(asking, this, counts, words.language(), counted),
                new Spans(LocalDate.now(clock), words));
    }

    /**
     * The controls of some fields, with how many rows there are of what.
     *
     * @param fields their keys
     * @throws org.pressboard.rows.Busy when that takes too long
     */
    public List<NarrowMenu> counted(Asking asking, Place place, Collection<String> fields, Locale language) {
        Words words = new Words(messages, language);
        Set<String> wanted = Set.copyOf(fields);
        MenuBuilder menus = menus(asking, place, words, new Picks(asking, language), wanted);
        return asking.listing().find().controls().stream().filter(control -> wanted.contains(control.field().name()))
                .map(control -> menus.menu(control, "")).toList();
    }

    /** What is read of each row besides what is shown, for the addresses at which rows are opened. */
    private static List<FieldKey> needed(Listing listing, Table table) {
        List<FieldKey> needed = new ArrayList<>();
        if (listing.opening().how().hasAddress() && table.rowKey() != null) {
            needed.add(table.rowKey());
        }
        if (listing.opening().how() == Opening.How.LINK && listing.opening().link() != null) {
            needed.add(listing.opening().link());
        }
        needed.addAll(listing.dress().asked());
        return needed;
    }

    /** The row of that key as it is opened from the listing; empty where it is not among those that this visitor gets. */
    public Optional<Opened> open(Asking asking, Place place, String key, Locale language) {
        OpenedBuilder builder = new OpenedBuilder(asking, place, new Words(messages, language));
        long state = state(asking);
        RowQuery listed = query(asking).reading(needed(asking.listing(), asking.table()));
        return asking.listing().opening().how().hasAddress()
                ? rows.one(query(asking).reading(builder.wanted()), language, RowAddress.read(key))
                        .map(row -> builder.build(row, rows, listed, language, state)
                                .offering(offered(asking, place, List.of(row.id()), language).of(row.id())))
                : Optional.empty();
    }

    /** The rows to narrow a field by that are called so, and those narrowed by already. */
    public NarrowMenu pick(Asking asking, String field, String called, Locale language) {
        NarrowBy found = asking.listing().find().controls().stream().filter(control -> control.field().name().equals(field)
                        && asking.table().field(control.field()).type() instanceof Referring).findFirst()
                .orElseThrow(() -> new NotThere("not-there.listing"));
        Words words = new Words(messages, language);
        return menus(asking, Place.atDesk("", ""), words, new Picks(asking, language), Set.of(field)).menu(found, called);
    }

    /** Finds the rows that a field can be narrowed by, as far as the visitor sees them. */
    final class Picks {

        private final Asking asking;
        private final Locale language;
        private final Map<FieldKey, List<Value.Referred>> named = new HashMap<>();

        private Picks(Asking asking, Locale language) {
            this.asking = asking;
            this.language = language;
        }

        List<Value.Referred> find(Referring type, String called) {
            return picker.find(asking.sight().of(type.to()), asking.visitor(), standpoint(), called, language);
        }

        /** The rows that a field is narrowed to, by what they are called; the menu and the chips both tell them. */
        List<Value.Referred> picked(FieldKey field, Referring type) {
            return named.computeIfAbsent(field, key -> picker.headings(asking.sight().of(type.to()), asking.visitor(),
                    standpoint(), asking.asked().state().narrowingOf(key).values().stream()
                            .map(value -> ((Value.Referred) value).row()).toList()));
        }

        Standpoint standpoint() {
            return Sheets.this.standpoint(asking);
        }
    }

    /** How many rows the address matches, in words, as far as that is soon known. */
    public String count(Asking asking, Locale language) {
        return new Words(messages, language).count(rows.count(query(asking), language));
    }

    /** How many rows the address matches, counted to the end, in words. */
    public String countToEnd(Asking asking, Locale language) {
        return new Words(messages, language).count(rows.countToEnd(query(asking), language));
    }

    /**
     * All rows that the address matches, ready to be printed.
     *
     * @param most     how many there may be
     * @param pictures what the addresses of pictures begin with; they are those of the site where it is empty
     * @throws ProblemsFound when there are more
     */
    public Printed print(Asking asking, String title, int most, String pictures, Locale language) {
        RowQuery query = query(asking).reading(needed(asking.listing(), asking.table()));
        RowPage page = rows.wholePage(query.first(most), language);
        if (page.hasMore()) {
            throw ProblemsFound.of("take-away.too-many-to-print", most);
        }
        return builder(asking, Place.atDesk("", ""), language)
                .print(page.rows(), title, Value.of(LocalDate.now(clock)), pictures);
    }

    /** A number that changes whenever the rows do that the sheet is drawn from. */
    public long revision(Asking asking) {
        return rows.revision(read(asking, asking.asked().state()));
    }

    /** The same of the listing as it begins, whatever is sought in it: by this pages that are open know that they are behind. */
    public long state(Asking asking) {
        return rows.revision(read(asking, RequestState.startOf(asking.listing())));
    }

    /** The tables on whose rows the same depends. */
    public Set<TableKey> tables(Asking asking) {
        return read(asking, RequestState.startOf(asking.listing())).reached();
    }

    private RowQuery read(Asking asking, RequestState state) {
        return query(asking, state).reading(needed(asking.listing(), asking.table()));
    }
}
