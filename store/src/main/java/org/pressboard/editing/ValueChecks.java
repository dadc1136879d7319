package org.pressboard.editing;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.pressboard.files.Files;
import org.pressboard.files.KeptFile;
import org.pressboard.problem.Problem;
import org.pressboard.source.Hosted;
import org.pressboard.sql.TableSql;
import org.pressboard.sql.ValueSql;
import org.pressboard.table.Attached;
import org.pressboard.table.Chosen;
import org.pressboard.table.Field;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;
import org.pressboard.value.FieldKey;
import org.pressboard.value.PlainForm;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;
import org.springframework.stereotype.Component;

/** Finds what is against values that rows are to have: by the rules of their fields, and by the rows and files there are. */
@Component
class ValueChecks {

    private final DSLContext sql;
    private final Files files;

    ValueChecks(DSLContext sql, Files files) {
        this.sql = sql;
        this.files = files;
    }

    /**
     * By field.
     *
     * @param row the number of the row; {@code null}: it is a new one, or there are several
     */
    Map<FieldKey, Problem> problems(Tables tables, Table table, Map<FieldKey, Optional<Value>> values,
            @Nullable RowId row) {
        Map<FieldKey, Problem> problems = new HashMap<>();
        values.forEach((key, value) -> {
            Field field = table.field(key);
            field.rules().check(value.orElse(null)).or(() -> value.flatMap(given -> offered(field, given)))
                    .ifPresent(problem -> problems.put(key, problem));
            if (!problems.containsKey(key) && value.isPresent()) {
                lookUp(tables, table, field, value.get(), row).ifPresent(problem -> problems.put(key, problem));
            }
        });
        return problems;
    }

    /** A choice is one of its options, wherever it comes from. */
    private static Optional<Problem> offered(Field field, Value value) {
        return field.type() instanceof Chosen chosen ? value.each().stream().map(PlainForm::write)
                .filter(text -> chosen.options().stream().noneMatch(option -> option.text().equals(text))).findFirst()
                .map(text -> Problem.of("entry.no-option", text)) : Optional.empty();
    }

    /** What only the rows that are there can tell. */
    private Optional<Problem> lookUp(Tables tables, Table table, Field field, Value value,
            @Nullable RowId row) {
        if (field.rules().unique() && sql.fetchExists(DSL.selectOne().from(Hosted.name(table))
                .where(DSL.condition("{0} = {1}", TableSql.column(field), ValueSql.bound(value)))
                .and(Hosted.ID.ne(row == null ? RowId.NONE : row)))) {
            return Optional.of(Problem.of("entry.not-unique"));
        }
        if (field.type() instanceof Attached attached) {
            return lookAt(attached, value);
        }
        return field.type() instanceof Referring ? leadsSomewhere(tables.target(field), value) : Optional.empty();
    }

    private Optional<Problem> leadsSomewhere(Table target, Value value) {
        List<RowId> rows = VisitorRows.numbers(value);
        int there = sql.fetchCount(DSL.selectOne().from(Hosted.name(target))
                .where(Hosted.ID.in(rows)));
        return there == rows.size() ? Optional.empty() : Optional.of(Problem.of("entry.no-such-row", target.label()));
    }

    /** Files must be there, and pictures where pictures are wanted; one of which only the name is known may come later. */
    private Optional<Problem> lookAt(Attached type, Value value) {
        for (Value each : value.each()) {
            Value.Attachment attachment = (Value.Attachment) each;
            KeptFile file = attachment.isThere() ? files.find(attachment.content()).orElse(null) : null;
            if (attachment.isThere() && file == null) {
                return Optional.of(Problem.of("entry.no-such-file", attachment.name()));
            }
            if (type.isOfPictures() && file != null && !file.isPicture()) {
                return Optional.of(Problem.of("entry.no-picture", attachment.name()));
            }
        }
        return Optional.empty();
    }
}
