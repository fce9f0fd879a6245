package mezcla.web.journey;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.RequestOptions;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.Base64;
import java.util.List;
import java.util.function.Consumer;
import mezcla.processing.SimulatedBath;
import mezcla.processing.WarmUp;
import mezcla.web.DemoApplicationTest;
import mezcla.web.MezclaApplication;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.test.util.ReflectionTestUtils;
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
            picture(desk, "/kits/3/mix?volume=500+ml", "mix-plan");
            picture(desk, "/cupboard", "cupboard");
            picture(desk, "/mixes/1", "bench");
            Page steward = browser.open(1280, 800);
            Browser.signIn(steward, "bram", "count-the-rolls");
            four(browser, "bram", "/house", "house");
            evening(desk);
            four(browser, "bram", halfTyped(steward), "leaflet-editor");
            four(browser, "bram", "/week", "week");
            four(browser, "bram", "/money", "money");
            four(browser, "bram", "/queue", "queue");
            four(browser, "bram", "/money/kits", "kits");
            four(browser, "/batches/4/run?tank=2", "run");
            four(browser, warmUp(steward), "warm-up");
            String ribbon = ribbon(desk);
            four(browser, ribbon, "ribbon");
            four(browser, "ines", ribbon, "accident", page -> {
                page.locator("#wrong").click();
                page.locator("[data-accident='2']").click();
            });
            four(browser, "/signs", "signs");
            theBeginning();
            desk.navigate("/batches/4");
            four(browser, desk.locator(".due a").first().getAttribute("href"), "look");
        }
    }

    /** A house that has begun, and is not filled yet. */
    private static void theBeginning() {
        try (ConfigurableApplicationContext house = new SpringApplicationBuilder(MezclaApplication.class)
                        .run("--mezcla.data=" + Files.createTempDirectory("mezcla-begun"), "--server.port=0");
                Browser browser =
                        new Browser(house.getEnvironment().getRequiredProperty("local.server.port", Integer.class))) {
            Page first = browser.open(1280, 800);
            first.navigate("/begin");
            first.locator("#code")
                    .fill(String.valueOf(ReflectionTestUtils.getField(house.getBean("beginningCode"), "code")));
            first.locator("#houseName").fill("Gasworks Darkroom");
            first.locator("#timeZone").fill("Auckland");
            first.locator("#currency").fill("NZD");
            first.locator("#name").fill("Bram");
            first.locator("#signInName").fill("bram");
            first.locator("#password").fill("count-the-rolls");
            first.keyboard().press("Enter");
            Browser.at(first, "**/sign-in?begun");
            Browser.signIn(first, "bram", "count-the-rolls");
            first.navigate("/house/this");
            first.locator("form[action='/house/surroundings'] button").click();
            first.navigate("/house/tanks/new");
            first.locator("#tank").fill("Two reels");
            first.locator("#tankVolume").fill("500 ml");
            first.locator("#holdsR135").fill("2");
            first.keyboard().press("Enter");
            Browser.at(first, "**/house/things?saved=tank#list-tanks");
            four(browser, "bram", "/shelf", "beginning");
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static void evening(Page page) {
        for (String rolls : new String[] {"4", "3"}) {
            page.navigate("/batches/4/run?tank=3");
            page.locator("[name='film[0].count']").fill(rolls);
            page.locator("button[name='done']:has-text('" + (rolls.equals("4") ? "four" : "three") + "')")
                    .waitFor();
            Browser.saysWhichFilm(page);
            page.locator("button[formaction$='/loads']").click();
            Browser.at(page, "**/evening?planned");
        }
        picture(page, "/evening", "evening");
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

    /** A sheet of which the developer is typed already. */
    private static String halfTyped(Page steward) {
        steward.navigate("/leaflets/new");
        steward.locator("button.shape[value=TWO_BATHS_AND_RINSE]").click();
        fill(steward, "name", "Tidegate Negative 1.2 L", "maker", "Tidegate", "makes", "1200 ml");
        fill(steward, "part0-amount", "150 ml", "part1-amount", "72 ml", "part2-amount", "240 ml");
        fill(steward, "part3-amount", "180 ml", "part4-amount", "24 ml");
        fill(steward, "bath0-water", "840 ml at 40 °C");
        fill(steward, "bath1-water", "600 ml at 35 °C");
        fill(steward, "bath2-water", "1000 ml");
        fill(steward, "bath0-time", "3 min 20 s at 38 °C (100 °F)");
        fill(steward, "bath0-bands", "1–5 3:20\n6–10 3:35\n11–14 3:55");
        steward.locator(".bar button:has-text('Back')").click();
        steward.locator(".bar button:has-text('Next')").click();
        return steward.url();
    }

    /** Types into fields, and goes on to the next view where the first of them is not on this one. */
    private static void fill(Page page, String... typed) {
        if (page.locator("[id='" + typed[0] + "']").count() == 0) {
            page.locator(".bar button:has-text('Next')").click();
            page.locator("[id='" + typed[0] + "']").waitFor();
        }
        for (int i = 0; i < typed.length; i += 2) {
            page.locator("[id='" + typed[i] + "']").fill(typed[i + 1]);
        }
    }

    /** A run in its developer. */
    private static String ribbon(Page page) {
        page.navigate("/batches/5/run?tank=1&probe=NONE");
        page.locator("#probe").selectOption("NONE");
        Browser.saysWhichFilm(page);
        page.locator("button[formaction$='/starts']").click();
        Browser.at(page, "**/runs/*/ribbon");
        page.waitForCondition(() -> {
            page.keyboard().press("Space");
            return "Developer".equals(page.locator("#step").innerText());
        });
        return page.url();
    }

    /** One view in both themes, on a desk and on a phone, side by side. */
    private static void four(Browser browser, String place, String name) {
        four(browser, "ines", place, name);
    }

    private static void four(Browser browser, String member, String place, String name) {
        four(browser, member, place, name, page -> {});
    }

    private static void four(Browser browser, String member, String place, String name, Consumer<Page> act) {
        StringBuilder sheet = new StringBuilder();
        for (String theme : new String[] {"light", "dim"}) {
            for (int[] size : new int[][] {{1280, 800}, {390, 844}}) {
                Page page = browser.signedIn(member, size[0], size[1]);
                if (theme.equals("dim")) {
                    page.keyboard().press("d");
                    page.locator("html[data-theme=dim]").waitFor();
                }
                page.navigate(place);
                page.evaluate("document.fonts.ready");
                page.waitForTimeout(2500);
                act.accept(page);
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
