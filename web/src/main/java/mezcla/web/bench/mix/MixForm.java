package mezcla.web.bench.mix;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import mezcla.batch.BatchObjection;
import mezcla.leaflet.Bath;
import mezcla.log.AirKept;
import mezcla.measure.Volume;
import mezcla.mixing.MixOrder;
import mezcla.mixing.MixPlan;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.declared.RefusedAt;
import mezcla.web.forms.declared.Sent;
import mezcla.web.forms.declared.Takes;
import mezcla.web.forms.typed.TypedChoice;
import mezcla.web.mixes.MixRequest;
import mezcla.web.words.Figures;
import mezcla.web.words.Units;
import org.jspecify.annotations.Nullable;

/**
 * A mix that is begun, or was made without Mezcla at hand.
 *
 * @param name what the batch is called
 * @param read whether the cautions were read
 * @param mixedOn the day on which it was mixed; empty for now
 * @param place where all of it stands; null where nobody says
 * @param air what keeps air out of all of it; null where nobody says
 * @param bottles the bottle of each bath, by the bath’s key
 */
@RefusedAt(value = "volume", of = "kit=second")
record MixForm(
        @Takes(most = 40) String name,
        boolean read,
        @Takes(asTyped = true) String mixedOn,
        @Takes(or = FormObjection.PlaceMissing.class) @Nullable Long place,
        @Takes(or = FormObjection.UnknownAir.class) @Nullable AirKept air,
        Map<String, String> bottles,
        @Takes(asTyped = true) String second,
        @Takes(asTyped = true) String order,
        @Takes(asTyped = true) String volume,
        @Takes(asTyped = true) String partsFor) {
    /** All that the kit still makes, exactly, whatever it is shown as. */
    static final String ALL = "all";

    /** Whether a bath is mixed: all are until some were picked. */
    static boolean mixes(Sent<?> sent, Bath bath) {
        return !sent.typed("picked").equals("true") || sent.chose("baths", bath.key());
    }

    /**
     * What is asked for; null where it cannot be read, which stands beside the fields.
     *
     * @param kitId the kit
     * @param choice the baths that there are to choose from
     * @param allMl all that the kit still makes, in ml
     */
    static @Nullable MixRequest request(Sent<?> sent, long kitId, List<Bath> choice, double allMl) {
        Volume common = sent.read("volume", () -> parse(sent.typed("volume"), allMl));
        Volume strength = sent.typed("partsFor").isBlank()
                ? common
                : sent.read("partsFor", () -> parse(sent.typed("partsFor"), 0));
        Long helping = sent.typed("second").isEmpty()
                ? null
                : sent.read("second", () -> TypedChoice.number(sent.typed("second"), new BatchObjection.KitsDiffer()));
        Map<String, MixPlan.Wanted> wanted = new LinkedHashMap<>();
        Map<String, String> typed = new HashMap<>();
        boolean all = true;
        for (Bath bath : choice) {
            if (mixes(sent, bath) && common != null && strength != null) {
                String own = sent.typed("volumes[" + bath.key() + "]");
                Volume its = own.isBlank() ? common : sent.read("volume-" + bath.key(), () -> parse(own, allMl));
                if (its == null) {
                    all = false;
                    continue;
                }
                wanted.put(bath.key(), new MixPlan.Wanted(its.ml(), its.ml() * strength.ml() / common.ml()));
                typed.put(bath.key(), asTyped(own.isBlank() ? sent.typed("volume") : own, its));
            }
        }
        MixOrder order = sent.typed("order").isEmpty()
                ? MixOrder.AS_USED
                : sent.read(
                        "order",
                        () -> TypedChoice.of(MixOrder.values(), sent.typed("order"), new FormObjection.UnknownOrder()));
        boolean read = all
                && common != null
                && strength != null
                && (helping != null || sent.typed("second").isEmpty());
        if (wanted.isEmpty() && read) {
            sent.errors().add("baths", new FormObjection.FillsMissing());
        }
        return read && order != null && !wanted.isEmpty()
                ? new MixRequest(helping == null ? List.of(kitId) : List.of(kitId, helping), wanted, typed, order)
                : null;
    }

    private static boolean isAll(String text) {
        return text.strip().equalsIgnoreCase(ALL);
    }

    private static String asTyped(String text, Volume volume) {
        return isAll(text) ? Figures.ml(volume.ml()) : MixView.asTyped(text);
    }

    private static Volume parse(String text, double allMl) {
        return isAll(text) && allMl > 0
                ? Volume.ofMl(allMl)
                : Volume.parse(text, Units.shown().volume());
    }
}
