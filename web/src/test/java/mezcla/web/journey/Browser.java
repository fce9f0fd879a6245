package mezcla.web.journey;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.LoadState;
import com.microsoft.playwright.options.ReducedMotion;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/** A headless browser on a running application; notes what it should never see. */
final class Browser implements AutoCloseable {
    /** Debian's Chromium without its windows, where it is there: it draws the same pages in two thirds of the time. */
    private static final Path EXECUTABLE = Stream.of("/usr/bin/chromium-headless-shell", "/usr/bin/chromium")
            .map(Path::of)
            .filter(Files::isExecutable)
            .findFirst()
            .orElseThrow();

    /** One Chromium for all of a process; it goes when the process does. Each browser here is its own window on it. */
    private static final com.microsoft.playwright.Browser CHROMIUM = Playwright.create(
                    new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")))
            .chromium()
            .launch(new BrowserType.LaunchOptions()
                    .setExecutablePath(EXECUTABLE)
                    .setArgs(List.of(
                            "--no-sandbox",
                            "--disable-gpu",
                            // Debian's own settings draw with a graphics processor that is made up by this one.
                            "--disable-gpu-rasterization",
                            "--disable-gpu-compositing",
                            "--disable-quic",
                            "--no-first-run",
                            "--disable-background-networking",
                            "--disable-component-update",
                            "--disable-sync")));

    /** What looks at pages; one copy of it is enough for a page, however often it changes. */
    private static final String AXE = axe();

    private static final List<String> TAGS = List.of("wcag2a", "wcag2aa", "wcag21a", "wcag21aa");

    /** What a page is made of: each kind of element, in what, with what it says of itself; by theme and width. */
    private static final String MADE_OF =
            """
            () => {
              const kind = (element) => element === null ? '' : [element.tagName, element.className?.baseVal ?? element.className,
                element.type, element.getAttribute('aria-invalid'), element.disabled, element.getAttributeNames()
                  .filter((name) => /^(aria-|role|for|alt|title|tabindex|href|lang)/.test(name)).sort()].join(' ');
              const place = (element) => element === null ? '' : element.tagName + ' ' + (element.className?.baseVal ?? element.className);
              const under = document.documentElement.dataset.theme + (window.innerWidth < 600) + ' ';
              return [...document.body.querySelectorAll('*')].filter((element) => element.checkVisibility())
                .map((element) => [(under + kind(element) + ' in ' + place(element.parentElement)).replace(/\\s+/g, ' '), element]);
            }
            """;

    /** Colours, which take longest, are asked of what is new on a page alone, everything else of the whole. */
    private static final String VIOLATIONS =
            """
            async ([tags, kinds]) => {
              const fresh = new Set(kinds);
              const colours = await axe.run({ include: (%s)().filter(([kind]) => fresh.delete(kind)).map(([, element]) => element) },
                { runOnly: ['color-contrast'], resultTypes: ['violations'] });
              const rest = tags.length === 0 ? { violations: [] } : await axe.run(document,
                { runOnly: tags, rules: { 'color-contrast': { enabled: false } }, resultTypes: ['violations'] });
              return [...colours.violations, ...rest.violations].map((each) => each.id + ': '
                + each.nodes.map((node) => node.html + ' ' + node.failureSummary).join('; '));
            }
            """
                    .formatted(MADE_OF);

    private static final double PATIENCE_MS = 30_000;

    private final String address;
    private final List<String> troubles = new ArrayList<>();
    private final List<BrowserContext> opened = new ArrayList<>();

    Browser(int port) {
        this.address = "http://localhost:" + port;
        PlaywrightAssertions.setDefaultAssertionTimeout(PATIENCE_MS);
    }

    /** A browser of somebody's own, of that size. */
    Page open(int width, int height) {
        return watched(CHROMIUM.newContext(new com.microsoft.playwright.Browser.NewContextOptions()
                .setViewportSize(width, height)
                .setReducedMotion(ReducedMotion.REDUCE)
                .setBaseURL(address)));
    }

    private Page watched(BrowserContext context) {
        opened.add(context);
        Page page = context.newPage();
        page.onRequest(request -> {
            if (!request.url().startsWith(address) && !request.url().startsWith("data:")) {
                troubles.add("asked for " + request.url());
            }
        });
        page.onPageError(error -> troubles.add("script failed: " + error));
        page.onConsoleMessage(message -> {
            boolean refusedForm = message.text().contains("status of 4");
            boolean overtaken = message.text().startsWith("htmx:sendAbort")
                    || message.text().startsWith("htmx:afterRequest");
            if (message.type().equals("error") && !refusedForm && !overtaken) {
                troubles.add("console: " + message.text());
            }
        });
        return page;
    }

    /** A browser of a demonstration member's own, signed in. */
    Page signedIn(String name, int width, int height) {
        Page page = open(width, height);
        signIn(page, name, name.equals("bram") ? "count-the-rolls" : "rinse-and-hang");
        return page;
    }

    /** What has exactly that name. */
    static Page.GetByRoleOptions byName(String name) {
        return new Page.GetByRoleOptions().setName(name).setExact(true);
    }

    /**
     * Waits for a page of that address and its scripts; two asterisks stand for anything, one for anything without a
     * slash. Says where the browser is when it does not come.
     */
    static void at(Page page, String address) {
        String pattern = address.replaceAll("[.?+]", "\\\\$0")
                .replace("**", "anything")
                .replace("*", "[^/]*")
                .replace("anything", ".*");
        PlaywrightAssertions.assertThat(page).hasURL(Pattern.compile("^" + pattern + "$"));
        page.waitForLoadState();
    }

    /** A double tap on a button, and whatever comes of it. */
    static void pressTwice(Page page, String name) {
        page.getByRole(AriaRole.BUTTON, byName(name)).dblclick();
        page.waitForLoadState(LoadState.NETWORKIDLE);
    }

    /** The answer that a page gives, once its scripts are there. */
    static Locator heading(Page page) {
        page.waitForLoadState();
        return page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(1));
    }

    /** Says on the plan of a run that the film is made for its batch. */
    static void saysWhichFilm(Page page) {
        page.waitForLoadState();
        String process = page.locator("p.place span").first().innerText();
        page.locator("#madeFor").selectOption(process.replace(' ', '-'));
        PlaywrightAssertions.assertThat(page.locator("#answer")).isVisible();
        page.waitForLoadState(LoadState.NETWORKIDLE);
    }

    static void signIn(Page page, String name, String password) {
        page.navigate("/sign-in");
        page.getByLabel("Name to sign in with").fill(name);
        page.getByLabel("Password").fill(password);
        page.keyboard().press("Enter");
        if (name.equals("bram")) {
            Browser.at(page, "**/week");
            page.navigate("/shelf");
        }
        Browser.at(page, "**/shelf");
    }

    private static final Set<String> LOOKED_AT = new HashSet<>();

    /** What the other processes of this very run of the tests looked at; empty where there is but one. */
    private static final String SHARED = System.getProperty("mezcla.looked-at", "");

    /**
     * Whether everybody can use the page as it stands (it has no frames), and it does not scroll sideways. A page that is
     * made of nothing but what was looked at before is not looked at once more.
     */
    static void assertAccessible(Page page) {
        assertFits(page);
        assertUsable(page, TAGS);
    }

    /** Whether everything on a page can be read in the theme that it stands in; the rest is the same in each. */
    static void assertReadable(Page page) {
        assertUsable(page, List.of());
    }

    private static void assertUsable(Page page, List<String> tags) {
        List<String> madeOf = notLookedAt(page);
        if (madeOf.isEmpty()) {
            return;
        }
        if (page.evaluate("window.axe === undefined").equals(true)) {
            page.evaluate(AXE);
        }
        assertThat((List<?>) page.evaluate(VIOLATIONS, List.of(tags, madeOf)))
                .as("accessibility of " + page.url())
                .isEmpty();
        LOOKED_AT.addAll(madeOf);
        if (!SHARED.isEmpty()) {
            try {
                Files.write(Path.of(SHARED), madeOf, StandardOpenOption.CREATE, StandardOpenOption.APPEND);
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
    }

    /** The kinds of what a page is made of that nobody has looked at yet. */
    private static List<String> notLookedAt(Page page) {
        List<String> madeOf = ((List<?>) page.evaluate("(" + MADE_OF + ")().map(([kind]) => kind)"))
                .stream().map(String.class::cast).distinct().toList();
        if (!LOOKED_AT.containsAll(madeOf)) {
            LOOKED_AT.addAll(lookedAtElsewhere());
        }
        return madeOf.stream().filter(kind -> !LOOKED_AT.contains(kind)).toList();
    }

    private static String axe() {
        try (InputStream script = Browser.class.getResourceAsStream("/axe.min.js")) {
            return new String(Objects.requireNonNull(script).readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static List<String> lookedAtElsewhere() {
        try {
            return !SHARED.isEmpty() && Files.exists(Path.of(SHARED)) ? Files.readAllLines(Path.of(SHARED)) : List.of();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Whether the page does not scroll sideways. */
    static void assertFits(Page page) {
        assertThat(page.evaluate("document.documentElement.scrollWidth - window.innerWidth"))
                .as("sideways scrolling of " + page.url())
                .isEqualTo(0);
    }

    List<String> troubles() {
        return troubles;
    }

    @Override
    public void close() {
        opened.forEach(BrowserContext::close);
    }
}
