package mezcla.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.regex.Pattern;
import mezcla.batch.BatchState;
import mezcla.log.RunLogged;
import mezcla.web.access.Members;
import mezcla.web.access.SignedIn;
import mezcla.web.log.DarkroomLog;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Runs that were done earlier, runs done at once, and why a time differs. */
public class RunLogTest extends DemoApplicationTest {
    private static final ZoneId HOUSE = ZoneId.of("Pacific/Auckland");

    @Autowired
    private MockMvc pages;

    @Autowired
    private Members members;

    @Autowired
    private DarkroomLog log;

    private SignedIn devi;

    @BeforeMethod
    public void members() {
        devi = (SignedIn) members.loadUserByUsername("devi");
    }

    private MockHttpServletRequestBuilder run(long batch, String count, String when) {
        return post("/batches/" + batch + "/runs")
                .with(csrf())
                .with(user(devi))
                .param("formKey", UUID.randomUUID().toString())
                .param("film[0].count", count)
                .param("film[0].owner", "Devi")
                .param("film[0].format", "135-36")
                .param("push", "0")
                .param("tank", count.equals("1") ? "1" : "3")
                .param("when", when);
    }

    private static String daysAgo(int days, String hour) {
        return LocalDateTime.now(HOUSE).toLocalDate().minusDays(days) + "T" + hour;
    }

    @Test
    public void earlierRunTakesTheTimeOfThatDayAndItsPlaceInTheOrder() throws Exception {
        BatchState before = log.state().batch(5);
        long developer = before.fills().get(0).id();
        pages.perform(run(5, "1", daysAgo(6, "20:00")).param("about", "true").param("took[" + developer + "]", "3:45"))
                .andExpect(status().is3xxRedirection());
        BatchState after = log.state().batch(5);
        assertThat(after.runs()).hasSize(before.runs().size() + 1);
        RunLogged earlier = after.runs().get(0);
        assertThat(earlier.stamp().about()).isTrue();
        assertThat(earlier.stamp().who()).isEqualTo("Devi");
        assertThat(earlier.baths().get(0).seconds()).as("what was noted").isEqualTo(225);
        assertThat(earlier.baths().get(1).seconds()).as("nobody noted it").isNull();
        assertThat(after.fills().get(0).about()).isTrue();
        pages.perform(get("/batches/5").with(user(devi)))
                .andExpect(content().string(containsString("remembered, not noted")));
    }

    @Test
    public void runThatIsRememberedAboutIsTakenWithoutAMoment() throws Exception {
        pages.perform(run(7, "1", "").param("about", "true")).andExpect(status().is3xxRedirection());
        assertThat(log.state().batch(7).runs().get(0).stamp().about()).isTrue();
    }

    @DataProvider
    public Object[][] noMoments() {
        return new Object[][] {
            {"yesterday", "is no day and hour"},
            {"2026-02-30T19:00", "is no day and hour"},
            {daysAgo(-1, "19:00"), "has not happened yet"},
            {daysAgo(400, "19:00"), "was not mixed yet at that time"},
            {"<script>", "is no day and hour"},
        };
    }

    @Test(dataProvider = "noMoments")
    public void momentThatCannotBeIsRefusedBesideItsFieldAndKept(String when, String sentence) throws Exception {
        int rows = log.book().entries().size();
        String page = pages.perform(run(4, "1", when))
                .andExpect(status().isUnprocessableContent())
                .andReturn()
                .getResponse()
                .getContentAsString();
        assertThat(page)
                .containsPattern("id=\"when-error\">[^<]*" + Pattern.quote(sentence))
                .contains("value=\"" + when.replace("<", "&lt;").replace(">", "&gt;") + "\"");
        assertThat(log.book().entries()).hasSize(rows);
    }

    @Test
    public void lastRunIsTakenByOneOfTwoBrowsers() throws Exception {
        int rows = log.book().entries().size();
        List<Callable<Integer>> browsers = new ArrayList<>();
        for (int i = 0; i < 2; i++) {
            MockHttpServletRequestBuilder request = run(6, "1", "");
            browsers.add(() -> pages.perform(request).andReturn().getResponse().getStatus());
        }
        ExecutorService both = Executors.newFixedThreadPool(2);
        try {
            List<Integer> answers = new ArrayList<>();
            for (Future<Integer> answer : both.invokeAll(browsers)) {
                answers.add(answer.get());
            }
            assertThat(answers).containsExactlyInAnyOrder(302, 422);
        } finally {
            both.shutdown();
        }
        assertThat(log.book().entries()).hasSize(rows + 1);
    }

    @Test
    public void timeTellsWhyItDiffersFromTheMembersLastRun() throws Exception {
        SignedIn ines = (SignedIn) members.loadUserByUsername("ines");
        pages.perform(get("/batches/4/run?formKey=" + UUID.randomUUID()).with(user(ines)))
                .andExpect(content().string(containsString("(3:20): five rolls since then.")));
        pages.perform(get("/batches/4/run?formKey=" + UUID.randomUUID()).with(user(devi)))
                .andExpect(content().string(not(containsString("than your last run"))));
    }

    @Test
    public void batchTellsHowItsLastFilmCameOut() throws Exception {
        pages.perform(get("/batches/5").with(user(devi)))
                .andExpect(content().string(containsString("nobody has judged that film yet")));
        pages.perform(get("/batches/4").with(user(devi)))
                .andExpect(content().string(containsString("with 2 × 120 of Saoirse; film looked good.")));
    }
}
