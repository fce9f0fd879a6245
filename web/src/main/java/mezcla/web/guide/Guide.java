package mezcla.web.guide;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import mezcla.leaflet.BathRole;
import org.commonmark.Extension;
import org.commonmark.ext.heading.anchor.HeadingAnchorExtension;
import org.commonmark.parser.Parser;
import org.commonmark.renderer.html.HtmlRenderer;
import org.springframework.core.io.ClassPathResource;
import org.springframework.stereotype.Component;

/** The guide for members ({@code docs/GUIDE.md}), in parts that can be looked up by themselves. */
@Component
public class Guide {
    private static final Pattern HEADING = Pattern.compile("(?m)^## (.+)$");

    private final List<Part> parts;

    Guide() {
        this.parts = parts(text());
    }

    /**
     * A part of the guide.
     *
     * @param key its name in an address
     * @param title its heading
     * @param html what it says, as HTML of our own
     */
    public record Part(String key, String title, String html) {}

    /** Its parts, in order. */
    public List<Part> parts() {
        return parts;
    }

    /** The letters on bottles, with what they stand for. */
    public List<BathRole> letters() {
        return BathRole.standard();
    }

    private static String text() {
        try {
            return new ClassPathResource("help/GUIDE.md").getContentAsString(StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Parts of a text in Markdown, one for each heading of the second order. */
    static List<Part> parts(String text) {
        List<Extension> anchors = List.of(HeadingAnchorExtension.create());
        Parser parser = Parser.builder().extensions(anchors).build();
        HtmlRenderer renderer =
                HtmlRenderer.builder().extensions(anchors).escapeHtml(true).build();
        List<Part> parts = new ArrayList<>();
        Matcher heading = HEADING.matcher(text);
        String title = "";
        int from = -1;
        while (heading.find()) {
            if (from >= 0) {
                parts.add(part(title, text.substring(from, heading.start()), parser, renderer));
            }
            title = heading.group(1).strip();
            from = heading.end();
        }
        if (from >= 0) {
            parts.add(part(title, text.substring(from), parser, renderer));
        }
        return List.copyOf(parts);
    }

    private static Part part(String title, String text, Parser parser, HtmlRenderer renderer) {
        String key = title.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-");
        return new Part(key, title, renderer.render(parser.parse(text)).replaceAll("<img[^>]*>", ""));
    }
}
