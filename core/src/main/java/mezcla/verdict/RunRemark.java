package mezcla.verdict;

import java.util.Objects;
import mezcla.batch.FillState;
import mezcla.measure.Objection;
import mezcla.measure.ProcessingTime;
import org.jspecify.annotations.Nullable;

/** What is said about a run that goes all the same (rules, 4.9, 4.10 and section 6): it never holds a run back. */
public sealed interface RunRemark extends Objection {
    /**
     * The film uses up much of what is in the tank.
     *
     * @param fill the fill whose share is largest
     * @param share how much of it, 0 to 1
     */
    record Crowded(FillState fill, double share) implements RunRemark {}

    /**
     * Less than the tank takes, but enough to cover the reels.
     *
     * @param fill the fill that lacks most
     * @param pouredMl what goes into the tank, in ml
     * @param shortMl how much less than the tank takes that is, in ml
     */
    record TankNotFull(FillState fill, double pouredMl, double shortMl) implements RunRemark {}

    /**
     * Film is pushed in a developer with less than half of its rolls left.
     *
     * @param fill the developer
     * @param rollsLeft what it still takes, in roll equivalents
     */
    record PushedLate(FillState fill, double rollsLeft) implements RunRemark {}

    /**
     * Film is judged carefully because a member wants that of their own.
     *
     * @param owner the member
     */
    record JudgedForOwner(String owner) implements RunRemark {}

    /**
     * Film goes through another process than it is made for.
     *
     * @param madeFor what it is made for
     * @param through what it goes through
     */
    record CrossProcessed(String madeFor, String through) implements RunRemark {}

    /**
     * A bath was mixed by a version of its leaflet that was mistyped, and goes by it until a steward has switched it (rules, 3.8).
     *
     * @param fill the fill
     * @param version the version that is right
     * @param shown how long it is by the version that governs it, as shown; null where that has no answer
     * @param right how long by the one that is right; null likewise
     * @param rollsLeft what it still takes by the version that governs it, in roll equivalents; null for no limit
     * @param rollsLeftRight what it still takes by the one that is right; null likewise
     */
    record LeafletMistyped(
            FillState fill,
            int version,
            @Nullable ProcessingTime shown,
            @Nullable ProcessingTime right,
            @Nullable Double rollsLeft,
            @Nullable Double rollsLeftRight)
            implements RunRemark {
        private static final double HARDLY_ANY_ROLL = 0.005;

        /** Whether the right version makes another time of it, or leaves more or fewer rolls. */
        public boolean isDifferent() {
            return !Objects.equals(shown, right) || leavesOthers();
        }

        /** Whether the right version leaves more or fewer rolls. */
        public boolean leavesOthers() {
            return (rollsLeft == null || rollsLeftRight == null)
                    ? !Objects.equals(rollsLeft, rollsLeftRight)
                    : Math.abs(rollsLeft - rollsLeftRight) > HARDLY_ANY_ROLL;
        }
    }

    /** The batch has no final rinse. */
    record FinalRinseMissing() implements RunRemark {}
}
