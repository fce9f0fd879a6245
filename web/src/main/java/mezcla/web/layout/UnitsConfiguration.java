package mezcla.web.layout;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Locale;
import mezcla.web.access.Members;
import mezcla.web.access.SignedIn;
import mezcla.web.house.HouseService;
import org.jspecify.annotations.Nullable;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.web.servlet.LocaleResolver;

/** In what units a page is read: the member's, or else the house's. */
@Configuration
class UnitsConfiguration {
    @Bean
    LocaleResolver localeResolver(HouseService houses, Members members) {
        return new LocaleResolver() {
            @Override
            public Locale resolveLocale(HttpServletRequest request) {
                return SignedIn.here()
                        .map(member -> members.unitsOf(member.id()))
                        .orElseGet(() -> houses.house().units())
                        .locale();
            }

            @Override
            public void setLocale(
                    HttpServletRequest request, @Nullable HttpServletResponse response, @Nullable Locale locale) {
                throw new UnsupportedOperationException("units are chosen on the House page");
            }
        };
    }
}
