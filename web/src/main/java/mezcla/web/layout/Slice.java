package mezcla.web.layout;

import java.util.List;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/**
 * A page of a long list.
 *
 * @param rows what is on it
 * @param before where the page before begins; null for none
 * @param next where the next page begins; null for none
 */
public record Slice<T>(List<T> rows, @Nullable Integer before, @Nullable Integer next) {
    private static final int ON_A_PAGE = 40;

    /**
     * The page that begins at a place.
     *
     * @param all the whole list
     * @param typed the place, as it was typed; the first one where it is none
     */
    public static <T> Slice<T> of(List<T> all, String typed) {
        int from = typed.matches("[0-9]{1,6}") && Integer.parseInt(typed) < all.size() ? Integer.parseInt(typed) : 0;
        int to = Math.min(all.size(), from + ON_A_PAGE);
        return new Slice<>(
                List.copyOf(all.subList(from, to)),
                from > 0 ? Integer.valueOf(Math.max(0, from - ON_A_PAGE)) : null,
                to < all.size() ? Integer.valueOf(to) : null);
    }

    /** The same page of what something makes of its rows. */
    public <R> Slice<R> map(Function<T, R> words) {
        return new Slice<>(rows.stream().map(words).toList(), before, next);
    }
}
