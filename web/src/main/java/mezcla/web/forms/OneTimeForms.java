package mezcla.web.forms;

import java.time.Clock;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Supplier;
import mezcla.measure.Refusal;
import mezcla.web.forms.declared.Refusals;
import mezcla.web.forms.declared.Sent;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionOperations;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.support.ServletUriComponentsBuilder;

/**
 * Makes each form good for one entry: the same key sent twice, by a double tap, the back button or bad wifi, leads to
 * what the first one led to.
 */
@Service
public class OneTimeForms {
    private final FormKeyMapper keys;
    private final TransactionOperations transactions;
    private final OneReading reading;
    private final Clock clock;

    OneTimeForms(FormKeyMapper keys, TransactionOperations transactions, OneReading reading, Clock clock) {
        this.reading = reading;
        this.keys = keys;
        this.transactions = transactions;
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
        return Optional.ofNullable(keys.used(key)).map(FormKeyMapper.Used::ledTo);
    }

    /**
     * Does what a form asks for, once.
     *
     * @param key the form's key
     * @param act does it and returns the page that it leads to
     * @return that page, or the one that an earlier sending led to
     * @throws Refusal {@code form-key-missing} when the key is none of ours, {@code form-used-for-other} when it was sent
     *     before with something else in the form, or by somebody else
     */
    public String once(String key, Supplier<String> act) {
        if (!isKey(key)) {
            throw Refusal.of(new FormObjection.FormKeyMissing());
        }
        return Objects.requireNonNull(transactions.execute(transaction -> onceInATransaction(key, act)));
    }

    private String onceInATransaction(String key, Supplier<String> act) {
        FormKeyMapper.Used before = keys.used(key);
        String content = SentContent.here();
        if (before != null) {
            if (!before.content().equals(content)) {
                throw Refusal.of(new FormObjection.FormUsedForOther());
            }
            return before.ledTo();
        }
        String ledTo = act.get();
        keys.use(key, ledTo, content, clock.instant().toString());
        return ledTo;
    }

    /**
     * Answers a form that was sent: what it asks for is done once, if its fields could be read, and leads to another page;
     * what is refused stands beside its field on the same page.
     *
     * @param sent the form
     * @param act does it and returns the page that it leads to
     * @param again the page with the form, as it was typed
     */
    public <F extends Record> ModelAndView answer(Sent<F> sent, Function<F, String> act, Supplier<ModelAndView> again) {
        if (sent.errors().none()) {
            try {
                return new ModelAndView("redirect:" + once(sent.key(), () -> act.apply(sent.form())));
            } catch (Refusal refusal) {
                sent.refuse(refusal);
            } catch (Refusals refusals) {
                refusals.byField().forEach(sent.errors()::add);
            }
        }
        ModelAndView page = reading.page(again);
        page.setStatus(HttpStatus.UNPROCESSABLE_CONTENT);
        return page;
    }

    /** The same for what always leads to the same page. */
    public <F extends Record> ModelAndView answer(
            Sent<F> sent, String then, Consumer<F> act, Supplier<ModelAndView> again) {
        return answer(
                sent,
                form -> {
                    act.accept(form);
                    return then;
                },
                again);
    }
}
