package org.pressboard.connector;

import static java.nio.charset.StandardCharsets.US_ASCII;
import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.concurrent.Executors;
import org.apache.catalina.LifecycleException;
import org.apache.catalina.connector.Connector;
import org.apache.catalina.startup.Tomcat;
import org.apache.catalina.valves.ValveBase;
import org.apache.tomcat.util.net.AbstractEndpoint;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.pressboard.memory.Budget;
import org.pressboard.testing.Eventually;

/**
 * Many who begin and do not go on, from one address and from forty: what they hold stays within the budget, they are let go,
 * and others are answered meanwhile.
 */
class DoorTest {

    private static final long HEAP = 256L * 1024 * 1024;
    private static final int MOST_OF_ADDRESS = 60;

    @TempDir
    private java.nio.file.Path folder;

    private final Budget budget = new Budget(HEAP);
    private final Tomcat tomcat = new Tomcat();
    private final List<Socket> sockets = new ArrayList<>();
    private int port;

    @BeforeEach
    void start() throws LifecycleException {
        tomcat.setBaseDir(folder.toString());
        Door door = new Door(budget, MOST_OF_ADDRESS, Set.of(), (response, status) -> response.setStatus(status));
        Connector connector = new Connector(BoundedProtocol.class.getName());
        connector.setPort(0);
        connector.setProperty("address", "127.0.0.1");
        // as the application has it
        connector.getProtocolHandler().setExecutor(Executors.newVirtualThreadPerTaskExecutor());
        door.bound(connector);
        tomcat.setConnector(connector);
        tomcat.getEngine().getPipeline().addValve(door);
        tomcat.getEngine().getPipeline().addValve(new ValveBase(true) {
            @Override
            public void invoke(org.apache.catalina.connector.Request request, org.apache.catalina.connector.Response response)
                    throws IOException {
                String field = request.getParameter("field");
                response.getWriter().write("got " + (field == null ? "nothing" : field.length()));
                response.finishResponse();
            }
        });
        tomcat.addContext("", folder.toString());
        tomcat.start();
        port = connector.getLocalPort();
    }

    @AfterEach
    void stop() throws LifecycleException, IOException {
        for (Socket socket : sockets) {
            socket.close();
        }
        tomcat.stop();
        tomcat.destroy();
    }

    /** Every address of 127.0.0.0/8 is this machine's own. */
    private Socket connect(int from) throws IOException {
        Socket socket = new Socket();
        sockets.add(socket);
        socket.bind(new InetSocketAddress(InetAddress.getByName("127.0.1." + from), 0));
        socket.connect(new InetSocketAddress("127.0.0.1", port));
        return socket;
    }

    private void send(int from, String begun) throws IOException {
        Socket socket = connect(from);
        try {
            socket.getOutputStream().write(begun.getBytes(US_ASCII));
        } catch (IOException refused) {
            assertThat(refused).hasMessageMatching("(?i).*(broken pipe|reset|closed).*");
        }
    }

    private void assertOthersAreAnswered() throws Exception {
        try (HttpClient http = HttpClient.newHttpClient()) {
            HttpResponse<String> answer = http.send(HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + "/"))
                    .header("Content-Type", "application/x-www-form-urlencoded")
                    .POST(HttpRequest.BodyPublishers.ofString("field=" + "x".repeat(100_000))).build(),
                    HttpResponse.BodyHandlers.ofString());
            assertThat(answer.body()).isEqualTo("got 100000");
        }
    }

    private void assertWithinBudget() {
        for (Budget.Use use : Budget.Use.values()) {
            assertThat(budget.held(use)).as(use.name()).isLessThanOrEqualTo(budget.most(use));
        }
    }

    @Test
    void anAddressHasSoManyConnections() throws Exception {
        for (int i = 0; i < 4 * MOST_OF_ADDRESS; i++) {
            send(1, "GET / HTT");
        }
        Eventually.holds(() -> budget.held(Budget.Use.CONNECTIONS) >= MOST_OF_ADDRESS * 48L * 1024);
        assertThat(budget.held(Budget.Use.CONNECTIONS)).isLessThanOrEqualTo((MOST_OF_ADDRESS + 1) * 48L * 1024);
        assertOthersAreAnswered();
    }

    /** Whoever is refused is told at once, and leaves nothing behind: neither a connection nor a count of it. */
    @Test
    void whoeverIsNotLetInIsGone() throws Exception {
        for (int i = 0; i < MOST_OF_ADDRESS; i++) {
            connect(1);
        }
        Eventually.holds(() -> budget.held(Budget.Use.CONNECTIONS) >= MOST_OF_ADDRESS * 48L * 1024);
        for (int i = 0; i < 2 * MOST_OF_ADDRESS; i++) {
            Socket refused = connect(1);
            refused.setSoTimeout(20_000);
            assertThat(refused.getInputStream().read()).isEqualTo(-1);
        }
        assertThat(endpoint().getConnectionCount()).isLessThanOrEqualTo(MOST_OF_ADDRESS + 2L);
    }

    private AbstractEndpoint<?, ?> endpoint() {
        return ((BoundedProtocol) tomcat.getConnector().getProtocolHandler()).endpoint();
    }

    @Test
    void halfSentHeadersAreLetGoAsAWhole() throws Exception {
        for (int i = 0; i < 1_000; i++) {
            send(1 + i % 40, "GET / HTTP/1.1\r\nHost: a\r\nX-Slow: ");
        }
        assertWithinBudget();
        // crowded, they are let go sooner, however they go on
        Eventually.holds(() -> {
            for (Socket socket : sockets) {
                trickle(socket);
            }
            return budget.held(Budget.Use.CONNECTIONS) < budget.most(Budget.Use.CONNECTIONS) * 3 / 4;
        });
        assertOthersAreAnswered();
    }

    private static void trickle(Socket socket) {
        try {
            socket.getOutputStream().write('x');
        } catch (IOException letGo) {
            assertThat(socket.isConnected()).isTrue();
        }
    }

    /** What is announced holds nothing; what has come does, and is let go when it does not go on. */
    @Test
    void halfSentBodiesHoldWhatHasCome() throws Exception {
        for (int i = 0; i < 400; i++) {
            send(1 + i % 40, "POST / HTTP/1.1\r\nHost: a\r\nContent-Type: application/x-www-form-urlencoded\r\n"
                    + "Content-Length: 2000000\r\n\r\nfield=" + "x".repeat(10_000));
        }
        assertWithinBudget();
        assertThat(budget.held(Budget.Use.BODIES)).isLessThan(400L * 4 * 20_000);
        assertOthersAreAnswered();
    }

    @Test
    void bodiesOfOneAddressLeaveRoomForOthers() throws Exception {
        for (int i = 0; i < 40; i++) {
            send(1, "POST / HTTP/1.1\r\nHost: a\r\nContent-Type: application/x-www-form-urlencoded\r\n"
                    + "Content-Length: 2000000\r\n\r\nfield=" + "x".repeat(1_500_000));
        }
        assertThat(budget.held(Budget.Use.BODIES)).isLessThanOrEqualTo(budget.most(Budget.Use.BODIES) / 8);
        assertOthersAreAnswered();
        assertWithinBudget();
    }

    @Test
    void allIsGivenBackWhenTheyAreGone() throws Exception {
        for (int i = 0; i < 200; i++) {
            send(1 + i % 40, "POST / HTTP/1.1\r\nHost: a\r\nContent-Type: application/x-www-form-urlencoded\r\n"
                    + "Content-Length: 1000\r\n\r\nfield=");
        }
        for (Socket socket : sockets) {
            socket.close();
        }
        Eventually.holds(() -> budget.held(Budget.Use.CONNECTIONS) == 0 && budget.held(Budget.Use.REQUESTS) == 0
                && budget.held(Budget.Use.BODIES) == 0);
        assertOthersAreAnswered();
    }
}
