package mezcla.web.journey;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static mezcla.web.journey.Browser.byName;
import static mezcla.web.journey.Browser.heading;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Response;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import mezcla.web.DemoApplicationTest;
import mezcla.web.access.Devices;
import mezcla.web.access.Members;
import mezcla.web.access.SignedIn;
import org.assertj.core.api.Assertions;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** An evening of two people on two browsers and a phone, with mistakes. */
public class EveningJourneyTest extends DemoApplicationTest {
    @LocalServerPort
    private int port;

    private Browser browser;

    @BeforeClass(dependsOnMethods = "springTestContextPrepareTestInstance")
    public void openBrowser() {
        browser = new Browser(port);
    }

    @Autowired
    private Devices devices;

    @Autowired
    private Members members;

    @AfterClass(alwaysRun = true)
    public void closeBrowser() {
        browser.close();
    }

    private static Page.GetByRoleOptions named(String name) {
        return new Page.GetByRoleOptions().setName(name);
    }

    private static Locator crate(Page page, String name) {
        return page.getByRole(AriaRole.LINK, named("Crate " + name))
                .or(page.locator("a.crate-place").filter(new Locator.FilterOptions().setHasText(name)))
                .first();
    }

    @Test
    public void twoBrowsersAndAPhoneShareABatch() {
        Page ines = browser.signedIn("ines", 1280, 800);
        Page devi = browser.signedIn("devi", 1280, 800);
        Page phone = browser.signedIn("saoirse", 390, 844);

        devi.navigate("/batches/4/run");
        assertThat(heading(devi)).hasText("Colour negative: developer for 3:45");
        Browser.saysWhichFilm(devi);
        ines.navigate("/batches/4/run");
        Browser.saysWhichFilm(ines);
        Browser.pressTwice(ines, "Start colour negative, 3:45");
        Browser.at(ines, "**/runs/*/ribbon");
        ines.getByRole(AriaRole.LINK, byName("This run")).click();
        Browser.at(ines, "**/runs/*");
        assertThat(heading(ines)).hasText("Colour negative: developer for 3:45");
        Browser.assertAccessible(ines);
        ines.keyboard().press("d");
        assertThat(ines.locator("html")).hasAttribute("data-theme", "dim");
        assertThat(heading(ines)).hasText("Colour negative: developer for 3:45");
        Browser.assertAccessible(ines);

        phone.navigate("/shelf");
        assertThat(crate(phone, "4 Oxbow liquid")).containsText(Pattern.compile("In use since [0-9:]+, Ines"));
        Browser.assertAccessible(phone);

        devi.getByRole(AriaRole.BUTTON, byName("Start colour negative, 3:45")).click();
        assertThat(devi.getByText("The batch has moved on since you looked:")).isVisible();
        assertThat(devi.getByText("Ines: Started 1 × 135-36 of Ines, colour negative"))
                .isVisible();
        Browser.assertAccessible(devi);
        devi.getByRole(AriaRole.BUTTON, named("Start colour negative")).click();
        Browser.at(devi, "**/runs/*/ribbon");
        devi.getByRole(AriaRole.LINK, byName("This run")).click();
        Browser.at(devi, "**/runs/*");

        phone.navigate("/run");
        phone.getByRole(AriaRole.LINK, named("Ines: batch 4, Oxbow liquid")).click();
        phone.getByLabel("Time").first().fill("3:75");
        phone.getByRole(AriaRole.BUTTON, byName("It is done: log it")).click();
        assertThat(phone.getByText("“3:75” is not a time")).isVisible();
        assertThat(phone.getByLabel("Time").first()).hasValue("3:75");
        Browser.assertAccessible(phone);
        phone.getByLabel("Time").first().fill("3:50");
        phone.getByLabel("°C").first().fill("38,2");
        phone.getByRole(AriaRole.BUTTON, byName("It is done: log it")).click();
        assertThat(phone.getByText("The run is logged.")).isVisible();
        assertThat(phone.locator(".handover")).containsText("Saoirse used it last");
        Browser.assertAccessible(phone);

        devi.getByText("It did not take place").click();
        devi.getByLabel("Why").fill("The tank leaked");
        devi.getByRole(AriaRole.BUTTON, byName("Call it off")).click();
        assertThat(devi.getByText("The run is called off")).isVisible();
        ines.navigate("/shelf");
        assertThat(crate(ines, "4 Oxbow liquid")).not().containsText("In use");
        ines.navigate("/journal?batch=4");
        assertThat(ines.getByText("De 3:50 at 38.2 °C")).isVisible();
        assertThat(ines.getByText("The tank leaked")).isVisible();
        Assertions.assertThat(browser.troubles()).isEmpty();
    }

    @Test(dependsOnMethods = "twoBrowsersAndAPhoneShareABatch")
    public void fullBatchIsPassedOnPurposeThenRenewed() {
        Page ines = browser.signedIn("ines", 1280, 800);
        ines.navigate("/batches/2/run");
        assertThat(heading(ines)).hasText("This colour negative run does not fit");
        ines.getByText("Go past this limit on purpose").click();
        Browser.assertAccessible(ines);
        ines.getByRole(AriaRole.BUTTON, byName("Go past it")).click();
        assertThat(ines.locator("#why-error")).hasText("Type why: it stays on the batch for everyone to read.");
        ines.getByLabel("Why").fill("A test strip, nothing is lost");
        ines.getByRole(AriaRole.BUTTON, byName("Go past it")).click();
        Browser.at(ines, "**/run?film*");
        assertThat(ines.getByText("Developer: Ines went past its limit on purpose. A test strip"))
                .isVisible();
        assertThat(ines.getByRole(AriaRole.BUTTON, named("Start colour negative")))
                .isVisible();

        Page bram = browser.signedIn("bram", 1280, 800);
        bram.navigate("/batches/2");
        assertThat(bram.getByText("went past its limit on purpose on")).isVisible();
        bram.getByRole(AriaRole.LINK, byName("Bottle C1, Developer")).click();
        Browser.assertAccessible(bram);
        bram.getByRole(AriaRole.LINK, byName("Mix it afresh")).click();
        assertThat(heading(bram)).hasText("Mix 1200 ml of developer");
        bram.getByLabel("How much").fill("2 L");
        assertThat(bram.locator("#volume-error")).containsText("This kit makes no more than 1200 ml");
        bram.getByLabel("How much").fill("1 L");
        assertThat(heading(bram)).hasText("Mix 1 L of developer");
        Browser.assertAccessible(bram);
        bram.getByRole(AriaRole.BUTTON, byName("It is mixed: put it in its place"))
                .click();
        assertThat(bram.getByText("The fresh bath is in its place.")).isVisible();
        assertThat(bram.locator("section.verdict")).containsText("3:20");
        Browser.assertAccessible(bram);
        Assertions.assertThat(browser.troubles()).isEmpty();
    }

    @Test
    public void bottlesAreMovedToppedUpMeasuredAndLent() {
        Page devi = browser.signedIn("devi", 1280, 800);
        devi.navigate("/batches/3");
        devi.getByRole(AriaRole.LINK, byName("Bottle A4, Final rinse")).click();
        devi.getByLabel("Where").selectOption("Fridge, top");
        devi.getByLabel("Air").selectOption("squeezed until full");
        devi.getByRole(AriaRole.BUTTON, byName("Log where it stands")).click();
        assertThat(devi.getByText("Fridge, top, squeezed until full.")).isVisible();
        devi.getByRole(AriaRole.LINK, byName("Top it up")).click();
        assertThat(heading(devi)).hasText("How much fresh solution?");
        Browser.assertAccessible(devi);
        devi.getByLabel("How much").fill("15");
        assertThat(heading(devi)).hasText("Mix 15 ml of final rinse");
        Browser.pressTwice(devi, "It is in: log it");
        assertThat(devi.getByText("It is topped up.")).isVisible();
        devi.getByLabel("What is in it").fill("300 ml");
        devi.getByRole(AriaRole.BUTTON, byName("Log what is in it")).click();
        assertThat(devi.getByText("Was a run or a spill not logged?")).isVisible();
        Browser.assertAccessible(devi);

        devi.navigate("/adopt");
        Browser.assertAccessible(devi);
        devi.locator("a.shape:has-text('Oxbow Negative Liquid 1.2 L')").click();
        devi.getByLabel("Volume, ml").first().fill("0,9 l");
        devi.getByRole(AriaRole.BUTTON, byName("Take it over")).click();
        assertThat(devi.locator("#rolls-error")).hasText("Something has to stand here.");
        assertThat(devi.getByLabel("Volume, ml").first()).hasValue("0,9 l");
        devi.getByLabel("In bottle").first().selectOption("C7, glass");
        devi.getByLabel("Rolls done, about").fill("4");
        devi.getByLabel("Mixed about").fill("2026-11-10");
        Browser.assertAccessible(devi);
        devi.getByRole(AriaRole.BUTTON, byName("Take it over")).click();
        Browser.at(devi, "**/batches/*?mixed");
        assertThat(devi.getByText("remembered, not noted")).isVisible();
        devi.getByLabel("its cost stays with the batch that it was mixed for")
                .selectOption(new com.microsoft.playwright.options.SelectOption()
                        .setLabel("Final rinse of batch 4, Oxbow liquid, in C6"));
        devi.getByRole(AriaRole.BUTTON, byName("Use it here as well")).click();
        assertThat(devi.getByText("It serves in this batch as well.")).isVisible();
        devi.getByLabel("What to remember").fill("Rinse in between");
        devi.getByRole(AriaRole.BUTTON, byName("Leave the note")).click();
        assertThat(devi.getByText("comes up when that kit is mixed again")).isVisible();
        Browser.assertAccessible(devi);
        devi.navigate("/kits/7/mix");
        assertThat(devi.getByText("Rinse in between (Devi")).isVisible();
        Assertions.assertThat(browser.troubles()).isEmpty();
    }

    @Test
    public void sharedTabletAsksWhoAndAForgottenSignInLosesNothing() {
        Page tablet = browser.signedIn("bram", 1280, 800);
        tablet.navigate("/house/you");
        Browser.assertAccessible(tablet);
        tablet.getByLabel("What members call this device").fill("Tablet by the sink");
        tablet.getByRole(AriaRole.BUTTON, byName("Give this device to the house"))
                .click();
        assertThat(heading(tablet)).hasText("Who is at this device?");
        Browser.assertAccessible(tablet);
        tablet.navigate("/batches/5");
        tablet.getByLabel("What to remember").fill("The powder is slow to dissolve");
        tablet.getByRole(AriaRole.BUTTON, byName("Leave the note")).click();
        assertThat(tablet.getByText("What you typed is kept")).isVisible();
        tablet.getByRole(AriaRole.BUTTON, byName("Saoirse")).click();
        Browser.at(tablet, "**/batches/5?noted");
        assertThat(tablet.getByText("The powder is slow to dissolve (Saoirse")).isVisible();
        assertThat(tablet.locator(".who")).containsText("Saoirse");

        Page devi = browser.signedIn("devi", 1280, 800);
        devi.navigate("/batches/5");
        devi.getByLabel("What to remember").fill("Kept over a sign-in");
        devices.endAllOf(((SignedIn) members.loadUserByUsername("devi")).id(), 0);
        devi.getByRole(AriaRole.BUTTON, byName("Leave the note")).click();
        assertThat(devi.getByText("Your sign-in has run out.")).isVisible();
        Browser.assertAccessible(devi);
        devi.getByLabel("Name to sign in with").fill("devi");
        devi.getByLabel("Password").fill("rinse-and-hang");
        devi.keyboard().press("Enter");
        Browser.at(devi, "**/batches/5?noted");
        assertThat(devi.getByText("Kept over a sign-in (Devi")).isVisible();
        Assertions.assertThat(browser.troubles()).isEmpty();
    }

    @Test
    public void stewardKeepsListsReceivesPartsAndCorrectsALeaflet() {
        Page bram = browser.signedIn("bram", 1280, 800);
        bram.navigate("/house/places/new");
        Browser.assertAccessible(bram);
        bram.getByLabel("What members call it").fill("Under the sink");
        Response saved = bram.waitForResponse(
                answer -> answer.request().method().equals("POST"),
                () -> bram.locator("form[action='/house/places'] button").click());
        Assertions.assertThat(saved.status()).as("the answer to a new place").isEqualTo(302);
        bram.getByRole(AriaRole.LINK, byName("Under the sink")).click();
        bram.getByLabel("What members call it").fill("Under the long sink");
        bram.getByRole(AriaRole.BUTTON, byName("Save")).click();
        Browser.at(bram, "**/house/places?saved=place");
        bram.getByRole(AriaRole.LINK, byName("Under the long sink")).click();
        Browser.assertAccessible(bram);
        bram.getByRole(AriaRole.BUTTON, byName("Remove it from the list")).click();
        bram.getByText("Removed: 1").click();
        bram.getByRole(AriaRole.BUTTON, byName("Bring back Under the long sink"))
                .click();
        assertThat(bram.getByRole(AriaRole.LINK, byName("Under the long sink"))).isVisible();
        bram.navigate("/house/things");
        bram.getByRole(AriaRole.LINK, byName("C4")).click();
        assertThat(bram.getByText("It is in use: holds the developer of batch 4"))
                .isVisible();
        bram.getByRole(AriaRole.BUTTON, byName("Remove it from the list")).click();
        assertThat(bram.getByText("Something is in it.")).isVisible();
        bram.navigate("/cupboard");
        bram.getByRole(AriaRole.LINK, byName("A kit came")).click();
        bram.locator("a.shape:has-text('Oxbow Negative Liquid 1.2 L')").click();
        bram.locator("summary:has-text('Only some of its parts came')").click();
        bram.getByLabel("Developer A").check();
        bram.getByLabel("Developer B").check();
        bram.getByLabel("Price").fill("12.345");
        bram.getByRole(AriaRole.BUTTON, byName("Put it into the cupboard")).click();
        assertThat(bram.locator("#price-error")).containsText("is not a price");
        assertThat(bram.getByLabel("Developer B")).isChecked();
        Browser.assertAccessible(bram);
        bram.getByLabel("Price").fill("21,50");
        bram.getByRole(AriaRole.BUTTON, byName("Put it into the cupboard")).click();
        assertThat(bram.getByText("Bought alone: makes 1200 ml of developer")).isVisible();
        Browser.assertAccessible(bram);
        bram.navigate("/batches/5");
        bram.getByRole(AriaRole.LINK, byName("See before and after")).click();
        assertThat(bram.getByRole(AriaRole.ROW, named("Developer"))).containsText("2 of 9");
        Browser.assertAccessible(bram);
        bram.getByLabel("What was wrong").fill("Misread: nine rolls");
        bram.getByRole(AriaRole.BUTTON, byName("Use the corrected leaflet")).click();
        assertThat(bram.getByText("It goes by the later version of its leaflet now."))
                .isVisible();
        Assertions.assertThat(browser.troubles()).isEmpty();
    }

    @Test
    public void waysOutLeadToFreshSolution() {
        Page saoirse = browser.signedIn("saoirse", 1280, 800);
        saoirse.navigate("/shelf");
        saoirse.getByLabel("Process").selectOption("colour-slide");
        saoirse.getByLabel("Tank").selectOption("1 L tank");
        assertThat(saoirse.getByText("What you can do instead")).isVisible();
        Browser.assertAccessible(saoirse);
        Locator ways = saoirse.locator(".ways-out li");
        assertThat(ways.first()).containsText("tank through batch");
        Assertions.assertThat(browser.troubles()).isEmpty();
    }
}
