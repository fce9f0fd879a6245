package mezcla.web.words;

import java.util.List;
import java.util.stream.Collectors;
import mezcla.batch.PartState;

/** Parts past their printed life, said wherever a kit is offered (rules, 3.4). */
public final class PartWords {
    private PartWords() {}

    /** What is past it, to follow a kit; empty for nothing. */
    public static String past(List<PartState> parts) {
        return parts.isEmpty()
                ? ""
                : "; past its printed life: "
                        + parts.stream().map(state -> state.part().name()).collect(Collectors.joining(", "));
    }
}
