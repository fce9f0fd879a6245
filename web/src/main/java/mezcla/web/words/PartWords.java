package mezcla.web.words;

import java.util.List;
import java.util.Objects;
import java.util.stream.Collectors;
import mezcla.batch.PartState;

/** Parts past their printed life, said wherever a kit is offered (rules, 3.4). */
public final class PartWords {
    private PartWords() {}

    /** Which of its lives is over, with its figures. */
    public static String past(PartState state, PartState.Past past) {
        return switch (past) {
            case SEALED ->
                "past its printed life%s: it keeps %s days sealed"
                        .formatted(
                                state.openedAt() == null ? "" : " when it was opened",
                                Figures.plain(
                                        Objects.requireNonNullElse(state.part().unopenedDays(), 0.0), 0));
            case OPEN, IN_VIALS ->
                "past %s life: it keeps %s days %s"
                        .formatted(
                                state.isOpenLifePrinted() ? "its printed" : "the house’s",
                                keeps(state),
                                past == PartState.Past.OPEN ? "once open" : "in vials");
        };
    }

    /** How many days it keeps as it is now, with whose figure that is where no sheet prints it. */
    public static String keeps(PartState state) {
        return Figures.plain(state.keepsOpenDays(), 0) + (state.isOpenLifePrinted() ? "" : " (house)");
    }

    /** What is past it, to follow a kit; empty for nothing. */
    public static String past(List<PartState> parts) {
        return parts.isEmpty()
                ? ""
                : "; past its printed life: "
                        + parts.stream().map(state -> state.part().name()).collect(Collectors.joining(", "));
    }
}
