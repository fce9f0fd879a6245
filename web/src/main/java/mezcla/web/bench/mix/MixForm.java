package mezcla.web.bench.mix;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import mezcla.batch.BatchObjection;
import mezcla.leaflet.Bath;
import mezcla.measure.Refusal;
import mezcla.measure.Volume;
import mezcla.mixing.MixPlan;
import mezcla.web.bench.begun.MixRequest;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.typed.TypedChoice;
import mezcla.web.words.Figures;
import mezcla.web.words.Units;
import org.jspecify.annotations.Nullable;

/** What a member typed about a mix, as it was typed. */
public class MixForm {
    /** All that the kit still makes, exactly, whatever it is shown as. */
    static final String ALL = "all";

    private String volume = "";
    private String partsFor = "";
    private String second = "";
    private boolean picked;
    private boolean warmestFirst;

    /** Whether the bath with the warmest water is mixed first. */
    public boolean isWarmestFirst() {
        return warmestFirst;
    }

    public void setWarmestFirst(boolean warmestFirst) {
        this.warmestFirst = warmestFirst;
    }

    private List<String> baths = new ArrayList<>();
    private Map<String, String> volumes = new HashMap<>();
    private String name = "";
    private Map<String, String> bottles = new HashMap<>();
    private boolean read;
    private String mixedOn = "";
    private String formKey = "";

    public String getVolume() {
        return volume;
    }

    public void setVolume(String volume) {
        this.volume = volume;
    }

    /** The volume for which the parts are measured; empty for as printed. */
    public String getPartsFor() {
        return partsFor;
    }

    public void setPartsFor(String partsFor) {
        this.partsFor = partsFor;
    }

    /** Another kit that helps out; empty for none. */
    public String getSecond() {
        return second;
    }

    public void setSecond(String second) {
        this.second = second;
    }

    /** Whether baths were picked at all; all are meant until then. */
    public boolean isPicked() {
        return picked;
    }

    public void setPicked(boolean picked) {
        this.picked = picked;
    }

    /** The baths that are mixed. */
    public List<String> getBaths() {
        return baths;
    }

    public void setBaths(List<String> baths) {
        this.baths = baths;
    }

    /** Volumes of baths that differ from the others, by the bath's key. */
    public Map<String, String> getVolumes() {
        return volumes;
    }

    public void setVolumes(Map<String, String> volumes) {
        this.volumes = volumes;
    }

    public String getName() {
        return name;
    }

    public void setName(String name) {
        this.name = name;
    }

    /** The bottle chosen for each bath, by the bath's key. */
    public Map<String, String> getBottles() {
        return bottles;
    }

    public void setBottles(Map<String, String> bottles) {
        this.bottles = bottles;
    }

    /** Whether the cautions were read. */
    public boolean isRead() {
        return read;
    }

    public void setRead(boolean read) {
        this.read = read;
    }

    /** The day on which it was mixed without Mezcla at hand; empty for now. */
    public String getMixedOn() {
        return mixedOn;
    }

    public void setMixedOn(String mixedOn) {
        this.mixedOn = mixedOn;
    }

    public String getFormKey() {
        return formKey;
    }

    public void setFormKey(String formKey) {
        this.formKey = formKey;
    }

    /** Whether a bath is mixed. */
    public boolean mixes(Bath bath) {
        return !picked || baths.contains(bath.key());
    }

    /**
     * What is asked for, where it can be read.
     *
     * @param kitId the kit
     * @param choice the baths that there are to choose from
     * @param allMl all that the kit still makes, in ml
     * @param errors where refusals are put
     */
    @Nullable
    MixRequest request(long kitId, List<Bath> choice, double allMl, FieldErrors errors) {
        Volume common = errors.read("volume", () -> parse(volume, allMl));
        Volume strength = partsFor.isBlank() ? common : errors.read("partsFor", () -> parse(partsFor));
        Long helping = second.isEmpty()
                ? null
                : errors.read("second", () -> TypedChoice.number(second, new BatchObjection.KitsDiffer()));
        Map<String, MixPlan.Wanted> wanted = new LinkedHashMap<>();
        Map<String, String> typed = new HashMap<>();
        for (Bath bath : choice) {
            if (mixes(bath) && common != null && strength != null) {
                String own = volumes.getOrDefault(bath.key(), "");
                Volume its = own.isBlank() ? common : errors.read("volume-" + bath.key(), () -> parse(own, allMl));
                if (its != null) {
                    wanted.put(bath.key(), new MixPlan.Wanted(its.ml(), its.ml() * strength.ml() / common.ml()));
                    typed.put(bath.key(), asTyped(own.isBlank() ? volume : own, its));
                }
            }
        }
        if (wanted.isEmpty() && errors.none()) {
            errors.add("baths", Refusal.of(new FormObjection.FillsMissing()));
        }
        return errors.none()
                ? new MixRequest(
                        helping == null ? List.of(kitId) : List.of(kitId, helping), wanted, typed, warmestFirst)
                : null;
    }

    private static boolean isAll(String text) {
        return text.strip().equalsIgnoreCase(ALL);
    }

    private static String asTyped(String text, Volume volume) {
        return isAll(text) ? Figures.ml(volume.ml()) : MixView.asTyped(text);
    }

    private static Volume parse(String text, double allMl) {
        return isAll(text) && allMl > 0 ? Volume.ofMl(allMl) : parse(text);
    }

    private static Volume parse(String text) {
        return Volume.parse(text, Units.shown().volume());
    }
}
