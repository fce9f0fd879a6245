package mezcla.web.members;

import mezcla.measure.Refusal;
import mezcla.web.access.Devices;
import mezcla.web.access.Members;
import mezcla.web.access.SignedIn;
import mezcla.web.forms.FormObjection;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Adds members, and gives them another password. */
@Service
public class MembersService {
    private final Members members;
    private final Devices devices;

    MembersService(Members members, Devices devices) {
        this.members = members;
        this.devices = devices;
    }

    /**
     * Adds a member or another steward.
     *
     * @throws Refusal what {@link Members#add} refuses
     */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void add(SignedIn by, String name, String signInName, String password, boolean steward) {
        members.add(signInName, name, password, steward ? "STEWARD" : "MEMBER");
        devices.record(by, "added %s, a %s".formatted(name, steward ? "steward" : "member"));
    }

    /** Adds a member of a list, whose names were looked at and of whose password the hash is there. */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void addChecked(SignedIn by, String name, String signInName, String hash) {
        members.addChecked(signInName, name, hash, "MEMBER");
        devices.record(by, "added %s, a member".formatted(name));
    }

    /**
     * Gives a member a new password.
     *
     * @throws Refusal {@code unknown-member}, or what a password is refused for
     */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void resetPassword(SignedIn by, long memberId, String password) {
        members.setPassword(memberId, password);
        devices.record(by, "gave %s another password".formatted(known(memberId).name()));
    }

    /**
     * The member of that number.
     *
     * @throws Refusal {@code unknown-member}
     */
    @Transactional(readOnly = true)
    public SignedIn known(long memberId) {
        return members.all().stream()
                .filter(each -> each.id() == memberId)
                .findFirst()
                .orElseThrow(() -> Refusal.of(new FormObjection.UnknownMember()));
    }
}
