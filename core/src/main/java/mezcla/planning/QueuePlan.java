package mezcla.planning;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;
import mezcla.measure.Slack;
import org.jspecify.annotations.Nullable;

/**
 * Which films go in next, together, and through which batch (rules, section 10). As many films as can be; of those the set
 * whose days come first; of those the one whose film that cannot be made again goes through the freshest batches; then the
 * fewest loads, the oldest batches for all other film, and the smallest tanks. The best plan is found exactly for up to
 * {@value #MOST_FILMS} films and {@value #MOST_BATCHES} batches of a process; beyond that one that is nearly as good.
 *
 * @param loads the loads, those with film that cannot be made again first, then by urgency
 * @param waiting the films that go into none, by their places among the candidates
 * @param exact whether no plan is better
 */
public record QueuePlan(List<Load> loads, List<Integer> waiting, boolean exact) {
    /** How many films of a process are planned exactly. */
    public static final int MOST_FILMS = 12;

    /** How many batches of a process are planned exactly. */
    public static final int MOST_BATCHES = 6;

    /** The day of film that is not needed by any. */
    public static final long NO_DAY = Long.MAX_VALUE;

    /** Keeps its own lists. */
    public QueuePlan {
        loads = List.copyOf(loads);
        waiting = List.copyOf(waiting);
    }

    /**
     * A film that waits.
     *
     * @param process the key of its process
     * @param equivalents what it counts for
     * @param irreplaceable whether it cannot be made again
     * @param day the day by which it is needed, counted from any day; {@link #NO_DAY} for none
     * @param alike what all film says that is to be kept alike, so that it goes through one batch or waits; null for none
     */
    public record Candidate(
            String process, double equivalents, boolean irreplaceable, long day, @Nullable String alike) {}

    /**
     * A batch that film can go through.
     *
     * @param process the key of its process
     * @param rollsLeft how many roll equivalents it still takes tonight
     * @param rollsLeftForCareful how many of them may be film that cannot be made again: none of a batch to be tested
     */
    public record Through(String process, double rollsLeft, double rollsLeftForCareful) {}

    /**
     * A load of the plan.
     *
     * @param batch the batch, by its place among those given
     * @param films the films, by their places among the candidates, the most urgent first
     */
    public record Load(int batch, List<Integer> films) {
        /** Keeps its own list. */
        public Load {
            films = List.copyOf(films);
        }
    }

    /** What goes into one tank. */
    public interface Together {
        /**
         * The smallest tank that a load takes.
         *
         * @param batch the batch, by its place
         * @param films the films, by their places; one at least
         * @return what it takes, in ml; empty where they do not go into one tank, or not through that batch: then they do not
         *     with more film either
         */
        OptionalDouble tankMl(int batch, List<Integer> films);
    }

    /** What is planned; what goes into a tank of its own is asked once. */
    record Evening(List<Candidate> films, List<Through> batches, Together together, Map<List<Integer>, Boolean> known) {
        Evening(List<Candidate> films, List<Through> batches, Together together) {
            this(films, batches, together, new HashMap<>());
        }

        /** Whether a film goes through a batch, into a tank of its own. */
        boolean goesAlone(int film, int batch) {
            Candidate candidate = films.get(film);
            Through through = batches.get(batch);
            return candidate.process().equals(through.process())
                    && !Slack.exceeds(candidate.equivalents(), through.rollsLeft())
                    && (!candidate.irreplaceable()
                            || !Slack.exceeds(candidate.equivalents(), through.rollsLeftForCareful()))
                    && known.computeIfAbsent(List.of(film, batch), none -> together.tankMl(batch, List.of(film))
                            .isPresent());
        }
    }

    /**
     * Plans.
     *
     * @param films the films, the most urgent first: those with a day by their days, then the others
     * @param batches the batches, the oldest first
     * @param together what goes into one tank
     */
    public static QueuePlan of(List<Candidate> films, List<Through> batches, Together together) {
        Evening evening = new Evening(films, batches, together);
        List<Load> loads = new ArrayList<>();
        boolean exact = true;
        Set<String> processes = new LinkedHashSet<>();
        films.forEach(film -> processes.add(film.process()));
        for (String process : processes) {
            List<Integer> some = goesAtAll(evening, process);
            List<Integer> through =
                    of(batches.size(), batch -> some.stream().anyMatch(film -> evening.goesAlone(film, batch)));
            boolean few = some.size() <= MOST_FILMS && through.size() <= MOST_BATCHES;
            exact &= few;
            loads.addAll(few ? new ExactPlan(evening, some, through).loads() : RoughPlan.of(evening, some, through));
        }
        loads.sort(Comparator.comparing((Load load) ->
                        load.films().stream().noneMatch(film -> films.get(film).irreplaceable()))
                .thenComparing(load -> load.films().get(0)));
        Set<Integer> placed = new LinkedHashSet<>();
        loads.forEach(load -> placed.addAll(load.films()));
        return new QueuePlan(loads, of(films.size(), i -> !placed.contains(i)), exact);
    }

    /** The film of a process that some batch takes; film that is kept alike only where one batch takes each of it. */
    private static List<Integer> goesAtAll(Evening evening, String process) {
        List<Integer> all =
                of(evening.films().size(), i -> evening.films().get(i).process().equals(process));
        return all.stream()
                .filter(film -> IntStream.range(0, evening.batches().size())
                        .anyMatch(batch -> keptAlike(evening, all, film).stream()
                                .allMatch(each -> evening.goesAlone(each, batch))))
                .toList();
    }

    /** A film, and all that is kept alike with it. */
    static List<Integer> keptAlike(Evening evening, List<Integer> all, int film) {
        String alike = evening.films().get(film).alike();
        return alike == null
                ? List.of(film)
                : all.stream()
                        .filter(each -> alike.equals(evening.films().get(each).alike()))
                        .toList();
    }

    private static List<Integer> of(int count, IntPredicate which) {
        return IntStream.range(0, count).filter(which).boxed().toList();
    }
}
