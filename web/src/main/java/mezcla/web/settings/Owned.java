package mezcla.web.settings;

import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import mezcla.log.Bottle;
import mezcla.measure.FilmFormat;
import mezcla.measure.Refusal;
import mezcla.web.forms.FormObjection;
import mezcla.web.settings.things.Thing;
import mezcla.web.settings.things.Tool;
import mezcla.web.words.Figures;
import mezcla.web.words.TankWords;
import org.jspecify.annotations.Nullable;

/** Something that the house has, as somebody describes it: what its list says of it, and how it is kept. */
public sealed interface Owned {
    /** What it is. */
    Thing thing();

    /** What it is called. */
    String name();

    /** What else there is to know, as a decision says it. */
    String words();

    /** Keeps it. */
    void add(HouseMapper kept);

    /** Keeps what is known of one that is kept already. */
    void change(HouseMapper kept, long id);

    /**
     * A tank.
     *
     * @param rotaryMl what it takes on a rotary base, in ml; null for not known
     * @param leastMl the least that still covers its reels, in ml; null for not known
     * @param holds how many reels of each kind fill it
     */
    record OfTank(
            String name,
            double volumeMl,
            @Nullable Double rotaryMl,
            @Nullable Double leastMl,
            Map<FilmFormat.Reel, Integer> holds)
            implements Owned {
        /**
         * Looks at its volumes.
         *
         * @throws Refusal {@code least-above-tank}
         */
        public OfTank {
            if (leastMl != null && leastMl > volumeMl) {
                throw Refusal.of(new FormObjection.LeastAboveTank(volumeMl));
            }
            holds = Map.copyOf(holds);
        }

        /** One of which only the volume is known. */
        public OfTank(String name, double volumeMl) {
            this(name, volumeMl, null, null, Map.of());
        }

        @Override
        public Thing thing() {
            return Thing.TANK;
        }

        @Override
        public String words() {
            return "%s%s%s, %s"
                    .formatted(
                            Figures.ml(volumeMl),
                            rotaryMl == null ? "" : ", rotary " + Figures.ml(rotaryMl),
                            leastMl == null ? "" : ", at least " + Figures.ml(leastMl),
                            holds.isEmpty() ? "reels not recorded" : TankWords.holds(new TreeMap<>(holds)));
        }

        @Override
        public void add(HouseMapper kept) {
            kept.addTank(name, volumeMl);
            change(kept, kept.tankNamed(name));
        }

        @Override
        public void change(HouseMapper kept, long id) {
            kept.changeTank(id, name, volumeMl, rotaryMl, leastMl);
            kept.forgetReels(id);
            holds.forEach((reel, count) -> kept.addReel(new HouseMapper.ReelRow(id, reel, count)));
        }
    }

    /** A bottle. */
    record OfBottle(String name, double capacityMl, Bottle.Material material) implements Owned {
        @Override
        public Thing thing() {
            return Thing.BOTTLE;
        }

        @Override
        public String words() {
            return Figures.ml(capacityMl) + ", " + material.name().toLowerCase(Locale.ROOT);
        }

        @Override
        public void add(HouseMapper kept) {
            kept.addBottle(name, capacityMl, material);
        }

        @Override
        public void change(HouseMapper kept, long id) {
            kept.changeBottle(id, name, capacityMl, material);
        }
    }

    /** A place where bottles stand. */
    record OfPlace(String name) implements Owned {
        @Override
        public Thing thing() {
            return Thing.PLACE;
        }

        @Override
        public String words() {
            return "a place for bottles";
        }

        @Override
        public void add(HouseMapper kept) {
            kept.addPlace(name);
        }

        @Override
        public void change(HouseMapper kept, long id) {
            kept.changePlace(id, name);
        }
    }

    /**
     * A tool.
     *
     * @param capacity what it measures at once, in ml or g
     * @param graduation how fine it is marked, in the same unit
     */
    record OfTool(String name, Tool.Kind kind, double capacity, double graduation) implements Owned {
        /**
         * Looks at its marks.
         *
         * @throws Refusal {@code graduation-coarse} when a mark is more than it holds
         */
        public OfTool {
            if (graduation > capacity) {
                throw Refusal.of(new FormObjection.GraduationCoarse());
            }
        }

        @Override
        public Thing thing() {
            return Thing.TOOL;
        }

        @Override
        public String words() {
            var tool = new mezcla.mixing.Tool("", kind.unit(), capacity, graduation);
            return "%s of %s, marked every %s"
                    .formatted(kind.words(), Figures.inMarks(capacity, tool), Figures.inMarks(graduation, tool));
        }

        @Override
        public void add(HouseMapper kept) {
            kept.addTool(name, kind, capacity, graduation);
        }

        @Override
        public void change(HouseMapper kept, long id) {
            kept.changeTool(id, name, kind, capacity, graduation);
        }
    }

    /** A jug. */
    record OfJug(String name, double capacityMl) implements Owned {
        @Override
        public Thing thing() {
            return Thing.JUG;
        }

        @Override
        public String words() {
            return "a jug of " + Figures.ml(capacityMl);
        }

        @Override
        public void add(HouseMapper kept) {
            kept.addJug(name, capacityMl);
        }

        @Override
        public void change(HouseMapper kept, long id) {
            kept.changeJug(id, name, capacityMl);
        }
    }

    /** A heater; its offset is how much warmer the water is than it says, in K. */
    record OfHeater(String name, double offsetC) implements Owned {
        @Override
        public Thing thing() {
            return Thing.HEATER;
        }

        @Override
        public String words() {
            return "off by " + Figures.apart(offsetC);
        }

        @Override
        public void add(HouseMapper kept) {
            kept.addHeater(name, offsetC);
        }

        @Override
        public void change(HouseMapper kept, long id) {
            kept.changeHeater(id, name, offsetC);
        }
    }
}
