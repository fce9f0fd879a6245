package mezcla.web.histories;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.YearMonth;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashSet;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import mezcla.batch.FillState;
import mezcla.batch.Light;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.Part;
import mezcla.leaflet.Range;
import mezcla.leaflet.Recipe;
import mezcla.leaflet.Unit;
import mezcla.leaflet.WasteRoute;
import mezcla.log.Accident;
import mezcla.log.Bottle;
import mezcla.log.Roll;
import mezcla.measure.FilmFormat;
import mezcla.planning.QueuedFilm;
import mezcla.processing.Movement;
import mezcla.processing.RunSteps;
import mezcla.processing.Trouble;
import mezcla.verdict.Evening;
import mezcla.verdict.RunPlan;
import mezcla.verdict.School;
import mezcla.web.DemoApplicationTest;
import mezcla.web.access.Members;
import mezcla.web.access.SignedIn;
import mezcla.web.accounts.HouseAccounts;
import mezcla.web.answers.Planning;
import mezcla.web.batch.BatchService;
import mezcla.web.batch.BatchView;
import mezcla.web.clock.TestClock;
import mezcla.web.label.LabelService;
import mezcla.web.log.DarkroomLog;
import mezcla.web.outside.SecretAddresses;
import mezcla.web.ribbon.RibbonService;
import mezcla.web.settings.HouseService;
import mezcla.web.settings.Owned;
import mezcla.web.settings.things.Tank;
import mezcla.web.sheets.Leaflets;
import mezcla.web.shelf.ShelfService;
import mezcla.web.shelf.ShelfView;
import mezcla.web.words.Figures;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.TestConfiguration;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Import;
import org.springframework.context.annotation.Primary;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.testng.annotations.AfterClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * Random histories through the real pages, by a clock that turns, beside a second, plain computation from docs/RULES.md. A
 * small share of them belongs to every test; the system property {@code mezcla.histories} says how many,
 * {@code mezcla.histories.from} which is the first.
 */
@Import(HistoriesTest.TurningClock.class)
public class HistoriesTest extends DemoApplicationTest {
    private static final ZoneId HOUSE = ZoneId.of("Pacific/Auckland");
    private static final int STEPS = Integer.getInteger("mezcla.histories") == null ? 8 : 25;
    private static final int USUAL_HISTORIES = 5;
    private static final double TIE = 1e-9;
    private static final double MOST_FRESH_ML = 540;
    private static final List<String> SHEETS = List.of(
            "oxbow-negative-liquid",
            "lantern-slide-three",
            "kiln-lane-negative-powder",
            "sootback-cine",
            "weir-separate-bath-set");
    private static final List<FilmFormat> FILM =
            List.of(FilmFormat.F135_36, FilmFormat.F120, FilmFormat.F135_24, FilmFormat.F135_12, FilmFormat.F127);
    private static final Map<String, Integer> DONE = new TreeMap<>();

    @Autowired
    private MockMvc pages;

    @Autowired
    private Members members;

    @Autowired
    private DarkroomLog log;

    @Autowired
    private HouseService houses;

    @Autowired
    private Leaflets leaflets;

    @Autowired
    private Planning planning;

    @Autowired
    private BatchService batches;

    @Autowired
    private ShelfService shelf;

    @Autowired
    private LabelService labels;

    @Autowired
    private HouseAccounts accounts;

    @Autowired
    private SecretAddresses addresses;

    @Autowired
    private RibbonService ribbon;

    private Random random = new Random(0);
    private SignedIn reader;
    private SignedIn bram;
    private PlainBatch plain;
    private long batch;
    private List<Long> kits = List.of();
    private final List<Take> takes = new ArrayList<>();
    private final Map<String, Instant> opened = new LinkedHashMap<>();
    private final Set<String> decanted = new HashSet<>();
    private final List<String> written = new ArrayList<>();
    private String wall = "";
    private String calendar = "";
    private int revisions;
    private double before;
    private final Map<String, Map<String, Double>> limits = new LinkedHashMap<>();
    private final List<Ran> runs = new ArrayList<>();
    private final List<Long> undoable = new ArrayList<>();
    private final List<AtomicReference<Leaflet>> governing = new ArrayList<>();
    private Leaflet kitsSheet;
    private int loads;
    private final Map<Long, Light> places = new LinkedHashMap<>();
    private final Set<Long> finished = new HashSet<>();
    private @Nullable BigDecimal price;

    /** When film began to be charged so: what ran before is charged as it was then. */
    private Instant chargedAt = Instant.EPOCH;

    private record Ran(long row, int load, List<Double> rolls, Instant at) {}

    /** A clock that a history turns on. */
    @TestConfiguration
    static class TurningClock {
        static final AtomicReference<Instant> NOW = new AtomicReference<>(Instant.parse("2026-09-10T06:00:00Z"));

        @Bean
        @Primary
        Clock turning() {
            return new TestClock(NOW::get);
        }
    }

    @DataProvider
    public Iterator<Object[]> seeds() {
        int many = Integer.getInteger("mezcla.histories", USUAL_HISTORIES);
        int from = Integer.getInteger("mezcla.histories.from", 0);
        return IntStream.range(from, from + many)
                .mapToObj(seed -> new Object[] {seed})
                .iterator();
    }

    @Test(dataProvider = "seeds")
    public void pagesAndPlainComputationAgree(int seed) throws Exception {
        random = new Random(1000 + seed);
        bram = (SignedIn) members.loadUserByUsername("bram");
        reader = bram;
        begin(SHEETS.get(seed % SHEETS.size()));
        for (int step = 0; step < STEPS; step++) {
            TurningClock.NOW.set(TurningClock.NOW.get().plus(Duration.ofMinutes(150 + random.nextInt(6 * 24 * 60))));
            String did = step(random.nextInt(100));
            DONE.merge(did, 1, Integer::sum);
            compare("seed %d, step %d: %s".formatted(seed, step, did));
        }
        pourAway();
    }

    /** The batch ends, so that no page says anything of it any more. */
    private void pourAway() throws Exception {
        for (FillState fill : log.state().batch(batch).fills()) {
            String route = WasteRoute.of(fill.bath().role()).name();
            MockHttpServletResponse answer = send(
                    "/batches/" + batch + "/discards",
                    Map.of(
                            "fills",
                            Long.toString(fill.id()),
                            "routes[" + fill.id() + "]",
                            route,
                            "reason",
                            "the history is over"));
            assertThat(answer.getStatus()).as(answer.getContentAsString()).isEqualTo(302);
        }
        assertThat(read("/calendar/" + calendar + ".ics")).doesNotContain("Batch %d:".formatted(batch));
        assertThat(read("/wall-sheet")).doesNotContain("Crate %d,".formatted(batch));
        settle();
    }

    /** All its kits are finished, so that it cost what they cost, and its film bears that to the cent. */
    private void settle() throws Exception {
        for (long kit : kits) {
            assertThat(sent("/kits/" + kit + "/finish", Map.of())).isTrue();
        }
        long used = takes.stream().mapToLong(Take::kit).distinct().count();
        BigDecimal total = BigDecimal.valueOf(55 * used + (before > 0 ? 40 : 0)).setScale(2);
        reader = bram;
        assertThat(accounts.spending(batch).orElseThrow().cost().total().getAmount())
                .as("what batch %d cost", batch)
                .isEqualByComparingTo(total);
        List<String> months = new ArrayList<>();
        YearMonth last = YearMonth.from(now().atZone(HOUSE));
        for (YearMonth month = YearMonth.from(plain.facts.get(0).at().atZone(HOUSE));
                !month.isAfter(last);
                month = month.plusMonths(1)) {
            months.add(month.toString());
        }
        assertThat(new MoneyRead(this::readPage, "Bram").paidFor(batch, months))
                .as("what film through batch %d was charged", batch)
                .isEqualByComparingTo(charged(total));
    }

    private BigDecimal charged(BigDecimal total) {
        if (price != null) {
            return runs.stream()
                    .flatMap(run -> run.rolls().stream())
                    .map(roll -> price.multiply(BigDecimal.valueOf(roll)).setScale(2, RoundingMode.HALF_UP))
                    .reduce(BigDecimal.ZERO, BigDecimal::add);
        }
        if (runs.isEmpty()) {
            return BigDecimal.ZERO;
        }
        List<Double> weights = new ArrayList<>();
        if (before > 0) {
            weights.add(before);
        }
        runs.stream()
                .sorted(Comparator.comparing(Ran::at))
                .forEach(run -> weights.add(
                        run.rolls().stream().mapToDouble(Double::doubleValue).sum()));
        List<Long> shares = PlainShares.of(total.movePointRight(2).longValueExact(), weights);
        return BigDecimal.valueOf(
                shares.stream().mapToLong(Long::longValue).sum() - (before > 0 ? shares.get(0) : 0), 2);
    }

    @AfterClass(alwaysRun = true)
    public void tell() {
        System.out.println("histories: " + DONE);
    }

    private Instant now() {
        return TurningClock.NOW.get();
    }

    private MockHttpServletResponse send(String address, Map<String, String> typed) throws Exception {
        MockHttpServletRequestBuilder request = post(address)
                .with(csrf())
                .with(user(bram))
                .param("formKey", UUID.randomUUID().toString());
        typed.forEach(request::param);
        return pages.perform(request).andReturn().getResponse();
    }

    private boolean sent(String address, Map<String, String> typed) throws Exception {
        return send(address, typed).getStatus() == 302;
    }

    private long row() {
        return log.book().lastSequence();
    }

    private Instant rowAt() {
        return log.book().entry(row()).stamp().happenedAt();
    }

    private void begin(String key) throws Exception {
        Leaflet sheet = leaflets.latest(key);
        long id = leaflets.idOf(sheet);
        kits = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            assertThat(sent(
                            "/kits",
                            Map.of("leaflet", Long.toString(id), "count", "1", "price", "50", "delivery", "5")))
                    .isTrue();
            kits.add(log.state().kits().keySet().stream().max(Long::compare).orElseThrow());
        }
        plain = new PlainBatch(sheet, HOUSE);
        takes.clear();
        opened.clear();
        decanted.clear();
        written.clear();
        if (wall.isEmpty()) {
            wall = asBram(() -> addresses.make(bram, SecretAddresses.Kind.WALL));
            calendar = asBram(() -> addresses.make(bram, SecretAddresses.Kind.CALENDAR));
        }
        if (places.isEmpty()) {
            places.put(place("Warm and bright", 24), Light.OPEN);
            places.put(place("Cool and shaded", 12), Light.SHADED);
        }
        finished.clear();
        charge();
        kitsSheet = sheet;
        governing.clear();
        plain.limitRolls.putAll(limits.getOrDefault(key, Map.of()));
        runs.clear();
        undoable.clear();
        choose(List.of("LEAFLET", "CAREFUL", "STRETCH").get(random.nextInt(3)));
        before = 0;
        if (random.nextInt(4) == 0) {
            takeOver(sheet, id);
            return;
        }
        double most = Math.min(sheet.makesMl(), 1150);
        double volume = Math.round(330 + random.nextDouble() * (most - 330));
        double partsFor = random.nextInt(3) == 0
                ? Math.min(most, Math.round(volume * (0.8 + 0.35 * random.nextDouble())))
                : volume;
        Map<String, String> typed = new LinkedHashMap<>();
        typed.put("volume", Figures.plain(volume, 0) + " ml");
        typed.put("partsFor", partsFor == volume ? "" : Figures.plain(partsFor, 0) + " ml");
        typed.put("name", "History");
        Map<String, Bottle> bottles = new LinkedHashMap<>();
        for (var bath : sheet.baths()) {
            Bottle bottle = newBottle();
            bottles.put(bath.key(), bottle);
            typed.put("bottles[" + bath.key() + "]", Long.toString(bottle.id()));
        }
        MockHttpServletResponse answer = send("/kits/" + kits.get(0) + "/batches", typed);
        assertThat(answer.getRedirectedUrl()).as(answer.getContentAsString()).isNotNull();
        batch = Long.parseLong(answer.getRedirectedUrl().replaceAll("\\D+", ""));
        Instant at = rowAt();
        sheet.baths().forEach(bath -> take(kits.get(0), bath.key(), partsFor, volume));
        for (var bath : sheet.baths()) {
            plain.add(
                    at,
                    0,
                    mixing(
                            bath.key(),
                            at,
                            volume,
                            partsFor,
                            bottles.get(bath.key()).capacityMl()));
        }
        compare("mixed");
    }

    private long place(String name, double celsius) throws Exception {
        houses.add(new Owned.OfPlace(name));
        long id = houses.places().stream()
                .filter(place -> place.name().equals(name))
                .findFirst()
                .orElseThrow()
                .id();
        Map<String, String> climate = new LinkedHashMap<>();
        Light light = celsius > 20 ? Light.OPEN : Light.SHADED;
        IntStream.range(0, 4).forEach(quarter -> climate.put("quarter" + quarter, Figures.plain(celsius, 0)));
        climate.put("light", light.name());
        assertThat(sent("/house/places/" + id + "/climate", climate)).isTrue();
        return id;
    }

    /** Half of the histories charge a price a roll, the others what it cost. */
    private void charge() throws Exception {
        price = random.nextBoolean() ? new BigDecimal("4.37") : null;
        Map<String, String> typed = new LinkedHashMap<>();
        typed.put("process", plain.leaflet.process().key());
        typed.put("how", price == null ? "cost" : "price");
        typed.put("price", price == null ? "" : price.toPlainString());
        assertThat(sent("/money/charging", typed)).isTrue();
        chargedAt = rowAt();
    }

    /** It stood there half used before the house had a log. */
    private void takeOver(Leaflet sheet, long id) throws Exception {
        double volume = Math.round(400 + random.nextInt(400));
        before = 1 + random.nextInt(5);
        Map<String, String> typed = new LinkedHashMap<>();
        typed.put("leaflet", Long.toString(id));
        typed.put("rolls", Figures.plain(before, 0));
        typed.put("cost", "40.00");
        typed.put("name", "History");
        typed.put(
                "mixed",
                now().atZone(HOUSE)
                        .toLocalDate()
                        .minusDays(1 + random.nextInt(12))
                        .toString());
        Map<String, Bottle> bottles = new LinkedHashMap<>();
        for (var bath : sheet.baths()) {
            Bottle bottle = newBottle();
            bottles.put(bath.key(), bottle);
            typed.put("bottles[" + bath.key() + "]", Long.toString(bottle.id()));
            typed.put("volumes[" + bath.key() + "]", Figures.plain(volume, 0) + " ml");
        }
        MockHttpServletResponse answer = send("/adoptions", typed);
        assertThat(answer.getRedirectedUrl()).as(answer.getContentAsString()).isNotNull();
        batch = Long.parseLong(answer.getRedirectedUrl().replaceAll("\\D+", ""));
        Instant at = log.state().batch(batch).mixedAt();
        for (var bath : sheet.baths()) {
            AtomicReference<Leaflet> governed = new AtomicReference<>(sheet);
            governing.add(governed);
            plain.add(at, 0, baths -> {
                PlainBath stood = new PlainBath(
                        governed.get().bath(bath.key()),
                        at,
                        volume,
                        1,
                        Objects.requireNonNull(bottles.get(bath.key())).capacityMl());
                stood.takenOverWith(before);
                baths.put(bath.key(), stood);
            });
        }
        compare("taken over");
    }

    /** A load for this evening: the same time, and poured when the run's own page says. */
    private String evening() throws Exception {
        RunPlan answer = planning.nextRoll(log.state().batch(batch));
        if (!answer.fits()) {
            return "no load";
        }
        String query = othersPlan(answer).replaceFirst("^[^?]*\\?", "");
        Map<String, String> typed = new LinkedHashMap<>();
        for (String each : query.split("&")) {
            typed.put(each.replaceFirst("=.*$", ""), each.replaceFirst("^[^=]*=", ""));
        }
        typed.remove("formKey");
        typed.put("seen", Long.toString(row()));
        if (!sent("/batches/" + batch + "/loads", typed)) {
            return "load refused";
        }
        String page = read("/evening").replace('\u00a0', ' ');
        String time =
                answer.imageDeveloper().orElseThrow().shown().orElseThrow().toString();
        assertThat(page).as("evening").contains(">" + time + "</span>");
        String run = read(othersPlan(answer)).replace('\u00a0', ' ');
        Matcher pour = Pattern.compile("pour at ([0-9]{2}:[0-9]{2})").matcher(run);
        if (pour.find()) {
            assertThat(page).as("poured when the run says").contains("Load 1, " + pour.group(1));
        }
        Matcher drop = Pattern.compile("/evening/loads/[0-9]+/drops").matcher(page);
        assertThat(drop.find()).isTrue();
        assertThat(sent(drop.group(), Map.of())).isTrue();
        return "evening";
    }

    private String othersPlan(RunPlan answer) {
        Tank tank = houses.tanks().stream()
                .map(each -> each.moved(answer.question().tank().turning() ? Movement.ROTARY : Movement.PRINTED))
                .filter(each -> each.asUsed().equals(answer.question().tank()))
                .findFirst()
                .orElseThrow();
        return ("/batches/%d/run?film[0].count=1&film[0].format=135-36&film[0].owner=Tomasz&push=0&tank=%d&movement=%s"
                        + "&madeFor=%s&formKey=%s")
                .formatted(
                        batch,
                        tank.id(),
                        tank.turning() ? "ROTARY" : "PRINTED",
                        plain.leaflet.process().key(),
                        UUID.randomUUID());
    }

    private Consumer<Map<String, PlainBath>> mixing(
            String key, Instant at, double volume, double partsFor, double bottleMl) {
        AtomicReference<Leaflet> sheet = new AtomicReference<>(kitsSheet);
        governing.add(sheet);
        return baths -> {
            Recipe recipe = sheet.get().bath(key).recipe();
            double parts = 0;
            for (var part : recipe.additions()) {
                parts += part.amount() * (part.unit() == Unit.G ? 0.6 : 1);
            }
            boolean ready = recipe.mode() == Recipe.Mode.READY_TO_USE;
            double measured = ready ? volume : partsFor;
            double became = recipe.mode() == Recipe.Mode.TOP_UP || (!ready && measured != volume)
                    ? volume
                    : (recipe.startWaterMl() * volume + parts * measured) / recipe.finalMl();
            double strength = measured / recipe.finalMl() * PlainBath.makes(recipe) / became;
            PlainBath old = baths.get(key);
            PlainBath fresh = new PlainBath(sheet.get().bath(key), at, became, strength, bottleMl);
            fresh.earlier = old == null ? 0 : old.earlier + old.rolls;
            baths.put(key, fresh);
        };
    }

    /** What a bath takes of a kit's parts, by its sheet. */
    private boolean take(long kit, String key, double partsForMl, double volumeMl) {
        Recipe recipe = kitsSheet.bath(key).recipe();
        double measured = recipe.mode() == Recipe.Mode.READY_TO_USE ? volumeMl : partsForMl;
        boolean old = false;
        Instant now = rowAt();
        for (var part : recipe.additions()) {
            takes.add(new Take(row(), kit, part.part(), part.amount() * measured / recipe.finalMl()));
            old |= isOld(kit, part.part(), now);
            opened.putIfAbsent(kit + part.part(), now);
        }
        return old;
    }

    private record Take(long row, long kit, String part, double amount) {}

    /** Whether a part has been open for longer than its sheet prints, or than the house says where it prints nothing. */
    private boolean isOld(long kit, String key, Instant now) {
        Instant since = opened.get(kit + key);
        if (since == null) {
            return false;
        }
        Part part = kitsSheet.part(key);
        double days = Double.POSITIVE_INFINITY;
        for (var bath : kitsSheet.baths()) {
            if (bath.recipe().additions().stream().anyMatch(each -> each.part().equals(key))) {
                String role = bath.role().key();
                days = Math.min(
                        days,
                        role.endsWith("developer")
                                ? 180
                                : role.startsWith("bleach") || role.equals("fixer") ? 365 : 730);
            }
        }
        boolean inVials = decanted.contains(kit + key);
        Double printed = inVials && part.inVialsDays() != null ? part.inVialsDays() : part.openedDays();
        return now.isAfter(since.plus(Duration.ofHours(Math.round((printed == null ? days : printed) * 24))));
    }

    /** What is left of each part, by kit and name. */
    private Map<Long, Map<String, double[]>> partsLeft() {
        Map<Long, Map<String, double[]>> left = new LinkedHashMap<>();
        for (long kit : kits) {
            Map<String, double[]> parts = new LinkedHashMap<>();
            for (Part part : kitsSheet.parts()) {
                double used = takes.stream()
                        .filter(take -> take.kit() == kit && take.part().equals(part.key()))
                        .mapToDouble(Take::amount)
                        .sum();
                parts.put(part.name(), new double[] {
                    Math.max(0, part.amount() - used), part.unit().ordinal()
                });
            }
            left.put(kit, parts);
        }
        return left;
    }

    private interface Making {
        String made() throws Exception;
    }

    /** What only a steward may ask a service for. */
    private String asBram(Making making) throws Exception {
        SecurityContextHolder.getContext()
                .setAuthentication(new UsernamePasswordAuthenticationToken(bram, null, bram.getAuthorities()));
        try {
            return making.made();
        } finally {
            SecurityContextHolder.clearContext();
        }
    }

    private Bottle newBottle() {
        String label = "H" + (houses.bottles().size() + 1);
        houses.add(new Owned.OfBottle(
                label, 1250, random.nextBoolean() ? Bottle.Material.GLASS : Bottle.Material.PLASTIC));
        return houses.bottles().stream()
                .filter(each -> each.label().equals(label))
                .findFirst()
                .orElseThrow();
    }

    private void choose(String school) throws Exception {
        String process = plain.leaflet.process().key();
        assertThat(sent("/house/schools", Map.of("process", process, "school-" + process, school)))
                .isTrue();
        plain.school = school;
    }

    private String step(int dice) throws Exception {
        if (dice < 32) {
            return run(dice % 4 == 0);
        } else if (dice < 33) {
            return evening();
        } else if (dice < 34) {
            return queue();
        } else if (dice < 36) {
            return breakBottle();
        } else if (dice < 37) {
            return openRun();
        } else if (dice < 38) {
            return leak();
        } else if (dice < 40) {
            return revise();
        } else if (dice < 42) {
            return sideways();
        } else if (dice < 50) {
            return spill();
        } else if (dice < 56) {
            return topUp();
        } else if (dice < 62) {
            return renew();
        } else if (dice < 68) {
            return move();
        } else if (dice < 80) {
            return look();
        } else if (dice < 83) {
            return clip();
        } else if (dice < 86) {
            return measure();
        } else if (dice < 89) {
            return limit();
        } else if (dice < 93) {
            return override();
        } else if (dice < 96) {
            return takeBack();
        } else if (dice < 97) {
            return finishKit();
        } else if (dice < 98) {
            return correct();
        }
        choose(List.of("LEAFLET", "CAREFUL", "STRETCH").get(random.nextInt(3)));
        return "school";
    }

    private FillState fill() {
        List<FillState> fills = log.state().batch(batch).fills();
        return fills.get(random.nextInt(fills.size()));
    }

    private record Asked(
            Map<String, String> typed,
            List<Double> each,
            double stops,
            boolean irreplaceable,
            Tank tank,
            boolean reelsFit) {
        double equivalents() {
            return each.stream().mapToDouble(Double::doubleValue).sum();
        }

        PlainBatch.Tank plainly() {
            return new PlainBatch.Tank(tank.volumeMl(), tank.volumeMl() * 0.95, tank.turning());
        }
    }

    private Asked film() {
        Map<String, String> typed = new LinkedHashMap<>();
        List<Double> each = new ArrayList<>();
        Map<FilmFormat.Reel, Integer> wound = new LinkedHashMap<>();
        for (int line = 0; line <= random.nextInt(2); line++) {
            FilmFormat format = FILM.get(random.nextInt(FILM.size()));
            int count = 1 + random.nextInt(2);
            typed.put("film[" + line + "].count", Integer.toString(count));
            typed.put("film[" + line + "].format", format.label());
            typed.put("film[" + line + "].owner", "Bram");
            each.addAll(Collections.nCopies(count, format.equivalents()));
            wound.merge(format.reel(), count, Integer::sum);
        }
        List<Double> pushes = List.of(0.0, 0.0, 0.0, 1.0, 2.0, -1.0);
        double stops = pushes.get(random.nextInt(pushes.size()));
        typed.put("push", Integer.toString((int) stops));
        boolean irreplaceable = random.nextInt(6) == 0;
        if (irreplaceable) {
            typed.put("irreplaceable", "true");
        }
        List<Tank> tanks = houses.tanks();
        Tank tank = tanks.get(random.nextInt(tanks.size()));
        typed.put("tank", Long.toString(tank.id()));
        if (random.nextInt(6) == 0) {
            typed.put("movement", "ROTARY");
            Double rotary = tank.rotaryMl();
            tank = new Tank(
                    tank.id(),
                    tank.name(),
                    rotary == null ? tank.volumeMl() : rotary,
                    rotary,
                    tank.leastMl(),
                    tank.holds(),
                    true);
        }
        double share = 0;
        for (Map.Entry<FilmFormat.Reel, Integer> reel : wound.entrySet()) {
            Integer most = tank.holds().get(reel.getKey());
            share += most == null ? Double.POSITIVE_INFINITY : reel.getValue() / (double) most;
        }
        boolean fits = tank.holds().isEmpty() || share <= 1 + 1e-9;
        return new Asked(typed, each, stops, irreplaceable, tank, fits);
    }

    private String run(boolean backdated) throws Exception {
        Asked asked = film();
        Map<String, String> typed = new LinkedHashMap<>(asked.typed());
        typed.put("done", "true");
        Instant mixed = plain.facts.get(0).at();
        Instant when = now();
        if (backdated) {
            Instant from = price != null && mixed.isBefore(chargedAt) ? chargedAt : mixed;
            long seconds = Math.max(1, Duration.between(from, when).toSeconds());
            when = from.plusSeconds(60 + (long) (random.nextDouble() * Math.max(1, seconds - 120)))
                    .truncatedTo(ChronoUnit.MINUTES);
            typed.put("when", when.atZone(HOUSE).toLocalDateTime().toString());
        }
        Map<String, PlainBath> then = plain.at(when);
        if (!sent("/batches/" + batch + "/runs", typed)) {
            return "run refused";
        }
        ran(asked, then, baths -> {});
        return backdated ? "backdated run" : "run";
    }

    /** Film went through the baths, as they were then; what besides happened to them. */
    private void ran(Asked asked, Map<String, PlainBath> then, Consumer<Map<String, PlainBath>> besides) {
        int load = ++loads;
        Map<String, double[]> does = new LinkedHashMap<>();
        then.forEach((key, bath) -> {
            boolean image = key.equals(plain.imageDeveloper());
            double weight = image ? bath.pushed(asked.stops(), true) : 1;
            double wants =
                    bath.oneShot() ? bath.sheet.oneShot().stockFor(asked.tank().volumeMl()) : 0;
            does.put(key, new double[] {
                asked.equivalents() * (Double.isNaN(weight) ? 1 : weight),
                Math.min(5 * asked.equivalents(), bath.volume),
                Math.min(wants, bath.volume)
            });
        });
        Instant at = rowAt();
        plain.add(
                at,
                row(),
                baths -> does.forEach((key, each) -> Objects.requireNonNull(baths.get(key))
                        .run(load, at, asked.equivalents(), each[0], each[1], each[2])));
        plain.turned.put(row(), asked.tank().turning());
        plain.add(at, row(), besides);
        runs.add(new Ran(row(), load, asked.each(), at));
        undoable.add(row());
    }

    private void add(FillState fill, BiConsumer<PlainBath, Instant> does) {
        Instant at = rowAt();
        String key = fill.mixed().bathKey();
        plain.add(at, row(), baths -> does.accept(Objects.requireNonNull(baths.get(key)), at));
        undoable.add(row());
    }

    private String spill() throws Exception {
        FillState fill = fill();
        double ml = 5 + random.nextInt(80);
        if (!sent("/fills/" + fill.id() + "/spills", Map.of("spilled", Figures.plain(ml, 0) + " ml"))) {
            return "spill refused";
        }
        add(fill, (bath, at) -> bath.spill(at, ml));
        return "spill";
    }

    private String topUp() throws Exception {
        FillState fill = fill();
        double ml = 20 + random.nextInt(60);
        Map<String, String> typed = Map.of("volume", Figures.plain(ml, 0) + " ml", "kit", Long.toString(kits.get(1)));
        if (!sent("/fills/" + fill.id() + "/top-ups", typed)) {
            return "topping up refused";
        }
        boolean old = take(kits.get(1), fill.mixed().bathKey(), ml, ml);
        add(fill, (bath, at) -> {
            bath.topUp(at, ml);
            bath.oldParts |= old;
        });
        return "topping up";
    }

    private String renew() throws Exception {
        FillState fill = fill();
        return freshBath(fill, Map.of("route", WasteRoute.of(fill.bath().role()).name()))
                ? "fresh bath"
                : "fresh bath refused";
    }

    /** One bath is mixed afresh from the last kit, in a bottle of its own. */
    private boolean freshBath(FillState fill, Map<String, String> whereTheOldGoes) throws Exception {
        double ml = 330 + random.nextInt(200);
        Bottle bottle = newBottle();
        Map<String, String> typed = new LinkedHashMap<>();
        typed.put("bath", fill.mixed().bathKey());
        typed.put("kit", Long.toString(kits.get(2)));
        typed.put("volume", Figures.plain(ml, 0) + " ml");
        typed.put("bottle", Long.toString(bottle.id()));
        typed.put("read", "true");
        typed.putAll(whereTheOldGoes);
        if (!sent("/batches/" + batch + "/renewals", typed)) {
            return false;
        }
        Instant at = rowAt();
        boolean old = take(kits.get(2), fill.mixed().bathKey(), ml, ml);
        plain.add(at, 0, mixing(fill.mixed().bathKey(), at, ml, ml, bottle.capacityMl()));
        plain.add(at, 0, baths -> Objects.requireNonNull(baths.get(fill.mixed().bathKey())).oldParts = old);
        undoable.clear();
        return true;
    }

    /** A bottle breaks, and its bath is mixed afresh at once. */
    private String breakBottle() throws Exception {
        FillState fill = fill();
        if (log.state().kit(kits.get(2)).makesMl(List.of(fill.mixed().bathKey())) < MOST_FRESH_ML) {
            return "nothing to mix it from";
        }
        if (!sent("/fills/" + fill.id() + "/breaks", Map.of())) {
            return "break refused";
        }
        assertThat(log.state().fill(fill.id()).discarded()).isNotNull();
        assertThat(read("/wall/" + wall)).doesNotContain(fill.bottle().label() + " at 3:");
        assertThat(freshBath(fill, Map.of())).isTrue();
        return "broken bottle";
    }

    /** A developer leaks in a run, so that it is tried with a clip before the next film. */
    private String leak() throws Exception {
        Tank tank = houses.tanks().get(0);
        String run = start(tank);
        if (run.isEmpty()) {
            return "start refused";
        }
        RibbonService.Running running = ribbon.running(Long.parseLong(run));
        String key = plain.imageDeveloper();
        int step = IntStream.range(0, running.steps().steps().size())
                .filter(each -> key.equals(running.steps().steps().get(each).bath()))
                .findFirst()
                .orElseThrow();
        long at = now().toEpochMilli();
        String events = "[{\"n\":1,\"at\":%d,\"kind\":\"TROUBLE\",\"step\":%d,\"value\":%s}]"
                .formatted(at, step, Trouble.noted(Accident.LEAK, -1));
        assertThat(send("/runs/" + run + "/events", Map.of("events", events)).getStatus())
                .isEqualTo(200);
        Map<String, String> typed = oneRoll();
        Map<String, PlainBath> then = plain.at(now());
        assertThat(sent("/runs/" + run + "/end", typed)).isTrue();
        ran(
                new Asked(typed, List.of(1.0), 0, false, tank, true),
                then,
                baths -> Objects.requireNonNull(baths.get(key)).doubted = true);
        return "leak";
    }

    /** A steward finishes the kit that baths were topped up from; another takes its place. */
    private String finishKit() throws Exception {
        long kit = kits.get(1);
        if (!sent("/kits/" + kit + "/finish", Map.of())) {
            return "finishing refused";
        }
        finished.add(kit);
        assertThat(send("/kits/" + kit + "/batches", Map.of("volume", "500 ml")).getStatus())
                .isEqualTo(422);
        long sheet = leaflets.idOf(kitsSheet);
        assertThat(sent("/kits", Map.of("leaflet", Long.toString(sheet), "count", "1", "price", "50", "delivery", "5")))
                .isTrue();
        kits.set(1, log.state().kits().keySet().stream().max(Long::compare).orElseThrow());
        return "finished kit";
    }

    /** Film is left in the queue; what is proposed for the batch has the plan's time, and the evening says the same. */
    private String queue() throws Exception {
        reader = bram;
        Map<String, String> typed = new LinkedHashMap<>();
        FilmFormat format = FILM.get(random.nextInt(FILM.size()));
        typed.put("film[0].count", Integer.toString(1 + random.nextInt(2)));
        typed.put("film[0].format", format.label());
        typed.put("film[0].owner", "Bram");
        typed.put("process", plain.leaflet.process().key());
        typed.put("by", now().atZone(HOUSE).toLocalDate().toString());
        MockHttpServletResponse left = send("/queue", typed);
        assertThat(left.getStatus()).as(left.getContentAsString()).isEqualTo(302);
        String did = "queue without a load";
        Optional<QueueRead.Load> load = QueueRead.first(read("/queue").replace('\u00a0', ' '), batch);
        if (load.isPresent()) {
            proposed(load.get());
            did = "queue";
        }
        for (String film : Objects.requireNonNull(left.getRedirectedUrl())
                .replaceAll("^.*left=", "")
                .split(",")) {
            assertThat(sent("/queue/" + film + "/stages", Map.of("stage", "WITHDRAWN")))
                    .isTrue();
        }
        return did;
    }

    private void proposed(QueueRead.Load load) throws Exception {
        List<Roll> rolls = accounts.film().stream()
                .filter(film -> load.codes().contains(film.code()))
                .map(QueuedFilm::roll)
                .toList();
        List<String> times = new ArrayList<>();
        for (Movement movement : runs.isEmpty()
                ? List.of(Movement.ROTARY, Movement.PRINTED)
                : List.of(plain.lastTurned() ? Movement.ROTARY : Movement.PRINTED)) {
            Tank tank = houses.tanks().stream()
                    .filter(each -> each.name().equals(load.tank()))
                    .map(each -> each.moved(movement))
                    .findFirst()
                    .orElseThrow();
            PlainBatch.Plan plan = plain.plan(
                    now(),
                    rolls.stream().mapToDouble(Roll::equivalents).sum(),
                    rolls.get(0).stops(),
                    rolls.stream().anyMatch(Roll::irreplaceable),
                    new PlainBatch.Tank(tank.volumeMl(), tank.volumeMl() * 0.95, tank.turning()),
                    true);
            if (plan.fits()) {
                times.add(Figures.clock(Objects.requireNonNull(plan.seconds().get(plain.imageDeveloper()))));
            }
        }
        assertThat(times).as("the queue's time").contains(load.time());
        assertThat(sent("/queue/loads", Map.of("loads", load.key()))).isTrue();
        String evening = read("/evening").replace('\u00a0', ' ');
        assertThat(evening).as("the evening, as the queue").contains(">" + load.time() + "</span>");
        if (load.number() == 1) {
            assertThat(evening).as("the evening, as the queue").contains("Load 1, " + load.pour());
        }
        Matcher drop = Pattern.compile("/evening/loads/[0-9]+/drops").matcher(evening);
        assertThat(drop.find()).isTrue();
        assertThat(sent(drop.group(), Map.of())).isTrue();
    }

    private static Map<String, String> oneRoll() {
        Map<String, String> typed = new LinkedHashMap<>();
        typed.put("film[0].count", "1");
        typed.put("film[0].format", FilmFormat.F135_36.label());
        typed.put("film[0].owner", "Bram");
        typed.put("push", "0");
        return typed;
    }

    /** Starts a run of a roll; the number of its start, empty where it is refused. */
    private String start(Tank tank) throws Exception {
        Map<String, String> typed = oneRoll();
        typed.put("tank", Long.toString(tank.id()));
        typed.put("seen", Long.toString(row()));
        typed.put("madeFor", plain.leaflet.process().key());
        MockHttpServletResponse answer = send("/batches/" + batch + "/starts", typed);
        return answer.getStatus() == 302
                ? Objects.requireNonNull(answer.getRedirectedUrl()).replaceAll("\\D+", "")
                : "";
    }

    /** A run that is started and called off leaves everything as it was; while it lasts, its film is in the tank. */
    private String openRun() throws Exception {
        String run = start(houses.tanks().get(0));
        if (run.isEmpty()) {
            return "start refused";
        }
        assertThat(read("/shelf")).contains("In use since");
        assertThat(sent("/runs/" + run + "/call-off", Map.of("why", "film would not load")))
                .isTrue();
        return "open run";
    }

    /** Somebody finds that a leaflet was mistyped: its kits go by the right one at once, its mixes once they are switched. */
    private String revise() throws Exception {
        String key = plain.imageDeveloper();
        Leaflet wrong = leaflets.latest(kitsSheet.key());
        Range rolls = Objects.requireNonNull(wrong.bath(key).capacity());
        double most = rolls.max();
        String file = leaflets.file(leaflets.idOf(wrong));
        double other = most - 12 >= Math.max(rolls.min(), 19) ? most - 12 : most + 1 + revisions % 3;
        String right = file.replaceFirst("(\"capacity\" : \\{[^}]*\"max\" : )" + most, "$1" + other);
        if (right.equals(file)) {
            return "nothing mistyped";
        }
        revisions++;
        assertThat(sent("/leaflets/imports", Map.of("document", right, "why", "MISTYPED", "revised", "read again")))
                .isTrue();
        kitsSheet = leaflets.latest(kitsSheet.key());
        assertThat(read("/batches/" + batch)).contains("was mistyped");
        if (random.nextBoolean()) {
            return "mistyped leaflet";
        }
        assertThat(sent("/leaflets/" + leaflets.idOf(kitsSheet) + "/switch", Map.of()))
                .isTrue();
        governing.forEach(sheet -> sheet.set(kitsSheet));
        return "mistyped leaflet, switched";
    }

    /** What is left of a part goes into vials; somebody gets another name. Neither changes a figure. */
    private String sideways() throws Exception {
        if (random.nextBoolean()) {
            String part = kitsSheet.parts().get(0).key();
            if (!sent("/kits/" + kits.get(1) + "/decantings", Map.of("decanted", part, "vials", "4"))) {
                return "vials refused";
            }
            opened.put(kits.get(1) + part, rowAt());
            decanted.add(kits.get(1) + part);
            return "vials";
        }
        long devi = ((SignedIn) members.loadUserByUsername("devi")).id();
        return sent("/house/members/" + devi + "/name", Map.of("name", "Devi " + (char) ('A' + random.nextInt(26))))
                ? "another name"
                : "name refused";
    }

    private String read(String address) throws Exception {
        MockHttpServletResponse answer = pages.perform(get(java.net.URI.create(
                                address.replace("[", "%5B").replace("]", "%5D").replace(" ", "%20")))
                        .with(user(reader)))
                .andReturn()
                .getResponse();
        assertThat(answer.getStatus()).as(address).isIn(200, 422);
        return answer.getContentAsString();
    }

    private String move() throws Exception {
        FillState fill = fill();
        String air =
                List.of("NOTHING", "VACUUM_STOPPER", "INERT_GAS", "SQUEEZED").get(random.nextInt(4));
        Long place = random.nextInt(2) == 0
                ? null
                : places.keySet().stream().skip(random.nextInt(2)).findFirst().orElseThrow();
        if (!sent(
                "/fills/" + fill.id() + "/moves",
                Map.of(
                        "bottle",
                        Long.toString(fill.bottle().id()),
                        "place",
                        place == null ? "" : Long.toString(place),
                        "air",
                        air))) {
            return "move refused";
        }
        Light light = place == null ? Light.DARK : Objects.requireNonNull(places.get(place));
        double celsius = light == Light.DARK ? 20 : light == Light.OPEN ? 24 : 12;
        double faster = light == Light.DARK ? 1 : light == Light.OPEN ? 1.4 : 1.1;
        add(fill, (bath, at) -> bath.move(at, air, celsius, faster));
        return place == null ? "move" : "move to a place of its own";
    }

    private String look() throws Exception {
        List<Ran> dry = runs.stream()
                .filter(run -> run.at().isBefore(now().minus(Duration.ofHours(2))))
                .toList();
        if (dry.isEmpty()) {
            return "nothing to look at";
        }
        Ran run = dry.get(random.nextInt(dry.size()));
        int roll = random.nextInt(run.rolls().size());
        String result = List.of("GOOD", "GOOD", "THIN", "THIN", "DENSE", "MILKY_DRY", "CAST")
                .get(random.nextInt(7));
        boolean chemistry = random.nextInt(4) != 0;
        Map<String, String> typed = new LinkedHashMap<>();
        typed.put("roll", Integer.toString(roll));
        typed.put("result", result);
        if (!result.equals("GOOD")) {
            typed.put(chemistry ? "suspect-CHEMISTRY" : "suspect-EXPOSURE", "true");
        }
        if (!sent("/batches/" + batch + "/looks/" + run.row(), typed)) {
            return "look refused";
        }
        if (chemistry || result.equals("GOOD")) {
            Instant at = rowAt();
            plain.add(at, row(), baths -> baths.values().stream()
                    .filter(bath -> bath.tookPart(run.load()))
                    .forEach(bath -> bath.look(run.load(), roll, at, result)));
        }
        undoable.add(row());
        return "look";
    }

    private String clip() throws Exception {
        FillState fill = log.state().batch(batch).imageDeveloper().orElseThrow();
        String result = List.of("GOOD", "THIN", "DENSE").get(random.nextInt(3));
        if (!sent("/fills/" + fill.id() + "/clips", Map.of("result", result))) {
            return "clip test refused";
        }
        int load = ++loads;
        add(fill, (bath, at) -> bath.look(load, 0, at, result));
        return "clip test";
    }

    private String measure() throws Exception {
        FillState fill = fill();
        double ml = Math.max(1, Math.round(fill.volumeMl() - random.nextInt(30)));
        if (!sent("/fills/" + fill.id() + "/measurements", Map.of("measured", Figures.plain(ml, 0) + " ml"))) {
            return "measuring refused";
        }
        add(fill, (bath, at) -> bath.measure(at, ml));
        return "measuring";
    }

    private String limit() throws Exception {
        String key = plain.imageDeveloper();
        double most = Math.round(plain.leaflet.bath(key).capacity().max() * (0.8 + random.nextDouble()));
        long id = leaflets.idOf(plain.leaflet);
        Map<String, String> typed =
                Map.of("rolls-" + key, Figures.plain(most, 0), "days-" + key, "", "reason-" + key, "seen over a year");
        if (!sent("/leaflets/" + id + "/limits/" + key, typed)) {
            return "house limit refused";
        }
        plain.limitRolls.put(key, most);
        limits.computeIfAbsent(plain.leaflet.key(), each -> new LinkedHashMap<>())
                .put(key, most);
        return "house limit";
    }

    private String override() throws Exception {
        Asked asked = film();
        PlainBatch.Plan plan = plain.plan(
                now(), asked.equivalents(), asked.stops(), asked.irreplaceable(), asked.plainly(), asked.reelsFit());
        Map<String, String> typed = new LinkedHashMap<>(asked.typed());
        typed.put("why", "tests only");
        boolean passed = sent("/batches/" + batch + "/overrides", typed);
        assertThat(passed)
                .as("limits that can be passed: " + plan.passable())
                .isEqualTo(!plan.passable().isEmpty());
        if (!passed) {
            return "nothing to pass";
        }
        Instant at = rowAt();
        plan.passable()
                .forEach((key, codes) -> plain.add(at, 0, baths -> Objects.requireNonNull(baths.get(key))
                        .passed
                        .addAll(codes)));
        assertThat(RunPlan.of(log.state().batch(batch), planning.question(rolls(asked), asked.tank(), now()))
                        .objections())
                .as("what was passed on purpose does not hold it back again")
                .isEmpty();
        return "override";
    }

    private static List<Roll> rolls(Asked asked) {
        List<Roll> rolls = new ArrayList<>();
        for (int line = 0; asked.typed().containsKey("film[" + line + "].count"); line++) {
            FilmFormat format =
                    FilmFormat.labelled(Objects.requireNonNull(asked.typed().get("film[" + line + "].format")));
            int count = Integer.parseInt(asked.typed().get("film[" + line + "].count"));
            for (int i = 0; i < count; i++) {
                rolls.add(new Roll("Bram", format, format.equivalents(), asked.stops(), asked.irreplaceable()));
            }
        }
        return rolls;
    }

    private String takeBack() throws Exception {
        if (undoable.isEmpty()) {
            return "nothing to void";
        }
        long row = undoable.get(random.nextInt(undoable.size()));
        if (!sent("/journal/" + row + "/void", Map.of("reason", "by mistake"))) {
            return "void refused";
        }
        plain.takeBack(row);
        takes.removeIf(take -> take.row() == row);
        undoable.remove(row);
        runs.removeIf(run -> run.row() == row);
        return "void";
    }

    private String correct() throws Exception {
        if (!sent("/batches/" + batch + "/leaflets", Map.of("reason", "misprint"))) {
            return "no later sheet";
        }
        governing.forEach(sheet -> sheet.set(leaflets.latest(kitsSheet.key())));
        return "corrected sheet";
    }

    private static String range(double[] range) {
        String least = Figures.plain(range[0], 0);
        String most = Figures.plain(range[1], 0);
        return least.equals(most) ? most : least + "–" + most;
    }

    private void compare(String when) throws Exception {
        PlainBatch.Tank smallest = plain.lastTurned()
                ? planning.turnedTank()
                        .map(tank -> new PlainBatch.Tank(tank.volumeMl(), tank.volumeMl() * 0.95, true))
                        .orElse(new PlainBatch.Tank(300, 285, true))
                : new PlainBatch.Tank(300, 285, false);
        PlainBatch.Plan plan = plain.plan(now(), 1, 0, false, smallest, true);
        BatchView view = batches.batch(batch);
        Map<String, PlainBath> baths = plain.at(now());
        List<FillState> fills = log.state().batch(batch).fills();
        for (int i = 0; i < fills.size(); i++) {
            String key = fills.get(i).mixed().bathKey();
            PlainBath bath = Objects.requireNonNull(baths.get(key));
            BatchView.Fill shown = view.fills().get(i);
            String where = when + ", " + key;
            assertThat(shown.volume()).as(where).isIn(Figures.ml(bath.volume - TIE), Figures.ml(bath.volume + TIE));
            assertThat(shown.rolls())
                    .as(where)
                    .isIn(
                            rollsOf(bath, -TIE, -TIE),
                            rollsOf(bath, -TIE, TIE),
                            rollsOf(bath, TIE, -TIE),
                            rollsOf(bath, TIE, TIE));
            double[] life = plain.life(bath);
            assertThat(shown.age())
                    .as(where)
                    .startsWith(Figures.plain(plain.age(bath, now()), 0) + " of " + range(life) + " days");
            assertThat(shown.state())
                    .as(where + " "
                            + planning.nextRoll(log.state().batch(batch))
                                    .verdict()
                                    .reasons())
                    .isEqualToIgnoringCase(plan.states().get(key));
            assertThat(shown.time())
                    .as(where)
                    .isEqualTo(
                            Objects.equals(plan.states().get(key), "DISCARD")
                                    ? "–"
                                    : Figures.clock(Objects.requireNonNull(
                                            plan.seconds().get(key))));
        }
        agree(when, plan, view);
    }

    /** Figures on the edge between two roundings may be written either way. */
    private String rollsOf(PlainBath bath, double leastOff, double mostOff) {
        if (bath.oneShot()) {
            return "one-shot";
        }
        double[] capacity = plain.capacity(bath, true);
        if (capacity == null) {
            return Figures.rolls(bath.rolls) + ", no limit";
        }
        String least = Figures.rolls(bath.rollsUpTo(capacity[0]) + leastOff);
        String most = Figures.rolls(bath.rollsUpTo(capacity[1]) + mostOff);
        boolean printed = bath.sheet.capacity() != null && !plain.limitRolls.containsKey(bath.sheet.key());
        String whose = printed ? bath.n >= capacity[1] - TIE ? " printed" : "" : " (house)";
        return Figures.rolls(bath.rolls) + " of " + (least.equals(most) ? most : least + "–" + most) + whose;
    }

    /** Shelf, batch, run, card and evening say the same of the next roll. */
    private void agree(String when, PlainBatch.Plan plan, BatchView view) throws Exception {
        RunPlan run = planning.nextRoll(log.state().batch(batch));
        assertThat(run.fits()).as(when + " " + run.objections()).isEqualTo(plan.fits());
        assertThat(run.verdict().state().name()).as(when).isEqualTo(plan.state());
        assertThat(view.crate()).isNotNull();
        String word = view.crate().stateWord();
        for (ShelfView.Board board : shelf.shelf().boards()) {
            board.crates().stream().filter(crate -> crate.id() == batch).forEach(crate -> {
                assertThat(crate.stateWord()).as(when).isEqualTo(word);
                assertThat(crate.fits()).as(when).isEqualTo(plan.fits());
                assertThat(crate.time()).as(when).isEqualTo(view.crate().time());
            });
            board.more().stream().filter(line -> line.id() == batch).forEach(line -> {
                assertThat(line.stateWord()).as(when).isEqualTo(word);
                assertThat(line.fits()).as(when).isEqualTo(plan.fits());
            });
        }
        Evening evening = Evening.of(
                log.book(),
                List.of(new Evening.Wanted(batch, run.question(), RunSteps.Choices.USUAL)),
                now(),
                Duration.ZERO,
                Evening.BETWEEN);
        assertThat(evening.refused().isEmpty()).as(when).isEqualTo(plan.fits());
        LabelService.Card card = labels.card(batch);
        assertThat(card.rows().isEmpty()).as(when).isEqualTo(!plan.fits());
        if (plan.fits()) {
            String developer =
                    Figures.clock(Objects.requireNonNull(plan.seconds().get(plain.imageDeveloper())));
            assertThat(card.rows().get(0).times()).as(when).contains(developer);
            assertThat(card.rows().get(0).state()).as(when).isEqualTo(word);
        }
        readPages(when, run, plan);
    }

    private void readPages(String when, RunPlan answer, PlainBatch.Plan plan) throws Exception {
        Map<String, PlainBath> baths = plain.at(now());
        reader = (SignedIn) members.loadUserByUsername(random.nextBoolean() ? "bram" : "tomasz");
        PlainBath developer = Objects.requireNonNull(baths.get(plain.imageDeveloper()));
        double rolls = developer.rolls + developer.earlier;
        double print = plain.printedRolls(baths);
        BigDecimal total = accounts.spending(batch).orElseThrow().cost().total().getAmount();
        PagesRead read = new PagesRead(this::readPage);
        read.all(new PagesRead.Asked(
                when,
                answer,
                plan,
                baths,
                rolls > 0 ? each(total, rolls) : Set.of(),
                Double.isInfinite(print) ? Set.of() : each(total, print),
                partsLeft(),
                wall,
                calendar,
                othersPlan(answer)));
        SignedIn whoReads = reader;
        reader = bram;
        new MoneyRead(this::readPage, "Bram")
                .all(new MoneyRead.Asked(
                        when,
                        batch,
                        YearMonth.from(now().atZone(HOUSE)).toString(),
                        runs.stream().flatMap(run -> run.rolls().stream()).toList(),
                        price,
                        log.book().entries().size(),
                        plain.leaflet.process().name(),
                        School.valueOf(plain.school)));
        reader = whoReads;
        Set<String> seen = new HashSet<>(read.read());
        seen.addAll(MoneyRead.ROUTES);
        assertThat(seen).containsAll(PagesRead.wanted());
    }

    private String readPage(String address) {
        try {
            return read(address);
        } catch (Exception e) {
            throw new IllegalStateException(address, e);
        }
    }

    private static Set<String> each(BigDecimal total, double rolls) {
        return DoubleStream.of(rolls - 1e-6, rolls, rolls + 1e-6)
                .mapToObj(all -> total.divide(BigDecimal.valueOf(all), 2, RoundingMode.HALF_UP)
                        .toPlainString())
                .collect(Collectors.toSet());
    }
}
