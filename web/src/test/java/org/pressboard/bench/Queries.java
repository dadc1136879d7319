package org.pressboard.bench;

import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Reads the query part of an address. */
final class Queries {

    private Queries() {
    }

    static Map<String, List<String>> parse(String query) {
        Map<String, List<String>> parameters = new LinkedHashMap<>();
        for (String part : query.replaceFirst("^\\?", "").split("&")) {
            if (!part.isEmpty()) {
                String[] pair = part.split("=", 2);
                parameters.computeIfAbsent(pair[0], name -> new ArrayList<>())
                        .add(URLDecoder.decode(pair[1], StandardCharsets.UTF_8));
            }
        }
        return parameters;
    }
}
