package mezcla.web.access;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Optional;
import java.util.Set;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.savedrequest.RequestCache;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.util.WebUtils;

/**
 * On a shared device, lets whoever said that they are there act instead of the account that is signed in; where nobody
 * has said so yet, keeps what was typed and asks.
 */
public final class WhoIsThere extends OncePerRequestFilter {
    /** The account that is signed in, where somebody else acts. */
    public static final String ACCOUNT = "account";

    private static final Set<String> ACTS_OF_THE_ACCOUNT =
            Set.of("/who", "/theme", "/sign-in", "/sign-out", "/house/device");

    private final SharedDevices devices;
    private final RequestCache typed;

    WhoIsThere(SharedDevices devices, RequestCache typed) {
        this.devices = devices;
        this.typed = typed;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Authentication signedIn = SecurityContextHolder.getContext().getAuthentication();
        if (signedIn == null || !(signedIn.getPrincipal() instanceof SignedIn account) || !isShared(request)) {
            chain.doFilter(request, response);
            return;
        }
        Optional<SignedIn> there = cookie(request, SharedDevices.ANSWER).flatMap(token -> devices.at(token, account));
        request.setAttribute(ACCOUNT, account);
        if (there.isPresent()) {
            act(there.get());
        } else if (request.getMethod().equals("POST") && !ACTS_OF_THE_ACCOUNT.contains(request.getRequestURI())) {
            typed.saveRequest(request, response);
            response.sendRedirect(request.getContextPath() + "/who?held");
            return;
        }
        chain.doFilter(request, response);
    }

    /** For this request only: the session stays the account's. */
    private static void act(SignedIn member) {
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(
                UsernamePasswordAuthenticationToken.authenticated(member, null, member.getAuthorities()));
        SecurityContextHolder.setContext(context);
    }

    public static boolean isShared(HttpServletRequest request) {
        return cookie(request, SharedDevices.SHARED).isPresent();
    }

    private static Optional<String> cookie(HttpServletRequest request, String name) {
        return Optional.ofNullable(WebUtils.getCookie(request, name)).map(Cookie::getValue);
    }
}
