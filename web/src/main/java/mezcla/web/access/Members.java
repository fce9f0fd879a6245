package mezcla.web.access;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Objects;
import mezcla.measure.Refusal;
import mezcla.web.forms.FormObjection;
import mezcla.web.words.Units;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.userdetails.UserDetails;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The members of the house, as far as signing in goes. */
@Service
public class Members implements UserDetailsService {
    private static final int LEAST_CHARACTERS = 10;
    /** More than that the hash would not take; a letter with an accent is two. */
    private static final int MOST_BYTES = 72;

    private final MemberMapper members;
    private final PasswordEncoder passwords;

    Members(MemberMapper members, PasswordEncoder passwords) {
        this.members = members;
        this.passwords = passwords;
    }

    @Override
    @Transactional(readOnly = true)
    public UserDetails loadUserByUsername(String signInName) {
        SignedIn member = members.named(signInName.strip());
        if (member == null) {
            throw new UsernameNotFoundException("no such member");
        }
        return member;
    }

    /** Everybody, by name. */
    @Transactional(readOnly = true)
    public List<SignedIn> all() {
        return members.all();
    }

    /**
     * Gives a member a new password.
     *
     * @throws Refusal {@code unknown-member} or {@code password-short}
     */
    @Transactional
    public void setPassword(long id, String password) {
        refuseShort(password);
        if (members.setPassword(id, Objects.requireNonNull(passwords.encode(password))) == 0) {
            throw Refusal.of(new FormObjection.UnknownMember());
        }
    }

    /** How a member reads figures; null for as the house does. */
    @Transactional(readOnly = true)
    @Nullable
    public Units unitsOf(long id) {
        return members.unitsOf(id);
    }

    /** Sets how a member reads figures; null for as the house does. */
    @Transactional
    public void setUnits(long id, @Nullable Units units) {
        members.setUnits(id, units);
    }

    /**
     * Gives a member a PIN for shared devices, or takes it away.
     *
     * @param pin 4 to 8 digits; empty for none
     * @throws Refusal {@code pin-form}
     */
    @Transactional
    public void setPin(long id, String pin) {
        if (!pin.isEmpty() && !pin.matches("[0-9]{4,8}")) {
            throw Refusal.of(new FormObjection.PinForm());
        }
        members.setPin(id, pin.isEmpty() ? null : passwords.encode(pin));
    }

    /** Whether that is a member's PIN; anything is where they have none. */
    boolean isPin(SignedIn member, String typed) {
        return member.pinHash() == null || passwords.matches(typed, member.pinHash());
    }

    private static void refuseShort(String password) {
        if (password.length() < LEAST_CHARACTERS || password.getBytes(StandardCharsets.UTF_8).length > MOST_BYTES) {
            throw Refusal.of(new FormObjection.PasswordShort(LEAST_CHARACTERS, MOST_BYTES));
        }
    }

    /** Refuses a sign-in name that cannot be typed easily, as {@code sign-in-name-form}, or that is taken. */
    public void refuseSignInName(String signInName) {
        if (!signInName.matches("[a-zA-Z0-9._-]{2,30}")) {
            throw Refusal.of(new FormObjection.SignInNameForm());
        }
        if (members.named(signInName) != null) {
            throw Refusal.of(new FormObjection.SignInNameTaken(signInName));
        }
    }

    /**
     * Adds a member; the password is kept as a hash only.
     *
     * @throws Refusal {@code sign-in-name-form}, {@code sign-in-name-taken} or {@code password-short}
     */
    @Transactional
    public SignedIn add(String signInName, String name, String password, String role) {
        refuseSignInName(signInName);
        refuseShort(password);
        members.add(signInName, name, Objects.requireNonNull(passwords.encode(password)), role);
        return Objects.requireNonNull(members.named(signInName));
    }
}
