package mezcla.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.time.Duration;
import java.util.List;
import java.util.UUID;
import mezcla.batch.BatchState;
import mezcla.leaflet.Leaflet;
import mezcla.log.Bottle;
import mezcla.processing.RunSteps;
import mezcla.verdict.FillLimits;
import mezcla.verdict.RunPlan;
import mezcla.web.access.Members;
import mezcla.web.answers.Planning;
import mezcla.web.batch.BatchService;
import mezcla.web.log.DarkroomLog;
import mezcla.web.settings.HouseService;
import mezcla.web.settings.Owned;
import mezcla.web.settings.things.Tank;
import mezcla.web.sheets.Leaflets;
import mezcla.web.shelf.ShelfService;
import mezcla.web.shelf.ShelfView;
import mezcla.web.warm.WarmService;
import mezcla.web.words.Figures;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.testng.annotations.Test;

/** Whatever page is asked, a batch, a bottle, a kit and a roll are worth the same. */
public class OneAnswerTest extends DemoApplicationTest {
    @Autowired
    private MockMvc pages;

    @Autowired
    private Members members;

    @Autowired
    private DarkroomLog log;

    @Autowired
    private HouseService houses;

    @Autowired
    private Planning planning;

    @Autowired
    private ShelfService shelf;

    @Autowired
    private BatchService batches;

    @Autowired
    private Leaflets leaflets;

    @Autowired
    private WarmService warm;

    private String page(String address, String name) throws Exception {
        MockHttpServletResponse answer = pages.perform(get(address).with(user(members.loadUserByUsername(name))))
                .andReturn()
                .getResponse();
        assertThat(answer.getStatus()).as(address).isIn(200, 422);
        return answer.getContentAsString().replace('\u00a0', ' ');
    }

    private MockHttpServletResponse send(String address, String name, String... fields) throws Exception {
        MockHttpServletRequestBuilder form = post(address)
                .with(user(members.loadUserByUsername(name)))
                .with(csrf())
                .param("formKey", UUID.randomUUID().toString())
                .param("seen", Long.toString(log.book().lastSequence()));
        for (int i = 0; i < fields.length; i += 2) {
            form = form.param(fields[i], fields[i + 1]);
        }
        return pages.perform(form).andReturn().getResponse();
    }

    private void done(String address, String name, String... fields) throws Exception {
        MockHttpServletResponse answer = send(address, name, fields);
        assertThat(answer.getStatus())
                .as(address + " " + answer.getContentAsString())
                .isEqualTo(302);
    }

    private static String label(String labels, String bath) {
        for (String each : labels.split("<article class=\"bottle-label\"")) {
            if (each.contains("<span>" + bath + "</span></h2>")) {
                return each;
            }
        }
        throw new AssertionError("no label of the " + bath);
    }

    @Test
    public void aLabelSaysWhatTheShelfSaysInEverySchool() throws Exception {
        String process = "colour-negative";
        try {
            for (String school : List.of("LEAFLET", "CAREFUL", "STRETCH")) {
                done("/house/schools", "bram", "process", process, "school-" + process, school);
                RunPlan plan = planning.nextRoll(log.state().batch(4));
                String labels = page("/batches/4/labels", "ines");
                for (FillLimits limits : plan.limits()) {
                    String label = label(labels, limits.fill().bath().role().name());
                    if (limits.lastDay() != null) {
                        assertThat(label)
                                .as(school)
                                .containsPattern("(?i)last day (about )?" + Figures.dayAndYear(limits.lastDay()));
                    }
                    if (limits.rollsInAll() != null) {
                        long boxes = label.split("aria-hidden=\"true\"[^>]*>[0-9]+</span>", -1).length - 1L;
                        assertThat(boxes).as(school).isEqualTo((long) Math.min(24, limits.rollsInAll() + 1e-9));
                        assertThat(limits.rollsInAll())
                                .as("what is done and what the Shelf says is left")
                                .isEqualTo(limits.fill().rolls()
                                        + plan.verdict()
                                                .fill(limits.fill().bath().key())
                                                .rollsLeft());
                    }
                }
            }
        } finally {
            done("/house/schools", "bram", "process", process, "school-" + process, "LEAFLET");
        }
    }

    @Test
    public void changedLimitsAskForItsLabelAgain() throws Exception {
        assertThat(page("/batches/2", "ines")).doesNotContain("print its label again");
        try {
            done("/leaflets/1/limits/dev", "bram", "rolls-dev", "9", "days-dev", "", "reason-dev", "cast at ten");
            assertThat(page("/batches/2", "ines")).contains("print its label again");
        } finally {
            done("/leaflets/1/limits/dev", "bram", "rolls-dev", "", "days-dev", "", "reason-dev", "back to the print");
        }
        assertThat(page("/batches/2", "ines")).doesNotContain("print its label again");
    }

    private Tank rotary() {
        return houses.tanks().stream()
                .filter(tank -> tank.rotaryMl() != null)
                .findFirst()
                .orElseThrow();
    }

    @Test
    public void afterARotaryRunEveryPageSaysTheRotaryTime() throws Exception {
        BatchState before = log.state().batches().values().stream()
                .filter(batch -> !batch.ended()
                        && batch.fills().stream().anyMatch(fill -> fill.bath().rotarySeconds() != null)
                        && planning.nextRoll(batch).fits())
                .findFirst()
                .orElseThrow();
        long id = before.id();
        String process = before.process().key();
        done(
                "/batches/" + id + "/runs",
                "devi",
                "film[0].count",
                "1",
                "film[0].owner",
                "Devi",
                "film[0].format",
                "135-36",
                "push",
                "0",
                "madeFor",
                process,
                "tank",
                "" + rotary().id(),
                "movement",
                "ROTARY",
                "done",
                "true");
        RunPlan plan = planning.nextRoll(log.state().batch(id));
        assertThat(plan.question().tank().turning()).isTrue();
        String time = plan.imageDeveloper().orElseThrow().shown().orElseThrow().toString();
        RunPlan byHand = RunPlan.of(log.state().batch(id), planning.nextRoll());
        assertThat(byHand.baths()).as("some bath takes another time by hand").anyMatch(bath -> !bath.shown()
                .equals(plan.baths().stream()
                        .filter(each -> each.fill().id() == bath.fill().id())
                        .findFirst()
                        .orElseThrow()
                        .shown()));
        assertThat(batches.batch(id).crate()).isNotNull();
        assertThat(batches.batch(id).crate().time()).isEqualTo(time);
        assertThat(batches.batch(id).crate().history()).contains("rotary");
        for (RunPlan.PlannedBath bath : plan.baths()) {
            String shown = bath.shown().orElseThrow().toString();
            assertThat(batches.batch(id).fills())
                    .filteredOn(fill -> fill.id() == bath.fill().id())
                    .first()
                    .extracting(fill -> fill.time())
                    .isEqualTo(shown);
            assertThat(page("/batches/" + id + "/run?formKey=" + UUID.randomUUID(), "tomasz"))
                    .as("another member's plan")
                    .contains(shown);
            assertThat(page("/batches/" + id + "/card", "tomasz")).contains(shown);
        }
        ShelfView view = shelf.shelf();
        assertThat(view.boards().stream()
                        .flatMap(board -> board.crates().stream())
                        .filter(crate -> crate.id() == id)
                        .findFirst()
                        .orElseThrow()
                        .time())
                .isEqualTo(time);
    }

    @Test
    public void aRunAndAnEveningWarmTheSameForAsLong() throws Exception {
        RunPlan plan = planning.nextRoll(log.state().batch(4));
        Duration warming =
                warm.warming(plan, plan.steps(RunSteps.Choices.USUAL)).orElseThrow();
        assertThat(warming).isPositive();
        Tank tank = houses.tanks().get(0);
        RunPlan own = RunPlan.of(plan.batch(), planning.question(plan.question().rolls(), tank));
        assertThat(warm.warming(own, own.steps(RunSteps.Choices.USUAL)).orElseThrow())
                .as("water comes from the taps, so the tank makes no difference")
                .isEqualTo(warming);
    }

    private static String bottle(List<Bottle> bottles, String label) {
        return bottles.stream()
                .filter(each -> each.label().equals(label))
                .map(each -> Long.toString(each.id()))
                .findFirst()
                .orElseThrow();
    }

    @Test
    public void whatWasTakenOverSaysItsRollsAndItsDay() throws Exception {
        houses.add(new Owned.OfBottle("Attic-1", 1000, Bottle.Material.PLASTIC));
        houses.add(new Owned.OfBottle("Attic-2", 1000, Bottle.Material.PLASTIC));
        List<Bottle> all = houses.bottles();
        String mixed = planning.nextRoll()
                .at()
                .minus(Duration.ofDays(9))
                .atZone(houses.house().timeZone())
                .toLocalDate()
                .toString();
        done(
                "/adoptions",
                "bram",
                "leaflet",
                "1",
                "volumes[dev]",
                "500",
                "bottles[dev]",
                bottle(all, "Attic-1"),
                "volumes[bx]",
                "500",
                "bottles[bx]",
                bottle(all, "Attic-2"),
                "rolls",
                "7",
                "cost",
                "28.00",
                "mixed",
                mixed,
                "name",
                "From the attic");
        long id = log.state().batches().keySet().stream().max(Long::compare).orElseThrow();
        assertThat(batches.batch(id).crate()).isNotNull();
        assertThat(batches.batch(id).crate().history().replace('\u00a0', ' ')).isEqualTo("7 rolls · 9 days");
        assertThat(batches.batch(id).facts()).containsKeys("Mixed", "Taken over");
        assertThat(batches.batch(id).facts().get("Film so far").replace('\u00a0', ' '))
                .isEqualTo("About seven rolls before it was taken over");
        assertThat(batches.batch(id).cost().soFar()).isEqualTo("4.00");
    }

    @Test(priority = 1)
    public void aMistypedLeafletIsSaidOnEveryPageUntilItIsSwitched() throws Exception {
        String key = "oxbow-negative-liquid";
        Leaflet wrong = leaflets.latest(key);
        long wrongId = leaflets.idOf(wrong);
        String file = leaflets.file(wrongId);
        String right = file.replace("\"seconds\" : 2", "\"seconds\" : 3");
        assertThat(right).isNotEqualTo(file);
        done(
                "/leaflets/imports",
                "bram",
                "document",
                right,
                "why",
                "MISTYPED",
                "revised",
                "every time is a hundred seconds longer");
        long rightId = leaflets.idOf(leaflets.latest(key));
        assertThat(leaflets.isWithdrawn(wrongId)).isTrue();
        assertThat(log.state().kits().values())
                .filteredOn(kit -> kit.arrival().leaflet().key().equals(key) && !kit.isFinished())
                .isNotEmpty()
                .allMatch(kit -> kit.arrival().leaflet().version() == wrong.version() + 1);
        BatchState batch = log.state().standing().stream()
                .filter(each -> each.leaflet().key().equals(key)
                        && each.fills().stream().anyMatch(fill -> fill.corrected() != null)
                        && planning.nextRoll(each).fits())
                .findFirst()
                .orElseThrow();
        RunPlan plan = planning.nextRoll(batch);
        String said = "was mistyped. By version " + (wrong.version() + 1) + " it is";
        for (String address :
                List.of("/batches/%d", "/batches/%d/card", "/batches/%d/run?formKey=" + UUID.randomUUID())) {
            assertThat(page(address.formatted(batch.id()), "ines")).as(address).contains(said);
        }
        assertThat(page("/shelf", "ines")).contains("Leaflet mistyped");
        assertThat(label(page("/batches/" + batch.id() + "/labels", "ines"), "Developer"))
                .contains("Mistyped leaflet");
        assertThat(page("/leaflets/" + rightId + "/switch", "ines"))
                .contains("still go")
                .doesNotContain("Switch all of them");
        assertThat(send("/leaflets/" + rightId + "/switch", "ines").getStatus()).isEqualTo(403);
        done("/leaflets/" + rightId + "/switch", "bram");
        RunPlan switched = planning.nextRoll(log.state().batch(batch.id()));
        assertThat(switched.imageDeveloper().orElseThrow().shown())
                .isNotEqualTo(plan.imageDeveloper().orElseThrow().shown());
        assertThat(page("/batches/" + batch.id(), "ines")).doesNotContain(said).contains("print its label again");
        assertThat(page("/leaflets/" + rightId + "/switch", "ines"))
                .contains("Every bottle goes by the corrected leaflet");
        assertThat(send("/leaflets/" + rightId + "/switch", "bram").getStatus())
                .as("nothing is left to switch")
                .isEqualTo(422);
    }

    @Test
    public void aBoxMayHoldAnotherPrint() throws Exception {
        long kit = log.state().kits().values().stream()
                .filter(each -> each.arrival().leaflet().key().equals("kiln-lane-negative-powder")
                        && each.arrival().leaflet().version() == 1)
                .findFirst()
                .orElseThrow()
                .id();
        long print = leaflets.idOf(leaflets.latest("kiln-lane-negative-powder"));
        assertThat(page("/kits/" + kit, "bram")).contains("Its box holds another print");
        assertThat(send("/kits/" + kit + "/leaflet", "bram", "print", "" + print, "printWhy", "")
                        .getStatus())
                .isEqualTo(422);
        done("/kits/" + kit + "/leaflet", "bram", "print", "" + print, "printWhy", "the sheet says so");
        assertThat(log.state().kit(kit).arrival().leaflet().version()).isEqualTo(2);
        assertThat(page("/kits/" + kit, "ines")).contains("Its box holds this one, as Bram said on");
        assertThat(page("/journal", "ines")).contains("holds version 2 of its leaflet");
    }
}
