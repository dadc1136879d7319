package org.pressboard.intake;

import static java.nio.charset.StandardCharsets.UTF_8;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;

/** Files for tests. */
final class Files {

    private Files() {
    }

    static FileContent of(byte[] bytes) {
        return () -> new ByteArrayInputStream(bytes);
    }

    static FileContent of(String text) {
        return of(text.getBytes(UTF_8));
    }

    static Survey survey(String text) {
        return survey(of(text));
    }

    static Survey survey(FileContent content) {
        try {
            return Survey.of(content, rows -> { });
        } catch (IOException unreadable) {
            throw new UncheckedIOException(unreadable);
        }
    }

    static Survey survey(FileContent content, Dialect dialect) {
        try {
            return Survey.of(content, dialect, rows -> { });
        } catch (IOException unreadable) {
            throw new UncheckedIOException(unreadable);
        }
    }

    static List<Outcome> read(String text) {
        Survey survey = survey(text);
        return read(text, survey, Plan.suggestedBy(survey, "Table"));
    }

    static List<Outcome> read(String text, Survey survey, Plan plan) {
        return read(of(text), survey, plan);
    }

    static List<Outcome> read(FileContent content, Survey survey, Plan plan) {
        return read(content, survey, plan, RecordReader.Beside.NOTHING);
    }

    static List<Outcome> read(FileContent content, Survey survey, Plan plan, RecordReader.Beside beside) {
        List<Outcome> outcomes = new ArrayList<>();
        try (RecordReader reader = RecordReader.open(content, survey, plan, beside)) {
            reader.forEachRemaining(outcomes::add);
        } catch (IOException unreadable) {
            throw new UncheckedIOException(unreadable);
        }
        return outcomes;
    }
}
