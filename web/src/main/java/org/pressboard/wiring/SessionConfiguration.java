package org.pressboard.wiring;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.session.config.SessionRepositoryCustomizer;
import org.springframework.session.jdbc.JdbcIndexedSessionRepository;

/** How sessions are kept. */
@Configuration(proxyBeanMethods = false)
class SessionConfiguration {

    /**
     * That somebody is still there is noted once a minute: with each of their requests, each would wait for the disk, and
     * those of one person for each other.
     */
    private static final String UPDATE = """
            update %TABLE_NAME% s set session_id = n.session_id, last_access_time = n.last_access_time,
                max_inactive_interval = n.max_inactive_interval, expiry_time = n.expiry_time, principal_name = n.principal_name
            from (values (?::text, ?::bigint, ?::integer, ?::bigint, ?::text, ?::text)) n (session_id, last_access_time,
                max_inactive_interval, expiry_time, principal_name, primary_id)
            where s.primary_id = n.primary_id and (n.last_access_time - s.last_access_time >= 60000
                or (s.session_id, s.max_inactive_interval, s.principal_name)
                    is distinct from (n.session_id, n.max_inactive_interval, n.principal_name))""";

    @Bean
    SessionRepositoryCustomizer<JdbcIndexedSessionRepository> notedByTheMinute() {
        return sessions -> sessions.setUpdateSessionQuery(UPDATE);
    }
}
