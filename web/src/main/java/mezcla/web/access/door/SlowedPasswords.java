package mezcla.web.access.door;

import mezcla.web.access.Members;
import mezcla.web.access.secrets.Tries;
import org.jspecify.annotations.Nullable;
import org.springframework.security.authentication.AuthenticationProvider;
import org.springframework.security.authentication.BadCredentialsException;
import org.springframework.security.authentication.LockedException;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.AuthenticationException;

/**
 * Looks at names and passwords, and makes whoever was wrong several times wait: by name, whether there is such a name
 * or not, and by address. A device that this name was signed in with before is counted by itself, so that nobody else
 * can keep its member out.
 */
final class SlowedPasswords implements AuthenticationProvider {
    private static final int LONGEST_NAME = 100;
    private static final int LONGEST_PASSWORD = 200;

    private final AuthenticationProvider passwords;
    private final Members members;
    private final Tries tries;

    SlowedPasswords(AuthenticationProvider passwords, Members members, Tries tries) {
        this.passwords = passwords;
        this.members = members;
        this.tries = tries;
    }

    /** Where a try comes from. */
    record From(String address, long trustedAccount, long trustedSignIn) {}

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
        boolean trusted = members.isNamed(name, from.trustedAccount());
        Tries.Key by = Tries.Key.of(trusted ? "device " + from.trustedSignIn() : "name " + name);
        if (!(trusted ? tries.begin(by) : tries.begin(by, address))) {
            throw new LockedException("too many wrong passwords");
        }
        @Nullable Authentication signedIn = passwords.authenticate(typed);
        if (signedIn == null) {
            return null;
        }
        tries.forget(by);
        if (!trusted) {
            tries.takeBack(address);
        }
        return signedIn;
    }

    @Override
    public boolean supports(Class<?> kind) {
        return UsernamePasswordAuthenticationToken.class.isAssignableFrom(kind);
    }
}
