package mezcla.web.forms;

import mezcla.measure.Objection;

/** What can be wrong with a form that was sent. */
public sealed interface FormObjection extends Objection {
    /** “{text}” is not a number of rolls. Type a whole number from 1 to 24. */
    record NotACount(String text) implements FormObjection {}

    /** That makes more than 24 rolls. Log larger loads as several runs. */
    record TooManyRolls() implements FormObjection {}

    /** Type whose film it is. */
    record OwnerMissing() implements FormObjection {}

    /** That is too long. It can be up to {most} characters. */
    record TextTooLong(int most) implements FormObjection {
        @Override
        public String field() {
            return "why";
        }
    }

    /** More than the tank takes cannot be the least that covers its reels. */
    record LeastAboveTank(double volumeMl) implements FormObjection {
        @Override
        public String field() {
            return "tankLeast";
        }
    }

    /** What is in a bottle is more than that. */
    record BottleHoldsMore(double volumeMl) implements FormObjection {
        @Override
        public String field() {
            return "bottleVolume";
        }
    }

    /** Choose one of the tanks in the list. */
    record UnknownTank() implements FormObjection {}

    /** Choose one of the processes in the list. */
    record UnknownProcess() implements FormObjection {}

    /** Choose one of the pushes in the list. */
    record UnknownPush() implements FormObjection {}

    /** Choose a bottle. */
    record BottleMissing() implements FormObjection {
        @Override
        public String field() {
            return "bottle";
        }
    }

    /** That is not the code on the console. After five wrong ones it prints a new one. */
    record WrongCode() implements FormObjection {}

    /** This house has begun already. Sign in, or ask a steward. */
    record HouseBegun() implements FormObjection {}

    /** “{text}” is no currency. Type its three letters, as NZD or EUR. */
    record UnknownCurrency(String text) implements FormObjection {}

    /** The first line has to name the columns {columns}. */
    record NotATable(String columns) implements FormObjection {}

    /** That is more than {most} lines. */
    record TooManyLines(int most) implements FormObjection {}

    /** Choose one of the lists. */
    record UnknownList() implements FormObjection {}

    /** The file is no house that was saved. */
    record NotAnArchive() implements FormObjection {}

    /** Amounts in {code} stand in the log. */
    record MoneyWasLogged(String code) implements FormObjection {
        @Override
        public String field() {
            return "currency";
        }
    }

    /** “{text}” is no time zone. Type it as Pacific/Auckland or Europe/Lisbon. */
    record UnknownTimeZone(String text) implements FormObjection {}

    /** Use 2 to 30 letters, digits, points or hyphens, without spaces. */
    record SignInNameForm() implements FormObjection {
        @Override
        public String field() {
            return "signInName";
        }
    }

    /** “{text}” is taken. Choose another name to sign in with. */
    record SignInNameTaken(String text) implements FormObjection {
        @Override
        public String field() {
            return "signInName";
        }
    }

    /** Use {least} to {most} characters; letters with accents count twice. */
    record PasswordShort(int least, int most) implements FormObjection {
        @Override
        public String field() {
            return "password";
        }
    }

    /** “{text}” is there already. Give it another name. */
    record NameTaken(String text) implements FormObjection {}

    /** Choose one of the materials in the list. */
    record UnknownMaterial() implements FormObjection {}

    /** Choose somebody in the list. */
    record UnknownMember() implements FormObjection {}

    /** “{text}” is no day and hour. Type it as 2026-11-25T19:30. */
    record NotAMoment(String text) implements FormObjection {
        @Override
        public String field() {
            return "when";
        }
    }

    /** A backing that is none of the list. */
    record UnknownBacking() implements FormObjection {}

    /** A correction that is no number of seconds, or more than a taste is. */
    record CorrectionUnlikely(String typed, int most) implements FormObjection {}

    /** The same film of the same people was logged within the hour. */
    record SameRolls(String who, String when) implements FormObjection {}

    /** It is barred already. */
    record AlreadyBarred() implements FormObjection {}

    /** It is not barred. */
    record NotBarred() implements FormObjection {}

    /** “{text}” is not the number of a batch. Type it as 14. */
    record NotABatch(String text) implements FormObjection {}

    /** “{text}” is not a day. Type it as 2026-11-25. */
    record NotADay(String text) implements FormObjection {}

    /** Later entries rest on it: {entries}. Void those first. */
    record EntriesRestOnIt(String entries) implements FormObjection {}

    /** “{text}” is not a limit. Type a number from 1 to 999, or leave it empty. */
    record NotALimit(String text) implements FormObjection {}

    /** “{text}” does not go. Type a number from {least:whole} to {most:whole}. */
    record NotBetween(String text, double least, double most) implements FormObjection {}

    /** That could not be read. */
    record UnknownEvent() implements FormObjection {}

    /** Choose a drum that the house has. */
    record UnknownDrum() implements FormObjection {}

    /** An evening holds up to {most} loads. */
    record TooManyLoads(int most) implements FormObjection {}

    /** “{text}” is no hour. Type it as 18:50. */
    record NotAnHour(String text) implements FormObjection {}

    /** Choose a probe that the house has. */
    record UnknownProbe() implements FormObjection {
        @Override
        public String field() {
            return "probe";
        }
    }

    /** Send {"celsius": 37.8}, or {"readings": [{"at": "2026-11-26T07:05:00Z", "celsius": 37.8}]}. */
    record NotReadings() implements FormObjection {}

    /** That is too much at once. Send up to {most} readings. */
    record ReadingsTooMany(int most) implements FormObjection {}

    /** “{text}” is no moment of the last day. Send it as 2026-11-26T07:05:00Z, or leave it out for now. */
    record ReadingTime(String text) implements FormObjection {}

    /** Tick the baths that the film had reached. */
    record ReachedMissing() implements FormObjection {
        @Override
        public String field() {
            return "reached";
        }
    }

    /** Choose one of their runs. */
    record RunNotTheirs() implements FormObjection {}

    /** Something is in it. Have it collected before it goes off the list. */
    record DrumNotEmpty() implements FormObjection {}

    /** Nothing is in it. */
    record DrumIsEmpty() implements FormObjection {}

    /** That photo is larger than 8 MB. Send a smaller one. */
    record PhotoTooBig() implements FormObjection {}

    /** That is no picture that can be read. Choose a JPEG or a PNG. */
    record PhotoUnreadable() implements FormObjection {}

    /** There is no room for the photo on this machine. Log the look without it. */
    record PhotoNotKept() implements FormObjection {}

    /** Type why, so that the others can read it later. */
    record ReasonMissing() implements FormObjection {}

    /** Choose at least one bath. */
    record FillsMissing() implements FormObjection {}

    /** Something was logged about this batch since you looked. Read it, then start again. */
    record MovedOn() implements FormObjection {}

    /** The run had not been started yet at that time. */
    record BeforeStart() implements FormObjection {
        @Override
        public String field() {
            return "when";
        }
    }

    record NothingToOverride() implements FormObjection {
        @Override
        public String field() {
            return "why";
        }
    }

    /** Type why: it stays on the batch for everyone to read. */
    record OverrideReasonMissing() implements FormObjection {
        @Override
        public String field() {
            return "why";
        }
    }

    /** {bath} still stands there. A steward pours it away first. */
    record StewardPoursAway(String bath) implements FormObjection {
        @Override
        public String field() {
            return "route";
        }
    }

    /** Choose one of the drums in the list. */
    record UnknownRoute() implements FormObjection {}

    /** Choose one of the kits in the list. */
    record KitMissing() implements FormObjection {
        @Override
        public String field() {
            return "kit";
        }
    }

    /** Choose one of the places in the list. */
    record PlaceMissing() implements FormObjection {
        @Override
        public String field() {
            return "place";
        }
    }

    /** Choose how air is kept out. */
    record UnknownAir() implements FormObjection {}

    /** Choose one of the bottles in the list. */
    record GuestMissing() implements FormObjection {}

    /** Choose one of the leaflets in the list. */
    record LeafletMissing() implements FormObjection {}

    /** No later version of its leaflet is known. */
    record LeafletIsTheLatest() implements FormObjection {}

    /** The later version has no {bath:within}, so it cannot govern this batch. */
    record LeafletLacksBath(String bath) implements FormObjection {}

    /** “{text}” is not a number of rolls. Type about how many, as 7 or 7.5. */
    record NotRollsDone(String text) implements FormObjection {}

    /** “{text}” is not a price. Type it as 56.50, without the currency. */
    record NotMoney(String text) implements FormObjection {}

    /** That day has gone, or is far off. */
    record DayGone() implements FormObjection {}

    /** What was proposed has changed. */
    record ProposalGone() implements FormObjection {}

    /** There is no such film in the queue. */
    record UnknownFilm() implements FormObjection {}

    /** Film has come another way: its code, and where it is. */
    record FilmNotSoFar(String code, String where) implements FormObjection {}

    /** Choose what became of the film. */
    record UnknownStage() implements FormObjection {}

    /** There is no account of that name. Choose one of the list. */
    record UnknownAccount() implements FormObjection {}

    /** Nothing was paid. Type how much. */
    record NothingPaid() implements FormObjection {}

    /** That is more than the account owes. */
    record MoreThanIsOwed() implements FormObjection {}

    /** “{text}” is no number of rolls a week. Type it as 2 or 1.5. */
    record NotADemand(String text) implements FormObjection {}

    /** “{text}” is no number of weeks that a batch lasts. */
    record NotALife(String text) implements FormObjection {}

    /** “{text}” is no month. Type it as 2026-11. */
    record NotAMonth(String text) implements FormObjection {}

    /** “{text}” is no difference of degrees. Type it as -0.8 or 1.5, up to 10. */
    record NotADifference(String text) implements FormObjection {}

    /** “{text}” is not an address. Type it as http://darkroom.local:8080. */
    record NotAnAddress(String text) implements FormObjection {}

    /** Choose one of the units in the list. */
    record UnknownUnits() implements FormObjection {}

    /** Choose one of the kinds in the list. */
    record UnknownTool() implements FormObjection {}

    /** A mark cannot be more than the tool measures at once. */
    record GraduationCoarse() implements FormObjection {
        @Override
        public String field() {
            return "graduation";
        }
    }

    /** “{text}” was removed earlier. Bring it back, or choose another name. */
    record NameOfRemoved(String text) implements FormObjection {}

    /** Something is in it. Pour that over or away first. */
    record BottleInUse() implements FormObjection {}

    /** One tank at least has to stay. */
    record LastTank() implements FormObjection {}

    /** “{text}” is there already. Open it and type a new version, or give this one another name. */
    record LeafletNameTaken(String text) implements FormObjection {}

    /** “{text}” is there already, and says just this. */
    record LeafletKnown(String text) implements FormObjection {}

    /** No such leaflet is known. */
    record UnknownLeaflet(String leaflet) implements FormObjection, Objection.OfNothing {
        @Override
        public String asked() {
            return String.valueOf(leaflet);
        }
    }

    /** You typed this sheet in. Let somebody else type it again. */
    record RetypedByTheSame() implements FormObjection {}

    /** Choose a file. */
    record FileMissing() implements FormObjection {}

    /** This file is too big. */
    record FileTooBig() implements FormObjection {}

    /** This file is no text. */
    record FileNotText() implements FormObjection {}

    /** This file cannot be read any more. Choose it again. */
    record FileBroken() implements FormObjection {}

    /** Neither of the two clocks. */
    record UnknownClock() implements FormObjection {}

    /** A draft of a sheet that nobody began, or that is gone. */
    record UnknownDraft(String draft) implements FormObjection, Objection.OfNothing {
        @Override
        public String asked() {
            return draft;
        }
    }

    /** More drafts than a house can have in hand. */
    record TooManyDrafts(int most) implements FormObjection {}

    /** A draft that has become a leaflet, or was thrown away. */
    record DraftIsDone() implements FormObjection {}

    /** A sheet in which something is missing or cannot be read. */
    record SheetUnfinished(int things) implements FormObjection {}

    /** A sheet that is not offered any more. */
    record LeafletWithdrawn(String name) implements FormObjection {}

    /** Choose how it is mixed. */
    record UnknownMode() implements FormObjection {}

    /** A part that the sheet does not have. */
    record PartNotInTheBox() implements FormObjection {}

    /** No way in which a bath's times change. */
    record UnknownWear() implements FormObjection {}

    /** “{text}” is not a number from 1 to {most}. */
    record NotSoMany(String text, int most) implements FormObjection {}

    /** {most} proposals wait for a steward already. */
    record TooManyProposals(int most) implements FormObjection {}

    /** The kit came later than that. */
    record BeforeItCame(String day) implements FormObjection {}

    /** Not a series of labels. */
    record NotASeries(String text, int most) implements FormObjection {}

    /** Choose how exactly it is measured. */
    record UnknownCare() implements FormObjection {}

    /** Type two letters, the first one large: Ab. */
    record NotLetters() implements FormObjection {}

    /** Hot water has to be warmer than cold. */
    record HotNotHotter() implements FormObjection {}

    /** “{text}” is no number of weeks. Type 0 to 52. */
    record NotWeeks(String text) implements FormObjection {}

    /** It is open already. */
    record PartOpenAlready() implements FormObjection {}

    /** Choose one of the parts. */
    record PartMissing() implements FormObjection {}

    /** “{text}” is no number of vials. Type 1 to 99. */
    record NotVials(String text) implements FormObjection {}

    /** Read the cautions, then tick that you have. */
    record CautionsUnread() implements FormObjection {}

    /** This mix is over: it is on the shelf, or was abandoned. */
    record MixIsOver() implements FormObjection {}

    /** Not every act is done yet. */
    record ActsLeft() implements FormObjection {}

    /** Tick the boxes that are ticked on the card. */
    record BoxesMissing() implements FormObjection {}

    /** No bottle on the shelf has the code “{text}”. It was poured away, or is another house’s. */
    record CodeOfNone(String text) implements FormObjection {
        @Override
        public String field() {
            return "code";
        }
    }

    /** Choose one of the three schools. */
    record UnknownSchool() implements FormObjection {}

    /** Choose how light it is. */
    record UnknownLight() implements FormObjection {}

    /** There is no reading in this file. */
    record ReadingsMissing() implements FormObjection {}

    /** Line {line} is no reading. Each line has a time and degrees Celsius: 2026-11-25T19:30,21.5. */
    record NotAReading(long line) implements FormObjection {}

    /** Line {line} is of a time that is to come, or more than five years ago. */
    record ReadingOfAnotherTime(long line) implements FormObjection {}

    /** No readings of this place are left to take back. */
    record NothingToTakeBack() implements FormObjection {}

    /** That is more often than a probe needs. Send a reading every second, or several at once. */
    record ProbeTooOften() implements FormObjection {}

    /** Choose what it looks like. */
    record UnknownSign() implements FormObjection {}

    /** Choose what you see. */
    record UnknownResult() implements FormObjection {}

    record FilmStillWet() implements FormObjection {}

    /** A clip test judges a developer. Look into this bottle instead. */
    record ClipOfDeveloper() implements FormObjection {}

    /** No such run is known. */
    record UnknownRun(long run) implements FormObjection, Objection.OfNothing {
        @Override
        public String asked() {
            return String.valueOf(run);
        }
    }

    /** Choose one of its rolls. */
    record UnknownRoll() implements FormObjection {
        @Override
        public String field() {
            return "roll";
        }
    }

    /** Use 4 to 8 digits. */
    record PinForm() implements FormObjection {}

    /** That is not their PIN. */
    record WrongPin() implements FormObjection {}

    /** Too many wrong PINs. Wait a little, then try again. */
    record PinWait() implements FormObjection {}

    /** This page was open too long. Check what you typed and send it again. */
    record FormKeyMissing() implements FormObjection {}

    /** This form was saved already, with something else in it. Open the page again to log another. */
    record FormUsedForOther() implements FormObjection {}

    /** That is not the password that you have now. */
    record WrongPassword() implements FormObjection {
        @Override
        public String field() {
            return "old";
        }
    }

    /** These two are not the same. */
    record PasswordsDiffer() implements FormObjection {}

    /** Use letters, digits and marks that can be seen. */
    record PasswordUnprintable() implements FormObjection {
        @Override
        public String field() {
            return "password";
        }
    }

    /** That would be guessed soon. Put four or five words together that nobody expects. */
    record PasswordCommon() implements FormObjection {
        @Override
        public String field() {
            return "password";
        }
    }

    /** One steward at least has to stay. */
    record LastSteward() implements FormObjection {}

    /** Somebody is called “{text}”, or nearly so. Add something that tells them apart. */
    record MemberNameTaken(String text) implements FormObjection {
        @Override
        public String field() {
            return "name";
        }
    }

    /** That device is not signed in any more. */
    record UnknownDevice() implements FormObjection {}

    /** This device is not shared. A steward gives it to the house on the House page. */
    record DeviceNotShared() implements FormObjection {}

    /** Nothing of that number is on the list. */
    record UnknownThing(String thing) implements FormObjection, Objection.OfNothing {
        @Override
        public String asked() {
            return String.valueOf(thing);
        }
    }

    /** No such mix is known. */
    record UnknownMix(String mix) implements FormObjection, Objection.OfNothing {
        @Override
        public String asked() {
            return String.valueOf(mix);
        }
    }

    /** No such practice is known. */
    record UnknownPractice(String practice) implements FormObjection, Objection.OfNothing {
        @Override
        public String asked() {
            return String.valueOf(practice);
        }
    }

    /** No such photo is known. */
    record UnknownPhoto(String photo) implements FormObjection, Objection.OfNothing {
        @Override
        public String asked() {
            return String.valueOf(photo);
        }
    }

    /** Something has been logged in this house already. */
    record LogNotEmpty() implements FormObjection {}

    /** Line {line} is no line of a log: {fault}. */
    record NotALogLine(int line, String fault) implements FormObjection {}

    /** That is when it says it was made. */
    record ClockWasRight() implements FormObjection {}

    /** The entry before it is from {before}. */
    record BeforeTheEntryBefore(String before) implements FormObjection {}

    /** The last of these entries would still lie in the future, at {last}. */
    record StillAhead(String last) implements FormObjection {}

    /** Say which film this is. */
    record FilmTypeMissing() implements FormObjection {
        @Override
        public String field() {
            return "madeFor";
        }
    }

    /** Film made for one process, in a batch of another. */
    record AnotherProcess(String madeFor, String through) implements FormObjection {
        @Override
        public String field() {
            return "madeFor";
        }
    }

    /** A tank without reels. */
    record ReelsMissing() implements FormObjection {}

    /** Nobody said why a leaflet gets another version. */
    record WhyRevisedMissing() implements FormObjection {}

    /** Film that cannot be made again, in a batch that is to be tested. */
    record TestedFirst() implements FormObjection {}
}
