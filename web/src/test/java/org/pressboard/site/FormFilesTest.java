package org.pressboard.site;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.FilePayload;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpRequest;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.pressboard.condition.Condition;
import org.pressboard.edition.PageKey;
import org.pressboard.form.Form;
import org.pressboard.form.FormKey;
import org.pressboard.form.Question;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Grant;
import org.pressboard.grant.Grants;
import org.pressboard.grant.Verb;
import org.pressboard.table.Attached;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.FieldType;
import org.pressboard.table.Rules;
import org.pressboard.table.Table;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;

/** Pictures that come with a form, and questions that hang on others. */
class FormFilesTest extends WithTables {

    private static final FieldKey NAME = new FieldKey("name");
    private static final FieldKey SHOWN = new FieldKey("shown");
    private static final FieldKey PICTURE = new FieldKey("picture");
    private static final PageKey PAGE = new PageKey("sightings");

    @Autowired
    private JdbcTemplate database;

    private Table table;

    @BeforeEach
    void make() {
        table = changes.make("Sightings", new Fields(List.of(
                new Field(NAME, "Name", new Textual.Text()).with(Rules.NONE.requiring(true)),
                new Field(SHOWN, "With a picture", new FieldType.YesNo()), new Field(PICTURE, "Picture",
                        new Attached.Picture()))), OWNER);
        publisher.grant(table.key(), new Grants(List.of(new Grant(Audience.EVERYONE, Verb.ADD, Condition.ALWAYS))));
        Form form = Form.plain(new FormKey("tell"), table.key(), "Tell us").asking(List.of(Question.of(NAME),
                Question.of(SHOWN),
                Question.of(PICTURE).requiring(true).when(Condition.oneOf(SHOWN,
                        List.of(org.pressboard.value.Value.of(true))))));
        catalog.addPage(new org.pressboard.edition.Page(PAGE, "Sightings", List.of()).holding(List.of(form)));
        publisher.publish(PAGE, Map.of(), null);
    }

    @AfterEach
    void remove() {
        closePages();
        publisher.remove(table.key());
    }

    @Test
    void aPictureSurvivesWhatElseIsWrong() throws IOException {
        Page page = desktop();
        page.navigate(address("/sightings"));
        assertThat(page.locator("[data-question=picture]")).isHidden();
        page.getByLabel("With a picture").selectOption("yes");
        assertThat(page.locator("[data-question=picture]")).isVisible();
        assertThat(violations(page)).isEmpty();
        page.locator("input[type=file]").setInputFiles(new FilePayload("fake.png", "image/png",
                "text".getBytes(StandardCharsets.UTF_8)));
        button(page, "Send").click();
        assertThat(page.locator("[role=alert]").first()).containsText("fake.png");
        page.locator("input[type=file]").setInputFiles(picture("moth.png"));
        button(page, "Send").click();
        assertThat(page.locator(".control-problem").first()).hasText("Please fill this in.");
        assertThat(page.locator(".fill-files")).containsText("moth.png");
        page.locator("[name='v.name']").fill("A moth");
        button(page, "Send").click();
        assertThat(page.locator(".note-good")).containsText("It has arrived");
        assertThat(database.queryForObject("select picture from hosted.sightings where name = 'A moth'", String.class))
                .endsWith("moth.png");
    }

    @Test
    void itWorksWithoutScriptsAndNobodyNamesFilesOfOthers() throws IOException {
        Page page = withoutScripts();
        page.navigate(address("/sightings"));
        page.locator("[name='v.name']").fill("A newt");
        page.getByLabel("With a picture").selectOption("yes");
        page.locator("input[type=file]").setInputFiles(picture("moth.png"));
        button(page, "Send").click();
        assertThat(page.locator(".note-good")).containsText("It has arrived");
        String content = database.queryForObject("select left(picture, 64) from hosted.sightings where name = 'A newt'", String.class);
        Page other = desktop();
        other.navigate(address("/sightings"));
        other.locator("[name='v.name']").fill("A thief");
        other.evaluate("content => document.querySelector('form.fill').insertAdjacentHTML('beforeend', "
                + "`<input type=hidden name='v.picture' value='${content} moth.png'>`)", content);
        button(other, "Send").click();
        assertThat(other.locator(".note-good")).containsText("It has arrived");
        assertThat(database.queryForObject("select count(*) from hosted.sightings where name = 'A thief' and picture is null",
                Integer.class)).isEqualTo(1);
    }

    @Test
    void filesForNoFormAreNotRead() {
        for (String path : List.of("/sightings/send/nothing", "/adopt/send/pledge", "/trees")) {
            assertThat(send(HttpRequest.newBuilder(URI.create(address(path))).header("Content-Type",
                    "multipart/form-data; boundary=x")
                    .POST(HttpRequest.BodyPublishers.ofString("--x--")).build()).statusCode()).as(path).isEqualTo(403);
        }
    }
}
