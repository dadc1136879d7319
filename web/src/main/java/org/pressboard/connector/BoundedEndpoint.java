package org.pressboard.connector;

import java.io.IOException;
import java.net.SocketAddress;
import java.nio.channels.SocketChannel;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.apache.tomcat.util.net.NioChannel;
import org.apache.tomcat.util.net.NioEndpoint;
import org.apache.tomcat.util.net.SocketWrapperBase;
import org.jspecify.annotations.Nullable;

/** The server's own, which asks {@link Connections} before it lets somebody in and tells it when they are gone. */
final class BoundedEndpoint extends NioEndpoint {

    private final Map<SocketChannel, SocketAddress> known = new ConcurrentHashMap<>();
    private @Nullable Connections bounds;
    private @Nullable ScheduledExecutorService sweeper;

    void bound(Connections by) {
        bounds = by;
    }

    @Override
    public void startInternal() throws Exception {
        super.startInternal();
        sweeper = Executors.newSingleThreadScheduledExecutor(Thread.ofPlatform().daemon().name("dawdlers").factory());
        sweeper.scheduleWithFixedDelay(this::sweep, 1, 1, TimeUnit.SECONDS);
    }

    @Override
    public void stopInternal() {
        if (sweeper != null) {
            sweeper.shutdownNow();
        }
        super.stopInternal();
    }

    private void sweep() {
        known.keySet().stream().filter(channel -> !channel.isOpen()).forEach(this::forget);
        if (bounds != null) {
            bounds.sweep();
        }
    }

    @Override
    protected boolean setSocketOptions(SocketChannel channel) {
        SocketAddress from = peer(channel);
        if (bounds != null && !bounds.enter(from, () -> close(channel))) {
            // the server closes only what it has begun to serve
            destroySocket(channel);
            return false;
        }
        if (from != null) {
            known.put(channel, from);
        }
        return super.setSocketOptions(channel);
    }

    private static @Nullable SocketAddress peer(SocketChannel channel) {
        try {
            return channel.getRemoteAddress();
        } catch (IOException gone) {
            return null;
        }
    }

    /** As the server itself closes one. */
    private void close(SocketChannel channel) {
        SocketWrapperBase<NioChannel> wrapper = connections.get(channel);
        if (wrapper != null) {
            wrapper.close();
        }
    }

    private void forget(SocketChannel channel) {
        SocketAddress from = known.remove(channel);
        if (from != null && bounds != null) {
            bounds.leave(from);
        }
    }
}
