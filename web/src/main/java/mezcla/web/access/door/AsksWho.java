package mezcla.web.access.door;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Set;
import mezcla.web.access.Device;
import org.springframework.web.filter.OncePerRequestFilter;

/** On a shared device where nobody has said yet that they are there: keeps what was typed, and asks. */
final class AsksWho extends OncePerRequestFilter {
    private static final Set<String> ACTS_OF_NOBODY = Set.of("/who", "/theme", "/sign-in", "/sign-out");

    private final KeptForms kept;

    AsksWho(KeptForms kept) {
        this.kept = kept;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (request.getMethod().equals("POST")
                && !ACTS_OF_NOBODY.contains(request.getRequestURI())
                && Device.here().filter(Device::asksWho).isPresent()) {
            kept.saveRequest(request, response);
            response.sendRedirect("/who?held");
            return;
        }
        chain.doFilter(request, response);
    }
}
