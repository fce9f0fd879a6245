package mezcla.verdict;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import mezcla.batch.BatchObjection;
import mezcla.batch.BatchState;
import mezcla.batch.FillState;
import mezcla.batch.StorageAge;
import mezcla.batch.Wear;
import mezcla.leaflet.Bath;
import mezcla.leaflet.Timing;
import mezcla.log.RunBath;
import mezcla.measure.Objection;
import mezcla.measure.ProcessingTime;
import mezcla.measure.Refusal;
import mezcla.measure.Slack;
import mezcla.processing.RunSteps;
import mezcla.processing.RunTime;
import org.jspecify.annotations.Nullable;

/**
 * A run through a batch: the time in each bath, the verdict, and what speaks against it (rules, sections 4 and 6). A
 * plan with objections is refused; film that was processed all the same is logged with {@link #against()}.
 *
 * @param batch the batch
 * @param question what was asked
 * @param baths its fills that still stand, in the order of use
 * @param verdict how the batch stands for this run
 * @param objections what speaks against it; empty for a run that fits
 */
public record RunPlan(
        BatchState batch,
        RunQuestion question,
        List<PlannedBath> baths,
        BatchVerdict verdict,
        List<Objection> objections) {
    /**
     * A fill in the plan.
     *
     * @param fill the fill
     * @param time how long the film stays in it; null where the leaflet has no answer
     * @param verdict how it stands for this run
     * @param takesMl what the tank takes of the bottle, in ml
     */
    public record PlannedBath(FillState fill, @Nullable RunTime time, FillVerdict verdict, double takesMl) {
        /** The time as shown; empty where the leaflet has no answer. */
        public Optional<ProcessingTime> shown() {
            return Optional.ofNullable(time).map(RunTime::shown);
        }

        /** Whether everything for which it should go is a limit that was passed on purpose. */
        boolean passedOnPurpose() {
            return verdict.reasons().stream()
                    .map(Reason::code)
                    .filter(code -> code.state() == State.DISCARD)
                    .allMatch(code -> code.canBePassed() && fill.overrides(code.words()));
        }
    }

    /**
     * Plans a run.
     *
     * @param asLogged the batch; what of it was discarded stays out
     * @param question what film, in what tank, when
     * @throws Refusal {@code batch-ended} when nothing of it stands on the shelf
     */
    public static RunPlan of(BatchState asLogged, RunQuestion question) {
        if (asLogged.ended()) {
            throw Refusal.of(new RunObjection.BatchEnded(asLogged.id()));
        }
        BatchState batch = question.judging().over(asLogged);
        List<Objection> objections = new ArrayList<>();
        List<PlannedBath> baths = batch.fills().stream()
                .filter(fill -> fill.discarded() == null)
                .map(fill -> planned(batch, fill, question, objections))
                .toList();
        BatchVerdict verdict =
                BatchVerdict.of(baths.stream().map(PlannedBath::verdict).toList());
        addWhatIsMissing(batch, objections);
        addBars(baths, objections);
        addLimits(baths, question, objections);
        addVolumes(baths, question, objections);
        return new RunPlan(batch, question, baths, verdict, List.copyOf(objections));
    }

    private static PlannedBath planned(
            BatchState batch, FillState fill, RunQuestion question, List<Objection> objections) {
        Bath bath = fill.bath();
        Timing timing = question.turning() ? bath.turning() : bath.timing();
        boolean pushed = batch.isImageDeveloper(fill);
        double scaledRun = question.equivalents() * fill.wearPerRoll();
        RunTime unpushed = RunTime.of(bath.role(), timing, fill.scaledRolls(), scaledRun, 0, null, fill.trimPercent());
        RunTime time = unpushed;
        if (pushed) {
            try {
                time = RunTime.of(
                        bath.role(), timing, fill.scaledRolls(), scaledRun, question.stops(), null, fill.trimPercent());
            } catch (Refusal refusal) {
                objections.add(refusal.objection());
                time = null;
            }
        }
        double takes =
                bath.oneShot() == null ? question.tankMl() : bath.oneShot().stockFor(question.tankMl());
        FillVerdict verdict = FillVerdict.of(
                question.judging().school(batch.process(), question.irreplaceable()),
                condition(fill, question, takes),
                question.equivalents(),
                time == null ? unpushed : time);
        return new PlannedBath(fill, time, verdict, takes);
    }

    private static FillCondition condition(FillState fill, RunQuestion question, double takesMl) {
        Bath bath = fill.bath();
        double age = question.daysSince(fill.mixedAt());
        FillState.Inspection look = fill.inspection();
        return new FillCondition(
                bath.key(),
                bath.role(),
                bath.timing(),
                bath.capacityForMl(),
                fill.countedMl(),
                fill.scaledRolls(),
                age,
                StorageAge.effectiveDays(fill, question.judging().climate(), question.at()),
                bath.lifeDays(),
                bath.capacity(),
                fill.signs(),
                look == null
                        ? null
                        : new FillCondition.Look(look.result(), question.daysSince(look.at()), look.rollsAgo()),
                fill.trimPercent(),
                bath.oneShot() == null
                        ? null
                        : new FillCondition.Stock(
                                fill.volumeMl(), takesMl, bath.oneShot().stockFor(question.smallestTankMl())));
    }

    private static void addWhatIsMissing(BatchState batch, List<Objection> objections) {
        batch.fills().stream()
                .filter(fill -> fill.discarded() != null)
                .forEach(fill -> objections.add(new RunObjection.BathMissing(fill)));
    }

    private static void addBars(List<PlannedBath> baths, List<Objection> objections) {
        baths.stream()
                .filter(bath -> bath.fill().bar() != null)
                .forEach(bath -> objections.add(
                        new RunObjection.BathBarred(bath.fill(), bath.fill().bar())));
    }

    private static void addLimits(List<PlannedBath> baths, RunQuestion question, List<Objection> objections) {
        for (PlannedBath bath : baths) {
            if (bath.verdict().state() == State.DISCARD && !bath.passedOnPurpose()) {
                objections.add(new RunObjection.BathMustGo(
                        bath.fill(), bath.verdict().reasons().get(0)));
            }
        }
        Double left = BatchVerdict.rollsLeft(baths.stream()
                .filter(bath -> !bath.fill().overrides(Reason.Code.OVER_ROLLS.words()))
                .map(PlannedBath::verdict)
                .toList());
        if (left == null || Slack.reaches(left, question.equivalents()) || !Slack.exceeds(left, 0)) {
            return;
        }
        baths.stream()
                .filter(bath -> left.equals(bath.verdict().rollsLeft()))
                .findFirst()
                .ifPresent(
                        bath -> objections.add(new RunObjection.RunTooBig(bath.fill(), question.equivalents(), left)));
    }

    /** One refusal is enough: the bath that lacks most says how much the tank wants. */
    private static void addVolumes(List<PlannedBath> baths, RunQuestion question, List<Objection> objections) {
        baths.stream()
                .filter(bath -> Slack.exceeds(bath.takesMl(), bath.fill().inBottleMl()))
                .max(Comparator.comparingDouble(
                        bath -> bath.takesMl() - bath.fill().inBottleMl()))
                .ifPresent(bath -> objections.add(lacking(bath, question)));
    }

    private static Objection lacking(PlannedBath bath, RunQuestion question) {
        FillState fill = bath.fill();
        return Slack.exceeds(bath.takesMl(), fill.volumeMl())
                ? new RunObjection.TooLittleForTank(fill, bath.takesMl(), fill.volumeMl(), question.tankMl())
                : new BatchObjection.InUse(fill, fill.inUse().get(0).who());
    }

    /**
     * The limits that hold this run back and that may be passed on purpose, by fill; empty where there are none, or
     * where something else speaks against it that no override helps with (rules, section 6).
     */
    public Map<Long, List<String>> overridable() {
        Map<Long, List<String>> limits = new LinkedHashMap<>();
        for (PlannedBath bath : baths) {
            List<String> codes = bath.verdict().reasons().stream()
                    .map(Reason::code)
                    .filter(code -> code.state() == State.DISCARD)
                    .map(Reason.Code::words)
                    .collect(Collectors.toCollection(ArrayList::new));
            if (codes.isEmpty() && isTooBigFor(bath)) {
                codes.add(Reason.Code.OVER_ROLLS.words());
            }
            if (!codes.isEmpty() && !codes.stream().allMatch(bath.fill()::overrides)) {
                limits.put(bath.fill().id(), List.copyOf(codes));
            }
        }
        boolean helps = objections.stream().allMatch(Objection::canBePassed);
        return helps ? limits : Map.of();
    }

    private boolean isTooBigFor(PlannedBath bath) {
        Double left = bath.verdict().rollsLeft();
        return left != null && bath.fill().bath().oneShot() == null && !Slack.reaches(left, question.equivalents());
    }

    /** The bath that people ask for first, if the batch still has it (rules, 4.3). */
    public Optional<PlannedBath> imageDeveloper() {
        return batch.imageDeveloper().flatMap(developer -> baths.stream()
                .filter(bath -> bath.fill().id() == developer.id())
                .findFirst());
    }

    /** The fills that hold it back by their limits, or are missing: what a fresh fill would mend. */
    public List<Long> heldBackBy() {
        Set<Long> fills = new LinkedHashSet<>();
        batch.fills().stream()
                .filter(fill -> fill.discarded() != null)
                .map(FillState::id)
                .forEach(fills::add);
        baths.stream()
                .filter(bath -> !bath.verdict().runFits() || bath.fill().bar() != null)
                .map(bath -> bath.fill().id())
                .forEach(fills::add);
        return List.copyOf(fills);
    }

    /** Whether nothing speaks against it. */
    public boolean fits() {
        return objections.isEmpty();
    }

    /** The same plan with one thing more that speaks against it. */
    public RunPlan refusedBy(Objection objection) {
        List<Objection> all = new ArrayList<>(objections);
        all.add(objection);
        return new RunPlan(batch, question, baths, verdict, List.copyOf(all));
    }

    /**
     * What the film goes through, step by step (rules, section 7).
     *
     * @param choices how the house does it
     * @throws Refusal what {@link RunSteps#of} refuses
     */
    public RunSteps steps(RunSteps.Choices choices) {
        Map<String, Integer> seconds = new LinkedHashMap<>();
        baths.forEach(bath -> bath.shown().ifPresent(time -> seconds.put(batch.placeOf(bath.fill()), time.seconds())));
        return RunSteps.of(batch.leaflet(), seconds, choices);
    }

    /** The codes of what spoke against it, for a run that was done all the same; each once. */
    public List<String> against() {
        return objections.stream().map(Objection::against).distinct().toList();
    }

    /** What the run does to each fill, as the log keeps it. */
    public List<RunBath> asRunBaths() {
        return baths.stream().map(this::asRunBath).toList();
    }

    private RunBath asRunBath(PlannedBath planned) {
        FillState fill = planned.fill();
        boolean pushed = batch.isImageDeveloper(fill) && planned.time() != null;
        double weight = pushed ? RunTime.wearWeight(fill.bath().timing(), question.stops()) : 1;
        boolean oneShot = fill.bath().oneShot() != null;
        return new RunBath(
                fill.id(),
                planned.shown().map(ProcessingTime::seconds).orElse(null),
                oneShot ? 0 : question.equivalents() * weight,
                oneShot ? 0 : Wear.CARRY_OVER_ML * question.equivalents(),
                oneShot ? Math.min(planned.takesMl(), fill.volumeMl()) : 0,
                null);
    }
}
