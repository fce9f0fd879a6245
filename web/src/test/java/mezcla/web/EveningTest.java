package mezcla.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import mezcla.batch.BatchState;
import mezcla.batch.Bottling;
import mezcla.batch.FillState;
import mezcla.log.AirKept;
import mezcla.log.RunLogged;
import mezcla.money.FillCosts;
import mezcla.web.access.Members;
import mezcla.web.log.DarkroomLog;
import mezcla.web.settings.HouseService;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.testng.annotations.Test;

/** What members do to shared bottles in an evening, one test an act, each on a batch of its own. */
public class EveningTest extends DemoApplicationTest {
    @Autowired
    private MockMvc pages;

    @Autowired
    private Members members;

    @Autowired
    private HouseService houses;

    @Autowired
    private DarkroomLog log;

    private MockHttpServletRequestBuilder form(String page, String who, String... fields) {
        MockHttpServletRequestBuilder request = post(page)
                .with(csrf())
                .with(user(members.loadUserByUsername(who)))
                .param("formKey", UUID.randomUUID().toString());
        for (int i = 0; i < fields.length; i += 2) {
            request = request.param(fields[i], fields[i + 1]);
        }
        return request;
    }

    private MockHttpServletRequestBuilder film(String page, String who, String count, String... fields) {
        MockHttpServletRequestBuilder request = form(page, who, fields);
        return request.param("film[0].count", count)
                .param("film[0].owner", who)
                .param("film[0].format", "135-36")
                .param("push", "0")
                .param("tank", count.equals("1") ? "1" : "2");
    }

    private String seen() {
        return Long.toString(log.book().entries().size());
    }

    private MockHttpServletResponse send(MockHttpServletRequestBuilder request) throws Exception {
        return pages.perform(request).andReturn().getResponse();
    }

    private static String text(MockHttpServletResponse answer) throws Exception {
        return answer.getContentAsString().replace('\u00a0', ' ');
    }

    private String page(String address, String who) throws Exception {
        return text(send(get(address).with(user(members.loadUserByUsername(who)))));
    }

    private static String ledTo(MockHttpServletResponse answer) {
        assertThat(answer.getStatus()).isEqualTo(302);
        return String.valueOf(answer.getRedirectedUrl()).replace("/ribbon", "");
    }

    private FillState fill(long batch, int position) {
        return log.state().batch(batch).fills().get(position);
    }

    @Test
    public void runInTwoActsIsLoggedAsItReallyWent() throws Exception {
        String run = ledTo(send(film("/batches/4/starts", "ines", "2", "seen", seen())));
        assertThat(page("/shelf", "devi")).containsPattern("In use since [0-9]{2}:[0-9]{2}, Ines");
        assertThat(page("/batches/4", "devi")).contains("In use since").contains("2 × 135-36 of ines");
        assertThat(page(run, "devi"))
                .contains("Colour negative: developer for 3:45")
                .contains("value=\"7:20\"");
        long developer = fill(4, 0).id();
        assertThat(ledTo(send(film(
                        run + "/end",
                        "devi",
                        "1",
                        "times[" + developer + "]",
                        "3:50",
                        "temperatures[" + developer + "]",
                        "101.3 F"))))
                .isEqualTo("/batches/4?logged");
        BatchState batch = log.state().batch(4);
        assertThat(batch.inUse()).isEmpty();
        RunLogged last = batch.runs().get(batch.runs().size() - 1);
        assertThat(last.stamp().who()).isEqualTo("Devi");
        assertThat(last.equivalents()).isEqualTo(1);
        assertThat(last.baths().get(0).seconds()).isEqualTo(230);
        assertThat(last.baths().get(0).celsius()).isBetween(38.49, 38.51);
        assertThat(last.baths().get(1).seconds()).isNull();
        assertThat(page("/journal", "ines")).contains("De 3:50 at 38.5 °C");
        assertThat(page(run, "ines")).contains("This run is over");
        assertThat(text(send(film(run + "/end", "ines", "1")))).contains("This run is over");
    }

    @Test
    public void runThatIsCalledOffFreesWhatItTook() throws Exception {
        BatchState before = log.state().batch(7);
        String run = ledTo(send(film("/batches/7/starts", "ines", "1", "seen", seen())));
        assertThat(text(send(film("/batches/7/starts", "devi", "1", "seen", seen()))))
                .contains("Ines has a run in the")
                .contains("In use since");
        assertThat(text(send(form(run + "/call-off", "devi", "why", "the tank leaked"))))
                .contains("That is for Ines to take back, or a steward.");
        ledTo(send(form(run + "/call-off", "ines", "why", "the tank leaked")));
        assertThat(log.state().batch(7)).isEqualTo(before);
        assertThat(page("/journal", "ines")).contains("Called off the run of entry");
    }

    @Test
    public void startTellsWhatChangedSinceThePlanWasShown() throws Exception {
        String seen = seen();
        ledTo(send(film("/batches/5/runs", "tomasz", "2")));
        MockHttpServletResponse refused = send(film("/batches/5/starts", "ines", "1", "seen", seen));
        assertThat(refused.getStatus()).isEqualTo(422);
        assertThat(text(refused))
                .contains("The batch has moved on since you looked")
                .contains("Tomasz: Ran 2 × 135-36 of tomasz, colour negative")
                .contains("The developer now takes 3:45");
        assertThat(log.state().batch(5).inUse()).isEmpty();
        String again = text(refused).replaceAll("(?s).*name=\"seen\" value=\"([0-9]+)\".*", "$1");
        assertThat(ledTo(send(film("/batches/5/starts", "ines", "1", "seen", again))))
                .startsWith("/runs/");
    }

    @Test
    public void lastRunIsStartedByOneOfTwoBrowsers() throws Exception {
        List<Callable<Integer>> browsers = new ArrayList<>();
        for (String who : List.of("saoirse", "devi")) {
            MockHttpServletRequestBuilder request = film("/batches/6/starts", who, "1", "seen", seen());
            browsers.add(() -> send(request).getStatus());
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
        assertThat(log.state().batch(6).inUse()).hasSize(1);
    }

    @Test
    public void limitIsPassedOnPurposeWithAReasonThatStays() throws Exception {
        MockHttpServletResponse plan = send(film("/batches/2/starts", "ines", "1", "seen", seen()));
        assertThat(plan.getStatus()).isEqualTo(422);
        assertThat(text(plan)).contains("Go past this limit on purpose");
        String next = ledTo(send(film("/batches/2/overrides", "ines", "1", "why", "Test strips, nothing is lost")));
        assertThat(next).startsWith("/batches/2/run?film");
        assertThat(page("/batches/2", "devi")).contains("Ines went past its limit on purpose on");
        String run = ledTo(send(film("/batches/2/starts", "ines", "1", "seen", seen())));
        ledTo(send(film(run + "/end", "ines", "1")));
        assertThat(log.state().batch(2).rolls()).isEqualTo(19);
        assertThat(page("/batches/2", "devi")).contains("limit passed on purpose (over rolls)");
        MockHttpServletResponse useless = send(film("/batches/4/overrides", "ines", "1", "why", "no limit there"));
        assertThat(text(useless)).contains("No limit holds this run back");
    }

    @Test(dependsOnMethods = "limitIsPassedOnPurposeWithAReasonThatStays")
    public void bathIsMixedAfreshAndTheRestStays() throws Exception {
        FillState old = fill(2, 0);
        FillState bleachFix = fill(2, 1);
        String bottle = Long.toString(old.bottle().id());
        String[] renewal = {"bath", "dev", "volume", "1 L", "kit", "7", "bottle", bottle, "route", "DEVELOPERS"};
        assertThat(text(send(form("/batches/2/renewals", "ines", renewal))))
                .contains("Developer still stands there. A steward pours it away first.");
        assertThat(ledTo(send(form("/batches/2/renewals", "bram", renewal)))).isEqualTo("/batches/2?renewed");
        BatchState batch = log.state().batch(2);
        assertThat(batch.fills().get(0).scaledRolls()).isZero();
        assertThat(batch.fills().get(0).overrides()).isEmpty();
        assertThat(batch.fills().get(1)).isEqualTo(bleachFix);
        assertThat(batch.replaced()).extracting(FillState::id).containsExactly(old.id());
        assertThat(FillCosts.of(log.state()).ofFill(batch.fills().get(0).id())).isPresent();
        assertThat(log.state().kit(7).left().get("dev-a")).isLessThan(150);
    }

    @Test
    public void toppingUpTakesPartsOfAKitAndDilutesWhatTheBathHasBehindIt() throws Exception {
        FillState rinse = fill(3, 3);
        String address = "/fills/" + rinse.id();
        assertThat(page(address + "/top-up?volume=15&formKey=" + UUID.randomUUID(), "ines"))
                .contains("Mix 15 ml of final rinse")
                .contains("0.15 ml");
        assertThat(text(send(form(address + "/top-ups", "ines", "volume", "400", "kit", "3"))))
                .contains("A4 has room for 18 ml more.");
        assertThat(ledTo(send(form(address + "/top-ups", "ines", "volume", "15", "kit", "3"))))
                .isEqualTo(address + "?topped");
        FillState after = fill(3, 3);
        assertThat(after.volumeMl()).isEqualTo(rinse.volumeMl() + 15);
        assertThat(after.rolls()).isEqualTo(rinse.rolls());
        assertThat(after.scaledRolls()).isLessThan(rinse.scaledRolls());
    }

    @Test
    public void bottleIsMovedAndItsAirSqueezedOut() throws Exception {
        FillState developer = fill(7, 0);
        String address = "/fills/" + developer.id();
        String same = Long.toString(developer.bottle().id());
        assertThat(ledTo(send(form(address + "/moves", "ines", "bottle", same, "place", "2", "air", "SQUEEZED"))))
                .isEqualTo(address + "?moved");
        assertThat(fill(7, 0).kept().air()).isEqualTo(AirKept.SQUEEZED);
        String glass = Long.toString(Bottling.beside(log.state()).freeFor(1250, houses.bottles()).stream()
                .findFirst()
                .orElseThrow()
                .id());
        assertThat(text(send(form(address + "/moves", "ines", "bottle", glass, "place", "", "air", "SQUEEZED"))))
                .contains("is glass and cannot be squeezed");
        assertThat(text(send(form(
                        address + "/moves",
                        "ines",
                        "bottle",
                        Long.toString(fill(4, 0).bottle().id()),
                        "air",
                        "NOTHING"))))
                .contains("is already spoken for");
        ledTo(send(form(address + "/moves", "ines", "bottle", glass, "place", "", "air", "INERT_GAS")));
        assertThat(fill(7, 0).bottle().id()).isEqualTo(Long.parseLong(glass));
        assertThat(page(address, "ines")).contains("Nobody said where, inert gas over it");
    }

    @Test
    public void standingBatchIsTakenOverAndLendsItsRinse() throws Exception {
        String free = Long.toString(Bottling.beside(log.state()).freeFor(1000, houses.bottles()).stream()
                .findFirst()
                .orElseThrow()
                .id());
        String batch = ledTo(send(form(
                        "/adoptions",
                        "devi",
                        "leaflet",
                        "1",
                        "volumes[dev]",
                        "0,9 l",
                        "bottles[dev]",
                        free,
                        "rolls",
                        "4,5",
                        "mixed",
                        "2026-11-10",
                        "name",
                        "Found at the back")))
                .replace("?mixed", "");
        long id = Long.parseLong(batch.replaceAll("\\D", ""));
        BatchState found = log.state().batch(id);
        assertThat(found.adopted()).isTrue();
        assertThat(found.fills().get(0).rolls()).isEqualTo(4.5);
        String shown = page(batch, "devi");
        assertThat(shown)
                .contains("Taken over")
                .contains("remembered, not noted")
                .contains("Final rinse of batch 4, Oxbow liquid, in C6")
                .contains("Mix the bleach-fix afresh");
        long rinse = fill(4, 2).id();
        assertThat(ledTo(send(form(batch + "/guests", "devi", "fill", Long.toString(rinse)))))
                .isEqualTo(batch + "?shared");
        assertThat(log.state().servedBy(rinse)).extracting(BatchState::id).containsExactly(4L, id);
        assertThat(page("/fills/" + rinse, "devi")).contains("Serves in batch " + id + " as well");
        assertThat(text(send(form(
                        batch + "/guests",
                        "devi",
                        "fill",
                        Long.toString(fill(4, 0).id())))))
                .contains("A developer or a one-shot serves in its own batch alone.");
    }

    @Test
    public void noteComesUpWhenThatKitIsMixedAgain() throws Exception {
        assertThat(page("/kits/7/mix?formKey=" + UUID.randomUUID(), "ines")).doesNotContain("Noted when it was mixed");
        ledTo(send(form("/batches/4/notes", "ines", "note", "try a rinse in between")));
        assertThat(page("/kits/7/mix?formKey=" + UUID.randomUUID(), "devi"))
                .contains("Noted when it was mixed before")
                .containsPattern("try a rinse in between \\(Ines, [0-9]+ [A-Z][a-z]+, batch 4\\)");
    }

    @Test
    public void correctedLeafletShowsBeforeAndAfter() throws Exception {
        String shown = page("/batches/5/leaflet", "bram");
        assertThat(shown).contains("2 of 10").contains("2 of 9");
        assertThat(page("/batches/5", "ines")).contains("A steward can switch this batch to it.");
        ledTo(send(form("/batches/5/leaflets", "bram", "reason", "Misread: nine rolls, not ten")));
        assertThat(fill(5, 0).leaflet().version()).isEqualTo(2);
        assertThat(page("/batches/5", "ines")).contains("of 7–9").doesNotContain("Its leaflet was corrected");
        assertThat(page("/batches/5/leaflet", "bram")).contains("No later version of its leaflet is known.");
    }

    @Test
    public void partsBoughtAloneRenewOneBath() throws Exception {
        String next = ledTo(send(form(
                "/kits",
                "bram",
                "leaflet",
                "1",
                "parts",
                "dev-a",
                "parts",
                "dev-b",
                "count",
                "1",
                "price",
                "21,50",
                "delivery",
                "4")));
        long kit = Long.parseLong(next.replaceAll("\\D", ""));
        assertThat(page("/cupboard", "ines"))
                .contains("Bought alone: makes 1200 ml of developer, to renew it.", "Mix from kit " + kit);
        assertThat(page("/batches/4/renew?bath=dev&kit=" + kit + "&formKey=" + UUID.randomUUID(), "ines"))
                .contains("Kit " + kit + ", Oxbow Negative Liquid 1.2 L: makes 1200 ml");
        assertThat(text(send(form("/kits", "bram", "leaflet", "1", "parts", "dev-z", "count", "1", "price", "21"))))
                .contains("Choose parts of this kit.");
    }

    @Test
    public void fillInUseIsNeitherPouredAwayNorMovedNorMeasured() throws Exception {
        String run = ledTo(send(film("/batches/3/starts", "ines", "1", "seen", seen())));
        FillState developer = fill(3, 0);
        assertThat(text(send(form(
                        "/batches/3/discards",
                        "bram",
                        "fills",
                        Long.toString(developer.id()),
                        "routes[" + developer.id() + "]",
                        "DEVELOPERS",
                        "reason",
                        "old"))))
                .contains("Ines has a run in the developer just now");
        assertThat(text(send(form(
                        "/fills/" + developer.id() + "/moves",
                        "ines",
                        "bottle",
                        Long.toString(developer.bottle().id()),
                        "air",
                        "NOTHING"))))
                .contains("Ines has a run in the developer just now");
        assertThat(text(send(form("/fills/" + developer.id() + "/measurements", "devi", "measured", "180"))))
                .as("what is in the bottle is not all of it")
                .contains("Ines has a run in the developer just now. Wait until it is back in its bottle.");
        ledTo(send(form(run + "/call-off", "ines", "why", "no time")));
    }
}
