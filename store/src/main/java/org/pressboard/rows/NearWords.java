package org.pressboard.rows;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.pressboard.listing.RowQuery;
import org.pressboard.listing.Spelling;
import org.pressboard.scope.VisitorScope;
import org.pressboard.sql.Canceled;
import org.pressboard.sql.TableSql;
import org.pressboard.value.FieldKey;
import org.pressboard.value.PlainForm;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * What is nearly what somebody looked for and did not find, among the rows that they see and the fields that the listing
 * searches: found by the trigrams that searching has an index of, and only as long as that is quick.
 */
@Component
public class NearWords {

    /** What takes longer, in milliseconds, is not told: nobody waits for a guess. */
    private static final int LONGEST = 80;

    /** So many rows are looked at for words. */
    private static final int ROWS = 60;

    private static final int MOST_WORDS = 4;
    private static final int MOST_OFFERED = 3;

    /** So alike a row's words must be, of 1 (PostgreSQL, "pg_trgm", word_similarity). */
    private static final double ALIKE = 0.45;

    private final DSLContext sql;
    private final VisitorScope scope;
    private final TransactionTemplate reading;

    NearWords(DSLContext sql, VisitorScope scope, PlatformTransactionManager transactions) {
        this.sql = sql;
        this.scope = scope;
        this.reading = new TransactionTemplate(transactions);
        this.reading.setReadOnly(true);
    }

    /**
     * Texts to look for in place of one that is not found, the nearest first: the same, with one word in another spelling.
     *
     * @param query    the rows that there are before anything is sought
     * @param searched the fields in which the listing searches
     */
    public List<String> of(RowQuery query, List<FieldKey> searched, String text, Locale language) {
        List<String> words = Spelling.words(text);
        List<FieldKey> texts = searched.stream().filter(key -> query.table().fields().find(key).isPresent()).toList();
        if (texts.isEmpty() || words.size() > MOST_WORDS) {
            return List.of();
        }
        List<String> near = new ArrayList<>();
        for (String word : words) {
            if (word.length() >= Spelling.SHORTEST && near.size() < MOST_OFFERED) {
                near(query, texts, word, language).forEach(other -> near.add(text.replace(word, other)));
            }
        }
        return near.stream().limit(MOST_OFFERED).toList();
    }

    private List<String> near(RowQuery query, List<FieldKey> searched, String word, Locale language) {
        try {
            return Objects.requireNonNull(reading.execute(status -> read(query, searched, word, language)));
        } catch (RuntimeException failed) {
            if (!Canceled.is(failed)) {
                throw failed;
            }
            return List.of();
        }
    }

    private List<String> read(RowQuery query, List<FieldKey> searched, String word, Locale language) {
        sql.execute("set local statement_timeout = {0}", DSL.inline(LONGEST));
        sql.execute("set local pg_trgm.word_similarity_threshold = {0}", DSL.inline(String.valueOf(ALIKE)));
        TableSql table = TableSql.of(query, language);
        List<RowId> alike = table.nearly(word).map(nearly -> sql.select(table.rowId()).from(table.asTable())
                .where(nearly.and(table.conditionRowByRow(query.within()))).limit(ROWS).fetch(table.rowId())).orElse(List.of());
        if (alike.isEmpty()) {
            return List.of();
        }
        // what they say is read as the visitor may
        scope.enter(query.visitor(), query.standpoint());
        TableSql locked = TableSql.underLock(query, language);
        Picking picking = Picking.whole(locked, searched);
        List<String> texts = sql.select(picking.columns()).from(locked.asTable()).where(locked.rowId().in(alike)).fetch(picking::row).stream()
                .flatMap(row -> searched.stream().flatMap(key -> Optional.ofNullable(row.get(key)).stream())).map(NearWords::written).toList();
        return Spelling.near(word, texts, MOST_OFFERED);
    }

    private static String written(Value value) {
        return value instanceof Value.Referred referred ? referred.heading() : PlainForm.write(value);
    }
}
