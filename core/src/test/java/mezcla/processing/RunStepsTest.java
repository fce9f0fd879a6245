package mezcla.processing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import mezcla.Leaflets;
import mezcla.leaflet.Bath;
import mezcla.leaflet.BathRole;
import mezcla.leaflet.FilmProcess;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.PrintedMovement;
import mezcla.leaflet.PrintedTime;
import mezcla.leaflet.ProcessStep;
import mezcla.leaflet.StepClock;
import mezcla.log.Accident;
import mezcla.measure.FilmFormat;
import mezcla.measure.Refusal;
import mezcla.measure.Temperature;
import org.jspecify.annotations.Nullable;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What film goes through, what was confirmed of it, and how bottles warm up. */
public class RunStepsTest {
    private static final Instant BEGAN = Instant.parse("2026-02-01T07:00:00Z");

    private static ProcessStep bath(String key) {
        return new ProcessStep(ProcessStep.Kind.BATH, key, null, null, null);
    }

    private static ProcessStep water(ProcessStep.Kind kind, Double seconds, Integer fills) {
        return new ProcessStep(kind, null, seconds, fills, 38.0);
    }

    private static Leaflet sheet(FilmProcess process, ProcessStep... steps) {
        Leaflet plain = Leaflets.negative();
        return new Leaflet(
                plain.key(),
                plain.version(),
                plain.name(),
                plain.maker(),
                process,
                null,
                plain.makesMl(),
                plain.parts(),
                plain.baths(),
                List.of(steps),
                List.of());
    }

    private static RunSteps.Choices choices(
            boolean soak, RunSteps.Between between, RunSteps.FinalRinse rinse, boolean wetting, Movement movement) {
        return new RunSteps.Choices(
                soak ? RunSteps.Soak.LEAFLET : RunSteps.Soak.NONE,
                between,
                rinse,
                wetting ? RunSteps.Wetting.LEAFLET : RunSteps.Wetting.NONE,
                movement,
                Map.of());
    }

    private static RunSteps negative(RunSteps.Choices choices) {
        return RunSteps.of(
                sheet(
                        FilmProcess.COLOUR_NEGATIVE,
                        water(ProcessStep.Kind.PRE_SOAK, 60.0, null),
                        bath("dev"),
                        bath("bx"),
                        water(ProcessStep.Kind.WASH_FILLS, null, 6)),
                Map.of("dev", 195, "bx", 390),
                choices);
    }

    private static List<String> names(RunSteps steps) {
        return steps.steps().stream().map(RunSteps.Step::name).toList();
    }

    @Test
    public void theLeafletsStepsTakeTheTimesOfTheRun() {
        RunSteps steps = negative(RunSteps.Choices.USUAL);
        assertThat(names(steps)).containsExactly("Pre-soak", "Developer", "Bleach-fix", "Wash, 6 fills");
        assertThat(steps.schedule().totalSeconds()).isEqualTo(60 + 195 + 390 + 120);
        assertThat(steps.lightSafeAfter()).isEqualTo(2);
        assertThat(steps.steps().get(1).mayPause()).isFalse();
        assertThat(steps.steps().get(3).mayPause()).isTrue();
        assertThat(steps.schedule().steps().get(1).cues())
                .extracting(Schedule.Cue::kind)
                .startsWith(Schedule.Cue.Kind.START, Schedule.Cue.Kind.AGITATE)
                .endsWith(Schedule.Cue.Kind.POUR_OUT);
    }

    @Test
    public void theHouseChoosesPreSoakRinseAndMovement() {
        RunSteps other =
                negative(choices(false, RunSteps.Between.RINSE, RunSteps.FinalRinse.WARM, true, Movement.ROTARY));
        assertThat(names(other)).containsExactly("Developer", "Wash", "Bleach-fix", "Wash, 6 fills");
        assertThat(other.schedule().steps().get(0).step().agitation()).isInstanceOf(Agitation.Continuous.class);
        RunSteps rinsed = RunSteps.of(
                sheet(FilmProcess.COLOUR_NEGATIVE, bath("dev"), water(ProcessStep.Kind.WASH, 60.0, null), bath("bx")),
                Map.of("dev", 195, "bx", 390),
                choices(true, RunSteps.Between.RINSE, RunSteps.FinalRinse.WARM, true, Movement.STICK));
        assertThat(names(rinsed)).as("rinsed already").containsExactly("Developer", "Wash", "Bleach-fix");
    }

    private static RunSteps.Choices straight() {
        return choices(true, RunSteps.Between.STRAIGHT, RunSteps.FinalRinse.WARM, true, Movement.INVERSION);
    }

    @Test
    public void straightOnLeavesOutTheWaterAfterTheDeveloperAndNoOther() {
        ProcessStep wash = water(ProcessStep.Kind.WASH, 60.0, null);
        Leaflet sheet = sheet(FilmProcess.COLOUR_NEGATIVE, wash, bath("dev"), wash, bath("bx"), wash);
        Map<String, Integer> seconds = Map.of("dev", 195, "bx", 390);
        assertThat(names(RunSteps.of(sheet, seconds, straight())))
                .containsExactly("Wash", "Developer", "Bleach-fix", "Wash");
        assertThat(PrintedWays.of(sheet).afterDeveloper()).containsExactly(wash);
        assertThat(PrintedWays.of(sheet).preSoak()).isNull();
        Leaflet slides = sheet(FilmProcess.COLOUR_SLIDE, bath("dev"), wash, bath("bx"));
        assertThat(catchThrowableOfType(Refusal.class, () -> RunSteps.of(slides, seconds, straight()))
                        .code())
                .isEqualTo("rinse-needed");
        assertThat(names(RunSteps.of(sheet(FilmProcess.COLOUR_SLIDE, bath("dev"), bath("bx")), seconds, straight())))
                .as("where the leaflet goes straight on itself")
                .containsExactly("Developer", "Bleach-fix");
    }

    private static Leaflet withFinalRinse(FilmProcess process) {
        Leaflet plain = Leaflets.slide();
        Bath first = plain.baths().get(0);
        return new Leaflet(
                plain.key(),
                1,
                plain.name(),
                plain.maker(),
                process,
                null,
                plain.makesMl(),
                plain.parts(),
                List.of(
                        as(first, "pb", BathRole.PRE_BATH),
                        as(first, "dev", BathRole.DEVELOPER),
                        as(first, "bx", BathRole.BLEACH_FIX),
                        as(first, "fr", BathRole.STABILISER),
                        as(first, "wa", BathRole.WETTING_AGENT)),
                List.of(
                        bath("pb"),
                        water(ProcessStep.Kind.WASH_UNTIL_CLEAR, null, null),
                        bath("dev"),
                        bath("bx"),
                        bath("fr"),
                        bath("wa")),
                List.of());
    }

    private static Bath as(Bath bath, String key, BathRole role) {
        return new Bath(key, role, bath.recipe(), bath.timing(), 500, null, null, null, null);
    }

    private static final Map<String, Integer> ALL = Map.of("pb", 60, "dev", 195, "bx", 390, "fr", 60, "wa", 60);

    @Test
    public void theBackOfCineFilmIsWipedBeforeTheFirstOfTheLastBaths() {
        RunSteps cine = RunSteps.of(withFinalRinse(FilmProcess.CINE_NEGATIVE), ALL, RunSteps.Choices.USUAL);
        assertThat(cine.steps())
                .filteredOn(RunSteps.Step::wipeBefore)
                .extracting(RunSteps.Step::name)
                .containsExactly("Final rinse");
        RunSteps plain = RunSteps.of(withFinalRinse(FilmProcess.COLOUR_NEGATIVE), ALL, RunSteps.Choices.USUAL);
        assertThat(plain.steps()).noneMatch(RunSteps.Step::wipeBefore);
    }

    @Test
    public void finalRinseAndWettingAgentAreChosenApart() {
        Leaflet sheet = withFinalRinse(FilmProcess.CINE_NEGATIVE);
        RunSteps room = RunSteps.of(
                sheet,
                ALL,
                choices(true, RunSteps.Between.LEAFLET, RunSteps.FinalRinse.ROOM, false, Movement.INVERSION));
        assertThat(names(room)).endsWith("Bleach-fix", "Final rinse");
        assertThat(room.steps().get(4).atC()).isNull();
        RunSteps none = RunSteps.of(
                sheet,
                ALL,
                choices(true, RunSteps.Between.LEAFLET, RunSteps.FinalRinse.NONE, true, Movement.INVERSION));
        assertThat(names(none)).endsWith("Bleach-fix", "Wetting agent");
        assertThat(none.steps()).last().matches(RunSteps.Step::wipeBefore);
        assertThat(PrintedWays.of(sheet).finalRinse()).isNotNull();
        assertThat(PrintedWays.of(sheet).wettingAgent()).isNotNull();
    }

    @Test
    public void aWettingAgentOfTheHousesOwnIsAStepOfItsOwn() {
        Leaflet sheet = sheet(
                FilmProcess.COLOUR_NEGATIVE,
                bath("dev"),
                bath("bx"),
                water(ProcessStep.Kind.WETTING_AGENT, 45.0, null));
        RunSteps.Choices with = RunSteps.Choices.USUAL;
        RunSteps.Choices without = choices(true, with.between(), with.finalRinse(), false, with.movement());
        RunSteps steps = RunSteps.of(sheet, Map.of("dev", 195, "bx", 390), with);
        assertThat(steps.steps()).last().satisfies(step -> {
            assertThat(step.kind()).isEqualTo(ProcessStep.Kind.WETTING_AGENT);
            assertThat(step.bath()).isNull();
        });
        assertThat(RunSteps.of(sheet, Map.of("dev", 195, "bx", 390), without).steps())
                .noneMatch(step -> step.kind() == ProcessStep.Kind.WETTING_AGENT);
    }

    private static RunSteps.Choices single(String key, StepChoice choice) {
        RunSteps.Choices usual = RunSteps.Choices.USUAL;
        return new RunSteps.Choices(
                usual.soak(),
                usual.between(),
                usual.finalRinse(),
                usual.wetting(),
                usual.movement(),
                Map.of(key, choice));
    }

    private static StepChoice lasting(int seconds) {
        return new StepChoice(false, seconds, StepChoice.Water.PRINTED, false, null);
    }

    private static final Map<String, Integer> SECONDS = Map.of("dev", 195, "bx", 390);

    private static Leaflet washed() {
        return sheet(
                FilmProcess.COLOUR_NEGATIVE,
                bath("dev"),
                new ProcessStep(ProcessStep.Kind.WASH, null, 60.0, 120.0, null, 38.0, null),
                bath("bx"),
                new ProcessStep(ProcessStep.Kind.WASH, null, 180.0, null, 7, 35.0, null));
    }

    private static double length(RunSteps steps, int at) {
        return steps.schedule().steps().get(at).step().seconds();
    }

    @Test
    public void everyStepCanBeDoneOtherwiseThanPrinted() {
        Leaflet sheet = washed();
        assertThat(RunSteps.keys(sheet)).containsExactly("developer", "water-1", "bleach-fix", "water-2");
        assertThat(length(RunSteps.of(sheet, SECONDS, single("water-1", lasting(100))), 1))
                .isEqualTo(100);
        assertThat(length(RunSteps.of(sheet, SECONDS, single("bleach-fix", lasting(500))), 2))
                .isEqualTo(500);
        RunSteps byFills = RunSteps.of(
                sheet, SECONDS, single("water-2", new StepChoice(false, null, StepChoice.Water.FILLS, false, null)));
        assertThat(names(byFills)).last().isEqualTo("Wash, 7 fills");
        assertThat(byFills.steps().get(3).fills()).isEqualTo(7);
        assertThat(RunSteps.of(sheet, SECONDS, RunSteps.Choices.USUAL)
                        .steps()
                        .get(3)
                        .fills())
                .as("three minutes is printed first")
                .isZero();
        assertThat(names(RunSteps.of(
                        sheet,
                        SECONDS,
                        single("water-1", new StepChoice(true, null, StepChoice.Water.PRINTED, false, null)))))
                .containsExactly("Developer", "Bleach-fix", "Wash");
        assertThat(names(RunSteps.of(
                        sheet(FilmProcess.COLOUR_NEGATIVE, bath("dev"), bath("bx"), bath("dev")),
                        SECONDS,
                        single("bleach-fix", new StepChoice(false, null, StepChoice.Water.PRINTED, true, null)))))
                .containsExactly("Developer", "Bleach-fix", "Wash", "Developer");
        RunSteps stirred = RunSteps.of(
                sheet,
                SECONDS,
                single("bleach-fix", new StepChoice(false, null, StepChoice.Water.PRINTED, false, Movement.STICK)));
        assertThat(Objects.requireNonNull(stirred.steps().get(2).moved()).first())
                .isEqualTo(Movement.STICK);
        assertThat(Objects.requireNonNull(stirred.steps().get(0).moved()).first())
                .isEqualTo(Movement.INVERSION);
    }

    @DataProvider
    public Object[][] lengths() {
        return new Object[][] {
            {"3 fills", true, null, 3, null, "3 fills"},
            {"1 fill at 30 °C", true, null, 1, 30.0, "1 fill at 30 °C"},
            {"2:00 at 86 °F", true, 120, null, 30.0, "2:00 at 30 °C"},
            {"at 25 °C", true, null, null, 25.0, "at 25 °C"},
            {"3:30", false, 210, null, null, "3:30"},
            {"", true, null, null, null, ""},
        };
    }

    @Test(dataProvider = "lengths")
    public void aStepIsAsLongAsIsTyped(
            String typed,
            boolean water,
            @Nullable Integer seconds,
            @Nullable Integer fills,
            @Nullable Double atC,
            String again) {
        StepChoice choice = StepChoice.PRINTED.lasting(typed, water, Temperature.Scale.CELSIUS);
        assertThat(choice.seconds()).isEqualTo(seconds);
        assertThat(choice.fills()).isEqualTo(fills);
        assertThat(choice.atC()).isEqualTo(atC);
        assertThat(choice.length()).isEqualTo(again);
        assertThat(StepChoice.PRINTED.lasting(again, water, Temperature.Scale.CELSIUS))
                .isEqualTo(choice);
    }

    @Test
    public void aBathHasNoFillsAndNoTemperatureHere() {
        for (String typed : List.of("3 fills", "3:00 at 30 °C", "0 fills")) {
            assertThat(catchThrowableOfType(
                            Refusal.class, () -> StepChoice.PRINTED.lasting(typed, false, Temperature.Scale.CELSIUS)))
                    .as(typed)
                    .isNotNull();
        }
        assertThat(catchThrowableOfType(
                        Refusal.class, () -> StepChoice.PRINTED.lasting("0 fills", true, Temperature.Scale.CELSIUS)))
                .isNotNull();
    }

    @Test
    public void aWashOfOnesOwnIsSaidAgainstTheSheet() {
        Leaflet sheet = washed();
        StepChoice three = StepChoice.PRINTED.lasting("3 fills at 30 °C", true, Temperature.Scale.CELSIUS);
        RunSteps.Choices choices = single("water-2", three);
        RunSteps.Step wash = RunSteps.of(sheet, SECONDS, choices).steps().stream()
                .filter(step -> step.fills() > 0)
                .findFirst()
                .orElseThrow();
        assertThat(wash.fills()).isEqualTo(3);
        assertThat(wash.atC()).isEqualTo(30);
        assertThat(WashShort.of(sheet, choices)).hasSize(1).first().satisfies(less -> {
            assertThat(less.key()).isEqualTo("water-2");
            assertThat(less.fills()).isEqualTo(3);
            assertThat(less.ofFills()).isGreaterThan(3);
        });
        assertThat(WashShort.of(
                        sheet,
                        single("water-2", StepChoice.PRINTED.lasting("9 fills", true, Temperature.Scale.CELSIUS))))
                .isEmpty();
        assertThat(WashShort.of(sheet, single("water-1", lasting(59)))).hasSize(1);
        assertThat(WashShort.of(
                        sheet, single("water-1", new StepChoice(true, null, StepChoice.Water.PRINTED, false, null))))
                .hasSize(1);
        assertThat(WashShort.of(sheet, RunSteps.Choices.USUAL)).isEmpty();
    }

    @Test
    public void aSlowTankIsFilledAsLongAsItTakes() {
        RunSteps.Choices slow = new RunSteps.Choices(
                RunSteps.Soak.LEAFLET,
                RunSteps.Between.LEAFLET,
                RunSteps.FinalRinse.WARM,
                RunSteps.Wetting.LEAFLET,
                Movement.PRINTED,
                Map.of(),
                20);
        assertThat(RunSteps.of(washed(), SECONDS, slow)
                        .schedule()
                        .steps()
                        .get(0)
                        .step()
                        .fillSeconds())
                .isEqualTo(20);
        assertThat(RunSteps.of(washed(), SECONDS, RunSteps.Choices.USUAL)
                        .schedule()
                        .steps()
                        .get(0)
                        .step()
                        .fillSeconds())
                .isEqualTo(10);
        assertThat(slow.withoutTimes().pourSeconds()).as("a member's own stays").isEqualTo(20);
        assertThat(slow.moved(Movement.STICK).pourSeconds()).isEqualTo(20);
    }

    @Test
    public void theCapGoesOnBeforeTheTankIsTurnedOver() {
        Agitation.Intervals some = new Agitation.Intervals(30, 30, 5);
        assertThat(new Moved(Movement.STICK, Movement.INVERSION, some).capGoesOn())
                .isTrue();
        assertThat(new Moved(Movement.STICK, Movement.STICK, some).capGoesOn()).isFalse();
        assertThat(new Moved(Movement.INVERSION, Movement.STICK, some).capGoesOn())
                .isFalse();
    }

    @Test
    public void whatIsUsualHasNoTimesOfOneRun() {
        StepChoice stirred = new StepChoice(false, 500, StepChoice.Water.PRINTED, true, Movement.STICK);
        assertThat(single("bleach-fix", stirred).withoutTimes())
                .isEqualTo(single(
                        "bleach-fix", new StepChoice(false, null, StepChoice.Water.PRINTED, true, Movement.STICK)));
        assertThat(single("bleach-fix", lasting(500)).withoutTimes()).isEqualTo(RunSteps.Choices.USUAL);
    }

    @DataProvider
    public Object[][] timesThatTheSheetDoesNotAllow() {
        return new Object[][] {
            {"bleach-fix", 389, "time-too-short", "a bath that clears, shorter than planned"},
            {"developer", 194, "time-outside-sheet", "a developer that has one time"},
            {"developer", 196, "time-outside-sheet", "the same"},
            {"bleach-fix", 3601, "time-outside-sheet", "nobody waits for that"},
        };
    }

    @Test(dataProvider = "timesThatTheSheetDoesNotAllow")
    public void aTimeOutsideOfTheSheetIsRefused(String key, int seconds, String code, String why) {
        assertThat(catchThrowableOfType(
                                Refusal.class, () -> RunSteps.of(washed(), SECONDS, single(key, lasting(seconds))))
                        .code())
                .as(why)
                .isEqualTo(code);
    }

    @Test
    public void aDevelopersPrintedRangeGrowsWithWhatWasPlanned() {
        PrintedTime range = new PrintedTime(180, 240);
        assertThat(lasting(270).lasts("Developer", 210, range, true)).isEqualTo(270);
        assertThat(lasting(280).lasts("Developer", 210, range, true)).isEqualTo(280);
        ProcessingObjection.TimeOutsideSheet outside = (ProcessingObjection.TimeOutsideSheet)
                catchThrowableOfType(Refusal.class, () -> lasting(281).lasts("Developer", 210, range, true))
                        .objection();
        assertThat(outside.least()).isEqualTo(210);
        assertThat(outside.most()).isEqualTo(280);
        assertThat(StepChoice.PRINTED.lasts("Developer", 210, range, true)).isEqualTo(210);
    }

    @Test
    public void aPreSoakAndAWettingAgentCanBeAddedToASheetThatHasNone() {
        RunSteps.Choices more = new RunSteps.Choices(
                RunSteps.Soak.MINUTE,
                RunSteps.Between.LEAFLET,
                RunSteps.FinalRinse.WARM,
                RunSteps.Wetting.OWN,
                Movement.PRINTED,
                Map.of());
        RunSteps steps = RunSteps.of(sheet(FilmProcess.COLOUR_NEGATIVE, bath("dev"), bath("bx")), SECONDS, more);
        assertThat(names(steps)).containsExactly("Pre-soak", "Developer", "Bleach-fix", "Wetting agent");
        assertThat(steps.steps().get(0).atC()).as("as warm as the developer").isEqualTo(38.0);
        assertThat(length(steps, 0)).isEqualTo(60);
        assertThat(names(negative(more)))
                .as("where the sheet has one, nothing is doubled")
                .startsWith("Pre-soak", "Developer");
    }

    @Test
    public void carbonIsWhatIsSaidOfTheFilmAndNotOfTheChemistry() {
        assertThat(Backing.USUAL.isCarbon(FilmProcess.CINE_NEGATIVE, null, FilmFormat.F135_36))
                .isTrue();
        assertThat(Backing.USUAL.isCarbon(FilmProcess.COLOUR_NEGATIVE, FilmProcess.CINE_NEGATIVE, FilmFormat.F135_36))
                .isTrue();
        assertThat(Backing.USUAL.isCarbon(FilmProcess.CINE_NEGATIVE, FilmProcess.COLOUR_NEGATIVE, FilmFormat.F135_36))
                .isFalse();
        assertThat(Backing.NONE.isCarbon(FilmProcess.CINE_NEGATIVE, null, FilmFormat.SUPER_8))
                .isFalse();
        assertThat(Backing.CARBON.isCarbon(FilmProcess.COLOUR_NEGATIVE, null, FilmFormat.F120))
                .isTrue();
        assertThat(catchThrowableOfType(
                                Refusal.class,
                                () -> Backing.USUAL.isCarbon(FilmProcess.COLOUR_NEGATIVE, null, FilmFormat.SUPER_8))
                        .code())
                .isEqualTo("backing-unknown");
        Leaflet plain = sheet(FilmProcess.COLOUR_NEGATIVE, bath("dev"), bath("bx"));
        assertThat(catchThrowableOfType(Refusal.class, () -> RunSteps.of(plain, SECONDS, RunSteps.Choices.USUAL, true))
                        .code())
                .isEqualTo("carbon-backing");
        assertThat(names(RunSteps.of(
                        sheet(FilmProcess.CINE_NEGATIVE, bath("dev"), bath("bx")),
                        SECONDS,
                        RunSteps.Choices.USUAL,
                        false)))
                .as("film without a backing needs no pre-bath")
                .containsExactly("Developer", "Bleach-fix");
    }

    private static Leaflet moving(String printed, @Nullable StepClock clock) {
        Leaflet plain = Leaflets.negative();
        PrintedMovement movement = PrintedMovement.parse(printed);
        return new Leaflet(
                plain.key(),
                plain.version(),
                plain.name(),
                plain.maker(),
                plain.process(),
                null,
                plain.makesMl(),
                plain.parts(),
                plain.baths().stream()
                        .map(bath -> new Bath(
                                bath.key(),
                                bath.role(),
                                bath.recipe(),
                                bath.timing(),
                                bath.capacityForMl(),
                                bath.capacity(),
                                bath.lifeDays(),
                                null,
                                null,
                                bath.key().equals("dev") ? movement : null))
                        .toList(),
                List.of(),
                clock,
                List.of());
    }

    private static Schedule.Timed developer(String printed, @Nullable StepClock clock) {
        return RunSteps.of(moving(printed, clock), Map.of("dev", 120, "bx", 390), RunSteps.Choices.USUAL)
                .schedule()
                .steps()
                .get(0);
    }

    private static List<List<Double>> moved(String printed) {
        return developer(printed, null).cues().stream()
                .filter(cue -> cue.kind() == Schedule.Cue.Kind.AGITATE)
                .map(cue -> List.of(cue.at(), Objects.requireNonNull(cue.forSeconds())))
                .toList();
    }

    @DataProvider
    public Object[][] ways() {
        return new Object[][] {
            {
                "invert 30 s, then 5 s every 30 s",
                List.of(List.of(10.0, 30.0), List.of(60.0, 5.0), List.of(90.0, 5.0)),
                Movement.INVERSION,
                Movement.INVERSION,
                0
            },
            {
                "first 15 s, then 4 turns every 30 s",
                List.of(List.of(10.0, 15.0), List.of(30.0, 10.0), List.of(60.0, 10.0), List.of(90.0, 10.0)),
                Movement.INVERSION,
                Movement.INVERSION,
                4
            },
            {
                "stick for the first 20 s, then invert twice every minute",
                List.of(List.of(10.0, 20.0), List.of(60.0, 5.0)),
                Movement.STICK,
                Movement.INVERSION,
                2
            },
            {"rotate continuously", List.of(List.of(10.0, 100.0)), Movement.ROTARY, Movement.ROTARY, 0},
        };
    }

    @Test(dataProvider = "ways")
    public void theTankIsMovedAsItsSheetPrintsIt(
            String printed, List<List<Double>> cues, Movement first, Movement then, int turns) {
        assertThat(moved(printed)).isEqualTo(cues);
        RunSteps.Step step = RunSteps.of(moving(printed, null), Map.of("dev", 120, "bx", 390), RunSteps.Choices.USUAL)
                .steps()
                .get(0);
        assertThat(step.moved()).isNotNull().satisfies(how -> {
            assertThat(how.first()).isEqualTo(first);
            assertThat(how.then()).isEqualTo(then);
            assertThat(how.agitation() instanceof Agitation.Intervals each ? each.turns() : 0)
                    .isEqualTo(turns);
        });
    }

    @Test
    public void aTankStandsStillWhereItsSheetSaysSo() {
        assertThat(moved("stand still")).isEmpty();
        RunSteps steps =
                RunSteps.of(moving("stand still", null), Map.of("dev", 120, "bx", 390), RunSteps.Choices.USUAL);
        assertThat(steps.steps().get(0).moved()).isNull();
        assertThat(steps.steps().get(1).moved())
                .as("nothing is printed of the bleach-fix, so it is inverted")
                .isEqualTo(new Moved(Movement.INVERSION, Movement.INVERSION, Movement.INVERSION.agitation()));
    }

    @Test
    public void theHousesOwnWayTakesThePlaceOfTheSheets() {
        RunSteps steps = RunSteps.of(
                moving("stand still", null),
                Map.of("dev", 120, "bx", 390),
                RunSteps.Choices.USUAL.moved(Movement.STICK));
        assertThat(steps.steps().get(0).moved())
                .isEqualTo(new Moved(Movement.STICK, Movement.STICK, Movement.STICK.agitation()));
    }

    @Test
    public void theClockIsTheSheets() {
        Schedule.Timed pour = developer("5 s every 30 s", StepClock.POUR);
        assertThat(pour.startsAt()).isZero();
        Schedule.Timed full = developer("5 s every 30 s", StepClock.FULL);
        assertThat(full.startsAt()).as("filling comes before").isEqualTo(10);
        assertThat(full.endsAt()).isEqualTo(130);
        RunSteps steps = RunSteps.of(
                moving("5 s every 30 s", StepClock.FULL), Map.of("dev", 120, "bx", 390), RunSteps.Choices.USUAL);
        RunProgress progress = RunProgress.of(
                steps,
                List.of(
                        event(0, RunProgress.Kind.POUR, 0, 0),
                        event(130, RunProgress.Kind.POUR, 1, 0),
                        event(530, RunProgress.Kind.DONE, 1, 0)));
        assertThat(progress.passed().get(1).isOnTime())
                .as("ten seconds to fill")
                .isTrue();
        assertThat(progress.passed().get(1).lateSeconds()).isZero();
    }

    @Test
    public void aStepMadeLongerIsMovedInItsSecondsMoreToo() {
        RunSteps steps = negative(RunSteps.Choices.USUAL);
        List<RunProgress.Event> events = new ArrayList<>(perfect(steps).subList(0, 1));
        events.add(event(60, RunProgress.Kind.POUR, 1, 0));
        events.add(event(200, RunProgress.Kind.CHANGE, 1, 60));
        events.add(event(315, RunProgress.Kind.POUR, 2, 0));
        assertThat(RunProgress.of(steps, events).passed().get(1).missed())
                .as("195 s were planned, 255 s it lasted")
                .contains(180.0, 210.0, 240.0);
        events.set(2, event(200, RunProgress.Kind.CHANGE, 1, -60));
        assertThat(RunProgress.of(steps, events).passed().get(1).missed()).doesNotContain(150.0);
    }

    @Test
    public void aBathThatIsMissingIsLeftOut() {
        RunSteps steps = RunSteps.of(
                sheet(FilmProcess.COLOUR_NEGATIVE, bath("dev"), bath("bx")),
                Map.of("dev", 195),
                RunSteps.Choices.USUAL);
        assertThat(names(steps)).containsExactly("Developer");
        assertThat(steps.lightSafeAfter()).isEqualTo(-1);
    }

    @Test
    public void aCarbonBackingNeverEntersASharedBath() {
        assertThat(catchThrowableOfType(
                                Refusal.class,
                                () -> RunSteps.of(
                                        sheet(FilmProcess.CINE_NEGATIVE, bath("dev"), bath("bx")),
                                        Map.of("dev", 195, "bx", 390),
                                        RunSteps.Choices.USUAL))
                        .code())
                .isEqualTo("carbon-backing");
    }

    @Test
    public void slidesAreSafeAfterTheColourDevelopersWash() {
        Leaflet plain = Leaflets.slide();
        Leaflet washed = new Leaflet(
                plain.key(),
                plain.version(),
                plain.name(),
                plain.maker(),
                plain.process(),
                null,
                plain.makesMl(),
                plain.parts(),
                plain.baths(),
                List.of(bath("f1"), bath("cd"), water(ProcessStep.Kind.WASH, 150.0, null)),
                List.of());
        Map<String, Integer> seconds = Map.of("f1", 390, "cd", 360);
        assertThat(RunSteps.of(washed, seconds, RunSteps.Choices.USUAL).lightSafeAfter())
                .isEqualTo(2);
        assertThat(RunSteps.of(plain, seconds, RunSteps.Choices.USUAL).lightSafeAfter())
                .as("no wash is printed")
                .isEqualTo(1);
    }

    @Test
    public void pouringIsShortInAShortStep() {
        RunSteps steps =
                RunSteps.of(sheet(FilmProcess.COLOUR_NEGATIVE, bath("dev")), Map.of("dev", 20), RunSteps.Choices.USUAL);
        assertThat(steps.schedule().steps().get(0).step().fillSeconds()).isEqualTo(5);
    }

    private static RunProgress.Event event(double second, RunProgress.Kind kind, int step, double value) {
        return new RunProgress.Event(BEGAN.plusMillis((long) (second * 1000)), kind, step, value);
    }

    /** Every pour and every movement on the second. */
    private static List<RunProgress.Event> perfect(RunSteps steps) {
        List<RunProgress.Event> events = new ArrayList<>();
        for (int i = 0; i < steps.steps().size(); i++) {
            Schedule.Timed timed = steps.schedule().steps().get(i);
            events.add(event(timed.startsAt(), RunProgress.Kind.POUR, i, 0));
            for (Schedule.Cue cue : timed.cues()) {
                if (cue.kind() == Schedule.Cue.Kind.AGITATE) {
                    events.add(event(timed.startsAt() + cue.at(), RunProgress.Kind.MOVED, i, cue.at()));
                }
            }
        }
        events.add(event(
                steps.schedule().totalSeconds(),
                RunProgress.Kind.DONE,
                steps.steps().size() - 1,
                0));
        return events;
    }

    @Test
    public void aRunOnTimeHasNothingToReport() {
        RunSteps steps = negative(RunSteps.Choices.USUAL);
        RunProgress progress = RunProgress.of(steps, perfect(steps));
        assertThat(progress.over()).isTrue();
        assertThat(progress.passed()).hasSize(4).allSatisfy(passed -> {
            assertThat(passed.lateSeconds()).isZero();
            assertThat(passed.missed()).isEmpty();
            assertThat(passed.realSeconds()).isEqualTo(passed.plannedSeconds());
        });
    }

    @Test
    public void whatWasLateChangedOrMissedIsFound() {
        RunSteps steps = negative(RunSteps.Choices.USUAL);
        List<RunProgress.Event> events = new ArrayList<>(List.of(
                event(0, RunProgress.Kind.POUR, 0, 0),
                event(68, RunProgress.Kind.POUR, 1, 0),
                event(70, RunProgress.Kind.TEMPERATURE, 1, 37.8),
                event(90, RunProgress.Kind.TEMPERATURE, 1, 37.4),
                event(100, RunProgress.Kind.CHANGE, 1, 5),
                event(120, RunProgress.Kind.TROUBLE, 1, Trouble.noted(Accident.FORGOT_TO_MOVE, -1)),
                event(78, RunProgress.Kind.MOVED, 1, 10),
                event(268, RunProgress.Kind.POUR, 2, 0),
                event(658, RunProgress.Kind.POUR, 3, 0),
                event(700, RunProgress.Kind.PAUSE, 3, 0),
                event(730, RunProgress.Kind.GO_ON, 3, 0)));
        RunProgress.Passed developer = RunProgress.of(steps, events).passed().get(1);
        assertThat(developer.lateSeconds()).isEqualTo(8);
        assertThat(developer.isOnTime()).isFalse();
        assertThat(RunProgress.readings(events, 1))
                .containsExactly(
                        new EquivalentDevelopment.Reading(2, 37.8), new EquivalentDevelopment.Reading(22, 37.4));
        assertThat(RunProgress.readings(events, 0)).isEmpty();
        assertThat(developer.plannedSeconds()).isEqualTo(200);
        assertThat(developer.realSeconds()).isEqualTo(200);
        assertThat(developer.celsius()).isCloseTo(37.6, within(1e-9));
        assertThat(developer.troubles()).containsExactly(new Trouble(1, 52, Accident.FORGOT_TO_MOVE, -1));
        assertThat(developer.missed()).containsExactly(60.0, 90.0, 120.0, 150.0, 180.0);
        RunProgress stopped = RunProgress.of(steps, events);
        assertThat(stopped.over()).isFalse();
        List<RunProgress.Event> unticked = new ArrayList<>(events);
        unticked.add(event(155, RunProgress.Kind.UNTICKED, 1, 1));
        unticked.add(event(200, RunProgress.Kind.UNTICKED, 1, 0));
        assertThat(RunProgress.of(steps, unticked).passed().get(1).missed())
                .as("from 87 s to 132 s nobody was asked to tick")
                .containsExactly(60.0, 150.0, 180.0);
        assertThat(RunProgress.of(steps, events.subList(0, 6)).passed().get(1).missed())
                .as("nothing is known after 120 s: what was to come was not missed")
                .containsExactly(10.0);
        assertThat(stopped.passed().get(3).realSeconds()).isNull();
        events.add(event(810, RunProgress.Kind.DONE, 3, 0));
        assertThat(RunProgress.of(steps, events).passed().get(3).realSeconds())
                .as("the pause does not count")
                .isEqualTo(122);
    }

    @Test
    public void aLongRunIsTimedToATenthOfASecond() {
        Map<String, Integer> seconds = new HashMap<>(Map.of("dev", 195, "bx", 2085));
        RunSteps steps = RunSteps.of(
                sheet(FilmProcess.COLOUR_NEGATIVE, bath("dev"), bath("bx"), water(ProcessStep.Kind.WASH, 120.0, null)),
                seconds,
                RunSteps.Choices.USUAL);
        assertThat(steps.schedule().totalSeconds()).isEqualTo(40 * 60);
        RunProgress progress = RunProgress.of(steps, perfect(steps));
        double real = progress.passed().stream()
                .mapToDouble(RunProgress.Passed::realSeconds)
                .sum();
        assertThat(real).isCloseTo(40 * 60, within(0.2));
    }

    @Test
    public void setHighAtFirstIsOfferedOnlyWhereItHelps() {
        WarmUp.Tub cold = new WarmUp.Tub(8, 1000, 8, 18, 20);
        List<WarmUp.Wanted> bottles = List.of(new WarmUp.Wanted(new WarmUp.Warmed(1, 6, 18), 37, 39));
        WarmUp plain = WarmUp.of(cold, bottles, 38);
        WarmUp high = WarmUp.overshooting(cold, bottles, 39.5, 38);
        assertThat(high).isNotNull();
        assertThat(high.readySeconds()).isLessThan(plain.readySeconds());
        assertThat(high.bottles().get(0)).isNotEmpty().allSatisfy(celsius -> assertThat(celsius)
                .isLessThanOrEqualTo(39));
        assertThat(WarmUp.overshooting(cold, bottles, 38, 38)).isNull();
        assertThat(catchThrowableOfType(Refusal.class, () -> new WarmUp.Tub(0, 1, 1, 1, 1))
                        .code())
                .isEqualTo("tub-empty");
    }

    @Test
    public void aBottlesOwnFigureIsFittedFromTwoReadings() {
        List<WarmUp.Wanted> bottles = List.of(new WarmUp.Wanted(new WarmUp.Warmed(1, 5.5, 18), 37.5, 38.5));
        WarmUp warm = WarmUp.of(new WarmUp.Tub(50, 3000, 0, 40, 40), bottles, 40);
        double first = warm.bottles().get(0).get(2);
        double second = warm.bottles().get(0).get(12);
        assertThat(WarmUp.fitted(1, 40, first, second, 600)).isCloseTo(5.5, within(0.1));
        assertThat(catchThrowableOfType(Refusal.class, () -> WarmUp.fitted(1, 40, 30, 29, 600))
                        .code())
                .isEqualTo("readings-do-not-fit");
    }
}
