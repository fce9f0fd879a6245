package mezcla.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.Locale;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import mezcla.log.HouseDecided;
import mezcla.web.access.Members;
import mezcla.web.access.SignedIn;
import mezcla.web.log.DarkroomLog;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.test.annotation.DirtiesContext;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import org.springframework.test.context.testng.AbstractTestNGSpringContextTests;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.testng.annotations.AfterClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** From an empty folder to a house with a steward, members, tanks and bottles. */
@SpringBootTest
@AutoConfigureMockMvc
@DirtiesContext
public class BeginTest extends AbstractTestNGSpringContextTests {
    private static final PrintStream TERMINAL = System.out;
    private static final ByteArrayOutputStream CONSOLE = new ByteArrayOutputStream();
    private static final Pattern CODE = Pattern.compile("type this code: ([A-Z2-9]{10})");

    @Autowired
    private DarkroomLog log;

    @Autowired
    private MockMvc pages;

    @Autowired
    private Members members;

    @DynamicPropertySource
    static void folder(DynamicPropertyRegistry properties) throws IOException {
        System.setOut(new PrintStream(CONSOLE, true, StandardCharsets.UTF_8));
        String folder = Files.createTempDirectory("mezcla-empty").toString();
        properties.add("mezcla.data", () -> folder);
    }

    @AfterClass(alwaysRun = true)
    public void giveTheTerminalBack() {
        System.setOut(TERMINAL);
    }

    private static String code() {
        Matcher matcher = CODE.matcher(CONSOLE.toString(StandardCharsets.UTF_8));
        String code = "";
        while (matcher.find()) {
            code = matcher.group(1);
        }
        return code;
    }

    private static MockHttpServletRequestBuilder begin(String field, String typed) {
        MockHttpServletRequestBuilder request = post("/begin").with(csrf());
        String[][] fields = {
            {"code", code()},
            {"houseName", "Gasworks Darkroom"},
            {"currency", "EUR"},
            {"timeZone", "Europe/Lisbon"},
            {"units", "METRIC"},
            {"address", "http://darkroom.local:8080/"},
            {"name", "Odile"},
            {"signInName", "odile"},
            {"password", "a quiet red lamp"},
        };
        for (String[] each : fields) {
            request = request.param(each[0], each[0].equals(field) ? typed : each[1]);
        }
        return request;
    }

    @DataProvider
    public Object[][] refused() {
        return new Object[][] {
            {"code", "GUESSEDXXX", "That is not the code"},
            {"code", "", "That is not the code"},
            {"houseName", " ", "Something has to stand here"},
            {"currency", "XYZ", "is no currency"},
            {"timeZone", "Atlantis", "is no time zone"},
            {"timeZone", "-3", "is no time zone"},
            {"units", "", "Choose one of the units"},
            {"units", "<script>", "Choose one of the units"},
            {"address", "darkroom", "is not an address"},
            {"address", "javascript:alert(1)", "is not an address"},
            {"houseName", "x".repeat(500), "That is too long"},
            {"currency", "NaN", "is no currency"},
            {"name", "x".repeat(500), "That is too long"},
            {"name", "", "Something has to stand here"},
            {"signInName", "two words", "without spaces"},
            {"signInName", "<script>", "without spaces"},
            {"password", "short", "Use 12 to 72 characters"},
            {"password", "gasworks darkroom", "guess"},
            {"password", "\u00e9".repeat(40), "Use 12 to 72 characters"},
        };
    }

    @Test(dataProvider = "refused")
    public void whatIsRefusedBeginsNothing(String field, String typed, String sentence) throws Exception {
        String page = pages.perform(begin(field, typed))
                .andExpect(status().isUnprocessableContent())
                .andReturn()
                .getResponse()
                .getContentAsString();
        assertThat(page).containsPattern("id=\"" + field + "-error\">[^<]*" + Pattern.quote(sentence));
        assertThat(page).doesNotContain("a quiet red lamp");
        assertThat(members.all()).isEmpty();
    }

    @Test(dependsOnMethods = "whatIsRefusedBeginsNothing")
    public void whoeverGuessesWaitsAndTheCodeStays() throws Exception {
        String before = code();
        for (int i = 0; i < 5; i++) {
            pages.perform(from("10.0.0.66", begin("code", "GUESSEDXXX"))).andExpect(status().isUnprocessableContent());
        }
        pages.perform(from("10.0.0.66", begin("code", before)))
                .andExpect(status().isUnprocessableContent())
                .andExpect(content().string(containsString("Wait a few seconds")));
        assertThat(code()).as("a stranger prints nothing on the console").isEqualTo(before);
        assertThat(members.all()).isEmpty();
    }

    private static MockHttpServletRequestBuilder from(String address, MockHttpServletRequestBuilder request) {
        return request.with(sent -> {
            sent.setRemoteAddr(address);
            return sent;
        });
    }

    @Test(dependsOnMethods = "whoeverGuessesWaitsAndTheCodeStays")
    public void codeMakesTheFirstStewardOnce() throws Exception {
        pages.perform(get("/begin")).andExpect(status().isOk());
        pages.perform(get("/sign-in")).andExpect(redirectedUrl("/begin"));
        pages.perform(begin("code", code().toLowerCase(Locale.ROOT))).andExpect(redirectedUrl("/sign-in?begun"));
        assertThat(members.all()).extracting(SignedIn::name).containsExactly("Odile");
        pages.perform(begin("signInName", "second")).andExpect(redirectedUrl("/sign-in"));
        pages.perform(get("/begin")).andExpect(redirectedUrl("/sign-in"));
        pages.perform(get("/sign-in")).andExpect(content().string(containsString("Gasworks Darkroom")));
        pages.perform(post("/sign-in").with(csrf()).param("name", "ODILE").param("password", "a quiet red lamp"))
                .andExpect(redirectedUrl("/"));
    }

    private SignedIn odile() {
        return (SignedIn) members.loadUserByUsername("odile");
    }

    private MockHttpServletRequestBuilder send(String page, SignedIn who, String... fields) {
        MockHttpServletRequestBuilder request = post(page)
                .with(csrf())
                .with(user(who))
                .param("formKey", UUID.randomUUID().toString());
        for (int i = 0; i < fields.length; i += 2) {
            request = request.param(fields[i], fields[i + 1]);
        }
        return request;
    }

    @Test(dependsOnMethods = "codeMakesTheFirstStewardOnce")
    public void stewardKeepsMembersTanksAndBottles() throws Exception {
        pages.perform(send(
                        "/house/members",
                        odile(),
                        "name",
                        "Ruben",
                        "signInName",
                        "ruben",
                        "password",
                        "hang it to dry"))
                .andExpect(redirectedUrl("/house/members?saved"));
        pages.perform(send("/house/members", odile(), "name", "R", "signInName", "RUBEN", "password", "hang it to dry"))
                .andExpect(status().isUnprocessableContent())
                .andExpect(content().string(containsString("is taken")));
        SignedIn ruben = (SignedIn) members.loadUserByUsername("ruben");
        assertThat(ruben.isSteward()).isFalse();
        pages.perform(send("/house/tanks", odile(), "tank", "Big one", "tankVolume", "1,5 l", "holdsR135", "4"))
                .andExpect(redirectedUrl("/house/things?saved=tank#list-tanks"));
        pages.perform(send("/house/bath", odile(), "litres", "14", "power", "900", "loss", "5"))
                .andExpect(status().is3xxRedirection());
        assertThat(log.book().entries())
                .filteredOn(HouseDecided.class::isInstance)
                .map(HouseDecided.class::cast)
                .filteredOn(row -> row.topic() == HouseDecided.Topic.WATER_BATH)
                .as("that there was none cannot be said again")
                .singleElement()
                .matches(row -> row.setting() == null && row.before().isEmpty());
        pages.perform(send("/house/tanks", odile(), "tank", "big ONE", "tankVolume", "2 l", "holdsR135", "4"))
                .andExpect(status().isUnprocessableContent())
                .andExpect(content().string(containsString("is there already")));
        pages.perform(send("/house/tanks", odile(), "tank", "Other", "tankVolume", "1,200", "holdsR135", "4"))
                .andExpect(status().isUnprocessableContent())
                .andExpect(content().string(containsString("could be 1.2 or 1200 ml")));
        pages.perform(send("/house/bottles", odile(), "bottle", "A1", "bottleVolume", "1 L", "material", "GLASS"))
                .andExpect(redirectedUrl("/house/things?saved=bottle#list-bottles"));
        pages.perform(send("/house/bottles", odile(), "bottle", "A2", "bottleVolume", "1 L", "material", "WOOD"))
                .andExpect(status().isUnprocessableContent())
                .andExpect(content().string(containsString("Choose one of the materials")));
        for (String page :
                new String[] {"/house/members", "/house/tanks", "/house/bottles", "/house/members/1/password"}) {
            pages.perform(send(page, ruben, "name", "X")).andExpect(status().isForbidden());
        }
        pages.perform(get("/bench").with(user(ruben)))
                .andExpect(content().string(containsString("No kit can be mixed from")));
        pages.perform(get("/cupboard").with(user(ruben)))
                .andExpect(content().string(containsString("The cupboard is empty")));
        pages.perform(get("/run").with(user(ruben)))
                .andExpect(content().string(containsString("Nothing is mixed yet")));
        pages.perform(get("/house").with(user(ruben)))
                .andExpect(status().isOk())
                .andExpect(content().string(containsString("Two members, one of them a steward")));
    }

    @Test(dependsOnMethods = "stewardKeepsMembersTanksAndBottles")
    public void wrongPasswordsSlowThatAccountFromThereAlone() throws Exception {
        for (int i = 0; i < 10; i++) {
            pages.perform(from("10.0.0.66", signIn("ruben", "wrong")));
        }
        pages.perform(from("10.0.0.66", signIn("Ruben", "hang it to dry"))).andExpect(redirectedUrl("/sign-in?wait"));
        pages.perform(from("10.0.0.7", signIn("ruben", "hang it to dry"))).andExpect(redirectedUrl("/"));
        for (int i = 0; i < 40; i++) {
            pages.perform(from("10.0.0.7", signIn("nobody" + i, "wrong")));
        }
        pages.perform(from("10.0.0.7", signIn("odile", "a quiet red lamp"))).andExpect(redirectedUrl("/sign-in?wait"));
        pages.perform(from("10.0.0.7", signIn("ruben", "hang it to dry"))).andExpect(redirectedUrl("/"));
        pages.perform(post("/sign-in").with(csrf()).param("name", "odile").param("password", "a quiet red lamp"))
                .andExpect(redirectedUrl("/"));
    }

    private static MockHttpServletRequestBuilder signIn(String name, String password) {
        return post("/sign-in").with(csrf()).param("name", name).param("password", password);
    }

    @Test(dependsOnMethods = "codeMakesTheFirstStewardOnce")
    public void signInIsCarriedByTheBrowser() throws Exception {
        var signedIn = pages.perform(
                        post("/sign-in").with(csrf()).param("name", "odile").param("password", "a quiet red lamp"))
                .andReturn()
                .getResponse();
        var evening = signedIn.getCookie("signed-in");
        assertThat(evening).isNotNull();
        assertThat(evening.isHttpOnly()).isTrue();
        assertThat(evening.getMaxAge()).isEqualTo(30 * 24 * 3600);
        pages.perform(get("/shelf").cookie(evening)).andExpect(status().isOk());
    }
}
