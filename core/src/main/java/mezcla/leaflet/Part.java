package mezcla.leaflet;

import org.jspecify.annotations.Nullable;

/**
 * One bottle or sachet of a kit.
 *
 * @param key a short name, unique in the leaflet
 * @param name what is printed on it
 * @param amount how much of it a full kit holds, in its unit
 * @param unit millilitres for a liquid, grams for a powder
 * @param airSensitive whether air spoils it once it is open
 * @param unopenedDays how long it lasts sealed, in days; null where nothing is printed
 * @param openedDays how long it lasts once opened, in days; null where nothing is printed
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
        @Nullable Double valueShare) {
    /** The room that a gram of powder takes in a mix, in ml (rules, 3.1). */
    public static final double ML_PER_GRAM = 0.6;
}
