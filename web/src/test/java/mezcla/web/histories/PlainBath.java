package mezcla.web.histories;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import mezcla.leaflet.Bath;
import mezcla.leaflet.Exhaustion;
import mezcla.leaflet.Recipe;
import mezcla.leaflet.Timing;
import mezcla.leaflet.Unit;

/**
 * One bath of a history, computed a second time and as plainly as docs/RULES.md says it. A sheet is only read for what it
 * prints; no rule of the application is asked.
 */
final class PlainBath {
    private static final double SLACK = 1e-9;

    final Bath sheet;
    final Instant mixedAt;
    final double bottleMl;
    double volume;
    double counted;
    double chemistry;
    double n;
    double rolls;
    double earlier;
    boolean weak;
    boolean strong;
    boolean oldParts;
    boolean everGood;
    boolean everBad;
    boolean doubted;
    String look = "";
    Instant lookAt = Instant.EPOCH;
    double rollsAtLook;
    String air = "NOTHING";
    double roomC = 20;
    double light = 1;
    final Map<Integer, Map<Integer, String>> loads = new LinkedHashMap<>();
    final TreeSet<String> passed = new TreeSet<>();
    private final Map<Integer, Double> rollsAfter = new LinkedHashMap<>();
    private final Map<Integer, Instant> ranAt = new LinkedHashMap<>();
    private final List<double[]> spells = new ArrayList<>();
    private final List<double[]> path = new ArrayList<>();
    private double begunN;
    private double begunRolls;
    private Instant from;

    PlainBath(Bath sheet, Instant at, double volumeMl, double strength, double bottleMl) {
        this.sheet = sheet;
        this.mixedAt = at;
        this.from = at;
        this.bottleMl = bottleMl;
        volume = volumeMl;
        counted = volumeMl;
        chemistry = volumeMl * strength;
        for (var part : sheet.recipe().additions()) {
            weak |= 1 - strength > part.care().tolerance() + SLACK;
            strong |= strength - 1 > part.care().tolerance() + SLACK;
        }
    }

    /** What a recipe really makes of its printed volume. */
    static double makes(Recipe recipe) {
        if (recipe.mode() != Recipe.Mode.FIXED_WATER) {
            return recipe.finalMl();
        }
        double ml = recipe.startWaterMl();
        for (var part : recipe.additions()) {
            ml += part.amount() * (part.unit() == Unit.G ? 0.6 : 1);
        }
        return ml;
    }

    boolean oneShot() {
        return sheet.oneShot() != null;
    }

    double perRoll() {
        return sheet.capacityForMl() / chemistry;
    }

    private double rate() {
        double empty = Math.max(0, Math.min(1, 1 - volume / bottleMl));
        double a =
                switch (sheet.role().key()) {
                    case "developer", "first-developer", "colour-developer" -> 2.0;
                    case "bleach-fix", "reversal-bath" -> 1.0;
                    case "fixer" -> 0.5;
                    case "stabiliser" -> 0.2;
                    default -> 0;
                };
        double kept =
                switch (air) {
                    case "VACUUM_STOPPER" -> 0.7;
                    case "INERT_GAS" -> 0.9;
                    case "SQUEEZED" -> 1;
                    default -> 0;
                };
        return Math.pow(2, (Math.max(10, roomC) - 20) / 10) * (1 + a * empty * (1 - kept)) * light;
    }

    private void endSpell(Instant at) {
        if (at.isAfter(from)) {
            spells.add(new double[] {days(from, at), rate(), 1});
            from = at;
        }
    }

    private static double days(Instant from, Instant to) {
        return Duration.between(from, to).toSeconds() / 86_400.0;
    }

    double effectiveDays(Instant now) {
        double sum = Math.max(0, days(from, now)) * rate();
        for (double[] spell : spells) {
            sum += spell[0] * spell[1] * spell[2];
        }
        return sum;
    }

    double effectiveDaysADay() {
        return rate();
    }

    void run(int load, Instant at, double equivalents, double weighed, double carried, double poured) {
        endSpell(at);
        rolls += equivalents;
        if (oneShot()) {
            volume = Math.max(0, volume - poured);
        } else {
            n += weighed * sheet.capacityForMl() / chemistry;
            volume = Math.max(0, volume - carried);
        }
        rollsAfter.put(load, rolls);
        ranAt.put(load, at);
        path.add(new double[] {n, rolls});
        loads.put(load, new LinkedHashMap<>());
    }

    void spill(Instant at, double ml) {
        endSpell(at);
        double left = Math.max(Math.min(counted, 1), counted - ml);
        chemistry = chemistry * left / counted;
        counted = left;
        volume = Math.max(0, volume - ml);
    }

    void topUp(Instant at, double ml) {
        endSpell(at);
        double there = chemistry * volume / counted;
        double fresh = ml * makes(sheet.recipe()) / sheet.recipe().finalMl();
        double share = there / (there + fresh);
        n *= share;
        chemistry = there + fresh;
        volume += ml;
        counted = volume;
        spells.forEach(spell -> spell[2] *= share);
        path.add(new double[] {n, rolls});
    }

    /** How many rolls it does in all up to a limit of wear; once that is passed, how many it had done when it was reached. */
    double rollsUpTo(double limit) {
        if (n <= limit) {
            return rolls + (limit - n) / perRoll();
        }
        double reached = 0;
        double[] before = {begunN, begunRolls};
        for (double[] after : path) {
            if (before[0] < limit && after[0] >= limit) {
                reached = before[1] + (limit - before[0]) / (after[0] - before[0]) * (after[1] - before[1]);
            }
            before = after;
        }
        return reached > 0 ? reached : rolls + (limit - n) / perRoll();
    }

    /** What it had done before it was taken over wears it as if it had gone through what stood there. */
    void takenOverWith(double equivalents) {
        rolls = equivalents;
        if (!oneShot()) {
            n = equivalents * sheet.capacityForMl() / chemistry;
            begunRolls = rolls;
            begunN = n;
        }
    }

    void move(Instant at, String newAir, double celsius, double newLight) {
        endSpell(at);
        air = newAir;
        roomC = celsius;
        light = newLight;
    }

    void measure(Instant at, double ml) {
        endSpell(at);
        volume = ml;
    }

    /** Whether it was used in a tank load. */
    boolean tookPart(int load) {
        return rollsAfter.containsKey(load);
    }

    /** A look that counts, from when its film was in the bath; a clip, from when it was developed. */
    void look(int load, int roll, Instant at, String finding) {
        Instant inTheBath = ranAt.getOrDefault(load, at);
        if (!inTheBath.isBefore(lookAt)) {
            look = finding;
            lookAt = inTheBath;
            rollsAtLook = rollsAfter.getOrDefault(load, rolls);
        }
        everGood |= finding.equals("GOOD");
        doubted &= !finding.equals("GOOD");
        everBad |= finding.startsWith("HEAVY");
        loads.computeIfAbsent(load, each -> new LinkedHashMap<>()).put(roll, finding);
    }

    /** In percent; only ever asked of the developer of the image. */
    double trim() {
        double percent = 0;
        for (Map<Integer, String> load : loads.values()) {
            long thin = load.values().stream().filter("THIN"::equals).count();
            long dense = load.values().stream().filter("DENSE"::equals).count();
            if (thin * 2 > load.size()) {
                percent += 4;
            } else if (dense * 2 > load.size()) {
                percent -= 4;
            }
            percent = Math.max(-12, Math.min(24, percent));
        }
        return percent;
    }

    /** The unrounded time of a run, in seconds; not a number where the sheet has none for that push. */
    double seconds(boolean image, double equivalents, double stops, boolean turning) {
        Timing timing = sheet.timing();
        double base = turning && sheet.rotarySeconds() != null ? sheet.rotarySeconds() : timing.baseSeconds();
        double times = base / timing.baseSeconds();
        double run = equivalents * perRoll();
        double exhausted = base;
        if (timing.exhaustion() instanceof Exhaustion.PerRoll each) {
            exhausted = base * (1 + each.percent() / 100 * n);
        } else if (timing.exhaustion() instanceof Exhaustion.Steps list) {
            exhausted = stepped(list.steps(), n + run / 2) * times;
        }
        double push = image ? pushed(stops, false) : 1;
        return exhausted * push * (image ? 1 + trim() / 100 : 1);
    }

    private static double stepped(List<Exhaustion.Step> steps, double middle) {
        for (Exhaustion.Step step : steps) {
            if (step.upTo() >= middle - SLACK) {
                return step.seconds();
            }
        }
        Exhaustion.Step last = steps.get(steps.size() - 1);
        if (steps.size() == 1) {
            return last.seconds();
        }
        Exhaustion.Step before = steps.get(steps.size() - 2);
        return last.seconds()
                + (middle - last.upTo()) * (last.seconds() - before.seconds()) / (last.upTo() - before.upTo());
    }

    /** The factor of a push, or what a roll's wear is weighed by; not a number where nothing is printed. */
    double pushed(double stops, boolean wear) {
        if (stops == 0) {
            return 1;
        }
        List<double[]> points = new ArrayList<>();
        points.add(new double[] {0, 1, 1});
        sheet.timing()
                .push()
                .forEach(each -> points.add(new double[] {each.stops(), each.factor(), each.wearWeight()}));
        points.sort((one, other) -> Double.compare(one[0], other[0]));
        for (int i = 1; i < points.size(); i++) {
            double[] low = points.get(i - 1);
            double[] high = points.get(i);
            if (stops >= low[0] && stops <= high[0]) {
                double share = (stops - low[0]) / (high[0] - low[0]);
                int which = wear ? 2 : 1;
                return low[which] + share * (high[which] - low[which]);
            }
        }
        return Double.NaN;
    }

    static int shown(double seconds) {
        return (int) Math.max(1, Math.floor(seconds / 5 + 0.5 + SLACK) * 5);
    }
}
