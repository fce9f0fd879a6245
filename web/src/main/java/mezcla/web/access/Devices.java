package mezcla.web.access;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZonedDateTime;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.LongFunction;
import mezcla.measure.Refusal;
import mezcla.web.forms.FormObjection;
import mezcla.web.settings.HouseService;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * The devices that members signed in with. One of a member's own holds for an evening after it was last used; one that
 * a steward gave to the house holds longer, has no more rights than a member, and each act there is logged by whoever
 * says that they are at it. The answer holds for the evening, and for no longer.
 */
@Service
public class Devices {
    private static final Duration EVENING = Duration.ofHours(12);
    /** How long a sign-in of a member's own device holds at most. */
    public static final Duration LAST_DAY = Duration.ofDays(30);
    /** How long one of a device of the house holds. */
    public static final Duration LAST_DAY_OF_THE_HOUSES = Duration.ofDays(180);

    private static final Duration KNOWN_FOR = Duration.ofDays(365);
    private static final int RECORDED_SHOWN = 200;
    private static final LocalTime EVENING_ENDS = LocalTime.of(5, 0);

    private final SignInMapper mapper;
    private final MemberMapper members;
    private final Pins pins;
    private final HouseService houses;
    private final Clock clock;

    Devices(SignInMapper mapper, MemberMapper members, Pins pins, HouseService houses, Clock clock) {
        this.mapper = mapper;
        this.members = members;
        this.pins = pins;
        this.houses = houses;
        this.clock = clock;
    }

    /** A device that came with a token of ours, and the account that signed in with it; null where that has left. */
    public record Found(Device device, @Nullable SignedIn account, @Nullable SignedIn there) {}

    /**
     * Which device a token belongs to, also one whose sign-in has run out.
     *
     * @param token what the browser carries
     * @param seen when it was last used, as far as that is not written down yet
     */
    @Transactional(readOnly = true)
    public Optional<Found> find(String token, LongFunction<@Nullable Instant> seen) {
        SignInMapper.Row row = mapper.byToken(Unguessable.hash(token));
        if (row == null) {
            return Optional.empty();
        }
        Instant now = clock.instant();
        SignedIn account = members.byId(row.memberId());
        SignInMapper.There answer = row.shared() ? mapper.at(row.id()) : null;
        SignedIn there = answer == null || !now.isBefore(answer.until()) ? null : members.byId(answer.memberId());
        boolean live =
                account != null && row.endedAt() == null && holds(row, later(row.seenAt(), seen.apply(row.id())), now);
        return Optional.of(new Found(
                new Device(
                        row.id(),
                        row.memberId(),
                        row.device(),
                        row.shared(),
                        live,
                        there == null ? null : there.id(),
                        answer != null && answer.withPin()),
                account,
                there));
    }

    private static Instant later(Instant one, @Nullable Instant other) {
        return other == null || one.isAfter(other) ? one : other;
    }

    private static boolean holds(SignInMapper.Row row, Instant seen, Instant now) {
        return row.shared()
                ? now.isBefore(row.beganAt().plus(LAST_DAY_OF_THE_HOUSES))
                : now.isBefore(seen.plus(EVENING)) && now.isBefore(row.beganAt().plus(LAST_DAY));
    }

    /** Whether an account signed in from an address before. */
    @Transactional(readOnly = true)
    public boolean came(long accountId, String address) {
        return mapper.came(accountId, Unguessable.hash(address));
    }

    /** Begins a sign-in from an address; returns its id. What ran out long ago is forgotten. */
    @Transactional
    public long begin(SignedIn member, String token, String device, String address) {
        Instant now = clock.instant();
        mapper.forgetThoseAtDevicesBefore(now.minus(KNOWN_FOR));
        mapper.forgetThoseBefore(now.minus(KNOWN_FOR));
        mapper.record(now, member.id(), "signed in on " + device);
        return mapper.begin(member.id(), Unguessable.hash(token), device, Unguessable.hash(address), now);
    }

    /** Remembers when a device was last used. */
    @Transactional
    public void seen(long signInId, Instant at) {
        mapper.seen(signInId, at);
    }

    /** Ends a sign-in at once. */
    @Transactional
    public void end(long signInId) {
        mapper.end(signInId, clock.instant());
    }

    /** Ends every sign-in of an account at once, and their stay at shared devices; one can be left. */
    @Transactional
    public void endAllOf(long memberId, long except) {
        mapper.endAllOf(memberId, except, clock.instant());
        mapper.nowhere(memberId);
    }

    /**
     * A device in a list.
     *
     * @param id its sign-in
     * @param name what it is called
     * @param shared whether it is the house's
     * @param began since when
     * @param seen when it was last used, to about a minute
     */
    public record Listed(long id, String name, boolean shared, Instant began, Instant seen) {}

    /** A member's own devices that are signed in, the latest first. */
    @Transactional(readOnly = true)
    public List<Listed> of(long memberId) {
        return listed(memberId, false);
    }

    /** The house's own devices. */
    @Transactional(readOnly = true)
    public List<Listed> shared() {
        return listed(0, true);
    }

    private List<Listed> listed(long memberId, boolean shared) {
        Instant now = clock.instant();
        return mapper.notEnded(memberId).stream()
                .filter(row -> row.shared() == shared && holds(row, row.seenAt(), now))
                .map(row -> new Listed(row.id(), row.device(), row.shared(), row.beganAt(), row.seenAt()))
                .sorted(Comparator.comparing(Listed::seen).reversed())
                .toList();
    }

    /**
     * Ends one of a member's own devices.
     *
     * @throws Refusal {@code unknown-device}
     */
    @Transactional
    public void endOwn(long memberId, long signInId) {
        refuseUnknown(of(memberId), signInId);
        end(signInId);
    }

    /**
     * Takes a shared device back: whoever uses it next has to sign in.
     *
     * @throws Refusal {@code unknown-device}
     */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void endShared(SignedIn steward, long signInId) {
        refuseUnknown(shared(), signInId);
        end(signInId);
        record(steward, "took a shared device back");
    }

    private static void refuseUnknown(List<Listed> devices, long signInId) {
        if (devices.stream().noneMatch(each -> each.id() == signInId)) {
            throw Refusal.of(new FormObjection.UnknownDevice());
        }
    }

    /** Gives the device that a steward is signed in with to the house. */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void share(SignedIn steward, long signInId, String name) {
        mapper.share(signInId, name);
        record(steward, "gave this device to the house: " + name);
    }

    /** Writes down what stewards should be able to read later. */
    @Transactional
    public void record(SignedIn who, String what) {
        mapper.record(clock.instant(), who.id(), what);
    }

    /** Writes down what nobody in particular did. */
    @Transactional
    public void record(String what) {
        mapper.record(clock.instant(), null, what);
    }

    /** A line of the record; nobody did what nobody in particular did. */
    public record Recorded(Instant at, String who, String what) {}

    /** The record, the latest first. */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional(readOnly = true)
    public List<Recorded> recorded() {
        return mapper.recorded(RECORDED_SHOWN).stream()
                .map(row -> new Recorded(row.at(), row.who() == null ? "" : row.who(), row.what()))
                .toList();
    }

    /** Everybody who could be there, by name. */
    @Transactional(readOnly = true)
    public List<SignedIn> people() {
        return members.all();
    }

    /**
     * Remembers who is at a shared device until the evening is over.
     *
     * @param device which one
     * @param memberId who is there
     * @param pin their PIN; anything where they have none
     * @throws Refusal {@code device-not-shared}, {@code unknown-member}, {@code wrong-pin}, or {@code pin-wait} after
     *     several wrong ones
     */
    @Transactional
    public void choose(Device device, long memberId, String pin) {
        if (!device.shared()) {
            throw Refusal.of(new FormObjection.DeviceNotShared());
        }
        SignedIn member = members.byId(memberId);
        if (member == null) {
            throw Refusal.of(new FormObjection.UnknownMember());
        }
        pins.check(member, pin);
        mapper.choose(device.signInId(), memberId, member.pinHash() != null, endOfEvening(clock.instant()));
    }

    /** Forgets who is at a shared device. */
    @Transactional
    public void leave(long signInId) {
        mapper.nobodyAt(signInId);
    }

    private Instant endOfEvening(Instant now) {
        ZonedDateTime here = now.atZone(houses.house().timeZone());
        ZonedDateTime end = here.with(EVENING_ENDS);
        return (end.isAfter(here) ? end : end.plusDays(1)).toInstant();
    }
}
