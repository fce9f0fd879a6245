package mezcla.planning;

import static org.assertj.core.api.Assertions.assertThat;

import java.lang.management.ManagementFactory;
import java.lang.management.ThreadMXBean;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.OptionalLong;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import org.testng.annotations.Test;

/** The planner's answer is as good as the best of all plans that there are. */
public class QueuePlanTest {
    private final Random random = new Random(11);

    /** A made-up evening: films of kinds that do not mix, tanks that hold so many, batches that take only some kinds. */
    private record Evening(List<QueuePlan.Candidate> films, List<QueuePlan.Through> batches, QueuePlan.Together rule) {}

    private Evening evening(int films, int batches) {
        List<QueuePlan.Candidate> candidates = new ArrayList<>();
        int[] kinds = new int[films];
        double[] counts = {0.25, 0.75, 1, 2};
        for (int i = 0; i < films; i++) {
            kinds[i] = random.nextInt(2);
            candidates.add(new QueuePlan.Candidate("negative", counts[random.nextInt(4)], random.nextInt(5) == 0));
        }
        List<QueuePlan.Through> through = new ArrayList<>();
        int[] costs = new int[batches];
        boolean[] pushes = new boolean[batches];
        for (int i = 0; i < batches; i++) {
            double left = random.nextInt(7);
            through.add(new QueuePlan.Through("negative", left, random.nextBoolean() ? left : 0));
            costs[i] = random.nextInt(50);
            pushes[i] = random.nextBoolean();
        }
        int tank = 1 + random.nextInt(3);
        return new Evening(candidates, through, (batch, load) -> {
            boolean one = load.stream().map(film -> kinds[film]).distinct().count() == 1;
            boolean takes = pushes[batch] || kinds[load.get(0)] == 0;
            return one && takes && load.size() <= tank
                    ? OptionalLong.of(costs[batch] + load.get(0))
                    : OptionalLong.empty();
        });
    }

    /** Films run, their urgency, loads, cost: what is compared, in that order. */
    private static long[] score(Evening evening, List<QueuePlan.Load> loads) {
        long films = 0;
        long urgency = 0;
        long cost = 0;
        for (QueuePlan.Load load : loads) {
            films += load.films().size();
            for (int film : load.films()) {
                urgency += evening.films().size() - film;
            }
            cost += evening.rule().cost(load.batch(), load.films()).orElseThrow();
        }
        return new long[] {films, urgency, -loads.size(), -cost};
    }

    private static boolean isSound(Evening evening, List<QueuePlan.Load> loads) {
        double[] all = new double[evening.batches().size()];
        double[] careful = new double[evening.batches().size()];
        Set<Integer> seen = new HashSet<>();
        for (QueuePlan.Load load : loads) {
            if (evening.rule().cost(load.batch(), load.films()).isEmpty()) {
                return false;
            }
            for (int film : load.films()) {
                if (!seen.add(film)) {
                    return false;
                }
                QueuePlan.Candidate candidate = evening.films().get(film);
                all[load.batch()] += candidate.equivalents();
                careful[load.batch()] += candidate.irreplaceable() ? candidate.equivalents() : 0;
            }
        }
        return IntStream.range(0, all.length)
                .allMatch(i -> all[i] <= evening.batches().get(i).rollsLeft() + 1e-9
                        && (careful[i] == 0
                                || careful[i] <= evening.batches().get(i).rollsLeftForCareful() + 1e-9));
    }

    /** Tries every plan: each film waits, joins a load that there is, or begins one through any batch. */
    private static long[] best(Evening evening, int film, List<List<Integer>> loads, List<Integer> batches) {
        if (film == evening.films().size()) {
            List<QueuePlan.Load> plan = IntStream.range(0, loads.size())
                    .mapToObj(i -> new QueuePlan.Load(batches.get(i), loads.get(i)))
                    .toList();
            return isSound(evening, plan) ? score(evening, plan) : new long[] {-1, 0, 0, 0};
        }
        long[] best = best(evening, film + 1, loads, batches);
        for (int i = 0; i < loads.size(); i++) {
            loads.get(i).add(film);
            best = better(best, best(evening, film + 1, loads, batches));
            loads.get(i).remove(loads.get(i).size() - 1);
        }
        for (int batch = 0; batch < evening.batches().size(); batch++) {
            loads.add(new ArrayList<>(List.of(film)));
            batches.add(batch);
            best = better(best, best(evening, film + 1, loads, batches));
            loads.remove(loads.size() - 1);
            batches.remove(batches.size() - 1);
        }
        return best;
    }

    private static long[] better(long[] one, long[] other) {
        return Arrays.compare(one, other) >= 0 ? one : other;
    }

    @Test
    public void itIsTheBestOfAllPlans() {
        int placed = 0;
        for (int i = 0; i < 60; i++) {
            Evening evening = evening(1 + random.nextInt(5), 1 + random.nextInt(3));
            QueuePlan plan = QueuePlan.of(evening.films(), evening.batches(), evening.rule());
            assertThat(isSound(evening, plan.loads())).isTrue();
            assertThat(score(evening, plan.loads())).isEqualTo(best(evening, 0, new ArrayList<>(), new ArrayList<>()));
            assertThat(plan.waiting())
                    .hasSize(evening.films().size()
                            - plan.loads().stream()
                                    .mapToInt(load -> load.films().size())
                                    .sum());
            placed += plan.loads().size();
        }
        assertThat(placed).as("loads in all").isGreaterThan(60);
    }

    @Test
    public void twelveFilmsAndSixBatchesArePlannedWithHalfASecondsWork() {
        Evening evening = evening(12, 6);
        QueuePlan.of(evening.films(), evening.batches(), evening.rule());
        ThreadMXBean work = ManagementFactory.getThreadMXBean();
        long before = work.getCurrentThreadCpuTime();
        QueuePlan plan = QueuePlan.of(evening.films(), evening.batches(), evening.rule());
        assertThat((work.getCurrentThreadCpuTime() - before) / 1e9).isLessThan(0.5);
        assertThat(isSound(evening, plan.loads())).isTrue();
    }

    @Test
    public void beyondThatThePlanIsSoundAndTheUrgentGoFirst() {
        Evening evening = evening(30, 9);
        QueuePlan plan = QueuePlan.of(evening.films(), evening.batches(), evening.rule());
        assertThat(isSound(evening, plan.loads())).isTrue();
        assertThat(plan.loads()).isNotEmpty();
        List<QueuePlan.Candidate> alike = IntStream.range(0, 20)
                .mapToObj(i -> new QueuePlan.Candidate("negative", 1, false))
                .toList();
        QueuePlan crowded = QueuePlan.of(
                alike, List.of(new QueuePlan.Through("negative", 4, 4)), (batch, films) -> OptionalLong.of(1));
        assertThat(crowded.loads()).containsExactly(new QueuePlan.Load(0, List.of(0, 1, 2, 3)));
    }

    @Test
    public void processesAreKeptApartAndWhatCannotBeMadeAgainGoesFirst() {
        QueuePlan plan = QueuePlan.of(
                List.of(
                        new QueuePlan.Candidate("negative", 1, false),
                        new QueuePlan.Candidate("slide", 1, false),
                        new QueuePlan.Candidate("negative", 1, true)),
                List.of(new QueuePlan.Through("negative", 3, 3), new QueuePlan.Through("negative", 3, 0)),
                (batch, films) -> films.size() == 1 ? OptionalLong.of(batch == 0 ? 5 : 1) : OptionalLong.empty());
        assertThat(plan.loads()).containsExactly(new QueuePlan.Load(0, List.of(2)), new QueuePlan.Load(1, List.of(0)));
        assertThat(plan.waiting()).containsExactly(1);
    }
}
