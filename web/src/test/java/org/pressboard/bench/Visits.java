package org.pressboard.bench;

import java.io.IOException;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.stream.Collectors;
import org.pressboard.site.HiddenInput;

/** Somebody who visits the site: their cookies, and from which address on the network they come. */
final class Visits {

    private static final HttpClient HTTP = HttpClient.newBuilder().version(HttpClient.Version.HTTP_1_1).build();

    private final String site;
    private final String from;
    private String cookies = "";

    Visits(String site, String from) {
        this.site = site;
        this.from = from;
    }

    /** One of the demo's people. */
    static Visits signedIn(String site, String email, String from) throws Exception {
        Visits visits = new Visits(site, from);
        HttpResponse<String> form = visits.get("/sign-in");
        visits.keep(form);
        visits.keep(visits.post("/sign-in", Map.of("email", email, "password", "quillbrook", "_csrf", HiddenInput.of(form.body(), "_csrf"))));
        return visits;
    }

    /** The same person at another address on the network. */
    Visits at(String address) {
        Visits other = new Visits(site, address);
        other.cookies = cookies;
        return other;
    }

    String cookies() {
        return cookies;
    }

    HttpResponse<String> get(String path) throws IOException, InterruptedException {
        return HTTP.send(to(path).build(), HttpResponse.BodyHandlers.ofString());
    }

    HttpResponse<String> post(String path, Map<String, String> fields) throws IOException, InterruptedException {
        String body = fields.entrySet().stream().map(field -> URLEncoder.encode(field.getKey(), StandardCharsets.UTF_8) + "="
                + URLEncoder.encode(field.getValue(), StandardCharsets.UTF_8)).collect(Collectors.joining("&"));
        return HTTP.send(to(path).header("Content-Type", "application/x-www-form-urlencoded")
                .POST(HttpRequest.BodyPublishers.ofString(body)).build(), HttpResponse.BodyHandlers.ofString());
    }

    private HttpRequest.Builder to(String path) {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(site + path)).header("X-Forwarded-For", from);
        return cookies.isEmpty() ? request : request.header("Cookie", cookies);
    }

    private void keep(HttpResponse<?> answer) {
        String more = answer.headers().allValues("Set-Cookie").stream().map(each -> each.split(";")[0])
                .collect(Collectors.joining("; "));
        cookies = more.isEmpty() ? cookies : cookies.isEmpty() ? more : cookies + "; " + more;
    }
}
