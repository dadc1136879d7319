package org.pressboard.table;

import java.util.Arrays;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.pressboard.condition.Operator;
import org.pressboard.value.PlainForm;
import org.pressboard.value.TypedForm;
import org.pressboard.value.Value;
import org.pressboard.value.WrittenForm;

/** Kinds of field that hold one or several of a few texts, in the order in which the owner put these. */
public sealed interface Chosen extends FieldType {

    /** One of the texts to choose from, and the colour in which it is shown. */
    record Option(String text, Colour colour) {
        public Option {
            if (text.isBlank()) {
                throw new IllegalArgumentException("An option needs a text");
            }
        }
    }

    /** The colours of our board in which options are told apart. */
    enum Colour { PLAIN, MOSS, SAGE, MUSTARD, SAND, BRICK, CLAY, SLATE, SKY }

    List<Option> options();

    /** The same kind with these to choose from. */
    Chosen offering(List<Option> others);

    /** One of a few texts. */
    record Choice(List<Option> options) implements Chosen {
        public Choice {
            options = checked(options);
        }

        /** Of these texts, all without a colour. */
        public static Choice of(List<String> texts) {
            return new Choice(plain(texts));
        }

        /** Of these texts, each in a colour of its own where there are no more of them than colours. */
        public static Choice coloured(List<String> texts) {
            List<Colour> colours = List.of(Colour.values()).subList(1, Colour.values().length);
            return texts.size() > colours.size() ? of(texts) : new Choice(IntStream.range(0, texts.size())
                    .mapToObj(at -> new Option(texts.get(at), colours.get(at))).toList());
        }

        @Override
        public Chosen offering(List<Option> others) {
            return new Choice(others);
        }

        @Override
        public Held held() {
            return Held.TEXT;
        }

        @Override
        public Optional<Value> read(String text) {
            return Optional.of(Value.of(text));
        }

        @Override
        public Optional<Value> readTyped(String text, TypedForm language) {
            return meant(text).map(Value::of);
        }

        @Override
        public Set<Operator> comparisons() {
            return Operator.OF_TEXTS;
        }

        /** As the owner put the options. */
        @Override
        public Comparator<Value> order(Comparator<String> texts) {
            return Comparator.comparingInt(this::placeOf);
        }

        /** The place of an option, from 0; a text that is none any more comes behind all of them. */
        public int placeOf(Value value) {
            List<String> texts = options.stream().map(Option::text).toList();
            int place = value instanceof Value.Text(String text) ? texts.indexOf(text) : -1;
            return place < 0 ? texts.size() : place;
        }

        @Override
        public String code() {
            return "choice";
        }
    }

    /** Several of a few texts. */
    record Choices(List<Option> options) implements Chosen {
        public Choices {
            options = checked(options);
        }

        /** Of these texts, all without a colour. */
        public static Choices of(List<String> texts) {
            return new Choices(plain(texts));
        }

        @Override
        public Chosen offering(List<Option> others) {
            return new Choices(others);
        }

        @Override
        public Held held() {
            return Held.TEXTS;
        }

        @Override
        public Optional<Value> read(String text) {
            List<Value> values = text.lines().filter(line -> !line.isEmpty()).<Value>map(Value::of).toList();
            return values.isEmpty() ? Optional.empty() : Optional.of(new Value.Several(values));
        }

        /** One to a line, or with commas between. */
        @Override
        public Optional<Value> readTyped(String text, TypedForm language) {
            String marks = text.strip().indexOf('\n') < 0 ? "[,;]" : "\\R";
            return Value.Several.ofAll(Arrays.stream(text.strip().split(marks)).map(part -> meant(part).map(Value::of)));
        }

        @Override
        public Set<Operator> comparisons() {
            return Operator.OF_SEVERAL_TEXTS;
        }

        @Override
        public String code() {
            return "choices";
        }

        @Override
        public boolean isSortable() {
            return false;
        }
    }

    private static List<Option> plain(List<String> texts) {
        return texts.stream().map(text -> new Option(text, Colour.PLAIN)).toList();
    }

    private static List<Option> checked(List<Option> options) {
        Set<String> texts = new HashSet<>();
        if (!options.stream().allMatch(option -> texts.add(option.text()))) {
            throw new IllegalArgumentException("Two options are the same: " + options);
        }
        return List.copyOf(options);
    }

    /** The option that somebody means, whatever case they typed it in. */
    default Optional<String> meant(String text) {
        String bare = text.strip();
        return options().stream().map(Option::text).filter(bare::equals).findFirst().or(() -> options().stream()
                .map(Option::text).filter(option -> lower(option).equals(lower(bare))).findFirst());
    }

    private static String lower(String text) {
        return text.toLowerCase(Locale.ROOT);
    }

    /** The colour of an option; plain where there is no such option any more. */
    default Colour colourOf(String text) {
        for (Option option : options()) {
            if (option.text().equals(text)) {
                return option.colour();
            }
        }
        return Colour.PLAIN;
    }

    @Override
    default String write(Value value, WrittenForm language) {
        return value.each().stream().map(PlainForm::write)
                .collect(Collectors.joining(language.format().between()));
    }

    @Override
    default boolean isText() {
        return true;
    }

    @Override
    default boolean hasFewValues() {
        return true;
    }
}
