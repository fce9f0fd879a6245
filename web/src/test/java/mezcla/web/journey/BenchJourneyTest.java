package mezcla.web.journey;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static mezcla.web.journey.Browser.byName;
import static mezcla.web.journey.Browser.heading;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.regex.Pattern;
import mezcla.web.crash.RunningHouse;
import org.assertj.core.api.Assertions;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** From a printed sheet to labelled bottles, through a power cut, as members would do it. */
public class BenchJourneyTest {
    private Path folder;
    private RunningHouse house;
    private Browser browser;

    @BeforeClass
    public void open() throws IOException {
        folder = Files.createTempDirectory("mezcla-bench");
        reopen();
    }

    private void reopen() throws IOException {
        house = RunningHouse.open(folder);
        browser = new Browser(Integer.parseInt(house.address().replaceAll(".*:", "")));
    }

    @AfterClass(alwaysRun = true)
    public void close() throws InterruptedException {
        browser.close();
        house.kill();
    }

    private static void fill(Page page, String field, String text) {
        page.waitForLoadState();
        page.locator("[id='" + field + "']").fill(text);
    }

    private static void choose(Page page, String field, String option) {
        page.locator("[id='" + field + "']").selectOption(option);
    }

    /** Goes on to the next view. */
    private static void next(Page page, String heading) {
        page.locator(".bar button:has-text(\"Next\")").click();
        assertThat(heading(page)).hasText(heading);
    }

    /** As if more than 400 ms had gone by since the last press. */
    private static void dry(Page page) {
        page.waitForLoadState();
        page.evaluate("sessionStorage.setItem('bench-pressed', '0')");
    }

    /** Ticks the act at hand with the space bar, once the last press has dried. */
    private static void space(Page page) {
        String before = page.locator(".walk > .place").textContent();
        dry(page);
        page.keyboard().press("Space");
        assertThat(page.locator(".walk > .place")).not().hasText(before);
    }

    @Test
    public void aSheetIsTypedInAndAThirdOfItsKitMixedAndLabelled() {
        Page bram = browser.signedIn("bram", 1280, 800);
        bram.navigate("/leaflets");
        bram.getByRole(AriaRole.LINK, byName("Type a sheet in")).click();
        assertThat(heading(bram)).isVisible();
        Browser.assertAccessible(bram);
        bram.locator("button.shape:has-text('Two baths')").first().click();
        assertThat(heading(bram)).hasText("What is in the box?");
        fill(bram, "name", "Bellows Negative 900 ml");
        fill(bram, "maker", "Bellows");
        fill(bram, "makes", "900");
        fill(bram, "part0-amount", "90 ml");
        fill(bram, "part1-amount", "45 ml");
        fill(bram, "part2-name", "Bleach-fix");
        fill(bram, "part2-amount", "270 ml");
        fill(bram, "part3-name", "");
        Browser.assertAccessible(bram);
        next(bram, "How is the developer mixed?");
        fill(bram, "bath0-water", "700");
        assertThat(bram.locator(".drawn-sheet")).containsText("700 ml of water");
        Browser.assertAccessible(bram);
        next(bram, "How is the bleach-fix mixed?");
        fill(bram, "bath1-water", "500");
        next(bram, "How long does the developer take?");
        fill(bram, "bath0-time", "3:75");
        assertThat(bram.locator("#bath0-time-error")).containsText("“3:75” is not a time");
        fill(bram, "bath0-time", "3:15 at 38 °C / 100 °F");
        assertThat(bram.locator("#bath0-time-error")).isEmpty();
        fill(bram, "bath0-bands", "1-6 3:15\n6-10 3:30");
        assertThat(bram.locator("#said")).containsText("Two printed bands both name roll 6");
        fill(bram, "bath0-bands", "1-6 3:15\n7-10 3:30");
        assertThat(bram.locator("#said")).not().containsText("Two printed bands");
        Browser.assertAccessible(bram);
        next(bram, "How long does the bleach-fix take?");
        fill(bram, "bath1-time", "6:30, 30-40 °C");
        next(bram, "How is the tank moved, and what comes when?");
        fill(bram, "bath0-moved", "invert 30 s, then 4 turns every 30 s");
        next(bram, "How much and how long does it last?");
        assertThat(bram.locator("#said")).containsText("Else the house’s own counts");
        fill(bram, "bath0-lasts", "8-10 rolls, 28-42 days");
        fill(bram, "bath1-lasts", "12 rolls, 2-3 months");
        Browser.assertAccessible(bram);
        next(bram, "Does the sheet work anything out itself?");
        fill(bram, "examples", "Developer after 7, 2 more: 3:30");
        assertThat(bram.getByText("agrees").first()).isVisible();
        bram.getByRole(AriaRole.BUTTON, byName("Keep it")).click();
        assertThat(heading(bram)).hasText("Bellows Negative 900 ml");
        Browser.assertAccessible(bram);

        bram.navigate("/kits/new");
        Browser.assertAccessible(bram);
        bram.locator("a.shape:has-text('Bellows Negative 900 ml')").click();
        assertThat(heading(bram)).hasText("Bellows Negative 900 ml came");
        Browser.assertAccessible(bram);
        bram.locator("#price").fill("42.50");
        bram.locator("summary:has-text('what else it took')").click();
        bram.locator("#other").fill("1.20");
        bram.getByRole(AriaRole.BUTTON, byName("Put it into the cupboard")).click();
        assertThat(bram.getByText("It is in the cupboard.")).isVisible();
        bram.getByRole(
                        AriaRole.LINK,
                        new Page.GetByRoleOptions()
                                .setName("Bellows Negative 900 ml")
                                .setExact(true))
                .click();
        fill(bram, "volume", "300");
        assertThat(heading(bram)).containsText("Enough for three more batches of 300 ml");
        Browser.assertAccessible(bram);
        bram.getByRole(AriaRole.LINK, byName("Mix from it")).click();
        assertThat(heading(bram)).containsText("Mix 900 ml of every bath");
        fill(bram, "volume", "300 ml");
        assertThat(heading(bram)).containsText("Mix 300 ml of every bath");
        assertThat(bram.locator(".acts").first()).containsText("Start with 233 ml");
        assertThat(bram.locator(".acts").first()).containsText("Add 30 ml");
        assertThat(bram.locator(".acts").first()).containsText("Add 15 ml");
        bram.getByRole(AriaRole.BUTTON, byName("Start mixing")).click();
        assertThat(bram.getByText("Read the cautions, then tick that you have."))
                .isVisible();
        Browser.assertAccessible(bram);
        bram.getByLabel("I have read the cautions").check();
        bram.getByRole(AriaRole.BUTTON, byName("Start mixing")).click();
        Browser.at(bram, "**/mixes/*");
        Browser.assertAccessible(bram);
        while (bram.getByText("in their bottles").count() == 0) {
            space(bram);
        }
        bram.getByRole(AriaRole.LINK, byName("Labels")).click();
        assertThat(bram.locator(".bottle-label")).hasCount(2);
        assertThat(bram.locator(".bottle-label").first()).containsText("2.67–3.33 rolls or 28–42 days");
        Browser.assertAccessible(bram);
        bram.goBack();
        space(bram, "**/batches/*");
        assertThat(bram.getByText("The batch stands on the shelf.")).isVisible();
        Assertions.assertThat(browser.troubles()).isEmpty();
    }

    private static void space(Page page, String leadsTo) {
        dry(page);
        page.keyboard().press("Space");
        Browser.at(page, leadsTo);
    }

    @Test(dependsOnMethods = "aSheetIsTypedInAndAThirdOfItsKitMixedAndLabelled")
    public void aBrokenFileIsRefusedAndASoundOneIsShownFirst() {
        Page bram = browser.signedIn("bram", 1280, 800);
        bram.navigate("/leaflets");
        bram.locator("a.shape")
                .filter(new Locator.FilterOptions().setHasText("Bellows"))
                .click();
        String file = new String(
                bram.request().get(bram.url().replaceAll("\\?.*", "") + "/file").body(), StandardCharsets.UTF_8);
        bram.navigate("/leaflets/import");
        bring(bram, file.replace("\"startWaterMl\" : 700.0,", "").replace("\"top-up\"", "\"shaken\""));
        assertThat(heading(bram)).hasText("This file cannot be read");
        assertThat(bram.getByText("baths, number 1 (developer): recipe: “startWaterMl” is missing."))
                .isVisible();
        Browser.assertAccessible(bram);
        bring(bram, "{\"format\": ");
        assertThat(bram.getByText("This is no JSON")).isVisible();
        bring(
                bram,
                file.replace("Bellows Negative 900 ml", "Bellows Negative Two")
                        .replace("bellows-negative-900-ml", "bellows-negative-two"));
        assertThat(heading(bram)).hasText("This would be added: Bellows Negative Two");
        Browser.assertAccessible(bram);
        bram.getByRole(AriaRole.BUTTON, byName("Add it")).click();
        assertThat(heading(bram)).hasText("Bellows Negative Two");
        Assertions.assertThat(browser.troubles()).isEmpty();
    }

    private static void bring(Page page, String document) {
        page.locator("#file")
                .setInputFiles(
                        new FilePayload("leaflet.json", "application/json", document.getBytes(StandardCharsets.UTF_8)));
        page.getByRole(AriaRole.BUTTON, byName("Show what it says")).click();
    }

    @Test(dependsOnMethods = "aBrokenFileIsRefusedAndASoundOneIsShownFirst")
    public void aToolThatIsTooCoarseIsNamedWithTheSmallestBatch() {
        Page ines = browser.signedIn("ines", 1280, 800);
        ines.navigate("/kits/3/mix");
        fill(ines, "volume", "100 ml");
        assertThat(ines.getByText(Pattern.compile("Too coarse: .* With this tool, mix [0-9]+.ml at least")))
                .isVisible();
        ines.getByText("Only some baths, other volumes, two kits, stretched").click();
        ines.getByRole(AriaRole.CHECKBOX, byName("Bleach")).uncheck();
        ines.getByRole(AriaRole.CHECKBOX, byName("Final rinse")).uncheck();
        assertThat(heading(ines)).containsText("Mix 100 ml of developer and fixer");
        Browser.assertAccessible(ines);
        ines.keyboard().press("Escape");
        Assertions.assertThat(browser.troubles()).isEmpty();
    }

    @Test(dependsOnMethods = "aToolThatIsTooCoarseIsNamedWithTheSmallestBatch")
    public void theBenchSurvivesAPowerCutAndEndsWithWhatWasPoured() throws Exception {
        Page devi = browser.signedIn("devi", 1280, 800);
        devi.navigate("/bench");
        assertThat(heading(devi)).hasText("One mix is under way");
        Browser.assertAccessible(devi);
        devi.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("500 ml of Weir"))
                .click();
        assertThat(heading(devi)).containsText("8.5 ml");
        devi.getByText("Something else was poured, or measure").click();
        fill(devi, "poured", "1,200");
        devi.keyboard().press("Enter");
        assertThat(devi.locator("#poured-error")).containsText("could be 1.2 or 1200 ml");
        assertThat(devi.locator("#poured")).hasValue("1,200");
        Browser.assertAccessible(devi);
        fill(devi, "poured", "9");
        dry(devi);
        devi.keyboard().press("Enter");
        assertThat(devi.locator(".walk-consequences")).containsText("Developer C is 5.9 % too strong");
        dry(devi);
        devi.keyboard().press("Backspace");
        assertThat(heading(devi)).containsText("8.5 ml");
        devi.getByText("Something else was poured, or measure").click();
        fill(devi, "poured", "9");
        dry(devi);
        devi.keyboard().press("Enter");
        assertThat(heading(devi)).containsText("10 ml");
        devi.evaluate("sessionStorage.setItem('bench-pressed', String(Date.now()))");
        devi.keyboard().press("Space");
        assertThat(devi.locator(".walk > .place")).containsText("act 4 of 21");
        space(devi);
        assertThat(devi.locator("[data-wait]")).hasText(Pattern.compile("[12]:[0-5][0-9]"));
        String mix = devi.url().replaceAll("^.*(/mixes/.*)$", "$1");
        browser.close();
        house.kill();
        reopen();

        Page ines = browser.signedIn("ines", 390, 844);
        ines.navigate("/bench");
        ines.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("500 ml of Weir"))
                .click();
        Assertions.assertThat(ines.url()).endsWith(mix);
        assertThat(ines.locator(".walk > .place")).containsText("act 5 of 21");
        assertThat(ines.getByText("really 9 ml")).isVisible();
        Browser.assertAccessible(ines);
        Page other = browser.signedIn("saoirse", 1280, 800);
        other.navigate(mix);
        space(ines);
        other.keyboard().press("Space");
        assertThat(other.locator("#act-error")).containsText("This act is ticked already");
        assertThat(heading(other)).containsText("31 ml");
        other.navigate(mix);
        for (int act = 6; act < 21; act++) {
            space(other);
        }
        space(other);
        assertThat(heading(other)).containsText("in their bottles");
        assertThat(other.locator(".walk-consequences")).containsText("Developer C is 5.9 % too strong");
        Browser.assertAccessible(other);
        space(other, "**/batches/8?mixed");
        other.navigate("/kits/3");
        assertThat(other.locator(".parts")).containsText("84.5 of 102 ml");
        Assertions.assertThat(browser.troubles()).isEmpty();
    }

    @Test(dependsOnMethods = "theBenchSurvivesAPowerCutAndEndsWithWhatWasPoured")
    public void oneBathIsRenewedAtTheBenchAndTheCardIsEntered() {
        Page bram = browser.signedIn("bram", 1280, 800);
        bram.navigate("/waste");
        Locator drum = bram.locator(".drums li", new Page.LocatorOptions().setHasText("White drum"));
        assertThat(drum).containsText("1.2 L of 20 L");
        bram.navigate("/batches/2");
        assertThat(heading(bram)).hasText("Renew the developer; the rest is sound");
        Locator bleachFix = bram.locator(".fills tr", new Page.LocatorOptions().setHasText("Bleach-fix"));
        String before = bleachFix.innerText();
        bram.navigate("/batches/2/renew?bath=dev");
        fill(bram, "volume", "600 ml");
        assertThat(heading(bram)).containsText("Mix 600 ml of developer");
        bram.getByLabel("I have read the cautions").check();
        bram.getByRole(AriaRole.BUTTON, byName("Start mixing")).click();
        Browser.at(bram, "**/mixes/*");
        while (bram.getByText("in their bottles").count() == 0) {
            space(bram);
        }
        assertThat(bram.getByText("It takes its place in batch 2.")).isVisible();
        space(bram, "**/batches/2?mixed");
        assertThat(heading(bram)).not().containsText("Renew");
        Assertions.assertThat(bleachFix.innerText()).isEqualTo(before);
        bram.navigate("/waste");
        assertThat(drum).containsText("2.3 L of 20 L");
        bram.navigate("/batches/2");
        bram.getByRole(AriaRole.LINK, byName("Power-cut card")).click();
        Browser.assertAccessible(bram);
        bram.getByRole(AriaRole.CHECKBOX, byName("1")).check();
        bram.getByRole(AriaRole.BUTTON, byName("Log what was ticked")).click();
        assertThat(bram.getByText("Type whose film it is.")).isVisible();
        bram.getByLabel("Whose roll 1 was").fill("Bram");
        bram.getByRole(AriaRole.BUTTON, byName("Log what was ticked")).click();
        assertThat(bram.getByText("The run is logged.")).isVisible();
        bram.navigate("/cupboard");
        Browser.assertAccessible(bram);
        bram.keyboard().press("d");
        assertThat(bram.locator("html")).hasAttribute("data-theme", "dim");
        for (String page : new String[] {
            "/cupboard",
            "/kits/3",
            "/leaflets",
            "/leaflets/1",
            "/leaflets/new",
            "/kits/new?leaflet=1",
            "/leaflets/1/gear",
            "/leaflets/import",
            "/leaflets/1/retype",
            "/kits/3/mix",
            "/batches/4/labels",
            "/batches/4/card",
            "/bench"
        }) {
            bram.navigate(page);
            Browser.assertAccessible(bram);
        }
        bram.navigate("/leaflets/new");
        bram.locator("button.shape").first().click();
        Browser.assertAccessible(bram);
        bram.locator(".tab:has-text('Times')").click();
        assertThat(heading(bram)).hasText("How long does the developer take?");
        Browser.assertAccessible(bram);
        Assertions.assertThat(browser.troubles()).isEmpty();
    }
}
