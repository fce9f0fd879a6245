package mezcla.web.forms;

import java.nio.charset.StandardCharsets;
import org.springframework.web.util.UriUtils;

/** What an address carries behind its question mark: fields and what was typed into them, whatever that was. */
public final class Query {
    private final StringBuilder text = new StringBuilder();

    /** Carries a field. */
    public Query with(String field, Object typed) {
        text.append(text.isEmpty() ? "" : "&")
                .append(encoded(field))
                .append('=')
                .append(encoded(typed.toString()));
        return this;
    }

    private static String encoded(String typed) {
        return UriUtils.encode(typed, StandardCharsets.UTF_8);
    }

    /** As it stands in an address, without the question mark. */
    @Override
    public String toString() {
        return text.toString();
    }
}
