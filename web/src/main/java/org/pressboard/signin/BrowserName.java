package org.pressboard.signin;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/** What a browser is called by its user, and on what it runs; from what it says of itself (RFC 9110, 10.1.5), common practice. */
final class BrowserName {

    /** Each also says that it is one of those behind it. */
    private static final List<Map.Entry<String, String>> BROWSERS = List.of(Map.entry("Edg", "Edge"), Map.entry("OPR/", "Opera"),
            Map.entry("Firefox/", "Firefox"), Map.entry("FxiOS/", "Firefox"), Map.entry("CriOS/", "Chrome"),
            Map.entry("Chrome/", "Chrome"), Map.entry("Safari/", "Safari"));

    private static final List<Map.Entry<String, String>> SYSTEMS = List.of(Map.entry("Android", "Android"),
            Map.entry("iPhone", "iPhone"), Map.entry("iPad", "iPad"), Map.entry("Windows", "Windows"),
            Map.entry("Mac OS X", "macOS"), Map.entry("CrOS", "ChromeOS"), Map.entry("Linux", "Linux"));

    private BrowserName() {
    }

    /** Such as {@code Firefox, Linux}; empty where neither is known. */
    static String of(@Nullable String agent) {
        return agent == null ? "" : Stream.of(BROWSERS, SYSTEMS).flatMap(names -> names.stream()
                .filter(name -> agent.contains(name.getKey())).map(Map.Entry::getValue).limit(1))
                .collect(Collectors.joining(", "));
    }
}
