package org.pressboard.desk.bench;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.pressboard.condition.Condition;
import org.pressboard.listing.Dress;
import org.pressboard.listing.Mark;
import org.pressboard.problem.ProblemsFound;
import org.springframework.util.MultiValueMap;

/** Changes how rows are marked, as the bench asks. */
final class MarkChange {

    private final MultiValueMap<String, String> sent;

    MarkChange(MultiValueMap<String, String> sent) {
        this.sent = sent;
    }

    /** @throws ProblemsFound when there are too many */
    List<Mark> adding(List<Mark> marks, Condition when) {
        if (marks.size() >= Dress.MOST_MARKS) {
            throw ProblemsFound.of("bench.many-marks", Dress.MOST_MARKS);
        }
        List<Mark> more = new ArrayList<>(marks);
        more.add(new Mark(when, style(), colour()));
        return more;
    }

    List<Mark> changing(List<Mark> marks) {
        return IntStream.range(0, marks.size()).mapToObj(i -> i == at() ? new Mark(marks.get(i).when(), style(), colour())
                : marks.get(i)).toList();
    }

    List<Mark> without(List<Mark> marks) {
        return IntStream.range(0, marks.size()).filter(i -> i != at()).mapToObj(marks::get).toList();
    }

    private Mark.Style style() {
        return Arrays.stream(Mark.Style.values()).filter(each -> each.name().equals(first("look"))).findFirst()
                .orElse(Mark.Style.MUTED);
    }

    private Mark.Colour colour() {
        return Arrays.stream(Mark.Colour.values()).filter(each -> each.name().equals(first("colour"))).findFirst()
                .orElse(Mark.Colour.MOSS);
    }

    private int at() {
        return first("at").matches("\\d{1,2}") ? Integer.parseInt(first("at")) : -1;
    }

    private String first(String name) {
        return Optional.ofNullable(sent.getFirst(name)).orElse("");
    }
}
