package mezcla.verdict;

import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.function.Function;
import mezcla.leaflet.LeafletObjection;
import mezcla.measure.Refusal;
import mezcla.processing.RunTime;
import org.jspecify.annotations.Nullable;

/**
 * Whether a batch is still good for a run: as good as its worst fill (rules, section 6).
 *
 * @param state how it stands
 * @param fills the verdict of each fill, in the order of use
 * @param rollsLeft roll equivalents that it still takes; null for no limit
 * @param daysLeft days that it still lasts; null for no limit
 * @param runFits whether the run asked about fits every fill
 */
public record BatchVerdict(
        State state, List<FillVerdict> fills, @Nullable Double rollsLeft, @Nullable Double daysLeft, boolean runFits) {
    /**
     * Judges a batch for a run at the printed temperatures, of film neither pushed nor pulled.
     *
     * @param school how strictly
     * @param conditions its fills, in the order of use
     * @param rolls the run asked about, in roll equivalents
     */
    public static BatchVerdict of(School school, List<FillCondition> conditions, double rolls) {
        return of(conditions.stream()
                .map(fill -> FillVerdict.of(school, fill, rolls, timeIn(fill, rolls)))
                .toList());
    }

    /** Sums up the verdicts of a batch's fills. */
    static BatchVerdict of(List<FillVerdict> fills) {
        return new BatchVerdict(
                fills.stream().map(FillVerdict::state).reduce(State.GOOD, State::worse),
                List.copyOf(fills),
                rollsLeft(fills),
                least(fills, FillVerdict::daysLeft),
                fills.stream().allMatch(FillVerdict::runFits));
    }

    private static RunTime timeIn(FillCondition fill, double rolls) {
        return RunTime.of(
                fill.role(),
                fill.timing(),
                fill.scaledRolls(),
                rolls * fill.wearPerRoll(),
                0,
                null,
                fill.trimPercent());
    }

    /** Roll equivalents that all of them take; null for no limit. */
    static @Nullable Double rollsLeft(List<FillVerdict> fills) {
        return least(fills, FillVerdict::rollsLeft);
    }

    private static @Nullable Double least(List<FillVerdict> fills, Function<FillVerdict, @Nullable Double> value) {
        return fills.stream()
                .map(value)
                .filter(Objects::nonNull)
                .min(Comparator.naturalOrder())
                .orElse(null);
    }

    /** All reasons; the one that set the state comes first. */
    public List<Reason> reasons() {
        return fills.stream()
                .flatMap(fill -> fill.reasons().stream())
                .sorted(Comparator.comparing((Reason reason) -> reason.code().state())
                        .reversed()
                        .thenComparing(Reason::code))
                .toList();
    }

    /** The fills that have to go while the rest is sound; empty when none has, or all have. */
    public List<FillVerdict> toRenew() {
        List<FillVerdict> gone =
                fills.stream().filter(fill -> fill.state() == State.DISCARD).toList();
        return gone.size() == fills.size() ? List.of() : gone;
    }

    /**
     * The verdict of the fill of that bath.
     *
     * @throws Refusal {@code unknown-bath}
     */
    public FillVerdict fill(String key) {
        return fills.stream()
                .filter(fill -> fill.key().equals(key))
                .findFirst()
                .orElseThrow(() -> Refusal.of(new LeafletObjection.UnknownBath(key)));
    }
}
