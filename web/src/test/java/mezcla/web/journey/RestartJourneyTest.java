package mezcla.web.journey;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static mezcla.web.journey.Browser.byName;
import static mezcla.web.journey.Browser.heading;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FormData;
import com.microsoft.playwright.options.RequestOptions;
import java.nio.file.Files;
import java.nio.file.Path;
import mezcla.web.crash.RunningHouse;
import org.assertj.core.api.Assertions;
import org.testng.annotations.Test;

/** The application is killed and started again while film is in the bleach. */
public class RestartJourneyTest {
    @Test
    public void theRunGoesOnWhileTheServerIsGoneAndIsKeptWhenItIsBack() throws Exception {
        Path folder = Files.createTempDirectory("mezcla-restart");
        RunningHouse house = RunningHouse.open(folder);
        int port = Integer.parseInt(house.address().replaceAll(".*:", ""));
        try (Browser browser = new Browser(port)) {
            Page ines = browser.signedIn("ines", 1280, 800);
            ines.navigate("/batches/3/run?tank=1");
            heading(ines);
            Browser.saysWhichFilm(ines);
            ines.locator("button[formaction$='/starts']").click();
            Browser.at(ines, "**/ribbon");
            pourTheBleachAMinuteAgo(ines);
            ines.reload();
            assertThat(ines.locator("#step")).hasText("Bleach");
            assertThat(ines.locator("#saved")).hasText("Kept here and on the server.");
            house.kill();
            assertThat(ines.locator("#saved")).containsText("The server does not answer");
            ticks(ines);
            ines.getByRole(AriaRole.BUTTON, byName("Something went wrong")).click();
            ines.getByRole(AriaRole.BUTTON, byName("Forgot to move it")).click();
            assertThat(ines.locator("#wrong-now")).hasText("Move it now. Then go on as it says.");
            ines.keyboard().press("Space");
            assertThat(ines.locator("#wrong-panel")).isHidden();
            ticks(ines);
            ticks(ines);
            ines.keyboard().press("+");
            house = RunningHouse.open(folder, port);
            assertThat(ines.locator("#saved")).hasText("Kept here and on the server.");
            assertThat(ines.locator("#step")).hasText("Bleach");
            String kept =
                    ines.request().get(ines.url().replace("/ribbon", "/events")).text();
            Assertions.assertThat(kept).contains("\"TROUBLE\"").contains("\"CHANGE\"");
            ines.request().get(ines.url().replace("/ribbon", "/events"));
            ticks(ines);
            ines.keyboard().press("+");
            assertThat(ines.locator("#saved")).hasText("Kept here and on the server.");
            ines.waitForCondition(() -> changes(ines) == 2);
            ines.reload();
            assertThat(ines.locator("#step")).hasText("Bleach");
            Assertions.assertThat(browser.troubles()).allMatch(trouble -> trouble.contains("ERR_"));
        } finally {
            house.kill();
        }
    }

    /** How often the step was made longer, as the server keeps it. */
    private static int changes(Page page) {
        return page.request()
                        .get(page.url().replace("/ribbon", "/events"))
                        .text()
                        .split("\"CHANGE\"", -1)
                        .length
                - 1;
    }

    /** The clock goes on by a second. */
    private static void ticks(Page page) {
        assertThat(page.locator("#left")).not().hasText(page.locator("#left").innerText());
    }

    /** What the ribbon would have sent by then: the developer, its washes, and the bleach since a minute. */
    private static void pourTheBleachAMinuteAgo(Page page) {
        StringBuilder events = new StringBuilder("[");
        int[] secondsAgo = {400, 160, 60};
        for (int step = 0; step < secondsAgo.length; step++) {
            events.append(step == 0 ? "" : ",")
                    .append("{\"n\":%d,\"at\":%d,\"kind\":\"POUR\",\"step\":%d,\"value\":0}"
                            .formatted(step + 1, System.currentTimeMillis() - secondsAgo[step] * 1000L, step));
        }
        APIResponse answer = page.request()
                .post(
                        page.url().replace("/ribbon", "/events"),
                        RequestOptions.create()
                                .setForm(FormData.create()
                                        .set("events", events.append("]").toString())
                                        .set(
                                                "_csrf",
                                                page.locator("#events [name=_csrf]")
                                                        .getAttribute("value"))));
        Assertions.assertThat(answer.status()).isEqualTo(200);
    }
}
