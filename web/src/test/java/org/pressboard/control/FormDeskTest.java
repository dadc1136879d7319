package org.pressboard.control;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.anyString;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.pressboard.catalog.PublishedSite;
import org.pressboard.catalog.Site;
import org.pressboard.editing.FormSending;
import org.pressboard.edition.Page;
import org.pressboard.edition.PageKey;
import org.pressboard.form.Form;
import org.pressboard.form.FormKey;
import org.pressboard.grant.Visitor;
import org.pressboard.rows.ReferredValues;
import org.pressboard.rows.RowPicker;
import org.pressboard.signin.Browsers;
import org.pressboard.signin.Seal;
import org.pressboard.stand.OpenForm;
import org.pressboard.stand.OpenPage;
import org.pressboard.stand.Stand;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Tables;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;
import org.pressboard.visit.Caller;
import org.pressboard.visit.Visit;
import org.springframework.context.MessageSource;
import org.springframework.util.MultiValueMap;

/** What seems to be sent by a program, by when the form was begun and what is filled in. */
class FormDeskTest {

    private static final Instant NOW = Instant.parse("2026-10-03T10:00:00Z");
    private static final TableKey NOTES = new TableKey("notes");
    private static final Tables TABLES = Tables.of(List.of(new Table(NOTES, "Notes",
            new Fields(List.of(new Field(new FieldKey("note"), "Note", new Textual.Text()))))));
    private static final PublishedSite SITE = new PublishedSite(new Site("Orchard", "en-GB", "", Site.SignUp.CLOSED, ZoneOffset.UTC),
            List.of(), Set.of(), TABLES, Map.of(), List.of(), Map.of());
    private static final Visitor MEMBER = Visitor.member("mira@example.org");

    private final Seal seal = mock();

    private final FormDesk desk = new FormDesk(mock(CalledRows.class), mock(RowPicker.class), mock(ReferredValues.class), mock(FormSending.class),
            mock(Browsers.class), seal, mock(MessageSource.class), Clock.fixed(NOW, ZoneOffset.UTC), Duration.ofSeconds(2));

    private Optional<String> suspicion(Visitor visitor, Duration took, String trap) {
        return suspicion(visitor, took, trap, "");
    }

    private Optional<String> suspicion(Visitor visitor, Duration took, String trap, String hand) {
        when(seal.check(anyString())).thenReturn(Optional.of(NOW.minus(took).toEpochMilli() + " /notes/send/tell"));
        Visit visit = Visit.of(new Caller(null, visitor, null, ""), SITE, 0, LocalDateTime.ofInstant(NOW, ZoneOffset.UTC));
        PageKey notes = new PageKey("notes");
        OpenPage page = new OpenPage(new Stand.Published(notes), new Page(notes, "Notes", List.of()), visit);
        return desk.suspicion(new OpenForm(page, Form.plain(new FormKey("tell"), NOTES, "Tell")),
                MultiValueMap.fromSingleValue(Map.of("begun", "sealed", "website", trap, "hand", hand)));
    }

    @Test
    void whoIsNotSignedInTakesAMomentToFillAFormIn() {
        assertThat(suspicion(Visitor.ANYONE, Duration.ofMillis(1_999), "")).contains("form.quick");
        assertThat(suspicion(Visitor.ANYONE, Duration.ofSeconds(2), "")).isEmpty();
        assertThat(suspicion(MEMBER, Duration.ofMillis(300), "")).isEmpty();
    }

    @Test
    void aFormIsGoodForTwoDays() {
        assertThat(suspicion(MEMBER, Duration.ofDays(2), "")).isEmpty();
        assertThat(suspicion(MEMBER, Duration.ofDays(2).plusMillis(1), "")).contains("form.stale");
    }

    @Test
    void onlyProgramsFillInWhatNobodySees() {
        assertThat(suspicion(MEMBER, Duration.ofMinutes(1), "https://example.net")).contains("form.trap");
    }
}
