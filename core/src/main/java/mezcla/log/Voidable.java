package mezcla.log;

/** Whether a row may be voided at all (rules, section 6). */
public enum Voidable {
    /** Unless something rests on it. */
    YES,
    /** A void stands for good. */
    FINAL,
    /** What a house decides is undone where it was decided, because it would go on holding. */
    WHERE_DECIDED
}
