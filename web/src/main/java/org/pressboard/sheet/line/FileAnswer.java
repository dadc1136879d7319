package org.pressboard.sheet.line;

import static java.nio.charset.StandardCharsets.UTF_8;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import java.util.Optional;
import org.pressboard.files.Files;
import org.pressboard.files.KeptFile;
import org.pressboard.stand.NotThere;
import org.springframework.http.CacheControl;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.web.util.UriUtils;

/**
 * Gives a file out: pictures to be shown, everything else to be kept, so that nothing that came from outside is ever a
 * page of this site. What is at such an address never changes. For one use.
 */
public final class FileAnswer {

    /** A drawing is shown and nothing more: it can load nothing and run nothing. */
    private static final String POLICY = "default-src 'none'; sandbox";
    private static final CacheControl LONG = CacheControl.maxAge(Duration.ofDays(365)).cachePrivate().immutable();

    /** The longer edge of a picture in a list, in pixels of a fine screen. */
    public static final int IN_LISTS = 128;

    /** The same of one that takes up a card, or more. */
    public static final int IN_CARDS = 640;

    private final Files files;
    private final HttpServletResponse response;

    public FileAnswer(Files files, HttpServletResponse response) {
        this.files = files;
        this.response = response;
    }

    /** The address of a file of a table's rows. */
    public static String address(String table, String content, String name) {
        return "/files/" + table + "/" + content + "/" + UriUtils.encodePathSegment(Files.named(name), UTF_8);
    }

    /** @param edge how long the longer edge of a picture need be at least; 0: as long as it is */
    public void give(String content, String name, int edge) throws IOException {
        Optional<byte[]> small = edge > 0 ? files.thumbnail(content, edge) : Optional.empty();
        if (small.isPresent()) {
            begin("image/jpeg", small.get().length);
            response.getOutputStream().write(small.get());
            return;
        }
        KeptFile file = files.find(content).orElseThrow(() -> new NotThere("not-there.file"));
        if (!file.isPicture()) {
            response.setHeader(HttpHeaders.CONTENT_DISPOSITION,
                    ContentDisposition.attachment().filename(name, UTF_8).build().toString());
        }
        begin(file.mediaType(), file.size());
        files.write(file, response.getOutputStream());
    }

    private void begin(String mediaType, long size) {
        response.setHeader("Content-Security-Policy", POLICY);
        response.setHeader(HttpHeaders.CACHE_CONTROL, LONG.getHeaderValue());
        response.setContentType(mediaType);
        response.setContentLengthLong(size);
    }
}
