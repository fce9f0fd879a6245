package mezcla.measure;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;

/**
 * The one way in which a rule refuses. It carries a code and the values that a sentence about it needs; whoever talks
 * to people turns it into that sentence.
 */
public final class Refusal extends RuntimeException {
    private final String code;
    private final transient Map<String, Object> values;

    private Refusal(String code, Map<String, Object> values) {
        this.code = code;
        this.values = values;
    }

    /**
     * A refusal.
     *
     * @param code what is refused, in lower case with hyphens, for instance {@code parts-exceed-volume}
     * @param namesAndValues names and values in turn, for instance {@code "part", "dev-c", "largestMl", 480.0}
     */
    public static Refusal of(String code, Object... namesAndValues) {
        Map<String, Object> values = new LinkedHashMap<>();
        for (int i = 0; i + 1 < namesAndValues.length; i += 2) {
            values.put((String) namesAndValues[i], namesAndValues[i + 1]);
        }
        return new Refusal(code, Collections.unmodifiableMap(values));
    }

    /** The code with its values, put together only where somebody reads it: values can be whole fills. */
    @Override
    public String getMessage() {
        return code + " " + values;
    }

    /** What is refused. */
    public String code() {
        return code;
    }

    /** The values that go with the code, in the order in which they were given. */
    public Map<String, Object> values() {
        return values;
    }

    /** The value of that name as text; empty when there is none. */
    public String text(String name) {
        return String.valueOf(values.getOrDefault(name, ""));
    }

    /** The value of that name as a number; NaN when there is none. */
    public double number(String name) {
        return values.get(name) instanceof Number number ? number.doubleValue() : Double.NaN;
    }
}
