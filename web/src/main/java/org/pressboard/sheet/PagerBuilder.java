package org.pressboard.sheet;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import org.pressboard.listing.Listing;
import org.pressboard.listing.Ordering;
import org.pressboard.listing.RequestState;
import org.pressboard.listing.RowPage;
import org.pressboard.listing.StateAddress;
import org.pressboard.listing.Total;
import org.pressboard.words.Words;

/** Works out which pages to lead to: the first, the last, and those around the one shown. */
final class PagerBuilder {

    private static final int AROUND = 2;

    private final Ordering ordering;
    private final RequestState state;
    private final StateAddress address;
    private final Words words;

    PagerBuilder(Listing listing, RequestState state, StateAddress address, Words words) {
        this.ordering = listing.ordering();
        this.state = state;
        this.address = address;
        this.words = words;
    }

    Pager build(RowPage page) {
        return ordering.more() ? underneath(page) : paged(page);
    }

    private Pager underneath(RowPage page) {
        boolean isRoom = (state.page() + 1) * state.size() <= Ordering.MOST_UNDER_EACH_OTHER;
        return new Pager(null, null, List.of(), page.hasMore() && isRoom ? query(state.page() + 1) : null,
                page.hasMore() && !isRoom ? words.say("sheet.more-bound", words.count(Ordering.MOST_UNDER_EACH_OTHER)) : null,
                sizes(page));
    }

    /** Where there are no more rows than the fewest that make a page, there is nothing to choose. */
    private List<Pager.Link> sizes(RowPage page) {
        boolean isChosen = ordering.choice() && page.found().atLeast() > Listing.PAGE_SIZES.getFirst();
        return !isChosen ? List.of() : Listing.PAGE_SIZES.stream().map(size -> new Pager.Link(words.count(size),
                address.write(state.withSize(size)), size == state.size())).toList();
    }

    private Pager paged(RowPage page) {
        int current = state.page();
        long counted = page.found().pages(state.size());
        boolean isEndKnown = page.found() instanceof Total.Exactly;
        long last = isEndKnown ? counted : page.hasMore() ? current + 1L : current;
        String previous = current > 1 ? query((int) Math.min(current - 1L, Math.max(1, counted))) : null;
        String next = page.hasMore() ? query(current + 1) : null;
        return new Pager(previous, next, links(current, last), null, null, sizes(page));
    }

    private List<Pager.Link> links(int current, long last) {
        TreeSet<Integer> numbers = new TreeSet<>();
        numbers.add(1);
        for (int number = current - AROUND; number <= current + AROUND; number++) {
            numbers.add(number);
        }
        numbers.add((int) last);
        List<Pager.Link> links = new ArrayList<>();
        int before = 0;
        for (int number : numbers) {
            if (number < 1 || number > last) {
                continue;
            }
            if (number > before + 1) {
                links.add(new Pager.Link("…", null, false));
            }
            links.add(new Pager.Link(words.count(number), query(number), number == current));
            before = number;
        }
        return links;
    }

    private String query(int page) {
        return address.write(state.withPage(page));
    }
}
