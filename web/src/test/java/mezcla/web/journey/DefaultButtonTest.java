package mezcla.web.journey;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import java.util.ArrayList;
import java.util.List;
import mezcla.log.LogEntry;
import mezcla.web.DemoApplicationTest;
import mezcla.web.EveryRoute;
import mezcla.web.log.DarkroomLog;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.config.AutowireCapableBeanFactory;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Enter, and a phone's Go, press the main act of a form and nothing else. */
public class DefaultButtonTest extends DemoApplicationTest {
    /**
     * Of each form with a field for Enter: the button that Enter presses, unless that is the form's main act. The browser
     * reads the document alone, which is all that decides it.
     */
    private static final String WRONG =
            """
            async (place) => {
              const answer = await fetch(place);
              const wrong = [];
              if (answer.status === 404 || answer.status >= 500) wrong.push('is answered with ' + answer.status);
              const page = new DOMParser().parseFromString(await answer.text(), 'text/html');
              const typed = 'input:not([type=hidden]):not([type=checkbox]):not([type=radio]):not([type=file])';
              for (const form of page.forms) {
                const elements = [...form.elements];
                const submits = elements.filter((each) => (each.type === 'submit' || each.type === 'image'));
                if (submits.length < 2 || !elements.some((each) => each.matches(typed))) continue;
                const pressed = submits[0];
                const main = submits.filter((each) => each.classList.contains('btn-main'));
                const says = (each) => '"' + each.textContent.trim().replace(/\\s+/g, ' ') + '"';
                if (pressed.disabled) wrong.push('a disabled button');
                else if (pressed.hasAttribute('data-default')) continue;
                else if (main.length !== 1) wrong.push(main.length + ' main acts among ' + submits.map(says).join(', '));
                else if (pressed !== main[0]) wrong.push(says(pressed) + ' instead of ' + says(main[0]));
              }
              return wrong;
            }
            """;

    @LocalServerPort
    private int port;

    @Autowired
    private DarkroomLog log;

    @Autowired
    private AutowireCapableBeanFactory beans;

    private final List<String> all = new ArrayList<>();

    private Browser browser;

    @BeforeClass(dependsOnMethods = "springTestContextPrepareTestInstance")
    public void open() {
        browser = new Browser(port);
        all.addAll(beans.createBean(EveryRoute.class).pages());
    }

    @AfterClass(alwaysRun = true)
    public void close() {
        browser.close();
    }

    @DataProvider
    public Object[][] people() {
        return new Object[][] {{"bram"}, {"devi"}};
    }

    @Test(dataProvider = "people")
    public void enterPressesTheMainAct(String who) {
        Page page = browser.signedIn(who, 1280, 800);
        List<String> places = new ArrayList<>(all);
        places.addAll(List.of(
                "/kits/3/mix?volume=500",
                "/kits/1/mix?volume=500",
                "/batches/2/renew?bath=dev&volume=500&kit=3",
                "/batches/4/run?film[0].count=9&film[0].owner=Ines&film[0].format=120&push=0&tank=2",
                "/batches/4/run?film[0].count=x&film[0].owner=Ines&film[0].format=120&push=0&tank=2",
                "/batches/4/run?when=2020-01-01T10:00&film[0].count=1&film[0].owner=Ines&film[0].format=120&push=0&tank=2",
                "/adopt?leaflet=1",
                "/leaflets/new"));
        List<String> found = new ArrayList<>();
        for (String place : places) {
            ((List<?>) page.evaluate(WRONG, place)).forEach(each -> found.add(place + ": " + each));
        }
        page.context().close();
        assertThat(found).as("what Enter presses for " + who).isEmpty();
    }

    private List<LogEntry> rows() {
        return log.book().entries();
    }

    /** A steward presses Enter behind the number of rolls: a run starts, and the way of the house stays. */
    @Test
    public void enterInRollsStartsTheRun() {
        Page page = browser.signedIn("bram", 1280, 800);
        page.navigate("/batches/4/run?tank=2");
        page.waitForLoadState();
        Browser.saysWhichFilm(page);
        int before = rows().size();
        page.locator("#count0").focus();
        page.keyboard().press("Enter");
        Browser.at(page, "**/runs/*/ribbon");
        assertThat(rows().subList(before, rows().size()))
                .extracting(row -> row.kind().key())
                .containsExactly("run-started");
        page.context().close();
    }

    /** Enter behind the batch's name begins a mix at the bench, or asks for what is missing; no batch comes of it. */
    @Test
    public void enterInTheNameOfABatchPutsNothingOnTheShelf() {
        Page page = browser.signedIn("ines", 1280, 800);
        page.navigate("/kits/3/mix?volume=500");
        page.waitForLoadState();
        int before = rows().size();
        page.locator("#name").focus();
        page.keyboard().press("Enter");
        page.waitForLoadState();
        assertThat(rows()).hasSize(before);
        page.context().close();
    }
}
