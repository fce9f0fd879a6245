package mezcla.batch;

import java.time.Instant;
import java.util.List;
import mezcla.leaflet.FilmProcess;
import mezcla.leaflet.Unit;
import mezcla.log.LogEntry;
import mezcla.log.Subject;
import mezcla.measure.Objection;
import mezcla.measure.OfField;

/** What the log, a kit, a fill or a batch does not allow (rules, sections 3.4, 3.6, 4.1 and 12). */
public sealed interface BatchObjection extends Objection {
    record NotThereYet(Subject subject) implements BatchObjection {}

    record ThereAlready(Subject subject) implements BatchObjection {}

    record UnknownBatch(long batch) implements BatchObjection, Objection.OfNothing {
        @Override
        public String asked() {
            return String.valueOf(batch);
        }
    }

    @OfField("kit")
    record UnknownKit(long kit) implements BatchObjection, Objection.OfNothing {
        @Override
        public String asked() {
            return String.valueOf(kit);
        }
    }

    @OfField("bottle")
    record UnknownFill(long fill) implements BatchObjection, Objection.OfNothing {
        @Override
        public String asked() {
            return String.valueOf(fill);
        }
    }

    record UnknownEntry(long entry) implements BatchObjection, Objection.OfNothing {
        @Override
        public String asked() {
            return String.valueOf(entry);
        }
    }

    record AlreadyDiscarded(String bath) implements BatchObjection {}

    record AlreadyVoid() implements BatchObjection {}

    record VoidIsFinal() implements BatchObjection {}

    record UndoneWhereDecided() implements BatchObjection {}

    record LaterEntriesDepend(List<LogEntry> entries) implements BatchObjection {}

    record BathStands(FillState fill) implements BatchObjection {}

    @OfField("when")
    record BeforeMixing(Instant mixedAt) implements BatchObjection {}

    @OfField("when")
    record InTheFuture() implements BatchObjection {}

    @OfField("bottle")
    record BottleTaken(String bottle) implements BatchObjection {}

    @OfField("bottle")
    record BottleTooSmall(String bottle, double capacityMl) implements BatchObjection {}

    @OfField("volume")
    record BottleTooFull(String bottle, double roomMl) implements BatchObjection {
        @Override
        public String wording() {
            return roomMl < 1 ? "bottle-is-full" : key();
        }
    }

    record OneShotNotToppedUp() implements BatchObjection {}

    record MoreThanThereIs(double leftMl) implements BatchObjection {}

    @OfField("tank")
    record InUse(FillState fill, String who) implements BatchObjection {}

    record KitIsFinished() implements BatchObjection {}

    @OfField("guest")
    record OfAnotherProcess(FillState fill, FilmProcess process) implements BatchObjection {}

    record DeveloperNotShared(FillState fill) implements BatchObjection {}

    record ServesHereAlready(FillState fill) implements BatchObjection {}

    record RunIsOver() implements BatchObjection {}

    @OfField("second")
    record KitsDiffer() implements BatchObjection {}

    record PartSealed() implements BatchObjection {}

    record PartUsedUp() implements BatchObjection {}

    record MoreOfPartThanThereIs(double left, Unit unit) implements BatchObjection {}

    @OfField("code")
    record NotACode(String text) implements BatchObjection {}

    record AcidOnFixer(String drum) implements BatchObjection {}

    record DrumOfAnotherKind(String bath, String drum, String kind) implements BatchObjection {}

    record DrumTooFull(String drum, double roomMl) implements BatchObjection {}
}
