package mezcla.web.drawing;

import java.util.Locale;
import mezcla.batch.DrumLevel;
import mezcla.web.words.Figures;

/**
 * A waste drum, filled as far as it is.
 *
 * @param liquidY the top of what is in it
 * @param liquidHeight how high that stands
 * @param dueY where it is time to have it collected
 * @param words the same for those who do not see it
 */
public record DrumDrawing(double liquidY, double liquidHeight, double dueY, String words) {
    /** The inside of the drum, in units of the drawing. */
    public static final double TOP = 18;

    /** How high the inside is. */
    public static final double HEIGHT = 112;

    /** Draws a drum. */
    public static DrumDrawing of(DrumLevel level) {
        double share = Math.min(1, level.levelMl() / level.drum().capacityMl());
        double height = Math.round(share * HEIGHT * 10) / 10.0;
        return new DrumDrawing(
                TOP + HEIGHT - height,
                height,
                TOP + HEIGHT * (1 - DrumLevel.DUE_FROM),
                "%s: %s of %s, %s"
                        .formatted(
                                level.drum().name(),
                                Figures.inAll(level.levelMl()),
                                Figures.inAll(level.drum().capacityMl()),
                                level.drum().kind().words().toLowerCase(Locale.ROOT)));
    }
}
