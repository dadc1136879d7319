package org.pressboard.wiring;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import java.lang.reflect.Method;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.mvc.method.RequestMappingInfo;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/**
 * Finds who answers a request. Where an address has variable parts, some two hundred methods are asked whether they are
 * meant, which takes a tenth of the time of a page; most differ in the first word of their addresses already.
 */
final class QuickMappings extends RequestMappingHandlerMapping {

    private static final String ANY = "";

    private final Map<RequestMappingInfo, Set<String>> firstWords = new ConcurrentHashMap<>();

    @Override
    protected void registerHandlerMethod(Object handler, Method method, RequestMappingInfo mapping) {
        super.registerHandlerMethod(handler, method, mapping);
        firstWords.put(mapping, mapping.getPatternValues().stream().map(QuickMappings::firstWord)
                .collect(Collectors.toSet()));
    }

    @Override
    protected @Nullable HandlerMethod lookupHandlerMethod(String path, HttpServletRequest request) throws Exception {
        return super.lookupHandlerMethod(path, new Asked(request, firstWord(path)));
    }

    @Override
    protected @Nullable RequestMappingInfo getMatchingMapping(RequestMappingInfo mapping, HttpServletRequest request) {
        return request instanceof Asked asked && !isPossible(firstWords.get(mapping), asked.firstWord) ? null
                : super.getMatchingMapping(mapping, request);
    }

    private static boolean isPossible(@Nullable Set<String> firstWords, String asked) {
        return firstWords == null || asked.equals(ANY) || firstWords.contains(ANY) || firstWords.contains(asked);
    }

    /** {@code desk} of {@code /desk/tables}; what varies is any, and so is what is written as few would. */
    private static String firstWord(String path) {
        int end = path.indexOf('/', 1);
        String word = path.isEmpty() ? "" : path.substring(1, end < 0 ? path.length() : end);
        return word.chars().allMatch(letter -> letter == '-' || Character.isLetterOrDigit(letter)) ? word : ANY;
    }

    /** With the first word of its address at hand. */
    private static final class Asked extends HttpServletRequestWrapper {

        private final String firstWord;

        Asked(HttpServletRequest request, String firstWord) {
            super(request);
            this.firstWord = firstWord;
        }
    }
}
