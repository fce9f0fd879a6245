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

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicReference;
import mezcla.log.BatchMixed;
import mezcla.log.LogEntry;
import mezcla.log.MixedFill;
import mezcla.log.NoteLeft;
import mezcla.log.RunLogged;
import mezcla.web.access.Members;
import mezcla.web.access.SignedIn;
import mezcla.web.clock.TestClock;
import mezcla.web.log.DarkroomLog;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.TestConfiguration;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Import;
import org.springframework.context.annotation.Primary;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.transaction.support.TransactionTemplate;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** A machine's clock may be wrong, and rows may be odd: the house goes on all the same. */
@Import(WrongClockTest.WrongClock.class)
public class WrongClockTest extends DemoApplicationTest {
    private static final List<String> PLACES =
            List.of("/shelf", "/cupboard", "/bench", "/run", "/journal", "/house", "/batches/4");

    @Autowired
    private MockMvc pages;

    @Autowired
    private Members members;

    @Autowired
    private DarkroomLog log;

    @Autowired
    private TransactionTemplate transactions;

    @Autowired
    private JdbcClient sql;

    private SignedIn ines;
    private SignedIn devi;

    /** A clock that can be put wrong. */
    @TestConfiguration
    static class WrongClock {
        private static final AtomicReference<Duration> WRONG_BY = new AtomicReference<>(Duration.ZERO);

        @Bean
        @Primary
        Clock wrong() {
            return new TestClock(() -> Instant.now().plus(WRONG_BY.get()));
        }
    }

    @BeforeMethod
    public void members() {
        ines = (SignedIn) members.loadUserByUsername("bram");
        devi = (SignedIn) members.loadUserByUsername("devi");
        WrongClock.WRONG_BY.set(Duration.ZERO);
    }

    private void everyPlaceAnswers() throws Exception {
        for (String place : PLACES) {
            pages.perform(get(place).with(user(ines))).andExpect(status().isOk());
        }
    }

    @Test
    public void aBatchMixedWhileTheClockWasAheadTakesARunOnceItIsPutRight() throws Exception {
        BatchMixed like = log.state().batch(5).mixed();
        WrongClock.WRONG_BY.set(Duration.ofHours(5));
        long batch = transactions.execute(status -> {
            long id = log.newBatch();
            List<MixedFill> fills = like.fills().stream()
                    .map(fill -> new MixedFill(
                            log.newFill(),
                            fill.leaflet(),
                            fill.bathKey(),
                            fill.volumeMl(),
                            fill.volumeTyped(),
                            fill.bottle(),
                            List.of(),
                            null))
                    .toList();
            log.add(ines, stamp -> new BatchMixed(stamp, id, "Ahead of its time", fills));
            return id;
        });
        Instant mixed = log.state().batch(batch).mixed().stamp().happenedAt();
        WrongClock.WRONG_BY.set(Duration.ZERO);
        pages.perform(post("/batches/" + batch + "/runs")
                        .with(csrf())
                        .with(user(devi))
                        .param("formKey", UUID.randomUUID().toString())
                        .param("film[0].count", "1")
                        .param("film[0].owner", "Devi")
                        .param("film[0].format", "120")
                        .param("push", "0")
                        .param("tank", "1"))
                .andExpect(status().is3xxRedirection());
        List<RunLogged> runs = log.state().batch(batch).runs();
        assertThat(runs).hasSize(1);
        assertThat(runs.get(0).stamp().happenedAt()).isAfterOrEqualTo(mixed);
        assertThat(log.state().anomalies()).isEmpty();
        everyPlaceAnswers();
        pages.perform(get("/batches/" + batch).with(user(devi))).andExpect(status().isOk());
    }

    @Test
    public void stampsNeverGoBack() {
        WrongClock.WRONG_BY.set(Duration.ofDays(7));
        LogEntry ahead = seen();
        WrongClock.WRONG_BY.set(Duration.ofDays(-7));
        LogEntry back = seen();
        assertThat(back.stamp().recordedAt()).isEqualTo(ahead.stamp().recordedAt());
        assertThat(back.stamp().happenedAt()).isEqualTo(ahead.stamp().happenedAt());
        assertThat(log.book().entries())
                .extracting(entry -> entry.stamp().recordedAt())
                .isSorted();
    }

    private LogEntry seen() {
        return transactions.execute(status -> log.add(ines, stamp -> new NoteLeft(stamp, 4, "looked at it")));
    }

    @Test
    public void anOddRowIsListedForStewardsAndCanBeVoided() throws Exception {
        transactions.executeWithoutResult(status -> insert("fill-seen", "{\"fillId\":4711}"));
        transactions.executeWithoutResult(status -> insert("no-such-kind", "{}"));
        long odd = log.state().anomalies().get(0).entry().stamp().sequence();
        everyPlaceAnswers();
        pages.perform(get("/journal").with(user(ines)))
                .andExpect(content().string(containsString("Entries that do not fit")))
                .andExpect(content().string(containsString("which was not there at that time")));
        pages.perform(get("/journal").with(user(devi)))
                .andExpect(content().string(not(containsString("Entries that do not fit"))));
        pages.perform(post("/journal/" + odd + "/void")
                        .with(csrf())
                        .with(user(ines))
                        .param("formKey", UUID.randomUUID().toString())
                        .param("reason", "from a wrong clock"))
                .andExpect(status().is3xxRedirection());
        assertThat(log.state().anomalies()).isEmpty();
        pages.perform(get("/journal").with(user(ines)))
                .andExpect(status().isOk())
                .andExpect(content().string(not(containsString("Entries that do not fit"))));
    }

    private void insert(String kind, String body) {
        sql.sql(
                        """
                        INSERT INTO log_entry (sequence, kind, happened_at, recorded_at, about, member_id, name_id, body)
                        SELECT max(sequence) + 1, :kind, max(happened_at), max(recorded_at), 0, :member,
                            (SELECT max(id) FROM member_name WHERE member_id = :member), :body
                        FROM log_entry
                        """)
                .param("kind", kind)
                .param("member", ines.id())
                .param("body", body)
                .update();
    }

    @Test
    public void aWeekForwardAndBackLosesNothingAndIsSaid() throws Exception {
        int rows = log.book().entries().size();
        WrongClock.WRONG_BY.set(Duration.ofDays(7));
        note("a week ahead");
        everyPlaceAnswers();
        WrongClock.WRONG_BY.set(Duration.ZERO);
        note("put right");
        everyPlaceAnswers();
        assertThat(shelf()).contains("This machine’s clock shows", "Until a steward puts the clock right");
        WrongClock.WRONG_BY.set(Duration.ofDays(-7));
        note("a week behind");
        everyPlaceAnswers();
        WrongClock.WRONG_BY.set(Duration.ofMinutes(-1).plusDays(7));
        note("a minute back");
        everyPlaceAnswers();
        WrongClock.WRONG_BY.set(Duration.ofDays(8));
        assertThat(shelf()).doesNotContain("This machine’s clock shows");
        List<LogEntry> entries = log.book().entries();
        assertThat(entries).hasSize(rows + 4);
        assertThat(log.state().anomalies()).isEmpty();
        assertThat(entries.stream().map(entry -> entry.stamp().recordedAt())).isSorted();
    }

    @Test(dependsOnMethods = "aWeekForwardAndBackLosesNothingAndIsSaid")
    public void aClockFarAheadIsSaidUntilAStewardTrustsIt() throws Exception {
        WrongClock.WRONG_BY.set(Duration.ofDays(400));
        assertThat(shelf()).contains("A steward looks whether the clock is right.", "It is right");
        assertThat(pages.perform(post("/house/clock").with(user(devi)).with(csrf()))
                        .andReturn()
                        .getResponse()
                        .getStatus())
                .isEqualTo(403);
        pages.perform(post("/house/clock").with(user(ines)).with(csrf())).andExpect(status().isFound());
        assertThat(shelf()).doesNotContain("A steward looks whether");
    }

    private String shelf() throws Exception {
        return pages.perform(get("/shelf").with(user(ines)))
                .andReturn()
                .getResponse()
                .getContentAsString();
    }

    private void note(String text) throws Exception {
        pages.perform(post("/batches/4/notes")
                        .with(user(devi))
                        .with(csrf())
                        .param("formKey", UUID.randomUUID().toString())
                        .param("note", text))
                .andExpect(status().isFound());
    }
}
