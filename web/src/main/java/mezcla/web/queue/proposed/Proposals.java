package mezcla.web.queue.proposed;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import mezcla.batch.BatchState;
import mezcla.leaflet.FilmProcess;
import mezcla.log.Roll;
import mezcla.measure.Refusal;
import mezcla.planning.KeptAlike;
import mezcla.planning.QueuePlan;
import mezcla.planning.QueuedFilm;
import mezcla.processing.RunSteps;
import mezcla.verdict.Evening;
import mezcla.verdict.RunPlan;
import mezcla.verdict.RunQuestion;
import mezcla.web.access.SignedIn;
import mezcla.web.answers.Planning;
import mezcla.web.clock.LogClock;
import mezcla.web.forms.FormObjection;
import mezcla.web.log.DarkroomLog;
import mezcla.web.ribbon.usual.UsualWays;
import mezcla.web.settings.HouseService;
import mezcla.web.settings.things.Tank;
import mezcla.web.warm.WarmService;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Proposes runs for the film that waits. */
@Service
public class Proposals {
    private static final double NO_LIMIT = 999;

    private final DarkroomLog log;
    private final Planning planning;
    private final HouseService houses;
    private final UsualWays usual;
    private final WarmService warm;
    private final LogClock clock;

    Proposals(
            DarkroomLog log,
            Planning planning,
            HouseService houses,
            UsualWays usual,
            WarmService warm,
            LogClock clock) {
        this.log = log;
        this.planning = planning;
        this.houses = houses;
        this.usual = usual;
        this.warm = warm;
        this.clock = clock;
    }

    /**
     * A load that is proposed.
     *
     * @param films the film
     * @param batch the batch
     * @param tank the tank
     * @param choices how it is done
     * @param load where it stands in the evening
     */
    public record Proposed(
            List<QueuedFilm> films, BatchState batch, Tank tank, RunSteps.Choices choices, Evening.Load load) {
        /** What the form of a load names it by: its batch and its films. */
        public String key() {
            return batch.id() + ":"
                    + films.stream().map(film -> Long.toString(film.id())).collect(Collectors.joining(","));
        }
    }

    /** Why the evening does not hold film that a batch would take. */
    public enum Over {
        /** It would hang after the hour at which the house's evenings are over. */
        HOUR,
        /** As many loads are planned as one evening holds. */
        LOADS
    }

    /**
     * What is proposed.
     *
     * @param loads the loads, in order
     * @param waiting the films that go into none, the most urgent first
     * @param late those of them that only the end of the evening keeps, and which end
     * @param warming how long the bottles need first; null where they never get warm
     * @param exact whether no plan is better
     */
    public record Proposal(
            List<Proposed> loads,
            List<QueuedFilm> waiting,
            Map<Long, Over> late,
            @Nullable Duration warming,
            boolean exact) {}

    /** Tries loads, and remembers what it found: names make no difference. */
    private final class Tried implements QueuePlan.Together {
        private final SignedIn who;
        private final List<QueuedFilm> films;
        private final Map<Integer, Long> only;
        private final List<BatchState> batches;
        private final RunQuestion next;
        private final List<Tank> tanks = houses.tanks();
        private final Map<Load, Optional<Tank>> known = new HashMap<>();
        private final Map<FilmProcess, UsualWays.Usual> ways = new HashMap<>();
        private final Map<Warmed, Optional<Duration>> warming = new HashMap<>();

        private record Warmed(long batch, long tank) {}

        /** A load as far as it makes a difference. */
        private record Load(int batch, List<Roll> rolls) {}

        Tried(
                SignedIn who,
                List<QueuedFilm> films,
                Map<Integer, Long> only,
                List<BatchState> batches,
                RunQuestion next) {
            this.who = who;
            this.films = films;
            this.only = only;
            this.batches = batches;
            this.next = next;
        }

        @Override
        public OptionalDouble tankMl(int batch, List<Integer> places) {
            long id = batches.get(batch).id();
            return places.stream().anyMatch(place -> only.getOrDefault(place, id) != id)
                    ? OptionalDouble.empty()
                    : tank(batch, places)
                            .map(tank -> OptionalDouble.of(tank.volumeMl()))
                            .orElse(OptionalDouble.empty());
        }

        /** How somebody runs film through a batch. */
        RunSteps.Choices choices(int batch) {
            BatchState through = batches.get(batch);
            return ways.computeIfAbsent(through.process(), process -> usual.of(who, process))
                    .through(through)
                    .choices();
        }

        /** How long what a load wants warm needs first; null where it never gets warm. */
        @Nullable
        Duration warming(QueuePlan.Load load) {
            RunSteps.Choices choices = choices(load.batch());
            Tank tank = tank(load);
            return warming.computeIfAbsent(new Warmed(batches.get(load.batch()).id(), tank.id()), key -> {
                        RunPlan plan = plan(batches.get(load.batch()), rolls(load, films), tank.asUsed(), next);
                        return warm.warming(plan, plan.steps(choices));
                    })
                    .orElse(null);
        }

        /** The tank of a load that was found possible, as it is moved. */
        Tank tank(QueuePlan.Load load) {
            return tank(load.batch(), load.films()).orElseThrow();
        }

        private Optional<Tank> tank(int batch, List<Integer> places) {
            List<QueuedFilm> load = places.stream().map(films::get).toList();
            List<Roll> rolls = load.stream().map(QueuedFilm::asLoaded).toList();
            boolean alike = load.stream().allMatch(load.get(0)::sharesTankWith);
            return alike
                    ? known.computeIfAbsent(
                            new Load(
                                    batch,
                                    rolls.stream()
                                            .sorted(Comparator.comparing(Roll::format)
                                                    .thenComparing(Roll::irreplaceable)
                                                    .thenComparing(Roll::equivalents))
                                            .toList()),
                            this::smallest)
                    : Optional.empty();
        }

        private Optional<Tank> smallest(Load load) {
            return tanks.stream()
                    .map(tank -> tank.moved(choices(load.batch()).movement()))
                    .sorted(Comparator.comparingDouble(Tank::volumeMl))
                    .filter(tank -> tank.fit(load.rolls()).objection().isEmpty())
                    .filter(tank -> plan(batches.get(load.batch()), load.rolls(), tank.asUsed(), next)
                            .isSure())
                    .findFirst();
        }
    }

    /** A plan of film in a tank, asked in the way of the next roll: how the house judges is looked up once. */
    private static RunPlan plan(BatchState batch, List<Roll> rolls, RunQuestion.InTank tank, RunQuestion next) {
        return RunPlan.of(
                batch, new RunQuestion(rolls, tank, next.smallestMl(), next.judging(), next.at(), next.zone(), null));
    }

    /** Why a film goes through none of the batches of its process as the next run: the plan that is nearest to going. */
    @Transactional(readOnly = true)
    public Optional<RunPlan> nearest(QueuedFilm film) {
        List<Tank> tanks = houses.tanks();
        RunQuestion next = planning.nextRoll();
        RunPlan nearest = null;
        for (BatchState batch : log.state().standing()) {
            if (batch.process().equals(film.process())) {
                for (Tank tank : tanks) {
                    RunPlan plan = plan(batch, List.of(film.roll()), tank.asUsed(), next);
                    if (plan.fits()) {
                        return Optional.of(plan);
                    }
                    if (nearest == null
                            || plan.objections().size() < nearest.objections().size()) {
                        nearest = plan;
                    }
                }
            }
        }
        return Optional.ofNullable(nearest);
    }

    /**
     * Proposes runs.
     *
     * @param who whose ways of running film are followed
     * @param films the film that can be run, the most urgent first
     * @param all the film of the house: what is kept alike with film that was run goes through its batch
     * @param planned how many loads the evening has already
     */
    @Transactional(readOnly = true)
    public Proposal of(SignedIn who, List<QueuedFilm> films, List<QueuedFilm> all, int planned) {
        Instant now = clock.instant();
        RunQuestion next = planning.nextRoll();
        Set<FilmProcess> waited = films.stream().map(QueuedFilm::process).collect(Collectors.toSet());
        List<BatchState> batches = log.state().standing().stream()
                .filter(batch -> batch.inUse().isEmpty() && waited.contains(batch.process()))
                .sorted(Comparator.comparing(batch -> batch.mixed().foldedAt()))
                .toList();
        Tried tried = new Tried(who, films, only(films, all, batches), batches, next);
        QueuePlan plan = QueuePlan.of(
                films.stream().map(Proposals::candidate).toList(),
                batches.stream().map(batch -> through(batch, next, films)).toList(),
                tried);
        List<QueuePlan.Load> loads = new ArrayList<>(plan.loads());
        Map<Long, Over> late = new HashMap<>();
        while (loads.size() > Math.max(0, Evening.MOST_LOADS - planned)) {
            leave(loads, loads.size() - 1, films).forEach(film -> late.put(film, Over.LOADS));
        }
        while (!loads.isEmpty()) {
            Evening evening = evening(loads, films, batches, tried, now);
            int refused = firstRefused(evening);
            int over = refused < 0 ? firstOver(evening, now) : -1;
            if (refused >= 0) {
                leave(loads, refused, films);
            } else if (over >= 0) {
                while (loads.size() > over) {
                    leave(loads, loads.size() - 1, films).forEach(film -> late.put(film, Over.HOUR));
                }
            } else {
                return proposal(evening, loads, films, tried, batches, late, plan.exact());
            }
        }
        return new Proposal(List.of(), films, late, Duration.ZERO, plan.exact());
    }

    private static QueuePlan.Candidate candidate(QueuedFilm film) {
        LocalDate by = film.dropped().by();
        return new QueuePlan.Candidate(
                film.process().key(),
                film.roll().equivalents(),
                film.roll().irreplaceable(),
                by == null ? QueuePlan.NO_DAY : by.toEpochDay(),
                film.alike());
    }

    /** The batch of film that is to go through the same as some that was run; none where that is gone. */
    private static Map<Integer, Long> only(List<QueuedFilm> films, List<QueuedFilm> all, List<BatchState> batches) {
        Map<Integer, Long> only = new HashMap<>();
        for (int i = 0; i < films.size(); i++) {
            int place = i;
            KeptAlike.with(films.get(i), all)
                    .flatMap(KeptAlike::begun)
                    .map(QueuedFilm::batch)
                    .filter(id -> batches.stream().anyMatch(batch -> batch.id() == id))
                    .ifPresent(id -> only.put(place, id));
        }
        return only;
    }

    /** Leaves a load out, and with it all that is kept alike with its film; gives the numbers of that film. */
    private static Set<Long> leave(List<QueuePlan.Load> loads, int at, List<QueuedFilm> films) {
        Set<String> alike = loads.get(at).films().stream()
                .map(place -> films.get(place).alike())
                .filter(Objects::nonNull)
                .collect(Collectors.toSet());
        Set<Integer> left = new HashSet<>(loads.remove(at).films());
        for (int i = loads.size() - 1; i >= 0; i--) {
            List<Integer> stay = new ArrayList<>();
            for (int place : loads.get(i).films()) {
                String with = films.get(place).alike();
                if (with != null && alike.contains(with)) {
                    left.add(place);
                } else {
                    stay.add(place);
                }
            }
            if (stay.isEmpty()) {
                loads.remove(i);
            } else {
                loads.set(i, new QueuePlan.Load(loads.get(i).batch(), stay));
            }
        }
        return left.stream().map(place -> films.get(place).id()).collect(Collectors.toSet());
    }

    /** The first load that hangs after the house's evening is over; -1 for none. */
    private int firstOver(Evening evening, Instant now) {
        Instant over = houses.surroundings()
                .evenings()
                .map(hour -> Evening.over(hour, now, houses.house().timeZone()))
                .orElse(Instant.MAX);
        for (int i = 0; i < evening.loads().size(); i++) {
            if (evening.loads().get(i).hangAt().isAfter(over)) {
                return i;
            }
        }
        return -1;
    }

    private static int firstRefused(Evening evening) {
        for (int i = 0; i < evening.loads().size(); i++) {
            if (!evening.loads().get(i).plan().fits()) {
                return i;
            }
        }
        return -1;
    }

    private static QueuePlan.Through through(BatchState batch, RunQuestion next, List<QueuedFilm> films) {
        double usually = left(RunPlan.of(batch, next));
        boolean careful = films.stream()
                .anyMatch(film -> film.roll().irreplaceable() && film.process().equals(batch.process()));
        Roll kept = new Roll("", RunQuestion.oneRoll().format(), 1, 0, true);
        return new QueuePlan.Through(
                batch.process().key(),
                usually,
                careful ? left(plan(batch, List.of(kept), next.tank(), next)) : usually);
    }

    private static double left(RunPlan plan) {
        Double left = plan.verdict().rollsLeft();
        return left == null ? NO_LIMIT : Math.max(0, left);
    }

    private Evening evening(
            List<QueuePlan.Load> loads, List<QueuedFilm> films, List<BatchState> batches, Tried tried, Instant now) {
        List<Evening.Wanted> wanted = loads.stream()
                .map(load -> new Evening.Wanted(
                        batches.get(load.batch()).id(),
                        planning.question(rolls(load, films), tried.tank(load), now),
                        tried.choices(load.batch())))
                .toList();
        Duration warming = tried.warming(loads.get(0));
        return Evening.of(
                log.book()
                        .only(wanted.stream()
                                .map(Evening.Wanted::batchId)
                                .distinct()
                                .toList()),
                wanted,
                now.plus(warming == null ? Duration.ZERO : warming),
                warming == null ? Duration.ZERO : warming,
                Evening.BETWEEN);
    }

    private static List<Roll> rolls(QueuePlan.Load load, List<QueuedFilm> films) {
        return load.films().stream().map(place -> films.get(place).roll()).toList();
    }

    private Proposal proposal(
            Evening evening,
            List<QueuePlan.Load> loads,
            List<QueuedFilm> films,
            Tried tried,
            List<BatchState> batches,
            Map<Long, Over> late,
            boolean exact) {
        List<Proposed> proposed = new ArrayList<>();
        Set<Long> placed = new HashSet<>();
        for (int i = 0; i < loads.size(); i++) {
            QueuePlan.Load load = loads.get(i);
            List<QueuedFilm> inIt = load.films().stream().map(films::get).toList();
            inIt.forEach(film -> placed.add(film.id()));
            proposed.add(new Proposed(
                    inIt,
                    batches.get(load.batch()),
                    tried.tank(load),
                    tried.choices(load.batch()),
                    evening.loads().get(i)));
        }
        return new Proposal(
                proposed,
                films.stream().filter(film -> !placed.contains(film.id())).toList(),
                late,
                tried.warming(loads.get(0)),
                exact);
    }

    /** Refuses what is not proposed any more, because something was logged or taken since. */
    public static Proposed taken(Proposal proposal, String films) {
        return proposal.loads().stream()
                .filter(load -> load.key().equals(films))
                .findFirst()
                .orElseThrow(() -> Refusal.of(new FormObjection.ProposalGone()));
    }
}
