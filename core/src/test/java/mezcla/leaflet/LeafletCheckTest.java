package mezcla.leaflet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.function.UnaryOperator;
import mezcla.Leaflets;
import mezcla.measure.Temperature;
import mezcla.measure.Volume;
import org.jspecify.annotations.Nullable;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What is odd about a sheet is pointed out, and nothing else is. */
public class LeafletCheckTest {
    private static final Leaflet SOUND = Leaflets.negative();

    @Test
    public void aSoundSheetIsPassedOver() {
        assertThat(LeafletCheck.of(SOUND)).isEmpty();
    }

    @DataProvider
    public Object[][] odd() {
        return new Object[][] {
            {LeafletCheck.Code.PART_TAKES_MORE, part(90, null, null, null)},
            {LeafletCheck.Code.PART_LEFT_OVER, part(130, null, null, null)},
            {LeafletCheck.Code.OPENED_OUTLASTS_SEALED, part(100, 30.0, 60.0, null)},
            {LeafletCheck.Code.VALUE_SHARES, part(100, null, null, 0.4)},
            {LeafletCheck.Code.PART_UNUSED, recipe(Recipe.Mode.TOP_UP, 600, List.of("dev-b"))},
            {LeafletCheck.Code.BATH_WITHOUT_PARTS, recipe(Recipe.Mode.TOP_UP, 600, List.of())},
            {LeafletCheck.Code.RECIPE_OVERSHOOTS, recipe(Recipe.Mode.TOP_UP, 900, List.of("dev-a", "dev-b"))},
            {
                LeafletCheck.Code.RECIPE_MAKES_OTHER_VOLUME,
                recipe(Recipe.Mode.FIXED_WATER, 600, List.of("dev-a", "dev-b"))
            },
            {LeafletCheck.Code.CAPACITY_BEYOND_STEPS, bath(new Range(8, 12), timing(37.7, List.of(10.0, 200.0), null))},
            {LeafletCheck.Code.STEPS_FALL, bath(new Range(8, 10), timing(37.7, List.of(5.0, 200.0, 10.0, 190.0), null))
            },
            {LeafletCheck.Code.DEVELOPER_TOLERANCE, bath(new Range(8, 10), timing(37, List.of(10.0, 200.0), null))},
            {
                LeafletCheck.Code.TABLE_RISES,
                bath(
                        new Range(8, 10),
                        timing(
                                37.7,
                                List.of(10.0, 200.0),
                                List.of(new Timing.TimeAt(35, 200), new Timing.TimeAt(38, 240))))
            },
            {
                LeafletCheck.Code.TABLE_CONTRADICTS,
                bath(
                        new Range(8, 10),
                        timing(
                                37.7,
                                List.of(10.0, 200.0),
                                List.of(new Timing.TimeAt(35, 260), new Timing.TimeAt(38, 240))))
            },
            {LeafletCheck.Code.TEMPERATURE_ODD, bath(new Range(8, 10), warm(3, 200))},
            {LeafletCheck.Code.TEMPERATURE_ODD, bath(new Range(8, 10), warm(60, 200))},
            {LeafletCheck.Code.LONG_TIME, bath(new Range(8, 10), warm(38, 2000))},
            {LeafletCheck.Code.SHORT_TIME, bath(new Range(8, 10), warm(38, 8))},
            {LeafletCheck.Code.TOLERANCE_NOT_PRINTED, bath(new Range(8, 10), untold())},
            {
                LeafletCheck.Code.CAPACITY_FOR_OTHER_VOLUME,
                (UnaryOperator<Leaflet>) sheet -> developer(
                        sheet,
                        bath -> new Bath(
                                "dev",
                                bath.role(),
                                bath.recipe(),
                                bath.timing(),
                                600,
                                bath.capacity(),
                                bath.lifeDays(),
                                null,
                                null))
            },
            {
                LeafletCheck.Code.BATH_MISSING,
                (UnaryOperator<Leaflet>) sheet -> with(
                        sheet,
                        sheet.parts(),
                        List.of(sheet.baths().get(0), as(sheet.baths().get(1), BathRole.STABILISER)),
                        List.of())
            },
            {LeafletCheck.Code.CAPACITY_NOT_PRINTED, bath(null, timing(37.7, List.of(10.0, 200.0), null))},
            {
                LeafletCheck.Code.STEP_MISSING,
                (UnaryOperator<Leaflet>) sheet -> with(
                        sheet,
                        sheet.parts(),
                        sheet.baths(),
                        List.of(new ProcessStep(ProcessStep.Kind.BATH, "dev", null, null, null)))
            },
        };
    }

    @Test(dataProvider = "odd")
    public void oddThingsArePointedOut(LeafletCheck.Code code, UnaryOperator<Leaflet> slip) {
        assertThat(LeafletCheck.of(slip.apply(SOUND)))
                .extracting(LeafletCheck.Remark::code)
                .contains(code)
                .hasSizeLessThanOrEqualTo(3);
    }

    @Test
    public void anOrderThatNoProcessHasIsAskedAbout() {
        List<Bath> backwards = new ArrayList<>(SOUND.baths());
        Collections.reverse(backwards);
        assertThat(LeafletCheck.of(with(SOUND, SOUND.parts(), backwards, List.of())))
                .filteredOn(remark -> remark.code() == LeafletCheck.Code.ORDER_ODD)
                .extracting(remark -> remark.bath().role(), LeafletCheck.Remark::missing)
                .containsExactly(tuple(BathRole.DEVELOPER, BathRole.BLEACH_FIX));
    }

    @Test
    public void aStopBelongsAfterADeveloper() {
        Bath developer = SOUND.baths().get(0);
        Bath stop = as(developer, BathRole.STOP);
        assertThat(codes(developer, stop, as(developer, BathRole.BLEACH))).doesNotContain(LeafletCheck.Code.ORDER_ODD);
        assertThat(codes(developer, as(developer, BathRole.BLEACH), stop)).contains(LeafletCheck.Code.ORDER_ODD);
        assertThat(codes(developer, as(developer, BathRole.BLEACH_FIX), as(developer, BathRole.FIXER)))
                .doesNotContain(LeafletCheck.Code.ORDER_ODD);
        assertThat(codes(developer, as(developer, BathRole.WETTING_AGENT), as(developer, BathRole.STABILISER)))
                .doesNotContain(LeafletCheck.Code.ORDER_ODD);
    }

    private static List<LeafletCheck.Code> codes(Bath... baths) {
        return LeafletCheck.of(with(SOUND, SOUND.parts(), List.of(baths), List.of())).stream()
                .map(LeafletCheck.Remark::code)
                .toList();
    }

    private static Bath as(Bath bath, BathRole role) {
        return new Bath(
                role.key(),
                role,
                bath.recipe(),
                bath.timing(),
                bath.capacityForMl(),
                bath.capacity(),
                bath.lifeDays(),
                null,
                null);
    }

    @DataProvider
    public Object[][] named() {
        return new Object[][] {
            {"Bleach-fix A", BathRole.STOP, BathRole.BLEACH_FIX},
            {"Bleach", BathRole.STOP, BathRole.BLEACH},
            {"Bleach", BathRole.BLEACH_FIX, null},
            {"Blix B", BathRole.BLEACH_FIX, null},
            {"Fixer", BathRole.BLEACH, BathRole.FIXER},
            {"Developer A", BathRole.FIRST_DEVELOPER, null},
            {"Colour developer A", BathRole.DEVELOPER, null},
            {"Colour developer A", BathRole.FIRST_DEVELOPER, BathRole.COLOUR_DEVELOPER},
            {"Wetting agent", BathRole.STABILISER, null},
            {"Part C", BathRole.FIXER, null},
            {"Fixerless powder", BathRole.STOP, null},
        };
    }

    @Test(dataProvider = "named")
    public void aPartThatIsNamedForAnotherBathIsAskedAbout(String part, BathRole role, @Nullable BathRole named) {
        Bath bath = as(SOUND.baths().get(0), role);
        List<Part> parts = SOUND.parts().stream()
                .map(each -> each.key().equals("dev-a")
                        ? new Part("dev-a", part, each.amount(), each.unit(), false, null, null, null)
                        : each)
                .toList();
        assertThat(LeafletCheck.of(with(SOUND, parts, List.of(bath), List.of())))
                .filteredOn(remark -> remark.code() == LeafletCheck.Code.PART_OF_ANOTHER_BATH)
                .extracting(LeafletCheck.Remark::missing)
                .isEqualTo(named == null ? List.of() : List.of(named));
    }

    private static double figure(LeafletCheck.Code code, UnaryOperator<Leaflet> slip) {
        return LeafletCheck.of(slip.apply(SOUND)).stream()
                .filter(remark -> remark.code() == code)
                .mapToDouble(LeafletCheck.Remark::figure)
                .findFirst()
                .orElse(0);
    }

    @Test
    public void aRemarkSaysByHowMuch() {
        assertThat(figure(LeafletCheck.Code.PART_TAKES_MORE, part(90, null, null, null)))
                .isEqualTo(100);
        assertThat(figure(LeafletCheck.Code.PART_LEFT_OVER, part(130, null, null, null)))
                .isEqualTo(30);
        assertThat(figure(
                        LeafletCheck.Code.RECIPE_OVERSHOOTS,
                        recipe(Recipe.Mode.TOP_UP, 900, List.of("dev-a", "dev-b"))))
                .isEqualTo(50);
        assertThat(figure(
                        LeafletCheck.Code.RECIPE_MAKES_OTHER_VOLUME,
                        recipe(Recipe.Mode.FIXED_WATER, 600, List.of("dev-a", "dev-b"))))
                .isEqualTo(750);
        assertThat(figure(
                        LeafletCheck.Code.DEVELOPER_TOLERANCE,
                        bath(new Range(8, 10), timing(37, List.of(10.0, 200.0), null))))
                .isEqualTo(1);
    }

    @DataProvider
    public Object[][] nearEnough() {
        return new Object[][] {
            {part(99.6, null, null, null)},
            {part(100.4, null, null, null)},
            {part(100, 60.0, 60.0, null)},
            {part(100, null, 60.0, null)},
            {recipe(Recipe.Mode.TOP_UP, 854, List.of("dev-a", "dev-b"))},
            {recipe(Recipe.Mode.FIXED_WATER, 846, List.of("dev-a", "dev-b"))},
            {recipe(Recipe.Mode.FIXED_WATER, 854, List.of("dev-a", "dev-b"))},
            {bath(new Range(8, 10), timing(37.5, List.of(10.0, 200.0), null))},
            {bath(new Range(8, 10), timing(37.7, List.of(5.0, 200.0, 10.0, 200.0), null))},
            {
                bath(
                        new Range(8, 10),
                        timing(
                                37.7,
                                List.of(10.0, 200.0),
                                List.of(new Timing.TimeAt(35, 240), new Timing.TimeAt(38, 200))))
            },
            {
                (UnaryOperator<Leaflet>) sheet -> with(
                        sheet,
                        sheet.parts(),
                        sheet.baths(),
                        List.of(
                                new ProcessStep(ProcessStep.Kind.BATH, "dev", null, null, null),
                                new ProcessStep(ProcessStep.Kind.BATH, "bx", null, null, null)))
            },
        };
    }

    @Test(dataProvider = "nearEnough")
    public void whatIsNearEnoughIsPassedOver(UnaryOperator<Leaflet> sound) {
        assertThat(LeafletCheck.of(sound.apply(SOUND))).isEmpty();
    }

    @Test
    public void powdersNeedRoomBySixTenthsOfTheirWeight() {
        assertThat(figure(LeafletCheck.Code.RECIPE_OVERSHOOTS, scaled(1000, 900, 2, Unit.G)))
                .isEqualTo(Unit.G.roomMl(300) - 100);
    }

    @Test
    public void aRecipeForAnotherVolumeTakesItsShareOfTheKit() {
        assertThat(LeafletCheck.of(scaled(500, 300, 0.5, Unit.ML).apply(SOUND))).isEmpty();
    }

    /** A developer's recipe for another volume and water, with so many times its parts, in ml or g. */
    private static UnaryOperator<Leaflet> scaled(double finalMl, double waterMl, double times, Unit unit) {
        return sheet -> developer(
                sheet,
                bath -> new Bath(
                        "dev",
                        bath.role(),
                        new Recipe(
                                Recipe.Mode.TOP_UP,
                                finalMl,
                                waterMl,
                                null,
                                bath.recipe().additions().stream()
                                        .map(part -> new Addition(
                                                part.part(),
                                                part.amount() * times,
                                                unit,
                                                Addition.Care.NORMAL,
                                                null,
                                                null))
                                        .toList()),
                        bath.timing(),
                        1000,
                        bath.capacity(),
                        bath.lifeDays(),
                        null,
                        null));
    }

    @Test
    public void aFigureTypedAgainMayHaveBeenRounded() {
        CriticalFigure time = CriticalFigure.of(SOUND).stream()
                .filter(figure -> figure.bath().equals("dev") && figure.kind() == CriticalFigure.Kind.TIME)
                .findFirst()
                .orElseThrow();
        assertThat(time.id()).isEqualTo("TIME_dev__0");
        assertThat(again(time, "3:20")).isTrue();
        assertThat(again(time, "201 s")).isTrue();
        assertThat(again(time, "199 s")).isTrue();
        assertThat(again(time, "202 s")).isFalse();
        assertThat(again(time, "198 s")).isFalse();
        assertThat(again(time, "3:20 to 4:00")).isFalse();
        assertThat(again(time, "at least 3:20")).isFalse();
        assertThat(CriticalFigure.of(SOUND))
                .filteredOn(figure -> figure.bath().equals("dev"))
                .extracting(CriticalFigure::kind, figure -> figure.typed().values())
                .containsExactly(
                        tuple(CriticalFigure.Kind.MAKES, List.of(1000.0)),
                        tuple(CriticalFigure.Kind.START_WATER, List.of(600.0)),
                        tuple(CriticalFigure.Kind.AMOUNT, List.of(100.0)),
                        tuple(CriticalFigure.Kind.AMOUNT, List.of(50.0)),
                        tuple(CriticalFigure.Kind.TIME, List.of(200.0, 200.0)),
                        tuple(CriticalFigure.Kind.TEMPERATURE, List.of(38.0)),
                        tuple(CriticalFigure.Kind.TOLERANCE, List.of(37.7, 38.3)),
                        tuple(CriticalFigure.Kind.BANDS, List.of(4.0, 200.0, 7.0, 220.0, 10.0, 245.0)),
                        tuple(CriticalFigure.Kind.PUSH, List.of(1.0, 1.3, 1.0, 2.0, 1.7, 1.5)),
                        tuple(CriticalFigure.Kind.ROLLS, List.of(8.0, 10.0)),
                        tuple(CriticalFigure.Kind.ROLLS_IN, List.of(1000.0)),
                        tuple(CriticalFigure.Kind.DAYS, List.of(28.0, 42.0)));
    }

    private static List<LeafletCheck.Code> said(UnaryOperator<Leaflet> slip) {
        return LeafletCheck.of(slip.apply(SOUND)).stream()
                .map(LeafletCheck.Remark::code)
                .toList();
    }

    /** Half a percent is rounding; a figure at a limit is within it. */
    @Test
    public void figuresAtTheirLimitsArePassedOver() {
        assertThat(said(part(99.51, null, null, null))).isEmpty();
        assertThat(said(part(99.4, null, null, null))).containsExactly(LeafletCheck.Code.PART_TAKES_MORE);
        assertThat(said(part(100.6, null, null, null))).containsExactly(LeafletCheck.Code.PART_LEFT_OVER);
        assertThat(said(recipe(Recipe.Mode.TOP_UP, 854.9, List.of("dev-a", "dev-b"))))
                .isEmpty();
        assertThat(said(recipe(Recipe.Mode.TOP_UP, 856, List.of("dev-a", "dev-b"))))
                .containsExactly(LeafletCheck.Code.RECIPE_OVERSHOOTS);
        assertThat(said(recipe(Recipe.Mode.FIXED_WATER, 845.1, List.of("dev-a", "dev-b"))))
                .isEmpty();
        assertThat(said(recipe(Recipe.Mode.FIXED_WATER, 844, List.of("dev-a", "dev-b"))))
                .containsExactly(LeafletCheck.Code.RECIPE_MAKES_OTHER_VOLUME);
        assertThat(said(bath(new Range(8, 10), warm(38, 60)))).isEmpty();
        assertThat(said(bath(new Range(8, 10), timing(37.6, List.of(10.0, 200.0), table(38.0, 201)))))
                .isEmpty();
        assertThat(said(bath(new Range(8, 10), timing(37.6, List.of(10.0, 200.0), table(38.0, 202)))))
                .containsExactly(LeafletCheck.Code.TABLE_CONTRADICTS);
        assertThat(said(bath(new Range(8, 10), timing(37.6, List.of(10.0, 200.0), table(38.0, 198)))))
                .containsExactly(LeafletCheck.Code.TABLE_CONTRADICTS);
        assertThat(said(bath(new Range(8, 10), timing(37.6, List.of(10.0, 200.0), table(39.0, 150)))))
                .isEmpty();
    }

    private static List<Timing.TimeAt> table(double c, double seconds) {
        return List.of(new Timing.TimeAt(c, seconds));
    }

    @Test
    public void waterBetweenPartsCountsAmongWhatIsMade() {
        UnaryOperator<Leaflet> watered = sheet -> developer(
                sheet,
                bath -> new Bath(
                        "dev",
                        bath.role(),
                        new Recipe(
                                Recipe.Mode.TOP_UP,
                                1000,
                                700,
                                null,
                                bath.recipe().additions().stream()
                                        .map(part -> new Addition(
                                                part.part(), part.amount(), part.unit(), part.care(), null, null, 100))
                                        .toList()),
                        bath.timing(),
                        1000,
                        bath.capacity(),
                        bath.lifeDays(),
                        null,
                        null));
        assertThat(figure(LeafletCheck.Code.RECIPE_OVERSHOOTS, watered)).isEqualTo(50);
    }

    @Test
    public void aCapacityMayBeForTheKitOrForTheRecipe() {
        for (double ml : new double[] {1000, 1005, 995}) {
            assertThat(said(forMl(ml))).as(ml + " ml").isEmpty();
        }
        for (double ml : new double[] {500, 2000}) {
            assertThat(said(forMl(ml))).as(ml + " ml").containsExactly(LeafletCheck.Code.CAPACITY_FOR_OTHER_VOLUME);
        }
        UnaryOperator<Leaflet> half = scaled(500, 300, 0.5, Unit.ML);
        assertThat(said(sheet -> forMl(500).apply(half.apply(sheet)))).isEmpty();
        assertThat(said(sheet -> forMl(1000).apply(half.apply(sheet)))).isEmpty();
        assertThat(said(sheet -> forMl(700).apply(half.apply(sheet))))
                .containsExactly(LeafletCheck.Code.CAPACITY_FOR_OTHER_VOLUME);
    }

    private static UnaryOperator<Leaflet> forMl(double ml) {
        return sheet -> developer(
                sheet,
                bath -> new Bath(
                        "dev",
                        bath.role(),
                        bath.recipe(),
                        bath.timing(),
                        ml,
                        bath.capacity(),
                        bath.lifeDays(),
                        null,
                        null));
    }

    @Test
    public void aLifeThatIsNotPrintedIsSaid() {
        UnaryOperator<Leaflet> lifeless = sheet -> developer(
                sheet,
                bath -> new Bath(
                        "dev", bath.role(), bath.recipe(), bath.timing(), 1000, bath.capacity(), null, null, null));
        assertThat(said(lifeless)).containsExactly(LeafletCheck.Code.LIFE_NOT_PRINTED);
    }

    @Test
    public void sharesOfTheValueAddUpToOne() {
        assertThat(said(shares(0.25, 0.25, 0.25, 0.25))).isEmpty();
        assertThat(said(shares(0.25, 0.25, 0.25, 0.255))).isEmpty();
        assertThat(said(shares(0.25, 0.25, 0.25, 0.26))).containsExactly(LeafletCheck.Code.VALUE_SHARES);
        assertThat(figure(LeafletCheck.Code.VALUE_SHARES, shares(0.25, 0.25, 0.25, 0.2)))
                .isEqualTo(0.95);
    }

    private static UnaryOperator<Leaflet> shares(double... shares) {
        return sheet -> {
            List<Part> parts = new ArrayList<>();
            for (int i = 0; i < shares.length; i++) {
                Part part = sheet.parts().get(i);
                parts.add(new Part(part.key(), part.name(), part.amount(), Unit.ML, false, null, null, shares[i]));
            }
            return with(sheet, parts, sheet.baths(), List.of());
        };
    }

    private static boolean again(CriticalFigure figure, String typed) {
        return figure.agrees(figure.read(typed, SOUND, Volume.Unit.ML, Temperature.Scale.CELSIUS));
    }

    private static UnaryOperator<Leaflet> part(
            double amount, @Nullable Double sealed, @Nullable Double opened, @Nullable Double share) {
        return sheet -> with(
                sheet,
                sheet.parts().stream()
                        .map(part -> part.key().equals("dev-a")
                                ? new Part("dev-a", "Part dev-a", amount, Unit.ML, false, sealed, opened, share)
                                : part)
                        .toList(),
                sheet.baths(),
                List.of());
    }

    private static UnaryOperator<Leaflet> recipe(Recipe.Mode mode, double water, List<String> parts) {
        return sheet -> developer(
                sheet,
                bath -> new Bath(
                        "dev",
                        bath.role(),
                        new Recipe(
                                mode,
                                1000,
                                water,
                                null,
                                bath.recipe().additions().stream()
                                        .filter(addition -> parts.contains(addition.part()))
                                        .toList()),
                        bath.timing(),
                        1000,
                        bath.capacity(),
                        bath.lifeDays(),
                        null,
                        null));
    }

    private static UnaryOperator<Leaflet> bath(Range capacity, Timing timing) {
        return sheet -> developer(
                sheet,
                bath -> new Bath(
                        "dev", bath.role(), bath.recipe(), timing, 1000, capacity, bath.lifeDays(), null, null));
    }

    private static Timing warm(double atC, double seconds) {
        return new Timing(seconds, atC, atC - 0.3, atC + 0.3, new Exhaustion.Fixed(), List.of(), List.of());
    }

    private static Timing untold() {
        return new Timing(200, 200, 38, 37.7, 38.3, false, new Exhaustion.Fixed(), List.of(), List.of());
    }

    private static Timing timing(double leastC, List<Double> steps, @Nullable List<Timing.TimeAt> table) {
        List<Exhaustion.Step> list = new ArrayList<>();
        for (int i = 0; i < steps.size(); i += 2) {
            list.add(new Exhaustion.Step(steps.get(i), steps.get(i + 1)));
        }
        return new Timing(
                200, 38, leastC, 38.3, new Exhaustion.Steps(list), List.of(), table == null ? List.of() : table);
    }

    private static Leaflet developer(Leaflet sheet, UnaryOperator<Bath> change) {
        return with(
                sheet,
                sheet.parts(),
                sheet.baths().stream()
                        .map(bath -> bath.key().equals("dev") ? change.apply(bath) : bath)
                        .toList(),
                List.of());
    }

    private static Leaflet with(Leaflet sheet, List<Part> parts, List<Bath> baths, List<ProcessStep> steps) {
        return new Leaflet(
                sheet.key(),
                1,
                sheet.name(),
                sheet.maker(),
                sheet.process(),
                null,
                1000,
                parts,
                baths,
                steps,
                List.of());
    }
}
