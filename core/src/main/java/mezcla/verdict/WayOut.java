package mezcla.verdict;

import java.util.List;
import java.util.Set;
import java.util.function.ToDoubleFunction;
import mezcla.batch.FillState;
import mezcla.batch.KitState;
import mezcla.batch.LogBook;
import mezcla.leaflet.FilmProcess;
import org.jspecify.annotations.Nullable;

/** What can be done where a batch, or no batch, takes a run as it was asked for (rules, 4.8). Each was planned, and goes. */
public sealed interface WayOut {
    /**
     * Has something to say of every kind of way.
     *
     * @param <T> what it says
     */
    interface Told<T> {
        T otherTank(OtherTank way);

        T twoLoads(TwoLoads way);

        T otherBatch(OtherBatch way);

        T toppedUp(ToppedUp way);

        T renewed(Renewed way);

        T freshMix(FreshMix way);
    }

    /** What somebody says of it, by its kind. */
    <T> T tell(Told<T> told);

    /** The plan to begin with. */
    RunPlan plan();

    /**
     * The same film in another tank, smaller or larger, which holds it.
     *
     * @param plan the run in that tank
     */
    record OtherTank(RunPlan plan) implements WayOut {
        @Override
        public <T> T tell(Told<T> told) {
            return told.otherTank(this);
        }
    }

    /**
     * The film in two loads, one after the other, through the same batch.
     *
     * @param plan the first load
     * @param second the second load, through what the first one leaves
     */
    record TwoLoads(RunPlan plan, RunPlan second) implements WayOut {
        @Override
        public <T> T tell(Told<T> told) {
            return told.twoLoads(this);
        }
    }

    /**
     * The same film through another batch of the process, which is good today.
     *
     * @param plan the run through it
     */
    record OtherBatch(RunPlan plan) implements WayOut {
        @Override
        public <T> T tell(Told<T> told) {
            return told.otherBatch(this);
        }
    }

    /**
     * The same film, once fresh solution has been added to the baths that do not fill the tank.
     *
     * @param plan the run afterwards
     * @param added what is added to which
     */
    record ToppedUp(RunPlan plan, List<Fresh> added) implements WayOut {
        @Override
        public <T> T tell(Told<T> told) {
            return told.toppedUp(this);
        }
    }

    /**
     * The same film, once the baths that hold it back have been mixed afresh while the rest is sound.
     *
     * @param plan the run afterwards
     * @param renewed the fills that are replaced, and by how much
     */
    record Renewed(RunPlan plan, List<Fresh> renewed) implements WayOut {
        @Override
        public <T> T tell(Told<T> told) {
            return told.renewed(this);
        }
    }

    /**
     * The same film through a batch that is mixed for it.
     *
     * @param plan the run through it
     * @param kit what it is mixed from
     * @param volumeMl how much of every bath, in ml
     */
    record FreshMix(RunPlan plan, KitState kit, double volumeMl) implements WayOut {
        @Override
        public <T> T tell(Told<T> told) {
            return told.freshMix(this);
        }
    }

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
     * What ways out are asked for.
     *
     * @param question the run as it was asked for
     * @param batch the batch that it was asked of, whose own ways come first; null for any
     * @param processes the processes that the film may want; empty for any
     * @param tanks the tanks of the house, as the film is moved
     * @param price what a roll costs through a batch, for comparing batches; larger where nobody knows
     */
    record Wanted(
            RunQuestion question,
            @Nullable Long batch,
            Set<FilmProcess> processes,
            List<RunQuestion.InTank> tanks,
            ToDoubleFunction<RunPlan> price) {
        /** Keeps its own lists. */
        public Wanted {
            processes = Set.copyOf(processes);
            tanks = List.copyOf(tanks);
        }
    }

    /**
     * Finds the ways out for a run: first those through the batch that was asked (another tank, two loads), then other
     * batches of the process that are good today, the cheapest and freshest first, then fresh solution for what holds it
     * back, then a mix of its own.
     *
     * @param book the whole log
     * @param wanted what is asked for
     * @return each planned: what does not go, has to go, or would have to be tested first is not among them
     */
    static List<WayOut> of(LogBook book, Wanted wanted) {
        return new WayOutSearch(book, wanted).all();
    }
}
