package org.pressboard.change;

import jakarta.persistence.EntityManager;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiConsumer;
import org.jooq.DSLContext;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/** Has the database number what a transaction has changed, at its end, where somebody wants to know the numbers at once. */
@Component
class Numbering {

    private final EntityManager entities;
    private final DSLContext sql;

    Numbering(EntityManager entities, DSLContext sql) {
        this.entities = entities;
        this.sql = sql;
    }

    /** @param told of what was changed, once the transaction has committed; once, however often that is asked for */
    void atEnd(BiConsumer<String, Revision> told) {
        if (end().isEmpty()) {
            TransactionSynchronizationManager.registerSynchronization(new End(told));
        }
    }

    private static Optional<End> end() {
        return TransactionSynchronizationManager.getSynchronizations().stream().filter(End.class::isInstance).map(End.class::cast)
                .findFirst();
    }

    /**
     * Has what would be checked at the transaction's end checked now. What it has changed is numbered before that: the trigger
     * that would number it is among what is checked, and tells nobody here.
     */
    void check() {
        end().ifPresent(End::number);
        sql.execute("set constraints all immediate");
        sql.execute("set constraints all deferred");
    }

    private final class End implements TransactionSynchronization {

        private final BiConsumer<String, Revision> told;
        private final Map<String, Revision> numbered = new HashMap<>();

        private End(BiConsumer<String, Revision> told) {
            this.told = told;
        }

        /** Behind all else that is done before. */
        @Override
        public int getOrder() {
            return LOWEST_PRECEDENCE;
        }

        @Override
        public void beforeCommit(boolean readOnly) {
            number();
        }

        private void number() {
            entities.flush();
            // what a visitor changed is not theirs to number
            sql.fetchMany("select set_config('role', 'none', true); select what, number, lost from pressboard.number_changes()").getLast()
                    .forEach(found -> numbered.put(found.get(0, String.class),
                            new Revision(found.get(1, Long.class), found.get(2, Long.class))));
        }

        @Override
        public void afterCommit() {
            numbered.forEach(told);
        }
    }
}
