package mezcla.verdict;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import mezcla.batch.FillState;
import mezcla.batch.KitState;
import mezcla.batch.LogBook;
import mezcla.leaflet.FilmProcess;

/** What can be done where no batch takes a run as it was asked for (rules, 4.8). */
public sealed interface WayOut {
    /** The plan to begin with. */
    RunPlan plan();

    /**
     * The same film in a smaller tank that the bottles fill.
     *
     * @param plan the run in that tank
     */
    record SmallerTank(RunPlan plan) implements WayOut {}

    /**
     * The film in two loads, one after the other, through the same batch.
     *
     * @param plan the first load
     * @param second the second load, through what the first one leaves
     */
    record TwoLoads(RunPlan plan, RunPlan second) implements WayOut {}

    /**
     * The same film, once fresh solution has been added to the baths that do not fill the tank.
     *
     * @param plan the run afterwards
     * @param added what is added to which
     */
    record ToppedUp(RunPlan plan, List<Fresh> added) implements WayOut {}

    /**
     * The same film, once the baths that hold it back have been mixed afresh while the rest is sound.
     *
     * @param plan the run afterwards
     * @param renewed the fills that are replaced, and by how much
     */
    record Renewed(RunPlan plan, List<Fresh> renewed) implements WayOut {}

    /**
     * Fresh solution for a bath.
     *
     * @param fill the fill that it is added to or replaces, as it is now
     * @param volumeMl how much, in ml
     * @param kit what it is mixed from
     * @param kitShare the share of the kit's value that it takes, 0 to 1
     */
    record Fresh(FillState fill, double volumeMl, KitState kit, double kitShare) {}

    /**
     * Finds the ways out for a run that no batch takes.
     *
     * @param book the whole log
     * @param question the run as it was asked for
     * @param processes the processes that the film may want; empty for any
     * @param tanks the tanks of the house
     * @return the best of each kind: the smallest step down in tank, else the batch that was mixed first
     */
    static List<WayOut> of(
            LogBook book, RunQuestion question, Set<FilmProcess> processes, List<RunQuestion.InTank> tanks) {
        WayOutSearch search = WayOutSearch.of(book, question, processes);
        return Stream.of(search.smallerTank(tanks), search.twoLoads(), search.toppedUp(), search.renewed())
                .flatMap(Optional::stream)
                .toList();
    }
}
