package mezcla.verdict;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import mezcla.batch.BatchObjection;
import mezcla.batch.BatchState;
import mezcla.batch.FillState;
import mezcla.batch.StorageAge;
import mezcla.batch.Wear;
import mezcla.leaflet.Bath;
import mezcla.leaflet.BathRole;
import mezcla.leaflet.FilmProcess;
import mezcla.leaflet.Range;
import mezcla.log.Roll;
import mezcla.log.RunBath;
import mezcla.measure.Objection;
import mezcla.measure.ProcessingTime;
import mezcla.measure.Refusal;
import mezcla.measure.Slack;
import mezcla.processing.FilmLoad;
import mezcla.processing.ProcessingObjection;
import mezcla.processing.RunSteps;
import mezcla.processing.RunTime;
import mezcla.processing.StepChoice;
import mezcla.processing.TankFit;
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
 * @param remarks what is said about it, whether it fits or not
 */
public record RunPlan(
        BatchState batch,
        RunQuestion question,
        List<PlannedBath> baths,
        BatchVerdict verdict,
        List<Objection> objections,
        List<RunRemark> remarks) {
    private static final double LATE_BELOW = 0.5;
    private static final int SHORTEST_SECONDS = 10;

    /** Keeps its own lists. */
    public RunPlan {
        baths = List.copyOf(baths);
        objections = List.copyOf(objections);
        remarks = List.copyOf(remarks);
    }

    /**
     * A fill in the plan.
     *
     * @param fill the fill
     * @param time how long the film stays in it; null where the leaflet has no answer
     * @param verdict how it stands for this run
     * @param takesMl what goes from the bottle into the tank, in ml: what the tank takes, or what there is where that
     *     still covers the reels
     * @param wantsMl what the tank would take of the bottle, in ml
     * @param leastMl the least of the bottle that covers the reels, in ml
     * @param load how much of it the film uses up; null where its capacity has no limit
     * @param daysADay how many days of its life go by in one of the calendar, as it stands now (rules, section 5)
     * @param correctionSeconds what the film's owner adds to the time, in seconds; 0 for any but the image developer
     */
    public record PlannedBath(
            FillState fill,
            @Nullable RunTime time,
            FillVerdict verdict,
            double takesMl,
            double wantsMl,
            double leastMl,
            @Nullable FilmLoad load,
            double daysADay,
            int correctionSeconds) {
        /** The time as shown, with the owner's own correction; empty where the leaflet has no answer. */
        public Optional<ProcessingTime> shown() {
            return Optional.ofNullable(time)
                    .map(RunTime::shown)
                    .map(shown -> correctionSeconds == 0
                            ? shown
                            : ProcessingTime.ofSeconds(
                                    Math.max(SHORTEST_SECONDS, shown.seconds() + correctionSeconds)));
        }

        /** The time that is said of the bath: none where it has to go. */
        public Optional<ProcessingTime> worth() {
            return verdict.state() == State.DISCARD ? Optional.empty() : shown();
        }

        /** The water that goes with the stock of a one-shot, in ml; 0 for a bath that is used again. */
        public double waterMl() {
            Bath.OneShot oneShot = fill.bath().oneShot();
            return oneShot == null ? 0 : takesMl * oneShot.waterParts() / oneShot.stockParts();
        }

        /** Whether everything for which it should go is a limit that was passed on purpose. */
        boolean passedOnPurpose() {
            return standing().isEmpty();
        }

        /** What it should go for, and that was not passed on purpose. */
        private List<Reason> standing() {
            return verdict.reasons().stream()
                    .filter(reason -> reason.code().state() == State.DISCARD)
                    .filter(reason -> !reason.code().canBePassed()
                            || !fill.overrides(reason.code().words()))
                    .toList();
        }

        /** Whether it is more film than it takes; a stock that gives no run at all lacks volume instead. */
        private boolean isTooBig(RunQuestion question) {
            Double left = verdict.rollsLeft();
            return left != null
                    && !Slack.reaches(left, question.equivalents())
                    && (fill.bath().oneShot() == null || Slack.exceeds(left, 0));
        }

        /** Whether its rolls are limited for this run: not where that was passed on purpose, or it has to go anyway. */
        private boolean countsRolls() {
            return !fill.overrides(Reason.Code.OVER_ROLLS.words())
                    && verdict.reasons().stream()
                            .map(Reason::code)
                            .noneMatch(code -> code == Reason.Code.OVER_ROLLS || code == Reason.Code.WORN);
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
        List<FillState> standing =
                batch.fills().stream().filter(fill -> fill.discarded() == null).toList();
        FillState developer = batch.process()
                .imageDeveloper(standing, fill -> fill.bath().role())
                .orElse(null);
        List<PlannedBath> baths = standing.stream()
                .map(fill -> planned(
                        batch, fill, developer, printedCapacity(asLogged, fill, question), question, objections))
                .toList();
        BatchVerdict verdict =
                BatchVerdict.of(baths.stream().map(PlannedBath::verdict).toList());
        List<RunRemark> remarks = new ArrayList<>();
        if (question.tank().asksForReels()) {
            objections.add(new ProcessingObjection.ReelsNotDescribed());
        }
        TankFit.of(
                        question.tank().holds(),
                        question.rolls().stream().map(Roll::format).toList())
                .objection()
                .ifPresent(objections::add);
        addWhatIsMissing(batch, standing, objections, remarks);
        addBars(baths, objections);
        addLimits(baths, question, objections);
        addVolumes(baths, question, objections, remarks);
        addLoads(baths, question, objections, remarks);
        addPush(baths, developer, question, remarks);
        question.rolls().stream()
                .map(Roll::film)
                .filter(film -> film != null && film.madeFor() != null)
                .map(film -> FilmProcess.of(Objects.requireNonNull(film.madeFor())))
                .filter(made -> !made.equals(batch.process()))
                .findFirst()
                .ifPresent(made -> remarks.add(new RunRemark.CrossProcessed(
                        made.name(), batch.process().name())));
        question.carefulOwner().map(RunRemark.JudgedForOwner::new).ifPresent(remarks::add);
        addMistyped(asLogged, question, baths, remarks);
        return new RunPlan(batch, question, baths, verdict, objections, remarks);
    }

    /** What the version of a leaflet that is right would make of a bath that goes by another one (rules, 3.8). */
    private static void addMistyped(
            BatchState asLogged, RunQuestion question, List<PlannedBath> baths, List<RunRemark> remarks) {
        if (asLogged.fills().stream().allMatch(fill -> fill.corrected() == null)) {
            return;
        }
        RunPlan right = of(asLogged.withFills(FillState::asCorrected), question);
        List<RunRemark.LeafletMistyped> mistyped = new ArrayList<>();
        for (PlannedBath bath : baths) {
            FillState corrected = bath.fill().corrected();
            if (corrected == null) {
                continue;
            }
            right.baths.stream()
                    .filter(each -> each.fill().id() == bath.fill().id())
                    .findFirst()
                    .ifPresent(by -> mistyped.add(new RunRemark.LeafletMistyped(
                            bath.fill(),
                            corrected.leaflet().version(),
                            bath.shown().orElse(null),
                            by.shown().orElse(null),
                            bath.verdict().rollsLeft(),
                            by.verdict().rollsLeft())));
        }
        List<RunRemark.LeafletMistyped> different =
                mistyped.stream().filter(RunRemark.LeafletMistyped::isDifferent).toList();
        remarks.addAll(different.isEmpty() ? mistyped.stream().limit(1).toList() : different);
    }

    private static @Nullable Range printedCapacity(BatchState asLogged, FillState fill, RunQuestion question) {
        return asLogged.fills().stream()
                .filter(each -> each.id() == fill.id())
                .findFirst()
                .map(question.judging()::printedCapacity)
                .orElse(null);
    }

    private static PlannedBath planned(
            BatchState batch,
            FillState fill,
            @Nullable FillState developer,
            @Nullable Range printed,
            RunQuestion question,
            List<Objection> objections) {
        Bath bath = fill.bath();
        Bath.OneShot oneShot = bath.oneShot();
        double wants = oneShot == null ? question.tankMl() : oneShot.stockFor(question.tankMl());
        double least = oneShot == null
                ? question.tank().leastMl()
                : oneShot.stockFor(question.tank().leastMl());
        double takes = Slack.reaches(fill.inBottleMl(), least) ? Math.min(wants, fill.inBottleMl()) : wants;
        RunTime asPrinted = time(fill, question, 0, null);
        RunTime time = asPrinted;
        try {
            boolean makesImage = developer != null && developer.id() == fill.id();
            time = time(fill, question, makesImage ? question.stops() : 0, makesImage ? question.celsius() : null);
        } catch (Refusal refusal) {
            objections.add(
                    refusal.objection() instanceof ProcessingObjection.TemperatureOutsideLeaflet outside
                            ? new RunObjection.BathOutsideTemperature(
                                    fill, outside.actualC(), outside.least(), outside.most())
                            : refusal.objection());
            time = null;
        }
        FillCondition condition = condition(fill, question, wants, least);
        FillVerdict verdict = FillVerdict.of(
                question.judging().school(batch.process(), question.irreplaceable()),
                condition,
                question.equivalents(),
                time == null ? asPrinted : time);
        FilmLoad load = printed == null
                ? null
                : FilmLoad.of(question.equivalents(), bath.capacityForMl(), takes, printed.max());
        boolean images = developer != null && developer.id() == fill.id();
        return new PlannedBath(
                fill,
                time,
                verdict,
                takes,
                wants,
                least,
                load,
                condition.daysADay(),
                images ? question.correctionSeconds() : 0);
    }

    private static RunTime time(FillState fill, RunQuestion question, double stops, @Nullable Double celsius) {
        Bath bath = fill.bath();
        return RunTime.of(
                bath.role(),
                question.tank().turning() ? bath.turning() : bath.timing(),
                fill.scaledRolls(),
                question.equivalents() * fill.wearPerRoll(),
                stops,
                celsius,
                fill.trimPercent());
    }

    private static FillCondition condition(FillState fill, RunQuestion question, double wantsMl, double leastMl) {
        Bath bath = fill.bath();
        double age = question.daysSince(fill.mixedAt());
        FillState.Inspection look = fill.inspection();
        return new FillCondition(
                bath.key(),
                bath.role(),
                bath.timing(),
                bath.capacityForMl(),
                fill.chemistryMl(),
                fill.rolls(),
                fill.scaledRolls(),
                age,
                StorageAge.effectiveDays(fill, question.judging().climate(), question.at()),
                StorageAge.daysADay(fill, question.judging().climate(), question.at()),
                bath.lifeDays(),
                bath.capacity(),
                fill.signs(),
                look == null
                        ? null
                        : new FillCondition.Look(look.result(), question.daysSince(look.at()), look.rollsAgo()),
                fill.mixture(),
                fill.outcome(),
                fill.trimPercent(),
                bath.oneShot() == null
                        ? null
                        : new FillCondition.Stock(
                                fill.volumeMl(),
                                wantsMl,
                                leastMl,
                                bath.oneShot().stockFor(question.smallestMl())));
    }

    /** What was poured away and not renewed, and what its process needs (rules, section 6). */
    private static void addWhatIsMissing(
            BatchState batch, List<FillState> standing, List<Objection> objections, List<RunRemark> remarks) {
        List<BathRole> there = standing.stream().map(fill -> fill.bath().role()).toList();
        Set<BathRole> missing = new LinkedHashSet<>();
        batch.fills().stream()
                .map(fill -> fill.bath().role())
                .filter(role -> !there.contains(role) && !role.isLast())
                .forEach(missing::add);
        missing.addAll(batch.process().missing(there));
        missing.forEach(role -> objections.add(new RunObjection.BathMissing(role)));
        if (there.stream().noneMatch(BathRole::isLast)) {
            remarks.add(new RunRemark.FinalRinseMissing());
        }
    }

    private static void addBars(List<PlannedBath> baths, List<Objection> objections) {
        baths.stream()
                .filter(bath -> bath.fill().bar() != null)
                .forEach(bath -> objections.add(
                        new RunObjection.BathBarred(bath.fill(), bath.fill().bar())));
    }

    private static void addLimits(List<PlannedBath> baths, RunQuestion question, List<Objection> objections) {
        for (PlannedBath bath : baths) {
            bath.standing().stream()
                    .findFirst()
                    .ifPresent(reason -> objections.add(new RunObjection.BathMustGo(bath.fill(), reason)));
        }
        baths.stream()
                .filter(bath -> bath.countsRolls() && bath.passedOnPurpose() && bath.isTooBig(question))
                .min(Comparator.comparing(
                        bath -> Objects.requireNonNull(bath.verdict().rollsLeft())))
                .ifPresent(bath -> objections.add(new RunObjection.RunTooBig(
                        bath.fill(),
                        question.equivalents(),
                        Objects.requireNonNull(bath.verdict().rollsLeft()))));
    }

    /** One refusal is enough: the bath that lacks most says how much the tank wants. */
    private static void addVolumes(
            List<PlannedBath> baths, RunQuestion question, List<Objection> objections, List<RunRemark> remarks) {
        baths.stream()
                .filter(bath -> Slack.exceeds(bath.leastMl(), bath.fill().inBottleMl()))
                .max(Comparator.comparingDouble(
                        bath -> bath.leastMl() - bath.fill().inBottleMl()))
                .ifPresent(bath -> objections.add(lacking(bath, question)));
        baths.stream()
                .filter(bath -> Slack.exceeds(bath.wantsMl(), bath.takesMl()))
                .max(Comparator.comparingDouble(bath -> bath.wantsMl() - bath.takesMl()))
                .ifPresent(bath -> remarks.add(
                        new RunRemark.TankNotFull(bath.fill(), bath.takesMl(), bath.wantsMl() - bath.takesMl())));
    }

    /** Film against solution: the bath with the largest load speaks (rules, 4.9). */
    private static void addLoads(
            List<PlannedBath> baths, RunQuestion question, List<Objection> objections, List<RunRemark> remarks) {
        baths.stream()
                .filter(bath -> bath.load() != null)
                .max(Comparator.comparingDouble(
                        bath -> Objects.requireNonNull(bath.load()).share()))
                .ifPresent(bath -> {
                    FilmLoad load = Objects.requireNonNull(bath.load());
                    if (load.tooMuch() && !question.passesOneLoad()) {
                        objections.add(new RunObjection.TooMuchFilm(
                                bath.fill(), bath.takesMl() * load.share(), bath.takesMl()));
                    } else if (load.crowded()) {
                        remarks.add(new RunRemark.Crowded(bath.fill(), load.share()));
                    }
                });
    }

    /** Pushed film asks much of a developer that is half used up (rules, section 6). */
    private static void addPush(
            List<PlannedBath> baths, @Nullable FillState developer, RunQuestion question, List<RunRemark> remarks) {
        if (developer == null || question.stops() <= 0) {
            return;
        }
        for (PlannedBath bath : baths) {
            Double left = bath.verdict().rollsLeft();
            if (bath.fill().id() == developer.id()
                    && left != null
                    && developer.bath().oneShot() == null) {
                double done = developer.scaledRolls() / developer.wearPerRoll();
                if (Slack.exceeds(LATE_BELOW, left / (done + left))) {
                    remarks.add(new RunRemark.PushedLate(developer, left));
                }
            }
        }
    }

    private static boolean fillsNoTank(FillState fill, RunQuestion question) {
        Bath.OneShot oneShot = fill.bath().oneShot();
        double least = oneShot == null ? question.smallestMl() : oneShot.stockFor(question.smallestMl());
        return Slack.exceeds(least, fill.volumeMl());
    }

    private static Objection lacking(PlannedBath bath, RunQuestion question) {
        FillState fill = bath.fill();
        return Slack.exceeds(bath.leastMl(), fill.volumeMl())
                ? new RunObjection.TooLittleForTank(fill, bath.wantsMl(), fill.volumeMl(), fillsNoTank(fill, question))
                : new BatchObjection.InUse(fill, fill.inUse().get(0).who());
    }

    /**
     * The limits that hold this run back and that may be passed on purpose, by fill; empty where there are none, or
     * where something else speaks against it that no override helps with (rules, section 6).
     */
    public Map<Long, List<String>> overridable() {
        Map<Long, List<String>> limits = new LinkedHashMap<>();
        for (PlannedBath bath : baths) {
            List<String> codes = bath.standing().stream()
                    .map(Reason::code)
                    .filter(Reason.Code::canBePassed)
                    .map(Reason.Code::words)
                    .collect(Collectors.toCollection(ArrayList::new));
            if (bath.countsRolls() && bath.fill().bath().oneShot() == null && bath.isTooBig(question)) {
                codes.add(Reason.Code.OVER_ROLLS.words());
            }
            FilmLoad load = bath.load();
            if (load != null && load.tooMuch() && !question.passesOneLoad()) {
                codes.add(RunObjection.TooMuchFilm.LIMIT);
            }
            if (!codes.isEmpty()) {
                limits.put(bath.fill().id(), List.copyOf(codes));
            }
        }
        boolean helps = objections.stream().allMatch(Objection::canBePassed);
        return helps ? limits : Map.of();
    }

    /** Whether the batch has to be tested before film that matters: a clip first (rules, section 6). */
    public boolean isToBeTested() {
        return verdict.state() == State.CHECK;
    }

    /**
     * Whether film that cannot be made again may go through it: it goes, and neither by the careful school nor by the house's
     * would the batch have to be tested first (rules, sections 6 and 10). Of other film, whether it goes.
     */
    public boolean isSure() {
        return fits() && !(question.irreplaceable() && asksForTest());
    }

    /** Whether the batch has to be tested first for this film, or for any other. */
    public boolean asksForTest() {
        return isToBeTested()
                || of(
                                batch,
                                question.ofRolls(question.rolls().stream()
                                        .map(Roll::ordinary)
                                        .toList()))
                        .isToBeTested();
    }

    /** The bath that people ask for first, if the batch still has it (rules, 4.3). */
    public Optional<PlannedBath> imageDeveloper() {
        return batch.imageDeveloper().flatMap(developer -> baths.stream()
                .filter(bath -> bath.fill().id() == developer.id())
                .findFirst());
    }

    /** The baths that it lacks, so that it takes no film. */
    public List<BathRole> lacking() {
        return objections.stream()
                .filter(RunObjection.BathMissing.class::isInstance)
                .map(objection -> ((RunObjection.BathMissing) objection).role())
                .toList();
    }

    /** The time that is said of the batch: its developer's; none where it has to go, or takes no film without a bath. */
    public Optional<ProcessingTime> worth() {
        return verdict.state() == State.DISCARD || !lacking().isEmpty()
                ? Optional.empty()
                : imageDeveloper().flatMap(PlannedBath::worth);
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

    /** What each bath is good for as the house judges it, in the order of use. */
    public List<FillLimits> limits() {
        return baths.stream().map(bath -> FillLimits.of(this, bath)).toList();
    }

    /** The bath whose rolls give out first, where any has a limit of rolls (rules, section 6). */
    public Optional<PlannedBath> fewestRolls() {
        return baths.stream()
                .filter(bath -> bath.verdict().rollsLeft() != null)
                .min(Comparator.comparing(
                        bath -> Objects.requireNonNull(bath.verdict().rollsLeft())));
    }

    /** The bath whose days are over first, where any has a limit of days. */
    public Optional<PlannedBath> fewestDays() {
        return baths.stream()
                .filter(bath -> bath.verdict().daysLeft() != null)
                .min(Comparator.comparing(
                        bath -> Objects.requireNonNull(bath.verdict().daysLeft())));
    }

    /** The last day on which the batch is good; empty for no limit, and where any of it has to go. */
    public Optional<LocalDate> lastDay() {
        List<FillLimits> limits = limits();
        return limits.stream().anyMatch(each -> each.state() == State.DISCARD)
                ? Optional.empty()
                : limits.stream()
                        .map(FillLimits::lastDay)
                        .filter(Objects::nonNull)
                        .min(Comparator.naturalOrder());
    }

    /** Whether nothing speaks against it. */
    public boolean fits() {
        return objections.isEmpty();
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
        RunSteps steps = RunSteps.of(
                batch.leaflet(),
                seconds,
                choices,
                question.hasCarbonBacking(batch.leaflet().process()));
        return imageDeveloper()
                .map(developer -> steps.warmedTo(batch.placeOf(developer.fill()), question.celsius()))
                .orElse(steps);
    }

    /** The codes of what spoke against it, for a run that was done all the same; each once. */
    public List<String> against() {
        return objections.stream().map(Objection::against).distinct().toList();
    }

    /** How warm a bath is for this run, where that was asked for, in °C; empty for as printed (rules, 4.4 and 4.13). */
    public Optional<Double> celsius(PlannedBath planned) {
        return batch.isImageDeveloper(planned.fill()) ? Optional.ofNullable(question.celsius()) : Optional.empty();
    }

    /** What the run does to each fill, as the log keeps it. */
    public List<RunBath> asRunBaths() {
        return baths.stream().map(this::asRunBath).toList();
    }

    /**
     * The same with times that were chosen for single steps.
     *
     * @param choices how the run is done
     * @throws Refusal what {@link RunSteps#of} refuses
     */
    public List<RunBath> asRunBaths(RunSteps.Choices choices) {
        Map<String, Integer> chosen = new LinkedHashMap<>();
        RunSteps steps = steps(choices);
        for (int i = 0; i < steps.steps().size(); i++) {
            String bath = steps.steps().get(i).bath();
            if (bath != null) {
                chosen.put(bath, (int)
                        Math.round(steps.schedule().steps().get(i).step().seconds()));
            }
        }
        return baths.stream()
                .map(planned -> {
                    RunBath bath = asRunBath(planned);
                    return bath.really(
                            chosen.getOrDefault(batch.placeOf(planned.fill()), bath.seconds()), bath.celsius());
                })
                .toList();
    }

    /**
     * The same for film that has been through: a time that was said for a step is taken as it is, whatever the sheet says.
     *
     * @param choices how the run was done
     */
    public List<RunBath> asDone(RunSteps.Choices choices) {
        return baths.stream()
                .map(planned -> {
                    RunBath bath = asRunBath(planned);
                    StepChoice said =
                            choices.steps().get(planned.fill().bath().role().key());
                    return said == null || said.seconds() == null ? bath : bath.really(said.seconds(), bath.celsius());
                })
                .toList();
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
                oneShot ? 0 : Math.min(Wear.CARRY_OVER_ML * question.equivalents(), fill.volumeMl()),
                oneShot ? Math.min(planned.takesMl(), fill.volumeMl()) : 0,
                celsius(planned).orElse(null));
    }
}
