package mezcla.web.console;

import java.io.IOException;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import mezcla.measure.Refusal;
import mezcla.web.words.ObjectionWords;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.context.event.ApplicationReadyEvent;

/** What a house tells whoever asked it for one thing from the console. */
public final class ConsoleAnswer {
    private ConsoleAnswer() {}

    /** Reads a file into the house, and says what came of it. */
    @FunctionalInterface
    public interface Reading {
        /**
         * Reads it.
         *
         * @throws IOException if there is no such file
         */
        String of(Path file) throws IOException;
    }

    /**
     * What came of reading a file.
     *
     * @param words what to tell
     * @param status 0 where it was read, 1 where it is not there or was refused
     */
    public record Read(String words, int status) {}

    /** What came of reading a file, also where it is not there or was refused. */
    public static Read ofFile(String path, Reading reading) {
        try {
            return new Read(reading.of(Path.of(path)), 0);
        } catch (NoSuchFileException e) {
            return new Read("There is no such file: " + path, 1);
        } catch (IOException e) {
            return new Read("%s cannot be read: %s".formatted(path, e.getMessage()), 1);
        } catch (Refusal refusal) {
            return new Read(ObjectionWords.of(refusal), 1);
        }
    }

    /** Tells it, and stops the house. */
    public static void tellAndStop(ApplicationReadyEvent ready, Read read) {
        tellAndStop(ready, read.words(), read.status());
    }

    /**
     * Tells it, and stops the house.
     *
     * @param status 0 where it was done, 1 where it could not be
     */
    public static void tellAndStop(ApplicationReadyEvent ready, String answer, int status) {
        System.out.println(answer);
        System.exit(SpringApplication.exit(ready.getApplicationContext(), () -> status));
    }
}
