package mezcla.web.log;

import java.nio.file.Files;
import mezcla.web.console.ConsoleAnswer;
import org.springframework.beans.factory.annotation.Value;
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
        ConsoleAnswer.tellAndStop(ready, read());
    }

    /** What to tell whoever asked. */
    ConsoleAnswer.Read read() {
        return ConsoleAnswer.ofFile(
                path, saved -> "%d entries were read in.".formatted(file.read(Files.readAllLines(saved))));
    }
}
