package mezcla.web.archive;

import java.io.IOException;
import java.nio.file.Path;
import mezcla.measure.Refusal;
import mezcla.web.words.ObjectionWords;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.SpringApplication;
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
        System.out.println(read());
        System.exit(SpringApplication.exit(ready.getApplicationContext()));
    }

    /** What to tell whoever asked. */
    String read() {
        try {
            return "The house is there, with %d rows of its log. Nobody has a password yet: bin/forgotten-password gives one."
                    .formatted(archive.read(Path.of(path)));
        } catch (IOException e) {
            return "There is no such file: " + path;
        } catch (Refusal refusal) {
            return ObjectionWords.of(refusal);
        }
    }
}
