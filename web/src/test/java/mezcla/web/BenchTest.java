package mezcla.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.offset;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import com.google.zxing.qrcode.decoder.Decoder;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import mezcla.batch.BatchState;
import mezcla.batch.FillState;
import mezcla.batch.PartState;
import mezcla.batch.ShortCode;
import mezcla.log.PartUse;
import mezcla.web.log.DarkroomLog;
import mezcla.web.settings.HouseService;
import mezcla.web.sheets.Leaflets;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.testng.annotations.Test;

/** Mixing at the bench, the cupboard's parts, leaflets and labels, without a browser. */
public class BenchTest extends DemoPagesTest {
    @Autowired
    private HouseService houses;

    @Autowired
    private DarkroomLog log;

    @Autowired
    private Leaflets leaflets;

    private String bottle(String label) {
        return houses.bottles().stream()
                .filter(bottle -> bottle.label().equals(label))
                .map(bottle -> Long.toString(bottle.id()))
                .findFirst()
                .orElseThrow();
    }

    private long begin(String kit, String... fields) throws Exception {
        String[] all = new String[fields.length + 2];
        System.arraycopy(fields, 0, all, 0, fields.length);
        all[fields.length] = "read";
        all[fields.length + 1] = "true";
        MockHttpServletResponse answer = send("/kits/" + kit + "/mixes", "ines", all);
        assertThat(answer.getStatus()).as(answer.getContentAsString()).isEqualTo(302);
        return Long.parseLong(String.valueOf(answer.getRedirectedUrl()).replaceAll("\\D", ""));
    }

    private void tick(long mix, int act, String... fields) throws Exception {
        String[] all = new String[fields.length + 2];
        System.arraycopy(fields, 0, all, 0, fields.length);
        all[fields.length] = "act";
        all[fields.length + 1] = Integer.toString(act);
        assertThat(send("/mixes/" + mix + "/ticks", "ines", all).getStatus()).isEqualTo(302);
    }

    private PartState part(long kit, String key) {
        return log.state().kit(kit).part(key);
    }

    @Test
    public void cautionsAreReadBeforeAMixBegins() throws Exception {
        MockHttpServletResponse answer = send("/kits/7/mixes", "ines", "volume", "500", "name", "Trial");
        assertThat(answer.getStatus()).isEqualTo(422);
        assertThat(answer.getContentAsString()).contains("Read the cautions, then tick that you have.");
    }

    @Test
    public void whatWasReallyPouredEntersTheLog() throws Exception {
        double before = part(7, "dev-b").left();
        long mix = begin(
                "7",
                "volume",
                "300",
                "name",
                "A quarter",
                "picked",
                "true",
                "baths",
                "dev",
                "bottles[dev]",
                bottle("D3"));
        assertThat(part(7, "dev-b").left()).isEqualTo(before);
        tick(mix, 0);
        tick(mix, 1, "poured", "40");
        String twice = UUID.randomUUID().toString();
        tick(mix, 2, "poured", "19", "formKey", twice);
        tick(mix, 2, "poured", "19", "formKey", twice);
        MockHttpServletResponse again = send("/mixes/" + mix + "/ticks", "devi", "act", "2");
        assertThat(again.getStatus()).isEqualTo(422);
        assertThat(again.getContentAsString()).contains("This act is ticked already, maybe at another device.");
        String now = page("/mixes/" + mix, "devi");
        assertThat(now).contains("Developer B is 5.6 % too strong, more than it bears.", "really 19 ml");
        for (int act = 3; !page("/mixes/" + mix, "ines").contains("in their bottles"); act++) {
            tick(mix, act);
        }
        MockHttpServletResponse end = send("/mixes/" + mix + "/end", "ines");
        String batchPage = String.valueOf(end.getRedirectedUrl());
        BatchState batch = log.state().batch(Long.parseLong(batchPage.replaceAll("\\D", "")));
        assertThat(batch.fills()).singleElement().satisfies(fill -> {
            assertThat(fill.volumeMl()).isEqualTo(300);
            assertThat(fill.mixed().volumeTyped()).isEqualTo("300\u00a0ml");
            assertThat(fill.mixed().uses())
                    .extracting(PartUse::part, PartUse::amount)
                    .containsExactlyInAnyOrder(
                            org.assertj.core.groups.Tuple.tuple("dev-a", 40.0),
                            org.assertj.core.groups.Tuple.tuple("dev-b", 19.0));
        });
        assertThat(part(7, "dev-b").left()).isCloseTo(before - 19, offset(1e-9));
        assertThat(send("/mixes/" + mix + "/ticks", "ines", "act", "0").getRedirectedUrl())
                .isEqualTo(batchPage.replace("?mixed", ""));
    }

    @Test(dependsOnMethods = "whatWasReallyPouredEntersTheLog")
    public void anAbandonedMixLosesWhatWasPouredAndFreesItsBottles() throws Exception {
        double before = part(7, "bx-a").left();
        long mix = begin(
                "7", "volume", "200", "name", "Given up", "picked", "true", "baths", "bx", "bottles[bx]", bottle("G5"));
        MockHttpServletResponse taken = send(
                "/kits/7/mixes",
                "ines",
                "volume",
                "200",
                "name",
                "Other",
                "picked",
                "true",
                "baths",
                "bx",
                "bottles[bx]",
                bottle("G5"),
                "read",
                "true");
        assertThat(taken.getContentAsString()).contains("is already spoken for");
        MockHttpServletResponse poured =
                send("/fills/9/moves", "ines", "bottle", bottle("G5"), "place", "1", "air", "NOTHING");
        assertThat(poured.getContentAsString()).contains("is already spoken for");
        tick(mix, 0);
        tick(mix, 1);
        assertThat(send("/mixes/" + mix + "/undo", "devi", "act", "1").getStatus())
                .isEqualTo(302);
        tick(mix, 1, "poured", "39");
        MockHttpServletResponse answer = send("/mixes/" + mix + "/abandon", "devi", "why", "The jug cracked");
        assertThat(answer.getRedirectedUrl()).isEqualTo("/bench?abandoned");
        assertThat(part(7, "bx-a").left()).isCloseTo(before - 39, offset(1e-9));
        assertThat(page("/journal", "ines")).contains("39 ml gone to silver-bearing waste. The jug cracked");
        assertThat(begin(
                        "7",
                        "volume",
                        "100",
                        "name",
                        "Next",
                        "picked",
                        "true",
                        "baths",
                        "bx",
                        "bottles[bx]",
                        bottle("G5")))
                .isPositive();
    }

    @Test
    public void whatIsBottledOfAnAbandonedMixGoesOnTheShelf() throws Exception {
        long mix = begin(
                "8",
                "volume",
                "400",
                "name",
                "Half a cine",
                "picked",
                "true",
                "baths",
                "st",
                "baths",
                "fr",
                "bottles[st]",
                bottle("B6"),
                "bottles[fr]",
                bottle("G6"));
        int act = 0;
        while (!page("/mixes/" + mix, "ines").contains("Rinse</span>")) {
            tick(mix, act++);
        }
        assertThat(page("/mixes/" + mix + "/labels", "ines"))
                .contains("Stop", "in B6")
                .doesNotContain("in G6");
        MockHttpServletResponse answer = send("/mixes/" + mix + "/abandon", "ines", "why", "Out of time");
        BatchState batch = log.state()
                .batch(Long.parseLong(String.valueOf(answer.getRedirectedUrl()).replaceAll("\\D", "")));
        assertThat(batch.fills())
                .extracting(fill -> fill.bath().role().letters())
                .containsExactly("St");
    }

    @Test
    public void aBathIsRenewedAtTheBench() throws Exception {
        FillState old = log.state().batch(3).fills().get(0);
        MockHttpServletResponse begun = send(
                "/batches/3/renewals",
                "bram",
                "bath",
                "dev",
                "volume",
                "400",
                "kit",
                "3",
                "bottle",
                Long.toString(old.bottle().id()),
                "route",
                "DEVELOPERS",
                "atBench",
                "true",
                "read",
                "true");
        long mix = Long.parseLong(String.valueOf(begun.getRedirectedUrl()).replaceAll("\\D", ""));
        int act = 0;
        while (!page("/mixes/" + mix, "bram").contains("in their bottles")) {
            tick(mix, act++);
        }
        assertThat(log.state().fill(old.id()).discarded()).isNull();
        assertThat(send("/mixes/" + mix + "/end", "ines").getContentAsString())
                .contains("A steward pours it away first.");
        assertThat(send("/mixes/" + mix + "/end", "bram").getRedirectedUrl()).isEqualTo("/batches/3?mixed");
        assertThat(log.state().fill(old.id()).discarded()).isNotNull();
        FillState fresh = log.state().batch(3).fills().get(0);
        assertThat(fresh.id()).isNotEqualTo(old.id());
        assertThat(fresh.bottle()).isEqualTo(old.bottle());
        assertThat(fresh.scaledRolls()).isZero();
    }

    @Test
    public void plansSaySoWhenTheyAreStretchedOrFromTwoKits() throws Exception {
        assertThat(page("/kits/7/mix?volume=1000&partsFor=946&formKey=" + UUID.randomUUID(), "ines"))
                .contains("Stretched: 5.4 % weaker than printed.");
        assertThat(page("/kits/7/mix?volume=500&volumes[bx]=300&formKey=" + UUID.randomUUID(), "ines"))
                .contains("Mix 500 ml of developer, 300 ml of bleach-fix, 500 ml of final rinse");
        assertThat(page("/kits/3/mix?volume=5500&formKey=" + UUID.randomUUID(), "ines"))
                .contains("This kit makes no more than");
        assertThat(page("/kits/3/mix?volume=5500&second=9&formKey=" + UUID.randomUUID(), "ines"))
                .contains("Mix 5500 ml of every bath");
    }

    @Test
    public void partsAreOpenedDecantedCorrectedMovedAndLost() throws Exception {
        assertThat(send("/kits/8/openings", "ines", "opened", "dev-a").getStatus())
                .isEqualTo(302);
        assertThat(send("/kits/8/openings", "ines", "opened", "dev-a").getContentAsString())
                .contains("It is open already.");
        assertThat(send("/kits/8/decantings", "ines", "decanted", "dev-a", "vials", "6")
                        .getStatus())
                .isEqualTo(302);
        assertThat(page("/kits/8", "ines")).contains("in six vials of ");
        send("/kits/9/corrections", "ines", "corrected", "fr", "left", "50", "correctedWhy", "leaked on the way");
        assertThat(part(9, "fr").left()).isEqualTo(50);
        send("/kits/9/losses", "ines", "gone", "fr", "goneAmount", "4.5", "route", "OTHERS", "goneWhy", "dropped");
        assertThat(part(9, "fr").left()).isEqualTo(45.5);
        assertThat(send("/kits/9/losses", "ines", "gone", "fr", "goneAmount", "46", "route", "OTHERS", "goneWhy", "x")
                        .getContentAsString())
                .contains("45.5");
        assertThat(send("/kits/9/moves", "ines", "moved", "fr", "to", "3").getContentAsString())
                .contains("It is sealed.");
        send("/kits/9/openings", "ines", "opened", "fr");
        double there = part(3, "fr").left();
        send("/kits/9/moves", "ines", "moved", "fr", "to", "3");
        assertThat(part(3, "fr").left()).isCloseTo(there + 45.5, offset(1e-9));
        assertThat(page("/journal", "ines"))
                .contains(
                        "Final rinse concentrate of kit 9: 45.5 ml put to kit 3",
                        "4.5 ml gone to other waste. dropped",
                        "50 ml left, as looked at. leaked on the way",
                        "into six vials");
    }

    @Test
    public void labelsCarryACodeThatLeadsToTheBatch() throws Exception {
        FillState fill = log.state().batch(4).fills().get(0);
        String sheet = page("/batches/4/labels", "ines");
        assertThat(sheet)
                .contains(
                        "Tannery Yard · Batch 4",
                        "Developer",
                        "1200 ml",
                        "14–18 rolls or 28–42 days",
                        "Developer waste")
                .contains(ShortCode.of(fill.id()));
        Matcher path = Pattern.compile(
                        "viewBox=\"0 0 (\\d+) \\d+\" aria-label=\"Leads[^>]*>.*?class=\"qr-ink\" d=\"([^\"]+)\"",
                        Pattern.DOTALL)
                .matcher(sheet);
        assertThat(path.find()).isTrue();
        int size = Integer.parseInt(path.group(1)) - 4;
        boolean[][] squares = new boolean[size][size];
        Matcher square = Pattern.compile("M(\\d+) (\\d+)h").matcher(path.group(2));
        while (square.find()) {
            squares[Integer.parseInt(square.group(2)) - 2][Integer.parseInt(square.group(1)) - 2] = true;
        }
        assertThat(new Decoder().decode(squares).getText())
                .isEqualTo("http://localhost/codes/" + ShortCode.of(fill.id()));
        assertThat(answer(get("/codes/" + ShortCode.of(fill.id())), "ines").getRedirectedUrl())
                .isEqualTo("/batches/4");
    }

    @Test
    public void aPowerCutCardIsEnteredInOneGo() throws Exception {
        int before = log.state().batch(5).runs().size();
        assertThat(page("/batches/5/card", "ines")).contains("the next 8 rolls");
        MockHttpServletResponse half = send(
                "/batches/5/ticks",
                "ines",
                "tank",
                "1",
                "ticked1",
                "true",
                "owner1",
                "Ines",
                "format1",
                "120",
                "ticked2",
                "true",
                "owner2",
                "",
                "format2",
                "120");
        assertThat(half.getStatus()).isEqualTo(422);
        assertThat(log.state().batch(5).runs()).hasSize(before);
        send(
                "/batches/5/ticks",
                "ines",
                "tank",
                "1",
                "ticked1",
                "true",
                "owner1",
                "Ines",
                "format1",
                "120",
                "ticked2",
                "true",
                "owner2",
                "Devi",
                "format2",
                "135-36");
        assertThat(log.state().batch(5).runs()).hasSize(before + 2);
    }

    @Test
    public void aLeafletIsKeptAsTypedAndRetypedBlind() throws Exception {
        Map<String, String> sheet = Map.ofEntries(
                Map.entry("name", "Bellows Negative 500 ml"),
                Map.entry("maker", "Bellows"),
                Map.entry("process", "other"),
                Map.entry("processName", "Fog negative"),
                Map.entry("makes", "500"),
                Map.entry("part0-name", "Developer A"),
                Map.entry("part0-amount", "60 ml"),
                Map.entry("part1-name", ""),
                Map.entry("bath0-role", "other"),
                Map.entry("bath0-roleName", "Clearing bath"),
                Map.entry("bath0-letters", "Cl"),
                Map.entry("bath0-mode", "TOP_UP"),
                Map.entry("bath0-water", "300"),
                Map.entry("bath0-add0-part", "0"),
                Map.entry("bath0-add0-amount", "50"),
                Map.entry("bath0-add0-care", "CRITICAL"),
                Map.entry("bath0-add1-part", ""),
                Map.entry("bath0-time", "3:15"),
                Map.entry("bath0-at", "24 °C / 80 °F"),
                Map.entry("bath0-within", "20-30"),
                Map.entry("bath0-wear", "steps"),
                Map.entry("bath0-bands", "1-6 3:15\n6-10 3:30"),
                Map.entry("bath0-capacity", "8-12"));
        String[] fields = sheet.entrySet().stream()
                .flatMap(entry -> List.of(entry.getKey(), entry.getValue()).stream())
                .toArray(String[]::new);
        String draft = String.valueOf(
                send("/leaflets/drafts", "bram", "shape", "DEVELOPER_ALONE").getRedirectedUrl());
        assertThat(send(draft + "/typed", "bram", fields).getContentAsString().replace('\u00a0', ' '))
                .contains(
                        "Two printed bands both name roll 6",
                        "says two things: 24.0 °C and 26.7 °C",
                        "its capacity is 12 rolls, and its last printed time ends at roll 10",
                        "all baths together leave 10 ml of 60 ml over");
        MockHttpServletResponse kept = send(draft + "/kept", "bram", fields);
        String address = String.valueOf(kept.getRedirectedUrl()).replace("?added", "");
        assertThat(page(address, "ines")).contains("Clearing bath", "Fog negative");
        assertThat(send(draft + "/kept", "bram", fields).getRedirectedUrl())
                .as("a double tap keeps it once")
                .isEqualTo(address);
        String another = String.valueOf(
                send("/leaflets/drafts", "bram", "shape", "DEVELOPER_ALONE").getRedirectedUrl());
        assertThat(send(another + "/kept", "bram", fields).getContentAsString()).contains("is there already");
        long id = Long.parseLong(address.replaceAll("\\D", ""));
        assertThat(page(address + "/retype?formKey=" + UUID.randomUUID(), "bram"))
                .contains("You typed this sheet in.");
        String[] figures = {
            "KIT_MAKES___0", "500 ml",
            "KIT_AMOUNT__developer-a_0", "60",
            "MAKES_clearing-bath__0", "500",
            "START_WATER_clearing-bath__0", "300",
            "AMOUNT_clearing-bath_developer-a_0", "5",
            "TIME_clearing-bath__0", "3:15",
            "TEMPERATURE_clearing-bath__0", "24",
            "TOLERANCE_clearing-bath__0", "20 to 30 °C",
            "BANDS_clearing-bath__0", "1-6 3:15\n6-10 3:40",
            "ROLLS_clearing-bath__0", "8-12",
            "ROLLS_IN_clearing-bath__0", "500",
            "STEPS___0", "Clearing bath"
        };
        assertThat(send(address + "/retypings", "ines", figures).getRedirectedUrl())
                .isEqualTo(address + "?retyped");
        assertThat(page(address, "ines").replace('\u00a0', ' '))
                .contains(
                        "Clearing bath: how much Developer A: typed as “5”",
                        "times by rolls, a line each: typed as “1-6 3:15, 6-10 3:40”")
                .doesNotContain("time in a fresh bath: typed as");
        String file = leaflets.file(id);
        MockHttpServletResponse known = sendFile("/leaflets/import", "bram", file);
        assertThat(known.getContentAsString()).contains("is there already, and says just this.");
        String changed = file.replace("\"baseSeconds\" : 195.0", "\"baseSeconds\" : 200.0");
        assertThat(changed).isNotEqualTo(file);
        MockHttpServletResponse preview = sendFile("/leaflets/import", "bram", changed);
        assertThat(preview.getContentAsString()).contains("This would be added: Bellows Negative 500 ml, version 2");
        int versions = leaflets.sheets().size();
        assertThat(send("/leaflets/imports", "bram", "document", changed).getContentAsString())
                .as("nobody said why")
                .contains("Choose one: it was mistyped, or the maker prints it differently now.");
        assertThat(leaflets.sheets()).hasSize(versions);
        send("/leaflets/imports", "bram", "document", changed, "why", "ANOTHER_PRINT", "revised", "a newer box");
        assertThat(leaflets.sheets()).hasSize(versions + 1);
        assertThat(leaflets.latest("bellows-negative-500-ml").version()).isEqualTo(2);
    }
}
