package mezcla.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import mezcla.batch.Bottling;
import mezcla.web.house.HouseService;
import mezcla.web.log.DarkroomLog;
import mezcla.web.run.RunService;
import mezcla.web.shell.Members;
import mezcla.web.shell.SignedIn;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.web.util.HtmlUtils;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Every field of every form, with everything that should not be typed into it. */
public class BadInputTest extends DemoApplicationTest {
    /** What a field takes, and so what it refuses. */
    private enum Takes {
        WORDS("", "   ", "x".repeat(500)),
        OPTIONAL_WORDS("x".repeat(500)),
        VOLUME("", "   ", "abc", "-3", "0", "99999999", "NaN", "Infinity", "500 °C", "1,200", "12 oz", SCRIPT),
        OPTIONAL_VOLUME("abc", "-3", "0", "99999999", "NaN", "500 °C", "1,200", SCRIPT),
        AMOUNT("", "   ", "abc", "-3", "0", "99999999", "NaN", "5 °C", SCRIPT),
        COUNT("", "   ", "two", "-3", "0", "99", "1.5", "NaN", "3 ml", SCRIPT),
        ROLLS_DONE("", "   ", "many", "-3", "9999", "NaN", "3 ml", SCRIPT),
        OPTIONAL_TIME("abc", "-3", "0", "3:75", "9:99:99", "NaN", "200 ml", SCRIPT),
        OPTIONAL_DEGREES("abc", "-3", "900", "NaN", "38 ml", SCRIPT),
        DIFFERENCE("", "   ", "abc", "99", "NaN", "1 ml", SCRIPT),
        OPTIONAL_MOMENT("yesterday", "2999-01-01T10:00", "1999-01-01T10:00", "-3", "NaN", SCRIPT),
        DAY("", "   ", "yesterday", "2999-01-01", "-3", "0", "NaN", SCRIPT),
        OPTIONAL_DAY("yesterday", "2999-01-01", "-3", "0", "NaN", SCRIPT),
        MONEY("", "   ", "free", "-3", "12.345", "99999999", "NaN", "3 ml", SCRIPT),
        OPTIONAL_MONEY("free", "-3", "12.345", "99999999", "NaN", "3 ml", SCRIPT),
        PUSH("", "none", "-3", "9", "999999", "NaN", SCRIPT),
        CHOICE("", "none", "-3", "0", "999999", "NaN", SCRIPT),
        OPTIONAL_CHOICE("none", "-3", "0", "999999", "NaN", SCRIPT),
        SIGN_IN_NAME("", "   ", "a", "two words", "ines", SCRIPT),
        PASSWORD("", "short", "é".repeat(60)),
        PIN("12", "abcd", "-1234", "123456789", SCRIPT),
        TIME_ZONE("", "   ", "Mars", "-3", SCRIPT),
        OPTIONAL_ADDRESS("darkroom", "ftp://darkroom", "javascript:alert(1)", SCRIPT);

        private final List<String> refused;

        Takes(String... refused) {
            this.refused = List.of(refused);
        }
    }

    private static final String SCRIPT = "<script>alert(1)</script>";

    /** A form: where it goes, who sends it, a good example, and what each field takes. */
    private record Form(String page, String who, Map<String, String> good, Map<String, Takes> fields) {
        @Override
        public String toString() {
            return page;
        }
    }

    @Autowired
    private MockMvc pages;

    @Autowired
    private Members members;

    @Autowired
    private DarkroomLog log;

    @Autowired
    private RunService runs;

    @Autowired
    private HouseService houses;

    private long started;

    @BeforeClass(dependsOnMethods = "springTestContextPrepareTestInstance")
    public void startARun() throws Exception {
        String page = send(new Form("/batches/4/starts", "ines", film(), Map.of()), Map.of("seen", "" + runs.lastRow()))
                .getRedirectedUrl();
        long bleachFix = log.state().batch(6).fills().get(2).id();
        send(
                new Form("/batches/6/discards", "bram", Map.of(), Map.of()),
                Map.of("fills", "" + bleachFix, "routes[" + bleachFix + "]", "SILVER_BEARING", "reason", "spilled"));
        started = Long.parseLong(String.valueOf(page).replaceAll("\\D", ""));
    }

    private static Map<String, String> film() {
        return new LinkedHashMap<>(Map.of(
                "film[0].count", "1", "film[0].format", "120", "film[0].owner", "Ines", "push", "0", "tank", "1"));
    }

    private static Map<String, String> with(Map<String, String> good, String... more) {
        Map<String, String> all = new LinkedHashMap<>(good);
        for (int i = 0; i < more.length; i += 2) {
            all.put(more[i], more[i + 1]);
        }
        return all;
    }

    private static Map<String, Takes> filmFields() {
        return new LinkedHashMap<>(Map.of(
                "film[0].count", Takes.COUNT,
                "film[0].owner", Takes.WORDS,
                "film[0].format", Takes.CHOICE,
                "push", Takes.PUSH,
                "tank", Takes.CHOICE));
    }

    private List<Form> forms() {
        long developer = log.state().batch(4).fills().get(0).id();
        String free = Bottling.beside(log.state()).freeFor(1200, houses.bottles()).stream()
                .map(bottle -> Long.toString(bottle.id()))
                .findFirst()
                .orElseThrow();
        Map<String, Takes> runFields = filmFields();
        runFields.put("when", Takes.OPTIONAL_MOMENT);
        Map<String, Takes> endFields = filmFields();
        endFields.remove("tank");
        endFields.put("times[" + developer + "]", Takes.OPTIONAL_TIME);
        endFields.put("temperatures[" + developer + "]", Takes.OPTIONAL_DEGREES);
        endFields.put("when", Takes.OPTIONAL_MOMENT);
        Map<String, String> adoption = Map.of(
                "leaflet",
                "1",
                "volumes[dev]",
                "800",
                "bottles[dev]",
                "30",
                "rolls",
                "3",
                "mixed",
                "2026-01-05",
                "name",
                "Found");
        Map<String, String> tool =
                Map.of("tool", "Burette", "toolKind", "CYLINDER", "toolCapacity", "50", "toolGraduation", "1");
        return List.of(
                new Form("/batches/4/runs", "ines", film(), runFields),
                new Form("/batches/4/starts", "ines", film(), filmFields()),
                new Form(
                        "/batches/2/overrides",
                        "ines",
                        with(film(), "why", "a test strip"),
                        Map.of("why", Takes.WORDS)),
                new Form("/runs/" + started + "/end", "ines", film(), endFields),
                new Form("/runs/" + started + "/call-off", "ines", Map.of("why", "no"), Map.of("why", Takes.WORDS)),
                new Form("/fills/" + developer + "/spills", "ines", Map.of(), Map.of("spilled", Takes.VOLUME)),
                new Form("/fills/" + developer + "/measurements", "ines", Map.of(), Map.of("measured", Takes.VOLUME)),
                new Form("/fills/" + developer + "/bars", "ines", Map.of(), Map.of("why", Takes.WORDS)),
                new Form(
                        "/fills/9/moves",
                        "ines",
                        Map.of("bottle", free, "place", "1", "air", "NOTHING"),
                        Map.of("bottle", Takes.CHOICE, "place", Takes.OPTIONAL_CHOICE, "air", Takes.CHOICE)),
                new Form(
                        "/fills/7/top-ups",
                        "ines",
                        Map.of("volume", "10", "kit", "3"),
                        Map.of("volume", Takes.VOLUME, "kit", Takes.CHOICE)),
                new Form(
                        "/batches/2/renewals",
                        "bram",
                        Map.of("bath", "dev", "volume", "500", "kit", "7", "bottle", free, "route", "DEVELOPERS"),
                        Map.of(
                                "volume",
                                Takes.VOLUME,
                                "kit",
                                Takes.CHOICE,
                                "bottle",
                                Takes.CHOICE,
                                "route",
                                Takes.OPTIONAL_CHOICE)),
                new Form("/batches/4/notes", "ines", Map.of(), Map.of("note", Takes.WORDS)),
                new Form("/batches/6/guests", "ines", Map.of(), Map.of("fill", Takes.CHOICE)),
                new Form("/batches/5/leaflets", "bram", Map.of(), Map.of("reason", Takes.WORDS)),
                new Form("/batches/4/discards", "bram", Map.of("fills", "" + developer), Map.of("reason", Takes.WORDS)),
                new Form("/journal/1/void", "bram", Map.of(), Map.of("reason", Takes.WORDS)),
                new Form(
                        "/kits/7/batches",
                        "ines",
                        Map.of("volume", "500", "name", "Trial", "bottles[dev]", free),
                        Map.of("volume", Takes.VOLUME, "name", Takes.WORDS, "bottles[dev]", Takes.CHOICE)),
                new Form(
                        "/kits",
                        "bram",
                        Map.of("leaflet", "1", "price", "50", "delivery", "", "lot", "", "came", ""),
                        Map.of(
                                "leaflet",
                                Takes.CHOICE,
                                "price",
                                Takes.MONEY,
                                "delivery",
                                Takes.OPTIONAL_MONEY,
                                "lot",
                                Takes.OPTIONAL_WORDS,
                                "came",
                                Takes.OPTIONAL_DAY)),
                new Form(
                        "/adoptions",
                        "ines",
                        adoption,
                        Map.of(
                                "leaflet",
                                Takes.CHOICE,
                                "volumes[dev]",
                                Takes.OPTIONAL_VOLUME,
                                "bottles[dev]",
                                Takes.CHOICE,
                                "rolls",
                                Takes.ROLLS_DONE,
                                "mixed",
                                Takes.DAY,
                                "name",
                                Takes.WORDS)),
                new Form(
                        "/house/members",
                        "bram",
                        Map.of("name", "Ruben", "signInName", "ruben", "password", "hang it to dry"),
                        Map.of("name", Takes.WORDS, "signInName", Takes.SIGN_IN_NAME, "password", Takes.PASSWORD)),
                new Form("/house/members/1/password", "bram", Map.of(), Map.of("password", Takes.PASSWORD)),
                new Form(
                        "/house/details",
                        "bram",
                        Map.of("houseName", "Tannery", "timeZone", "UTC", "units", "US", "address", ""),
                        Map.of(
                                "houseName",
                                Takes.WORDS,
                                "timeZone",
                                Takes.TIME_ZONE,
                                "units",
                                Takes.CHOICE,
                                "address",
                                Takes.OPTIONAL_ADDRESS)),
                new Form(
                        "/house/me",
                        "ines",
                        Map.of("ownUnits", "", "pin", ""),
                        Map.of("ownUnits", Takes.OPTIONAL_CHOICE, "pin", Takes.PIN)),
                new Form(
                        "/house/tanks",
                        "bram",
                        Map.of("tank", "Big", "tankVolume", "2 L"),
                        Map.of("tank", Takes.WORDS, "tankVolume", Takes.VOLUME)),
                new Form(
                        "/house/bottles",
                        "bram",
                        Map.of("bottle", "Z1", "bottleVolume", "2 L", "material", "GLASS"),
                        Map.of("bottle", Takes.WORDS, "bottleVolume", Takes.VOLUME, "material", Takes.CHOICE)),
                new Form("/house/places", "bram", Map.of(), Map.of("place", Takes.WORDS)),
                new Form(
                        "/house/tools",
                        "bram",
                        tool,
                        Map.of(
                                "tool",
                                Takes.WORDS,
                                "toolKind",
                                Takes.CHOICE,
                                "toolCapacity",
                                Takes.AMOUNT,
                                "toolGraduation",
                                Takes.AMOUNT)),
                new Form(
                        "/house/heaters",
                        "bram",
                        Map.of("heater", "Tub", "heaterOffset", "0"),
                        Map.of("heater", Takes.WORDS, "heaterOffset", Takes.DIFFERENCE)),
                new Form("/house/heaters/1/offset", "bram", Map.of(), Map.of("offset1", Takes.DIFFERENCE)));
    }

    @DataProvider
    public Object[][] badInput() {
        List<Object[]> rows = new ArrayList<>();
        for (Form form : forms()) {
            form.fields()
                    .forEach((field, takes) ->
                            takes.refused.forEach(typed -> rows.add(new Object[] {form, field, typed})));
        }
        return rows.toArray(new Object[0][]);
    }

    @Test(dataProvider = "badInput")
    public void isAnsweredBesideItsFieldAndTheRestIsKept(Form form, String field, String typed) throws Exception {
        int before = log.entries().size();
        MockHttpServletResponse answer = send(form, Map.of(field, typed));
        assertThat(answer.getStatus())
                .as("%s with %s = %s", form.page, field, typed)
                .isBetween(400, 499);
        String page = answer.getContentAsString();
        assertThat(sentenceBeside(page, idOf(form, field)))
                .as("sentence beside %s of %s with %s", field, form.page, typed)
                .isNotBlank()
                .as("a sentence of its own")
                .doesNotContain("That is not possible (");
        assertThat(page).doesNotContain("<script>alert");
        form.good().forEach((other, value) -> {
            if (!other.equals(field) && !value.isEmpty() && isText(form.fields().get(other))) {
                assertThat(page).as("what was typed into " + other).contains("value=\"" + HtmlUtils.htmlEscape(value));
            }
        });
        assertThat(log.entries()).hasSize(before);
    }

    private static boolean isText(Takes takes) {
        return takes != null
                && !takes.name().contains("CHOICE")
                && takes != Takes.PUSH
                && takes != Takes.PASSWORD
                && takes != Takes.PIN;
    }

    private static String sentenceBeside(String page, String id) {
        Matcher beside = Pattern.compile("id=\"" + Pattern.quote(id) + "-error\"[^>]*>([^<]*)<")
                .matcher(page);
        return beside.find() ? beside.group(1) : "";
    }

    /** The field's id on the page, which its sentence is named after. */
    private static String idOf(Form form, String field) {
        if (form.page().startsWith("/house/members/")) {
            return "password1";
        }
        return field.replaceAll("film\\[0\\]\\.(\\w+)", "$10")
                .replaceAll("(time|temperature)s\\[(\\d+)\\]", "$1$2")
                .replaceAll("(volume|bottle)s\\[(\\w+)\\]", "$1-$2");
    }

    private MockHttpServletResponse send(Form form, Map<String, String> instead) throws Exception {
        SignedIn who = (SignedIn) members.loadUserByUsername(form.who());
        MockHttpServletRequestBuilder request = post(form.page())
                .with(csrf())
                .with(user(who))
                .param("formKey", UUID.randomUUID().toString());
        Map<String, String> typed = new LinkedHashMap<>(form.good());
        typed.putAll(instead);
        typed.forEach(request::param);
        return pages.perform(request).andReturn().getResponse();
    }
}
