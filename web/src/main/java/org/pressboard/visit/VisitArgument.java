package org.pressboard.visit;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.springframework.core.MethodParameter;
import org.springframework.stereotype.Component;
import org.springframework.web.bind.support.WebDataBinderFactory;
import org.springframework.web.context.request.NativeWebRequest;
import org.springframework.web.method.support.HandlerMethodArgumentResolver;
import org.springframework.web.method.support.ModelAndViewContainer;

/** Hands the visit on to whoever answers the request. */
@Component
final class VisitArgument implements HandlerMethodArgumentResolver {

    private final Visits visits;

    VisitArgument(Visits visits) {
        this.visits = visits;
    }

    @Override
    public boolean supportsParameter(MethodParameter parameter) {
        return parameter.getParameterType().equals(Visit.class);
    }

    @Override
    public Visit resolveArgument(MethodParameter parameter, @Nullable ModelAndViewContainer model, NativeWebRequest request,
            @Nullable WebDataBinderFactory binders) {
        return visits.of(Objects.requireNonNull(request.getNativeRequest(HttpServletRequest.class)));
    }
}
