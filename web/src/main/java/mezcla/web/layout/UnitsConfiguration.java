package mezcla.web.layout;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Locale;
import java.util.Optional;
import mezcla.web.access.Members;
import mezcla.web.access.SignedIn;
import mezcla.web.settings.HouseService;
import org.jspecify.annotations.Nullable;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.web.servlet.LocaleResolver;

/** In what units a page is read: the member's, or else the house's. A page asks hundreds of times, and looks once. */
@Configuration
class UnitsConfiguration {
    private static final String FOUND = UnitsConfiguration.class.getName();

    @Bean
    LocaleResolver localeResolver(HouseService houses, Members members) {
        return new LocaleResolver() {
            @Override
            public Locale resolveLocale(HttpServletRequest request) {
                Optional<SignedIn> member = SignedIn.here();
                String found = FOUND + member.map(SignedIn::id).orElse(null);
                if (request.getAttribute(found) instanceof Locale locale) {
                    return locale;
                }
                Locale locale = member.map(each -> members.unitsOf(each.id()))
                        .orElseGet(() -> houses.house().units())
                        .locale();
                request.setAttribute(found, locale);
                return locale;
            }

            @Override
            public void setLocale(
                    HttpServletRequest request, @Nullable HttpServletResponse response, @Nullable Locale locale) {
                throw new UnsupportedOperationException("units are chosen on the House page");
            }
        };
    }
}
