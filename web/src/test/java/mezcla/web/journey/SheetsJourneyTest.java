package mezcla.web.journey;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static mezcla.web.journey.Browser.heading;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import mezcla.web.DemoApplicationTest;
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
    private static final Path SHEETS = Path.of("src", "test", "resources", "sheets");
    private static final String TYPED = "--- typed\n";
    private static final String NEXT_VIEW = ">";
    private static final String EACH_LINE = " \\| ";
    private static final int MOST_FIELDS_OF_TWO_BATHS = 25;
    private static final Pattern CHOSEN = Pattern.compile(".*-(wear|mode|role)|clock");

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
    public Object[][] sheets() throws IOException {
        try (Stream<Path> files = Files.list(SHEETS)) {
            return files.sorted().map(file -> new Object[] {file.getFileName()}).toArray(Object[][]::new);
        }
    }

    @Test(dataProvider = "sheets")
    public void isTypedAsItIsPrinted(Path sheet) throws IOException {
        String text = Files.readString(SHEETS.resolve(sheet), StandardCharsets.UTF_8);
        String printed = plain(text.substring(0, text.indexOf(TYPED)));
        List<String> lines =
                text.substring(text.indexOf(TYPED) + TYPED.length()).lines().toList();
        begun(lines.get(0).replace("shape ", ""));
        int fields = 0;
        String named = "";
        for (String line : lines.subList(1, lines.size())) {
            if (line.equals(NEXT_VIEW)) {
                next(page);
                continue;
            }
            String field = line.replaceFirst("\\s*=.*$", "");
            String typed = line.replaceFirst("^[^=]*=\\s*", "");
            named = field.equals("name") ? typed : named;
            if (!CHOSEN.matcher(field).matches()) {
                Assertions.assertThat(typed.split(EACH_LINE)).allSatisfy(part -> Assertions.assertThat(printed)
                        .as("as it is printed")
                        .containsIgnoringCase(plain(part)));
            }
            type(page, field, typed.replaceAll(EACH_LINE, "\n"));
            fields++;
        }
        assertThat(page.locator(".field-error:not(:empty)")).hasCount(0);
        boolean worksOneOut = !page.locator("#examples").inputValue().isBlank();
        if (worksOneOut) {
            assertThat(page.locator("li.agrees")).hasCount(1);
        }
        page.locator(".bar button:has-text('Keep it')").click();
        assertThat(heading(page)).hasText(named);
        if (sheet.toString().startsWith("quarry")) {
            Assertions.assertThat(fields).isLessThanOrEqualTo(MOST_FIELDS_OF_TWO_BATHS);
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

    private static String plain(String text) {
        return text.replaceAll("\\s+", " ").strip();
    }
}
