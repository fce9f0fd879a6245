package mezcla.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import mezcla.batch.FillState;
import mezcla.log.AirKept;
import mezcla.web.log.DarkroomLog;
import org.springframework.beans.factory.annotation.Autowired;
import org.testng.annotations.Test;

/** Warming a batch up, and the steps of a run as they are planned and confirmed. */
public class WarmTest extends DemoPagesTest {
    @Autowired
    private DarkroomLog log;

    private String warm(String bath, String bottles) throws Exception {
        return page("/batches/4/warm-up?bath=" + bath + "&bottles=" + bottles, "ines");
    }

    private static int minutes(String page) {
        Matcher found = Pattern.compile("after ([a-z0-9-]+) minutes?\\.").matcher(page);
        assertThat(found.find()).as(page.substring(page.indexOf("life-age"))).isTrue();
        String number = found.group(1);
        return number.matches("[0-9]+") ? Integer.parseInt(number) : 9;
    }

    @Test
    public void warmerWaterIsReadySooner() throws Exception {
        String cold = warm("18", "18");
        assertThat(cold).contains("Start now, pour at").contains("warm-bottle").contains("set it to 38.8 °C");
        assertThat(minutes(warm("38", "18"))).isLessThan(minutes(cold));
        assertThat(minutes(warm("38", "30"))).isLessThan(minutes(warm("38", "18")));
        assertThat(warm("38", "38")).contains("It is warm: pour now");
    }

    @Test
    public void aHeaterMayBeSetToSomethingElse() throws Exception {
        String higher = page("/batches/4/warm-up?bath=38&bottles=18&set=38.2", "ines");
        assertThat(higher).contains("set it to 39.0 °C");
        assertThat(minutes(higher)).isLessThan(minutes(warm("38", "18")));
        assertThat(page("/batches/4/warm-up?bath=18&bottles=18&set=30", "ines"))
                .contains("It does not get warm within four hours")
                .contains("With the heater set to 30.0 °C there is no moment")
                .contains("Set it to 38.0 °C");
        assertThat(page("/batches/4/warm-up?bath=18&bottles=18&set=warm", "ines"))
                .contains("How warm is everything now?")
                .contains("warm” is not a temperature");
    }

    @Test
    public void waterComesFromTheTapsWhereTheyReachIt() throws Exception {
        assertThat(warm("18", "18"))
                .contains("All bottles are within their range")
                .containsPattern("Water for washing, [^:]*, from the taps: [^<]* hot and [^<]* cold\\.")
                .contains(
                        "The bath itself, 12 L: filled with 6.9 L from the hot tap and 5.1 L cold, it starts at 38.0 °C.");
    }

    @Test
    public void aBathWithoutAHeaterIsToldHowWarmItsWaterHasToBe() throws Exception {
        send("/batches/4/warm-up/tub", "ines", "litres", "12", "power", "0", "loss", "8");
        try {
            String water = page("/batches/4/warm-up", "ines");
            assertThat(water)
                    .containsPattern("Fill the bath at (4|5)[0-9]\\.[05] °C")
                    .contains("It has no heater.")
                    .containsPattern(
                            "The bath itself, 12 L: filled with [0-9.]+ L from the hot tap and [0-9.]+ L cold");
            assertThat(page("/batches/4/run?formKey=" + UUID.randomUUID(), "ines"))
                    .contains("Start warming now, pour at");
            send("/batches/4/warm-up/tub", "ines", "litres", "1", "power", "0", "loss", "8");
            assertThat(page("/batches/4/warm-up", "ines")).contains("This bath holds too little water");
        } finally {
            send("/batches/4/warm-up/tub", "ines", "litres", "12", "power", "800", "loss", "8");
        }
    }

    @Test
    public void aBathThatIsTooWeakIsSaid() throws Exception {
        send("/batches/4/warm-up/tub", "ines", "litres", "60", "power", "60", "loss", "20");
        assertThat(warm("18", "18")).contains("It does not get warm within four hours");
        send("/batches/4/warm-up/tub", "ines", "litres", "12", "power", "800", "loss", "8");
        assertThat(warm("18", "18")).contains("Start now, pour at");
    }

    @Test
    public void twoReadingsGiveABottleAFigureOfItsOwn() throws Exception {
        FillState developer = log.state().batch(4).fills().get(0);
        int before = minutes(warm("38", "18"));
        assertThat(send(
                                "/batches/4/warm-up/readings",
                                "ines",
                                "bottle",
                                "" + developer.id(),
                                "meanwhile",
                                "38",
                                "first",
                                "18",
                                "second",
                                "30",
                                "minutes",
                                "30")
                        .getRedirectedUrl())
                .isEqualTo("/batches/4/warm-up?fitted");
        assertThat(minutes(warm("38", "18"))).as("it follows slowly").isGreaterThan(before);
        assertThat(send(
                                "/batches/4/warm-up/readings",
                                "ines",
                                "bottle",
                                "" + developer.id(),
                                "meanwhile",
                                "38",
                                "first",
                                "20",
                                "second",
                                "18",
                                "minutes",
                                "30")
                        .getContentAsString())
                .contains("has to come nearer to the bath");
    }

    @Test
    public void thePlanShowsTheWholeRunAndTheHousesWays() throws Exception {
        String film =
                "film[0].count=1&film[0].format=135-36&film[0].owner=Ines&push=0&tank=1&formKey=" + UUID.randomUUID();
        String usual = page("/batches/5/run?" + film, "ines");
        assertThat(usual).contains("The whole run: ").contains("light may come in after this");
        String rinsed = page("/batches/5/run?" + film + "&between=RINSE&movement=ROTARY", "ines");
        assertThat(rinsed).contains("keep it turning all the time");
        assertThat(rinsed.split("<li><span class=\"run-step-letters\"").length)
                .isEqualTo(usual.split("<li><span class=\"run-step-letters\"").length + 1);
    }

    @Test
    public void whatIsSentTwiceOrMadeUpIsNotConfirmed() throws Exception {
        String started = send(
                        "/batches/7/starts",
                        "ines",
                        "film[0].count",
                        "1",
                        "film[0].format",
                        "135-36",
                        "film[0].owner",
                        "Ines",
                        "push",
                        "0",
                        "tank",
                        "1",
                        "seen",
                        "" + log.book().lastSequence())
                .getRedirectedUrl();
        assertThat(started).endsWith("/ribbon");
        String events = String.valueOf(started).replace("/ribbon", "/events");
        long now = System.currentTimeMillis();
        String pour = "[{\"n\":1,\"at\":" + now + ",\"kind\":\"POUR\",\"step\":0,\"value\":0}]";
        assertThat(send(events, "ines", "events", pour).getContentAsString()).contains("\"kind\":\"POUR\"");
        String other = "[{\"n\":1,\"at\":" + (now + 9000) + ",\"kind\":\"POUR\",\"step\":0,\"value\":0}]";
        assertThat(send(events, "devi", "events", other).getContentAsString())
                .contains("" + now)
                .doesNotContain("" + (now + 9000));
        assertThat(send(events, "ines", "events", pour.replace("\"n\":1", "\"n\":7"))
                        .getContentAsString())
                .as("a gap is not filled")
                .doesNotContain("\"n\":7");
        for (String bad : new String[] {
            "nonsense",
            "null",
            "[null]",
            pour.replace("\"n\":1", "\"n\":2").replace("\"step\":0", "\"step\":99"),
            pour.replace("\"n\":1", "\"n\":2").replace("\"step\":0", "\"step\":-1"),
            "[{\"n\":2,\"at\":1,\"kind\":\"DROP\",\"step\":0,\"value\":0}]",
            "{}"
        }) {
            assertThat(send(events, "ines", "events", bad).getStatus()).isBetween(400, 499);
        }
        assertThat(page(events, "devi")).contains("" + now).doesNotContain("\"n\":2");
    }

    @Test(dependsOnMethods = "whatIsSentTwiceOrMadeUpIsNotConfirmed")
    public void theClosingListWritesWhatKeepsTheAirOut() throws Exception {
        long started = log.state().batch(7).inUse().get(0).stamp().sequence();
        String end = "/runs/" + started + "/end";
        String[] film = {
            "film[0].count", "1", "film[0].format", "135-36", "film[0].owner", "Ines", "push", "0", "tank", "1"
        };
        assertThat(send(end, "ines", with(film, "air", "A LID")).getStatus()).isEqualTo(422);
        assertThat(send(end, "ines", with(film, "air", "SQUEEZED")).getRedirectedUrl())
                .isEqualTo("/batches/7?logged");
        assertThat(log.state().batch(7).fills())
                .isNotEmpty()
                .allSatisfy(fill -> assertThat(fill.kept().air()).isEqualTo(AirKept.SQUEEZED));
        String glass = send(
                        "/batches/4/starts",
                        "ines",
                        with(film, "seen", "" + log.book().lastSequence()))
                .getRedirectedUrl();
        send(String.valueOf(glass).replace("/ribbon", "/end"), "ines", with(film, "air", "SQUEEZED"));
        assertThat(log.state().batch(4).fills())
                .isNotEmpty()
                .allSatisfy(fill -> assertThat(fill.kept().air()).isEqualTo(AirKept.NOTHING));
    }

    private static String[] with(String[] fields, String... more) {
        return Stream.concat(Arrays.stream(fields), Arrays.stream(more)).toArray(String[]::new);
    }
}
