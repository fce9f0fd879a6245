package mezcla.money;

import java.util.Collections;
import java.util.List;
import mezcla.leaflet.Bath;
import mezcla.leaflet.Leaflet;
import org.joda.money.Money;

/** What a batch cost that stood there before the log began (rules, 3.6 and section 8). */
public final class TakenOver {
    private TakenOver() {}

    /**
     * A bath that stands there.
     *
     * @param bath what the leaflet says of it
     * @param volumeMl how much of it stands there, in ml
     */
    public record Standing(Bath bath, double volumeMl) {}

    /**
     * Shares what all of a batch cost over its baths: by the value of what went into each, equally where nothing is worth
     * anything.
     *
     * @param total what all of them cost
     * @param leaflet what they were mixed by
     * @param baths the baths, one at least
     * @return a share for each, in their order; they add up to the total
     */
    public static List<Money> shared(Money total, Leaflet leaflet, List<Standing> baths) {
        List<Double> worth = baths.stream()
                .map(standing -> worth(leaflet, standing.bath())
                        * standing.volumeMl()
                        / standing.bath().recipe().finalMl())
                .toList();
        boolean some = worth.stream().anyMatch(each -> each > 0);
        return Sharing.split(total, some ? worth : Collections.nCopies(baths.size(), 1.0));
    }

    /** What the parts of a whole recipe are worth, as a share of the kit. */
    private static double worth(Leaflet leaflet, Bath bath) {
        return bath.recipe().additions().stream()
                .mapToDouble(addition -> leaflet.valueShare(addition.part())
                        * addition.amount()
                        / leaflet.part(addition.part()).amount())
                .sum();
    }
}
