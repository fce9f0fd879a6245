package mezcla.web.settings.things;

import java.util.List;
import java.util.Map;
import mezcla.log.Roll;
import mezcla.measure.FilmFormat;
import mezcla.processing.Movement;
import mezcla.processing.TankFit;
import mezcla.verdict.RunQuestion;
import org.jspecify.annotations.Nullable;

/**
 * A developing tank.
 *
 * @param id which one
 * @param name what it is called
 * @param volumeMl what it takes of each bath by hand, in ml
 * @param rotaryMl what it takes on a rotary base, in ml; null where nobody has said
 * @param leastMl the least that still covers its reels by hand, in ml; null where nobody has said
 * @param holds how many reels of each kind fill it; empty where nobody has said
 * @param turning whether it is used on a rotary base
 */
public record Tank(
        long id,
        String name,
        double volumeMl,
        @Nullable Double rotaryMl,
        @Nullable Double leastMl,
        Map<FilmFormat.Reel, Integer> holds,
        boolean turning) {
    /** Keeps its own map. */
    public Tank {
        holds = Map.copyOf(holds);
    }

    /** The tank as it takes when it is moved so: on a rotary base it takes less. */
    public Tank moved(Movement movement) {
        boolean turned = movement == Movement.ROTARY;
        return new Tank(id, name, turned && rotaryMl != null ? rotaryMl : volumeMl, rotaryMl, leastMl, holds, turned);
    }

    /** How film goes into it; nothing does as long as nobody has said which reels it takes. */
    public TankFit fit(List<Roll> rolls) {
        return TankFit.described(holds, rolls.stream().map(Roll::format).toList());
    }

    /** The tank as a run asks about it (rules, 4.10 and section 7). */
    public RunQuestion.InTank asUsed() {
        double covered = leastMl == null || turning ? RunQuestion.InTank.usualLeastMl(volumeMl) : leastMl;
        return new RunQuestion.InTank(volumeMl, covered, holds, turning, holds.isEmpty());
    }
}
