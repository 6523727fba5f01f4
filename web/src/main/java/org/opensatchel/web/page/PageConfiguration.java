package org.opensatchel.web.page;

import org.springframework.context.annotation.Configuration;
import org.springframework.http.CacheControl;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** What every page has. */
@Configuration
class PageConfiguration implements WebMvcConfigurer {

    private final PathBand pathBand;
    private final PageZone pageZone;

    PageConfiguration(PathBand pathBand, PageZone pageZone) {
        this.pathBand = pathBand;
        this.pageZone = pageZone;
    }

    /** Modules name each other by plain addresses, so each is asked for anew; what did not change costs an answer without content. */
    @Override
    public void addResourceHandlers(ResourceHandlerRegistry registry) {
        registry.addResourceHandler("/js/module/**").addResourceLocations("classpath:/static/js/module/")
                .setCacheControl(CacheControl.noCache());
    }

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(pathBand).excludePathPatterns("/css/**", "/js/**", "/fonts/**", "/webjars/**");
        // The last is asked first after a page was made: the band has times too.
        registry.addInterceptor(pageZone);
    }
}
