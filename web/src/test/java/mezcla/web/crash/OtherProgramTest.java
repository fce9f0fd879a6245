package mezcla.web.crash;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import mezcla.stress.Visitor;
import org.testng.annotations.Test;

/**
 * Somebody looks into the file of a running house with another program, or takes away the file beside it: what was
 * confirmed is there, or is said not to be kept.
 */
public class OtherProgramTest {
    private static final Duration LONGER_THAN_THE_GUARD_LOOKS = Duration.ofSeconds(7);

    private static String sqlite(Path file, String question) throws IOException, InterruptedException {
        Process asked = new ProcessBuilder("sqlite3", file.toString(), question)
                .redirectErrorStream(true)
                .start();
        String answer = new String(asked.getInputStream().readAllBytes(), StandardCharsets.UTF_8).strip();
        assertThat(asked.waitFor()).as(answer).isZero();
        return answer;
    }

    private static HttpResponse<String> note(Visitor who, String text) throws IOException, InterruptedException {
        return who.post("/batches/4/notes", "formKey", Visitor.key(), "note", text);
    }

    private static long kept(Path file, String text) throws IOException, InterruptedException {
        return Long.parseLong(sqlite(file, "SELECT count(*) FROM log_entry WHERE body LIKE '%" + text + ".%'"));
    }

    @Test
    public void whoeverLooksIntoTheFileTakesNothingAwayFromIt() throws Exception {
        Path folder = Files.createTempDirectory("mezcla-looked-into");
        Path file = folder.resolve("mezcla.db");
        RunningHouse house = RunningHouse.open(folder);
        List<String> confirmed = new ArrayList<>();
        try {
            Visitor devi = Visitor.signedIn(house.address(), "devi", "rinse-and-hang");
            long until = System.nanoTime() + LONGER_THAN_THE_GUARD_LOOKS.toNanos();
            while (System.nanoTime() < until) {
                String text = "looked into " + confirmed.size();
                assertThat(note(devi, text + ".").statusCode()).isEqualTo(302);
                confirmed.add(text);
                sqlite(file, "SELECT count(*) FROM log_entry");
                assertThat(Files.exists(folder.resolve("mezcla.db-wal")))
                        .as("the file beside, after somebody looked")
                        .isTrue();
            }
            assertThat(devi.get("/health").statusCode()).isEqualTo(200);
        } finally {
            house.kill();
        }
        assertThat(confirmed).isNotEmpty();
        for (String text : confirmed) {
            assertThat(kept(file, text)).as(text).isEqualTo(1);
        }
    }

    @Test
    public void whatIsWrittenIntoAFileThatWasTakenAwayIsSaidAndRescued() throws Exception {
        Path folder = Files.createTempDirectory("mezcla-taken-away");
        RunningHouse house = RunningHouse.open(folder);
        try {
            Visitor devi = Visitor.signedIn(house.address(), "devi", "rinse-and-hang");
            assertThat(note(devi, "before it was taken away.").statusCode()).isEqualTo(302);
            Files.delete(folder.resolve("mezcla.db-wal"));
            Files.delete(folder.resolve("mezcla.db-shm"));
            HttpResponse<String> lost = note(devi, "after it was taken away.");
            assertThat(lost.statusCode()).isEqualTo(503);
            assertThat(lost.body()).contains("Nothing was saved", "was taken away while Mezcla was running");
            HttpResponse<String> health = devi.get("/health");
            assertThat(health.statusCode()).isEqualTo(503);
            assertThat(health.body()).contains("taken away");
            Path rescued = rescued(folder);
            assertThat(kept(rescued, "before it was taken away")).isEqualTo(1);
            assertThat(sqlite(rescued, "PRAGMA integrity_check")).isEqualTo("ok");
        } finally {
            house.kill();
        }
    }

    /** It is written beside whoever noticed, so it may take a moment. */
    private static Path rescued(Path folder) throws IOException, InterruptedException {
        for (int i = 0; i < 200; i++) {
            try (Stream<Path> files = Files.list(folder)) {
                Optional<Path> found = files.filter(
                                file -> file.getFileName().toString().matches("rescued-\\d+\\.db"))
                        .findFirst();
                if (found.isPresent() && Files.notExists(Path.of(found.get() + "-journal"))) {
                    return found.get();
                }
            }
            Thread.onSpinWait();
            Thread.sleep(50);
        }
        throw new AssertionError("nothing was rescued into " + folder);
    }
}
