package mezcla.web.leaflet;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * A printed sheet, and what somebody types of it, view by view.
 *
 * @param file the file that holds both
 * @param shape what kit it is begun as
 * @param views what is typed into each view
 */
public record TypedSheet(String file, String shape, List<List<Field>> views) {
    private static final Path SHEETS = Path.of("src", "test", "resources", "sheets");
    private static final String TYPED = "--- typed\n";
    private static final String NEXT_VIEW = ">";
    private static final String EACH_LINE = " \\| ";

    /** Between what stands apart on paper and is typed into one line. */
    private static final String EACH_PIECE = " & ";

    private static final Pattern CHOSEN = Pattern.compile(".*-(wear|mode|role)|clock");

    /** What is typed into a field. */
    public record Field(String name, String typed) {}

    /** All that there are. */
    public static List<TypedSheet> all() {
        try (Stream<Path> files = Files.list(SHEETS)) {
            return files.sorted().map(TypedSheet::of).toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /**
     * Reads one.
     *
     * @throws AssertionError where something is typed otherwise than it is printed
     */
    private static TypedSheet of(Path file) {
        String text;
        try {
            text = Files.readString(file, StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        String printed = plain(text.substring(0, text.indexOf(TYPED)));
        List<String> lines =
                text.substring(text.indexOf(TYPED) + TYPED.length()).lines().toList();
        List<List<Field>> views = new ArrayList<>(List.of(new ArrayList<>()));
        for (String line : lines.subList(1, lines.size())) {
            if (line.equals(NEXT_VIEW)) {
                views.add(new ArrayList<>());
                continue;
            }
            String[] parts = line.split("\\s*=\\s*", 2);
            String[] typed = parts[1].split(EACH_LINE);
            if (!CHOSEN.matcher(parts[0]).matches()
                    && !Arrays.stream(typed)
                            .flatMap(each -> Arrays.stream(each.split(EACH_PIECE, -1)))
                            .allMatch(each -> printed.contains(plain(each)))) {
                throw new AssertionError(file + " does not print " + parts[1]);
            }
            views.get(views.size() - 1)
                    .add(new Field(parts[0], String.join("\n", typed).replace(EACH_PIECE, ", ")));
        }
        return new TypedSheet(file.getFileName().toString(), lines.get(0).replace("shape ", ""), views);
    }

    private static String plain(String text) {
        return text.replaceAll("\\s+", " ").strip().toLowerCase(Locale.ROOT);
    }

    /** How many fields are typed into. */
    public long fields() {
        return views.stream().mapToLong(List::size).sum();
    }

    /** What is typed into a field; empty for nothing. */
    public String typed(String field) {
        return views.stream()
                .flatMap(List::stream)
                .filter(each -> each.name().equals(field))
                .map(Field::typed)
                .findFirst()
                .orElse("");
    }

    /** Whether a browser types it; the others are sent as a browser would send them. */
    public boolean isThroughTheBrowser() {
        return file.startsWith("quarry") || file.startsWith("towpath");
    }

    @Override
    public String toString() {
        return file;
    }
}
