package mezcla.web.archive;

import mezcla.web.console.ConsoleAnswer;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Reads a house that was saved in open formats, says what came of it, and stops ({@code bin/read-house}). */
@Component
@ConditionalOnProperty("mezcla.read-house")
class ArchiveReadIn {
    private final HouseArchive archive;
    private final String path;

    ArchiveReadIn(HouseArchive archive, @Value("${mezcla.read-house}") String path) {
        this.archive = archive;
        this.path = path;
    }

    @EventListener
    void readAndStop(ApplicationReadyEvent ready) {
        ConsoleAnswer.tellAndStop(ready, read());
    }

    /** What to tell whoever asked. */
    ConsoleAnswer.Read read() {
        return ConsoleAnswer.ofFile(
                path,
                file ->
                        "The house is there, with %d rows of its log. Nobody has a password yet: bin/forgotten-password gives one."
                                .formatted(archive.read(file)));
    }
}
