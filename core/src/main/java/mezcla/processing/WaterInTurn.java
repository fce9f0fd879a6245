package mezcla.processing;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Mixing water that is warmed in one tub for several baths, one after the other (rules, 3.2 and 9): the tub is set to what
 * the next bath wants, and a vessel leaves it once it is within 1 °C of that. A vessel stands in the tub from the start
 * unless an earlier bath wants more than its own; then it goes in when its turn comes.
 *
 * @param turns each vessel, in the order in which it is wanted
 */
public record WaterInTurn(List<Turn> turns) {
    private static final double NEAR_ENOUGH_C = 1;
    private static final int LONGEST_SECONDS = 4 * 3600;

    /**
     * A vessel of water.
     *
     * @param litres how much
     * @param wantedC how warm it is wanted, in °C
     */
    public record Vessel(double litres, double wantedC) {}

    /**
     * When it has its turn.
     *
     * @param vessel the vessel
     * @param fromTheStart whether it stands in the tub from the start
     * @param readySeconds when it is warm, counted from the start; null where that takes more than four hours in all
     */
    public record Turn(Vessel vessel, boolean fromTheStart, @Nullable Integer readySeconds) {}

    /**
     * Warms the vessels in this order.
     *
     * @param tub the tub, as warm as it starts
     * @param vessels the vessels, in the order in which they are wanted
     * @param waterC how warm their water is at the beginning, in °C
     */
    public static WaterInTurn of(WarmUp.Tub tub, List<Vessel> vessels, double waterC) {
        double[] celsius = vessels.stream().mapToDouble(vessel -> waterC).toArray();
        double tubC = tub.startC();
        int second = 0;
        List<Turn> turns = new ArrayList<>();
        for (int i = 0; i < vessels.size(); i++) {
            List<Integer> standing = standing(vessels, i);
            WarmUp.Heating heating = new WarmUp.Heating(
                    new WarmUp.Tub(tub.litres(), tub.powerW(), tub.lossWPerK(), tub.roomC(), tubC),
                    standing.stream()
                            .map(at -> warmed(vessels.get(at), celsius[at]))
                            .toList());
            double wantedC = vessels.get(i).wantedC();
            while (second <= LONGEST_SECONDS && heating.bottleC(0) < wantedC - NEAR_ENOUGH_C) {
                heating.step(wantedC, tub.powerW());
                second++;
            }
            tubC = heating.bathC();
            for (int at = 0; at < standing.size(); at++) {
                celsius[standing.get(at)] = heating.bottleC(at);
            }
            turns.add(new Turn(
                    vessels.get(i),
                    isFromTheStart(vessels, i),
                    second <= LONGEST_SECONDS ? Integer.valueOf(second) : null));
        }
        return new WaterInTurn(turns);
    }

    private static WarmUp.Warmed warmed(Vessel vessel, double celsius) {
        return new WarmUp.Warmed(vessel.litres(), WarmUp.usualWPerK(false, vessel.litres()), celsius);
    }

    /** What stands in the tub during a turn: that whose turn it is, then what is wanted later and stands there already. */
    private static List<Integer> standing(List<Vessel> vessels, int turn) {
        List<Integer> standing = new ArrayList<>(List.of(turn));
        for (int later = turn + 1; later < vessels.size(); later++) {
            if (isFromTheStart(vessels, later)) {
                standing.add(later);
            }
        }
        return standing;
    }

    private static boolean isFromTheStart(List<Vessel> vessels, int at) {
        double own = vessels.get(at).wantedC();
        return vessels.subList(0, at).stream().allMatch(earlier -> earlier.wantedC() <= own);
    }
}
