package org.pressboard.connector;

import java.net.InetSocketAddress;
import java.net.SocketAddress;
import java.time.Duration;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicInteger;
import org.jspecify.annotations.Nullable;
import org.pressboard.memory.Budget;
import org.pressboard.network.Networks;

/**
 * The connections that are open: as many as there is memory for, and so many of one address. Whoever takes too long to say
 * what they want is let go, whatever trickles in: the time is that of the whole, not from byte to byte.
 */
final class Connections {

    /** With its buffers, measured after a collection. */
    private static final long BYTES = 48 * 1024;

    /** For a header as a whole, and between two requests; where there is hardly room for others, less. */
    private static final Duration QUIET = Duration.ofSeconds(20);
    private static final Duration QUIET_WHEN_CROWDED = Duration.ofSeconds(3);

    private final Budget budget;
    private final int mostOfAddress;
    private final Set<String> proxies;
    private final Map<String, Peer> peers = new ConcurrentHashMap<>();
    private final Map<String, AtomicInteger> byAddress = new ConcurrentHashMap<>();

    /** @param proxies the addresses of those that come for many */
    Connections(Budget budget, int mostOfAddress, Set<String> proxies) {
        this.budget = budget;
        this.mostOfAddress = mostOfAddress;
        this.proxies = Set.copyOf(proxies);
    }

    /** Whether whoever comes from there is let in; they are until {@link #leave}. */
    boolean enter(@Nullable SocketAddress from, Runnable closing) {
        if (!(from instanceof InetSocketAddress peer)) {
            return false;
        }
        String host = peer.getAddress().getHostAddress();
        String address = Networks.subscriber(host);
        int ofAddress = byAddress.computeIfAbsent(address, none -> new AtomicInteger()).incrementAndGet();
        Optional<Budget.Held> held = ofAddress > mostOfAddress && !isProxy(host) ? Optional.empty()
                : budget.take(Budget.Use.CONNECTIONS, BYTES);
        if (held.isEmpty()) {
            forget(address);
            return false;
        }
        Peer before = peers.put(name(host, peer.getPort()), new Peer(address, held.get(), closing));
        if (before != null) {
            drop(before);
        }
        return true;
    }

    /** Whoever was let in from there is gone; nothing where nobody was. */
    void leave(@Nullable SocketAddress from) {
        if (from instanceof InetSocketAddress peer) {
            Peer gone = peers.remove(name(peer.getAddress().getHostAddress(), peer.getPort()));
            if (gone != null) {
                drop(gone);
            }
        }
    }

    private void drop(Peer gone) {
        gone.giveBack();
        forget(gone.address());
    }

    private void forget(String address) {
        byAddress.computeIfPresent(address, (same, count) -> count.decrementAndGet() <= 0 ? null : count);
    }

    @Nullable Peer find(String address, int port) {
        return peers.get(name(address, port));
    }

    boolean isProxy(String address) {
        return proxies.contains(address);
    }

    int count() {
        return peers.size();
    }

    private static String name(String address, int port) {
        return address + " " + port;
    }

    /** Lets those go who take too long. */
    void sweep() {
        boolean isCrowded = budget.held(Budget.Use.CONNECTIONS) > budget.most(Budget.Use.CONNECTIONS) * 3 / 4;
        long quiet = (isCrowded ? QUIET_WHEN_CROWDED : QUIET).toNanos();
        long now = System.nanoTime();
        peers.values().stream().filter(peer -> peer.dawdles(now, quiet)).forEach(Peer::close);
    }
}
