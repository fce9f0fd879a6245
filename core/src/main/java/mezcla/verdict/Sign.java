package mezcla.verdict;

/** What a look into a bottle can show (rules, section 6). */
public enum Sign {
    /** Foreign solution got in. */
    CONTAMINATED,
    /** Sludge at the bottom. */
    SLUDGE,
    /** Gone black. */
    BLACK,
    /** Darker than fresh, which is normal. */
    DARK
}
