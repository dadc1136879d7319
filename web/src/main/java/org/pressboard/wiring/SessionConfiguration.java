package org.pressboard.wiring;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import javax.sql.DataSource;
import org.pressboard.signin.KeptSignIns;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.web.servlet.FilterRegistrationBean;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Primary;
import org.springframework.jdbc.core.JdbcOperations;
import org.springframework.session.config.annotation.web.http.EnableSpringHttpSession;
import org.springframework.session.jdbc.JdbcIndexedSessionRepository;
import org.springframework.session.jdbc.PostgreSqlJdbcIndexedSessionRepositoryCustomizer;
import org.springframework.session.web.http.SessionRepositoryFilter;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.web.filter.OncePerRequestFilter;

/** How sessions are kept: in the database, as sparingly as can be. */
@Configuration(proxyBeanMethods = false)
@EnableSpringHttpSession
class SessionConfiguration {

    @Bean
    static SessionTransactions sessionTransactions(DataSource database, PlatformTransactionManager transactions) {
        TransactionTemplate apart = new TransactionTemplate(transactions);
        apart.setPropagationBehavior(TransactionDefinition.PROPAGATION_REQUIRES_NEW);
        return new SessionTransactions(database, apart);
    }

    @Bean
    static JdbcIndexedSessionRepository keptSessions(JdbcOperations database, SessionTransactions transactions,
            @Value("${spring.session.timeout}") Duration timeout, @Value("${spring.session.jdbc.table-name}") String table) {
        JdbcIndexedSessionRepository kept = new JdbcIndexedSessionRepository(database, transactions.operations());
        kept.setTableName(table);
        // two answers to one browser may both be the first to keep something in its session
        new PostgreSqlJdbcIndexedSessionRepositoryCustomizer().customize(kept);
        kept.setDefaultMaxInactiveInterval(timeout);
        kept.setIndexResolver(KeptSignIns::indexes);
        return kept;
    }

    @Bean
    @Primary
    static SparingSessions<?> sparingSessions(JdbcIndexedSessionRepository kept, SessionTransactions transactions) {
        return new SparingSessions<>(kept, transactions);
    }

    /** Before the filter that reads the session. */
    @Bean
    FilterRegistrationBean<OncePerRequestFilter> rememberedSessions(SparingSessions<?> sessions) {
        FilterRegistrationBean<OncePerRequestFilter> filter = new FilterRegistrationBean<>(new OncePerRequestFilter() {
            @Override
            protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
                    throws ServletException, IOException {
                sessions.<ServletException, IOException>remembering(() -> chain.doFilter(request, response));
            }
        });
        filter.setOrder(SessionRepositoryFilter.DEFAULT_ORDER - 1);
        return filter;
    }
}
