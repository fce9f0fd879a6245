package mezcla.web.layout;

import org.springframework.boot.web.servlet.FilterRegistrationBean;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.web.servlet.resource.ResourceUrlEncodingFilter;

/**
 * Links are written as they stand. The filter that would look for a file behind each of them, to put its version into
 * the link, took more than half of the time of a long page.
 */
@Configuration
class LinksConfiguration {
    @Bean
    FilterRegistrationBean<ResourceUrlEncodingFilter> linksAsTheyStand() {
        FilterRegistrationBean<ResourceUrlEncodingFilter> filter =
                new FilterRegistrationBean<>(new ResourceUrlEncodingFilter());
        filter.setEnabled(false);
        return filter;
    }
}
