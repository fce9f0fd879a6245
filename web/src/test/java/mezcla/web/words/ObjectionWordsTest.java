package mezcla.web.words;

import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.lang.reflect.RecordComponent;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import mezcla.batch.FillState;
import mezcla.leaflet.BathRole;
import mezcla.leaflet.Unit;
import mezcla.log.EntryVoided;
import mezcla.log.Stamp;
import mezcla.log.Subject;
import mezcla.measure.FilmFormat.Reel;
import mezcla.measure.Objection;
import mezcla.measure.TypedObjection;
import mezcla.mixing.MixingObjection;
import mezcla.verdict.Reason;
import mezcla.web.Sample;
import mezcla.web.forms.FormObjection;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Every kind of objection has a sentence, every sentence is used, and every kind is raised somewhere. */
public class ObjectionWordsTest {
    private static final JavaClasses ALL = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .importPackages("mezcla");
    private static final List<String> SOFTWARE_WORDS = List.of("record", "entity", "submit", "invalid", "null", "{");

    private static List<Class<?>> kinds() {
        List<Class<?>> kinds = new ArrayList<>();
        for (JavaClass each : ALL) {
            if (each.isAssignableTo(Objection.class) && !each.isInterface()) {
                kinds.add(each.reflect());
            }
        }
        return kinds;
    }

    @DataProvider
    public Object[][] everyKind() {
        return kinds().stream().map(kind -> new Object[] {kind}).toArray(Object[][]::new);
    }

    @Test
    public void kindsAreRecordsOfASealedFamily() {
        assertThat(kinds()).hasSizeGreaterThan(150).allMatch(Class::isRecord).allMatch(kind -> Arrays.stream(
                        kind.getInterfaces())
                .anyMatch(family -> family.isSealed() && Objection.class.isAssignableFrom(family)));
    }

    @Test(dataProvider = "everyKind")
    public void everyKindHasASentence(Class<?> kind) throws ReflectiveOperationException {
        for (double figure : new double[] {0, 1234.5}) {
            String sentence = ObjectionWords.of(example(kind, figure)).replace('\u00a0', ' ');
            assertThat(sentence).matches("(?s).*[.}]").doesNotContain("  ", "%s");
            if (!kind.equals(FormObjection.NotReadings.class)) {
                assertThat(SOFTWARE_WORDS)
                        .noneMatch(word -> sentence.toLowerCase(Locale.ROOT).contains(word));
            }
        }
    }

    @Test
    public void everySentenceIsUsed() throws ReflectiveOperationException {
        Set<String> used = new HashSet<>();
        for (Class<?> kind : kinds()) {
            used.add(example(kind, 0).wording());
            used.add(example(kind, 1234.5).wording());
        }
        assertThat(used).isEqualTo(ObjectionWords.names());
    }

    private static final String SOURCES = sources();

    private static String sources() {
        try (Stream<Path> files = Files.walk(Path.of("src", "main", "java"))) {
            StringBuilder all = new StringBuilder();
            for (Path file :
                    files.filter(each -> each.toString().endsWith(".java")).toList()) {
                all.append(Files.readString(file));
            }
            return all.toString();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @Test(dataProvider = "everyKind")
    public void everyKindIsRaised(Class<?> kind) {
        boolean declared = SOURCES.contains(
                "or = " + kind.getEnclosingClass().getSimpleName() + "." + kind.getSimpleName() + ".class");
        assertThat(declared
                        || ALL.get(kind).getConstructors().stream()
                                .anyMatch(constructor ->
                                        !constructor.getAccessesToSelf().isEmpty()))
                .as("a place that objects to it, or a field that declares it")
                .isTrue();
    }

    @DataProvider
    public Object[][] sentences() {
        return new Object[][] {
            {
                new TypedObjection.AmbiguousNumber("1,200", 1.2, 1200, "ml"),
                "“1,200” could be 1.2 or 1200 ml. Type it without the comma or point, or with another number of"
                        + " decimals."
            },
            {
                new TypedObjection.OutOfRange("-5", 0.01, 100_000, "ml"),
                "“-5” is out of range. It can be 0.01 ml to 100 L."
            },
            {
                new MixingObjection.MoreThanTheKitAllows("Developer C", 480.9),
                "This kit makes no more than 480 ml: Developer C runs out first."
            },
            {
                new MixingObjection.MoreThanTheKitAllows("Developer C", 0.5),
                "Developer C has run out, so this kit makes no more."
            },
            {new MixingObjection.PartRunsOut("Developer A", 12, 7.5, Unit.G), "Developer A: 12 g needed, 7.5 g left."},
        };
    }

    @Test(dataProvider = "sentences")
    public void sentencesCarryTheirValues(Objection objection, String sentence) {
        assertThat(ObjectionWords.of(objection).replace('\u00a0', ' ')).isEqualTo(sentence);
    }

    private static Objection example(Class<?> kind, double figure) throws ReflectiveOperationException {
        RecordComponent[] components = kind.getRecordComponents();
        Object[] values = new Object[components.length];
        for (int i = 0; i < components.length; i++) {
            values[i] = value(components[i].getType(), components[i].getName(), figure);
        }
        Class<?>[] types =
                Arrays.stream(components).map(RecordComponent::getType).toArray(Class[]::new);
        return (Objection) kind.getDeclaredConstructor(types).newInstance(values);
    }

    private static Object value(Class<?> type, String name, double figure) {
        if (type == double.class) {
            return figure;
        } else if (type == boolean.class) {
            return figure > 0;
        } else if (type == int.class) {
            return (int) figure;
        } else if (type == long.class) {
            return (long) figure;
        } else if (type == String.class) {
            return name.equals("unit") ? "ml" : "Twelve";
        }
        FillState fill = Sample.developer();
        return Map.<Class<?>, Object>of(
                        FillState.class,
                        fill,
                        FillState.Bar.class,
                        new FillState.Bar(Instant.EPOCH, "Ines", "it smells."),
                        Reason.class,
                        new Reason(Reason.Code.OVER_ROLLS, "dev", 18, 18, Reason.LimitOf.LEAFLET),
                        Unit.class,
                        Unit.ML,
                        BathRole.class,
                        BathRole.BLEACH_FIX,
                        Subject.class,
                        Subject.fill(4),
                        Instant.class,
                        Instant.EPOCH,
                        Reel.class,
                        Reel.R120,
                        List.class,
                        List.of(new EntryVoided(
                                new Stamp(7, Instant.EPOCH, Instant.EPOCH, "Ines", false), 6, "mistake")),
                        Map.class,
                        Map.of(Reel.R135, 2))
                .get(type);
    }
}
