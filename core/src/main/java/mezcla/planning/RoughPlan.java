package mezcla.planning;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import mezcla.measure.Slack;

/**
 * A good plan for much film of one process: the smallest films go in first, each where it fills a batch best; then film that
 * is more urgent takes the places of film that is less so.
 */
final class RoughPlan {
    /** Of how many films of one batch the fewest loads are looked for. */
    private static final int FEW_FILMS = 9;

    /** What is of one shape stands together, so that one can take the place of another and all is packed as before. */
    private static final Comparator<Unit> BY_SHAPE = Comparator.comparingDouble(Unit::careful)
            .thenComparing(unit -> unit.films().size())
            .thenComparing(unit -> unit.batches().toString())
            .thenComparingDouble(Unit::equivalents)
            .thenComparing(Unit::first);

    private final QueuePlan.Evening evening;
    private final List<Integer> through;
    private final List<Unit> units;

    /** What goes in together or not at all: a film, or all that is kept alike, with the batches that take it. */
    private record Unit(List<Integer> films, double equivalents, double careful, List<Integer> batches) {
        double each() {
            return equivalents / films.size();
        }

        int first() {
            return films.get(0);
        }

        Shape shape() {
            return new Shape(films.size(), equivalents, careful, batches);
        }
    }

    /** All that makes a difference for where something goes in. */
    private record Shape(int films, double equivalents, double careful, List<Integer> batches) {}

    /** One thing in the place of another. */
    private record Swap(Shape in, Shape out) {}

    /** Which batch takes what. */
    private record Packed(Map<Unit, Integer> batches) {}

    private RoughPlan(QueuePlan.Evening evening, List<Integer> some, List<Integer> through) {
        this.evening = evening;
        this.through = through;
        Map<List<Integer>, Unit> found = new LinkedHashMap<>();
        for (int film : some) {
            found.computeIfAbsent(QueuePlan.keptAlike(evening, some, film), this::unit);
        }
        this.units = List.copyOf(found.values());
    }

    private Unit unit(List<Integer> films) {
        return new Unit(
                films,
                films.stream()
                        .mapToDouble(film -> candidate(film).equivalents())
                        .sum(),
                films.stream()
                        .filter(film -> candidate(film).irreplaceable())
                        .mapToDouble(film -> candidate(film).equivalents())
                        .sum(),
                through.stream()
                        .filter(batch -> films.stream().allMatch(film -> evening.goesAlone(film, batch)))
                        .toList());
    }

    private QueuePlan.Candidate candidate(int film) {
        return evening.films().get(film);
    }

    /**
     * Plans.
     *
     * @param evening the evening
     * @param some the films, by their places, each of which goes through one of the batches alone
     * @param through the batches, by their places, the oldest first
     */
    static List<QueuePlan.Load> of(QueuePlan.Evening evening, List<Integer> some, List<Integer> through) {
        RoughPlan rough = new RoughPlan(evening, some, through);
        List<Unit> chosen = rough.withUrgent(rough.most());
        Map<Integer, List<Integer>> films = new LinkedHashMap<>();
        rough.pack(chosen).orElseThrow().batches().forEach((unit, batch) -> films.computeIfAbsent(
                        batch, none -> new ArrayList<>())
                .addAll(unit.films()));
        List<QueuePlan.Load> loads = new ArrayList<>();
        films.forEach((batch, inIt) ->
                loads.addAll(rough.loads(batch, inIt.stream().sorted().toList())));
        return loads;
    }

    /** As many films as go in, the smallest first. */
    private List<Unit> most() {
        List<Unit> most = new ArrayList<>();
        addWhatGoes(
                units.stream()
                        .sorted(Comparator.comparingDouble(Unit::each)
                                .thenComparing(unit -> unit.batches().size())
                                .thenComparing(Unit::first))
                        .toList(),
                most);
        return most;
    }

    private void addWhatGoes(List<Unit> more, List<Unit> chosen) {
        Set<Shape> full = new HashSet<>();
        for (Unit unit : more) {
            chosen.add(unit);
            if (full.contains(unit.shape()) || pack(chosen).isEmpty()) {
                full.add(unit.shape());
                chosen.remove(chosen.size() - 1);
            }
        }
    }

    /** As many films or more, with the most urgent among them: each takes the place of the least urgent that it can. */
    private List<Unit> withUrgent(List<Unit> most) {
        List<Unit> chosen = new ArrayList<>(most);
        Set<Swap> vain = new HashSet<>();
        for (Unit unit : units) {
            if (!most.contains(unit)) {
                replaced(unit, chosen, vain).ifPresent(other -> {
                    chosen.remove(other);
                    chosen.add(unit);
                    if (!other.shape().equals(unit.shape())) {
                        vain.clear();
                    }
                });
            }
        }
        addWhatGoes(units.stream().filter(unit -> !chosen.contains(unit)).toList(), chosen);
        return chosen;
    }

    /** The least urgent of what was chosen whose place something more urgent can take. */
    private Optional<Unit> replaced(Unit by, List<Unit> chosen, Set<Swap> vain) {
        return chosen.stream()
                .filter(other -> other.first() > by.first()
                        && other.films().size() <= by.films().size())
                .sorted(Comparator.comparing(Unit::first).reversed())
                .filter(other -> {
                    Swap swap = new Swap(by.shape(), other.shape());
                    boolean goes = by.shape().equals(other.shape())
                            || (!vain.contains(swap)
                                    && pack(instead(chosen, other, by)).isPresent());
                    if (!goes) {
                        vain.add(swap);
                    }
                    return goes;
                })
                .findFirst();
    }

    private static List<Unit> instead(List<Unit> chosen, Unit of, Unit unit) {
        List<Unit> changed = new ArrayList<>(chosen);
        changed.remove(of);
        changed.add(unit);
        return changed;
    }

    /** Finds a batch for each, in one of three ways; empty where none of them does. */
    private Optional<Packed> pack(List<Unit> some) {
        Comparator<Unit> largest = Comparator.comparingDouble(Unit::equivalents).reversed();
        Comparator<Unit> leastChoice =
                Comparator.comparing(unit -> unit.batches().size());
        return pack(some, leastChoice.thenComparing(largest), true)
                .or(() -> pack(some, leastChoice.thenComparing(largest), false))
                .or(() -> pack(some, largest, false));
    }

    /** Finds a batch for each in an order: film that cannot be made again in the freshest, all other where it fits best. */
    private Optional<Packed> pack(List<Unit> some, Comparator<Unit> order, boolean freshest) {
        double[] left = new double[evening.batches().size()];
        double[] leftForCareful = new double[evening.batches().size()];
        for (int batch : through) {
            left[batch] = evening.batches().get(batch).rollsLeft();
            leftForCareful[batch] = evening.batches().get(batch).rollsLeftForCareful();
        }
        Map<Unit, Integer> batches = new LinkedHashMap<>();
        for (Unit unit : some.stream().sorted(order.thenComparing(BY_SHAPE)).toList()) {
            Optional<Integer> place = unit.batches().stream()
                    .filter(batch -> !Slack.exceeds(unit.equivalents(), left[batch])
                            && (unit.careful() == 0 || !Slack.exceeds(unit.careful(), leftForCareful[batch])))
                    .min(
                            freshest && unit.careful() > 0
                                    ? Comparator.reverseOrder()
                                    : Comparator.comparingDouble((Integer batch) -> left[batch])
                                            .thenComparing(Comparator.naturalOrder()));
            if (place.isEmpty()) {
                return Optional.empty();
            }
            left[place.get()] -= unit.equivalents();
            leftForCareful[place.get()] -= unit.careful();
            batches.put(unit, place.get());
        }
        return Optional.of(new Packed(batches));
    }

    /** The loads of one batch: as few as can be of a few films; of more, each film joins the first load that takes it. */
    private List<QueuePlan.Load> loads(int batch, List<Integer> films) {
        if (films.size() <= FEW_FILMS) {
            return new ExactPlan(evening, films, List.of(batch)).loads();
        }
        List<List<Integer>> loads = new ArrayList<>();
        for (int film : films) {
            Optional<List<Integer>> joined = loads.stream()
                    .filter(load -> {
                        List<Integer> with = new ArrayList<>(load);
                        with.add(film);
                        return evening.together().tankMl(batch, with).isPresent();
                    })
                    .findFirst();
            joined.ifPresentOrElse(load -> load.add(film), () -> loads.add(new ArrayList<>(List.of(film))));
        }
        return loads.stream().map(load -> new QueuePlan.Load(batch, load)).toList();
    }
}
