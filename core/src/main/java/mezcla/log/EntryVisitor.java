package mezcla.log;

/**
 * An answer for every kind of row. Whoever needs one for each kind implements this, and does not compile until a new kind
 * has its own.
 *
 * @param <R> the answer
 */
public interface EntryVisitor<R> {
    /** A kit came into the cupboard. */
    R kitArrived(KitArrived entry);

    /** A part of a kit was opened. */
    R partOpened(PartOpened entry);

    /** What was left of a part was decanted into full small vials under inert gas; its clock starts anew (rules, 3.4). */
    R partDecanted(PartDecanted entry);

    /** How much of a part there really is was looked at. */
    R partCorrected(PartCorrected entry);

    /** Some of a part was thrown away, or lost. */
    R partThrownAway(PartThrownAway entry);

    /** What was left of a part was put to another kit with the same part. Its money stays with the kit it came with. */
    R partMoved(PartMoved entry);

    /** Visits a kit that is finished. */
    R kitFinished(KitFinished entry);

    /** What a kit cost was put right. */
    R kitPriced(KitPriced entry);

    /** A batch was mixed. */
    R batchMixed(BatchMixed entry);

    /** A bath of a batch was mixed afresh; the fill takes the place of the one that was poured away. */
    R bathRenewed(BathRenewed entry);

    /** Film went through. */
    R runLogged(RunLogged entry);

    /** Film went into a batch; until the run is logged or called off, its rolls and its volume are taken. */
    R runStarted(RunStarted entry);

    /** A run that was started did not take place. */
    R runCalledOff(RunCalledOff entry);

    /** Some of a fill was lost. */
    R fillSpilled(FillSpilled entry);

    /** Fresh solution was added to a fill. */
    R fillToppedUp(FillToppedUp entry);

    /** A fill of one batch serves in another one as well, where that has none of its own any more. */
    R fillShared(FillShared entry);

    /** A fill was poured over, put somewhere else, or the air over it was dealt with. */
    R fillMoved(FillMoved entry);

    /** Limits of a fill are passed on purpose (rules, section 6). */
    R limitOverridden(LimitOverridden entry);

    /** What is really in a bottle was measured. */
    R fillMeasured(FillMeasured entry);

    /** A fill must not be used until the bar is lifted. */
    R fillBarred(FillBarred entry);

    /** A barred fill may be used again. */
    R barLifted(BarLifted entry);

    /** Film that went through a fill was judged. */
    R fillInspected(FillInspected entry);

    /** Somebody looked into a bottle. */
    R bathLooked(BathLooked entry);

    /** A bottle was found where it belongs, on a round of the shelf. */
    R fillSeen(FillSeen entry);

    /** Fills are governed by another version of their leaflet, from the day on which they were mixed. */
    R leafletCorrected(LeafletCorrected entry);

    /** A leaflet has another version. */
    R leafletRevised(LeafletRevised entry);

    /** Something to remember when that kit is mixed again. */
    R noteLeft(NoteLeft entry);

    /** A roll of a run was looked at when it was dry. */
    R filmInspected(FilmInspected entry);

    /** Fills were poured away for good. */
    R fillsDiscarded(FillsDiscarded entry);

    /** A waste drum was collected, or emptied into what is. */
    R drumCollected(DrumCollected entry);

    /** How film of a process is charged. */
    R chargingChosen(ChargingChosen entry);

    /** What a laboratory takes. */
    R laboratoryPriced(LaboratoryPriced entry);

    /** Equipment was bought. */
    R equipmentBought(EquipmentBought entry);

    /** Money changed hands. */
    R paymentRecorded(PaymentRecorded entry);

    /** An account was put right, or written off. */
    R accountCorrected(AccountCorrected entry);

    /** Film was left to be run, or announced. */
    R filmDropped(FilmDropped entry);

    /** Film of the queue came further. */
    R filmHandled(FilmHandled entry);

    /** How the house does something was decided. */
    R houseDecided(HouseDecided entry);

    /** Rows were written under a wrong clock, and are dated anew. */
    R clockCorrected(ClockCorrected entry);

    /** An earlier row does not count. */
    R entryVoided(EntryVoided entry);
}
