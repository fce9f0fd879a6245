package mezcla.web.words.verdict;

import mezcla.batch.FillState;
import mezcla.leaflet.Range;
import mezcla.verdict.Reason;
import mezcla.web.words.Figures;
import mezcla.web.words.MixtureWords;
import org.jspecify.annotations.Nullable;

/** Why fills stand as they do, in sentences. */
public final class ReasonWords {
    private ReasonWords() {}

    /** Why a fill stands as it does, with its figures. */
    public static String reason(Reason reason, FillState fill) {
        return fill.bath().role().name() + ": " + because(reason, fill) + ".";
    }

    public static String because(Reason reason, FillState fill) {
        String figure = Figures.rolls(reason.figure());
        String limit = Figures.rolls(reason.limit());
        return switch (reason.code()) {
            case CONTAMINATED -> "another solution got into it";
            case DEVELOPER_BLACK -> "it has gone black, so it is dead";
            case SLUDGE -> "there is sludge in it";
            case BAD_RESULT -> "film came out with a heavy cast or heavy grain, put down to it";
            case USED_UP ->
                reason.limit() == 0
                        ? "nothing is left in its bottle"
                        : Figures.ml(reason.figure()) + " left, and the smallest tank needs at least "
                                + Figures.ml(reason.limit());
            case OVER_ROLLS ->
                "%s done, and %s stops at %s"
                        .formatted(Figures.countOfRolls(reason.figure()), who(reason.limitOf()), limit);
            case OVER_AGE -> overAge(reason, figure, limit);
            case WORN ->
                "rolls and age together are at %s %% of what careful use allows"
                        .formatted(Figures.plain(reason.figure() * 100, 0));
            case NEARLY_WORN ->
                "rolls and age together are at %s %% of what careful use allows; test first"
                        .formatted(Figures.plain(reason.figure() * 100, 0));
            case WEAK_MIX ->
                "mixed %s weaker than printed; %s".formatted(MixtureWords.percent(reason.figure() / 100), test(fill));
            case STRONG_MIX ->
                "mixed %s stronger than printed; %s".formatted(MixtureWords.percent(reason.figure() / 100), test(fill));
            case MIXED_OFF_TEMPERATURE ->
                "mixed in water colder than its leaflet allows, so powder may not have dissolved; " + test(fill);
            case OLD_PARTS -> "mixed from parts past their printed life; " + test(fill);
            case ACCIDENT -> "something went wrong with it in a run; " + test(fill);
            case WEAK_BLEACH_FIX -> "film stayed milky when dry; that film can go through a good one once more";
            case TEST_ROLLS ->
                reason.limitOf() == Reason.LimitOf.STRETCH
                        ? "%s done, past the %s that %s; test first"
                                .formatted(
                                        Figures.countOfRolls(reason.figure()),
                                        limit,
                                        gives(fill.bath().capacity()))
                        : "%s of %s rolls done; from %s on the house tests first"
                                .formatted(figure, mostRolls(fill), limit);
            case TEST_AGE ->
                reason.limitOf() == Reason.LimitOf.STRETCH
                        ? "stored as if for %s days (estimate), past the %s that %s; test first"
                                .formatted(figure, limit, gives(fill.bath().lifeDays()))
                        : "%s of %s days old; from %s days on the house tests first"
                                .formatted(figure, mostDays(fill), limit);
            case WARM_STORAGE ->
                "stored as if for %s days (estimate), and %s allows %s"
                        .formatted(Figures.plain(reason.figure(), 1), who(reason.limitOf()), limit);
            case FEW_ROLLS_LEFT -> fewRolls(reason, fill);
            case FEW_DAYS_LEFT -> fewDays(reason, fill);
            case MORE_TIME ->
                "%s rolls done%s, so %s more than fresh"
                        .formatted(
                                rollsDone(fill),
                                fill.trimPercent() == 0 ? "" : " and trim " + Figures.percent(fill.trimPercent()),
                                Figures.seconds(reason.figure()));
        };
    }

    /** How a mix is tried before film that matters. */
    private static String test(FillState fill) {
        return fill.bath().role().isDeveloper()
                ? "make a clip test first"
                : "look at its first film before more goes in";
    }

    private static String who(Reason.LimitOf whose) {
        return whose == Reason.LimitOf.LEAFLET ? "the leaflet" : "the house";
    }

    private static String gives(@Nullable Range range) {
        return range == null || range.printed() ? "the leaflet prints" : "the house takes";
    }

    /** The stretch school goes by how a fill was stored; printed limits and the house's own go by the calendar. */
    private static String overAge(Reason reason, String figure, String limit) {
        return switch (reason.limitOf()) {
            case STRETCH -> "stored as if for %s days (estimate), and the house allows %s".formatted(figure, limit);
            case STAND_IN -> "%s days old; its sheet prints no life, and the house takes %s".formatted(figure, limit);
            case LEAFLET, HOUSE, CAREFUL, NOBODY ->
                "%s days old, and %s allows %s".formatted(figure, who(reason.limitOf()), limit);
        };
    }

    /** Only days of the calendar are said to be the last; what is left by how it is stored is an estimate. */
    private static String fewDays(Reason reason, FillState fill) {
        boolean estimate = reason.limitOf() == Reason.LimitOf.CAREFUL || reason.limitOf() == Reason.LimitOf.STRETCH;
        double left = reason.figure();
        if (left <= 0 && (left < 0 || estimate)) {
            return estimate
                    ? "no days left as it was stored (estimate)"
                    : "its %s days are over".formatted(mostDays(fill));
        }
        if (estimate) {
            return "%s left as it stands now (estimate)"
                    .formatted(left < 1 ? "less than a day" : "about " + Figures.countOfDays(Math.floor(left)));
        }
        return left < 1
                ? "today is the last of its %s days".formatted(mostDays(fill))
                : "%s left of %s".formatted(Figures.countOfDays(left), mostDays(fill));
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

    /** How far a fill is used: {@code 7 of 18}, or {@code 7} where there is no limit. What is done only ever adds. */
    public static String rollsDone(FillState fill) {
        String done = Figures.rolls(fill.rolls());
        return fill.bath().capacity() == null ? done : done + " of " + mostRolls(fill);
    }

    private static String mostRolls(FillState fill) {
        Range capacity = fill.bath().capacity();
        return capacity == null ? "any number" : Figures.rolls(fill.rollsOf(capacity.max())) + whose(capacity);
    }

    private static String mostDays(FillState fill) {
        Range life = fill.bath().lifeDays();
        return life == null ? "any number" : Figures.plain(life.max(), 0) + whose(life);
    }

    /** Said wherever a limit is not what the sheet prints. */
    public static String whose(Range range) {
        return switch (range.whose()) {
            case PRINTED -> "";
            case HOUSE, STAND_IN -> " (house)";
        };
    }
}
