package mezcla.batch;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import mezcla.log.Place;
import org.jspecify.annotations.Nullable;

/**
 * How warm and how light it is where bottles stand (rules, section 5). A place has a temperature for each quarter of the
 * year, and readings where somebody measured: from one reading to the next the first holds, for a week at most.
 */
public final class Climate {
    private static final double SECONDS_A_DAY = 86_400;
    private static final long A_READING_HOLDS_S = 7 * 86_400;
    private static final int MONTHS_A_QUARTER = 3;
    private static final int MONTHS_A_YEAR = 12;
    private static final int FIRST_YEAR = 1970;
    private static final int YEARS = 200;

    private final double roomC;
    private final long[] months;
    private final Map<Long, Stand> stands = new HashMap<>();

    /**
     * A temperature that was read.
     *
     * @param at when
     * @param celsius in °C
     */
    public record Reading(Instant at, double celsius) {}

    /**
     * What is known of a place.
     *
     * @param placeId which
     * @param quartersC its temperature in December to February, March to May, June to August, September to November, in
     *     °C
     * @param light how light it is
     * @param readings what was measured, in any order
     */
    public record Known(long placeId, List<Double> quartersC, Light light, List<Reading> readings) {
        /** Keeps its own lists. */
        public Known {
            quartersC = List.copyOf(quartersC);
            readings = List.copyOf(readings);
        }
    }

    /**
     * A place, with the warmth of its readings summed up so that any stretch is found at once.
     *
     * @param at when each reading was made
     * @param celsius how warm it was then
     * @param warmth how much faster than at 20 °C things age at that
     * @param warmDaysUntil what the days from the first reading to each count for
     */
    @SuppressWarnings("ArrayRecordComponent")
    private record Stand(
            List<Double> quartersC,
            Light light,
            long[] at,
            double[] celsius,
            double[] warmth,
            double[] warmDaysUntil) {}

    private Climate(double roomC, ZoneId zone) {
        this.roomC = roomC;
        this.months = months(zone);
    }

    /** The same temperature everywhere and always, in °C, in the dark. */
    public static Climate steady(double celsius) {
        return new Climate(celsius, ZoneId.of("UTC"));
    }

    /**
     * The climate of a house.
     *
     * @param roomC how warm it is where nobody knows better, in °C
     * @param zone where its year turns
     * @param places what is known of its places
     */
    public static Climate of(double roomC, ZoneId zone, List<Known> places) {
        Climate climate = new Climate(roomC, zone);
        places.forEach(place -> climate.stands.put(place.placeId(), climate.stand(place)));
        return climate;
    }

    private Stand stand(Known place) {
        List<Reading> sorted = place.readings().stream()
                .sorted(Comparator.comparing(Reading::at))
                .toList();
        long[] at = sorted.stream()
                .mapToLong(reading -> reading.at().getEpochSecond())
                .toArray();
        double[] celsius = sorted.stream().mapToDouble(Reading::celsius).toArray();
        Stand stand = new Stand(
                place.quartersC(),
                place.light(),
                at,
                celsius,
                Arrays.stream(celsius).map(StorageAge::warmth).toArray(),
                new double[at.length]);
        for (int i = 1; i < at.length; i++) {
            stand.warmDaysUntil()[i] = stand.warmDaysUntil()[i - 1] + step(stand, i - 1, at[i - 1], at[i]);
        }
        return stand;
    }

    /** How light it is at a place; dark where nobody knows. */
    public Light light(@Nullable Place place) {
        Stand stand = place == null ? null : stands.get(place.id());
        return stand == null ? Light.DARK : stand.light();
    }

    /** How warm it is at a place at a moment, in °C. */
    public double celsius(@Nullable Place place, Instant at) {
        Stand stand = place == null ? null : stands.get(place.id());
        return stand == null ? roomC : celsius(stand, at.getEpochSecond());
    }

    private double celsius(Stand stand, long at) {
        int last = reading(stand, at);
        return last >= 0 && at - stand.at()[last] <= A_READING_HOLDS_S ? stand.celsius()[last] : season(stand, at);
    }

    /**
     * What the days from one moment to another count for by their warmth, in days of 20 °C.
     *
     * @param place where; null where nobody said
     */
    public double warmDays(@Nullable Place place, Instant from, Instant until) {
        long start = from.getEpochSecond();
        long end = Math.max(start, until.getEpochSecond());
        Stand stand = place == null ? null : stands.get(place.id());
        if (stand == null) {
            return (end - start) / SECONDS_A_DAY * StorageAge.warmth(roomC);
        }
        int first = reading(stand, start) + 1;
        int last = reading(stand, end);
        return first > last
                ? step(stand, last, start, end)
                : step(stand, first - 1, start, stand.at()[first])
                        + stand.warmDaysUntil()[last]
                        - stand.warmDaysUntil()[first]
                        + step(stand, last, stand.at()[last], end);
    }

    /** The same for a stretch within which nothing was read after a reading: that holds for a while, then the season. */
    private double step(Stand stand, int last, long start, long end) {
        double days = 0;
        long at = start;
        long holds = last < 0 ? start : Math.min(end, stand.at()[last] + A_READING_HOLDS_S + 1);
        if (holds > at) {
            days += (holds - at) / SECONDS_A_DAY * stand.warmth()[last];
            at = holds;
        }
        while (at < end) {
            long next = Math.min(end, months[monthAt(at) + 1]);
            days += (next - at) / SECONDS_A_DAY * StorageAge.warmth(season(stand, at));
            at = next;
        }
        return days;
    }

    /** The last reading that is not later; -1 for none. */
    private static int reading(Stand stand, long at) {
        int found = Arrays.binarySearch(stand.at(), at);
        return found >= 0 ? found : -found - 2;
    }

    private double season(Stand stand, long at) {
        int monthOfYear = (monthAt(at) + 1) % MONTHS_A_YEAR;
        return stand.quartersC().get(monthOfYear / MONTHS_A_QUARTER);
    }

    /** The month that a moment lies in, counted from January of the first year; the ends go on for ever. */
    private int monthAt(long at) {
        int found = Arrays.binarySearch(months, at);
        return Math.max(0, Math.min(months.length - 2, found >= 0 ? found : -found - 2));
    }

    private static long[] months(ZoneId zone) {
        long[] months = new long[YEARS * MONTHS_A_YEAR + 1];
        for (int i = 0; i < months.length; i++) {
            months[i] = LocalDate.of(FIRST_YEAR, 1, 1)
                    .plusMonths(i)
                    .atStartOfDay(zone)
                    .toEpochSecond();
        }
        months[months.length - 1] = Long.MAX_VALUE;
        return months;
    }
}
