package mezcla.mixing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import mezcla.leaflet.Addition;
import mezcla.leaflet.Unit;
import org.testng.annotations.Test;

/** Powder of which too little is wanted for any scale, measured out as a solution. */
public class StockTest {
    private static final Tool SCALE = new Tool("kitchen scale", Unit.G, 2000, 1);
    private static final Tool SYRINGE = new Tool("20 ml syringe", Unit.ML, 20, 0.5);
    private static final Tool CYLINDER = new Tool("100 ml cylinder", Unit.ML, 100, 1);
    private static final List<Tool> TOOLS = List.of(SCALE, SYRINGE, CYLINDER);

    private static MixPlan.PlannedAddition grams(double grams, Addition.Care care) {
        Addition addition = new Addition("stab", grams, Unit.G, care, null, null);
        return new MixPlan.PlannedAddition(addition, grams, false, 0);
    }

    private static Optional<Stock> stock(double grams, double leftG, boolean untouched, double waterMl) {
        return Stock.of(grams(grams, Addition.Care.NORMAL), leftG, untouched, TOOLS, waterMl);
    }

    @Test
    public void aWholeSachetNeedsNoScale() {
        Stock stock = stock(1.7, 5.7, true, 300).orElseThrow();
        assertThat(stock.whole()).isTrue();
        assertThat(stock.dissolvedG()).isEqualTo(5.7);
        assertThat(stock.stockMl() / stock.dissolvedG() * 1.7).isCloseTo(stock.measuredMl(), within(1e-9));
        assertThat(stock.dissolvedG() / stock.stockMl()).as("it dissolves").isLessThanOrEqualTo(0.1);
    }

    @Test
    public void elseAsMuchIsWeighedAsTheScaleWeighsWellForHalfOfWhatIsTolerated() {
        Stock stock = stock(1.7, 60, false, 300).orElseThrow();
        assertThat(stock.whole()).isFalse();
        assertThat(stock.dissolvedG()).isEqualTo(20);
        double off = 0.5 / 20
                + ToolChoice.of(stock.measuredMl(), Unit.ML, Addition.Care.NORMAL, TOOLS)
                        .relative();
        assertThat(off).isLessThanOrEqualTo(0.05);
    }

    @Test
    public void noneIsOfferedWhereItCannotBeDone() {
        assertThat(stock(1.7, 5.7, false, 300)).as("too little to weigh well").isEmpty();
        assertThat(stock(1.7, 5.7, true, 10))
                .as("more solution than the bath has water")
                .isEmpty();
        assertThat(Stock.of(grams(1.7, Addition.Care.NORMAL), 5.7, true, List.of(SCALE), 300))
                .as("nothing to measure it with")
                .isEmpty();
        assertThat(stock(1.7, 600, true, 300))
                .as("no sachet of that size dissolves in half a litre: weighed")
                .get()
                .extracting(Stock::whole)
                .isEqualTo(false);
        Addition liquid = new Addition("dev-a", 1.7, Unit.ML, Addition.Care.NORMAL, null, null);
        assertThat(Stock.of(new MixPlan.PlannedAddition(liquid, 1.7, false, 0), 100, true, TOOLS, 300))
                .as("a liquid")
                .isEmpty();
        Addition whole = new Addition("stab", 5.7, Unit.G, Addition.Care.NORMAL, null, null);
        assertThat(Stock.of(new MixPlan.PlannedAddition(whole, 5.7, true, 0), 5.7, true, TOOLS, 300))
                .as("all of it goes in")
                .isEmpty();
    }
}
