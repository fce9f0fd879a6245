package mezcla.web.week;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import mezcla.batch.Supply;
import mezcla.due.Due;
import mezcla.due.NeedsDoing;
import mezcla.web.access.SignedIn;
import mezcla.web.accounts.HouseAccounts;
import mezcla.web.answers.Planning;
import mezcla.web.clock.LogClock;
import mezcla.web.copies.DailyCopies;
import mezcla.web.cupboard.arrival.KitProposals;
import mezcla.web.drums.WasteService;
import mezcla.web.log.DarkroomLog;
import mezcla.web.mixes.Mixes;
import mezcla.web.practice.PracticeService;
import mezcla.web.settings.HouseService;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Puts together what needs doing: from the log, and from what is kept beside it. */
@Service
public class WeekService {
    private final DarkroomLog log;
    private final Planning planning;
    private final HouseService houses;
    private final HouseAccounts accounts;
    private final WasteService waste;
    private final Mixes mixes;
    private final KitProposals proposals;
    private final PracticeService practice;
    private final DailyCopies copies;
    private final LogClock clock;

    WeekService(
            DarkroomLog log,
            Planning planning,
            HouseService houses,
            HouseAccounts accounts,
            WasteService waste,
            Mixes mixes,
            KitProposals proposals,
            PracticeService practice,
            DailyCopies copies,
            LogClock clock) {
        this.log = log;
        this.planning = planning;
        this.houses = houses;
        this.accounts = accounts;
        this.waste = waste;
        this.mixes = mixes;
        this.proposals = proposals;
        this.practice = practice;
        this.copies = copies;
        this.clock = clock;
    }

    /** What needs doing in the house in the next days, by day. */
    @Transactional(readOnly = true)
    public List<Due> house() {
        return house(NeedsDoing.DAYS);
    }

    /** The same of so many days ahead. */
    @Transactional(readOnly = true)
    public List<Due> house(int days) {
        ZoneId zone = houses.house().timeZone();
        Instant now = clock.instant();
        LocalDate today = LocalDate.ofInstant(now, zone);
        List<Due> all = new ArrayList<>(NeedsDoing.of(
                new NeedsDoing.Known(
                        log.state().standing().stream().map(planning::nextRoll).toList(),
                        log.state().kits().values(),
                        Supply.of(log.book(), now),
                        houses.surroundings().deliveryWeeks(),
                        waste.levels(),
                        accounts.film(),
                        houses.surroundings().dries(),
                        process -> accounts.demand(process).stream()
                                .boxed()
                                .findFirst()
                                .orElse(null),
                        mixes.underWay().stream()
                                .map(mix ->
                                        new Due.FinishMix(today, mix.id(), mix.begunBy(), mix.begunAt(), mix.batchId()))
                                .toList(),
                        now,
                        zone),
                days));
        besideTheLog(today, all);
        all.sort(Comparator.comparing(Due::day));
        return all;
    }

    private void besideTheLog(LocalDate today, List<Due> all) {
        if (clock.odd() != null) {
            all.add(0, new Due.ClockInDoubt(today));
        }
        proposals.open().forEach(kit -> all.add(new Due.DecideProposal(today, kit.id(), kit.who())));
        List<String> toSignOff = practice.everybody().stream()
                .filter(each -> (each.practised() != null && each.practice() == null)
                        || (!each.runs().isEmpty() && each.firstRun() == null))
                .map(PracticeService.Progress::name)
                .toList();
        if (!toSignOff.isEmpty()) {
            all.add(new Due.SignOff(today, toSignOff));
        }
        LocalDate last =
                copies.kept().stream().map(DailyCopies.Kept::day).findFirst().orElse(null);
        LocalDate begun = log.book().entries().stream()
                .findFirst()
                .map(entry -> LocalDate.ofInstant(
                        entry.stamp().recordedAt(), houses.house().timeZone()))
                .orElse(today);
        Due.CopyTooOld.of(today, last, begun).ifPresent(all::add);
    }

    /** What of that concerns somebody: all of it a steward, a member what is theirs, and what anybody may do. */
    @Transactional(readOnly = true)
    public List<Due> of(SignedIn member) {
        return house().stream()
                .filter(due -> member.isSteward() || (!due.isForStewards() && concerns(due, member)))
                .toList();
    }

    /** A member's own part, in words. */
    @Transactional(readOnly = true)
    public List<DueWords.Line> own(SignedIn member) {
        DueWords words = words();
        return house().stream()
                .filter(due -> isOwn(due, member))
                .map(due -> due.tell(words))
                .toList();
    }

    /** What is anybody's to do today, in a few words each: no name of a member is in it. */
    @Transactional(readOnly = true)
    public List<String> todayForAll() {
        DueWords words = words();
        LocalDate today = today();
        return house().stream()
                .filter(due -> isForAll(due) && !due.day().isAfter(today))
                .map(due -> due.tell(words).shortly())
                .toList();
    }

    /** Whether something is anybody's to do, and no steward's alone. */
    public static boolean isForAll(Due due) {
        return due.whose().isEmpty() && !due.isForStewards();
    }

    /** The words of the house, today. */
    public DueWords words() {
        return new DueWords(today(), houses.house().timeZone());
    }

    private LocalDate today() {
        return LocalDate.ofInstant(clock.instant(), houses.house().timeZone());
    }

    /** Whether something is anybody's, or a member's own. */
    private boolean concerns(Due due, SignedIn member) {
        return due.whose().isEmpty() || isOwn(due, member);
    }

    /** Whether something is a member's own. */
    boolean isOwn(Due due, SignedIn member) {
        return due.whose().stream().anyMatch(name -> log.names().present(name).equals(member.name()));
    }
}
