package mezcla.web.forms.declared;

import mezcla.measure.Refusal;

/**
 * Reads a field in a way of its own; it needs a constructor without arguments.
 *
 * @param <T> what it reads
 */
public interface FieldReader<T> {
    /**
     * What was typed, read.
     *
     * @throws Refusal what speaks against it
     */
    T read(String typed);

    /** No way of its own. */
    final class None implements FieldReader<String> {
        @Override
        public String read(String typed) {
            return typed;
        }
    }
}
