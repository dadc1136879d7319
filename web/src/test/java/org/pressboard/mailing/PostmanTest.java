package org.pressboard.mailing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import com.icegreen.greenmail.util.GreenMail;
import com.icegreen.greenmail.util.GreenMailUtil;
import com.icegreen.greenmail.util.ServerSetupTest;
import jakarta.mail.internet.MimeMessage;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.pressboard.mail.Letter;
import org.pressboard.mail.Outbox;

/** Letters by SMTP to a server that another library runs. */
class PostmanTest {

    private final GreenMail server = new GreenMail(ServerSetupTest.SMTP.dynamicPort());
    private final Outbox outbox = mock();

    @BeforeEach
    void start() {
        server.start();
    }

    @AfterEach
    void stop() {
        server.stop();
    }

    private Postman postman() {
        return new Postman(outbox, "127.0.0.1", server.getSmtp().getPort(), "", "", "orchard@example.org", false);
    }

    private void waiting(Letter letter) throws Exception {
        when(outbox.sendNext(any())).thenAnswer(call -> {
            call.<Outbox.Carrier>getArgument(0).carry(letter);
            return true;
        }).thenReturn(false);
    }

    @Test
    void aLetterArrivesAsItWasWritten() throws Exception {
        waiting(new Letter("mira@example.org", "Äpfel für Mira\r\nBcc: others@example.org", "Grüße,\n20 °C",
                Letter.Why.ENTRY));
        postman().deliver();
        assertThat(server.getReceivedMessages()).hasSize(1);
        MimeMessage got = server.getReceivedMessages()[0];
        assertThat(got.getSubject()).isEqualTo("Äpfel für Mira Bcc: others@example.org");
        assertThat(got.getAllRecipients()).extracting(Object::toString).containsExactly("mira@example.org");
        assertThat(got.getFrom()).extracting(Object::toString).containsExactly("orchard@example.org");
        assertThat(got.getContent().toString().replace("\r\n", "\n")).isEqualTo("Grüße,\n20 °C");
        assertThat(GreenMailUtil.getHeaders(got)).contains("Auto-Submitted: auto-generated");
    }

    @Test
    void aServerThatIsAwayIsSaid() throws Exception {
        Letter letter = new Letter("mira@example.org", "Hello", "Hello", Letter.Why.ENTRY);
        Postman postman = postman();
        server.stop();
        Outbox.Carrier[] carrier = new Outbox.Carrier[1];
        when(outbox.sendNext(any())).thenAnswer(call -> {
            carrier[0] = call.getArgument(0);
            return false;
        });
        postman.deliver();
        assertThatThrownBy(() -> carrier[0].carry(letter)).isInstanceOf(Outbox.Undelivered.class);
    }

    @Test
    void whatIsNoAddressIsRefused() {
        for (String bad : new String[] {"", "mira", "a@b\nBcc: c@d", "a@b,c@d", "<a@b>", "a b@c"}) {
            assertThatThrownBy(() -> new Letter(bad, "Hello", "Hello", Letter.Why.ENTRY))
                    .isInstanceOf(IllegalArgumentException.class);
        }
    }
}
