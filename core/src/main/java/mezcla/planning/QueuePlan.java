package mezcla.planning;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.OptionalLong;
import java.util.Set;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;
import mezcla.measure.Slack;

/**
 * Which films go in next, together, and through which batch (rules, section 10). As many films as can be; of those, the
 * most urgent; then the fewest loads; then the lowest cost of the loads, in whatever the caller counts it. The best plan is
 * found exactly for up to {@value #MOST_FILMS} films and {@value #MOST_BATCHES} batches of a process; beyond that the most
 * urgent are planned first and the others through what those leave, which is good and not always best.
 *
 * @param loads the loads, those with film that cannot be made again first, then by urgency
 * @param waiting the films that go into none, by their places among the candidates
 */
public record QueuePlan(List<Load> loads, List<Integer> waiting) {
    /** How many films of a process are planned exactly. */
    public static final int MOST_FILMS = 12;

    /** How many batches of a process are planned exactly. */
    public static final int MOST_BATCHES = 6;

    private static final int LOADS_SHIFT = 40;
    private static final long BY_AGE = 100_000;
    private static final long NEVER = Long.MAX_VALUE;

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
     */
    public record Candidate(String process, double equivalents, boolean irreplaceable) {}

    /**
     * A batch that film can go through.
     *
     * @param process the key of its process
     * @param rollsLeft how many roll equivalents it still takes tonight
     * @param rollsLeftForCareful how many of them may be film that cannot be made again
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

    /**
     * What a load costs, for comparing it with others: the oldest batch that takes it is used up first, film that cannot be
     * made again goes through the freshest; then the smallest tank.
     *
     * @param age where its batch stands among all, from the oldest, 0
     * @param batches how many there are
     * @param irreplaceable whether any of its film cannot be made again
     * @param tankMl what its tank takes, in ml
     */
    public static long cost(int age, int batches, boolean irreplaceable, double tankMl) {
        long place = irreplaceable ? batches - 1L - age : age;
        return place * BY_AGE + Math.round(tankMl);
    }

    /** What goes into one tank. */
    public interface Together {
        /**
         * What a load costs, for comparing it with others.
         *
         * @param batch the batch, by its place
         * @param films the films, by their places; one at least
         * @return 0 to a milliard; empty where they do not go into one tank, or not through that batch: then they do not with
         *     more film either
         */
        OptionalLong cost(int batch, List<Integer> films);
    }

    /**
     * Plans.
     *
     * @param films the films, the most urgent first
     * @param batches the batches
     * @param together what goes into one tank
     */
    public static QueuePlan of(List<Candidate> films, List<Through> batches, Together together) {
        List<Load> loads = new ArrayList<>();
        Set<String> processes = new LinkedHashSet<>();
        films.forEach(film -> processes.add(film.process()));
        for (String process : processes) {
            List<Integer> left =
                    new ArrayList<>(of(films.size(), i -> films.get(i).process().equals(process)));
            List<Integer> through = of(
                            batches.size(), i -> batches.get(i).process().equals(process))
                    .stream()
                    .sorted(Comparator.comparingDouble(i -> -batches.get(i).rollsLeft()))
                    .limit(MOST_BATCHES)
                    .toList();
            double[] used = new double[batches.size()];
            double[] usedCareful = new double[batches.size()];
            while (!left.isEmpty()) {
                left.removeIf(film -> through.stream()
                        .noneMatch(
                                batch -> goesAlone(films.get(film), batches.get(batch), used[batch], usedCareful[batch])
                                        && together.cost(batch, List.of(film)).isPresent()));
                List<Integer> some = List.copyOf(left.subList(0, Math.min(MOST_FILMS, left.size())));
                List<Load> planned = new Exactly(films, batches, some, through, together, used, usedCareful).loads();
                for (Load load : planned) {
                    for (int film : load.films()) {
                        used[load.batch()] += films.get(film).equivalents();
                        usedCareful[load.batch()] += films.get(film).irreplaceable()
                                ? films.get(film).equivalents()
                                : 0;
                    }
                }
                loads.addAll(planned);
                left.removeAll(some);
            }
        }
        loads.sort(Comparator.comparing((Load load) ->
                        load.films().stream().noneMatch(film -> films.get(film).irreplaceable()))
                .thenComparing(load -> load.films().get(0)));
        Set<Integer> placed = new LinkedHashSet<>();
        loads.forEach(load -> placed.addAll(load.films()));
        return new QueuePlan(loads, of(films.size(), i -> !placed.contains(i)));
    }

    /** Whether a film goes through what the loads before it leave of a batch: what does not go alone goes in no load. */
    private static boolean goesAlone(Candidate film, Through batch, double used, double usedCareful) {
        return !Slack.exceeds(used + film.equivalents(), batch.rollsLeft())
                && (!film.irreplaceable()
                        || !Slack.exceeds(usedCareful + film.equivalents(), batch.rollsLeftForCareful()));
    }

    private static List<Integer> of(int count, IntPredicate which) {
        return IntStream.range(0, count).filter(which).boxed().toList();
    }

    /** Up to twelve films and six batches: sets of films are numbers, a bit a film. */
    private static final class Exactly {
        private final List<Through> batches;
        private final List<Integer> some;
        private final List<Integer> through;
        private final Together together;
        private final double[] used;
        private final double[] usedCareful;
        private final int sets;
        /** Of each set: its film in roll equivalents, and how much of that cannot be made again. */
        private final double[] all;

        private final double[] careful;

        Exactly(
                List<Candidate> films,
                List<Through> batches,
                List<Integer> some,
                List<Integer> through,
                Together together,
                double[] used,
                double[] usedCareful) {
            this.batches = batches;
            this.some = some;
            this.through = through;
            this.together = together;
            this.used = used;
            this.usedCareful = usedCareful;
            this.sets = 1 << some.size();
            this.all = new double[sets];
            this.careful = new double[sets];
            for (int set = 1; set < sets; set++) {
                int lowest = Integer.lowestOneBit(set);
                Candidate film = films.get(some.get(Integer.numberOfTrailingZeros(lowest)));
                all[set] = all[set ^ lowest] + film.equivalents();
                careful[set] = careful[set ^ lowest] + (film.irreplaceable() ? film.equivalents() : 0);
            }
        }

        List<Load> loads() {
            long[] before = new long[sets];
            Arrays.fill(before, NEVER);
            before[0] = 0;
            List<int[]> takes = new ArrayList<>();
            List<int[]> firsts = new ArrayList<>();
            for (int batch : through) {
                int[] first = new int[sets];
                long[] alone = throughOne(batch, first);
                long[] after = before.clone();
                int[] take = new int[sets];
                for (int rest = 0; rest < sets; rest++) {
                    if (before[rest] == NEVER) {
                        continue;
                    }
                    int free = sets - 1 ^ rest;
                    for (int part = free; part > 0; part = (part - 1) & free) {
                        long cost = plus(alone[part], before[rest]);
                        if (cost < after[rest | part]) {
                            after[rest | part] = cost;
                            take[rest | part] = part;
                        }
                    }
                }
                takes.add(take);
                firsts.add(first);
                before = after;
            }
            int set = best(before);
            List<Load> loads = new ArrayList<>();
            for (int i = through.size() - 1; i >= 0; i--) {
                int part = takes.get(i)[set];
                set ^= part;
                while (part > 0) {
                    int load = firsts.get(i)[part];
                    loads.add(new Load(through.get(i), members(load)));
                    part ^= load;
                }
            }
            return loads;
        }

        /** The least that each set of films costs through one batch alone, and the first load of that. */
        private long[] throughOne(int batch, int[] first) {
            long[] one = new long[sets];
            boolean[] fits = new boolean[sets];
            one[0] = NEVER;
            for (int set = 1; set < sets; set++) {
                fits[set] = isWithin(batch, set);
                one[set] = fits[set] && goesWithoutOne(one, set) ? cost(batch, set) : NEVER;
            }
            long[] least = new long[sets];
            Arrays.fill(least, NEVER);
            least[0] = 0;
            for (int set = 1; set < sets; set++) {
                if (!fits[set]) {
                    continue;
                }
                int lowest = Integer.lowestOneBit(set);
                int rest = set ^ lowest;
                for (int more = rest; ; more = (more - 1) & rest) {
                    long cost = plus(one[more | lowest], least[rest ^ more]);
                    if (cost < least[set]) {
                        least[set] = cost;
                        first[set] = more | lowest;
                    }
                    if (more == 0) {
                        break;
                    }
                }
            }
            return least;
        }

        private long cost(int batch, int set) {
            OptionalLong cost = together.cost(batch, members(set));
            return cost.isPresent() ? (1L << LOADS_SHIFT) + cost.getAsLong() : NEVER;
        }

        /** What does not go into a tank does not go with more film either: then it need not be asked. */
        private static boolean goesWithoutOne(long[] one, int set) {
            int lowest = Integer.lowestOneBit(set);
            return set == lowest || (one[set ^ lowest] != NEVER && one[set ^ Integer.highestOneBit(set)] != NEVER);
        }

        private boolean isWithin(int batch, int set) {
            Through limits = batches.get(batch);
            double careful = usedCareful[batch] + this.careful[set];
            return !Slack.exceeds(used[batch] + all[set], limits.rollsLeft())
                    && (careful == 0 || !Slack.exceeds(careful, limits.rollsLeftForCareful()));
        }

        private static long plus(long one, long other) {
            return one == NEVER || other == NEVER ? NEVER : one + other;
        }

        /** As many films as can be, of those the most urgent, of those the least cost. */
        private int best(long[] cost) {
            int best = 0;
            for (int set = 1; set < sets; set++) {
                if (cost[set] != NEVER && isBetter(set, best, cost)) {
                    best = set;
                }
            }
            return best;
        }

        private boolean isBetter(int set, int than, long[] cost) {
            if (Integer.bitCount(set) != Integer.bitCount(than)) {
                return Integer.bitCount(set) > Integer.bitCount(than);
            }
            int urgency = Integer.compare(urgency(set), urgency(than));
            return urgency != 0 ? urgency > 0 : cost[set] < cost[than];
        }

        /** The first film counts for as many as there are, the last for one. */
        private int urgency(int set) {
            int sum = 0;
            for (int i = 0; i < some.size(); i++) {
                sum += (set >> i & 1) * (some.size() - i);
            }
            return sum;
        }

        private List<Integer> members(int set) {
            List<Integer> members = new ArrayList<>(Integer.bitCount(set));
            for (int i = 0; i < some.size(); i++) {
                if ((set >> i & 1) == 1) {
                    members.add(some.get(i));
                }
            }
            return members;
        }
    }
}
