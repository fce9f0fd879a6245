package mezcla.web.mixes;

import java.util.List;
import java.util.Optional;
import mezcla.batch.PartState;
import mezcla.leaflet.Addition;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.Unit;
import mezcla.mixing.MixPlan;
import mezcla.mixing.Stock;
import mezcla.mixing.Tool;
import mezcla.mixing.ToolChoice;
import mezcla.web.words.Figures;
import org.jspecify.annotations.Nullable;

/**
 * With which tool a part is measured, in words.
 *
 * @param how with which; empty for none
 * @param warning why with none, or why none does it well; empty where one does
 */
public record Measuring(String how, String warning) {
    /** What is said where a powder is split by weight (rules, 3.4). */
    public static final String SPLIT = "powder split by weight is unofficial: what is in it can have settled apart";

    /** Whether a part of a plan is powder of which not all goes in. */
    public static boolean splitsPowder(MixPlan.PlannedAddition planned) {
        return planned.addition().unit() == Unit.G && !planned.wholePart();
    }

    /** With which tool a part is measured; by no tool where it empties vials. */
    public static Measuring of(MixPlan mix, MixPlan.PlannedAddition planned, List<Tool> tools, List<PartState> parts) {
        Addition addition = planned.addition();
        Optional<PartState> kept = parts.stream()
                .filter(part -> part.part().key().equals(addition.part()))
                .findFirst();
        int vials = kept.map(part -> part.emptiesVials(planned.amount())).orElse(0);
        if (vials > 0) {
            return new Measuring("empty %s: no measuring".formatted(Figures.count(vials, "vial")), "");
        }
        String within = "within " + Figures.plain(addition.care().tolerance() * 100, 0) + " %";
        Optional<ToolChoice> found = ToolChoice.of(planned, tools);
        if (found.isPresent() && found.get().good()) {
            ToolChoice choice = found.get();
            return new Measuring(
                    addition.care() == Addition.Care.CRITICAL ? with(choice) + ", " + within : with(choice), "");
        }
        String stock = kept.flatMap(part -> Stock.of(
                        planned,
                        part.left(),
                        part.openedAt() == null && part.left() == part.part().amount(),
                        tools,
                        mix.startWaterMl() + mix.topUpMl()))
                .map(each -> inWords(each, planned))
                .orElse("");
        return found.map(choice -> new Measuring(with(choice), tooCoarse(choice, mix, planned, within) + stock))
                .orElseGet(() ->
                        new Measuring("", "No tool of the house measures this; it should be " + within + "." + stock));
    }

    private static String with(ToolChoice choice) {
        return "%s, %s".formatted(choice.tool().name(), Figures.count(choice.fills(), "fill"));
    }

    private static String tooCoarse(ToolChoice choice, MixPlan mix, MixPlan.PlannedAddition planned, String within) {
        String off = "Too coarse: it can be %s %% off, and should be %s"
                .formatted(Figures.plain(choice.relative() * 100, 1), within);
        Double smallest = choice.smallestGood();
        return smallest == null
                ? off + ". This tool never measures it well."
                : off
                        + ". With this tool, mix %s at least."
                                .formatted(Figures.ml(Math.ceil(mix.finalMl() * smallest / planned.amount())));
    }

    /** The detour over a solution, with why no leaflet says so. */
    private static String inWords(Stock stock, MixPlan.PlannedAddition planned) {
        return (" Or, unofficially, as a solution: dissolve %s in water to make %s, stir until it is clear, and measure %s of that"
                        + " with the %s, in place of as much of the bath’s water. Label the rest with its strength and today’s date,"
                        + " and use it soon: no leaflet says how long it keeps.")
                .formatted(
                        stock.whole()
                                ? "the whole sachet, %s,"
                                        .formatted(Figures.amount(
                                                stock.dissolvedG(),
                                                planned.addition().unit()))
                                : Figures.amount(
                                        stock.dissolvedG(), planned.addition().unit()),
                        Figures.ml(stock.stockMl()),
                        Figures.marked(stock.measuredMl(), Unit.ML, stock.measure()),
                        stock.measure().name());
    }

    /** That a measure has to be rinsed first; empty where it need not be. */
    public static String rinsed(Leaflet leaflet, MixPlan mix, MixPlan.PlannedAddition planned, List<Tool> tools) {
        return ToolChoice.measuredBefore(mix, mix.additions().indexOf(planned), tools)
                .map(earlier -> "rinse the %s, which had %s in it, or take another"
                        .formatted(
                                ToolChoice.of(planned, tools)
                                        .map(choice -> choice.tool().name())
                                        .orElse("measure"),
                                leaflet.part(earlier.addition().part()).name()))
                .orElse("");
    }

    /** An amount in the marks of the tool that measures it. */
    public static String poured(MixPlan.PlannedAddition planned, List<Tool> tools) {
        return Figures.marked(planned.amount(), planned.addition().unit(), tool(planned, tools));
    }

    /** The same in the reader's own unit; empty where that is the same. */
    public static String beside(MixPlan.PlannedAddition planned, List<Tool> tools) {
        return Figures.besideMarks(planned.amount(), planned.addition().unit(), tool(planned, tools));
    }

    private static @Nullable Tool tool(MixPlan.PlannedAddition planned, List<Tool> tools) {
        return planned.wholePart()
                ? null
                : ToolChoice.of(planned, tools)
                        .filter(ToolChoice::good)
                        .map(ToolChoice::tool)
                        .orElse(null);
    }
}
