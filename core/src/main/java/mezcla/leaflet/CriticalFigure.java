package mezcla.leaflet;

import java.util.ArrayList;
import java.util.List;

/**
 * A figure of a sheet that spoils film or chemistry when it is typed wrong. A second member types these again without
 * seeing them (rules, section 1).
 *
 * @param bath the bath's key; empty for a part of the kit
 * @param part the part's key; empty for what is about the bath alone
 * @param kind what it is
 * @param value the figure, in the unit of its kind
 */
public record CriticalFigure(String bath, String part, Kind kind, double value) {
    private static final double SAME = 0.005;

    /** What a figure is. */
    public enum Kind {
        /** How much of a part the kit has, in its unit. */
        KIT_AMOUNT,
        /** The volume that a recipe makes, in ml. */
        MAKES,
        /** The start water, in ml. */
        START_WATER,
        /** How much of a part goes in, in its unit. */
        AMOUNT,
        /** The time in a fresh bath, in seconds. */
        TIME,
        /** The temperature of the bath, in °C. */
        TEMPERATURE,
        /** The most rolls of its capacity. */
        MOST_ROLLS,
        /** The most days of its life. */
        MOST_DAYS
    }

    /** The critical figures of a leaflet, in the order of the sheet. */
    public static List<CriticalFigure> of(Leaflet leaflet) {
        List<CriticalFigure> figures = new ArrayList<>();
        leaflet.parts()
                .forEach(part -> figures.add(new CriticalFigure("", part.key(), Kind.KIT_AMOUNT, part.amount())));
        for (Bath bath : leaflet.baths()) {
            String key = bath.key();
            figures.add(new CriticalFigure(key, "", Kind.MAKES, bath.recipe().finalMl()));
            if (bath.recipe().startWaterMl() > 0) {
                figures.add(new CriticalFigure(
                        key, "", Kind.START_WATER, bath.recipe().startWaterMl()));
            }
            bath.recipe()
                    .additions()
                    .forEach(addition ->
                            figures.add(new CriticalFigure(key, addition.part(), Kind.AMOUNT, addition.amount())));
            figures.add(new CriticalFigure(key, "", Kind.TIME, bath.timing().baseSeconds()));
            figures.add(
                    new CriticalFigure(key, "", Kind.TEMPERATURE, bath.timing().atC()));
            Range capacity = bath.capacity();
            if (capacity != null) {
                figures.add(new CriticalFigure(key, "", Kind.MOST_ROLLS, capacity.max()));
            }
            Range life = bath.lifeDays();
            if (life != null) {
                figures.add(new CriticalFigure(key, "", Kind.MOST_DAYS, life.max()));
            }
        }
        return List.copyOf(figures);
    }

    /** A short name for it, unique in its leaflet. */
    public String id() {
        return String.join("_", kind.name(), bath, part);
    }

    /** Whether a figure that was typed again is the same; a conversion may have rounded it. */
    public boolean agrees(double typed) {
        return Math.abs(typed - value) <= SAME * value + 1e-9;
    }
}
