package lucidsweep.server.web;

import org.springframework.context.annotation.Configuration;
import org.springframework.web.servlet.config.annotation.ViewControllerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** Addresses of the interface's views all lead to its one page. */
@Configuration
class PageFallback implements WebMvcConfigurer {

    @Override
    public void addViewControllers(ViewControllerRegistry views) {
        views.addViewController("/").setViewName("forward:/index.html");
        views.addViewController("/p/**").setViewName("forward:/index.html");
    }
}
