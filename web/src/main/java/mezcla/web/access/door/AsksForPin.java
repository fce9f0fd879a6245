package mezcla.web.access.door;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.regex.Pattern;
import mezcla.web.access.Device;
import org.springframework.web.filter.OncePerRequestFilter;

/** Money, and what is a member's own, is shown at a device of the house only to whoever typed their PIN: a tile is anybody's. */
final class AsksForPin extends OncePerRequestFilter {
    private static final Pattern OF_ONE_MEMBER = Pattern.compile("/(?:money|mine)(?:[/.].*)?");

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (OF_ONE_MEMBER.matcher(request.getRequestURI()).matches()
                && Device.here().filter(Device::isOfAGuest).isPresent()) {
            response.setStatus(HttpServletResponse.SC_FORBIDDEN);
            request.getRequestDispatcher("/refused/pin").forward(request, response);
            return;
        }
        chain.doFilter(request, response);
    }
}
