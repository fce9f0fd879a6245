package mezcla.verdict;

import mezcla.batch.FillState;
import mezcla.leaflet.BathRole;
import mezcla.measure.Objection;

/** What speaks against a run (rules, section 6). */
public sealed interface RunObjection extends Objection {
    /** A batch of which nothing stands. */
    record BatchEnded(long batch) implements RunObjection {}

    /** A bath that its process needs: poured away and not renewed, or never mixed. */
    record BathMissing(BathRole role) implements RunObjection {}

    /** A bath that has no answer for the temperature asked for, in °C. */
    record BathOutsideTemperature(FillState fill, double actualC, double leastC, double mostC) implements RunObjection {
        @Override
        public String field() {
            return "temperature";
        }
    }

    /** More film than what is in the tank can do, in ml of solution: of a one-shot, of stock (rules, 4.9). */
    record TooMuchFilm(FillState fill, double needsMl, double pouredMl) implements RunObjection {
        /** The code under which it is passed on purpose. */
        public static final String LIMIT = "too-much-film";

        @Override
        public String field() {
            return "film";
        }

        @Override
        public boolean canBePassed() {
            return true;
        }
    }

    /** A bath that is barred. */
    record BathBarred(FillState fill, FillState.Bar bar) implements RunObjection {}

    /** A bath that its school condemns. */
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

    /** More film than a bath takes, in roll equivalents. */
    record RunTooBig(FillState fill, double rolls, double fits) implements RunObjection {
        @Override
        public String field() {
            return "film";
        }

        @Override
        public boolean canBePassed() {
            return fill.bath().oneShot() == null;
        }
    }

    /** Too little for the tank, in ml, and maybe for any tank of the house. */
    record TooLittleForTank(FillState fill, double needsMl, double leftMl, boolean forAny) implements RunObjection {
        @Override
        public String wording() {
            return forAny ? "too-little-for-any-tank" : key();
        }

        @Override
        public String field() {
            return "tank";
        }
    }

    /** Film of different pushes in one tank. */
    record PushesDiffer() implements RunObjection {
        @Override
        public String field() {
            return "push";
        }
    }

    /** A run without film. */
    record RollsMissing() implements RunObjection {
        @Override
        public String field() {
            return "film";
        }
    }

    /** An evening without a load. */
    record LoadsMissing() implements RunObjection {}
}
