package mezcla.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.List;
import java.util.UUID;
import mezcla.log.HouseDecided;
import mezcla.log.LogEntry;
import mezcla.web.access.Members;
import mezcla.web.access.SignedIn;
import mezcla.web.log.DarkroomLog;
import mezcla.web.settings.HouseService;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What changes for everybody is a row of the log, with who and when, and can be undone. */
public class DecisionsTest extends DemoApplicationTest {
    @Autowired
    private MockMvc pages;

    @Autowired
    private Members members;

    @Autowired
    private DarkroomLog log;

    @Autowired
    private HouseService houses;

    private SignedIn bram;

    @BeforeMethod
    public void steward() {
        bram = (SignedIn) members.loadUserByUsername("bram");
    }

    private void send(MockHttpServletRequestBuilder post) throws Exception {
        pages.perform(post.with(user(bram))
                        .with(csrf())
                        .param("formKey", UUID.randomUUID().toString()))
                .andExpect(status().isFound());
    }

    private String shown(String page) throws Exception {
        return pages.perform(get(page).with(user(bram)))
                .andExpect(status().isOk())
                .andReturn()
                .getResponse()
                .getContentAsString();
    }

    private HouseDecided last() {
        List<LogEntry> entries = log.book().entries();
        return (HouseDecided) entries.get(entries.size() - 1);
    }

    @Test
    public void theWayOfTheHouseIsSaidOnThePageOfWaysAndUndone() throws Exception {
        String plan = "/batches/4/run?film[0].count=1&film[0].owner=Bram&film[0].format=120&push=0&tank=3&formKey="
                + UUID.randomUUID();
        String printed = shown(plan);
        send(post("/batches/4/ways")
                .param("film[0].count", "1")
                .param("film[0].owner", "Bram")
                .param("film[0].format", "120")
                .param("push", "0")
                .param("tank", "3")
                .param("between", "STRAIGHT"));
        assertThat(last().topic()).isEqualTo(HouseDecided.Topic.WAY);
        assertThat(shown("/house/ways")).contains("straight on after the developer", "Bram", "Undo change");
        assertThat(shown("/journal")).contains("straight on after the developer");
        send(post("/house/decisions/" + last().stamp().sequence() + "/take-back"));
        assertThat(last().after()).isEqualTo("as the leaflet says");
        String again = shown(plan);
        assertThat(again.contains("value=\"STRAIGHT\" selected"))
                .isEqualTo(printed.contains("value=\"STRAIGHT\" selected"));
    }

    @DataProvider
    public Object[][] decisions() {
        return new Object[][] {
            {
                post("/house/habits").param("scans", "yes"),
                HouseDecided.Topic.HABITS,
                "bottle codes are asked for, no advice on drift"
            },
            {
                post("/house/surroundings")
                        .param("coldWater", "9")
                        .param("hotWater", "50")
                        .param("room", "19")
                        .param("deliveryWeeks", "2")
                        .param("dryMinutes", "120"),
                HouseDecided.Topic.SURROUNDINGS,
                "cold water 9, hot water 50"
            },
            {
                post("/house/schools").param("process", "colour-slide").param("school-colour-slide", "CAREFUL"),
                HouseDecided.Topic.LIMITS,
                ""
            },
            {
                post("/leaflets/1/limits/dev")
                        .param("rolls-dev", "9")
                        .param("days-dev", "30")
                        .param("reason-dev", "seen here"),
                HouseDecided.Topic.OWN_LIMIT,
                "seen here"
            },
            {
                post("/house/bath").param("litres", "14").param("power", "900").param("loss", "5"),
                HouseDecided.Topic.WATER_BATH,
                "14 L, 900 W"
            },
        };
    }

    @Test(dataProvider = "decisions")
    public void everyDecisionIsARowThatCanBeUndone(
            MockHttpServletRequestBuilder decide, HouseDecided.Topic topic, String says) throws Exception {
        Object before = settings();
        int rows = log.book().entries().size();
        send(decide);
        HouseDecided row = last();
        assertThat(log.book().entries()).hasSize(rows + 1);
        assertThat(row.topic()).isEqualTo(topic);
        assertThat(row.stamp().who()).isEqualTo("Bram");
        assertThat(row.after().replace('\u00a0', ' ')).contains(says).isNotEqualTo(row.before());
        assertThat(settings()).isNotEqualTo(before);
        assertThat(shown("/house/decisions"))
                .contains("/house/decisions/" + row.stamp().sequence() + "/take-back");
        send(post("/house/decisions/" + row.stamp().sequence() + "/take-back"));
        assertThat(settings()).isEqualTo(before);
        assertThat(last().after()).isEqualTo(row.before());
    }

    private Object settings() {
        return List.of(
                houses.habits(),
                houses.surroundings(),
                houses.judging()
                        .schools()
                        .getOrDefault("colour-slide", houses.judging().usual()),
                houses.allowed("oxbow-negative-liquid", "dev").map(HouseService.Allowed::limit),
                houses.judging().limits().stream()
                        .filter(limit -> limit.rolls() != null || limit.days() != null)
                        .toList(),
                houses.waterBath());
    }

    @Test
    public void whatChangesNothingIsNoDecision() throws Exception {
        int rows = log.book().entries().size();
        send(post("/house/schools").param("process", "colour-negative").param("school-colour-negative", "LEAFLET"));
        assertThat(log.book().entries()).hasSize(rows);
    }

    @Test
    public void aChangedTankStandsInTheJournal() throws Exception {
        send(post("/house/tanks/2")
                .param("tank", "500 ml tank")
                .param("tankVolume", "500")
                .param("tankRotary", "260")
                .param("holdsR135", "2")
                .param("holdsR120", "1"));
        assertThat(last().topic()).isEqualTo(HouseDecided.Topic.THING);
        assertThat(last().after().replace('\u00a0', ' ')).contains("rotary 260 ml");
    }
}
