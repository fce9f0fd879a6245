package mezcla.web.forms;

import mezcla.measure.Objection;
import mezcla.measure.OfField;

/** What can be wrong with a form that was sent. */
public sealed interface FormObjection extends Objection {
    record NotACount(String text) implements FormObjection {}

    record TooManyRolls() implements FormObjection {}

    record OwnerMissing() implements FormObjection {}

    @OfField("why")
    record TextTooLong(int most) implements FormObjection {}

    @OfField("tankLeast")
    record LeastAboveTank(double volumeMl) implements FormObjection {}

    @OfField("bottleVolume")
    record BottleHoldsMore(double volumeMl) implements FormObjection {}

    record UnknownTank() implements FormObjection {}

    record UnknownProcess() implements FormObjection {}

    record UnknownPush() implements FormObjection {}

    @OfField("bottle")
    record BottleMissing() implements FormObjection {}

    record WrongCode() implements FormObjection {}

    record CodeWait() implements FormObjection {}

    record HouseBegun() implements FormObjection {}

    record UnknownCurrency(String text) implements FormObjection {}

    record NotATable(String columns) implements FormObjection {}

    record TooManyLines(int most) implements FormObjection {}

    record UnknownList() implements FormObjection {}

    record NotAnArchive() implements FormObjection {}

    record ArchiveOfOtherFormat(String format, String known) implements FormObjection {}

    record ArchiveTooBig(String file, int mostMb) implements FormObjection {}

    record NotAnArchiveLine(String file, long line, String fault) implements FormObjection {}

    @OfField("currency")
    record MoneyWasLogged(String code) implements FormObjection {}

    record UnknownTimeZone(String text) implements FormObjection {}

    @OfField("signInName")
    record SignInNameForm() implements FormObjection {}

    @OfField("signInName")
    record SignInNameTaken(String text) implements FormObjection {}

    @OfField("password")
    record PasswordShort(int least, int most) implements FormObjection {}

    record NameTaken(String text) implements FormObjection {}

    record UnknownMaterial() implements FormObjection {}

    record UnknownCorrection() implements FormObjection {}

    record UnknownMember() implements FormObjection {}

    @OfField("when")
    record NotAMoment(String text) implements FormObjection {}

    record UnknownBacking() implements FormObjection {}

    record CorrectionUnlikely(String typed, int most) implements FormObjection {}

    record SameRolls(String who, String when) implements FormObjection {}

    record AlreadyBarred() implements FormObjection {}

    record NotBarred() implements FormObjection {}

    record NotABatch(String text) implements FormObjection {}

    record NotADay(String text) implements FormObjection {}

    record EntriesRestOnIt(String entries) implements FormObjection {}

    record NotALimit(String text) implements FormObjection {}

    record NotBetween(String text, double least, double most) implements FormObjection {}

    record UnknownEvent() implements FormObjection {}

    record UnknownDrum() implements FormObjection {}

    record TooManyLoads(int most) implements FormObjection {}

    record NotAnHour(String text) implements FormObjection {}

    @OfField("probe")
    record UnknownProbe() implements FormObjection {}

    record NotReadings() implements FormObjection {}

    record ReadingsTooMany(int most) implements FormObjection {}

    record ReadingTime(String text) implements FormObjection {}

    @OfField("reached")
    record ReachedMissing() implements FormObjection {}

    record RunNotTheirs() implements FormObjection {}

    record DrumNotEmpty() implements FormObjection {}

    record DrumIsEmpty() implements FormObjection {}

    record PhotoTooBig() implements FormObjection {}

    record PhotoUnreadable() implements FormObjection {}

    record PhotoCutOff() implements FormObjection {}

    record PhotoTooManyPixels(int width, int height, int mostMillions) implements FormObjection {}

    record PhotoNotKept() implements FormObjection {}

    record ReasonMissing() implements FormObjection {}

    record FillsMissing() implements FormObjection {}

    record MovedOn() implements FormObjection {}

    @OfField("when")
    record BeforeStart() implements FormObjection {}

    @OfField("why")
    record NothingToOverride() implements FormObjection {}

    @OfField("why")
    record OverrideReasonMissing() implements FormObjection {}

    @OfField("route")
    record StewardPoursAway(String bath) implements FormObjection {}

    record UnknownRoute() implements FormObjection {}

    @OfField("kit")
    record KitMissing() implements FormObjection {}

    @OfField("place")
    record PlaceMissing() implements FormObjection {}

    record UnknownAir() implements FormObjection {}

    record UnknownOrder() implements FormObjection {}

    record GuestMissing() implements FormObjection {}

    record LeafletMissing() implements FormObjection {}

    record LeafletIsTheLatest() implements FormObjection {}

    record LeafletLacksBath(String bath) implements FormObjection {}

    record NotRollsDone(String text) implements FormObjection {}

    record NotMoney(String text) implements FormObjection {}

    record DayGone() implements FormObjection {}

    record ProposalGone() implements FormObjection {}

    record UnknownFilm() implements FormObjection {}

    record FilmNotSoFar(String code, String where) implements FormObjection {}

    record LoadBegun() implements FormObjection {}

    record OnlyTheirs(String who) implements FormObjection {}

    record ProposalAnswered(String became) implements FormObjection {}

    record UnknownStage() implements FormObjection {}

    record UnknownAccount() implements FormObjection {}

    record NothingPaid() implements FormObjection {}

    record MoreThanIsOwed() implements FormObjection {}

    record NotADemand(String text) implements FormObjection {}

    record NotALife(String text) implements FormObjection {}

    record NotAMonth(String text) implements FormObjection {}

    record NotADifference(String text) implements FormObjection {}

    record NotAnAddress(String text) implements FormObjection {}

    record UnknownUnits() implements FormObjection {}

    record UnknownTool() implements FormObjection {}

    @OfField("graduation")
    record GraduationCoarse() implements FormObjection {}

    record NameOfRemoved(String text) implements FormObjection {}

    record BottleInUse() implements FormObjection {}

    record LastTank() implements FormObjection {}

    @OfField("name")
    record LeafletNameTaken(String text) implements FormObjection {}

    record LeafletKnown(String text) implements FormObjection {}

    record UnknownLeaflet(String leaflet) implements FormObjection, Objection.OfNothing {
        @Override
        public String asked() {
            return String.valueOf(leaflet);
        }
    }

    record RetypedByTheSame() implements FormObjection {}

    record FileMissing() implements FormObjection {}

    record FileTooBig() implements FormObjection {}

    record FileNotText() implements FormObjection {}

    record FileBroken() implements FormObjection {}

    record UnknownClock() implements FormObjection {}

    record UnknownDraft(String draft) implements FormObjection, Objection.OfNothing {
        @Override
        public String asked() {
            return draft;
        }
    }

    record TooManyDrafts(int most) implements FormObjection {}

    record DraftIsDone() implements FormObjection {}

    record BathsMoved() implements FormObjection {}

    record SheetUnfinished(int things) implements FormObjection {}

    record LeafletWithdrawn(String name) implements FormObjection {}

    record UnknownMode() implements FormObjection {}

    record PartNotInTheBox() implements FormObjection {}

    record UnknownWear() implements FormObjection {}

    record NotSoMany(String text, int most) implements FormObjection {}

    record TooManyProposals(int most) implements FormObjection {}

    record BeforeItCame(String day) implements FormObjection {}

    record NotASeries(String text, int most) implements FormObjection {}

    record UnknownCare() implements FormObjection {}

    record NotLetters() implements FormObjection {}

    record HotNotHotter() implements FormObjection {}

    record NotWeeks(String text) implements FormObjection {}

    record NotDryMinutes(String text) implements FormObjection {}

    record PartOpenAlready() implements FormObjection {}

    record PartMissing() implements FormObjection {}

    record NotVials(String text) implements FormObjection {}

    record CautionsUnread() implements FormObjection {}

    record MixIsOver() implements FormObjection {}

    record ActsLeft() implements FormObjection {}

    record BoxesMissing() implements FormObjection {}

    @OfField("code")
    record CodeOfNone(String text) implements FormObjection {}

    record UnknownSchool() implements FormObjection {}

    record UnknownLight() implements FormObjection {}

    record ReadingsMissing() implements FormObjection {}

    record NotAReading(long line) implements FormObjection {}

    record ReadingOfAnotherTime(long line) implements FormObjection {}

    record NothingToTakeBack() implements FormObjection {}

    record ProbeTooOften() implements FormObjection {}

    record UnknownSign() implements FormObjection {}

    record UnknownResult() implements FormObjection {}

    record FilmStillWet() implements FormObjection {}

    record ClipOfDeveloper() implements FormObjection {}

    record UnknownRun(long run) implements FormObjection, Objection.OfNothing {
        @Override
        public String asked() {
            return String.valueOf(run);
        }
    }

    @OfField("roll")
    record UnknownRoll() implements FormObjection {}

    record PinForm() implements FormObjection {}

    record WrongPin() implements FormObjection {}

    record PinWait() implements FormObjection {}

    record FormKeyMissing() implements FormObjection {}

    record FormUsedForOther() implements FormObjection {}

    @OfField("old")
    record WrongPassword() implements FormObjection {}

    record PasswordsDiffer() implements FormObjection {}

    @OfField("password")
    record PasswordUnprintable() implements FormObjection {}

    @OfField("password")
    record PasswordCommon() implements FormObjection {}

    record LastSteward() implements FormObjection {}

    @OfField("name")
    record MemberNameTaken(String text) implements FormObjection {}

    record UnknownDevice() implements FormObjection {}

    record DeviceNotShared() implements FormObjection {}

    record UnknownThing(String thing) implements FormObjection, Objection.OfNothing {
        @Override
        public String asked() {
            return String.valueOf(thing);
        }
    }

    record UnknownMix(String mix) implements FormObjection, Objection.OfNothing {
        @Override
        public String asked() {
            return String.valueOf(mix);
        }
    }

    record UnknownPractice(String practice) implements FormObjection, Objection.OfNothing {
        @Override
        public String asked() {
            return String.valueOf(practice);
        }
    }

    record UnknownPhoto(String photo) implements FormObjection, Objection.OfNothing {
        @Override
        public String asked() {
            return String.valueOf(photo);
        }
    }

    record LogNotEmpty() implements FormObjection {}

    record NotALogLine(int line, String fault) implements FormObjection {}

    record ClockWasRight() implements FormObjection {}

    record BeforeTheEntryBefore(String before) implements FormObjection {}

    record StillAhead(String last) implements FormObjection {}

    @OfField("madeFor")
    record FilmTypeMissing() implements FormObjection {}

    @OfField("madeFor")
    record AnotherProcess(String madeFor, String through) implements FormObjection {}

    record ReelsMissing() implements FormObjection {}

    record WhyRevisedMissing() implements FormObjection {}

    record TestedFirst() implements FormObjection {}
}
