package mezcla.web.demo;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import mezcla.batch.BatchState;
import mezcla.batch.FillState;
import mezcla.batch.Light;
import mezcla.leaflet.Bath;
import mezcla.leaflet.FilmProcess;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.WasteRoute;
import mezcla.log.AccountCorrected;
import mezcla.log.AirKept;
import mezcla.log.BatchMixed;
import mezcla.log.BathRenewed;
import mezcla.log.Bottle;
import mezcla.log.ChargingChosen;
import mezcla.log.DiscardedFill;
import mezcla.log.EquipmentBought;
import mezcla.log.FillInspected;
import mezcla.log.FillMoved;
import mezcla.log.FillsDiscarded;
import mezcla.log.FilmDropped;
import mezcla.log.FilmHandled;
import mezcla.log.FilmInspected;
import mezcla.log.FilmStage;
import mezcla.log.Finding;
import mezcla.log.KitArrived;
import mezcla.log.KitPriced;
import mezcla.log.LaboratoryPriced;
import mezcla.log.MixedFill;
import mezcla.log.NoteLeft;
import mezcla.log.PartDecanted;
import mezcla.log.PaymentRecorded;
import mezcla.log.Place;
import mezcla.log.Purchase;
import mezcla.log.Roll;
import mezcla.log.RunBath;
import mezcla.log.RunLogged;
import mezcla.measure.FilmFormat;
import mezcla.mixing.BatchPlan;
import mezcla.mixing.MixPlan;
import mezcla.money.BatchCost;
import mezcla.money.FillCosts;
import mezcla.money.PrintedLimits;
import mezcla.money.RunCharges;
import mezcla.verdict.Judging;
import mezcla.verdict.RunPlan;
import mezcla.verdict.RunQuestion;
import mezcla.verdict.School;
import mezcla.web.access.Members;
import mezcla.web.access.SignedIn;
import mezcla.web.bench.mix.MixService;
import mezcla.web.console.ConsoleAddress;
import mezcla.web.drums.WasteService;
import mezcla.web.log.DarkroomLog;
import mezcla.web.mixes.MixRequest;
import mezcla.web.mixes.Mixes;
import mezcla.web.settings.HouseService;
import mezcla.web.settings.Owned;
import mezcla.web.settings.things.House;
import mezcla.web.settings.things.ReadingsFile;
import mezcla.web.settings.things.RunHabits;
import mezcla.web.settings.things.Tool;
import mezcla.web.settings.things.WaterBath;
import mezcla.web.sheets.Leaflets;
import mezcla.web.words.Units;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.annotation.Profile;
import org.springframework.context.event.EventListener;
import org.springframework.core.io.ClassPathResource;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/**
 * Fills an empty store with Tannery Yard: invented people, kits and film, dated back from today. Every row goes through
 * the log and every time, wear and share through the core, as it would have by hand.
 */
@Component
@Profile("demo")
class DemoData implements ApplicationRunner {
    private static final CurrencyUnit NZD = CurrencyUnit.of("NZD");
    private static final ZoneId ZONE = ZoneId.of("Pacific/Auckland");
    private static final PrintedLimits PRINTED = new PrintedLimits(bath -> bath, 300, ZoneOffset.UTC);
    private static final double SMALL_TANK_ML = 300;
    private static final long SLIDE_MINOR = 650;
    private static final FilmProcess CINE = FilmProcess.CINE_NEGATIVE;
    private static final double TUB_LITRES = 12;
    private static final double TUB_POWER_W = 800;
    private static final double TUB_LOSS = 8;
    private static final String MEMBER_PASSWORD = "rinse-and-hang";
    private static final String STEWARD_PASSWORD = "count-the-rolls";

    private final HouseService houses;
    private final Members members;
    private final Leaflets leaflets;
    private final DarkroomLog log;
    private final MixService plans;
    private final Mixes mixes;
    private final WasteService waste;
    private final Clock clock;

    private List<Long> queued = List.of();
    private final Map<String, SignedIn> people = new HashMap<>();
    private final Map<String, Leaflet> sheets = new HashMap<>();
    private final Map<String, Bottle> bottles = new LinkedHashMap<>();

    DemoData(
            HouseService houses,
            Members members,
            Leaflets leaflets,
            DarkroomLog log,
            MixService plans,
            Mixes mixes,
            WasteService waste,
            Clock clock) {
        this.waste = waste;
        this.plans = plans;
        this.mixes = mixes;
        this.houses = houses;
        this.members = members;
        this.leaflets = leaflets;
        this.log = log;
        this.clock = clock;
    }

    @Override
    @Transactional
    public void run(ApplicationArguments arguments) throws IOException {
        if (!houses.tanks().isEmpty()) {
            return;
        }
        houses.setUp(new House("Tannery Yard", NZD, ZONE, Units.METRIC, null));
        addPeople();
        addThings();
        addClimates();
        for (String key : List.of(
                "oxbow-negative-liquid",
                "kiln-lane-negative-powder",
                "kiln-lane-negative-powder-2",
                "weir-separate-bath-set",
                "lantern-slide-three",
                "sootback-cine")) {
            addLeaflet(key);
        }
        addDrums();
        addColourNegative();
        addColourSlide();
        arrive("Bram", 12, "oxbow-negative-liquid", 5650, 480);
        arrive("Bram", 12, "sootback-cine", 7900, 480);
        arrive("Tomasz", 430, "weir-separate-bath-set", 17400, 1650);
        beginAMix();
        addMoney();
        addQueue();
    }

    /** Tells on the console where the demonstration is and how to get in. */
    @EventListener
    void welcome(ApplicationReadyEvent ready) {
        List<String> addresses = ConsoleAddress.of(ready.getApplicationContext().getEnvironment(), "");
        System.out.printf(
                """

                Tannery Yard is open at %s
                  as a member:  ines / %s
                  as a steward: bram / %s
                Stop it with Ctrl+C.
                %n""",
                String.join(" or ", addresses), MEMBER_PASSWORD, STEWARD_PASSWORD);
    }

    private void addPeople() {
        String hash = members.hashed(MEMBER_PASSWORD);
        for (String name : List.of("Ines", "Saoirse", "Devi", "Tomasz")) {
            people.put(name, members.addChecked(name.toLowerCase(Locale.ROOT), name, hash, "MEMBER"));
        }
        people.put("Bram", members.add("bram", "Bram", STEWARD_PASSWORD, "STEWARD"));
    }

    private void addThings() {
        houses.keepTub(
                Objects.requireNonNull(people.get("Bram")).id(),
                new WaterBath(TUB_LITRES, TUB_POWER_W, TUB_LOSS),
                clock.instant());
        houses.change(houses.surroundings());
        houses.add(new Owned.OfTank("300 ml tank", SMALL_TANK_ML, null, null, Map.of(FilmFormat.Reel.R135, 1)));
        houses.add(new Owned.OfTank(
                "500 ml tank", 500, 250.0, null, Map.of(FilmFormat.Reel.R135, 2, FilmFormat.Reel.R120, 1)));
        houses.add(new Owned.OfTank(
                "1 L tank",
                1000,
                450.0,
                null,
                Map.of(
                        FilmFormat.Reel.R135,
                        4,
                        FilmFormat.Reel.R120,
                        2,
                        FilmFormat.Reel.SHEET_4X5,
                        6,
                        FilmFormat.Reel.CINE,
                        1)));
        houses.change(new RunHabits(true, true));
        addBottles("A", 6, 500, Bottle.Material.PLASTIC);
        addBottles("B", 6, 600, Bottle.Material.GLASS);
        addBottles("C", 10, 1250, Bottle.Material.GLASS);
        addBottles("D", 5, 1000, Bottle.Material.FOLDING);
        addBottles("G", 7, 1000, Bottle.Material.PLASTIC);
        houses.bottles().forEach(bottle -> bottles.put(bottle.label(), bottle));
        List.of("Cold shelf", "Boiler shelf", "Fridge, top").forEach(place -> houses.add(new Owned.OfPlace(place)));
        houses.add(new Owned.OfTool("10 ml syringe", Tool.Kind.SYRINGE, 10, 0.2));
        houses.add(new Owned.OfTool("25 ml cylinder", Tool.Kind.CYLINDER, 25, 0.5));
        houses.add(new Owned.OfTool("100 ml cylinder", Tool.Kind.CYLINDER, 100, 1));
        houses.add(new Owned.OfTool("500 ml cylinder", Tool.Kind.CYLINDER, 500, 5));
        houses.add(new Owned.OfTool("Bench scales", Tool.Kind.SCALES, 500, 0.1));
        houses.add(new Owned.OfJug("600 ml jug", 600));
        houses.add(new Owned.OfJug("1 L jug", 1000));
        houses.add(new Owned.OfJug("2 L jug", 2000));
        houses.add(new Owned.OfHeater("Old circulator", -0.8));
        houses.add(new Owned.OfHeater("New circulator", 0.2));
    }

    private void addDrums() {
        waste.add("White drum", WasteRoute.DEVELOPERS, 20_000);
        waste.add("Blue drum", WasteRoute.SILVER_BEARING, 2_000);
        waste.add("Grey drum", WasteRoute.OTHERS, 20_000);
    }

    private void addBottles(String letter, int count, double capacityMl, Bottle.Material material) {
        for (int i = 1; i <= count; i++) {
            houses.add(new Owned.OfBottle(letter + i, capacityMl, material));
        }
    }

    private void addLeaflet(String key) throws IOException {
        String document =
                new ClassPathResource("demo/leaflets/" + key + ".json").getContentAsString(StandardCharsets.UTF_8);
        long id = leaflets.add(leaflets.ofFile(document), null);
        sheets.put(key, leaflets.byId().get(id));
    }

    private void addColourNegative() {
        long first = arrive("Bram", 72, "oxbow-negative-liquid", 5400, 480);
        long retired = mix("Devi", 70, first, "Oxbow liquid", 1200, "C1", "C2", "C3");
        run("Devi", 66, retired, 0, "120", "120");
        look("Devi", 65, retired, Finding.GOOD);
        run("Saoirse", 52, retired, 0, "135-36", "135-36", "135-36");
        look("Saoirse", 51, retired, Finding.GOOD);
        run("Ines", 40, retired, 1, "135-36", "120", "120");
        look("Ines", 38, retired, Finding.GOOD);
        discard("Bram", 28, retired, "Developer over its 42 days, final rinse scummy");

        long second = arrive("Bram", 60, "oxbow-negative-liquid", 5400, 480);
        long full = mix("Bram", 40, second, "Oxbow liquid", 1200, "C1", "C2", "C3");
        run("Ines", 38, full, 0, "120", "120", "120");
        look("Ines", 37, full, Finding.GOOD);
        run("Tomasz", 33, full, 0, "135-36", "135-36", "135-24");
        look("Tomasz", 32, full, Finding.GOOD);
        run("Devi", 26, full, 0, "120", "120", "135-36", "135-36");
        run("Saoirse", 17, full, 0, "135-36", "135-36", "135-24", "135-24", "135-24");
        run("Ines", 8, full, 0, "120", "120", "135-36", "135-36");

        long weir = arrive("Bram", 50, "weir-separate-bath-set", 18900, 1650);
        long tested = mix("Devi", 31, weir, "Weir separate", 500, "A1", "A2", "A3", "A4");
        run("Devi", 30, tested, 0, "120");
        run("Tomasz", 20, tested, 0, "135-36", "135-24");
        run("Ines", 11, tested, 0, "135-36");
        renew("Bram", 6, tested, weir, "bl", 500, "A5");
        decant("Devi", 30, weir, "dev-c", 9);

        long third = arrive("Bram", 30, "oxbow-negative-liquid", 5650, 480);
        long added = mix("Bram", 23, third, "Oxbow liquid", 1200, "C4", "C5", "C6");
        run("Saoirse", 20, added, 0, "120", "120");
        run("Ines", 13, added, 0, "135-36", "135-36", "135-36");
        inspect("Ines", 12, added, Finding.THIN);
        queued = List.of(1L, 2L);
        run("Saoirse", 3, added, 0, "120", "120");
        look("Saoirse", 2, added, Finding.GOOD);

        long powder = arrive("Tomasz", 20, "kiln-lane-negative-powder", 3250, 0);
        long fresh = mix("Tomasz", 6, powder, "Kiln Lane powder", 600, "B1", "B2", "B3");
        run("Tomasz", 5, fresh, 0, "135-36", "135-36");
        moveAll("Tomasz", 5, fresh, "Boiler shelf");
        note("Tomasz", 5, fresh, "Let the bleach-fix settle for an hour: it foamed when it was still warm");
    }

    private void addColourSlide() {
        long lantern = arrive("Bram", 45, "lantern-slide-three", 9900, 960);
        long nearlyDone = mix("Saoirse", 12, lantern, "Lantern three", 750, "D1", "G1", "G2");
        run("Saoirse", 11, nearlyDone, 0, "120");
        run("Devi", 9, nearlyDone, 0, "135-36");
        run("Saoirse", 6, nearlyDone, 1, "135-36");
        run("Ines", 2, nearlyDone, 0, "120");
        move("Ines", 2, nearlyDone, "D1", "Cold shelf", AirKept.SQUEEZED);
        mix("Bram", 2, lantern, "Lantern three", 500, "D2", "G3", "G4");
    }

    private long arrive(String who, int daysAgo, String sheet, long priceMinor, long deliveryMinor) {
        long kit = log.newKit();
        log.add(
                Objects.requireNonNull(people.get(who)),
                at(daysAgo, 11),
                false,
                stamp -> new KitArrived(
                        stamp,
                        kit,
                        Objects.requireNonNull(sheets.get(sheet)),
                        Money.ofMinor(NZD, priceMinor),
                        Money.ofMinor(NZD, deliveryMinor),
                        null,
                        List.of(),
                        Purchase.plainly(NZD)));
        return kit;
    }

    private long mix(String who, int daysAgo, long kit, String name, double volumeMl, String... labels) {
        var state = log.state().kit(kit);
        BatchPlan plan = state.plan(volumeMl);
        List<MixedFill> fills = new ArrayList<>();
        for (int i = 0; i < labels.length; i++) {
            BatchPlan.PlannedBath bath = plan.baths().get(i);
            fills.add(new MixedFill(
                    log.newFill(),
                    plan.leaflet(),
                    bath.bath().key(),
                    bath.mix().finalMl(),
                    (int) volumeMl + " ml",
                    Objects.requireNonNull(bottles.get(labels[i])),
                    state.uses(bath),
                    null));
        }
        long batch = log.newBatch();
        log.add(
                Objects.requireNonNull(people.get(who)),
                at(daysAgo, 16),
                false,
                stamp -> new BatchMixed(stamp, batch, name, fills));
        return batch;
    }

    private void renew(String who, int daysAgo, long batch, long kit, String bath, double volumeMl, String label) {
        FillState old = log.state().batch(batch).fills().stream()
                .filter(fill -> fill.mixed().bathKey().equals(bath))
                .findFirst()
                .orElseThrow();
        DiscardedFill poured = gone(old);
        log.add(
                Objects.requireNonNull(people.get(who)),
                at(daysAgo, 17),
                false,
                stamp ->
                        new FillsDiscarded(stamp, batch, List.of(poured), "Knocked over, most of it in the sink tray"));
        var state = log.state().kit(kit);
        BatchPlan.PlannedBath planned =
                state.plan(volumeMl, List.of(bath)).baths().get(0);
        long fill = log.newFill();
        log.add(
                Objects.requireNonNull(people.get(who)),
                at(daysAgo, 18),
                false,
                stamp -> new BathRenewed(
                        stamp,
                        batch,
                        new MixedFill(
                                fill,
                                state.arrival().leaflet(),
                                bath,
                                planned.mix().finalMl(),
                                (int) volumeMl + " ml",
                                Objects.requireNonNull(bottles.get(label)),
                                state.uses(planned),
                                null)));
    }

    private void decant(String who, int daysAgo, long kit, String part, int vials) {
        log.add(
                Objects.requireNonNull(people.get(who)),
                at(daysAgo, 17),
                false,
                stamp -> new PartDecanted(stamp, kit, part, vials));
    }

    /** Devi was called away at the third act. */
    private void beginAMix() {
        long kit = log.state().kits().values().stream()
                .filter(each -> each.arrival().leaflet().key().equals("weir-separate-bath-set"))
                .filter(each -> each.part("dev-c").openedAt() != null)
                .findFirst()
                .orElseThrow()
                .id();
        SignedIn devi = Objects.requireNonNull(people.get("Devi"));
        Map<String, MixPlan.Wanted> wanted = new LinkedHashMap<>();
        Map<String, String> typed = new HashMap<>();
        Map<String, String> into = new HashMap<>();
        Iterator<String> labels = List.of("A2", "A6", "B4", "B5").iterator();
        for (Bath bath :
                Objects.requireNonNull(sheets.get("weir-separate-bath-set")).baths()) {
            wanted.put(bath.key(), new MixPlan.Wanted(500, 500));
            typed.put(bath.key(), "500 ml");
            into.put(
                    bath.key(),
                    Long.toString(
                            Objects.requireNonNull(bottles.get(labels.next())).id()));
        }
        long mix = plans.begin(devi, new MixRequest(List.of(kit), wanted, typed), "Weir for the weekend", into);
        mixes.tick(devi, mix, 0, null, 40.5);
        mixes.tick(devi, mix, 1, 63.0, null);
    }

    private void note(String who, int daysAgo, long batch, String text) {
        log.add(
                Objects.requireNonNull(people.get(who)),
                at(daysAgo, 20),
                false,
                stamp -> new NoteLeft(stamp, batch, text));
    }

    private void moveAll(String who, int daysAgo, long batch, String place) {
        log.state()
                .batch(batch)
                .fills()
                .forEach(fill -> move(who, daysAgo, batch, fill.bottle().label(), place, AirKept.NOTHING));
    }

    /** The film of the last run, judged dry. */
    private void look(String who, int daysAgo, long batch, Finding result) {
        List<RunLogged> runs = log.state().batch(batch).runs();
        RunLogged last = runs.get(runs.size() - 1);
        log.add(
                Objects.requireNonNull(people.get(who)),
                at(daysAgo, 12),
                false,
                stamp -> new FilmInspected(
                        stamp,
                        batch,
                        last.stamp().sequence(),
                        0,
                        last.baths().stream().map(RunBath::fillId).toList(),
                        result,
                        Set.of(),
                        null));
    }

    private void addClimates() {
        Map<String, Long> places = new HashMap<>();
        houses.places().forEach(place -> places.put(place.name(), place.id()));
        houses.setClimate(Objects.requireNonNull(places.get("Cold shelf")), List.of(17.0, 14.0, 9.5, 13.0), Light.DARK);
        houses.setClimate(
                Objects.requireNonNull(places.get("Boiler shelf")), List.of(26.0, 25.0, 25.0, 26.0), Light.SHADED);
        houses.setClimate(Objects.requireNonNull(places.get("Fridge, top")), List.of(7.0, 7.0, 7.0, 7.0), Light.DARK);
        String file = new SimulatedLogger(27, ZONE, 4).csv(clock.instant(), 30);
        houses.addReadings(places.get("Boiler shelf"), ReadingsFile.read(file, ZONE, clock.instant()));
    }

    private void move(String who, int daysAgo, long batch, String label, String place, AirKept air) {
        FillState fill = log.state().batch(batch).fills().stream()
                .filter(each -> each.bottle().label().equals(label))
                .findFirst()
                .orElseThrow();
        Place there = houses.places().stream()
                .filter(each -> each.name().equals(place))
                .findFirst()
                .orElseThrow();
        log.add(
                Objects.requireNonNull(people.get(who)),
                at(daysAgo, 20),
                false,
                stamp -> new FillMoved(stamp, fill.id(), fill.bottle(), there, air));
    }

    private void run(String who, int daysAgo, long batch, double stops, String... formats) {
        List<Roll> rolls = new ArrayList<>();
        for (String label : formats) {
            FilmFormat format = FilmFormat.labelled(label);
            rolls.add(new Roll(who, format, format.equivalents(), stops, false));
        }
        Iterator<Long> numbers = queued.iterator();
        rolls.replaceAll(roll -> numbers.hasNext() ? roll.queuedAs(numbers.next()) : roll);
        queued = List.of();
        double tankMl = formats.length == 1 ? SMALL_TANK_ML : formats.length == 2 ? 500 : 1000;
        Instant at = at(daysAgo, 19);
        RunPlan plan = RunPlan.of(
                log.state().batch(batch),
                new RunQuestion(rolls, tankMl, SMALL_TANK_ML, Judging.by(School.LEAFLET), at, ZONE));
        log.add(Objects.requireNonNull(people.get(who)), at, false, stamp -> new RunLogged(
                        stamp, batch, rolls, plan.asRunBaths(), tankMl, plan.against(), null)
                .charged(RunCharges.of(rolls, rate(batch, rolls), Roll::owner)));
    }

    /** Slides go at a price; anything else at what it is expected to cost. */
    private RunCharges.Rate rate(long batchId, List<Roll> rolls) {
        BatchState batch = log.state().batch(batchId);
        return RunCharges.rate(
                        batch,
                        rolls.stream().mapToDouble(Roll::equivalents).sum(),
                        batch.process().equals(FilmProcess.COLOUR_SLIDE)
                                ? Optional.of(Money.ofMinor(NZD, SLIDE_MINOR))
                                : Optional.empty(),
                        BatchCost.of(batch, FillCosts.of(log.state(), batch), PRINTED)
                                .map(BatchCost::total),
                        PRINTED,
                        OptionalDouble.of(2),
                        batch.mixed().foldedAt())
                .orElseThrow();
    }

    private void addMoney() {
        SignedIn bram = Objects.requireNonNull(people.get("Bram"));
        String slides = FilmProcess.COLOUR_SLIDE.key();
        String negatives = FilmProcess.COLOUR_NEGATIVE.key();
        log.add(bram, at(80, 10), false, stamp -> new ChargingChosen(stamp, slides, Money.ofMinor(NZD, SLIDE_MINOR)));
        log.add(bram, at(30, 10), false, stamp -> new LaboratoryPriced(stamp, negatives, Money.ofMinor(NZD, 1150)));
        log.add(bram, at(30, 10), false, stamp -> new LaboratoryPriced(stamp, slides, Money.ofMinor(NZD, 1600)));
        log.add(
                bram,
                at(400, 10),
                false,
                stamp -> new EquipmentBought(stamp, "the tub, tanks and cylinders", Money.ofMinor(NZD, 24_000)));
        log.add(
                bram,
                at(20, 12),
                false,
                stamp -> new KitPriced(
                        stamp,
                        5,
                        Money.ofMinor(NZD, 3250),
                        Money.zero(NZD),
                        Money.zero(NZD),
                        "Tomasz",
                        "Tomasz paid for it himself"));
        pay("Ines", 21, 4000, "in the box");
        pay("Devi", 15, 2500, null);
        pay("Saoirse", 9, 3000, null);
        log.add(
                bram,
                at(4, 20),
                false,
                stamp -> new AccountCorrected(
                        stamp, "Devi", Money.ofMinor(NZD, 300), false, "a roll that the old bath had spoiled"));
    }

    private void pay(String who, int daysAgo, long minor, @Nullable String note) {
        log.add(
                Objects.requireNonNull(people.get("Bram")),
                at(daysAgo, 20),
                false,
                stamp -> new PaymentRecorded(stamp, who, Money.ofMinor(NZD, minor), note));
    }

    private void addQueue() {
        LocalDate today = LocalDate.ofInstant(clock.instant(), ZONE);
        Long first = log.newFilm();
        Long second = log.newFilm();
        log.add(
                Objects.requireNonNull(people.get("Saoirse")),
                at(2, 11),
                false,
                stamp -> new FilmHandled(stamp, List.of(first), FilmStage.SLEEVED));
        leave("Saoirse", 4, first, film("Saoirse", "120", "weir in the rain", 0, false), true, null);
        leave("Saoirse", 4, second, film("Saoirse", "120", "weir again", 0, false), true, null);
        leave("Ines", 3, null, film("Ines", "135-36", "harbour, cold morning", 0, false), true, today.plusDays(4));
        leave("Ines", 3, null, film("Ines", "135-36", "the same walk", 0, false), true, null);
        leave("Devi", 2, null, film("Devi", "120", "allotment", 0, true), true, null);
        leave("Tomasz", 2, null, film("Oda", "135-36", "wedding, one", 0, false), true, null);
        leave("Tomasz", 2, null, film("Oda", "135-36", "wedding, two", 0, false), true, null);
        leave("Saoirse", 1, null, film("Saoirse", "135-24", "market", 0, false), true, null);
        leave("Bram", 1, null, film("Bram", "135-36", "the old tannery", 0, false), true, null, CINE);
        leave("Devi", 1, null, film("Devi", "135-36", "fair", 1, false), false, null);
    }

    private static Roll film(String owner, String label, String name, double stops, boolean irreplaceable) {
        FilmFormat format = FilmFormat.labelled(label);
        return new Roll(
                owner, format, format.equivalents(), stops, irreplaceable, new Roll.Film(name, null, 0, null, false));
    }

    private void leave(
            String who, int daysAgo, @Nullable Long number, Roll roll, boolean here, @Nullable LocalDate by) {
        leave(who, daysAgo, number, roll, here, by, FilmProcess.COLOUR_NEGATIVE);
    }

    private void leave(
            String who,
            int daysAgo,
            @Nullable Long number,
            Roll roll,
            boolean here,
            @Nullable LocalDate by,
            FilmProcess process) {
        long film = number == null ? log.newFilm() : number;
        log.add(
                Objects.requireNonNull(people.get(who)),
                at(daysAgo, 9),
                false,
                stamp -> new FilmDropped(stamp, film, roll, process.key(), who, by, here));
    }

    private void inspect(String who, int daysAgo, long batch, Finding result) {
        FillState developer = log.state().batch(batch).imageDeveloper().orElseThrow();
        log.add(
                Objects.requireNonNull(people.get(who)),
                at(daysAgo, 12),
                false,
                stamp -> new FillInspected(stamp, developer.id(), result, true));
    }

    private void discard(String who, int daysAgo, long batch, String reason) {
        List<DiscardedFill> fills =
                log.state().batch(batch).fills().stream().map(this::gone).toList();
        log.add(
                Objects.requireNonNull(people.get(who)),
                at(daysAgo, 18),
                false,
                stamp -> new FillsDiscarded(stamp, batch, fills, reason));
    }

    private DiscardedFill gone(FillState fill) {
        WasteRoute route = WasteRoute.of(fill.bath().role());
        return new DiscardedFill(
                fill.id(), fill.volumeMl(), route, waste.usual(fill, route).orElse(null));
    }

    private Instant at(int daysAgo, int hour) {
        return clock.instant()
                .atZone(ZONE)
                .toLocalDate()
                .minusDays(daysAgo)
                .atTime(LocalTime.of(hour, 0))
                .atZone(ZONE)
                .toInstant();
    }
}
