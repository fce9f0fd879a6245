package mezcla.mixing;

import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import mezcla.leaflet.Addition;
import mezcla.leaflet.Unit;
import mezcla.measure.Refusal;
import mezcla.measure.Slack;
import org.jspecify.annotations.Nullable;

/**
 * The tool of the house that measures an amount best (rules, 3.3).
 *
 * @param tool which
 * @param fills how often it is filled
 * @param uncertainty by how much the amount may be off, in its unit
 * @param relative the same, of the amount
 * @param good whether that is within what the part tolerates
 * @param smallestGood the smallest amount that this tool measures well, in its unit; null for none
 */
public record ToolChoice(
        Tool tool, int fills, double uncertainty, double relative, boolean good, @Nullable Double smallestGood) {
    private static final int MOST_FILLS = 10;

    private static final Comparator<ToolChoice> BEST_OF_THE_GOOD = Comparator.comparingInt(ToolChoice::fills)
            .thenComparingDouble(choice -> choice.tool().capacity())
            .thenComparingDouble(ToolChoice::relative);

    private static final Comparator<ToolChoice> LEAST_COARSE = Comparator.comparingDouble(ToolChoice::relative)
            .thenComparingInt(ToolChoice::fills)
            .thenComparingDouble(choice -> choice.tool().capacity());

    /**
     * Chooses a tool.
     *
     * @param amount how much is measured, in its unit
     * @param unit ml or g
     * @param care how exactly it must be measured
     * @param tools what the house owns
     * @throws Refusal {@code no-tool} when none measures it in ten fills or fewer
     */
    public static ToolChoice of(double amount, Unit unit, Addition.Care care, Collection<Tool> tools) {
        List<ToolChoice> choices = tools.stream()
                .filter(tool -> tool.unit() == unit)
                .map(tool -> with(tool, amount, care))
                .filter(choice -> choice.fills() <= MOST_FILLS)
                .toList();
        return choices.stream()
                .filter(ToolChoice::good)
                .min(BEST_OF_THE_GOOD)
                .or(() -> choices.stream().min(LEAST_COARSE))
                .orElseThrow(() -> Refusal.of(new MixingObjection.NoTool(amount)));
    }

    /**
     * The tool for a part of a plan; empty where none of the house measures it.
     *
     * @param planned the part
     * @param tools what the house owns
     */
    public static Optional<ToolChoice> of(MixPlan.PlannedAddition planned, Collection<Tool> tools) {
        try {
            return Optional.of(of(
                    planned.amount(),
                    planned.addition().unit(),
                    planned.addition().care(),
                    tools));
        } catch (Refusal none) {
            return Optional.empty();
        }
    }

    /**
     * What was measured last, in the same mix, with the tool that a part is measured with: then it is rinsed before, or
     * another is taken (rules, 3.5). Empty where the tool is clean, where the same part was in it, and where nothing is
     * measured because all of it goes in.
     *
     * @param mix the plan
     * @param place which of its parts, from 0
     * @param tools what the house owns
     */
    public static Optional<MixPlan.PlannedAddition> measuredBefore(MixPlan mix, int place, Collection<Tool> tools) {
        MixPlan.PlannedAddition planned = mix.additions().get(place);
        Optional<Tool> tool = toolFor(planned, tools);
        return tool.isEmpty()
                ? Optional.empty()
                : mix.additions().subList(0, place).stream()
                        .filter(earlier -> toolFor(earlier, tools).equals(tool))
                        .reduce((first, last) -> last)
                        .filter(last -> !last.addition()
                                .part()
                                .equals(planned.addition().part()));
    }

    private static Optional<Tool> toolFor(MixPlan.PlannedAddition planned, Collection<Tool> tools) {
        return planned.wholePart() ? Optional.empty() : of(planned, tools).map(ToolChoice::tool);
    }

    private static ToolChoice with(Tool tool, double amount, Addition.Care care) {
        int fills = Math.max(1, Slack.ceiling(amount / tool.capacity()));
        double uncertainty = fills * tool.graduation() / 2;
        double relative = uncertainty / amount;
        double smallest = tool.graduation() / 2 / care.tolerance();
        return new ToolChoice(
                tool,
                fills,
                uncertainty,
                relative,
                Slack.reaches(care.tolerance(), relative),
                Slack.exceeds(smallest, tool.capacity()) ? null : smallest);
    }
}
