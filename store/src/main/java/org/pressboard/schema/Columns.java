package org.pressboard.schema;

import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.table.Chosen;
import org.pressboard.table.Computed;
import org.pressboard.table.Field;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.stereotype.Component;

/** Makes the columns of a table say what its definition says. What goes waits in the bin. All within the caller's transaction. */
@Component
class Columns {

    private final HostedTables hosted;
    private final TallyUpkeep tallies;
    private final SearchTexts searching;
    private final Bin bin;
    private final Retyping retyping;

    Columns(HostedTables hosted, TallyUpkeep tallies, SearchTexts searching, Bin bin, Retyping retyping) {
        this.hosted = hosted;
        this.tallies = tallies;
        this.searching = searching;
        this.bin = bin;
        this.retyping = retyping;
    }

    /**
     * From what the table was to what it is.
     *
     * @param act       under which that happens
     * @param takenBack the act whose removed columns come back; {@code null}: none do
     * @return whether columns are gone, or of another kind
     */
    boolean follow(Tables tables, Table before, Table after, long act, @Nullable Long takenBack) {
        searching.pause(before);
        for (Field field : before.fields()) {
            Field now = after.fields().find(field.key()).orElse(null);
            if (now == null || !isSameColumn(field, now)) {
                takeAway(before, field, act);
            }
        }
        for (Field field : after.fields()) {
            Field was = before.fields().find(field.key()).orElse(null);
            if (was == null || !isSameColumn(was, field)) {
                bringIn(tables, after, field, was, act, takenBack);
            } else {
                adjust(after, was, field);
            }
        }
        hosted.describe(after);
        keepSearched(before, after, takenBack != null);
        return before.fields().stream().anyMatch(field -> hasOtherColumn(field, after));
    }

    /** Once it is defined so: what goes by the order of its options elsewhere. */
    void orderAnew(Tables tables, Table before, Table after) {
        if (hasOtherOrder(before, after)) {
            tallies.orderAnew(tables, tally -> ((Computed.Tally) Objects.requireNonNull(tally.by().computed())).table().equals(after.key()));
        }
    }

    /** Brings a whole table back from the bin. */
    void putBack(Table table) {
        hosted.putBack(table);
        searching.keep(table);
    }

    /** Works its tallies out, and keeps them from now on. */
    void workOut(Tables tables, Table table) {
        table.columns().stream().filter(field -> field.computed() instanceof Computed.Tally)
                .forEach(field -> tallies.begin(tables, table, field));
    }

    /** Whether the options of a choice stand otherwise. */
    private static boolean hasOtherOrder(Table before, Table after) {
        return after.fields().stream().anyMatch(field -> field.type() instanceof Chosen.Choice is && before.fields().find(field.key())
                .filter(was -> was.type() instanceof Chosen.Choice choice && !choice.options().equals(is.options())).isPresent());
    }

    /** Texts that are gone, or came with a field, change what is searched of the rows; a new, empty field does not. */
    private void keepSearched(Table before, Table after, boolean isTakenBack) {
        searching.keep(after);
        boolean isGone = before.searchable().stream().anyMatch(field -> hasOtherColumn(field, after));
        boolean hasCome = after.searchable().stream().anyMatch(field -> hasOtherColumn(field, before)
                && (isTakenBack || !field.isEntered() || before.fields().has(field.key())));
        if (isGone || hasCome) {
            searching.fill(after);
        }
    }

    private static boolean hasOtherColumn(Field field, Table in) {
        return in.fields().find(field.key()).filter(other -> isSameColumn(field, other)).isEmpty();
    }

    static boolean isSameColumn(Field one, Field other) {
        return one.isColumn() == other.isColumn() && Objects.equals(tally(one), tally(other))
                && (!one.isColumn() || (one.type().getClass() == other.type().getClass()
                && Retyping.target(one.type()).equals(Retyping.target(other.type()))));
    }

    private static @Nullable Computed tally(Field field) {
        return field.isColumn() && field.computed() instanceof Computed.Tally tally ? tally : null;
    }

    private void takeAway(Table table, Field field, long act) {
        if (tally(field) != null) {
            tallies.end(table, field);
            hosted.dropColumn(table, field);
        } else if (field.isEntered()) {
            bin.keep(table, field, act);
        }
    }

    private void bringIn(Tables tables, Table table, Field field, @Nullable Field was, long act,
            @Nullable Long takenBack) {
        if (tally(field) != null) {
            hosted.addColumn(table, field);
            tallies.begin(tables, table, field);
        } else if (field.isEntered()) {
            Bin.RemovedField kept = bin.fields(table.key()).stream().filter(removed -> Objects.equals(removed.act(), takenBack)
                    && removed.field().key().equals(field.key())).findFirst().orElse(null);
            if (kept != null) {
                bin.restore(table, kept);
            } else {
                hosted.addColumn(table, field);
                if (was != null && was.isEntered()) {
                    retyping.carryOver(tables, table, was, bin.find(table.key(), field.key()).orElseThrow(), field, act);
                }
            }
        }
    }

    private void adjust(Table table, Field was, Field is) {
        if (was.rules().unique() && !is.rules().unique()) {
            hosted.dropUnique(table, is);
        } else if (!was.rules().unique() && is.rules().unique()) {
            try {
                hosted.addUnique(table, is);
            } catch (DataIntegrityViolationException | org.jooq.exception.DataAccessException twice) {
                throw ProblemsFound.of("field.not-unique", is.label());
            }
        }
        if (is.isEntered() && !Retyping.onRemoval(was.type()).equals(Retyping.onRemoval(is.type()))) {
            hosted.rebindReference(table, is);
        }
    }
}
