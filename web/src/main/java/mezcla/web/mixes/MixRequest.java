package mezcla.web.mixes;

import java.util.List;
import java.util.Map;
import mezcla.mixing.MixOrder;
import mezcla.mixing.MixPlan;

/**
 * What shall be mixed.
 *
 * @param kits the kits that it is mixed from, the first one's parts first
 * @param wanted how much of which bath, by its key
 * @param typed what was typed for that, by the bath's key
 * @param order in which order the baths are mixed
 */
public record MixRequest(
        List<Long> kits, Map<String, MixPlan.Wanted> wanted, Map<String, String> typed, MixOrder order) {
    /** In the order of use. */
    public MixRequest(List<Long> kits, Map<String, MixPlan.Wanted> wanted, Map<String, String> typed) {
        this(kits, wanted, typed, MixOrder.AS_USED);
    }
}
