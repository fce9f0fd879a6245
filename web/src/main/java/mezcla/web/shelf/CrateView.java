package mezcla.web.shelf;

import java.util.Comparator;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import mezcla.batch.BatchState;
import mezcla.batch.FillState;
import mezcla.log.RunStarted;
import mezcla.measure.ProcessingTime;
import mezcla.verdict.RunPlan;
import mezcla.verdict.RunQuestion;
import mezcla.verdict.RunRemark;
import mezcla.web.drawing.CrateDrawing;
import mezcla.web.words.Figures;
import mezcla.web.words.verdict.StateWords;
import org.jspecify.annotations.Nullable;

/**
 * A crate on the shelf, in words and lines.
 *
 * @param id the batch
 * @param name what it is called
 * @param shortName the same, short enough for the crate's front
 * @param history rolls and days
 * @param state the state's key, for its look
 * @param stateWord the state's word
 * @param time the developer's time for the next roll; null where there is none
 * @param because the deciding reason, or what speaks against the run
 * @param soon what it still allows, while there is time to do something about it; empty while there is plenty
 * @param inUse who has film in it, and since when; empty for nobody
 * @param fits whether it takes the run
 * @param drawing the crate
 */
public record CrateView(
        long id,
        String name,
        String shortName,
        String history,
        String state,
        String stateWord,
        @Nullable String time,
        String because,
        String soon,
        String inUse,
        boolean fits,
        CrateDrawing drawing) {
    private static final int FRONT_CHARACTERS = 21;

    /**
     * Shows a batch.
     *
     * @param plan the run asked about, through it
     */
    public static CrateView of(RunPlan plan) {
        BatchState batch = plan.batch();
        List<FillState> fills =
                plan.baths().stream().map(RunPlan.PlannedBath::fill).toList();
        List<Integer> days = fills.stream()
                .map(fill -> (int) plan.question().daysSince(fill.mixedAt()))
                .toList();
        double age = plan.question().daysSince(batch.mixedAt());
        double rolls = batch.allRolls();
        String name = batch.mixed().name();
        return new CrateView(
                batch.id(),
                name,
                name.length() <= FRONT_CHARACTERS
                        ? name
                        : name.substring(0, FRONT_CHARACTERS - 1).strip() + "…",
                "%s roll%s · %s%s"
                        .formatted(
                                Figures.rolls(rolls),
                                rolls == 1 ? "" : "s",
                                age < 1 ? "today" : Figures.plain(age, 0) + (age == 1 ? " day" : " days"),
                                plan.question().tank().turning() ? " · rotary" : ""),
                StateWords.key(plan),
                StateWords.of(plan),
                time(plan),
                StateWords.because(plan),
                soon(plan),
                inUse(plan),
                plan.fits(),
                CrateDrawing.of(fills, days));
    }

    /** That its leaflet was mistyped, with the developer's time by the one that is right; else what it still allows. */
    private static String soon(RunPlan plan) {
        return plan.remarks().stream()
                .filter(RunRemark.LeafletMistyped.class::isInstance)
                .map(RunRemark.LeafletMistyped.class::cast)
                .min(Comparator.comparing(remark -> !plan.batch().isImageDeveloper(remark.fill())))
                .map(remark -> "Leaflet mistyped%s"
                        .formatted(
                                remark.right() == null || remark.right().equals(remark.shown())
                                        ? ""
                                        : ": %s by version %d".formatted(remark.right(), remark.version())))
                .orElseGet(() -> StateWords.soon(plan));
    }

    /** A batch on a full board, in a line. */
    static ShelfView.Line line(RunPlan plan) {
        String time = time(plan);
        String inUse = inUse(plan);
        return new ShelfView.Line(
                plan.batch().id(),
                plan.batch().mixed().name(),
                StateWords.key(plan),
                StateWords.of(plan),
                Stream.of(time == null ? "" : time, inUse, StateWords.because(plan))
                        .filter(words -> !words.isEmpty())
                        .collect(Collectors.joining(" · ")),
                plan.fits());
    }

    private static String inUse(RunPlan plan) {
        RunQuestion question = plan.question();
        return plan.batch().inUse().stream()
                .map(RunStarted::stamp)
                .map(start -> "In use since %s, %s"
                        .formatted(Figures.since(start.happenedAt(), question.at(), question.zone()), start.who()))
                .collect(Collectors.joining("; "));
    }

    private static @Nullable String time(RunPlan plan) {
        return plan.worth().map(ProcessingTime::toString).orElse(null);
    }

    /** The same crate when the film wants another process. */
    CrateView ofAnotherProcess() {
        return new CrateView(
                id,
                name,
                shortName,
                history,
                state,
                stateWord,
                null,
                "Not the process that you asked for.",
                "",
                inUse,
                false,
                drawing);
    }
}
