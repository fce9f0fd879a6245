package mezcla.leaflet;

/** When the clock of a step starts (rules, section 7). */
public enum StepClock {
    /** When the tank is full: filling comes before the step. */
    FULL,
    /** When pouring starts: filling is part of the step. */
    POUR
}
