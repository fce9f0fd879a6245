package mezcla.web.copies;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.AccessDeniedException;
import java.nio.file.FileSystemException;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.util.Arrays;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;

/** Makes a copy, or brings one back, from the console ({@code bin/backup}, {@code bin/restore}): no house has to start. */
public final class CopyCommand {
    private static final String BACKUP = "--mezcla.backup";
    private static final String RESTORE = "--mezcla.restore";
    private static final String CHECK = "--mezcla.check";
    private static final String VERSION = "--mezcla.say-version";
    private static final double BYTES_A_MEGABYTE = 1e6;
    private static final Duration PATIENCE = Duration.ofSeconds(2);

    private CopyCommand() {}

    /** Whether whoever starts the application wants that. */
    public static boolean isWanted(String... arguments) {
        return Arrays.stream(arguments)
                .anyMatch(each -> each.equals(VERSION)
                        || each.startsWith(BACKUP + "=")
                        || each.startsWith(RESTORE + "=")
                        || each.startsWith(CHECK + "="));
    }

    /**
     * Does it, and says what came of it.
     *
     * @return 0 where it was done, 1 where it could not be
     */
    public static int run(Clock clock, String version, String... arguments) {
        Map<String, String> said = Arrays.stream(arguments)
                .filter(each -> each.contains("="))
                .collect(Collectors.toMap(
                        each -> each.substring(0, each.indexOf('=')),
                        each -> each.substring(each.indexOf('=') + 1),
                        (first, last) -> last));
        Path folder = Path.of(said.getOrDefault("--mezcla.data", "data/house"));
        try {
            if (said.containsKey(BACKUP)) {
                Path target = Path.of(said.getOrDefault(BACKUP, ""));
                HouseCopy.Contents contents = HouseCopy.write(folder, target, version, clock.instant());
                System.out.printf("%s holds %s.%n", target, words(contents));
            } else if (said.containsKey(CHECK)) {
                Path copy = Path.of(said.getOrDefault(CHECK, ""));
                System.out.printf("%s holds %s.%n", copy, words(HouseCopy.check(copy)));
            } else if (!said.containsKey(RESTORE)) {
                System.out.println("Mezcla " + version);
                System.out.println(running(said.getOrDefault("--server.port", "8080")));
            } else {
                Path copy = Path.of(said.getOrDefault(RESTORE, ""));
                HouseCopy.Contents contents = HouseCopy.restore(copy, folder);
                System.out.printf("%s is a house again, with %s.%n", folder, words(contents));
            }
            return 0;
        } catch (AccessDeniedException refused) {
            System.err.println(refused.getFile() + ": whoever runs this may not read or write there.");
            return 1;
        } catch (FileSystemException refused) {
            String why = refused.getReason() == null ? "no such place" : refused.getReason();
            System.err.println(refused.getFile() + ": " + why + ".");
            return 1;
        } catch (IOException refused) {
            System.err.println(refused.getMessage());
            return 1;
        }
    }

    /** What runs on a port of this machine, as it says itself. */
    private static String running(String port) {
        String health = "http://localhost:%s/health".formatted(port.matches("[0-9]{1,5}") ? port : "8080");
        try {
            String answer = HttpClient.newBuilder()
                    .connectTimeout(PATIENCE)
                    .build()
                    .send(
                            HttpRequest.newBuilder(URI.create(health))
                                    .timeout(PATIENCE)
                                    .build(),
                            HttpResponse.BodyHandlers.ofString())
                    .body();
            boolean mezcla = answer.startsWith("{\"") && answer.contains("\"status\":\"");
            return "On port %s %s"
                    .formatted(
                            port,
                            mezcla
                                    ? "Mezcla answers; House, This house says which version it is."
                                    : answer.contains("requires TLS")
                                            ? "something answers over HTTPS."
                                            : "something else answers.");
        } catch (IOException | IllegalArgumentException nothing) {
            return "On port %s runs nothing that can be asked.".formatted(port);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return "";
        }
    }

    private static String words(HouseCopy.Contents contents) {
        return String.format(
                Locale.ROOT,
                "%d rows of the log and %d photos, made at %s by Mezcla %s, %.1f MB, read back and whole",
                contents.rows(),
                contents.photos(),
                contents.madeAt(),
                contents.version(),
                contents.bytes() / BYTES_A_MEGABYTE);
    }
}
