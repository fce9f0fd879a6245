package mezcla;

import static mezcla.WorkedCases.assertNumber;
import static mezcla.WorkedCases.each;
import static mezcla.WorkedCases.numbers;
import static mezcla.WorkedCases.range;
import static mezcla.WorkedCases.recipe;
import static mezcla.WorkedCases.texts;
import static mezcla.WorkedCases.timing;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;
import static org.assertj.core.api.Assertions.within;

import java.net.URISyntaxException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import java.util.Set;
import java.util.stream.Stream;
import mezcla.WorkedCases.Case;
import mezcla.batch.Light;
import mezcla.batch.Mixture;
import mezcla.batch.Outcome;
import mezcla.batch.StorageAge;
import mezcla.batch.Trim;
import mezcla.batch.Wear;
import mezcla.leaflet.Addition;
import mezcla.leaflet.BathRole;
import mezcla.leaflet.Exhaustion;
import mezcla.leaflet.MixingTemperature;
import mezcla.leaflet.Recipe;
import mezcla.leaflet.StepClock;
import mezcla.leaflet.Timing;
import mezcla.leaflet.Unit;
import mezcla.log.AirKept;
import mezcla.log.Finding;
import mezcla.log.Sign;
import mezcla.measure.Refusal;
import mezcla.mixing.KitSplit;
import mezcla.mixing.MixPlan;
import mezcla.mixing.MixWarmth;
import mezcla.mixing.Strength;
import mezcla.mixing.Tool;
import mezcla.mixing.ToolChoice;
import mezcla.mixing.WaterBlend;
import mezcla.money.BreakEven;
import mezcla.money.ExpectedRolls;
import mezcla.money.KitLedger;
import mezcla.money.SharedCost;
import mezcla.money.Sharing;
import mezcla.planning.QueuePlan;
import mezcla.processing.Agitation;
import mezcla.processing.EquivalentDevelopment;
import mezcla.processing.FilmLoad;
import mezcla.processing.RunTime;
import mezcla.processing.Schedule;
import mezcla.processing.TimesByTemperature;
import mezcla.processing.WarmUp;
import mezcla.processing.WarmWater;
import mezcla.verdict.BatchVerdict;
import mezcla.verdict.FillCondition;
import mezcla.verdict.FillVerdict;
import mezcla.verdict.School;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/**
 * The worked cases, one test a case: those in {@code src/test/resources/cases}, and those in the folder that the system
 * property {@code mezcla.cases} names. Kinds that the core has no rule for yet are passed over by name; any other kind
 * that is not known, a misspelt one for instance, fails.
 */
public class WorkedCasesTest {
    private static final CurrencyUnit NZD = CurrencyUnit.of("NZD");

    private interface Check {
        void of(Case worked);
    }

    private final Map<String, Check> checks = new LinkedHashMap<>();

    public WorkedCasesTest() {
        checks.put("wear", this::wear);
        checks.put("run-time", this::runTime);
        checks.put("mix-plan", this::mixPlan);
        checks.put("kit-split", this::kitSplit);
        checks.put("water-blend", this::waterBlend);
        checks.put("tool-choice", this::toolChoice);
        checks.put("mix-temperature", this::mixTemperature);
        checks.put("cost", this::cost);
        checks.put("verdict", this::verdict);
        checks.put("effective-age", this::effectiveAge);
        checks.put("schedule", this::schedule);
        checks.put("warm-up", this::warmUp);
        checks.put("equivalent-development", this::equivalentDevelopment);
        checks.put("strength", this::strength);
        checks.put("trim", this::trim);
        checks.put("film-load", this::filmLoad);
        checks.put("days-left", this::daysLeft);
        checks.put("warm-water", this::warmWater);
        checks.put("warm-up-ranges", this::warmUp);
        checks.put("taken-over-cost", this::takenOverCost);
        checks.put("expected-rolls", this::expectedRolls);
        checks.put("queue-choice", this::queueChoice);
    }

    @DataProvider
    public Iterator<Case> cases() throws URISyntaxException {
        Path own = Path.of(WorkedCasesTest.class.getResource("/cases/wear.json").toURI())
                .getParent();
        String more = System.getProperty("mezcla.cases", "");
        Stream<Case> brought = more.isBlank() ? Stream.empty() : WorkedCases.in(Path.of(more)).stream();
        return Stream.concat(WorkedCases.in(own).stream(), brought).iterator();
    }

    private void expectedRolls(Case worked) {
        number(
                worked,
                "expectedRolls",
                ExpectedRolls.of(
                        worked.given().get("capacityRolls").asInt(),
                        worked.given().get("meanRolls").asDouble()));
    }

    /** Tanks left aside: each film that goes goes in a tank of its own. */
    private void queueChoice(Case worked) {
        List<QueuePlan.Candidate> films = each(
                        worked.given().get("films"),
                        film -> new QueuePlan.Candidate(
                                "negative",
                                film.get("rolls").asDouble(),
                                film.get("irreplaceable").asBoolean(),
                                film.get("day").isNull()
                                        ? QueuePlan.NO_DAY
                                        : film.get("day").asLong(),
                                null))
                .stream()
                .sorted(Comparator.comparing(QueuePlan.Candidate::day))
                .toList();
        List<QueuePlan.Through> batches = each(
                worked.given().get("batches"),
                batch -> new QueuePlan.Through(
                        "negative",
                        batch.get("rollsLeft").asDouble(),
                        batch.get("toBeTested").asBoolean()
                                ? 0
                                : batch.get("rollsLeft").asDouble()));
        List<Long> days = QueuePlan.of(films, batches, (batch, load) -> OptionalDouble.of(300)).loads().stream()
                .flatMap(load -> load.films().stream())
                .map(film -> films.get(film).day())
                .sorted()
                .toList();
        number(worked, "films", days.size());
        assertThat(days)
                .isEqualTo(each(worked.expect().get("days"), day -> day.isNull() ? QueuePlan.NO_DAY : day.asLong()));
    }

    private void schedule(Case worked) {
        Schedule schedule = Schedule.of(each(
                worked.given().get("steps"),
                node -> new Schedule.Step(
                        node.get("name").asString(),
                        node.get("seconds").asDouble(),
                        StepClock.valueOf(node.get("clock").asString().toUpperCase(Locale.ROOT)),
                        node.get("fillSeconds").asDouble(),
                        node.get("drainSeconds").asDouble(),
                        agitation(node.get("agitation")))));
        number(worked, "totalSeconds", schedule.totalSeconds());
        JsonNode steps = worked.expect().get("steps");
        assertThat(schedule.steps()).hasSize(steps.size());
        for (int i = 0; i < steps.size(); i++) {
            Schedule.Timed timed = schedule.steps().get(i);
            assertThat(timed.step().name()).isEqualTo(steps.get(i).get("name").asString());
            assertNumber("startsAt", timed.startsAt(), steps.get(i).get("startsAt"), 0);
            assertNumber("endsAt", timed.endsAt(), steps.get(i).get("endsAt"), 0);
            assertThat(timed.cues().stream().map(WorkedCasesTest::words).toList())
                    .isEqualTo(each(steps.get(i).get("cues"), WorkedCasesTest::words));
        }
    }

    private static @Nullable Agitation agitation(@Nullable JsonNode node) {
        if (node == null || node.isNull()) {
            return null;
        }
        return node.has("continuous")
                ? new Agitation.Continuous()
                : new Agitation.Intervals(
                        node.get("initial").asDouble(),
                        node.get("every").asDouble(),
                        node.get("for").asDouble());
    }

    private static String words(Schedule.Cue cue) {
        return "%.3f %s %s"
                .formatted(
                        cue.at(),
                        cue.kind().name().toLowerCase(Locale.ROOT).replace('_', '-'),
                        cue.forSeconds() == null ? "" : "%.3f".formatted(cue.forSeconds()));
    }

    private static String words(JsonNode cue) {
        return "%.3f %s %s"
                .formatted(
                        cue.get("t").asDouble(),
                        cue.get("cue").asString(),
                        cue.has("for") ? "%.3f".formatted(cue.get("for").asDouble()) : "");
    }

    private void warmUp(Case worked) {
        JsonNode given = worked.given();
        WarmUp warm = WarmUp.of(
                new WarmUp.Tub(
                        given.get("bathLitres").asDouble(),
                        given.get("powerW").asDouble(),
                        given.get("lossWPerK").asDouble(),
                        given.get("roomC").asDouble(),
                        given.get("bathStartC").asDouble()),
                wanted(given),
                given.get("setC").asDouble());
        number(worked, "readySeconds", warm.readySeconds());
        number(worked, "untilSeconds", warm.untilSeconds());
    }

    /** The bottles of a case: each to its own range, or all to one target within one tolerance. */
    private static List<WarmUp.Wanted> wanted(JsonNode given) {
        return each(given.get("bottles"), node -> {
            WarmUp.Warmed in = new WarmUp.Warmed(
                    node.get("litres").asDouble(),
                    node.get("wPerK").asDouble(),
                    node.get("startC").asDouble());
            if (node.has("lowC")) {
                return new WarmUp.Wanted(
                        in, node.get("lowC").asDouble(), node.get("highC").asDouble());
            }
            double target = given.get("targetC").asDouble();
            double tolerance = given.get("toleranceC").asDouble();
            return new WarmUp.Wanted(in, target - tolerance, target + tolerance);
        });
    }

    private void takenOverCost(Case worked) {
        JsonNode given = worked.given();
        List<Double> later = each(given.get("rollsLater"), JsonNode::asDouble);
        double before = given.get("rollsBefore").asDouble();
        SharedCost cost =
                new SharedCost(Money.ofMinor(NZD, given.get("totalMinor").asLong()), before, later);
        assertThat(cost.before().getAmountMinorLong())
                .isEqualTo(worked.expect().get("houseMinor").asLong());
        assertThat(cost.each().stream().map(Money::getAmountMinorLong).toList())
                .isEqualTo(each(worked.expect().get("laterMinor"), JsonNode::asLong));
        OptionalDouble printed = OptionalDouble.of(given.get("printedRolls").asDouble());
        assertThat(minor(cost.soFar())).isEqualTo(minor(worked.expect().get("soFarMinor")));
        assertThat(minor(cost.atCapacity(printed)))
                .isEqualTo(minor(worked.expect().get("atPrintedCapacityMinor")));
        assertThat(cost.unused(printed).getAmountMinorLong())
                .isEqualTo(worked.expect().get("unusedMinor").asLong());
    }

    private static @Nullable Long minor(Optional<Money> money) {
        return money.map(Money::getAmountMinorLong).orElse(null);
    }

    private static @Nullable Long minor(JsonNode node) {
        return node.isNull() ? null : Long.valueOf(node.asLong());
    }

    private void equivalentDevelopment(Case worked) {
        JsonNode given = worked.given();
        double at = given.get("atC").asDouble();
        JsonNode printed = given.get("printedSeconds");
        List<Timing.TimeAt> table = each(
                given.get("temperatureTable"),
                point -> new Timing.TimeAt(
                        point.get("c").asDouble(), point.get("seconds").asDouble()));
        TimesByTemperature times = printed.isNull()
                ? new TimesByTemperature(at, table)
                : TimesByTemperature.of(
                        new Timing(printed.asDouble(), at, at, at, new Exhaustion.Fixed(), List.of(), table));
        number(
                worked,
                "equivalentSeconds",
                EquivalentDevelopment.seconds(
                        times,
                        each(
                                given.get("readings"),
                                node -> new EquivalentDevelopment.Reading(
                                        node.get(0).asDouble(), node.get(1).asDouble()))));
    }

    private void strength(Case worked) {
        Strength strength = Strength.of(
                recipe(worked.given().get("recipe")),
                each(worked.given().get("pouredAmounts"), JsonNode::asDouble),
                worked.given().get("becameMl").asDouble());
        List<Double> expected = each(worked.expect().get("strengths"), JsonNode::asDouble);
        assertThat(strength.parts()).hasSameSizeAs(expected);
        for (int i = 0; i < expected.size(); i++) {
            assertThat(strength.parts().get(i)).isCloseTo(expected.get(i), within(2e-6));
        }
        number(worked, "chemistryMl", strength.chemistryMl());
        number(worked, "waterToAddMl", strength.waterToAddMl());
        List<String> flags = new ArrayList<>();
        if (strength.strong()) {
            flags.add("strong-mix");
        }
        if (strength.weak()) {
            flags.add("weak-mix");
        }
        assertThat(flags).isEqualTo(texts(worked.expect().get("flags")));
    }

    private void trim(Case worked) {
        number(worked, "trimPercent", Trim.percent(each(worked.given().get("runs"), run -> texts(run).stream()
                .map(WorkedCasesTest::result)
                .toList())));
    }

    private void filmLoad(Case worked) {
        FilmLoad load = FilmLoad.of(
                worked.given().get("rolls").asDouble(),
                worked.given().get("makesMl").asDouble(),
                worked.given().get("solutionMl").asDouble(),
                worked.given().get("capacityRolls").asDouble());
        number(worked, "load", load.share());
        JsonNode flag = worked.expect().get("flag");
        assertThat(load.tooMuch() ? "too-much-film" : load.crowded() ? "crowded" : null)
                .isEqualTo(flag.isNull() ? null : flag.asString());
    }

    private void daysLeft(Case worked) {
        JsonNode stored = worked.given().get("storedNow");
        double rate = StorageAge.daysADay(
                role(worked.given().get("role").asString()),
                stored.get("tempC").asDouble(),
                stored.get("headspace").asDouble(),
                air(stored.get("protection").asString()),
                Light.valueOf(stored.get("light").asString().toUpperCase(Locale.ROOT)));
        number(
                worked,
                "calendarDaysLeft",
                StorageAge.calendarDays(worked.given().get("effectiveDaysLeft").asDouble(), rate));
    }

    private void warmWater(Case worked) {
        JsonNode given = worked.given();
        WarmWater water = WarmWater.of(
                given.get("bathLitres").asDouble(),
                given.get("lossWPerK").asDouble(),
                given.get("roomC").asDouble(),
                wanted(given),
                given.get("targetC").asDouble());
        number(worked, "waterC", water.waterC());
        number(worked, "readySeconds", water.readySeconds());
        number(worked, "untilSeconds", water.untilSeconds());
    }

    private void effectiveAge(Case worked) {
        StorageAge age = StorageAge.of(
                role(worked.given().get("role").asString()),
                each(
                        worked.given().get("segments"),
                        node -> new StorageAge.Stretch(
                                node.get("days").asDouble(),
                                node.get("tempC").asDouble(),
                                node.get("headspace").asDouble(),
                                air(node.get("protection").asString()),
                                Light.valueOf(node.get("light").asString().toUpperCase(Locale.ROOT)))));
        number(worked, "effectiveAgeDays", age.effectiveDays());
        number(worked, "ageDays", age.calendarDays());
    }

    /** The cases call a reversal bath by its short name. */
    private static BathRole role(String words) {
        return words.equals("reversal") ? BathRole.REVERSAL_BATH : BathRole.of(words);
    }

    private static AirKept air(String words) {
        return switch (words) {
            case "none" -> AirKept.NOTHING;
            case "vacuum" -> AirKept.VACUUM_STOPPER;
            case "gas" -> AirKept.INERT_GAS;
            case "squeezed" -> AirKept.SQUEEZED;
            default -> throw new IllegalArgumentException(words);
        };
    }

    @Test
    public void everyRuleHasCases() throws URISyntaxException {
        Set<String> kinds = new HashSet<>();
        cases().forEachRemaining(worked -> kinds.add(worked.kind()));
        assertThat(kinds).containsAll(checks.keySet());
    }

    @Test(dataProvider = "cases")
    public void agrees(Case worked) {
        Check check = checks.get(worked.kind());
        assertThat(check).as("a rule for cases of the kind " + worked.kind()).isNotNull();
        if (worked.expect().has("error")) {
            Refusal refusal = catchThrowableOfType(Refusal.class, () -> check.of(worked));
            assertThat(refusal).as("refused").isNotNull();
            assertThat(refusal.code()).isEqualTo(worked.expect().get("error").asString());
        } else {
            check.of(worked);
        }
    }

    private void wear(Case worked) {
        double makes = worked.given().get("makesMl").asDouble();
        double volume = worked.given().get("volumeMl").asDouble();
        JsonNode chemistry = worked.given().get("chemistryMl");
        Wear wear = Wear.fresh(volume, chemistry == null || chemistry.isNull() ? volume : chemistry.asDouble());
        for (JsonNode event : worked.given().get("events")) {
            if (event.has("run")) {
                double rolls = event.get("run").asDouble();
                wear = wear.afterRun(rolls, rolls, makes, rolls * Wear.CARRY_OVER_ML);
            } else if (event.has("spill")) {
                wear = wear.afterSpill(event.get("spill").asDouble());
            } else {
                wear = wear.afterToppingUp(event.get("topUp").asDouble());
            }
        }
        number(worked, "scaledRolls", wear.scaledRolls());
        number(worked, "rolls", wear.rolls());
        number(worked, "volumeMl", wear.volumeMl());
        number(worked, "countedMl", wear.countedMl());
        number(worked, "chemistryMl", wear.chemistryMl());
    }

    private void runTime(Case worked) {
        JsonNode given = worked.given();
        double scale = given.get("makesMl").asDouble() / given.get("bathMl").asDouble();
        RunTime time = RunTime.of(
                BathRole.of(given.get("role").asString()),
                timing(given.get("timing")),
                given.get("rollsBefore").asDouble() * scale,
                given.get("rolls").asDouble() * scale,
                given.get("stops").asDouble(),
                given.get("tempC").isNull() ? null : given.get("tempC").asDouble(),
                given.get("trimPercent").asDouble());
        number(worked, "exactSeconds", time.exactSeconds());
        number(worked, "seconds", time.shown().seconds());
        number(worked, "addedSeconds", time.addedSeconds());
        assertThat(time.flags().stream().map(RunTime.Flag::code).sorted())
                .containsExactlyElementsOf(texts(worked.expect().get("flags")));
    }

    private void mixPlan(Case worked) {
        JsonNode given = worked.given();
        double roomC = given.get("roomC").asDouble();
        double startWaterC = given.get("startWaterC").asDouble();
        double topUpC = given.get("topUpC").asDouble();
        double volume = given.get("volumeMl").asDouble();
        JsonNode partsFor = given.get("partsForMl");
        MixPlan plan = MixPlan.of(
                recipe(given.get("recipe")),
                new MixPlan.Wanted(volume, partsFor.isNull() ? volume : partsFor.asDouble()),
                Map.of());
        number(worked, "strength", plan.strength());
        number(worked, "startWaterMl", plan.startWaterMl());
        number(worked, "startWaterLoweredByMl", plan.startWaterLoweredByMl());
        number(worked, "topUpMl", plan.topUpMl());
        number(worked, "finalMl", plan.finalMl());
        number(worked, "afterPartsC", plan.afterPartsC(roomC, startWaterC));
        number(worked, "landedC", plan.landedC(roomC, startWaterC, topUpC));
        if (worked.expect().has("startWaterForLandingC")) {
            number(
                    worked,
                    "startWaterForLandingC",
                    plan.startWaterForLandingC(
                            roomC, topUpC, given.get("wantLandedC").asDouble()));
        }
        JsonNode amounts = worked.expect().get("amounts");
        assertThat(plan.additions()).hasSize(amounts.size());
        for (int i = 0; i < amounts.size(); i++) {
            assertNumber("amount " + i, plan.additions().get(i).amount(), amounts.get(i), worked.relativeTolerance());
        }
    }

    private void waterBlend(Case worked) {
        JsonNode given = worked.given();
        WaterBlend blend = WaterBlend.of(
                given.get("volumeMl").asDouble(),
                given.get("wantC").asDouble(),
                given.get("hotC").asDouble(),
                given.get("coldC").asDouble());
        assertNumber("hotMl", blend.hotMl(), worked.expect().get("hotMl"), 1e-6);
        assertNumber("coldMl", blend.coldMl(), worked.expect().get("coldMl"), 1e-6);
    }

    private void mixTemperature(Case worked) {
        JsonNode given = worked.given();
        double measured = given.get("measuredC").asDouble();
        MixWarmth warmth = MixWarmth.of(new MixingTemperature(
                given.get("lowC").isNull() ? null : given.get("lowC").asDouble(),
                given.get("targetC").asDouble(),
                given.get("highC").isNull() ? null : given.get("highC").asDouble()));
        assertThat(warmth.of(measured)
                        .map(said -> said.name().toLowerCase(Locale.ROOT).replace('_', '-'))
                        .orElse(null))
                .isEqualTo(worked.expect().get("said").asString(null));
        assertThat(warmth.isOff(measured, given.get("powder").asBoolean()) ? "mixed-off-temperature" : null)
                .isEqualTo(worked.expect().get("flag").asString(null));
    }

    private void toolChoice(Case worked) {
        JsonNode given = worked.given();
        ToolChoice choice = ToolChoice.of(
                given.get("amount").asDouble(),
                given.get("unit").asString().equals("g") ? Unit.G : Unit.ML,
                Addition.Care.valueOf(given.get("care").asString().toUpperCase(Locale.ROOT)),
                each(given.get("tools"), WorkedCasesTest::tool));
        JsonNode expect = worked.expect();
        assertThat(choice.tool().name()).isEqualTo(expect.get("tool").asString());
        assertThat(choice.fills()).isEqualTo(expect.get("fills").asInt());
        assertThat(choice.good()).isEqualTo(expect.get("good").asBoolean());
        assertNumber("uncertainty", choice.uncertainty(), worked.expect().get("uncertainty"), 1e-6);
        assertNumber("relative", choice.relative(), worked.expect().get("relative"), 1e-6);
        assertNumber("smallestGoodAmount", choice.smallestGood(), expect.get("smallestGoodAmount"), 1e-6);
    }

    private static Tool tool(JsonNode node) {
        return new Tool(
                node.get("name").asString(),
                node.get("kind").asString().equals("mass") ? Unit.G : Unit.ML,
                node.get("capacity").asDouble(),
                node.get("graduation").asDouble());
    }

    private void kitSplit(Case worked) {
        Map<String, Recipe> recipes = new LinkedHashMap<>();
        worked.given()
                .get("recipes")
                .properties()
                .forEach(entry -> recipes.put(entry.getKey(), recipe(entry.getValue())));
        KitSplit split = KitSplit.of(
                recipes,
                numbers(worked.given().get("remaining")),
                worked.given().get("volumeMl").asDouble());
        number(worked, "batches", split.batches());
        assertThat(split.limitingPart())
                .isEqualTo(worked.expect().get("limitingPart").asString());
        JsonNode leftOver = worked.expect().get("leftOver");
        assertThat(split.leftOver().keySet())
                .containsExactlyInAnyOrderElementsOf(numbers(leftOver).keySet());
        split.leftOver()
                .forEach((part, left) -> assertNumber(part, left, leftOver.get(part), worked.relativeTolerance()));
    }

    private void cost(Case worked) {
        JsonNode given = worked.given();
        switch (given.get("op").asString()) {
            case "allocate" -> {
                KitLedger ledger = KitLedger.of(minor(given, "totalMinor"));
                List<Long> allocated = each(given.get("fractions"), fraction -> ledger.take(fraction.asDouble())
                        .getAmountMinorLong());
                assertThat(allocated).isEqualTo(each(worked.expect().get("allocated"), JsonNode::asLong));
                assertThat(ledger.left()).isEqualTo(minor(worked.expect(), "left"));
            }
            case "split" ->
                assertThat(
                                Sharing.split(
                                                minor(given, "totalMinor"),
                                                each(given.get("weights"), JsonNode::asDouble))
                                        .stream()
                                        .map(Money::getAmountMinorLong))
                        .isEqualTo(each(worked.expect().get("shares"), JsonNode::asLong));
            case "break-even" -> {
                OptionalLong rolls = BreakEven.rolls(
                        minor(given, "equipmentMinor"), minor(given, "labMinor"), minor(given, "ownMinor"));
                number(worked, "rolls", rolls.isPresent() ? (double) rolls.getAsLong() : null);
            }
            default -> throw new IllegalArgumentException(given.toString());
        }
    }

    private static Money minor(JsonNode node, String name) {
        return Money.ofMinor(NZD, node.get(name).asLong());
    }

    private void verdict(Case worked) {
        BatchVerdict verdict = BatchVerdict.of(
                School.valueOf(worked.given().get("school").asString().toUpperCase(Locale.ROOT)),
                each(worked.given().get("baths"), WorkedCasesTest::condition),
                worked.given().get("rolls").asDouble());
        assertThat(words(verdict.state().name()))
                .isEqualTo(worked.expect().get("state").asString());
        number(worked, "rollsLeft", verdict.rollsLeft());
        number(worked, "daysLeft", verdict.daysLeft());
        assertThat(verdict.runFits()).isEqualTo(worked.expect().get("runFits").asBoolean());
        worked.expect().get("baths").properties().forEach(entry -> {
            FillVerdict fill = verdict.fill(entry.getKey());
            JsonNode expected = entry.getValue();
            assertThat(words(fill.state().name()))
                    .isEqualTo(expected.get("state").asString());
            assertThat(fill.reasons().stream()
                            .map(reason -> reason.code().words())
                            .sorted())
                    .containsExactlyElementsOf(texts(expected.get("reasons")));
            assertNumber("rollsLeft", fill.rollsLeft(), expected.get("rollsLeft"), worked.relativeTolerance());
            assertNumber("daysLeft", fill.daysLeft(), expected.get("daysLeft"), worked.relativeTolerance());
            assertThat(fill.runFits()).isEqualTo(expected.get("runFits").asBoolean());
            assertNumber(
                    "seconds",
                    (double) fill.time().shown().seconds(),
                    expected.get("seconds"),
                    worked.relativeTolerance());
        });
    }

    private static FillCondition condition(JsonNode bath) {
        double makes = bath.get("makesMl").asDouble();
        JsonNode worth = bath.get("chemistryMl");
        double chemistry = worth == null ? bath.get("bathMl").asDouble() : worth.asDouble();
        List<String> flags = texts(bath.get("mixFlags"));
        JsonNode reassured = bath.get("everReassured");
        JsonNode look = bath.get("lastInspection");
        Set<Sign> signs = EnumSet.noneOf(Sign.class);
        texts(bath.get("signs")).forEach(sign -> signs.add(Sign.valueOf(sign.toUpperCase(Locale.ROOT))));
        return new FillCondition(
                bath.get("key").asString(),
                BathRole.of(bath.get("role").asString()),
                timing(bath.get("timing")),
                makes,
                chemistry,
                bath.get("rollsBefore").asDouble(),
                bath.get("rollsBefore").asDouble() * makes / chemistry,
                bath.get("ageDays").asDouble(),
                bath.get("effectiveAgeDays").asDouble(),
                1,
                range(bath.get("life")),
                range(bath.get("capacity")),
                signs,
                look.isNull()
                        ? null
                        : new FillCondition.Look(
                                result(look.get("result").asString()),
                                look.get("daysAgo").asDouble(),
                                look.get("rollsAgo").asDouble()),
                new Mixture(
                        1, 1, flags.contains("weak-mix"), flags.contains("strong-mix"), flags.contains("old-parts")),
                new Outcome(reassured != null && reassured.asBoolean(), bad(look)),
                bath.get("trimPercent").asDouble(),
                null);
    }

    /** The cases give the look that was ever bad as the last one. */
    private static boolean bad(JsonNode look) {
        return !look.isNull() && look.get("result").asString().startsWith("heavy-");
    }

    private static Finding result(String words) {
        return Finding.valueOf(words.toUpperCase(Locale.ROOT).replace('-', '_'));
    }

    private static String words(String constant) {
        return constant.toLowerCase(Locale.ROOT).replace('_', '-');
    }

    private static void number(Case worked, String name, @Nullable Number actual) {
        assertNumber(
                name,
                actual == null ? null : actual.doubleValue(),
                worked.expect().get(name),
                worked.relativeTolerance());
    }
}
