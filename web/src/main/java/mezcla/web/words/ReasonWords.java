package mezcla.web.words;

import mezcla.batch.FillState;
import mezcla.leaflet.Range;
import mezcla.verdict.Reason;

/** Why fills stand as they do, in sentences. */
public final class ReasonWords {
    private ReasonWords() {}

    /** Why a fill stands as it does, with its figures. */
    public static String reason(Reason reason, FillState fill) {
        return fill.bath().role().name() + ": " + because(reason, fill) + ".";
    }

    static String because(Reason reason, FillState fill) {
        String figure = Figures.rolls(reason.figure());
        String limit = Figures.rolls(reason.limit());
        return switch (reason.code()) {
            case CONTAMINATED -> "another solution got into it";
            case DEVELOPER_BLACK -> "it has gone black, so it is dead";
            case SLUDGE -> "there is sludge in it";
            case BAD_RESULT -> "film came out with a heavy cast or heavy grain, put down to it";
            case USED_UP ->
                Figures.ml(reason.figure()) + " left, and the smallest tank takes " + Figures.ml(reason.limit());
            case OVER_ROLLS ->
                "%s of %s done, and %s stops there"
                        .formatted(
                                figure,
                                Figures.rolls(reason.limit()) + " rolls",
                                reason.limitOf() == Reason.LimitOf.LEAFLET ? "the leaflet" : "the house");
            case OVER_AGE -> overAge(reason, figure, limit);
            case WORN ->
                "rolls and age together are at %s %% of what careful use allows"
                        .formatted(Figures.plain(reason.figure() * 100, 0));
            case NEARLY_WORN ->
                "rolls and age together are at %s %% of what careful use allows; test first"
                        .formatted(Figures.plain(reason.figure() * 100, 0));
            case WEAK_BLEACH_FIX -> "film stayed milky when dry; that film can go through a good one once more";
            case TEST_ROLLS ->
                "%s of %s rolls done; from %s on the leaflet says to test first"
                        .formatted(figure, mostRolls(fill), limit);
            case TEST_AGE ->
                "%s of %s days old; from %s days on, test before film that matters"
                        .formatted(figure, mostDays(fill), limit);
            case WARM_STORAGE ->
                "stored as if for %s days (estimate), and the %s allows %s"
                        .formatted(
                                Figures.plain(reason.figure(), 1),
                                reason.limitOf() == Reason.LimitOf.HOUSE ? "house" : "leaflet",
                                limit);
            case FEW_ROLLS_LEFT -> fewRolls(reason, fill);
            case FEW_DAYS_LEFT ->
                reason.figure() < 1
                        ? "today is the last of its %s days".formatted(mostDays(fill))
                        : "%s left of %s".formatted(Figures.countOfDays(reason.figure()), mostDays(fill));
            case MORE_TIME ->
                "%s rolls done%s, so %s more than fresh"
                        .formatted(
                                rollsDone(fill),
                                fill.trimPercent() == 0 ? "" : " and trim " + Figures.percent(fill.trimPercent()),
                                Figures.seconds(reason.figure()));
        };
    }

    /** The stretch school goes by how a fill was stored; printed limits and the house's own go by the calendar. */
    private static String overAge(Reason reason, String figure, String limit) {
        return switch (reason.limitOf()) {
            case LEAFLET -> "%s days old, and the leaflet allows %s".formatted(figure, limit);
            case STRETCH -> "as old as %s days (estimate), and the house allows %s".formatted(figure, limit);
            case HOUSE, CAREFUL, NOBODY -> "%s days old, and the house allows %s".formatted(figure, limit);
        };
    }

    private static String fewRolls(Reason reason, FillState fill) {
        if (fill.bath().oneShot() != null) {
            return "%s left, enough for %s"
                    .formatted(
                            Figures.ml(fill.volumeMl()),
                            reason.figure() < 1 ? "no run in this tank" : Figures.countOfRolls(reason.figure()));
        }
        return reason.figure() <= 0
                ? "no rolls left of " + mostRolls(fill)
                : "%s left of %s".formatted(Figures.countOfRolls(reason.figure()), mostRolls(fill));
    }

    /** How far a fill is used: {@code 7 of 18}, or {@code 7} where no limit is printed. */
    public static String rollsDone(FillState fill) {
        String done = Figures.rolls(fill.scaledRolls() / fill.wearPerRoll());
        return fill.bath().capacity() == null ? done : done + " of " + mostRolls(fill);
    }

    private static String mostRolls(FillState fill) {
        Range capacity = fill.bath().capacity();
        return capacity == null
                ? "any number"
                : Figures.rolls(capacity.max() / fill.wearPerRoll()) + (capacity.house() ? " (house)" : "");
    }

    private static String mostDays(FillState fill) {
        Range life = fill.bath().lifeDays();
        return life == null ? "any number" : Figures.plain(life.max(), 0) + (life.house() ? " (house)" : "");
    }
}
