package org.pressboard.wiring;

import static org.assertj.core.api.Assertions.assertThat;

import jakarta.servlet.ServletException;
import java.io.IOException;
import org.junit.jupiter.api.Test;
import org.pressboard.drawing.Assets;
import org.springframework.mock.web.MockFilterChain;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;

class FloodGateTest {

    private final FloodGate gate = new FloodGate(2, new RefusedPage(new Assets("x")));

    @Test
    void whatOneAddressAsksBeyondTheBoundIsRefusedAndOthersAreNotHeldUp() throws ServletException, IOException {
        for (int i = 0; i < 10; i++) {
            assertThat(ask("203.0.113.1").getStatus()).isEqualTo(200);
        }
        MockHttpServletResponse refused = ask("203.0.113.1");
        assertThat(refused.getStatus()).isEqualTo(429);
        assertThat(refused.getHeader("Retry-After")).isEqualTo("1");
        assertThat(refused.getHeader("Content-Security-Policy")).contains("default-src 'self'");
        assertThat(refused.getContentAsString()).contains("Wait a second and try again");
        assertThat(ask("203.0.113.2").getStatus()).isEqualTo(200);
    }

    private MockHttpServletResponse ask(String from) throws ServletException, IOException {
        MockHttpServletRequest request = new MockHttpServletRequest("GET", "/trees");
        request.setRemoteAddr(from);
        MockHttpServletResponse response = new MockHttpServletResponse();
        gate.doFilter(request, response, new MockFilterChain());
        return response;
    }
}
