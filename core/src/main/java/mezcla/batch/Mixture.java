package mezcla.batch;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import mezcla.leaflet.Bath;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.MixingTemperature;
import mezcla.leaflet.Recipe;
import mezcla.log.PartUse;
import mezcla.mixing.MixWarmth;
import mezcla.mixing.Strength;
import org.jspecify.annotations.Nullable;

/**
 * What a fill was mixed of, beside its sheet (rules, 3.4 and 3.7).
 *
 * @param weakest the strength of its weakest part, 1 as printed
 * @param strongest the strength of its strongest part
 * @param weak whether a part is weaker than its care allows
 * @param strong whether a part is stronger than its care allows
 * @param oldParts whether a part was past its printed life when it went in
 * @param offTemperature whether powder went into water that was colder than its sheet allows
 */
public record Mixture(
        double weakest, double strongest, boolean weak, boolean strong, boolean oldParts, boolean offTemperature) {
    /** As its sheet says, from parts that were good. */
    public static final Mixture AS_PRINTED = new Mixture(1, 1, false, false, false, false);

    /** A mix whose temperature was as it should be, or of which nobody knows. */
    public Mixture(double weakest, double strongest, boolean weak, boolean strong, boolean oldParts) {
        this(weakest, strongest, weak, strong, oldParts, false);
    }

    /** What a strength, the age of parts and the temperature make of a fill. */
    public static Mixture of(Strength strength, boolean oldParts, boolean offTemperature) {
        return new Mixture(
                strength.weakest(), strength.strongest(), strength.weak(), strength.strong(), oldParts, offTemperature);
    }

    /** Whether powder went into water that was too cold for it, by what was measured; null where nobody did (rules, 3.1). */
    public static boolean isOffTemperature(Leaflet leaflet, Bath bath, @Nullable Double measuredC) {
        MixingTemperature printed = bath.recipe().mixingC();
        return printed != null && MixWarmth.of(printed).isOff(measuredC, leaflet.takesPowder(bath));
    }

    /** The same with fresh solution in it whose parts may have been old. */
    Mixture with(boolean moreOldParts) {
        return new Mixture(weakest, strongest, weak, strong, oldParts || moreOldParts, offTemperature);
    }

    /**
     * The strength of a mix by what was really poured (rules, 3.7). A mix whose parts nobody noted is as strong as
     * printed.
     *
     * @param recipe what its sheet says
     * @param uses what was poured, from whatever kit; what is not named was forgotten
     * @param becameMl the volume that it became, in ml
     */
    public static Strength strength(Recipe recipe, List<PartUse> uses, double becameMl) {
        Map<String, Double> poured = new HashMap<>();
        uses.forEach(use -> poured.merge(use.part(), use.amount(), Double::sum));
        Map<String, Double> printed = new HashMap<>();
        recipe.additions().forEach(each -> printed.merge(each.part(), each.amount(), Double::sum));
        List<Double> amounts = recipe.additions().stream()
                .map(each -> uses.isEmpty()
                        ? each.amount() * becameMl / recipe.makesMl()
                        : each.amount()
                                * poured.getOrDefault(each.part(), 0.0)
                                / Objects.requireNonNull(printed.get(each.part())))
                .toList();
        return Strength.of(recipe, amounts, becameMl);
    }

    /** Whether nothing about it is other than its sheet says. */
    public boolean asPrinted() {
        return !weak && !strong && !oldParts && !offTemperature;
    }
}
