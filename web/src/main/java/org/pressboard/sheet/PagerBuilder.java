package org.pressboard.sheet;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import org.pressboard.listing.RequestState;
import org.pressboard.listing.RowPage;
import org.pressboard.listing.StateAddress;
import org.pressboard.listing.Total;

/** Works out which pages to lead to: the first, the last, and those around the one shown. */
final class PagerBuilder {

    private static final int AROUND = 2;

    private final RequestState state;
    private final StateAddress address;
    private final Words words;

    PagerBuilder(RequestState state, StateAddress address, Words words) {
        this.state = state;
        this.address = address;
        this.words = words;
    }

    Pager build(RowPage page) {
        int current = state.page();
        long counted = (page.found().atLeast() + state.size() - 1) / state.size();
        boolean isEndKnown = page.found() instanceof Total.Exactly;
        long last = isEndKnown ? counted : page.hasMore() ? current + 1L : current;
        String previous = current > 1 ? query((int) Math.min(current - 1L, Math.max(1, counted))) : null;
        String next = page.hasMore() ? query(current + 1) : null;
        return new Pager(previous, next, links(current, last));
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
