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
import java.time.LocalDateTime;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicReference;
import mezcla.log.BatchMixed;
import mezcla.log.ClockCorrected;
import mezcla.log.EntryKind;
import mezcla.log.LogEntry;
import mezcla.log.MixedFill;
import mezcla.log.NoteLeft;
import mezcla.log.RunLogged;
import mezcla.web.access.Members;
import mezcla.web.access.SignedIn;
import mezcla.web.clock.LogClock;
import mezcla.web.clock.TestClock;
import mezcla.web.log.DarkroomLog;
import mezcla.web.log.LogFile;
import mezcla.web.settings.HouseService;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.TestConfiguration;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Import;
import org.springframework.context.annotation.Primary;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.mock.web.MockHttpServletResponse;
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

    @Autowired
    private LogClock clock;

    @Autowired
    private LogFile file;

    @Autowired
    private HouseService houses;

    private SignedIn ines;
    private SignedIn devi;

    /** A clock that can be put wrong. */
    @TestConfiguration
    static class WrongClock {
        private static final AtomicReference<Duration> WRONG_BY = new AtomicReference<>(Duration.ZERO);

        @Bean
        @Primary
        Clock wrong() {
            return TestClock.wrongBy(WRONG_BY::get);
        }
    }

    @BeforeMethod
    public void members() {
        ines = (SignedIn) members.loadUserByUsername("bram");
        devi = (SignedIn) members.loadUserByUsername("devi");
        WrongClock.WRONG_BY.set(Duration.ZERO);
        clock.trust();
        Instant latest = Instant.now().plusSeconds(30);
        List<LogEntry> future = log.book().entries().stream()
                .filter(row -> row.stamp().recordedAt().isAfter(latest))
                .toList();
        if (!future.isEmpty()) {
            LogEntry first = future.get(0);
            Instant before = log.book()
                    .entries()
                    .get(log.book().position(first.stamp().sequence()) - 1)
                    .stamp()
                    .recordedAt();
            long ahead = Duration.between(before, first.stamp().recordedAt()).toSeconds();
            transactions.executeWithoutResult(status -> log.correctClock(
                    ines,
                    last().stamp().recordedAt().minusSeconds(ahead),
                    stamp -> new ClockCorrected(
                            stamp, first.stamp().sequence(), last().stamp().sequence(), ahead)));
            log.book();
        }
    }

    /** The machine was off, and comes on with its clock off by so much. */
    private void restartWith(Duration wrong) {
        WrongClock.WRONG_BY.set(wrong);
        TestClock.restart(clock);
        log.book();
        clock.heard(last().stamp().recordedAt());
    }

    private LogEntry last() {
        List<LogEntry> entries = log.book().entries();
        return entries.get(entries.size() - 1);
    }

    private void everyPlaceAnswers() throws Exception {
        for (String place : PLACES) {
            pages.perform(get(place).with(user(ines))).andExpect(status().isOk());
        }
    }

    @Test
    public void aBatchMixedWhileTheClockWasAheadTakesARunOnceItIsPutRight() throws Exception {
        BatchMixed like = log.state().batch(5).mixed();
        restartWith(Duration.ofHours(5));
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
                        .param("tank", "2"))
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
        restartWith(Duration.ofDays(7));
        LogEntry ahead = seen();
        restartWith(Duration.ofDays(-7));
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

    /** A clock that is put forward while Mezcla runs is said before anything is saved, and not followed. */
    @Test
    public void aJumpIsSaidBeforeASaveAndNotFollowed() throws Exception {
        note("before the jump");
        Instant before = last().stamp().recordedAt();
        WrongClock.WRONG_BY.set(Duration.ofDays(400));
        assertThat(shelf()).contains("This machine’s clock jumped", "Check the clock");
        note("while it shows another year");
        assertThat(last().stamp().recordedAt()).isBetween(before, before.plus(Duration.ofMinutes(5)));
        everyPlaceAnswers();
        WrongClock.WRONG_BY.set(Duration.ZERO);
        assertThat(shelf()).doesNotContain("This machine’s clock");
        note("put right");
        assertThat(last().stamp().recordedAt()).isBetween(before, before.plus(Duration.ofMinutes(5)));
    }

    @Test
    public void aStewardSaysThatAClockThatWasPutForwardIsRight() throws Exception {
        WrongClock.WRONG_BY.set(Duration.ofHours(3));
        assertThat(shelf()).contains("This machine’s clock jumped");
        assertThat(pages.perform(post("/house/clock").with(user(devi)).with(csrf()))
                        .andReturn()
                        .getResponse()
                        .getStatus())
                .isEqualTo(403);
        pages.perform(post("/house/clock").with(user(ines)).with(csrf())).andExpect(status().isFound());
        assertThat(shelf()).doesNotContain("This machine’s clock");
    }

    /** One save under a clock 400 days ahead, and the house goes on as if it had never been wrong. */
    @Test
    public void whatWasSavedUnderAClockThatWasAheadIsDatedAgain() throws Exception {
        restartWith(Duration.ofDays(400));
        assertThat(shelf()).contains("Check the date before you record anything");
        note("under a clock of another year");
        long wrong = last().stamp().sequence();
        Instant written = last().stamp().recordedAt();
        restartWith(Duration.ZERO);
        note("after it was put right, and still dated like the last one");
        assertThat(shelf()).contains("One of them is wrong");
        pages.perform(get("/house/clock").with(user(ines)))
                .andExpect(status().isOk())
                .andExpect(content().string(containsString("value=\"" + wrong + "\" selected")));
        correct(wrong, Instant.now().plus(Duration.ofDays(30)), 422, "still lie in the future");
        correct(wrong, Instant.now().minus(Duration.ofDays(30)), 422, "The entry before it is from");
        correct(wrong, written, 422, "already says so");
        correct(wrong, Instant.now().minusSeconds(5), 302, "");
        assertThat(shelf()).doesNotContain("This machine’s clock");
        // A correction is so many whole seconds.
        assertThat(log.book().entry(wrong).stamp().recordedAt())
                .isBeforeOrEqualTo(Instant.now().plusSeconds(1));
        assertThat(log.written(log.book().entry(wrong)).recordedAt()).isEqualTo(written);
        note("follows the right clock at once");
        assertThat(Duration.between(last().stamp().recordedAt(), Instant.now()).abs())
                .isLessThan(Duration.ofMinutes(1));
        assertThat(log.book().entries())
                .extracting(entry -> entry.stamp().recordedAt())
                .isSorted();
        everyPlaceAnswers();
        assertThat(file.lines())
                .filteredOn(line -> line.contains("\"sequence\":" + wrong + ","))
                .singleElement()
                .asString()
                .contains(written.toString());
        long correction = log.book().entries().stream()
                .filter(row -> row.kind() == EntryKind.CLOCK_CORRECTED)
                .reduce((earlier, later) -> later)
                .orElseThrow()
                .stamp()
                .sequence();
        pages.perform(post("/journal/" + correction + "/void")
                        .with(csrf())
                        .with(user(ines))
                        .param("formKey", UUID.randomUUID().toString())
                        .param("reason", "to see what voiding does"))
                .andExpect(status().isFound());
        assertThat(log.book().entry(wrong).stamp().recordedAt()).isEqualTo(written);
        correct(wrong, Instant.now().minusSeconds(5), 302, "");
    }

    private void correct(long from, Instant really, int status, String says) throws Exception {
        MockHttpServletResponse answer = pages.perform(post("/house/clock/corrections")
                        .with(csrf())
                        .with(user(ines))
                        .param("formKey", UUID.randomUUID().toString())
                        .param("from", Long.toString(from))
                        .param(
                                "really",
                                LocalDateTime.ofInstant(really, houses.house().timeZone())
                                        .toString()))
                .andReturn()
                .getResponse();
        assertThat(answer.getStatus()).as(answer.getContentAsString()).isEqualTo(status);
        assertThat(answer.getContentAsString()).contains(says);
    }

    @Test
    public void aClockFarAheadAtTheStartIsSaidUntilAStewardTrustsIt() throws Exception {
        restartWith(Duration.ofDays(400));
        assertThat(shelf()).contains("Check the date before you record anything");
        pages.perform(post("/house/clock").with(user(ines)).with(csrf())).andExpect(status().isFound());
        assertThat(shelf()).doesNotContain("Check the date");
        restartWith(Duration.ZERO);
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
