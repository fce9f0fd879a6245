package mezcla.web.sheets;

import mezcla.log.LeafletRevised;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.declared.Sent;
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
    public static @Nullable WhyRevised of(Sent<?> sent) {
        LeafletRevised.Why why = sent.read(
                "why",
                () -> TypedChoice.of(
                        new LeafletRevised.Why[] {LeafletRevised.Why.MISTYPED, LeafletRevised.Why.ANOTHER_PRINT},
                        sent.typed("why"),
                        new FormObjection.WhyRevisedMissing()));
        String reason = sent.read(
                "revised",
                () -> TypedText.of(sent.typed("revised"), REASON_CHARACTERS, new FormObjection.ReasonMissing()));
        return why == null || reason == null ? null : new WhyRevised(why, reason);
    }
}
