package mezcla.web.log;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import mezcla.measure.Refusal;
import mezcla.web.words.ObjectionWords;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Reads a log that was written out into this house, says what came of it, and stops ({@code bin/read-log}). */
@Component
@ConditionalOnProperty("mezcla.read-log")
class LogReadIn {
    private final LogFile file;
    private final String path;

    LogReadIn(LogFile file, @Value("${mezcla.read-log}") String path) {
        this.file = file;
        this.path = path;
    }

    @EventListener
    void readAndStop(ApplicationReadyEvent ready) {
        System.out.println(read());
        System.exit(SpringApplication.exit(ready.getApplicationContext()));
    }

    /** What to tell whoever asked. */
    String read() {
        try {
            return "%d entries were read in.".formatted(file.read(Files.readAllLines(Path.of(path))));
        } catch (IOException e) {
            return "There is no such file: " + path;
        } catch (Refusal refusal) {
            return ObjectionWords.of(refusal);
        }
    }
}
