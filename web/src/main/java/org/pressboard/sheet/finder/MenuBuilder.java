package org.pressboard.sheet.finder;

import com.ibm.icu.text.AlphabeticIndex;
import com.ibm.icu.util.ULocale;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import java.util.function.BiFunction;
import org.jspecify.annotations.Nullable;
import org.pressboard.listing.NarrowBy;
import org.pressboard.listing.Narrowing;
import org.pressboard.listing.RequestState;
import org.pressboard.listing.Distribution;
import org.pressboard.stand.Addresses;
import org.pressboard.stand.Asking;
import org.pressboard.table.Attached;
import org.pressboard.table.Chosen;
import org.pressboard.table.Field;
import org.pressboard.table.FieldType;
import org.pressboard.table.Numeric;
import org.pressboard.table.Referring;
import org.pressboard.table.Temporal;
import org.pressboard.table.Textual;
import org.pressboard.value.Folding;
import org.pressboard.value.PlainForm;
import org.pressboard.value.Value;
import org.pressboard.words.Words;

/** Builds the controls by which one sheet is narrowed. */
public final class MenuBuilder {

    private final Asking asking;
    private final RequestState state;
    private final Addresses addresses;
    private final Words words;
    private final Picks picks;
    private final ValueCounts valueCounts;
    private final Spans spans;

    public MenuBuilder(Asking asking, Words words, Picks picks, ValueCounts valueCounts, Spans spans) {
        this.asking = asking;
        this.state = asking.state();
        this.addresses = asking.addresses();
        this.words = words;
        this.picks = picks;
        this.valueCounts = valueCounts;
        this.spans = spans;
    }

    /** All of them, in the listing's order. */
    public List<NarrowMenu> menus() {
        return asking.listing().find().controls().stream()
                .filter(control -> !NarrowBy.offered(asking.table().field(control.field()).type()).isEmpty())
                .map(control -> menu(control, "")).toList();
    }

    /** @param called what the rows are called that can be picked */
    public NarrowMenu menu(NarrowBy control, String called) {
        Field field = asking.table().field(control.field());
        NarrowBy.ControlKind way = control.wayFor(field.type());
        List<Value> values = way.isOfValues() ? values(field, called) : List.of();
        Optional<Map<String, Long>> rows = way.isOfValues() ? valueCounts.byValue(field, values)
                : way == NarrowBy.ControlKind.LETTERS ? valueCounts.byLetter(field) : Optional.empty();
        boolean isDistributed = way == NarrowBy.ControlKind.RANGE && control.distribution() && NarrowBy.hasDistribution(field.type());
        Optional<Distribution> distribution = isDistributed ? valueCounts.distribution(field) : Optional.empty();
        Narrowing narrowing = state.narrowingOf(field.key());
        List<NarrowMenu.Option> options = way == NarrowBy.ControlKind.LETTERS ? letters(narrowing, rows)
                : values.stream().map(value -> option(field, narrowing, value, rows)).toList();
        return new NarrowMenu(field.key().name(), asking.address().name("f." + field.key()), label(field), way, control.one(),
                options, way == NarrowBy.ControlKind.RANGE ? range(field, narrowing) : null, box(field, way, narrowing),
                way == NarrowBy.ControlKind.RANGE && isOfDays(field.type()) ? spans.of(field.key(), state, asking.address()) : List.of(),
                isDistributed, distribution.map(found -> bars(field, found)).orElse(null),
                field.type() instanceof Referring && way.isOfValues() && !addresses.picking().isEmpty()
                        ? addresses.picking() + field.key() : "",
                rows.isPresent() || distribution.isPresent() || addresses.valueCounts().isEmpty());
    }

    public String label(Field field) {
        return asking.listing().show().find(field.key()).map(look -> look.labelOf(field)).orElse(field.label());
    }

    private NarrowMenu.Option option(Field field, Narrowing narrowing, Value value, Optional<Map<String, Long>> rows) {
        String plain = PlainForm.write(value);
        String colour = field.type() instanceof Chosen chosen
                ? chosen.colourOf(plain).name().toLowerCase(Locale.ROOT) : "";
        return new NarrowMenu.Option(plain, field.type().write(value, words.written()), isPicked(narrowing, value), colour,
                rows.map(all -> words.count(all.getOrDefault(plain, 0L))).orElse(""),
                rows.map(all -> !all.containsKey(plain)).orElse(false));
    }

    private static boolean isPicked(Narrowing narrowing, Value value) {
        return narrowing.values().stream().anyMatch(picked -> picked.compareWith(value) == 0);
    }

    /** The alphabet of the language, and what else rows begin with once that is known. */
    private List<NarrowMenu.Option> letters(Narrowing narrowing, Optional<Map<String, Long>> rows) {
        TreeSet<String> letters = new TreeSet<>();
        new AlphabeticIndex<>(ULocale.forLocale(words.language())).getBucketLabels().stream().map(Folding::fold)
                .filter(letter -> letter.codePointCount(0, letter.length()) == 1
                        && Character.isLetter(letter.codePointAt(0))).forEach(letters::add);
        rows.ifPresent(all -> all.keySet().stream().filter(letter -> Character.isLetterOrDigit(letter.codePointAt(0)))
                .forEach(letters::add));
        return letters.stream().map(letter -> new NarrowMenu.Option(letter, letter.toUpperCase(words.language()),
                Folding.fold(narrowing.begins()).equals(letter), "",
                rows.map(all -> words.count(all.getOrDefault(letter, 0L))).orElse(""),
                rows.map(all -> !all.containsKey(letter)).orElse(false))).toList();
    }

    private NarrowMenu.@Nullable Box box(Field field, NarrowBy.ControlKind way, Narrowing narrowing) {
        BiFunction<String, String, NarrowMenu.Box> box = (end, text) -> new NarrowMenu.Box(
                asking.address().name("f." + field.key() + end), end.isEmpty() || end.equals(".from") || end.equals(".to")
                        ? input(field, narrowing) : "text", words.comparing("sheet.way.", field, way), text);
        return switch (way) {
            case CONTAINS -> box.apply(".has", narrowing.contains());
            case BEGINS -> box.apply(".begins", narrowing.begins());
            case AT_LEAST -> box.apply(".from", plain(narrowing.from()));
            case AT_MOST -> box.apply(".to", plain(narrowing.to()));
            case IS -> box.apply("", narrowing.values().isEmpty() ? "" : plain(narrowing.values().getFirst()));
            case USUAL, MENU, TAGS, RANGE, LETTERS -> null;
        };
    }

    private static boolean isOfDays(FieldType type) {
        return type instanceof Temporal && !(type instanceof Temporal.TimeOfDay);
    }

    /** By days, also where the field has times of day, unless the address says a time. */
    private static NarrowMenu.Range range(Field field, Narrowing narrowing) {
        return new NarrowMenu.Range(input(field, narrowing), plain(narrowing.from()), plain(narrowing.to()));
    }

    private static String input(Field field, Narrowing narrowing) {
        boolean hasTime = narrowing.from() instanceof Value.Moment || narrowing.to() instanceof Value.Moment;
        return switch (field.type()) {
            case Numeric numeric -> "number";
            case Temporal.TimeOfDay time -> "time";
            case Temporal temporal -> hasTime ? "datetime-local" : "date";
            case Textual textual -> "text";
            case FieldType.YesNo yesNo -> "text";
            case Chosen chosen -> "text";
            case Referring referring -> "text";
            case Attached attached -> "text";
        };
    }

    private static String plain(@Nullable Value value) {
        return value == null ? "" : PlainForm.write(value);
    }

    private DistributionBars bars(Field field, Distribution values) {
        return DistributionBars.of(values, bar -> words.say("sheet.bar", field.type().write(bar.from(), words.written()),
                field.type().write(bar.to(), words.written()), words.count(bar.rows())));
    }

    private List<Value> values(Field field, String called) {
        return switch (field.type()) {
            case Chosen chosen -> chosen.options().stream().map(option -> Value.of(option.text())).toList();
            case FieldType.YesNo yesNo -> List.of(Value.of(true), Value.of(false));
            case Referring referring -> rows(referring, field, called);
            case Textual textual -> List.of();
            case Numeric numeric -> List.of();
            case Temporal temporal -> List.of();
            case Attached attached -> List.of();
        };
    }

    /** Those narrowed by already are always there. */
    private List<Value> rows(Referring type, Field field, String called) {
        List<Value> offered = new ArrayList<>(picks.picked(field.key(), type));
        picks.find(type, called).stream()
                .filter(found -> offered.stream().noneMatch(each -> each.compareWith(found) == 0)).forEach(offered::add);
        return offered;
    }
}
