package mezcla.web.console;

import java.io.IOException;
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

    /** What came of reading a file, also where it is not there or was refused. */
    public static String ofFile(String path, Reading reading) {
        try {
            return reading.of(Path.of(path));
        } catch (IOException e) {
            return "There is no such file: " + path;
        } catch (Refusal refusal) {
            return ObjectionWords.of(refusal);
        }
    }

    /** Tells it, and stops the house. */
    public static void tellAndStop(ApplicationReadyEvent ready, String answer) {
        tellAndStop(ready, answer, 0);
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
