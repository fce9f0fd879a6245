package mezcla.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.http.Cookie;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import mezcla.log.LogEntry;
import mezcla.log.NoteLeft;
import mezcla.web.access.Devices;
import mezcla.web.access.Members;
import mezcla.web.access.SignedIn;
import mezcla.web.log.DarkroomLog;
import mezcla.web.words.Units;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Sign-ins that run out, and devices that several members share. */
public class SharedDeviceTest extends DemoApplicationTest {
    @Autowired
    private MockMvc pages;

    @Autowired
    private Members members;

    @Autowired
    private DarkroomLog log;

    @Autowired
    private Devices devices;

    private List<Cookie> cookies;

    @BeforeMethod
    public void anotherBrowser() {
        cookies = new ArrayList<>();
    }

    private MockHttpServletResponse send(MockHttpServletRequestBuilder request) throws Exception {
        MockHttpServletRequestBuilder sent = request;
        if (!cookies.isEmpty()) {
            sent = sent.cookie(cookies.toArray(new Cookie[0]));
        }
        MockHttpServletResponse answer = pages.perform(sent).andReturn().getResponse();
        for (Cookie cookie : answer.getCookies()) {
            if (!cookie.getName().startsWith("XSRF")) {
                cookies.removeIf(each -> each.getName().equals(cookie.getName()));
                if (cookie.getMaxAge() != 0) {
                    cookies.add(cookie);
                }
            }
        }
        return answer;
    }

    private MockHttpServletRequestBuilder form(String page, String... fields) {
        MockHttpServletRequestBuilder request =
                post(page).with(csrf()).param("formKey", UUID.randomUUID().toString());
        for (int i = 0; i < fields.length; i += 2) {
            request = request.param(fields[i], fields[i + 1]);
        }
        return request;
    }

    private MockHttpServletRequestBuilder note(String text) {
        return form("/batches/4/notes", "note", text);
    }

    private void signIn(String name, String password) throws Exception {
        send(form("/sign-in", "name", name, "password", password));
    }

    /** Follows a redirection to something of ours, as a browser does. */
    private MockHttpServletResponse follow(MockHttpServletResponse answer) throws Exception {
        return send(get(java.net.URI.create(String.valueOf(answer.getRedirectedUrl()))));
    }

    private LogEntry last() {
        List<LogEntry> entries = log.book().entries();
        return entries.get(entries.size() - 1);
    }

    private SignedIn member(String name) {
        return (SignedIn) members.loadUserByUsername(name);
    }

    private void runOut(String name) {
        devices.endAllOf(member(name).id(), 0);
    }

    private int rows() {
        return log.book().entries().size();
    }

    @Test
    public void whatWasTypedIsSavedAfterSigningInAgain() throws Exception {
        int rows = rows();
        signIn("devi", "rinse-and-hang");
        runOut("devi");
        MockHttpServletResponse asked = send(note("kept over a sign-in"));
        assertThat(asked.getRedirectedUrl()).isEqualTo("/sign-in?held");
        assertThat(follow(asked).getContentAsString()).contains("what you typed is saved as it was");
        MockHttpServletResponse signedIn = send(form("/sign-in", "name", "devi", "password", "rinse-and-hang"));
        MockHttpServletResponse saved = follow(signedIn);
        assertThat(saved.getRedirectedUrl()).isEqualTo("/batches/4?noted");
        assertThat(rows()).isEqualTo(rows + 1);
        assertThat(last()).isInstanceOfSatisfying(NoteLeft.class, left -> {
            assertThat(left.text()).isEqualTo("kept over a sign-in");
            assertThat(left.stamp().who()).isEqualTo("Devi");
        });
        assertThat(follow(signedIn).getStatus()).isNotEqualTo(302);
    }

    @Test
    public void whatWasTypedGoesToNobodyElse() throws Exception {
        int rows = rows();
        signIn("devi", "rinse-and-hang");
        runOut("devi");
        send(note("devi's own"));
        MockHttpServletResponse other = send(form("/sign-in", "name", "saoirse", "password", "rinse-and-hang"));
        assertThat(other.getRedirectedUrl()).isEqualTo("/");
        send(get("/batches/4/notes"));
        assertThat(rows()).isEqualTo(rows);
    }

    @Test
    public void nothingIsKeptForAStranger() throws Exception {
        int rows = rows();
        assertThat(send(note("by nobody")).getRedirectedUrl()).isEqualTo("/sign-in?again");
        assertThat(send(form("/sign-in", "name", "devi", "password", "rinse-and-hang"))
                        .getRedirectedUrl())
                .isEqualTo("/");
        assertThat(rows()).isEqualTo(rows);
    }

    @Test
    public void signInLeadsToThePageThatWasAskedFor() throws Exception {
        MockHttpServletResponse asked = send(get("/batches/4?noted"));
        assertThat(asked.getRedirectedUrl()).isEqualTo("/sign-in?to=%2Fbatches%2F4%3Fnoted");
        assertThat(follow(asked).getContentAsString()).contains("name=\"to\" value=\"/batches/4?noted\"");
        assertThat(send(form("/sign-in", "name", "devi", "password", "rinse-and-hang", "to", "/batches/4?noted"))
                        .getRedirectedUrl())
                .isEqualTo("/batches/4?noted");
    }

    @DataProvider
    public static Object[][] elsewhere() {
        return new Object[][] {
            {"//evil.example"},
            {"https://evil.example"},
            {"/\\evil.example"},
            {"/a\r\nSet-Cookie: a=b"},
            {"/" + "a".repeat(9000)}
        };
    }

    @Test(dataProvider = "elsewhere")
    public void signInLeadsNowhereElse(String to) throws Exception {
        assertThat(send(form("/sign-in", "name", "devi", "password", "rinse-and-hang", "to", to))
                        .getRedirectedUrl())
                .isEqualTo("/");
        assertThat(send(form("/theme", "back", to)).getHeader("Location")).matches("/shelf(\\?dim)?");
    }

    @Test
    public void twoTabsAndARestartAreNothingSpecial() throws Exception {
        signIn("devi", "rinse-and-hang");
        Cookie device = cookies.stream()
                .filter(cookie -> cookie.getName().equals("signed-in"))
                .findFirst()
                .orElseThrow();
        assertThat(device.isHttpOnly()).isTrue();
        for (int i = 0; i < 5; i++) {
            MockHttpServletResponse page =
                    pages.perform(get("/shelf").cookie(device)).andReturn().getResponse();
            assertThat(page.getStatus()).isEqualTo(200);
            assertThat(page.getCookie("signed-in")).isNull();
        }
    }

    @Test
    public void requestsAtOnceWithOneSignInAreAllAnswered() throws Exception {
        signIn("devi", "rinse-and-hang");
        Cookie[] device = cookies.toArray(new Cookie[0]);
        List<Integer> answers = IntStream.range(0, 40)
                .parallel()
                .mapToObj(i -> {
                    try {
                        return pages.perform(get("/signs").cookie(device))
                                .andReturn()
                                .getResponse()
                                .getStatus();
                    } catch (Exception failed) {
                        throw new IllegalStateException(failed);
                    }
                })
                .toList();
        assertThat(answers).hasSize(40).containsOnly(200);
    }

    @Test
    public void formWithoutItsTokenIsNotKept() throws Exception {
        signIn("devi", "rinse-and-hang");
        runOut("devi");
        int rows = rows();
        MockHttpServletResponse refused = send(post("/batches/4/notes").param("note", "forged"));
        assertThat(refused.getForwardedUrl()).isEqualTo("/refused/old");
        MockHttpServletResponse signedIn = send(form("/sign-in", "name", "devi", "password", "rinse-and-hang"));
        assertThat(signedIn.getRedirectedUrl()).isEqualTo("/");
        assertThat(rows()).isEqualTo(rows);
    }

    @Test
    public void pageInTheMiddleOfAnAnswerIsLoadedAgain() throws Exception {
        MockHttpServletResponse answer = send(get("/batches/4/run").header("HX-Request", "true"));
        assertThat(answer.getStatus()).isEqualTo(401);
        assertThat(answer.getHeader("HX-Refresh")).isEqualTo("true");
    }

    private void share() throws Exception {
        signIn("bram", "count-the-rolls");
        assertThat(send(form("/house/device", "deviceName", "Tablet by the sink"))
                        .getRedirectedUrl())
                .isEqualTo("/who");
    }

    private String id(String name) {
        return Long.toString(member(name).id());
    }

    @Test
    public void sharedDeviceAsksWhoAndRemembersForTheEvening() throws Exception {
        share();
        MockHttpServletResponse asked = send(note("who wrote this"));
        assertThat(asked.getRedirectedUrl()).isEqualTo("/who?held");
        assertThat(follow(asked).getContentAsString())
                .contains("What you typed is kept")
                .contains(">Saoirse</button>");
        MockHttpServletResponse chosen = send(form("/who", "member", id("saoirse")));
        assertThat(follow(chosen).getRedirectedUrl()).isEqualTo("/batches/4?noted");
        assertThat(last().stamp().who()).isEqualTo("Saoirse");
        assertThat(last().stamp().device()).isEqualTo("Tablet by the sink");
        assertThat(send(get("/journal")).getContentAsString()).contains("Saoirse, at Tablet by the sink");
        assertThat(send(get("/shelf")).getContentAsString())
                .contains(">Saoirse</a>")
                .contains("Not you?");
        send(note("the second one is not asked about"));
        assertThat(last().stamp().who()).isEqualTo("Saoirse");
        assertThat(send(form("/house/me", "ownUnits", "US", "pin", "")).getStatus())
                .isEqualTo(403);
        assertThat(send(get("/me")).getStatus()).isEqualTo(403);
    }

    @DataProvider
    public Object[][] ofOneMember() {
        return new Object[][] {
            {"/money"},
            {"/money/account"},
            {"/money/account?of=Devi"},
            {"/money/film"},
            {"/money/film.csv"},
            {"/money/kits"},
            {"/money/kits/seasons"},
            {"/money/month"},
            {"/mine"}
        };
    }

    @Test(dataProvider = "ofOneMember")
    public void whatIsOneMembersIsNotShownToWhoeverTapsTheirTile(String page) throws Exception {
        share();
        assertThat(send(get(page)).getForwardedUrl()).isEqualTo("/refused/pin");
        assertThat(refused()).contains("This page takes your PIN", "href=\"/who\"");
        send(form("/who", "member", id("devi")));
        MockHttpServletResponse asked = send(get(page));
        assertThat(asked.getStatus()).isEqualTo(403);
        assertThat(asked.getForwardedUrl()).isEqualTo("/refused/pin");
        assertThat(asked.getContentAsString()).isEmpty();
        assertThat(refused()).contains("This page takes your PIN", "Devi has no PIN yet", "set one");
    }

    /** What the page says that is forwarded to. */
    private String refused() throws Exception {
        return send(get("/refused/pin").requestAttr(RequestDispatcher.FORWARD_REQUEST_URI, "/money"))
                .getContentAsString();
    }

    @Test
    public void aPinShowsWhatIsTheirsAtASharedDevice() throws Exception {
        signIn("devi", "rinse-and-hang");
        send(form("/house/me", "ownUnits", "", "pin", "2468"));
        cookies.clear();
        share();
        send(form("/who", "member", id("devi"), "pin", "2468"));
        assertThat(send(get("/money/account")).getStatus()).isEqualTo(200);
        assertThat(send(get("/mine")).getStatus()).isEqualTo(200);
        cookies.clear();
        signIn("devi", "rinse-and-hang");
        send(form("/house/me", "ownUnits", "", "pin", "", "noPin", "true"));
    }

    @Test
    public void theJournalOfASharedDeviceTellsNobodysPayments() throws Exception {
        signIn("bram", "count-the-rolls");
        send(form("/money/payments", "account", "Devi", "amount", "12.34"));
        assertThat(send(get("/journal")).getContentAsString()).contains("12.34");
        cookies.clear();
        signIn("devi", "rinse-and-hang");
        assertThat(send(get("/journal")).getContentAsString()).contains("12.34");
        assertThat(send(get("/journal.csv")).getContentAsString()).contains("12.34");
        cookies.clear();
        share();
        send(form("/who", "member", id("devi")));
        assertThat(send(get("/journal")).getContentAsString()).doesNotContain("12.34");
        assertThat(send(get("/journal.csv")).getContentAsString()).doesNotContain("12.34");
    }

    @Test
    public void aBrowserThatSignedOutIsKnownAgainAndLetsNobodyIn() throws Exception {
        signIn("tomasz", "rinse-and-hang");
        send(form("/sign-out"));
        assertThat(send(get("/shelf")).getRedirectedUrl()).startsWith("/sign-in");
        for (int i = 0; i < 60; i++) {
            pages.perform(
                    form("/sign-in", "name", "tomasz", "password", "wrong").with(sent -> {
                        sent.setRemoteAddr("10.9.9.9");
                        return sent;
                    }));
        }
        assertThat(send(form("/sign-in", "name", "tomasz", "password", "rinse-and-hang"))
                        .getRedirectedUrl())
                .isEqualTo("/");
    }

    @Test
    public void sharedDeviceHasAMembersRightsWhoeverGaveIt() throws Exception {
        share();
        assertThat(send(get("/house/access")).getStatus()).isEqualTo(403);
        send(form("/who", "member", id("bram")));
        assertThat(send(form("/house/places", "place", "Under the sink")).getStatus())
                .isEqualTo(403);
        send(note("by the steward"));
        assertThat(last().stamp().who()).isEqualTo("Bram");
        assertThat(send(form("/house/device", "deviceName", "mine")).getStatus())
                .isEqualTo(403);
    }

    @Test
    public void signingOutOfASharedDeviceLeavesNobodyThereAndNoRights() throws Exception {
        share();
        send(form("/who", "member", id("saoirse")));
        assertThat(send(form("/sign-out")).getRedirectedUrl()).isEqualTo("/who");
        assertThat(send(note("nobody's")).getRedirectedUrl()).isEqualTo("/who?held");
        assertThat(send(form("/house/places", "place", "Under the sink")).getRedirectedUrl())
                .isEqualTo("/who?held");
    }

    @Test
    public void deviceOfOnesOwnIsNobodyElses() throws Exception {
        signIn("tomasz", "rinse-and-hang");
        assertThat(send(form("/house/device", "deviceName", "mine")).getStatus())
                .isEqualTo(403);
        assertThat(send(form("/who", "member", id("bram"))).getContentAsString())
                .contains("This device is not shared.");
        cookies.add(new Cookie("shared-device", "yes"));
        cookies.add(new Cookie("at-device", "anything"));
        send(note("still mine"));
        assertThat(last().stamp().who()).isEqualTo("Tomasz");
        assertThat(last().stamp().device()).isNull();
    }

    @Test
    public void pinGivesAStewardTheirRightsAndWrongOnesSlowThatTileAlone() throws Exception {
        signIn("bram", "count-the-rolls");
        send(form("/house/me", "ownUnits", "", "pin", "4711"));
        assertThat(member("bram").pinHash()).isNotNull().doesNotContain("4711");
        send(form("/house/device", "deviceName", "Tablet by the sink"));
        assertThat(send(get("/who")).getContentAsString()).contains("/who?member=" + id("bram"));
        send(form("/who", "member", id("bram"), "pin", "4711"));
        assertThat(send(get("/house/access")).getStatus()).isEqualTo(200);
        send(form("/sign-out"));
        assertThat(send(form("/who", "member", id("bram"))).getContentAsString())
                .contains("That is not their PIN.");
        for (int i = 0; i < 5; i++) {
            send(form("/who", "member", id("bram"), "pin", "0000"));
        }
        assertThat(send(form("/who", "member", id("bram"), "pin", "4711")).getContentAsString())
                .contains("Too many wrong PINs.");
        assertThat(send(form("/who", "member", id("devi"))).getRedirectedUrl()).isEqualTo("/shelf");
        cookies.clear();
        signIn("bram", "count-the-rolls");
        send(form("/house/me", "ownUnits", "", "pin", "", "noPin", "true"));
        assertThat(member("bram").pinHash()).isNull();
    }

    @Test
    public void memberEndsTheirOtherDevicesAndNobodyElses() throws Exception {
        signIn("saoirse", "rinse-and-hang");
        List<Cookie> phone = cookies;
        cookies = new ArrayList<>();
        signIn("saoirse", "rinse-and-hang");
        Matcher other = Pattern.compile("/me/devices/([0-9]+)/end")
                .matcher(send(get("/me")).getContentAsString());
        assertThat(other.find()).isTrue();
        List<Cookie> tablet = cookies;
        cookies = new ArrayList<>();
        signIn("devi", "rinse-and-hang");
        assertThat(send(form("/me/devices/" + other.group(1) + "/end")).getStatus())
                .isEqualTo(422);
        cookies = tablet;
        assertThat(send(form("/me/devices/" + other.group(1) + "/end")).getRedirectedUrl())
                .isEqualTo("/me?ended");
        cookies = phone;
        assertThat(send(get("/shelf")).getRedirectedUrl()).startsWith("/sign-in");
    }

    @Test
    public void newPasswordEndsEveryOtherDeviceAtOnce() throws Exception {
        signIn("devi", "rinse-and-hang");
        List<Cookie> phone = cookies;
        cookies = new ArrayList<>();
        signIn("devi", "rinse-and-hang");
        assertThat(send(form(
                                "/me/password",
                                "old",
                                "wrong",
                                "password",
                                "four words in a row",
                                "again",
                                "four words in a row"))
                        .getContentAsString())
                .contains("not the password that you have now");
        assertThat(send(form(
                                "/me/password",
                                "old",
                                "rinse-and-hang",
                                "password",
                                "Password2026!",
                                "again",
                                "Password2026!"))
                        .getContentAsString())
                .contains("would be guessed soon");
        assertThat(send(form(
                                "/me/password",
                                "old",
                                "rinse-and-hang",
                                "password",
                                "red lamp over sink",
                                "again",
                                "red lamp over"))
                        .getContentAsString())
                .contains("These two are not the same.");
        assertThat(send(form(
                                "/me/password",
                                "old",
                                "rinse-and-hang",
                                "password",
                                "red lamp over sink",
                                "again",
                                "red lamp over sink"))
                        .getRedirectedUrl())
                .isEqualTo("/me?saved");
        assertThat(send(get("/me")).getStatus()).isEqualTo(200);
        cookies = phone;
        assertThat(send(get("/shelf")).getRedirectedUrl()).startsWith("/sign-in");
        cookies = new ArrayList<>();
        signIn("bram", "count-the-rolls");
        send(form("/house/members/" + id("devi") + "/password", "password", "rinse-and-hang"));
    }

    @Test
    public void changedRoleAndLeavingEndWhatSomebodyMayDoAtOnce() throws Exception {
        signIn("bram", "count-the-rolls");
        send(form("/house/members", "name", "Anselm", "signInName", "anselm", "password", "grey card in the bag"));
        List<Cookie> steward = cookies;
        cookies = new ArrayList<>();
        signIn("anselm", "grey card in the bag");
        List<Cookie> own = cookies;
        cookies = steward;
        String id = id("anselm");
        assertThat(send(form("/house/members/" + id("bram") + "/leave")).getContentAsString())
                .contains("One steward at least has to stay.");
        send(form("/house/members/" + id + "/role", "steward", "true"));
        cookies = own;
        assertThat(send(get("/house/access")).getRedirectedUrl()).startsWith("/sign-in");
        cookies = new ArrayList<>();
        signIn("anselm", "grey card in the bag");
        assertThat(send(get("/house/access")).getContentAsString()).contains("made Anselm a steward", "added Anselm");
        own = cookies;
        cookies = steward;
        send(form("/house/members/" + id + "/leave"));
        cookies = own;
        assertThat(send(get("/shelf")).getRedirectedUrl()).startsWith("/sign-in");
        assertThat(send(form("/sign-in", "name", "anselm", "password", "grey card in the bag"))
                        .getRedirectedUrl())
                .isEqualTo("/sign-in?refused");
    }

    @DataProvider
    public static Object[][] lookalikes() {
        return new Object[][] {{"Devi"}, {"devi"}, {"De\u200Bvi"}, {"D\u00E9vi"}, {" De vi "}, {"\uFF24evi"}};
    }

    @Test(dataProvider = "lookalikes")
    public void nobodyIsCalledLikeSomebodyElse(String name) throws Exception {
        signIn("bram", "count-the-rolls");
        assertThat(send(form(
                                "/house/members",
                                "name",
                                name,
                                "signInName",
                                "second",
                                "password",
                                "grey card in the bag"))
                        .getContentAsString())
                .contains("or nearly so");
    }

    @Test
    public void formThatWasSavedIsNotSavedWithSomethingElseInIt() throws Exception {
        signIn("devi", "rinse-and-hang");
        String key = UUID.randomUUID().toString();
        int rows = rows();
        send(post("/batches/4/notes").with(csrf()).param("formKey", key).param("note", "first"));
        MockHttpServletResponse same =
                send(post("/batches/4/notes").with(csrf()).param("formKey", key).param("note", "first"));
        assertThat(same.getRedirectedUrl()).isEqualTo("/batches/4?noted");
        assertThat(send(post("/batches/4/notes")
                                .with(csrf())
                                .param("formKey", key)
                                .param("note", "second"))
                        .getContentAsString())
                .contains("was saved already, with something else in it");
        cookies.clear();
        signIn("saoirse", "rinse-and-hang");
        assertThat(send(post("/batches/4/notes")
                                .with(csrf())
                                .param("formKey", key)
                                .param("note", "first"))
                        .getContentAsString())
                .contains("was saved already");
        assertThat(rows()).isEqualTo(rows + 1);
    }

    @Test
    public void memberReadsAndTypesFiguresInTheirOwnUnits() throws Exception {
        signIn("saoirse", "rinse-and-hang");
        assertThat(send(get("/batches/4")).getContentAsString()).contains("1165\u00a0ml");
        send(form("/house/me", "ownUnits", "US", "pin", ""));
        assertThat(member("saoirse").units()).isEqualTo(Units.US);
        assertThat(send(get("/batches/4")).getContentAsString()).contains("39.4\u00a0fl\u00a0oz");
        assertThat(send(get("/batches/4/run?formKey=" + UUID.randomUUID())).getContentAsString())
                .contains("100.4\u00a0°F");
        long rinse = log.state().batch(4).fills().get(2).id();
        send(form("/fills/" + rinse + "/measurements", "measured", "39"));
        assertThat(log.state().fill(rinse).volumeMl()).isBetween(1153.3, 1153.4);
        send(form("/fills/" + rinse + "/measurements", "measured", "1,15 l"));
        assertThat(log.state().fill(rinse).volumeMl()).isEqualTo(1150);
        send(form("/house/me", "ownUnits", "", "pin", ""));
        assertThat(send(get("/batches/4")).getContentAsString()).contains("1150\u00a0ml");
    }
}
