package mezcla.web.words;

import mezcla.verdict.RunPlan;

/** How a one-shot is made ready, said wherever it is poured (rules, 4.8). */
public final class OneShotWords {
    private OneShotWords() {}

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
