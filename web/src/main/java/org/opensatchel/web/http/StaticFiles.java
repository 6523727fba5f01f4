package org.opensatchel.web.http;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import org.opensatchel.base.hash.Sha256;
import org.springframework.core.io.Resource;
import org.springframework.core.io.support.PathMatchingResourcePatternResolver;
import org.springframework.http.CacheControl;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/**
 * Styles, scripts and fonts below an address that holds their fingerprint: a browser keeps them for a year, and asks for new ones as soon
 * as one of them changes. What they name of each other is relative, so it carries the fingerprint too.
 */
@Component("files")
public class StaticFiles implements WebMvcConfigurer {

    private static final Duration KEPT = Duration.ofDays(365);
    private static final List<String> FROM = List.of("classpath:/static/", "classpath:/META-INF/resources/");

    private final String folder;

    StaticFiles() throws IOException {
        folder = "/files/" + fingerprint();
    }

    /** Where they are: {@code css}, {@code js}, {@code fonts} and {@code webjars} lie in it. */
    public String folder() {
        return folder;
    }

    @Override
    public void addResourceHandlers(ResourceHandlerRegistry registry) {
        registry.addResourceHandler(folder + "/**").addResourceLocations(FROM.toArray(String[]::new))
                .setCacheControl(CacheControl.maxAge(KEPT).cachePublic().immutable());
    }

    /** Of all files that are ours; what comes from libraries has its version in its path. */
    private static String fingerprint() throws IOException {
        Resource[] files = new PathMatchingResourcePatternResolver().getResources("classpath*:/static/**");
        Arrays.sort(files, Comparator.comparing(StaticFiles::name));
        StringBuilder all = new StringBuilder();
        for (Resource file : files) {
            if (file.isReadable() && file.getFilename() != null && !file.getFilename().isEmpty()) {
                try (InputStream in = file.getInputStream()) {
                    all.append(file.getFilename()).append(' ').append(Sha256.of(in.readAllBytes())).append('\n');
                }
            }
        }
        return Sha256.of(all.toString().getBytes(StandardCharsets.UTF_8)).substring(0, 16);
    }

    private static String name(Resource file) {
        try {
            return file.getURL().toString();
        } catch (IOException gone) {
            return String.valueOf(file.getFilename());
        }
    }
}
