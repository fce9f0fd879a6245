package mezcla.web.drawing;

import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.springframework.context.i18n.LocaleContextHolder;
import org.springframework.stereotype.Component;
import org.springframework.util.ConcurrentLruCache;
import org.thymeleaf.ITemplateEngine;
import org.thymeleaf.context.Context;

/**
 * Drawings as the text of their SVG. A drawing says nothing but what is in its record, so that one which was drawn
 * lately is not drawn again: a shelf of crates changes in one crate at a time.
 */
@Component
public class Drawn {
    private static final int KEPT = 300;

    private final ITemplateEngine templates;
    private final Hatching hatching;
    private final ConcurrentLruCache<Asked, String> kept = new ConcurrentLruCache<>(KEPT, this::draw);

    Drawn(ITemplateEngine templates, Hatching hatching) {
        this.templates = templates;
        this.hatching = hatching;
    }

    private record Asked(String drawing, Record shown, Locale locale) {}

    /**
     * The markup of a drawing, in the units of whoever asks.
     *
     * @param drawing the template of that name among the drawings, its fragment, and what that calls the record
     * @param shown all that it shows
     */
    public String of(String drawing, Record shown) {
        return kept.get(new Asked(drawing, shown, LocaleContextHolder.getLocale()));
    }

    private String draw(Asked asked) {
        Context context = new Context(asked.locale(), Map.of(asked.drawing(), asked.shown(), "hatching", hatching));
        return templates.process("drawing/" + asked.drawing(), Set.of(asked.drawing()), context);
    }
}
