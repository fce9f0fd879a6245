package mezcla.web.leaflet;

import java.util.Map;
import mezcla.log.LeafletRevised;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.typed.TypedChoice;
import mezcla.web.forms.typed.TypedText;
import org.jspecify.annotations.Nullable;

/**
 * Why a leaflet gets another version, as whoever saves it says.
 *
 * @param why why
 * @param reason what was wrong, or where the other print came from
 */
public record WhyRevised(LeafletRevised.Why why, String reason) {
    private static final int REASON_CHARACTERS = 200;

    /** Reads the fields {@code why} and {@code revised}; null where they say too little, which stands beside them. */
    public static @Nullable WhyRevised of(Map<String, String> typed, FieldErrors errors) {
        LeafletRevised.Why why = errors.read(
                "why",
                () -> TypedChoice.of(
                        new LeafletRevised.Why[] {LeafletRevised.Why.MISTYPED, LeafletRevised.Why.ANOTHER_PRINT},
                        typed.getOrDefault("why", ""),
                        new FormObjection.WhyRevisedMissing()));
        String reason = errors.read(
                "revised",
                () -> TypedText.of(
                        typed.getOrDefault("revised", ""), REASON_CHARACTERS, new FormObjection.ReasonMissing()));
        return why == null || reason == null ? null : new WhyRevised(why, reason);
    }
}
