package org.pressboard.listing;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.pressboard.problem.Problem;
import org.pressboard.problem.Problems;
import org.pressboard.table.Field;
import org.pressboard.table.FieldKey;
import org.pressboard.table.Table;
import org.pressboard.value.PlainForm;
import org.pressboard.value.Value;

/** Reads one address; collects what it cannot follow instead of stopping at it. */
final class StateReader {

    /** Offsets beyond this are nobody's reading. */
    private static final int LAST_PAGE = 1_000_000;

    private final Listing listing;
    private final Table table;
    private final List<Problem> problems = new ArrayList<>();

    StateReader(Listing listing, Table table) {
        this.listing = listing;
        this.table = table;
    }

    Asked read(Map<String, ? extends List<String>> parameters) {
        TreeMap<FieldKey, Narrowing> narrowing = new TreeMap<>();
        parameters.forEach((name, values) -> {
            if (name.startsWith("f.")) {
                narrow(narrowing, name.substring(2), values);
            }
        });
        RequestState state = new RequestState(search(first(parameters, "q")), narrowing,
                sort(first(parameters, "sort")), page(first(parameters, "page")), size(first(parameters, "size")));
        return new Asked(state, new Problems(problems));
    }

    private static String first(Map<String, ? extends List<String>> parameters, String name) {
        List<String> values = parameters.get(name);
        return values == null || values.isEmpty() ? "" : values.getFirst();
    }

    private String search(String text) {
        String words = text.replace('\0', ' ').strip();
        if (words.isEmpty() || listing.search().isEmpty()) {
            return "";
        }
        return words.substring(0, Math.min(words.length(), StateAddress.MOST_SEARCH_CHARACTERS));
    }

    private void narrow(TreeMap<FieldKey, Narrowing> narrowing, String name, List<String> texts) {
        String fieldName = name.replaceFirst("\\.(from|to)$", "");
        Optional<Field> found = table.fields().stream()
                .filter(field -> field.key().name().equals(fieldName) && listing.narrow().contains(field.key()))
                .findFirst();
        if (found.isEmpty()) {
            problems.add(Problem.of("state.no-narrowing", fieldName));
            return;
        }
        Field field = found.get();
        String end = name.substring(fieldName.length());
        for (String text : texts) {
            if (!text.isEmpty()) {
                value(field, text).ifPresent(value -> narrowing.merge(field.key(), narrowing(end, value), this::join));
            }
        }
    }

    private static Narrowing narrowing(String end, Value value) {
        return switch (end) {
            case ".from" -> new Narrowing(List.of(), value, null);
            case ".to" -> new Narrowing(List.of(), null, value);
            default -> Narrowing.toValues(List.of(value));
        };
    }

    private Narrowing join(Narrowing one, Narrowing other) {
        Narrowing joined = new Narrowing(one.values(), one.from() == null ? other.from() : one.from(),
                one.to() == null ? other.to() : one.to());
        for (Value value : other.values()) {
            joined = joined.withValue(value);
        }
        return joined;
    }

    private Optional<Value> value(Field field, String text) {
        Optional<Value> value = text.indexOf('\0') >= 0 ? Optional.empty() : PlainForm.read(field.type(), text);
        if (value.isEmpty()) {
            problems.add(Problem.of("state.bad-value", text, field.label()));
        }
        return value;
    }

    private List<SortBy> sort(String text) {
        List<SortBy> order = new ArrayList<>();
        for (String part : text.split(",")) {
            if (!part.isBlank()) {
                sortBy(part.strip()).ifPresent(order::add);
            }
        }
        return order.stream().distinct().limit(4).toList();
    }

    private Optional<SortBy> sortBy(String part) {
        boolean descending = part.startsWith("-");
        String name = descending ? part.substring(1) : part;
        Optional<SortBy> found = table.fields().stream()
                .filter(field -> field.key().name().equals(name) && isOffered(field))
                .map(field -> new SortBy(field.key(), descending))
                .findFirst();
        if (found.isEmpty()) {
            problems.add(Problem.of("state.no-sort", name));
        }
        return found;
    }

    /** Sorting by a field that is not shown would tell what stands in it. */
    private boolean isOffered(Field field) {
        return field.type().isSortable() && listing.show().contains(field.key());
    }

    private int page(String text) {
        return number(text, 1).filter(page -> page >= 1 && page <= LAST_PAGE).orElseGet(() -> {
            problems.add(Problem.of("state.bad-page", text));
            return 1;
        });
    }

    private int size(String text) {
        return number(text, listing.pageSize()).filter(Listing.PAGE_SIZES::contains).orElseGet(() -> {
            problems.add(Problem.of("state.bad-size", text, Listing.PAGE_SIZES.toString()));
            return listing.pageSize();
        });
    }

    private static Optional<Integer> number(String text, int whenAbsent) {
        if (text.isEmpty()) {
            return Optional.of(whenAbsent);
        }
        try {
            return Optional.of(Integer.parseInt(text));
        } catch (NumberFormatException notANumber) {
            return Optional.empty();
        }
    }
}
