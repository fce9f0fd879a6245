package mezcla.verdict;

/** How a fill or a batch stands, from best to worst (rules, section 6). */
public enum State {
    /** Use it as it is. */
    GOOD,
    /** This run needs more time than in a fresh bath. */
    EXTEND,
    /** Fewer than two rolls or three days are left. */
    LAST,
    /** Make a clip test or look at film first. */
    CHECK,
    /** It has to go. */
    DISCARD;

    /** The worse of the two. */
    public State worse(State other) {
        return compareTo(other) >= 0 ? this : other;
    }
}
