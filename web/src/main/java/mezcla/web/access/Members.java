package mezcla.web.access;

import java.time.Clock;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Set;
import mezcla.measure.Refusal;
import mezcla.web.access.names.KnownNames;
import mezcla.web.access.names.Naming;
import mezcla.web.access.secrets.NewPasswords;
import mezcla.web.forms.FormObjection;
import mezcla.web.settings.HouseService;
import mezcla.web.words.Units;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.userdetails.UserDetails;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The members of the house, as far as signing in goes. */
@Service
public class Members implements UserDetailsService {
    private static final String STEWARD = "STEWARD";

    private final MemberMapper members;
    private final PasswordEncoder passwords;
    /** As little work as the hash can take. */
    private static final int QUICK = 4;

    private final NewPasswords rules;
    private final HouseService houses;
    private final Naming naming;
    private final Devices devices;
    private final Clock clock;

    Members(
            MemberMapper members,
            PasswordEncoder passwords,
            NewPasswords rules,
            HouseService houses,
            Naming naming,
            Devices devices,
            Clock clock) {
        this.naming = naming;
        this.members = members;
        this.passwords = passwords;
        this.rules = rules;
        this.houses = houses;
        this.devices = devices;
        this.clock = clock;
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

    /** How many belong to the house. */
    @Transactional(readOnly = true)
    public int count() {
        return members.count();
    }

    /** Whether that is the name that an account signs in with. */
    @Transactional(readOnly = true)
    public boolean isNamed(String signInName, long accountId) {
        SignedIn account = members.byId(accountId);
        return account != null && account.signInName().equalsIgnoreCase(signInName);
    }

    /** Whether whoever signs in with that name did so before from an address. */
    @Transactional(readOnly = true)
    public boolean cameFrom(String signInName, String address) {
        SignedIn account = members.named(signInName);
        return account != null && devices.came(account.id(), address);
    }

    /**
     * Gives a member a new password; everything that was signed in with the old one has to sign in again.
     *
     * @throws Refusal {@code unknown-member}, or what a password is refused for
     */
    @Transactional
    public void setPassword(long id, String password) {
        setPassword(known(id), password, 0);
    }

    private void setPassword(SignedIn member, String password, long exceptSignIn) {
        refusePassword(password, member.name(), member.signInName());
        members.setPassword(member.id(), Objects.requireNonNull(passwords.encode(password)));
        devices.endAllOf(member.id(), exceptSignIn);
    }

    private SignedIn known(long id) {
        SignedIn member = members.byId(id);
        if (member == null) {
            throw Refusal.of(new FormObjection.UnknownMember());
        }
        return member;
    }

    /**
     * Changes one's own password; other devices have to sign in again.
     *
     * @param signInId the sign-in that stays
     * @throws Refusal {@code wrong-password}, or what a password is refused for
     */
    @Transactional
    public void changePassword(long id, String old, String password, long signInId) {
        SignedIn member = known(id);
        if (!passwords.matches(old, member.passwordHash())) {
            throw Refusal.of(new FormObjection.WrongPassword());
        }
        setPassword(member, password, signInId);
        devices.record(member, "changed their password");
    }

    /**
     * Makes a member a steward, or a steward a member; they have to sign in again.
     *
     * @throws Refusal {@code unknown-member}, or {@code last-steward} when nobody would be left to keep the house
     */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void setRole(SignedIn by, long id, boolean steward) {
        SignedIn member = known(id);
        refuseLastSteward(member, steward);
        members.setRole(id, steward ? STEWARD : "MEMBER");
        devices.endAllOf(id, 0);
        devices.record(by, "made %s a %s".formatted(member.name(), steward ? "steward" : "member"));
    }

    /**
     * Lets a member go: what they are signed in with ends at once, what they wrote stays.
     *
     * @throws Refusal {@code unknown-member} or {@code last-steward}
     */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void leave(SignedIn by, long id) {
        SignedIn member = known(id);
        refuseLastSteward(member, false);
        members.leave(id, clock.instant());
        devices.endAllOf(id, 0);
        devices.record(by, member.name() + " left the house");
    }

    /** What members are and were called. */
    @Transactional(readOnly = true)
    public KnownNames names() {
        return naming.known();
    }

    /**
     * Calls a member otherwise from now on. What was written before goes on saying what it said; whose account and whose
     * film it is follows them.
     *
     * @param name what others call them
     * @param signInName what they type to sign in
     * @throws Refusal {@code unknown-member}, {@code sign-in-name-form}, {@code sign-in-name-taken} or
     *     {@code member-name-taken}
     */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void rename(SignedIn by, long id, String name, String signInName) {
        SignedIn member = known(id);
        if (!signInName.equals(member.signInName())) {
            refuseSignInForm(signInName);
            if (!signInName.equalsIgnoreCase(member.signInName())) {
                refuseSignInName(signInName);
            }
            naming.signsInAs(id, signInName);
            devices.record(by, "%s signs in as %s from now on".formatted(member.name(), signInName));
        }
        if (!name.equals(member.name())) {
            naming.refuseTaken(name, id);
            naming.isCalled(id, name);
            devices.record(by, "%s is called %s from now on".formatted(member.name(), name));
        }
    }

    /**
     * Makes the name of a former member a number, everywhere it stands as a name. What somebody typed into a note or a
     * reason stays as it was typed, and so do copies that were made before.
     *
     * @throws Refusal {@code unknown-member} for whoever still belongs to the house, or never did
     */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void becomeNumber(SignedIn by, long id) {
        if (members.byId(id) != null) {
            throw Refusal.of(new FormObjection.UnknownMember());
        }
        devices.record(by, "the name of a former member became " + naming.becomeNumber(id));
    }

    private void refuseLastSteward(SignedIn member, boolean steward) {
        if (member.isSteward()
                && !steward
                && members.all().stream().filter(SignedIn::isSteward).count() == 1) {
            throw Refusal.of(new FormObjection.LastSteward());
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

    private static void refuseSignInForm(String signInName) {
        if (!signInName.matches("[a-zA-Z0-9._-]{2,30}")) {
            throw Refusal.of(new FormObjection.SignInNameForm());
        }
    }

    /** Refuses a sign-in name that cannot be typed easily, as {@code sign-in-name-form}, or that is taken. */
    public void refuseSignInName(String signInName) {
        refuseSignInForm(signInName);
        if (members.countSignInNames(signInName) > 0) {
            throw Refusal.of(new FormObjection.SignInNameTaken(signInName));
        }
    }

    /**
     * Adds a member; the password is kept as a hash only.
     *
     * @throws Refusal {@code sign-in-name-form}, {@code sign-in-name-taken}, {@code member-name-taken}, or what a
     *     password is refused for
     */
    @Transactional
    public SignedIn add(String signInName, String name, String password, String role) {
        refusePassword(password, name, signInName);
        refuse(signInName, name, taken());
        return addChecked(signInName, name, hashed(password), role);
    }

    /** What is kept of a password. It takes its time, so whoever adds many makes them before anything is written. */
    public String hashed(String password) {
        return Objects.requireNonNull(passwords.encode(password));
    }

    /**
     * What is kept of a password that was made by chance and is too long to be tried: it need not take its time.
     *
     * @see Unguessable#letters
     */
    public static String hashedAtOnce(String made) {
        return "{bcrypt}" + new BCryptPasswordEncoder(QUICK).encode(made);
    }

    /** Names that nobody else can have: of whoever belongs or belonged to the house, and of those before in a list. */
    public static final class Taken {
        private final Set<String> names;
        private final Set<String> signInNames;

        private Taken(Set<String> names, Set<String> signInNames) {
            this.names = names;
            this.signInNames = signInNames;
        }
    }

    /** The names that are taken now. */
    @Transactional(readOnly = true)
    public Taken taken() {
        return new Taken(naming.taken(0), new HashSet<>(members.signInNames()));
    }

    /**
     * Refuses the names of a new member, and counts them as taken otherwise.
     *
     * @throws Refusal {@code sign-in-name-form}, {@code sign-in-name-taken} or {@code member-name-taken}
     */
    public void refuse(String signInName, String name, Taken taken) {
        refuseSignInForm(signInName);
        if (taken.signInNames.contains(signInName.toLowerCase(Locale.ROOT))) {
            throw Refusal.of(new FormObjection.SignInNameTaken(signInName));
        }
        if (!taken.names.add(Naming.asSeen(name))) {
            throw Refusal.of(new FormObjection.MemberNameTaken(name));
        }
        taken.signInNames.add(signInName.toLowerCase(Locale.ROOT));
    }

    /** Refuses what nobody should choose as their password, as {@link NewPasswords} does. */
    public void refusePassword(String password, String name, String signInName) {
        rules.refuse(password, name, signInName, houses.house().name());
    }

    /** Adds a member whose names were looked at, and of whose password the hash is there. */
    @Transactional
    public SignedIn addChecked(String signInName, String name, String hash, String role) {
        members.add(signInName, name, hash, role);
        SignedIn added = Objects.requireNonNull(members.named(signInName));
        naming.isCalled(added.id(), name);
        return added;
    }
}
