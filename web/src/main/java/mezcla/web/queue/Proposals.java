package mezcla.web.queue;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import java.util.stream.Collectors;
import mezcla.batch.BatchState;
import mezcla.leaflet.FilmProcess;
import mezcla.log.Roll;
import mezcla.measure.Refusal;
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
class Proposals {
    /** How many loads an evening is proposed. */
    static final int MOST_LOADS = 6;

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
    record Proposed(List<QueuedFilm> films, BatchState batch, Tank tank, RunSteps.Choices choices, Evening.Load load) {}

    /**
     * What is proposed.
     *
     * @param loads the loads, in order
     * @param waiting the films that go into none
     * @param warming how long the bottles need first; null where they never get warm
     */
    record Proposal(List<Proposed> loads, List<QueuedFilm> waiting, @Nullable Duration warming) {}

    /** Tries loads, and remembers what it found: names make no difference. */
    private final class Tried implements QueuePlan.Together {
        private final SignedIn who;
        private final List<QueuedFilm> films;
        private final List<BatchState> batches;
        private final RunQuestion next;
        private final List<Tank> tanks = houses.tanks();
        private final Map<Load, Optional<Tank>> known = new HashMap<>();
        private final Map<FilmProcess, UsualWays.Usual> ways = new HashMap<>();
        private final Map<Warmed, Optional<Duration>> warming = new HashMap<>();

        private record Warmed(long batch, long tank) {}

        /** A load as far as it makes a difference. */
        private record Load(int batch, List<Roll> rolls) {}

        Tried(SignedIn who, List<QueuedFilm> films, List<BatchState> batches, RunQuestion next) {
            this.who = who;
            this.films = films;
            this.batches = batches;
            this.next = next;
        }

        @Override
        public OptionalLong cost(int batch, List<Integer> places) {
            Optional<Tank> tank = tank(batch, places);
            if (tank.isEmpty()) {
                return OptionalLong.empty();
            }
            boolean careful =
                    places.stream().anyMatch(place -> films.get(place).roll().irreplaceable());
            return OptionalLong.of(
                    QueuePlan.cost(batch, batches.size(), careful, tank.get().volumeMl()));
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
     */
    @Transactional(readOnly = true)
    public Proposal of(SignedIn who, List<QueuedFilm> films) {
        Instant now = clock.instant();
        RunQuestion next = planning.nextRoll();
        Set<FilmProcess> waited = films.stream().map(QueuedFilm::process).collect(Collectors.toSet());
        List<BatchState> batches = log.state().standing().stream()
                .filter(batch -> batch.inUse().isEmpty() && waited.contains(batch.process()))
                .sorted(Comparator.comparing(batch -> batch.mixed().foldedAt()))
                .toList();
        Tried tried = new Tried(who, films, batches, next);
        QueuePlan plan = QueuePlan.of(
                films.stream()
                        .map(film -> new QueuePlan.Candidate(
                                film.process().key(),
                                film.roll().equivalents(),
                                film.roll().irreplaceable()))
                        .toList(),
                batches.stream().map(batch -> through(batch, next, films)).toList(),
                tried);
        List<QueuedFilm> waiting =
                new ArrayList<>(plan.waiting().stream().map(films::get).toList());
        List<QueuePlan.Load> loads = new ArrayList<>(plan.loads());
        while (loads.size() > MOST_LOADS) {
            loads.remove(loads.size() - 1).films().forEach(place -> waiting.add(films.get(place)));
        }
        while (!loads.isEmpty()) {
            Evening evening = evening(loads, films, batches, tried, now);
            int refused = firstRefused(evening);
            if (refused < 0) {
                waiting.sort(QueuedFilm.MOST_URGENT_FIRST);
                return proposal(evening, loads, films, batches, tried, waiting);
            }
            loads.remove(refused).films().forEach(place -> waiting.add(films.get(place)));
        }
        waiting.sort(QueuedFilm.MOST_URGENT_FIRST);
        return new Proposal(List.of(), waiting, Duration.ZERO);
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
            List<BatchState> batches,
            Tried tried,
            List<QueuedFilm> waiting) {
        List<Proposed> proposed = new ArrayList<>();
        for (int i = 0; i < loads.size(); i++) {
            QueuePlan.Load load = loads.get(i);
            BatchState batch = batches.get(load.batch());
            proposed.add(new Proposed(
                    load.films().stream().map(films::get).toList(),
                    batch,
                    tried.tank(load),
                    tried.choices(load.batch()),
                    evening.loads().get(i)));
        }
        return new Proposal(proposed, waiting, tried.warming(loads.get(0)));
    }

    /** Refuses what is not proposed any more, because something was logged or taken since. */
    static Proposed taken(Proposal proposal, String films) {
        return proposal.loads().stream()
                .filter(load -> QueuePages.key(load).equals(films))
                .findFirst()
                .orElseThrow(() -> Refusal.of(new FormObjection.ProposalGone()));
    }
}
