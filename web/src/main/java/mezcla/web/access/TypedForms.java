package mezcla.web.access;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Set;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.AuthenticationException;
import org.springframework.security.web.AuthenticationEntryPoint;
import org.springframework.security.web.savedrequest.HttpSessionRequestCache;

/**
 * Keeps what was typed when a sign-in has run out: the member is asked to sign in, and then the form is sent as it was.
 * A form gets this far only with its token against forgery.
 */
final class TypedForms implements AuthenticationEntryPoint {
    private static final Set<String> NOT_KEPT = Set.of("/sign-out", "/theme", "/who", "/house/device");
    private static final String FROM_HTMX = "HX-Request";

    /** Where they are kept. */
    static HttpSessionRequestCache cache() {
        HttpSessionRequestCache cache = new HttpSessionRequestCache();
        cache.setRequestMatcher(request -> request.getHeader(FROM_HTMX) == null
                && !NOT_KEPT.contains(request.getRequestURI())
                && (request.getMethod().equals("POST") || request.getMethod().equals("GET")));
        return cache;
    }

    @Override
    public void commence(
            HttpServletRequest request, HttpServletResponse response, AuthenticationException authException)
            throws IOException {
        if (request.getHeader(FROM_HTMX) != null) {
            response.setHeader("HX-Refresh", "true");
            response.setStatus(HttpStatus.UNAUTHORIZED.value());
            return;
        }
        boolean typed = request.getMethod().equals("POST") && !NOT_KEPT.contains(request.getRequestURI());
        response.sendRedirect(request.getContextPath() + "/sign-in" + (typed ? "?held" : ""));
    }
}
