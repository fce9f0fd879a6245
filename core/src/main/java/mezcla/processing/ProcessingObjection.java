package mezcla.processing;

import java.util.Map;
import mezcla.measure.FilmFormat;
import mezcla.measure.Objection;

/** What can be wrong with a run's steps, times and tank (rules, sections 4, 7 and 9). */
public sealed interface ProcessingObjection extends Objection {
    /** A temperature that no bath of a run has, in °C. */
    record NoBathsTemperature(double celsius) implements ProcessingObjection {
        @Override
        public String field() {
            return "temperature";
        }
    }

    /** A tank of which nobody has said which reels it takes. */
    record ReelsNotDescribed() implements ProcessingObjection {
        @Override
        public String field() {
            return "tank";
        }
    }

    /** A movement without a rhythm. */
    record AgitationMissing() implements ProcessingObjection {}

    /** A push without printed times, in stops. */
    record PushOutsideLeaflet(double stops, double least, double most) implements ProcessingObjection {
        @Override
        public String field() {
            return "push";
        }

        @Override
        public String wording() {
            return least == 0 && most == 0 ? "push-not-printed" : key();
        }
    }

    /** A temperature without a time, in °C. */
    record TemperatureOutsideLeaflet(double actualC, double least, double most) implements ProcessingObjection {
        @Override
        public String field() {
            return "temperature";
        }
    }

    /** Film with a carbon backing before its pre-bath. */
    record CarbonBacking(String bath) implements ProcessingObjection {
        @Override
        public String field() {
            return "steps";
        }
    }

    /** Film that may or may not have a carbon backing, in chemistry that is not made for one. */
    record BackingUnknown() implements ProcessingObjection {
        @Override
        public String field() {
            return "backing";
        }
    }

    /** A time that the sheet does not allow for a step, in seconds. */
    record TimeOutsideSheet(String step, double least, double most) implements ProcessingObjection {
        @Override
        public String field() {
            return "steps";
        }
    }

    /** Less of what does no harm when it lasts longer, in seconds. */
    record TimeTooShort(String step, double least) implements ProcessingObjection {
        @Override
        public String field() {
            return "steps";
        }
    }

    /** Slides and cine film that would go straight on. */
    record RinseNeeded() implements ProcessingObjection {
        @Override
        public String field() {
            return "steps";
        }
    }

    /** A step without time between filling and pouring out, in seconds. */
    record StepTooShort(String step, double seconds) implements ProcessingObjection {
        @Override
        public String field() {
            return "steps";
        }
    }

    /** Film that no reel of the tank takes. */
    record NoReelFor(FilmFormat.Reel reel) implements ProcessingObjection {
        @Override
        public String field() {
            return "tank";
        }
    }

    /** More reels than go in. */
    record ReelsDoNotFit(Map<FilmFormat.Reel, Integer> holds) implements ProcessingObjection {
        @Override
        public String field() {
            return "tank";
        }
    }

    /** Readings that no warming explains. */
    record ReadingsDoNotFit() implements ProcessingObjection {
        @Override
        public String field() {
            return "second";
        }
    }

    /** A tub whose water cannot warm all that stands in it. */
    record TubTooSmall() implements ProcessingObjection {}

    /** A water bath without water. */
    record TubEmpty() implements ProcessingObjection {
        @Override
        public String field() {
            return "litres";
        }
    }
}
