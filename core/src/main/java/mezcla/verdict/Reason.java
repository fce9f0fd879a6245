package mezcla.verdict;

/**
 * Why a fill stands as it does.
 *
 * @param code which limit or sign it met
 * @param bath the bath's key
 * @param figure what it was met with: rolls through this bottle, days, seconds or millilitres, as the code says
 * @param limit the limit, in the same unit; 0 where there is none
 * @param limitOf whose limit that is
 */
public record Reason(Code code, String bath, double figure, double limit, LimitOf limitOf) {
    /** Whose limit a reason met. */
    public enum LimitOf {
        /** None: the state of the bath itself speaks. */
        NOBODY,
        /** The leaflet prints it. */
        LEAFLET,
        /** The house set it beside the leaflet's. */
        HOUSE,
        /** The leaflet prints none, and the house's stands in. */
        STAND_IN,
        /** The careful school counts rolls and age together, against the first printed limits. */
        CAREFUL,
        /** The stretch school goes so many times as far as is printed, by how the bath was stored. */
        STRETCH
    }

    /** What can decide. Within a state, the first named here comes first on screen. */
    public enum Code {
        /** Foreign solution got in. */
        CONTAMINATED("contaminated", State.DISCARD),
        /** A developer gone black. */
        DEVELOPER_BLACK("developer-black", State.DISCARD),
        /** Sludge at the bottom. */
        SLUDGE("sludge", State.DISCARD),
        /** Heavy cast or grain, put down to the chemistry. */
        BAD_RESULT("bad-result", State.DISCARD),
        /** A one-shot with too little left for the smallest tank, or a bath of which nothing is left: ml left, ml needed. */
        USED_UP("used-up", State.DISCARD),
        /** Rolls done, and the last roll allowed. */
        OVER_ROLLS("over-rolls", State.DISCARD),
        /** Days old, and the last day allowed. */
        OVER_AGE("over-age", State.DISCARD),
        /** Wear and age together, as a share of what the careful school allows. */
        WORN("worn", State.DISCARD),
        /** Weaker than printed, in percent, and nothing has shown yet that it works. */
        WEAK_MIX("weak-mix", State.CHECK),
        /** Stronger than printed, in percent, and nothing has shown yet that it works. */
        STRONG_MIX("strong-mix", State.CHECK),
        /** Mixed from parts past their printed life, and nothing has shown yet that it works. */
        OLD_PARTS("old-parts", State.CHECK),
        /** Powder went into water that was colder than its sheet allows, and nothing has shown yet that it works. */
        MIXED_OFF_TEMPERATURE("mixed-off-temperature", State.CHECK),
        /** Something went wrong with it in a run, and nothing has shown since that it works. */
        ACCIDENT("accident", State.CHECK),
        /** Film stayed milky when dry. */
        WEAK_BLEACH_FIX("weak-bleach-fix", State.CHECK),
        /** Rolls done, and the roll from which to test. */
        TEST_ROLLS("test-rolls", State.CHECK),
        /** Days old, and the day from which to test. */
        TEST_AGE("test-age", State.CHECK),
        /** Days by effective age, and the printed life. */
        WARM_STORAGE("warm-storage", State.CHECK),
        /** The same, and the share from which to test. */
        NEARLY_WORN("nearly-worn", State.CHECK),
        /** Rolls left, and how few are few. */
        FEW_ROLLS_LEFT("few-rolls-left", State.LAST),
        /** Days of the calendar left, below 0 when its limit is past, and how few are few. */
        FEW_DAYS_LEFT("few-days-left", State.LAST),
        /** Seconds more than fresh. */
        MORE_TIME("more-time", State.EXTEND);

        private final String words;
        private final State state;

        Code(String words, State state) {
            this.words = words;
            this.state = state;
        }

        /** Lower case with hyphens. */
        public String words() {
            return words;
        }

        /** Whether an override with a reason may pass it; what a bottle shows and a used-up stock may not be passed. */
        public boolean canBePassed() {
            return switch (this) {
                case CONTAMINATED, DEVELOPER_BLACK, SLUDGE, USED_UP -> false;
                default -> true;
            };
        }

        /** The state that it leads to. */
        public State state() {
            return state;
        }
    }
}
