package mezcla.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.authentication;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import mezcla.web.access.Device;
import mezcla.web.access.Members;
import mezcla.web.access.SignedIn;
import mezcla.web.log.DarkroomLog;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What members do for each other, and what only the one whose it is takes back: of every act there is. */
public class WhoseTest extends DemoPagesTest {
    /** What is common in a darkroom: anybody does it, and the log says who. */
    private static final Set<String> COMMON = Set.of(
            "/adoptions",
            "/batches/{id}/guests",
            "/batches/{id}/loads",
            "/batches/{id}/looks/{run}",
            "/batches/{id}/notes",
            "/batches/{id}/overrides",
            "/batches/{id}/renewals",
            "/batches/{id}/run",
            "/batches/{id}/runs",
            "/batches/{id}/starts",
            "/batches/{id}/ticks",
            "/batches/{id}/warm-up/readings",
            "/batches/{id}/warm-up/simulation",
            "/batches/{id}/warm-up/tub",
            "/fills/{id}/bars",
            "/fills/{id}/breaks",
            "/fills/{id}/clips",
            "/fills/{id}/looks",
            "/fills/{id}/measurements",
            "/fills/{id}/moves",
            "/fills/{id}/spills",
            "/fills/{id}/top-ups",
            "/kits",
            "/kits/{id}/batches",
            "/kits/{id}/corrections",
            "/kits/{id}/decantings",
            "/kits/{id}/losses",
            "/kits/{id}/mixes",
            "/kits/{id}/moves",
            "/kits/{id}/openings",
            "/leaflets/drafts",
            "/leaflets/{id}/retypings",
            "/mixes/{id}/abandon",
            "/mixes/{id}/end",
            "/mixes/{id}/ticks",
            "/mixes/{id}/undo",
            "/queue",
            "/queue/loads",
            "/ribbon/temperature",
            "/runs/{started}/abandonment",
            "/runs/{started}/bars",
            "/runs/{started}/end",
            "/runs/{started}/events",
            "/walk");

    /** What is about whoever does it, and nobody else. */
    private static final Set<String> ONES_OWN = Set.of(
            "/begin",
            "/house/me",
            "/me/devices/{id}/end",
            "/me/first-evening/aside",
            "/me/password",
            "/practice/{leaflet}/probe",
            "/practice/{leaflet}/report",
            "/theme",
            "/who");

    /** What whoever began it takes back, or changes, and a steward. */
    private static final Set<String> THEIRS = Set.of(
            "/evening/loads/{id}/drops",
            "/journal/{sequence}/void",
            "/leaflets/drafts/{id}",
            "/leaflets/drafts/{id}/kept",
            "/leaflets/drafts/{id}/thrown-away",
            "/leaflets/drafts/{id}/typed",
            "/queue/{id}/stages",
            "/runs/{started}/call-off");

    @Autowired
    private MockMvc pages;

    @Autowired
    private Members members;

    @Autowired
    private DarkroomLog log;

    @Autowired
    private JdbcClient store;

    @Test
    public void ofEveryActItIsSaidWhoseItIs() {
        Set<String> said = new TreeSet<>(COMMON);
        said.addAll(ONES_OWN);
        said.addAll(THEIRS);
        Set<String> acts = new TreeSet<>();
        for (Object[] row : EveryRoute.TABLE) {
            String route = (String) row[0];
            boolean stewards = row[1] == EveryRoute.Who.STEWARDS || row[1] == EveryRoute.Who.PROBES;
            String page = route.substring(route.indexOf(' ') + 1);
            if (route.startsWith("POST ") && (!stewards || THEIRS.contains(page))) {
                acts.add(page);
            }
        }
        assertThat(said).isEqualTo(acts);
        assertThat(said).as("each is one of the three").hasSize(COMMON.size() + ONES_OWN.size() + THEIRS.size());
    }

    @DataProvider
    public Object[][] theirs() {
        return THEIRS.stream().sorted().map(act -> new Object[] {act}).toArray(Object[][]::new);
    }

    /** Something of Ines's, as the address of the act names it. */
    private String ofInes(String act) throws Exception {
        return switch (act) {
            case "/evening/loads/{id}/drops" -> {
                send("/batches/4/loads", "ines", film("1", "135-36", "1", "madeFor", "colour-negative"));
                yield act.replace("{id}", number("SELECT max(id) FROM evening_load"));
            }
            case "/journal/{sequence}/void" -> {
                send("/batches/4/notes", "ines", "note", "by Ines");
                yield act.replace("{sequence}", Long.toString(log.book().lastSequence()));
            }
            case "/queue/{id}/stages" ->
                act.replace(
                        "{id}",
                        String.valueOf(send("/queue", "ines", film("1", "135-36", "", "process", "colour-negative"))
                                        .getRedirectedUrl())
                                .replaceAll("\\D", ""));
            case "/runs/{started}/call-off" ->
                act.replace("{started}", start("ines", 5, "135-36", "1").replaceAll("\\D", ""));
            default ->
                act.replace(
                        "{id}",
                        String.valueOf(send("/leaflets/drafts", "ines", "shape", "TWO_BATHS")
                                        .getRedirectedUrl())
                                .replaceAll("\\D", ""));
        };
    }

    private String number(String question) {
        return String.valueOf(store.sql(question).query(Long.class).single());
    }

    /** What can be changed by one of these acts. */
    private Map<String, String> state() {
        return Map.of(
                "log", Long.toString(log.book().lastSequence()),
                "loads", number("SELECT count(*) FROM evening_load_over"),
                "drafts",
                        number(
                                "SELECT total(length(typed)) + 1000 * total(thrown_away) + 7 * total(changed_by) FROM sheet_draft"));
    }

    @Test(dataProvider = "theirs")
    public void whatIsAnothersIsTakenBackByThemAndByStewardsAlone(String act) throws Exception {
        String thing = ofInes(act);
        Map<String, String> before = state();
        for (boolean shared : List.of(false, true)) {
            MockHttpServletResponse refused = asked(thing, "devi", shared);
            assertThat(refused.getStatus())
                    .as("Devi, at a shared device: %s", shared)
                    .isIn(403, 422);
            assertThat(state()).isEqualTo(before);
        }
        assertThat(asked(thing, "bram", true).getStatus())
                .as("a steward's tile without a PIN is no steward")
                .isIn(403, 422);
        assertThat(state()).isEqualTo(before);
        if (!act.endsWith("/kept")) {
            assertThat(asked(thing, "ines", false).getStatus()).as("Ines").isIn(200, 302);
            assertThat(asked(ofInes(act), "ines", true).getStatus())
                    .as("Ines's tile")
                    .isIn(200, 302);
            assertThat(asked(ofInes(act), "bram", false).getStatus())
                    .as("a steward")
                    .isIn(200, 302);
            assertThat(state()).isNotEqualTo(before);
        }
    }

    private MockHttpServletResponse asked(String page, String who, boolean atASharedDevice) throws Exception {
        SignedIn account = (SignedIn) members.loadUserByUsername(who);
        SignedIn acting = atASharedDevice ? account.asMember() : account;
        UsernamePasswordAuthenticationToken signedIn =
                UsernamePasswordAuthenticationToken.authenticated(acting, "", acting.getAuthorities());
        signedIn.setDetails(
                atASharedDevice
                        ? new Device(1, account.id(), "Tablet by the sink", true, true, account.id(), false)
                        : Device.ofOnesOwn(1, account.id(), "a phone"));
        MockHttpServletRequestBuilder form = post(page)
                .with(csrf())
                .with(authentication(signedIn))
                .param("formKey", UUID.randomUUID().toString())
                .param("stage", "WITHDRAWN")
                .param("why", "it was meant otherwise")
                .param("reason", "it was meant otherwise")
                .param("at", "box")
                .param("name", "Another name " + UUID.randomUUID());
        return pages.perform(form).andReturn().getResponse();
    }
}
