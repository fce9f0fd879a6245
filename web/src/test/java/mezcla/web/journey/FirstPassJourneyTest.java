package mezcla.web.journey;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static mezcla.web.journey.Browser.byName;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import mezcla.web.DemoApplicationTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** From a kit to a changed verdict, through the real pages. */
public class FirstPassJourneyTest extends DemoApplicationTest {
    @LocalServerPort
    private int port;

    private Browser browser;

    @BeforeClass(dependsOnMethods = "springTestContextPrepareTestInstance")
    public void open() {
        browser = new Browser(port);
    }

    @AfterClass(alwaysRun = true)
    public void close() {
        browser.close();
    }

    @Test
    public void kitBecomesBatchTakesRunsAndIsPouredAway() {
        Page ines = browser.open(1280, 800);
        Browser.signIn(ines, "ines", "rinse-and-hang");
        assertThat(ines.getByRole(AriaRole.HEADING, level(1))).hasText("Five batches can take a roll tonight");
        Browser.assertAccessible(ines);

        String batch = mixHalfAKit(ines);
        assertThat(ines.getByRole(AriaRole.HEADING, level(1))).hasText("Good for nine more rolls, or 42 more days");
        assertThat(verdict(ines)).containsText("Ready");
        assertThat(verdict(ines)).containsText("3:20");
        Browser.assertAccessible(ines);

        refuseAndThenLogFourRolls(ines);
        assertThat(ines).hasURL(Pattern.compile("/batches/[0-9]+\\?logged=[0-9]+$"));
        assertThat(verdict(ines)).containsText("Add time");
        assertThat(verdict(ines)).containsText("Developer: 4 of 9 rolls done, so 15 s more than fresh.");
        assertThat(ines.getByText("7.66")).isVisible();
        assertThat(ines.getByRole(AriaRole.ROW, named("Developer"))).containsText("580 ml");
        assertThat(ines.getByText("Pour away")).hasCount(0);

        ines.navigate("/cupboard");
        assertThat(ines.getByRole(AriaRole.ARTICLE).filter(with("Kit 7"))).containsText("75 of 150 ml, opened today");
        Browser.assertAccessible(ines);
        ines.navigate("/shelf");
        assertThat(ines.getByRole(AriaRole.LINK).filter(with(batch + " Half a kit")))
                .containsText("Add time");

        pourAway(batch);
        ines.reload();
        assertThat(ines.getByRole(AriaRole.LINK).filter(with("Half a kit"))).hasCount(1);
        assertThat(ines.getByText("Bram: Bleach-fix got into the developer")).isVisible();
        assertThat(browser.troubles()).isEmpty();
    }

    private String mixHalfAKit(Page page) {
        page.getByRole(AriaRole.LINK, byName("Cupboard")).click();
        page.getByRole(AriaRole.LINK, byName("Mix from kit 7, Oxbow Negative Liquid 1.2 L"))
                .click();
        Locator volume = page.getByLabel("Volume of each bath");
        assertThat(volume).hasValue("1 L");
        volume.fill("1,200");
        assertThat(page.locator("#volume-error")).containsText("“1,200” could be 1.2 or 1200 ml.");
        assertThat(volume).hasValue("1,200");
        volume.fill("1,3 l");
        assertThat(page.locator("#volume-error"))
                .hasText("This kit makes no more than 1200 ml: Part runs out first.".replace("Part", "Bleach-fix A"));
        volume.fill("600");
        assertThat(page.getByRole(AriaRole.HEADING, level(1)))
                .hasText("Mix 600 ml of every bath, with 1.5 L of water in all");
        assertThat(page.locator(".bath").first())
                .containsText("Start with 420 ml of water at 40.0 °C (30.0 °C to 45.0 °C)");
        assertThat(page.locator(".bath").first()).containsText("Add 36 ml of Developer B");
        assertThat(page.locator(".bath").nth(1)).containsText("stir for 2 min; it may fizz");
        Browser.assertAccessible(page);
        page.getByLabel("What the batch is called").fill("Half a kit");
        page.locator("summary:has-text('It is mixed already')").click();
        Browser.pressTwice(page, "Put it on the shelf as it is");
        Browser.at(page, "**/batches/*?mixed");
        return page.url().replaceAll(".*/batches/([0-9]+).*", "$1");
    }

    private void refuseAndThenLogFourRolls(Page page) {
        page.getByRole(AriaRole.LINK, byName("Run the next rolls, 3:20")).click();
        Browser.at(page, "**/run?**");
        page.waitForLoadState();
        Locator count = page.getByLabel("Rolls", new Page.GetByLabelOptions().setExact(true));
        page.getByLabel("of format").selectOption("120");
        count.fill("0");
        assertThat(page.locator("#count0-error")).containsText("“0” is not a number of rolls");
        count.fill("10");
        assertThat(page.locator("#count0-error"))
                .hasText("This run is ten rolls, and the developer takes nine rolls more.");
        assertThat(page.getByRole(AriaRole.HEADING, level(1))).hasText("This colour negative run does not fit");
        Browser.assertAccessible(page);
        assertThat(page.getByRole(AriaRole.BUTTON, named("Start"))).hasCount(0);
        assertThat(page.getByRole(AriaRole.BUTTON, byName("Log ten rolls that went through")))
                .isVisible();
        count.fill("4");
        assertThat(page.locator("#count0-error")).isEmpty();
        assertThat(page.locator("#tank-error")).hasText("This tank has no reel for 120.");
        page.getByLabel("of format").selectOption("135-36");
        count.fill("1");
        assertThat(page.getByRole(AriaRole.HEADING, level(1))).hasText("Colour negative: developer for 3:20");
        assertThat(page.locator("#tank-error")).isEmpty();
        page.getByLabel("of format").selectOption("120");
        count.fill("4");
        Browser.assertAccessible(page);
        Browser.pressTwice(page, "Log four rolls that went through");
        Browser.at(page, "**/batches/*?logged=*");
        page.goBack();
        assertThat(page.getByText("This has been saved already")).isVisible();
        assertThat(page.getByRole(AriaRole.BUTTON, byName("Log four rolls that went through")))
                .hasCount(0);
        Browser.assertAccessible(page);
        page.getByRole(AriaRole.LINK, byName("see what it led to")).click();
        assertThat(page.locator(".log li").filter(new Locator.FilterOptions().setHasText("Ran 4 × 120 of Ines")))
                .hasCount(1);
    }

    private void pourAway(String batch) {
        Page bram = browser.open(1280, 800);
        Browser.signIn(bram, "bram", "count-the-rolls");
        bram.navigate("/batches/" + batch);
        bram.getByText("Pour away").first().click();
        Browser.assertAccessible(bram);
        for (String bath : new String[] {"Developer, 580 ml", "Bleach-fix, 580 ml", "Final rinse, 580 ml"}) {
            bram.getByLabel(bath).check();
        }
        Locator pour = bram.getByRole(AriaRole.BUTTON, byName("Pour away what is ticked"));
        pour.click();
        Browser.at(bram, "**/discards");
        assertThat(bram.locator("#reason-error")).hasText("Type why, so that the others can read it later.");
        assertThat(bram.getByLabel("Developer, 580 ml")).isChecked();
        bram.getByLabel("Why").fill("Bleach-fix got into the developer");
        pour.click();
        assertThat(bram.getByRole(AriaRole.HEADING, level(1))).hasText("Nothing of this batch is left");
        Browser.assertAccessible(bram);
    }

    @Test
    public void sentenceAboutTonightChangesTheShelf() {
        Page page = browser.open(1280, 800);
        Browser.signIn(page, "tomasz", "rinse-and-hang");
        page.evaluate("window.sameDocument = true");
        page.getByLabel("Process").selectOption("colour-negative");
        assertThat(page.getByRole(AriaRole.HEADING, level(1))).hasText("Three batches can take your film tonight");
        page.getByLabel("Rolls", new Page.GetByLabelOptions().setExact(true)).fill("9");
        assertThat(page.getByRole(AriaRole.HEADING, level(1))).hasText("No batch can take your film tonight");
        assertThat(page.getByRole(AriaRole.LINK).filter(with("5 Kiln Lane powder")))
                .containsText("That is more than goes in: 1 × 135 fill this tank.");
        assertThat(page.getByRole(AriaRole.LINK).filter(with("4 Oxbow liquid")))
                .containsText("That is more than goes in: 1 × 135 fill this tank.");
        Browser.assertAccessible(page);
        page.getByLabel("Rolls", new Page.GetByLabelOptions().setExact(true)).fill("1");
        page.getByLabel("Tank").selectOption("1 L tank");
        page.getByLabel("Process").selectOption("colour-slide");
        assertThat(page.getByRole(AriaRole.HEADING, level(1))).hasText("No batch can take your film tonight");
        assertThat(page.getByRole(AriaRole.LINK, byName("The 500 ml tank through batch 7")))
                .isVisible();
        page.getByLabel("Rolls", new Page.GetByLabelOptions().setExact(true)).fill("2");
        page.getByLabel("Process").selectOption("cine-negative");
        assertThat(page.getByRole(AriaRole.HEADING, level(1))).hasText("No batch can take your film tonight");
        page.getByLabel("Tank").selectOption("500 ml tank");
        assertThat(page.getByRole(AriaRole.LINK, byName("Mix 500 ml from Sootback Cine 800 ml")))
                .isVisible();
        Browser.assertAccessible(page);
        assertThat(page.evaluate("window.sameDocument")).isEqualTo(true);
        page.reload();
        assertThat(page.getByLabel("Process")).hasValue("cine-negative");
        page.getByLabel("Process").selectOption("colour-negative");
        page.getByLabel("Rolls", new Page.GetByLabelOptions().setExact(true)).fill("2");
        page.locator(".forward").waitFor();
        page.getByRole(AriaRole.LINK, named("Run batch")).click();
        assertThat(page.getByLabel("Rolls", new Page.GetByLabelOptions().setExact(true)))
                .hasValue("2");
        assertThat(page.getByLabel("In the tank")).hasValue("2");
        assertThat(page.getByLabel("of", new Page.GetByLabelOptions().setExact(true)))
                .hasValue("Tomasz");
        assertThat(browser.troubles()).isEmpty();
    }

    @Test
    public void keysLeadToThePlacesAndTheThemeStays() {
        Page page = browser.open(1280, 800);
        Browser.signIn(page, "bram", "count-the-rolls");
        page.keyboard().press("d");
        assertThat(page.locator("html")).hasAttribute("data-theme", "dim");
        assertThat(page.getByText("no screen is safe for unprocessed film or paper"))
                .isVisible();
        page.keyboard().press("g");
        page.keyboard().press("c");
        Browser.at(page, "**/cupboard");
        page.keyboard().press("?");
        assertThat(page.getByRole(AriaRole.DIALOG)).isVisible();
        Browser.assertAccessible(page);
        page.keyboard().press("Escape");
        page.keyboard().press("g");
        page.keyboard().press("s");
        Browser.at(page, "**/shelf");
        page.keyboard().press("/");
        page.keyboard().type("d2");
        assertThat(page.locator("html")).hasAttribute("data-theme", "dim");
        assertThat(page.locator("#tonight")).hasValue("d2");
        page.keyboard().press("Escape");
        page.getByRole(AriaRole.BUTTON, byName("Light")).click();
        assertThat(page.locator("html")).hasAttribute("data-theme", "light");
        page.getByRole(AriaRole.BUTTON, byName("Dim")).click();
        assertThat(page.locator("html")).hasAttribute("data-theme", "dim");
        assertThat(page.getByText("no screen is safe")).hasCount(0);
        assertThat(browser.troubles()).isEmpty();
    }

    @Test
    public void aPhoneLeadsFromTheShelfToARun() {
        Page phone = browser.open(390, 844);
        Browser.signIn(phone, "devi", "rinse-and-hang");
        Browser.assertAccessible(phone);
        phone.getByRole(AriaRole.LINK, byName("Colour negative")).click();
        assertThat(phone.getByRole(AriaRole.HEADING, level(1))).hasText("Colour negative: developer for 3:45");
        assertThat(browser.troubles()).isEmpty();
    }

    private static Locator verdict(Page page) {
        return page.locator("section.verdict");
    }

    private static Page.GetByRoleOptions level(int level) {
        return new Page.GetByRoleOptions().setLevel(level);
    }

    private static Page.GetByRoleOptions named(String name) {
        return new Page.GetByRoleOptions().setName(name);
    }

    private static Locator.FilterOptions with(String text) {
        return new Locator.FilterOptions().setHasText(text);
    }
}
