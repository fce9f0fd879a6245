package mezcla.batch;

import java.util.List;
import java.util.Optional;
import mezcla.leaflet.Bath;
import mezcla.leaflet.Leaflet;
import mezcla.measure.FilmFormat;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;

/**
 * One row of the log: something that happened. Rows are only ever added; each holds what it meant when it was written.
 */
public sealed interface LogEntry {
    /** Who, when, and in which order. */
    Stamp stamp();

    /** The one fill that a row is about; empty for rows about none or about several. */
    static Optional<Long> fillConcerned(LogEntry entry) {
        if (entry instanceof FillSpilled spilled) {
            return Optional.of(spilled.fillId());
        }
        if (entry instanceof FillToppedUp topped) {
            return Optional.of(topped.fillId());
        }
        if (entry instanceof FillMeasured measured) {
            return Optional.of(measured.fillId());
        }
        if (entry instanceof FillInspected look) {
            return Optional.of(look.fillId());
        }
        if (entry instanceof FillBarred barred) {
            return Optional.of(barred.fillId());
        }
        return entry instanceof BarLifted lifted ? Optional.of(lifted.fillId()) : Optional.empty();
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
     */
    record KitArrived(Stamp stamp, long kitId, Leaflet leaflet, Money price, Money delivery, @Nullable String lot)
            implements LogEntry {
        /** What it took to get it here. */
        public Money landed() {
            return price.plus(delivery);
        }
    }

    /**
     * A part of a kit was opened.
     *
     * @param stamp who and when
     * @param kitId the kit
     * @param part the part's key
     */
    record PartOpened(Stamp stamp, long kitId, String part) implements LogEntry {}

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
     */
    record MixedFill(
            long fillId,
            Leaflet leaflet,
            String bathKey,
            double volumeMl,
            String volumeTyped,
            Bottle bottle,
            List<PartUse> uses) {
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
     */
    record RunLogged(
            Stamp stamp, long batchId, List<Roll> rolls, List<RunBath> baths, double tankMl, List<String> against)
            implements LogEntry {
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
     * One roll of a run.
     *
     * @param owner whose it is
     * @param format its format
     * @param equivalents what it counted for when it was logged
     * @param stops how far it was pushed
     */
    record Roll(String owner, FilmFormat format, double equivalents, double stops) {}

    /**
     * A fill in a run.
     *
     * @param fillId the fill
     * @param seconds how long the film was in it; null where nobody knows
     * @param wearEquivalents the run's roll equivalents as they wear this bath: pushed film may weigh more
     * @param carryOverMl what left it with the film, in ml
     * @param pouredAwayMl what was poured away after it, in ml: a one-shot's share, else 0
     */
    record RunBath(
            long fillId, @Nullable Integer seconds, double wearEquivalents, double carryOverMl, double pouredAwayMl) {}

    /**
     * Some of a fill was lost.
     *
     * @param stamp who and when
     * @param fillId the fill
     * @param volumeMl how much, in ml
     */
    record FillSpilled(Stamp stamp, long fillId, double volumeMl) implements LogEntry {}

    /**
     * Fresh solution was added to a fill.
     *
     * @param stamp who and when
     * @param fillId the fill
     * @param volumeMl how much, in ml
     */
    record FillToppedUp(Stamp stamp, long fillId, double volumeMl) implements LogEntry {}

    /**
     * What is really in a bottle was measured.
     *
     * @param stamp who and when
     * @param fillId the fill
     * @param volumeMl how much there is, in ml
     */
    record FillMeasured(Stamp stamp, long fillId, double volumeMl) implements LogEntry {}

    /**
     * A fill must not be used until the bar is lifted.
     *
     * @param stamp who and when
     * @param fillId the fill
     * @param reason why
     */
    record FillBarred(Stamp stamp, long fillId, String reason) implements LogEntry {}

    /**
     * A barred fill may be used again.
     *
     * @param stamp who and when
     * @param fillId the fill
     * @param reason why
     */
    record BarLifted(Stamp stamp, long fillId, String reason) implements LogEntry {}

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
            implements LogEntry {}

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
        MILKY_DRY
    }

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
     */
    record DiscardedFill(long fillId, double volumeMl, WasteRoute route) {}

    /**
     * An earlier row does not count.
     *
     * @param stamp who and when
     * @param voided the sequence of that row
     * @param reason why
     */
    record EntryVoided(Stamp stamp, long voided, String reason) implements LogEntry {}
}
