package org.pressboard.desk;

import static java.nio.charset.StandardCharsets.UTF_8;

import de.siegmar.fastcsv.writer.CsvWriter;
import de.siegmar.fastcsv.writer.LineDelimiter;
import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.stream.Collectors;
import org.pressboard.bulk.Intake;
import org.pressboard.bulk.Intakes;
import org.pressboard.intake.ColumnSurvey;
import org.pressboard.intake.Outcome;
import org.pressboard.words.Words;
import org.pressboard.value.SpreadsheetCells;

/**
 * The rows of a file that did not fit, as they stood in it but for what a spreadsheet would carry out, each with its
 * line and the reason before it.
 */
final class KeptAsideCsv {

    private final Intakes intakes;
    private final Words words;
    private final SpreadsheetCells cells;

    KeptAsideCsv(Intakes intakes, Words words, SpreadsheetCells cells) {
        this.intakes = intakes;
        this.cells = cells;
        this.words = words;
    }

    void write(Intake intake, OutputStream out) throws IOException {
        try (CsvWriter csv = CsvWriter.builder().lineDelimiter(LineDelimiter.CRLF)
                .build(new OutputStreamWriter(out, UTF_8))) {
            List<String> header = new ArrayList<>(List.of(words.say("kept-aside.line"), words.say("kept-aside.why")));
            Objects.requireNonNull(intake.survey()).columns().stream().map(ColumnSurvey::label).forEach(header::add);
            csv.writeRecord(header.stream().map(cells::write).toList());
            intakes.keptAside(intake.id(), Integer.MAX_VALUE, kept -> csv.writeRecord(record(kept)));
        }
    }

    private List<String> record(Outcome.KeptAside kept) {
        List<String> texts = new ArrayList<>();
        texts.add(Long.toString(kept.line()));
        texts.add(kept.reasons().stream().map(words::say).collect(Collectors.joining(" ")));
        texts.addAll(kept.texts());
        return texts.stream().map(cells::write).toList();
    }
}
