package mezcla.web.journey;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.Response;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import mezcla.web.DemoApplicationTest;
import mezcla.web.EveryRoute;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.config.AutowireCapableBeanFactory;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/**
 * Every page is measured as it is shown, on a desk and on a phone: the size of what is read, the size of what is touched,
 * whether it has to be scrolled sideways, and whether what has the focus is in sight. Labels are paper, and keep its sizes.
 * Whether everybody can read and use it is asked in both themes.
 */
public class FitTest extends DemoApplicationTest {
    private static final double TEXT_PX = 14;
    private static final double DRAWN_PX = 11;
    private static final double WET_TEXT_PX = 16;
    private static final double TARGET_PX = 44;
    private static final double WET_TARGET_PX = 64;

    private static final String MEASURE =
            """
            ([text, drawn, target]) => {
              const found = [];
              const name = (element) => element.tagName.toLowerCase() + '.' + (element.className?.baseVal ?? element.className)
                + ' "' + (element.textContent || element.value || '').trim().replace(/\\s+/g, ' ').slice(0, 40) + '"';
              const shown = (element) => element.checkVisibility({ visibilityProperty: true }) && !element.closest('.skip, .visually-hidden');
              const own = (element) => [...element.childNodes].some((node) => node.nodeType === 3 && node.textContent.trim());
              for (const element of document.body.querySelectorAll('*')) {
                if (!shown(element) || !own(element) || element.closest('option, datalist, textarea, script, .labels, .can-label')) continue;
                const svg = element.closest('svg') && element.getScreenCTM;
                const size = parseFloat(getComputedStyle(element).fontSize) * (svg ? element.getScreenCTM().a : 1);
                const least = svg ? drawn : text;
                if (size < least - 0.05) found.push('text ' + size.toFixed(1) + ' px: ' + name(element));
              }
              const labelled = (element) => element.closest('label') ?? element;
              for (const element of document.querySelectorAll('a[href], button, input:not([type=hidden]), select, textarea, summary')) {
                if (!shown(element) || element.closest('svg')) continue;
                const inline = element.tagName === 'A' && getComputedStyle(element).display === 'inline'
                  && [...element.parentElement.childNodes].some((node) => node !== element && node.textContent.trim().length > 2);
                if (inline) continue;
                const box = (['checkbox', 'radio'].includes(element.type) ? labelled(element) : element).getBoundingClientRect();
                if (box.height < target - 0.6 || box.width < Math.min(target, 44) - 0.6) {
                  found.push('target ' + box.width.toFixed(0) + ' × ' + box.height.toFixed(0) + ': ' + name(element));
                }
              }
              if (document.documentElement.scrollWidth > window.innerWidth) {
                const wide = [...document.body.querySelectorAll('*')].filter((element) => shown(element)
                  && element.getBoundingClientRect().right > window.innerWidth + 1).slice(0, 3).map(name);
                found.push('sideways ' + document.documentElement.scrollWidth + ': ' + wide.join(', '));
              }
              return [...new Set(found)];
            }
            """;

    private static final String FOCUS =
            """
            () => {
              const hidden = [];
              for (const element of document.querySelectorAll('a[href], button, input:not([type=hidden]), select, textarea, summary')) {
                if (!element.checkVisibility({ visibilityProperty: true }) || element.disabled || element.closest('svg, dialog:not([open])')
                  || element.closest('.skip, [tabindex="-1"]')) continue;
                element.focus();
                const box = element.getClientRects()[0] ?? element.getBoundingClientRect();
                const x = box.left + Math.min(box.width / 2, 20);
                const y = box.top + Math.min(box.height / 2, 20);
                const top = document.elementFromPoint(x, y);
                if (!top || !(element.contains(top) || top.contains(element) || top.closest('label')?.contains(element))) {
                  hidden.push(element.tagName + ' "' + (element.textContent || element.name || '').trim().slice(0, 30) + '" is behind '
                    + (top ? top.tagName + '.' + top.className : 'the edge'));
                }
              }
              return hidden;
            }
            """;

    /** Where hands are wet: everything is larger. */
    private static final Pattern WET = Pattern.compile("/mixes/1|/runs/[0-9]+/ribbon");

    @LocalServerPort
    private int port;

    private Browser browser;
    private final List<String> places = new ArrayList<>();

    @Autowired
    private AutowireCapableBeanFactory beans;

    @BeforeClass(dependsOnMethods = "springTestContextPrepareTestInstance")
    public void open() {
        browser = new Browser(port);
        places.addAll(beans.createBean(EveryRoute.class).pages());
        places.addAll(OTHERS);
    }

    @AfterClass(alwaysRun = true)
    public void close() {
        browser.close();
    }

    /**
     * @param measured whether texts and targets are measured
     * @param docked whether so little is high that bars may hide what has the focus
     */
    private record Size(int width, int height, boolean measured, boolean docked) {}

    /** A tablet, a phone, and a tablet at 200 %, which has half as many pixels each way. */
    private static final List<Size> SIZES =
            List.of(new Size(1280, 800, true, false), new Size(390, 844, true, true), new Size(640, 400, false, true));

    /** Pages that are measured beside one of every route, because they show something else. */
    private static final List<String> OTHERS = List.of(
            "/batches/2",
            "/batches/4",
            "/batches/4/run",
            "/batches/4/warm-up",
            "/batches/4/labels",
            "/batches/4/card",
            "/kits/new?leaflet=1",
            "/adopt?leaflet=1",
            "/house/bottles/1",
            "/house/tools/1",
            "/house/jugs/1",
            "/house/heaters/1");

    /** Each page is loaded once and turned to each size. */
    @Test
    public void everythingIsLargeEnoughAndInSight() {
        Page page = browser.signedIn("bram", 1280, 800);
        List<String> found = new ArrayList<>();
        for (String place : places) {
            Response answer = page.navigate(place);
            if (answer == null || answer.status() != 200) {
                found.add(place + " answers " + (answer == null ? "nothing" : answer.status()));
            } else {
                found.addAll(measured(page, place));
            }
        }
        page.navigate("/house/you");
        page.locator("#deviceName").fill("Tablet by the sink");
        page.locator("form[action='/house/device'] button").click();
        Browser.at(page, "**/who");
        found.addAll(measured(page, "/who"));
        assertThat(found).isEmpty();
    }

    private static List<String> measured(Page page, String place) {
        List<String> found = new ArrayList<>();
        page.waitForLoadState();
        Browser.assertAccessible(page);
        page.evaluate("document.documentElement.dataset.theme = 'dim'");
        Browser.assertReadable(page);
        page.evaluate("document.documentElement.dataset.theme = 'light'");
        boolean wet = WET.matcher(place).matches();
        List<Object> sizes = List.of(wet ? WET_TEXT_PX : TEXT_PX, DRAWN_PX, wet ? WET_TARGET_PX : TARGET_PX);
        for (Size size : SIZES) {
            page.setViewportSize(size.width(), size.height());
            String at = "%s at %d × %d: ".formatted(place, size.width(), size.height());
            Object wide = page.evaluate("() => document.documentElement.scrollWidth - window.innerWidth");
            if (((Number) wide).intValue() > 0) {
                found.add(at + "scrolls sideways by " + wide);
            }
            if (size.measured()) {
                strings(page.evaluate(MEASURE, sizes)).forEach(each -> found.add(at + each));
            }
            if (size.docked()) {
                strings(page.evaluate(FOCUS)).forEach(each -> found.add(at + "focus: " + each));
            }
        }
        return found;
    }

    private static List<String> strings(Object answer) {
        return ((List<?>) answer).stream().map(String::valueOf).toList();
    }
}
