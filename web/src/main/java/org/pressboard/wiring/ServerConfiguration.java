package org.pressboard.wiring;

import java.io.IOException;
import java.util.Arrays;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.apache.catalina.Host;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.core.StandardHost;
import org.apache.catalina.valves.ErrorReportValve;
import org.apache.catalina.valves.RemoteIpValve;
import org.pressboard.connector.BoundedProtocol;
import org.pressboard.connector.Door;
import org.pressboard.drawing.Assets;
import org.pressboard.memory.Budget;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.Ordered;

/** The server that the application runs in. */
@Configuration(proxyBeanMethods = false)
class ServerConfiguration {

    /** Connections and requests come through our own door. */
    @Bean
    WebServerFactoryCustomizer<TomcatServletWebServerFactory> door(Budget budget, Assets assets,
            @Value("${pressboard.proxies:}") String proxies, @Value("${pressboard.connections-of-address:250}") int mostOfAddress) {
        return new DoorFirst(budget, new RefusedPage(assets), mostOfAddress, Arrays.stream(proxies.split(",")).map(String::strip)
                .filter(proxy -> !proxy.isEmpty()).collect(Collectors.toSet()));
    }

    /** Before all others: it goes by the addresses of connections, not by what proxies say. */
    private record DoorFirst(Budget budget, RefusedPage page, int mostOfAddress, Set<String> proxies)
            implements WebServerFactoryCustomizer<TomcatServletWebServerFactory>, Ordered {

        @Override
        public void customize(TomcatServletWebServerFactory factory) {
            Door door = new Door(budget, mostOfAddress, proxies, page::write);
            factory.setProtocol(BoundedProtocol.class.getName());
            factory.addConnectorCustomizers(door::bound);
            factory.addEngineValves(door);
        }

        @Override
        public int getOrder() {
            return Ordered.HIGHEST_PRECEDENCE;
        }
    }

    /**
     * What a proxy says of visitors' addresses is believed only of those named; else anybody could say that they are
     * somebody else, and no bound by address would hold.
     *
     * @param proxies their addresses, apart by commas; none: nobody is believed
     */
    @Bean
    WebServerFactoryCustomizer<TomcatServletWebServerFactory> proxies(
            @Value("${pressboard.proxies:}") String proxies) {
        return factory -> {
            if (!proxies.isBlank()) {
                RemoteIpValve valve = new RemoteIpValve();
                valve.setInternalProxies(Arrays.stream(proxies.split(",")).map(String::strip).map(Pattern::quote)
                        .collect(Collectors.joining("|")));
                valve.setRemoteIpHeader("X-Forwarded-For");
                valve.setProtocolHeader("X-Forwarded-Proto");
                factory.addEngineValves(valve);
            }
        };
    }

    /** What the server refuses by itself, such as an address that is none, gets our page and headers too. */
    @Bean
    WebServerFactoryCustomizer<TomcatServletWebServerFactory> refusals(Assets assets) {
        return factory -> factory.addContextCustomizers(context -> {
            if (context.getParent() instanceof Host host) {
                ((StandardHost) host).setErrorReportValveClass("");
                host.getPipeline().addValve(new Refusals(new RefusedPage(assets)));
            }
        });
    }

    /** Writes our page where the server would write its own. */
    private static final class Refusals extends ErrorReportValve {

        private final RefusedPage page;

        private Refusals(RefusedPage page) {
            this.page = page;
        }

        @Override
        protected void report(Request request, Response response, Throwable failed) {
            if (response.getStatus() < 400 || response.getContentWritten() > 0 || response.isCommitted()) {
                return;
            }
            try {
                page.write(response.getResponse(), response.getStatus());
            } catch (IOException gone) {
                container.getLogger().debug("Nobody is there to be told", gone);
            }
        }
    }
}
