package mezcla.web.label;

import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import mezcla.leaflet.Bath;
import mezcla.measure.Slack;
import mezcla.verdict.FillLimits;
import mezcla.verdict.Reason;
import mezcla.verdict.State;
import mezcla.web.words.Figures;

/** What a fill is good for in all, in words. */
final class LimitWords {
    private LimitWords() {}

    /** Rolls and days from mixing on, as {@code 8–10 rolls or 28–42 days}, each with whose it is where no sheet prints it. */
    static String limits(FillLimits limits, ZoneId zone) {
        List<String> said = new ArrayList<>();
        Bath bath = limits.fill().bath();
        Bath.OneShot oneShot = bath.oneShot();
        Double all = limits.rollsInAll();
        if (oneShot != null) {
            said.add(stock(bath, oneShot));
        } else if (all != null) {
            String most = Figures.rolls(all);
            Double test = limits.rollsTestedFrom();
            said.add("%s roll%s%s"
                    .formatted(
                            test != null && Slack.exceeds(all, test) ? Figures.rolls(test) + "–" + most : most,
                            most.equals("1") ? "" : "s",
                            whose(limits.whoseRolls())));
        }
        LocalDate last = limits.lastDay();
        if (last != null) {
            LocalDate mixed = LocalDate.ofInstant(limits.fill().mixedAt(), zone);
            String most = days(mixed, last);
            LocalDate test = limits.dayTestedFrom();
            said.add("%s day%s%s"
                    .formatted(
                            test != null && test.isBefore(last) ? days(mixed, test) + "–" + most : most,
                            most.equals("1") ? "" : "s",
                            whose(limits.whoseDays())));
        }
        return said.isEmpty() ? "No limit printed" : Figures.sentence(String.join(" or ", said));
    }

    /** The days that matter: from when it is tested first, and its last; that it has to go, where it has. */
    static String dates(FillLimits limits) {
        if (limits.state() == State.DISCARD) {
            return "Not to be used any more";
        }
        LocalDate last = limits.lastDay();
        if (last == null) {
            return "";
        }
        String about = isEstimate(limits.whoseDays()) ? "about " : "";
        LocalDate test = limits.dayTestedFrom();
        String until = "last day " + about + Figures.dayAndYear(last);
        return Figures.sentence(
                test == null || test.isAfter(last)
                        ? until
                        : "test from %s%s, %s".formatted(about, Figures.day(test), until));
    }

    private static boolean isEstimate(Reason.LimitOf whose) {
        return whose == Reason.LimitOf.CAREFUL || whose == Reason.LimitOf.STRETCH;
    }

    private static String days(LocalDate from, LocalDate to) {
        return Long.toString(ChronoUnit.DAYS.between(from, to));
    }

    /** Said wherever a limit is not what the sheet prints. */
    static String whose(Reason.LimitOf whose) {
        return switch (whose) {
            case HOUSE, STAND_IN -> " (house)";
            case CAREFUL -> " (careful)";
            case STRETCH -> " (stretched)";
            case LEAFLET, NOBODY -> "";
        };
    }

    private static String stock(Bath bath, Bath.OneShot oneShot) {
        return oneShot.waterParts() == 0
                ? "stock, used as it is and poured to waste after each run"
                : "stock: %s + %s with water at %s for each run, then to waste"
                        .formatted(
                                Figures.plain(oneShot.stockParts(), 1),
                                Figures.plain(oneShot.waterParts(), 1),
                                Figures.celsius(bath.timing().atC()));
    }
}
