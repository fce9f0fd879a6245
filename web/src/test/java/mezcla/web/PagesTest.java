package mezcla.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.header;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrlPattern;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.List;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.regex.Pattern;
import mezcla.web.access.Members;
import mezcla.web.access.SignedIn;
import mezcla.web.log.DarkroomLog;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Pages as the server gives them: who may see what, what is refused, and what is kept. */
public class PagesTest extends DemoApplicationTest {
    @Autowired
    private MockMvc pages;

    @Autowired
    private Members members;

    @Autowired
    private DarkroomLog log;

    private SignedIn ines;
    private SignedIn bram;

    @BeforeMethod
    public void members() {
        ines = (SignedIn) members.loadUserByUsername("ines");
        bram = (SignedIn) members.loadUserByUsername("bram");
    }

    private int rows() {
        return log.book().entries().size();
    }

    private static String newKey() {
        return UUID.randomUUID().toString();
    }

    private MockHttpServletRequestBuilder run(String count, String owner, String push, String tank) {
        return post("/batches/4/runs")
                .with(csrf())
                .with(user(ines))
                .param("formKey", newKey())
                .param("film[0].count", count)
                .param("film[0].owner", owner)
                .param("film[0].format", "120")
                .param("push", push)
                .param("tank", tank);
    }

    private MockHttpServletRequestBuilder mix(String volume, String name) {
        return post("/kits/7/batches")
                .with(csrf())
                .with(user(ines))
                .param("formKey", newKey())
                .param("volume", volume)
                .param("name", name)
                .param("bottles[dev]", "19")
                .param("bottles[bx]", "20")
                .param("bottles[fr]", "21");
    }

    @DataProvider
    public Object[][] places() {
        return new Object[][] {
            {"/shelf", 200},
            {"/cupboard", 200},
            {"/bench", 200},
            {"/run", 200},
            {"/batches/4", 200},
            {"/batches/1", 200},
            {"/batches/4/run", 302},
            {"/batches/4/run?formKey=" + newKey(), 200},
            {"/kits/3/mix", 302},
            {"/kits/3/mix?formKey=" + newKey(), 200},
            {"/journal", 200},
            {"/house", 200},
            {"/fills/1", 200},
            {"/fills/4", 200},
            {"/journal/5/void", 200},
            {"/", 302},
        };
    }

    @Test(dataProvider = "places")
    public void nobodySeesAnythingBeforeSigningIn(String place, int status) throws Exception {
        pages.perform(get(place)).andExpect(status().is3xxRedirection()).andExpect(redirectedUrlPattern("/sign-in*"));
    }

    @Test(dataProvider = "places")
    public void membersSeeEveryPlaceUnderAStrictPolicy(String place, int status) throws Exception {
        String page = pages.perform(get(place).with(user(ines)))
                .andExpect(status().is(status))
                .andExpect(header().string("Content-Security-Policy", not(containsString("unsafe"))))
                .andExpect(header().string("Content-Security-Policy", containsString("default-src 'none'")))
                .andExpect(header().string("Cache-Control", containsString("no-store")))
                .andExpect(header().string("X-Content-Type-Options", "nosniff"))
                .andExpect(header().string("X-Frame-Options", "DENY"))
                .andExpect(header().string("Referrer-Policy", "same-origin"))
                .andReturn()
                .getResponse()
                .getContentAsString();
        assertThat(page).doesNotContain(" style=", "<script>", "onclick=", "javascript:");
    }

    @Test
    public void aMemberIsNeverWrittenOutWithTheirPassword() {
        assertThat(ines.passwordHash()).isNotEmpty();
        assertThat(ines.toString()).isEqualTo("Ines (MEMBER)");
    }

    @Test
    public void aStrangerHearsNoVersion() throws Exception {
        String answer = pages.perform(get("/health")).andReturn().getResponse().getContentAsString();
        assertThat(answer).isEqualTo("{\"status\":\"up\",\"trouble\":\"\"}");
    }

    @DataProvider
    public Object[][] badVolumes() {
        return new Object[][] {
            {"", "Something has to stand here"},
            {"0", "out of range"},
            {"-5", "out of range"},
            {"abc", "is not a volume. Type it as 500 ml"},
            {"1e9", "is not a volume"},
            {"NaN", "is not a volume"},
            {"1,200", "could be 1.2 or 1200 ml"},
            {"20 oz", "fl oz"},
            {"500 g", "is not a volume"},
            {"50 l", "This kit makes no more than 1200"},
            {"<script>alert(1)</script>", "&lt;script&gt;"},
        };
    }

    @Test(dataProvider = "badVolumes")
    public void badVolumeIsRefusedBesideItsFieldAndKept(String typed, String sentence) throws Exception {
        int before = rows();
        String page = pages.perform(mix(typed, "My batch"))
                .andExpect(status().isUnprocessableContent())
                .andReturn()
                .getResponse()
                .getContentAsString();
        assertThat(page).containsPattern("id=\"volume-error\"[^>]*>[^<]*" + Pattern.quote(sentence));
        assertThat(page).contains("value=\"" + typed.replace("<", "&lt;").replace(">", "&gt;") + "\"");
        assertThat(page).doesNotContain("<script>alert");
        assertThat(rows()).isEqualTo(before);
    }

    @Test
    public void volumeInThePlanIsRefusedThereToo() throws Exception {
        pages.perform(get("/kits/8/mix")
                        .param("formKey", newKey())
                        .param("volume", "13 l")
                        .with(user(ines)))
                .andExpect(status().isUnprocessableContent())
                .andExpect(content().string(containsString("This kit makes no more than 800")));
    }

    @Test
    public void bottlesAreChecked() throws Exception {
        int before = rows();
        pages.perform(post("/kits/7/batches")
                        .with(csrf())
                        .with(user(ines))
                        .param("formKey", newKey())
                        .param("volume", "1.2 l")
                        .param("name", "My batch")
                        .param("bottles[dev]", "19")
                        .param("bottles[bx]", "19")
                        .param("bottles[fr]", "1"))
                .andExpect(status().isUnprocessableContent())
                .andExpect(content().string(containsString("is already spoken for")))
                .andExpect(content().string(containsString("A1 holds 500")));
        assertThat(rows()).isEqualTo(before);
    }

    @Test
    public void nameIsNeededAndKeptHarmless() throws Exception {
        pages.perform(mix("500", " "))
                .andExpect(status().isUnprocessableContent())
                .andExpect(content().string(containsString("id=\"name-error\">Something has to stand here")));
        pages.perform(mix("500", "x".repeat(41)))
                .andExpect(status().isUnprocessableContent())
                .andExpect(content().string(containsString("up to 40 characters")));
        String batch = pages.perform(mix("500", "<script>alert(1)</script>"))
                .andExpect(status().is3xxRedirection())
                .andReturn()
                .getResponse()
                .getRedirectedUrl();
        for (String page : List.of("/shelf", "/run", batch)) {
            pages.perform(get(page).with(user(ines)))
                    .andExpect(content().string(not(containsString("<script>alert"))))
                    .andExpect(content().string(containsString("&lt;script&gt;alert")));
        }
    }

    @DataProvider
    public Object[][] waysBack() {
        return new Object[][] {
            {"/batches/4?logged=3", "/batches/4?logged=3&dim"},
            {"/journal", "/journal?dim"},
            {"https://elsewhere.example/", "/shelf?dim"},
            {"//elsewhere.example", "/shelf?dim"},
            {"/\\elsewhere.example", "/shelf?dim"},
            {"/a b", "/shelf?dim"},
        };
    }

    @Test(dataProvider = "waysBack")
    public void themeComesBackToAPageOfOurs(String back, String page) throws Exception {
        pages.perform(post("/theme").with(csrf()).with(user(ines)).param("back", back))
                .andExpect(status().isSeeOther())
                .andExpect(redirectedUrl(page));
    }

    @DataProvider
    public Object[][] badSentences() {
        return new Object[][] {
            {"0", "120", "colour-negative", "0", "1", "is not a number of rolls"},
            {"-3", "120", "colour-negative", "0", "1", "is not a number of rolls"},
            {"a few", "120", "colour-negative", "0", "1", "is not a number of rolls"},
            {"", "120", "colour-negative", "0", "1", "Type how many rolls go in"},
            {"1", "126", "colour-negative", "0", "1", "Choose one of the formats"},
            {"1", "120", "tin-type", "0", "1", "Choose one of the processes"},
            {"1", "120", "", "9", "1", "Choose one of the pushes"},
            {"1", "120", "", "0", "99", "Choose one of the tanks"},
        };
    }

    @Test(dataProvider = "badSentences")
    public void sentenceThatCannotBeReadIsAnsweredAndKept(
            String count, String format, String process, String push, String tank, String sentence) throws Exception {
        String page = pages.perform(get("/shelf")
                        .with(user(ines))
                        .param("film[0].count", count)
                        .param("film[0].format", format)
                        .param("process", process)
                        .param("push", push)
                        .param("tank", tank))
                .andExpect(status().isUnprocessableContent())
                .andReturn()
                .getResponse()
                .getContentAsString();
        assertThat(page).containsPattern("id=\"tonight-errors\"[^>]*>\\s*<p>[^<]*" + Pattern.quote(sentence));
        assertThat(page).contains("value=\"" + count + "\"");
    }

    @DataProvider
    public Object[][] badRuns() {
        return new Object[][] {
            {"0", "Ines", "0", "1", "count0", "is not a number of rolls"},
            {"999", "Ines", "0", "1", "count0", "is not a number of rolls"},
            {"-3", "Ines", "0", "1", "count0", "is not a number of rolls"},
            {"two", "Ines", "0", "1", "count0", "is not a number of rolls"},
            {"1.5", "Ines", "0", "1", "count0", "is not a number of rolls"},
            {"", "Ines", "0", "1", "count0", "Type how many rolls go in"},
            {"1", "", "0", "1", "owner0", "Type whose film it is"},
            {"1", "x".repeat(61), "0", "1", "owner0", "up to 60 characters"},
            {"1", "Ines", "7", "1", "push", "Choose one of the pushes"},
            {"1", "Ines", "3", "1", "push", "times for −1 to +2 stops only"},
            {"1", "Ines", "0", "99", "tank", "Choose one of the tanks"},
            {"1", "Ines", "0", "x", "tank", "Choose one of the tanks"},
            {"20", "Ines", "0", "1", "count0", "This run is 20 rolls, and the developer takes"},
        };
    }

    @Test(dataProvider = "badRuns")
    public void badRunIsRefusedBesideItsFieldAndKept(
            String count, String owner, String push, String tank, String field, String sentence) throws Exception {
        int before = rows();
        String page = pages.perform(run(count, owner, push, tank))
                .andExpect(status().isUnprocessableContent())
                .andReturn()
                .getResponse()
                .getContentAsString();
        assertThat(page).containsPattern("id=\"" + field + "-error\"[^>]*>[^<]*" + Pattern.quote(sentence));
        assertThat(page).contains("value=\"" + count + "\"").contains("value=\"" + owner + "\"");
        assertThat(rows()).isEqualTo(before);
    }

    @Test
    public void runThatDoesNotFitIsLoggedWhenItWasDone() throws Exception {
        int before = rows();
        String page = pages.perform(run("12", "Devi", "0", "1").param("done", "true"))
                .andExpect(status().is3xxRedirection())
                .andReturn()
                .getResponse()
                .getRedirectedUrl();
        assertThat(rows()).isEqualTo(before + 1);
        pages.perform(get(page).with(user(ines)))
                .andExpect(content().string(containsString("The run is logged")))
                .andExpect(content().string(containsString("Logged against: no reel for, run too big")));
    }

    @Test
    public void sameFormSentManyTimesAtOnceIsOneEntry() throws Exception {
        int before = rows();
        String key = newKey();
        Callable<String> send = () -> pages.perform(post("/batches/5/runs")
                        .with(csrf())
                        .with(user(ines))
                        .param("formKey", key)
                        .param("film[0].count", "1")
                        .param("film[0].owner", "Ines")
                        .param("film[0].format", "120")
                        .param("push", "0")
                        .param("tank", "2"))
                .andReturn()
                .getResponse()
                .getRedirectedUrl();
        ExecutorService browsers = Executors.newFixedThreadPool(4);
        try {
            List<Future<String>> answers = browsers.invokeAll(List.of(send, send, send, send));
            assertThat(answers.stream().map(PagesTest::answer).distinct()).hasSize(1);
            assertThat(answer(answers.get(0))).startsWith("/batches/5?logged=");
        } finally {
            browsers.shutdown();
        }
        assertThat(rows()).isEqualTo(before + 1);
    }

    private static String answer(Future<String> future) {
        try {
            return future.get();
        } catch (Exception e) {
            throw new AssertionError(e);
        }
    }

    @Test
    public void formWithoutAKeyOfOursIsRefused() throws Exception {
        int before = rows();
        pages.perform(post("/batches/5/runs")
                        .with(csrf())
                        .with(user(ines))
                        .param("film[0].count", "1")
                        .param("film[0].owner", "Ines")
                        .param("film[0].format", "120")
                        .param("push", "0")
                        .param("tank", "1"))
                .andExpect(status().isUnprocessableContent())
                .andExpect(content().string(containsString("This page was open too long")));
        assertThat(rows()).isEqualTo(before);
    }

    @Test
    public void requestsFromElsewhereAreRefused() throws Exception {
        int before = rows();
        pages.perform(post("/batches/4/runs").with(user(ines))).andExpect(status().isForbidden());
        pages.perform(post("/kits/7/batches").with(user(ines))).andExpect(status().isForbidden());
        assertThat(rows()).isEqualTo(before);
    }

    private MockHttpServletRequestBuilder discard(SignedIn who, String reason, String route) {
        String fill = log.state().batch(2).fills().get(0).id() + "";
        return post("/batches/2/discards")
                .with(csrf())
                .with(user(who))
                .param("formKey", newKey())
                .param("fills", fill)
                .param("routes[" + fill + "]", route)
                .param("reason", reason);
    }

    @Test
    public void onlyStewardsDiscardAndOnlyWithAReason() throws Exception {
        int before = rows();
        pages.perform(get("/batches/2").with(user(ines)))
                .andExpect(content().string(not(containsString("Pour away what is ticked"))));
        pages.perform(discard(ines, "over", "DEVELOPERS"))
                .andExpect(status().isForbidden())
                .andExpect(content().string(containsString("Only a steward can do that")));
        pages.perform(discard(bram, " ", "DEVELOPERS"))
                .andExpect(status().isUnprocessableContent())
                .andExpect(content().string(containsString("Type why")));
        pages.perform(discard(bram, "over", "SILVER_BEARING"))
                .andExpect(status().isUnprocessableContent())
                .andExpect(content().string(containsString("are kept apart")));
        assertThat(rows()).isEqualTo(before);
        pages.perform(discard(bram, "18 rolls done", "DEVELOPERS")).andExpect(status().is3xxRedirection());
        assertThat(rows()).isEqualTo(before + 1);
        pages.perform(discard(bram, "again", "DEVELOPERS"))
                .andExpect(status().isUnprocessableContent())
                .andExpect(content().string(containsString("Developer has been discarded already")));
        pages.perform(get("/batches/2").with(user(ines)))
                .andExpect(content().string(containsString("to developer waste")))
                .andExpect(content().string(containsString("18 rolls done")));
    }

    /** A ticked fill may be named by its place in the list, with gaps, and nothing breaks. */
    @Test
    public void aTickedFillMayBeNamedByItsPlace() throws Exception {
        int before = rows();
        long fill = log.state().batch(4).fills().get(0).id();
        pages.perform(post("/batches/4/discards")
                        .with(csrf())
                        .with(user(bram))
                        .param("formKey", newKey())
                        .param("fills[2]", fill + "")
                        .param("routes[" + fill + "]", "DEVELOPERS")
                        .param("reason", ""))
                .andExpect(status().isUnprocessableContent())
                .andExpect(content().string(containsString("Type why")));
        assertThat(rows()).isEqualTo(before);
    }

    @DataProvider
    public Object[][] nowhere() {
        return new Object[][] {
            {"/batches/99"},
            {"/batches/x"},
            {"/batches/99/run?formKey=" + newKey()},
            {"/kits/99/mix?formKey=" + newKey()},
            {"/nowhere"},
            {"/batches/-1"},
        };
    }

    @Test(dataProvider = "nowhere")
    public void whatIsNotThereHasAPageOfItsOwn(String place) throws Exception {
        pages.perform(get(place).with(user(ines)))
                .andExpect(status().isNotFound())
                .andExpect(content().string(containsString("To the Shelf")));
    }

    @Test
    public void wrongPasswordIsRefusedWithoutSayingWhich() throws Exception {
        pages.perform(post("/sign-in").with(csrf()).param("name", "ines").param("password", "wrong"))
                .andExpect(redirectedUrl("/sign-in?refused"));
        pages.perform(post("/sign-in").with(csrf()).param("name", "nobody").param("password", "wrong"))
                .andExpect(redirectedUrl("/sign-in?refused"));
    }
}
