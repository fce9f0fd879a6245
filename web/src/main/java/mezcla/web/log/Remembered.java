package mezcla.web.log;

import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * What was reckoned from the log and holds until something that it rests on is another. What a transaction reckoned that
 * may still be rolled back is not remembered.
 *
 * @param <T> what is remembered
 */
public final class Remembered<T> {
    private final AtomicReference<@Nullable Known<T>> known = new AtomicReference<>();

    private record Known<T>(Object restsOn, T value) {}

    /**
     * What is remembered, or else what is reckoned now.
     *
     * @param restsOn everything that it rests on, compared by what it is: the last row of the log, an hour, a decision
     * @param reckoned reckons it
     */
    public T of(Object restsOn, Supplier<T> reckoned) {
        Known<T> before = known.get();
        if (before != null && before.restsOn().equals(restsOn)) {
            return before.value();
        }
        T now = reckoned.get();
        if (TransactionSynchronizationManager.isCurrentTransactionReadOnly()) {
            known.set(new Known<>(restsOn, now));
        }
        return now;
    }

    /** What was remembered last, whatever it rested on; null for nothing. */
    public @Nullable T last() {
        Known<T> before = known.get();
        return before == null ? null : before.value();
    }
}
