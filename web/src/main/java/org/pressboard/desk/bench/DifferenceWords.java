package org.pressboard.desk.bench;

import java.util.List;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.pressboard.edition.Difference;
import org.pressboard.words.Words;

/** Says in which way one state of a page differs from another: {@code Show: hid Keeper. Order: by Name.} */
final class DifferenceWords {

    private final Words desk;
    private final Function<Difference.Kept, String> conditions;

    /** @param conditions how it is said which rows are kept; nothing for all */
    DifferenceWords(Words desk, Function<Difference.Kept, String> conditions) {
        this.desk = desk;
        this.conditions = conditions;
    }

    String of(List<Difference> differences) {
        return differences.stream().map(this::of).collect(Collectors.joining(" "));
    }

    private String of(Difference difference) {
        Object[] details = difference.details().stream().map(this::detail).toArray();
        return desk.say("difference", desk.say("line." + difference.line()),
                desk.say("difference." + difference.line() + "." + difference.code(), details));
    }

    private Object detail(Object detail) {
        return switch (detail) {
            case Difference.Kept kept -> {
                String said = conditions.apply(kept);
                yield said.isEmpty() ? desk.say("phrase.all") : said;
            }
            case Enum<?> choice -> desk.say("choice." + choice.getDeclaringClass().getSimpleName() + "." + choice.name());
            default -> detail;
        };
    }
}
