package mezcla.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import java.io.StringReader;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import java.util.stream.StreamSupport;
import mezcla.batch.BatchState;
import mezcla.batch.Bottling;
import mezcla.batch.FillState;
import mezcla.leaflet.WasteRoute;
import mezcla.log.Bottle;
import mezcla.log.Charge;
import mezcla.log.RunLogged;
import mezcla.money.FillCosts;
import mezcla.web.access.Members;
import mezcla.web.accounts.HouseAccounts;
import mezcla.web.log.DarkroomLog;
import mezcla.web.settings.HouseService;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.joda.money.Money;
import org.springframework.beans.factory.annotation.Autowired;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * A month of a house of twelve members, played through its pages; every account, the house and the kits agree to the cent
 * with what plain arithmetic makes of the log as it is written out.
 */
public class MonthOfMoneyTest extends DemoPagesTest {
    private static final List<String> MORE = List.of("Arno", "Jory", "Lena", "Milo", "Piet", "Runa", "Tess");
    private static final String SLIDE = "5";

    @Autowired
    private Members members;

    @Autowired
    private DarkroomLog log;

    @Autowired
    private HouseService houses;

    @Autowired
    private HouseAccounts accounts;

    private long slides;
    private long kit;

    @BeforeClass(dependsOnMethods = "springTestContextPrepareTestInstance")
    public void theMonthGoesBy() throws Exception {
        for (String name : MORE) {
            members.add(name.toLowerCase(Locale.ROOT), name, "rinse-and-hang", "MEMBER");
        }
        led("/money/charging", "bram", "process", "colour-negative", "how", "price", "price", "4.35");
        led("/money/charging", "bram", "process", "colour-slide", "how", "cost");
        led("/kits", "bram", "leaflet", SLIDE, "count", "1", "price", "91.10", "delivery", "6.35", "paidBy", "Lena");
        kit = log.state().kits().keySet().stream()
                .mapToLong(Long::longValue)
                .max()
                .orElseThrow();
        slides = mixed(kit, 750);
        led("/batches/" + slides + "/runs", "arno", film("Arno", "120"));
        led("/batches/" + slides + "/runs", "jory", film("Jory", "135-24"));
        String visitor = led("/batches/" + slides + "/runs", "devi", film("Wren of the ferry", "135-36"));
        led("/batches/" + slides + "/runs", "milo", film("The house", "135-12"));
        long wrong = runsOf(slides).get(1).stamp().sequence();
        led("/journal/" + wrong + "/void", "bram", "reason", "logged in the wrong batch");
        for (String who : MORE) {
            led("/batches/4/runs", who.toLowerCase(Locale.ROOT), film(who, "135-24"));
        }
        led("/kits/" + kit + "/prices", "bram", "price", "87.05", "delivery", "6.35", "pricedWhy", "read wrong");
        discard(slides);
        led("/kits/" + kit + "/finish", "bram");
        led("/money/payments", "bram", "account", "Lena", "amount", "20", "back", "account", "out", "yes");
        led("/money/payments", "bram", "account", "Arno", "amount", "12,50");
        led("/money/payments", "bram", "account", "Tess", "amount", "1");
        led("/money/corrections", "bram", "account", "Jory", "how", "TAKE", "by", "0.50", "reason", "a lost reel");
        led("/money/corrections", "bram", "account", "Piet", "how", "WRITE_OFF", "by", "1.10", "reason", "moved away");
        assertThat(visitor).isNotBlank();
    }

    private String led(String page, String who, String... fields) throws Exception {
        var answer = send(page, who, fields);
        assertThat(answer.getStatus())
                .as("%s: %s", page, answer.getContentAsString().replaceAll("(?s).*?field-error[^>]*>([^<]+)<.*", "$1"))
                .isEqualTo(302);
        return String.valueOf(answer.getRedirectedUrl());
    }

    private static String[] film(String owner, String format) {
        return new String[] {
            "film[0].count",
            "1",
            "film[0].format",
            format,
            "film[0].owner",
            owner,
            "push",
            "0",
            "tank",
            format.equals("120") ? "2" : "1"
        };
    }

    private long mixed(long from, double volumeMl) throws Exception {
        List<Bottle> free = Bottling.beside(log.state()).freeFor(volumeMl, houses.bottles());
        List<String> fields = new ArrayList<>(List.of("volume", Double.toString(volumeMl), "name", "A month"));
        List<String> baths = log.state().kit(from).arrival().leaflet().baths().stream()
                .map(bath -> bath.key())
                .toList();
        for (int i = 0; i < baths.size(); i++) {
            fields.addAll(
                    List.of("bottles[" + baths.get(i) + "]", "" + free.get(i).id()));
        }
        return Long.parseLong(led("/kits/" + from + "/batches", "bram", fields.toArray(String[]::new))
                .replaceAll("\\D", ""));
    }

    private List<RunLogged> runsOf(long batch) {
        return log.state().batch(batch).runs();
    }

    private void discard(long batch) throws Exception {
        List<String> fields = new ArrayList<>(List.of("reason", "used up"));
        for (FillState fill : log.state().batch(batch).fills()) {
            fields.addAll(List.of(
                    "fills",
                    "" + fill.id(),
                    "routes[" + fill.id() + "]",
                    WasteRoute.of(fill.bath().role()).name()));
        }
        led("/batches/" + batch + "/discards", "bram", fields.toArray(String[]::new));
    }

    @Test
    public void everyAccountIsWhatTheLogAddsUpTo() throws Exception {
        Plainly plainly = new Plainly(exported());
        Map<String, Long> shown = new TreeMap<>();
        accounts.accounts().balances().forEach((name, balance) -> shown.put(name, balance.getAmountMinorLong()));
        shown.values().removeIf(cents -> cents == 0);
        assertThat(shown).isEqualTo(plainly.balances());
        assertThat(shown)
                .containsKeys("Lena", "Arno", "Jory", "Devi", "The house")
                .doesNotContainKey("Wren of the ferry");
        for (String who : List.of("lena", "arno", "jory")) {
            String name = who.substring(0, 1).toUpperCase(Locale.ROOT) + who.substring(1);
            Money balance = Money.ofMinor(accounts.accounts().currency(), Math.abs(shown.get(name)));
            assertThat(page("/money/account", who))
                    .contains((shown.get(name) < 0 ? "You owe " : "You have ") + "NZ$"
                            + balance.getAmount().toPlainString());
        }
    }

    @Test
    public void kitsGiveAllThatTheyCost() throws Exception {
        Plainly plainly = new Plainly(exported());
        FillCosts costs = FillCosts.of(log.state());
        log.state().batches().values().stream().flatMap(BatchState::own).forEach(fill -> assertThat(
                        costs.ofFill(fill.id()).map(Money::getAmountMinorLong).orElse(0L))
                .as("fill %d", fill.id())
                .isEqualTo(plainly.costs.getOrDefault(fill.id(), 0L)));
        long given = log.state()
                .batch(slides)
                .own()
                .mapToLong(fill -> plainly.costs.get(fill.id()))
                .sum();
        assertThat(given).as("it was finished, so all of it").isEqualTo(93_40);
        long borne = accounts.accounts().lines().stream()
                .filter(line -> line.batch() != null && line.batch() == slides)
                .mapToLong(line -> -line.amount().getAmountMinorLong())
                .sum();
        assertThat(borne).isEqualTo(given);
    }

    @Test
    public void aPageAndAFileTellTheMonth() throws Exception {
        assertThat(page("/money/month", "bram")).contains("charged", "Lena", "Written off", "Kit " + kit);
        String csv = answer(get("/money/month.csv"), "bram").getContentAsString();
        List<CSVRecord> rows = CSVFormat.RFC4180
                .builder()
                .setHeader()
                .setSkipHeaderRecord(true)
                .get()
                .parse(new StringReader(csv))
                .getRecords();
        assertThat(rows.get(0).getParser().getHeaderNames())
                .containsExactly(
                        "member",
                        "date",
                        "batch",
                        "process",
                        "format",
                        "rolls",
                        "equivalents",
                        "charge",
                        "payment",
                        "balance");
        Map<String, BigDecimal> last = new HashMap<>();
        Map<String, BigDecimal> change = new HashMap<>();
        Map<String, BigDecimal> first = new HashMap<>();
        for (CSVRecord row : rows) {
            BigDecimal by = number(row.get("payment")).subtract(number(row.get("charge")));
            BigDecimal balance = number(row.get("balance"));
            first.putIfAbsent(row.get("member"), balance.subtract(by));
            change.merge(row.get("member"), by, BigDecimal::add);
            last.put(row.get("member"), balance);
        }
        last.forEach((name, balance) -> {
            assertThat(first.get(name).add(change.get(name))).as(name).isEqualByComparingTo(balance);
            assertThat(balance)
                    .as(name)
                    .isEqualByComparingTo(accounts.accounts().balance(name).getAmount());
        });
        assertThat(last).containsKeys("Lena", "Arno", "Jory");
    }

    @Test
    public void aMemberSeesTheirOwnAndNobodyElses() throws Exception {
        assertThat(page("/money", "arno")).contains("Your account").doesNotContain("Who owes what");
        assertThat(answer(get("/money/account").param("of", "Lena"), "arno").getStatus())
                .isEqualTo(403);
        assertThat(page("/money/film", "devi")).contains("of Wren of the ferry", "batch " + slides);
        assertThat(page("/money/film", "jory")).contains("batch 4").doesNotContain("batch " + slides);
        assertThat(answer(
                                get("/batches/4/run")
                                        .param("formKey", UUID.randomUUID().toString())
                                        .param("tank", "2")
                                        .param("film[0].count", "1")
                                        .param("film[0].format", "135-36")
                                        .param("film[0].owner", "Arno"),
                                "arno")
                        .getContentAsString())
                .contains("Charged: NZ$4.35, to you.");
    }

    @Test
    public void aRunThatWasDoneEarlierHasThePriceOfItsDay() throws Exception {
        led("/batches/4/runs", "tess", with(film("Tess", "135-12"), "when", earlier() + "T10:00"));
        Charge charge = runsOf(4).stream()
                .filter(run -> run.rolls().get(0).owner().equals("Tess"))
                .findFirst()
                .orElseThrow()
                .charges()
                .get(0);
        assertThat(charge.atCost()).as("no price was chosen yet").isTrue();
    }

    private String earlier() {
        return LocalDate.now(houses.house().timeZone()).minusDays(2).toString();
    }

    private static String[] with(String[] film, String... more) {
        return Stream.concat(Arrays.stream(film), Arrays.stream(more)).toArray(String[]::new);
    }

    @Test
    public void moreThanIsOwedCannotBeWrittenOff() throws Exception {
        var answer =
                send("/money/corrections", "bram", "account", "Lena", "how", "WRITE_OFF", "by", "500", "reason", "so");
        assertThat(answer.getStatus()).isEqualTo(422);
        assertThat(answer.getContentAsString()).contains("more than the account owes");
    }

    private static BigDecimal number(String text) {
        return text.isEmpty() ? BigDecimal.ZERO : new BigDecimal(text);
    }

    private List<JsonNode> exported() throws Exception {
        return page("/journal.jsonl", "bram")
                .lines()
                .map(line -> JsonMapper.shared().readTree(line))
                .filter(line -> line.has("sequence"))
                .toList();
    }

    /** Plain arithmetic over the rows of a log, in cents. */
    private static final class Plainly {
        private final List<JsonNode> rows;
        private final Map<Long, Long> gone = new HashMap<>();
        private final Map<Long, Long> costs = new HashMap<>();

        Plainly(List<JsonNode> rows) {
            this.rows = rows;
            rows.stream()
                    .filter(row -> is(row, "entry-voided"))
                    .forEach(row -> gone.put(
                            row.get("body").get("voided").asLong(),
                            row.get("sequence").asLong()));
            rows.stream()
                    .filter(row -> is(row, "kit-arrived"))
                    .forEach(row -> new Kit(row.get("body").get("kitId").asLong()).deal());
        }

        private static boolean is(JsonNode row, String kind) {
            return row.get("kind").asString().equals(kind);
        }

        private boolean counts(JsonNode row) {
            return !gone.containsKey(row.get("sequence").asLong());
        }

        private static long cents(JsonNode money) {
            return new BigDecimal(money.asString().substring(4))
                    .movePointRight(2)
                    .longValueExact();
        }

        private static long landed(JsonNode body) {
            JsonNode other =
                    body.has("other") ? body.get("other") : body.get("bought").get("other");
            return cents(body.get("price")) + cents(body.get("delivery")) + cents(other);
        }

        private static List<JsonNode> each(JsonNode array) {
            return StreamSupport.stream(array.spliterator(), false).toList();
        }

        private static List<JsonNode> fillsMade(JsonNode row) {
            return is(row, "batch-mixed")
                    ? each(row.get("body").get("fills"))
                    : is(row, "bath-renewed") ? List.of(row.get("body").get("fill")) : List.of();
        }

        private static List<Long> split(long total, List<Double> weights) {
            double sum = weights.stream().mapToDouble(Double::doubleValue).sum();
            List<Long> shares = new ArrayList<>();
            weights.forEach(weight -> shares.add((long) Math.floor(total * weight / sum)));
            long over = total - shares.stream().mapToLong(Long::longValue).sum();
            List<Integer> order =
                    new ArrayList<>(IntStream.range(0, weights.size()).boxed().toList());
            order.sort(Comparator.comparingDouble(i -> shares.get(i) - total * weights.get(i) / sum));
            for (int i = 0; i < over; i++) {
                shares.set(order.get(i), shares.get(order.get(i)) + 1);
            }
            return shares;
        }

        /** Deals a kit's cost out to fills. */
        private final class Kit {
            private final long id;
            private long landed;
            private long given;
            private double share;
            private final Map<Long, Long> charged = new LinkedHashMap<>();

            Kit(long id) {
                this.id = id;
            }

            void deal() {
                boolean finished = false;
                for (JsonNode row : rows) {
                    JsonNode body = row.get("body");
                    boolean own = body.has("kitId") && body.get("kitId").asLong() == id;
                    if (is(row, "kit-arrived") && own) {
                        landed = landed(body);
                    } else if (is(row, "kit-priced") && own && counts(row)) {
                        landed = landed(body);
                        long due = due() - given;
                        given += due;
                        adjust(due);
                    } else if (is(row, "kit-finished") && own && counts(row)) {
                        finished = true;
                    }
                    for (JsonNode fill : fillsMade(row)) {
                        double taken = each(fill.get("uses")).stream()
                                .filter(use -> use.get("kitId").asLong() == id)
                                .mapToDouble(use -> use.get("kitShare").asDouble())
                                .sum();
                        if (taken > 0 && counts(row)) {
                            share += taken;
                            long cost = due() - given;
                            given += cost;
                            charged.put(fill.get("fillId").asLong(), cost);
                        }
                    }
                }
                if (finished) {
                    adjust(landed - given);
                }
                charged.forEach((fill, cost) -> costs.merge(fill, cost, Long::sum));
            }

            private long due() {
                return (long) Math.floor(landed * share + 0.5 + 1e-9);
            }

            private void adjust(long by) {
                if (by == 0 || charged.isEmpty()) {
                    return;
                }
                List<Long> keys = List.copyOf(charged.keySet());
                List<Long> shares = split(
                        Math.abs(by),
                        keys.stream().map(key -> (double) charged.get(key)).toList());
                for (int i = 0; i < keys.size(); i++) {
                    charged.merge(keys.get(i), Long.signum(by) * shares.get(i), Long::sum);
                }
            }
        }

        Map<String, Long> balances() {
            Map<String, Long> sums = new TreeMap<>();
            Map<Long, JsonNode> paid = new LinkedHashMap<>();
            Map<Long, Set<Long>> fills = new HashMap<>();
            Set<Long> poured = new HashSet<>();
            for (JsonNode row : rows) {
                JsonNode body = row.get("body");
                if (!counts(row)) {
                    continue;
                }
                switch (row.get("kind").asString()) {
                    case "payment-recorded", "account-corrected" ->
                        sums.merge(body.get("account").asString(), cents(body.get("amount")), Long::sum);
                    case "kit-arrived", "kit-priced" ->
                        paid.put(body.get("kitId").asLong(), body);
                    case "fills-discarded" ->
                        each(body.get("fills"))
                                .forEach(fill -> poured.add(fill.get("fillId").asLong()));
                    default ->
                        fillsMade(row).forEach(fill -> fills.computeIfAbsent(
                                        body.get("batchId").asLong(), batch -> new HashSet<>())
                                .add(fill.get("fillId").asLong()));
                }
            }
            paid.values().forEach(body -> {
                JsonNode by = body.has("paidBy")
                        ? body.get("paidBy")
                        : body.has("bought") ? body.get("bought").get("paidBy") : null;
                if (by != null) {
                    sums.merge(by.asString(), landed(body), Long::sum);
                }
            });
            fills.forEach((batch, own) -> {
                List<JsonNode> charges = new ArrayList<>();
                List<Double> weights = new ArrayList<>();
                rows.stream()
                        .filter(row -> is(row, "run-logged") && counts(row))
                        .map(row -> row.get("body"))
                        .filter(body -> body.get("batchId").asLong() == batch)
                        .forEach(body -> {
                            charges.addAll(each(body.get("charges")));
                            each(body.get("rolls"))
                                    .forEach(roll ->
                                            weights.add(roll.get("equivalents").asDouble()));
                        });
                long total = own.stream()
                        .mapToLong(fill -> costs.getOrDefault(fill, 0L))
                        .sum();
                List<Long> shares = poured.containsAll(own) && !weights.isEmpty() ? split(total, weights) : List.of();
                for (int i = 0; i < charges.size(); i++) {
                    boolean even = charges.get(i).get("atCost").asBoolean() && !shares.isEmpty();
                    sums.merge(
                            charges.get(i).get("account").asString(),
                            -(even ? shares.get(i) : cents(charges.get(i).get("amount"))),
                            Long::sum);
                }
            });
            sums.values().removeIf(cents -> cents == 0);
            return sums;
        }
    }
}
