package org.pressboard.value;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Confusables and restriction levels as Unicode Technical Standard 39 has them, by ICU; IDNA by the JDK (RFC 3490). */
class MailAddressTest {

    @ParameterizedTest
    @ValueSource(strings = {"Mira@Example.org", " mira@example.org ", "mira@example.org.", "mi\u200Bra@example.org",
        "\u202Emira@example.org", "mira\u00AD@example.org", "\uFF4D\uFF49\uFF52\uFF41@example.org", "mira@example\u3164.org",
        "\u2066mira@EXAMPLE.ORG\u2069", "mira@example.org.."})
    void oneAddressHoweverItIsWritten(String written) {
        assertThat(MailAddress.normal(written)).isEqualTo("mira@example.org");
        assertThat(MailAddress.isMisleading(written)).isFalse();
    }

    @ParameterizedTest
    @ValueSource(strings = {"m\u0456ra@example.org", "mir\u0430@example.org", "mira@ex\u0430mple.org", "\u0441\u043E\u0441\u043E@example.org"})
    void whatLooksLikeAnotherIsMisleading(String written) {
        assertThat(MailAddress.isMisleading(written)).isTrue();
    }

    @ParameterizedTest
    @ValueSource(strings = {"zo\u00EB@example.org", "\u043C\u0438\u0440\u0430\u0436@\u043F\u043E\u0447\u0442\u0430.example", "modern@example.org",
        "l1@example.org"})
    void lettersOfOneScriptAreNot(String written) {
        assertThat(MailAddress.isMisleading(written)).isFalse();
    }

    @ParameterizedTest
    @CsvSource({"mira+pears@example.org,mira@example.org", "MIRA+@example.org.,mira@example.org", "mira@b\u00FCcher.example,mira@xn--bcher-kva.example"})
    void lettersArriveInOneBox(String written, String box) {
        assertThat(MailAddress.box(written)).isEqualTo(box);
    }

    @Test
    void whatIsNoAddressIsLeftAlone() {
        assertThat(MailAddress.normal("no address")).isEqualTo("no address");
        assertThat(MailAddress.normal("a@b_c.d\u00E9")).contains("@");
    }
}
