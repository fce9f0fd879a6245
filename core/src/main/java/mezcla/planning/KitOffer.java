package mezcla.planning;

import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import mezcla.leaflet.Bath;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.Part;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;

/**
 * A kit that can be bought, as far as it matters how much of it to mix at once (rules, section 10).
 *
 * @param name what it is called
 * @param makesMl how much of each bath it makes, in ml
 * @param price what it costs landed
 * @param rollsPerMl roll equivalents that a millilitre of each bath takes, by the bath that gives out first
 * @param lifeWeeks how long a batch lasts, in weeks, by the bath that ages first; null for no limit
 * @param openedWeeks how long what is left of the kit keeps once it was opened, in weeks; null for no limit
 * @param onlyWhole whether it has to be mixed all at once, because something in it only goes in whole
 */
public record KitOffer(
        String name,
        double makesMl,
        Money price,
        double rollsPerMl,
        @Nullable Double lifeWeeks,
        @Nullable Double openedWeeks,
        boolean onlyWhole) {
    private static final double DAYS_IN_A_WEEK = 7;

    /**
     * A kit by its leaflet, whose limits are those that count (stand-ins in their places).
     *
     * @return empty where it lacks a bath that its process needs, so that it is no way to run film, and where none of its baths
     *     has a capacity, so nobody knows what a roll costs
     */
    public static Optional<KitOffer> of(Leaflet leaflet, Money price) {
        boolean complete = leaflet.process()
                .missing(leaflet.baths().stream().map(Bath::role).toList())
                .isEmpty();
        OptionalDouble rolls = leaflet.baths().stream()
                .map(bath -> leaflet.counted(bath.key()))
                .filter(bath -> bath.capacity() != null)
                .mapToDouble(bath ->
                        bath.rollsIn(1, Objects.requireNonNull(bath.capacity()).max()))
                .min();
        if (!complete || rolls.isEmpty() || !(rolls.getAsDouble() > 0)) {
            return Optional.empty();
        }
        OptionalDouble life = leaflet.baths().stream()
                .filter(bath -> bath.lifeDays() != null)
                .mapToDouble(bath -> Objects.requireNonNull(bath.lifeDays()).max())
                .min();
        OptionalDouble opened = leaflet.parts().stream()
                .filter(part -> leaflet.baths().stream().anyMatch(bath -> takes(bath, part)))
                .mapToDouble(part -> keepsDays(leaflet, part))
                .min();
        return Optional.of(new KitOffer(
                leaflet.name(),
                leaflet.makesMl(),
                price,
                rolls.getAsDouble(),
                life.isPresent() ? life.getAsDouble() / DAYS_IN_A_WEEK : null,
                opened.isPresent() ? opened.getAsDouble() / DAYS_IN_A_WEEK : null,
                leaflet.baths().stream().map(Bath::recipe).anyMatch(recipe -> recipe.takesSachets())));
    }

    private static boolean takes(Bath bath, Part part) {
        return bath.recipe().additions().stream()
                .anyMatch(addition -> addition.part().equals(part.key()));
    }

    /** How long what is left of a part keeps: opened, or in vials where that is printed and longer; the house's else. */
    private static double keepsDays(Leaflet leaflet, Part part) {
        Double opened = part.openedDays();
        Double vials = part.inVialsDays();
        double open = opened == null ? leaflet.standInOpenedDays(part) : opened;
        return vials == null ? open : Math.max(open, vials);
    }

    /** The same kit, were its batches to last so many weeks. */
    public KitOffer lasting(double weeks) {
        return new KitOffer(name, makesMl, price, rollsPerMl, weeks, openedWeeks, onlyWhole);
    }
}
