package mezcla.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import mezcla.batch.BatchState;
import mezcla.batch.FillState;
import mezcla.log.RunLogged;
import mezcla.log.RunStarted;
import mezcla.measure.FilmFormat;
import mezcla.web.log.DarkroomLog;
import mezcla.web.settings.HouseService;
import mezcla.web.settings.Owned;
import mezcla.web.sheets.Leaflets;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.testng.annotations.Test;

/** Figures that somebody stakes film on: what a page knows it says, and no more. */
public class TrustedFiguresTest extends DemoPagesTest {
    @Autowired
    private DarkroomLog log;

    @Autowired
    private Leaflets leaflets;

    @Autowired
    private HouseService houses;

    private String planned(String query) throws Exception {
        return page("/batches/4/run?formKey=" + UUID.randomUUID() + "&" + query, "ines");
    }

    private String bottle(String label) {
        return houses.bottles().stream()
                .filter(bottle -> bottle.label().equals(label))
                .map(bottle -> Long.toString(bottle.id()))
                .findFirst()
                .orElseThrow();
    }

    private FillState developer(long batch) {
        return log.state().batch(batch).imageDeveloper().orElseThrow();
    }

    @Test
    public void aBareTimeIsAskedAgainBesideItsField() throws Exception {
        long fill = developer(4).id();
        int rows = log.book().entries().size();
        MockHttpServletResponse answer =
                send("/batches/4/runs", "ines", film("1", "120", "2", "done", "true", "took[" + fill + "]", "8"));
        assertThat(answer.getStatus()).isEqualTo(422);
        assertThat(answer.getContentAsString())
                .contains("“8” could be minutes or seconds. Type 8:00 or 8 s.")
                .contains("id=\"took" + fill + "\" name=\"took[" + fill + "]\" value=\"8\"");
        assertThat(log.book().entries()).hasSize(rows);
    }

    @Test
    public void whatWasNotNotedIsNotMadeUp() throws Exception {
        FillState developer = developer(5);
        String when = developer
                .mixedAt()
                .atZone(java.time.ZoneId.of("Pacific/Auckland"))
                .toLocalDateTime()
                .plusHours(1)
                .truncatedTo(java.time.temporal.ChronoUnit.MINUTES)
                .toString();
        send("/batches/5/runs", "ines", film("1", "120", "2", "done", "true", "when", when));
        RunLogged earlier = log.state().batch(5).runs().get(0);
        assertThat(earlier.baths())
                .allSatisfy(bath -> assertThat(bath.seconds()).isNull());
    }

    @Test
    public void aRunAtAnotherTemperatureIsPlannedPlayedAndSaid() throws Exception {
        String warm = planned("tank=2&celsius=36&film[0].count=1&film[0].format=120");
        assertThat(warm).contains("by the printed table of temperatures", "36.0 °C");
        String cold = planned("tank=2&celsius=24&film[0].count=1&film[0].format=120");
        assertThat(cold)
                .contains("The leaflet has no time for the developer at 24.0 °C", "run does not fit")
                .doesNotContain("The whole run");
        send("/batches/4/runs", "ines", film("1", "120", "2", "done", "true", "celsius", "36.1 °C"));
        List<RunLogged> runs = log.state().batch(4).runs();
        RunLogged last = runs.get(runs.size() - 1);
        assertThat(last.baths().get(0).celsius()).isEqualTo(36.1);
        assertThat(page("/journal", "ines")).contains("at 36.1 °C, outside 37.7 °C to 38.3 °C");
        assertThat(page("/batches/4/looks/" + last.stamp().sequence(), "ines"))
                .contains("The developer was at 36.1 °C, outside 37.7 °C to 38.3 °C")
                .contains("The film is still wet")
                .doesNotContain("name=\"result\"");
        String started = String.valueOf(send(
                        "/batches/4/starts",
                        "ines",
                        film(
                                "1",
                                "120",
                                "2",
                                "celsius",
                                "36",
                                "seen",
                                "" + log.book().lastSequence()))
                .getRedirectedUrl());
        assertThat(page(started, "ines")).contains("36.0 °C");
        RunStarted start = log.state().batch(4).inUse().get(0);
        assertThat(start.baths().get(0).celsius()).isEqualTo(36);
        send("/runs/" + start.stamp().sequence() + "/call-off", "ines", "why", "only tried");
    }

    @Test
    public void anOverrideKeepsWhatWasChosen() throws Exception {
        MockHttpServletResponse passed = send(
                "/batches/2/overrides",
                "ines",
                film(
                        "2",
                        "135-36",
                        "2",
                        "irreplaceable",
                        "true",
                        "movement",
                        "ROTARY",
                        "celsius",
                        "",
                        "why",
                        "the last"));
        assertThat(passed.getStatus()).isEqualTo(302);
        assertThat(passed.getRedirectedUrl()).contains("irreplaceable=true", "movement=ROTARY", "tank=2");
        String page = page(String.valueOf(passed.getRedirectedUrl()), "ines");
        assertThat(page).contains("went past its limit on purpose").doesNotContain("run does not fit");
    }

    @Test
    public void tooMuchFilmForWhatIsInTheTankIsRefused() throws Exception {
        houses.add(new Owned.OfTank("Tall tank", 300, null, null, Map.of(FilmFormat.Reel.R120, 6)));
        long tall = houses.tanks().stream()
                .filter(tank -> tank.name().equals("Tall tank"))
                .findFirst()
                .orElseThrow()
                .id();
        String page = planned("tank=" + tall + "&film[0].count=6&film[0].format=120");
        assertThat(page).contains("it would be used up before the film is done", "Go past this limit on purpose");
        assertThat(planned("tank=" + tall + "&film[0].count=3&film[0].format=120"))
                .contains("This film uses up 67 % of what the developer in the tank can do.");
    }

    @Test
    public void whereASheetPrintsNothingTheHousesOwnCounts() throws Exception {
        assertThat(send("/house/stand-ins", "ines", "rolls-stabiliser", "10").getStatus())
                .isEqualTo(403);
        String[] all = {
            "life-pre-bath",
            "90",
            "life-developer",
            "42",
            "life-first-developer",
            "28",
            "life-reversal-bath",
            "42",
            "life-colour-developer",
            "42",
            "life-stop",
            "90",
            "life-bleach",
            "180",
            "life-fixer",
            "120",
            "life-bleach-fix",
            "2 months",
            "life-stabiliser",
            "60",
            "life-wetting-agent",
            "",
            "rolls-developer",
            "12",
            "rolls-first-developer",
            "12",
            "rolls-colour-developer",
            "12",
            "rolls-bleach",
            "30",
            "rolls-fixer",
            "20",
            "rolls-bleach-fix",
            "16",
            "rolls-stabiliser",
            "10"
        };
        assertThat(send("/house/stand-ins", "bram", all).getStatus()).isEqualTo(302);
        assertThat(page("/batches/5", "ines")).contains(" of 6 (house)");
        assertThat(page("/house/stand-ins", "ines")).contains("60.83");
        all[all.length - 1] = "a few";
        MockHttpServletResponse refused = send("/house/stand-ins", "bram", all);
        assertThat(refused.getStatus()).isEqualTo(422);
        assertThat(refused.getContentAsString()).contains("value=\"a few\"");
        all[all.length - 1] = "24";
        assertThat(send("/house/stand-ins", "bram", all).getStatus()).isEqualTo(302);
    }

    @Test
    public void aStrongMixIsSaidForItsLife() throws Exception {
        MockHttpServletResponse mixed = send(
                "/kits/7/batches",
                "ines",
                "volume",
                "400 ml",
                "partsFor",
                "500 ml",
                "name",
                "Too strong",
                "bottles[dev]",
                bottle("D3"),
                "bottles[bx]",
                bottle("D4"),
                "bottles[fr]",
                bottle("D5"));
        String address = String.valueOf(mixed.getRedirectedUrl()).replace("?mixed", "");
        assertThat(page(address, "ines"))
                .contains("mixed 25 % stronger than printed; make a clip test first", "25 % stronger than printed");
        assertThat(page(address + "/labels", "ines")).contains("25 % stronger than printed.");
        BatchState batch = log.state().batch(Long.parseLong(address.replaceAll("\\D", "")));
        long fill = batch.imageDeveloper().orElseThrow().id();
        assertThat(page("/fills/" + fill, "ines")).contains("25 % stronger than printed.");
        send("/fills/" + fill + "/clips", "ines", "result", "GOOD");
        assertThat(page(address, "ines"))
                .doesNotContain("Developer: mixed 25 %")
                .contains("Bleach-fix: mixed 25 % stronger than printed; look at its first film");
    }

    @Test
    public void aFinishedKitSharesWhatItLeavesOver() throws Exception {
        assertThat(page("/batches/3", "ines")).contains("When the rest of its kit is not used");
        assertThat(send("/kits/3/finish", "ines").getStatus()).isEqualTo(403);
        assertThat(send("/kits/3/finish", "bram").getStatus()).isEqualTo(302);
        assertThat(page("/batches/3", "ines")).doesNotContain("When the rest of its kit is not used");
        assertThat(page("/journal", "ines")).contains("Nothing more is mixed from kit 3");
        assertThat(send("/kits/3/finish", "bram").getContentAsString())
                .contains("Nothing more is mixed from this kit already.");
    }

    @Test
    public void aLimitThatCameMeanwhileIsNotHeldAgainstTheRun() throws Exception {
        String started = String.valueOf(send(
                        "/batches/5/starts",
                        "ines",
                        film("1", "135-36", "1", "seen", "" + log.book().lastSequence()))
                .getRedirectedUrl());
        long run = Long.parseLong(started.replaceAll("\\D", ""));
        String key = developer(5).bath().key();
        long sheet = leaflets.idOf(developer(5).leaflet());
        send(
                "/leaflets/" + sheet + "/limits/" + key,
                "bram",
                "rolls-" + key,
                "1",
                "days-" + key,
                "",
                "reason-" + key,
                "x");
        send("/runs/" + run + "/end", "ines", film("1", "135-36", "1"));
        List<RunLogged> runs = log.state().batch(5).runs();
        assertThat(runs.get(runs.size() - 1).started()).isEqualTo(run);
        assertThat(runs.get(runs.size() - 1).against()).isEmpty();
        send(
                "/leaflets/" + sheet + "/limits/" + key,
                "bram",
                "rolls-" + key,
                "",
                "days-" + key,
                "",
                "reason-" + key,
                "x");
    }
}
