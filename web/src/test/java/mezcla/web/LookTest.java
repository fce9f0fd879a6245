package mezcla.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.offset;

import java.time.Clock;
import java.time.Duration;
import java.time.LocalDateTime;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import mezcla.batch.BatchState;
import mezcla.batch.FillState;
import mezcla.batch.ShortCode;
import mezcla.log.FilmInspected;
import mezcla.log.Sign;
import mezcla.verdict.State;
import mezcla.web.answers.Planning;
import mezcla.web.drawing.plot.LifeWindowDrawing;
import mezcla.web.log.DarkroomLog;
import mezcla.web.look.signs.SignGuide;
import mezcla.web.settings.HouseService;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Looking at film and bottles, the schools of the house and the climate of its places. */
public class LookTest extends DemoPagesTest {
    @Autowired
    private DarkroomLog log;

    @Autowired
    private Planning planning;

    @Autowired
    private SignGuide guide;

    @Autowired
    private HouseService houses;

    @Autowired
    private Clock clock;

    private static long lastRun(BatchState batch) {
        return batch.runs().get(batch.runs().size() - 1).stamp().sequence();
    }

    private FillState developer(long batch) {
        return log.state().batch(batch).imageDeveloper().orElseThrow();
    }

    private State state(long batch) {
        return planning.nextRoll(log.state().batch(batch)).verdict().state();
    }

    @Test
    public void thinFilmTrimsTheDeveloperAndItsNextTime() throws Exception {
        BatchState batch = log.state().batch(5);
        String asked = page("/batches/5", "ines");
        assertThat(asked).contains("Film to look at");
        String form = page("/batches/5/looks/" + lastRun(batch), "ines");
        assertThat(form).contains("trim +4 %, so the next roll takes");
        String before = planning.nextRoll(batch)
                .imageDeveloper()
                .orElseThrow()
                .shown()
                .orElseThrow()
                .toString();
        String look = "/batches/5/looks/" + lastRun(batch);
        assertThat(send(look, "ines", "roll", "0", "result", "THIN", "suspect-EXPOSURE", "true")
                        .getRedirectedUrl())
                .isEqualTo("/batches/5?looked");
        assertThat(developer(5).trimPercent()).isZero();
        send(look, "ines", "roll", "1", "result", "THIN", "suspect-CHEMISTRY", "true");
        assertThat(developer(5).trimPercent()).isEqualTo(4);
        String after = planning.nextRoll(log.state().batch(5))
                .imageDeveloper()
                .orElseThrow()
                .shown()
                .orElseThrow()
                .toString();
        assertThat(after).isNotEqualTo(before);
        assertThat(page("/batches/5", "ines")).doesNotContain("Film to look at").contains("put down to the chemistry");
        assertThat(send(look, "ines", "roll", "2", "result", "GOOD").getContentAsString())
                .contains("Choose one of its rolls.");
    }

    @Test
    public void wetFilmIsNotJudged() throws Exception {
        send(
                "/batches/7/runs",
                "ines",
                "film[0].count",
                "1",
                "film[0].owner",
                "Ines",
                "film[0].format",
                "135-36",
                "push",
                "0",
                "tank",
                "1");
        long run = lastRun(log.state().batch(7));
        String look = "/batches/7/looks/" + run;
        assertThat(page(look, "ines")).contains("The film is still wet");
        assertThat(send(look, "ines", "roll", "0", "result", "MILKY_DRY").getContentAsString())
                .contains("Film is judged dry, two to three hours after the run.");
        assertThat(log.state().batch(7).looks()).isEmpty();
    }

    /** Film is logged with where it hangs; one tap says that a load is good, but for the roll that somebody saw apart. */
    @Test(priority = 1)
    public void aWholeLoadIsGoodWithOneTapAndARollApartStaysApart() throws Exception {
        String run = start("ines", 3, "135-36", "1");
        assertThat(send(
                                run + "/end",
                                "ines",
                                "film[0].count",
                                "3",
                                "film[0].owner",
                                "Ines",
                                "film[0].format",
                                "135-36",
                                "film[0].name",
                                "Harbour",
                                "push",
                                "0",
                                "hangs",
                                "line 2")
                        .getRedirectedUrl())
                .startsWith("/batches/3?logged");
        assertThat(page("/batches/3", "devi")).contains("It hangs at line 2 and is dry at about");
        long sequence = lastRun(log.state().batch(3));
        assertThat(page("/journal", "ines")).contains(". Hangs: line 2");
        String look = "/batches/3/looks/" + sequence;
        assertThat(send(look, "ines", "good", "true").getContentAsString()).contains("Film is judged dry");
        String earlier = LocalDateTime.now(houses.house().timeZone())
                .minusHours(3)
                .truncatedTo(ChronoUnit.MINUTES)
                .toString();
        send("/batches/3/runs", "ines", film("3", "135-36", "1", "done", "true", "when", earlier));
        long dry = log.state().batch(3).runs().stream()
                .filter(each -> each.rolls().size() == 3)
                .mapToLong(each -> each.stamp().sequence())
                .max()
                .orElseThrow();
        String dryLook = "/batches/3/looks/" + dry;
        assertThat(page(dryLook, "ines")).contains("All 3 rolls are good").doesNotContain("It hangs");
        send(dryLook, "ines", "roll", "1", "result", "STREAKS", "suspect-HANDLING", "true");
        send(dryLook, "ines", "good", "true");
        assertThat(log.state().batch(3).looks().stream()
                        .filter(each -> each.run() == dry)
                        .map(each -> each.roll() + " " + each.result()))
                .containsExactly("1 STREAKS", "0 GOOD", "2 GOOD");
    }

    @Test
    public void aClipIsLoggedWithHowItWasMade() throws Exception {
        FillState developer = developer(4);
        send(
                "/fills/" + developer.id() + "/clips",
                "ines",
                "result",
                "GOOD",
                "method",
                "film leader",
                "exposure",
                "daylight, 10 s",
                "reading",
                "");
        assertThat(page("/journal?batch=4", "ines")).contains("(film leader, daylight, 10 s)");
        assertThat(send("/fills/" + developer.id() + "/clips", "ines", "result", "GOOD", "method", "x".repeat(201))
                        .getContentAsString())
                .contains("up to 200 characters");
    }

    /** Two members who both log the load are asked before it is counted twice. */
    @Test(priority = 1)
    public void theSameRollsWithinAnHourArePointedOut() throws Exception {
        String[] film = film("2", "120", "2", "done", "true");
        int before = log.state().batch(2).runs().size();
        assertThat(send("/batches/2/runs", "ines", film).getRedirectedUrl()).isNotNull();
        String asked = send("/batches/2/runs", "devi", film).getContentAsString();
        assertThat(asked).contains("Ines logged the same rolls").contains("these are other rolls");
        assertThat(log.state().batch(2).runs()).hasSize(before + 1);
        String[] others = film("2", "120", "2", "done", "true", "others", "true");
        assertThat(send("/batches/2/runs", "devi", others).getRedirectedUrl()).isNotNull();
        assertThat(log.state().batch(2).runs()).hasSize(before + 2);
    }

    @Test
    public void aStrongCastFromTheChemistryCondemnsAndASlightOneDoesNot() throws Exception {
        String look = "/batches/6/looks/" + lastRun(log.state().batch(6));
        State before = state(6);
        send(look, "ines", "roll", "0", "result", "CAST", "strength", "strong", "suspect-SCAN", "true");
        assertThat(state(6)).isEqualTo(before);
        send(look, "ines", "roll", "0", "result", "CAST", "strength", "slight", "suspect-CHEMISTRY", "true");
        assertThat(state(6)).isEqualTo(before);
        send(look, "ines", "roll", "0", "result", "CAST", "strength", "strong", "suspect-CHEMISTRY", "true");
        assertThat(state(6)).isEqualTo(State.DISCARD);
        long row = log.book()
                .entries()
                .get(log.book().entries().size() - 1)
                .stamp()
                .sequence();
        send("/journal/" + row + "/void", "bram", "reason", "the wrong batch");
        assertThat(state(6)).isEqualTo(before);
    }

    @Test(dependsOnMethods = "thinFilmTrimsTheDeveloperAndItsNextTime")
    public void contaminationBarsABathForEveryoneAndDarknessDoesNot() throws Exception {
        long fill = developer(5).id();
        State before = state(5);
        send("/fills/" + fill + "/looks", "devi", "sign", "DARK");
        assertThat(state(5)).isEqualTo(before);
        assertThat(send("/fills/" + fill + "/looks", "devi", "sign", "CONTAMINATED", "note", "bleach-fix in it")
                        .getRedirectedUrl())
                .isEqualTo("/fills/" + fill + "?looked");
        assertThat(state(5)).isEqualTo(State.DISCARD);
        assertThat(page("/batches/5", "ines")).contains("another solution got into it", "foreign solution in it");
        assertThat(send(
                                "/batches/5/overrides",
                                "ines",
                                "film[0].count",
                                "1",
                                "film[0].owner",
                                "Ines",
                                "film[0].format",
                                "135-36",
                                "push",
                                "0",
                                "tank",
                                "1",
                                "why",
                                "it may be lost")
                        .getContentAsString())
                .contains("No limit holds this run back that could be passed");
    }

    @Test
    public void aCleanClipReassuresAboutADeveloper() throws Exception {
        assertThat(state(3)).isEqualTo(State.CHECK);
        long developer = developer(3).id();
        long fixer = log.state().batch(3).fills().get(2).id();
        assertThat(send("/fills/" + fixer + "/clips", "ines", "result", "GOOD").getContentAsString())
                .contains("A clip test judges a developer.");
        send("/fills/" + developer + "/clips", "ines", "result", "GOOD");
        assertThat(state(3)).isNotEqualTo(State.CHECK);
    }

    @Test(
            dependsOnMethods = {
                "aCleanClipReassuresAboutADeveloper",
                "contaminationBarsABathForEveryoneAndDarknessDoesNot"
            })
    public void aSchoolChangesVerdictsAtOnceForItsProcessAlone() throws Exception {
        State slides = state(7);
        assertThat(page("/house/strictness", "bram"))
                .contains("When is a batch too old or too tired?", "Of today’s four batches");
        assertThat(state(3)).isLessThan(State.CHECK);
        send("/house/schools", "bram", "process", "colour-negative", "school-colour-negative", "CAREFUL");
        assertThat(state(3)).isEqualTo(State.DISCARD);
        assertThat(state(7)).isEqualTo(slides);
        assertThat(page("/batches/3", "ines")).contains("rolls and age together are at", "Judged carefully");
        send("/house/schools", "bram", "process", "colour-negative", "school-colour-negative", "STRETCH");
        assertThat(state(2)).isNotEqualTo(State.DISCARD);
        assertThat(page(
                        "/batches/2/run?irreplaceable=true&film[0].count=1&film[0].owner=I&film[0].format=135-36&push=0&tank=1&formKey="
                                + UUID.randomUUID(),
                        "ines"))
                .contains("of what careful use allows");
        send("/house/schools", "bram", "process", "colour-negative", "school-colour-negative", "LEAFLET");
    }

    @Test
    public void aPlaceCountsByItsLoggerAndItsSeasons() throws Exception {
        FillState fill = log.state().batch(5).fills().get(1);
        assertThat(page("/fills/" + fill.id(), "ines"))
                .contains("stored as if for", "boiler shelf with air over it cost");
        long place = fill.kept().place().id();
        assertThat(planning.nextRoll().judging().climate().celsius(fill.kept().place(), clock.instant()))
                .isCloseTo(27, offset(5.0));
        String broken = "time,celsius\n2026-01-01T10:00,21.5\n2026-01-01T11:00,warm\n";
        assertThat(read(place, broken).getContentAsString()).contains("Line 3 is no reading.");
        for (String other : new String[] {"0001-01-01T10:00", "9999-12-31T10:00", "2020-01-01T10:00"}) {
            assertThat(read(place, "time,celsius\n" + other + ",21.5\n").getContentAsString())
                    .as(other)
                    .contains("Line 2 is of a time that is to come, or more than five years ago.");
        }
        String hot = "\uFEFFtime,celsius\n" + clock.instant() + ",40\n";
        assertThat(read(place, hot).getRedirectedUrl()).isEqualTo("/house/places/" + place + "?saved");
        assertThat(planning.nextRoll().judging().climate().celsius(fill.kept().place(), clock.instant()))
                .isEqualTo(40);
        String back = "/house/places/" + place + "/readings/take-back";
        assertThat(send(back, "bram").getRedirectedUrl()).isEqualTo("/house/places/" + place + "?saved");
        assertThat(planning.nextRoll().judging().climate().celsius(fill.kept().place(), clock.instant()))
                .isCloseTo(27, offset(5.0));
        assertThat(read(place, hot.replace(",40", ",31")).getRedirectedUrl())
                .isEqualTo("/house/places/" + place + "?saved");
        assertThat(planning.nextRoll().judging().climate().celsius(fill.kept().place(), clock.instant()))
                .isEqualTo(31);
        assertThat(send(back, "bram").getRedirectedUrl()).isEqualTo("/house/places/" + place + "?saved");
        assertThat(send(back, "bram").getRedirectedUrl())
                .as("that of the demonstration")
                .isEqualTo("/house/places/" + place + "?saved");
        assertThat(send(back, "bram").getContentAsString())
                .contains("No readings of this place are left to take back.");
        assertThat(read(place, "").getContentAsString()).contains("Choose a file.");
        assertThat(read(place, "time,celsius\n").getContentAsString()).contains("There is no reading in this file.");
    }

    private MockHttpServletResponse read(long place, String file) throws Exception {
        return sendFile("/house/places/" + place + "/readings", "bram", file);
    }

    @Test
    public void theLifeWindowShowsRunsLimitsAndTheNextStep() {
        FillState fill = developer(4);
        LifeWindowDrawing life = LifeWindowDrawing.of(fill, planning.nextRoll()).orElseThrow();
        assertThat(life.points()).hasSize(3);
        assertThat(life.points())
                .extracting(LifeWindowDrawing.Point::y)
                .isSortedAccordingTo((a, b) -> Double.compare(b, a));
        assertThat(life.first().width()).isLessThan(life.last().width());
        assertThat(life.points().get(2).x()).isLessThanOrEqualTo(life.todayX());
        assertThat(life.bands()).extracting(LifeWindowDrawing.Band::time).contains("3:45");
        assertThat(life.text()).isEqualTo("Developer: 7 of 18 rolls, 23 of 42 days; the next run makes it 8 rolls.");
        assertThat(LifeWindowDrawing.of(developer(6), planning.nextRoll())).isEmpty();
    }

    @DataProvider
    public Object[][] words() {
        return new Object[][] {
            {"blix", "Film stays milky when it is dry"},
            {"remjet", "Black specks and smears that wipe off"},
            {"milky wet", "Wet negatives look milky or opalescent"},
            {"ink", "The developer has gone black, like coffee"},
            {"blix into developer", "Bleach-fix got into the developer"},
            {"forgot to shake", "Uneven density along the roll, most in skies"},
            {"came out blank", "The film is clear, without edge print"},
            {"CONTRAST dense", "Negatives are dense, hard to see through"},
            {"stabilizer", "The final rinse or stabiliser has turned pink"},
            {"stabiliser pink", "The final rinse or stabiliser has turned pink"},
            {"developer turned dark", "The developer has darkened from straw to tea"},
            {"developer turned dark", "The developer has gone black, like coffee"},
            {"bleach-fix blood red", "The bleach or bleach-fix has changed colour"},
            {"pink final rinse", "The final rinse or stabiliser has turned pink"},
            {"negatives are pink", "A reddish tint that stays when it is dry"},
            {"flat and dark", "Slides came out too dark"},
            {"sandy", "Grain like sand"},
            {"grinding", "Stirring feels or sounds gritty"},
            {"cast too cold", "A colour cast over a roll that was run too cool, too warm or too long"},
            {"retikulation", "Wrinkled or net-like surface"},
            {"bubles", "Round undeveloped spots"},
        };
    }

    @Test(dataProvider = "words")
    public void theGuideIsFoundByTheWordsThatPeopleType(String typed, String seen) {
        List<SignGuide.Entry> found = guide.find(typed, "");
        assertThat(found).extracting(SignGuide.Entry::seen).contains(seen);
        assertThat(found.size()).isLessThan(guide.find("", "").size());
    }

    @DataProvider
    public Object[][] best() {
        return new Object[][] {
            {"pink final rinse", "The final rinse or stabiliser has turned pink"},
            {"bleach-fix blood red", "The bleach or bleach-fix has changed colour"},
            {"negatives are pink", "A reddish tint that stays when it is dry"},
            {"grinding", "Stirring feels or sounds gritty"},
            {"milky wet negatives", "Wet negatives look milky or opalescent"},
            {"developer gone black", "The developer has gone black, like coffee"},
        };
    }

    @Test(dataProvider = "best")
    public void whatFitsBestStandsFirst(String typed, String seen) {
        assertThat(guide.find(typed, "").get(0).seen()).isEqualTo(seen);
    }

    @Test
    public void slangIsFoundAndNotShown() throws Exception {
        String found = page("/signs?q=blix", "ines");
        assertThat(found).contains("Film stays milky when it is dry");
        assertThat(found.replace("value=\"blix\"", "").replace("q=blix", "")).doesNotContain("blix");
        assertThat(page("/signs?q=zzz", "ines")).contains("Nothing by these words");
        assertThat(guide.find("", "")).filteredOn(SignGuide.Entry::normal).hasSizeGreaterThanOrEqualTo(4);
        assertThat(log.book().entries().stream().filter(FilmInspected.class::isInstance))
                .isNotEmpty();
    }

    @Test
    public void aRoundFindsBottlesAndWhatWasNotFoundSurfaces() throws Exception {
        FillState bleachFix = log.state().batch(2).fills().get(1);
        String code = ShortCode.of(bleachFix.id());
        assertThat(page("/walk", "ines")).contains(code);
        assertThat(send("/walk", "ines", "code", "http://house/codes/" + code, "level", "1000", "sign", "DARK")
                        .getRedirectedUrl())
                .startsWith("/walk?found=" + bleachFix.bottle().label() + "&entry=");
        FillState after = log.state().batch(2).fills().get(1);
        assertThat(after.volumeMl()).isEqualTo(1000);
        assertThat(after.signs()).isEqualTo(Set.of(Sign.DARK));
        assertThat(Duration.between(after.seenAt(), clock.instant())).isLessThan(Duration.ofMinutes(1));
        assertThat(send("/walk", "ines", "code", "2345").getContentAsString()).contains("is not the code of a bottle");
        long gone = log.state().batch(1).fills().get(0).id();
        assertThat(send("/walk", "ines", "code", ShortCode.of(gone)).getContentAsString())
                .contains("No bottle on the shelf has the code");
        int before = log.book().entries().size();
        assertThat(send("/walk", "ines", "code", code, "level", "9 L").getContentAsString())
                .contains("holds 1250");
        assertThat(log.book().entries()).hasSize(before);
    }
}
