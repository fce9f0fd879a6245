package mezcla.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.offset;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import javax.sql.DataSource;
import mezcla.batch.BatchState;
import mezcla.batch.Bottling;
import mezcla.batch.FillState;
import mezcla.batch.KitState;
import mezcla.log.AirKept;
import mezcla.log.Bottle;
import mezcla.log.KitArrived;
import mezcla.log.MixedFill;
import mezcla.web.log.DarkroomLog;
import mezcla.web.settings.HouseService;
import mezcla.web.sheets.Leaflets;
import org.joda.money.Money;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.mock.web.MockHttpServletResponse;
import org.testng.annotations.Test;

/** Sheets and kits on their way into the cupboard, and what becomes of their parts. */
public class KitsTest extends DemoPagesTest {
    private static final ZoneId ZONE = ZoneId.of("Pacific/Auckland");

    @Autowired
    private DataSource store;

    @Autowired
    private DarkroomLog log;

    @Autowired
    private HouseService houses;

    @Autowired
    private Leaflets leaflets;

    private List<KitState> kits() {
        return List.copyOf(log.state().kits().values());
    }

    private String begun(String who, String shape) throws Exception {
        return String.valueOf(send("/leaflets/drafts", who, "shape", shape).getRedirectedUrl());
    }

    private static String[] developer(String name) {
        return new String[] {
            "name",
            name,
            "maker",
            "Bellows",
            "makes",
            "500",
            "part0-amount",
            "50 ml",
            "part1-name",
            "",
            "bath0-water",
            "400",
            "bath0-time",
            "3:15",
            "bath0-at",
            "38"
        };
    }

    @Test
    public void severalKitsShareTheirDeliveryToTheLastCent() throws Exception {
        int before = kits().size();
        send("/kits", "bram", "leaflet", "1", "count", "3", "price", "54", "delivery", "10", "paidBy", "Ines");
        List<KitArrived> came =
                kits().stream().skip(before).map(KitState::arrival).toList();
        assertThat(came)
                .extracting(KitArrived::delivery)
                .containsExactly(Money.parse("NZD 3.34"), Money.parse("NZD 3.33"), Money.parse("NZD 3.33"));
        assertThat(came).allSatisfy(kit -> {
            assertThat(kit.price()).isEqualTo(Money.parse("NZD 54.00"));
            assertThat(kit.bought().paidBy()).isEqualTo("Ines");
        });
        assertThat(page("/kits/new?formKey=" + UUID.randomUUID(), "devi")).contains("cost NZ$54.00 last");
    }

    @Test
    public void aMemberProposesAKitAndAStewardConfirmsIt() throws Exception {
        int before = kits().size();
        assertThat(send("/kits", "devi", "leaflet", "1", "count", "2", "price", "61.50", "lot", "B7")
                        .getRedirectedUrl())
                .isEqualTo("/cupboard?proposed");
        assertThat(new JdbcTemplate(store)
                        .queryForObject("SELECT typed FROM kit_proposal ORDER BY id DESC LIMIT 1", String.class))
                .as("what is kept of a form")
                .contains("61.50")
                .doesNotContain("_csrf");
        assertThat(kits()).hasSize(before);
        assertThat(page("/cupboard", "devi"))
                .contains("Devi says that 2 of Oxbow Negative Liquid 1.2 L came")
                .doesNotContain("Look at it");
        String cupboard = page("/cupboard", "bram");
        String proposal = cupboard.replaceAll("(?s).*/kits/new\\?proposal=([0-9]+)\".*", "$1");
        String form = page("/kits/new?formKey=" + UUID.randomUUID() + "&proposal=" + proposal, "bram");
        assertThat(form).contains("Devi says so.", "value=\"61.50\"", "value=\"B7\"");
        send("/kits", "bram", "proposal", proposal, "leaflet", "1", "count", "2", "price", "61.50", "lot", "B7");
        int kits = log.state().kits().size();
        assertThat(send(
                                "/kits",
                                "bram",
                                "proposal",
                                proposal,
                                "leaflet",
                                "1",
                                "count",
                                "2",
                                "price",
                                "61.50",
                                "lot",
                                "B7")
                        .getContentAsString())
                .contains("Bram logged it as kit", "Nothing was logged now.");
        assertThat(send("/kits", "bram", "proposal", "9999", "leaflet", "1", "count", "1", "price", "61.50")
                        .getContentAsString())
                .contains("There is no such proposal.");
        assertThat(send("/kits/proposals/" + proposal + "/thrown-away", "bram").getStatus())
                .isEqualTo(422);
        assertThat(log.state().kits()).hasSize(kits);
        assertThat(kits()).hasSize(before + 2);
        assertThat(page("/cupboard", "bram")).doesNotContain("Devi says that");
        send("/kits", "devi", "leaflet", "1", "count", "1", "price", "5");
        String wrong = page("/cupboard", "bram").replaceAll("(?s).*/kits/new\\?proposal=([0-9]+)\".*", "$1");
        assertThat(send("/kits/proposals/" + wrong + "/thrown-away", "devi").getStatus())
                .isEqualTo(403);
        for (int tap = 0; tap < 2; tap++) {
            assertThat(send("/kits/proposals/" + wrong + "/thrown-away", "bram").getRedirectedUrl())
                    .isEqualTo("/cupboard");
        }
        assertThat(page("/cupboard", "bram")).doesNotContain("Devi says that");
        assertThat(kits()).hasSize(before + 2);
    }

    @Test
    public void aProposalThatWasKeptByAnEarlierVersionIsRead() throws Exception {
        new JdbcTemplate(store)
                .update(
                        "INSERT INTO kit_proposal (typed, member_id, at)"
                                + " SELECT ?, id, '2026-01-05T10:00:00Z' FROM member WHERE name = 'Devi'",
                        "{\"leaflet\":\"1\",\"count\":\"3\",\"proposal\":\"\",\"parts\":[\"dev-a\"],\"price\":\"71.20\",\"lot\":\"\"}");
        String cupboard = page("/cupboard", "bram");
        assertThat(cupboard).contains("Devi says that 3 of Oxbow Negative Liquid 1.2 L came");
        String proposal = cupboard.replaceAll("(?s).*/kits/new\\?proposal=([0-9]+)\".*", "$1");
        assertThat(page("/kits/new?formKey=" + UUID.randomUUID() + "&proposal=" + proposal, "bram"))
                .contains("value=\"71.20\"")
                .containsPattern("value=\"dev-a\"[^>]*checked");
        send("/kits/proposals/" + proposal + "/thrown-away", "bram");
    }

    @Test
    public void aSheetIsProposedGoneOnWithByAStewardAndKept() throws Exception {
        String draft = begun("devi", "DEVELOPER_ALONE");
        send(draft + "/typed", "devi", "name", "Half Done", "part0-amount", "3:75");
        assertThat(page(draft, "devi")).contains("value=\"Half Done\"", "value=\"3:75\"");
        assertThat(send(draft + "/kept", "devi").getStatus()).isEqualTo(422);
        assertThat(send(draft + "/typed", "ines", "name", "Mine").getStatus())
                .as("another member's")
                .isEqualTo(403);
        assertThat(page(draft, "ines")).contains("Devi is typing this sheet.");
        assertThat(send(draft + "/kept", "devi", developer("Half Done")).getRedirectedUrl())
                .isEqualTo(draft + "?proposed");
        assertThat(leaflets.sheets()).extracting(Leaflets.Sheet::name).doesNotContain("Half Done");
        assertThat(page("/leaflets", "bram")).contains("ready for a steward");
        send(draft + "/typed", "bram", "bath0-life", "3 weeks");
        String leaflet = String.valueOf(send(draft + "/kept", "bram").getRedirectedUrl());
        assertThat(page(leaflet, "devi")).contains("Half Done", "3 weeks");
        assertThat(page("/leaflets", "bram")).doesNotContain("ready for a steward");
        assertThat(send(draft + "/typed", "bram", "name", "Later").getStatus()).isEqualTo(422);
    }

    @Test
    public void twoWhoTypeTheSameSheetKeepWhatEachOfThemTyped() throws Exception {
        String draft = begun("bram", "DEVELOPER_ALONE");
        send(draft + "/typed", "bram", "name", "Both Hands", "maker", "", "touched", "name");
        send(draft + "/typed", "bram", "name", "", "maker", "Other Hand", "touched", "maker");
        assertThat(page(draft, "bram")).contains("value=\"Both Hands\"", "value=\"Other Hand\"");
        send(draft, "bram", "name", "Both Hands", "maker", "", "touched", "", "go", "next");
        assertThat(page(draft, "bram")).contains("value=\"Other Hand\"");
        send(draft, "bram", "name", "Both Hands", "maker", "", "touched", "maker", "go", "next");
        assertThat(page(draft, "bram")).doesNotContain("value=\"Other Hand\"");
        send(draft, "bram", "name", "Without Scripts", "go", "next");
        assertThat(page(draft, "bram")).contains("value=\"Without Scripts\"");
    }

    @Test
    public void aDrawnSheetSaysWhatWasTypedOnce() throws Exception {
        assertThat(page("/leaflets/1", "ines").replace('\u00a0', ' '))
                .contains("1.5 % more for every roll")
                .doesNotContain("% %");
    }

    @Test
    public void aWithdrawnSheetIsNotOffered() throws Exception {
        String leaflet = String.valueOf(
                        send(begun("bram", "DEVELOPER_ALONE") + "/kept", "bram", developer("Taken Back"))
                                .getRedirectedUrl())
                .replaceAll("\\?.*", "");
        String choices = "/kits/new?formKey=" + UUID.randomUUID();
        assertThat(page(choices, "bram")).contains("Taken Back");
        send(leaflet + "/offer", "bram", "withdrawn", "true");
        assertThat(page(choices, "bram")).doesNotContain("Taken Back");
        assertThat(page("/adopt?formKey=" + UUID.randomUUID(), "bram")).doesNotContain("Taken Back");
        MockHttpServletResponse late =
                send("/kits", "bram", "leaflet", leaflet.replaceAll("\\D", ""), "count", "1", "price", "5");
        assertThat(late.getStatus()).as("from a page that was still open").isEqualTo(422);
        send(leaflet + "/offer", "bram", "withdrawn", "false");
        assertThat(page(choices, "bram")).contains("Taken Back");
    }

    @Test
    public void whatAKitCostIsPutRight() throws Exception {
        Money before = log.state().kit(1).landed();
        assertThat(send("/kits/1/prices", "devi", "price", "1", "pricedWhy", "mine")
                        .getStatus())
                .isEqualTo(403);
        send("/kits/1/prices", "bram", "price", "60", "delivery", "4", "pricedWhy", "the invoice says so");
        assertThat(log.state().kit(1).landed())
                .isEqualTo(Money.parse("NZD 64.00"))
                .isNotEqualTo(before);
        assertThat(page("/kits/1", "ines")).contains("NZ$60.00, delivery NZ$4.00: NZ$64.00 landed");
        assertThat(page("/journal", "ines")).contains("What kit 1 cost was put right: NZ$64.00 (the invoice says so)");
    }

    @Test
    public void openingsAndVialsHaveADayAndVialsHaveLabels() throws Exception {
        send("/kits", "bram", "leaflet", "1", "count", "1", "price", "54", "came", daysAgo(20));
        long kit = kits().stream().mapToLong(KitState::id).max().orElseThrow();
        String early = "/kits/" + kit + "/openings";
        MockHttpServletResponse before = send(early, "ines", "opened", "dev-b", "openedOn", daysAgo(21));
        assertThat(before.getStatus()).isEqualTo(422);
        assertThat(before.getContentAsString()).contains("Choose that day or a later one.");
        send(early, "ines", "opened", "dev-b", "openedOn", daysAgo(6));
        assertThat(send(
                                "/kits/" + kit + "/decantings",
                                "ines",
                                "decanted",
                                "dev-b",
                                "vials",
                                "3",
                                "decantedOn",
                                daysAgo(5))
                        .getRedirectedUrl())
                .isEqualTo("/kits/" + kit + "?logged");
        assertThat(log.state().kit(kit).part("dev-b").decanted()).isNotNull().satisfies(vials -> assertThat(
                        vials.at().atZone(ZONE).toLocalDate())
                .isEqualTo(LocalDate.parse(daysAgo(5))));
        assertThat(page("/kits/" + kit, "ines"))
                .contains("Labels for its vials", "in three vials of 24 ml, five days ago");
        assertThat(page("/kits/" + kit + "/labels", "ines"))
                .contains("Concentrate, vial 1 of 3", "Concentrate, vial 3 of 3", "Last day ");
    }

    private static String daysAgo(int days) {
        return LocalDate.now(ZONE).minusDays(days).toString();
    }

    @Test
    public void bottlesThatAreAlikeAreASeries() throws Exception {
        send("/house/bottles", "bram", "bottle", "K1 to K4", "bottleVolume", "1 L", "material", "GLASS");
        assertThat(houses.bottles()).extracting(Bottle::label).contains("K1", "K2", "K3", "K4");
        assertThat(send("/house/bottles", "bram", "bottle", "K9 to K2", "bottleVolume", "1 L", "material", "GLASS")
                        .getContentAsString())
                .contains("Type it as D1 to D6.");
        send("/house/bottles", "bram", "bottle", "Tall-1", "bottleVolume", "1 L", "material", "GLASS");
        assertThat(houses.bottles()).extracting(Bottle::label).contains("Tall-1");
    }

    @Test(dependsOnMethods = "bottlesThatAreAlikeAreASeries")
    public void whatIsTakenOverHasItsOwnRollsAndCost() throws Exception {
        String batchPage = String.valueOf(send(
                        "/adoptions",
                        "ines",
                        "leaflet",
                        "1",
                        "volumes[dev]",
                        "800",
                        "bottles[dev]",
                        bottle("K1"),
                        "volumes[bx]",
                        "800",
                        "bottles[bx]",
                        bottle("K2"),
                        "bathRolls[bx]",
                        "11",
                        "rolls",
                        "4",
                        "cost",
                        "30.01",
                        "mixed",
                        daysAgo(10),
                        "name",
                        "Found again")
                .getRedirectedUrl());
        BatchState batch = log.state().batch(Long.parseLong(batchPage.replaceAll("\\D", "")));
        assertThat(batch.fills())
                .extracting(fill -> fill.mixed().before().rolls())
                .containsExactly(4.0, 11.0);
        assertThat(batch.fills().stream()
                        .map(fill -> fill.mixed().before().cost())
                        .reduce(Money.parse("NZD 0.00"), Money::plus))
                .isEqualTo(Money.parse("NZD 30.01"));
        assertThat(page("/batches/" + batch.id(), "ines")).contains("NZ$30.01");
        String label = page("/batches/" + batch.id() + "/labels", "ines");
        assertThat(label).contains("Test from ", "last day ", "A box for each of ");
        MixedFill developer = batch.fills().get(0).mixed();
        assertThat(developer.bath().capacity()).isNotNull().satisfies(rolls -> assertThat(label)
                .contains("A box for each of "
                        + (int) Math.floor(rolls.max() * 800 / developer.bath().capacityForMl())));
        assertThat(developer.volumeMl()).isCloseTo(800, offset(1e-9));
    }

    @Test
    public void whatWasMixedWithoutMezclaIsLoggedWithItsDay() throws Exception {
        send("/house/bottles", "bram", "bottle", "M1 to M3", "bottleVolume", "1 L", "material", "GLASS");
        send("/kits", "bram", "leaflet", "1", "count", "1", "price", "54", "came", daysAgo(9));
        long kit = kits().stream().mapToLong(KitState::id).max().orElseThrow();
        String[] mix = {
            "volume",
            "600",
            "name",
            "Without Mezcla",
            "bottles[dev]",
            bottle("M1"),
            "bottles[bx]",
            bottle("M2"),
            "bottles[fr]",
            bottle("M3"),
            "mixedOn",
            ""
        };
        mix[mix.length - 1] = daysAgo(10);
        assertThat(send("/kits/" + kit + "/batches", "ines", mix).getContentAsString())
                .contains("Choose that day or a later one.");
        mix[mix.length - 1] = daysAgo(3);
        String batchPage =
                String.valueOf(send("/kits/" + kit + "/batches", "ines", mix).getRedirectedUrl());
        BatchState batch = log.state().batch(Long.parseLong(batchPage.replaceAll("\\D", "")));
        assertThat(batch.mixed().stamp().happenedAt().atZone(ZONE).toLocalDate())
                .isEqualTo(LocalDate.parse(daysAgo(3)));
        assertThat(log.state().kit(kit).part("dev-a").openedAt())
                .isEqualTo(batch.mixed().stamp().happenedAt());
    }

    @Test
    public void partsAloneCanBeMixedFromAndHelpOut() throws Exception {
        send("/kits", "bram", "leaflet", "1", "count", "1", "price", "20", "parts", "dev-a", "parts", "dev-b");
        long kit = kits().stream().mapToLong(KitState::id).max().orElseThrow();
        String cupboard = page("/cupboard", "ines");
        assertThat(cupboard)
                .contains("Bought alone: makes 1200 ml of developer, to renew it.", "/kits/" + kit + "/mix\"");
    }

    @Test
    public void gearIsListedBeforeAKitIsBought() throws Exception {
        assertThat(page("/leaflets/1/gear", "devi"))
                .contains("What Oxbow Negative Liquid 1.2 L takes", "thermometer, stirrer, funnel, towel")
                .contains("changing bag", "300 ml tank", "you have it", "two clips a roll")
                .doesNotContain("funnel, scissors");
        long powder = leaflets.sheets().stream()
                .filter(sheet -> sheet.name().startsWith("Kiln Lane"))
                .findFirst()
                .orElseThrow()
                .id();
        assertThat(page("/leaflets/" + powder + "/gear", "devi")).contains("funnel, scissors");
    }

    @Test
    public void aBatchWhoseDeveloperMustGoIsRenewedFirst() throws Exception {
        BatchState batch = log.state().standing().stream()
                .filter(each -> renewed(each).contains("afresh</a>"))
                .findFirst()
                .orElseThrow();
        String page = renewed(batch);
        assertThat(page.substring(page.indexOf("<div class=\"actions\"")))
                .contains("btn btn-main", "Mix the developer");
    }

    @Test
    public void aProposalWhoseSheetWasWithdrawnDoesNotCloseTheCupboard() throws Exception {
        String leaflet = String.valueOf(
                        send(begun("bram", "DEVELOPER_ALONE") + "/kept", "bram", developer("Gone Meanwhile"))
                                .getRedirectedUrl())
                .replaceAll("\\?.*", "");
        String id = leaflet.replaceAll("\\D", "");
        send("/kits", "devi", "leaflet", id, "count", "1", "price", "5");
        send(leaflet + "/offer", "bram", "withdrawn", "true");
        String cupboard = page("/cupboard", "bram");
        assertThat(cupboard).contains("Devi says that Gone Meanwhile came");
        String proposal = cupboard.replaceAll("(?s).*/kits/proposals/([0-9]+)/thrown-away.*", "$1");
        assertThat(page("/kits/new?formKey=" + UUID.randomUUID() + "&proposal=" + proposal, "bram"))
                .contains("Devi says so.");
        send("/kits/proposals/" + proposal + "/thrown-away", "bram");
    }

    @Test
    public void vialsCountByWhatIsPrintedForVials() throws Exception {
        String[] sheet = Stream.concat(
                        Stream.of(developer("In Vials")),
                        Stream.of("part0-opened", "30 days", "part0-vials", "300 days", "part0-air", "true"))
                .toArray(String[]::new);
        String id = String.valueOf(send(begun("bram", "DEVELOPER_ALONE") + "/kept", "bram", sheet)
                        .getRedirectedUrl())
                .replaceAll("\\D", "");
        send("/kits", "bram", "leaflet", id, "count", "1", "price", "5", "came", daysAgo(20));
        long kit = kits().stream().mapToLong(KitState::id).max().orElseThrow();
        send("/kits/" + kit + "/openings", "ines", "opened", "developer-a", "openedOn", daysAgo(9));
        assertThat(page("/kits/" + kit, "ines")).contains("spoils in air: day 9 of 30");
        send("/kits/" + kit + "/decantings", "ines", "decanted", "developer-a", "vials", "5", "decantedOn", daysAgo(4));
        assertThat(page("/kits/" + kit, "ines")).contains("spoils in air: day 4 of 300");
    }

    @Test
    public void aBottleThatHeldBleachIsNeverChosenForADeveloperByItself() throws Exception {
        Bottling shelf = Bottling.beside(log.state());
        for (Bottle bottle : shelf.freeFor(1150, houses.bottles())) {
            String batch = String.valueOf(send(
                                    "/adoptions",
                                    "ines",
                                    "leaflet",
                                    "1",
                                    "volumes[bx]",
                                    "900",
                                    "bottles[bx]",
                                    "" + bottle.id(),
                                    "rolls",
                                    "1",
                                    "mixed",
                                    daysAgo(2),
                                    "name",
                                    "Old")
                            .getRedirectedUrl())
                    .replaceAll("\\D", "");
            long fill = log.state().batch(Long.parseLong(batch)).fills().get(0).id();
            send(
                    "/batches/" + batch + "/discards",
                    "bram",
                    "fills",
                    "" + fill,
                    "routes[" + fill + "]",
                    "SILVER_BEARING",
                    "reason",
                    "old");
        }
        send("/kits", "bram", "leaflet", "1", "count", "1", "price", "54");
        long kit = kits().stream().mapToLong(KitState::id).max().orElseThrow();
        String plan =
                page("/kits/" + kit + "/mix?volume=1150&picked=true&baths=dev&formKey=" + UUID.randomUUID(), "ines");
        assertThat(plan)
                .contains("held bleach-fix: not for a developer", "<option value=\"\">choose one</option>")
                .contains("One is missing: 1150")
                .doesNotContain("selected=\"selected\">"
                        + shelf.freeFor(1150, houses.bottles()).get(0).label());
        assertThat(page("/kits/" + kit + "/mix?volume=1150&picked=true&baths=bx&formKey=" + UUID.randomUUID(), "ines"))
                .contains("held bleach-fix last")
                .doesNotContain("<option value=\"\">choose one</option>");
    }

    @Test
    public void aReadyBathStaysInItsOwnBottleAndPlaceAndAirAreSaidOnce() throws Exception {
        KitState weir = kits().stream()
                .filter(kit -> kit.arrival().leaflet().name().startsWith("Weir") && kit.makesMl(List.of("bl")) >= 500)
                .findFirst()
                .orElseThrow();
        String begun = String.valueOf(send(
                        "/kits/" + weir.id() + "/mixes",
                        "ines",
                        "volume",
                        "500 ml",
                        "name",
                        "Bleach alone",
                        "picked",
                        "true",
                        "baths",
                        "bl",
                        "bottles[bl]",
                        "0",
                        "read",
                        "true")
                .getRedirectedUrl());
        for (int act = 0; !page(begun, "ines").contains("in their bottles"); act++) {
            assertThat(send(begun + "/ticks", "ines", "act", "" + act).getStatus())
                    .isEqualTo(302);
        }
        String batch = String.valueOf(send(begun + "/end", "ines", "place", "1", "air", "SQUEEZED")
                        .getRedirectedUrl())
                .replaceAll("\\D", "");
        FillState fill = log.state().batch(Long.parseLong(batch)).fills().get(0);
        assertThat(fill.bottle().cameFull()).isTrue();
        assertThat(fill.kept().air()).isEqualTo(AirKept.SQUEEZED);
        assertThat(fill.kept().place())
                .isEqualTo(houses.places().stream()
                        .filter(place -> place.id() == 1)
                        .findFirst()
                        .orElseThrow());
        assertThat(page("/batches/" + batch, "ines")).contains("the bottle it came in");
    }

    @Test
    public void partsThatWereBoughtAloneAreSaidBesideTheKitTheyHelp() throws Exception {
        send("/house/bottles", "bram", "bottle", "R1", "bottleVolume", "2 L", "material", "GLASS");
        send("/kits", "bram", "leaflet", "1", "count", "1", "price", "54");
        long kit = kits().stream().mapToLong(KitState::id).max().orElseThrow();
        String[] all = {
            "volume", "1200 ml", "name", "All of it", "picked", "true", "baths", "dev", "bottles[dev]", bottle("R1")
        };
        assertThat(send("/kits/" + kit + "/batches", "ines", all).getStatus()).isEqualTo(302);
        assertThat(page("/kits/" + kit, "ines")).contains("Makes no more");
        send("/kits", "bram", "leaflet", "1", "count", "1", "price", "20", "parts", "dev-a", "parts", "dev-b");
        long alone = kits().stream().mapToLong(KitState::id).max().orElseThrow();
        assertThat(page("/kits/" + kit, "ines").replace('\u00a0', ' '))
                .containsPattern("kit " + alone + "[^<]*, [0-9]+ ml of every bath");
    }

    @Test
    public void howLongDistilledWaterTakesIsSaidOnceTheBathIsDescribed() throws Exception {
        String plan = "/leaflets/1/gear";
        assertThat(page(plan, "ines")).contains("better than the tap");
        assertThat(page(plan, "ines").replace('\u00a0', ' '))
                .containsPattern("[0-9.]+ ml for the developer, tub at 40.0 °C: warm after about [0-9]+ min");
        send("/batches/4/warm-up/tub", "ines", "litres", "60", "power", "60", "loss", "20");
        assertThat(page(plan, "ines")).as("it never gets there").contains("not within four hours");
    }

    private String renewed(BatchState batch) {
        try {
            return page("/batches/" + batch.id(), "bram").replaceAll("\\s+", " ");
        } catch (Exception unanswered) {
            throw new AssertionError(unanswered);
        }
    }

    private String bottle(String label) {
        return houses.bottles().stream()
                .filter(bottle -> bottle.label().equals(label))
                .map(bottle -> Long.toString(bottle.id()))
                .findFirst()
                .orElseThrow();
    }
}
