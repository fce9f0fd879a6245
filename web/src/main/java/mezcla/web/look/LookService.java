package mezcla.web.look;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import mezcla.batch.BatchState;
import mezcla.batch.FillState;
import mezcla.batch.FilmLook;
import mezcla.batch.HowItWasRun;
import mezcla.batch.LogBook;
import mezcla.batch.LogState;
import mezcla.leaflet.Bath;
import mezcla.log.BathLooked;
import mezcla.log.FillInspected;
import mezcla.log.FilmInspected;
import mezcla.log.Finding;
import mezcla.log.Roll;
import mezcla.log.RunBath;
import mezcla.log.RunLogged;
import mezcla.log.Sign;
import mezcla.log.Suspect;
import mezcla.measure.Refusal;
import mezcla.processing.RunTime;
import mezcla.web.access.SignedIn;
import mezcla.web.clock.LogClock;
import mezcla.web.forms.FormObjection;
import mezcla.web.log.DarkroomLog;
import mezcla.web.photo.Photos;
import mezcla.web.photo.Picture;
import mezcla.web.settings.HouseService;
import mezcla.web.telling.EntryWords;
import mezcla.web.words.Figures;
import mezcla.web.words.TemperatureWords;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps what film looked like when it was dry, what clip tests showed, and what bottles look like. */
@Service
public class LookService {
    private final DarkroomLog log;
    private final HouseService houses;
    private final Photos photos;
    private final LogClock clock;

    LookService(DarkroomLog log, HouseService houses, Photos photos, LogClock clock) {
        this.photos = photos;
        this.log = log;
        this.houses = houses;
        this.clock = clock;
    }

    /**
     * A run whose film can be looked at.
     *
     * @param batchId the batch
     * @param run the sequence of its row
     * @param words what it was
     * @param rolls its rolls, in words
     * @param looked what was seen already, by the number of the roll
     * @param wet whether it is not dry yet
     * @param remarks what went wrong in it, and what of its baths was not as warm as printed
     * @param trims what a correction would do; empty where the batch has no developer any more
     * @param hangs where it hangs, and until when it dries; empty where it is dry
     * @param ranOtherwise whether how it was run is the first thing to suspect
     */
    public record Film(
            long batchId,
            long run,
            String words,
            List<String> rolls,
            Map<Integer, String> looked,
            boolean wet,
            List<String> trims,
            List<String> remarks,
            String hangs,
            boolean ranOtherwise) {}

    /**
     * The film of a run.
     *
     * @throws Refusal {@code unknown-batch} or {@code unknown-run}
     */
    @Transactional(readOnly = true)
    public Film film(long batchId, long run) {
        BatchState batch = log.state().batch(batchId);
        return film(batch, run(batch, run));
    }

    private Film film(BatchState batch, RunLogged run) {
        return film(batch, run, trims(batch, run));
    }

    private Film film(BatchState batch, RunLogged run, List<String> trims) {
        Map<Integer, String> looked = new java.util.TreeMap<>();
        batch.looks().stream()
                .filter(look -> look.run() == run.stamp().sequence())
                .forEach(look -> looked.put(look.roll(), EntryWords.seen(look.result())));
        return new Film(
                batch.id(),
                run.stamp().sequence(),
                "%s, %s: %s"
                        .formatted(
                                Figures.dayAndHour(
                                        run.stamp().happenedAt(), houses.house().timeZone()),
                                run.stamp().who(),
                                EntryWords.film(run.rolls())),
                rolls(run),
                looked,
                isWet(run),
                trims,
                Stream.concat(
                                accidents(batch, run),
                                TemperatureWords.outside(run.baths(), id -> bath(batch, id)).stream())
                        .toList(),
                isWet(run) ? hangs(run) : "",
                HowItWasRun.isSuspect(log.book(), batch, run));
    }

    private String hangs(RunLogged run) {
        return "It hangs%s and is dry at about %s. Nobody touches it until then: wet film takes every fingerprint."
                .formatted(
                        run.hangs() == null ? "" : " at " + run.hangs(),
                        Figures.hour(
                                FilmLook.dryAt(run, houses.surroundings().dries()),
                                houses.house().timeZone()));
    }

    /** The film of a batch that hangs and is not dry yet, the earliest first. */
    @Transactional(readOnly = true)
    public List<Film> hanging(long batchId) {
        BatchState batch = log.state().batch(batchId);
        return batch.runs().stream()
                .filter(run -> run.abandoned() == null && isWet(run))
                .map(run -> film(batch, run, List.of()))
                .toList();
    }

    private static Stream<String> accidents(BatchState batch, RunLogged run) {
        return run.accidents().stream().map(accident -> "What went wrong in this run: %s."
                .formatted(EntryWords.accident(accident, id -> bath(batch, id)
                        .map(bath -> Figures.within(bath.role().name()))
                        .orElse("water"))));
    }

    private static Optional<Bath> bath(BatchState batch, long fill) {
        return Stream.concat(batch.fills().stream(), batch.replaced().stream())
                .filter(each -> each.id() == fill)
                .findFirst()
                .map(FillState::bath);
    }

    private static List<String> rolls(RunLogged run) {
        List<String> rolls = new ArrayList<>();
        for (int i = 0; i < run.rolls().size(); i++) {
            Roll roll = run.rolls().get(i);
            rolls.add("Roll %d: %s of %s".formatted(i + 1, roll.format().label(), roll.owner()));
        }
        return rolls;
    }

    private boolean isWet(RunLogged run) {
        return !FilmLook.isDry(run, clock.instant(), houses.surroundings().dries());
    }

    private static RunLogged run(BatchState batch, long run) {
        return batch.runs().stream()
                .filter(each -> each.stamp().sequence() == run)
                .findFirst()
                .orElseThrow(() -> Refusal.of(new FormObjection.UnknownRun(run)));
    }

    /** What thin and dense film of a run would do to the next roll; nothing where neither changes anything. */
    private List<String> trims(BatchState batch, RunLogged run) {
        Optional<FillState> developer = batch.imageDeveloper().filter(fill -> fill.discarded() == null);
        boolean through = developer.isPresent()
                && run.baths().stream()
                        .anyMatch(bath -> bath.fillId() == developer.get().id());
        return through
                ? Stream.of(
                                trim(batch, run, Finding.THIN, "thin (slides: dark)"),
                                trim(batch, run, Finding.DENSE, "dense (slides: light)"))
                        .flatMap(Optional::stream)
                        .toList()
                : List.of();
    }

    private Optional<String> trim(BatchState batch, RunLogged run, Finding result, String words) {
        FillState now = batch.imageDeveloper().orElseThrow();
        LogBook then = log.book()
                .supposing(
                        clock.instant(),
                        List.of(stamp -> new FilmInspected(
                                stamp,
                                batch.id(),
                                run.stamp().sequence(),
                                firstUnseen(batch, run),
                                List.of(now.id()),
                                result,
                                Set.of(Suspect.CHEMISTRY),
                                null)));
        FillState after = then.state().fill(now.id());
        return after.trimPercent() == now.trimPercent()
                ? Optional.empty()
                : Optional.of("%s: trim %s, so the next roll takes %s instead of %s"
                        .formatted(words, Figures.percent(after.trimPercent()), next(after), next(now)));
    }

    private static int firstUnseen(BatchState batch, RunLogged run) {
        Set<Integer> seen = batch.looks().stream()
                .filter(look -> look.run() == run.stamp().sequence())
                .map(FilmInspected::roll)
                .collect(Collectors.toSet());
        return IntStream.range(0, run.rolls().size())
                .filter(roll -> !seen.contains(roll))
                .findFirst()
                .orElse(0);
    }

    private static String next(FillState fill) {
        Bath bath = fill.bath();
        double wear = bath.oneShot() == null ? fill.wearPerRoll() : 0;
        return RunTime.of(bath.role(), bath.timing(), fill.scaledRolls(), wear, 0, null, fill.trimPercent())
                .shown()
                .toString();
    }

    /**
     * Film that is dry and that nobody has looked at.
     *
     * @param film that of the latest such run
     * @param before how many runs before it wait as well
     */
    public record Due(Film film, int before) {}

    /** The film of a batch that is dry and that nobody has looked at; empty for none. */
    @Transactional(readOnly = true)
    public Optional<Due> due(long batchId) {
        BatchState batch = log.state().batch(batchId);
        List<RunLogged> due =
                FilmLook.due(batch, clock.instant(), houses.surroundings().dries());
        return due.isEmpty()
                ? Optional.empty()
                : Optional.of(new Due(film(batch, due.get(due.size() - 1), List.of()), due.size() - 1));
    }

    /** What somebody saw. */
    record Seen(int roll, Finding result, Set<Suspect> suspects, @Nullable String note) {
        /** For a load that looks alike: every roll of it that nobody has looked at, or all where everybody has. */
        static final int WHOLE_LOAD = -1;
    }

    private void lookAtAll(SignedIn who, BatchState batch, RunLogged run, Seen seen, @Nullable Picture picture) {
        Set<Integer> looked = batch.looks().stream()
                .filter(look -> look.run() == run.stamp().sequence())
                .map(FilmInspected::roll)
                .collect(Collectors.toSet());
        List<Integer> all = IntStream.range(0, run.rolls().size()).boxed().toList();
        List<Integer> open = all.stream().filter(roll -> !looked.contains(roll)).toList();
        List<Integer> meant = open.isEmpty() ? all : open;
        for (int roll : meant) {
            look(
                    who,
                    batch.id(),
                    run.stamp().sequence(),
                    new Seen(roll, seen.result(), seen.suspects(), seen.note()),
                    roll == meant.get(0) ? picture : null);
        }
    }

    /**
     * Logs what a roll looked like.
     *
     * @param picture a photo of it; null for none
     * @throws Refusal {@code unknown-run}, {@code unknown-roll} or {@code film-still-wet}
     */
    @Transactional
    public void look(SignedIn who, long batchId, long runSequence, Seen seen, @Nullable Picture picture) {
        BatchState batch = log.state().batch(batchId);
        RunLogged run = run(batch, runSequence);
        if (seen.roll() == Seen.WHOLE_LOAD) {
            lookAtAll(who, batch, run, seen, picture);
            return;
        }
        if (seen.roll() < 0 || seen.roll() >= run.rolls().size()) {
            throw Refusal.of(new FormObjection.UnknownRoll());
        }
        if (isWet(run)) {
            throw Refusal.of(new FormObjection.FilmStillWet());
        }
        FilmInspected look = log.add(
                who,
                stamp -> new FilmInspected(
                        stamp,
                        batchId,
                        runSequence,
                        seen.roll(),
                        run.baths().stream().map(RunBath::fillId).toList(),
                        seen.result(),
                        seen.suspects(),
                        seen.note()));
        if (picture != null) {
            photos.keep(look.stamp().sequence(), picture);
        }
    }

    /**
     * Logs a clip test, which may be judged wet and counts for the developer alone.
     *
     * @throws Refusal {@code unknown-fill}, {@code already-discarded} or {@code clip-of-developer}
     */
    @Transactional
    public void clip(SignedIn who, long fillId, Finding result, FillInspected.@Nullable Clip made) {
        FillState fill = log.state().fill(fillId);
        fill.refuseDiscarded();
        if (!fill.bath().role().isDeveloper()) {
            throw Refusal.of(new FormObjection.ClipOfDeveloper());
        }
        log.add(who, stamp -> new FillInspected(stamp, fillId, result, true, made));
    }

    /**
     * Logs what a bottle looks like.
     *
     * @throws Refusal {@code unknown-fill} or {@code already-discarded}
     */
    @Transactional
    public void look(SignedIn who, long fillId, Sign sign, @Nullable String note) {
        log.state().fill(fillId).refuseDiscarded();
        log.add(who, stamp -> new BathLooked(stamp, fillId, sign, note));
    }

    /**
     * A bottle to look into.
     *
     * @param label what is written on it
     * @param bath what is in it
     * @param developer whether a clip can be tested in it
     * @param batchId its batch
     */
    public record InBottle(String label, String bath, boolean developer, long batchId) {}

    /**
     * The bottle of a fill.
     *
     * @throws Refusal {@code unknown-fill}
     */
    @Transactional(readOnly = true)
    public InBottle bottle(long fillId) {
        LogState state = log.state();
        FillState fill = state.fill(fillId);
        return new InBottle(
                fill.bottle().label(),
                fill.bath().role().name(),
                fill.bath().role().isDeveloper(),
                state.batchOf(fillId).id());
    }
}
