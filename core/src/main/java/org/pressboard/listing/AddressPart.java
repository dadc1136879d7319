package org.pressboard.listing;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * What of an address is for one listing. On a page with several, each one's parameters begin with its key and a tilde,
 * and whatever leads to another state of one carries those of the others along, so that none disturbs another.
 *
 * @param prefix what the names of the listing's own parameters begin with in an address; may be empty
 * @param own    the listing's parameters, by their names without the prefix
 * @param others the other listings' parameters, by their whole names
 */
public record AddressPart(String prefix, Map<String, List<String>> own, Map<String, List<String>> others) {

    private static final String MARK = "~";

    /** An address that is for one listing alone. */
    public static AddressPart whole(Map<String, ? extends List<String>> parameters) {
        return new AddressPart("", new LinkedHashMap<>(parameters), Map.of());
    }

    /** The part for one of the listings of a page. */
    public static AddressPart of(ListingKey listing, Set<ListingKey> onPage,
            Map<String, ? extends List<String>> parameters) {
        if (onPage.size() < 2) {
            return whole(parameters);
        }
        String prefix = listing + MARK;
        Map<String, List<String>> own = new LinkedHashMap<>();
        Map<String, List<String>> others = new LinkedHashMap<>();
        parameters.forEach((name, values) -> {
            if (name.startsWith(prefix)) {
                own.put(name.substring(prefix.length()), values);
            } else if (onPage.stream().anyMatch(other -> name.startsWith(other + MARK))) {
                others.put(name, values);
            }
        });
        return new AddressPart(prefix, own, others);
    }

    /** The same where parameters without a prefix are the listing's own too, as in an address of the listing itself. */
    public AddressPart with(Map<String, ? extends List<String>> parameters) {
        Map<String, List<String>> more = new LinkedHashMap<>(own);
        parameters.forEach((name, values) -> {
            if (!name.contains(MARK)) {
                more.putIfAbsent(name, values);
            }
        });
        return new AddressPart(prefix, more, others);
    }
}
