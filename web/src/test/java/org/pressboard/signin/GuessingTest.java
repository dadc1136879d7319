package org.pressboard.signin;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Duration;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.pressboard.catalog.Accounts;
import org.pressboard.catalog.WelcomeLinks;
import org.pressboard.site.HiddenInput;
import org.pressboard.site.RunningSite;
import org.pressboard.testing.Eventually;
import org.springframework.beans.factory.annotation.Autowired;

/** Trying to sign in: what is slowed, what is kept, and what a changed account may still do. */
class GuessingTest extends RunningSite {

    @Autowired
    private WelcomeLinks links;

    @Autowired
    private Accounts accounts;

    private record Form(String token, String cookie) {
    }

    @Test
    void ofEightyTriesAtOnceTenAreLookedAt() {
        Form form = form("/sign-in");
        long began = System.nanoTime();
        List<CompletableFuture<String>> tries = IntStream.range(0, 80).mapToObj(i -> CompletableFuture.supplyAsync(
                () -> tried(form, "fergus@example.org", "wrong" + i, "203.0.113.20"))).toList();
        long lookedAt = tries.stream().map(CompletableFuture::join).filter(answer -> answer.endsWith("?failed")).count();
        // one more is let through every half minute, which a busy machine may take
        assertThat(lookedAt).isBetween(10L, 10 + Duration.ofNanos(System.nanoTime() - began).toSeconds() / 30);
        while (tried(form, "fergus@example.org", "wrong", "203.0.113.20").endsWith("?failed")) {
            // until what came free meanwhile is spent
        }
        assertThat(tried(form, "fergus@example.org", "quillbrook", "203.0.113.20")).endsWith("?slow");
        assertThat(tried(form, "fergus@example.org", "quillbrook", "198.51.100.4"))
                .as("the right person elsewhere is not locked out").endsWith("/");
    }

    @ParameterizedTest
    @ValueSource(strings = {"\u0001", "\u0000", "\u001F", "\n", "\u0085", "\u007F"})
    void controlCharactersAreNoWayAroundIt(String control) {
        Form form = form("/sign-in");
        assertThat(tried(form, "bashir@example.org" + control, "quillbrook", "203.0.113.21")).endsWith("?failed");
    }

    @Test
    void oneFormOfAnAddressIsSlowedAndSignsIn() {
        Form form = form("/sign-in");
        for (String written : List.of("ODILE@example.org", " odile@example.org", "odile@example.org  ", "Odile@Example.org",
                "odile@EXAMPLE.org", "odile@example.org", "odile@example.org ", " ODILE@example.org", "oDile@example.org",
                "odilE@example.org")) {
            assertThat(tried(form, written, "wrong", "203.0.113.22")).endsWith("?failed");
        }
        assertThat(tried(form, "odile@example.org", "wrong", "203.0.113.23")).as("the same network").endsWith("?slow");
    }

    @Test
    void nothingIsKeptOfATryOrOfWhoeverOnlyLooks() throws SQLException {
        long before = number("select count(*) from pressboard.spring_session");
        tried(form("/sign-in"), "pavel@example.org", "a secret that is wrong", "203.0.113.24");
        get("/desk", "Accept", "text/html");
        get("/sign-in?failed");
        assertThat(number("select count(*) from pressboard.spring_session")).isEqualTo(before);
        assertThat(number("select count(*) from pressboard.spring_session_attributes "
                + "where position('a secret' in encode(attribute_bytes, 'escape')) > 0")).isZero();
    }

    @ParameterizedTest
    @CsvSource({"update pressboard.account set role = 'MEMBER' where email = 'lowered@example.org'",
        "delete from pressboard.account where email = 'lowered@example.org'",
        "update pressboard.account set password_hash = 'x' where email = 'lowered@example.org'"})
    void anAccountThatIsChangedByWhateverToolIsSignedOut(String change) {
        DATABASE.execute("delete from pressboard.account where email = 'lowered@example.org'");
        DATABASE.execute("insert into pressboard.account (email, name, password_hash, role, created_at) select "
                + "'lowered@example.org', name, password_hash, role, now() from pressboard.account "
                + "where email = 'editor@example.org'");
        HttpResponse<String> signedIn = trySignIn(form("/sign-in"), "lowered@example.org", "quillbrook", "203.0.113.25");
        String session = cookie(signedIn, "pressboard");
        assertThat(get("/desk/tables", "Cookie", session).statusCode()).isEqualTo(200);
        DATABASE.execute(change);
        Eventually.holds(() -> get("/desk/tables", "Cookie", session).statusCode() == 302);
    }

    @ParameterizedTest
    @ValueSource(strings = {"//evil.example", "/\\evil.example", "https://evil.example", "desk", "/desk\n"})
    void afterSigningInNobodyIsLedToAnotherSite(String to) {
        assertThat(AfterSignIn.isPlace(to)).isFalse();
        assertThat(AfterSignIn.isPlace("/desk/pages/trees?q=1")).isTrue();
        assertThat(AfterSignIn.isPlace("/")).isTrue();
    }

    @Test
    void becomingTheOwnerSaysWhatIsMissing() {
        String token = links.renew();
        String welcome = "/welcome?token=" + token;
        assertThat(owner(welcome, token, "Ro", "ro@example.org", "x".repeat(73))).contains("at most 72 characters");
        assertThat(owner(welcome, token, "Ro", "mira@example.org", "correct horse")).contains("There is an account");
        assertThat(owner(welcome, token, "R\u0000o", "ro@example.org", "correct horse")).contains("no text can have");
        assertThat(owner(welcome, token, "Ro", "r\u0001o@example.org", "correct horse")).contains("missing or not one");
        assertThat(accounts.find("ro@example.org")).isEmpty();
        assertThat(links.isGood(token)).isTrue();
    }

    private String owner(String page, String token, String name, String email, String password) {
        return post("/welcome", form(page), "127.0.0.1", "token", token, "name", name, "email", email, "password",
                password).body();
    }

    private String tried(Form form, String email, String password, String from) {
        return trySignIn(form, email, password, from).headers().firstValue("Location").orElse("");
    }

    private HttpResponse<String> trySignIn(Form form, String email, String password, String from) {
        return post("/sign-in", form, from, "email", email, "password", password);
    }

    private HttpResponse<String> post(String path, Form form, String from, String... fields) {
        StringBuilder body = new StringBuilder("_csrf=").append(encoded(form.token));
        for (int i = 0; i < fields.length; i += 2) {
            body.append('&').append(fields[i]).append('=').append(encoded(fields[i + 1]));
        }
        return send(HttpRequest.newBuilder(URI.create(address(path)))
                .header("Content-Type", "application/x-www-form-urlencoded").header("Cookie", form.cookie)
                .header("X-Forwarded-For", from).POST(HttpRequest.BodyPublishers.ofString(body.toString())).build());
    }

    private Form form(String path) {
        HttpResponse<String> page = get(path);
        return new Form(HiddenInput.of(page.body(), "_csrf"), cookie(page, "pressboard-form"));
    }

    private static String cookie(HttpResponse<String> answer, String name) {
        return answer.headers().allValues("Set-Cookie").stream().filter(each -> each.startsWith(name + "="))
                .map(each -> each.replaceFirst(";.*", "")).findFirst().orElseThrow();
    }

    private static String encoded(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }

    private static long number(String query) throws SQLException {
        try (Connection connection = DATABASE.connect();
                ResultSet found = connection.createStatement().executeQuery(query)) {
            found.next();
            return found.getLong(1);
        }
    }
}
