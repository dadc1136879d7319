package org.pressboard.site;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;

/** Stands between the application and its database and can be cut, as if the database had gone away. */
public final class Relay {

    private final int target;
    private final ServerSocket server;
    private final Set<Socket> open = ConcurrentHashMap.newKeySet();
    private volatile boolean cut;

    public Relay(int target) {
        this.target = target;
        try {
            this.server = new ServerSocket(0, 50, InetAddress.getLoopbackAddress());
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
        Thread.ofVirtual().start(this::accept);
    }

    public int port() {
        return server.getLocalPort();
    }

    public void cut() {
        cut = true;
        open.forEach(Relay::close);
    }

    public void mend() {
        cut = false;
    }

    private void accept() {
        while (!server.isClosed()) {
            try {
                Socket near = server.accept();
                if (cut) {
                    close(near);
                } else {
                    join(near, new Socket(InetAddress.getLoopbackAddress(), target));
                }
            } catch (IOException failed) {
                throw new UncheckedIOException(failed);
            }
        }
    }

    private void join(Socket near, Socket far) throws IOException {
        near.setTcpNoDelay(true);
        far.setTcpNoDelay(true);
        open.add(near);
        open.add(far);
        if (cut) { // while it was being joined
            close(near);
            close(far);
        }
        Thread.ofVirtual().start(() -> copy(near, far));
        Thread.ofVirtual().start(() -> copy(far, near));
    }

    private void copy(Socket from, Socket to) {
        try (InputStream in = from.getInputStream(); OutputStream out = to.getOutputStream()) {
            in.transferTo(out);
        } catch (IOException closed) {
            close(from);
        } finally {
            close(to);
            open.remove(from);
        }
    }

    private static void close(Socket socket) {
        try {
            socket.close();
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }
}
