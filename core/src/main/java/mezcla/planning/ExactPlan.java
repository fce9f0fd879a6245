package mezcla.planning;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import mezcla.measure.Slack;

/** The best plan for a few films and batches of one process: sets of films are numbers, a bit a film. */
final class ExactPlan {
    private static final long NEVER = Long.MAX_VALUE;
    private static final int TANK_BITS = 23;
    private static final int AGE_BITS = 10;
    private static final int LOAD_BITS = 6;

    private final QueuePlan.Evening evening;
    private final List<Integer> some;
    private final List<Integer> through;
    private final int sets;
    /** Of each set: its film in roll equivalents, how much of that cannot be made again, and how many films that are. */
    private final double[] all;

    private final double[] careful;
    private final int[] irreplaceable;
    /** Of each film: all that is kept alike with it, itself included. */
    private final int[] alike;

    /**
     * Looks at everything.
     *
     * @param evening the evening
     * @param some the films, by their places, each of which goes through one of the batches alone
     * @param through the batches, by their places, the oldest first
     */
    ExactPlan(QueuePlan.Evening evening, List<Integer> some, List<Integer> through) {
        this.evening = evening;
        this.some = some;
        this.through = through;
        this.sets = 1 << some.size();
        this.all = new double[sets];
        this.careful = new double[sets];
        this.irreplaceable = new int[sets];
        for (int set = 1; set < sets; set++) {
            int lowest = Integer.lowestOneBit(set);
            QueuePlan.Candidate film = film(Integer.numberOfTrailingZeros(lowest));
            int rest = set ^ lowest;
            all[set] = all[rest] + film.equivalents();
            careful[set] = careful[rest] + (film.irreplaceable() ? film.equivalents() : 0);
            irreplaceable[set] = irreplaceable[rest] + (film.irreplaceable() ? 1 : 0);
        }
        this.alike = some.stream()
                .mapToInt(film -> QueuePlan.keptAlike(evening, some, film).stream()
                        .mapToInt(each -> 1 << some.indexOf(each))
                        .sum())
                .toArray();
    }

    private QueuePlan.Candidate film(int bit) {
        return evening.films().get(some.get(bit));
    }

    List<QueuePlan.Load> loads() {
        long[] before = new long[sets];
        Arrays.fill(before, NEVER);
        before[0] = 0;
        List<int[]> takes = new ArrayList<>();
        List<int[]> firsts = new ArrayList<>();
        for (int age = 0; age < through.size(); age++) {
            int[] first = new int[sets];
            long[] alone = throughOne(age, first);
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
        List<QueuePlan.Load> loads = new ArrayList<>();
        for (int age = through.size() - 1; age >= 0; age--) {
            int part = takes.get(age)[set];
            set ^= part;
            while (part > 0) {
                int load = firsts.get(age)[part];
                loads.add(new QueuePlan.Load(through.get(age), members(load)));
                part ^= load;
            }
        }
        return loads;
    }

    /** The least that each set of films costs through one batch alone, and the first load of that. */
    private long[] throughOne(int age, int[] first) {
        long[] one = new long[sets];
        boolean[] fits = new boolean[sets];
        one[0] = NEVER;
        for (int set = 1; set < sets; set++) {
            fits[set] = isWithin(evening.batches().get(through.get(age)), set);
            one[set] = fits[set] && goesWithoutOne(one, set) ? cost(age, set) : NEVER;
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
        for (int set = 1; set < sets; set++) {
            least[set] = isWhole(set) ? least[set] : NEVER;
        }
        return least;
    }

    /** Whether a set has all or nothing of what is kept alike. */
    private boolean isWhole(int set) {
        for (int bit = 0; bit < alike.length; bit++) {
            if ((set >> bit & 1) == 1 && (set & alike[bit]) != alike[bit]) {
                return false;
            }
        }
        return true;
    }

    /**
     * What a load costs, for comparing it with others: how far its film that cannot be made again is from the freshest batch,
     * then itself, then how far its other film is from the oldest, then its tank.
     */
    private long cost(int age, int set) {
        OptionalDouble tankMl = evening.together().tankMl(through.get(age), members(set));
        if (tankMl.isEmpty()) {
            return NEVER;
        }
        long fromFreshest = (long) irreplaceable[set] * (through.size() - 1 - age);
        long fromOldest = irreplaceable[set] > 0 ? 0 : age;
        long loads = (fromFreshest << LOAD_BITS) + 1;
        long ages = (loads << AGE_BITS) + fromOldest;
        return (ages << TANK_BITS) + Math.round(tankMl.getAsDouble());
    }

    /** What does not go into a tank does not go with more film either: then it need not be asked. */
    private static boolean goesWithoutOne(long[] one, int set) {
        int lowest = Integer.lowestOneBit(set);
        return set == lowest || (one[set ^ lowest] != NEVER && one[set ^ Integer.highestOneBit(set)] != NEVER);
    }

    private boolean isWithin(QueuePlan.Through limits, int set) {
        return !Slack.exceeds(all[set], limits.rollsLeft())
                && (careful[set] == 0 || !Slack.exceeds(careful[set], limits.rollsLeftForCareful()));
    }

    private static long plus(long one, long other) {
        return one == NEVER || other == NEVER ? NEVER : one + other;
    }

    /** As many films as can be, of those the earliest days, of those the least cost, of those what came first. */
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
        int days = days(set, than);
        if (days != 0 || cost[set] != cost[than]) {
            return days != 0 ? days < 0 : cost[set] < cost[than];
        }
        return Integer.lowestOneBit(set ^ than) == (Integer.lowestOneBit(set ^ than) & set);
    }

    /** Compares two sets of as many films by their days, sorted: the films are. */
    private int days(int set, int than) {
        int one = set;
        int other = than;
        while (one != 0) {
            int days = Long.compare(
                    film(Integer.numberOfTrailingZeros(one)).day(),
                    film(Integer.numberOfTrailingZeros(other)).day());
            if (days != 0) {
                return days;
            }
            one &= one - 1;
            other &= other - 1;
        }
        return 0;
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
