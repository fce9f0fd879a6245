package mezcla.web.look.signs;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import mezcla.web.drawing.SignDrawing;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What people see on film and in bottles, and what it means: in our own words, found by the words that people type. */
@Component
public class SignGuide {
    private static final double IN_TITLE = 1;
    private static final double IN_OTHER_WORDS = 0.9;
    private static final double IN_CAUSES = 0.35;

    /** How much of the best fit is near enough to be shown with it. */
    private static final double GOOD_ENOUGH = 0.6;

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
     * @param unless where what is normal here is a fault, or the other way round; empty for nowhere
     * @param words what it is found by: by how much each counts
     */
    public record Entry(
            String seen,
            boolean normal,
            String causes,
            String now,
            String batch,
            String found,
            When when,
            SignDrawing drawing,
            String unless,
            Map<String, Double> words) {
        /** How well it fits what was typed: the number of words that fit counts most. */
        private double fits(List<String> typed) {
            double all = 0;
            for (String word : typed) {
                double best = 0;
                for (Map.Entry<String, Double> there : words.entrySet()) {
                    best = Math.max(best, there.getValue() * SignWords.fit(word, there.getKey()));
                }
                all += best == 0 ? 0 : best + 1;
            }
            return all;
        }
    }

    private static Map<String, Double> words(String seen, String found, String causes, String unless) {
        Map<String, Double> words = new HashMap<>();
        SignWords.of(causes + " " + unless).forEach(word -> words.put(word, IN_CAUSES));
        SignWords.of(found).forEach(word -> words.put(word, IN_OTHER_WORDS));
        SignWords.of(seen).forEach(word -> words.put(word, IN_TITLE));
        return Map.copyOf(words);
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
                                .drawing(),
                        node.path("unless").asString(""),
                        words(
                                node.required("seen").asString(),
                                node.required("found").asString(),
                                node.required("causes").asString(),
                                node.path("unless").asString(""))));
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
     * What fits the words typed, the best first; everything for none.
     *
     * @param when when one sees it, by its key; anything else for whenever
     */
    public List<Entry> find(String typed, String when) {
        Optional<When> seen = When.of(when);
        List<Entry> there = entries.stream()
                .filter(entry -> seen.map(entry.when()::equals).orElse(true))
                .toList();
        if (typed.isBlank()) {
            return there;
        }
        List<String> words = SignWords.of(typed);
        double best =
                there.stream().mapToDouble(entry -> entry.fits(words)).max().orElse(0);
        return there.stream()
                .filter(entry -> best > 0 && entry.fits(words) >= best * GOOD_ENOUGH)
                .sorted(Comparator.comparingDouble((Entry entry) -> -entry.fits(words)))
                .toList();
    }
}
