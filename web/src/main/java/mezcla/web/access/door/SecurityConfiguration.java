package mezcla.web.access.door;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.Objects;
import mezcla.web.access.Device;
import mezcla.web.access.Members;
import mezcla.web.access.secrets.SlowedPasswords;
import mezcla.web.access.secrets.Tries;
import mezcla.web.forms.LocalAddress;
import mezcla.web.store.StoreGuard;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.security.authentication.AuthenticationManager;
import org.springframework.security.authentication.LockedException;
import org.springframework.security.authentication.ProviderManager;
import org.springframework.security.authentication.dao.DaoAuthenticationProvider;
import org.springframework.security.config.annotation.method.configuration.EnableMethodSecurity;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.http.SessionCreationPolicy;
import org.springframework.security.core.AuthenticationException;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.DelegatingPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.authentication.AnonymousAuthenticationFilter;
import org.springframework.security.web.authentication.session.NullAuthenticatedSessionStrategy;
import org.springframework.security.web.context.SecurityContextHolderFilter;
import org.springframework.security.web.csrf.CookieCsrfTokenRepository;
import org.springframework.security.web.csrf.CsrfException;
import org.springframework.security.web.csrf.CsrfFilter;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;

/** Who may see and do what. Services check roles again with {@code @PreAuthorize}. */
@Configuration
@EnableMethodSecurity
class SecurityConfiguration {
    /** Probes have no account: each reading comes with the probe's own token. */
    private static final String PROBES = "/api/probes/*/readings";

    private static final String CONTENT_SECURITY_POLICY = String.join(
            "; ",
            "default-src 'none'",
            "script-src 'self'",
            "style-src 'self'",
            "font-src 'self'",
            "img-src 'self' data:",
            "connect-src 'self'",
            "form-action 'self'",
            "base-uri 'none'",
            "frame-ancestors 'none'");

    @Bean
    SecurityFilterChain security(
            HttpSecurity http,
            AuthenticationManager passwords,
            SignIns signIns,
            KeptForms kept,
            OnlyReadable readable,
            StoreGuard store)
            throws Exception {
        http.authorizeHttpRequests(requests -> requests.requestMatchers(
                                "/sign-in",
                                "/begin",
                                "/theme",
                                "/styles/**",
                                "/scripts/**",
                                "/fonts/**",
                                "/webjars/**",
                                "/refused/*",
                                "/health",
                                "/calendar/*",
                                "/wall/*",
                                "/error")
                        .permitAll()
                        .requestMatchers(PROBES)
                        .permitAll()
                        .anyRequest()
                        .authenticated())
                .sessionManagement(none -> none.sessionCreationPolicy(SessionCreationPolicy.STATELESS))
                .securityContext(context -> context.securityContextRepository(signIns))
                .formLogin(form -> form.loginPage("/sign-in")
                        .usernameParameter("name")
                        .passwordParameter("password")
                        .authenticationDetailsSource(SecurityConfiguration::from)
                        .successHandler((request, response, member) -> response.sendRedirect(next(request, kept)))
                        .failureHandler(SecurityConfiguration::refuse)
                        .permitAll())
                .authenticationManager(passwords)
                .requestCache(cache -> cache.requestCache(kept))
                .exceptionHandling(refused -> refused.authenticationEntryPoint(new AsksToSignIn(kept))
                        .accessDeniedHandler((request, response, denied) -> {
                            response.setStatus(HttpServletResponse.SC_FORBIDDEN);
                            request.getRequestDispatcher(
                                            denied instanceof CsrfException ? "/refused/old" : "/refused/denied")
                                    .forward(request, response);
                        }))
                .addFilterBefore(new SaysTrouble(store), SecurityContextHolderFilter.class)
                .addFilterBefore(readable, CsrfFilter.class)
                .addFilterAfter(new AsksWho(kept), AnonymousAuthenticationFilter.class)
                .addFilterAfter(new AsksForPin(), AsksWho.class)
                .csrf(csrf -> csrf.csrfTokenRepository(tokens())
                        .sessionAuthenticationStrategy(new NullAuthenticatedSessionStrategy())
                        .ignoringRequestMatchers(PROBES))
                .logout(out -> out.logoutUrl("/sign-out")
                        .logoutSuccessHandler((request, response, member) -> response.sendRedirect(
                                Device.of(request).filter(Device::shared).isPresent() ? "/who" : "/sign-in?out")))
                .headers(headers ->
                        headers.contentSecurityPolicy(policy -> policy.policyDirectives(CONTENT_SECURITY_POLICY)))
                .headers(headers -> headers.referrerPolicy(referrer -> referrer.policy(ReferrerPolicy.SAME_ORIGIN)));
        return http.build();
    }

    /** The token against forgery stays the same when somebody signs in, so that a page that is open goes on. */
    private static CookieCsrfTokenRepository tokens() {
        CookieCsrfTokenRepository tokens = new CookieCsrfTokenRepository();
        tokens.setCookieCustomizer(cookie -> cookie.sameSite("Lax"));
        return tokens;
    }

    private static SlowedPasswords.From from(HttpServletRequest request) {
        return Device.of(request)
                .map(device -> new SlowedPasswords.From(
                        request.getRemoteAddr(), device.shared() ? 0 : device.accountId(), device.signInId()))
                .orElseGet(() -> new SlowedPasswords.From(request.getRemoteAddr(), 0, 0));
    }

    /** Where somebody goes on who signed in: to the form that was kept for them, or where they wanted to go. */
    private static String next(HttpServletRequest request, KeptForms kept) {
        String form =
                Device.of(request).map(device -> kept.page(device.signInId())).orElse(null);
        String to = request.getParameter("to");
        return form != null ? form : LocalAddress.or(to == null ? "" : to, "/");
    }

    private static void refuse(
            HttpServletRequest request, HttpServletResponse response, AuthenticationException failure)
            throws IOException {
        String to = LocalAddress.or(Objects.requireNonNullElse(request.getParameter("to"), ""), "");
        response.sendRedirect((failure instanceof LockedException ? "/sign-in?wait" : "/sign-in?refused")
                + (to.isEmpty() ? "" : "&to=" + URLEncoder.encode(to, StandardCharsets.UTF_8)));
    }

    /** The only way to look at a password: nothing else is asked when this one refuses. */
    @Bean
    AuthenticationManager passwords(Members members, PasswordEncoder encoder, Tries tries) {
        DaoAuthenticationProvider passwords = new DaoAuthenticationProvider(members);
        passwords.setPasswordEncoder(encoder);
        return new ProviderManager(new SlowedPasswords(passwords, members, tries));
    }

    @Bean
    PasswordEncoder passwordEncoder(@Value("${mezcla.password-strength}") int strength) {
        return new DelegatingPasswordEncoder("bcrypt", Map.of("bcrypt", new BCryptPasswordEncoder(strength)));
    }
}
