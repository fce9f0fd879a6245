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
 * Refuses what cannot be read, or is larger than a form can need, before it comes to a place: from whoever is not signed
 * in, more than a name and a password take; from members, more than the longest form, or the largest photos, take.
 */
@Component
class OnlyReadable extends OncePerRequestFilter {
    private static final long OF_A_STRANGER = 16L * 1024;
    private static final long OF_A_PROBE = 128L * 1024;
    private static final long OF_A_FORM = 512L * 1024;
    private static final long OF_FILES = 33L * 1024 * 1024;

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        long length = request.getContentLengthLong();
        if (length < 0 && request.getHeader("Transfer-Encoding") != null) {
            refuse(request, response, HttpStatus.LENGTH_REQUIRED, "unknown-length");
        } else if (length > most(request)) {
            refuse(request, response, HttpStatus.CONTENT_TOO_LARGE, "too-big");
        } else if (!isReadable(request)) {
            refuse(request, response, HttpStatus.BAD_REQUEST, "unreadable");
        } else {
            chain.doFilter(request, response);
        }
    }

    /** Whether its fields can be told apart; what cannot be decoded is refused by the server when it is asked for. */
    private static boolean isReadable(HttpServletRequest request) {
        try {
            return request.getParameterMap() != null;
        } catch (IllegalStateException undecodable) {
            return false;
        }
    }

    private static void refuse(HttpServletRequest request, HttpServletResponse response, HttpStatus status, String why)
            throws ServletException, IOException {
        response.setStatus(status.value());
        request.getRequestDispatcher("/refused/" + why).forward(new WithoutBody(request), response);
    }

    private static long most(HttpServletRequest request) {
        if (SecurityContextHolder.getContext().getAuthentication() == null) {
            boolean probe = request.getRequestURI().startsWith("/api/");
            return probe ? OF_A_PROBE : Device.of(request).isEmpty() ? OF_A_STRANGER : OF_A_FORM;
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
