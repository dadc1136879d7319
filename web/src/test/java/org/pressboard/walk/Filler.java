package org.pressboard.walk;

import java.io.IOException;
import java.net.CookieManager;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.random.RandomGenerator;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.pressboard.site.HiddenInput;

/**
 * Fills in a form as a browser without scripts does.
 *
 * @param form where it is sent
 * @param role the cookie of whoever fills it in; empty: of nobody
 */
record Filler(String form, String role) {

    private static final Pattern CONTROL = Pattern.compile("name=\"(v\\.[^\"]+)\"");

    /** The status that it is answered with; of the page itself where it has no such form. */
    int fill(RandomGenerator random) {
        HttpClient http = HttpClient.newBuilder().version(HttpClient.Version.HTTP_1_1).cookieHandler(new CookieManager()).build();
        HttpResponse<String> shown = send(http, HttpRequest.newBuilder(URI.create(form)));
        String[] halves = shown.body().split("<form class=\"form fill", 2);
        if (halves.length < 2) {
            return shown.statusCode();
        }
        Map<String, String> fields = new LinkedHashMap<>();
        List.of("_csrf", "begun").forEach(name -> fields.put(name, HiddenInput.of(halves[1], name)));
        for (Matcher control = CONTROL.matcher(halves[1]); control.find();) {
            fields.put(control.group(1), Asked.pick(Asked.WORDS, random));
        }
        String body = fields.entrySet().stream().map(each -> encoded(each.getKey()) + "=" + encoded(each.getValue()))
                .collect(Collectors.joining("&"));
        return send(http, HttpRequest.newBuilder(URI.create(form)).header("Content-Type", "application/x-www-form-urlencoded")
                .POST(HttpRequest.BodyPublishers.ofString(body))).statusCode();
    }

    private HttpResponse<String> send(HttpClient http, HttpRequest.Builder request) {
        try {
            return http.send((role.isEmpty() ? request : request.header("Cookie", role)).header("Accept", "text/html").build(),
                    HttpResponse.BodyHandlers.ofString());
        } catch (IOException failed) {
            throw new IllegalStateException(failed);
        } catch (InterruptedException stop) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(stop);
        }
    }

    private static String encoded(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }
}
