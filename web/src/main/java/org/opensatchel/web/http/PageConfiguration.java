package org.opensatchel.web.http;

import java.util.List;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.CacheControl;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** What every page has. */
@Configuration
class PageConfiguration implements WebMvcConfigurer {

    private final List<HandlerInterceptor> parts;

    /** @param parts what is added to every page, in their order */
    PageConfiguration(List<HandlerInterceptor> parts) {
        this.parts = parts;
    }

    /** Modules name each other by plain addresses, so each is asked for anew; what did not change costs an answer without content. */
    @Override
    public void addResourceHandlers(ResourceHandlerRegistry registry) {
        registry.addResourceHandler("/js/module/**").addResourceLocations("classpath:/static/js/module/")
                .setCacheControl(CacheControl.noCache());
    }

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        parts.forEach(part -> registry.addInterceptor(part).excludePathPatterns("/css/**", "/js/**", "/fonts/**", "/webjars/**"));
    }
}
