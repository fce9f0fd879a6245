package mezcla.web.histories;

import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;

/**
 * Which figures every page shows of a batch, a bottle, a kit, film or a member. A route that is missing here fails
 * {@code RoutesTest}, so that a new page cannot stay outside; one that shows some is read by {@link PagesRead} after every step
 * of a history.
 */
public final class ShownFigures {
    private ShownFigures() {}

    /** What a page can show. */
    public enum Figure {
        /** The state's word of a batch. */
        STATE,
        /** The developer's time of its next roll. */
        TIME,
        /** The time of each of its baths. */
        TIMES,
        /** Rolls done and left, or the boxes for them. */
        ROLLS,
        /** The last day on which a bath is good. */
        LAST_DAY,
        /** What is in a bottle. */
        VOLUME,
        /** When what is warmed is warm. */
        WARMTH,
        /** What a roll costs: so far, and as printed. */
        COST,
        /** What is left of a kit's parts. */
        PARTS,
        /** What an account comes to. */
        BALANCE,
        /** Entries of the log, which say what they said when they were written. */
        ENTRIES
    }

    /** Every route that answers a GET, with what it shows. */
    public static final Map<String, Set<Figure>> SHOWN = new LinkedHashMap<>();

    private static void shows(Figure first, Figure second, String... routes) {
        for (String route : routes) {
            SHOWN.put(route, EnumSet.of(first, second));
        }
    }

    private static void shows(Figure figure, String... routes) {
        for (String route : routes) {
            SHOWN.put(route, EnumSet.of(figure));
        }
    }

    private static void showsNone(String... routes) {
        for (String route : routes) {
            SHOWN.put(route, EnumSet.noneOf(Figure.class));
        }
    }

    static {
        shows(Figure.STATE, Figure.TIME, "/shelf", "/run", "/wall/{secret}", "/wall-sheet");
        SHOWN.put(
                "/batches/{id}",
                EnumSet.of(Figure.STATE, Figure.TIME, Figure.TIMES, Figure.ROLLS, Figure.VOLUME, Figure.COST));
        shows(Figure.STATE, Figure.TIMES, "/batches/{id}/run", "/batches/{id}/card");
        shows(Figure.ROLLS, Figure.LAST_DAY, "/batches/{id}/labels");
        shows(Figure.LAST_DAY, "/calendar/{secret}.ics");
        shows(Figure.STATE, Figure.LAST_DAY, "/week");
        shows(Figure.WARMTH, "/batches/{id}/warm-up");
        shows(Figure.TIME, Figure.WARMTH, "/evening", "/queue");
        shows(Figure.VOLUME, "/fills/{id}");
        shows(Figure.PARTS, "/cupboard", "/kits/{id}");
        shows(Figure.COST, Figure.BALANCE, "/money");
        shows(Figure.COST, "/money/month");
        shows(Figure.BALANCE, "/money/account", "/money/film", "/money/film.csv", "/money/month.csv", "/mine");
        shows(Figure.ENTRIES, "/journal", "/journal.csv", "/journal.jsonl", "/house/decisions");
    }

    static {
        showsNone(
                "/",
                "/adopt",
                "/batches/{id}/leaflet",
                "/batches/{id}/looks/{run}",
                "/batches/{id}/renew",
                "/begin",
                "/bench",
                "/codes/{code}",
                "/fills/{id}/look",
                "/fills/{id}/top-up",
                "/guide",
                "/health",
                "/house",
                "/house/access",
                "/house/bath",
                "/house/begin",
                "/house/clock",
                "/house/data",
                "/house/data/copies/{name}",
                "/house/data/house.zip",
                "/house/members",
                "/house/members/{id}",
                "/house/outside",
                "/house/places",
                "/house/read-in",
                "/house/read-in/kept",
                "/house/stand-ins",
                "/house/strictness",
                "/house/things",
                "/house/this",
                "/house/ways",
                "/house/you",
                "/house/{list}/new",
                "/house/{list}/{id}",
                "/journal/writers",
                "/journal/{sequence}/void",
                "/kits/new",
                "/kits/{id}/labels",
                "/kits/{id}/mix",
                "/kits/{id}/mix/card",
                "/leaflets",
                "/leaflets/drafts/{id}",
                "/leaflets/import",
                "/leaflets/new",
                "/leaflets/{id}",
                "/leaflets/{id}/evidence",
                "/leaflets/{id}/file",
                "/leaflets/{id}/gear",
                "/leaflets/{id}/retype",
                "/leaflets/{id}/switch",
                "/me",
                "/mixes/{id}",
                "/mixes/{id}/labels",
                "/money/kits",
                "/money/kits/seasons",
                "/money/prices",
                "/more",
                "/photos/{name}",
                "/practice",
                "/practice/begin",
                "/practice/loading",
                "/practice/members",
                "/practice/reports/{id}",
                "/practice/{leaflet}",
                "/probes",
                "/queue/labels",
                "/queue/new",
                "/runs/{started}",
                "/runs/{started}/events",
                "/runs/{started}/ribbon",
                "/sign-in",
                "/signs",
                "/walk",
                "/waste",
                "/who");
    }
}
