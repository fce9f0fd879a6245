package mezcla.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import jakarta.servlet.http.Cookie;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import mezcla.log.LogEntry;
import mezcla.log.NoteLeft;
import mezcla.web.access.Members;
import mezcla.web.access.SignedIn;
import mezcla.web.log.DarkroomLog;
import mezcla.web.words.Units;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockHttpSession;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** Sign-ins that run out, and devices that several members share. */
public class SharedDeviceTest extends DemoApplicationTest {
    @Autowired
    private MockMvc pages;

    @Autowired
    private Members members;

    @Autowired
    private DarkroomLog log;

    private MockHttpSession session;
    private List<Cookie> cookies;

    @BeforeMethod
    public void anotherBrowser() {
        session = new MockHttpSession();
        cookies = new ArrayList<>();
    }

    private MockHttpServletResponse send(MockHttpServletRequestBuilder request) throws Exception {
        MockHttpServletRequestBuilder sent = request.session(session);
        if (!cookies.isEmpty()) {
            sent = sent.cookie(cookies.toArray(new Cookie[0]));
        }
        MockHttpServletResponse answer = pages.perform(sent).andReturn().getResponse();
        for (Cookie cookie : answer.getCookies()) {
            if (!cookie.getName().startsWith("remember") && !cookie.getName().startsWith("XSRF")) {
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

    @Test
    public void whatWasTypedIsSavedAfterSigningInAgain() throws Exception {
        int rows = log.book().entries().size();
        MockHttpServletResponse asked = send(note("kept over a sign-in"));
        assertThat(asked.getRedirectedUrl()).isEqualTo("/sign-in?held");
        assertThat(follow(asked).getContentAsString()).contains("what you typed is saved as it was");
        MockHttpServletResponse signedIn = send(form("/sign-in", "name", "devi", "password", "rinse-and-hang"));
        MockHttpServletResponse saved = follow(signedIn);
        assertThat(saved.getRedirectedUrl()).isEqualTo("/batches/4?noted");
        assertThat(log.book().entries()).hasSize(rows + 1);
        assertThat(last()).isInstanceOfSatisfying(NoteLeft.class, left -> {
            assertThat(left.text()).isEqualTo("kept over a sign-in");
            assertThat(left.stamp().who()).isEqualTo("Devi");
        });
    }

    @Test
    public void formWithoutItsTokenIsNotKept() throws Exception {
        int rows = log.book().entries().size();
        MockHttpServletResponse refused = send(post("/batches/4/notes").param("note", "forged"));
        assertThat(refused.getStatus()).isEqualTo(403);
        MockHttpServletResponse signedIn = send(form("/sign-in", "name", "devi", "password", "rinse-and-hang"));
        assertThat(signedIn.getRedirectedUrl()).doesNotContain("notes");
        assertThat(log.book().entries()).hasSize(rows);
    }

    @Test
    public void pageInTheMiddleOfAnAnswerIsLoadedAgain() throws Exception {
        MockHttpServletResponse answer = send(get("/batches/4/run").header("HX-Request", "true"));
        assertThat(answer.getStatus()).isEqualTo(401);
        assertThat(answer.getHeader("HX-Refresh")).isEqualTo("true");
    }

    @Test
    public void sharedDeviceAsksWhoAndRemembersForTheEvening() throws Exception {
        signIn("tomasz", "rinse-and-hang");
        assertThat(send(form("/house/device", "shared", "true")).getRedirectedUrl())
                .isEqualTo("/who");
        MockHttpServletResponse asked = send(note("who wrote this"));
        assertThat(asked.getRedirectedUrl()).isEqualTo("/who?held");
        assertThat(follow(asked).getContentAsString())
                .contains("What you typed is kept")
                .contains(">Saoirse</button>");
        MockHttpServletResponse chosen =
                send(form("/who", "member", Long.toString(member("saoirse").id())));
        assertThat(follow(chosen).getRedirectedUrl()).isEqualTo("/batches/4?noted");
        assertThat(last().stamp().who()).isEqualTo("Saoirse");
        assertThat(send(get("/shelf")).getContentAsString())
                .contains("<span>Saoirse</span>")
                .contains("Not you?");
        send(note("the second one is not asked about"));
        assertThat(last().stamp().who()).isEqualTo("Saoirse");
        assertThat(send(form("/house/me", "ownUnits", "US", "pin", "")).getStatus())
                .isEqualTo(403);
        assertThat(cookies).anySatisfy(cookie -> {
            assertThat(cookie.getName()).isEqualTo("at-device");
            assertThat(cookie.getMaxAge()).isBetween(1, 24 * 3600);
        });
        send(form("/house/device", "shared", "false"));
        send(note("alone again"));
        assertThat(last().stamp().who()).isEqualTo("Tomasz");
    }

    @Test
    public void tileOfAStewardGivesAMembersTabletNoRights() throws Exception {
        signIn("tomasz", "rinse-and-hang");
        send(form("/house/device", "shared", "true"));
        send(form("/who", "member", Long.toString(member("bram").id())));
        assertThat(send(form("/house/places", "place", "Under the sink")).getStatus())
                .isEqualTo(403);
        send(note("by the steward"));
        assertThat(last().stamp().who()).isEqualTo("Bram");
    }

    @Test
    public void answerOfOneAccountDoesNotServeAnother() throws Exception {
        signIn("tomasz", "rinse-and-hang");
        send(form("/house/device", "shared", "true"));
        send(form("/who", "member", Long.toString(member("saoirse").id())));
        session = new MockHttpSession();
        signIn("devi", "rinse-and-hang");
        assertThat(send(note("whose")).getRedirectedUrl()).isEqualTo("/who?held");
    }

    @Test
    public void pinKeepsATileAndWrongOnesSlowItAlone() throws Exception {
        signIn("ines", "rinse-and-hang");
        send(form("/house/me", "ownUnits", "", "pin", "4711"));
        assertThat(member("ines").pinHash()).isNotNull().doesNotContain("4711");
        send(form("/house/device", "shared", "true"));
        String ines = Long.toString(member("ines").id());
        assertThat(send(get("/who")).getContentAsString()).contains("/who?member=" + ines);
        assertThat(send(form("/who", "member", ines)).getContentAsString()).contains("That is not their PIN.");
        for (int i = 0; i < 5; i++) {
            send(form("/who", "member", ines, "pin", "0000"));
        }
        assertThat(send(form("/who", "member", ines, "pin", "4711")).getContentAsString())
                .contains("Too many wrong PINs.");
        assertThat(send(form("/who", "member", Long.toString(member("devi").id())))
                        .getRedirectedUrl())
                .isEqualTo("/shelf");
        session = new MockHttpSession();
        cookies.clear();
        signIn("ines", "rinse-and-hang");
        send(form("/house/me", "ownUnits", "", "pin", "", "noPin", "true"));
        assertThat(member("ines").pinHash()).isNull();
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
