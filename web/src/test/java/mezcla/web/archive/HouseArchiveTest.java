package mezcla.web.archive;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import java.util.zip.ZipFile;
import mezcla.web.DemoPagesTest;
import mezcla.web.MezclaApplication;
import mezcla.web.log.DarkroomLog;
import mezcla.web.settings.HouseService;
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
            assertThat(new ArchiveReadIn(reading, file.toString()).read()).startsWith("The house is there, with ");
            assertThat(other.getBean(DarkroomLog.class).state()).isEqualTo(log.state());
            HouseService there = other.getBean(HouseService.class);
            assertThat(there.house()).isEqualTo(houses.house());
            assertThat(there.judging()).usingRecursiveComparison().isEqualTo(houses.judging());
            JdbcClient thereSql = other.getBean(JdbcClient.class);
            for (HouseTable table : HouseTable.values()) {
                assertThat(rows(thereSql, table)).as(table.table()).isEqualTo(rows(sql, table));
            }
            assertThat(new ArchiveReadIn(reading, file.toString()).read())
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
            assertThat(new ArchiveReadIn(empty.getBean(HouseArchive.class), other.toString()).read())
                    .isEqualTo("This is no house that was saved in open formats.");
        }
    }
}
