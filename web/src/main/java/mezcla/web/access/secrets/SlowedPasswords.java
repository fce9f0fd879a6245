package mezcla.web.access.secrets;

import java.util.List;
import java.util.concurrent.Semaphore;
import mezcla.web.access.Members;
import org.jspecify.annotations.Nullable;
import org.springframework.security.authentication.AuthenticationProvider;
import org.springframework.security.authentication.BadCredentialsException;
import org.springframework.security.authentication.LockedException;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.AuthenticationException;

/**
 * Looks at names and passwords, and makes whoever was wrong several times wait: by the pair of name and address, whether there
 * is such a name or not; by address, behind which several people may be; and by name, for strangers at many addresses. A device or an
 * address that this name signed in with before is counted by itself, so that nobody elsewhere can keep its member out.
 */
public final class SlowedPasswords implements AuthenticationProvider {
    private static final int LONGEST_NAME = 100;
    private static final int LONGEST_PASSWORD = 200;

    private final Semaphore oneStranger = new Semaphore(1);
    private final AuthenticationProvider passwords;
    private final Members members;
    private final Tries tries;

    /** Looks with some provider. */
    public SlowedPasswords(AuthenticationProvider passwords, Members members, Tries tries) {
        this.passwords = passwords;
        this.members = members;
        this.tries = tries;
    }

    /** Where a try comes from. */
    public record From(String address, long trustedAccount, long trustedSignIn) {}

    @Override
    public @Nullable Authentication authenticate(Authentication typed) throws AuthenticationException {
        String name = typed.getName().strip();
        From from = typed.getDetails() instanceof From known ? known : new From("", 0, 0);
        Tries.Key address = Tries.Key.ofAddress(from.address());
        if (name.length() > LONGEST_NAME
                || String.valueOf(typed.getCredentials()).length() > LONGEST_PASSWORD) {
            tries.begin(address);
            throw new BadCredentialsException("too long");
        }
        boolean device = members.isNamed(name, from.trustedAccount());
        boolean known = device || members.cameFrom(name, from.address());
        Tries.Key by = Tries.Key.of(
                device ? "device " + from.trustedSignIn() : "name %s from %s".formatted(name, from.address()));
        Tries.Key[] strangers = {Tries.Key.ofName(name), address};
        if (!tries.begin(by)) {
            throw new LockedException("too many wrong passwords");
        }
        boolean slowed = !device && !tries.begin(strangers);
        @Nullable Authentication signedIn = slowed ? whileSlowed(typed, known) : passwords.authenticate(typed);
        if (signedIn == null) {
            return null;
        }
        tries.forget(by);
        if (!device && !slowed) {
            List.of(strangers).forEach(tries::takeBack);
        }
        return signedIn;
    }

    /**
     * From where too much was wrong, only whoever came from there before is let in, and nobody is told who that is: every other
     * answer is the same, and takes as long. Of all others one at a time is looked at.
     */
    private @Nullable Authentication whileSlowed(Authentication typed, boolean known) {
        boolean looks = known || oneStranger.tryAcquire();
        try {
            Authentication right = looks ? passwords.authenticate(typed) : null;
            if (known) {
                return right;
            }
        } catch (AuthenticationException wrong) {
            throw new LockedException("too many wrong passwords", wrong);
        } finally {
            if (looks && !known) {
                oneStranger.release();
            }
        }
        throw new LockedException("too many wrong passwords");
    }

    @Override
    public boolean supports(Class<?> kind) {
        return UsernamePasswordAuthenticationToken.class.isAssignableFrom(kind);
    }
}
