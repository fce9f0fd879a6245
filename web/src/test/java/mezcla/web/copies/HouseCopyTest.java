package mezcla.web.copies;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.file.FileSystem;
import java.nio.file.FileSystems;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import mezcla.web.DemoPagesTest;
import mezcla.web.MezclaApplication;
import mezcla.web.log.DarkroomLog;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;
import org.testng.annotations.Test;

/** A house is copied while it runs, and brought back elsewhere. */
public class HouseCopyTest extends DemoPagesTest {
    private static final Instant NOW = Instant.parse("2031-03-09T08:00:00Z");

    @Autowired
    private DarkroomLog log;

    @Autowired
    private DailyCopies copies;

    @Value("${mezcla.data}")
    private Path data;

    private static Path folder() throws IOException {
        return Files.createTempDirectory("mezcla-copies");
    }

    private static ConfigurableApplicationContext started(Path folder) {
        return new SpringApplicationBuilder(MezclaApplication.class)
                .run("--mezcla.data=" + folder, "--server.port=0", "--spring.main.banner-mode=off");
    }

    private static List<String> names(Path folder) throws IOException {
        try (Stream<Path> files = Files.list(folder)) {
            return files.map(file -> file.getFileName().toString()).sorted().toList();
        }
    }

    @Test
    public void whatIsBroughtBackIsTheSameHouseAndAStopLeavesOneFile() throws IOException {
        Path copy = folder().resolve("away").resolve("house.zip");
        HouseCopy.Contents made = HouseCopy.write(data, copy, "1.2.3", NOW);
        assertThat(made.rows()).isEqualTo(log.book().entries().size());
        assertThat(made).isEqualTo(HouseCopy.check(copy));
        assertThat(names(copy.getParent())).as("nothing half done is left").containsExactly("house.zip");
        Path back = folder().resolve("new");
        assertThat(CopyCommand.run(
                        Clock.systemUTC(), "", "--mezcla.restore=" + copy, "--mezcla.data=" + back, "--other"))
                .isZero();
        try (ConfigurableApplicationContext other = started(back)) {
            assertThat(other.getBean(DarkroomLog.class).state()).isEqualTo(log.state());
        }
        assertThat(names(back))
                .as("all of it is in one file")
                .contains("mezcla.db")
                .noneMatch(name -> name.contains("-"));
        Path moved = Files.createDirectories(folder().resolve("moved"));
        Files.copy(back.resolve("mezcla.db"), moved.resolve("mezcla.db"));
        try (ConfigurableApplicationContext other = started(moved)) {
            assertThat(other.getBean(DarkroomLog.class).book().entries())
                    .isEqualTo(log.book().entries());
        }
        assertThat(CopyCommand.run(Clock.systemUTC(), "", "--mezcla.restore=" + copy, "--mezcla.data=" + back))
                .as("never over a house")
                .isEqualTo(1);
    }

    @Test
    public void aDamagedCopyIsFoundAndNothingIsBroughtBack() throws IOException {
        Path copy = folder().resolve("house.zip");
        HouseCopy.write(data, copy, "1.2.3", NOW);
        try (RandomAccessFile bytes = new RandomAccessFile(copy.toFile(), "rw")) {
            bytes.seek(bytes.length() / 2);
            bytes.write(new byte[64]);
        }
        Path back = folder().resolve("new");
        assertThatThrownBy(() -> HouseCopy.restore(copy, back)).isInstanceOf(HouseCopy.CannotCopy.class);
        assertThat(back).doesNotExist();
        assertThat(names(back.getParent())).isEmpty();
        assertThatThrownBy(() -> HouseCopy.write(folder(), copy, "", NOW)).hasMessageContaining("There is no house in");
    }

    /** As people type it: a folder beside this one, one that is there already, and nobody else reads the copy. */
    @Test
    public void aCopyIsOnlyItsOwnersAndIsBroughtBackIntoAnyFolder() throws IOException {
        Path copy = folder().resolve("house.zip");
        HouseCopy.Contents made = HouseCopy.write(data, copy, "1.2.3", NOW);
        assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(copy)))
                .isEqualTo("rw-------");
        Path there = Files.createDirectories(folder().resolve("there"));
        Path here = Path.of("").toAbsolutePath();
        for (Path target : List.of(
                there.resolve("..").resolve("beside-it"),
                there.resolve(".").resolve("inside"),
                here.relativize(folder().resolve("relative")),
                Files.createDirectories(folder().resolve("empty")))) {
            assertThat(HouseCopy.restore(copy, target).rows())
                    .as(target.toString())
                    .isEqualTo(made.rows());
            assertThat(names(target)).contains("mezcla.db").noneMatch(name -> name.startsWith("."));
        }
    }

    /** On a disk that is mounted, through a link, and whatever the machine gives new files. */
    @Test
    public void whatIsBroughtBackIsItsOwnersAlsoOnAMountedDiskAndThroughALink() throws IOException {
        Path disk = folder();
        Path link = Files.createSymbolicLink(folder().resolve("to-the-disk"), disk);
        Path copy = link.resolve("house.zip");
        HouseCopy.write(data, copy, "1.2.3", NOW);
        Path mounted = Files.createDirectories(folder().resolve("mounted"));
        Files.createDirectories(mounted.resolve("lost+found"));
        Path other = Files.createSymbolicLink(folder().resolve("to-the-house"), folder());
        for (Path target : List.of(mounted, other, folder().resolve("new"))) {
            HouseCopy.restore(copy, target);
            assertThat(rights(target.resolve("mezcla.db"))).isEqualTo("rw-------");
        }
        assertThat(rights(copy)).isEqualTo("rw-------");
        assertThatThrownBy(() -> HouseCopy.write(data, disk, "", NOW)).hasMessageContaining("Name a file in it.");
        assertThatThrownBy(() -> HouseCopy.restore(copy, copy)).hasMessageContaining("is a file.");
    }

    private static String rights(Path file) throws IOException {
        return PosixFilePermissions.toString(Files.getPosixFilePermissions(file));
    }

    @Test
    public void aCopyThatWasMadeAtNoMomentIsSaidToBeDamaged() throws IOException {
        Path copy = folder().resolve("house.zip");
        HouseCopy.write(data, copy, "1.2.3", NOW);
        try (FileSystem zip = FileSystems.newFileSystem(copy)) {
            Path list = zip.getPath("copy.json");
            Files.writeString(list, Files.readString(list).replace(NOW.toString(), "last Tuesday"));
        }
        assertThatThrownBy(() -> HouseCopy.check(copy))
                .isInstanceOf(HouseCopy.CannotCopy.class)
                .hasMessageContaining("it was made at “last Tuesday”, which is no moment");
    }

    @Test
    public void sevenDaysAndSixMonthsAreKept() {
        LocalDate today = LocalDate.of(2031, 3, 9);
        List<DailyCopies.Kept> all = IntStream.range(0, 300)
                .mapToObj(today::minusDays)
                .map(day -> new DailyCopies.Kept("mezcla-%s.zip".formatted(day), day, NOW, 1))
                .toList();
        List<DailyCopies.Kept> gone = DailyCopies.tooOld(all, today);
        assertThat(all.stream().filter(copy -> !gone.contains(copy)).map(copy -> copy.day()
                        .toString()))
                .containsExactly(
                        "2031-03-09",
                        "2031-03-08",
                        "2031-03-07",
                        "2031-03-06",
                        "2031-03-05",
                        "2031-03-04",
                        "2031-03-03",
                        "2031-02-28",
                        "2031-01-31",
                        "2030-12-31",
                        "2030-11-30",
                        "2030-10-31");
    }

    @Test
    public void stewardsSeeTheCopiesAndMakeOne() throws Exception {
        assertThat(send("/house/data/copies", "ines").getStatus()).isEqualTo(403);
        copies.keep();
        assertThat(copies.kept()).hasSize(1);
        assertThat(send("/house/data/copies", "bram").getRedirectedUrl()).isEqualTo("/house/data?made");
        String name = copies.kept().get(0).name();
        assertThat(page("/house/data", "bram")).contains("The last copy is of", name);
        Path saved = folder().resolve("saved.zip");
        Files.write(saved, answer(get("/house/data/copies/" + name), "bram").getContentAsByteArray());
        assertThat(HouseCopy.check(saved).rows()).isEqualTo(log.book().entries().size());
    }
}
