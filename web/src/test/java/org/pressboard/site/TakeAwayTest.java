package org.pressboard.site;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.Download;
import com.microsoft.playwright.Page;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.EnumSet;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.pressboard.listing.Finding;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.listing.Ordering;
import org.pressboard.listing.Paper;
import org.pressboard.listing.SortBy;
import org.pressboard.listing.TakeAway;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Rows leave on paper, as cells to be put into a spreadsheet, and as JSON; PDF is read back by Apache PDFBox. */
class TakeAwayTest extends WithOwnTable {

    private static Listing listing(Paper paper) {
        return Listing.plain(new ListingKey("grafts"), GRAFTS.key(), List.of(NAME, YEAR))
                .with(Finding.by(List.of(NAME), List.of(YEAR))).with(Ordering.by(List.of(SortBy.up(YEAR))).paged(10))
                .takenAwayAs(EnumSet.allOf(TakeAway.class)).on(paper);
    }

    private byte[] bytes(String path) throws Exception {
        try (HttpClient http = HttpClient.newHttpClient()) {
            HttpResponse<byte[]> answer = http.send(HttpRequest.newBuilder(URI.create(address(path))).build(),
                    HttpResponse.BodyHandlers.ofByteArray());
            assertThat(answer.statusCode()).isEqualTo(200);
            return answer.body();
        }
    }

    private static String text(PDDocument file, int page) throws IOException {
        PDFTextStripper stripper = new PDFTextStripper();
        stripper.setStartPage(page);
        stripper.setEndPage(page);
        return stripper.getText(file);
    }

    /** Also of letters that fonts join, such as ff; of all that Unicode has in its blocks of Latin, Greek and Cyrillic up to U+0525, which the fonts have. */
    @Test
    void whatIsPrintedCanBeSearchedAndCopiedLetterByLetter() throws Exception {
        publish(1, listing(new Paper(Paper.Size.A4, false)));
        String letters = IntStream.range(0, 0x526).filter(Character::isLetter).filter(each -> List.of(Character.UnicodeScript.LATIN,
                Character.UnicodeScript.GREEK, Character.UnicodeScript.CYRILLIC).contains(Character.UnicodeScript.of(each)))
                .mapToObj(Character::toString).collect(Collectors.joining());
        String text = "Saffron, office, fluff, raffle, affix, fjord, attic, after, " + letters.replaceAll("(.{20})", "$1 ");
        nameTheFirst(text);
        try (PDDocument file = Loader.loadPDF(bytes("/listings/grafts/rows.pdf"))) {
            String read = new PDFTextStripper().getText(file).replaceAll("\\s", "");
            assertThat(read).contains("Saffron,office,fluff,raffle,affix,fjord,attic,after,");
            assertThat(letters.codePoints().filter(each -> read.indexOf(each) < 0).mapToObj(Character::toString)).isEmpty();
        }
    }

    @Test
    void aFileForPaperHasAllRowsUnderRepeatedHeadings() throws Exception {
        publish(120, listing(new Paper(Paper.Size.LETTER, true)));
        nameTheFirst("\u0141\u0105ka \u03a9 \u0905\u092e");
        try (PDDocument file = Loader.loadPDF(bytes("/listings/grafts/rows.pdf?f.year.to=2070"))) {
            // Letter on its long side, 11 by 8.5 inches
            assertThat(file.getPage(0).getMediaBox().getWidth()).isEqualTo(792);
            assertThat(file.getPage(0).getMediaBox().getHeight()).isEqualTo(612);
            assertThat(file.getNumberOfPages()).isGreaterThan(2);
            String first = text(file, 1);
            assertThat(first).contains("Grafts", "Year: up to 2070", "110 rows", "\u0141\u0105ka \u03a9",
                    "2 letters are missing in this file, because no font of it has them: U+0905, U+092E");
            StringBuilder all = new StringBuilder();
            for (int page = 1; page <= file.getNumberOfPages(); page++) {
                assertThat(text(file, page)).contains("Name", "Year", page + " / " + file.getNumberOfPages());
                all.append(text(file, page));
            }
            for (int i = 2; i <= 110; i++) {
                assertThat(all).contains("Graft" + i + " " + (1960 + i));
            }
            assertThat(all).doesNotContain("Graft111");
        }
    }

    @Test
    void chineseJapaneseAndKoreanStandOnPaper() throws Exception {
        assertStandsOnPaper("\u7ea2\u5bcc\u58eb \u3075\u3058 \ubd80\uc0ac");
    }

    /** Hebrew and Arabic, as the Unicode bidirectional algorithm orders them (UAX #9), which PDFBox undoes by itself. */
    @Test
    void textsThatRunFromRightToLeftDoSoOnPaper() throws Exception {
        assertStandsOnPaper("\u05E2\u05E5 \u05EA\u05E4\u05D5\u05D7, \u062A\u0641\u0627\u062D");
    }

    private void assertStandsOnPaper(String name) throws Exception {
        publish(2, listing(Paper.USUAL));
        nameTheFirst(name);
        try (PDDocument file = Loader.loadPDF(bytes("/listings/grafts/rows.pdf"))) {
            assertThat(text(file, 1)).contains(name).doesNotContain("missing");
        }
    }

    @Test
    void moreThanPaperHasRoomForIsSaidInTheListWithWhatToDo() {
        publish(2_001, listing(Paper.USUAL));
        HttpResponse<String> refused = get("/listings/grafts/rows.pdf?f.year.from=1900");
        String list = refused.headers().firstValue("Location").orElseThrow();
        assertThat(list).startsWith("/grafts?f.year.from=1900&full=grafts");
        assertThat(get(list).body()).contains("A PDF or print has room for 2,000 rows, and this list has more.")
                .contains("/listings/grafts/rows.csv?f.year.from=1900").contains("Graft1");
        assertThat(get("/grafts?full=grafts&most=x&of=many-to-print").body()).doesNotContain("has room");
        assertThat(get("/listings/grafts/rows.pdf?f.year.to=1970").statusCode()).isEqualTo(200);
        assertThat(get("/listings/grafts/print").body()).contains("Graft2001");
    }

    @Test
    void whatIsNotOfferedIsNotThere() {
        publish(3, listing(Paper.USUAL).takenAwayAs(EnumSet.of(TakeAway.CSV)));
        for (String path : List.of("rows.pdf", "print", "rows.json?rows=all", "rows.xlsx")) {
            assertThat(get("/listings/grafts/" + path).statusCode()).as(path).isEqualTo(404);
        }
        assertThat(get("/grafts").body()).doesNotContain("Print", "data-copies");
    }

    @Test
    void allRowsAsJson() {
        publish(30, listing(Paper.USUAL));
        JsonNode rows = JsonMapper.shared().readTree(get("/listings/grafts/rows.json?rows=all&sort=-year").body());
        assertThat(rows.size()).isEqualTo(30);
        assertThat(rows.get(0).get("name").asString()).isEqualTo("Graft30");
        assertThat(rows.get(29).get("year").asInt()).isEqualTo(1961);
    }

    @Test
    void rowsAreCopiedAsCellsAndFormulasAreMadeHarmless() {
        publish(12, listing(Paper.USUAL));
        nameTheFirst("=1+1");
        Page page = page(new Browser.NewContextOptions().setViewportSize(1280, 800)
                .setPermissions(List.of("clipboard-read", "clipboard-write")));
        page.navigate(address("/grafts?f.year.to=1962"));
        button(page, "Copy").click();
        assertThat(page.locator(".notices")).hasText("2 rows copied. Paste them into a spreadsheet.");
        assertThat(String.valueOf(page.evaluate("navigator.clipboard.readText()"))).isEqualTo("Name\tYear\n'=1+1\t1961\nGraft2\t1962");
    }

    @Test
    void aPageToPrintHasNothingThatCannotBePrinted() {
        publish(12, listing(Paper.USUAL));
        Page page = desktop();
        page.navigate(address("/grafts?f.year.from=1970"));
        Page printed = page.waitForPopup(() -> link(page, "Print").click());
        assertThat(printed.locator("h1")).hasText("Grafts");
        assertThat(printed.locator(".print-rows tbody tr")).hasCount(3);
        assertThat(violations(printed)).isEmpty();
    }

    @Test
    void whatIsCarriedAwayIsWatchedAndCanBeLeft() throws Exception {
        publish(300, listing(Paper.USUAL));
        String name = "0123456789abcdef0123456789abcdef0123";
        assertThat(bytes("/listings/grafts/rows.csv?watched=" + name)).asString().endsWith("Graft300,2260\r\n");
        assertThat(get("/listings/carrying/" + name).body()).isEqualTo("{\"rows\":300,\"over\":true}");
        assertThat(get("/listings/carrying/" + name.replace('0', '1')).statusCode()).isEqualTo(404);
        // who has left gets nothing more
        assertThat(get("/listings/carrying/" + name + "/leave").statusCode()).as("what changes something is no address to be looked at").isEqualTo(405);
        send(HttpRequest.newBuilder(URI.create(address("/listings/carrying/" + name + "/leave"))).POST(HttpRequest.BodyPublishers.noBody()).build());
        assertThat(get("/listings/grafts/rows.xlsx?watched=" + name).statusCode()).isEqualTo(204);
        Page page = desktop();
        page.navigate(address("/grafts"));
        Download download = page.waitForDownload(() -> link(page, "XLSX").click());
        assertThat(download.suggestedFilename()).isEqualTo("grafts.xlsx");
    }
}
