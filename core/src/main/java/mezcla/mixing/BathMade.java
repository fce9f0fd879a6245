package mezcla.mixing;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.function.ToDoubleFunction;
import mezcla.leaflet.Addition;
import mezcla.leaflet.Recipe;
import mezcla.measure.Slack;

/**
 * What a bath has become with what was really poured (rules, 3.1).
 *
 * @param levelMl how much stands in the jug, in ml
 * @param overTheMarkMl how far that is above the volume wanted, in ml; 0 when it is not
 * @param deviations parts that are stronger or weaker than planned by more than they tolerate, in the order of the plan
 */
public record BathMade(double levelMl, double overTheMarkMl, List<Deviation> deviations) {
    /**
     * A part that turned out otherwise.
     *
     * @param part the part's key
     * @param percent how much stronger; below zero for weaker
     * @param missing how much more of it makes that as planned, in its unit; 0 where it is stronger
     */
    public record Deviation(String part, double percent, double missing) {}

    static BathMade of(MixPlan mix, List<BenchAct> done, ToDoubleFunction<BenchAct> really) {
        double level = 0;
        double planned = 0;
        boolean toppedUp = false;
        for (BenchAct act : done) {
            double amount = really.applyAsDouble(act);
            switch (act.kind()) {
                case WATER, RINSE_MEASURE -> {
                    level += amount;
                    planned += act.amount();
                }
                case PART -> {
                    level += act.unit().roomMl(amount);
                    planned += act.unit().roomMl(act.amount());
                }
                case TOP_UP -> {
                    level = Math.max(level, amount);
                    toppedUp = true;
                }
                case WAIT, BOTTLE, RINSE_ALL -> {}
            }
        }
        double over = Slack.exceeds(level, mix.finalMl()) ? level - mix.finalMl() : 0;
        double becomes = mix.recipe().mode() != Recipe.Mode.TOP_UP
                ? mix.finalMl() + level - planned
                : toppedUp ? level : Math.max(level, mix.finalMl());
        List<Deviation> deviations = new ArrayList<>();
        for (BenchAct act : done) {
            if (act.kind() == BenchAct.Kind.PART) {
                double strength = really.applyAsDouble(act) / act.amount() * mix.finalMl() / becomes;
                Addition addition = Objects.requireNonNull(act.planned()).addition();
                if (Slack.exceeds(Math.abs(strength - 1), addition.care().tolerance())) {
                    double wanted = act.amount() * becomes / mix.finalMl();
                    double missing = Math.max(0, wanted - really.applyAsDouble(act));
                    deviations.add(new Deviation(addition.part(), (strength - 1) * 100, missing));
                }
            }
        }
        return new BathMade(level, over, deviations);
    }
}
