package mezcla.batch;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import mezcla.leaflet.Bath;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.Part;
import mezcla.measure.FilmFormat;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;

/**
 * One row of the log: something that happened. Rows are only ever added; each holds what it meant when it was written.
 */
public sealed interface LogEntry {
    /** Who, when, and in which order. */
    Stamp stamp();

    /** The fills that a row is about, or that it brought about; empty for a row about none. */
    static Set<Long> fillsConcerned(LogEntry entry) {
        if (entry instanceof BatchMixed mix) {
            return mix.fills().stream().map(MixedFill::fillId).collect(Collectors.toSet());
        }
        if (entry instanceof RunLogged run) {
            return run.baths().stream().map(RunBath::fillId).collect(Collectors.toSet());
        }
        if (entry instanceof RunStarted start) {
            return start.baths().stream().map(RunBath::fillId).collect(Collectors.toSet());
        }
        if (entry instanceof FillsDiscarded gone) {
            return gone.fills().stream().map(DiscardedFill::fillId).collect(Collectors.toSet());
        }
        if (entry instanceof LeafletCorrected corrected) {
            return Set.copyOf(corrected.fillIds());
        }
        if (entry instanceof BathRenewed renewed) {
            return Set.of(renewed.fill().fillId());
        }
        if (entry instanceof FilmInspected look) {
            return Set.copyOf(look.fillIds());
        }
        return entry instanceof OfOneFill one ? Set.of(one.fillId()) : Set.of();
    }

    /** The batch that a row names itself; a run that was called off and a void name the row that named it. */
    static Optional<Long> batchNamed(LogEntry entry) {
        if (entry instanceof BatchMixed mix) {
            return Optional.of(mix.batchId());
        }
        if (entry instanceof BathRenewed renewed) {
            return Optional.of(renewed.batchId());
        }
        if (entry instanceof RunLogged run) {
            return Optional.of(run.batchId());
        }
        if (entry instanceof RunStarted start) {
            return Optional.of(start.batchId());
        }
        if (entry instanceof FillsDiscarded gone) {
            return Optional.of(gone.batchId());
        }
        if (entry instanceof FillShared shared) {
            return Optional.of(shared.batchId());
        }
        if (entry instanceof FilmInspected look) {
            return Optional.of(look.batchId());
        }
        return entry instanceof NoteLeft note ? Optional.of(note.batchId()) : Optional.empty();
    }

    /** The fills that a row made, with what they took of kits; empty for a row that made none. */
    static List<MixedFill> fillsMade(LogEntry entry) {
        if (entry instanceof BatchMixed mix) {
            return mix.fills();
        }
        return entry instanceof BathRenewed renewed ? List.of(renewed.fill()) : List.of();
    }

    /** What a row took of kits, by the fill that it went into; empty for a row that took nothing. */
    static Map<Long, List<PartUse>> usesByFill(LogEntry entry) {
        if (entry instanceof FillToppedUp topped) {
            return Map.of(topped.fillId(), topped.uses());
        }
        List<MixedFill> made = fillsMade(entry);
        return made.isEmpty() ? Map.of() : made.stream().collect(Collectors.toMap(MixedFill::fillId, MixedFill::uses));
    }

    /** A row about one fill that stands already. */
    sealed interface OfOneFill extends LogEntry {
        /** Which. */
        long fillId();
    }

    /**
     * A kit came into the cupboard.
     *
     * @param stamp who and when
     * @param kitId the kit
     * @param leaflet what its sheet says
     * @param price what the kit cost
     * @param delivery what its delivery cost
     * @param lot what is printed on the box; null for nothing
     * @param only keys of the parts that came, where they were bought alone; empty for a whole kit
     * @param bought what else is known about the purchase
     */
    record KitArrived(
            Stamp stamp,
            long kitId,
            Leaflet leaflet,
            Money price,
            Money delivery,
            @Nullable String lot,
            List<String> only,
            Bought bought)
            implements LogEntry {
        /** Keeps its own list. */
        public KitArrived {
            only = List.copyOf(only);
        }

        /** The parts that came, in the order of the leaflet. */
        public List<Part> parts() {
            return leaflet.parts().stream()
                    .filter(part -> only.isEmpty() || only.contains(part.key()))
                    .toList();
        }

        /** A part's share of what this kit is worth, 0 to 1: parts bought alone share what they cost. */
        public double valueShare(String part) {
            if (only.isEmpty()) {
                return leaflet.valueShare(part);
            }
            double all = parts().stream()
                    .mapToDouble(each -> leaflet.valueShare(each.key()))
                    .sum();
            return all > 0 ? leaflet.valueShare(part) / all : 1.0 / parts().size();
        }

        /** What it took to get it here. */
        public Money landed() {
            return price.plus(delivery).plus(bought.other());
        }
    }

    /**
     * What is known about a purchase beside price and delivery.
     *
     * @param other what else it took: duty, a bank's fee
     * @param note about the supplier; null for nothing
     * @param paidBy who paid it; null for the house
     */
    record Bought(Money other, @Nullable String note, @Nullable String paidBy) {
        /** Nothing else, by the house. */
        public static Bought plainly(CurrencyUnit currency) {
            return new Bought(Money.zero(currency), null, null);
        }
    }

    /** A row about one part of a kit that is there already. */
    sealed interface OfOnePart extends LogEntry {
        /** The kit. */
        long kitId();

        /** The part's key. */
        String part();
    }

    /**
     * A part of a kit was opened.
     *
     * @param stamp who and when
     * @param kitId the kit
     * @param part the part's key
     */
    record PartOpened(Stamp stamp, long kitId, String part) implements OfOnePart {}

    /**
     * What was left of a part was decanted into full small vials under inert gas; its clock starts anew (rules, 3.4).
     *
     * @param stamp who and when
     * @param kitId the kit
     * @param part the part's key
     * @param vials how many vials
     */
    record PartDecanted(Stamp stamp, long kitId, String part, int vials) implements OfOnePart {}

    /**
     * How much of a part there really is was looked at.
     *
     * @param stamp who and when
     * @param kitId the kit
     * @param part the part's key
     * @param left how much there is, in the part's unit
     * @param reason why the log was wrong
     */
    record PartCorrected(Stamp stamp, long kitId, String part, double left, String reason) implements OfOnePart {}

    /**
     * Some of a part was thrown away, or lost.
     *
     * @param stamp who and when
     * @param kitId the kit
     * @param part the part's key
     * @param amount how much, in the part's unit
     * @param route where it went
     * @param reason why
     */
    record PartThrownAway(Stamp stamp, long kitId, String part, double amount, WasteRoute route, String reason)
            implements OfOnePart {}

    /**
     * What was left of a part was put to another kit with the same part. Its money stays with the kit it came with.
     *
     * @param stamp who and when
     * @param kitId the kit that it came with
     * @param part the part's key
     * @param toKitId the kit that it is with now
     * @param amount how much, in the part's unit
     */
    record PartMoved(Stamp stamp, long kitId, String part, long toKitId, double amount) implements OfOnePart {}

    /**
     * A batch was mixed.
     *
     * @param stamp who and when
     * @param batchId the batch, which is also its number on the shelf
     * @param name what it is called
     * @param fills one for each bath mixed, in the order of use
     */
    record BatchMixed(Stamp stamp, long batchId, String name, List<MixedFill> fills) implements LogEntry {
        /** Keeps its own list. */
        public BatchMixed {
            fills = List.copyOf(fills);
        }
    }

    /**
     * A bath as it was mixed.
     *
     * @param fillId the fill
     * @param leaflet the leaflet that it was mixed by
     * @param bathKey its bath
     * @param volumeMl how much was mixed, in ml
     * @param volumeTyped what was typed for that
     * @param bottle where it went
     * @param uses what it took from which kit
     * @param before what it had behind it when it was taken over; null for one that was mixed fresh
     */
    record MixedFill(
            long fillId,
            Leaflet leaflet,
            String bathKey,
            double volumeMl,
            String volumeTyped,
            Bottle bottle,
            List<PartUse> uses,
            @Nullable Before before) {
        /** Keeps its own list. */
        public MixedFill {
            uses = List.copyOf(uses);
        }

        /** What the leaflet says of the bath. */
        public Bath bath() {
            return leaflet.bath(bathKey);
        }
    }

    /**
     * What a fill that was taken over had behind it (rules, 3.6).
     *
     * @param mixedAt when it was mixed, as far as anybody knows
     * @param rolls roll equivalents that it had done, as far as anybody knows
     */
    record Before(Instant mixedAt, double rolls) {}

    /**
     * What a fill took of a part.
     *
     * @param kitId the kit
     * @param part the part's key
     * @param amount how much, in the part's unit
     * @param kitShare the share of the kit's value that this is, 0 to 1
     */
    record PartUse(long kitId, String part, double amount, double kitShare) {}

    /**
     * Film went through.
     *
     * @param stamp who and when
     * @param batchId the batch
     * @param rolls what film it was
     * @param baths the fills that it went through
     * @param tankMl what the tank took of each bath, in ml
     * @param against codes of what spoke against it; empty for a run that fitted
     * @param started the sequence of the row with which it was started; null for one that was logged in one go
     * @param abandoned why it was given up before its end; null for a run that was done. Its baths are those that the
     *     film had reached
     */
    record RunLogged(
            Stamp stamp,
            long batchId,
            List<Roll> rolls,
            List<RunBath> baths,
            double tankMl,
            List<String> against,
            @Nullable Long started,
            @Nullable String abandoned)
            implements LogEntry {
        /** A run that was done. */
        public RunLogged(
                Stamp stamp,
                long batchId,
                List<Roll> rolls,
                List<RunBath> baths,
                double tankMl,
                List<String> against,
                @Nullable Long started) {
            this(stamp, batchId, rolls, baths, tankMl, against, started, null);
        }

        /** Keeps its own lists. */
        public RunLogged {
            rolls = List.copyOf(rolls);
            baths = List.copyOf(baths);
            against = List.copyOf(against);
        }

        /** Its rolls in roll equivalents. */
        public double equivalents() {
            return rolls.stream().mapToDouble(Roll::equivalents).sum();
        }
    }

    /**
     * Film went into a batch; until the run is logged or called off, its rolls and its volume are taken.
     *
     * @param stamp who and when
     * @param batchId the batch
     * @param rolls what film it is
     * @param baths the fills that it goes through, as they were planned
     * @param tankMl what the tank takes of each bath, in ml
     */
    record RunStarted(Stamp stamp, long batchId, List<Roll> rolls, List<RunBath> baths, double tankMl)
            implements LogEntry {
        /** Keeps its own lists. */
        public RunStarted {
            rolls = List.copyOf(rolls);
            baths = List.copyOf(baths);
        }

        /** Its rolls in roll equivalents. */
        public double equivalents() {
            return rolls.stream().mapToDouble(Roll::equivalents).sum();
        }

        /** Its baths as other film than was planned wears them, in the same tank. */
        public List<RunBath> bathsFor(List<Roll> film) {
            double share = film.stream().mapToDouble(Roll::equivalents).sum() / equivalents();
            return baths.stream()
                    .map(bath -> new RunBath(
                            bath.fillId(),
                            bath.seconds(),
                            bath.wearEquivalents() * share,
                            bath.carryOverMl() * share,
                            bath.pouredAwayMl(),
                            bath.celsius()))
                    .toList();
        }
    }

    /**
     * A run that was started did not take place.
     *
     * @param stamp who and when
     * @param started the sequence of the row with which it was started
     * @param reason why
     */
    record RunCalledOff(Stamp stamp, long started, String reason) implements LogEntry {}

    /**
     * One roll of a run.
     *
     * @param owner whose it is
     * @param format its format
     * @param equivalents what it counted for when it was logged
     * @param stops how far it was pushed
     * @param irreplaceable whether it cannot be made again
     */
    record Roll(String owner, FilmFormat format, double equivalents, double stops, boolean irreplaceable) {}

    /**
     * A fill in a run.
     *
     * @param fillId the fill
     * @param seconds how long the film was in it; null where nobody knows
     * @param wearEquivalents the run's roll equivalents as they wear this bath: pushed film may weigh more
     * @param carryOverMl what left it with the film, in ml
     * @param pouredAwayMl what was poured away after it, in ml: a one-shot's share, else 0
     * @param celsius how warm it was, in °C; null where nobody measured
     */
    record RunBath(
            long fillId,
            @Nullable Integer seconds,
            double wearEquivalents,
            double carryOverMl,
            double pouredAwayMl,
            @Nullable Double celsius) {
        /** The same bath with the time and the temperature that it really had. */
        public RunBath really(@Nullable Integer actualSeconds, @Nullable Double actualCelsius) {
            return new RunBath(fillId, actualSeconds, wearEquivalents, carryOverMl, pouredAwayMl, actualCelsius);
        }
    }

    /**
     * Some of a fill was lost.
     *
     * @param stamp who and when
     * @param fillId the fill
     * @param volumeMl how much, in ml
     */
    record FillSpilled(Stamp stamp, long fillId, double volumeMl) implements OfOneFill {}

    /**
     * Fresh solution was added to a fill.
     *
     * @param stamp who and when
     * @param fillId the fill
     * @param volumeMl how much, in ml
     * @param uses what that took from which kit
     */
    record FillToppedUp(Stamp stamp, long fillId, double volumeMl, List<PartUse> uses) implements OfOneFill {
        /** Keeps its own list. */
        public FillToppedUp {
            uses = List.copyOf(uses);
        }
    }

    /**
     * A bath of a batch was mixed afresh; the fill takes the place of the one that was poured away.
     *
     * @param stamp who and when
     * @param batchId the batch
     * @param fill the fresh fill
     */
    record BathRenewed(Stamp stamp, long batchId, MixedFill fill) implements LogEntry {}

    /**
     * A fill of one batch serves in another one as well, where that has none of its own any more.
     *
     * @param stamp who and when
     * @param batchId the batch that it serves in as well
     * @param fillId the fill
     */
    record FillShared(Stamp stamp, long batchId, long fillId) implements OfOneFill {}

    /**
     * A fill was poured over, put somewhere else, or the air over it was dealt with.
     *
     * @param stamp who and when
     * @param fillId the fill
     * @param bottle what it is in now
     * @param place where that stands now; null where nobody said
     * @param air what keeps air out now
     */
    record FillMoved(Stamp stamp, long fillId, Bottle bottle, @Nullable Place place, AirKept air)
            implements OfOneFill {}

    /**
     * Limits of a fill are passed on purpose (rules, section 6).
     *
     * @param stamp who and when
     * @param fillId the fill
     * @param limits codes of the limits that no longer hold it back
     * @param reason why
     */
    record LimitOverridden(Stamp stamp, long fillId, List<String> limits, String reason) implements OfOneFill {
        /** Keeps its own list. */
        public LimitOverridden {
            limits = List.copyOf(limits);
        }
    }

    /**
     * Fills are governed by another version of their leaflet, from the day on which they were mixed.
     *
     * @param stamp who and when
     * @param fillIds the fills
     * @param leaflet the version that is right
     * @param reason what was wrong
     */
    record LeafletCorrected(Stamp stamp, List<Long> fillIds, Leaflet leaflet, String reason) implements LogEntry {
        /** Keeps its own list. */
        public LeafletCorrected {
            fillIds = List.copyOf(fillIds);
        }
    }

    /**
     * Something to remember when that kit is mixed again.
     *
     * @param stamp who and when
     * @param batchId the batch that taught it
     * @param text what to remember
     */
    record NoteLeft(Stamp stamp, long batchId, String text) implements LogEntry {}

    /**
     * What is really in a bottle was measured.
     *
     * @param stamp who and when
     * @param fillId the fill
     * @param volumeMl how much there is, in ml
     */
    record FillMeasured(Stamp stamp, long fillId, double volumeMl) implements OfOneFill {}

    /**
     * A fill must not be used until the bar is lifted.
     *
     * @param stamp who and when
     * @param fillId the fill
     * @param reason why
     */
    record FillBarred(Stamp stamp, long fillId, String reason) implements OfOneFill {}

    /**
     * A barred fill may be used again.
     *
     * @param stamp who and when
     * @param fillId the fill
     * @param reason why
     */
    record BarLifted(Stamp stamp, long fillId, String reason) implements OfOneFill {}

    /**
     * Film that went through a fill was judged.
     *
     * @param stamp who and when
     * @param fillId the fill
     * @param result what was seen
     * @param chemistry whether it was put down to the chemistry
     * @param trimPercent the correction that it left the fill with, in percent
     */
    record FillInspected(Stamp stamp, long fillId, Result result, boolean chemistry, double trimPercent)
            implements OfOneFill {}

    /** What dry film shows (rules, section 6). */
    enum Result {
        /** As it should be. */
        GOOD,
        /** Negatives thin, slides dark: too little development. */
        THIN,
        /** Negatives dense, slides light: too much development. */
        DENSE,
        /** A heavy colour cast. */
        HEAVY_CAST,
        /** Heavy grain. */
        HEAVY_GRAIN,
        /** Milky when dry. */
        MILKY_DRY,
        /** A slight colour cast. */
        CAST,
        /** Some grain. */
        GRAIN,
        /** Streaks or uneven development. */
        STREAKS,
        /** Marks or scum on the film. */
        RESIDUE;

        /** Whether it found nothing wrong. */
        public boolean isGood() {
            return this == GOOD;
        }
    }

    /** What a fault on film can come from (rules, section 6). */
    enum Suspect {
        /** The chemistry. */
        CHEMISTRY("the chemistry"),
        /** Exposure in the camera. */
        EXPOSURE("exposure"),
        /** Light that got in, or the light of the scene. */
        LIGHT("light"),
        /** Lens, scanner or its software. */
        SCAN("lens or scan");

        private final String words;

        Suspect(String words) {
            this.words = words;
        }

        /** In words. */
        public String words() {
            return words;
        }
    }

    /**
     * A roll of a run was looked at when it was dry.
     *
     * @param stamp who and when
     * @param batchId the batch
     * @param run the sequence of the run's row
     * @param roll which of its rolls, from 0
     * @param fillIds the fills that the run used, for which it counts
     * @param result what was seen
     * @param suspects what it is put down to; empty where nothing is wrong or nobody knows
     * @param trimPercent the correction that it sets on the developer, in percent; null to leave it
     * @param note what else; null for nothing
     */
    record FilmInspected(
            Stamp stamp,
            long batchId,
            long run,
            int roll,
            List<Long> fillIds,
            Result result,
            Set<Suspect> suspects,
            @Nullable Double trimPercent,
            @Nullable String note)
            implements LogEntry {
        /** Keeps its own collections. */
        public FilmInspected {
            fillIds = List.copyOf(fillIds);
            suspects = Set.copyOf(suspects);
        }

        /** Whether it says something about the chemistry: put down to it, or nothing wrong at all. */
        public boolean chemistry() {
            return result.isGood() || suspects.contains(Suspect.CHEMISTRY);
        }
    }

    /**
     * Somebody looked into a bottle.
     *
     * @param stamp who and when
     * @param fillId the fill
     * @param sign what it showed
     * @param note what else; null for nothing
     */
    record BathLooked(Stamp stamp, long fillId, Sign sign, @Nullable String note) implements OfOneFill {}

    /**
     * A bottle was found where it belongs, on a round of the shelf.
     *
     * @param stamp who and when
     * @param fillId the fill
     */
    record FillSeen(Stamp stamp, long fillId) implements OfOneFill {}

    /**
     * Fills were poured away for good.
     *
     * @param stamp who and when
     * @param batchId the batch
     * @param fills which, and where each went
     * @param reason why
     */
    record FillsDiscarded(Stamp stamp, long batchId, List<DiscardedFill> fills, String reason) implements LogEntry {
        /** Keeps its own list. */
        public FillsDiscarded {
            fills = List.copyOf(fills);
        }
    }

    /**
     * A fill that was poured away.
     *
     * @param fillId the fill
     * @param volumeMl how much it was, in ml
     * @param route where it went
     * @param drumId the drum; null where the house keeps none, or it went elsewhere
     */
    record DiscardedFill(long fillId, double volumeMl, WasteRoute route, @Nullable Long drumId) {
        /** One that went into no drum of the house. */
        public DiscardedFill(long fillId, double volumeMl, WasteRoute route) {
            this(fillId, volumeMl, route, null);
        }
    }

    /**
     * A waste drum was collected, or emptied into what is.
     *
     * @param stamp who and when
     * @param drumId the drum
     * @param drum what it is called
     * @param volumeMl how much was in it, in ml
     */
    record DrumCollected(Stamp stamp, long drumId, String drum, double volumeMl) implements LogEntry {}

    /**
     * An earlier row does not count.
     *
     * @param stamp who and when
     * @param voided the sequence of that row
     * @param reason why
     */
    record EntryVoided(Stamp stamp, long voided, String reason) implements LogEntry {}
}
