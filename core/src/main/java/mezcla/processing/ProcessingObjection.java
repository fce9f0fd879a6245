package mezcla.processing;

import java.util.Map;
import mezcla.measure.FilmFormat;
import mezcla.measure.Objection;
import mezcla.measure.OfField;

/** What can be wrong with a run's steps, times and tank (rules, sections 4, 7 and 9). */
public sealed interface ProcessingObjection extends Objection {
    @OfField("temperature")
    record NoBathsTemperature(double celsius) implements ProcessingObjection {}

    @OfField("tank")
    record ReelsNotDescribed() implements ProcessingObjection {}

    record AgitationMissing() implements ProcessingObjection {}

    @OfField("push")
    record PushOutsideLeaflet(double stops, double least, double most) implements ProcessingObjection {
        @Override
        public String wording() {
            return least == 0 && most == 0 ? "push-not-printed" : key();
        }
    }

    @OfField("temperature")
    record TemperatureOutsideLeaflet(double actualC, double least, double most) implements ProcessingObjection {}

    @OfField("steps")
    record CarbonBacking(String bath) implements ProcessingObjection {}

    @OfField("backing")
    record BackingUnknown() implements ProcessingObjection {}

    @OfField("steps")
    record TimeOutsideSheet(String step, double least, double most) implements ProcessingObjection {}

    @OfField("steps")
    record TimeTooShort(String step, double least) implements ProcessingObjection {}

    @OfField("steps")
    record RinseNeeded() implements ProcessingObjection {}

    @OfField("steps")
    record StepTooShort(String step, double seconds) implements ProcessingObjection {}

    @OfField("tank")
    record NoReelFor(FilmFormat.Reel reel) implements ProcessingObjection {}

    @OfField("tank")
    record ReelsDoNotFit(Map<FilmFormat.Reel, Integer> holds) implements ProcessingObjection {}

    @OfField("second")
    record ReadingsDoNotFit() implements ProcessingObjection {}

    record TubTooSmall() implements ProcessingObjection {}

    @OfField("litres")
    record TubEmpty() implements ProcessingObjection {}
}
