package org.pressboard.signin;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What browsers say of themselves; from memory. */
class BrowserNameTest {

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            Mozilla/5.0 (X11; Linux x86_64; rv:140.0) Gecko/20100101 Firefox/140.0 | Firefox, Linux
            Mozilla/5.0 (Windows NT 10.0; Win64; x64) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/140.0.0.0 Safari/537.36 Edg/140.0.0.0 | Edge, Windows
            Mozilla/5.0 (Linux; Android 10; K) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/140.0.0.0 Mobile Safari/537.36 | Chrome, Android
            Mozilla/5.0 (iPhone; CPU iPhone OS 18_5 like Mac OS X) AppleWebKit/605.1.15 (KHTML, like Gecko) Version/18.5 Mobile/15E148 Safari/604.1 | Safari, iPhone
            Mozilla/5.0 (Macintosh; Intel Mac OS X 10_15_7) AppleWebKit/605.1.15 (KHTML, like Gecko) Version/18.5 Safari/605.1.15 | Safari, macOS
            curl/8.5 (Linux) | Linux
            """)
    void theyAreCalledAsTheirUsersCallThem(String agent, String name) {
        assertThat(BrowserName.of(agent)).isEqualTo(name);
    }

    @Test
    void nothingIsMadeUp() {
        assertThat(BrowserName.of("tea kettle")).isEmpty();
        assertThat(BrowserName.of(null)).isEmpty();
    }
}
