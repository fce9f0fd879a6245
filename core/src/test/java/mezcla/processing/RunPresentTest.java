package mezcla.processing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.io.InputStream;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Where a run stands; the browser's fold is tried on the same cases. */
public class RunPresentTest {
    @DataProvider
    public Object[][] cases() throws IOException {
        return cases("/ribbon/fold.json");
    }

    @DataProvider
    public Object[][] presses() throws IOException {
        return cases("/ribbon/press.json");
    }

    @Test(dataProvider = "presses")
    public void onePressTakesItOn(String name, JsonNode worked) {
        int step = worked.get("step").asInt();
        RunPresent present = new RunPresent(
                step,
                step < 0 ? null : Instant.EPOCH,
                0,
                0,
                null,
                worked.get("fills").asInt(),
                List.of(),
                worked.get("done").asBoolean());
        assertThat(present.press(
                        worked.get("open").asBoolean(),
                        worked.get("inFills").asInt(),
                        worked.get("last").asBoolean(),
                        worked.get("over").asBoolean(),
                        worked.get("due").asBoolean()))
                .isEqualTo(RunPresent.Press.valueOf(worked.get("expect").asString()));
    }

    private static Object[][] cases(String named) throws IOException {
        try (InputStream file = Objects.requireNonNull(RunPresentTest.class.getResourceAsStream(named))) {
            List<Object[]> cases = new ArrayList<>();
            for (JsonNode each : JsonMapper.shared().readTree(file)) {
                cases.add(new Object[] {each.get("name").asString(), each});
            }
            return cases.toArray(Object[][]::new);
        }
    }

    @Test(dataProvider = "cases")
    public void whatWasConfirmedAddsUp(String name, JsonNode worked) {
        List<RunProgress.Event> events = new ArrayList<>();
        for (JsonNode event : worked.get("events")) {
            events.add(new RunProgress.Event(
                    Instant.ofEpochMilli(event.get(0).asLong()),
                    RunProgress.Kind.valueOf(event.get(1).asString()),
                    event.get(2).asInt(),
                    event.get(3).asDouble()));
        }
        RunPresent present = RunPresent.of(worked.get("steps").asInt(), events);
        JsonNode expect = worked.get("expect");
        assertThat(present.step()).isEqualTo(expect.get("step").asInt());
        assertThat(present.pouredAt()).isEqualTo(moment(expect.get("pouredMs")));
        assertThat(present.changedSeconds()).isEqualTo(expect.get("changed").asDouble());
        assertThat(present.pausedSeconds()).isCloseTo(expect.get("paused").asDouble(), within(1e-9));
        assertThat(present.waitingSince()).isEqualTo(moment(expect.get("waitingSinceMs")));
        assertThat(present.fills()).isEqualTo(expect.get("fills").asInt());
        assertThat(present.moved()).hasSize(expect.get("moved").size());
        for (int i = 0; i < present.moved().size(); i++) {
            assertThat(present.moved().get(i))
                    .isCloseTo(expect.get("moved").get(i).asDouble(), within(1e-9));
        }
        assertThat(present.done()).isEqualTo(expect.get("done").asBoolean());
        Double elapsed =
                present.elapsedSeconds(Instant.ofEpochMilli(worked.get("nowMs").asLong()));
        if (expect.get("elapsed").isNull()) {
            assertThat(elapsed).isNull();
        } else {
            assertThat(elapsed).isCloseTo(expect.get("elapsed").asDouble(), within(1e-9));
        }
    }

    private static Instant moment(JsonNode milliseconds) {
        return milliseconds.isNull() ? null : Instant.ofEpochMilli(milliseconds.asLong());
    }

    @Test
    public void aPauseThatGoesOnIsWaitedUntilTheNextPour() {
        RunPresent waiting = RunPresent.of(
                2,
                List.of(
                        new RunProgress.Event(Instant.ofEpochSecond(0), RunProgress.Kind.POUR, 0, 0),
                        new RunProgress.Event(Instant.ofEpochSecond(10), RunProgress.Kind.PAUSE, 0, 0)));
        assertThat(waiting.waitedSeconds(Instant.ofEpochSecond(70))).isEqualTo(60);
        assertThat(waiting.waitedSeconds(Instant.ofEpochSecond(5))).isZero();
    }
}
