package mezcla.web.log;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import mezcla.web.DemoApplicationTest;
import mezcla.web.MezclaApplication;
import mezcla.web.access.Members;
import mezcla.web.console.ConsoleAnswer;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.transaction.support.TransactionTemplate;
import org.testng.annotations.Test;
import tools.jackson.databind.json.JsonMapper;

/** A log that was written out in one house adds up to the same in another. */
public class LogFileTest extends DemoApplicationTest {
    private static final Path FORMATS = Path.of("..", "docs", "formats");

    @Autowired
    private LogFile file;

    @Autowired
    private DarkroomLog log;

    private static ConfigurableApplicationContext emptyHouse() throws IOException {
        return new SpringApplicationBuilder(MezclaApplication.class)
                .run(
                        "--mezcla.data=" + Files.createTempDirectory("mezcla-empty"),
                        "--server.port=0",
                        "--spring.main.banner-mode=off");
    }

    @Test
    public void everyLineIsOneOfTheFormat() throws IOException {
        Schema schema = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                .getSchema(Files.readString(FORMATS.resolve("mezcla-log-1.schema.json")));
        List<String> lines = new ArrayList<>(file.lines());
        lines.addAll(Files.readAllLines(FORMATS.resolve("mezcla-log-1.example.jsonl")));
        for (String line : lines) {
            assertThat(schema.validate(JsonMapper.shared().readTree(line)))
                    .as(line)
                    .isEmpty();
        }
        String unknown = lines.get(lines.size() - 1).replace("\"voided\"", "\"vanished\"");
        assertThat(schema.validate(JsonMapper.shared().readTree(unknown))).isNotEmpty();
    }

    @Test
    public void whatWasWrittenOutAddsUpToTheSameElsewhere() throws IOException {
        Path saved = Files.createTempFile("mezcla-log", ".jsonl");
        Files.write(saved, file.lines());
        try (ConfigurableApplicationContext other = emptyHouse()) {
            LogFile reading = other.getBean(LogFile.class);
            assertThat(new LogReadIn(reading, saved.toString()).read().words())
                    .isEqualTo(log.book().entries().size() + " entries were read in.");
            DarkroomLog there = other.getBean(DarkroomLog.class);
            assertThat(there.state())
                    .usingRecursiveComparison()
                    .ignoringFieldsMatchingRegexes(".*memberId")
                    .isEqualTo(log.state());
            assertThat(reading.lines()).isEqualTo(file.lines());
            long newBatch = other.getBean(TransactionTemplate.class).execute(status -> there.newBatch());
            assertThat(log.state().batches().keySet()).doesNotContain(newBatch);
            assertThat(other.getBean(Members.class).all())
                    .extracting(member -> member.name())
                    .containsAll(log.book().writers());
            assertThat(new LogReadIn(reading, saved.toString()).read().words())
                    .contains("logged in this house already");
        }
    }

    @Test
    public void aFaultyLineIsNamedAndNothingIsReadIn() throws IOException {
        List<String> lines = new ArrayList<>(file.lines());
        lines.add(lines.get(lines.size() - 1));
        try (ConfigurableApplicationContext other = emptyHouse()) {
            LogFile reading = other.getBean(LogFile.class);
            Path twice = Files.createTempFile("mezcla-log", ".jsonl");
            Files.write(twice, lines);
            assertThat(new LogReadIn(reading, twice.toString()).read().words())
                    .startsWith("Line " + lines.size() + " is no line of a log");
            assertThatThrownBy(() -> reading.read(List.of("{}"))).hasMessageContaining("not-a-log-line");
            assertThatThrownBy(() -> reading.read(List.of("no JSON"))).hasMessageContaining("not-a-log-line");
            assertThat(other.getBean(DarkroomLog.class).book().entries()).isEmpty();
            assertThat(new LogReadIn(reading, twice + ".gone").read())
                    .isEqualTo(new ConsoleAnswer.Read("There is no such file: " + twice + ".gone", 1));
        }
    }
}
