package mezcla.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import mezcla.web.probes.ProbeService;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.web.util.UriComponentsBuilder;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Temperatures that come in by themselves: from probes over HTTP, and from the stand-in. */
public class ProbeTest extends DemoPagesTest {
    @Autowired
    private MockMvc pages;

    @Autowired
    private ProbeService probes;

    @Autowired
    private Clock clock;

    private long id;
    private String token = "";

    @BeforeClass(dependsOnMethods = "springTestContextPrepareTestInstance")
    public void addAProbe() throws Exception {
        token = add("Bath probe");
        id = named("Bath probe");
    }

    private long named(String name) {
        return probes.probes().stream()
                .filter(probe -> probe.name().equals(name))
                .findFirst()
                .orElseThrow()
                .id();
    }

    private String add(String name) throws Exception {
        var answer = pages.perform(post("/probes")
                        .param("probe", name)
                        .param("formKey", UUID.randomUUID().toString())
                        .with(csrf())
                        .with(user(steward())))
                .andReturn();
        assertThat(answer.getResponse().getRedirectedUrl()).isEqualTo("/probes");
        return String.valueOf(answer.getFlashMap().get("token"));
    }

    private MockHttpServletResponse shows(String probe, String token, String json) throws Exception {
        return pages.perform(post("/api/probes/" + probe + "/readings")
                        .header("Authorization", "Bearer " + token)
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(json))
                .andReturn()
                .getResponse();
    }

    @Test
    public void aProbeWithItsTokenIsHeardAndNobodyElse() throws Exception {
        assertThat(token).hasSize(32);
        MockHttpServletResponse taken = shows("" + id, token, "{\"celsius\": 37.8}");
        assertThat(taken.getStatus()).isEqualTo(201);
        assertThat(taken.getContentAsString()).isEqualTo("{\"taken\":1}");
        assertThat(page("/probes", "ines")).contains("37.8 °C at ").doesNotContain(token);
        for (String[] wrong : new String[][] {
            {"" + id, token.substring(1)}, {"" + id, ""}, {"999", token}, {"0x1", token}, {"1 OR 1", token}
        }) {
            MockHttpServletResponse refused = shows(wrong[0], wrong[1], "{\"celsius\": 37.8}");
            assertThat(refused.getStatus()).as(String.join(" ", wrong)).isEqualTo(401);
            assertThat(refused.getHeader("WWW-Authenticate")).isEqualTo("Bearer");
        }
    }

    @Test
    public void severalAreTakenWithTheirTimesOrNone() throws Exception {
        Instant now = clock.instant();
        String list = "{\"readings\": [{\"at\": \"%s\", \"celsius\": 36.1}, {\"at\": \"%s\", \"celsius\": 36.4}]}"
                .formatted(now.minusSeconds(20), now.minusSeconds(10));
        assertThat(shows("" + id, token, list).getContentAsString()).contains("\"taken\":2");
        var known = probes.readings(probes.probe(id), now.minusSeconds(21));
        assertThat(known).extracting(reading -> reading.celsius()).contains(36.1, 36.4);
        int before = probes.readings(probes.probe(id), Instant.EPOCH).size();
        String halfBad = "[{\"celsius\": 30}, {\"at\": \"2020-01-01T00:00:00Z\", \"celsius\": 31}]";
        assertThat(shows("" + id, token, halfBad).getStatus()).isEqualTo(400);
        assertThat(probes.readings(probes.probe(id), Instant.EPOCH)).hasSize(before);
    }

    @DataProvider
    public Object[][] nonsense() {
        return new Object[][] {
            {"", "Send {"},
            {"{", "Send {"},
            {"[]", "Send {"},
            {"7", "Send {"},
            {"{\"celsius\": \"37\"}", "Send {"},
            {"{\"celsius\": null}", "Send {"},
            {"{\"celsius\": 1e9}", "out of range"},
            {"{\"celsius\": -3}", "out of range"},
            {"{\"celsius\": 37, \"at\": 5}", "no moment of the last day"},
            {"{\"celsius\": 37, \"at\": {}}", "no moment of the last day"},
            {"{\"celsius\": 1e999}", "out of range"},
            {"[[37]]", "Send {"},
            {"{\"celsius\": 37, \"at\": \"yesterday\"}", "no moment of the last day"},
            {"{\"celsius\": 37, \"at\": \"2999-01-01T00:00:00Z\"}", "no moment of the last day"},
            {"[" + "{\"celsius\":37},".repeat(500) + "{\"celsius\":37}]", "Send up to 500"},
            {" ".repeat(70_000) + "{\"celsius\":37}", "Send up to 500"},
        };
    }

    @Test(dataProvider = "nonsense")
    public void whatIsNoReadingIsRefusedWithASentence(String sent, String sentence) throws Exception {
        MockHttpServletResponse refused = shows("" + id, token, sent);
        assertThat(refused.getStatus()).isEqualTo(400);
        assertThat(refused.getContentAsString().replace("\\\"", "\"")).contains(sentence);
    }

    @Test
    public void aProbeThatWasRemovedIsNotHeardAnyMore() throws Exception {
        String other = add("Old probe");
        long old = named("Old probe");
        assertThat(shows("" + old, other, "{\"celsius\": 20}").getStatus()).isEqualTo(201);
        send("/probes/" + old + "/removals", "bram");
        assertThat(shows("" + old, other, "{\"celsius\": 20}").getStatus()).isEqualTo(401);
        assertThat(page("/probes", "bram")).doesNotContain("Old probe");
    }

    @Test
    public void aWarmUpGoesByWhatTheProbeShows() throws Exception {
        Instant began = clock.instant().minus(Duration.ofMinutes(10));
        String cold = "{\"at\": \"%s\", \"celsius\": 22}".formatted(clock.instant());
        shows("" + id, token, cold);
        String behind = warm(began);
        assertThat(behind)
                .contains("Bath probe: 22.0 °C")
                .contains("Getting warm, pour at")
                .contains("warm-dot");
        int late = minutes(behind);
        shows("" + id, token, "{\"celsius\": 37.9}");
        assertThat(minutes(warm(began)))
                .as("the bath was quicker than predicted")
                .isLessThan(late);
        assertThat(page("/batches/4/warm-up?probe=999", "ines")).contains("Choose a probe that the house has.");
    }

    private String warm(Instant began) throws Exception {
        return page("/batches/4/warm-up?bath=20&bottles=20&probe=" + id + "&from=" + began.getEpochSecond(), "ines");
    }

    private static int minutes(String page) {
        Matcher found = Pattern.compile("after ([a-z0-9]+) minutes?\\.").matcher(page);
        assertThat(found.find()).isTrue();
        return found.group(1).matches("[0-9]+") ? Integer.parseInt(found.group(1)) : 9;
    }

    @Test
    public void aSimulatedProbeStandsInAtAWarmUp() throws Exception {
        String on = String.valueOf(
                send("/batches/4/warm-up/simulation", "ines", "bath", "24", "bottles", "21", "fault", "NONE")
                        .getRedirectedUrl());
        assertThat(on).startsWith("/batches/4/warm-up?bath=24&bottles=21&probe=");
        assertThat(page(UriComponentsBuilder.fromUriString(on).build().toUriString(), "ines"))
                .containsPattern("Simulated probe: 2[34]\\.[0-9] °C");
        String probe = on.replaceAll(".*probe=([0-9]+).*", "$1");
        assertThat(page("/batches/4/run?formKey=" + UUID.randomUUID(), "ines"))
                .contains("<option value=\"" + probe + "\">the simulated probe of the warm-up</option>");
        assertThat(shows(probe, "", "{\"celsius\": 37}").getStatus())
                .as("it takes nothing")
                .isEqualTo(401);
    }

    @Test
    public void whatAProbeShowsDuringARunIsLoggedAndAStandInsFiguresAreNot() throws Exception {
        String second = add("Second probe");
        long probe = named("Second probe");
        String measured = run("" + probe);
        String at = Long.toString(clock.instant().toEpochMilli() - 60_000);
        String pours =
                "[{\"n\":1,\"at\":%s,\"kind\":\"POUR\",\"step\":0,\"value\":0},{\"n\":2,\"at\":%s,\"kind\":\"POUR\",\"step\":1,\"value\":0}]"
                        .formatted(at, at);
        send(measured + "/events", "ines", "events", pours);
        shows("" + probe, second, "{\"celsius\": 36.5}");
        String answer = send(measured + "/events", "ines", "events", "[]").getContentAsString();
        assertThat(answer).contains("Second probe: 36.5").contains("\"step\":1").contains("more.\"");
        assertThat(page(measured, "ines")).containsPattern("id=\"temperature[0-9]+\"[^>]*value=\"36.5");
        send(measured + "/call-off", "ines", "why", "a try");
        String simulated = run("HEATER_OFF");
        send(simulated + "/events", "ines", "events", pours);
        assertThat(send(simulated + "/events", "ines", "events", "[]").getContentAsString())
                .contains("Simulated probe: 38.");
        assertThat(page(simulated, "ines")).doesNotContainPattern("id=\"temperature[0-9]+\"[^>]*value=\"3");
        send(simulated + "/call-off", "ines", "why", "a try");
    }

    @Test(dependsOnMethods = "whatAProbeShowsDuringARunIsLoggedAndAStandInsFiguresAreNot")
    public void adviceIsGivenWhereTheHouseWantsItAlone() throws Exception {
        send("/house/habits", "bram", "scans", "yes");
        String run = run("" + id);
        String at = Long.toString(clock.instant().toEpochMilli() - 60_000);
        send(
                run + "/events",
                "ines",
                "events",
                "[{\"n\":1,\"at\":%s,\"kind\":\"POUR\",\"step\":1,\"value\":0}]".formatted(at));
        shows("" + id, token, "{\"celsius\": 36.5}");
        assertThat(send(run + "/events", "ines", "events", "[]").getContentAsString())
                .contains("\"advice\":\"\"");
        send("/house/habits", "bram", "scans", "yes", "advises", "yes");
        assertThat(send(run + "/events", "ines", "events", "[]").getContentAsString())
                .contains("more.\"");
        assertThat(page(run + "/ribbon", "ines")).contains("id=\"code\"");
        send("/house/habits", "bram", "advises", "yes");
        assertThat(page(run + "/ribbon", "ines")).doesNotContain("id=\"code\"");
        send("/house/habits", "bram", "scans", "yes", "advises", "yes");
        send(run + "/call-off", "ines", "why", "a try");
    }

    private String run(String probe) throws Exception {
        return start("ines", 4, "135-36", "2", "probe", probe);
    }

    @Test(priority = 1)
    public void aProbeThatSendsTooOftenIsToldToWaitAndOthersAreNot() throws Exception {
        String second = add("Another probe");
        long other = named("Another probe");
        int waited = 0;
        for (int i = 0; i < 200; i++) {
            MockHttpServletResponse answer = shows("" + other, second, "{\"celsius\": 37.8}");
            if (answer.getStatus() == 429) {
                waited++;
                assertThat(answer.getHeader("Retry-After")).isEqualTo("60");
            }
        }
        assertThat(waited).isPositive();
        assertThat(shows("" + id, token, "{\"celsius\": 37.8}").getStatus()).isEqualTo(201);
    }
}
