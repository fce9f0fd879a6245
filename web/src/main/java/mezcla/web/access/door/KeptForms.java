package mezcla.web.access.door;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.net.URI;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Collections;
import java.util.Enumeration;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import mezcla.web.access.Device;
import org.jspecify.annotations.Nullable;
import org.springframework.security.web.savedrequest.RequestCache;
import org.springframework.security.web.savedrequest.SavedRequest;
import org.springframework.security.web.savedrequest.SimpleSavedRequest;
import org.springframework.stereotype.Component;

/**
 * Keeps what was typed when a sign-in has run out, or nobody has said yet who is at a shared device: they are asked, and
 * then the form is sent as it was. Only a browser that was signed in before is kept a form for, one, of an ordinary size
 * and for half an hour; and only the member who typed it gets it back. A form gets this far only with its token against
 * forgery.
 */
@Component
class KeptForms implements RequestCache {
    private static final Duration KEPT_FOR = Duration.ofMinutes(30);
    private static final int MOST_FORMS = 300;
    private static final int MOST_CHARACTERS = 64 * 1024;
    private static final Set<String> NOT_KEPT =
            Set.of("/sign-in", "/sign-out", "/theme", "/who", "/house/device", "/me");

    private final Clock clock;
    private final Map<Long, Kept> bySignIn = new LinkedHashMap<>() {
        private static final long serialVersionUID = 1;

        @Override
        protected boolean removeEldestEntry(Map.Entry<Long, Kept> eldest) {
            return size() > MOST_FORMS;
        }
    };

    KeptForms(Clock clock) {
        this.clock = clock;
    }

    /** A form: whose, where it was sent to, and what stood in it. */
    private record Kept(long memberId, String page, Map<String, String[]> fields, Instant at) {}

    /** Whether a form can be kept for whoever sent it. */
    static boolean keeps(HttpServletRequest request) {
        return request.getMethod().equals("POST")
                && Device.of(request).isPresent()
                && !NOT_KEPT.contains(request.getRequestURI())
                && request.getHeader("HX-Request") == null
                && characters(request.getParameterMap()) <= MOST_CHARACTERS;
    }

    private static long characters(Map<String, String[]> fields) {
        long all = 0;
        for (Map.Entry<String, String[]> field : fields.entrySet()) {
            for (String value : field.getValue()) {
                all += field.getKey().length() + value.length();
            }
        }
        return all;
    }

    @Override
    public void saveRequest(HttpServletRequest request, HttpServletResponse response) {
        if (keeps(request)) {
            Device device = Device.of(request).orElseThrow();
            Kept form =
                    new Kept(device.actorId(), page(request), Map.copyOf(request.getParameterMap()), clock.instant());
            synchronized (bySignIn) {
                bySignIn.remove(device.signInId());
                bySignIn.put(device.signInId(), form);
            }
        }
    }

    private static String page(HttpServletRequest request) {
        String query = request.getQueryString();
        return request.getRequestURI() + (query == null ? "" : "?" + query);
    }

    /** The browser was signed in with anew: its form goes on to the new sign-in, where the same member is there. */
    void pass(long before, long after, long memberId) {
        synchronized (bySignIn) {
            Kept form = bySignIn.remove(before);
            if (form != null && form.memberId() == memberId) {
                bySignIn.put(after, form);
            }
        }
    }

    void forget(long signInId) {
        synchronized (bySignIn) {
            bySignIn.remove(signInId);
        }
    }

    /** The page of a form that is kept for a sign-in, once somebody is there. */
    @Nullable
    String page(long signInId) {
        Kept form = find(signInId);
        return form == null ? null : form.page();
    }

    private @Nullable Kept find(long signInId) {
        synchronized (bySignIn) {
            Kept form = bySignIn.get(signInId);
            if (form != null && clock.instant().isAfter(form.at().plus(KEPT_FOR))) {
                bySignIn.remove(signInId);
                return null;
            }
            return form;
        }
    }

    @Override
    public @Nullable SavedRequest getRequest(HttpServletRequest request, HttpServletResponse response) {
        Kept form = Device.of(request).map(device -> find(device.signInId())).orElse(null);
        return form == null ? null : new SimpleSavedRequest(form.page());
    }

    @Override
    public @Nullable HttpServletRequest getMatchingRequest(HttpServletRequest request, HttpServletResponse response) {
        Device device = Device.of(request).filter(Device::live).orElse(null);
        if (device == null || !request.getMethod().equals("GET") || device.asksWho()) {
            return null;
        }
        Kept form = find(device.signInId());
        if (form == null || !isFor(form, device) || !URI.create(form.page()).equals(URI.create(page(request)))) {
            return null;
        }
        forget(device.signInId());
        return new Sent(request, form.fields());
    }

    /** Where nobody was there yet, it is for whoever says so. */
    private static boolean isFor(Kept form, Device device) {
        return form.memberId() == device.actorId() || (device.shared() && form.memberId() == 0);
    }

    @Override
    public void removeRequest(HttpServletRequest request, HttpServletResponse response) {
        Device.of(request).ifPresent(device -> forget(device.signInId()));
    }

    /** The form, as if it were sent now. */
    private static final class Sent extends HttpServletRequestWrapper {
        private final Map<String, String[]> fields;

        Sent(HttpServletRequest request, Map<String, String[]> fields) {
            super(request);
            this.fields = fields;
        }

        @Override
        public String getMethod() {
            return "POST";
        }

        @Override
        public @Nullable String getParameter(String name) {
            String[] values = fields.get(name);
            return values == null || values.length == 0 ? null : values[0];
        }

        @Override
        public String @Nullable [] getParameterValues(String name) {
            return fields.get(name);
        }

        @Override
        public Map<String, String[]> getParameterMap() {
            return fields;
        }

        @Override
        public Enumeration<String> getParameterNames() {
            return Collections.enumeration(fields.keySet());
        }
    }
}
