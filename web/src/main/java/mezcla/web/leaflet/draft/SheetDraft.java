package mezcla.web.leaflet.draft;

import java.time.Instant;
import mezcla.web.sheets.typed.SheetForm;
import org.jspecify.annotations.Nullable;

/**
 * A sheet that is being typed.
 *
 * @param id its number
 * @param form what was typed so far
 * @param from the version of a leaflet that it began from; null for none
 * @param begunById who began it
 * @param begunBy how they are called
 * @param changedBy who typed last
 * @param changedAt when
 * @param proposed whether a member says that it is ready
 * @param became the version that it became; null while it is in hand
 */
public record SheetDraft(
        long id,
        SheetForm form,
        @Nullable Long from,
        long begunById,
        String begunBy,
        String changedBy,
        Instant changedAt,
        boolean proposed,
        @Nullable Long became) {}
