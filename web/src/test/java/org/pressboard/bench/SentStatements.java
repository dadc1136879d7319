package org.pressboard.bench;

import java.util.ArrayList;
import java.util.List;
import org.jooq.ExecuteContext;
import org.jooq.ExecuteListener;
import org.jooq.impl.DefaultExecuteListenerProvider;
import org.jspecify.annotations.Nullable;
import org.springframework.context.annotation.Bean;

/** Notes the statements that the store sends on this thread, for the reference to send them too. */
final class SentStatements implements ExecuteListener {

    private static final long serialVersionUID = 1;
    private static final ThreadLocal<@Nullable List<Statement>> NOTED = new ThreadLocal<>();

    /** A statement as it was prepared, and what was bound to it. */
    record Statement(String sql, List<@Nullable Object> values) {
    }

    static void start() {
        NOTED.set(new ArrayList<>());
    }

    static List<Statement> stop() {
        List<Statement> all = NOTED.get();
        NOTED.remove();
        return all == null ? List.of() : all;
    }

    @Override
    public void executeStart(ExecuteContext context) {
        List<Statement> noting = NOTED.get();
        if (noting != null && context.query() != null && context.sql() != null) {
            noting.add(new Statement(context.sql(), context.query().getBindValues()));
        }
    }

    static class Wiring {

        @Bean
        DefaultExecuteListenerProvider sentStatements() {
            return new DefaultExecuteListenerProvider(new SentStatements());
        }
    }
}
