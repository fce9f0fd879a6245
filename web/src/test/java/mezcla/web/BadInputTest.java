package mezcla.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.lang.reflect.ParameterizedType;
import java.net.URI;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.regex.MatchResult;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import mezcla.batch.Bottling;
import mezcla.batch.ShortCode;
import mezcla.leaflet.BathRole;
import mezcla.verdict.StandIns;
import mezcla.web.access.Members;
import mezcla.web.access.SignedIn;
import mezcla.web.forms.declared.FieldKind;
import mezcla.web.forms.declared.Sent;
import mezcla.web.log.DarkroomLog;
import mezcla.web.run.course.RunService;
import mezcla.web.settings.HouseService;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.config.AutowireCapableBeanFactory;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.util.AntPathMatcher;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
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
        WATER("", "   ", "abc", "-3", "99999999", "NaN", "500 °C", "1,200", SCRIPT),
        AMOUNT("", "   ", "abc", "-3", "0", "99999999", "NaN", "5 °C", SCRIPT),
        /** A field that this page does not show, or that another example tries. */
        NOT_HERE(),
        FIGURES("", "   ", "two", "-3", "1.5", "NaN", "3 ml", SCRIPT),
        OPTIONAL_FIGURES("two", "-3", "1.5", "NaN", "3 ml", SCRIPT),
        COUNT("", "   ", "two", "-3", "0", "99", "1.5", "NaN", "3 ml", SCRIPT),
        HOW_MANY("", "   ", "two", "-3", "0", "99", "1.5", "NaN", "3 ml", SCRIPT),
        OPTIONAL_ROLLS_DONE("many", "-3", "9999", "NaN", "3 ml", SCRIPT),
        ROLLS_DONE("", "   ", "many", "-3", "9999", "NaN", "3 ml", SCRIPT),
        OPTIONAL_TIME("abc", "-3", "0", "3:75", "9:99:99", "NaN", "200 ml", SCRIPT),
        OPTIONAL_DEGREES("abc", "-3", "900", "NaN", "38 ml", SCRIPT),
        DIFFERENCE("", "   ", "abc", "99", "NaN", "1 ml", SCRIPT),
        OPTIONAL_HOUR("late", "25:00", "-3", "19", SCRIPT),
        OPTIONAL_MOMENT("yesterday", "2999-01-01T10:00", "1999-01-01T10:00", "-3", "NaN", SCRIPT),
        MOMENT("", "   ", "yesterday", "1999-01-01T10:00", "-3", "NaN", SCRIPT),
        WRONG_PASSWORD("", "another password"),
        TABLE("", "   "),
        DAY("", "   ", "yesterday", "2999-01-01", "-3", "0", "NaN", SCRIPT),
        OPTIONAL_DAY("yesterday", "2999-01-01", "-3", "0", "NaN", SCRIPT),
        MONEY("", "   ", "free", "-3", "12.345", "99999999", "NaN", "3 ml", SCRIPT),
        OPTIONAL_MONEY("free", "-3", "12.345", "99999999", "NaN", "3 ml", SCRIPT),
        PUSH("", "none", "-3", "9", "999999", "NaN", SCRIPT),
        CHOICE("", "none", "-3", "0", "999999", "NaN", SCRIPT),
        CODE("", "   ", "abc", "-3", "0", "2345", "NaN", SCRIPT),
        CHOICE_BUT_ZERO("", "none", "-3", "999999", "NaN", SCRIPT),
        OPTIONAL_CHOICE("none", "-3", "0", "999999", "NaN", SCRIPT),
        SIGN_IN_NAME("", "   ", "a", "two words", "ines", SCRIPT),
        PASSWORD("", "short", "é".repeat(60)),
        PIN("12", "abcd", "-1234", "123456789", SCRIPT),
        TIME_ZONE("", "   ", "Mars", "-3", SCRIPT),
        TIME("", "   ", "abc", "-3", "0", "3:75", "9:99:99", "NaN", "200 ml", SCRIPT),
        DEGREES("", "   ", "abc", "-3", "900", "NaN", "38 ml", SCRIPT),
        OPTIONAL_TOLERANCE("abc", "-3", "NaN", "3 ml", SCRIPT),
        OPTIONAL_PART("none", "-3", "7", "999999", "NaN", SCRIPT),
        RANGE("", "   ", "abc", "-3", "16-12", "NaN", SCRIPT),
        OPTIONAL_RANGE("abc", "-3", "0", "16-12", "NaN", "3 ml", SCRIPT),
        OPTIONAL_DAYS("abc", "-3", "0", "99999", "NaN", "3 ml", SCRIPT),
        OPTIONAL_PERCENTAGE("abc", "-3", "0", "101", "NaN", "3 ml", SCRIPT),
        OPTIONAL_MINUTES("abc", "-3", "0", "999", "1.5", SCRIPT),
        OPTIONAL_DILUTION("abc", "-3", "0 + 1", "1", SCRIPT),
        OPTIONAL_LINES("abc", "-3", "0", "NaN 3:15", SCRIPT),
        OPTIONAL_AMOUNT("abc", "-3", "99999999", "NaN", "5 °C", SCRIPT),
        PART_LEVEL("", "   ", "abc", "-3", "99999999", "NaN", "5 °C", SCRIPT),
        DRYING("", "   ", "abc", "-3", "0", "9", "1441", "1.5", "NaN", SCRIPT),
        WEEKS("", "   ", "abc", "-3", "99", "1.5", "NaN", SCRIPT),
        VIALS("", "   ", "abc", "-3", "0", "100", "1.5", "NaN", SCRIPT),
        FIGURE("", "   ", "abc", "-3", "NaN", SCRIPT),
        OPTIONAL_EXPOSURES("abc", "-3", "0", "41", "1.5", "NaN", SCRIPT),
        OPTIONAL_CORRECTION("abc", "61", "-61", "1.5", "NaN", SCRIPT),
        OPTIONAL_REELS("abc", "-3", "100", "1.5", SCRIPT),
        OPTIONAL_LIMIT("abc", "-3", "0", "1000", "NaN", "3 ml", SCRIPT),
        OPTIONAL_ADDRESS("darkroom", "ftp://darkroom", "javascript:alert(1)", SCRIPT);

        private final List<String> refused;

        Takes(String... refused) {
            this.refused = List.of(refused);
        }
    }

    /** Where a sheet that is begun for the asking is typed in. */
    private static final String DRAFT = "/leaflets/drafts/{draft}";

    private static final int ALL_OF_THEM = 2;

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

    @Autowired
    private AutowireCapableBeanFactory beans;

    @Autowired
    private RequestMappingHandlerMapping mappings;

    private EveryRoute every = new EveryRoute();

    private long started;

    /** The sheet that is typed again and again. */
    private String draft = "";

    @BeforeClass(dependsOnMethods = "springTestContextPrepareTestInstance")
    public void startARun() throws Exception {
        every = beans.createBean(EveryRoute.class);
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
                "film[0].count", "1", "film[0].format", "120", "film[0].owner", "Ines", "push", "0", "tank", "2"));
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

    /** What each component of a declared form takes, as its type says; a form says for itself only what no type does. */
    private static final Map<FieldKind, List<Takes>> BY_KIND = Map.of(
            FieldKind.WORDS, List.of(Takes.WORDS, Takes.OPTIONAL_WORDS),
            FieldKind.CHOICE, List.of(Takes.CHOICE, Takes.OPTIONAL_CHOICE),
            FieldKind.NUMBER, List.of(Takes.CHOICE, Takes.OPTIONAL_CHOICE),
            FieldKind.COUNT, List.of(Takes.FIGURES, Takes.OPTIONAL_FIGURES),
            FieldKind.FIGURE, List.of(Takes.FIGURE, Takes.FIGURE),
            FieldKind.VOLUME, List.of(Takes.VOLUME, Takes.OPTIONAL_VOLUME),
            FieldKind.TEMPERATURE, List.of(Takes.DEGREES, Takes.OPTIONAL_DEGREES),
            FieldKind.MONEY, List.of(Takes.MONEY, Takes.OPTIONAL_MONEY),
            FieldKind.DAY, List.of(Takes.DAY, Takes.OPTIONAL_DAY),
            FieldKind.DAY_TO_COME, List.of(Takes.DAY, Takes.OPTIONAL_DAY));

    private Form declared(Form form) {
        Map<String, Takes> fields = new LinkedHashMap<>(form.fields());
        String route = route(form.page());
        mappings.getHandlerMethods().forEach((mapping, method) -> {
            if (mapping.getPatternValues().contains(route)
                    && mapping.getMethodsCondition().getMethods().contains(RequestMethod.POST)) {
                Arrays.stream(method.getMethodParameters())
                        .filter(parameter -> parameter.getParameterType() == Sent.class)
                        .map(parameter -> (Class<?>)
                                ((ParameterizedType) parameter.getGenericParameterType()).getActualTypeArguments()[0])
                        .flatMap(type -> FieldKind.single(type).stream())
                        .filter(component -> BY_KIND.containsKey(FieldKind.of(component)))
                        .forEach(component -> fields.putIfAbsent(
                                FieldKind.field(
                                        component,
                                        new AntPathMatcher().extractUriTemplateVariables(route, form.page())),
                                BY_KIND.get(FieldKind.of(component)).get(FieldKind.isOptional(component) ? 1 : 0)));
            }
        });
        return new Form(form.page(), form.who(), form.good(), fields);
    }

    private List<Form> forms() {
        Set<String> seen = new TreeSet<>();
        return said().stream()
                .map(form -> seen.add(route(form.page())) ? declared(form) : form)
                .toList();
    }

    private List<Form> said() {
        long developer = log.state().batch(4).fills().get(0).id();
        String free = Bottling.beside(log.state()).freeFor(1200, houses.bottles()).stream()
                .map(bottle -> Long.toString(bottle.id()))
                .findFirst()
                .orElseThrow();
        Map<String, Takes> runFields = filmFields();
        runFields.put("when", Takes.OPTIONAL_MOMENT);
        runFields.put("film[0].exposures", Takes.OPTIONAL_EXPOSURES);
        runFields.put("correction", Takes.OPTIONAL_CORRECTION);
        runFields.put("madeFor", Takes.OPTIONAL_CHOICE);
        runFields.put("backing", Takes.CHOICE);
        runFields.put("steps[developer].time", Takes.OPTIONAL_TIME);
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
        endFields.put("correction", Takes.OPTIONAL_CORRECTION);
        endFields.put("film[0].exposures", Takes.OPTIONAL_EXPOSURES);
        endFields.put("film[0].name", Takes.OPTIONAL_WORDS);
        endFields.put("film[0].guest", Takes.OPTIONAL_WORDS);
        endFields.put("madeFor", Takes.OPTIONAL_CHOICE);
        endFields.put("backing", Takes.CHOICE);
        endFields.put("hangs", Takes.OPTIONAL_WORDS);
        endFields.put("air", Takes.OPTIONAL_CHOICE);
        runFields.put("film[0].name", Takes.OPTIONAL_WORDS);
        runFields.put("film[0].guest", Takes.OPTIONAL_WORDS);
        Map<String, Takes> queueFields = filmFields();
        queueFields.remove("tank");
        queueFields.put("process", Takes.CHOICE);
        queueFields.put("by", Takes.OPTIONAL_DAY);
        return List.of(
                new Form(
                        "/queue",
                        "ines",
                        with(film(), "process", "colour-negative", "by", "", "here", "yes"),
                        queueFields),
                new Form(
                        "/house/clock/corrections",
                        "bram",
                        Map.of("from", "3", "really", "2026-01-05T10:00"),
                        Map.of("from", Takes.CHOICE, "really", Takes.MOMENT)),
                new Form(
                        "/me/password",
                        "bram",
                        Map.of("old", "count-the-rolls", "password", "hang it to dry", "again", "hang it to dry"),
                        Map.of("old", Takes.WRONG_PASSWORD, "password", Takes.PASSWORD, "again", Takes.WRONG_PASSWORD)),
                new Form("/house/device", "bram", Map.of(), Map.of("deviceName", Takes.WORDS)),
                new Form(
                        "/house/read-in",
                        "bram",
                        Map.of("kind", "TOOLS", "text", "x"),
                        Map.of("kind", Takes.CHOICE, "text", Takes.TABLE)),
                new Form(
                        "/house/stand-ins",
                        "bram",
                        standIns(),
                        Map.of("life-developer", Takes.OPTIONAL_DAYS, "rolls-fixer", Takes.OPTIONAL_LIMIT)),
                new Form("/fills/11/lifts", "bram", Map.of(), Map.of("why", Takes.WORDS)),
                new Form("/leaflets/drafts", "bram", Map.of("shape", "TWO_BATHS"), Map.of("shape", Takes.CHOICE)),
                new Form("/queue/3/stages", "ines", Map.of(), Map.of("stage", Takes.CHOICE)),
                new Form("/queue/loads", "ines", Map.of(), Map.of("loads", Takes.CHOICE)),
                new Form(
                        "/money/payments",
                        "bram",
                        Map.of("account", "Devi", "back", "account", "amount", "12.40", "note", "box"),
                        Map.of("account", Takes.NOT_HERE)),
                new Form("/money/payments", "bram", Map.of("amount", "12.40"), Map.of("account", Takes.CHOICE)),
                new Form(
                        "/money/corrections",
                        "bram",
                        Map.of("account", "Devi", "how", "TAKE", "by", "2", "reason", "twice"),
                        Map.of("account", Takes.NOT_HERE)),
                new Form(
                        "/money/charging",
                        "bram",
                        Map.of("process", "colour-slide", "how", "price", "price", "6"),
                        Map.of("process", Takes.CHOICE, "price", Takes.MONEY)),
                new Form(
                        "/money/laboratory",
                        "bram",
                        Map.of("lab-process", "colour-slide", "laboratory", "14"),
                        Map.of("lab-process", Takes.CHOICE, "laboratory", Takes.MONEY)),
                new Form(
                        "/money/equipment",
                        "bram",
                        Map.of("what", "a tub", "cost", "80"),
                        Map.of("what", Takes.WORDS, "cost", Takes.MONEY)),
                new Form(
                        "/waste/1/collections",
                        "bram",
                        Map.of(),
                        Map.of("firm-1", Takes.OPTIONAL_WORDS, "receipt-1", Takes.OPTIONAL_WORDS)),
                new Form("/batches/4/runs", "ines", film(), runFields),
                new Form("/batches/4/starts", "ines", film(), filmFields()),
                new Form(
                        "/batches/2/overrides",
                        "ines",
                        with(film(), "why", "a test strip"),
                        Map.of("why", Takes.WORDS)),
                new Form("/runs/" + started + "/end", "ines", film(), endFields),
                new Form(
                        "/runs/" + started + "/abandonment",
                        "ines",
                        Map.of("why", "no", "reached", "" + developer),
                        Map.of("why", Takes.WORDS)),
                new Form("/batches/4/loads", "ines", film(), filmFields()),
                new Form(
                        "/batches/4/warm-up/simulation",
                        "ines",
                        Map.of("bath", "20", "bottles", "20", "fault", "NONE"),
                        Map.of("bath", Takes.DEGREES, "bottles", Takes.DEGREES, "fault", Takes.CHOICE)),
                new Form("/probes", "bram", Map.of(), Map.of("probe", Takes.WORDS)),
                new Form(
                        "/house/tanks/2",
                        "bram",
                        Map.of("tank", "Half a litre", "tankVolume", "500 ml", "tankRotary", "300", "holdsR135", "2"),
                        Map.of(
                                "tank",
                                Takes.WORDS,
                                "tankVolume",
                                Takes.VOLUME,
                                "tankRotary",
                                Takes.OPTIONAL_VOLUME,
                                "tankLeast",
                                Takes.OPTIONAL_VOLUME,
                                "holdsR135",
                                Takes.OPTIONAL_REELS)),
                new Form(
                        "/house/bath",
                        "bram",
                        Map.of("litres", "12", "power", "300", "loss", "8"),
                        Map.of("litres", Takes.FIGURE, "power", Takes.FIGURE, "loss", Takes.FIGURE)),
                new Form("/practice/members/1/first-run", "bram", Map.of(), Map.of("run1", Takes.CHOICE)),
                new Form("/runs/" + started + "/call-off", "ines", Map.of("why", "no"), Map.of("why", Takes.WORDS)),
                new Form("/fills/" + developer + "/spills", "ines", Map.of(), Map.of("spilled", Takes.VOLUME)),
                new Form("/fills/" + developer + "/measurements", "ines", Map.of(), Map.of("measured", Takes.VOLUME)),
                new Form("/fills/" + developer + "/bars", "ines", Map.of(), Map.of("why", Takes.WORDS)),
                new Form(
                        "/fills/9/moves",
                        "ines",
                        Map.of("bottle", free, "place", "1", "air", "NOTHING"),
                        Map.of(
                                "bottle",
                                Takes.CHOICE,
                                "place",
                                Takes.OPTIONAL_CHOICE,
                                "air",
                                Takes.CHOICE,
                                "since",
                                Takes.OPTIONAL_DAY)),
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
                new Form(
                        "/batches/4/discards",
                        "bram",
                        Map.of("fills", "" + developer, "routes[" + developer + "]", "DEVELOPERS", "reason", "old"),
                        Map.of("reason", Takes.WORDS, "routes[" + developer + "]", Takes.CHOICE)),
                new Form("/journal/1/void", "bram", Map.of(), Map.of("reason", Takes.WORDS)),
                new Form(
                        "/kits/7/batches",
                        "ines",
                        Map.of("volume", "500", "name", "Trial", "bottles[dev]", free),
                        Map.of(
                                "volume",
                                Takes.VOLUME,
                                "name",
                                Takes.WORDS,
                                "bottles[dev]",
                                Takes.CHOICE,
                                "place",
                                Takes.OPTIONAL_CHOICE,
                                "air",
                                Takes.OPTIONAL_CHOICE)),
                new Form(
                        "/kits/7/mixes",
                        "ines",
                        Map.of("volume", "500", "name", "Trial", "bottles[dev]", free, "read", "true"),
                        Map.of(
                                "volume",
                                Takes.VOLUME,
                                "name",
                                Takes.WORDS,
                                "bottles[dev]",
                                Takes.CHOICE,
                                "volumes[dev]",
                                Takes.OPTIONAL_VOLUME,
                                "partsFor",
                                Takes.OPTIONAL_VOLUME,
                                "second",
                                Takes.OPTIONAL_CHOICE)),
                new Form(
                        "/mixes/1/ticks",
                        "ines",
                        Map.of("act", "2"),
                        Map.of("poured", Takes.OPTIONAL_AMOUNT, "celsius", Takes.NOT_HERE)),
                new Form("/mixes/1/abandon", "ines", Map.of(), Map.of("why", Takes.WORDS)),
                new Form(
                        "/batches/4/ticks",
                        "ines",
                        Map.of("ticked1", "true", "owner1", "Ines", "format1", "120", "day1", "", "tank", "2"),
                        Map.of(
                                "owner1",
                                Takes.WORDS,
                                "format1",
                                Takes.CHOICE,
                                "day1",
                                Takes.OPTIONAL_DAY,
                                "tank",
                                Takes.CHOICE)),
                new Form(
                        "/kits/3/openings",
                        "ines",
                        Map.of("opened", "dev-a"),
                        Map.of("opened", Takes.CHOICE, "openedOn", Takes.OPTIONAL_DAY)),
                new Form(
                        "/kits/3/prices",
                        "bram",
                        Map.of("price", "50", "delivery", "4", "pricedWhy", "swapped"),
                        Map.of(
                                "price",
                                Takes.MONEY,
                                "delivery",
                                Takes.OPTIONAL_MONEY,
                                "other",
                                Takes.OPTIONAL_MONEY,
                                "pricedWhy",
                                Takes.WORDS)),
                new Form(
                        "/kits/3/decantings",
                        "ines",
                        Map.of("decanted", "dev-c", "vials", "6"),
                        Map.of(
                                "decanted",
                                Takes.CHOICE,
                                "vials",
                                Takes.VIALS,
                                "vialHolds",
                                Takes.OPTIONAL_AMOUNT,
                                "decantedOn",
                                Takes.OPTIONAL_DAY)),
                new Form(
                        "/kits/3/corrections",
                        "ines",
                        Map.of("corrected", "dev-c", "left", "80", "correctedWhy", "spilled"),
                        Map.of("corrected", Takes.CHOICE, "left", Takes.PART_LEVEL, "correctedWhy", Takes.WORDS)),
                new Form(
                        "/kits/3/losses",
                        "ines",
                        Map.of("gone", "dev-c", "goneAmount", "5", "route", "DEVELOPERS", "goneWhy", "brown"),
                        Map.of(
                                "gone",
                                Takes.CHOICE,
                                "goneAmount",
                                Takes.VOLUME,
                                "route",
                                Takes.CHOICE,
                                "goneWhy",
                                Takes.WORDS,
                                "goneOn",
                                Takes.OPTIONAL_DAY)),
                new Form(
                        "/kits/3/moves",
                        "ines",
                        Map.of("moved", "dev-c", "to", "9"),
                        Map.of("moved", Takes.CHOICE, "to", Takes.CHOICE)),
                new Form(
                        "/batches/5/looks/"
                                + log.state().batch(5).runs().get(0).stamp().sequence(),
                        "ines",
                        Map.of("roll", "0", "result", "GOOD"),
                        Map.of("roll", Takes.CHOICE_BUT_ZERO, "result", Takes.CHOICE, "note", Takes.OPTIONAL_WORDS)),
                new Form(
                        "/fills/" + developer + "/looks",
                        "ines",
                        Map.of("sign", "DARK"),
                        Map.of("sign", Takes.CHOICE, "note", Takes.OPTIONAL_WORDS)),
                new Form(
                        "/walk",
                        "ines",
                        Map.of("code", ShortCode.of(developer), "level", "", "sign", ""),
                        Map.of("code", Takes.CODE, "level", Takes.OPTIONAL_VOLUME, "sign", Takes.OPTIONAL_CHOICE)),
                new Form(
                        "/batches/4/warm-up/tub",
                        "ines",
                        Map.of("litres", "12", "power", "800", "loss", "8"),
                        Map.of("litres", Takes.FIGURE, "power", Takes.FIGURE, "loss", Takes.FIGURE)),
                new Form(
                        "/batches/4/warm-up/readings",
                        "ines",
                        Map.of(
                                "bottle",
                                "" + developer,
                                "meanwhile",
                                "38",
                                "first",
                                "20",
                                "second",
                                "25",
                                "minutes",
                                "10"),
                        Map.of(
                                "bottle",
                                Takes.CHOICE,
                                "meanwhile",
                                Takes.DEGREES,
                                "first",
                                Takes.DEGREES,
                                "second",
                                Takes.DEGREES,
                                "minutes",
                                Takes.FIGURE)),
                new Form(
                        "/waste",
                        "bram",
                        Map.of("drum", "Red drum", "kind", "OTHERS", "capacity", "20 L"),
                        Map.of("drum", Takes.WORDS, "kind", Takes.CHOICE, "capacity", Takes.VOLUME)),
                new Form(
                        "/leaflets/1/limits/dev",
                        "bram",
                        Map.of("rolls-dev", "20", "days-dev", "40", "reason-dev", "good so far"),
                        Map.of(
                                "rolls-dev",
                                Takes.OPTIONAL_LIMIT,
                                "days-dev",
                                Takes.OPTIONAL_LIMIT,
                                "reason-dev",
                                Takes.WORDS)),
                new Form(
                        "/fills/" + developer + "/clips",
                        "ines",
                        Map.of("result", "GOOD"),
                        Map.of(
                                "result",
                                Takes.CHOICE,
                                "method",
                                Takes.OPTIONAL_WORDS,
                                "exposure",
                                Takes.OPTIONAL_WORDS,
                                "reading",
                                Takes.OPTIONAL_WORDS)),
                new Form(
                        "/house/schools",
                        "bram",
                        Map.of("process", "colour-negative"),
                        Map.of("school-colour-negative", Takes.CHOICE)),
                new Form(
                        "/house/places/1/climate",
                        "bram",
                        Map.of("quarter0", "20", "quarter1", "20", "quarter2", "20", "quarter3", "20", "light", "DARK"),
                        Map.of("quarter0", Takes.DEGREES, "quarter3", Takes.DEGREES, "light", Takes.CHOICE)),
                sheet("box", boxFields()),
                sheet("mixing-0", mixingFields()),
                sheet("times-0", timesFields()),
                sheet("movement", movementFields()),
                sheet("lasts", lastsFields()),
                sheet("examples", Map.of("examples", Takes.OPTIONAL_LINES)),
                new Form(
                        "/leaflets/1/retypings",
                        "ines",
                        Map.of(),
                        Map.of(
                                "KIT_AMOUNT__dev-a_0",
                                Takes.VOLUME,
                                "TIME_dev__0",
                                Takes.TIME,
                                "TEMPERATURE_dev__0",
                                Takes.DEGREES,
                                "ROLLS_dev__0",
                                Takes.RANGE)),
                new Form(
                        "/house/surroundings",
                        "bram",
                        Map.of(
                                "coldWater",
                                "12",
                                "hotWater",
                                "58",
                                "room",
                                "19",
                                "deliveryWeeks",
                                "4",
                                "dryMinutes",
                                "90",
                                "eveningEnds",
                                "22:30"),
                        Map.of(
                                "coldWater",
                                Takes.DEGREES,
                                "hotWater",
                                Takes.DEGREES,
                                "room",
                                Takes.DEGREES,
                                "deliveryWeeks",
                                Takes.WEEKS,
                                "dryMinutes",
                                Takes.DRYING,
                                "eveningEnds",
                                Takes.OPTIONAL_HOUR)),
                new Form(
                        "/house/jugs",
                        "bram",
                        Map.of("jug", "Bucket", "jugVolume", "5 L"),
                        Map.of("jug", Takes.WORDS, "jugVolume", Takes.VOLUME)),
                new Form(
                        "/kits",
                        "bram",
                        Map.of("leaflet", "1", "price", "50", "delivery", "", "lot", "", "came", ""),
                        Map.of(
                                "other",
                                Takes.OPTIONAL_MONEY,
                                "count",
                                Takes.HOW_MANY,
                                "note",
                                Takes.OPTIONAL_WORDS,
                                "paidBy",
                                Takes.OPTIONAL_CHOICE,
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
                                "bathRolls[dev]",
                                Takes.OPTIONAL_ROLLS_DONE,
                                "cost",
                                Takes.OPTIONAL_MONEY,
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
                        Map.of(
                                "houseName",
                                "Tannery",
                                "timeZone",
                                "UTC",
                                "units",
                                "US",
                                "address",
                                "",
                                "currency",
                                "NZD"),
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
                        Map.of("tank", "Big", "tankVolume", "2 L", "tankRotary", "900 ml", "holdsR120", "4"),
                        Map.of(
                                "tank",
                                Takes.WORDS,
                                "tankVolume",
                                Takes.VOLUME,
                                "tankRotary",
                                Takes.OPTIONAL_VOLUME,
                                "tankLeast",
                                Takes.OPTIONAL_VOLUME,
                                "holdsR120",
                                Takes.OPTIONAL_REELS)),
                new Form(
                        "/house/bottles",
                        "bram",
                        Map.of("bottle", "Z1", "bottleVolume", "2 L", "material", "GLASS"),
                        Map.of("bottle", Takes.WORDS, "bottleVolume", Takes.VOLUME, "material", Takes.CHOICE)),
                new Form("/house/places", "bram", Map.of(), Map.of()),
                new Form("/house/places/1", "bram", Map.of(), Map.of()),
                new Form(
                        "/house/bottles/1",
                        "bram",
                        Map.of("bottle", "Z1", "bottleVolume", "2 L", "material", "GLASS"),
                        Map.of()),
                new Form("/house/jugs/1", "bram", Map.of("jug", "Bucket", "jugVolume", "5 L"), Map.of()),
                new Form(
                        "/house/tools/1",
                        "bram",
                        tool,
                        Map.of("toolCapacity", Takes.AMOUNT, "toolGraduation", Takes.AMOUNT)),
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
                new Form(
                        "/house/heaters/1",
                        "bram",
                        Map.of("heater", "Tub", "heaterOffset", "0"),
                        Map.of("heater", Takes.WORDS, "heaterOffset", Takes.DIFFERENCE)),
                new Form(
                        "/house/members/2/name",
                        "bram",
                        Map.of("name", "Somebody", "signInName", "saoirse"),
                        Map.of("name", Takes.WORDS, "signInName", Takes.SIGN_IN_NAME)));
    }

    private static Map<String, String> standIns() {
        Map<String, String> typed = new LinkedHashMap<>();
        StandIns usual = StandIns.usual();
        BathRole.standard().forEach(role -> {
            Double life = usual.lifeDays().get(role.nature());
            Double rolls = usual.rollsALitre().get(role.nature());
            typed.put("life-" + role.key(), life == null ? "" : Integer.toString(life.intValue()));
            typed.put("rolls-" + role.key(), rolls == null ? "" : Integer.toString(rolls.intValue()));
        });
        return typed;
    }

    private static Form sheet(String at, Map<String, Takes> fields) {
        Map<String, String> typed = new LinkedHashMap<>(Map.ofEntries(
                Map.entry("at", at),
                Map.entry("name", "Bellows Negative 500 ml"),
                Map.entry("maker", "Bellows"),
                Map.entry("process", "colour-negative"),
                Map.entry("makes", "500"),
                Map.entry("part0-name", "Developer A"),
                Map.entry("part0-amount", "50 ml"),
                Map.entry("part1-name", ""),
                Map.entry("bath0-role", "developer"),
                Map.entry("bath0-mode", "TOP_UP"),
                Map.entry("bath0-water", "300"),
                Map.entry("bath0-add0-part", "0"),
                Map.entry("bath0-add0-amount", "50"),
                Map.entry("bath0-add0-care", "NORMAL"),
                Map.entry("bath0-time", "3:15"),
                Map.entry("bath0-at", "38"),
                Map.entry("bath0-within", "37.7-38.3"),
                Map.entry("bath0-wear", "per-roll"),
                Map.entry("bath0-percent", "2")));
        return new Form(DRAFT + "/kept", "bram", typed, fields);
    }

    private static Map<String, Takes> boxFields() {
        return Map.of(
                "name", Takes.WORDS,
                "maker", Takes.WORDS,
                "process", Takes.CHOICE,
                "processCode", Takes.OPTIONAL_WORDS,
                "makes", Takes.VOLUME,
                "part0-name", Takes.WORDS,
                "part0-amount", Takes.AMOUNT,
                "bath0-role", Takes.CHOICE);
    }

    private static Map<String, Takes> mixingFields() {
        return Map.of(
                "bath0-mode", Takes.CHOICE,
                "bath0-makes", Takes.OPTIONAL_VOLUME,
                "bath0-water", Takes.WATER,
                "bath0-mixing", Takes.OPTIONAL_DEGREES,
                "bath0-add0-part", Takes.OPTIONAL_PART,
                "bath0-add0-amount", Takes.OPTIONAL_VOLUME,
                "bath0-add0-care", Takes.OPTIONAL_CHOICE,
                "bath0-add0-wait", Takes.OPTIONAL_MINUTES,
                "bath0-add0-waterAfter", Takes.OPTIONAL_VOLUME,
                "bath0-add0-note", Takes.OPTIONAL_WORDS);
    }

    private static Map<String, Takes> timesFields() {
        return Map.of(
                "bath0-time", Takes.TIME,
                "bath0-at", Takes.DEGREES,
                "bath0-within", Takes.OPTIONAL_TOLERANCE,
                "bath0-bands", Takes.OPTIONAL_LINES,
                "bath0-table", Takes.OPTIONAL_LINES,
                "bath0-push", Takes.OPTIONAL_LINES,
                "bath0-rotary", Takes.OPTIONAL_TIME,
                "bath0-wear", Takes.OPTIONAL_CHOICE,
                "bath0-percent", Takes.OPTIONAL_PERCENTAGE);
    }

    private static Map<String, Takes> movementFields() {
        return Map.of(
                "bath0-moved", Takes.OPTIONAL_LINES,
                "steps", Takes.OPTIONAL_LINES,
                "clock", Takes.OPTIONAL_CHOICE);
    }

    private static Map<String, Takes> lastsFields() {
        return Map.ofEntries(
                Map.entry("lasts", Takes.OPTIONAL_RANGE),
                Map.entry("keeps", Takes.OPTIONAL_DAYS),
                Map.entry("bath0-lasts", Takes.OPTIONAL_RANGE),
                Map.entry("bath0-capacity", Takes.OPTIONAL_RANGE),
                Map.entry("bath0-capacityFor", Takes.OPTIONAL_VOLUME),
                Map.entry("bath0-life", Takes.OPTIONAL_RANGE),
                Map.entry("bath0-oneShot", Takes.OPTIONAL_DILUTION),
                Map.entry("part0-sealed", Takes.OPTIONAL_DAYS),
                Map.entry("part0-opened", Takes.OPTIONAL_DAYS),
                Map.entry("part0-vials", Takes.OPTIONAL_DAYS),
                Map.entry("part0-share", Takes.OPTIONAL_PERCENTAGE));
    }

    /** What is sent by a press alone, or with a choice, a file or a tick that the page offers. */
    private static final Set<String> NOTHING_TYPED = Set.of(
            "/batches/{id}/run",
            "/batches/{id}/ways",
            "/evening/loads/{id}/drops",
            "/fills/{id}/breaks",
            "/house/begin/aside",
            "/house/clock",
            "/house/data/copies",
            "/house/decisions/{number}/take-back",
            "/house/devices/{id}/end",
            "/house/habits",
            "/house/members/{id}/leave",
            "/house/members/{id}/number",
            "/house/members/{id}/role",
            "/house/outside/{kind}",
            "/house/outside/{kind}/end",
            "/house/places/{id}/readings",
            "/house/places/{id}/readings/take-back",
            "/house/read-in/keep",
            "/house/{list}/{id}/removals",
            "/kits/proposals/{id}/thrown-away",
            "/kits/{id}/finish",
            "/leaflets/drafts/{id}",
            "/leaflets/drafts/{id}/thrown-away",
            "/leaflets/drafts/{id}/typed",
            "/leaflets/import",
            "/leaflets/imports",
            "/leaflets/{id}/offer",
            "/leaflets/{id}/switch",
            "/me/devices/{id}/end",
            "/me/first-evening/aside",
            "/mixes/{id}/end",
            "/mixes/{id}/undo",
            "/practice/reports/{id}/sign-off",
            "/practice/{leaflet}/probe",
            "/practice/{leaflet}/report",
            "/probes/{id}/removals",
            "/runs/{started}/bars",
            "/runs/{started}/events",
            "/theme",
            "/waste/{id}/removals");

    /** What has bad input tried in a test of its own: the first page, probes, the ribbon, who is there, another print of a sheet. */
    private static final Set<String> TRIED_ELSEWHERE =
            Set.of("/api/probes/{id}/readings", "/begin", "/kits/{id}/leaflet", "/ribbon/temperature", "/who");

    /** A sheet being typed is kept as it is typed; what is wrong of it is said where it is kept. */
    private static final Pattern KEPT_AS_TYPED =
            Pattern.compile("/leaflets/drafts/\\{id} .*|/sign-in .*|/ribbon/temperature .*");

    @Test
    public void everyPostIsTriedOrTakesNothingThatIsTyped() {
        Set<String> tried = new TreeSet<>();
        forms().forEach(form -> tried.add(route(form.page())));
        tried.addAll(NOTHING_TYPED);
        tried.addAll(TRIED_ELSEWHERE);
        Set<String> posts = new TreeSet<>();
        for (Object[] row : EveryRoute.TABLE) {
            String route = (String) row[0];
            if (route.startsWith("POST ")) {
                posts.add(route.substring("POST ".length()));
            }
        }
        assertThat(tried).isEqualTo(posts);
    }

    @Test
    public void everyFieldThatIsTypedIntoIsTried() throws Exception {
        Set<String> tried = new TreeSet<>();
        forms().forEach(form -> form.fields().keySet().forEach(field -> tried.add(of(form.page(), field))));
        Set<String> missing = new TreeSet<>();
        for (String address : every.pages()) {
            String page = pages.perform(get(URI.create(address)).with(user(members.loadUserByUsername("bram"))))
                    .andReturn()
                    .getResponse()
                    .getContentAsString();
            for (MatchResult form : found("<form\\b[^>]*method=\"post\".*?</form>", page)) {
                String action = found("action=\"([^\"?]*)", form.group()).get(0).group(1);
                for (MatchResult field :
                        found("<(input|select|textarea)\\b[^>]*\\bname=\"([^\"]*)\"[^>]*>", form.group())) {
                    boolean typed = !field.group().matches("(?s).*type=\"(hidden|checkbox|radio|file|submit)\".*");
                    String name = of(action, field.group(2));
                    if (typed
                            && !tried.contains(name)
                            && !KEPT_AS_TYPED.matcher(name).matches()) {
                        missing.add(name + " on " + address);
                    }
                }
            }
        }
        assertThat(missing).isEmpty();
    }

    private static List<MatchResult> found(String pattern, String text) {
        return Pattern.compile(pattern, Pattern.DOTALL).matcher(text).results().toList();
    }

    /** A field of a form, whatever it is the field of. */
    private static String of(String page, String field) {
        return route(page) + " "
                + field.replaceAll("\\[[^\\]]*\\]", "[]")
                        .replaceAll("holds[A-Z0-9_]+", "holds*")
                        .replaceAll("[0-9]+", "#")
                        .replaceAll("^(life|rolls|days|reason|school)-[a-z-]+$", "$1-*");
    }

    private static String route(String page) {
        return Arrays.stream(EveryRoute.TABLE)
                .map(row -> (String) row[0])
                .filter(route -> route.startsWith("POST "))
                .map(route -> route.substring("POST ".length()))
                .filter(route -> page.matches(route.replaceAll("\\{[^}]*\\}", "[^/]+")))
                .min(Comparator.comparing((String route) ->
                        route.chars().filter(each -> each == '{').count()))
                .orElse(page);
    }

    /** A kind's first fields get all that it refuses; the others every second one, in turn. */
    @DataProvider
    public Object[][] badInput() {
        List<Object[]> rows = new ArrayList<>();
        Map<Takes, Integer> times = new EnumMap<>(Takes.class);
        for (Form form : forms()) {
            form.fields().forEach((field, takes) -> {
                int seen = times.merge(takes, 1, Integer::sum);
                for (int i = 0; i < takes.refused.size(); i++) {
                    if (seen <= ALL_OF_THEM || (i + seen) % 2 == 0) {
                        rows.add(new Object[] {form, field, takes.refused.get(i)});
                    }
                }
            });
        }
        return rows.toArray(new Object[0][]);
    }

    @Test(dataProvider = "badInput")
    public void isAnsweredBesideItsFieldAndTheRestIsKept(Form form, String field, String typed) throws Exception {
        int before = log.book().entries().size();
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
        assertThat(unmarked(page, idOf(form, field)))
                .as("fields of %s that are refused and do not say so", form.page)
                .isEmpty();
        assertThat(page).doesNotContain("<script>alert");
        form.good().forEach((other, value) -> {
            if (!other.equals(field) && !value.isEmpty() && isText(form.fields().get(other))) {
                assertThat(page).as("what was typed into " + other).contains("value=\"" + HtmlUtils.htmlEscape(value));
            }
        });
        assertThat(log.book().entries()).hasSize(before);
    }

    private static boolean isText(Takes takes) {
        return takes != null
                && !takes.name().contains("CHOICE")
                && !takes.name().contains("LINES")
                && takes != Takes.PUSH
                && takes != Takes.PASSWORD
                && takes != Takes.WRONG_PASSWORD
                && takes != Takes.TABLE
                && takes != Takes.PIN;
    }

    /** The fields that a sentence stands beside without being marked as refused. */
    private static List<String> unmarked(String page, String id) {
        return Pattern.compile("<(?:input|select|textarea)\\b[^>]*>")
                .matcher(page)
                .results()
                .map(MatchResult::group)
                .filter(tag -> tag.contains("aria-describedby=\"" + id + "-error\""))
                .filter(tag -> !tag.contains("aria-invalid=\"true\""))
                .toList();
    }

    private static String sentenceBeside(String page, String id) {
        Matcher beside = Pattern.compile("id=\"" + Pattern.quote(id) + "-error\"[^>]*>([^<]*)<")
                .matcher(page);
        return beside.find() ? beside.group(1) : "";
    }

    /** The field's id on the page, which its sentence is named after. */
    private static String idOf(Form form, String field) {
        if (form.page().startsWith("/queue/")) {
            return "queue";
        }
        if (form.page().endsWith("/me/password") && field.equals("password")) {
            return "again";
        }
        if (field.startsWith("routes[")) {
            return "fills";
        }
        if (form.page().endsWith("/stand-ins")) {
            return field;
        }
        if (form.page().endsWith("/abandonment")) {
            return "gaveUp";
        }
        return field.replaceAll("film\\[0\\]\\.(\\w+)", "$10")
                .replaceAll("(time|temperature)s\\[(\\d+)\\]", "$1$2")
                .replaceAll("(volume|bottle)s\\[(\\w+)\\]", "$1-$2")
                .replaceAll("steps\\[(\\w+)\\]\\.time", "step-$1")
                .replaceAll("bathRolls\\[(\\w+)\\]", "rolls-$1");
    }

    private MockHttpServletResponse send(Form form, Map<String, String> instead) throws Exception {
        Map<String, String> typed = new LinkedHashMap<>(form.good());
        typed.putAll(instead);
        if (!form.page().startsWith(DRAFT)) {
            return send(form.page(), form.who(), typed);
        }
        if (draft.isEmpty()) {
            draft = String.valueOf(send("/leaflets/drafts", form.who(), Map.of("shape", "DEVELOPER_ALONE"))
                    .getRedirectedUrl());
        }
        Map<String, String> all = new LinkedHashMap<>();
        List.of(boxFields(), mixingFields(), timesFields(), movementFields(), lastsFields())
                .forEach(fields -> fields.keySet().forEach(field -> all.put(field, "")));
        all.put("examples", "");
        all.putAll(typed);
        MockHttpServletResponse answer = send(form.page().replace(DRAFT, draft), form.who(), all);
        draft = answer.getStatus() == 302 ? "" : draft;
        return answer;
    }

    private MockHttpServletResponse send(String page, String who, Map<String, String> typed) throws Exception {
        MockHttpServletRequestBuilder request = post(page)
                .with(csrf())
                .with(user((SignedIn) members.loadUserByUsername(who)))
                .param("formKey", UUID.randomUUID().toString());
        typed.forEach(request::param);
        return pages.perform(request).andReturn().getResponse();
    }
}
