package mezcla.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.request;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import mezcla.batch.ShortCode;
import mezcla.log.FilmInspected;
import mezcla.log.Finding;
import mezcla.web.access.Members;
import mezcla.web.access.SignedIn;
import mezcla.web.copies.DailyCopies;
import mezcla.web.histories.ShownFigures;
import mezcla.web.log.DarkroomLog;
import mezcla.web.outside.SecretAddresses;
import mezcla.web.photo.Photos;
import mezcla.web.photo.Picture;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.http.HttpMethod;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Every route of the application as nobody, as a member and as a steward. */
public class RoutesTest extends DemoPagesTest {
    private enum Who {
        ANYBODY,
        MEMBERS,
        STEWARDS,
        PROBES
    }

    private static final Object[][] ROUTES = {
        {"GET /", Who.MEMBERS},
        {"GET /sign-in", Who.ANYBODY},
        {"GET /begin", Who.ANYBODY},
        {"POST /begin", Who.ANYBODY},
        {"POST /theme", Who.ANYBODY},
        {"GET /who", Who.MEMBERS},
        {"POST /who", Who.MEMBERS},
        {"POST /house/device", Who.STEWARDS},
        {"POST /house/devices/{id}/end", Who.STEWARDS},
        {"GET /house/access", Who.STEWARDS},
        {"GET /house/clock", Who.STEWARDS},
        {"POST /house/clock", Who.STEWARDS},
        {"POST /house/clock/corrections", Who.STEWARDS},
        {"GET /house/decisions", Who.MEMBERS},
        {"POST /house/decisions/{number}/take-back", Who.STEWARDS},
        {"GET /me", Who.MEMBERS},
        {"POST /me/password", Who.MEMBERS},
        {"POST /me/devices/{id}/end", Who.MEMBERS},
        {"POST /house/members/{id}/role", Who.STEWARDS},
        {"POST /house/members/{id}/leave", Who.STEWARDS},
        {"GET /shelf", Who.MEMBERS},
        {"GET /bench", Who.MEMBERS},
        {"GET /run", Who.MEMBERS},
        {"GET /cupboard", Who.MEMBERS},
        {"GET /journal", Who.MEMBERS},
        {"POST /ribbon/temperature", Who.MEMBERS},
        {"GET /journal.csv", Who.MEMBERS},
        {"GET /journal.jsonl", Who.STEWARDS},
        {"GET /journal/{sequence}/void", Who.MEMBERS},
        {"POST /journal/{sequence}/void", Who.STEWARDS},
        {"GET /house", Who.MEMBERS},
        {"GET /house/members", Who.MEMBERS},
        {"GET /house/members/{id}", Who.STEWARDS},
        {"POST /house/members/{id}/name", Who.STEWARDS},
        {"POST /house/members/{id}/number", Who.STEWARDS},
        {"GET /house/strictness", Who.MEMBERS},
        {"GET /house/ways", Who.MEMBERS},
        {"GET /house/things", Who.MEMBERS},
        {"GET /house/places", Who.MEMBERS},
        {"GET /house/this", Who.MEMBERS},
        {"GET /house/you", Who.MEMBERS},
        {"GET /house/{list}/new", Who.STEWARDS},
        {"GET /house/{list}/{id}", Who.STEWARDS},
        {"POST /house/{list}", Who.STEWARDS},
        {"POST /house/{list}/{id}", Who.STEWARDS},
        {"GET /house/bath", Who.STEWARDS},
        {"POST /house/bath", Who.STEWARDS},
        {"GET /house/data", Who.STEWARDS},
        {"POST /house/data/copies", Who.STEWARDS},
        {"GET /house/data/copies/{name}", Who.STEWARDS},
        {"GET /house/data/house.zip", Who.STEWARDS},
        {"GET /house/outside", Who.STEWARDS},
        {"POST /house/outside/{kind}", Who.STEWARDS},
        {"POST /house/outside/{kind}/end", Who.STEWARDS},
        {"GET /calendar/{secret}.ics", Who.ANYBODY},
        {"GET /wall/{secret}", Who.ANYBODY},
        {"GET /wall-sheet", Who.MEMBERS},
        {"GET /health", Who.ANYBODY},
        {"GET /guide", Who.MEMBERS},
        {"GET /more", Who.MEMBERS},
        {"GET /mine", Who.MEMBERS},
        {"GET /house/begin", Who.STEWARDS},
        {"POST /house/begin/aside", Who.STEWARDS},
        {"POST /me/first-evening/aside", Who.MEMBERS},
        {"GET /house/read-in", Who.STEWARDS},
        {"POST /house/read-in", Who.STEWARDS},
        {"POST /house/read-in/keep", Who.STEWARDS},
        {"GET /house/read-in/kept", Who.STEWARDS},
        {"GET /batches/{id}", Who.MEMBERS},
        {"GET /batches/{id}/run", Who.MEMBERS},
        {"POST /batches/{id}/run", Who.MEMBERS},
        {"POST /batches/{id}/runs", Who.MEMBERS},
        {"POST /batches/{id}/starts", Who.MEMBERS},
        {"POST /batches/{id}/overrides", Who.MEMBERS},
        {"POST /batches/{id}/notes", Who.MEMBERS},
        {"POST /batches/{id}/guests", Who.MEMBERS},
        {"GET /batches/{id}/renew", Who.MEMBERS},
        {"POST /batches/{id}/renewals", Who.MEMBERS},
        {"GET /batches/{id}/leaflet", Who.STEWARDS},
        {"POST /batches/{id}/leaflets", Who.STEWARDS},
        {"POST /batches/{id}/discards", Who.STEWARDS},
        {"GET /runs/{started}", Who.MEMBERS},
        {"POST /runs/{started}/end", Who.MEMBERS},
        {"POST /runs/{started}/call-off", Who.MEMBERS},
        {"GET /fills/{id}", Who.MEMBERS},
        {"POST /fills/{id}/spills", Who.MEMBERS},
        {"POST /fills/{id}/breaks", Who.MEMBERS},
        {"POST /fills/{id}/measurements", Who.MEMBERS},
        {"POST /fills/{id}/moves", Who.MEMBERS},
        {"POST /fills/{id}/bars", Who.MEMBERS},
        {"POST /fills/{id}/lifts", Who.STEWARDS},
        {"GET /fills/{id}/top-up", Who.MEMBERS},
        {"POST /fills/{id}/top-ups", Who.MEMBERS},
        {"GET /kits/{id}/mix", Who.MEMBERS},
        {"POST /kits/{id}/batches", Who.MEMBERS},
        {"GET /kits/{id}/mix/card", Who.MEMBERS},
        {"POST /kits/{id}/mixes", Who.MEMBERS},
        {"GET /mixes/{id}", Who.MEMBERS},
        {"GET /mixes/{id}/labels", Who.MEMBERS},
        {"POST /mixes/{id}/ticks", Who.MEMBERS},
        {"POST /mixes/{id}/undo", Who.MEMBERS},
        {"POST /mixes/{id}/end", Who.MEMBERS},
        {"POST /mixes/{id}/abandon", Who.MEMBERS},
        {"GET /batches/{id}/labels", Who.MEMBERS},
        {"GET /batches/{id}/card", Who.MEMBERS},
        {"POST /batches/{id}/ticks", Who.MEMBERS},
        {"GET /codes/{code}", Who.MEMBERS},
        {"GET /kits/{id}", Who.MEMBERS},
        {"POST /kits/{id}/openings", Who.MEMBERS},
        {"POST /kits/{id}/decantings", Who.MEMBERS},
        {"POST /kits/{id}/corrections", Who.MEMBERS},
        {"POST /kits/{id}/losses", Who.MEMBERS},
        {"POST /kits/{id}/moves", Who.MEMBERS},
        {"POST /kits/{id}/finish", Who.STEWARDS},
        {"POST /kits/{id}/leaflet", Who.STEWARDS},
        {"GET /house/stand-ins", Who.MEMBERS},
        {"POST /house/stand-ins", Who.STEWARDS},
        {"GET /batches/{id}/looks/{run}", Who.MEMBERS},
        {"POST /batches/{id}/looks/{run}", Who.MEMBERS},
        {"GET /fills/{id}/look", Who.MEMBERS},
        {"POST /fills/{id}/looks", Who.MEMBERS},
        {"POST /fills/{id}/clips", Who.MEMBERS},
        {"GET /signs", Who.MEMBERS},
        {"GET /walk", Who.MEMBERS},
        {"POST /walk", Who.MEMBERS},
        {"GET /leaflets", Who.MEMBERS},
        {"GET /leaflets/{id}", Who.MEMBERS},
        {"GET /leaflets/{id}/file", Who.MEMBERS},
        {"GET /leaflets/{id}/retype", Who.MEMBERS},
        {"POST /leaflets/{id}/retypings", Who.MEMBERS},
        {"GET /leaflets/new", Who.MEMBERS},
        {"POST /leaflets/drafts", Who.MEMBERS},
        {"GET /leaflets/drafts/{id}", Who.MEMBERS},
        {"POST /leaflets/drafts/{id}", Who.MEMBERS},
        {"POST /leaflets/drafts/{id}/typed", Who.MEMBERS},
        {"POST /leaflets/drafts/{id}/kept", Who.MEMBERS},
        {"POST /leaflets/drafts/{id}/thrown-away", Who.MEMBERS},
        {"POST /leaflets/{id}/offer", Who.STEWARDS},
        {"GET /leaflets/{id}/switch", Who.MEMBERS},
        {"POST /leaflets/{id}/switch", Who.STEWARDS},
        {"GET /leaflets/{id}/gear", Who.MEMBERS},
        {"GET /leaflets/import", Who.STEWARDS},
        {"POST /leaflets/import", Who.STEWARDS},
        {"POST /leaflets/imports", Who.STEWARDS},
        {"GET /kits/new", Who.MEMBERS},
        {"POST /kits", Who.MEMBERS},
        {"POST /kits/proposals/{id}/thrown-away", Who.STEWARDS},
        {"POST /kits/{id}/prices", Who.STEWARDS},
        {"GET /kits/{id}/labels", Who.MEMBERS},
        {"GET /adopt", Who.MEMBERS},
        {"POST /adoptions", Who.MEMBERS},
        {"POST /house/me", Who.MEMBERS},
        {"POST /house/details", Who.STEWARDS},
        {"POST /house/surroundings", Who.STEWARDS},
        {"POST /house/places/{id}/readings/take-back", Who.STEWARDS},
        {"POST /house/schools", Who.STEWARDS},
        {"POST /house/places/{id}/climate", Who.STEWARDS},
        {"POST /house/places/{id}/readings", Who.STEWARDS},
        {"POST /house/members", Who.STEWARDS},
        {"POST /house/members/{id}/password", Who.STEWARDS},
        {"POST /house/{list}/{id}/removals", Who.STEWARDS},
        {"GET /journal/writers", Who.MEMBERS},
        {"GET /batches/{id}/warm-up", Who.MEMBERS},
        {"POST /batches/{id}/warm-up/tub", Who.MEMBERS},
        {"POST /batches/{id}/warm-up/readings", Who.MEMBERS},
        {"GET /runs/{started}/ribbon", Who.MEMBERS},
        {"POST /runs/{started}/bars", Who.MEMBERS},
        {"GET /runs/{started}/events", Who.MEMBERS},
        {"POST /runs/{started}/events", Who.MEMBERS},
        {"POST /batches/{id}/loads", Who.MEMBERS},
        {"POST /batches/{id}/ways", Who.STEWARDS},
        {"POST /runs/{started}/abandonment", Who.MEMBERS},
        {"GET /evening", Who.MEMBERS},
        {"POST /evening/loads/{id}/drops", Who.MEMBERS},
        {"POST /batches/{id}/warm-up/simulation", Who.MEMBERS},
        {"POST /practice/{leaflet}/probe", Who.MEMBERS},
        {"GET /practice/reports/{id}", Who.MEMBERS},
        {"POST /practice/reports/{id}/sign-off", Who.STEWARDS},
        {"GET /practice/members", Who.MEMBERS},
        {"POST /practice/members/{id}/first-run", Who.STEWARDS},
        {"GET /probes", Who.MEMBERS},
        {"POST /probes", Who.STEWARDS},
        {"POST /probes/{id}/removals", Who.STEWARDS},
        {"POST /api/probes/{id}/readings", Who.PROBES},
        {"POST /house/habits", Who.STEWARDS},
        {"GET /practice", Who.MEMBERS},
        {"GET /practice/loading", Who.MEMBERS},
        {"GET /practice/begin", Who.MEMBERS},
        {"GET /practice/{leaflet}", Who.MEMBERS},
        {"POST /practice/{leaflet}/report", Who.MEMBERS},
        {"GET /photos/{name}", Who.MEMBERS},
        {"GET /waste", Who.MEMBERS},
        {"POST /waste", Who.STEWARDS},
        {"POST /waste/{id}/collections", Who.STEWARDS},
        {"POST /waste/{id}/removals", Who.STEWARDS},
        {"GET /money", Who.MEMBERS},
        {"GET /money/account", Who.MEMBERS},
        {"GET /money/film", Who.MEMBERS},
        {"GET /money/film.csv", Who.MEMBERS},
        {"GET /money/kits", Who.MEMBERS},
        {"GET /money/kits/seasons", Who.MEMBERS},
        {"GET /money/month", Who.STEWARDS},
        {"GET /money/month.csv", Who.STEWARDS},
        {"GET /money/prices", Who.STEWARDS},
        {"POST /money/payments", Who.STEWARDS},
        {"POST /money/corrections", Who.STEWARDS},
        {"POST /money/charging", Who.STEWARDS},
        {"POST /money/laboratory", Who.STEWARDS},
        {"POST /money/equipment", Who.STEWARDS},
        {"GET /queue", Who.MEMBERS},
        {"GET /queue/new", Who.MEMBERS},
        {"GET /queue/labels", Who.MEMBERS},
        {"POST /queue", Who.MEMBERS},
        {"POST /queue/loads", Who.MEMBERS},
        {"POST /queue/{id}/stages", Who.MEMBERS},
        {"GET /leaflets/{id}/evidence", Who.MEMBERS},
        {"POST /leaflets/{id}/limits/{bath}", Who.STEWARDS},
    };

    @Autowired
    private MockMvc pages;

    @Autowired
    private Members members;

    @Autowired
    private DarkroomLog log;

    @Autowired
    private SecretAddresses addresses;

    @Autowired
    private DailyCopies copies;

    @Autowired
    private Photos photos;

    private String report = "";

    @Autowired
    private TransactionTemplate transaction;

    @Autowired
    @Qualifier("requestMappingHandlerMapping")
    private RequestMappingHandlerMapping mapping;

    @Test
    public void tableNamesEveryRoute() {
        Set<String> known = new TreeSet<>();
        for (Object[] row : ROUTES) {
            known.add((String) row[0]);
        }
        Set<String> served = new TreeSet<>();
        mapping.getHandlerMethods().forEach((info, method) -> {
            if (method.getBeanType().getName().startsWith("mezcla")) {
                info.getMethodsCondition().getMethods().forEach(verb -> info.getPatternValues()
                        .forEach(pattern -> served.add(verb + " " + pattern)));
            }
        });
        assertThat(known).isEqualTo(served);
    }

    @Test
    public void everyRouteSaysWhichFiguresItShows() {
        Set<String> asked = new TreeSet<>();
        for (Object[] row : ROUTES) {
            String route = (String) row[0];
            if (route.startsWith("GET ")) {
                asked.add(route.substring("GET ".length()));
            }
        }
        assertThat(new TreeSet<>(ShownFigures.SHOWN.keySet())).isEqualTo(asked);
    }

    @DataProvider
    public Object[][] routes() {
        List<Object[]> rows = new ArrayList<>();
        for (Object[] row : ROUTES) {
            for (String name : new String[] {"", "devi", "bram"}) {
                rows.add(new Object[] {row[0], row[1], name});
            }
        }
        return rows.toArray(new Object[0][]);
    }

    @Test(dataProvider = "routes")
    public void everybodyGetsAsFarAsTheyMay(String route, Who who, String name) throws Exception {
        MockHttpServletResponse answer =
                pages.perform(asked(route, name)).andReturn().getResponse();
        int status = answer.getStatus();
        if (who == Who.PROBES) {
            assertThat(status).as("an account is no token").isEqualTo(401);
        } else if (name.isEmpty() && who != Who.ANYBODY) {
            assertThat(status).isEqualTo(302);
            assertThat(answer.getRedirectedUrl()).startsWith("/sign-in");
        } else if (name.equals("devi") && who == Who.STEWARDS) {
            assertThat(status).isEqualTo(403);
        } else {
            assertThat(status).isNotIn(401, 403, 404, 405).isLessThan(500);
            if (status == 302 && who != Who.ANYBODY) {
                assertThat(answer.getRedirectedUrl()).doesNotStartWith("/sign-in");
            }
        }
    }

    private long runOfBatchFive() {
        return log.state().batch(5).runs().get(0).stamp().sequence();
    }

    private String secret(String route, SecretAddresses.Kind kind) {
        return route.contains("{secret}") ? asSteward(() -> addresses.make(steward(), kind)) : "";
    }

    private String copy() {
        copies.keep();
        return copies.kept().get(0).name();
    }

    private String photo() {
        if (photos.ofBatch(5).isEmpty()) {
            long look = transaction.execute(status -> log.add(
                            (SignedIn) members.loadUserByUsername("ines"),
                            stamp -> new FilmInspected(
                                    stamp, 5, runOfBatchFive(), 0, List.of(), Finding.GOOD, Set.of(), null))
                    .stamp()
                    .sequence());
            transaction.executeWithoutResult(status -> photos.keep(look, new Picture(new byte[] {1}, 1, 1)));
        }
        return photos.ofBatch(5).get(0).file();
    }

    private String report() throws Exception {
        if (report.isEmpty()) {
            report = String.valueOf(pages.perform(request(HttpMethod.POST, "/practice/1/report")
                                    .with(csrf())
                                    .with(user(members.loadUserByUsername("devi")))
                                    .param("formKey", UUID.randomUUID().toString()))
                            .andReturn()
                            .getResponse()
                            .getRedirectedUrl())
                    .replaceAll("\\D", "");
        }
        return report;
    }

    private String draft() throws Exception {
        return String.valueOf(pages.perform(request(HttpMethod.POST, "/leaflets/drafts")
                        .with(csrf())
                        .with(user(members.loadUserByUsername("devi")))
                        .param("formKey", UUID.randomUUID().toString())
                        .param("shape", "TWO_BATHS"))
                .andReturn()
                .getResponse()
                .getRedirectedUrl());
    }

    /** A route with numbers of things that exist, and nothing typed. */
    private MockHttpServletRequestBuilder asked(String route, String name) throws Exception {
        String page = route.substring(route.indexOf(' ') + 1)
                .replace("/house/{list}", "/house/tanks")
                .replace("/copies/{name}", "/copies/" + copy())
                .replace("/practice/reports/{id}", "/practice/reports/" + report())
                .replace("/fills/{id}/lifts", "/fills/11/lifts")
                .replace("/batches/{id}/renew", "/batches/5/renew")
                .replace("/batches/{id}", "/batches/5")
                .replace("/leaflets/drafts/{id}", route.contains("drafts/{id}") ? draft() : "")
                .replace("{id}", "1")
                .replace("{sequence}", "1")
                .replace("{number}", "1")
                .replace("{bath}", "dev")
                .replace("{leaflet}", "1")
                .replace("/outside/{kind}", "/outside/calendar")
                .replace("/calendar/{secret}", "/calendar/" + secret(route, SecretAddresses.Kind.CALENDAR))
                .replace("/wall/{secret}", "/wall/" + secret(route, SecretAddresses.Kind.WALL))
                .replace("{name}", photo())
                .replace("{code}", ShortCode.of(7))
                .replace("{run}", Long.toString(runOfBatchFive()))
                .replace("{started}", "1");
        MockHttpServletRequestBuilder request = request(
                        HttpMethod.valueOf(route.substring(0, route.indexOf(' '))), page)
                .with(csrf())
                .param("bath", "dev")
                .param("why", "a try")
                .param("process", "colour-negative")
                .param("reason", "a try")
                .param("formKey", UUID.randomUUID().toString());
        return name.isEmpty() ? request : request.with(user(members.loadUserByUsername(name)));
    }
}
