package org.pressboard.editing;

import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jooq.DSLContext;
import org.jooq.Query;
import org.jooq.QueryPart;
import org.jooq.Record;
import org.jooq.Result;
import org.jooq.ResultOrRows;

/**
 * Statements of which none waits for what another answers: they go to the database together and are executed one after
 * the other, in one way there and back. What it takes to write one row is mostly such ways.
 */
final class Together {

    private final List<ResultOrRows> answers;

    private Together(List<ResultOrRows> answers) {
        this.answers = answers;
    }

    static Together send(DSLContext sql, List<? extends Query> statements) {
        String all = IntStream.range(0, statements.size()).mapToObj(i -> "{" + i + "}").collect(Collectors.joining("; "));
        return new Together(sql.fetchMany(all, statements.toArray(QueryPart[]::new)).resultsOrRows());
    }

    /** The rows that a statement found, by its number from 0. */
    Result<Record> found(int statement) {
        return answers.get(statement).result();
    }

    /** How many rows a statement wrote, by its number from 0. */
    int written(int statement) {
        return answers.get(statement).rows();
    }
}
