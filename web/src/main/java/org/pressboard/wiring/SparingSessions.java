package org.pressboard.wiring;

import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.session.Session;
import org.springframework.session.SessionRepository;

/**
 * Sessions that are read once in a request and written only where something has changed; that somebody is still there is
 * noted once a minute. With each of their requests, each would wait for the disk, and those of one person for each other.
 *
 * @param <S> as they are kept
 */
final class SparingSessions<S extends Session> implements SessionRepository<SparingSessions.Spared<S>> {

    private static final Duration NOTED_EVERY = Duration.ofMinutes(1);

    private final SessionRepository<S> kept;
    private final SessionTransactions transactions;
    private final ThreadLocal<Map<String, Spared<S>>> read = new ThreadLocal<>();

    SparingSessions(SessionRepository<S> kept, SessionTransactions transactions) {
        this.kept = kept;
        this.transactions = transactions;
    }

    /** What is done within one request. */
    interface Work<E extends Exception, F extends Exception> {

        void run() throws E, F;
    }

    /** Has sessions remembered as long as that is done. */
    <E extends Exception, F extends Exception> void remembering(Work<E, F> work) throws E, F {
        read.set(new HashMap<>());
        try {
            work.run();
        } finally {
            read.remove();
        }
    }

    @Override
    public Spared<S> createSession() {
        return new Spared<>(kept.createSession(), true);
    }

    @Override
    public void save(Spared<S> session) {
        if (session.isChanged) {
            kept.save(session.session);
            session.isChanged = false;
        }
        Map<String, Spared<S>> remembered = read.get();
        if (remembered != null) {
            remembered.put(session.getId(), session);
        }
    }

    @Override
    public @Nullable Spared<S> findById(String id) {
        Map<String, Spared<S>> remembered = read.get();
        Spared<S> known = remembered == null ? null : remembered.get(id);
        if (known != null) {
            return known;
        }
        S found = transactions.reading(() -> kept.findById(id));
        if (found == null) {
            return null;
        }
        Spared<S> session = new Spared<>(found, false);
        if (remembered != null) {
            remembered.put(id, session);
        }
        return session;
    }

    @Override
    public void deleteById(String id) {
        kept.deleteById(id);
        Map<String, Spared<S>> remembered = read.get();
        if (remembered != null) {
            remembered.remove(id);
        }
    }

    /** A session that knows whether it is to be written. */
    static final class Spared<S extends Session> implements Session {

        private final S session;
        private boolean isChanged;

        private Spared(S session, boolean isNew) {
            this.session = session;
            this.isChanged = isNew;
        }

        @Override
        public String getId() {
            return session.getId();
        }

        @Override
        public String changeSessionId() {
            isChanged = true;
            return session.changeSessionId();
        }

        @Override
        public <T> @Nullable T getAttribute(String name) {
            return session.getAttribute(name);
        }

        @Override
        public Set<String> getAttributeNames() {
            return session.getAttributeNames();
        }

        @Override
        public void setAttribute(String name, @Nullable Object value) {
            isChanged = true;
            if (value == null) {
                session.removeAttribute(name);
            } else {
                session.setAttribute(name, value);
            }
        }

        @Override
        public void removeAttribute(String name) {
            if (session.getAttribute(name) != null) {
                isChanged = true;
                session.removeAttribute(name);
            }
        }

        @Override
        public Instant getCreationTime() {
            return session.getCreationTime();
        }

        @Override
        public void setLastAccessedTime(Instant time) {
            if (isChanged || Duration.between(session.getLastAccessedTime(), time).compareTo(NOTED_EVERY) >= 0) {
                isChanged = true;
                session.setLastAccessedTime(time);
            }
        }

        @Override
        public Instant getLastAccessedTime() {
            return session.getLastAccessedTime();
        }

        @Override
        public void setMaxInactiveInterval(Duration interval) {
            if (!interval.equals(session.getMaxInactiveInterval())) {
                isChanged = true;
                session.setMaxInactiveInterval(interval);
            }
        }

        @Override
        public Duration getMaxInactiveInterval() {
            return session.getMaxInactiveInterval();
        }

        @Override
        public boolean isExpired() {
            return session.isExpired();
        }
    }
}
