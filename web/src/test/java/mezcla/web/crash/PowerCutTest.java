package mezcla.web.crash;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.CookieManager;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.Random;
import java.util.Timer;
import java.util.TimerTask;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.testng.annotations.Test;

/**
 * Kills the application again and again in the middle of saves: whatever it confirmed must still be there. As often as
 * the system property {@code mezcla.power-cuts} says.
 */
public class PowerCutTest {
    private static final String BOTTLE = "/fills/4";
    private static final Pattern HIDDEN = Pattern.compile("name=\"(_csrf|formKey)\"[^>]*value=\"([^\"]+)\"");

    private final HttpClient browser =
            HttpClient.newBuilder().cookieHandler(new CookieManager()).build();
    private final Random random = new Random(20);

    @Test
    public void nothingConfirmedIsLostAndTheStoreStaysSound() throws Exception {
        Path folder = Files.createTempDirectory("mezcla-power-cut");
        int cuts = Integer.getInteger("mezcla.power-cuts", 3);
        int confirmed = 0;
        boolean signedIn = false;
        for (int cut = 0; cut < cuts; cut++) {
            RunningHouse house = RunningHouse.open(folder);
            if (!signedIn) {
                signIn(house.address());
                signedIn = true;
            }
            int before = spills(folder);
            AtomicInteger saved = new AtomicInteger();
            saveOnce(house.address(), saved);
            Timer power = new Timer(true);
            power.schedule(
                    new TimerTask() {
                        @Override
                        public void run() {
                            try {
                                house.kill();
                            } catch (InterruptedException e) {
                                Thread.currentThread().interrupt();
                            }
                        }
                    },
                    20 + random.nextInt(600));
            saveUntilItDies(house.address(), saved);
            power.cancel();
            house.kill();
            confirmed += saved.get();
            assertThat(spills(folder) - before)
                    .as("saved between cut %d and the one before", cut)
                    .isBetween(saved.get(), saved.get() + 1);
        }
        assertThat(confirmed).as("saves that were confirmed at all").isGreaterThanOrEqualTo(cuts);
        assertThat(answer(folder, "PRAGMA integrity_check")).isEqualTo("ok");
        assertThat(answer(folder, "SELECT count(*) FROM pragma_foreign_key_check"))
                .isEqualTo("0");
    }

    private void saveUntilItDies(String address, AtomicInteger saved) throws InterruptedException {
        try {
            while (true) {
                saveOnce(address, saved);
            }
        } catch (IOException itDied) {
            assertThat(itDied).isNotNull();
        }
    }

    private void saveOnce(String address, AtomicInteger saved) throws IOException, InterruptedException {
        String page = get(address + BOTTLE);
        HttpResponse<String> answer =
                post(address + BOTTLE + "/spills", hidden(page, "_csrf"), hidden(page, "formKey"));
        assertThat(answer.statusCode()).isEqualTo(302);
        saved.incrementAndGet();
    }

    private void signIn(String address) throws IOException, InterruptedException {
        String csrf = hidden(get(address + "/sign-in"), "_csrf");
        HttpResponse<String> answer =
                send(address + "/sign-in", "name=ines&password=rinse-and-hang&_csrf=" + encoded(csrf));
        assertThat(answer.headers().firstValue("Location").orElse("")).doesNotContain("refused");
    }

    private String get(String page) throws IOException, InterruptedException {
        HttpResponse<String> answer =
                browser.send(HttpRequest.newBuilder(URI.create(page)).build(), HttpResponse.BodyHandlers.ofString());
        assertThat(answer.statusCode()).as(page).isEqualTo(200);
        return answer.body();
    }

    private HttpResponse<String> post(String page, String csrf, String formKey)
            throws IOException, InterruptedException {
        return send(page, "spilled=0.01&_csrf=" + encoded(csrf) + "&formKey=" + encoded(formKey));
    }

    private HttpResponse<String> send(String page, String form) throws IOException, InterruptedException {
        return browser.send(
                HttpRequest.newBuilder(URI.create(page))
                        .header("Content-Type", "application/x-www-form-urlencoded")
                        .POST(HttpRequest.BodyPublishers.ofString(form))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
    }

    private static String encoded(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }

    private static String hidden(String page, String name) {
        Matcher matcher = HIDDEN.matcher(page);
        while (matcher.find()) {
            if (matcher.group(1).equals(name)) {
                return matcher.group(2);
            }
        }
        throw new AssertionError("no " + name + " in " + page);
    }

    private static int spills(Path folder) throws SQLException {
        return Integer.parseInt(answer(folder, "SELECT count(*) FROM log_entry WHERE kind = 'fill-spilled'"));
    }

    private static String answer(Path folder, String question) throws SQLException {
        try (Connection store = DriverManager.getConnection("jdbc:sqlite:" + folder.resolve("mezcla.db"));
                ResultSet rows = store.createStatement().executeQuery(question)) {
            rows.next();
            return rows.getString(1);
        }
    }
}
