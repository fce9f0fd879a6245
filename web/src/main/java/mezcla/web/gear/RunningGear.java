package mezcla.web.gear;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import mezcla.leaflet.Bath;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.ProcessStep;
import mezcla.web.bench.mix.MixView;
import mezcla.web.settings.HouseService;
import mezcla.web.settings.things.Tank;
import mezcla.web.words.Figures;
import mezcla.web.words.WettingAgent;

/** What it takes to run film, for somebody who has bought nothing yet, with what the house's lists already have. */
final class RunningGear {
    private static final String NOT_LISTED = "not in the house’s lists";
    private static final double WARMER_THAN_ROOM_C = 5;

    private RunningGear() {}

    /** The things, in the order in which an evening needs them. */
    static List<MixView.SetUp> of(Leaflet leaflet, HouseService houses) {
        List<MixView.SetUp> gear = new ArrayList<>();
        List<Tank> tanks = houses.tanks();
        gear.add(new MixView.SetUp(
                "Tank and reels",
                tanks.isEmpty()
                        ? "one whose reels take the film’s format, with its core and lid"
                        : tanks.stream().map(Tank::name).collect(Collectors.joining(", ")),
                listed(!tanks.isEmpty())));
        gear.add(new MixView.SetUp(
                "In the dark", "changing bag or a room without any light, scissors, an opener for 135 cassettes"));
        double pouredMl = tanks.stream().mapToDouble(Tank::volumeMl).max().orElse(leaflet.makesMl());
        double largestMl = Math.min(pouredMl, leaflet.makesMl());
        gear.add(new MixView.SetUp(
                "To measure a bath",
                "a jug or cylinder for %s in one go".formatted(Figures.ml(largestMl)),
                listed(houses.jugs().stream().anyMatch(jug -> jug.capacityMl() >= largestMl))));
        gear.add(new MixView.SetUp("Thermometer", thermometer(leaflet)));
        double roomC = houses.surroundings().roomC();
        if (leaflet.baths().stream().anyMatch(bath -> bath.timing().leastC() > roomC + WARMER_THAN_ROOM_C)) {
            gear.add(new MixView.SetUp(
                    "Water bath",
                    "a tub in which every bottle stands, with a heater or warm water",
                    listed(houses.waterBath().isPresent())));
        }
        if (takesWettingAgent(leaflet)) {
            gear.add(new MixView.SetUp("Wetting agent", WettingAgent.in(largestMl)));
        }
        gear.add(new MixView.SetUp("Timer", "Mezcla times the run, aloud if you like"));
        gear.add(new MixView.SetUp(
                "To dry it",
                "two clips a roll, one of them heavy; no squeegee, or a clean wet one that nobody else uses"));
        return gear;
    }

    /** Where the sheet names one that no kit has, or has nothing that ends a run. */
    private static boolean takesWettingAgent(Leaflet leaflet) {
        return leaflet.steps().stream().anyMatch(step -> step.kind() == ProcessStep.Kind.WETTING_AGENT)
                || leaflet.baths().stream().noneMatch(bath -> bath.role().isLast());
    }

    private static String listed(boolean there) {
        return there ? MixView.SetUp.HAVE : NOT_LISTED;
    }

    /** As exact as the bath that may be off least. */
    private static String thermometer(Leaflet leaflet) {
        return leaflet.baths().stream()
                .filter(bath -> bath.role().isDeveloper())
                .map(Bath::timing)
                .map(timing -> (timing.mostC() - timing.leastC()) / 2)
                .min(Double::compare)
                .map(off -> "one that is right to %s".formatted(Figures.apart(off)))
                .orElse("one that is right to a degree");
    }
}
