package mezcla.years;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Instant;
import java.util.Comparator;
import java.util.HexFormat;
import java.util.Objects;
import mezcla.batch.BatchState;
import mezcla.batch.FillState;
import mezcla.batch.LogState;
import mezcla.stress.Visitor;
import mezcla.web.MezclaApplication;
import mezcla.web.accounts.HouseAccounts;
import mezcla.web.copies.HouseCopy;
import mezcla.web.log.DarkroomLog;
import mezcla.web.log.LogFile;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Data of earlier versions are brought up to date, and add up to what they did. For each version there is a copy of its
 * demonstration and the figures that it came to; a new version adds its own with {@link #main}.
 */
public class UpgradeTest {
    private static final Path SAMPLES = Path.of("src", "test", "resources", "upgrade");

    @DataProvider
    public Object[][] versions() {
        return new Object[][] {{"1.0.0"}};
    }

    @Test(dataProvider = "versions")
    public void dataOfAnEarlierVersionAddUpToWhatTheyDid(String version) throws Exception {
        Path folder = Files.createTempDirectory("mezcla-upgrade").resolve("house");
        HouseCopy.Contents contents = HouseCopy.restore(SAMPLES.resolve("demo-" + version + ".zip"), folder);
        assertThat(contents.version()).isEqualTo(version);
        try (ConfigurableApplicationContext house = started(folder)) {
            assertThat(figures(house).toPrettyString())
                    .isEqualTo(Files.readString(SAMPLES.resolve("demo-" + version + ".json")));
            String address = "http://localhost:" + house.getEnvironment().getProperty("local.server.port");
            Visitor steward = Visitor.signedIn(address, "bram", "count-the-rolls");
            for (String page :
                    new String[] {"/shelf", "/batches/4", "/cupboard", "/journal", "/money", "/queue", "/house/this"}) {
                assertThat(steward.get(page).statusCode()).as(page).isEqualTo(200);
            }
        }
    }

    private static ConfigurableApplicationContext started(Path folder) {
        return new SpringApplicationBuilder(MezclaApplication.class)
                .run("--mezcla.data=" + folder, "--server.port=0", "--spring.main.banner-mode=off");
    }

    /** What a house comes to, whatever day it is. */
    private static ObjectNode figures(ConfigurableApplicationContext house) {
        TransactionTemplate reading = new TransactionTemplate(house.getBean(PlatformTransactionManager.class));
        reading.setReadOnly(true);
        return Objects.requireNonNull(reading.execute(status -> {
            ObjectNode figures = JsonMapper.shared().createObjectNode();
            String lines = String.join("\n", house.getBean(LogFile.class).lines());
            figures.put("log", HexFormat.of().formatHex(sha256().digest(lines.getBytes(StandardCharsets.UTF_8))));
            LogState state = house.getBean(DarkroomLog.class).state();
            figures.put("anomalies", state.anomalies().size());
            ArrayNode batches = figures.putArray("batches");
            state.batches().values().stream()
                    .sorted(Comparator.comparingLong(BatchState::id))
                    .forEach(batch -> batch(batches.addObject(), batch));
            ObjectNode accounts = figures.putObject("accounts");
            house.getBean(HouseAccounts.class)
                    .accounts()
                    .balances()
                    .forEach((name, balance) -> accounts.put(name, balance.toString()));
            return figures;
        }));
    }

    private static void batch(ObjectNode figures, BatchState batch) {
        figures.put("batch", batch.id()).put("rolls", batch.rolls()).put("films", batch.filmCount());
        ArrayNode fills = figures.putArray("fills");
        for (FillState fill : batch.fills()) {
            fills.addObject()
                    .put("fill", fill.id())
                    .put("ml", fill.volumeMl())
                    .put("rolls", fill.rolls())
                    .put("wear", fill.scaledRolls())
                    .put("trim", fill.trimPercent())
                    .put("gone", fill.discarded() != null);
        }
    }

    private static MessageDigest sha256() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Keeps a copy of a house for later versions to read: its folder, and the version that made it. */
    public static void main(String[] arguments) throws IOException {
        Path folder = Path.of(arguments[0]);
        String version = arguments[1];
        HouseCopy.write(folder, SAMPLES.resolve("demo-" + version + ".zip"), version, Instant.now());
        try (ConfigurableApplicationContext house = started(folder)) {
            Files.writeString(
                    SAMPLES.resolve("demo-" + version + ".json"), figures(house).toPrettyString());
        }
    }
}
