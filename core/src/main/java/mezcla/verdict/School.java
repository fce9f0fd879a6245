package mezcla.verdict;

/** How strictly a house treats limits (rules, section 6). */
public enum School {
    /** Printed limits are law; between the printed minimum and maximum, test. */
    LEAFLET
}
