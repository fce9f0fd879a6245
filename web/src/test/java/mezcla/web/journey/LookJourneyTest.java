package mezcla.web.journey;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static mezcla.web.journey.Browser.byName;
import static mezcla.web.journey.Browser.heading;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import mezcla.web.DemoApplicationTest;
import org.assertj.core.api.Assertions;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** From dry film to the next time, as members would do it. */
public class LookJourneyTest extends DemoApplicationTest {
    @LocalServerPort
    private int port;

    private Browser browser;

    @BeforeClass(dependsOnMethods = "springTestContextPrepareTestInstance")
    public void openBrowser() {
        browser = new Browser(port);
    }

    @AfterClass(alwaysRun = true)
    public void closeBrowser() {
        browser.close();
    }

    @Test
    public void aThinRollChangesTheNextTime() {
        Page ines = browser.signedIn("ines", 1280, 800);
        ines.navigate("/batches/5");
        assertThat(ines.locator(".life")).isVisible();
        assertThat(ines.locator(".verdict-time")).hasText("3:40");
        Browser.assertAccessible(ines);
        ines.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Film to look at"))
                .click();
        assertThat(heading(ines)).hasText("What does the film look like, dry?");
        Browser.assertAccessible(ines);
        ines.getByRole(AriaRole.BUTTON, byName("Log what I see")).click();
        assertThat(ines.getByText("Choose what you see.")).isVisible();
        ines.getByLabel("thin (slides: dark)").check();
        ines.getByLabel("the chemistry", new Page.GetByLabelOptions().setExact(true))
                .check();
        ines.getByRole(AriaRole.BUTTON, byName("Log what I see")).click();
        assertThat(ines.getByText("What you saw is logged.")).isVisible();
        assertThat(ines.locator(".verdict-time")).hasText("3:45");
        Assertions.assertThat(browser.troubles()).isEmpty();
    }

    @Test(dependsOnMethods = "aThinRollChangesTheNextTime")
    public void contaminationShowsAtOnceToEverybody() {
        Page devi = browser.signedIn("devi", 390, 844);
        Page saoirse = browser.signedIn("saoirse", 1280, 800);
        saoirse.navigate("/batches/5/run");
        Browser.saysWhichFilm(saoirse);
        devi.navigate("/batches/5");
        devi.locator("a.bottle-link").first().click();
        Browser.assertAccessible(devi);
        devi.getByRole(AriaRole.LINK, byName("Say what it looks like, or log a clip test"))
                .click();
        Browser.assertAccessible(devi);
        devi.getByLabel("foreign solution in it").check();
        devi.getByRole(AriaRole.BUTTON, byName("Log what I see")).click();
        assertThat(devi.getByText("What you saw is logged.")).isVisible();
        saoirse.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Start colour negative"))
                .click();
        assertThat(saoirse.getByText("another solution got into it").first()).isVisible();
        saoirse.navigate("/signs");
        saoirse.locator("#q").fill("blix");
        assertThat(saoirse.locator("#signs")).containsText("Film stays milky when it is dry");
        Browser.assertAccessible(saoirse);
        Assertions.assertThat(browser.troubles()).isEmpty();
    }

    @Test
    public void aRoundOfTheShelfFindsABottleOnAPhone() {
        Page saoirse = browser.signedIn("saoirse", 390, 844);
        saoirse.navigate("/walk");
        Browser.assertAccessible(saoirse);
        assertThat(heading(saoirse)).hasText("Every bottle was in hand this month");
        Locator first = saoirse.locator(".round li").first();
        String before = first.locator(".small-print").innerText();
        String bottle = first.locator("a").innerText();
        String code = first.locator("strong").innerText();
        saoirse.getByLabel("Code on the label, scanned or typed").fill("0000");
        Locator there = saoirse.locator("form.narrow")
                .getByRole(
                        AriaRole.BUTTON,
                        new Locator.GetByRoleOptions().setName("It is there").setExact(true));
        there.click();
        assertThat(saoirse.locator("#code-error")).not().isEmpty();
        saoirse.getByLabel("Code on the label, scanned or typed").fill("http://darkroom.local/codes/" + code);
        saoirse.getByLabel("Level, ml; empty when it is right").fill("490");
        saoirse.getByLabel("It looks", new Page.GetByLabelOptions().setExact(true))
                .selectOption("DARK");
        there.click();
        assertThat(saoirse.locator(".notice")).containsText("is found");
        Locator seen = saoirse.locator(".round li", new Page.LocatorOptions().setHasText(code));
        assertThat(seen).containsText("490 ml");
        Assertions.assertThat(seen.locator(".small-print").innerText()).isNotEqualTo(before);
        saoirse.locator(".round li").first().getByRole(AriaRole.BUTTON).click();
        assertThat(saoirse.getByRole(AriaRole.LINK, byName("Take it back"))).isVisible();
        saoirse.getByRole(AriaRole.LINK, byName(bottle)).first().click();
        assertThat(saoirse.locator("main")).containsText("490");
        Assertions.assertThat(browser.troubles()).isEmpty();
    }

    @Test
    public void aPhotoOfAFaultIsKeptWithItsRollAndARunIsNamedInTheLifeWindow() {
        Page ines = browser.signedIn("ines", 1280, 800);
        ines.navigate("/batches/2");
        Locator run = ines.locator(".life-point").last();
        run.focus();
        assertThat(run.locator(".life-name")).isVisible();
        assertThat(run.locator(".life-name")).containsText("18 rolls");
        ines.keyboard().press("ArrowLeft");
        assertThat(ines.locator(".life-point:focus .life-name")).containsText("14 rolls");
        ines.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Film to look at"))
                .click();
        ines.getByLabel("streaks").check();
        ines.locator("#photo").setInputFiles(new FilePayload("notes.txt", "image/png", new byte[] {1, 2, 3}));
        ines.getByRole(AriaRole.BUTTON, byName("Log what I see")).click();
        assertThat(ines.locator("#photo-error")).containsText("no picture that can be read");
        assertThat(ines.getByLabel("streaks")).isChecked();
        ines.locator("#photo").setInputFiles(new FilePayload("film.png", "image/png", ines.screenshot()));
        ines.getByRole(AriaRole.BUTTON, byName("Log what I see")).click();
        assertThat(ines.getByText("What you saw is logged.")).isVisible();
        Locator photo = ines.locator(".photos img").first();
        assertThat(photo).isVisible();
        photo.scrollIntoViewIfNeeded();
        ines.waitForCondition(() -> Integer.valueOf(1280).equals(photo.evaluate("picture => picture.naturalWidth")));
        Browser.assertAccessible(ines);
        Assertions.assertThat(browser.troubles())
                .allMatch(trouble -> trouble.contains("422"))
                .hasSizeLessThanOrEqualTo(1);
    }

    @Test(dependsOnMethods = "contaminationShowsAtOnceToEverybody")
    public void anotherSchoolIsChosenWithItsConsequencesInSight() {
        Page bram = browser.signedIn("bram", 1280, 800);
        bram.navigate("/house/strictness");
        Locator negative = bram.locator("form.school").first();
        assertThat(negative).containsText("four would go and none be tested first");
        negative.getByText("Careful", new Locator.GetByTextOptions().setExact(true))
                .click();
        negative.getByRole(AriaRole.BUTTON).click();
        assertThat(bram.locator("form.school").first().getByRole(AriaRole.RADIO).nth(1))
                .isChecked();
        Browser.assertAccessible(bram);
        bram.navigate("/batches/3");
        assertThat(bram.getByText("Judged carefully")).isVisible();
        bram.keyboard().press("d");
        assertThat(bram.locator("html")).hasAttribute("data-theme", "dim");
        for (String page : new String[] {
            "/batches/3",
            "/fills/5",
            "/fills/5/look",
            "/signs",
            "/house/strictness",
            "/waste",
            "/leaflets/1/evidence",
            "/walk",
            "/shelf"
        }) {
            bram.navigate(page);
            Browser.assertAccessible(bram);
        }
        Assertions.assertThat(browser.troubles()).isEmpty();
    }
}
