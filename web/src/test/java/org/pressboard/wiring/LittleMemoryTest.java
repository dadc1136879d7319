package org.pressboard.wiring;

import static java.nio.charset.StandardCharsets.ISO_8859_1;
import static java.nio.charset.StandardCharsets.US_ASCII;
import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.CookieManager;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.net.SocketTimeoutException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.function.IntFunction;
import java.util.stream.IntStream;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.pressboard.catalog.Digests;
import org.pressboard.site.HiddenInput;
import org.pressboard.testing.Eventually;
import org.pressboard.testing.TestDatabase;

/**
 * A process with as little memory as an owner gives it, and a crowd of forty addresses that spends each kind of memory to its
 * end: it goes on, in the same process, and others are answered.
 */
class LittleMemoryTest {

    private static final int ADDRESSES = 40;

    /** Whoever is let in may wait for longer; nobody is kept waiting to be refused. */
    private static final int LONGEST_MILLIS = 3_000;
    private static final String WAITING = "waiting";
    private static final TestDatabase DATABASE = TestDatabase.create();

    @TempDir
    private Path folder;

    private final List<Socket> sockets = Collections.synchronizedList(new ArrayList<>());
    private final ExecutorService threads = Executors.newVirtualThreadPerTaskExecutor();
    private final HttpClient others = HttpClient.newBuilder().version(HttpClient.Version.HTTP_1_1).build();
    private Process process;
    private int port;
    private String content = "";

    @AfterEach
    void end() throws Exception {
        letGo();
        threads.shutdownNow();
        others.close();
        process.destroyForcibly().waitFor();
    }

    private void start(int megabytes) throws Exception {
        try (ServerSocket free = new ServerSocket(0)) {
            port = free.getLocalPort();
        }
        List<String> command = List.of(Path.of(System.getProperty("java.home"), "bin", "java").toString(), "-Xmx" + megabytes + "m",
                "-XX:+ExitOnOutOfMemoryError", "-XX:TieredStopAtLevel=1", "-cp", System.getProperty("java.class.path"),
                SmallSite.class.getName(),
                "--pressboard.shortest-filling=0s", "--server.port=" + port, "--pressboard.scratch=" + folder.resolve("scratch"));
        ProcessBuilder builder = new ProcessBuilder(command).redirectErrorStream(true).redirectOutput(folder.resolve("log").toFile());
        DATABASE.properties().forEach((name, value) -> builder.environment().put(name, value.toString()));
        process = builder.start();
        Eventually.holds(Duration.ofSeconds(120), () -> !process.isAlive() || isAnswered());
        assertThat(process.isAlive()).as(this::log).isTrue();
    }

    private String log() {
        try {
            return Files.readString(folder.resolve("log"));
        } catch (IOException failed) {
            return failed.toString();
        }
    }

    private boolean isAnswered() {
        try {
            return others.send(HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + "/sightings?q=Sighting+1234"))
                    .timeout(Duration.ofSeconds(10)).build(), HttpResponse.BodyHandlers.ofString()).body().contains("Sighting 1234");
        } catch (IOException notYet) {
            return false;
        } catch (InterruptedException stop) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(stop);
        }
    }

    @ParameterizedTest
    @ValueSource(ints = {512, 256})
    void whateverIsSpentToItsEndItGoesOn(int megabytes) throws Exception {
        start(megabytes);
        Drawn tell = drawn();
        Map<String, Harm> spent = new LinkedHashMap<>();
        spent.put("connections", () -> assertRefused(connections()));
        spent.put("bodies", () -> assertRefused(bodies()));
        spent.put("take-aways", () -> assertRefused(takeAways()));
        spent.put("listeners", () -> {
            assertRefused(listeners());
            // those told that their page does not follow are let go first: they hold connections
            assertAnswered("while pages listen");
            assertThat(files(tell)).as("told of drawings, pictures taken").containsKeys(200, 302);
        });
        spent.put("answers", this::answers);
        spent.put("pictures", () -> assertThat(assertRefused(pictures())).containsKey("200"));
        for (Map.Entry<String, Harm> each : spent.entrySet()) {
            each.getValue().done();
            assertGoesOn(each.getKey());
        }
        allAtOnce(tell);
        assertGoesOn("all at once");
    }

    private void allAtOnce(Drawn tell) throws Exception {
        List<CompletableFuture<Void>> all = new ArrayList<>();
        for (Harm harm : List.<Harm>of(this::listeners, this::takeAways, this::bodies, this::answers, () -> files(tell),
                this::connections)) {
            all.add(CompletableFuture.runAsync(() -> {
                try {
                    harm.done();
                } catch (Exception failed) {
                    throw new IllegalStateException(failed);
                }
            }, threads));
        }
        for (CompletableFuture<Void> each : all) {
            each.get();
        }
    }

    private interface Harm {

        void done() throws Exception;
    }

    /** To its end: some were not let in, or told to come back. */
    private static Map<String, Long> assertRefused(Map<String, Long> answers) {
        assertThat(answers.keySet()).containsAnyOf("", "204", "503");
        assertThat(answers.keySet()).isSubsetOf("", "200", "204", "429", "503", WAITING);
        return answers;
    }

    /** While whatever was begun is still held, and when it has been let go. */
    private void assertGoesOn(String after) {
        assertAnswered(after);
        letGo();
        assertAnswered(after);
    }

    private void assertAnswered(String after) {
        Eventually.holds(Duration.ofSeconds(60), () -> !process.isAlive() || isAnswered());
        assertThat(process.isAlive()).as(() -> after + " " + log()).isTrue();
    }

    private void letGo() {
        synchronized (sockets) {
            sockets.forEach(LittleMemoryTest::close);
            sockets.clear();
        }
    }

    private static void close(Socket socket) {
        try {
            socket.close();
        } catch (IOException gone) {
            assertThat(socket.isConnected()).isTrue();
        }
    }

    private Map<String, Long> connections() throws Exception {
        return eachSends(45, number -> "GET /sightings HTTP/1.1\r\nHost: a\r\nX-Slow: ".getBytes(US_ASCII));
    }

    private Map<String, Long> bodies() throws Exception {
        byte[] body = ("POST /sign-in HTTP/1.1\r\nHost: a\r\nContent-Type: application/x-www-form-urlencoded\r\n"
                + "Content-Length: 2000000\r\n\r\nfield=" + "x".repeat(1_900_000)).getBytes(US_ASCII);
        return eachSends(5, number -> body);
    }

    private Map<String, Long> takeAways() throws Exception {
        return eachSends(5, number -> ("GET /listings/sightings/rows." + (number % 2 == 0 ? "csv" : "json")
                + " HTTP/1.1\r\nHost: a\r\n\r\n").getBytes(US_ASCII));
    }

    private Map<String, Long> listeners() throws Exception {
        return eachSends(45, number -> ("GET /listings/live.events?listing=sightings HTTP/1.1\r\nHost: a\r\n\r\n").getBytes(US_ASCII));
    }

    private Map<String, Long> answers() throws Exception {
        return eachSends(10, number -> ("GET /sightings?page=" + (number + 1) + " HTTP/1.1\r\nHost: a\r\n\r\n").getBytes(US_ASCII));
    }

    /** The largest that came in, read no further than its first line. */
    private Map<String, Long> pictures() throws Exception {
        return eachSends(45, number -> ("GET /files/sightings/" + content + "/picture HTTP/1.1\r\nHost: a\r\n\r\n").getBytes(US_ASCII));
    }

    /** So many of each address send, and read how they are answered, if they are; how many got which answer. */
    private Map<String, Long> eachSends(int ofAddress, IntFunction<byte[]> bytes) throws Exception {
        List<Future<String>> answers = new ArrayList<>();
        for (int i = 0; i < ofAddress * ADDRESSES; i++) {
            int number = i;
            answers.add(threads.submit(() -> send(number % ADDRESSES, bytes.apply(number))));
        }
        Map<String, Long> counted = new TreeMap<>();
        for (Future<String> answer : answers) {
            counted.merge(answer.get(), 1L, Long::sum);
        }
        return counted;
    }

    /** What is answered: the status; nothing where the connection was ended. Every address of 127.0.0.0/8 is this machine's own. */
    private String send(int from, byte[] bytes) {
        try {
            Socket socket = new Socket();
            sockets.add(socket);
            socket.setSoTimeout(LONGEST_MILLIS);
            socket.bind(new InetSocketAddress(InetAddress.getByName("127.0.1." + (1 + from)), 0));
            socket.connect(new InetSocketAddress("127.0.0.1", port), 5_000);
            socket.getOutputStream().write(bytes);
            return new String(socket.getInputStream().readNBytes("HTTP/1.1 200".length()), US_ASCII).replace("HTTP/1.1 ", "");
        } catch (SocketTimeoutException waiting) {
            return WAITING;
        } catch (IOException refused) {
            assertThat(refused).hasMessageMatching("(?i).*(broken pipe|reset|closed|aborted).*");
            return "";
        }
    }

    /** What somebody has who has opened the page with the form. */
    private record Drawn(HttpClient http, String csrf, String begun) { }

    private Drawn drawn() throws Exception {
        HttpClient http = HttpClient.newBuilder().version(HttpClient.Version.HTTP_1_1).cookieHandler(new CookieManager()).build();
        String page = http.send(HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + "/sightings")).build(),
                HttpResponse.BodyHandlers.ofString()).body();
        return new Drawn(http, HiddenInput.of(page, "_csrf"), HiddenInput.of(page, "begun"));
    }

    /** Pictures and drawings as large as may be, and larger, several at once; how many got which status. */
    private Map<Integer, Long> files(Drawn tell) throws Exception {
        ByteArrayOutputStream large = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(7_000, 7_000, BufferedImage.TYPE_INT_ARGB), "png", large);
        large.write(new byte[19 * 1024 * 1024 - large.size()]);
        content = Digests.written(Digests.begin(), large.toByteArray());
        List<byte[]> pictures = List.of(large.toByteArray(), ("<svg xmlns='http://www.w3.org/2000/svg'>"
                + "<g/>".repeat(250_000) + "</svg>").getBytes(US_ASCII),
                ("<svg xmlns='http://www.w3.org/2000/svg'>" + "<g>".repeat(100_000) + "</g>".repeat(100_000) + "</svg>").getBytes(US_ASCII));
        List<CompletableFuture<Integer>> answers = IntStream.range(0, 12).mapToObj(i -> CompletableFuture.supplyAsync(() ->
                upload(tell, pictures.get(i % pictures.size())), threads)).toList();
        Map<Integer, Long> counted = new TreeMap<>();
        for (CompletableFuture<Integer> answer : answers) {
            counted.merge(answer.get(), 1L, Long::sum);
        }
        assertThat(counted.keySet()).isSubsetOf(0, 200, 302, 303, 413, 422, 429, 503);
        return counted;
    }

    /** The status it is answered with; 0 where the connection was ended. */
    private int upload(Drawn tell, byte[] picture) {
        byte[] head = ("--x\r\nContent-Disposition: form-data; name=\"_csrf\"\r\n\r\n" + tell.csrf
                + "\r\n--x\r\nContent-Disposition: form-data; name=\"begun\"\r\n\r\n" + tell.begun
                + "\r\n--x\r\nContent-Disposition: form-data; name=\"file.picture\"; filename=\"a.png\"\r\n"
                + "Content-Type: image/png\r\n\r\n").getBytes(ISO_8859_1);
        byte[] end = "\r\n--x--\r\n".getBytes(US_ASCII);
        try {
            return tell.http.send(HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + "/sightings/send/tell"))
                    .header("Content-Type", "multipart/form-data; boundary=x").timeout(Duration.ofSeconds(90))
                    .POST(HttpRequest.BodyPublishers.fromPublisher(HttpRequest.BodyPublishers.ofByteArrays(List.of(head, picture,
                            end)), head.length + picture.length + end.length)).build(),
                    HttpResponse.BodyHandlers.discarding()).statusCode();
        } catch (IOException ended) {
            return 0;
        } catch (InterruptedException stop) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(stop);
        }
    }
}
