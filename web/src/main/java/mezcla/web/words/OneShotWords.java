package mezcla.web.words;

import java.util.Objects;
import mezcla.leaflet.Bath;
import mezcla.verdict.RunPlan;

/** How a one-shot is made ready, said wherever it is poured (rules, 4.8). */
public final class OneShotWords {
    private OneShotWords() {}

    /** What to put together before it is poured. */
    public static String mix(Bath bath, double stockMl) {
        Bath.OneShot oneShot = Objects.requireNonNull(bath.oneShot());
        double water = stockMl * oneShot.waterParts() / oneShot.stockParts();
        return water == 0
                ? "Measure %s".formatted(Figures.ml(stockMl))
                : "Mix %s of stock and %s of water at %s"
                        .formatted(
                                Figures.ml(stockMl),
                                Figures.ml(water),
                                Figures.celsius(bath.timing().atC()));
    }

    /** What goes together, and where it goes afterwards. */
    public static String mixed(RunPlan.PlannedBath planned) {
        double water = planned.waterMl();
        String temperature = Figures.celsius(planned.fill().bath().timing().atC());
        return water == 0
                ? "one-shot: %s of stock at %s; afterwards to waste, never back"
                        .formatted(Figures.ml(planned.takesMl()), temperature)
                : "one-shot: %s of stock and %s of water, both at %s; afterwards to waste, never back"
                        .formatted(Figures.ml(planned.takesMl()), Figures.ml(water), temperature);
    }
}
