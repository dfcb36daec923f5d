package choir.server.web;

import java.time.Duration;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.io.ClassPathResource;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import org.springframework.web.servlet.resource.PathResourceResolver;

/** Serves the console: named assets for ever, and its one page for every address that is not the API's. */
@Configuration
class ConsolePages implements WebMvcConfigurer {
    @Override
    public void addResourceHandlers(ResourceHandlerRegistry registry) {
        registry.addResourceHandler("/assets/**")
                .addResourceLocations("classpath:/static/assets/")
                .setCacheControl(CacheControl.maxAge(Duration.ofDays(365)).immutable());
        registry.addResourceHandler("/**")
                .addResourceLocations("classpath:/static/")
                .setCacheControl(CacheControl.noCache())
                .resourceChain(true)
                .addResolver(new PageOrFile());
    }

    private static final class PageOrFile extends PathResourceResolver {
        @Override
        protected @org.jspecify.annotations.Nullable Resource getResource(String path, Resource location)
                throws java.io.IOException {
            if (path.startsWith("api/") || path.startsWith("actuator/")) {
                return null;
            }
            var file = super.getResource(path, location);
            return file != null ? file : new ClassPathResource("/static/index.html");
        }
    }
}
