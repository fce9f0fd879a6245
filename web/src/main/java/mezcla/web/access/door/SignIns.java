package mezcla.web.access.door;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import mezcla.web.access.Device;
import mezcla.web.access.Devices;
import mezcla.web.access.SignedIn;
import mezcla.web.access.Unguessable;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseCookie;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.DeferredSecurityContext;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.HttpRequestResponseHolder;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;
import org.springframework.web.util.WebUtils;

/**
 * Who asks, by what their browser carries. Nothing is kept in the application between two requests: a restart, two tabs
 * or several requests at once are nothing special, and what an account may do is looked up each time, so that a sign-in
 * which was ended has ended everywhere.
 */
@Component
public class SignIns implements SecurityContextRepository {
    static final String COOKIE = "signed-in";

    private static final Logger LOG = LoggerFactory.getLogger(SignIns.class);

    private final Devices devices;
    private final KeptForms kept;
    private final Clock clock;

    /** When devices were last used, where that is not written down yet; those of sign-ins that hold. */
    private final Map<Long, Instant> seen = new ConcurrentHashMap<>();

    /** Sign-ins that were ended while nothing could be written. */
    private final Set<Long> ended = ConcurrentHashMap.newKeySet();

    SignIns(Devices devices, KeptForms kept, Clock clock) {
        this.devices = devices;
        this.kept = kept;
        this.clock = clock;
    }

    @Override
    public DeferredSecurityContext loadDeferredContext(HttpServletRequest request) {
        return new DeferredSecurityContext() {
            private @Nullable SecurityContext context;

            @Override
            public SecurityContext get() {
                SecurityContext known = context;
                if (known == null) {
                    known = load(request);
                    context = known;
                }
                return known;
            }

            @Override
            public boolean isGenerated() {
                return get().getAuthentication() == null;
            }
        };
    }

    @Override
    @SuppressWarnings("deprecation")
    public SecurityContext loadContext(HttpRequestResponseHolder holder) {
        return load(holder.getRequest());
    }

    private SecurityContext load(HttpServletRequest request) {
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        find(request).ifPresent(found -> {
            found.device().keepAt(request);
            SignedIn account = found.account();
            if (found.device().live()
                    && account != null
                    && !ended.contains(found.device().signInId())) {
                seen.put(found.device().signInId(), clock.instant());
                context.setAuthentication(acting(found, account));
            }
        });
        return context;
    }

    private Optional<Devices.Found> find(HttpServletRequest request) {
        Cookie cookie = WebUtils.getCookie(request, COOKIE);
        return cookie == null ? Optional.empty() : devices.find(cookie.getValue(), seen::get);
    }

    private static Authentication acting(Devices.Found found, SignedIn account) {
        Device device = found.device();
        SignedIn there = found.there();
        SignedIn member = !device.shared()
                ? account
                : there == null ? account.atDevice(device.name()) : device.withPin() ? there : there.asMember();
        UsernamePasswordAuthenticationToken acting =
                UsernamePasswordAuthenticationToken.authenticated(member, null, member.getAuthorities());
        acting.setDetails(device);
        return acting;
    }

    /** Called when somebody has signed in, or out. */
    @Override
    public void saveContext(SecurityContext context, HttpServletRequest request, HttpServletResponse response) {
        if (request.getRequestURI().equals("/sign-out")) {
            end(request, response);
        } else if (request.getRequestURI().equals("/sign-in")
                && context.getAuthentication() != null
                && context.getAuthentication().getPrincipal() instanceof SignedIn member) {
            begin(member, request, response);
        }
    }

    private void begin(SignedIn member, HttpServletRequest request, HttpServletResponse response) {
        Optional<Device> before = Device.of(request);
        String token = Unguessable.token();
        String name = words(request.getHeader(HttpHeaders.USER_AGENT));
        long id = devices.begin(member, token, name, request.getRemoteAddr());
        before.filter(device -> !device.shared()).ifPresent(device -> devices.end(device.signInId()));
        before.ifPresent(device -> kept.pass(device.signInId(), id, member.id()));
        Device.ofOnesOwn(id, member.id(), name).keepAt(request);
        keep(request, response, token, Devices.LAST_DAY);
    }

    /**
     * A device of the house stays signed in; whoever was there is not any more. Signing out always signs out: what the browser
     * goes on to carry lets nobody in, and is how it is known again, so that nobody else's wrong passwords keep its member
     * out there.
     */
    private void end(HttpServletRequest request, HttpServletResponse response) {
        Optional<Device> here = Device.of(request);
        boolean shared = here.filter(Device::shared).isPresent();
        boolean known = true;
        try {
            here.ifPresent(device -> {
                if (shared) {
                    devices.leave(device.signInId());
                } else {
                    devices.end(device.signInId());
                }
            });
        } catch (DataAccessException | TransactionException notWritten) {
            LOG.warn("A sign-out could not be written down: {}", notWritten.getMessage());
            here.ifPresent(device -> ended.add(device.signInId()));
            known = false;
        }
        here.ifPresent(device -> kept.forget(device.signInId()));
        if (!shared && !known) {
            keep(request, response, "", Duration.ZERO);
        }
    }

    /** The sign-in of a browser that is given to the house holds longer. */
    public void keepLonger(HttpServletRequest request, HttpServletResponse response) {
        Cookie cookie = WebUtils.getCookie(request, COOKIE);
        if (cookie != null) {
            keep(request, response, cookie.getValue(), Devices.LAST_DAY_OF_THE_HOUSES);
        }
    }

    private static void keep(HttpServletRequest request, HttpServletResponse response, String token, Duration holds) {
        response.addHeader(
                HttpHeaders.SET_COOKIE,
                ResponseCookie.from(COOKIE, token)
                        .path("/")
                        .maxAge(holds)
                        .httpOnly(true)
                        .secure(request.isSecure())
                        .sameSite("Lax")
                        .build()
                        .toString());
    }

    /** What to call a browser: no more than whether it is held in the hand. */
    private static String words(@Nullable String userAgent) {
        return userAgent != null && userAgent.matches("(?s).{0,400}(Mobi|Tablet).*")
                ? "a phone or tablet"
                : "a computer";
    }

    @Override
    public boolean containsContext(HttpServletRequest request) {
        return WebUtils.getCookie(request, COOKIE) != null;
    }

    /** Writes down when devices were last used; what cannot be written now is written later. */
    @Scheduled(fixedDelay = 60_000)
    void writeDown() {
        try {
            for (Map.Entry<Long, Instant> each : Map.copyOf(seen).entrySet()) {
                devices.seen(each.getKey(), each.getValue());
                seen.remove(each.getKey(), each.getValue());
            }
            for (Long id : Set.copyOf(ended)) {
                devices.end(id);
                ended.remove(id);
            }
        } catch (DataAccessException | TransactionException later) {
            LOG.warn("When devices were last used could not be written down: {}", later.getMessage());
        }
    }
}
