package mezcla.web.words.verdict;

import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import mezcla.verdict.BatchVerdict;
import mezcla.verdict.EarlyWarning;
import mezcla.verdict.Reason;
import mezcla.verdict.RunPlan;
import mezcla.verdict.RunQuestion;
import mezcla.verdict.School;
import mezcla.verdict.State;
import mezcla.web.words.Figures;
import mezcla.web.words.ObjectionWords;

/** States as members read them. */
public final class StateWords {
    private StateWords() {}

    /** The state's word: {@code Add time}, {@code Renew developer}. */
    public static String of(RunPlan plan) {
        if (barred(plan)) {
            return "Barred";
        }
        List<String> missing = missing(plan);
        if (!missing.isEmpty()) {
            return "Mix " + (missing.size() > 2 ? missing.size() + " baths" : String.join(", ", missing));
        }
        List<String> renew = toRenew(plan);
        if (plan.verdict().state() == State.DISCARD && !renew.isEmpty()) {
            return "Renew " + (renew.size() > 2 ? renew.size() + " baths" : String.join(", ", renew));
        }
        return of(plan.verdict().state());
    }

    /** The state's word, taken alone. */
    public static String of(State state) {
        return switch (state) {
            case GOOD -> "Ready";
            case EXTEND -> "Add time";
            case LAST -> "Last rolls";
            case CHECK -> "Test first";
            case DISCARD -> "Retire";
        };
    }

    /** The state's key, for its look; a batch that is barred or lacks a bath looks like one that has to go. */
    public static String key(RunPlan plan) {
        State state = barred(plan) || !missing(plan).isEmpty()
                ? State.DISCARD
                : plan.verdict().state();
        return state.name().toLowerCase(Locale.ROOT);
    }

    private static boolean barred(RunPlan plan) {
        return plan.baths().stream().anyMatch(bath -> bath.fill().bar() != null);
    }

    /** The baths that it lacks, so that it takes no film. */
    public static List<String> missing(RunPlan plan) {
        return plan.lacking().stream().map(role -> Figures.within(role.name())).toList();
    }

    /** The baths that have to go while the rest is sound. */
    public static List<String> toRenew(RunPlan plan) {
        return plan.verdict().toRenew().stream()
                .map(fill -> plan.batch().leaflet().bath(fill.key()).role().name())
                .map(Figures::within)
                .toList();
    }

    /** The reason that set the state, what speaks against the run, or, for a good batch, how far it is used. */
    public static String because(RunPlan plan) {
        if (!plan.fits() && plan.verdict().state() != State.DISCARD) {
            return ObjectionWords.of(plan.objections().get(0));
        }
        List<Reason> reasons = plan.verdict().reasons();
        if (!reasons.isEmpty()) {
            return sentence(plan, reasons.get(0));
        }
        return plan.imageDeveloper()
                .map(RunPlan.PlannedBath::fill)
                .map(fill -> "%s: %s."
                        .formatted(
                                fill.bath().role().name(),
                                fill.bath().oneShot() == null
                                        ? ReasonWords.rollsDone(fill) + " rolls done"
                                        : Figures.ml(fill.volumeMl()) + " left"))
                .orElse("");
    }

    /** A reason as a sentence. */
    public static String sentence(RunPlan plan, Reason reason) {
        return plan.baths().stream()
                .map(RunPlan.PlannedBath::fill)
                .filter(fill -> fill.bath().key().equals(reason.bath()))
                .findFirst()
                .map(fill -> ReasonWords.reason(reason, fill))
                .orElseThrow();
    }

    /** What a batch is good for, in one line. */
    public static String outlook(RunPlan plan) {
        if (barred(plan)) {
            return "Barred: not to be used until a steward lifts it";
        }
        List<String> missing = missing(plan);
        if (!missing.isEmpty()) {
            return "It takes no film without its " + String.join(" and its ", missing);
        }
        BatchVerdict verdict = plan.verdict();
        String left = left(plan);
        return switch (verdict.state()) {
            case GOOD, EXTEND -> left.isEmpty() ? "Good, with no limit printed" : "Good for " + left;
            case LAST -> "Nearly done: " + left;
            case CHECK -> "Test first, then " + left;
            case DISCARD -> {
                List<String> renew = toRenew(plan);
                yield renew.isEmpty()
                        ? "This batch has to go"
                        : "Renew the " + String.join(" and the ", renew) + "; the rest is sound";
            }
        };
    }

    /**
     * What it still allows, while there is time to mix or save film up; empty while there is plenty, and where the
     * verdict says as much itself.
     */
    public static String soon(RunPlan plan) {
        BatchVerdict verdict = plan.verdict();
        return barred(plan) || !missing(plan).isEmpty() || verdict.state() == State.LAST
                ? ""
                : EarlyWarning.of(verdict).map(warning -> soon(warning, plan)).orElse("");
    }

    private static String soon(EarlyWarning warning, RunPlan plan) {
        String until = warning.days() == null ? "" : until(plan) + by(plan, plan.fewestDays());
        if (warning.evenings() == null && warning.rolls() == null) {
            return "Good until " + until;
        }
        String evenings = warning.evenings() == null
                ? Figures.sentence(Figures.number(Objects.requireNonNull(warning.rolls()))) + " more roll"
                        + (warning.rolls() == 1 ? "" : "s")
                : "%s more %s of two rolls"
                        .formatted(
                                Figures.sentence(Figures.number(warning.evenings())),
                                warning.evenings() == 1 ? "evening" : "evenings");
        evenings += by(plan, plan.fewestRolls());
        return until.isEmpty() ? evenings : evenings + ", until " + until;
    }

    /** The last day that a batch allows, marked where it is an estimate; empty for no limit, and where it has to go. */
    public static String until(RunPlan plan) {
        return plan.lastDay()
                .map(day -> (countsTheCalendar(plan) ? "" : "about ") + Figures.day(day))
                .orElse("");
    }

    /** Only printed days are days of the calendar; what is left by how it is stored is an estimate (rules, section 5). */
    private static boolean countsTheCalendar(RunPlan plan) {
        RunQuestion question = plan.question();
        return question.judging().school(plan.batch().process(), question.irreplaceable()) == School.LEAFLET;
    }

    private static String left(RunPlan plan) {
        Double rolls = plan.verdict().rollsLeft();
        Double days = plan.verdict().daysLeft();
        String more = rolls == null
                ? ""
                : Figures.countOfRolls(rolls < 1 ? rolls : Math.floor(rolls + 1e-9))
                                .replaceFirst(" ", " more ")
                        + by(plan, plan.fewestRolls());
        if (days == null) {
            return more;
        }
        String until = days < 1
                ? "today only"
                : (countsTheCalendar(plan) ? "" : "about ")
                        + Figures.countOfDays(Math.floor(days + 1e-9)).replaceFirst(" ", " more ");
        until += by(plan, plan.fewestDays());
        return more.isEmpty() ? until : more + ", or " + until;
    }

    /** The bath that limits it, where it is another one than the developer that people think of. */
    private static String by(RunPlan plan, Optional<RunPlan.PlannedBath> limiting) {
        return limiting.filter(bath -> !plan.batch().isImageDeveloper(bath.fill()))
                .map(bath -> " (" + Figures.within(bath.fill().bath().role().name()) + ")")
                .orElse("");
    }
}
