package mezcla.log;

/** Groups of kinds of rows, as members look for them. */
public enum EntryGroup {
    /** Kits that came, parts that were opened. */
    KITS("kits and parts"),
    /** Mixes, renewals, batches taken over. */
    MIXES("mixes"),
    /** Runs. */
    RUNS("runs"),
    /** Spills, measurements, topping up, moves, guests, bars. */
    BOTTLES("bottles"),
    /** Limits passed on purpose, leaflets corrected. */
    DECISIONS("decisions"),
    /** Notes for the next batch. */
    NOTES("notes"),
    /** Looks at film. */
    INSPECTIONS("inspections"),
    /** What was poured away. */
    DISCARDS("poured away"),
    /** Prices, payments, corrections of accounts. */
    MONEY("money"),
    /** Film that was left to be run. */
    FILM("film that waits"),
    /** Entries that void others. */
    VOIDS("voids");

    private final String words;

    EntryGroup(String words) {
        this.words = words;
    }

    /** In words. */
    public String words() {
        return words;
    }
}
