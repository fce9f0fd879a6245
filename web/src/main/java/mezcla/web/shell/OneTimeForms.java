package mezcla.web.shell;

import java.time.Clock;
import java.util.UUID;
import java.util.function.Supplier;
import mezcla.measure.Refusal;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Makes each form good for one entry: the same key sent twice, by a double tap, the back button or bad wifi, leads to
 * what the first one led to.
 */
@Service
public class OneTimeForms {
    private final FormKeyMapper keys;
    private final Clock clock;

    OneTimeForms(FormKeyMapper keys, Clock clock) {
        this.keys = keys;
        this.clock = clock;
    }

    /** A key for a form that is about to be shown. */
    public String newKey() {
        return UUID.randomUUID().toString();
    }

    /**
     * Does what a form asks for, once.
     *
     * @param key the form's key
     * @param act does it and returns the page that it leads to
     * @return that page, and whether it was there already
     * @throws Refusal {@code form-key-missing} when the key is none of ours
     */
    @Transactional
    public Outcome once(String key, Supplier<String> act) {
        try {
            UUID.fromString(key);
        } catch (IllegalArgumentException e) {
            throw Refusal.of("form-key-missing");
        }
        String before = keys.ledTo(key);
        if (before != null) {
            return new Outcome(before, true);
        }
        String ledTo = act.get();
        keys.use(key, ledTo, clock.instant().toString());
        return new Outcome(ledTo, false);
    }

    /**
     * Where a form led.
     *
     * @param page the page to show
     * @param again whether an earlier sending of the form had done it already
     */
    public record Outcome(String page, boolean again) {}
}
