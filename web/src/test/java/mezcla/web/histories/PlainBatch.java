package mezcla.web.histories;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import java.util.function.Consumer;
import mezcla.leaflet.Leaflet;

/** A batch of a history as a list of facts, which are gone through anew for every question. */
final class PlainBatch {
    private static final double SLACK = 1e-9;
    private static final Map<String, Double> LIFE = Map.ofEntries(
            Map.entry("developer", 42.0),
            Map.entry("first-developer", 28.0),
            Map.entry("colour-developer", 42.0),
            Map.entry("reversal-bath", 42.0),
            Map.entry("bleach-fix", 60.0),
            Map.entry("bleach", 180.0),
            Map.entry("fixer", 120.0),
            Map.entry("pre-bath", 90.0),
            Map.entry("stop", 90.0),
            Map.entry("stabiliser", 60.0),
            Map.entry("wetting-agent", 90.0));
    private static final Map<String, Double> ROLLS_A_LITRE = Map.of(
            "developer", 12.0,
            "first-developer", 12.0,
            "colour-developer", 12.0,
            "bleach-fix", 16.0,
            "fixer", 20.0,
            "bleach", 30.0,
            "stabiliser", 24.0);

    final Leaflet leaflet;
    final ZoneId zone;
    String school = "LEAFLET";
    final Map<String, Double> limitRolls = new LinkedHashMap<>();
    final Map<String, Double> limitDays = new LinkedHashMap<>();
    final List<Fact> facts = new ArrayList<>();
    final Map<Long, Boolean> turned = new LinkedHashMap<>();

    /**
     * A fact: when it happened, and what it does to the baths.
     *
     * @param row its row in the log; 0 where it is never taken back
     */
    record Fact(Instant at, int order, long row, Consumer<Map<String, PlainBath>> does) {}

    /** A tank: what it takes, from where on it covers its reels, and whether it turns. */
    record Tank(double takes, double least, boolean turning) {}

    /** What a plan comes to. */
    record Plan(
            String state,
            boolean fits,
            Map<String, Integer> seconds,
            Map<String, String> states,
            Map<String, TreeSet<String>> passable,
            Map<String, Double> inAll,
            Map<String, LocalDate> lastDays) {}

    PlainBatch(Leaflet leaflet, ZoneId zone) {
        this.leaflet = leaflet;
        this.zone = zone;
    }

    void add(Instant at, long row, Consumer<Map<String, PlainBath>> does) {
        facts.add(new Fact(at, facts.size(), row, does));
    }

    /** Whether the last run, by when it happened, was turned. */
    boolean lastTurned() {
        return facts.stream()
                .filter(fact -> turned.containsKey(fact.row()))
                .max(Comparator.comparing(Fact::at).thenComparing(Fact::order))
                .map(fact -> turned.get(fact.row()))
                .orElse(false);
    }

    void takeBack(long row) {
        facts.removeIf(fact -> fact.row() == row);
    }

    /** The baths as they were at a moment. */
    Map<String, PlainBath> at(Instant when) {
        Map<String, PlainBath> baths = new LinkedHashMap<>();
        facts.stream()
                .filter(fact -> !fact.at().isAfter(when))
                .sorted(Comparator.comparing(Fact::at).thenComparing(Fact::order))
                .forEach(fact -> fact.does().accept(baths));
        return baths;
    }

    String imageDeveloper() {
        String wanted = leaflet.process().key().equals("colour-slide") ? "first-developer" : "developer";
        return leaflet.baths().stream()
                .filter(bath -> bath.role().key().equals(wanted))
                .findFirst()
                .orElseThrow()
                .key();
    }

    double[] capacity(PlainBath bath, boolean house) {
        var printed = bath.sheet.capacity();
        Double standIn = ROLLS_A_LITRE.get(bath.sheet.role().key());
        double[] range = printed != null
                ? new double[] {printed.min(), printed.max()}
                : standIn == null ? null : pair(standIn * bath.sheet.capacityForMl() / 1000);
        return house ? limited(range, limitRolls.get(bath.sheet.key())) : range;
    }

    /** How many rolls are printed for the batch: by the bath that gives out first, with those of baths that it took the place of. */
    double printedRolls(Map<String, PlainBath> baths) {
        double least = Double.POSITIVE_INFINITY;
        for (PlainBath bath : baths.values()) {
            double[] capacity = capacity(bath, false);
            if (capacity != null) {
                double own = bath.oneShot()
                        ? capacity[1] * bath.chemistry / bath.sheet.capacityForMl()
                        : bath.rollsUpTo(capacity[1]);
                least = Math.min(least, own + bath.earlier);
            }
        }
        return least;
    }

    double[] life(PlainBath bath) {
        var printed = bath.sheet.lifeDays();
        Double standIn = LIFE.get(bath.sheet.role().key());
        double[] range =
                printed != null ? new double[] {printed.min(), printed.max()} : standIn == null ? null : pair(standIn);
        return limited(range, limitDays.get(bath.sheet.key()));
    }

    private static double[] pair(double one) {
        return new double[] {one, one};
    }

    private static double[] limited(double[] range, Double most) {
        if (most == null) {
            return range;
        }
        return new double[] {range == null ? most : Math.min(range[0], most), most};
    }

    double age(PlainBath bath, Instant now) {
        return Math.max(
                0,
                ChronoUnit.DAYS.between(
                        bath.mixedAt.atZone(zone).toLocalDate(),
                        now.atZone(zone).toLocalDate()));
    }

    /** What is left of the rolls, not less than none; endless where there is no limit. */
    double rollsLeft(PlainBath bath, Instant now, boolean irreplaceable, Tank tank, double equivalents) {
        if (bath.oneShot()) {
            double full = bath.sheet.oneShot().stockFor(tank.takes());
            double least = bath.sheet.oneShot().stockFor(tank.least());
            double runs = Math.max(0, Math.floor(bath.volume / full + SLACK));
            if (bath.volume - runs * full >= least - SLACK) {
                runs++;
            }
            return runs * equivalents;
        }
        double[] capacity = capacity(bath, true);
        if (capacity == null) {
            return Double.POSITIVE_INFINITY;
        }
        double limit =
                switch (irreplaceable ? "CAREFUL" : school) {
                    case "CAREFUL" -> capacity[0] * rest(ageShare(bath, now));
                    case "STRETCH" -> 2.5 * capacity[1];
                    default -> capacity[1];
                };
        return Math.max(0, (limit - bath.n) / bath.perRoll());
    }

    private double ageShare(PlainBath bath, Instant now) {
        double[] life = life(bath);
        return life == null ? 0 : bath.effectiveDays(now) / life[0];
    }

    private static double rest(double share) {
        double capped = Math.min(1, share);
        return Math.sqrt(1 - capped * capped);
    }

    /** Days of the calendar until a bath's last, as a school counts them; endless where nothing limits it. */
    private double toGo(PlainBath bath, Instant now, String by) {
        double[] life = life(bath);
        if (life == null) {
            return Double.POSITIVE_INFINITY;
        }
        double effective = bath.effectiveDays(now);
        return switch (by) {
            case "CAREFUL" -> {
                double[] capacity = bath.oneShot() ? null : capacity(bath, true);
                double share = capacity == null ? 0 : bath.n / capacity[0];
                yield (life[0] * rest(share) - effective) / bath.effectiveDaysADay();
            }
            case "STRETCH" -> (3 * life[1] - effective) / bath.effectiveDaysADay();
            default -> life[1] - age(bath, now);
        };
    }

    /** The codes that hold of a bath. */
    TreeSet<String> codes(
            PlainBath bath, Instant now, boolean irreplaceable, Tank tank, double equivalents, boolean image) {
        TreeSet<String> codes = new TreeSet<>();
        String by = irreplaceable ? "CAREFUL" : school;
        boolean developer = bath.sheet.role().key().endsWith("developer");
        if (bath.everBad && developer) {
            codes.add("bad-result");
        }
        if (bath.look.equals("MILKY_DRY")
                && (bath.sheet.role().key().equals("bleach-fix")
                        || bath.sheet.role().key().equals("fixer"))) {
            codes.add("weak-bleach-fix");
        }
        if (bath.doubted) {
            codes.add("accident");
        }
        if (!bath.everGood) {
            if (bath.weak) {
                codes.add("weak-mix");
            }
            if (bath.strong) {
                codes.add("strong-mix");
            }
            if (bath.oldParts) {
                codes.add("old-parts");
            }
        }
        if (bath.oneShot() && bath.volume < bath.sheet.oneShot().stockFor(285) - SLACK) {
            codes.add("used-up");
        }
        double[] capacity = bath.oneShot() ? null : capacity(bath, true);
        double[] life = life(bath);
        double effective = bath.effectiveDays(now);
        double age = age(bath, now);
        boolean reassured = (bath.look.equals("GOOD") || (bath.look.equals("THIN") && image && bath.trim() > 0))
                && age(bath.lookAt, now) <= 14 + SLACK
                && (bath.rolls - bath.rollsAtLook) * bath.perRoll() <= 4 + SLACK;
        double toGo = toGo(bath, now, by);
        if (by.equals("CAREFUL")) {
            double share = capacity == null ? 0 : bath.n / capacity[0];
            double wear = Math.hypot(share, ageShare(bath, now));
            if (wear >= 1 - SLACK) {
                codes.add("worn");
            } else if (wear >= 0.85 - SLACK) {
                codes.add("nearly-worn");
            }
        } else {
            boolean stretch = by.equals("STRETCH");
            if (capacity != null) {
                double last = stretch ? 2.5 * capacity[1] : capacity[1];
                double first = stretch ? capacity[1] : capacity[0];
                if (bath.n >= last - SLACK) {
                    codes.add("over-rolls");
                } else if (bath.n >= first - SLACK && !reassured) {
                    codes.add("test-rolls");
                }
            }
            if (life != null && stretch) {
                if (effective > 3 * life[1] + SLACK) {
                    codes.add("over-age");
                } else if (effective > life[1] + SLACK && !reassured) {
                    codes.add("test-age");
                }
            } else if (life != null) {
                if (age > life[1] + SLACK) {
                    codes.add("over-age");
                } else {
                    if (life[1] > life[0] + SLACK && age >= life[0] - SLACK && !reassured) {
                        codes.add("test-age");
                    }
                    if (effective > life[1] + SLACK && !reassured) {
                        codes.add("warm-storage");
                    }
                }
            }
        }
        if (rollsLeft(bath, now, irreplaceable, tank, equivalents) < 2 - SLACK) {
            codes.add("few-rolls-left");
        }
        if (toGo < 3 - SLACK) {
            codes.add("few-days-left");
        }
        return codes;
    }

    private double age(Instant then, Instant now) {
        return Math.max(
                0,
                ChronoUnit.DAYS.between(
                        then.atZone(zone).toLocalDate(), now.atZone(zone).toLocalDate()));
    }

    private static String stateOf(String code) {
        return switch (code) {
            case "bad-result", "used-up", "over-rolls", "over-age", "worn" -> "DISCARD";
            case "few-rolls-left", "few-days-left" -> "LAST";
            case "more-time" -> "EXTEND";
            default -> "CHECK";
        };
    }

    private static final List<String> ORDER = List.of("GOOD", "EXTEND", "LAST", "CHECK", "DISCARD");

    private static String worse(String one, String other) {
        return ORDER.indexOf(one) >= ORDER.indexOf(other) ? one : other;
    }

    /** Plans a run: film of so many equivalents in all. */
    Plan plan(Instant now, double equivalents, double stops, boolean irreplaceable, Tank tank, boolean reelsFit) {
        Map<String, PlainBath> baths = at(now);
        String worst = "GOOD";
        boolean fits = reelsFit && baths.size() == leaflet.baths().size();
        boolean passableOnly = fits;
        Map<String, Integer> seconds = new LinkedHashMap<>();
        Map<String, String> states = new LinkedHashMap<>();
        Map<String, TreeSet<String>> passable = new LinkedHashMap<>();
        for (Map.Entry<String, PlainBath> each : baths.entrySet()) {
            PlainBath bath = each.getValue();
            boolean image = each.getKey().equals(imageDeveloper());
            double time = bath.seconds(image, equivalents, stops, tank.turning());
            double asPrinted = bath.seconds(image, equivalents, 0, tank.turning());
            double fresh = tank.turning() && bath.sheet.rotarySeconds() != null
                    ? bath.sheet.rotarySeconds()
                    : bath.sheet.timing().baseSeconds();
            TreeSet<String> codes = codes(bath, now, irreplaceable, tank, equivalents, image);
            if (PlainBath.shown(asPrinted) > PlainBath.shown(fresh)) {
                codes.add("more-time");
            }
            String state = codes.stream().map(PlainBatch::stateOf).reduce("GOOD", PlainBatch::worse);
            worst = worse(worst, state);
            states.put(each.getKey(), state);
            if (Double.isNaN(time)) {
                fits = false;
                passableOnly = false;
            } else {
                seconds.put(each.getKey(), PlainBath.shown(time));
            }
            TreeSet<String> standing = new TreeSet<>();
            codes.stream()
                    .filter(code -> stateOf(code).equals("DISCARD") && !bath.passed.contains(code))
                    .forEach(standing::add);
            if (standing.contains("used-up")) {
                passableOnly = false;
            }
            boolean counts =
                    !bath.passed.contains("over-rolls") && !codes.contains("over-rolls") && !codes.contains("worn");
            double left = rollsLeft(bath, now, irreplaceable, tank, equivalents);
            boolean tooBig = counts && left < equivalents - SLACK && (!bath.oneShot() || left > SLACK);
            double wants = bath.oneShot() ? bath.sheet.oneShot().stockFor(tank.takes()) : tank.takes();
            double least = bath.oneShot() ? bath.sheet.oneShot().stockFor(tank.least()) : tank.least();
            boolean little = bath.volume < least - SLACK;
            double takes = little ? wants : Math.min(wants, bath.volume);
            double[] printed = capacity(bath, false);
            boolean full = printed != null
                    && equivalents * bath.sheet.capacityForMl() / takes / printed[1] > 1 + SLACK
                    && !bath.passed.contains("too-much-film");
            if (little || (tooBig && bath.oneShot() && standing.isEmpty())) {
                passableOnly = false;
            }
            fits &= standing.isEmpty() && !tooBig && !little && !full;
            if (tooBig && !bath.oneShot()) {
                standing.add("over-rolls");
            }
            if (full) {
                standing.add("too-much-film");
            }
            if (!standing.isEmpty()) {
                passable.put(each.getKey(), standing);
            }
        }
        Map<String, Double> inAll = new LinkedHashMap<>();
        Map<String, LocalDate> lastDays = new LinkedHashMap<>();
        baths.forEach((key, bath) -> {
            double left = rollsLeft(bath, now, irreplaceable, tank, equivalents);
            if (!bath.oneShot() && !Double.isInfinite(left)) {
                inAll.put(key, bath.rolls + left);
            }
            double toGo = toGo(bath, now, irreplaceable ? "CAREFUL" : school);
            if (!Double.isInfinite(toGo) && !"DISCARD".equals(states.get(key))) {
                double days = Math.max(0, toGo);
                double whole = school.equals("CAREFUL") || irreplaceable
                        ? Math.ceil(days - SLACK) - 1
                        : Math.floor(days + SLACK);
                lastDays.put(key, now.atZone(zone).toLocalDate().plusDays((long) Math.max(0, whole)));
            }
        });
        return new Plan(worst, fits, seconds, states, passableOnly ? passable : Map.of(), inAll, lastDays);
    }
}
