package mezcla.web.archive;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Set;

/**
 * The tables of a house that go into an archive, in the order in which they can be read in again. What is not here is
 * the log (a file of its own), what only this machine needs, or a secret.
 */
enum HouseTable {
    MEMBER,
    MEMBER_NAME,
    HOUSE,
    TANK,
    TANK_REEL,
    BOTTLE,
    PLACE,
    PLACE_CLIMATE,
    PLACE_READING,
    PLACE_READING_TAKEN_BACK,
    TOOL,
    HEATER,
    JUG,
    DRUM,
    LEAFLET_VERSION,
    LEAFLET_OFFERED,
    SHEET_DRAFT,
    KIT_PROPOSAL,
    LEAFLET_RETYPED,
    KIT,
    WAITING_FILM,
    BATCH,
    FILL,
    SCHOOL_CHOSEN,
    HOUSE_LIMIT,
    STAND_IN,
    MIX_BEGUN,
    MIX_KIT,
    MIX_BATH,
    MIX_LEFT,
    MIX_TICK,
    MIX_ENDED,
    HOUSE_WAY,
    HOUSE_TUB,
    BOTTLE_WARMTH,
    PROBE,
    PROBE_READING,
    SIMULATED_PROBE,
    SIMULATED_BOTTLE,
    EVENING_LOAD,
    PRACTICE,
    LOOK_PHOTO(true),
    RUN_WAY(true),
    RUN_CHOSEN(true),
    RUN_EVENT(true),
    EVENING_LOAD_OVER(true),
    SIGN_OFF(true);

    /** What stays behind: the log itself, sign-ins and secrets, and what only holds for a moment. */
    static final Set<String> LEFT_OUT = Set.of(
            "log_entry",
            "sign_in",
            "at_device",
            "access_record",
            "form_key",
            "secret_address",
            "flyway_schema_history");

    private final boolean afterTheLog;

    HouseTable() {
        this(false);
    }

    HouseTable(boolean afterTheLog) {
        this.afterTheLog = afterTheLog;
    }

    /** What it is called in the database, and what its file is called. */
    String table() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** Whether its rows name rows of the log. */
    boolean isAfterTheLog() {
        return afterTheLog;
    }

    /** The columns that stay behind. */
    Set<String> secrets() {
        return switch (this) {
            case MEMBER -> Set.of("password_hash", "pin_hash");
            case PROBE -> Set.of("token_hash");
            default -> Set.of();
        };
    }

    /** Those that come before the log, or after it. */
    static List<HouseTable> ofTheLog(boolean after) {
        return Arrays.stream(values()).filter(each -> each.afterTheLog == after).toList();
    }
}
