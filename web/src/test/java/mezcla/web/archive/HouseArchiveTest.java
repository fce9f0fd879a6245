package mezcla.web.archive;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Collections;
import java.util.List;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import mezcla.web.DemoPagesTest;
import mezcla.web.MezclaApplication;
import mezcla.web.console.ConsoleAnswer;
import mezcla.web.log.DarkroomLog;
import mezcla.web.settings.HouseService;
import mezcla.web.words.Spreadsheet;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.testng.annotations.Test;

/** A house that was saved in open formats is the same house where it is read in. */
public class HouseArchiveTest extends DemoPagesTest {
    @Autowired
    private HouseArchive archive;

    @Autowired
    private DarkroomLog log;

    @Autowired
    private HouseService houses;

    @Autowired
    private JdbcClient sql;

    private Path saved() throws IOException {
        Path file = Files.createTempFile("mezcla-house", ".zip");
        try (OutputStream out = Files.newOutputStream(file)) {
            archive.write(out);
        }
        return file;
    }

    private static List<List<Object>> rows(JdbcClient sql, HouseTable table) {
        return sql.sql("SELECT * FROM " + table.table() + " ORDER BY rowid").query().listOfRows().stream()
                .map(row -> Stream.of(row)
                        .flatMap(each -> each.entrySet().stream())
                        .filter(cell -> !table.secrets().contains(cell.getKey()))
                        .<Object>map(cell -> cell.getKey() + "=" + cell.getValue())
                        .toList())
                .toList();
    }

    @Test
    public void everyTableIsInItOrLeftOutKnowingly() {
        List<String> tables = sql.sql("SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite%'")
                .query(String.class)
                .list();
        assertThat(Stream.concat(Stream.of(HouseTable.values()).map(HouseTable::table), HouseTable.LEFT_OUT.stream()))
                .containsExactlyInAnyOrderElementsOf(tables);
    }

    @Test
    public void readInAgainItIsTheSameHouse() throws IOException {
        Path file = saved();
        try (ConfigurableApplicationContext other = new SpringApplicationBuilder(MezclaApplication.class)
                .run(
                        "--mezcla.data=" + Files.createTempDirectory("mezcla-read-in"),
                        "--server.port=0",
                        "--spring.main.banner-mode=off")) {
            HouseArchive reading = other.getBean(HouseArchive.class);
            assertThat(new ArchiveReadIn(reading, file.toString()).read().words())
                    .startsWith("The house is there, with ");
            assertThat(other.getBean(DarkroomLog.class).state()).isEqualTo(log.state());
            HouseService there = other.getBean(HouseService.class);
            assertThat(there.house()).isEqualTo(houses.house());
            assertThat(there.judging()).usingRecursiveComparison().isEqualTo(houses.judging());
            JdbcClient thereSql = other.getBean(JdbcClient.class);
            for (HouseTable table : HouseTable.values()) {
                assertThat(rows(thereSql, table)).as(table.table()).isEqualTo(rows(sql, table));
            }
            assertThat(new ArchiveReadIn(reading, file.toString()).read().words())
                    .as("never into a house")
                    .contains("begun already");
        }
    }

    @Test
    public void noSecretIsInItAndTheDescriptionNamesWhatIs() throws IOException {
        try (ZipFile zip = new ZipFile(saved().toFile())) {
            StringBuilder all = new StringBuilder();
            zip.stream().forEach(entry -> {
                try {
                    all.append(new String(zip.getInputStream(entry).readAllBytes()));
                } catch (IOException e) {
                    throw new IllegalStateException(e);
                }
            });
            List<String> secrets = sql.sql("SELECT password_hash FROM member")
                    .query(String.class)
                    .list();
            assertThat(secrets).isNotEmpty();
            secrets.forEach(secret -> assertThat(all).doesNotContain(secret));
            assertThat(all).contains("mezcla-house-1", "lists/leaflet_version.csv", "sequence\":1");
            long runs = log.state().batches().values().stream()
                    .flatMap(batch -> batch.runs().stream())
                    .mapToLong(run -> run.rolls().size())
                    .sum();
            assertThat(new String(zip.getInputStream(zip.getEntry("runs.csv")).readAllBytes()).lines())
                    .hasSize((int) runs + 1);
        }
    }

    @Test
    public void aFileOfAnotherKindIsRefused() throws IOException {
        Path other = Files.createTempFile("other", ".zip");
        Files.writeString(other, "no archive");
        try (ConfigurableApplicationContext empty = new SpringApplicationBuilder(MezclaApplication.class)
                .run(
                        "--mezcla.data=" + Files.createTempDirectory("mezcla-read-in"),
                        "--server.port=0",
                        "--spring.main.banner-mode=off")) {
            HouseArchive into = empty.getBean(HouseArchive.class);
            assertThat(refused(into, other)).isEqualTo("This is no house that was saved in open formats.");
            Path house = saved();
            assertThat(refused(
                            into,
                            changed(house, "house.json", text -> text.replace("mezcla-house-1", "mezcla-house-9"))))
                    .contains("written as mezcla-house-9", "reads mezcla-house-1");
            assertThat(refused(into, changed(house, "lists/member.csv", text -> text.replaceFirst("STEWARD", "GOD"))))
                    .containsPattern("Line [2-9] of lists/member.csv cannot be read in: CHECK constraint failed");
            assertThat(refused(
                            into,
                            changed(house, "lists/bottle.csv", text -> text.replaceFirst("(?m)^(2,[^,]*),.*$", "$1"))))
                    .containsPattern("Line 3 of lists/bottle.csv cannot be read in: it has 2 cells of [0-9]+");
            assertThat(refused(
                            into,
                            changed(
                                    house,
                                    "lists/bottle.csv",
                                    text -> text
                                            + text.lines().skip(1).findFirst().orElseThrow() + "\r\n")))
                    .contains("of lists/bottle.csv cannot be read in: UNIQUE constraint failed");
            assertThat(refused(
                            into,
                            changed(
                                    house,
                                    "log.jsonl",
                                    text -> text.replaceFirst("\"kind\":\"kit-arrived\"", "\"kind\":\"kit-flew\""))))
                    .containsPattern("Line [0-9]+ is no line of a log");
            assertThat(refused(into, changed(house, "log.jsonl", text -> " ".repeat(65 * 1024 * 1024))))
                    .isEqualTo("log.jsonl holds more than 64 MB, more than a house has. Nothing was read in.");
            assertThat(empty.getBean(JdbcClient.class)
                            .sql("SELECT count(*) FROM member")
                            .query(Long.class)
                            .single())
                    .as("nothing of any of them")
                    .isZero();
        }
    }

    private static String refused(HouseArchive into, Path file) {
        ConsoleAnswer.Read read = new ArchiveReadIn(into, file.toString()).read();
        assertThat(read.status()).as(read.words()).isEqualTo(1);
        return read.words();
    }

    /** The same archive with one of its files changed. */
    private static Path changed(Path archive, String name, UnaryOperator<String> change) throws IOException {
        Path file = Files.createTempFile("mezcla-house", ".zip");
        try (ZipFile from = new ZipFile(archive.toFile());
                ZipOutputStream to = new ZipOutputStream(Files.newOutputStream(file))) {
            for (ZipEntry entry : Collections.list(from.entries())) {
                byte[] bytes = from.getInputStream(entry).readAllBytes();
                to.putNextEntry(new ZipEntry(entry.getName()));
                to.write(
                        entry.getName().equals(name)
                                ? change.apply(new String(bytes, StandardCharsets.UTF_8))
                                        .getBytes(StandardCharsets.UTF_8)
                                : bytes);
                to.closeEntry();
            }
        }
        return file;
    }

    /** What members typed is no formula in anybody's spreadsheet, and comes back as it was. */
    @Test
    public void formulasLeaveHarmlessAndComeBackAsTheyWere() throws IOException {
        for (String typed : List.of("=1+1", "+3", "-3", "@x", "\t=1", "'=1", "it's", "'quoted'", "")) {
            assertThat(Spreadsheet.asItWas(Spreadsheet.harmless(typed))).isEqualTo(typed);
            assertThat(Spreadsheet.harmless(typed)).doesNotContainPattern("^[=+@\\-\t]");
        }
        sql.sql("UPDATE place SET name = '=HYPERLINK(1)' WHERE id = 1").update();
        try (ZipFile zip = new ZipFile(saved().toFile())) {
            assertThat(new String(
                            zip.getInputStream(zip.getEntry("lists/place.csv")).readAllBytes(), StandardCharsets.UTF_8))
                    .contains(",'=HYPERLINK(1)");
        }
    }
}
