package org.pressboard.sheet;

import static java.nio.charset.StandardCharsets.UTF_8;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.pressboard.listing.Listing;
import org.pressboard.listing.RequestState;
import org.pressboard.listing.RowAddress;
import org.pressboard.listing.RowQuery;
import org.pressboard.listing.Shown;
import org.pressboard.rows.Rows;
import org.pressboard.sheet.line.Cells;
import org.pressboard.sheet.line.FileAnswer;
import org.pressboard.sheet.line.Look;
import org.pressboard.sheet.line.RowMark;
import org.pressboard.stand.Addresses;
import org.pressboard.stand.Asking;
import org.pressboard.table.Attached;
import org.pressboard.table.Field;
import org.pressboard.table.Table;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Row;
import org.pressboard.value.Value;
import org.pressboard.words.Words;
import org.springframework.web.util.UriUtils;

/** Builds one opened row. For one use. */
final class OpenedBuilder {

    private final Asking asking;
    private final Listing listing;
    private final Table table;
    private final Addresses addresses;
    private final Rows rows;
    private final Words words;

    OpenedBuilder(Asking asking, Rows rows, Words words) {
        this.asking = asking;
        this.listing = asking.listing();
        this.table = asking.table();
        this.addresses = asking.addresses();
        this.rows = rows;
        this.words = words;
    }

    /** The fields that are to be read of the row. */
    List<FieldKey> wanted() {
        List<FieldKey> wanted = new ArrayList<>(listing.opened().stream().map(Shown::field).toList());
        table.headingField().map(Field::key).ifPresent(wanted::add);
        table.letThrough().ifPresent(wanted::add);
        return wanted;
    }

    Opened build(Row row, long state, Offered offered) {
        List<Shown> looks = listing.opened();
        List<Shown> lines = looks.stream().filter(look -> !isPicture(look) && !isHeading(look)).toList();
        return new Opened(title(row), pictures(row, looks), new Cells(table, lines, words, FileAnswer.IN_LISTS).whole(row),
                Look.of(listing).how(),
                addresses.page() + asking.query(), neighbour(row, -1),
                neighbour(row, 1), table.key(), addresses.live(), state, offered.of(row.id()),
                RowMark.waits(asking, row),
                lines.stream().map(look -> offered.inPlace().address(addresses, row.id(), look.field())).toList());
    }

    private boolean isPicture(Shown look) {
        return table.field(look.field()).type() instanceof Attached attached && attached.isOfPictures();
    }

    private boolean isHeading(Shown look) {
        return table.headingField().filter(heading -> heading.key().equals(look.field())).isPresent();
    }

    /** What names the row is on it in any case; an owner who wants it otherwise chooses another heading of the table. */
    private String title(Row row) {
        return table.headingField().map(heading -> words.written(table, heading, row)).filter(text -> !text.isEmpty())
                .orElse("…");
    }

    private List<Opened.Picture> pictures(Row row, List<Shown> looks) {
        List<Opened.Picture> pictures = new ArrayList<>();
        for (Shown look : looks) {
            Value value = isPicture(look) ? row.get(look.field()) : null;
            for (Value each : value == null ? List.<Value>of() : value.each()) {
                if (each instanceof Value.Attachment file && file.isThere()) {
                    String whole = FileAnswer.address(table.key().name(), file.content(), file.name());
                    pictures.add(new Opened.Picture(whole, whole + "?edge=" + FileAnswer.IN_CARDS,
                            whole + "?edge=" + FileAnswer.IN_LISTS));
                }
            }
        }
        return pictures;
    }

    /** The row beside it in the list as it was: on its page, else at the end or the beginning of the page beside that. */
    private @Nullable String neighbour(Row row, int way) {
        RequestState state = asking.state();
        RowQuery query = asking.drawn();
        Locale language = asking.language();
        List<Row> page = rows.rows(query, language);
        int at = page.stream().map(Row::id).toList().indexOf(row.id());
        if (at < 0) {
            return null;
        }
        if (at + way >= 0 && at + way < page.size()) {
            return address(page.get(at + way), state);
        }
        if (asking.listing().ordering().more()) {
            return way > 0 ? underneath(rows.rows(query.first(query.size() + state.size()), language), at + 1) : null;
        }
        int beside = state.page() + way;
        if (beside < 1 || page.size() < state.size() && way > 0) {
            return null;
        }
        List<Row> others = rows.rows(query.onPage(beside), language);
        return others.isEmpty() ? null
                : address(way > 0 ? others.getFirst() : others.getLast(), state.withPage(beside));
    }

    /** Where further rows come under those there are, the first of them. */
    private @Nullable String underneath(List<Row> rows, int at) {
        RequestState state = asking.state();
        return at < rows.size() ? address(rows.get(at), state.withPage(state.page() + 1)) : null;
    }

    private @Nullable String address(Row row, RequestState state) {
        return RowAddress.of(table, row).map(key -> addresses.page() + "/" + UriUtils.encodePathSegment(key, UTF_8)
                + asking.address().write(state)).orElse(null);
    }
}
