package mezcla.web.journey;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static mezcla.web.journey.Browser.byName;
import static mezcla.web.journey.Browser.heading;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import mezcla.log.RunLogged;
import mezcla.planning.QueuedFilm;
import mezcla.web.DemoApplicationTest;
import mezcla.web.log.DarkroomLog;
import org.assertj.core.api.Assertions;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** Film from the queue through the evening into the log, and what it costs, as members and a steward press it. */
public class MoneyJourneyTest extends DemoApplicationTest {
    @LocalServerPort
    private int port;

    @Autowired
    private DarkroomLog log;

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
    public void aStewardRecordsAPaymentInTwoTapsAndAsksWhichKitToBuy() {
        Page bram = browser.signedIn("bram", 1280, 800);
        bram.keyboard().press("g");
        bram.keyboard().press("m");
        Browser.at(bram, "**/money");
        assertThat(heading(bram)).containsText("three members owe");
        Browser.assertAccessible(bram);
        Locator row = bram.locator(".accounts tr").filter(new Locator.FilterOptions().setHasText("Ines"));
        String owes = row.locator("strong").innerText().replace("−", "");
        row.locator("summary").click();
        assertThat(row.locator("input[name=amount]")).hasValue(owes);
        row.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Record it"))
                .dblclick();
        Browser.at(bram, "**/money?paid");
        assertThat(row.locator("strong")).hasText("0.00");
        assertThat(heading(bram)).containsText("two members owe");
        row.locator("summary").click();
        row.locator("input[name=amount]").fill("3:75");
        row.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Record it"))
                .click();
        assertThat(row.locator(".field-error")).containsText("“3:75” is not a price");
        assertThat(row.locator("input[name=amount]")).hasValue("3:75");
        Browser.assertAccessible(bram);
        row.getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("Ines"))
                .click();
        assertThat(heading(bram)).hasText("Ines owes nothing");
        Browser.assertAccessible(bram);

        bram.navigate("/money/kits");
        assertThat(heading(bram)).containsText("costs NZ$");
        assertThat(bram.locator("#seasons")).containsText("Most seasons cost");
        Browser.assertAccessible(bram);
        String before = heading(bram).innerText();
        bram.locator("#demand").fill("0,3");
        assertThat(heading(bram)).containsText("At 0.3 rolls a week");
        Assertions.assertThat(heading(bram).innerText()).isNotEqualTo(before);
        bram.locator("#lasts").fill("half a moon");
        assertThat(bram.locator("#lasts-error")).containsText("is no number of weeks");
        bram.locator("#lasts").fill("1");
        assertThat(bram.locator("#lasts-error")).hasText("");
        bram.locator("#demand").fill("many");
        assertThat(bram.locator("#demand-error")).containsText("“many” is no number of rolls a week");
        for (String page : new String[] {"/money/month", "/money/prices"}) {
            bram.navigate(page);
            Browser.assertAccessible(bram);
        }
        Assertions.assertThat(browser.troubles()).isEmpty();
        bram.context().close();
    }

    @Test
    public void filmIsLeftProposedTakenRunAndCollected() {
        Page devi = browser.signedIn("devi", 390, 844);
        devi.navigate("/queue/new");
        devi.locator("#name0").fill("mill race");
        devi.locator("#format0").selectOption("120");
        devi.getByRole(AriaRole.BUTTON, byName("Leave it")).dblclick();
        Browser.at(devi, "**/queue?left=*");
        long id = QueuedFilm.of(log.book().entries()).stream()
                .mapToLong(QueuedFilm::id)
                .max()
                .orElseThrow();
        assertThat(devi.locator(".can").filter(new Locator.FilterOptions().setHasText("mill race")))
                .hasCount(1);
        Browser.assertAccessible(devi);
        Locator load = devi.locator(".load").filter(new Locator.FilterOptions().setHasText("K" + id));
        load.getByRole(AriaRole.BUTTON).click();
        Browser.at(devi, "**/evening?planned");
        assertThat(devi.locator(".evening-loads li")).hasCount(1);
        devi.locator(".evening-loads a.btn").click();
        assertThat(devi.locator(".run-cost")).containsText("Charged: NZ$");
        devi.locator("button[name=done]").click();
        Browser.at(devi, "**?logged*");
        devi.navigate("/queue");
        Locator hangs = devi.locator(".hanging").filter(new Locator.FilterOptions().setHasText("mill race"));
        assertThat(hangs).containsText("Hangs since");
        hangs.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("K" + id + ": Collected"))
                .click();
        Browser.at(devi, "**/queue?handled");
        assertThat(hangs).hasCount(0);
        devi.navigate("/money/film");
        assertThat(devi.locator(".my-film")).containsText("mill race");
        Assertions.assertThat(log.book().entries().stream()
                        .filter(row -> row instanceof RunLogged run
                                && run.rolls().stream().anyMatch(roll -> roll.queued() != null && roll.queued() == id)))
                .hasSize(1);
        Assertions.assertThat(browser.troubles()).isEmpty();
        devi.context().close();
    }
}
