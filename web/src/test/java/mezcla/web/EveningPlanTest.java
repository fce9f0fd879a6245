package mezcla.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import mezcla.batch.BatchState;
import mezcla.batch.FillState;
import mezcla.log.RunLogged;
import mezcla.verdict.Evening;
import mezcla.web.log.DarkroomLog;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Several loads in a row, what goes into a tank, the house's ways, and runs that were given up. */
public class EveningPlanTest extends DemoPagesTest {
    @Autowired
    private DarkroomLog log;

    private MockHttpServletResponse load(String who, int batch, String count, String format, String tank)
            throws Exception {
        return send("/batches/" + batch + "/loads", who, film(count, format, tank));
    }

    private static int minutes(String page, String before) {
        Matcher found = Pattern.compile(before + " ([0-9]{2}):([0-9]{2})").matcher(page);
        assertThat(found.find()).as(before).isTrue();
        return Integer.parseInt(found.group(1)) * 60 + Integer.parseInt(found.group(2));
    }

    private static int apart(int earlier, int later) {
        return Math.floorMod(later - earlier, 24 * 60);
    }

    private void dropAll(String who) throws Exception {
        Matcher loads = Pattern.compile("/evening/loads/([0-9]+)/drops").matcher(page("/evening", who));
        while (loads.find()) {
            send(loads.group(), who);
        }
        assertThat(page("/evening", who)).contains("Nothing is planned for this evening");
    }

    @Test
    public void laterLoadsComeAfterTheEarlierAndTakeLonger() throws Exception {
        assertThat(load("ines", 4, "4", "135-36", "3").getRedirectedUrl()).isEqualTo("/evening?planned");
        load("ines", 4, "4", "135-36", "3");
        String evening = page("/evening?pour=18:50&between=20", "ines");
        assertThat(evening).contains("pour at 18:50").contains("more than the load before");
        assertThat(apart(minutes(evening, "Start warming at"), 18 * 60 + 50)).isBetween(20, 120);
        Matcher loads = Pattern.compile("Load ([0-9]), ([0-9]{2}:[0-9]{2}) – ([0-9]{2}:[0-9]{2})")
                .matcher(evening);
        assertThat(loads.find()).isTrue();
        assertThat(loads.group(2)).isEqualTo("18:50");
        String hangs = loads.group(3);
        assertThat(loads.find()).isTrue();
        assertThat(apart(minutes("x " + hangs, "x"), minutes("x " + loads.group(2), "x")))
                .isBetween(20, 21);
        String longer = page("/evening?pour=18:50&between=40", "ines");
        assertThat(apart(minutes(evening, "hang the last film at"), minutes(longer, "hang the last film at")))
                .isEqualTo(20);
        assertThat(page("/evening?warm=yes", "ines")).contains("Pour at").doesNotContain("Start warming");
        load("devi", 4, "4", "135-36", "3");
        assertThat(page("/evening?pour=18:50&between=20", "bram"))
                .as("one bath, one row of loads, whoever planned them")
                .contains("Load 3,")
                .contains("of Ines");
        assertThat(page("/run", "ines")).contains("This evening: 3 loads");
        dropAll("ines");
    }

    @DataProvider
    public Object[][] badHours() {
        return new Object[][] {
            {"pour=25:99", "pour", "is no hour"},
            {"pour=soon", "pour", "is no hour"},
            {"between=-3", "between", "Type a number from 5 to 120"},
            {"between=", "between", "Type a number from 5 to 120"},
            {"between=1e9", "between", "Type a number from 5 to 120"},
        };
    }

    @Test(dataProvider = "badHours")
    public void oddHoursAreAnsweredBesideTheirField(String typed, String field, String sentence) throws Exception {
        load("saoirse", 4, "1", "135-36", "2");
        assertThat(page("/evening?" + typed, "saoirse"))
                .containsPattern("id=\"" + field + "-error\"[^>]*>[^<]*" + Pattern.quote(sentence));
        dropAll("saoirse");
    }

    @Test
    public void aLoadThatIsTooMuchIsNamedAndTheOthersStay() throws Exception {
        for (int i = 0; i < 4; i++) {
            load("tomasz", 4, "4", "135-36", "3");
        }
        assertThat(page("/evening", "tomasz"))
                .contains("Load 3 does not fit")
                .contains("Load 1, ")
                .contains("takes three rolls more");
        for (int i = 4; i < Evening.MOST_LOADS; i++) {
            load("tomasz", 4, "1", "135-36", "2");
        }
        assertThat(load("tomasz", 4, "1", "135-36", "2").getContentAsString())
                .contains("An evening holds up to 24 loads.");
        dropAll("tomasz");
    }

    @Test
    public void aLoadWhoseBatchIsGoneCanBeDropped() throws Exception {
        assertThat(load("bram", 1, "1", "135-36", "1").getRedirectedUrl()).isEqualTo("/evening?planned");
        assertThat(page("/evening", "bram"))
                .contains("This evening cannot be planned")
                .contains("Nothing of this batch stands on the shelf any more.");
        dropAll("bram");
    }

    @Test
    public void aLoadThatIsStartedLeavesTheEvening() throws Exception {
        load("devi", 7, "1", "135-36", "1");
        load("devi", 7, "1", "135-36", "1");
        String evening = page("/evening", "devi");
        Matcher first = Pattern.compile("load=([0-9]+)").matcher(evening);
        assertThat(first.find()).isTrue();
        String run = start("devi", 7, "135-36", "1", "load", first.group(1));
        String left = page("/evening", "devi");
        assertThat(left).contains("Load 1, ").doesNotContain("Load 2, ").contains("Pour at");
        String ended = send(run + "/end", "devi", film("1", "135-36", "")).getRedirectedUrl();
        assertThat(ended).isEqualTo("/evening?logged");
        dropAll("devi");
    }

    @Test
    public void aLoadThatIsLoggedAsDoneLeavesTheEveningToo() throws Exception {
        load("bram", 5, "1", "135-36", "2");
        Matcher planned = Pattern.compile("load=([0-9]+)").matcher(page("/evening", "bram"));
        assertThat(planned.find()).isTrue();
        send("/batches/5/runs", "bram", film("1", "135-36", "2", "load", planned.group(1)));
        assertThat(page("/evening", "bram")).contains("Nothing is planned for this evening");
    }

    private String plan(String typed) throws Exception {
        return page("/batches/4/run?film[0].owner=Ines&push=0&formKey=" + UUID.randomUUID() + "&" + typed, "ines");
    }

    @Test
    public void filmHasToFitTheReels() throws Exception {
        assertThat(plan("film[0].count=2&film[0].format=135-36&tank=2")).contains("It holds 2 × 135 or 1 × 120.");
        assertThat(plan("film[0].count=1&film[0].format=135-36&tank=2")).contains("Fill it up with empty reels");
        assertThat(plan("film[0].count=2&film[0].format=120&tank=2"))
                .contains("That is more than goes in: 2 × 135 or 1 × 120 fill this tank.")
                .contains("run does not fit");
        assertThat(plan("film[0].count=1&film[0].format=4×5 sheet&tank=2"))
                .contains("This tank has no reel for 4×5 sheets.");
        assertThat(plan("film[0].count=1&film[0].format=135-36&tank=1")).contains("It holds 1 × 135.");
    }

    @Test
    public void turningTakesLessAndPrintedTimesForItCount() throws Exception {
        assertThat(plan("film[0].count=2&film[0].format=135-36&tank=2&movement=ROTARY"))
                .contains("It takes 250 ml on a rotary base.")
                .contains("prints the same times for turning");
        long weir = log.state().standing().stream()
                .filter(batch -> batch.leaflet().name().startsWith("Weir"))
                .map(BatchState::id)
                .findFirst()
                .orElseThrow();
        String typed =
                "/batches/" + weir + "/run?film[0].count=1&film[0].format=135-36&film[0].owner=Ines&push=0&tank=2"
                        + "&formKey=" + UUID.randomUUID();
        assertThat(page(typed + "&movement=ROTARY", "ines"))
                .contains("Printed for turning, in a fresh bath: developer 3:10.")
                .contains("Fresh 3:10");
        assertThat(page(typed, "ines")).contains("Fresh 3:25").doesNotContain("Fresh 3:10");
    }

    @Test
    public void filmThatWentThroughIsLoggedEvenIfItDoesNotFitTheReels() throws Exception {
        String logged = send("/batches/7/runs", "ines", film("3", "120", "2", "done", "true"))
                .getRedirectedUrl();
        assertThat(logged).startsWith("/batches/7?logged=");
    }

    @Test
    public void theLeafletsOwnWaysStandBesideTheHouses() throws Exception {
        String oxbow = plan("film[0].count=1&film[0].format=135-36&tank=2");
        assertThat(oxbow)
                .contains("This leaflet: pre-soak for 1:00 at 38.0 °C.")
                .contains("This leaflet goes straight on.")
                .contains("This leaflet: final rinse for 1:00 at 18.0 °C to 41.0 °C.");
        assertThat(plan("film[0].count=1&film[0].format=135-36&tank=2&finalRinse=ROOM"))
                .contains("as warm as the room, 18.0 °C to 41.0 °C");
        assertThat(plan("film[0].count=2&film[0].format=135-36&tank=2"))
                .contains("Films of different speed may share a tank");
        long lantern = log.state().standing().stream()
                .filter(batch -> batch.leaflet().name().startsWith("Lantern"))
                .map(BatchState::id)
                .findFirst()
                .orElseThrow();
        String slides = page(
                "/batches/" + lantern
                        + "/run?film[0].count=1&film[0].format=135-36&film[0].owner=Ines&push=0&tank=2&between=STRAIGHT"
                        + "&formKey=" + UUID.randomUUID(),
                "ines");
        assertThat(slides).contains("do not go straight on");
    }

    @Test
    public void theJournalTellsWhatWasOtherwiseThanPlanned() throws Exception {
        String run = start("ines", 5, "135-36", "2");
        FillState developer = log.state().batch(5).fills().get(0);
        FillState next = log.state().batch(5).fills().get(1);
        send(
                run + "/end",
                "ines",
                film(
                        "1",
                        "135-36",
                        "",
                        "times[" + developer.id() + "]",
                        "4:01",
                        "times[" + next.id() + "]",
                        "",
                        "others",
                        "true"));
        assertThat(page("/journal?batch=5", "ines")).containsPattern("De 4:01 \\(planned 3:[0-9]{2}\\)");
    }

    @Test
    public void aRunThatWasGivenUpCostsWhatItHadReached() throws Exception {
        String run = start("ines", 5, "135-36", "2");
        FillState developer = log.state().batch(5).fills().get(0);
        FillState next = log.state().batch(5).fills().get(1);
        long began = System.currentTimeMillis();
        String events =
                "[{\"n\":1,\"at\":%d,\"kind\":\"POUR\",\"step\":0,\"value\":0},{\"n\":2,\"at\":%d,\"kind\":\"POUR\",\"step\":1,\"value\":0}]"
                        .formatted(began, began + 100_000);
        send(run + "/events", "ines", "events", events);
        assertThat(page(run, "ines"))
                .containsPattern("name=\"reached\"\\s+value=\"" + developer.id() + "\" checked")
                .contains("Developer: one roll, 5 ml carried over")
                .containsPattern("name=\"reached\"\\s+value=\"" + next.id() + "\" checked")
                .doesNotContainPattern("name=\"reached\"\\s+value=\""
                        + log.state().batch(5).fills().get(2).id() + "\" checked");
        assertThat(send(run + "/abandonment", "ines", "why", "the lid came off").getContentAsString())
                .contains("Tick the baths that the film had reached.")
                .contains("value=\"the lid came off\"");
        double worn = developer.rolls();
        double other = next.rolls();
        assertThat(send(run + "/abandonment", "ines", "why", "the lid came off", "reached", "" + developer.id())
                        .getRedirectedUrl())
                .isEqualTo("/batches/5?abandoned");
        assertThat(log.state().fill(developer.id()).rolls()).isEqualTo(worn);
        assertThat(log.state().fill(next.id()).rolls()).isEqualTo(other - 1);
        BatchState batch = log.state().batch(5);
        assertThat(batch.inUse()).isEmpty();
        RunLogged last = batch.runs().get(batch.runs().size() - 1);
        assertThat(last.abandoned()).isEqualTo("the lid came off");
        assertThat(page("/journal?batch=5", "ines"))
                .contains("Gave up a run of 1 × 135-36 of Ines, colour negative, which had reached developer for 1:40.")
                .contains("the lid came off");
    }
}
