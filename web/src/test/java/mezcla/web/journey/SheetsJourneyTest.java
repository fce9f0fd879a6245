package mezcla.web.journey;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static mezcla.web.journey.Browser.heading;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import mezcla.web.DemoApplicationTest;
import mezcla.web.leaflet.TypedSheet;
import org.assertj.core.api.Assertions;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * Printed sheets, typed through the real pages as they are printed: none is refused, and each gives the times that it
 * works out itself. Each file holds the sheet, and below it what somebody types of it, view by view.
 */
public class SheetsJourneyTest extends DemoApplicationTest {
    @LocalServerPort
    private int port;

    private Browser browser;
    private Page page;

    @BeforeClass(dependsOnMethods = "springTestContextPrepareTestInstance")
    public void open() {
        browser = new Browser(port);
        page = browser.signedIn("bram", 1280, 800);
    }

    @AfterClass(alwaysRun = true)
    public void close() {
        browser.close();
    }

    @DataProvider
    public Object[][] sheets() {
        return TypedSheet.all().stream()
                .filter(TypedSheet::isThroughTheBrowser)
                .map(sheet -> new Object[] {sheet})
                .toArray(Object[][]::new);
    }

    @Test(dataProvider = "sheets")
    public void isTypedAsItIsPrinted(TypedSheet sheet) {
        begun(sheet.shape());
        for (int i = 0; i < sheet.views().size(); i++) {
            if (i > 0) {
                next(page);
            }
            sheet.views().get(i).forEach(field -> type(page, field.name(), field.typed()));
        }
        assertThat(page.locator(".field-error:not(:empty)")).hasCount(0);
        if (!sheet.typed("examples").isEmpty()) {
            assertThat(page.locator("li.agrees")).hasCount(1);
        }
        page.locator(".bar button:has-text('Keep it')").click();
        assertThat(heading(page)).hasText(sheet.typed("name"));
        if (sheet.file().startsWith("quarry")) {
            Browser.assertAccessible(page);
        }
        Assertions.assertThat(browser.troubles()).isEmpty();
    }

    private void begun(String shape) {
        page.navigate("/leaflets/new");
        page.locator("button.shape[value=" + shape + "]").click();
        assertThat(heading(page)).hasText("What is in the box?");
    }

    /** Nothing that was typed is refused, and the next view comes. */
    private static void next(Page page) {
        String before = heading(page).textContent();
        page.locator(".bar button:has-text('Next')").click();
        assertThat(heading(page)).not().hasText(before);
        assertThat(page.locator(".field-error:not(:empty)")).hasCount(0);
    }

    private static void type(Page page, String field, String typed) {
        Locator at = page.locator("[name='" + field + "']");
        if (at.first().getAttribute("type") != null
                && at.first().getAttribute("type").equals("radio")) {
            page.locator("[name='" + field + "'][value='" + typed + "']").check();
            return;
        }
        if (!at.isVisible()) {
            at.evaluate("field => { field.closest('details').open = true; }");
        }
        if ("SELECT".equals(at.evaluate("field => field.tagName"))) {
            at.selectOption(typed);
        } else {
            at.fill(typed);
        }
    }
}
