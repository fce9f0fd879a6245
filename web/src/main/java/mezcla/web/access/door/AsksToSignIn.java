package mezcla.web.access.door;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import mezcla.web.forms.LocalAddress;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.AuthenticationException;
import org.springframework.security.web.AuthenticationEntryPoint;

/** Asks whoever is not signed in to do so, and leads them back to where they wanted to go. */
final class AsksToSignIn implements AuthenticationEntryPoint {
    private static final String FROM_HTMX = "HX-Request";

    private final KeptForms kept;

    AsksToSignIn(KeptForms kept) {
        this.kept = kept;
    }

    @Override
    public void commence(HttpServletRequest request, HttpServletResponse response, AuthenticationException notSignedIn)
            throws IOException {
        if (request.getHeader(FROM_HTMX) != null) {
            response.setHeader("HX-Refresh", "true");
            response.setStatus(HttpStatus.UNAUTHORIZED.value());
            return;
        }
        response.sendRedirect("/sign-in" + why(request, response));
    }

    private String why(HttpServletRequest request, HttpServletResponse response) {
        if (request.getMethod().equals("GET")) {
            String query = request.getQueryString();
            String page = LocalAddress.or(request.getRequestURI() + (query == null ? "" : "?" + query), "/");
            return page.equals("/") ? "" : "?to=" + URLEncoder.encode(page, StandardCharsets.UTF_8);
        }
        if (KeptForms.keeps(request)) {
            kept.saveRequest(request, response);
            return "?held";
        }
        return "?again";
    }
}
