package mezcla.log;

import java.util.Arrays;
import java.util.Optional;

/** The kinds of rows: the one table from the name by which a row is kept to the record that it is read as. */
public enum EntryKind {
    /** A kit came into the cupboard. */
    KIT_ARRIVED("kit-arrived", KitArrived.class, EntryGroup.KITS, Amounts.OF_THE_HOUSE),
    /** A part of a kit was opened. */
    PART_OPENED("part-opened", PartOpened.class, EntryGroup.KITS, Amounts.NONE),
    /** What was left of a part was decanted into full small vials under inert gas; its clock starts anew (rules, 3.4). */
    PART_DECANTED("part-decanted", PartDecanted.class, EntryGroup.KITS, Amounts.NONE),
    /** How much of a part there really is was looked at. */
    PART_CORRECTED("part-corrected", PartCorrected.class, EntryGroup.KITS, Amounts.NONE),
    /** Some of a part was thrown away, or lost. */
    PART_THROWN_AWAY("part-thrown-away", PartThrownAway.class, EntryGroup.KITS, Amounts.NONE),
    /** What was left of a part was put to another kit with the same part. Its money stays with the kit it came with. */
    PART_MOVED("part-moved", PartMoved.class, EntryGroup.KITS, Amounts.NONE),
    /** Nothing more is mixed from a kit; what it leaves over is shared by what was mixed from it. */
    KIT_FINISHED("kit-finished", KitFinished.class, EntryGroup.KITS, Amounts.NONE),
    /** What a kit cost was put right. */
    KIT_PRICED("kit-priced", KitPriced.class, EntryGroup.KITS, Amounts.OF_THE_HOUSE),
    /** A batch was mixed. */
    BATCH_MIXED("batch-mixed", BatchMixed.class, EntryGroup.MIXES, Amounts.OF_THE_HOUSE),
    /** A bath of a batch was mixed afresh; the fill takes the place of the one that was poured away. */
    BATH_RENEWED("bath-renewed", BathRenewed.class, EntryGroup.MIXES, Amounts.NONE),
    /** Film went through. */
    RUN_LOGGED("run-logged", RunLogged.class, EntryGroup.RUNS, Amounts.OF_THE_HOUSE),
    /** Film went into a batch; until the run is logged or called off, its rolls and its volume are taken. */
    RUN_STARTED("run-started", RunStarted.class, EntryGroup.RUNS, Amounts.NONE),
    /** A run that was started did not take place. */
    RUN_CALLED_OFF("run-called-off", RunCalledOff.class, EntryGroup.RUNS, Amounts.NONE),
    /** Some of a fill was lost. */
    FILL_SPILLED("fill-spilled", FillSpilled.class, EntryGroup.BOTTLES, Amounts.NONE),
    /** Fresh solution was added to a fill. */
    FILL_TOPPED_UP("fill-topped-up", FillToppedUp.class, EntryGroup.BOTTLES, Amounts.NONE),
    /** A fill of one batch serves in another one as well, where that has none of its own any more. */
    FILL_SHARED("fill-shared", FillShared.class, EntryGroup.BOTTLES, Amounts.NONE),
    /** A fill was poured over, put somewhere else, or the air over it was dealt with. */
    FILL_MOVED("fill-moved", FillMoved.class, EntryGroup.BOTTLES, Amounts.NONE),
    /** Limits of a fill are passed on purpose (rules, section 6). */
    LIMIT_OVERRIDDEN("limit-overridden", LimitOverridden.class, EntryGroup.DECISIONS, Amounts.NONE),
    /** What is really in a bottle was measured. */
    FILL_MEASURED("fill-measured", FillMeasured.class, EntryGroup.BOTTLES, Amounts.NONE),
    /** A fill must not be used until the bar is lifted. */
    FILL_BARRED("fill-barred", FillBarred.class, EntryGroup.BOTTLES, Amounts.NONE),
    /** A barred fill may be used again. */
    BAR_LIFTED("bar-lifted", BarLifted.class, EntryGroup.BOTTLES, Amounts.NONE),
    /** Film that went through a fill was judged. */
    FILL_INSPECTED("fill-inspected", FillInspected.class, EntryGroup.INSPECTIONS, Amounts.NONE),
    /** Somebody looked into a bottle. */
    BATH_LOOKED("bath-looked", BathLooked.class, EntryGroup.INSPECTIONS, Amounts.NONE),
    /** A bottle was found where it belongs, on a round of the shelf. */
    FILL_SEEN("fill-seen", FillSeen.class, EntryGroup.BOTTLES, Amounts.NONE),
    /** Fills are governed by another version of their leaflet, from the day on which they were mixed. */
    LEAFLET_CORRECTED("leaflet-corrected", LeafletCorrected.class, EntryGroup.DECISIONS, Amounts.NONE),
    /** A leaflet has another version, or a box holds another one; the kits that it names go by it from then on. */
    LEAFLET_REVISED("leaflet-revised", LeafletRevised.class, EntryGroup.DECISIONS, Amounts.NONE),
    /** Something to remember when that kit is mixed again. */
    NOTE_LEFT("note-left", NoteLeft.class, EntryGroup.NOTES, Amounts.NONE),
    /** A roll of a run was looked at when it was dry. */
    FILM_INSPECTED("film-inspected", FilmInspected.class, EntryGroup.INSPECTIONS, Amounts.NONE),
    /** Fills were poured away for good. */
    FILLS_DISCARDED("fills-discarded", FillsDiscarded.class, EntryGroup.DISCARDS, Amounts.NONE),
    /** A waste drum was collected, or emptied into what is. */
    DRUM_COLLECTED("drum-collected", DrumCollected.class, EntryGroup.DISCARDS, Amounts.NONE),
    /** How film of a process is charged. */
    CHARGING_CHOSEN("charging-chosen", ChargingChosen.class, EntryGroup.MONEY, Amounts.OF_THE_HOUSE),
    /** What a laboratory takes. */
    LABORATORY_PRICED("laboratory-priced", LaboratoryPriced.class, EntryGroup.MONEY, Amounts.OF_THE_HOUSE),
    /** Equipment was bought. */
    EQUIPMENT_BOUGHT("equipment-bought", EquipmentBought.class, EntryGroup.MONEY, Amounts.OF_THE_HOUSE),
    /** Money changed hands. */
    PAYMENT_RECORDED("payment-recorded", PaymentRecorded.class, EntryGroup.MONEY, Amounts.OF_AN_ACCOUNT),
    /** An account was put right, or written off. */
    ACCOUNT_CORRECTED("account-corrected", AccountCorrected.class, EntryGroup.MONEY, Amounts.OF_AN_ACCOUNT),
    /** Film was left to be run, or announced. */
    FILM_DROPPED("film-dropped", FilmDropped.class, EntryGroup.FILM, Amounts.NONE),
    /** Film of the queue came further. */
    FILM_HANDLED("film-handled", FilmHandled.class, EntryGroup.FILM, Amounts.NONE),
    /** How the house does something was decided. */
    HOUSE_DECIDED("house-decided", HouseDecided.class, EntryGroup.DECISIONS, Amounts.NONE),
    /** Rows were written under a wrong clock, and are dated anew. */
    CLOCK_CORRECTED("clock-corrected", ClockCorrected.class, EntryGroup.DECISIONS, Amounts.NONE),
    /** An earlier row does not count. */
    ENTRY_VOIDED("entry-voided", EntryVoided.class, EntryGroup.VOIDS, Amounts.NONE);

    /** What amounts of money stand in rows of a kind. */
    public enum Amounts {
        /** None. */
        NONE,
        /** What everybody may read. */
        OF_THE_HOUSE,
        /** What stewards may read, and whoever it is of. */
        OF_AN_ACCOUNT
    }

    private final String key;
    private final Class<? extends LogEntry> type;
    private final EntryGroup group;
    private final Amounts amounts;

    EntryKind(String key, Class<? extends LogEntry> type, EntryGroup group, Amounts amounts) {
        this.amounts = amounts;
        this.key = key;
        this.type = type;
        this.group = group;
    }

    /** The name by which rows of this kind are kept and written out; it never changes. */
    public String key() {
        return key;
    }

    /** The record that a row of this kind is. */
    public Class<? extends LogEntry> type() {
        return type;
    }

    /** What members look for it under. */
    public EntryGroup group() {
        return group;
    }

    /** The kind that is kept by a name; empty where there is none. */
    public static Optional<EntryKind> of(String key) {
        return Arrays.stream(values()).filter(kind -> kind.key.equals(key)).findFirst();
    }

    /** What amounts of money stand in it. */
    public Amounts amounts() {
        return amounts;
    }
}
