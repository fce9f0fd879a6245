package mezcla.tenyears;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.IntStream;
import mezcla.batch.BatchState;
import mezcla.batch.Climate;
import mezcla.batch.FillState;
import mezcla.batch.Light;
import mezcla.batch.LogState;
import mezcla.leaflet.FilmProcess;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.WasteRoute;
import mezcla.log.AirKept;
import mezcla.log.BatchMixed;
import mezcla.log.Bottle;
import mezcla.log.Charge;
import mezcla.log.DiscardedFill;
import mezcla.log.FillMoved;
import mezcla.log.FillsDiscarded;
import mezcla.log.FilmDropped;
import mezcla.log.FilmInspected;
import mezcla.log.Finding;
import mezcla.log.KitArrived;
import mezcla.log.LogEntry;
import mezcla.log.MixedFill;
import mezcla.log.PaymentRecorded;
import mezcla.log.Place;
import mezcla.log.Purchase;
import mezcla.log.Roll;
import mezcla.log.RunBath;
import mezcla.log.RunLogged;
import mezcla.log.Stamp;
import mezcla.measure.FilmFormat;
import mezcla.mixing.BatchPlan;
import mezcla.verdict.Judging;
import mezcla.verdict.RunPlan;
import mezcla.verdict.RunQuestion;
import mezcla.verdict.School;
import mezcla.web.MezclaApplication;
import mezcla.web.access.MemberMapper;
import mezcla.web.access.SignedIn;
import mezcla.web.access.names.Naming;
import mezcla.web.log.DarkroomLog;
import mezcla.web.settings.HouseService;
import mezcla.web.settings.Owned;
import mezcla.web.settings.things.House;
import mezcla.web.sheets.Leaflets;
import mezcla.web.words.Units;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.core.io.ClassPathResource;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Writes the log of a house of 300 members: 1,200 batches of which 30 stand, 40,000 runs, every second one looked at,
 * and a temperature a day from each of six places. Every row goes through the log of the application, and every time and
 * wear through the core.
 */
final class TenYearHouse {
    static final String STEWARD = "bench.steward";
    static final String PASSWORD = "ten-years-of-film";
    static final int BATCHES = 1200;
    static final int STANDING = 30;
    static final int RUNS = 40_000;
    static final int FULLEST_RUNS = 60;
    private static final int WAITING = 8;
    private static final Money CHARGED = Money.parse("NZD 3.40");
    private static final Money PAID = Money.parse("NZD 20.00");
    private static final int SMALL_RUNS = 8;
    private static final int MEMBERS = 300;
    private static final int PLACES = 6;
    private static final int DAYS = 3650;
    private static final int BOTTLES = 160;
    private static final double BOTTLE_ML = 6500;
    private static final double TANK_ML = 500;
    private static final ZoneId ZONE = ZoneId.of("Pacific/Auckland");
    private static final CurrencyUnit NZD = CurrencyUnit.of("NZD");

    private final Random random = new Random(20);
    private final Instant now = Instant.now().truncatedTo(ChronoUnit.SECONDS);
    private final HouseService houses;
    private final DarkroomLog log;
    private final Leaflets leaflets;
    private final MemberMapper members;
    private final Naming naming;
    private final List<SignedIn> people = new ArrayList<>();
    private final List<Bottle> free = new ArrayList<>();

    private TenYearHouse(ConfigurableApplicationContext context) {
        this.houses = context.getBean(HouseService.class);
        this.log = context.getBean(DarkroomLog.class);
        this.leaflets = context.getBean(Leaflets.class);
        this.members = context.getBean(MemberMapper.class);
        this.naming = context.getBean(Naming.class);
    }

    /** Writes the house into an empty folder. Its last batch is the one with the most runs. */
    static void write(Path folder) {
        try (ConfigurableApplicationContext context = SpringApplication.run(
                MezclaApplication.class, "--mezcla.data=" + folder, "--server.port=0", "--logging.level.root=warn")) {
            String hash = context.getBean(PasswordEncoder.class).encode(PASSWORD);
            context.getBean(TransactionTemplate.class)
                    .executeWithoutResult(status -> new TenYearHouse(context).write(hash));
        }
    }

    private void write(String hash) {
        houses.setUp(new House("Ten Years", NZD, ZONE, Units.METRIC, null));
        members.add(STEWARD, "Bench steward", hash, "STEWARD");
        for (int i = 1; i < MEMBERS; i++) {
            members.add("member" + i, "Member " + i, hash, "MEMBER");
        }
        people.addAll(members.all());
        people.forEach(each -> naming.isCalled(each.id(), each.name()));
        houses.add(new Owned.OfTank(
                "500 ml tank", TANK_ML, null, null, Map.of(FilmFormat.Reel.R135, 2, FilmFormat.Reel.R120, 1)));
        houses.add(new Owned.OfTank(
                "1 L tank", 1000, null, null, Map.of(FilmFormat.Reel.R135, 4, FilmFormat.Reel.R120, 2)));
        for (int i = 1; i <= BOTTLES; i++) {
            houses.add(new Owned.OfBottle("N" + i, BOTTLE_ML, Bottle.Material.GLASS));
        }
        free.addAll(houses.bottles());
        measurePlaces();
        mixTenYears(
                List.of(sheet("weir-separate-bath-set"), sheet("oxbow-negative-liquid"), sheet("lantern-slide-three")));
        leaveFilm();
    }

    private void measurePlaces() {
        for (int i = 1; i <= PLACES; i++) {
            houses.add(new Owned.OfPlace("Shelf " + i));
        }
        for (Place place : houses.places()) {
            houses.setClimate(place.id(), List.of(22.0, 18.0, 14.0, 18.0), Light.DARK);
            List<Climate.Reading> readings = new ArrayList<>();
            for (int day = DAYS; day > 0; day--) {
                readings.add(new Climate.Reading(now.minus(Duration.ofDays(day)), 18 + 4 * Math.sin(day / 58.0)));
            }
            houses.addReadings(place.id(), readings);
        }
    }

    private Leaflet sheet(String key) {
        try {
            String document =
                    new ClassPathResource("demo/leaflets/" + key + ".json").getContentAsString(StandardCharsets.UTF_8);
            long id = leaflets.add(leaflets.ofFile(document), null);
            return leaflets.byId().get(id);
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    /** As much film waits as in the demonstration. */
    private void leaveFilm() {
        for (int i = 0; i < WAITING; i++) {
            long film = log.newFilm();
            String owner = people.get(i).name();
            FilmFormat format = i % 3 == 0 ? FilmFormat.F120 : FilmFormat.F135_36;
            Roll roll = new Roll(owner, format, format.equivalents(), 0, i == 2);
            log.add(
                    people.get(i),
                    stamp -> new FilmDropped(stamp, film, roll, FilmProcess.COLOUR_NEGATIVE.key(), owner, null, true));
        }
    }

    /** A batch every three days; the last thirty of them still stand, the very last with the most runs. */
    private void mixTenYears(List<Leaflet> sheets) {
        int[] runs = runs();
        for (int i = 0; i < BATCHES; i++) {
            boolean stands = i >= BATCHES - STANDING;
            double mixedDaysAgo = stands ? 2 + (BATCHES - i) * 0.8 : (double) DAYS * (BATCHES - i) / BATCHES;
            new Life(sheets.get(sheet(i)), mixedDaysAgo, stands).live(runs[i]);
        }
    }

    /** Seven batches of ten are large; the last one is. */
    private static int sheet(int batch) {
        int kind = (batch + 1) % 10;
        return kind < 7 ? 0 : kind < 9 ? 1 : 2;
    }

    /** How many runs each batch sees: most go through the large ones, and all add up. */
    private static int[] runs() {
        int[] runs = new int[BATCHES];
        int left = RUNS;
        for (int i = BATCHES - STANDING; i < BATCHES; i++) {
            runs[i] = i == BATCHES - 1 ? FULLEST_RUNS : sheet(i) == 0 ? 20 : 3;
            left -= runs[i];
        }
        int old = BATCHES - STANDING;
        int small = (int) IntStream.range(0, old).filter(i -> sheet(i) != 0).count();
        int large = old - small;
        int most = (left - small * SMALL_RUNS) / large;
        int over = (left - small * SMALL_RUNS) % large;
        for (int i = 0; i < old; i++) {
            runs[i] = sheet(i) != 0 ? SMALL_RUNS : over-- > 0 ? most + 1 : most;
        }
        return runs;
    }

    /** One batch, from its kit to the drain. */
    private final class Life {
        private final Leaflet sheet;
        private final double mixedDaysAgo;
        private final boolean stands;
        private final List<LogEntry> rows = new ArrayList<>();
        private long batch;

        Life(Leaflet sheet, double mixedDaysAgo, boolean stands) {
            this.sheet = sheet;
            this.mixedDaysAgo = mixedDaysAgo;
            this.stands = stands;
        }

        void live(int runs) {
            mix();
            double days = stands ? mixedDaysAgo - 1 : 40;
            for (int run = 1; run <= runs; run++) {
                run(mixedDaysAgo - days * run / (runs + 1), run);
            }
            if (!stands) {
                pourAway(mixedDaysAgo - 41);
            }
        }

        private <E extends LogEntry> E add(double daysAgo, Function<Stamp, E> row) {
            E added = log.add(
                    people.get(random.nextInt(people.size())),
                    now.minusSeconds((long) (Math.max(0, daysAgo) * 86_400)),
                    false,
                    row);
            rows.add(added);
            return added;
        }

        private BatchState state() {
            return LogState.fold(rows).batch(batch);
        }

        private void mix() {
            long kit = log.newKit();
            add(
                    mixedDaysAgo + 10,
                    stamp -> new KitArrived(
                            stamp,
                            kit,
                            sheet,
                            Money.ofMinor(NZD, 9000),
                            Money.ofMinor(NZD, 500),
                            null,
                            List.of(),
                            Purchase.plainly(NZD)));
            var kitState = LogState.fold(rows).kit(kit);
            BatchPlan plan = kitState.plan(sheet.makesMl());
            List<MixedFill> fills = plan.baths().stream()
                    .map(bath -> new MixedFill(
                            log.newFill(),
                            sheet,
                            bath.bath().key(),
                            bath.mix().finalMl(),
                            "all of it",
                            free.remove(0),
                            kitState.uses(bath),
                            null))
                    .toList();
            batch = log.newBatch();
            add(mixedDaysAgo, stamp -> new BatchMixed(stamp, batch, sheet.name(), fills));
            Place place = houses.places().get((int) (batch % PLACES));
            fills.forEach(fill -> add(
                    mixedDaysAgo, stamp -> new FillMoved(stamp, fill.fillId(), fill.bottle(), place, AirKept.NOTHING)));
        }

        private void run(double daysAgo, int number) {
            FilmFormat format = number % 3 == 0 ? FilmFormat.F135_12 : FilmFormat.F135_24;
            List<Roll> rolls = List.of(
                    new Roll(people.get(random.nextInt(people.size())).name(), format, format.equivalents(), 0, false));
            Instant at = now.minusSeconds((long) (daysAgo * 86_400));
            RunPlan plan =
                    RunPlan.of(state(), new RunQuestion(rolls, TANK_ML, TANK_ML, Judging.by(School.LEAFLET), at, ZONE));
            RunLogged run = add(daysAgo, stamp -> new RunLogged(
                            stamp, batch, rolls, plan.asRunBaths(), TANK_ML, plan.against(), null)
                    .charged(List.of(new Charge(rolls.get(0).owner(), CHARGED, true))));
            if (number % 8 == 0) {
                add(daysAgo, stamp -> new PaymentRecorded(stamp, rolls.get(0).owner(), PAID, null));
            }
            if (number % 2 == 0) {
                look(run, Math.max(0.1, daysAgo - 0.5));
            }
        }

        private void look(RunLogged run, double daysAgo) {
            Finding result = random.nextInt(20) == 0 ? Finding.THIN : Finding.GOOD;
            add(
                    daysAgo,
                    stamp -> new FilmInspected(
                            stamp,
                            batch,
                            run.stamp().sequence(),
                            0,
                            run.baths().stream().map(RunBath::fillId).toList(),
                            result,
                            Set.of(),
                            random.nextInt(50) == 0 ? "looked at on the light table" : null));
        }

        private void pourAway(double daysAgo) {
            List<FillState> fills = state().fills();
            add(
                    daysAgo,
                    stamp -> new FillsDiscarded(
                            stamp,
                            batch,
                            fills.stream()
                                    .map(fill -> new DiscardedFill(
                                            fill.id(),
                                            fill.volumeMl(),
                                            WasteRoute.of(fill.bath().role())))
                                    .toList(),
                            "Done its rolls"));
            fills.forEach(fill -> free.add(fill.bottle()));
        }
    }
}
