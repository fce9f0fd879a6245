package mezcla.planning;

import static org.assertj.core.api.Assertions.assertThat;

import java.lang.management.ManagementFactory;
import java.lang.management.ThreadMXBean;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import org.testng.annotations.Test;

/** The planner's answer is as good as the best of all plans that there are. */
public class QueuePlanTest {
    private final Random random = new Random(11);

    /** A made-up evening: films of kinds that do not mix, tanks that hold so many, batches that take only some kinds. */
    private record Evening(List<QueuePlan.Candidate> films, List<QueuePlan.Through> batches, QueuePlan.Together rule) {
        QueuePlan plan() {
            return QueuePlan.of(films, batches, rule);
        }
    }

    private Evening evening(int films, int batches) {
        List<QueuePlan.Candidate> candidates = new ArrayList<>();
        int[] kinds = new int[films];
        double[] counts = {0.25, 0.75, 1, 2};
        for (int i = 0; i < films; i++) {
            kinds[i] = random.nextInt(2);
            candidates.add(new QueuePlan.Candidate(
                    "negative",
                    counts[random.nextInt(4)],
                    random.nextInt(5) == 0,
                    random.nextBoolean() ? 1 + random.nextInt(4) : QueuePlan.NO_DAY,
                    random.nextInt(3) == 0 ? "wedding" : null));
        }
        candidates.sort(Comparator.comparing(QueuePlan.Candidate::day));
        List<QueuePlan.Through> through = new ArrayList<>();
        boolean[] pushes = new boolean[batches];
        for (int i = 0; i < batches; i++) {
            double left = random.nextInt(7);
            through.add(new QueuePlan.Through("negative", left, random.nextBoolean() ? left : 0));
            pushes[i] = random.nextBoolean();
        }
        int tank = 1 + random.nextInt(3);
        return new Evening(candidates, through, (batch, load) -> {
            boolean one = load.stream().map(film -> kinds[film]).distinct().count() == 1;
            boolean takes = pushes[batch] || kinds[load.get(0)] == 0;
            return one && takes && load.size() <= tank ? OptionalDouble.of(300 * load.size()) : OptionalDouble.empty();
        });
    }

    /** Films run, their days, and what the loads are like: what is compared, in that order. */
    private static long[] score(Evening evening, List<QueuePlan.Load> loads) {
        int wanted = evening.films().size();
        long[] days = loads.stream()
                .flatMap(load -> load.films().stream())
                .mapToLong(film -> evening.films().get(film).day())
                .sorted()
                .toArray();
        long[] score = new long[wanted + 5];
        Arrays.fill(score, Long.MIN_VALUE);
        score[0] = days.length;
        for (int i = 0; i < days.length; i++) {
            score[i + 1] = -days[i];
        }
        List<Integer> some = IntStream.range(0, evening.batches().size())
                .filter(batch -> IntStream.range(0, wanted).anyMatch(film -> goesWhole(evening, film, batch)))
                .boxed()
                .toList();
        long[] rest = new long[4];
        for (QueuePlan.Load load : loads) {
            int age = some.indexOf(load.batch());
            long careful = load.films().stream()
                    .filter(film -> evening.films().get(film).irreplaceable())
                    .count();
            rest[0] -= careful * (some.size() - 1 - age);
            rest[1] -= 1;
            rest[2] -= careful > 0 ? 0 : age;
            rest[3] -=
                    Math.round(evening.rule().tankMl(load.batch(), load.films()).orElseThrow());
        }
        System.arraycopy(rest, 0, score, wanted + 1, 4);
        return score;
    }

    /** Whether a batch takes a film at all, and all that is kept alike with it: only the ages of such batches count. */
    private static boolean goesWhole(Evening evening, int film, int batch) {
        QueuePlan.Evening all = new QueuePlan.Evening(evening.films(), evening.batches(), evening.rule());
        List<Integer> films = IntStream.range(0, evening.films().size()).boxed().toList();
        return all.goesAlone(film, batch)
                && IntStream.range(0, evening.batches().size())
                        .anyMatch(any -> QueuePlan.keptAlike(all, films, film).stream()
                                .allMatch(each -> all.goesAlone(each, any)));
    }

    private static boolean isSound(Evening evening, List<QueuePlan.Load> loads) {
        double[] all = new double[evening.batches().size()];
        double[] careful = new double[evening.batches().size()];
        Set<Integer> seen = new HashSet<>();
        for (QueuePlan.Load load : loads) {
            if (evening.rule().tankMl(load.batch(), load.films()).isEmpty()) {
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
        Set<Integer> alike = new HashSet<>();
        loads.stream()
                .filter(load -> load.films().stream().anyMatch(film -> isKeptAlike(evening, film)))
                .forEach(load -> alike.add(load.batch()));
        boolean some = seen.stream().anyMatch(film -> isKeptAlike(evening, film));
        boolean whole = IntStream.range(0, evening.films().size())
                .filter(film -> isKeptAlike(evening, film))
                .allMatch(seen::contains);
        return (!some || (whole && alike.size() == 1))
                && IntStream.range(0, all.length)
                        .allMatch(i -> all[i] <= evening.batches().get(i).rollsLeft() + 1e-9
                                && (careful[i] == 0
                                        || careful[i]
                                                <= evening.batches().get(i).rollsLeftForCareful() + 1e-9));
    }

    private static boolean isKeptAlike(Evening evening, int film) {
        return evening.films().get(film).alike() != null;
    }

    /** Tries every plan: each film waits, joins a load that there is, or begins one through any batch. */
    private static long[] best(Evening evening, int film, List<List<Integer>> loads, List<Integer> batches) {
        if (film == evening.films().size()) {
            List<QueuePlan.Load> plan = IntStream.range(0, loads.size())
                    .mapToObj(i -> new QueuePlan.Load(batches.get(i), loads.get(i)))
                    .toList();
            return isSound(evening, plan) ? score(evening, plan) : new long[] {-1};
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
            QueuePlan plan = evening.plan();
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
        evening.plan();
        ThreadMXBean work = ManagementFactory.getThreadMXBean();
        long before = work.getCurrentThreadCpuTime();
        QueuePlan plan = evening.plan();
        assertThat((work.getCurrentThreadCpuTime() - before) / 1e9).isLessThan(0.5);
        assertThat(isSound(evening, plan.loads())).isTrue();
    }

    private static QueuePlan.Candidate film(String process, double equivalents, boolean irreplaceable) {
        return new QueuePlan.Candidate(process, equivalents, irreplaceable, QueuePlan.NO_DAY, null);
    }

    @Test
    public void beyondThatThePlanIsSoundSaysSoAndTheUrgentGoFirst() {
        for (int i = 0; i < 200; i++) {
            Evening evening = evening(13 + random.nextInt(20), 1 + random.nextInt(9));
            assertThat(isSound(evening, evening.plan().loads())).isTrue();
        }
        List<QueuePlan.Candidate> alike =
                IntStream.range(0, 20).mapToObj(i -> film("negative", 1, false)).toList();
        QueuePlan crowded = QueuePlan.of(
                alike, List.of(new QueuePlan.Through("negative", 4, 4)), (batch, films) -> OptionalDouble.of(1));
        assertThat(crowded.exact()).isFalse();
        assertThat(crowded.loads()).containsExactly(new QueuePlan.Load(0, List.of(0, 1, 2, 3)));
    }

    /** How many films go in at most, tanks left aside: batch by batch, over what is left of each kind of film. */
    private static int most(
            List<double[]> kinds, int[] left, List<QueuePlan.Through> batches, int from, Map<String, Integer> known) {
        if (from == batches.size()) {
            return 0;
        }
        String key = from + Arrays.toString(left);
        Integer before = known.get(key);
        if (before != null) {
            return before;
        }
        int best = taken(kinds, left, batches, from, 0, new double[] {0, 0}, known);
        known.put(key, best);
        return best;
    }

    private static int taken(
            List<double[]> kinds,
            int[] left,
            List<QueuePlan.Through> batches,
            int from,
            int kind,
            double[] used,
            Map<String, Integer> known) {
        if (kind == kinds.size()) {
            return most(kinds, left, batches, from + 1, known);
        }
        int best = 0;
        int before = left[kind];
        for (int count = 0; count <= before; count++) {
            double all = used[0] + count * kinds.get(kind)[0];
            double careful = used[1] + count * kinds.get(kind)[0] * kinds.get(kind)[1];
            if (all > batches.get(from).rollsLeft() + 1e-9
                    || (careful > 0 && careful > batches.get(from).rollsLeftForCareful() + 1e-9)) {
                break;
            }
            left[kind] = before - count;
            best = Math.max(
                    best, count + taken(kinds, left, batches, from, kind + 1, new double[] {all, careful}, known));
        }
        left[kind] = before;
        return best;
    }

    @Test
    public void beyondThatItIsWithinOneFilmOfTheBest() {
        double[] sizes = {0.45, 0.75, 1, 2};
        int near = 0;
        for (int evening = 0; evening < 100; evening++) {
            List<QueuePlan.Candidate> films = new ArrayList<>();
            List<double[]> kinds = new ArrayList<>();
            int[] left = new int[8];
            for (int kind = 0; kind < 8; kind++) {
                kinds.add(new double[] {sizes[kind % 4], kind / 4});
            }
            for (int i = 0; i < 13 + random.nextInt(8); i++) {
                int kind = random.nextInt(4) + (random.nextInt(4) == 0 ? 4 : 0);
                left[kind]++;
                films.add(new QueuePlan.Candidate(
                        "negative",
                        sizes[kind % 4],
                        kind >= 4,
                        random.nextBoolean() ? random.nextInt(9) : QueuePlan.NO_DAY,
                        null));
            }
            films.sort(Comparator.comparing(QueuePlan.Candidate::day));
            List<QueuePlan.Through> batches = new ArrayList<>();
            for (int i = 0; i < 2 + random.nextInt(3); i++) {
                double rolls = random.nextInt(13) / 2.0;
                batches.add(new QueuePlan.Through("negative", rolls, random.nextInt(3) == 0 ? 0 : rolls));
            }
            QueuePlan plan = QueuePlan.of(films, batches, (batch, load) -> OptionalDouble.of(300));
            int planned = films.size() - plan.waiting().size();
            int most = most(kinds, left, batches, 0, new HashMap<>());
            assertThat(planned).isLessThanOrEqualTo(most);
            near += planned >= most - 1 ? 1 : 0;
        }
        assertThat(near).isGreaterThanOrEqualTo(95);
    }

    @Test
    public void filmThatIsKeptAlikeWaitsWhereNoBatchTakesAllOfIt() {
        List<QueuePlan.Candidate> wedding = IntStream.range(0, 3)
                .mapToObj(i -> new QueuePlan.Candidate("negative", 1, false, QueuePlan.NO_DAY, "wedding"))
                .toList();
        QueuePlan.Together anyTank = (batch, films) -> OptionalDouble.of(600);
        assertThat(QueuePlan.of(
                                wedding,
                                List.of(
                                        new QueuePlan.Through("negative", 2, 2),
                                        new QueuePlan.Through("negative", 2, 2)),
                                anyTank)
                        .loads())
                .isEmpty();
        assertThat(QueuePlan.of(wedding, List.of(new QueuePlan.Through("negative", 3, 3)), anyTank)
                        .loads())
                .containsExactly(new QueuePlan.Load(0, List.of(0, 1, 2)));
    }

    @Test
    public void processesAreKeptApartAndWhatCannotBeMadeAgainGoesFirst() {
        QueuePlan plan = QueuePlan.of(
                List.of(film("negative", 1, false), film("slide", 1, false), film("negative", 1, true)),
                List.of(new QueuePlan.Through("negative", 3, 0), new QueuePlan.Through("negative", 3, 3)),
                (batch, films) -> films.size() == 1 ? OptionalDouble.of(300) : OptionalDouble.empty());
        assertThat(plan.loads()).containsExactly(new QueuePlan.Load(1, List.of(2)), new QueuePlan.Load(0, List.of(0)));
        assertThat(plan.waiting()).containsExactly(1);
        assertThat(plan.exact()).isTrue();
    }
}
