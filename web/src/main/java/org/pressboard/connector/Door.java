package org.pressboard.connector;

import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicLong;
import org.apache.catalina.connector.Connector;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.ValveBase;
import org.apache.coyote.ActionCode;
import org.jspecify.annotations.Nullable;
import org.pressboard.memory.Budget;
import org.pressboard.network.Networks;

/**
 * What every request passes first: it draws what it takes to be served, and the body of a form is read here, as slowly as it
 * may come and as far as there is memory for it. Before any filter, and before the addresses that proxies tell.
 */
public final class Door extends ValveBase {

    /** What it takes to serve one: its buffers and its thread. */
    private static final long BYTES = 32 * 1024;

    /** The largest form; what announces more is refused further in, without being read. */
    public static final long MOST_BYTES_OF_A_FORM = 2L * 1024 * 1024;

    /** Of all that may be held of bodies, one address may have this part. */
    private static final int PARTS = 8;

    private final Budget budget;
    private final Connections connections;
    private final Refusing refusing;
    private final Map<String, AtomicLong> bodies = new ConcurrentHashMap<>();

    /** Says to whoever sent it why nothing came of it. */
    public interface Refusing {

        void write(HttpServletResponse response, int status) throws IOException;
    }

    /**
     * @param mostOfAddress how many connections one address may have open
     * @param proxies       the addresses of those that come for many
     */
    public Door(Budget budget, int mostOfAddress, Set<String> proxies, Refusing refusing) {
        super(true);
        this.budget = budget;
        this.connections = new Connections(budget, mostOfAddress, proxies);
        this.refusing = refusing;
    }

    /** Bounds a connector of {@link BoundedProtocol} by it. */
    public void bound(Connector connector) {
        ((BoundedProtocol) connector.getProtocolHandler()).bound(connections);
    }

    @Override
    public void invoke(Request request, Response response) throws IOException, ServletException {
        Peer peer = connections.find(request.getRemoteAddr(), request.getRemotePort());
        if (peer != null) {
            peer.begin(request.getCoyoteRequest());
        }
        try (Budget.Held held = budget.take(Budget.Use.REQUESTS, BYTES).orElse(null)) {
            if (held == null) {
                refuse(response, HttpServletResponse.SC_SERVICE_UNAVAILABLE);
            } else if (isForm(request)) {
                serveForm(request, response);
            } else {
                getNext().invoke(request, response);
            }
        } finally {
            if (peer != null) {
                peer.end();
            }
        }
    }

    private static boolean isForm(Request request) {
        String type = String.valueOf(request.getContentType()).toLowerCase(Locale.ROOT);
        long length = request.getContentLengthLong();
        return "POST".equals(request.getMethod()) && type.startsWith("application/x-www-form-urlencoded")
                && length > 0 && length <= MOST_BYTES_OF_A_FORM;
    }

    private void serveForm(Request request, Response response) throws IOException, ServletException {
        String from = connections.isProxy(request.getRemoteAddr()) ? null : Networks.subscriber(request.getRemoteAddr());
        try (OfAddress all = new OfAddress(from, budget.take(Budget.Use.BODIES, 0).orElseThrow())) {
            switch (FormBody.read(request.getCoyoteRequest(), all::grow)) {
                case WHOLE -> getNext().invoke(request, response);
                case TOO_SLOW -> refuse(response, HttpServletResponse.SC_REQUEST_TIMEOUT);
                case NO_MEMORY -> refuse(response, HttpServletResponse.SC_SERVICE_UNAVAILABLE);
            }
        }
    }

    /** What is still to come of the request is not waited for. */
    private void refuse(Response response, int status) throws IOException {
        response.getCoyoteResponse().action(ActionCode.DISABLE_SWALLOW_INPUT, null);
        response.setHeader("Connection", "close");
        response.setHeader("Retry-After", "5");
        refusing.write(response.getResponse(), status);
    }

    /** What is held of one body, of all and of its address; of a proxy, which comes for many, of all only. */
    private final class OfAddress implements AutoCloseable {

        private final @Nullable String address;
        private final Budget.Held held;
        private long bytes;

        private OfAddress(@Nullable String address, Budget.Held held) {
            this.address = address;
            this.held = held;
        }

        private boolean grow(long more) {
            if (address != null && counted(more) > budget.most(Budget.Use.BODIES) / PARTS) {
                return false;
            }
            return held.grow(more);
        }

        private long counted(long more) {
            bytes += more;
            return bodies.computeIfAbsent(String.valueOf(address), none -> new AtomicLong()).addAndGet(more);
        }

        @Override
        public void close() {
            held.close();
            if (address != null) {
                bodies.computeIfPresent(address, (same, count) -> count.addAndGet(-bytes) <= 0 ? null : count);
            }
        }
    }
}
