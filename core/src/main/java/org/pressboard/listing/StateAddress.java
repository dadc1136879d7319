package org.pressboard.listing;

import static java.nio.charset.StandardCharsets.UTF_8;

import java.net.URLEncoder;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.pressboard.table.Table;
import org.pressboard.value.PlainForm;
import org.pressboard.value.Value;

/**
 * The address-bar form of a listing's request state: {@code q}, {@code f.<field>} (repeatable),
 * {@code f.<field>.from}, {@code f.<field>.to}, {@code f.<field>.has}, {@code f.<field>.begins},
 * {@code sort=-picked,name}, {@code size}, {@code page}. What is as the listing has it anyway is left out, so that equal
 * states have equal addresses; an empty {@code f.<field>=} or {@code q=} takes back what the listing begins with. On a page with
 * several listings each has a part of the address (see {@link AddressPart}).
 */
public final class StateAddress {

    /** Longer searches are cut; nobody types them. */
    static final int MOST_SEARCH_CHARACTERS = 200;

    private final Listing listing;
    private final Table table;
    private final AddressPart part;

    public StateAddress(Listing listing, Table table, AddressPart part) {
        this.listing = listing;
        this.table = table;
        this.part = part;
    }

    /** What the address asks of the listing; parameters that are not the listing's are let be. */
    public Asked read() {
        return new StateReader(listing, table).read(part.own());
    }

    /** The name of one of the listing's parameters, as it stands in the address. */
    public String name(String parameter) {
        return part.prefix() + parameter;
    }

    /** The parameters of other listings on the page. */
    public Map<String, List<String>> others() {
        return part.others();
    }

    /**
     * The address's parameters with a leading question mark, those of the page's other listings as they are; nothing
     * when every state is the listing's own.
     */
    public String write(RequestState state) {
        List<String> parts = own(state);
        parts.replaceAll(own -> part.prefix() + own);
        part.others().forEach((name, values) -> values.forEach(value ->
                parts.add(URLEncoder.encode(name, UTF_8).replace("%7E", "~") + "=" + URLEncoder.encode(value, UTF_8))));
        return parts.isEmpty() ? "" : "?" + String.join("&", parts);
    }

    private List<String> own(RequestState state) {
        List<String> parts = new ArrayList<>();
        if (!state.search().strip().equals(listing.find().words())) {
            parts.add(parameter("q", state.search()));
        }
        listing.find().controls().stream()
                .filter(control -> !control.start().isOpen() && !state.narrowing().containsKey(control.field()))
                .forEach(control -> parts.add("f." + control.field() + "="));
        state.narrowing().forEach((field, narrowing) -> {
            if (!narrowing.equals(listing.find().by(field).start())) {
                add("f." + field, narrowing, parts);
            }
        });
        if (!state.sort().isEmpty() && !state.sort().equals(listing.order())) {
            parts.add("sort=" + String.join(",", state.sort().stream().map(SortBy::toString).toList()));
        }
        if (state.size() != listing.ordering().startSize()) {
            parts.add("size=" + state.size());
        }
        if (state.page() > 1) {
            parts.add("page=" + state.page());
        }
        return parts;
    }

    private static void add(String name, Narrowing narrowing, List<String> parts) {
        narrowing.values().forEach(value -> parts.add(parameter(name, value)));
        if (narrowing.from() != null) {
            parts.add(parameter(name + ".from", narrowing.from()));
        }
        if (narrowing.to() != null) {
            parts.add(parameter(name + ".to", narrowing.to()));
        }
        if (!narrowing.contains().isEmpty()) {
            parts.add(parameter(name + ".has", narrowing.contains()));
        }
        if (!narrowing.begins().isEmpty()) {
            parts.add(parameter(name + ".begins", narrowing.begins()));
        }
    }

    private static String parameter(String name, Value value) {
        return parameter(name, PlainForm.write(value));
    }

    private static String parameter(String name, String value) {
        return name + "=" + URLEncoder.encode(value, UTF_8);
    }
}
