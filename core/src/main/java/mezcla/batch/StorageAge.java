package mezcla.batch;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import mezcla.leaflet.BathRole;
import mezcla.log.AirKept;
import mezcla.log.Place;
import org.jspecify.annotations.Nullable;

/**
 * How old a fill is by how it was stored (rules, section 5). An estimate, for ranking and early warning; the calendar
 * age stands beside it.
 *
 * @param effectiveDays days as they count, in days
 * @param calendarDays days that went by, in days
 */
public record StorageAge(double effectiveDays, double calendarDays) {
    private static final double COLDEST_THAT_COUNTS_C = 10;
    private static final double USUAL_C = 20;

    /**
     * A stretch of storage during which nothing changed.
     *
     * @param days how long, in days
     * @param celsius how warm, in °C
     * @param headspace the empty share of the bottle, 0 to 1
     * @param air what keeps the air out
     * @param light how much light there was
     */
    public record Stretch(double days, double celsius, double headspace, AirKept air, Light light) {
        /** What these days count for, in days. */
        double effectiveDays(BathRole role) {
            return days * warmth(celsius) * airAndLight(role, headspace, air, light);
        }
    }

    /**
     * A spell of a fill's storage, as the log knows it: nothing was taken out, moved or added.
     *
     * @param from since when
     * @param until until when; null for the one that goes on
     * @param headspace the empty share of the bottle, 0 to 1
     * @param air what keeps the air out
     * @param place where it stands; null where nobody said
     * @param kept the share of what is in the bottle now that was in it then: fresh solution dilutes age
     */
    public record Spell(
            Instant from, @Nullable Instant until, double headspace, AirKept air, @Nullable Place place, double kept) {
        /** How many days more than the calendar's the fill aged in it, up to a moment; below zero for fewer. */
        public double cost(BathRole role, Climate climate, Instant now) {
            Instant end = until == null || until.isAfter(now) ? now : until;
            double days = Math.max(0, Duration.between(from, end).toSeconds()) / 86_400.0;
            return effectiveDays(role, climate, now) - days * kept;
        }

        /** How old the fill became in it, in days, up to a moment. */
        double effectiveDays(BathRole role, Climate climate, Instant now) {
            Instant end = until == null || until.isAfter(now) ? now : until;
            return !end.isAfter(from)
                    ? 0
                    : climate.warmDays(place, from, end)
                            * airAndLight(role, headspace, air, climate.light(place))
                            * kept;
        }
    }

    /**
     * The effective age of a fill, in days.
     *
     * @param fill the fill
     * @param climate how warm and light it was where it stood
     * @param now the present
     */
    public static double effectiveDays(FillState fill, Climate climate, Instant now) {
        BathRole role = fill.bath().role();
        return fill.spells().stream()
                .mapToDouble(spell -> spell.effectiveDays(role, climate, now))
                .sum();
    }

    /**
     * How many effective days a day of the calendar counts for, as a fill stands now.
     *
     * @param fill the fill
     * @param climate how warm and light it is where it stands
     * @param now the present
     */
    public static double daysADay(FillState fill, Climate climate, Instant now) {
        Spell last = fill.spells().get(fill.spells().size() - 1);
        double celsius = climate.celsius(last.place(), now);
        return daysADay(fill.bath().role(), celsius, last.headspace(), last.air(), climate.light(last.place()));
    }

    /**
     * How many effective days a day of the calendar counts for.
     *
     * @param role what the bath does
     * @param celsius how warm it is, in °C
     * @param headspace the empty share of the bottle, 0 to 1
     * @param air what keeps the air out
     * @param light how much light there is
     */
    public static double daysADay(BathRole role, double celsius, double headspace, AirKept air, Light light) {
        return warmth(celsius) * airAndLight(role, headspace, air, light);
    }

    /**
     * Days of the calendar that are left of so many effective ones, if it goes on standing as it does now.
     *
     * @param effectiveDaysLeft days as they count; below 0 for none
     * @param daysADay how many of them a day of the calendar counts for
     */
    public static double calendarDays(double effectiveDaysLeft, double daysADay) {
        return Math.max(0, effectiveDaysLeft) / daysADay;
    }

    /** How much faster a bath ages at a temperature than at 20 °C; below 10 °C nothing more is gained. */
    static double warmth(double celsius) {
        return Math.pow(2, (Math.max(COLDEST_THAT_COUNTS_C, celsius) - USUAL_C) / 10);
    }

    private static double airAndLight(BathRole role, double headspace, AirKept air, Light light) {
        return (1 + role.nature().airSensitivity() * headspace * (1 - air.protection())) * light.factor();
    }

    /** Adds stretches up. */
    public static StorageAge of(BathRole role, List<Stretch> stretches) {
        return new StorageAge(
                stretches.stream()
                        .mapToDouble(stretch -> stretch.effectiveDays(role))
                        .sum(),
                stretches.stream().mapToDouble(Stretch::days).sum());
    }

    /** Whether crystals may fall out of a bath that is kept that cold, while nothing more is gained. */
    public static boolean tooCold(double celsius) {
        return celsius < COLDEST_THAT_COUNTS_C;
    }
}
