package mezcla.batch;

import java.time.Duration;
import java.time.Instant;
import mezcla.leaflet.Part;
import mezcla.measure.Slack;
import org.jspecify.annotations.Nullable;

/**
 * What is left of one part of a kit.
 *
 * @param part what the leaflet says of it
 * @param left how much is left, in its unit
 * @param openedAt when it was first opened; null while it is sealed
 * @param decanted what was put into vials last; null where nothing was
 * @param movedIn how much of it came from another kit, whose money paid for it
 */
public record PartState(
        Part part, double left, @Nullable Instant openedAt, @Nullable Decanted decanted, double movedIn) {
    private static final int HOURS_A_DAY = 24;

    /**
     * Vials.
     *
     * @param at since when
     * @param vials how many they were
     * @param amount how much was in them altogether, in the part's unit
     */
    public record Decanted(Instant at, int vials, double amount) {}

    /** How many of its vials are still full or begun; 0 where nothing was decanted. */
    public int vialsLeft() {
        return decanted == null || decanted.amount() <= 0
                ? 0
                : Math.min(decanted.vials(), Slack.ceiling(left / decanted.amount() * decanted.vials()));
    }

    /** Since when air could get at it: since it was decanted, else since it was opened; null while it is sealed. */
    public @Nullable Instant clockFrom() {
        return decanted == null ? openedAt : decanted.at();
    }

    /**
     * Whether it is past its printed life: sealed too long, or open too long since then (rules, 3.4).
     *
     * @param cameAt when its kit came
     * @param at when it is asked
     */
    public boolean isPast(Instant cameAt, Instant at) {
        Instant opened = openedAt;
        Instant clock = clockFrom();
        return isOver(cameAt, part.unopenedDays(), opened == null ? at : opened)
                || (clock != null && isOver(clock, keepsOpenDays(), at));
    }

    /** How long it lasts once open as it is now, in vials or not, in days; null where nothing is printed. */
    public @Nullable Double keepsOpenDays() {
        return decanted == null || part.inVialsDays() == null ? part.openedDays() : part.inVialsDays();
    }

    private static boolean isOver(Instant from, @Nullable Double days, Instant at) {
        return days != null && at.isAfter(from.plus(Duration.ofHours(Math.round(days * HOURS_A_DAY))));
    }

    /** How much of it this kit's own money paid for, in its unit. */
    public double own() {
        return Math.max(0, left - movedIn);
    }
}
