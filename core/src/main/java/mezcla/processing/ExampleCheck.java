package mezcla.processing;

import java.util.List;
import mezcla.leaflet.Bath;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.PrintedExample;
import mezcla.measure.ProcessingTime;

/**
 * A printed example beside what the rules make of the sheet (rules, 4.2).
 *
 * @param example what is printed
 * @param computed what the rules say, as shown
 * @param agrees whether the two are the same, as shown
 */
public record ExampleCheck(PrintedExample example, ProcessingTime computed, boolean agrees) {
    /** Computes every printed example of a leaflet, in its order. */
    public static List<ExampleCheck> of(Leaflet leaflet) {
        return leaflet.examples().stream().map(example -> of(leaflet, example)).toList();
    }

    private static ExampleCheck of(Leaflet leaflet, PrintedExample example) {
        Bath bath = leaflet.bath(example.bath());
        ProcessingTime computed = RunTime.of(
                        bath.role(), bath.timing(), example.rollsBefore(), example.rolls(), 0, null, 0)
                .shown();
        return new ExampleCheck(example, computed, computed.equals(ProcessingTime.shown(example.seconds())));
    }
}
