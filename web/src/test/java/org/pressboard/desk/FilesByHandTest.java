package org.pressboard.desk;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.FilePayload;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.pressboard.catalog.Catalog;
import org.pressboard.grant.Openness;
import org.pressboard.history.Author;
import org.pressboard.schema.Publisher;
import org.pressboard.schema.TableChanges;
import org.pressboard.site.InBrowser;
import org.pressboard.table.Attached;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.TableKey;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;
import org.springframework.beans.factory.annotation.Autowired;

/** Pictures and files are dropped on their fields, or come in an archive beside a file that names them. */
class FilesByHandTest extends InBrowser {

    private static final String TABLE = "/desk/tables/nest_boxes";

    @Autowired
    private Catalog catalog;

    @Autowired
    private Publisher publisher;

    @Autowired
    private TableChanges changes;

    @AfterEach
    void removeTheTables() {
        closePages();
        for (String name : List.of("visits", "nest_boxes")) {
            catalog.tables().all().stream().filter(table -> table.key().name().equals(name))
                    .forEach(table -> publisher.remove(table.key()));
        }
    }

    private static FilePayload picture(String name, int width) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(width, 300, BufferedImage.TYPE_INT_RGB), "png", out);
        return new FilePayload(name, "image/png", out.toByteArray());
    }

    private static FilePayload text(String name) {
        return new FilePayload(name, "image/png", "only text".getBytes(StandardCharsets.UTF_8));
    }

    private void makeTheTable() {
        changes.make("Nest boxes", new Fields(List.of(new Field(new FieldKey("name"), "Name", new Textual.Text()),
                new Field(new FieldKey("photos"), "Photos", new Attached.Pictures()),
                new Field(new FieldKey("plan"), "Plan", new Attached.File()))),
                new Author(null, "owner@example.org", Author.Origin.DESK));
    }

    @Test
    void picturesAreSentAtOnceAndStandInTheRowWhenItIsKept() throws Exception {
        makeTheTable();
        Page page = signedIn("owner@example.org");
        page.navigate(address(TABLE + "/rows/new"));
        page.locator(".slip [name='v.name']").fill("Owl box");
        Locator photos = page.locator(".file-control").first();
        photos.locator("input[type=file]").setInputFiles(new FilePayload[] {picture("front.png", 400),
            picture("back.png", 500), text("fake.png")});
        assertThat(photos.locator(".control-problem")).containsText("“fake.png” is not a picture that can be shown.");
        assertThat(photos.locator(".file-name")).hasText(new String[] {"front.png", "back.png"});
        photos.getByLabel("back.png earlier").click();
        assertThat(photos.locator(".file-name")).hasText(new String[] {"back.png", "front.png"});
        Locator plan = page.locator(".file-control").nth(1);
        plan.locator("input[type=file]").setInputFiles(text("plan.txt"));
        assertThat(plan.locator(".file-name")).hasText("plan.txt");
        assertThat(violations(page)).isEmpty();
        button(page, "Add").click();
        assertThat(page.locator(".note-good")).containsText("The row is added.");
        assertThat(page.locator("tbody img")).hasCount(1);
        assertThat(page.locator("tbody .tag")).hasText("+1");
        String address = page.locator("tbody img").getAttribute("src");
        assertThat(page.locator("tbody img").evaluate("image => image.decode().then(() => image.naturalWidth)"))
                .isEqualTo(192);
        assertVisitorsGet(address);
        link(page, "Owl box").click();
        page.locator(".file-control").first().getByLabel("Remove back.png").click();
        button(page, "Save").click();
        assertThat(page.locator("tbody .tag")).hasCount(0);
        button(page, "Undo").click();
        assertThat(page.locator("tbody .tag")).hasText("+1");
    }

    /** Nobody gets a file who gets no row and field that shows it. */
    private void assertVisitorsGet(String address) throws Exception {
        assertThat(get(address).statusCode()).isEqualTo(404);
        publisher.open(new TableKey("nest_boxes"), Openness.EVERYONE);
        assertThat(get(address).statusCode()).as("no page shows it").isEqualTo(404);
        assertThat(get("/desk" + address.replace("/nest_boxes", "")).statusCode()).as("not signed in").isEqualTo(302);
        HttpResponse<String> demo = get("/varieties");
        String shown = Pattern.compile("<img src=\"(/files/varieties/[^\"]+)\"").matcher(demo.body()).results()
                .findFirst().orElseThrow().group(1);
        HttpResponse<String> drawing = get(shown);
        assertThat(drawing.statusCode()).isEqualTo(200);
        assertThat(drawing.headers().firstValue("Cache-Control").orElse("")).contains("immutable").contains("private");
        assertThat(drawing.headers().firstValue("Content-Security-Policy").orElse("")).contains("default-src 'none'")
                .contains("sandbox");
        assertThat(get(shown.replace("/varieties/", "/trees/")).statusCode()).isEqualTo(404);
    }

    @Test
    void aFileNamesRowsAndPicturesThatComeInAnArchive() throws IOException {
        makeTheTable();
        Page page = signedIn("owner@example.org");
        for (String name : List.of("Owl box", "Bat box", "Wren box")) {
            page.navigate(address(TABLE + "/rows/new"));
            page.locator(".slip [name='v.name']").fill(name);
            button(page, "Add").click();
            assertThat(page.locator(".note-good")).containsText("The row is added.");
        }
        page.navigate(address("/desk/tables"));
        page.locator("input[type=file]").first().setInputFiles(new FilePayload("visits.csv", "text/csv", ("Seen,Box,Photo\n"
                + "3,owl BOX,a.png\n1,Bat box,sub/B.PNG\n2,WREN box,c.png\n4,Swift box,a.png\n")
                .getBytes(StandardCharsets.UTF_8)));
        page.waitForURL(Pattern.compile(".*/desk/intake/.*"));
        assertThat(page.getByLabel("Type of Box")).hasValue("TEXT");
        page.getByLabel("Type of Box").selectOption("REFERENCE:nest_boxes");
        Locator box = page.locator(".intake-table th").nth(1);
        assertThat(box).containsText("3 of 4 name a row that is there");
        assertThat(box).containsText("“Swift box”");
        page.getByLabel("Type of Photo").selectOption("PICTURE");
        assertThat(page.locator(".intake-table th").nth(2)).containsText("0 of 4 names have their file");
        page.waitForResponse(Pattern.compile(".*/look"), () -> box.locator("[name='making.1']").check());
        page.reload();
        assertThat(box.locator("[name='making.1']")).isChecked();
        page.locator(".drop-small input[type=file]").setInputFiles(new FilePayload("all.zip", "application/zip",
                zip(Map.of("a.png", picture("a", 300).buffer, "b.png", picture("b", 310).buffer, "x.png", new byte[] {1}))));
        assertThat(page.locator(".intake-table th").nth(2)).containsText("3 of 4 names have their file");
        assertThat(page.locator(".drop-small")).containsText("2 files of the zip are kept.");
        assertThat(violations(page)).isEmpty();
        button(page, "Bring in").click();
        page.waitForURL(Pattern.compile(".*/desk/pages/visits.*"));
        page.navigate(address("/desk/tables/visits"));
        assertThat(column(page, 2)).containsExactly("Owl box", "Bat box", "Wren box", "Swift box");
        assertThat(page.locator("tbody img")).hasCount(3);
        assertThat(column(page, 3).get(2)).isEqualTo("c.png");
        page.navigate(address(TABLE));
        assertThat(column(page, 1)).contains("Swift box");
    }

    private static byte[] zip(Map<String, byte[]> files) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
            for (Map.Entry<String, byte[]> each : files.entrySet()) {
                zip.putNextEntry(new ZipEntry(each.getKey()));
                zip.write(each.getValue());
            }
        }
        return bytes.toByteArray();
    }
}
