package mezcla.web.look;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
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
     */
    public record Entry(String seen, boolean normal, String causes, String now, String batch, String found) {
        boolean matches(String[] words) {
            String all = String.join(" ", seen, causes, found).toLowerCase(Locale.ROOT);
            return Arrays.stream(words).allMatch(all::contains);
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
                        node.required("found").asString()));
            }
            return List.copyOf(entries);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** What matches all words typed; everything for none. */
    public List<Entry> find(String typed) {
        String text = typed.strip().toLowerCase(Locale.ROOT);
        String[] words = text.isEmpty() ? new String[0] : text.split("\\s+");
        return entries.stream().filter(entry -> entry.matches(words)).toList();
    }
}
