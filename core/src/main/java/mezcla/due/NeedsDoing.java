package mezcla.due;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Function;
import java.util.stream.Stream;
import mezcla.batch.DrumLevel;
import mezcla.batch.FillState;
import mezcla.batch.FilmLook;
import mezcla.batch.KitState;
import mezcla.batch.PartState;
import mezcla.batch.Supply;
import mezcla.leaflet.FilmProcess;
import mezcla.log.RunLogged;
import mezcla.measure.Slack;
import mezcla.planning.QueuedFilm;
import mezcla.verdict.DayToKnow;
import mezcla.verdict.RunPlan;
import mezcla.verdict.RunRemark;
import mezcla.verdict.State;
import org.jspecify.annotations.Nullable;

/** Finds what needs doing in a house, from its log (rules, section 14). What is done is found no more. */
public final class NeedsDoing {
    /** How far ahead is looked, in days. */
    public static final int DAYS = 12;

    /** After how long a run that was begun is taken for forgotten, and a mix for left standing. */
    private static final Duration LEFT_STANDING = Duration.ofHours(3);

    private static final double FEW_ROLLS = 2;
    private static final int DAYS_A_WEEK = 7;
    private static final int HOURS_A_DAY = 24;

    private final Known known;
    private final LocalDate today;

    private NeedsDoing(Known known) {
        this.known = known;
        this.today = LocalDate.ofInstant(known.now(), known.zone());
    }

    /**
     * What is known of a house.
     *
     * @param next the next run through each batch on the shelf, as the house judges
     * @param kits its kits
     * @param supplies what is left of each leaflet's, and how fast it goes
     * @param deliveryWeeks how long an order takes
     * @param drums how full its drums are
     * @param film the film that was left
     * @param dries how long film hangs until it is dry
     * @param rollsAWeek how many roll equivalents of a process are run in a week; null where that is not known
     * @param mixes the mixes under way at the bench
     * @param now the present
     * @param zone where its days begin
     */
    public record Known(
            List<RunPlan> next,
            Collection<KitState> kits,
            List<Supply> supplies,
            int deliveryWeeks,
            List<DrumLevel> drums,
            List<QueuedFilm> film,
            Duration dries,
            Function<FilmProcess, @Nullable Double> rollsAWeek,
            List<Due.FinishMix> mixes,
            Instant now,
            ZoneId zone) {}

    /** What needs doing in the next days, by day, and within a day batches first. */
    public static List<Due> of(Known known) {
        return of(known, DAYS);
    }

    /** The same of so many days ahead. */
    public static List<Due> of(Known known, int days) {
        NeedsDoing needs = new NeedsDoing(known);
        return Stream.of(
                        known.next().stream().flatMap(needs::ofBatch),
                        needs.ofBottles(),
                        known.drums().stream()
                                .filter(DrumLevel::due)
                                .map(level -> new Due.CollectDrum(needs.today, level)),
                        needs.orders(),
                        needs.parts(),
                        known.mixes().stream().filter(mix -> needs.isOver(mix.since())),
                        needs.looks(),
                        needs.film())
                .flatMap(each -> each)
                .map(Due.class::cast)
                .filter(due -> due.day().isBefore(needs.today.plusDays(days)))
                .sorted(Comparator.comparing(Due::day))
                .toList();
    }

    private boolean isOver(Instant since) {
        return since.plus(LEFT_STANDING).isBefore(known.now());
    }

    private Stream<Due> ofBatch(RunPlan plan) {
        List<Due> dues = new ArrayList<>();
        State state = plan.verdict().state();
        if (state == State.DISCARD) {
            dues.add(new Due.Discard(today, plan));
        } else {
            if (plan.isToBeTested()) {
                dues.add(new Due.TestFirst(today, plan));
            }
            lastRolls(plan, dues);
        }
        days(plan, dues);
        plan.remarks().stream()
                .filter(RunRemark.LeafletMistyped.class::isInstance)
                .map(RunRemark.LeafletMistyped.class::cast)
                .min(Comparator.comparing(
                        (RunRemark.LeafletMistyped remark) -> !plan.batch().isImageDeveloper(remark.fill())))
                .ifPresent(remark -> dues.add(new Due.SwitchLeaflet(today, plan, remark)));
        plan.batch().inUse().stream()
                .filter(run -> isOver(run.stamp().happenedAt()))
                .forEach(run -> dues.add(new Due.EndRun(today, run)));
        return dues.stream();
    }

    /** The next day from which a batch is to be tested, and every last day of baths of it. */
    private void days(RunPlan plan, List<Due> dues) {
        List<DayToKnow> days = DayToKnow.of(plan);
        days.stream()
                .filter(day ->
                        day.kind() == DayToKnow.Kind.TEST_FROM && day.day().isAfter(today))
                .map(DayToKnow::day)
                .min(Comparator.naturalOrder())
                .filter(day -> !plan.isToBeTested() && plan.verdict().state() != State.DISCARD)
                .ifPresent(day -> dues.add(new Due.TestFirst(day, plan)));
        Map<LocalDate, List<FillState>> last = new LinkedHashMap<>();
        days.stream()
                .filter(day -> day.kind() == DayToKnow.Kind.LAST && !day.day().isBefore(today))
                .forEach(day -> last.computeIfAbsent(day.day(), none -> new ArrayList<>())
                        .add(day.fill()));
        last.forEach((day, fills) -> dues.add(new Due.BatchEnds(day, plan, fills)));
    }

    private void lastRolls(RunPlan plan, List<Due> dues) {
        Double rolls = plan.verdict().rollsLeft();
        FilmProcess process = plan.batch().process();
        if (rolls != null && !Slack.reaches(rolls, FEW_ROLLS)) {
            Double week = known.rollsAWeek().apply(process);
            LocalDate usedUp =
                    week == null || week <= 0 ? today : today.plusDays((long) Math.floor(rolls / week * DAYS_A_WEEK));
            dues.add(new Due.LastRolls(usedUp, plan, rolls, (int) known.film().stream()
                    .filter(film -> film.where() == QueuedFilm.Where.WAITS
                            && film.process().equals(process))
                    .count()));
        }
    }

    private Stream<Due> ofBottles() {
        int missing = (int) known.next().stream()
                .flatMap(plan -> plan.batch().fills().stream())
                .filter(fill -> fill.discarded() == null && fill.isMissing(known.now()))
                .map(FillState::id)
                .distinct()
                .count();
        return missing == 0 ? Stream.empty() : Stream.of(new Due.CheckShelf(today, missing));
    }

    /** By when what the house still uses is to be ordered. */
    private Stream<Due> orders() {
        return known.supplies().stream().flatMap(supply -> {
            Double lasts = supply.lastsWeeks();
            return lasts == null
                    ? Stream.empty()
                    : Stream.of(new Due.Order(
                            today.plusDays(
                                    (long) Math.max(0, Math.floor((lasts - known.deliveryWeeks()) * DAYS_A_WEEK))),
                            supply,
                            known.deliveryWeeks()));
        });
    }

    private Stream<Due> parts() {
        return known.kits().stream().filter(kit -> !kit.isFinished()).flatMap(kit -> kit.parts().stream()
                .flatMap(part -> partEnds(kit, part).stream()));
    }

    private List<Due> partEnds(KitState kit, PartState part) {
        Instant opened = part.clockFrom();
        if (opened == null || !(part.left() > 0)) {
            return List.of();
        }
        boolean past = part.isPast(kit.arrival().stamp().happenedAt(), known.now());
        LocalDate last = LocalDate.ofInstant(
                opened.plus(Duration.ofHours(Math.round(part.keepsOpenDays() * HOURS_A_DAY))), known.zone());
        return List.of(new Due.PartEnds(past || last.isBefore(today) ? today : last, kit, part, past));
    }

    private Stream<Due> looks() {
        return known.next().stream().map(RunPlan::batch).flatMap(batch -> {
            List<RunLogged> runs = FilmLook.due(batch, known.now(), known.dries());
            return runs.isEmpty() ? Stream.empty() : Stream.of(new Due.LookAtFilm(today, batch, runs));
        });
    }

    /** Film that is dry, by owner, and film that is wanted by a day. */
    private Stream<Due> film() {
        Map<String, List<QueuedFilm>> dry = new LinkedHashMap<>();
        List<Due> dues = new ArrayList<>();
        for (QueuedFilm film : known.film()) {
            LocalDate by = film.dropped().by();
            if (film.where().isToCollect()
                    && (film.where() != QueuedFilm.Where.HANGS
                            || !film.since().plus(known.dries()).isAfter(known.now()))) {
                dry.computeIfAbsent(film.roll().owner() + "\n" + film.dropped().broughtBy(), none -> new ArrayList<>())
                        .add(film);
            } else if (film.where().isToCome() && by != null) {
                dues.add(new Due.FilmWanted(by.isBefore(today) ? today : by, film));
            }
        }
        dry.values()
                .forEach(some -> dues.add(new Due.PickUp(
                        today,
                        some.get(0).roll().owner(),
                        Objects.requireNonNull(some.get(0)).dropped().broughtBy(),
                        some)));
        return dues.stream();
    }
}
