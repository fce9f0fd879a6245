package mezcla.web.access;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import mezcla.web.words.Units;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.GrantedAuthority;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.core.userdetails.UserDetails;

/**
 * The member who is signed in.
 *
 * @param id the member; 0 for nobody in particular, at a device of the house
 * @param name how the others call them
 * @param signInName what they type to sign in
 * @param passwordHash their password, hashed
 * @param role MEMBER or STEWARD
 * @param units how they read figures; null for as the house does
 * @param pinHash their PIN for shared devices, hashed; null for none
 */
public record SignedIn(
        long id,
        String name,
        String signInName,
        String passwordHash,
        String role,
        @Nullable Units units,
        @Nullable String pinHash)
        implements UserDetails {
    /** The member whose page is being answered; empty for nobody. */
    public static Optional<SignedIn> here() {
        Authentication signedIn = SecurityContextHolder.getContext().getAuthentication();
        return signedIn != null && signedIn.getPrincipal() instanceof SignedIn member
                ? Optional.of(member)
                : Optional.empty();
    }

    /** Whether they may discard and change the house. */
    public boolean isSteward() {
        return role.equals("STEWARD");
    }

    /** The same member with no more rights than any. */
    public SignedIn asMember() {
        return new SignedIn(id, name, signInName, passwordHash, "MEMBER", units, pinHash);
    }

    /** Whose film it is when they bring some; empty for nobody in particular. */
    public String owner() {
        return id == 0 ? "" : name;
    }

    /** Nobody in particular at a device of the house, which reads as any member may. */
    public SignedIn atDevice(String device) {
        return new SignedIn(0, device, signInName, passwordHash, "MEMBER", null, null);
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
