package mezcla.verdict;

import mezcla.batch.FillState;
import mezcla.leaflet.BathRole;
import mezcla.measure.Objection;
import mezcla.measure.OfField;

/** What speaks against a run (rules, section 6). */
public sealed interface RunObjection extends Objection {
    record BatchEnded(long batch) implements RunObjection {}

    record BathMissing(BathRole role) implements RunObjection {}

    @OfField("temperature")
    record BathOutsideTemperature(FillState fill, double actualC, double leastC, double mostC)
            implements RunObjection {}

    @OfField("film")
    record TooMuchFilm(FillState fill, double needsMl, double pouredMl) implements RunObjection {
        /** The code under which it is passed on purpose. */
        public static final String LIMIT = "too-much-film";

        @Override
        public boolean canBePassed() {
            return true;
        }
    }

    record BathBarred(FillState fill, FillState.Bar bar) implements RunObjection {}

    record BathMustGo(FillState fill, Reason because) implements RunObjection {

        @Override
        public boolean canBePassed() {
            return because.code().canBePassed();
        }

        /** The code of the limit that condemns it. */
        @Override
        public String against() {
            return because.code().words();
        }
    }

    @OfField("film")
    record RunTooBig(FillState fill, double rolls, double fits) implements RunObjection {
        @Override
        public boolean canBePassed() {
            return fill.bath().oneShot() == null;
        }
    }

    @OfField("tank")
    record TooLittleForTank(FillState fill, double needsMl, double leftMl, boolean forAny) implements RunObjection {
        @Override
        public String wording() {
            return forAny ? "too-little-for-any-tank" : key();
        }
    }

    @OfField("push")
    record PushesDiffer() implements RunObjection {}

    @OfField("film")
    record RollsMissing() implements RunObjection {}

    record LoadsMissing() implements RunObjection {}
}
