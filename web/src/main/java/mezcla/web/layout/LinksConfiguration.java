package mezcla.web.layout;

import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.web.servlet.FilterRegistrationBean;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.Ordered;
import org.springframework.web.context.support.WebApplicationObjectSupport;
import org.springframework.web.servlet.View;
import org.springframework.web.servlet.ViewResolver;
import org.springframework.web.servlet.resource.ResourceUrlEncodingFilter;
import org.springframework.web.servlet.view.RedirectView;

/** Links are written as they stand, and so is where a page leads to: it may hold what somebody typed, braces too. */
@Configuration
class LinksConfiguration {
    /** The filter that looks for a file behind each link, to put its version in, took half of the time of a long page. */
    @Bean
    FilterRegistrationBean<ResourceUrlEncodingFilter> linksAsTheyStand() {
        FilterRegistrationBean<ResourceUrlEncodingFilter> filter =
                new FilterRegistrationBean<>(new ResourceUrlEncodingFilter());
        filter.setEnabled(false);
        return filter;
    }

    @Bean
    ViewResolver redirectionsAsTheyStand() {
        return new Redirections();
    }

    /** Leads to an address without taking what stands in braces for the name of something. */
    private static final class Redirections extends WebApplicationObjectSupport implements ViewResolver, Ordered {
        private static final String REDIRECT = "redirect:";

        @Override
        public int getOrder() {
            return HIGHEST_PRECEDENCE;
        }

        @Override
        public @Nullable View resolveViewName(String name, Locale locale) {
            if (!name.startsWith(REDIRECT)) {
                return null;
            }
            RedirectView view = new RedirectView(name.substring(REDIRECT.length()), true);
            view.setExpandUriTemplateVariables(false);
            view.setApplicationContext(obtainApplicationContext());
            return view;
        }
    }
}
