package mezcla.web.sheets.lines;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.IntPredicate;
import java.util.function.IntUnaryOperator;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import mezcla.leaflet.BathRole;
import mezcla.leaflet.Recipe;
import org.jspecify.annotations.Nullable;

/**
 * The rows of a sheet's baths, put in, moved and taken out. Everything that belongs to a bath goes along: what goes into
 * it, its times, its limits and its step; a part that then goes into no bath is taken out with it.
 */
public final class BathRows {
    private static final Pattern OF_A_BATH = Pattern.compile("bath([0-9]{1,2})-(.+)");
    private static final Pattern PART_OF = Pattern.compile("bath([0-9]{1,2})-add[0-9]{1,2}-part");

    /** The field that counts how often rows were moved; nobody types it. */
    public static final String MOVES = "moves";

    private BathRows() {}

    /** How many rows a sheet has. */
    private static int rows(Map<String, String> typed) {
        return Integer.parseInt("0" + typed.getOrDefault("baths", ""));
    }

    /** The same with a bath more at the end, of which nothing is said yet. */
    public static Map<String, String> withAnother(Map<String, String> typed) {
        Map<String, String> more = new HashMap<>(typed);
        more.put("baths", Integer.toString(rows(typed) + 1));
        more.put("bath" + rows(typed) + "-mode", Recipe.Mode.TOP_UP.name());
        return more;
    }

    /**
     * The same with a bath more where it usually stands, with a part that is named for it, and its step where steps are
     * typed; nothing changes for a role that is none.
     */
    public static Map<String, String> withUsual(Map<String, String> typed, String role) {
        BathRole standard = standard(role);
        if (standard == null) {
            return typed;
        }
        int rows = rows(typed);
        int at = IntStream.range(0, rows)
                .filter(row -> {
                    BathRole there = standard(typed.getOrDefault("bath" + row + "-role", ""));
                    return there != null && there.nature().compareTo(standard.nature()) > 0;
                })
                .findFirst()
                .orElse(rows);
        Map<String, String> more = moved(typed, row -> row < at ? row : row + 1);
        more.put("baths", Integer.toString(rows + 1));
        more.put("bath" + at + "-role", role);
        more.put("bath" + at + "-mode", Recipe.Mode.TOP_UP.name());
        int part = Integer.parseInt("0" + typed.getOrDefault("parts", ""));
        more.put("parts", Integer.toString(part + 1));
        more.put("part" + part + "-name", standard.name());
        more.put("bath" + at + "-adds", "1");
        more.put("bath" + at + "-add0-part", Integer.toString(part));
        List<String> steps = steps(typed);
        if (!steps.isEmpty()) {
            int before = IntStream.range(0, at)
                    .map(row -> stepOf(typed, row, steps))
                    .max()
                    .orElse(-1);
            steps.add(before + 1, standard.name());
            more.put("steps", String.join("\n", steps));
        }
        return more;
    }

    /** The same with a bath one row earlier; nothing changes for the first. */
    public static Map<String, String> withEarlier(Map<String, String> typed, int bath) {
        if (bath <= 0 || bath >= rows(typed)) {
            return typed;
        }
        Map<String, String> other = moved(typed, row -> row == bath ? row - 1 : row == bath - 1 ? row + 1 : row);
        List<String> steps = steps(typed);
        int here = stepOf(typed, bath, steps);
        int before = stepOf(typed, bath - 1, steps);
        if (here >= 0 && before >= 0) {
            Collections.swap(steps, here, before);
            other.put("steps", String.join("\n", steps));
        }
        return other;
    }

    /** The same without a bath, its step and the parts that go into it alone. */
    public static Map<String, String> without(Map<String, String> typed, int bath) {
        int rows = rows(typed);
        if (bath < 0 || bath >= rows) {
            return typed;
        }
        Map<String, String> less = new HashMap<>(typed);
        Set<String> gone = new HashSet<>(partsOf(typed, row -> row == bath));
        gone.removeAll(partsOf(typed, row -> row != bath));
        gone.forEach(part -> less.keySet().removeIf(field -> field.startsWith("part" + part + "-")));
        less.keySet().removeIf(field -> field.startsWith("bath" + bath + "-"));
        List<String> steps = steps(typed);
        int step = stepOf(typed, bath, steps);
        if (step >= 0) {
            steps.remove(step);
            less.put("steps", String.join("\n", steps));
        }
        Map<String, String> rest = moved(less, row -> row < bath ? row : row - 1);
        rest.put("baths", Integer.toString(rows - 1));
        return rest;
    }

    private static Set<String> partsOf(Map<String, String> typed, IntPredicate meant) {
        return typed.entrySet().stream()
                .filter(each -> {
                    Matcher matcher = PART_OF.matcher(each.getKey());
                    return matcher.matches() && meant.test(Integer.parseInt(matcher.group(1)));
                })
                .map(Map.Entry::getValue)
                .filter(part -> !part.isEmpty())
                .collect(Collectors.toSet());
    }

    private static Map<String, String> moved(Map<String, String> typed, IntUnaryOperator to) {
        Map<String, String> moved = new HashMap<>();
        typed.forEach((field, text) -> {
            Matcher matcher = OF_A_BATH.matcher(field);
            moved.put(
                    matcher.matches()
                            ? "bath" + to.applyAsInt(Integer.parseInt(matcher.group(1))) + "-" + matcher.group(2)
                            : field,
                    text);
        });
        moved.put(MOVES, Integer.toString(1 + Integer.parseInt("0" + typed.getOrDefault(MOVES, ""))));
        return moved;
    }

    private static List<String> steps(Map<String, String> typed) {
        String steps = typed.getOrDefault("steps", "");
        return new ArrayList<>(steps.isBlank() ? List.of() : steps.lines().toList());
    }

    /** Where a bath stands among the steps; −1 where it does not. */
    private static int stepOf(Map<String, String> typed, int bath, List<String> steps) {
        String key = typed.getOrDefault("bath" + bath + "-role", "");
        BathRole role = standard(key);
        String named = typed.getOrDefault("bath" + bath + "-roleName", "").strip();
        return IntStream.range(0, steps.size())
                .filter(i -> {
                    String said = steps.get(i).replaceFirst("\\s*;.*$", "").strip();
                    return role == null ? !named.isEmpty() && said.equalsIgnoreCase(named) : role.isCalled(said);
                })
                .findFirst()
                .orElse(-1);
    }

    private static @Nullable BathRole standard(String key) {
        return BathRole.standard().stream()
                .filter(role -> role.key().equals(key))
                .findFirst()
                .orElse(null);
    }
}
