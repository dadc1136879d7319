package org.pressboard.sheet;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.pressboard.editing.FormSending;
import org.pressboard.editing.VisitorEditing;
import org.pressboard.listing.NarrowBy;
import org.pressboard.listing.RowAddress;
import org.pressboard.listing.RowPage;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.rows.FieldCounts;
import org.pressboard.rows.NearWords;
import org.pressboard.rows.RowPicker;
import org.pressboard.rows.Rows;
import org.pressboard.sheet.finder.MenuBuilder;
import org.pressboard.sheet.finder.NarrowMenu;
import org.pressboard.sheet.finder.Picks;
import org.pressboard.sheet.finder.Spans;
import org.pressboard.sheet.finder.ValueCounts;
import org.pressboard.sheet.line.Printed;
import org.pressboard.sheet.line.RowMark;
import org.pressboard.stand.Asking;
import org.pressboard.stand.NotThere;
import org.pressboard.table.Referring;
import org.pressboard.value.Row;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;
import org.pressboard.words.Words;
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
    private final NearWords near;
    private final MessageSource messages;

    Sheets(Rows rows, FieldCounts counts, RowPicker picker, VisitorEditing editing, FormSending forms,
            NearWords near, MessageSource messages) {
        this.near = near;
        this.forms = forms;
        this.rows = rows;
        this.counts = counts;
        this.picker = picker;
        this.editing = editing;
        this.messages = messages;
    }

    public Sheet sheet(Asking asking) {
        long state = rows.revision(asking.begun());
        RowPage page = SheetBuilder.isWaiting(asking.listing(), asking.state()) ? RowPage.NONE
                : rows.page(asking.drawn(), asking.language());
        Offered offered = offered(asking, page.rows().stream().map(Row::id).toList());
        boolean isNothing = page.found().atLeast() == 0 && asking.state().isNarrowed() && !asking.listing().isBroken();
        return builder(asking).build(page, offered, asking.listing().show().totals().isEmpty() ? null
                : totals(asking).told(asking.addresses().rows() + "/totals" + asking.query()), state,
                isNothing ? new NothingFound(asking, rows, near, words(asking)).instead() : List.of());
    }

    private Totals totals(Asking asking) {
        return new Totals(asking, counts, words(asking));
    }

    /**
     * What the numbers of all rows that match come to, in words.
     *
     * @throws org.pressboard.turn.Busy when that takes too long
     */
    public String total(Asking asking) {
        return totals(asking).addedUp();
    }

    private Offered offered(Asking asking, List<RowId> of) {
        return Offered.of(editing, forms, asking, of, words(asking));
    }

    private Words words(Asking asking) {
        return new Words(messages, asking.language());
    }

    private SheetBuilder builder(Asking asking) {
        Words words = words(asking);
        Picks picks = new Picks(asking, picker);
        return new SheetBuilder(asking, words, picks, menus(asking, words, picks, Set.of()),
                RowMark.of(asking.table(), asking.listing().dress().marks(), asking.standpoint(), words));
    }

    private MenuBuilder menus(Asking asking, Words words, Picks picks, Set<String> counted) {
        return new MenuBuilder(asking, words, picks, new ValueCounts(asking, counts, counted),
                new Spans(asking.today(), words));
    }

    /**
     * The controls of some fields, with how many rows there are of what.
     *
     * @param fields their keys
     * @throws org.pressboard.turn.Busy when that takes too long
     */
    public List<NarrowMenu> counted(Asking asking, Collection<String> fields) {
        Set<String> wanted = Set.copyOf(fields);
        MenuBuilder menus = menus(asking, words(asking), new Picks(asking, picker), wanted);
        return asking.listing().find().controls().stream().filter(control -> wanted.contains(control.field().name()))
                .map(control -> menus.menu(control, "")).toList();
    }

    /** The row of that key as it is opened from the listing; empty where it is not among those that this visitor gets. */
    public Optional<Opened> open(Asking asking, String key) {
        if (!asking.listing().opening().how().hasAddress()) {
            return Optional.empty();
        }
        OpenedBuilder builder = new OpenedBuilder(asking, rows, words(asking));
        long state = rows.revision(asking.begun());
        return rows.one(asking.rowQuery().reading(builder.wanted()), asking.language(), RowAddress.read(key))
                .map(row -> builder.build(row, state, offered(asking, List.of(row.id()))));
    }

    /** The rows to narrow a field by that are called so, and those narrowed by already. */
    public NarrowMenu pick(Asking asking, String field, String called) {
        NarrowBy found = asking.listing().find().controls().stream().filter(control -> control.field().name().equals(field)
                        && asking.table().field(control.field()).type() instanceof Referring).findFirst()
                .orElseThrow(() -> new NotThere("not-there.listing"));
        return menus(asking, words(asking), new Picks(asking, picker), Set.of(field)).menu(found, called);
    }

    /** How many rows the address matches, counted to the end, in words. */
    public String countToEnd(Asking asking) {
        return words(asking).count(rows.countToEnd(asking.rowQuery(), asking.language()));
    }

    /**
     * All rows that the address matches, ready to be printed.
     *
     * @param most     how many there may be
     * @param pictures what the addresses of pictures begin with; they are those of the site where it is empty
     * @throws ProblemsFound when there are more
     */
    public Printed print(Asking asking, String title, int most, String pictures) {
        RowPage page = rows.wholePage(asking.drawn().first(most), asking.language());
        if (page.hasMore()) {
            throw ProblemsFound.of("take-away.too-many-to-print", most);
        }
        return builder(asking).print(page.rows(), title, Value.of(asking.today()), pictures);
    }
}
