package org.pressboard.rows;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.math.BigDecimal;
import java.time.Duration;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Supplier;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.Record;
import org.jooq.Record2;
import org.jooq.Table;
import org.jooq.impl.DSL;
import org.jooq.impl.SQLDataType;
import org.pressboard.change.Revision;
import org.pressboard.listing.RowQuery;
import org.pressboard.listing.Distribution;
import org.pressboard.sql.Canceled;
import org.pressboard.sql.TableSql;
import org.pressboard.sql.ValueSql;
import org.pressboard.table.FieldType;
import org.pressboard.table.Temporal;
import org.pressboard.turn.Busy;
import org.pressboard.turn.Turns;
import org.pressboard.value.FieldKey;
import org.pressboard.value.PlainForm;
import org.pressboard.value.Value;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * How the rows that a query matches fall to the values of a field. Kept until the rows change; whoever shows rows does not
 * wait for it.
 */
@Component
public class FieldCounts {

    /** More different values are nobody's choice. */
    private static final int MOST_VALUES = 1_000;

    private static final int AT_ONCE = 2;
    private static final Duration LONGEST_WAIT = Duration.ofSeconds(2);
    private static final Duration LONGEST_COUNT = Duration.ofSeconds(3);

    /** The first of what is selected; grouped by itself it would be asked with other parameters. */
    private static final Field<Integer> FIRST = DSL.inline(1);

    private record Key(Revision revision, RowQuery query, FieldKey field, List<Value> among) {

        /** On what the answer depends. */
        private RowQuery asked() {
            return query.reading(List.of(field));
        }

        private Key at(Revision other) {
            return new Key(other, query, field, among);
        }
    }

    private final DSLContext sql;
    private final Revisions revisions;
    private final TransactionTemplate reading;
    private final Turns turns = new Turns(AT_ONCE);
    private final Cache<Key, Map<String, Long>> counted = Caffeine.newBuilder().maximumSize(5_000).build();
    private final Cache<Key, Optional<BigDecimal>> sums = Caffeine.newBuilder().maximumSize(5_000).build();
    private final Cache<Key, Distribution> distributions = Caffeine.newBuilder().maximumSize(1_000).build();

    FieldCounts(DSLContext sql, Revisions revisions, PlatformTransactionManager transactions) {
        this.sql = sql;
        this.revisions = revisions;
        this.reading = new TransactionTemplate(transactions);
        this.reading.setReadOnly(true);
    }

    /** How many rows have each value of the field, by its plain form, if that is known without counting. */
    public Optional<Map<String, Long>> knownByValue(RowQuery query, FieldKey field, List<Value> among) {
        return Optional.ofNullable(counted.getIfPresent(key(query, field, among)));
    }

    /**
     * How many rows have each value of the field, by its plain form; of several values, each.
     *
     * @param among the only values that are asked for; none: all there are
     * @throws Busy when that takes too long, or there is no turn to be had
     */
    public Map<String, Long> byValue(RowQuery query, FieldKey field, List<Value> among, Locale language) {
        return kept(counted, key(query, field, among), () -> {
            TableSql table = TableSql.of(query, language);
            boolean isSeveral = query.table().field(field).type().isSeveral();
            Field<?> value = isSeveral ? DSL.field(DSL.name("_each"), Object.class) : table.told(field);
            Table<?> rows = isSeveral ? DSL.table("{0} cross join lateral unnest({1}) _each", table.asTable(),
                    table.told(field)) : table.asTable();
            return counts(sql.select(value, DSL.count()).from(rows)
                    .where(table.condition(query.condition().and(among(field, among)))).and(value.isNotNull())
                    .groupBy(FIRST).orderBy(DSL.count().desc()).limit(MOST_VALUES).fetch());
        });
    }

    /** The condition that leaves those rows alone of which it is asked. */
    private static org.pressboard.condition.Condition among(FieldKey field, List<Value> among) {
        return among.isEmpty() ? org.pressboard.condition.Condition.ALWAYS
                : org.pressboard.condition.Condition.oneOf(field, among);
    }

    /** How many rows begin with each letter, folded, if that is known without counting. */
    public Optional<Map<String, Long>> knownByLetter(RowQuery query, FieldKey field) {
        return knownByValue(query, field, List.of());
    }

    /**
     * How many rows begin with each letter, folded, in the field.
     *
     * @throws Busy when that takes too long, or there is no turn to be had
     */
    public Map<String, Long> byLetter(RowQuery query, FieldKey field, Locale language) {
        return kept(counted, key(query, field, List.of()), () -> {
            TableSql table = TableSql.of(query, language);
            Field<String> letter = DSL.left(table.folded(field), 1);
            return counts(sql.select(letter, DSL.count()).from(table.asTable()).where(table.condition(query.condition()))
                    .and(letter.isNotNull()).groupBy(FIRST).orderBy(FIRST).limit(MOST_VALUES).fetch());
        });
    }

    private static <T> Map<String, Long> counts(List<? extends Record2<T, Integer>> found) {
        Map<String, Long> counts = new LinkedHashMap<>();
        found.forEach(each -> counts.put(PlainForm.write(Objects.requireNonNull(ValueSql.fromColumn(each.value1()))),
                each.value2().longValue()));
        return counts;
    }

    /** How the values of a field of numbers or days are distributed, if that is known without counting. */
    public Optional<Distribution> knownDistribution(RowQuery query, FieldKey field) {
        return Optional.ofNullable(distributions.getIfPresent(key(query, field, List.of())));
    }

    /**
     * How the values of a field of numbers or days are distributed.
     *
     * @throws Busy when that takes too long, or there is no turn to be had
     */
    public Distribution distribution(RowQuery query, FieldKey field, Locale language) {
        return kept(distributions, key(query, field, List.of()), () -> {
            TableSql table = TableSql.of(query, language);
            Field<?> value = byDay(table.told(field), query.table().field(field).type());
            org.jooq.Condition matching = table.condition(query.condition());
            Record ends = sql.select(DSL.min(value), DSL.max(value)).from(table.asTable()).where(matching).fetchSingle();
            Value least = ValueSql.fromColumn(ends.get(0));
            Value greatest = ValueSql.fromColumn(ends.get(1));
            return least == null || greatest == null ? Distribution.NONE
                    : distribution(table, value, matching, Distribution.edges(least, greatest));
        });
    }

    private static Field<?> byDay(Field<?> value, FieldType type) {
        return type instanceof Temporal.DateTime ? value.cast(SQLDataType.LOCALDATE) : value;
    }

    /** What the numbers of a field come to, if that is known without adding them up; nothing where no row has one. */
    public Optional<Optional<BigDecimal>> knownSum(RowQuery query, FieldKey field) {
        return Optional.ofNullable(sums.getIfPresent(key(query, field, List.of())));
    }

    /**
     * What the numbers of a field come to; empty where no row has one.
     *
     * @throws Busy when that takes too long, or there is no turn to be had
     */
    public Optional<BigDecimal> sum(RowQuery query, FieldKey field, Locale language) {
        return kept(sums, key(query, field, List.of()), () -> {
            TableSql table = TableSql.of(query, language);
            return Optional.ofNullable(sql.select(DSL.sum(table.told(field).coerce(SQLDataType.NUMERIC)))
                    .from(table.asTable())
                    .where(table.condition(query.condition())).fetchOne(0, BigDecimal.class));
        });
    }

    private Distribution distribution(TableSql table, Field<?> value, org.jooq.Condition matching, List<Value> edges) {
        Field<Integer> stretch = DSL.field("width_bucket({0}, array[{1}])", Integer.class, value,
                DSL.list(edges.stream().map(ValueSql::bound).toArray(Field<?>[]::new)));
        Map<Integer, Long> rows = new HashMap<>();
        sql.select(stretch, DSL.count()).from(table.asTable()).where(matching).and(value.isNotNull()).groupBy(FIRST)
                .forEach(found -> rows.put(found.value1(), found.value2().longValue()));
        return Distribution.of(edges, rows);
    }

    private <T> T kept(Cache<Key, T> cache, Key key, Supplier<T> count) {
        T known = cache.getIfPresent(key);
        return known != null ? known : turns.take(LONGEST_WAIT, () -> Objects.requireNonNull(reading.execute(status -> {
            Key seen = key.at(revisions.seen(key.asked()));
            T counted = bounded(count);
            cache.put(seen, counted);
            return counted;
        })));
    }

    private <T> T bounded(Supplier<T> count) {
        try {
            sql.execute("set local statement_timeout = {0}", DSL.inline(LONGEST_COUNT.toMillis()));
            return count.get();
        } catch (RuntimeException failed) {
            if (Canceled.is(failed)) {
                throw new Busy(LONGEST_WAIT);
            }
            throw failed;
        }
    }

    /** What is shown, in which order and how much of it, is all the same. */
    private Key key(RowQuery query, FieldKey field, List<Value> among) {
        RowQuery plain = new RowQuery(query.sight(), query.visitor(), query.standpoint(), query.within(), query.sought(),
                List.of(), 1, 1, List.of());
        return new Key(revisions.of(plain.reading(List.of(field))), plain, field, among);
    }
}
