package mezcla.web.access;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;

/**
 * The browser that a page is asked from, as somebody signed in with it.
 *
 * @param signInId the sign-in
 * @param accountId who signed in with it
 * @param name what it is called
 * @param shared whether it belongs to the house: it has no more rights than a member, and asks who is there
 * @param live whether the sign-in still holds
 * @param thereId who said that they are there; null for nobody
 * @param withPin whether they typed their PIN for it
 */
public record Device(
        long signInId,
        long accountId,
        String name,
        boolean shared,
        boolean live,
        @Nullable Long thereId,
        boolean withPin) {
    private static final String ATTRIBUTE = Device.class.getName();

    /** One of a member's own that was just signed in with. */
    public static Device ofOnesOwn(long signInId, long accountId, String name) {
        return new Device(signInId, accountId, name, false, true, null, false);
    }

    /** The device of the page that is being answered; empty where nobody is signed in. */
    public static Optional<Device> here() {
        Authentication signedIn = SecurityContextHolder.getContext().getAuthentication();
        return signedIn != null && signedIn.getDetails() instanceof Device device
                ? Optional.of(device)
                : Optional.empty();
    }

    /** The device that a request came from, also where its sign-in has run out; empty for one that never signed in. */
    public static Optional<Device> of(HttpServletRequest request) {
        return request.getAttribute(ATTRIBUTE) instanceof Device device ? Optional.of(device) : Optional.empty();
    }

    /** Remembers it for the rest of the request. */
    public void keepAt(HttpServletRequest request) {
        request.setAttribute(ATTRIBUTE, this);
    }

    /** Whether nobody has said yet who is there. */
    public boolean asksWho() {
        return shared && thereId == null;
    }

    /** Whether whoever is there may not change what is theirs alone. */
    public boolean isOfAGuest() {
        return shared && !withPin;
    }

    /** Who may read here what is theirs alone: nobody at a device of the house without their PIN. */
    public static Optional<SignedIn> whoMayReadTheirs() {
        return here().filter(Device::isOfAGuest).isPresent() ? Optional.empty() : SignedIn.here();
    }

    /** Who acts here; 0 where nobody has said so. */
    public long actorId() {
        return !shared ? accountId : thereId == null ? 0 : thereId;
    }
}
