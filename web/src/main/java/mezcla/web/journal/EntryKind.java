package mezcla.web.journal;

import mezcla.batch.LogEntry;

/** Kinds of entries, as members look for them. */
public enum EntryKind {
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
        if (entry instanceof LogEntry.KitArrived || entry instanceof LogEntry.OfOnePart) {
            return KITS;
        }
        if (!LogEntry.fillsMade(entry).isEmpty()) {
            return MIXES;
        }
        if (entry instanceof LogEntry.RunLogged
                || entry instanceof LogEntry.RunStarted
                || entry instanceof LogEntry.RunCalledOff) {
            return RUNS;
        }
        if (entry instanceof LogEntry.LimitOverridden || entry instanceof LogEntry.LeafletCorrected) {
            return DECISIONS;
        }
        if (entry instanceof LogEntry.NoteLeft) {
            return NOTES;
        }
        if (entry instanceof LogEntry.FillInspected
                || entry instanceof LogEntry.FilmInspected
                || entry instanceof LogEntry.BathLooked) {
            return INSPECTIONS;
        }
        if (entry instanceof LogEntry.FillsDiscarded || entry instanceof LogEntry.DrumCollected) {
            return DISCARDS;
        }
        return entry instanceof LogEntry.EntryVoided ? VOIDS : BOTTLES;
    }
}
