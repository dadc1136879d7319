package org.pressboard.site;

import static java.nio.charset.StandardCharsets.US_ASCII;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.net.InetAddress;
import java.net.Socket;
import java.net.URI;

/** Speaks with the site without a client that would keep to the rules. */
final class Raw {

    private static final int LONGEST_MILLIS = 20_000;

    private final RunningSite site;

    Raw(RunningSite site) {
        this.site = site;
    }

    /** Connects from one of the addresses of this machine. */
    Socket connect(String from) throws IOException {
        Socket socket = new Socket(InetAddress.getByName("127.0.0.1"), URI.create(site.address("/")).getPort(),
                InetAddress.getByName(from), 0);
        socket.setSoTimeout(LONGEST_MILLIS);
        return socket;
    }

    static void send(Socket socket, String text) throws IOException {
        socket.getOutputStream().write(text.getBytes(US_ASCII));
        socket.getOutputStream().flush();
    }

    static String firstLine(Socket socket) throws IOException {
        InputStream in = socket.getInputStream();
        ByteArrayOutputStream line = new ByteArrayOutputStream();
        for (int each = in.read(); each >= 0 && each != '\r'; each = in.read()) {
            line.write(each);
        }
        return line.toString(US_ASCII);
    }
}
