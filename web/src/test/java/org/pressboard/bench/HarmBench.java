package org.pressboard.bench;

import java.io.IOException;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ThreadLocalRandom;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.locks.LockSupport;

/**
 * How long everybody else's pages take while one stranger on one address does harm, beside how long they take without.
 */
final class HarmBench {

    private static final Duration LONG = Duration.ofSeconds(60);
    private static final Duration WITHOUT = Duration.ofSeconds(15);
    private static final int HANDS = 16;

    /** The stranger is on the same two cores: what they do without a pause takes time of others whatever is answered. */
    private static final Duration BETWEEN_HARMS = Duration.ofMillis(20);
    private static final int OTHERS = 4;
    private static final Duration BETWEEN = Duration.ofMillis(100);
    private static final String STRANGER = "203.0.113.66";

    private final HttpClient http = HttpClient.newBuilder().version(HttpClient.Version.HTTP_1_1).build();
    private final int port;
    private final String large;

    /** One thing that the stranger does over and over, from several hands. */
    private interface Harm {

        void once(int hand) throws IOException, InterruptedException;
    }

    /** What the others saw. */
    private record Seen(List<Double> millis, int failed) {

        double p95() {
            return millis.get((int) Math.min(millis.size() - 1, Math.ceil(millis.size() * 0.95) - 1));
        }
    }

    HarmBench(int port, String large) {
        this.port = port;
        this.large = large;
    }

    void run(Report report) throws InterruptedException {
        report.heading("Harm by one stranger for " + LONG.toSeconds() + " s: others' pages, p95 in ms, with and without");
        measure(report, HANDS, harms());
    }

    /** Connections that say little, and many hands, of one address and of forty. */
    void crowd(Report report) throws InterruptedException {
        report.heading("Harm by a crowd for " + LONG.toSeconds() + " s: others' pages, p95 in ms, with and without; heap "
                + Runtime.getRuntime().maxMemory() / 1024 / 1024 + " MB");
        Map<String, Harm> many = new LinkedHashMap<>();
        many.put("half-sent heads, 240 connections", hand -> trickle("GET /trees HTTP/1.1\r\nHost: localhost\r\n", "X-Slow: 1\r\n"));
        many.put("half-sent bodies, 240 connections", hand -> trickle("POST /sign-in HTTP/1.1\r\nHost: localhost\r\nX-Forwarded-For: "
                + STRANGER + "\r\nContent-Type: application/x-www-form-urlencoded\r\nContent-Length: 2000000\r\n\r\n", "a"));
        measure(report, 240, many);
        Map<String, Harm> forty = new LinkedHashMap<>();
        forty.put("CSV read slowly by 40 of 40 addresses", hand -> readSlowly("203.0.113." + (100 + hand)));
        forty.put("one greedy stranger with 40 hands", hand -> ask("/" + large + "?q=" + letter() + letter() + "&page="
                + (1 + ThreadLocalRandom.current().nextInt(90))));
        measure(report, 40, forty);
    }

    /** Says something, and then a little more again and again for as long as somebody listens. */
    private void trickle(String beginning, String more) throws IOException {
        try (Socket socket = new Socket("localhost", port)) {
            send(socket, beginning);
            for (int i = 0; i < 60; i++) {
                LockSupport.parkNanos(Duration.ofSeconds(1).toNanos());
                send(socket, more);
            }
        }
    }

    private void measure(Report report, int hands, Map<String, Harm> harms) throws InterruptedException {
        meanwhile(LONG, 0, hand -> { }); // warms up
        double before = meanwhile(WITHOUT, 0, hand -> { }).p95();
        for (Map.Entry<String, Harm> harm : harms.entrySet()) {
            Seen with = meanwhile(LONG, hands, harm.getValue());
            double after = meanwhile(WITHOUT, 0, hand -> { }).p95();
            report.ratio(harm.getKey(), with.p95(), (before + after) / 2, with.failed + " of " + (with.millis.size()
                    + with.failed) + " failed   to reach 3 x and none");
            before = after;
        }
    }

    private Map<String, Harm> harms() {
        Map<String, Harm> harms = new LinkedHashMap<>();
        harms.put("CSV, read a byte a second", hand -> readSlowly(STRANGER));
        harms.put("counts of one letter or three", hand -> ask("/listings/" + large + "/rows/count?q=" + letter() + "+"
                + letter() + "+" + letter()));
        harms.put("searches of one letter", hand -> ask("/" + large + "?q=" + letter() + "+" + letter()
                + "&page=" + (1 + ThreadLocalRandom.current().nextInt(90))));
        harms.put("pages far away", hand -> ask("/" + large + "?sort=-picked,name&page="
                + (20_000 + ThreadLocalRandom.current().nextInt(20_000))));
        harms.put("large bodies and uploads, held", hand -> holdABody(hand));
        harms.put("addresses full of values", hand -> ask("/" + large + "?" + "f.use=Cider&".repeat(500)));
        harms.put("sign-ins", hand -> ask("/sign-in?failed"));
        return harms;
    }

    private static char letter() {
        return (char) ('a' + ThreadLocalRandom.current().nextInt(26));
    }

    private void ask(String path) throws IOException, InterruptedException {
        http.send(request(path, STRANGER), HttpResponse.BodyHandlers.discarding());
    }

    private HttpRequest request(String path, String from) {
        return HttpRequest.newBuilder(URI.create("http://localhost:" + port + path)).header("X-Forwarded-For", from)
                .timeout(Duration.ofSeconds(30)).build();
    }

    private void readSlowly(String from) throws IOException {
        try (Socket socket = new Socket("localhost", port)) {
            send(socket, "GET /listings/" + large + "/rows.csv HTTP/1.1\r\nHost: localhost\r\nX-Forwarded-For: "
                    + from + "\r\n\r\n");
            for (int i = 0; i < 10 && socket.getInputStream().read() >= 0; i++) {
                LockSupport.parkNanos(Duration.ofSeconds(1).toNanos());
            }
        }
    }

    private void holdABody(int hand) throws IOException {
        String method = List.of("POST", "PUT", "PATCH", "DELETE").get(hand % 4);
        String type = hand % 2 == 0 ? "application/x-www-form-urlencoded" : "multipart/form-data; boundary=x";
        try (Socket socket = new Socket("localhost", port)) {
            send(socket, method + " /trees HTTP/1.1\r\nHost: localhost\r\nX-Forwarded-For: " + STRANGER
                    + "\r\nContent-Type: " + type + "\r\nContent-Length: 100000000\r\n\r\n");
            byte[] piece = "a=b&".repeat(16 * 1024).getBytes(StandardCharsets.US_ASCII);
            for (int i = 0; i < 1_500; i++) {
                socket.getOutputStream().write(piece);
            }
        }
    }

    private static void send(Socket socket, String text) throws IOException {
        socket.getOutputStream().write(text.getBytes(StandardCharsets.US_ASCII));
        socket.getOutputStream().flush();
    }

    private Seen meanwhile(Duration time, int hands, Harm harm) throws InterruptedException {
        long end = System.nanoTime() + time.toNanos();
        List<Double> millis = Collections.synchronizedList(new ArrayList<>());
        AtomicInteger failed = new AtomicInteger();
        CountDownLatch ended = new CountDownLatch(hands + OTHERS);
        for (int hand = 0; hand < hands; hand++) {
            int number = hand;
            begin(end, ended, () -> {
                harm.once(number);
                LockSupport.parkNanos(BETWEEN_HARMS.toNanos());
            });
        }
        for (int other = 0; other < OTHERS; other++) {
            String from = "198.51.100." + (10 + other);
            begin(end, ended, () -> lookAround(from, millis, failed));
        }
        ended.await();
        return new Seen(millis.stream().sorted().toList(), failed.get());
    }

    private interface Step {

        void take() throws IOException, InterruptedException;
    }

    private static void begin(long end, CountDownLatch ended, Step step) {
        Thread.ofVirtual().start(() -> {
            while (System.nanoTime() < end) {
                try {
                    step.take();
                } catch (IOException refused) {
                    // as is to be expected of harm
                    LockSupport.parkNanos(BETWEEN_HARMS.toNanos());
                } catch (InterruptedException stop) {
                    Thread.currentThread().interrupt();
                    break;
                }
            }
            ended.countDown();
        });
    }

    /** Somebody searches, narrows and turns pages, each time something else, and reads for a moment. */
    private void lookAround(String from, List<Double> millis, AtomicInteger failed) throws InterruptedException {
        ThreadLocalRandom random = ThreadLocalRandom.current();
        String path = List.of("/trees?q=T-" + random.nextInt(900), "/varieties?page=" + (1 + random.nextInt(5)),
                "/" + large + "?page=" + (1 + random.nextInt(200)),
                "/" + large + "?f.use=Cider&sort=-picked&page=" + (1 + random.nextInt(20))).get(random.nextInt(4));
        long start = System.nanoTime();
        try {
            int status = http.send(request(path, from), HttpResponse.BodyHandlers.discarding()).statusCode();
            if (status == 200) {
                millis.add((System.nanoTime() - start) / 1e6);
            } else {
                failed.incrementAndGet();
            }
        } catch (IOException lost) {
            failed.incrementAndGet();
        }
        LockSupport.parkNanos(BETWEEN.toNanos());
    }
}
