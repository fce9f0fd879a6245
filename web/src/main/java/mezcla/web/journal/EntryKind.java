package mezcla.web.journal;

import mezcla.batch.LogEntry;

/** Kinds of entries, as members look for them. */
public enum EntryKind {
    /** Kits that came, parts that were opened. */
    KITS("kits and parts"),
    /** Mixes. */
    MIXES("mixes"),
    /** Runs. */
    RUNS("runs"),
    /** Spills, measurements, topping up, bars. */
    BOTTLES("bottles"),
    /** Looks at film. */
    INSPECTIONS("inspections"),
    /** What was poured away. */
    DISCARDS("poured away"),
    /** Entries that void others. */
    VOIDS("voids");

    private final String words;

    EntryKind(String words) {
        this.words = words;
    }

    /** In words. */
    public String words() {
        return words;
    }

    static EntryKind of(LogEntry entry) {
        if (entry instanceof LogEntry.KitArrived || entry instanceof LogEntry.PartOpened) {
            return KITS;
        }
        if (entry instanceof LogEntry.BatchMixed) {
            return MIXES;
        }
        if (entry instanceof LogEntry.RunLogged) {
            return RUNS;
        }
        if (entry instanceof LogEntry.FillInspected) {
            return INSPECTIONS;
        }
        if (entry instanceof LogEntry.FillsDiscarded) {
            return DISCARDS;
        }
        return entry instanceof LogEntry.EntryVoided ? VOIDS : BOTTLES;
    }
}
