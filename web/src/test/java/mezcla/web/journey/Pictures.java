package mezcla.web.journey;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Path;
import mezcla.web.DemoApplicationTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.testng.annotations.Test;

/** Takes the pictures in docs/screenshots from the demonstration's data; run by bin/pictures. */
public class Pictures extends DemoApplicationTest {
    private static final Path FOLDER = Path.of("..", "docs", "screenshots");

    @LocalServerPort
    private int port;

    @Test
    public void take() {
        try (Browser browser = new Browser(port)) {
            Page desk = browser.open(1280, 800);
            Browser.signIn(desk, "ines", "rinse-and-hang");
            picture(desk, "/shelf", "shelf");
            picture(desk, "/batches/4", "batch");
            desk.locator(".life").scrollIntoViewIfNeeded();
            desk.screenshot(new Page.ScreenshotOptions().setPath(FOLDER.resolve("life-window.png")));
            picture(
                    desk,
                    "/shelf?film%5B0%5D.count=14&film%5B0%5D.format=120&process=colour-negative&push=0&tank=2",
                    "ways-out");
            picture(desk, "/kits/3/mix?volume=500+ml", "mix-plan");
            picture(desk, "/cupboard", "cupboard");
            picture(desk, "/batches/4/run", "run");
            desk.navigate("/batches/4/run?preSoak=no");
            desk.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Start one roll"))
                    .click();
            desk.waitForURL("**/runs/*/ribbon");
            desk.waitForCondition(() -> {
                desk.keyboard().press("Space");
                return "Developer".equals(desk.locator("#step").innerText());
            });
            desk.waitForCondition(() -> "3:28".equals(desk.locator("#left").innerText()));
            desk.screenshot(new Page.ScreenshotOptions().setPath(FOLDER.resolve("ribbon.png")));
            picture(desk, "/mixes/1", "bench");
            picture(desk, "/kits/3", "kit");
            picture(desk, "/batches/5/warm-up", "warm-up");
            picture(desk, "/batches/4/card", "power-cut-card");
            Page steward = browser.open(1280, 800);
            Browser.signIn(steward, "bram", "count-the-rolls");
            picture(steward, "/house", "house");
            picture(steward, "/leaflets/new?from=1", "leaflet-editor");
            desk.keyboard().press("d");
            desk.locator("html[data-theme=dim]").waitFor();
            picture(desk, "/shelf", "shelf-dim");
            Page phone = browser.open(390, 844);
            Browser.signIn(phone, "ines", "rinse-and-hang");
            picture(phone, "/shelf", "shelf-phone");
            picture(phone, "/mixes/1", "bench-phone");
            picture(steward, "/waste", "waste");
            picture(phone, "/batches/4/run", "run-phone");
        }
    }

    private static void picture(Page page, String place, String name) {
        page.navigate(place);
        page.evaluate("document.fonts.ready");
        page.screenshot(new Page.ScreenshotOptions().setPath(FOLDER.resolve(name + ".png")));
    }
}
