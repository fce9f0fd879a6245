package mezcla.web.access.door;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Collections;
import java.util.Enumeration;
import java.util.Locale;
import java.util.Map;
import mezcla.web.access.Device;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Refuses what is larger than a form can need, before any of it is read: from whoever is not signed in, more than a name
 * and a password take; from members, more than the longest form, or the largest photos, take.
 */
@Component
class BodyLimit extends OncePerRequestFilter {
    private static final long OF_A_STRANGER = 16L * 1024;
    private static final long OF_A_FORM = 512L * 1024;
    private static final long OF_FILES = 33L * 1024 * 1024;

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        long length = request.getContentLengthLong();
        boolean unknown = length < 0 && request.getHeader("Transfer-Encoding") != null;
        if (unknown || length > most(request)) {
            response.setStatus(unknown ? HttpServletResponse.SC_LENGTH_REQUIRED : HttpStatus.CONTENT_TOO_LARGE.value());
            request.getRequestDispatcher(unknown ? "/refused/unknown-length" : "/refused/too-big")
                    .forward(new WithoutBody(request), response);
            return;
        }
        chain.doFilter(request, response);
    }

    private static long most(HttpServletRequest request) {
        if (SecurityContextHolder.getContext().getAuthentication() == null) {
            return Device.of(request).isEmpty() ? OF_A_STRANGER : OF_A_FORM;
        }
        String type = String.valueOf(request.getContentType()).toLowerCase(Locale.ROOT);
        return type.startsWith("multipart/") ? OF_FILES : OF_A_FORM;
    }

    /** The request without what was sent with it, so that nothing reads that. */
    private static final class WithoutBody extends HttpServletRequestWrapper {
        WithoutBody(HttpServletRequest request) {
            super(request);
        }

        @Override
        public String getMethod() {
            return "GET";
        }

        @Override
        public @Nullable String getContentType() {
            return null;
        }

        @Override
        public @Nullable String getParameter(String name) {
            return null;
        }

        @Override
        public String @Nullable [] getParameterValues(String name) {
            return null;
        }

        @Override
        public Map<String, String[]> getParameterMap() {
            return Map.of();
        }

        @Override
        public Enumeration<String> getParameterNames() {
            return Collections.emptyEnumeration();
        }
    }
}
