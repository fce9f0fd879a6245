package mezcla.web.journey;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static mezcla.web.journey.Browser.byName;
import static mezcla.web.journey.Browser.heading;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Pattern;
import mezcla.batch.FillState;
import mezcla.batch.ShortCode;
import mezcla.log.Accident;
import mezcla.log.RunAccident;
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

/** Runs played on the ribbon, with a clock that the test turns. */
@Import(TurnedClock.class)
public class RibbonJourneyTest extends DemoApplicationTest {
    @LocalServerPort
    private int port;

    @Autowired
    private DarkroomLog log;

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

    /** The cases of the core's own fold, through the browser's. */
    @Test
    public void theBrowserFoldsWhatWasConfirmedAsTheServerDoes() throws IOException {
        String cases = Files.readString(Path.of("..", "core", "src", "test", "resources", "ribbon", "fold.json"));
        Page page = browser.open(800, 600);
        page.navigate("/sign-in");
        Object wrong = page.evaluate(
                """
                async (text) => {
                  const { fold } = await import("/scripts/ribbon/fold.js");
                  const { elapsed } = await import("/scripts/ribbon/clock.js");
                  const same = (one, other) => JSON.stringify(one) === JSON.stringify(other);
                  const folded = (worked) => {
                    const events = worked.events.map(([at, kind, step, value]) => ({ at, kind, step, value }));
                    const now = fold(worked.steps, events);
                    const begun = now.step >= 0;
                    return {
                      step: now.step, pouredMs: begun ? now.poured : null, changed: now.changed,
                      paused: now.paused / 1000, waitingSinceMs: now.since || null, fills: now.fills,
                      moved: [...now.moved], done: now.done,
                      elapsed: begun ? elapsed(now, worked.nowMs) : null,
                    };
                  };
                  return JSON.parse(text).filter((worked) => !same(folded(worked), worked.expect))
                    .map((worked) => worked.name + ": " + JSON.stringify(folded(worked)));
                }
                """,
                cases);
        Assertions.assertThat((List<?>) wrong).isEmpty();
    }

    /** The same cases as of the core, for which press takes a run on. */
    @Test
    public void theBrowserOffersThePressThatTheServerWould() throws IOException {
        String cases = Files.readString(Path.of("..", "core", "src", "test", "resources", "ribbon", "press.json"));
        Page page = browser.open(800, 600);
        page.navigate("/sign-in");
        Object wrong = page.evaluate(
                """
                async (text) => {
                  const { press } = await import("/scripts/ribbon/fold.js");
                  const pressed = (worked) => press(worked, { open: worked.open, fills: worked.inFills }, worked.last,
                    worked.over, worked.due);
                  return JSON.parse(text).filter((worked) => pressed(worked) !== worked.expect)
                    .map((worked) => worked.name + ": " + pressed(worked));
                }
                """,
                cases);
        Assertions.assertThat((List<?>) wrong).isEmpty();
    }

    /** The quickest answer of the server's clock holds, unless a later one cannot be explained by its way. */
    @Test
    public void theClockGoesByTheQuickestAnswer() {
        Page page = browser.open(800, 600);
        page.navigate("/sign-in");
        Object offsets = page.evaluate(
                """
                async () => {
                  const { ServerClock } = await import("/scripts/ribbon/clock.js");
                  const clock = new ServerClock(5000, 1000);
                  const after = [clock.offset];
                  const hear = (now, asked, heard) => { clock.agree(now, asked, heard); after.push(clock.offset); };
                  hear(6050, 2000, 2100);
                  hear(7400, 3000, 3800);
                  hear(9045, 5000, 5080);
                  hear(99000, 6000, 6100);
                  hear(500000, 7000, 10000);
                  return after;
                }
                """);
        Assertions.assertThat(((List<?>) offsets)
                        .stream().map(each -> ((Number) each).intValue()).toList())
                .as("first guess; an answer; a slow one; a quicker one; a clock that was set; one that took too long")
                .containsExactly(4000, 4000, 4000, 4005, 92950, 92950);
    }

    @Test
    public void aRunIsPlayedToItsEndThroughAReloadAndAWrongBottle() {
        Page ines = member("ines", 1280, 800);
        ines.navigate("/batches/4/run");
        assertThat(ines.locator("#whole")).containsText("16:05");
        Browser.saysWhichFilm(ines);
        ines.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Start colour negative"))
                .click();
        Browser.at(ines, "**/runs/*/ribbon");
        Browser.assertAccessible(ines);
        String ribbon = ines.url();
        assertThat(heading(ines)).containsText("Before it begins");
        TurnedClock.press(ines);
        assertThat(ines.locator("#step")).hasText("Pre-soak");
        TurnedClock.after(ines, 60);
        assertThat(ines.locator("#next")).hasText("Pour in: De, developer");
        FillState bleachFix = log.state().batch(4).fills().get(1);
        ines.locator("#code").fill(ShortCode.of(bleachFix.id()));
        ines.locator("#code").press("Enter");
        assertThat(ines.locator("#trouble")).containsText("Stop. That is Bleach-fix (Bx).");
        assertThat(ines.locator(".ribbon.stopped")).isVisible();
        assertThat(ines.locator("#go-words")).hasText("I have put it back");
        TurnedClock.press(ines);
        assertThat(ines.locator(".ribbon.stopped")).hasCount(0);
        assertThat(ines.locator("#step")).hasText("Pre-soak");
        ines.locator("#code").fill(ShortCode.of(bleachFix.id()));
        ines.locator("#code").press("Enter");
        FillState developer = log.state().batch(4).fills().get(0);
        ines.locator("#code").fill(ShortCode.of(developer.id()));
        ines.locator("#code").press("Enter");
        assertThat(ines.locator("#trouble")).hasText("Right: Developer (De).");
        TurnedClock.press(ines);
        assertThat(ines.locator("#step")).hasText("Developer");
        TurnedClock.after(ines, 100);
        assertThat(ines.locator("#of")).hasText("left of 3:45");
        ines.locator("#celsius").fill("98");
        ines.locator("#celsius").press("Enter");
        assertThat(ines.locator("#trouble")).containsText("98.0 °C is no temperature of a bath");
        assertThat(ines.locator("#celsius")).hasValue("98");
        ines.locator("#celsius").fill("100 F");
        ines.locator("#celsius").press("Enter");
        assertThat(ines.locator("#celsius")).hasValue("");
        assertThat(ines.locator("#saved")).hasText("Kept here and on the server.");
        String before = ines.locator("#left").innerText();
        ines.reload();
        assertThat(ines.locator("#step")).hasText("Developer");
        Assertions.assertThat(
                        Math.abs(TurnedClock.seconds(ines.locator("#left").innerText()) - TurnedClock.seconds(before)))
                .as("the clock went on through the reload")
                .isLessThanOrEqualTo(4);
        Page devi = browser.signedIn("devi", 390, 844);
        devi.navigate(ribbon);
        assertThat(devi.locator("#step")).hasText("Developer");
        Browser.assertAccessible(devi);
        TurnedClock.turn(ines, 500);
        ines.keyboard().press("+");
        assertThat(ines.locator("#of")).hasText("left of 3:50");
        assertThat(devi.locator("#of")).hasText("left of 3:50");
        devi.close();
        TurnedClock.after(ines, 140);
        assertThat(ines.locator("#of")).hasText("over: pour on");
        TurnedClock.press(ines);
        assertThat(ines.locator("#step")).hasText("Bleach-fix");
        TurnedClock.after(ines, 445);
        assertThat(ines.locator("#said")).containsText("Light may come in now.");
        TurnedClock.press(ines);
        assertThat(ines.locator("#step")).hasText("Wash");
        TurnedClock.turn(ines, 500);
        ines.getByRole(AriaRole.BUTTON, byName("Pause")).click();
        assertThat(ines.locator("#of")).hasText("It waits");
        TurnedClock.after(ines, 60);
        ines.getByRole(AriaRole.BUTTON, byName("Go on")).click();
        TurnedClock.after(ines, 185);
        TurnedClock.press(ines);
        assertThat(ines.locator("#step")).hasText("Final rinse");
        TurnedClock.after(ines, 65);
        TurnedClock.press(ines);
        assertThat(ines.locator("#step")).hasText("The run is over");
        assertThat(ines.locator("#saved")).hasText("Kept here and on the server.");
        assertThat(ines.locator("#go-words")).hasText("Log the run");
        TurnedClock.press(ines);
        Browser.at(ines, "**/runs/*");
        assertThat(ines.getByText("As it was confirmed, from one pour to the next."))
                .isVisible();
        assertThat(ines.getByText("Developer: Not moved at")).not().hasCount(0);
        Assertions.assertThat(ines.locator("[id^=temperature]").first().inputValue())
                .startsWith("37.8");
        ines.getByRole(AriaRole.BUTTON, byName("It is done: log it")).click();
        Browser.at(ines, "**/batches/4?logged");
        Assertions.assertThat(log.state().batch(4).inUse()).isEmpty();
        ines.navigate(ribbon);
        assertThat(heading(ines)).not().containsText("Developer");
    }

    @Test(dependsOnMethods = "aRunIsPlayedToItsEndThroughAReloadAndAWrongBottle")
    public void theClockGoesOnWhileTheServerDoesNotAnswerAndTheFirstPressCounts() {
        Page saoirse = member("saoirse", 1280, 800);
        saoirse.navigate("/batches/5/run");
        Browser.saysWhichFilm(saoirse);
        saoirse.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Start colour negative"))
                .click();
        Browser.at(saoirse, "**/runs/*/ribbon");
        saoirse.context().route("**/events", route -> route.abort());
        TurnedClock.press(saoirse);
        assertThat(saoirse.locator("#step")).hasText("Developer");
        assertThat(saoirse.locator("#saved")).containsText("The server does not answer");
        TurnedClock.after(saoirse, 30);
        Page tomasz = browser.signedIn("tomasz", 1280, 800);
        tomasz.navigate(saoirse.url());
        assertThat(tomasz.locator("#step")).hasText("Before it begins");
        saoirse.context().unroute("**/events");
        TurnedClock.after(saoirse, 3);
        assertThat(saoirse.locator("#saved")).hasText("Kept here and on the server.");
        assertThat(tomasz.locator("#step")).hasText("Developer");
        Assertions.assertThat(browser.troubles())
                .allMatch(trouble -> trouble.contains("events") || trouble.contains("ERR_FAILED"));
    }

    private static void tell(Page page, String what) {
        TurnedClock.turn(page, 500);
        page.getByRole(AriaRole.BUTTON, byName("Something went wrong")).click();
        page.getByRole(AriaRole.BUTTON, byName(what)).click();
    }

    private static void backWith(Page page, String now) {
        assertThat(page.locator("#wrong-now")).hasText(now);
        assertThat(page.locator("#wrong-back")).isFocused();
        page.keyboard().press("Space");
        assertThat(page.locator("#wrong-panel")).isHidden();
    }

    private static void nextStep(Page page, String step, int seconds) {
        TurnedClock.after(page, seconds);
        TurnedClock.press(page);
        assertThat(page.locator("#step")).hasText(step);
    }

    /** Each is answered at once while the clock goes on; the log, the look at the film and the bottles know of it. */
    @Test
    public void whatGoesWrongIsAnsweredAtOnceAndWrittenDown() {
        Page ines = member("ines", 1280, 800);
        ines.navigate("/batches/3/run");
        Browser.saysWhichFilm(ines);
        ines.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Start colour negative"))
                .click();
        Browser.at(ines, "**/runs/*/ribbon");
        String ribbon = ines.url();
        tell(ines, "On skin or in an eye");
        backWith(ines, "Leave the film. Rinse under running water now.");
        TurnedClock.press(ines);
        assertThat(ines.locator("#step")).hasText("Developer");
        TurnedClock.after(ines, 50);
        TurnedClock.turn(ines, 500);
        ines.getByRole(AriaRole.BUTTON, byName("Something went wrong")).press("Enter");
        Browser.assertAccessible(ines);
        ines.keyboard().press("ArrowDown");
        ines.keyboard().press("Enter");
        String before = ines.locator("#left").innerText();
        TurnedClock.after(ines, 5);
        Assertions.assertThat(TurnedClock.seconds(before)
                        - TurnedClock.seconds(ines.locator("#left").innerText()))
                .as("the clock goes on behind the answer")
                .isBetween(4, 6);
        Browser.assertAccessible(ines);
        backWith(ines, "Move it now, ten seconds. Then go on as it says.");
        tell(ines, "Too cold");
        assertThat(ines.locator("#wrong-now")).containsText("warmer water");
        ines.getByRole(AriaRole.BUTTON, byName("It was something else")).click();
        ines.getByRole(AriaRole.BUTTON, byName("Too warm")).click();
        backWith(ines, "Stand the tank in cooler water. Measure, and type what you read.");
        assertThat(ines.locator("#celsius")).isFocused();
        ines.keyboard().type("93.4");
        ines.keyboard().press("Enter");
        assertThat(ines.locator("#trouble")).containsText("is no temperature of a bath");
        ines.locator("#celsius").fill("12");
        ines.keyboard().press("Enter");
        assertThat(ines.locator("#trouble")).containsText("Read the thermometer again");
        ines.keyboard().press("Enter");
        assertThat(ines.locator("#read-words")).hasText("12.0 °C noted.");
        TurnedClock.turn(ines, 500);
        ines.getByRole(AriaRole.BUTTON, byName("Take it back")).click();
        tell(ines, "The lid came off");
        backWith(ines, "Lid on, at once. Then go on: finish the run.");
        tell(ines, "Not enough in the tank");
        backWith(ines, "Lay the tank on its side and keep rolling it.");
        tell(ines, "It leaks or was spilled");
        backWith(ines, "Hold the lid, set the tank into the sink, and go on with what is left.");
        tell(ines, "Wrong bath went in");
        ines.getByRole(AriaRole.BUTTON, byName("Fx · Fixer")).click();
        backWith(ines, "Pour it back. This film is lost: nothing can develop it now.");
        tell(ines, "Poured out too soon");
        backWith(ines, "Pour it in again at once, for the time that is missing.");
        nextStep(ines, "Wash, 2 fills", 300);
        for (int fill = 0; fill < 2; fill++) {
            TurnedClock.after(ines, 1);
            TurnedClock.press(ines);
        }
        nextStep(ines, "Bleach", 1);
        tell(ines, "Film stuck or off its reel");
        backWith(ines, "Leave it until the fixer is through. Do not open the tank.");
        tell(ines, "A step was left out");
        backWith(ines, "Give it now: water, then the bath that was passed over, for its full time.");
        tell(ines, "Left in too long");
        backWith(ines, "Pour it out and go on. Nothing is lost.");
        tell(ines, "Power or page went");
        backWith(ines, "Go on by the clock on the wall. The time did not stop.");
        tell(ines, "Back into the wrong bottle");
        ines.getByRole(AriaRole.BUTTON, byName("De · Developer")).click();
        assertThat(ines.locator("#wrong-now")).hasText("Stop pouring. Close both bottles and set them apart.");
        ines.getByRole(AriaRole.BUTTON, byName("Bar both bottles")).click();
        assertThat(ines.locator("#wrong-bar")).hasText("2 bottles are barred for everyone. A steward lifts that.");
        backWith(ines, "Stop pouring. Close both bottles and set them apart.");
        Assertions.assertThat(log.state().batch(3).fills().stream()
                        .filter(fill -> fill.bar() != null)
                        .map(fill -> fill.bath().role().letters()))
                .containsExactly("De", "Bl");
        assertThat(ines.locator("#saved")).hasText("Kept here and on the server.");
        ines.navigate(ribbon.replace("/ribbon", ""));
        assertThat(ines.locator("main")).containsText(Pattern.compile("Too warm, at [01]:[0-9]{2}"));
        assertThat(ines.locator("main")).not().containsText("Too cold");
        ines.getByRole(AriaRole.BUTTON, byName("It is done: log it")).click();
        Browser.at(ines, "**/batches/3?logged");
        RunLogged logged = log.state().batch(3).runs().stream()
                .reduce((earlier, later) -> later)
                .orElseThrow();
        Assertions.assertThat(logged.accidents())
                .extracting(RunAccident::what)
                .containsExactly(
                        Accident.ON_SKIN,
                        Accident.FORGOT_TO_MOVE,
                        Accident.TOO_WARM,
                        Accident.LIGHT,
                        Accident.TOO_LITTLE,
                        Accident.LEAK,
                        Accident.WRONG_BATH,
                        Accident.TOO_SHORT,
                        Accident.FILM_STUCK,
                        Accident.LEFT_OUT,
                        Accident.TOO_LONG,
                        Accident.POWER,
                        Accident.WRONG_BOTTLE);
        Assertions.assertThat(logged.baths().get(0).celsius())
                .as("the reading that was taken back")
                .isNull();
        ines.navigate("/batches/3/looks/" + logged.stamp().sequence());
        assertThat(ines.locator("main"))
                .containsText(
                        Pattern.compile("What went wrong in this run: forgot to move it .developer, [01]:[0-9]{2}"));
        ines.navigate("/journal");
        assertThat(ines.locator("main")).containsText("Went wrong: on skin or in an eye");
        ines.context().close();
    }

    @Test
    public void aFastPracticeShowsItsProbeAndEndsWithAReport() {
        Page page = member("ines", 1280, 800);
        page.navigate("/practice/1?speed=20&movement=ROTARY&fault=PROBE_OUT");
        TurnedClock.press(page);
        assertThat(page.locator("#probe")).containsText("Simulated probe: 3");
        for (int presses = 0;
                presses < 120 && !"The run is over".equals(page.locator("#step").innerText());
                presses++) {
            page.clock().fastForward(1_000);
            page.keyboard().press("Space");
        }
        assertThat(page.locator("#step")).hasText("The run is over");
        page.clock().fastForward(1_000);
        page.keyboard().press("Space");
        Browser.at(page, "**/practice/reports/*");
        Browser.assertAccessible(page);
        assertThat(page.locator(".practice-report tbody tr")).hasCount(5);
        page.context().close();
    }

    @Test
    public void aMissedMovementIsReportedAfterPractice() {
        Page page = member("devi", 390, 844);
        page.navigate("/practice");
        Browser.assertAccessible(page);
        page.getByLabel("By which sheet").selectOption("1");
        page.getByRole(AriaRole.BUTTON, byName("Practise")).click();
        Browser.at(page, "**/practice/1?*");
        Browser.assertAccessible(page);
        TurnedClock.press(page);
        TurnedClock.after(page, 60);
        TurnedClock.press(page);
        assertThat(page.locator("#step")).hasText("Developer");
        TurnedClock.after(page, 12);
        assertThat(page.locator("#go-words")).hasText("Moved");
        TurnedClock.press(page);
        TurnedClock.after(page, 200);
        for (int step = 0; step < 3; step++) {
            TurnedClock.press(page);
            TurnedClock.after(page, 405);
        }
        TurnedClock.press(page);
        assertThat(page.locator("#step")).hasText("The run is over");
        TurnedClock.press(page);
        Browser.at(page, "**/practice/reports/*");
        assertThat(page.locator("tr", new Page.LocatorOptions().setHasText("Developer")))
                .containsText("Not moved at 1:00.");
        assertThat(page.locator("tr", new Page.LocatorOptions().setHasText("Developer")))
                .not()
                .containsText("Not moved at 0:10.");
        assertThat(heading(page)).containsText("things were off");
    }
}
