package mezcla.leaflet;

import org.jspecify.annotations.Nullable;

/**
 * One part going into a bath, for the volume that the recipe is printed for.
 *
 * @param part the key of the part
 * @param amount how much, in the part's unit
 * @param unit in what the part is measured
 * @param care how exactly it must be measured
 * @param waitMinutes how long to wait or stir after it; null for none
 * @param note what the leaflet says about it; null for nothing
 * @param waterAfterMl water that goes in between it and what follows, in ml; 0 for none
 */
public record Addition(
        String part,
        double amount,
        Unit unit,
        Care care,
        @Nullable Integer waitMinutes,
        @Nullable String note,
        double waterAfterMl) {
    /** A part that no water follows before the next. */
    public Addition(
            String part, double amount, Unit unit, Care care, @Nullable Integer waitMinutes, @Nullable String note) {
        this(part, amount, unit, care, waitMinutes, note, 0);
    }

    /** How exactly a part must be measured (rules, 3.1). */
    public enum Care {
        /** Within 2 %. */
        CRITICAL(0.02),
        /** Within 5 %. */
        NORMAL(0.05),
        /** Within 10 %. */
        COARSE(0.10);

        private final double tolerance;

        Care(double tolerance) {
            this.tolerance = tolerance;
        }

        /** The largest relative error that does no harm. */
        public double tolerance() {
            return tolerance;
        }
    }
}
