package mezcla.web.access;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZonedDateTime;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import mezcla.measure.Refusal;
import mezcla.web.forms.FormObjection;
import mezcla.web.house.HouseService;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Devices that several members share: whoever is signed in there, each act is logged by whoever says that they are at
 * it. The answer holds for the evening, and for no longer.
 */
@Service
public class SharedDevices {
    /** The cookie of a device that asks who is there. */
    static final String SHARED = "shared-device";

    /** The cookie with the answer. */
    static final String ANSWER = "at-device";

    private static final LocalTime EVENING_ENDS = LocalTime.of(5, 0);

    private final AtDeviceMapper answers;
    private final Members members;
    private final SlowedSignIns slowed;
    private final HouseService houses;
    private final Clock clock;

    SharedDevices(AtDeviceMapper answers, Members members, SlowedSignIns slowed, HouseService houses, Clock clock) {
        this.answers = answers;
        this.members = members;
        this.slowed = slowed;
        this.houses = houses;
        this.clock = clock;
    }

    /** Everybody who could be there, by name. */
    @Transactional(readOnly = true)
    public List<SignedIn> people() {
        return members.all();
    }

    /** Who said that they are at a device, with no more rights than the account that is signed in there. */
    @Transactional(readOnly = true)
    Optional<SignedIn> at(String token, SignedIn account) {
        Long id = answers.memberAt(
                Unguessable.hash(token), account.id(), clock.instant().toString());
        return members.all().stream()
                .filter(member -> id != null && member.id() == id)
                .findFirst()
                .map(member -> member.id() == account.id() ? account : member.asGuestOf(account));
    }

    /** An answer to keep: its token, and for how long it holds. */
    record Answer(String token, Duration holds) {}

    /**
     * Remembers who is at a device until the evening is over.
     *
     * @param account who is signed in there
     * @param memberId who is there
     * @param pin their PIN; anything where they have none
     * @throws Refusal {@code unknown-member}, {@code wrong-pin}, or {@code pin-wait} after several wrong ones
     */
    @Transactional
    Answer choose(SignedIn account, long memberId, String pin) {
        SignedIn member = members.all().stream()
                .filter(each -> each.id() == memberId)
                .findFirst()
                .orElseThrow(() -> Refusal.of(new FormObjection.UnknownMember()));
        checkPin(member, pin);
        Instant now = clock.instant();
        Instant until = endOfEvening(now);
        String token = UUID.randomUUID().toString();
        answers.forgetThoseBefore(now.toString());
        answers.add(Unguessable.hash(token), account.id(), memberId, until.toString());
        return new Answer(token, Duration.between(now, until));
    }

    private void checkPin(SignedIn member, String pin) {
        String slowedAs = "pin of " + member.signInName();
        if (slowed.mustWait(slowedAs)) {
            throw Refusal.of(new FormObjection.PinWait());
        }
        if (!members.isPin(member, pin)) {
            slowed.failed(slowedAs);
            throw Refusal.of(new FormObjection.WrongPin());
        }
        slowed.succeeded(slowedAs);
    }

    private Instant endOfEvening(Instant now) {
        ZonedDateTime here = now.atZone(houses.house().timeZone());
        ZonedDateTime end = here.with(EVENING_ENDS);
        return (end.isAfter(here) ? end : end.plusDays(1)).toInstant();
    }
}
