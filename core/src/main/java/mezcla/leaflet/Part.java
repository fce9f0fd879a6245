package mezcla.leaflet;

import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * One bottle or sachet of a kit.
 *
 * @param key a short name, unique in the leaflet
 * @param name what is printed on it
 * @param amount how much of it a full kit holds, in its unit
 * @param unit in what it is measured
 * @param airSensitive whether air spoils it once it is open
 * @param unopenedDays how long it lasts sealed, in days; null where nothing is printed
 * @param openedDays how long it lasts once opened, in days; null where nothing is printed
 * @param inVialsDays how long it lasts in full vials under inert gas, in days; null where nothing is printed
 * @param valueShare its share of the kit's value, 0 to 1; null where nothing is said (rules, section 8)
 */
public record Part(
        String key,
        String name,
        double amount,
        Unit unit,
        boolean airSensitive,
        @Nullable Double unopenedDays,
        @Nullable Double openedDays,
        @Nullable Double inVialsDays,
        @Nullable Double valueShare) {
    private static final Pattern LIQUID = Pattern.compile("(?i)\\b(liquid|solution|concentrate)\\b");

    /** Whether it is a powder: what is weighed is, and a sachet is unless its name says that it is liquid (rules, section 11). */
    public boolean isPowder() {
        return unit == Unit.G || (unit == Unit.SACHET && !LIQUID.matcher(name).find());
    }

    /** A part for whose vials the sheet prints nothing. */
    public Part(
            String key,
            String name,
            double amount,
            Unit unit,
            boolean airSensitive,
            @Nullable Double unopenedDays,
            @Nullable Double openedDays,
            @Nullable Double valueShare) {
        this(key, name, amount, unit, airSensitive, unopenedDays, openedDays, null, valueShare);
    }
}
