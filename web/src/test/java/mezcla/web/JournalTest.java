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
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.io.StringReader;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import java.util.regex.Pattern;
import mezcla.batch.BatchState;
import mezcla.batch.FillState;
import mezcla.log.BatchMixed;
import mezcla.web.access.Members;
import mezcla.web.access.SignedIn;
import mezcla.web.log.DarkroomLog;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The Journal and the pages of single bottles. */
public class JournalTest extends DemoApplicationTest {
    @Autowired
    private MockMvc pages;

    @Autowired
    private Members members;

    @Autowired
    private DarkroomLog log;

    private SignedIn ines;
    private SignedIn devi;
    private SignedIn bram;

    @BeforeMethod
    public void members() {
        ines = (SignedIn) members.loadUserByUsername("ines");
        devi = (SignedIn) members.loadUserByUsername("devi");
        bram = (SignedIn) members.loadUserByUsername("bram");
    }

    private MockHttpServletRequestBuilder send(String page, SignedIn who) {
        return post(page)
                .with(csrf())
                .with(user(who))
                .param("formKey", UUID.randomUUID().toString());
    }

    private long lastRun(long batch) {
        return log.state().batch(batch).runs().stream()
                .map(run -> run.stamp().sequence())
                .max(Comparator.naturalOrder())
                .orElseThrow();
    }

    private FillState developer(long batch) {
        return log.state().batch(batch).fills().get(0);
    }

    @Test
    public void runIsVoidedByItsAuthorAndEverythingIsAsBefore() throws Exception {
        long before = lastRun(4);
        BatchState then = log.state().batch(4);
        String page = pages.perform(send("/batches/4/runs", ines)
                        .param("film[0].count", "2")
                        .param("film[0].owner", "Ines")
                        .param("film[0].format", "120")
                        .param("push", "0")
                        .param("tank", "3"))
                .andExpect(status().is3xxRedirection())
                .andReturn()
                .getResponse()
                .getRedirectedUrl();
        long mistaken = lastRun(4);
        assertThat(page).endsWith("logged=" + mistaken);
        assertThat(mistaken).isGreaterThan(before);
        assertThat(log.state().batch(4)).isNotEqualTo(then);
        pages.perform(send("/journal/" + mistaken + "/void", devi).param("reason", "not mine"))
                .andExpect(status().isForbidden());
        pages.perform(send("/journal/" + mistaken + "/void", ines).param("reason", " "))
                .andExpect(status().isUnprocessableContent())
                .andExpect(content().string(containsString("Type why")));
        pages.perform(send("/journal/" + mistaken + "/void", ines).param("reason", "logged twice"))
                .andExpect(redirectedUrl("/journal?voided=" + mistaken));
        assertThat(log.state().batch(4)).isEqualTo(then);
        pages.perform(send("/journal/" + mistaken + "/void", bram).param("reason", "again"))
                .andExpect(status().isUnprocessableContent())
                .andExpect(content().string(containsString("This entry is void already")));
        pages.perform(get("/batches/4").with(user(ines)))
                .andExpect(content().string(containsString("Void, Ines: logged twice")));
    }

    @Test
    public void mixWithRunsIsRefusedNamingThem() throws Exception {
        BatchMixed mix = log.state().batch(5).mixed();
        long run = lastRun(5);
        pages.perform(send("/journal/" + mix.stamp().sequence() + "/void", bram).param("reason", "wrong kit"))
                .andExpect(status().isUnprocessableContent())
                .andExpect(content().string(containsString("Later entries rest on it: entry " + run + " (")))
                .andExpect(content().string(containsString("value=\"wrong kit\"")));
        assertThat(log.state().batches()).containsKey(5L);
    }

    @DataProvider
    public Object[][] filters() {
        return new Object[][] {
            {"batch=4", 6},
            {"batch=4&kind=RUNS", 3},
            {"member=Tomasz&kind=MIXES", 1},
            {"words=thin", 1},
            {"words=THIN&kind=RUNS", 0},
            {"kind=KITS", 11},
            {"from=2000-01-01&to=2000-12-31", 0},
        };
    }

    @Test(dataProvider = "filters", priority = -1)
    public void filtersFindWhatTheySay(String query, int count) throws Exception {
        String csv = pages.perform(get("/journal.csv?" + query).with(user(ines)))
                .andExpect(status().isOk())
                .andExpect(header().string("Content-Type", "text/csv;charset=UTF-8"))
                .andReturn()
                .getResponse()
                .getContentAsString();
        List<CSVRecord> rows = CSVFormat.RFC4180
                .builder()
                .setHeader()
                .setSkipHeaderRecord(true)
                .get()
                .parse(new StringReader(csv))
                .getRecords();
        assertThat(rows).hasSize(count);
        pages.perform(get("/journal?" + query).with(user(ines)))
                .andExpect(content().string(containsString(count + (count == 1 ? " entry" : " entries"))));
    }

    @DataProvider
    public Object[][] badFilters() {
        return new Object[][] {
            {"batch", "four", "is not the number of a batch"},
            {"batch", "-1", "is not the number of a batch"},
            {"batch", "<script>", "&lt;script&gt;"},
            {"from", "yesterday", "is not a day"},
            {"to", "2026-13-45", "is not a day"},
        };
    }

    @Test(dataProvider = "badFilters")
    public void filterThatCannotBeReadIsAnsweredAndKept(String field, String typed, String sentence) throws Exception {
        String page = pages.perform(get("/journal").param(field, typed).with(user(ines)))
                .andExpect(status().isUnprocessableContent())
                .andReturn()
                .getResponse()
                .getContentAsString();
        assertThat(page)
                .containsPattern("id=\"" + field + "-error\">[^<]*" + Pattern.quote(sentence))
                .contains("value=\"" + typed.replace("<", "&lt;").replace(">", "&gt;") + "\"");
    }

    @Test
    public void journalHasPages() throws Exception {
        for (int i = 0; i < 15; i++) {
            pages.perform(send("/fills/" + developer(7).id() + "/spills", ines).param("spilled", "1 ml"));
        }
        pages.perform(get("/journal").with(user(ines)))
                .andExpect(content().string(containsString("Older")))
                .andExpect(content().string(not(containsString("Newer"))));
        pages.perform(get("/journal?page=2").with(user(ines)))
                .andExpect(content().string(containsString("Newer")));
        pages.perform(get("/journal?page=3").with(user(ines)))
                .andExpect(content().string(containsString("Kit 1 came")));
    }

    @Test
    public void spillAndMeasurementChangeWhatIsThere() throws Exception {
        FillState before = developer(2);
        String bottle = "/fills/" + before.id();
        pages.perform(send(bottle + "/spills", ines).param("spilled", "0,1 l"))
                .andExpect(redirectedUrl(bottle + "?spilled"));
        assertThat(developer(2).volumeMl()).isEqualTo(before.volumeMl() - 100);
        assertThat(developer(2).countedMl()).isEqualTo(before.countedMl() - 100);
        pages.perform(send(bottle + "/measurements", ines).param("measured", "1005"))
                .andExpect(redirectedUrl(bottle + "?measured"));
        pages.perform(send(bottle + "/measurements", ines).param("measured", "900"))
                .andExpect(redirectedUrl(bottle + "?measured&less"));
        assertThat(developer(2).volumeMl()).isEqualTo(900);
        pages.perform(get(bottle + "?measured&less").with(user(ines)))
                .andExpect(content().string(containsString("Was a run or a spill not logged?")));
    }

    @DataProvider
    public Object[][] badVolumes() {
        return new Object[][] {
            {"spills", "spilled", "", "Something has to stand here"},
            {"spills", "spilled", "0", "out of range"},
            {"spills", "spilled", "-5", "out of range"},
            {"spills", "spilled", "some", "is not a volume"},
            {"spills", "spilled", "NaN", "is not a volume"},
            {"spills", "spilled", "1,200", "could be 1.2 or 1200 ml"},
            {"spills", "spilled", "50 g", "is not a volume"},
            {"spills", "spilled", "2 l", "Measure what is left instead"},
            {"measurements", "measured", "1e9", "is not a volume"},
            {"measurements", "measured", "2 l", "holds 1250"},
            {"measurements", "measured", "5 oz", "Type fl oz"},
        };
    }

    @Test(dataProvider = "badVolumes")
    public void badVolumeIsRefusedBesideItsFieldAndKept(String act, String field, String typed, String sentence)
            throws Exception {
        FillState before = developer(4);
        String page = pages.perform(
                        send("/fills/" + before.id() + "/" + act, ines).param(field, typed))
                .andExpect(status().isUnprocessableContent())
                .andReturn()
                .getResponse()
                .getContentAsString();
        assertThat(page)
                .containsPattern("id=\"" + field + "-error\">[^<]*" + Pattern.quote(sentence))
                .contains("value=\"" + typed + "\"");
        assertThat(developer(4)).isEqualTo(before);
    }

    @Test
    public void barStopsEveryoneUntilAStewardLiftsIt() throws Exception {
        String bottle = "/fills/" + developer(5).id();
        pages.perform(send(bottle + "/bars", devi).param("why", ""))
                .andExpect(status().isUnprocessableContent())
                .andExpect(content().string(containsString("Type why")));
        pages.perform(send(bottle + "/bars", devi).param("why", "Bleach-fix got in"))
                .andExpect(redirectedUrl(bottle + "?barred"));
        pages.perform(send(bottle + "/bars", ines).param("why", "again"))
                .andExpect(status().isUnprocessableContent())
                .andExpect(content().string(containsString("It is barred already")));
        pages.perform(get("/batches/5").with(user(ines)))
                .andExpect(content().string(containsString("The developer is barred by Devi: Bleach-fix got in.")));
        pages.perform(get("/shelf").with(user(ines))).andExpect(content().string(containsString("Barred")));
        pages.perform(send("/batches/5/runs", ines)
                        .param("film[0].count", "1")
                        .param("film[0].owner", "Ines")
                        .param("film[0].format", "120")
                        .param("push", "0")
                        .param("tank", "1"))
                .andExpect(status().isUnprocessableContent())
                .andExpect(content().string(containsString("is barred by Devi")));
        pages.perform(send(bottle + "/lifts", devi).param("why", "fine")).andExpect(status().isForbidden());
        pages.perform(send(bottle + "/lifts", bram).param("why", "A test strip was clean"))
                .andExpect(redirectedUrl(bottle + "?lifted"));
        assertThat(developer(5).bar()).isNull();
        pages.perform(send(bottle + "/lifts", bram).param("why", "again"))
                .andExpect(status().isUnprocessableContent())
                .andExpect(content().string(containsString("It is not barred")));
    }

    @Test
    public void nearlyNothingInABottleLeavesEveryPageReadable() throws Exception {
        FillState before = developer(3);
        String left = String.format(Locale.ROOT, "%.4f", before.volumeMl() - 0.001);
        pages.perform(send("/fills/" + before.id() + "/spills", ines).param("spilled", left))
                .andExpect(status().is3xxRedirection());
        pages.perform(send("/kits/7/batches", ines)
                        .param("volume", "0.01")
                        .param("name", "A drop")
                        .param("bottles[dev]", "19")
                        .param("bottles[bx]", "20")
                        .param("bottles[fr]", "21"))
                .andExpect(status().is3xxRedirection());
        for (String page : List.of("/shelf", "/run", "/batches/3", "/batches/9", "/cupboard")) {
            pages.perform(get(page).with(user(ines))).andExpect(status().isOk());
        }
        for (String batch : List.of("3", "9")) {
            pages.perform(get("/batches/" + batch + "/run?formKey=" + UUID.randomUUID())
                            .with(user(ines)))
                    .andExpect(status().isUnprocessableContent())
                    .andExpect(content().string(containsString("fills no tank of the house")));
        }
    }

    @Test
    public void whatIsNotThereHasAPageOfItsOwn() throws Exception {
        for (String page : new String[] {"/fills/999", "/journal/999/void", "/fills/x"}) {
            pages.perform(get(page).with(user(ines))).andExpect(status().isNotFound());
        }
    }
}
