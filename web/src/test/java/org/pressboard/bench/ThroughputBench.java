package org.pressboard.bench;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ThreadLocalRandom;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.IntStream;

/** Requests per second of the public page against a bare page with the same rows hard-coded, on the same server. */
final class ThroughputBench {

    private static final int CLIENTS = 8;
    /** What is compiled as it runs is as quick as it gets only after a minute or more of each. */
    private static final int ROUNDS_BEFORE = 20;
    private static final int ROUNDS = 4;
    private static final long NANOS = 4_000_000_000L;

    private final HttpClient http = HttpClient.newBuilder().version(HttpClient.Version.HTTP_1_1).build();

    void run(Report report, int port, int barePort) throws Exception {
        report.heading("Requests per second: /varieties, a bare page with the same rows hard-coded");
        URI ours = URI.create("http://localhost:" + port + "/varieties");
        URI bare = URI.create("http://localhost:" + barePort + "/bare");
        String tag = get(ours).headers().firstValue("ETag").orElseThrow();
        List<HttpRequest> whole = fromMany(HttpRequest.newBuilder(ours));
        List<HttpRequest> unchanged = fromMany(HttpRequest.newBuilder(ours).header("If-None-Match", tag));
        List<HttpRequest> reference = fromMany(HttpRequest.newBuilder(bare));
        List<HttpRequest> own = fromMany(HttpRequest.newBuilder(URI.create("http://localhost:" + port + "/mine"))
                .header("Cookie", Visits.signedIn("http://localhost:" + port, "mira@example.org", "198.51.100.1").cookies()));
        double[] sums = new double[4];
        for (int round = -ROUNDS_BEFORE; round < ROUNDS; round++) {
            double[] rates = {rate(whole, 200), rate(unchanged, 304), rate(reference, 200), rate(own, 200)};
            for (int i = 0; round >= 0 && i < rates.length; i++) {
                sums[i] += rates[i] / ROUNDS;
            }
        }
        report.rate("the page", sums[0], sums[2], "to reach 50 %");
        report.rate("the page unchanged (ETag)", sums[1], sums[2], "to reach 90 %");
        report.rate("a member's own rows", sums[3], sums[2], "to reach 50 %; nothing kept from others");
    }

    /** As from many addresses, for of one not so many are answered. */
    private static List<HttpRequest> fromMany(HttpRequest.Builder request) {
        return IntStream.range(0, 250).mapToObj(i -> request.copy().header("X-Forwarded-For", "198.51.100." + i).build())
                .toList();
    }

    private HttpResponse<String> get(URI address) throws Exception {
        return http.send(HttpRequest.newBuilder(address).build(), HttpResponse.BodyHandlers.ofString());
    }

    private double rate(List<HttpRequest> requests, int expected) throws Exception {
        AtomicInteger answers = new AtomicInteger();
        AtomicInteger wrong = new AtomicInteger();
        CountDownLatch ended = new CountDownLatch(CLIENTS);
        long start = System.nanoTime();
        for (int i = 0; i < CLIENTS; i++) {
            Thread.ofVirtual().start(() -> {
                try {
                    while (System.nanoTime() - start < NANOS) {
                        HttpRequest request = requests.get(ThreadLocalRandom.current().nextInt(requests.size()));
                        int status = http.send(request, HttpResponse.BodyHandlers.discarding()).statusCode();
                        (status == expected ? answers : wrong).incrementAndGet();
                    }
                } catch (java.io.IOException failed) {
                    wrong.incrementAndGet();
                } catch (InterruptedException stop) {
                    Thread.currentThread().interrupt();
                } finally {
                    ended.countDown();
                }
            });
        }
        ended.await();
        if (wrong.get() > 0) {
            throw new IllegalStateException(wrong + " answers of " + requests.getFirst().uri() + " were not " + expected);
        }
        return answers.get() / ((System.nanoTime() - start) / 1e9);
    }
}
