package mezcla.batch;

import java.time.Instant;
import java.util.List;
import mezcla.leaflet.FilmProcess;
import mezcla.leaflet.Unit;
import mezcla.log.LogEntry;
import mezcla.log.Subject;
import mezcla.measure.Objection;

/** What the log, a kit, a fill or a batch does not allow (rules, sections 3.4, 3.6, 4.1 and 12). */
public sealed interface BatchObjection extends Objection {
    /** A row that names what is not there at its time. */
    record NotThereYet(Subject subject) implements BatchObjection {}

    /** A row that brings what is there. */
    record ThereAlready(Subject subject) implements BatchObjection {}

    /** A batch that never was. */
    record UnknownBatch(long batch) implements BatchObjection, Objection.OfNothing {
        @Override
        public String asked() {
            return String.valueOf(batch);
        }
    }

    /** A kit that never was. */
    record UnknownKit(long kit) implements BatchObjection, Objection.OfNothing {
        @Override
        public String field() {
            return "kit";
        }

        @Override
        public String asked() {
            return String.valueOf(kit);
        }
    }

    /** A fill that never was. */
    record UnknownFill(long fill) implements BatchObjection, Objection.OfNothing {
        @Override
        public String field() {
            return "bottle";
        }

        @Override
        public String asked() {
            return String.valueOf(fill);
        }
    }

    /** A row that never was. */
    record UnknownEntry(long entry) implements BatchObjection, Objection.OfNothing {
        @Override
        public String asked() {
            return String.valueOf(entry);
        }
    }

    /** A fill that was poured away. */
    record AlreadyDiscarded(String bath) implements BatchObjection {}

    /** A row that was voided. */
    record AlreadyVoid() implements BatchObjection {}

    /** A void is not voided. */
    record VoidIsFinal() implements BatchObjection {}

    /** What the house decided holds until it is undone where it was decided; without its row it would hold unsaid. */
    record UndoneWhereDecided() implements BatchObjection {}

    /** Rows that rest on the one to void. */
    record LaterEntriesDepend(List<LogEntry> entries) implements BatchObjection {}

    /** A bath whose place is taken. */
    record BathStands(FillState fill) implements BatchObjection {}

    /** A moment before the batch was mixed. */
    record BeforeMixing(Instant mixedAt) implements BatchObjection {
        @Override
        public String field() {
            return "when";
        }
    }

    /** A moment that has not come. */
    record InTheFuture() implements BatchObjection {
        @Override
        public String field() {
            return "when";
        }
    }

    /** A bottle with something in it. */
    record BottleTaken(String bottle) implements BatchObjection {
        @Override
        public String field() {
            return "bottle";
        }
    }

    /** A bottle that holds less, in ml. */
    record BottleTooSmall(String bottle, double capacityMl) implements BatchObjection {
        @Override
        public String field() {
            return "bottle";
        }
    }

    /** A bottle with less room, in ml. */
    record BottleTooFull(String bottle, double roomMl) implements BatchObjection {
        @Override
        public String field() {
            return "volume";
        }

        @Override
        public String wording() {
            return roomMl < 1 ? "bottle-is-full" : key();
        }
    }

    /** A bath that is poured away after each run. */
    record OneShotNotToppedUp() implements BatchObjection {}

    /** More than is in the bottle, in ml. */
    record MoreThanThereIs(double leftMl) implements BatchObjection {}

    /** A fill that is in a tank just now. */
    record InUse(FillState fill, String who) implements BatchObjection {
        @Override
        public String field() {
            return "tank";
        }
    }

    /** A kit of which nothing more is mixed. */
    record KitIsFinished() implements BatchObjection {}

    /** Another process's bath, which may foul this one's. */
    record OfAnotherProcess(FillState fill, FilmProcess process) implements BatchObjection {
        @Override
        public String field() {
            return "guest";
        }
    }

    /** A developer or one-shot as a guest. */
    record DeveloperNotShared(FillState fill) implements BatchObjection {}

    /** A guest that is there. */
    record ServesHereAlready(FillState fill) implements BatchObjection {}

    /** A run that was logged, called off or voided. */
    record RunIsOver() implements BatchObjection {}

    /** Kits of different leaflets. */
    record KitsDiffer() implements BatchObjection {
        @Override
        public String field() {
            return "second";
        }
    }

    /** A part that nobody opened. */
    record PartSealed() implements BatchObjection {}

    /** A part of which nothing is left. */
    record PartUsedUp() implements BatchObjection {}

    /** More of a part than there is, in its unit. */
    record MoreOfPartThanThereIs(double left, Unit unit) implements BatchObjection {}

    /** A code with a slip. */
    record NotACode(String text) implements BatchObjection {
        @Override
        public String field() {
            return "code";
        }
    }

    /** An acid stop bath onto used fixer. */
    record AcidOnFixer(String drum) implements BatchObjection {}

    /** A bath that a drum is not for. */
    record DrumOfAnotherKind(String bath, String drum, String kind) implements BatchObjection {}

    /** A drum with less room, in ml. */
    record DrumTooFull(String drum, double roomMl) implements BatchObjection {}
}
