package mezcla.web;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.request;

import java.io.UnsupportedEncodingException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.function.Supplier;
import mezcla.batch.ShortCode;
import mezcla.log.FilmInspected;
import mezcla.log.Finding;
import mezcla.web.access.Members;
import mezcla.web.access.SignedIn;
import mezcla.web.copies.DailyCopies;
import mezcla.web.log.DarkroomLog;
import mezcla.web.outside.SecretAddresses;
import mezcla.web.photo.Photos;
import mezcla.web.photo.Picture;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Every route of the application, who may ask for it, and an address of it where there is something to show. Whatever is true of
 * all pages is tested of these, so that a new page cannot stay outside.
 */
public class EveryRoute {
    /** Who may ask. */
    public enum Who {
        ANYBODY,
        MEMBERS,
        STEWARDS,
        PROBES
    }

    static final Object[][] TABLE = {
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
        {"POST /house/tanks", Who.STEWARDS},
        {"POST /house/tanks/{id}", Who.STEWARDS},
        {"POST /house/bottles", Who.STEWARDS},
        {"POST /house/bottles/{id}", Who.STEWARDS},
        {"POST /house/places", Who.STEWARDS},
        {"POST /house/places/{id}", Who.STEWARDS},
        {"POST /house/tools", Who.STEWARDS},
        {"POST /house/tools/{id}", Who.STEWARDS},
        {"POST /house/jugs", Who.STEWARDS},
        {"POST /house/jugs/{id}", Who.STEWARDS},
        {"POST /house/heaters", Who.STEWARDS},
        {"POST /house/heaters/{id}", Who.STEWARDS},
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
        {"GET /week", Who.MEMBERS},
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

    /** What is answered with a file, with data, or with another page. */
    public static final Set<String> NO_PAGES = Set.of(
            "/",
            "/calendar/{secret}.ics",
            "/codes/{code}",
            "/health",
            "/house/data/copies/{name}",
            "/house/data/house.zip",
            "/house/read-in/kept",
            "/journal.csv",
            "/journal.jsonl",
            "/journal/writers",
            "/leaflets/{id}/file",
            "/money/film.csv",
            "/money/month.csv",
            "/photos/{name}",
            "/runs/{started}/events");

    /** What is asked only in a house that has not begun, and only at a device of the house. */
    public static final Set<String> ASKED_ELSEWHERE = Set.of("/begin", "/who");

    /** Where a route shows something only with more than its address, or of another thing than the first. */
    private static final Map<String, String> WITH_MORE = Map.ofEntries(
            Map.entry("/batches/{id}/renew", "/batches/2/renew?bath=dev"),
            Map.entry("/fills/{id}/top-up", "/fills/10/top-up?volume=20"),
            Map.entry("/kits/{id}", "/kits/3"),
            Map.entry("/kits/{id}/mix", "/kits/3/mix?volume=500"),
            Map.entry("/kits/{id}/mix/card", "/kits/3/mix/card?volume=500"),
            Map.entry("/journal/{sequence}/void", "/journal/22/void"),
            Map.entry("/house/members/{id}", "/house/members/2"));

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

    @Autowired
    private TransactionTemplate transaction;

    private String report = "";

    private String started = "";

    /** An address of every route that answers with a page, as a steward asks for it at a device of their own. */
    public List<String> pages() {
        List<String> all = new ArrayList<>();
        for (Object[] row : TABLE) {
            String route = (String) row[0];
            String page = route.substring(route.indexOf(' ') + 1);
            if (route.startsWith("GET ") && !NO_PAGES.contains(page) && !ASKED_ELSEWHERE.contains(page)) {
                all.add(WITH_MORE.containsKey(page) ? String.valueOf(WITH_MORE.get(page)) : address(route));
            }
        }
        return all;
    }

    private long runOfBatchFive() {
        return log.state().batch(5).runs().get(0).stamp().sequence();
    }

    private String copy() {
        copies.keep();
        return copies.kept().get(0).name();
    }

    private String photo() {
        if (photos.ofBatch(5).isEmpty()) {
            long look = transaction.execute(status -> log.add(
                            (SignedIn) members.loadUserByUsername("bram"),
                            stamp -> new FilmInspected(
                                    stamp, 5, runOfBatchFive(), 0, List.of(), Finding.GOOD, Set.of(), null))
                    .stamp()
                    .sequence());
            transaction.executeWithoutResult(status -> photos.keep(look, new Picture(new byte[] {1}, 1, 1)));
        }
        return photos.ofBatch(5).get(0).file();
    }

    private String report() {
        if (report.isEmpty()) {
            report = led("/practice/1/report", "devi").replaceAll("\\D", "");
        }
        return report;
    }

    private String draft() {
        return led("/leaflets/drafts", "devi", "shape", "TWO_BATHS");
    }

    /** The row of a run that is under way. */
    private String started() {
        if (started.isEmpty()) {
            started = led(
                            "/batches/5/starts",
                            "bram",
                            "film[0].count",
                            "1",
                            "film[0].format",
                            "135-36",
                            "film[0].owner",
                            "Bram",
                            "push",
                            "0",
                            "tank",
                            "1",
                            "madeFor",
                            log.state().batch(5).process().key(),
                            "seen",
                            Long.toString(log.book().lastSequence()))
                    .replaceAll("\\D", "");
        }
        return started;
    }

    /** Sends a form; where it leads. */
    private String led(String page, String who, String... typed) {
        MockHttpServletRequestBuilder form = request(HttpMethod.POST, page)
                .with(csrf())
                .with(user(members.loadUserByUsername(who)))
                .param("formKey", UUID.randomUUID().toString());
        for (int i = 0; i < typed.length; i += 2) {
            form.param(typed[i], typed[i + 1]);
        }
        try {
            MockHttpServletResponse answer = pages.perform(form).andReturn().getResponse();
            return Objects.requireNonNull(answer.getRedirectedUrl(), () -> page + ": " + said(answer));
        } catch (Exception e) {
            throw new IllegalStateException(page, e);
        }
    }

    private static String said(MockHttpServletResponse answer) {
        try {
            return answer.getContentAsString()
                    .replaceAll("(?s).*<main", "<main")
                    .replaceAll("\\s+", " ");
        } catch (UnsupportedEncodingException e) {
            return e.getMessage();
        }
    }

    private String made(SecretAddresses.Kind kind) {
        SignedIn steward = (SignedIn) members.loadUserByUsername("bram");
        SecurityContextHolder.getContext()
                .setAuthentication(new UsernamePasswordAuthenticationToken(steward, null, steward.getAuthorities()));
        try {
            return addresses.make(steward, kind);
        } finally {
            SecurityContextHolder.clearContext();
        }
    }

    /** An address of a route, with numbers of things that exist. */
    public String address(String route) {
        String page = route.substring(route.indexOf(' ') + 1);
        Map<String, Supplier<String>> things = new LinkedHashMap<>();
        things.put("/house/{list}", () -> "/house/tanks");
        things.put("/copies/{name}", () -> "/copies/" + copy());
        things.put("/practice/reports/{id}", () -> "/practice/reports/" + report());
        things.put("/fills/{id}/lifts", () -> "/fills/11/lifts");
        things.put("/batches/{id}", () -> "/batches/5");
        things.put("/leaflets/drafts/{id}", this::draft);
        things.put("{id}", () -> "1");
        things.put("{sequence}", () -> "1");
        things.put("{number}", () -> "1");
        things.put("{bath}", () -> "dev");
        things.put("{leaflet}", () -> "1");
        things.put("/outside/{kind}", () -> "/outside/calendar");
        things.put("/calendar/{secret}", () -> "/calendar/" + made(SecretAddresses.Kind.CALENDAR));
        things.put("/wall/{secret}", () -> "/wall/" + made(SecretAddresses.Kind.WALL));
        things.put("{name}", this::photo);
        things.put("{code}", () -> ShortCode.of(7));
        things.put("{run}", () -> Long.toString(runOfBatchFive()));
        things.put("{started}", () -> route.startsWith("GET ") ? started() : "1");
        for (Map.Entry<String, Supplier<String>> thing : things.entrySet()) {
            if (page.contains(thing.getKey())) {
                page = page.replace(thing.getKey(), thing.getValue().get());
            }
        }
        return page;
    }
}
