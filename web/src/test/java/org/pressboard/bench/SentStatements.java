package org.pressboard.bench;

import java.util.ArrayList;
import java.util.List;
import org.jooq.ExecuteContext;
import org.jooq.ExecuteListener;
import org.jooq.impl.DefaultExecuteListenerProvider;
import org.springframework.context.annotation.Bean;

/** Notes the statements that the store sends, for the reference to send them too. */
final class SentStatements implements ExecuteListener {

    private static final long serialVersionUID = 1;
    private static volatile List<String> noted;

    static void start() {
        noted = new ArrayList<>();
    }

    static List<String> stop() {
        List<String> all = noted;
        noted = null;
        return all;
    }

    @Override
    public void executeStart(ExecuteContext context) {
        List<String> noting = noted;
        if (noting != null && context.query() != null) {
            noting.add(context.dsl().renderInlined(context.query()));
        }
    }

    static class Wiring {

        @Bean
        DefaultExecuteListenerProvider sentStatements() {
            return new DefaultExecuteListenerProvider(new SentStatements());
        }
    }
}
