package org.opensatchel.web.page;

import org.springframework.context.annotation.Configuration;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** What every page has. */
@Configuration
class PageConfiguration implements WebMvcConfigurer {

    private final PathBand pathBand;

    PageConfiguration(PathBand pathBand) {
        this.pathBand = pathBand;
    }

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(pathBand).excludePathPatterns("/css/**", "/js/**", "/fonts/**", "/webjars/**");
    }
}
