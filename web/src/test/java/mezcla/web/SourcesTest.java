package mezcla.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import mezcla.leaflet.BathRole;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What the compiler does not look at: templates, styles, and how large a package grows. */
public class SourcesTest {
    private static final Path RESOURCES = Path.of("src", "main", "resources");
    private static final int LONGEST_LINE = 160;
    private static final int MOST_LINES = 1100;
    private static final int MOST_LINES_WITH_ROOMS = 2600;

    private static List<Path> files(Path folder, String ending) throws IOException {
        try (Stream<Path> files = Files.walk(folder)) {
            return files.filter(file -> file.toString().endsWith(ending)).toList();
        }
    }

    @Test
    public void templatesScriptsAndStylesAreReadable() throws IOException {
        List<Path> written = new ArrayList<>(files(RESOURCES.resolve("templates"), ".html"));
        written.addAll(files(RESOURCES.resolve("static"), ".js"));
        written.addAll(files(RESOURCES.resolve("static"), ".css"));
        List<String> tooLong = new ArrayList<>();
        for (Path file : written) {
            List<String> lines = Files.readAllLines(file);
            for (int i = 0; i < lines.size(); i++) {
                if (lines.get(i).length() > LONGEST_LINE && !lines.get(i).contains("url(\"data:")) {
                    tooLong.add(file + ":" + (i + 1));
                }
            }
        }
        assertThat(tooLong).isEmpty();
    }

    /** What the build takes out of the package of icons is what the styles use. */
    @Test
    public void iconsAreThoseThatStylesUse() throws IOException {
        Pattern icon = Pattern.compile("icons/([a-z0-9-]+\\.svg)");
        TreeSet<String> used = new TreeSet<>();
        for (Path file : files(RESOURCES.resolve("static"), ".css")) {
            icon.matcher(Files.readString(file)).results().forEach(found -> used.add(found.group(1)));
        }
        TreeSet<String> taken = new TreeSet<>();
        icon.matcher(Files.readString(Path.of("pom.xml"))).results().forEach(found -> taken.add(found.group(1)));
        assertThat(taken).isEqualTo(used);
    }

    @DataProvider
    public Object[][] roles() {
        return Stream.of(BathRole.Nature.values())
                .map(nature -> new Object[] {nature})
                .toArray(Object[][]::new);
    }

    @Test(dataProvider = "roles")
    public void everyRoleIsHatched(BathRole.Nature nature) throws IOException {
        String pattern = nature.pattern();
        Path styles = RESOURCES.resolve("static/styles");
        assertThat(Files.readString(RESOURCES.resolve("templates/drawing/patterns.html")))
                .contains("id=\"hatch-" + pattern + "\"");
        assertThat(Files.readString(styles.resolve("drawing.css"))).contains(".tint-" + pattern + " ");
        if (nature != BathRole.Nature.OTHER) {
            assertThat(Files.readString(styles.resolve("tokens.css"))).contains("--" + pattern + ":");
            assertThat(Files.readString(styles.resolve("dim.css"))).contains("--" + pattern + ":");
        }
    }

    @Test
    public void everyStyleIsLoaded() throws IOException {
        Path styles = RESOURCES.resolve("static/styles");
        String layout = Files.readString(RESOURCES.resolve("templates/layout/layout.html"));
        List<String> names = files(styles, ".css").stream()
                .map(file -> file.getFileName().toString())
                .toList();
        assertThat(names).isNotEmpty().allSatisfy(name -> assertThat(layout).contains("@{/styles/" + name + "}"));
    }

    /** What somebody typed never becomes part of a statement. */
    @Test
    public void statementsTakeNothingAsItIs() throws IOException {
        List<Path> mappers = files(Path.of("src", "main", "java"), "Mapper.java");
        assertThat(mappers).isNotEmpty();
        for (Path mapper : mappers) {
            assertThat(Files.readString(mapper)).as(mapper.toString()).doesNotContain("${");
        }
    }

    /** A promise that names the test which holds it names one that there is. */
    @Test
    public void testsThatAreNamedInTheDocumentsAreThere() throws IOException {
        Set<String> there = new TreeSet<>();
        for (Path tests : List.of(Path.of("src", "test"), Path.of("..", "core", "src", "test"))) {
            files(tests, ".java")
                    .forEach(file -> there.add(file.getFileName().toString().replace(".java", "")));
        }
        Set<String> named = new TreeSet<>();
        for (Path text : files(Path.of("..", "docs"), ".md")) {
            Pattern.compile("`([A-Z][A-Za-z]*Test)`")
                    .matcher(Files.readString(text))
                    .results()
                    .forEach(found -> named.add(found.group(1)));
        }
        assertThat(named).hasSizeGreaterThan(20).isSubsetOf(there);
    }

    @Test
    public void packagesStaySmallEnoughToRead() throws IOException {
        Map<String, Integer> lines = new TreeMap<>();
        for (Path file : files(Path.of("src", "main", "java"), ".java")) {
            lines.merge(file.getParent().toString(), Files.readAllLines(file).size(), Integer::sum);
        }
        Map<String, Integer> withRooms = new TreeMap<>();
        lines.forEach((folder, count) ->
                withRooms.merge(folder.replaceAll("(mezcla/web/[^/]+)/.*", "$1"), count, Integer::sum));
        lines.values().removeIf(count -> count <= MOST_LINES);
        withRooms.values().removeIf(count -> count <= MOST_LINES_WITH_ROOMS);
        assertThat(lines).isEmpty();
        assertThat(withRooms).isEmpty();
    }
}
