package mezcla.web;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.lang.ArchCondition;
import com.tngtech.archunit.lang.ConditionEvents;
import com.tngtech.archunit.lang.SimpleConditionEvent;
import com.tngtech.archunit.library.dependencies.SliceAssignment;
import com.tngtech.archunit.library.dependencies.SliceIdentifier;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import mezcla.leaflet.Exhaustion;
import mezcla.log.LogEntry;
import mezcla.processing.Agitation;
import mezcla.verdict.WayOut;
import org.apache.ibatis.annotations.Mapper;
import org.testng.annotations.Test;

/** Holds the shape that docs/ARCHITECTURE.md describes. */
public class ArchitectureTest {
    private static final JavaClasses ALL = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .importPackages("mezcla");

    @Test
    public void coreUsesNothingButJavaAndMoney() {
        classes()
                .that()
                .resideOutsideOfPackage("mezcla.web..")
                .should()
                .onlyDependOnClassesThat()
                .resideInAnyPackage(
                        "java.lang..",
                        "java.math..",
                        "java.time..",
                        "java.util..",
                        "org.joda.money..",
                        "org.jspecify..",
                        "mezcla.measure..",
                        "mezcla.leaflet..",
                        "mezcla.log..",
                        "mezcla.mixing..",
                        "mezcla.batch..",
                        "mezcla.processing..",
                        "mezcla.verdict..",
                        "mezcla.money..",
                        "mezcla.planning..",
                        "mezcla.due..")
                .check(ALL);
    }

    /** A new kind has to answer for itself, so nobody asks a row, or what it says of time and movement, which kind it is. */
    @Test
    public void nobodyAsksOfWhichKindARowIs() {
        classes()
                .that()
                .resideOutsideOfPackage("mezcla.log")
                .should(new ArchCondition<>("not ask which kind of them it has") {
                    @Override
                    public void check(JavaClass asking, ConditionEvents events) {
                        asking.getInstanceofChecks().stream()
                                .filter(asked -> Stream.of(
                                                LogEntry.class, Exhaustion.class, Agitation.class, WayOut.class)
                                        .anyMatch(asked.getRawType()::isAssignableTo))
                                .forEach(asked -> events.add(SimpleConditionEvent.violated(
                                        asking,
                                        "%s asks for %s in line %d"
                                                .formatted(
                                                        asking.getName(),
                                                        asked.getRawType().getName(),
                                                        asked.getLineNumber()))));
                    }
                })
                .check(ALL);
    }

    @Test
    public void coreKnowsNoClock() {
        noClasses()
                .that()
                .resideOutsideOfPackage("mezcla.web..")
                .should()
                .callMethod(java.time.Instant.class, "now")
                .orShould()
                .dependOnClassesThat()
                .areAssignableTo(java.time.Clock.class)
                .check(ALL);
    }

    @Test
    public void corePackagesUseOnlyWhatStandsBelow() {
        layeredArchitecture()
                .consideringOnlyDependenciesInAnyPackage("mezcla..")
                .layer("measure")
                .definedBy("mezcla.measure")
                .layer("leaflet")
                .definedBy("mezcla.leaflet")
                .layer("log")
                .definedBy("mezcla.log")
                .layer("mixing")
                .definedBy("mezcla.mixing")
                .layer("batch")
                .definedBy("mezcla.batch")
                .layer("processing")
                .definedBy("mezcla.processing")
                .layer("verdict")
                .definedBy("mezcla.verdict")
                .layer("money")
                .definedBy("mezcla.money")
                .layer("planning")
                .definedBy("mezcla.planning")
                .layer("due")
                .definedBy("mezcla.due")
                .layer("web")
                .definedBy("mezcla.web..")
                .whereLayer("leaflet")
                .mayOnlyAccessLayers("measure")
                .whereLayer("measure")
                .mayNotAccessAnyLayer()
                .whereLayer("mixing")
                .mayOnlyAccessLayers("leaflet", "measure")
                .whereLayer("log")
                .mayOnlyAccessLayers("leaflet", "measure")
                .whereLayer("batch")
                .mayOnlyAccessLayers("log", "mixing", "leaflet", "measure")
                .whereLayer("processing")
                .mayOnlyAccessLayers("log", "leaflet", "measure")
                .whereLayer("verdict")
                .mayOnlyAccessLayers("processing", "batch", "log", "mixing", "leaflet", "measure")
                .whereLayer("money")
                .mayOnlyAccessLayers("batch", "log", "leaflet", "measure")
                .whereLayer("planning")
                .mayOnlyAccessLayers("money", "batch", "log", "leaflet", "measure")
                .whereLayer("due")
                .mayOnlyAccessLayers("planning", "verdict", "batch", "log", "leaflet", "measure")
                .whereLayer("web")
                .mayNotBeAccessedByAnyLayer()
                .check(ALL);
    }

    @Test
    public void placesHaveNoCycles() {
        slices().assignedFrom(new Places()).should().beFreeOfCycles().check(ALL);
    }

    /** A place with all its rooms; the rooms of the House page stand above what everybody knows of the house. */
    private static final class Places implements SliceAssignment {
        private static final String WEB = "mezcla.web.";

        @Override
        public SliceIdentifier getIdentifierOf(JavaClass each) {
            String name = each.getPackageName();
            if (!name.startsWith(WEB)) {
                return SliceIdentifier.ignore();
            }
            String place = name.substring(WEB.length());
            return SliceIdentifier.of(place.startsWith("house.") ? "house rooms" : place.split("\\.")[0]);
        }

        @Override
        public String getDescription() {
            return "places";
        }
    }

    /** What every place stands on knows no place. */
    @Test
    public void whatPlacesShareKnowsNoPlace() {
        layeredArchitecture()
                .consideringOnlyDependenciesInAnyPackage("mezcla.web..")
                .withOptionalLayers(true)
                .layer("words")
                .definedBy("mezcla.web.words..")
                .layer("forms")
                .definedBy("mezcla.web.forms..")
                .layer("clock")
                .definedBy("mezcla.web.clock")
                .layer("store")
                .definedBy("mezcla.web.store")
                .layer("settings")
                .definedBy("mezcla.web.settings..")
                .whereLayer("words")
                .mayNotAccessAnyLayer()
                .whereLayer("forms")
                .mayOnlyAccessLayers("words")
                .whereLayer("clock")
                .mayNotAccessAnyLayer()
                .whereLayer("store")
                .mayNotAccessAnyLayer()
                .whereLayer("settings")
                .mayOnlyAccessLayers("words", "forms", "clock")
                .check(ALL);
    }

    /** What every place stands on: settings, members, the log, words, forms, and answers that several places give. */
    private static final Set<String> GROUND = Set.of(
            "access",
            "accounts",
            "answers",
            "clock",
            "decided",
            "drawing",
            "drums",
            "film",
            "forms",
            "layout",
            "log",
            "members",
            "mixes",
            "photo",
            "probes",
            "settings",
            "sheets",
            "store",
            "telling",
            "words");

    /** Where one place leans on another; ARCHITECTURE.md says why, for each. */
    private static final Set<String> ARROWS = Set.of(
            "adopt -> bench",
            "batch -> look",
            "batch -> shelf",
            "bench -> cupboard",
            "bench -> warm",
            "fill -> look",
            "gear -> bench",
            "label -> ribbon",
            "label -> run",
            "mine -> ribbon",
            "mine -> week",
            "money -> cupboard",
            "outside -> run",
            "outside -> shelf",
            "outside -> week",
            "practice -> ribbon",
            "queue -> ribbon",
            "queue -> run",
            "queue -> warm",
            "readin -> house",
            "readin -> run",
            "run -> ribbon",
            "run -> shelf",
            "run -> warm",
            "shelf -> beginning",
            "week -> cupboard",
            "week -> practice");

    /** What fills a house, copies it or takes it elsewhere reaches everywhere. */
    private static final Set<String> REACHES_EVERYWHERE = Set.of("archive", "console", "copies", "demo");

    @Test
    public void placesStandSideBySide() {
        Set<String> arrows = new TreeSet<>();
        for (JavaClass each : ALL) {
            String from = place(each);
            if (from.isEmpty() || REACHES_EVERYWHERE.contains(from)) {
                continue;
            }
            each.getDirectDependenciesFromSelf().stream()
                    .map(dependency -> place(dependency.getTargetClass().getBaseComponentType()))
                    .filter(to -> !to.isEmpty()
                            && !to.equals(from)
                            && !GROUND.contains(to)
                            && !REACHES_EVERYWHERE.contains(to))
                    .forEach(to -> arrows.add(from + " -> " + to));
        }
        assertThat(arrows).isEqualTo(new TreeSet<>(ARROWS));
    }

    private static String place(JavaClass type) {
        Matcher place = Pattern.compile("mezcla\\.web\\.([a-z]+)(\\..*)?").matcher(type.getPackageName());
        return place.matches() ? place.group(1) : "";
    }

    /** The kinds of rows and objections are told apart by their own members, not by asking what they are. */
    @Test
    public void theLogTellsAboutItself() {
        noClasses()
                .that()
                .resideInAPackage("mezcla.log")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("mezcla.batch..", "mezcla.mixing..", "mezcla.web..")
                .check(ALL);
        classes()
                .that()
                .areAssignableTo(LogEntry.class)
                .and()
                .areNotInterfaces()
                .should()
                .beRecords()
                .andShould()
                .resideInAPackage("mezcla.log")
                .check(ALL);
    }

    @Test
    public void mappersStayInTheirPlace() {
        classes()
                .that()
                .areAnnotatedWith(Mapper.class)
                .should(new ArchCondition<>("be used in their own package only") {
                    @Override
                    public void check(JavaClass mapper, ConditionEvents events) {
                        mapper.getDirectDependenciesToSelf().stream()
                                .filter(dependency -> !dependency
                                        .getOriginClass()
                                        .getPackageName()
                                        .equals(mapper.getPackageName()))
                                .forEach(dependency ->
                                        events.add(SimpleConditionEvent.violated(mapper, dependency.getDescription())));
                    }
                })
                .check(ALL);
    }

    @Test
    public void packagesAreNamedByTheirSubject() {
        noClasses()
                .should()
                .resideInAnyPackage("..util..", "..common..", "..helper..", "..impl..", "..manager..", "..dto..")
                .orShould()
                .haveNameMatching(".*(Util|Utils|Helper|Manager|Impl|Dto)")
                .check(ALL);
    }
}
