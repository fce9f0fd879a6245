package mezcla.web.shell;

import java.util.Collection;
import java.util.List;
import org.springframework.security.core.GrantedAuthority;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.userdetails.UserDetails;

/**
 * The member who is signed in.
 *
 * @param id the member
 * @param name how the others call them
 * @param signInName what they type to sign in
 * @param passwordHash their password, hashed
 * @param role MEMBER or STEWARD
 */
public record SignedIn(long id, String name, String signInName, String passwordHash, String role)
        implements UserDetails {
    /** Whether they may discard and change the house. */
    public boolean isSteward() {
        return role.equals("STEWARD");
    }

    @Override
    public Collection<? extends GrantedAuthority> getAuthorities() {
        return List.of(new SimpleGrantedAuthority("ROLE_" + role));
    }

    @Override
    public String getPassword() {
        return passwordHash;
    }

    @Override
    public String getUsername() {
        return signInName;
    }

    /** Without the password, so that it never reaches a log. */
    @Override
    public String toString() {
        return name + " (" + role + ")";
    }
}
