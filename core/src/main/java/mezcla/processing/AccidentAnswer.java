package mezcla.processing;

import java.util.List;
import java.util.Objects;
import java.util.stream.Stream;
import mezcla.leaflet.BathRole;
import mezcla.log.Accident;
import org.jspecify.annotations.Nullable;

/**
 * What to do when something goes wrong in a run (rules, section 7). It hangs on where the run stands: what is in the tank,
 * whether light may reach the film, and what is still to develop it.
 *
 * @param key which answer it is: the accident's key, and the case of it where there is more than one
 * @param needs what the bottles need
 */
public record AccidentAnswer(String key, Needs needs) {
    /** What the bottles of a run need after an accident. */
    public enum Needs {
        /** They are as good as before. */
        NOTHING,
        /** A clip test before the next film. */
        CLIP_TEST,
        /** The bottle of the bath in question is barred. */
        BAR,
        /** The bottle of the bath that came in out of turn is barred. */
        BAR_OTHER,
        /** Both are barred: neither is known any more. */
        BAR_BOTH;

        /**
         * The fills whose bottles are barred.
         *
         * @param fill that of the bath in question; null for water
         * @param other that of the bath that came in out of turn, or whose bottle was taken; null where nobody said
         */
        public List<Long> bars(@Nullable Long fill, @Nullable Long other) {
            return Stream.of(
                            this == BAR || this == BAR_BOTH ? fill : null,
                            this == BAR_OTHER || this == BAR_BOTH ? other : null)
                    .filter(Objects::nonNull)
                    .toList();
        }
    }

    /**
     * What to do.
     *
     * @param what what went wrong
     * @param steps the run
     * @param at in which step, from 0
     * @param other the step whose bath came in instead, or whose bottle was taken; −1 where nobody said
     */
    public static AccidentAnswer of(Accident what, RunSteps steps, int at, int other) {
        return switch (what) {
            case ON_SKIN, OTHER, POWER -> plain(what);
            case FORGOT_TO_MOVE, TOO_LITTLE -> by(what, develops(steps, at));
            case TOO_SHORT, TOO_LONG -> by(what, develops(steps, at));
            case TOO_COLD, TOO_WARM -> by(what, develops(steps, at));
            case LIGHT, FILM_STUCK -> by(what, isSafe(steps, at) ? "safe" : "dark");
            case LEFT_OUT -> by(what, isDeveloped(steps, at) ? "after" : "before");
            case LEAK ->
                new AccidentAnswer(
                        what.key(),
                        what.asksForClipTest() && develops(steps, at).equals("developer")
                                ? Needs.CLIP_TEST
                                : Needs.NOTHING);
            case WRONG_BOTTLE ->
                other < 0
                        ? new AccidentAnswer(what.key() + ".unknown", Needs.BAR)
                        : new AccidentAnswer(what.key(), Needs.BAR_BOTH);
            case WRONG_BATH ->
                wrongBath(steps, at, other < 0 ? null : steps.steps().get(other).role());
        };
    }

    /**
     * The step whose bath is in question: the present one, or the last one before it that was no water.
     *
     * @return its number, from 0; −1 where there was no bath yet
     */
    public static int bathAt(RunSteps steps, int at) {
        int step = at;
        while (step >= 0 && steps.steps().get(step).bath() == null) {
            step--;
        }
        return step;
    }

    private static AccidentAnswer plain(Accident what) {
        return new AccidentAnswer(what.key(), Needs.NOTHING);
    }

    private static AccidentAnswer by(Accident what, String which) {
        return new AccidentAnswer(what.key() + "." + which, Needs.NOTHING);
    }

    private static String develops(RunSteps steps, int at) {
        BathRole role = steps.steps().get(at).role();
        return role != null && role.isDeveloper() ? "developer" : "else";
    }

    private static boolean isSafe(RunSteps steps, int at) {
        return steps.lightSafeAfter() >= 0 && at > steps.lightSafeAfter();
    }

    /** Whether no developer is to come any more, the present step's among them. */
    private static boolean isDeveloped(RunSteps steps, int at) {
        return steps.steps().stream()
                .skip(at)
                .noneMatch(step -> step.role() != null && step.role().isDeveloper());
    }

    private static AccidentAnswer wrongBath(RunSteps steps, int at, @Nullable BathRole poured) {
        if (poured == null) {
            return by(Accident.WRONG_BATH, "unknown");
        }
        if (poured.spoilsDevelopers()) {
            return by(Accident.WRONG_BATH, isDeveloped(steps, at) ? "order" : "blank");
        }
        if (!poured.isDeveloper()) {
            return by(Accident.WRONG_BATH, "rinse");
        }
        boolean spoiled = steps.steps().stream()
                .limit(at + 1L)
                .anyMatch(step -> step.role() != null && step.role().spoilsDevelopers());
        return spoiled
                ? new AccidentAnswer(Accident.WRONG_BATH.key() + ".spoiled", Needs.BAR_OTHER)
                : by(Accident.WRONG_BATH, "developer");
    }
}
