package org.pressboard.filling;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.pressboard.visit.Visits;
import org.springframework.core.MethodParameter;
import org.springframework.stereotype.Component;
import org.springframework.util.LinkedMultiValueMap;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.support.WebDataBinderFactory;
import org.springframework.web.context.request.NativeWebRequest;
import org.springframework.web.method.support.HandlerMethodArgumentResolver;
import org.springframework.web.method.support.ModelAndViewContainer;

/** Hands on what somebody wants to change of the listing that the address names. */
@Component
final class FillingArgument implements HandlerMethodArgumentResolver {

    private final Visits visits;
    private final Fillings fillings;

    FillingArgument(Visits visits, Fillings fillings) {
        this.visits = visits;
        this.fillings = fillings;
    }

    @Override
    public boolean supportsParameter(MethodParameter parameter) {
        return parameter.getParameterType().equals(Filling.class);
    }

    @Override
    public Filling resolveArgument(MethodParameter parameter, @Nullable ModelAndViewContainer model, NativeWebRequest request,
            @Nullable WebDataBinderFactory binders) {
        MultiValueMap<String, String> parameters = new LinkedMultiValueMap<>();
        request.getParameterMap().forEach((name, values) -> parameters.put(name, List.of(values)));
        HttpServletRequest asked = Objects.requireNonNull(request.getNativeRequest(HttpServletRequest.class));
        return fillings.find(visits.of(asked), new Filling.Sent(parameters, asked,
                Objects.requireNonNull(request.getNativeResponse(HttpServletResponse.class))));
    }
}
