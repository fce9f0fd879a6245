package mezcla.web.journey;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static mezcla.web.journey.Browser.byName;
import static mezcla.web.journey.Browser.heading;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import mezcla.batch.BatchState;
import mezcla.log.RunLogged;
import mezcla.web.DemoApplicationTest;
import mezcla.web.log.DarkroomLog;
import org.assertj.core.api.Assertions;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.context.annotation.Import;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** Whole runs of every process, from the plan to the log, and an evening of two; with a clock that the test turns. */
@Import(TurnedClock.class)
public class RunsJourneyTest extends DemoApplicationTest {
    private static final int MOST_PRESSES = 150;
    private static final long TIMER_ERROR_MS = 200;

    @LocalServerPort
    private int port;

    @Autowired
    private DarkroomLog log;

    @Autowired
    private Clock clock;

    private Browser browser;

    @BeforeClass(dependsOnMethods = "springTestContextPrepareTestInstance")
    public void openBrowser() {
        browser = new Browser(port);
    }

    @AfterClass(alwaysRun = true)
    public void closeBrowser() {
        browser.close();
    }

    private Page member(String name, int width, int height) {
        Page page = browser.signedIn(name, width, height);
        page.clock().install();
        return page;
    }

    private static void start(Page page) {
        heading(page);
        if (page.locator("#madeFor").inputValue().isEmpty()) {
            Browser.saysWhichFilm(page);
        }
        page.locator("button[formaction$='/starts']").click();
        Browser.at(page, "**/ribbon");
    }

    /** Plays a run to its end: presses what there is to press, and lets time pass where there is nothing. */
    private static List<String> play(Page page) {
        List<String> said = new ArrayList<>();
        for (int i = 0; i < MOST_PRESSES; i++) {
            String step = page.locator("#step").innerText();
            if (step.equals("The run is over")) {
                return said;
            }
            if (page.locator("#go").isVisible()) {
                said.add(page.locator("#next").innerText() + " | "
                        + page.locator("#go-words").innerText());
                TurnedClock.press(page);
            } else {
                TurnedClock.after(
                        page, TurnedClock.seconds(page.locator("#left").innerText()) + 1);
                said.add(page.locator("#said").textContent());
            }
        }
        throw new AssertionError("it does not end: " + said);
    }

    private RunLogged logIt(Page page, long batch) {
        assertThat(page.locator("#go-words")).hasText("Log the run");
        TurnedClock.press(page);
        Browser.at(page, "**/runs/*");
        assertThat(page.getByText("As it was confirmed, from one pour to the next."))
                .isVisible();
        page.getByRole(AriaRole.BUTTON, byName("It is done: log it")).click();
        Browser.at(page, "**?logged");
        List<RunLogged> runs = log.state().batch(batch).runs();
        return runs.get(runs.size() - 1);
    }

    /** Hours later the film is dry, and good with one tap. */
    private void lookedAt(Page page, RunLogged run) {
        TurnedClock.after(page, 150 * 60);
        page.navigate(
                "/batches/%d/looks/%d".formatted(run.batchId(), run.stamp().sequence()));
        assertThat(heading(page)).hasText("What does the film look like, dry?");
        page.locator("button[name='good']").click();
        Browser.at(page, "**?looked");
        Assertions.assertThat(log.state().batch(run.batchId()).looks())
                .anyMatch(look ->
                        look.run() == run.stamp().sequence() && look.result().isGood());
    }

    private long batchOf(String sheet) {
        return log.state().standing().stream()
                .filter(batch -> batch.leaflet().name().startsWith(sheet)
                        && batch.fills().stream()
                                .noneMatch(fill -> fill.bath().oneShot() != null && fill.volumeMl() < 300))
                .map(BatchState::id)
                .findFirst()
                .orElseThrow();
    }

    @Test
    public void anEveningOfTwoLoadsIsPlannedWarmedRunAndLoggedOnAPhone() {
        Page ines = member("ines", 390, 844);
        for (String film : new String[] {"4", "3"}) {
            ines.navigate("/batches/4/run");
            heading(ines);
            ines.locator("#tank").selectOption("3");
            ines.locator("[name='film[0].count']").fill(film);
            assertThat(ines.locator("#answer")).containsText(film.equals("4") ? "Log four rolls" : "Log three rolls");
            Browser.saysWhichFilm(ines);
            ines.locator("button[formaction$='/loads']").click();
            Browser.at(ines, "**/evening?planned");
        }
        Browser.assertAccessible(ines);
        assertThat(heading(ines)).containsText("Start warming at");
        assertThat(ines.locator(".evening-loads")).containsText("20 s more than the load before");
        ines.getByRole(AriaRole.LINK, byName("Warm up")).click();
        heading(ines);
        ines.getByRole(AriaRole.BUTTON, byName("Switch it on")).click();
        assertThat(ines.locator(".warm-probe")).containsText("Simulated probe: 2");
        assertThat(heading(ines)).containsText("Getting warm, pour at");
        Browser.assertAccessible(ines);
        TurnedClock.after(ines, 80 * 60);
        ines.reload();
        assertThat(heading(ines)).hasText("It is warm: pour now");
        List<Integer> developed = new ArrayList<>();
        for (int load = 1; load <= 2; load++) {
            if (load == 1) {
                ines.navigate("/evening?warm=yes");
            }
            ines.getByRole(AriaRole.LINK, byName("Go on with load 1")).click();
            start(ines);
            play(ines);
            developed.add(logIt(ines, 4).baths().get(0).seconds());
            Assertions.assertThat(ines.url()).endsWith(load == 1 ? "/evening?logged" : "/batches/4?logged");
        }
        Assertions.assertThat(developed.get(1)).isGreaterThanOrEqualTo(developed.get(0) + 15);
        ines.context().close();
    }

    @Test
    public void bleachAndFixerApartAreRunTurning() {
        long batch = batchOf("Weir");
        Page page = member("devi", 1280, 800);
        page.navigate("/batches/" + batch + "/run?tank=1&movement=ROTARY");
        assertThat(page.locator("#ways, #tank-fit")).containsText("developer 3:10");
        start(page);
        List<String> said = play(page);
        Assertions.assertThat(said)
                .anyMatch(each -> each.contains("Bl, bleach"))
                .anyMatch(each -> each.contains("Fill 2 of 2"));
        Assertions.assertThat(said).anyMatch(each -> each.contains("Pour in: wash. Light may come in now."));
        RunLogged run = logIt(page, batch);
        Assertions.assertThat(run.baths()).hasSize(4).allMatch(bath -> bath.seconds() != null);
        page.context().close();
    }

    @Test
    public void slidesTakeAFirstDeveloperThatServesOnce() {
        long batch = batchOf("Lantern");
        double before = log.state().batch(batch).fills().get(0).volumeMl();
        Page page = member("saoirse", 1280, 800);
        page.navigate("/batches/" + batch + "/run?tank=1");
        start(page);
        Assertions.assertThat(page.locator("#main").getAttribute("data-run")).contains("it serves once");
        List<String> said = play(page);
        Assertions.assertThat(said)
                .anyMatch(each -> each.contains("Cd, colour developer"))
                .anyMatch(each ->
                        each.matches("(?s)Mix 150.ml of stock and 150.ml of water at 38\\.5.°C, then pour in: F1.*"));
        int light = said.indexOf(said.stream()
                .filter(each -> each.contains("Light may come in now."))
                .findFirst()
                .orElseThrow());
        int bleachFix = said.indexOf(said.stream()
                .filter(each -> each.contains("Pouring in: Bx"))
                .findFirst()
                .orElseThrow());
        Assertions.assertThat(light).as("light comes before the bleach-fix").isLessThanOrEqualTo(bleachFix);
        RunLogged run = logIt(page, batch);
        Assertions.assertThat(run.baths().get(0).pouredAwayMl()).isPositive();
        Assertions.assertThat(log.state().batch(batch).fills().get(0).volumeMl())
                .isEqualTo(before - run.baths().get(0).pouredAwayMl());
        lookedAt(page, run);
        page.context().close();
    }

    @Test
    public void cineFilmLosesItsBackingAndIsWipedBeforeTheEnd() {
        Page page = member("tomasz", 1280, 800);
        page.navigate("/kits/8/mix");
        page.getByLabel("What the batch is called").fill("Sootback");
        page.locator("summary:has-text('It is mixed already')").click();
        page.getByRole(AriaRole.BUTTON, byName("Put it on the shelf as it is")).click();
        Browser.at(page, "**/batches/*?mixed");
        long batch = Long.parseLong(page.url().replaceAll(".*/batches/([0-9]+).*", "$1"));
        page.navigate("/batches/" + batch + "/run?tank=1");
        assertThat(page.locator(".run-steps")).containsText("shake hard, so that the backing comes off");
        start(page);
        List<String> said = play(page);
        Assertions.assertThat(said)
                .anyMatch(each -> each.contains("It runs clear"))
                .anyMatch(each -> each.contains(
                        "Wipe the glossy back, never the other side, with a soft wet sponge, then pour in: Fr"));
        RunLogged run = logIt(page, batch);
        Assertions.assertThat(run.baths()).hasSize(6);
        lookedAt(page, run);
        page.navigate("/batches/" + batch + "/run?tank=1&steps[pre-bath].how=OUT&steps[water-1].how=OUT");
        assertThat(page.locator("#steps-error")).containsText("before its pre-bath and a rinse");
        page.locator("#more-film summary").click();
        page.locator("#backing").selectOption("NONE");
        assertThat(page.locator("#steps-error")).hasText("");
        start(page);
        assertThat(page.locator("#next")).hasText("Pour in: De, developer");
        List<String> unbacked = play(page);
        Assertions.assertThat(unbacked).noneMatch(each -> each.contains("Pb")).noneMatch(each -> each.contains("Wipe"));
        RunLogged second = logIt(page, batch);
        Assertions.assertThat(second.rolls().get(0).hasCarbonBacking()).isFalse();
        lookedAt(page, second);
        page.context().close();
    }

    @Test
    public void aRunAtAnotherTemperatureIsPlayedAndLoggedAtIt() {
        Page page = member("devi", 1280, 800);
        page.navigate("/batches/5/run?tank=1&celsius=37");
        assertThat(page.locator("#answer")).containsText("for the temperature");
        start(page);
        assertThat(page.locator("#next")).containsText("developer");
        play(page);
        RunLogged run = logIt(page, 5);
        Assertions.assertThat(run.baths().get(0).celsius()).isEqualTo(37);
        lookedAt(page, run);
        page.context().close();
    }

    /** The bottle holds 296 ml and the tank takes 300: the run goes, and says so. */
    @Test
    public void aFewMillilitresShortTheRunGoesAndSaysSo() {
        long fill = log.state().batch(5).fills().get(0).id();
        Page page = member("saoirse", 1280, 800);
        page.navigate("/fills/" + fill);
        page.locator("#measured").fill("296 ml");
        page.locator("form[action$='/measurements'] button").click();
        Browser.at(page, "**/fills/*measured*");
        page.navigate("/batches/5/run?tank=1");
        assertThat(page.locator(".run-remarks")).containsText("4 ml");
        start(page);
        play(page);
        RunLogged run = logIt(page, 5);
        Assertions.assertThat(run.against()).isEmpty();
        lookedAt(page, run);
        page.context().close();
    }

    /** Each confirmation carries the moment at which it was pressed, through long waits, a reload and a paused wash. */
    @Test
    public void overFortyMinutesTheTimerIsNotOffByAFifthOfASecond() {
        Page page = member("ines", 1280, 800);
        page.navigate("/batches/5/run?tank=1");
        start(page);
        String events = page.url().replace("/ribbon", "/events");
        List<Instant[]> pressed = new ArrayList<>();
        for (int step = 0; step < 4; step++) {
            pressed.add(pressed(page));
            if (step == 2) {
                page.reload();
            }
            TurnedClock.after(page, step == 1 ? 1500 : 450);
        }
        pressed.add(pressed(page));
        assertThat(page.locator("#go-words")).hasText("Log the run");
        Matcher at = Pattern.compile("\"at\":([0-9]+)")
                .matcher(page.request().get(events).text());
        List<Long> kept = new ArrayList<>();
        while (at.find()) {
            kept.add(Long.parseLong(at.group(1)));
        }
        Assertions.assertThat(kept).hasSameSizeAs(pressed);
        Assertions.assertThat(kept.get(kept.size() - 1) - kept.get(0)).isGreaterThan(40 * 60 * 1000);
        for (int i = 0; i < kept.size(); i++) {
            Assertions.assertThat(kept.get(i))
                    .as("press %d", i)
                    .isBetween(
                            pressed.get(i)[0].toEpochMilli() - TIMER_ERROR_MS,
                            pressed.get(i)[1].toEpochMilli() + TIMER_ERROR_MS);
        }
        page.context().close();
    }

    private Instant[] pressed(Page page) {
        TurnedClock.turn(page, 2500);
        for (int i = 0; i < 2; i++) {
            page.waitForResponse(
                    "**/events", () -> page.evaluate("document.dispatchEvent(new Event('visibilitychange'))"));
        }
        assertThat(page.locator("#go")).isVisible();
        Instant before = clock.instant();
        page.keyboard().press("Space");
        return new Instant[] {before, clock.instant()};
    }
}
