package mezcla.leaflet;

import java.util.Locale;
import mezcla.measure.Mass;
import mezcla.measure.Refusal;
import mezcla.measure.Volume;

/**
 * How much of a part there is or goes in, as it is printed or typed: the unit says whether it is a liquid, a powder, or
 * goes in whole (rules, sections 2 and 3.1).
 *
 * @param value how much, in the unit
 * @param unit ml, g, or whole sachets
 */
public record PrintedAmount(double value, Unit unit) {
    /**
     * Reads an amount whose unit is typed with it: {@code 150 ml}, {@code 60 g}, {@code 5 oz} (a weight), {@code 1 sachet},
     * {@code whole}; a bare number is a volume.
     *
     * @param typed the text
     * @param volume in what a bare number is
     * @throws Refusal what is refused of a volume, a mass or a number of sachets
     */
    public static PrintedAmount parse(String typed, Volume.Unit volume) {
        String text = typed.strip().toLowerCase(Locale.ROOT);
        Unit unit = unitOf(text);
        return new PrintedAmount(in(text, unit, volume), unit);
    }

    /**
     * Reads an amount of a part whose unit is known.
     *
     * @param typed the text
     * @param unit in what the part is measured
     * @param volume in what a bare volume is
     * @return how much, in that unit
     * @throws Refusal what is refused of a volume, a mass or a number of sachets
     */
    public static double in(String typed, Unit unit, Volume.Unit volume) {
        return switch (unit) {
            case ML -> Volume.parse(typed, volume).ml();
            case G -> Mass.parse(typed).grams();
            case SACHET -> SheetLines.sachets(typed);
        };
    }

    /** Whether it is an ounce of which nobody says whether it weighs or measures: it is taken as a weight (rules, section 2). */
    public static boolean isPlainOunce(String typed) {
        return typed.strip().toLowerCase(Locale.ROOT).matches("[^a-z]*(oz|ounces?)\\.?");
    }

    private static Unit unitOf(String text) {
        if (text.matches(".*(whole|sachet|packet|tablet|bag|pouch|envelope).*")) {
            return Unit.SACHET;
        }
        return text.matches(".*[0-9\\s](kg|g|grams?)") || text.matches("[^a-z]*(oz|ounces?)") ? Unit.G : Unit.ML;
    }
}
