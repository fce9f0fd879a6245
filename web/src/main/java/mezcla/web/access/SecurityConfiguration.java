package mezcla.web.access;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import javax.sql.DataSource;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.security.authentication.LockedException;
import org.springframework.security.authentication.dao.DaoAuthenticationProvider;
import org.springframework.security.config.annotation.method.configuration.EnableMethodSecurity;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.core.AuthenticationException;
import org.springframework.security.crypto.factory.PasswordEncoderFactories;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.authentication.AnonymousAuthenticationFilter;
import org.springframework.security.web.authentication.rememberme.JdbcTokenRepositoryImpl;
import org.springframework.security.web.csrf.CookieCsrfTokenRepository;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;
import org.springframework.security.web.savedrequest.RequestCache;

/** Who may see and do what. Services check roles again with {@code @PreAuthorize}. */
@Configuration
@EnableMethodSecurity
class SecurityConfiguration {
    /** Probes have no account: each reading comes with the probe's own token. */
    private static final String PROBES = "/api/probes/*/readings";

    private static final Duration EVENING = Duration.ofHours(12);

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
            Members members,
            PasswordEncoder encoder,
            SlowedSignIns slowed,
            DataSource store,
            SharedDevices devices,
            RequestCache typed)
            throws Exception {
        http.authorizeHttpRequests(requests -> requests.requestMatchers(
                                "/sign-in",
                                "/begin",
                                "/theme",
                                "/styles/**",
                                "/scripts/**",
                                "/fonts/**",
                                "/webjars/**",
                                "/error")
                        .permitAll()
                        .requestMatchers(PROBES)
                        .permitAll()
                        .anyRequest()
                        .authenticated())
                .formLogin(form -> form.loginPage("/sign-in")
                        .usernameParameter("name")
                        .passwordParameter("password")
                        .failureHandler(SecurityConfiguration::refuse)
                        .permitAll())
                .authenticationProvider(passwords(members, encoder, slowed))
                .rememberMe(evening -> evening.userDetailsService(members)
                        .tokenRepository(signIns(store))
                        .tokenValiditySeconds((int) EVENING.toSeconds())
                        .alwaysRemember(true))
                .requestCache(cache -> cache.requestCache(typed))
                .exceptionHandling(refused -> refused.authenticationEntryPoint(new TypedForms()))
                .addFilterAfter(new WhoIsThere(devices, typed), AnonymousAuthenticationFilter.class)
                .csrf(csrf -> csrf.csrfTokenRepository(new CookieCsrfTokenRepository())
                        .ignoringRequestMatchers(PROBES))
                .logout(out -> out.logoutUrl("/sign-out").logoutSuccessUrl("/sign-in?out"))
                .headers(headers ->
                        headers.contentSecurityPolicy(policy -> policy.policyDirectives(CONTENT_SECURITY_POLICY)))
                .headers(headers -> headers.referrerPolicy(referrer -> referrer.policy(ReferrerPolicy.SAME_ORIGIN)));
        return http.build();
    }

    @Bean
    RequestCache typedForms() {
        return TypedForms.cache();
    }

    private static void refuse(
            HttpServletRequest request, HttpServletResponse response, AuthenticationException failure)
            throws IOException {
        response.sendRedirect(
                request.getContextPath() + (failure instanceof LockedException ? "/sign-in?wait" : "/sign-in?refused"));
    }

    private static JdbcTokenRepositoryImpl signIns(DataSource store) {
        JdbcTokenRepositoryImpl signIns = new JdbcTokenRepositoryImpl();
        signIns.setDataSource(store);
        return signIns;
    }

    private static DaoAuthenticationProvider passwords(Members members, PasswordEncoder encoder, SlowedSignIns slowed) {
        DaoAuthenticationProvider passwords = new DaoAuthenticationProvider(members);
        passwords.setPasswordEncoder(encoder);
        passwords.setPreAuthenticationChecks(member -> {
            if (slowed.mustWait(member.getUsername())) {
                throw new LockedException("too many wrong passwords");
            }
        });
        return passwords;
    }

    @Bean
    PasswordEncoder passwordEncoder() {
        return PasswordEncoderFactories.createDelegatingPasswordEncoder();
    }
}
