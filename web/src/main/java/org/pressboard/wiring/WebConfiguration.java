package org.pressboard.wiring;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.pressboard.catalog.SiteClock;
import org.pressboard.drawing.Assets;
import org.pressboard.sheet.DrawnSheets;
import org.pressboard.site.SiteFrames;
import org.pressboard.visit.Visits;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.boot.info.BuildProperties;
import org.springframework.boot.web.servlet.FilterRegistrationBean;
import org.springframework.boot.webmvc.autoconfigure.WebMvcRegistrations;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.Ordered;
import org.springframework.http.CacheControl;
import org.springframework.web.method.support.HandlerMethodArgumentResolver;
import org.springframework.web.servlet.HandlerExceptionResolver;
import org.springframework.web.servlet.LocaleResolver;
import org.pressboard.problem.ProblemsFound;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import org.thymeleaf.spring6.view.ThymeleafViewResolver;

/** Languages, files that ship with the application, and the outermost filter. */
@Configuration(proxyBeanMethods = false)
class WebConfiguration implements WebMvcConfigurer {

    private static final Duration A_YEAR = Duration.ofDays(365);

    private final Assets assets;
    private final Visits visits;
    private final ObjectProvider<HandlerMethodArgumentResolver> arguments;
    private final DatabaseAwayFilter databaseAway;

    WebConfiguration(Assets assets, Visits visits, ObjectProvider<HandlerMethodArgumentResolver> arguments) {
        this.arguments = arguments;
        this.assets = assets;
        this.visits = visits;
        this.databaseAway = new DatabaseAwayFilter(assets.path("site.css"));
    }

    @Override
    public void extendHandlerExceptionResolvers(List<HandlerExceptionResolver> resolvers) {
        resolvers.addFirst(databaseAway);
        resolvers.addFirst(new BrokenOff());
    }

    @Override
    public void addArgumentResolvers(List<HandlerMethodArgumentResolver> resolvers) {
        arguments.orderedStream().forEach(resolvers::add);
    }

    /** Under an address that changes with each build, so that browsers may keep them. */
    @Override
    public void addResourceHandlers(ResourceHandlerRegistry registry) {
        registry.addResourceHandler(assets.path("**"))
                .addResourceLocations("classpath:/static/")
                .setCacheControl(CacheControl.maxAge(A_YEAR).cachePublic().immutable());
        registry.addResourceHandler("/favicon.svg").addResourceLocations("classpath:/static/")
                .setCacheControl(CacheControl.maxAge(Duration.ofDays(1)));
    }

    @Bean
    FilterRegistrationBean<DatabaseAwayFilter> databaseAwayFilter() {
        FilterRegistrationBean<DatabaseAwayFilter> filter = new FilterRegistrationBean<>(databaseAway);
        filter.setOrder(Ordered.HIGHEST_PRECEDENCE + 2);
        return filter;
    }

    @Bean
    FilterRegistrationBean<BodyBound> bodyBound() {
        FilterRegistrationBean<BodyBound> filter = new FilterRegistrationBean<>(new BodyBound(new RefusedPage(assets)));
        filter.setOrder(Ordered.HIGHEST_PRECEDENCE + 1);
        return filter;
    }

    @Bean
    FilterRegistrationBean<FloodGate> floodGate(@Value("${pressboard.requests-per-second:100}") int perSecond) {
        FilterRegistrationBean<FloodGate> filter =
                new FilterRegistrationBean<>(new FloodGate(perSecond, new RefusedPage(assets)));
        filter.setOrder(Ordered.HIGHEST_PRECEDENCE);
        return filter;
    }

    /** No text can have a NUL character in PostgreSQL, nor means anybody one. */
    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(new HandlerInterceptor() {
            @Override
            public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler) {
                boolean isForm = request.getMethod().equals("POST")
                        && !String.valueOf(request.getContentType()).startsWith("multipart/");
                if (isForm && request.getParameterMap().values().stream().flatMap(Arrays::stream)
                        .anyMatch(text -> text.indexOf('\0') >= 0)) {
                    throw ProblemsFound.of("nul-character");
                }
                return true;
            }
        });
    }

    /** The desk and the visitors' pages speak the site's language. */
    @Bean
    LocaleResolver localeResolver() {
        return new LocaleResolver() {
            @Override
            public Locale resolveLocale(HttpServletRequest request) {
                return visits.of(request).language();
            }

            @Override
            public void setLocale(HttpServletRequest request, @Nullable HttpServletResponse response,
                    @Nullable Locale locale) {
                throw new UnsupportedOperationException("The language is the site's");
            }
        };
    }

    @Bean
    static WebMvcRegistrations quickMappings() {
        return new WebMvcRegistrations() {
            @Override
            public RequestMappingHandlerMapping getRequestMappingHandlerMapping() {
                return new QuickMappings();
            }
        };
    }

    /** What every template may use, error pages included. */
    @Bean
    SmartInitializingSingleton sharedWithTemplates(ThymeleafViewResolver views, SiteFrames frames, DrawnSheets drawn) {
        return () -> {
            views.addStaticVariable("assets", assets);
            views.setViewClass(FramedView.class);
            views.addStaticVariable(FramedView.FRAMES, frames);
            views.addStaticVariable("drawn", drawn);
        };
    }

    @Bean
    static SmartInitializingSingleton fewTraces() {
        return FewTraces::begin;
    }

    @Bean
    static Clock clock() {
        return new SiteClock();
    }

    @Bean
    static Assets assets(BuildProperties build) {
        return new Assets(Long.toString(Objects.requireNonNull(build.getTime()).toEpochMilli(), 36));
    }
}
