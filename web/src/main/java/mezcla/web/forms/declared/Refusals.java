package mezcla.web.forms.declared;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Supplier;
import mezcla.measure.Refusal;
import org.jspecify.annotations.Nullable;

/** Several things that were refused at once, each with its field. */
public final class Refusals extends RuntimeException {
    private static final long serialVersionUID = 1L;

    @SuppressWarnings("serial")
    private final Map<String, Refusal> byField;

    private Refusals(Map<String, Refusal> byField) {
        super(byField.keySet().toString(), null, false, false);
        this.byField = byField;
    }

    /** What was refused, by field. */
    public Map<String, Refusal> byField() {
        return byField;
    }

    /** Collects them. */
    public static final class Collected {
        private final Map<String, Refusal> byField = new LinkedHashMap<>();

        /** Does something; null where it was refused. */
        public <T> @Nullable T read(String field, Supplier<T> reading) {
            try {
                return reading.get();
            } catch (Refusal refusal) {
                byField.putIfAbsent(field, refusal);
                return null;
            }
        }

        /**
         * Ends the collecting.
         *
         * @throws Refusals where anything was refused
         */
        public void refuse() {
            if (!byField.isEmpty()) {
                throw new Refusals(byField);
            }
        }
    }
}
