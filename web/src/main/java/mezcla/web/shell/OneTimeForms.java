package mezcla.web.shell;

import java.time.Clock;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Supplier;
import mezcla.measure.Refusal;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.support.ServletUriComponentsBuilder;

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

    /** Whether that is a key of ours. */
    public boolean isKey(String key) {
        try {
            return UUID.fromString(key).toString().equals(key);
        } catch (IllegalArgumentException e) {
            return false;
        }
    }

    /**
     * A redirection to the page that was asked for, with a form key in its address, so that whoever comes back to that
     * address is told what the form has led to already.
     */
    public ModelAndView askAgainWithNewKey() {
        String address = ServletUriComponentsBuilder.fromCurrentRequest()
                .scheme(null)
                .host(null)
                .port(null)
                .replaceQueryParam("formKey", UUID.randomUUID())
                .build()
                .toUriString();
        return new ModelAndView("redirect:" + address);
    }

    /** The page that a form led to, if it was sent before. */
    @Transactional(readOnly = true)
    public Optional<String> ledTo(String key) {
        return Optional.ofNullable(keys.ledTo(key));
    }

    /**
     * Does what a form asks for, once.
     *
     * @param key the form's key
     * @param act does it and returns the page that it leads to
     * @return that page, or the one that an earlier sending led to
     * @throws Refusal {@code form-key-missing} when the key is none of ours
     */
    @Transactional
    public String once(String key, Supplier<String> act) {
        if (!isKey(key)) {
            throw Refusal.of("form-key-missing");
        }
        String before = keys.ledTo(key);
        if (before != null) {
            return before;
        }
        String ledTo = act.get();
        keys.use(key, ledTo, clock.instant().toString());
        return ledTo;
    }
}
