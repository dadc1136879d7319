package org.pressboard.site;

import static java.nio.charset.StandardCharsets.US_ASCII;
import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.Socket;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.boot.test.system.CapturedOutput;
import org.springframework.boot.test.system.OutputCaptureExtension;

/** What is refused before anything of it is read, and how. */
@ExtendWith(OutputCaptureExtension.class)
class RefusalsTest extends RunningSite {

    private final Raw raw = new Raw(this);

    @ParameterizedTest
    @ValueSource(strings = {"PUT", "PATCH", "DELETE", "OPTIONS", "TRACE", "ANY"})
    void bodiesOfOtherMethodsAreNotRead(String method) throws IOException {
        try (Socket socket = raw.connect("127.0.0.1")) {
            Raw.send(socket, method + " /trees HTTP/1.1\r\nHost: localhost\r\nContent-Type: "
                    + "application/x-www-form-urlencoded\r\nContent-Length: 104857600\r\n\r\nq=");
            assertThat(Raw.firstLine(socket)).isIn("HTTP/1.1 405 ", "HTTP/1.1 501 ");
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"/sign-in", "/desk/intake", "/trees", "/welcome"})
    void aBodyTooLargeForAFormAndAnUploadOfStrangersAreRefusedBeforeTheyCome(String path) throws IOException {
        for (String type : List.of("application/x-www-form-urlencoded", "multipart/form-data; boundary=x")) {
            try (Socket socket = raw.connect("127.0.0.1")) {
                Raw.send(socket, "POST " + path + " HTTP/1.1\r\nHost: localhost\r\nContent-Type: " + type
                        + "\r\nContent-Length: 60000000\r\n\r\n--x\r\nContent-Disposition: form-data; name=\"file\"; "
                        + "filename=\"a\"\r\n\r\n");
                assertThat(Raw.firstLine(socket)).as(type).isIn("HTTP/1.1 413 ", "HTTP/1.1 403 ");
            }
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"/trees%00", "/desk%2ftables", "/trees;x=1", "/a%5cb", "/trees?q=%", "//trees"})
    void whatTheServerRefusesHasOurPageAndHeadersAndFillsNoLog(String path, CapturedOutput output) throws IOException {
        assertRefused("GET " + path + " HTTP/1.1\r\nHost: localhost\r\nConnection: close\r\n\r\n");
        assertThat(output).doesNotContain("ERROR");
    }

    /** It waits no longer than the server's own time limit, which is 20 s, and then not once more for the rest. */
    @Test
    void aBodyThatFallsSilentIsLetGo() throws IOException {
        try (Socket socket = raw.connect("127.0.0.1")) {
            socket.setSoTimeout(30_000);
            Raw.send(socket, "POST /sign-in HTTP/1.1\r\nHost: localhost\r\nContent-Type: "
                    + "application/x-www-form-urlencoded\r\nContent-Length: 1000\r\n\r\nemail=");
            assertThat(Raw.firstLine(socket)).isEqualTo("HTTP/1.1 408 ");
        }
    }

    @Test
    void anAddressWithoutEndHasOurPageToo() throws IOException {
        assertRefused("GET /trees?q=" + "x".repeat(9_000) + " HTTP/1.1\r\nHost: localhost\r\nConnection: close\r\n\r\n");
    }

    private void assertRefused(String request) throws IOException {
        try (Socket socket = raw.connect("127.0.0.1")) {
            Raw.send(socket, request);
            String answer = new String(socket.getInputStream().readAllBytes(), US_ASCII);
            assertThat(answer).startsWith("HTTP/1.1 4").containsIgnoringCase("Content-Security-Policy")
                    .doesNotContain("Apache").doesNotContain("HTTP Status");
        }
    }

    @Test
    void whoeverSaysToBeAnotherHostIsNotBelieved() throws IOException {
        for (String path : List.of("/", "/desk", "/sign-in?out")) {
            try (Socket socket = raw.connect("127.0.0.1")) {
                Raw.send(socket, "GET " + path + " HTTP/1.1\r\nHost: evil.example\r\nAccept: text/html\r\n"
                        + "Connection: close\r\n\r\n");
                assertThat(new String(socket.getInputStream().readAllBytes(), US_ASCII)).doesNotContain("evil.example");
            }
        }
    }
}
