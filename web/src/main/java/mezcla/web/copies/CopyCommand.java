package mezcla.web.copies;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
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
            } else {
                Path copy = Path.of(said.getOrDefault(RESTORE, ""));
                HouseCopy.Contents contents = HouseCopy.restore(copy, folder);
                System.out.printf("%s is a house again, with %s.%n", folder, words(contents));
            }
            return 0;
        } catch (IOException refused) {
            System.err.println(refused.getMessage());
            return 1;
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
