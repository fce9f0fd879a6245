package mezcla.web.journey;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.RequestOptions;
import java.nio.file.Path;
import java.time.Instant;
import java.util.Base64;
import java.util.List;
import mezcla.processing.SimulatedBath;
import mezcla.processing.WarmUp;
import mezcla.web.DemoApplicationTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.testng.annotations.Test;

/** Takes the pictures in docs/screenshots from the demonstration's data; run by bin/pictures. */
public class Pictures extends DemoApplicationTest {
    private static final int WARMED_SECONDS = 28 * 60;

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
            picture(desk, "/kits/3/mix?volume=500+ml", "mix-plan");
            picture(desk, "/cupboard", "cupboard");
            picture(desk, "/mixes/1", "bench");
            picture(desk, "/kits/3", "kit");
            picture(desk, "/batches/4/card", "power-cut-card");
            Page steward = browser.open(1280, 800);
            Browser.signIn(steward, "bram", "count-the-rolls");
            picture(steward, "/house", "house");
            picture(steward, "/leaflets/new?from=1", "leaflet-editor");
            evening(desk);
            practice(desk);
            desk.keyboard().press("d");
            desk.locator("html[data-theme=dim]").waitFor();
            picture(desk, "/shelf", "shelf-dim");
            Page phone = browser.open(390, 844);
            Browser.signIn(phone, "ines", "rinse-and-hang");
            picture(phone, "/shelf", "shelf-phone");
            picture(phone, "/mixes/1", "bench-phone");
            picture(steward, "/waste", "waste");
            four(browser, "/batches/4/run?tank=2", "run");
            four(browser, warmUp(steward), "warm-up");
            four(browser, ribbon(desk), "ribbon");
        }
    }

    private static void evening(Page page) {
        for (String rolls : new String[] {"4", "3"}) {
            page.navigate("/batches/4/run?tank=3");
            page.locator("[name='film[0].count']").fill(rolls);
            page.locator("button[formaction$='/starts']:has-text('" + (rolls.equals("4") ? "four" : "three") + "')")
                    .waitFor();
            page.locator("button[formaction$='/loads']").click();
            page.waitForURL("**/evening?planned");
        }
        picture(page, "/evening", "evening");
    }

    /** A practice in which a bath was late and a movement was missed, as a browser would have sent it. */
    private static void practice(Page page) {
        page.navigate("/practice/1?fault=HEATER_OFF");
        long began = System.currentTimeMillis() - 20 * 60_000;
        StringBuilder events = new StringBuilder("[");
        int number = 0;
        int[] poured = {0, 64, 264, 668, 848};
        for (int step = 0; step < poured.length; step++) {
            events.append(event(++number, began, poured[step], "POUR", step));
            for (int moved = step == 1 || step == 2 ? 12 : 10_000; moved < (step == 1 ? 190 : 390); moved += 30) {
                if (step == 2 || moved != 72) {
                    int every = moved == 12 ? 12 : moved - moved % 30;
                    events.append(event(++number, began, poured[step] + every, "MOVED", step));
                }
            }
        }
        events.append(event(++number, began, 908, "DONE", 4));
        page.locator("#report-events")
                .evaluate("(field, events) => field.value = events", events.substring(0, events.length() - 1) + "]");
        page.locator("#report").evaluate("form => form.submit()");
        page.waitForURL("**/practice/reports/*");
        page.screenshot(new Page.ScreenshotOptions().setPath(FOLDER.resolve("practice-report.png")));
    }

    private static String event(int number, long began, int second, String kind, int step) {
        return "{\"n\":%d,\"at\":%d,\"kind\":\"%s\",\"step\":%d,\"value\":0},"
                .formatted(number, began + second * 1000L, kind, step);
    }

    /** A bath that has been warming for a while, with a probe in it; its readings are those of the stand-in. */
    private static String warmUp(Page steward) {
        steward.navigate("/probes");
        steward.locator("#probe").fill("Bath probe");
        steward.locator("form[action='/probes'] button").click();
        String token = steward.locator(".token code").innerText();
        Instant now = Instant.now();
        Instant began = now.minusSeconds(WARMED_SECONDS);
        List<String> readings = new SimulatedBath(
                        new WarmUp.Tub(12, 800, 8, 20, 20),
                        List.of(new WarmUp.Warmed(1, 6, 20), new WarmUp.Warmed(1, 6, 20)),
                        38,
                        SimulatedBath.Fault.NONE,
                        0,
                        1)
                .readings(45, WARMED_SECONDS).stream()
                        .map(shown -> "{\"at\":\"%s\",\"celsius\":%s}"
                                .formatted(began.plusSeconds((long) shown.seconds()), shown.celsius()))
                        .toList();
        steward.request()
                .post(
                        "/api/probes/1/readings",
                        RequestOptions.create()
                                .setHeader("Authorization", "Bearer " + token)
                                .setHeader("Content-Type", "application/json")
                                .setData("[" + String.join(",", readings) + "]"));
        return "/batches/4/warm-up?bath=20&bottles=20&probe=1&from=" + began.getEpochSecond();
    }

    /** A run in its developer. */
    private static String ribbon(Page page) {
        page.navigate("/batches/5/run?tank=1&probe=NONE");
        page.locator("#probe").selectOption("NONE");
        page.locator("button[formaction$='/starts']").click();
        page.waitForURL("**/runs/*/ribbon");
        page.waitForCondition(() -> {
            page.keyboard().press("Space");
            return "Developer".equals(page.locator("#step").innerText());
        });
        return page.url();
    }

    /** One view in both themes, on a desk and on a phone, side by side. */
    private static void four(Browser browser, String place, String name) {
        StringBuilder sheet = new StringBuilder();
        for (String theme : new String[] {"light", "dim"}) {
            for (int[] size : new int[][] {{1280, 800}, {390, 844}}) {
                Page page = browser.signedIn("ines", size[0], size[1]);
                if (theme.equals("dim")) {
                    page.keyboard().press("d");
                    page.locator("html[data-theme=dim]").waitFor();
                }
                page.navigate(place);
                page.evaluate("document.fonts.ready");
                page.waitForTimeout(2500);
                sheet.append(
                        "<img width=%d height=%d style='margin:8px;vertical-align:top' src='data:image/png;base64,%s'>"
                                .formatted(size[0], size[1], Base64.getEncoder().encodeToString(page.screenshot())));
                page.context().close();
            }
            sheet.append("<br>");
        }
        Page page = browser.open(1720, 1728);
        page.setContent("<body style='margin:0;background:#9aa09a;white-space:nowrap'>" + sheet);
        page.screenshot(new Page.ScreenshotOptions().setPath(FOLDER.resolve(name + ".png")));
        page.context().close();
    }

    private static void picture(Page page, String place, String name) {
        page.navigate(place);
        page.evaluate("document.fonts.ready");
        page.screenshot(new Page.ScreenshotOptions().setPath(FOLDER.resolve(name + ".png")));
    }
}
