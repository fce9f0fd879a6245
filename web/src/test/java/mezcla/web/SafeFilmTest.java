package mezcla.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import mezcla.batch.BatchState;
import mezcla.log.LimitOverridden;
import mezcla.log.LogEntry;
import mezcla.log.Roll;
import mezcla.log.RunLogged;
import mezcla.measure.FilmFormat;
import mezcla.verdict.RunPlan;
import mezcla.web.access.Members;
import mezcla.web.access.SignedIn;
import mezcla.web.answers.Planning;
import mezcla.web.log.DarkroomLog;
import mezcla.web.settings.HouseService;
import mezcla.web.settings.Owned;
import mezcla.web.settings.things.Tank;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.transaction.support.TransactionTemplate;
import org.testng.annotations.Test;

/** No wrong film, no tank that does not hold it, no limit passed for more than it was passed for. */
public class SafeFilmTest extends DemoApplicationTest {
    private static final Pattern OPTION = Pattern.compile("<option value=\"(\\d+)\"([^>]*)>");

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
    private TransactionTemplate transaction;

    private SignedIn who(String name) {
        return (SignedIn) members.loadUserByUsername(name);
    }

    private String page(String address, String name) throws Exception {
        MockHttpServletResponse answer = pages.perform(get(java.net.URI.create(
                                address.replace("[", "%5B").replace("]", "%5D").replace(" ", "%20")))
                        .with(user(who(name))))
                .andReturn()
                .getResponse();
        assertThat(answer.getStatus()).as(address).isIn(200, 422);
        return answer.getContentAsString().replace('\u00a0', ' ');
    }

    private MockHttpServletResponse send(String address, String name, String... fields) throws Exception {
        MockHttpServletRequestBuilder form = post(address)
                .with(user(who(name)))
                .with(csrf())
                .param("formKey", UUID.randomUUID().toString())
                .param("seen", Long.toString(log.book().lastSequence()));
        for (int i = 0; i < fields.length; i += 2) {
            form = form.param(fields[i], fields[i + 1]);
        }
        return pages.perform(form).andReturn().getResponse();
    }

    private static String[] film(String count, String format, long tank, String... more) {
        List<String> fields = new ArrayList<>(List.of(
                "film[0].count",
                count,
                "film[0].owner",
                "Devi",
                "film[0].format",
                format,
                "push",
                "0",
                "tank",
                "" + tank));
        fields.addAll(List.of(more));
        return fields.toArray(new String[0]);
    }

    private static String ownPlan(long batch, String count, String format, long tank) {
        return "/batches/%d/run?film[0].count=%s&film[0].owner=Devi&film[0].format=%s&push=0&tank=%d&formKey=%s"
                .formatted(batch, count, format, tank, UUID.randomUUID());
    }

    private Tank tank(String name) {
        return houses.tanks().stream()
                .filter(tank -> tank.name().equals(name))
                .findFirst()
                .orElseThrow();
    }

    /** The value that a select shows. */
    private static String chosen(String page, String select) {
        String part = page.substring(page.indexOf("<select id=\"" + select + "\""));
        Matcher options = OPTION.matcher(part.substring(0, part.indexOf("</select>")));
        while (options.find()) {
            if (options.group(2).contains("selected")) {
                return options.group(1);
            }
        }
        return "";
    }

    private LogEntry last() {
        List<LogEntry> rows = log.book().entries();
        return rows.get(rows.size() - 1);
    }

    @Test
    public void warmingUpFirstBringsTheFilmBack() throws Exception {
        String plan = ownPlan(4, "1", "120", tank("500 ml tank").id());
        Matcher link =
                Pattern.compile("href=\"(/batches/4/warm-up\\?plan=[^\"]+)\"").matcher(page(plan, "devi"));
        assertThat(link.find()).isTrue();
        String warm = page(link.group(1).replace("&amp;", "&"), "devi");
        Matcher back = Pattern.compile("class=\"btn btn-main\" href=\"(/batches/4/run\\?[^\"]+)\"")
                .matcher(warm);
        assertThat(back.find()).isTrue();
        String again = page(back.group(1).replace("&amp;", "&") + "&formKey=" + UUID.randomUUID(), "devi");
        assertThat(again).contains("value=\"120\" selected");
        assertThat(chosen(again, "tank")).isEqualTo("" + tank("500 ml tank").id());
    }

    @Test
    public void theNextPlanBeginsWithTheTankAndChoicesOfTheLastRunThatWasLoggedAsDone() throws Exception {
        assertThat(send(
                                "/batches/4/runs",
                                "saoirse",
                                film("1", "120", tank("1 L tank").id(), "done", "true", "between", "STRAIGHT"))
                        .getStatus())
                .isEqualTo(302);
        String next = page("/batches/4/run?formKey=" + UUID.randomUUID(), "saoirse");
        assertThat(chosen(next, "tank")).isEqualTo("" + tank("1 L tank").id());
        assertThat(next).contains("value=\"STRAIGHT\" selected");
        assertThat(page("/mine", "saoirse")).contains("begins with the tank, agitation and choices");
        assertThat(page("/mine", "tomasz")).doesNotContain("begins with the tank");
    }

    @Test
    public void aStepThatCannotBeReadLeavesThePlanAsPrinted() throws Exception {
        String plan = ownPlan(4, "1", "120", tank("500 ml tank").id());
        String page = page(plan + "&steps[developer].time=abc", "devi");
        assertThat(page).contains("step-developer-error\">“abc”", ">Start colour negative");
        assertThat(page(plan + "&film[0].exposures=abc", "devi"))
                .as("film that cannot be read has no plan")
                .doesNotContain(">Start colour negative");
    }

    @Test
    public void aTankWhoseReelsNobodyDescribedTakesNothingButAsks() throws Exception {
        transaction.executeWithoutResult(status -> houses.add(new Owned.OfTank("Steel tank", 250)));
        long steel = tank("Steel tank").id();
        assertThat(page(ownPlan(4, "1", "135-36", steel), "bram"))
                .contains("Nobody has said which reels this tank takes", "/house/tanks/" + steel)
                .doesNotContain(">Start colour negative");
        assertThat(send("/batches/4/starts", "devi", film("1", "135-36", steel)).getStatus())
                .isEqualTo(422);
        assertThat(page("/shelf", "bram")).contains("Which reels does the Steel tank take?");
        MockHttpServletResponse without = send("/house/tanks", "bram", "tank", "Another", "tankVolume", "300 ml");
        assertThat(without.getStatus()).isEqualTo(422);
        assertThat(without.getContentAsString()).contains("how many reels of each kind");
        transaction.executeWithoutResult(status ->
                houses.change(steel, new Owned.OfTank("Steel tank", 250, null, null, Map.of(FilmFormat.Reel.R135, 1))));
        assertThat(page(ownPlan(4, "1", "135-36", steel), "bram")).doesNotContain("which reels");
    }

    @Test
    public void theSmallTankOfTheDemonstrationHoldsOneReelOf135AndNothingElse() throws Exception {
        long small = tank("300 ml tank").id();
        for (String[] film : new String[][] {{"1", "120"}, {"3", "135-36"}, {"1", "Super 8 (15 m)"}}) {
            assertThat(send("/batches/4/starts", "devi", film(film[0], film[1], small))
                            .getStatus())
                    .as(film[0] + " × " + film[1])
                    .isEqualTo(422);
        }
        assertThat(chosen(
                        page(
                                "/batches/4/run?film[0].count=1&film[0].owner=Devi&film[0].format=120&push=0&formKey="
                                        + UUID.randomUUID(),
                                "devi"),
                        "tank"))
                .as("a tank that nobody chose is one that the film goes into")
                .isNotEqualTo("" + small);
    }

    @Test
    public void aRunAsksWhichFilmItIsWhereMoreThanOneProcessStandsOnTheShelf() throws Exception {
        long tank = tank("500 ml tank").id();
        assertThat(send("/batches/4/starts", "devi", film("1", "120", tank, "madeFor", ""))
                        .getContentAsString())
                .contains("Which film is this?");
        MockHttpServletResponse slides =
                send("/batches/4/starts", "devi", film("1", "120", tank, "madeFor", "colour-slide"));
        assertThat(slides.getStatus()).isEqualTo(422);
        assertThat(slides.getContentAsString()).contains("made for colour slide", "Cross-process on purpose");
        assertThat(page("/shelf", "devi")).contains("Which film is it?", "madeFor=colour-negative");
        assertThat(page(
                        "/shelf?film[0].count=1&film[0].format=120&push=0&tank=" + tank + "&process=colour-negative",
                        "devi"))
                .doesNotContain("Which film is it?");
        String plan = page(ownPlan(4, "1", "120", tank), "devi");
        assertThat(plan).contains("Colour negative: developer for", ">Start colour negative, ");
    }

    /** Six rolls of film in a small tank are too much; passed once, they are too much again. */
    @Test
    public void whatWasPassedForOneLoadIsAskedAgainForTheNext() throws Exception {
        transaction.executeWithoutResult(
                status -> houses.add(new Owned.OfTank("Tall tank", 300, null, null, Map.of(FilmFormat.Reel.R135, 8))));
        long tall = tank("Tall tank").id();
        long batch = log.state().standing().stream()
                .filter(each -> tooMuch(each, tall))
                .map(BatchState::id)
                .findFirst()
                .orElseThrow();
        String[] six = film("6", "135-36", tall);
        assertThat(send("/batches/" + batch + "/starts", "devi", six).getStatus())
                .isEqualTo(422);
        String plan = String.valueOf(send(
                        "/batches/" + batch + "/overrides",
                        "devi",
                        film("6", "135-36", tall, "why", "the harbour festival is tomorrow"))
                .getRedirectedUrl());
        assertThat(last()).isInstanceOf(LimitOverridden.class);
        Matcher passed = Pattern.compile("passed=(\\d+)").matcher(plan);
        assertThat(passed.find()).isTrue();
        assertThat(send("/batches/" + batch + "/starts", "devi", six).getStatus())
                .as("without what was passed")
                .isEqualTo(422);
        MockHttpServletResponse started =
                send("/batches/" + batch + "/starts", "devi", film("6", "135-36", tall, "passed", passed.group(1)));
        assertThat(started.getStatus()).isEqualTo(302);
        String run = String.valueOf(started.getRedirectedUrl()).replaceAll("\\D", "");
        send("/runs/" + run + "/call-off", "devi", "why", "only a try");
        assertThat(send("/batches/" + batch + "/starts", "devi", film("6", "135-36", tall, "passed", passed.group(1)))
                        .getStatus())
                .as("the next load, with what was passed for the first")
                .isEqualTo(422);
    }

    private boolean tooMuch(BatchState batch, long tank) {
        Roll roll = new Roll("Devi", FilmFormat.F135_36, 1, 0, false);
        RunPlan plan = RunPlan.of(batch, planning.question(java.util.Collections.nCopies(6, roll), houses.tank(tank)));
        return plan.objections().size() == 1 && plan.objections().get(0).key().equals("too-much-film");
    }

    @Test
    public void aBatchThatIsToBeTestedSaysHowAndTheClipIsLoggedFromItsPlan() throws Exception {
        BatchState batch = log.state().standing().stream()
                .filter(each -> {
                    RunPlan plan = planning.nextRoll(each);
                    return plan.isToBeTested()
                            && plan.fits()
                            && plan.verdict().reasons().stream()
                                    .anyMatch(reason -> reason.code().words().startsWith("test-"));
                })
                .findFirst()
                .orElseThrow();
        long developer = batch.imageDeveloper().orElseThrow().id();
        String address = ownPlan(batch.id(), "1", "135-36", tank("500 ml tank").id());
        String plan = page(address, "devi");
        assertThat(plan).contains("Test before film that matters", "Develop a snip of film first", "I tested it");
        MockHttpServletResponse refused = send(
                "/batches/" + batch.id() + "/loads",
                "devi",
                film("1", "135-36", tank("500 ml tank").id(), "irreplaceable", "true"));
        assertThat(refused.getStatus()).isEqualTo(422);
        Matcher back =
                Pattern.compile("name=\"back\" value=\"(/batches[^\"]+)\"").matcher(plan);
        assertThat(back.find()).isTrue();
        MockHttpServletResponse tested = send(
                "/fills/" + developer + "/clips",
                "devi",
                "result",
                "GOOD",
                "back",
                back.group(1).replace("&amp;", "&"));
        assertThat(tested.getRedirectedUrl()).startsWith("/batches/" + batch.id() + "/run?");
        assertThat(last().kind().key()).isEqualTo("fill-inspected");
        assertThat(page(address, "devi")).doesNotContain("Test before film that matters");
    }

    @Test
    public void theCardOfABatchThatIsTurnedIsForTheRotaryBaseInAllItSays() throws Exception {
        long batch = 4;
        Tank large = tank("1 L tank");
        assertThat(send(
                                "/batches/" + batch + "/runs",
                                "devi",
                                film("1", "135-36", large.id(), "done", "true", "movement", "ROTARY"))
                        .getStatus())
                .isEqualTo(302);
        String card = page("/batches/" + batch + "/card", "devi");
        Tank turned = planning.turnedTank().orElseThrow();
        assertThat(card).contains("in the " + turned.name() + ", rotary").doesNotContain("Invert the tank");
        Matcher told = Pattern.compile("name=\"told1\" value=\"([^\"]+)\"").matcher(card);
        assertThat(told.find()).isTrue();
        assertThat(send(
                                "/batches/" + batch + "/ticks",
                                "devi",
                                "ticked1",
                                "true",
                                "owner1",
                                "Devi",
                                "format1",
                                "135-36",
                                "tank",
                                "" + turned.id(),
                                "turned",
                                "true",
                                "told1",
                                told.group(1))
                        .getStatus())
                .isEqualTo(302);
        RunLogged run = (RunLogged) last();
        assertThat(run.turned()).isTrue();
        assertThat(run.baths()).allMatch(bath -> told.group(1).contains(bath.fillId() + ":" + bath.seconds()));
        assertThat(run.stamp().recordedAt()).isAfter(Instant.now().minus(5, ChronoUnit.MINUTES));
    }

    @Test
    public void aMemberMayBeStricterThanTheHouseForTheirOwnFilm() throws Exception {
        String plan = "/batches/4/run?film[0].count=1&film[0].format=135-36&push=0&tank=1&formKey=" + UUID.randomUUID()
                + "&film[0].owner=";
        pages.perform(post("/house/me")
                .param("formKey", UUID.randomUUID().toString())
                .param("ownUnits", "")
                .param("pin", "")
                .param("careful", "true")
                .with(csrf())
                .with(user(who("tomasz"))));
        assertThat(page("/house/you", "tomasz")).containsPattern("name=\"careful\"[^>]*checked");
        assertThat(page(plan + "Tomasz", "bram")).contains("Cautious limits count, as Tomasz asked for their own film");
        assertThat(page(plan + "Ines", "bram")).doesNotContain("Cautious limits count");
        pages.perform(post("/house/me")
                .param("formKey", UUID.randomUUID().toString())
                .param("ownUnits", "")
                .param("pin", "")
                .with(csrf())
                .with(user(who("tomasz"))));
        assertThat(page(plan + "Tomasz", "bram")).doesNotContain("Cautious limits count");
    }
}
