package org.pressboard.listing;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.pressboard.condition.Operator;
import org.pressboard.problem.Problem;
import org.pressboard.problem.Problems;
import org.pressboard.table.Field;
import org.pressboard.value.FieldKey;
import org.pressboard.table.FieldType;
import org.pressboard.table.Table;
import org.pressboard.table.Temporal;
import org.pressboard.value.Value;

/** Reads one address; collects what it cannot follow instead of stopping at it. */
final class StateReader {

    /** Offsets beyond this are nobody's reading. */
    private static final int LAST_PAGE = 1_000_000;

    /** More values of a field are nobody's choice. */
    private static final int MOST_VALUES = 100;

    private static final int MOST_ORDERED = 4;
    private static final int LONGEST_TOLD = 100;
    private static final int DAY_LENGTH = 10;
    private static final Set<String> SINGLE = Set.of("q", "sort", "page", "size");

    private final Listing listing;
    private final Table table;
    private final List<Problem> problems = new ArrayList<>();
    private final List<String> unknown = new ArrayList<>();

    StateReader(Listing listing, Table table) {
        this.listing = listing;
        this.table = table;
    }

    Asked read(Map<String, ? extends List<String>> parameters) {
        TreeMap<FieldKey, Narrowing> narrowing = new TreeMap<>();
        parameters.forEach((name, values) -> {
            if (name.startsWith("f.")) {
                narrow(narrowing, name.substring(2), values);
            } else if (!SINGLE.contains(name)) {
                unknown.add(name);
            }
        });
        starts(parameters, narrowing);
        narrowing.forEach(this::checkRange);
        String search = parameters.containsKey("q") ? search(first(parameters, "q")) : listing.find().words();
        List<SortBy> sort = sort(first(parameters, "sort"));
        String page = first(parameters, "page");
        int size = size(first(parameters, "size"));
        RequestState state = new RequestState(search, narrowing, sort, page(page, size), size);
        return new Asked(state, new Problems(problems), unknown);
    }

    /** What the listing begins with, where the address says nothing of the field. */
    private void starts(Map<String, ? extends List<String>> parameters, TreeMap<FieldKey, Narrowing> narrowing) {
        for (NarrowBy control : listing.find().controls()) {
            String name = "f." + control.field();
            if (parameters.keySet().stream().noneMatch(each -> each.equals(name) || each.startsWith(name + "."))) {
                narrowing.put(control.field(), control.start());
            }
        }
    }

    private String first(Map<String, ? extends List<String>> parameters, String name) {
        List<String> values = parameters.get(name);
        if (values == null || values.isEmpty()) {
            return "";
        }
        if (values.size() > 1) {
            problems.add(Problem.of("state.twice", name, values.getFirst()));
        }
        return values.getFirst();
    }

    private String search(String text) {
        String words = text.replace('\0', ' ').strip();
        if (words.isEmpty()) {
            return "";
        }
        if (listing.find().search().isEmpty()) {
            problems.add(Problem.of("state.no-search"));
            return "";
        }
        if (words.length() > StateAddress.MOST_SEARCH_CHARACTERS) {
            problems.add(Problem.of("state.long-search", StateAddress.MOST_SEARCH_CHARACTERS));
            words = words.substring(0, StateAddress.MOST_SEARCH_CHARACTERS);
        }
        if (words.split("\\s+").length > RequestState.MOST_WORDS) {
            problems.add(Problem.of("state.many-words", RequestState.MOST_WORDS));
        }
        return words;
    }

    private void narrow(TreeMap<FieldKey, Narrowing> narrowing, String name, List<String> texts) {
        String fieldName = name.replaceFirst("\\.(from|to|has|begins)$", "");
        Optional<Field> found = table.fields().stream()
                .filter(field -> field.key().name().equals(fieldName) && listing.find().narrow().contains(field.key()))
                .findFirst();
        String end = name.substring(fieldName.length());
        if (found.isEmpty() || !isAnswered(found.get().type(), end)) {
            problems.add(Problem.of("state.no-narrowing", shortened(name)));
            return;
        }
        List<String> given = texts.stream().filter(text -> !text.isEmpty()).distinct().toList();
        checkNumber(name, end, given);
        given.stream().limit(end.isEmpty() ? MOST_VALUES : 1).forEach(text -> narrowing(found.get(), end, text)
                .ifPresent(part -> narrowing.merge(found.get().key(), part, Narrowing::join)));
    }

    private static boolean isAnswered(FieldType type, String end) {
        return switch (end) {
            case "" -> true;
            case ".from", ".to" -> type.hasRange();
            default -> type.comparisons().contains(end.equals(".has") ? Operator.CONTAINS : Operator.BEGINS);
        };
    }

    private void checkNumber(String name, String end, List<String> given) {
        if (!end.isEmpty() && given.size() > 1) {
            problems.add(Problem.of("state.twice", "f." + name, given.getFirst()));
        } else if (given.size() > MOST_VALUES) {
            problems.add(Problem.of("state.many-values", "f." + name, MOST_VALUES));
        }
    }

    private void checkRange(FieldKey field, Narrowing narrowing) {
        if (narrowing.isEmptyRange()) {
            problems.add(Problem.of("state.backwards", table.field(field).label()));
        }
    }

    private Optional<Narrowing> narrowing(Field field, String end, String text) {
        return switch (end) {
            case ".from" -> value(field, end, text).map(value -> Narrowing.toRange(value, null));
            case ".to" -> value(field, end, text).map(value -> Narrowing.toRange(null, value));
            case ".has" -> letters(text).map(letters -> Narrowing.OPEN.lettered(letters, ""));
            case ".begins" -> letters(text).map(letters -> Narrowing.OPEN.lettered("", letters));
            default -> value(field, end, text).map(value -> Narrowing.toValues(List.of(value)));
        };
    }

    private Optional<String> letters(String text) {
        String letters = text.replace('\0', ' ').strip();
        if (letters.length() > StateAddress.MOST_SEARCH_CHARACTERS) {
            problems.add(Problem.of("state.long-search", StateAddress.MOST_SEARCH_CHARACTERS));
            letters = letters.substring(0, StateAddress.MOST_SEARCH_CHARACTERS);
        }
        return Optional.of(letters).filter(some -> !some.isEmpty());
    }

    private Optional<Value> value(Field field, String end, String text) {
        boolean isDay = !end.isEmpty() && field.type() instanceof Temporal.DateTime && text.length() == DAY_LENGTH;
        FieldType type = isDay ? new Temporal.Date() : field.type();
        Optional<Value> value = text.indexOf('\0') >= 0 ? Optional.empty()
                : type.read(text).map(read -> read.each().getFirst());
        if (value.isEmpty()) {
            problems.add(Problem.of("state.bad-value", shortened(text), field.label()));
        }
        return value;
    }

    private static String shortened(String text) {
        return text.length() <= LONGEST_TOLD ? text : text.substring(0, LONGEST_TOLD) + "…";
    }

    private List<SortBy> sort(String text) {
        List<SortBy> order = new ArrayList<>();
        for (String part : text.split(",")) {
            if (!part.isBlank()) {
                sortBy(part.strip()).ifPresent(order::add);
            }
        }
        List<SortBy> distinct = order.stream().distinct().toList();
        if (distinct.size() > MOST_ORDERED) {
            problems.add(Problem.of("state.many-orders", MOST_ORDERED));
        }
        return distinct.stream().limit(MOST_ORDERED).toList();
    }

    private Optional<SortBy> sortBy(String part) {
        boolean descending = part.startsWith("-");
        String name = descending ? part.substring(1) : part;
        Optional<SortBy> found = table.fields().stream()
                .filter(field -> field.key().name().equals(name) && isOffered(field))
                .map(field -> new SortBy(field.key(), descending))
                .findFirst();
        if (found.isEmpty()) {
            problems.add(Problem.of("state.no-sort", shortened(name)));
        }
        return found;
    }

    /** Sorting by a field that is not shown would tell what stands in it. */
    private boolean isOffered(Field field) {
        return field.type().isSortable() && listing.shown().contains(field.key())
                && !listing.find().unsorted();
    }

    private int page(String text, int size) {
        // where further rows come under those there are, a page has all rows before it, too
        int last = listing.ordering().more() ? Ordering.MOST_UNDER_EACH_OTHER / size : LAST_PAGE;
        return number(text, 1).filter(page -> page >= 1 && page <= last).orElseGet(() -> {
            problems.add(Problem.of("state.bad-page", shortened(text)));
            return 1;
        });
    }

    private int size(String text) {
        int start = listing.ordering().startSize();
        return number(text, start).filter(size -> size == start || Listing.PAGE_SIZES.contains(size)).orElseGet(() -> {
            problems.add(Problem.of("state.bad-size", shortened(text), Listing.PAGE_SIZES.toString()));
            return start;
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
