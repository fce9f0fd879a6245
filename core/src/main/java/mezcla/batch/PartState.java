package mezcla.batch;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import mezcla.leaflet.Part;
import org.jspecify.annotations.Nullable;

/**
 * What is left of one part of a kit.
 *
 * @param part what the leaflet says of it
 * @param left how much is left, in its unit
 * @param openedAt when it was first opened; null while it is sealed
 * @param decanted what was put into vials last; null where nothing was
 * @param movedIn how much of it came from another kit, whose money paid for it
 * @param standInOpenedDays how long it lasts once opened where its sheet prints nothing, in days: the house's (rules, 3.4)
 */
public record PartState(
        Part part,
        double left,
        @Nullable Instant openedAt,
        @Nullable Decanted decanted,
        double movedIn,
        double standInOpenedDays) {
    private static final int HOURS_A_DAY = 24;

    /**
     * Vials, and what stayed over. Whoever needs no more than that takes it from there; else whole vials are emptied, and
     * what is missing comes from what is over or from one more vial.
     *
     * @param at since when
     * @param vials how many they were
     * @param each how much each holds, in the part's unit
     * @param full how many of them are full
     * @param over what is in no full vial: what stayed in its bottle, and what is left of a vial that was begun
     */
    public record Decanted(Instant at, int vials, double each, int full, double over) {
        private static final double NOTHING = 1e-6;

        /** So much of a part, in the part's unit, poured into vials; as many of them are full as it fills. */
        static Decanted of(Instant at, int vials, @Nullable Double each, double left) {
            double holds = each == null ? left / vials : each;
            return new Decanted(at, vials, holds, 0, 0).holding(left);
        }

        /** The same vials where so much is left in all. */
        Decanted holding(double left) {
            int filled = each <= 0 ? 0 : Math.min(vials, (int) Math.floor(left / each + NOTHING));
            return new Decanted(at, vials, each, filled, Math.max(0, left - filled * each));
        }

        /** The same without so much of it. */
        Decanted without(double amount) {
            if (amount <= over + NOTHING || full == 0) {
                return new Decanted(at, vials, each, full, Math.max(0, over - amount));
            }
            int whole = Math.min(full, (int) Math.floor(amount / each + NOTHING));
            double missing = amount - whole * each;
            if (missing <= over + NOTHING || whole == full) {
                return new Decanted(at, vials, each, full - whole, Math.max(0, over - missing));
            }
            return new Decanted(at, vials, each, full - whole - 1, Math.max(0, over + each - missing));
        }
    }

    /** How many of its vials are still full; 0 where nothing was decanted. */
    public int vialsLeft() {
        return decanted == null || left <= 0 ? 0 : decanted.full();
    }

    /** How many vials an amount empties exactly, to a fiftieth; 0 where it does not. */
    public int emptiesVials(double amount) {
        if (decanted == null || decanted.each() <= 0) {
            return 0;
        }
        long whole = Math.round(amount / decanted.each());
        boolean exact = whole > 0 && Math.abs(amount - whole * decanted.each()) <= amount / 50;
        return exact && whole <= decanted.full() ? (int) whole : 0;
    }

    /** Since when air could get at it: since it was decanted, else since it was opened; null while it is sealed. */
    public @Nullable Instant clockFrom() {
        return decanted == null ? openedAt : decanted.at();
    }

    /** Which of its lives is over. */
    public enum Past {
        /** It stood sealed for too long. */
        SEALED,
        /** It has been open for too long. */
        OPEN,
        /** It has been in vials for too long. */
        IN_VIALS
    }

    /**
     * Which of its lives is over: that in which it stood sealed until it was opened, or the one since then (rules, 3.4). Opening
     * does not make good what stood too long.
     *
     * @param cameAt when its kit came
     * @param at when it is asked
     * @return empty while it is good
     */
    public Optional<Past> past(Instant cameAt, Instant at) {
        Instant opened = openedAt;
        if (isOver(cameAt, part.unopenedDays(), opened == null ? at : opened)) {
            return Optional.of(Past.SEALED);
        }
        Instant clock = clockFrom();
        return clock != null && isOver(clock, keepsOpenDays(), at)
                ? Optional.of(decanted == null ? Past.OPEN : Past.IN_VIALS)
                : Optional.empty();
    }

    /** Whether one of its lives is over. */
    public boolean isPast(Instant cameAt, Instant at) {
        return past(cameAt, at).isPresent();
    }

    /** How long it lasts once open as it is now, in vials or not, in days; the house's where nothing is printed. */
    public double keepsOpenDays() {
        if (decanted != null && part.inVialsDays() != null) {
            return part.inVialsDays();
        }
        return part.openedDays() == null ? standInOpenedDays : part.openedDays();
    }

    /** Whether its sheet prints how long it lasts as it is now; else the house's stands in. */
    public boolean isOpenLifePrinted() {
        return part.openedDays() != null || (decanted != null && part.inVialsDays() != null);
    }

    private static boolean isOver(Instant from, @Nullable Double days, Instant at) {
        return days != null && at.isAfter(from.plus(Duration.ofHours(Math.round(days * HOURS_A_DAY))));
    }

    /** How much of it this kit's own money paid for, in its unit. */
    public double own() {
        return Math.max(0, left - movedIn);
    }
}
