package mezcla;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import mezcla.leaflet.Addition;
import mezcla.leaflet.Bath;
import mezcla.leaflet.BathRole;
import mezcla.leaflet.Exhaustion;
import mezcla.leaflet.FilmProcess;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.MixingTemperature;
import mezcla.leaflet.Part;
import mezcla.leaflet.Range;
import mezcla.leaflet.Recipe;
import mezcla.leaflet.Timing;
import mezcla.leaflet.Unit;
import mezcla.measure.Volume;
import org.jspecify.annotations.Nullable;

/** Invented leaflets for tests. */
public final class Leaflets {
    private Leaflets() {}

    /** A developer and a bleach-fix of two parts each, for 1000 ml and 10 rolls. */
    public static Leaflet negative() {
        return negative(1);
    }

    /** A second version of the same, whose capacity is printed for another volume, in ml. */
    public static Leaflet negativeFor(double capacityForMl) {
        return withBaths(
                negative(2),
                bath -> new Bath(
                        bath.key(),
                        bath.role(),
                        bath.recipe(),
                        bath.timing(),
                        capacityForMl,
                        bath.capacity(),
                        bath.lifeDays(),
                        null,
                        null));
    }

    /** The sheet of a bath that is sold alone. */
    public static Leaflet only(Leaflet whole, String name, String bathKey) {
        Bath bath = whole.bath(bathKey);
        return new Leaflet(
                "only-" + whole.key(),
                1,
                name,
                whole.maker(),
                whole.process(),
                null,
                whole.makesMl(),
                whole.parts().stream()
                        .filter(part -> bath.recipe().additions().stream()
                                .anyMatch(addition -> addition.part().equals(part.key())))
                        .toList(),
                List.of(bath),
                List.of(),
                List.of());
    }

    /** A leaflet whose parts are otherwise. */
    public static Leaflet withParts(Leaflet plain, UnaryOperator<Part> otherwise) {
        return new Leaflet(
                plain.key(),
                plain.version(),
                plain.name(),
                plain.maker(),
                plain.process(),
                null,
                plain.makesMl(),
                plain.parts().stream().map(otherwise).toList(),
                plain.baths(),
                plain.steps(),
                plain.examples());
    }

    /** A leaflet whose baths are otherwise. */
    public static Leaflet withBaths(Leaflet plain, UnaryOperator<Bath> otherwise) {
        return new Leaflet(
                plain.key(),
                plain.version(),
                plain.name(),
                plain.maker(),
                plain.process(),
                null,
                plain.makesMl(),
                plain.parts(),
                plain.baths().stream().map(otherwise).toList(),
                plain.steps(),
                plain.examples());
    }

    /** The negative leaflet, each of whose baths is mixed in water as warm as a function says, in °C; null for unsaid. */
    public static Leaflet mixedIn(Function<Bath, @Nullable Double> celsius) {
        return withBaths(negative(), bath -> {
            Double c = celsius.apply(bath);
            Recipe recipe = bath.recipe();
            return new Bath(
                    bath.key(),
                    bath.role(),
                    new Recipe(
                            recipe.mode(),
                            recipe.finalMl(),
                            recipe.startWaterMl(),
                            c == null ? null : new MixingTemperature(null, c, null),
                            recipe.additions()),
                    bath.timing(),
                    bath.capacityForMl(),
                    bath.capacity(),
                    bath.lifeDays(),
                    null,
                    null);
        });
    }

    /** Two sachets without a weight, each of which makes a litre of one bath in water of 38 °C. */
    public static Leaflet sachets() {
        Leaflet plain = negative();
        Map<String, String> sachet = Map.of("dev", "a", "bx", "b");
        List<Bath> baths = plain.baths().stream()
                .map(bath -> recipe(
                        bath,
                        new Recipe(
                                Recipe.Mode.TOP_UP,
                                1000,
                                750,
                                new MixingTemperature(null, 38, null),
                                List.of(new Addition(
                                        Objects.requireNonNull(sachet.get(bath.key())),
                                        1,
                                        Unit.SACHET,
                                        Addition.Care.NORMAL,
                                        null,
                                        null)))))
                .toList();
        return new Leaflet(
                "test-sachets",
                1,
                "Test Sachets 1 L",
                "Nobody",
                plain.process(),
                null,
                1000,
                List.of(
                        new Part("a", "Developer", 1, Unit.SACHET, false, null, null, null),
                        new Part("b", "Bleach-fix", 1, Unit.SACHET, false, null, null, null)),
                baths,
                plain.steps(),
                plain.examples());
    }

    /** The negative leaflet as a US quart: the same parts fill 32 fl oz. */
    public static Leaflet quart() {
        double quartMl = Volume.parse("32 fl oz", Volume.Unit.ML).ml();
        Leaflet plain = withBaths(
                negative(),
                bath -> recipe(
                        bath,
                        new Recipe(
                                Recipe.Mode.TOP_UP,
                                quartMl,
                                bath.recipe().startWaterMl() * quartMl / 1000,
                                bath.recipe().mixingC(),
                                bath.recipe().additions())));
        return new Leaflet(
                "test-quart",
                1,
                "Test Quart",
                "Nobody",
                plain.process(),
                null,
                quartMl,
                plain.parts(),
                plain.baths(),
                plain.steps(),
                plain.examples());
    }

    private static Bath recipe(Bath bath, Recipe recipe) {
        return new Bath(
                bath.key(),
                bath.role(),
                recipe,
                bath.timing(),
                bath.capacityForMl(),
                bath.capacity(),
                bath.lifeDays(),
                null,
                null);
    }

    private static Leaflet negative(int version) {
        return new Leaflet(
                "test-negative",
                version,
                "Test Negative 1 L",
                "Nobody",
                FilmProcess.COLOUR_NEGATIVE,
                null,
                1000,
                List.of(part("dev-a", 100), part("dev-b", 50), part("bx-a", 200), part("bx-b", 100)),
                List.of(
                        bath(
                                "dev",
                                BathRole.DEVELOPER,
                                steps(),
                                push(),
                                new Range(8, 10),
                                null,
                                "dev-a",
                                100,
                                "dev-b",
                                50),
                        bath(
                                "bx",
                                BathRole.BLEACH_FIX,
                                new Exhaustion.PerRoll(2),
                                List.of(),
                                new Range(12, 14),
                                null,
                                "bx-a",
                                200,
                                "bx-b",
                                100)),
                List.of(),
                List.of());
    }

    /** A first developer that is diluted 1 + 1 and poured away, a colour developer and a bleach-fix. */
    public static Leaflet slide() {
        return new Leaflet(
                "test-slide",
                1,
                "Test Slide 1 L",
                "Nobody",
                FilmProcess.COLOUR_SLIDE,
                null,
                1000,
                List.of(part("f1", 200), part("cd", 200), part("bx", 200)),
                List.of(
                        bath(
                                "f1",
                                BathRole.FIRST_DEVELOPER,
                                new Exhaustion.Fixed(),
                                push(),
                                new Range(12, 12),
                                new Bath.OneShot(1, 1),
                                "f1",
                                200),
                        bath(
                                "cd",
                                BathRole.COLOUR_DEVELOPER,
                                new Exhaustion.Fixed(),
                                List.of(),
                                new Range(6, 6),
                                null,
                                "cd",
                                200),
                        bath(
                                "bx",
                                BathRole.BLEACH_FIX,
                                new Exhaustion.Fixed(),
                                List.of(),
                                new Range(12, 12),
                                null,
                                "bx",
                                200)),
                List.of(),
                List.of());
    }

    private static Exhaustion steps() {
        return new Exhaustion.Steps(
                List.of(new Exhaustion.Step(4, 200), new Exhaustion.Step(7, 220), new Exhaustion.Step(10, 245)));
    }

    private static List<Timing.Push> push() {
        return List.of(new Timing.Push(1, 1.3, 1), new Timing.Push(2, 1.7, 1.5));
    }

    private static Part part(String key, double amount) {
        return new Part(key, "Part " + key, amount, Unit.ML, false, null, null, null);
    }

    private static Bath bath(
            String key,
            BathRole role,
            Exhaustion exhaustion,
            List<Timing.Push> push,
            Range capacity,
            Bath.@Nullable OneShot oneShot,
            Object... parts) {
        List<Addition> additions = new ArrayList<>();
        for (int i = 0; i < parts.length; i += 2) {
            additions.add(
                    new Addition((String) parts[i], (Integer) parts[i + 1], Unit.ML, Addition.Care.NORMAL, null, null));
        }
        return new Bath(
                key,
                role,
                new Recipe(Recipe.Mode.TOP_UP, 1000, 600, null, additions),
                new Timing(200, 38, 37.7, 38.3, exhaustion, push, List.of()),
                1000,
                capacity,
                new Range(28, 42),
                oneShot,
                null);
    }
}
