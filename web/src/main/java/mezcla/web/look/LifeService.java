package mezcla.web.look;

import java.util.Comparator;
import java.util.List;
import mezcla.batch.BatchState;
import mezcla.batch.Climate;
import mezcla.batch.FillState;
import mezcla.batch.LogState;
import mezcla.batch.StorageAge;
import mezcla.leaflet.Range;
import mezcla.verdict.RunQuestion;
import mezcla.web.answers.Planning;
import mezcla.web.drawing.plot.LifeWindowDrawing;
import mezcla.web.log.DarkroomLog;
import mezcla.web.words.Figures;
import mezcla.web.words.SchoolWords;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Shows how a fill has lived: its runs, its days, and how it was stored. */
@Service
public class LifeService {
    private final DarkroomLog log;
    private final Planning planning;

    LifeService(DarkroomLog log, Planning planning) {
        this.log = log;
        this.planning = planning;
    }

    /**
     * The life of a fill.
     *
     * @param title whose
     * @param drawing its window; null where it has no limits
     * @param age how old it is by the calendar, and how it was stored
     * @param school how the house judges it
     */
    public record Life(String title, @Nullable LifeWindowDrawing drawing, String age, String school) {}

    /**
     * The life of a fill, with the next roll as its next step.
     *
     * @throws mezcla.measure.Refusal {@code unknown-fill}
     */
    @Transactional(readOnly = true)
    public Life ofFill(long fillId) {
        LogState state = log.state();
        return life(state.fill(fillId), state.batchOf(fillId));
    }

    /** The life of a batch's developer; null where it has none that stands. */
    @Transactional(readOnly = true)
    public @Nullable Life ofBatch(long batchId) {
        BatchState batch = log.state().batch(batchId);
        return batch.imageDeveloper()
                .filter(fill -> fill.discarded() == null)
                .map(fill -> life(fill, batch))
                .orElse(null);
    }

    private Life life(FillState asLogged, BatchState batch) {
        RunQuestion question = planning.asUsed(planning.nextRoll(), batch);
        FillState fill = question.judging().over(asLogged);
        return new Life(
                "The life of the " + Figures.within(fill.bath().role().name()),
                LifeWindowDrawing.of(fill, question).orElse(null),
                age(fill, question),
                SchoolWords.of(question.judging().school(fill.leaflet().process(), false)));
    }

    private static String age(FillState fill, RunQuestion question) {
        Climate climate = question.judging().climate();
        double calendar = question.daysSince(fill.mixedAt());
        double effective = StorageAge.effectiveDays(fill, climate, question.at());
        Range life = fill.bath().lifeDays();
        String printed = life == null
                ? ""
                : " of %s %s"
                        .formatted(Figures.plain(life.max(), 0), life.printed() ? "printed" : "that the house allows");
        String why = dearest(fill, climate, question);
        return "%s old%s; stored as if for %s (estimate)%s."
                .formatted(Figures.countOfDays(calendar), printed, Figures.plain(effective, 0), why);
    }

    /** The spell that cost the most days beyond the calendar, where any cost a whole one. */
    private static String dearest(FillState fill, Climate climate, RunQuestion question) {
        List<StorageAge.Spell> spells = fill.spells();
        return spells.stream()
                .max(Comparator.comparingDouble(spell -> spell.cost(fill.bath().role(), climate, question.at())))
                .filter(spell -> spell.cost(fill.bath().role(), climate, question.at()) >= 1)
                .map(spell -> ": %s with %s cost %s"
                        .formatted(
                                spell.place() == null
                                        ? "an unknown place"
                                        : Figures.within(spell.place().name()),
                                spell.air().words(),
                                Figures.countOfDays((double)
                                        Math.round(spell.cost(fill.bath().role(), climate, question.at())))))
                .orElse("");
    }
}
