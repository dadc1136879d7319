package org.pressboard.signin;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/** What a browser is called by its user, and on what it runs; from what it says of itself (RFC 9110, 10.1.5), common practice. */
final class BrowserName {

    /** Each also says that it is one of those behind it. */
    private static final Map<String, String> BROWSERS = ordered("Edg", "Edge", "OPR/", "Opera", "Firefox/", "Firefox",
            "FxiOS/", "Firefox", "CriOS/", "Chrome", "Chrome/", "Chrome", "Safari/", "Safari");

    private static final Map<String, String> SYSTEMS = ordered("Android", "Android", "iPhone", "iPhone", "iPad", "iPad",
            "Windows", "Windows", "Mac OS X", "macOS", "CrOS", "ChromeOS", "Linux", "Linux");

    private BrowserName() {
    }

    private static Map<String, String> ordered(String... pairs) {
        Map<String, String> names = new LinkedHashMap<>();
        for (int i = 0; i < pairs.length; i += 2) {
            names.put(pairs[i], pairs[i + 1]);
        }
        return names;
    }

    /** Such as {@code Firefox, Linux}; empty where neither is known. */
    static String of(@Nullable String agent) {
        return agent == null ? "" : Stream.of(BROWSERS, SYSTEMS).flatMap(names -> names.entrySet().stream()
                .filter(name -> agent.contains(name.getKey())).map(Map.Entry::getValue).limit(1))
                .collect(Collectors.joining(", "));
    }
}
