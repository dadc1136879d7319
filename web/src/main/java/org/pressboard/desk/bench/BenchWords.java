package org.pressboard.desk.bench;

import java.util.List;
import org.pressboard.catalog.Drafts;
import org.pressboard.desk.condition.ConditionDesk;
import org.pressboard.edition.Differences;
import org.pressboard.edition.PageKey;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.words.Moments;
import org.pressboard.words.Words;
import org.pressboard.table.Tables;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Component;

/** How the bench says things: in English, as all of the desk, with values as the language of the site writes them. */
@Component
class BenchWords {

    private static final int STEPS = 30;

    private final ConditionDesk conditions;
    private final MessageSource messages;

    BenchWords(ConditionDesk conditions, MessageSource messages) {
        this.conditions = conditions;
        this.messages = messages;
    }

    Words desk() {
        return Words.ofRequest(messages);
    }

    /** Why something was not done. */
    String said(ProblemsFound against) {
        return desk().say(against.problems().all().getFirst());
    }

    /** Of what is otherwise on one page than on another. */
    DifferenceWords differences(Tables tables) {
        return new DifferenceWords(desk(), kept -> tables.find(kept.table()).map(table -> conditions
                .words(tables, tables.reaching(table, kept.rows().fields())).of(kept.rows())).orElse(""));
    }

    /** The latest steps of a draft, as they are told. */
    List<Ticket.StepLine> steps(Drafts drafts, PageKey page, Tables tables) {
        DifferenceWords differences = differences(tables);
        return drafts.steps(page, STEPS).stream().map(step -> new Ticket.StepLine(
                differences.of(Differences.between(step.before(), step.after(), tables)), Moments.written(step.at()),
                step.who(), step.takenBack())).toList();
    }
}
