package mezcla.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.BufferedReader;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.OutputStream;
import java.net.CookieManager;
import java.net.Socket;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import javax.imageio.ImageIO;
import mezcla.batch.LogBook;
import mezcla.web.access.Members;
import mezcla.web.access.SignedIn;
import mezcla.web.log.DarkroomLog;
import mezcla.web.photo.Picture;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.mock.web.MockMultipartFile;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What no browser sends, over a real connection: it gets a page that says so, and costs nothing that lasts. */
public class RoughInputTest extends DemoApplicationTest {
    private static final Pattern TOKEN = Pattern.compile("name=\"_csrf\"[^>]*value=\"([^\"]+)\"");
    private static final String LEAF = "/batches/4/run?formKey=69cd6927-c0e5-4d0f-b12e-735409e41a87&";

    @LocalServerPort
    private int port;

    @Autowired
    private DarkroomLog log;

    @Autowired
    private Members members;

    private HttpClient bram;
    private String token;

    @BeforeClass
    public void signIn() throws Exception {
        bram = HttpClient.newBuilder()
                .cookieHandler(new CookieManager())
                .followRedirects(HttpClient.Redirect.NEVER)
                .build();
        token = tokenOn("/sign-in");
        assertThat(send(bram, "/sign-in", "name=bram&password=count-the-rolls").statusCode())
                .isEqualTo(302);
    }

    private String tokenOn(String page) throws Exception {
        Matcher found = TOKEN.matcher(get(page).body());
        assertThat(found.find()).isTrue();
        return found.group(1);
    }

    private HttpResponse<String> get(String page) throws Exception {
        return bram.send(
                HttpRequest.newBuilder(URI.create("http://localhost:" + port + page))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
    }

    private HttpResponse<String> send(HttpClient who, String page, String form) throws Exception {
        return who.send(
                HttpRequest.newBuilder(URI.create("http://localhost:" + port + page))
                        .header("Content-Type", "application/x-www-form-urlencoded")
                        .POST(HttpRequest.BodyPublishers.ofString("_csrf=" + token + "&" + form))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
    }

    private static String key() {
        return "formKey=" + UUID.randomUUID();
    }

    private static String typed(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }

    private LogBook book() {
        return log.book();
    }

    /** As it stands, without a client that would mend it. */
    private String statusLine(String request) throws IOException {
        try (Socket socket = new Socket("localhost", port)) {
            OutputStream out = socket.getOutputStream();
            out.write((request + " HTTP/1.1\r\nHost: localhost\r\nConnection: close\r\n\r\n")
                    .getBytes(StandardCharsets.ISO_8859_1));
            return new BufferedReader(new InputStreamReader(socket.getInputStream(), StandardCharsets.ISO_8859_1))
                    .readLine();
        }
    }

    @DataProvider
    public static Object[][] addresses() {
        return new Object[][] {
            {"/shelf?film%5B-1%5D.count=1", 200},
            {"/shelf?film%5Ba%5D.count=1", 200},
            {"/shelf?film%5B99999%5D.count=1", 200},
            {"/shelf?film%5B0%5D.count%5B0%5D=1", 422},
            {"/shelf?film=1", 200},
            {LEAF + "film%5B300%5D.count=1", 422},
            {LEAF + "film%5B-1%5D.count=1", 422},
            {"/shelf?class.name=x", 200},
            {"/journal?words=%00", 200},
            {"/journal?member=%e2%80%a8", 200},
            {"/journal?batch=%0d%0aforged", 422},
            {"/batches/99999999999999999999", 404},
            {"/photos/nothing.jpg", 404},
            {"/refused/old", 404},
        };
    }

    @Test(dataProvider = "addresses")
    public void oddAddressesGetAPageThatSaysSo(String address, int status) throws Exception {
        HttpResponse<String> answer = get(address);
        assertThat(answer.statusCode()).isEqualTo(status);
        assertThat(answer.body()).doesNotContain("Something went wrong here");
    }

    @Test
    public void oddNamesOfFieldsInAFormAreNoFaultOfOurs() throws Exception {
        for (String field :
                new String[] {"film[a]", "film[-1]", "film[99999].count", "film", "film[0].count[x][y][z]"}) {
            for (String page :
                    new String[] {"/batches/4/runs", "/batches/4/starts", "/batches/4/run", "/batches/4/loads"}) {
                assertThat(send(bram, page, key() + "&" + typed(field) + "=1").statusCode())
                        .as(page + " " + field)
                        .isBetween(400, 499);
            }
        }
    }

    @DataProvider
    public static Object[][] broken() {
        return new Object[][] {
            {"GET /shelf?x=%zz"},
            {"GET /sign-in?%zz"},
            {"GET /batches/%zz"},
            {"GET /batches/4%0d%0aforged"},
            {"GET /sign-in?to=" + "/a".repeat(6000)},
            {"POST /sign-in"},
        };
    }

    @Test(dataProvider = "broken")
    public void whatCannotBeDecodedIsNoFaultOfOurs(String request) throws IOException {
        assertThat(statusLine(request)).matches("HTTP/1.1 4[0-9]{2}.*");
    }

    @Test
    public void strangerSendsNoMoreThanANameAndAPassword() throws Exception {
        HttpClient stranger =
                HttpClient.newBuilder().cookieHandler(new CookieManager()).build();
        for (String page : new String[] {"/sign-in", "/batches/4/notes", "/theme", "/begin"}) {
            HttpResponse<String> answer = send(stranger, page, "name=" + "x".repeat(1_900_000));
            assertThat(answer.statusCode()).as(page).isEqualTo(413);
            assertThat(answer.body()).contains("That is too much at once");
        }
        assertThat(send(bram, "/batches/4/notes", key() + "&note=" + "x".repeat(600_000))
                        .statusCode())
                .isEqualTo(413);
    }

    @Test
    public void uploadOverTheLimitGetsAPage() throws Exception {
        for (int megabytes : new int[] {34, 35}) {
            HttpResponse<String> answer = uploaded("/leaflets/import", megabytes);
            assertThat(answer.statusCode()).isEqualTo(413);
            assertThat(answer.body()).contains("Nothing was saved", "8 MB", "32 MB");
        }
    }

    /** Below what may be sent at once the place itself says what its files may have. */
    @Test
    public void aFileThatIsTooLargeForItsPlaceIsNamedThere() throws Exception {
        HttpResponse<String> answer = uploaded("/leaflets/import", 32);
        assertThat(answer.statusCode()).isEqualTo(422);
        assertThat(answer.body()).contains("This file is too big.");
    }

    private HttpResponse<String> uploaded(String path, int megabytes) throws Exception {
        Matcher token = TOKEN.matcher(get(path).body());
        assertThat(token.find()).isTrue();
        byte[] head =
                """
                --x\r
                Content-Disposition: form-data; name="_csrf"\r
                \r
                %s\r
                --x\r
                Content-Disposition: form-data; name="file"; filename="a.json"\r
                Content-Type: application/json\r
                \r
                """
                        .formatted(token.group(1))
                        .getBytes(StandardCharsets.UTF_8);
        byte[] end = "\r\n--x--\r\n".getBytes(StandardCharsets.UTF_8);
        byte[] all = Arrays.copyOf(head, megabytes * 1024 * 1024);
        Arrays.fill(all, head.length, all.length - end.length, (byte) 'a');
        System.arraycopy(end, 0, all, all.length - end.length, end.length);
        return bram.send(
                HttpRequest.newBuilder(URI.create("http://localhost:" + port + path))
                        .header("Content-Type", "multipart/form-data; boundary=x")
                        .POST(HttpRequest.BodyPublishers.ofByteArray(all))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
    }

    @Test
    public void behindAProxyWithTlsCookiesAreSecure() throws Exception {
        HttpResponse<String> plain = signedInBehind("http");
        assertThat(plain.headers().allValues("Set-Cookie")).isNotEmpty().allSatisfy(cookie -> assertThat(cookie)
                .contains("SameSite=Lax")
                .doesNotContain("Secure"));
        assertThat(plain.headers().firstValue("Strict-Transport-Security")).isEmpty();
        HttpResponse<String> secure = signedInBehind("https");
        assertThat(secure.headers().allValues("Set-Cookie")).isNotEmpty().allSatisfy(cookie -> assertThat(cookie)
                .contains("SameSite=Lax", "Secure"));
        assertThat(secure.headers().firstValue("Strict-Transport-Security")).isPresent();
    }

    private HttpResponse<String> signedInBehind(String protocol) throws Exception {
        HttpClient browser =
                HttpClient.newBuilder().cookieHandler(new CookieManager()).build();
        URI address = URI.create("http://localhost:" + port + "/sign-in");
        HttpRequest page = HttpRequest.newBuilder(address)
                .header("X-Forwarded-For", "192.168.7.20")
                .header("X-Forwarded-Proto", protocol)
                .build();
        HttpResponse<String> asked = browser.send(page, HttpResponse.BodyHandlers.ofString());
        Matcher token = Pattern.compile("name=\"_csrf\" value=\"([^\"]+)\"").matcher(asked.body());
        assertThat(token.find()).isTrue();
        String given = asked.headers().allValues("Set-Cookie").get(0);
        HttpRequest signIn = HttpRequest.newBuilder(address)
                .header("X-Forwarded-For", "192.168.7.20")
                .header("X-Forwarded-Proto", protocol)
                .header("Content-Type", "application/x-www-form-urlencoded")
                .header("Cookie", given.substring(0, given.indexOf(';')))
                .POST(HttpRequest.BodyPublishers.ofString(
                        "_csrf=" + typed(token.group(1)) + "&name=devi&password=rinse-and-hang"))
                .build();
        HttpResponse<String> answer = HttpClient.newHttpClient().send(signIn, HttpResponse.BodyHandlers.ofString());
        assertThat(answer.headers().allValues("Set-Cookie"))
                .as("who is signed in")
                .anySatisfy(cookie -> assertThat(cookie).startsWith("signed-in="));
        return answer;
    }

    @Test
    public void namesAreWhatCanBeSeen() throws Exception {
        send(bram, "/batches/4/notes", key() + "&note=" + typed("be\u0000fore\u2028after\u200B\u202Eend"));
        assertThat(book().entries().get(book().entries().size() - 1).toString()).contains("be fore afterend");
        SignedIn odd = members.add("odd", "Odd One", "grey card in the bag", "MEMBER");
        assertThat(odd.name()).isEqualTo("Odd One");
    }

    @DataProvider
    public static Object[][] events() {
        long now = Instant.now().toEpochMilli();
        return new Object[][] {
            {"[{\"n\":1,\"at\":" + Long.MIN_VALUE + ",\"kind\":\"POUR\",\"step\":0,\"value\":0}]"},
            {"[{\"n\":1,\"at\":" + Long.MAX_VALUE + ",\"kind\":\"POUR\",\"step\":0,\"value\":0}]"},
            {"[{\"n\":1,\"at\":0,\"kind\":\"POUR\",\"step\":0,\"value\":0}]"},
            {"[{\"n\":1,\"at\":" + now + ",\"kind\":\"CHANGE\",\"step\":0,\"value\":1e13}]"},
            {
                "[{\"n\":1,\"at\":" + now + ",\"kind\":\"POUR\",\"step\":0,\"value\":0}," + "{\"n\":2,\"at\":"
                        + (now + 90_000_000) + ",\"kind\":\"PAUSE\",\"step\":0,\"value\":0}]"
            },
            {
                "[" + "{\"n\":1,\"at\":" + now + ",\"kind\":\"CHANGE\",\"step\":0,\"value\":20000},".repeat(2)
                        + "{\"n\":3,\"at\":" + now + ",\"kind\":\"CHANGE\",\"step\":0,\"value\":20000}]"
            },
            {"[[[[[[[[[[[[[[[[[[[[[[[[[[[[[[[[[[]]]]]]]]]]]]]]]]]]]]]]]]]]]]]]]]]]"},
        };
    }

    @Test(dataProvider = "events")
    public void absurdEventsAreNotKept(String events) throws Exception {
        HttpResponse<String> practice = send(
                bram, "/practice/1/report", key() + "&movement=INVERSION&speed=10&fault=NONE&events=" + typed(events));
        assertThat(practice.statusCode()).isBetween(400, 499);
        send(
                bram,
                "/batches/4/starts",
                key() + "&tank=1&film%5B0%5D.count=1&film%5B0%5D.format=135-36"
                        + "&film%5B0%5D.owner=Bram&film%5B0%5D.push=0&seen=" + book().lastSequence());
        long started = log.state().batch(4).inUse().get(0).stamp().sequence();
        HttpResponse<String> run = send(bram, "/runs/" + started + "/events", "events=" + typed(events));
        assertThat(run.statusCode()).isIn(400, 422);
        assertThat(get("/runs/" + started + "/ribbon").statusCode()).isEqualTo(200);
        assertThat(get("/practice").statusCode()).isEqualTo(200);
    }

    @Test
    public void largePictureIsReadWithinItsMemory() throws Exception {
        BufferedImage grey = new BufferedImage(6399, 6399, BufferedImage.TYPE_USHORT_GRAY);
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(grey, "png", png);
        Picture kept = Picture.of(new MockMultipartFile("photo", "a.png", "image/png", png.toByteArray()));
        assertThat(kept.width()).isEqualTo(1600);
    }

    @Test
    public void sixLargePhotosAtOnceAreAllRead() throws Exception {
        ByteArrayOutputStream jpeg = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(6000, 4000, BufferedImage.TYPE_INT_RGB), "jpeg", jpeg);
        List<Integer> widths = IntStream.range(0, 6)
                .parallel()
                .mapToObj(i -> Picture.of(new MockMultipartFile("photo", "a.jpg", "image/jpeg", jpeg.toByteArray()))
                        .width())
                .toList();
        assertThat(widths).hasSize(6).containsOnly(1600);
    }

    @Test
    public void signInsUnderEverNewNamesAreForgotten() throws Exception {
        HttpClient stranger =
                HttpClient.newBuilder().cookieHandler(new CookieManager()).build();
        Matcher found = TOKEN.matcher(stranger.send(
                        HttpRequest.newBuilder(URI.create("http://localhost:" + port + "/sign-in"))
                                .build(),
                        HttpResponse.BodyHandlers.ofString())
                .body());
        assertThat(found.find()).isTrue();
        String own = token;
        token = found.group(1);
        int refused = 0;
        for (int i = 0; i < 40; i++) {
            HttpResponse<String> answer = send(stranger, "/sign-in", "name=nobody" + i + "&password=wrong");
            refused += answer.headers().firstValue("Location").orElse("").contains("wait") ? 1 : 0;
        }
        token = own;
        assertThat(refused).as("an address is slowed").isPositive();
        HttpResponse<String> again = send(bram, "/sign-in", "name=bram&password=count-the-rolls");
        assertThat(again.headers().firstValue("Location"))
                .as("a known device is not")
                .hasValueSatisfying(to -> assertThat(to).doesNotContain("wait", "refused"));
    }

    @DataProvider
    public Object[][] odd() {
        return new Object[][] {
            {"/photos/%22x", 404},
            {"/photos/%20.jpg", 404},
            {"/house/data/copies/%22x", 404},
            {"/error", 404},
            {"/shelf?%0d%0a", 400},
            {"/shelf;a=b", 400},
            {"//shelf", 400},
            {"/shelf%2f", 400},
            {"/%", 400},
            {"/a%00b", 400},
            {"/photos/..%2f..%2fmezcla.db", 400},
            {"/batches/%7bx%7d", 404},
            {"/shelf?x=%zz", 400},
            {"*", 400},
            {"/shelf?a=[{", 400},
        };
    }

    /** Whatever is asked for, Mezcla answers, with a sentence. */
    @Test(dataProvider = "odd")
    public void whatIsNoAddressIsAnsweredByAPageOfOurs(String target, int status) throws Exception {
        String answer =
                raw("GET %s HTTP/1.1\r\nHost: localhost\r\n%sConnection: close\r\n\r\n".formatted(target, cookie()));
        assertThat(answer)
                .startsWith("HTTP/1.1 " + status)
                .contains("text/html")
                .contains("<p class=\"place\">Mezcla</p>");
        assertThat(answer).doesNotContainIgnoringCase("tomcat").doesNotContain("timestamp");
    }

    @DataProvider
    public Object[][] methods() {
        return new Object[][] {{"TRACE"}, {"FOO"}, {"GARBAGE"}};
    }

    @Test(dataProvider = "methods")
    public void whatIsNoRequestIsAnsweredByAPageOfOurs(String method) throws Exception {
        assertThat(raw(method + " /shelf HTTP/1.1\r\nHost: localhost\r\nConnection: close\r\n\r\n"))
                .containsPattern("^HTTP/1.1 40[05]")
                .contains("<p class=\"place\">Mezcla</p>");
    }

    private String cookie() {
        return ((CookieManager) bram.cookieHandler().orElseThrow())
                .getCookieStore().getCookies().stream()
                        .map(each -> "Cookie: %s=%s\r\n".formatted(each.getName(), each.getValue()))
                        .collect(Collectors.joining());
    }

    private String raw(String request) throws IOException {
        try (Socket socket = new Socket("localhost", port)) {
            socket.setSoTimeout(20_000);
            socket.getOutputStream().write(request.getBytes(StandardCharsets.ISO_8859_1));
            socket.getOutputStream().flush();
            return new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    /** What somebody typed in braces comes along into the next address as it was. */
    @Test
    public void bracesAreNoNamesOfAnything() throws Exception {
        HttpResponse<String> ways = send(
                bram,
                "/batches/4/ways",
                "film[0].count=1&film[0].name=" + URLEncoder.encode("{roll 3} & more", StandardCharsets.UTF_8)
                        + "&film[0].format=135-36&film[0].owner=Bram&push=0&tank=2&formKey=" + UUID.randomUUID());
        assertThat(ways.statusCode()).isEqualTo(302);
        String to = ways.headers().firstValue("Location").orElseThrow();
        assertThat(to).contains("%7Broll%203%7D%20%26%20more");
        assertThat(get(to.replaceFirst("^http://[^/]*", "")).body()).contains("{roll 3} &amp; more");
        assertThat(get("/practice/begin?leaflet=1&movement=%7By%7D").statusCode())
                .isEqualTo(302);
        assertThat(get("/queue/new?x=%7By%7D").headers().firstValue("Location").orElse(""))
                .contains("%7By%7D");
    }

    @DataProvider
    public Object[][] times() {
        return new Object[][] {
            {"9223372036854775807"}, {"-9223372036854775808"}, {"1e308"}, {"99999999999999999999"}, {"-1"}
        };
    }

    @Test(dataProvider = "times")
    public void momentsThatNoClockShowsAreRefused(String at) throws Exception {
        String events = URLEncoder.encode(
                "[{\"n\":1,\"at\":%s,\"kind\":\"POUR\",\"step\":0,\"value\":0}]".formatted(at), StandardCharsets.UTF_8);
        assertThat(send(bram, "/practice/1/probe", "events=" + events).statusCode())
                .isIn(400, 422);
        assertThat(send(bram, "/practice/1/probe", "now=" + at + "&events=[]").statusCode())
                .isIn(400, 404, 422);
        assertThat(send(bram, "/practice/1/report", "events=" + events).statusCode())
                .isIn(400, 422);
    }
}
