package mezcla.web.look;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import mezcla.web.drawing.SignDrawing;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What people see on film and in bottles, and what it means: in our own words, found by the words that people type. */
@Component
public class SignGuide {
    private final List<Entry> entries;

    SignGuide() {
        this.entries = read();
    }

    /**
     * One thing to see.
     *
     * @param seen what one sees
     * @param normal whether that is as it should be
     * @param causes what it most likely comes from
     * @param now what to do now
     * @param batch what it means for the batch
     * @param found other words by which people look for it, trade slang among them; not shown
     * @param when when or where one sees it
     * @param drawing what it looks like
     */
    public record Entry(
            String seen,
            boolean normal,
            String causes,
            String now,
            String batch,
            String found,
            When when,
            SignDrawing drawing) {
        boolean matches(String[] words) {
            String all = " "
                    + String.join(" ", seen, causes, found)
                            .toLowerCase(Locale.ROOT)
                            .replace('-', ' ');
            return Arrays.stream(words).allMatch(word -> all.contains(" " + word));
        }
    }

    private static List<Entry> read() {
        try (InputStream file = SignGuide.class.getResourceAsStream("/guide/signs.json")) {
            List<Entry> entries = new ArrayList<>();
            for (JsonNode node : JsonMapper.builder().build().readTree(Objects.requireNonNull(file))) {
                entries.add(new Entry(
                        node.required("seen").asString(),
                        node.path("normal").asBoolean(false),
                        node.required("causes").asString(),
                        node.required("now").asString(),
                        node.required("batch").asString(),
                        node.required("found").asString(),
                        When.of(node.required("when").asString()).orElseThrow(),
                        SignDrawing.Kind.valueOf(node.required("drawn").asString())
                                .drawing()));
            }
            return List.copyOf(entries);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** When or where one sees a sign. */
    public enum When {
        /** On film that is dry. */
        DRY("on dry film"),
        /** On film that is wet. */
        WET("on wet film"),
        /** In a bottle. */
        BOTTLE("in a bottle"),
        /** In the sink. */
        SINK("in the sink");

        private final String words;

        When(String words) {
            this.words = words;
        }

        /** In lower case, as an address has it. */
        public String key() {
            return name().toLowerCase(Locale.ROOT);
        }

        /** In words. */
        public String words() {
            return words;
        }

        static Optional<When> of(String key) {
            return Arrays.stream(values())
                    .filter(when -> when.key().equals(key))
                    .findFirst();
        }
    }

    /**
     * What matches all words typed; everything for none.
     *
     * @param when when one sees it, by its key; anything else for whenever
     */
    public List<Entry> find(String typed, String when) {
        Optional<When> seen = When.of(when);
        String text = typed.strip().toLowerCase(Locale.ROOT).replace('-', ' ');
        String[] words = text.isEmpty() ? new String[0] : text.split("\\s+");
        return entries.stream()
                .filter(entry ->
                        entry.matches(words) && seen.map(entry.when()::equals).orElse(true))
                .toList();
    }
}
