package org.pressboard.condition;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A condition as people read and change it: statements about fields, put together in groups. Phrases within a group are
 * found by their place in it, those deeper down by the places on the way to them.
 *
 * <pre>{@code
 * Phrase.Group all = Phrase.read(keep).adding(List.of(), new Phrase.Statement(clause));
 * Condition more = all.condition();
 * }</pre>
 */
public sealed interface Phrase {

    /** How the phrases of a group are meant together. */
    enum Mode {
        /** Each must hold. */
        ALL,
        /** One must. */
        ANY,
        /** None may. */
        NONE
    }

    /** Phrases meant together; of no phrases, {@link Mode#ALL} always holds, as do the others for want of anything said. */
    record Group(Mode mode, List<Phrase> phrases) implements Phrase {

        public Group {
            phrases = List.copyOf(phrases);
        }

        /** The same with another phrase at the end of the group at that place. */
        public Group adding(List<Integer> place, Phrase phrase) {
            if (place.isEmpty()) {
                List<Phrase> more = new ArrayList<>(phrases);
                more.add(phrase);
                return new Group(mode, more);
            }
            return changed(place, inner -> inner instanceof Group group ? Optional.of(group.adding(rest(place), phrase))
                    : Optional.of(inner));
        }

        /** The same with another phrase at that place. */
        public Group with(List<Integer> place, Phrase phrase) {
            return changed(place, inner -> Optional.of(place.size() == 1 ? phrase
                    : inner instanceof Group group ? group.with(rest(place), phrase) : inner));
        }

        /** The same without the phrase at that place; a group in which nothing is left goes along. */
        public Group without(List<Integer> place) {
            return changed(place, inner -> place.size() > 1 && inner instanceof Group group
                    ? Optional.<Phrase>of(group.without(rest(place))).filter(left -> !((Group) left).phrases.isEmpty())
                    : Optional.empty());
        }

        /** The same with the group at that place meant otherwise. */
        public Group meant(List<Integer> place, Mode other) {
            return place.isEmpty() ? new Group(other, phrases) : changed(place, inner -> Optional.of(
                    inner instanceof Group group ? group.meant(rest(place), other) : inner));
        }

        private Group changed(List<Integer> place, Change change) {
            List<Phrase> changed = new ArrayList<>();
            for (int i = 0; i < phrases.size(); i++) {
                Phrase inner = phrases.get(i);
                (i == place.getFirst() ? change.of(inner) : Optional.of(inner)).ifPresent(changed::add);
            }
            return new Group(mode, changed);
        }

        private static List<Integer> rest(List<Integer> place) {
            return place.subList(1, place.size());
        }

        private interface Change {

            Optional<Phrase> of(Phrase inner);
        }
    }

    record Statement(Clause clause) implements Phrase {
    }

    /** What no statement stands for; it can be kept or taken out. */
    record Other(Condition condition) implements Phrase {
    }

    /** The condition as a group, of one phrase where it is none. */
    static Group read(Condition condition) {
        Phrase read = of(condition);
        return read instanceof Group group ? group : new Group(Mode.ALL, List.of(read));
    }

    private static Phrase of(Condition condition) {
        Optional<Clause> clause = Clause.of(condition);
        if (clause.isPresent()) {
            return new Statement(clause.get());
        }
        return switch (condition) {
            case Condition.All(List<Condition> parts) -> new Group(Mode.ALL, parts.stream().map(Phrase::of).toList());
            // it never holds; a group in which nothing is said always does
            case Condition.Any(List<Condition> parts) when parts.isEmpty() -> new Other(condition);
            case Condition.Any(List<Condition> parts) -> new Group(Mode.ANY, parts.stream().map(Phrase::of).toList());
            case Condition.Not(Condition.Any(List<Condition> parts)) when !parts.isEmpty() ->
                    new Group(Mode.NONE, parts.stream().map(Phrase::of).toList());
            default -> new Other(condition);
        };
    }

    /** How many statements it is made of. */
    default int size() {
        return this instanceof Group(Mode mode, List<Phrase> phrases) ? phrases.stream().mapToInt(Phrase::size).sum() : 1;
    }

    /** The condition that it stands for. */
    default Condition condition() {
        return switch (this) {
            case Statement(Clause clause) -> clause.condition();
            case Other(Condition condition) -> condition;
            case Group group when group.phrases.isEmpty() -> Condition.ALWAYS;
            case Group(Mode mode, List<Phrase> phrases) -> {
                List<Condition> parts = phrases.stream().map(Phrase::condition).toList();
                yield switch (mode) {
                    case ALL -> new Condition.All(parts);
                    case ANY -> new Condition.Any(parts);
                    case NONE -> new Condition.Any(parts).not();
                };
            }
        };
    }
}
