package org.pressboard.sheet;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.pressboard.listing.Narrowing;
import org.pressboard.listing.RequestState;
import org.pressboard.listing.Total;
import org.pressboard.rows.NearWords;
import org.pressboard.rows.Rows;
import org.pressboard.stand.Asking;
import org.pressboard.table.Field;
import org.pressboard.value.FieldKey;
import org.pressboard.words.Words;

/** What would find something where nothing is found: words that are nearly those that are searched, and filters to drop. */
final class NothingFound {

    /** So many filters are tried. */
    private static final int MOST_FILTERS = 6;

    private final Asking asking;
    private final Rows rows;
    private final NearWords near;
    private final Words words;

    NothingFound(Asking asking, Rows rows, NearWords near, Words words) {
        this.asking = asking;
        this.rows = rows;
        this.near = near;
        this.words = words;
    }

    List<SheetFrame.Instead> instead() {
        RequestState state = asking.state();
        List<SheetFrame.Instead> instead = new ArrayList<>();
        if (!state.search().isBlank()) {
            near.of(asking.rowQuery().withoutSearch(), asking.listing().find().search(), state.search(), asking.language())
                    .forEach(text -> add(instead, "sheet.instead.word", text, state.withSearch(text), true));
        }
        if (isNarrowedTwice(state)) {
            if (!state.search().isBlank()) {
                add(instead, "sheet.instead.search", state.search(), state.withSearch(""), false);
            }
            for (Map.Entry<FieldKey, Narrowing> each : state.narrowing().entrySet().stream().limit(MOST_FILTERS).toList()) {
                Field field = asking.table().field(each.getKey());
                String label = asking.listing().show().find(each.getKey()).map(look -> look.labelOf(field)).orElse(field.label());
                add(instead, "sheet.instead.filter", label, state.without(each.getKey()), false);
            }
        }
        return instead;
    }

    /** With one thing alone that it is narrowed by, "Show all" drops that. */
    private static boolean isNarrowedTwice(RequestState state) {
        return state.narrowing().size() + (state.search().isBlank() ? 0 : 1) > 1;
    }

    private void add(List<SheetFrame.Instead> instead, String code, String what, RequestState state, boolean isWord) {
        Total found = rows.count(asking.rowQuery(state), asking.language());
        if (found.atLeast() > 0) {
            instead.add(new SheetFrame.Instead(words.say(code, what, words.count(found)), asking.address().write(state.withPage(1)), isWord));
        }
    }
}
