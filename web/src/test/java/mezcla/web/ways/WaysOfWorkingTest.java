package mezcla.web.ways;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import mezcla.batch.FillState;
import mezcla.leaflet.WasteRoute;
import mezcla.web.DemoPagesTest;
import mezcla.web.log.DarkroomLog;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.web.util.HtmlUtils;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * How people work, each from typing the sheet to the cost of a roll, through the pages: what nobody may refuse, what has to
 * be said, and what must not be. Each is a file, line by line:
 *
 * <pre>
 * shape TWO_BATHS        begins a sheet; then "put stop", "take out 2", and fields: bath0-time = 3:15 at 38 °C
 * keep                   keeps it
 * kit 37                 one came ten days ago, for 37
 * mix 1 L; picked=true   looks at a mix; more fields behind semicolons
 * mixed                  it was mixed three days ago
 * walk                   it is mixed now, step by step at the bench, and poured away: what is said was said at any step
 * run 2 135-36; tank=2   looks at a run
 * done                   it was run yesterday
 * look GOOD              its film was looked at
 * go /batches/BATCH      another page; also KIT and LEAFLET
 * signs pink water       looks a sign up
 * send /kits/KIT/...; name=value   sends another form
 * says ..., never ...    what the last page says, and what it does not
 * </pre>
 */
public class WaysOfWorkingTest extends DemoPagesTest {
    private static final Path WAYS = Path.of("src", "test", "resources", "ways");
    private static final Pattern FIELD = Pattern.compile("([a-zA-Z0-9-]+) = ?(.*)");
    private static final Pattern BOTTLES = Pattern.compile("name=\"(bottles\\[[^\\]]+])\".*?</select>", Pattern.DOTALL);
    private static final Pattern CHOSEN = Pattern.compile("<option value=\"(-?\\d+)\"[^>]*selected");
    private static final Pattern NEXT =
            Pattern.compile("id=\"tick\".*?name=\"act\"[^>]*value=\"(\\d+)\"", Pattern.DOTALL);
    private static final int BOTTLES_BOUGHT = 8;
    private static final int MOST_STEPS = 80;

    @Autowired
    private DarkroomLog log;

    @Autowired
    private Clock clock;

    private String raw = "";
    private String page = "";
    private String asked = "";
    private String draft = "";
    private long leaflet;
    private long kit;
    private long batch;
    private Map<String, String> sent = Map.of();

    @DataProvider
    public Object[][] ways() throws IOException {
        try (Stream<Path> files = Files.list(WAYS)) {
            return files.sorted()
                    .map(file -> new Object[] {file.getFileName().toString()})
                    .toArray(Object[][]::new);
        }
    }

    @BeforeClass(dependsOnMethods = "springTestContextPrepareTestInstance")
    public void buyBottles() throws Exception {
        for (int i = 0; i < BOTTLES_BOUGHT; i++) {
            send("/house/bottles", "bram", "bottle", "W" + i, "bottleVolume", "2 L", "material", "GLASS");
        }
    }

    @Test(dataProvider = "ways")
    public void isTakenOver(String file) throws Exception {
        batch = 0;
        int number = 0;
        for (String line : Files.readAllLines(WAYS.resolve(file))) {
            number++;
            if (!line.isBlank() && !line.startsWith("#")) {
                act(line.strip(), file + ":" + number + " " + line);
            }
        }
        if (batch != 0) {
            pourAway();
        }
    }

    private void act(String line, String where) throws Exception {
        Matcher field = FIELD.matcher(line);
        if (field.matches()) {
            type(field.group(1), field.group(2).replace(" | ", "\n"), where);
            return;
        }
        String rest = line.contains(" ") ? line.substring(line.indexOf(' ') + 1) : "";
        switch (line.split(" ", 2)[0]) {
            case "shape" -> {
                draft = to(send("/leaflets/drafts", "bram", "shape", rest), where);
                look(draft);
            }
            case "put" -> look(to(send(draft + "?at=box", "bram", "go", "another:put", "put", rest), where));
            case "take" ->
                look(to(
                        send(
                                draft + "?at=box",
                                "bram",
                                "go",
                                "another:without-" + (Integer.parseInt(rest.replaceAll("\\D", "")) - 1)),
                        where));
            case "keep" -> {
                String kept = to(send(draft + "/kept?at=examples", "bram"), where);
                leaflet = number(kept);
                look(kept);
            }
            case "kit" -> came(rest, where);
            case "mix" -> looked("/kits/" + kit + "/mix", rest, "volume");
            case "mixed" -> mixed(rest, where);
            case "walk" -> walk(where);
            case "run" -> looked("/batches/" + batch + "/run", film(rest), "film[0].count");
            case "done" -> done(where);
            case "look" -> {
                long run = log.book().lastSequence();
                look(to(
                        send("/batches/" + batch + "/looks/" + run, "bram", fields(rest, "result", "roll", "0")),
                        where));
            }
            case "go" ->
                look(rest.replace("BATCH", "" + batch).replace("KIT", "" + kit).replace("LEAFLET", "" + leaflet));
            case "send" -> {
                String[] all = fields(rest, "");
                String to = all[1].replace("KIT", "" + kit).replace("BATCH", "" + batch);
                look(to(send(to, "bram", all), where).replaceFirst("\\?.*", ""));
            }
            case "signs" -> looked("/signs", rest, "q");
            case "says" -> assertThat(page).as(where + "\n" + asked).contains(rest);
            case "never" -> assertThat(page).as(where + "\n" + asked).doesNotContain(rest);
            default -> throw new IllegalArgumentException(where);
        }
    }

    /** Types into a field, and hears nothing against it. */
    private void type(String name, String typed, String where) throws Exception {
        MockHttpServletResponse answer = send(draft + "/typed?at=box", "bram", "touched", name, name, typed);
        page = plain(answer.getContentAsString());
        asked = draft;
        assertThat(answer.getStatus()).as(where).isEqualTo(200);
        List<String> refused = Pattern.compile("<li[^>]*of-fault[^>]*>(.*?)</li>", Pattern.DOTALL)
                .matcher(answer.getContentAsString())
                .results()
                .map(each -> plain(each.group(1)))
                .toList();
        assertThat(refused).as(where).isEmpty();
    }

    private void came(String rest, String where) throws Exception {
        String[] fields = fields(
                rest,
                "price",
                "leaflet",
                "" + leaflet,
                "count",
                "1",
                "came",
                LocalDate.now(clock).minusDays(10).toString());
        to(send("/kits", "bram", fields), where);
        kit = log.state().kits().keySet().stream()
                .mapToLong(Long::longValue)
                .max()
                .orElseThrow();
        look("/kits/" + kit);
    }

    private void mixed(String rest, String where) throws Exception {
        Map<String, String> fields = planned(where);
        if (!rest.isEmpty()) {
            String[] more = fields("; " + rest, "");
            for (int i = 2; i < more.length; i += 2) {
                fields.put(more[i], more[i + 1]);
            }
        }
        fields.put("mixedOn", LocalDate.now(clock).minusDays(3).toString());
        String to = to(send("/kits/" + kit + "/batches", "bram", flat(fields)), where);
        batch = number(to);
        look(to);
    }

    /** Each step as the bench asks for it, as it was planned; until everything is in its bottle. */
    private void walk(String where) throws Exception {
        String mix = to(send("/kits/" + kit + "/mixes", "bram", flat(planned(where))), where);
        StringBuilder said = new StringBuilder();
        for (int step = 0; step < MOST_STEPS && !raw.contains("in their bottles"); step++) {
            look(mix);
            said.append(page).append('\n');
            Matcher next = NEXT.matcher(raw);
            if (next.find()) {
                to(send(mix + "/ticks", "bram", "act", next.group(1)), where);
            }
        }
        batch = number(to(send(mix + "/end", "bram"), where));
        pourAway();
        batch = 0;
        page = said.toString();
        asked = mix;
    }

    /** The plan as it was looked at, with the bottles that it chose. */
    private Map<String, String> planned(String where) {
        Map<String, String> fields = new LinkedHashMap<>(sent);
        Matcher bottles = BOTTLES.matcher(raw);
        while (bottles.find()) {
            Matcher chosen = CHOSEN.matcher(bottles.group());
            assertThat(chosen.find())
                    .as(where + ": a bottle for " + bottles.group(1))
                    .isTrue();
            fields.put(bottles.group(1), chosen.group(1));
        }
        fields.put("name", "Way " + kit);
        fields.put("read", "true");
        return fields;
    }

    private void done(String where) throws Exception {
        Map<String, String> fields = new LinkedHashMap<>(sent);
        fields.put("done", "true");
        fields.put("when", LocalDate.now(clock).minusDays(1) + "T12:00");
        fields.put("seen", "" + log.book().lastSequence());
        look(to(send("/batches/" + batch + "/runs", "bram", flat(fields)), where));
    }

    private void pourAway() throws Exception {
        List<String> fields = new ArrayList<>(List.of("reason", "tried"));
        for (FillState fill : log.state().batch(batch).fills()) {
            fields.addAll(List.of(
                    "fills",
                    "" + fill.id(),
                    "routes[" + fill.id() + "]",
                    WasteRoute.of(fill.bath().role()).name()));
        }
        to(send("/batches/" + batch + "/discards", "bram", fields.toArray(String[]::new)), "discards of " + batch);
    }

    /** {@code 2 135-36; tank=2} as a form sends it. */
    private static String film(String rest) {
        String[] parts = rest.split(";", 2);
        String[] film = parts[0].strip().split(" ", 2);
        return film[0] + "; film[0].format=" + film[1] + "; film[0].owner=Bram; push=0; tank=1"
                + (parts.length > 1 ? ";" + parts[1] : "");
    }

    private void looked(String address, String rest, String first) throws Exception {
        Map<String, String> fields = new LinkedHashMap<>();
        String[] all = fields(rest, first);
        for (int i = 0; i < all.length; i += 2) {
            fields.put(all[i], all[i + 1]);
        }
        sent = fields;
        asked = address + " " + fields;
        MockHttpServletRequestBuilder request =
                get(address).param("formKey", UUID.randomUUID().toString());
        fields.forEach(request::param);
        shown(answer(request, "bram"));
    }

    /** What stands before the first semicolon as the first field, and every {@code name=value} behind it. */
    private static String[] fields(String rest, String first, String... more) {
        Map<String, String> fields = new LinkedHashMap<>();
        for (int i = 0; i < more.length; i += 2) {
            fields.put(more[i], more[i + 1]);
        }
        String[] parts = rest.split("\\s*;\\s*", -1);
        fields.put(first, parts[0].strip());
        for (String part : Arrays.asList(parts).subList(1, parts.length)) {
            fields.put(part.substring(0, part.indexOf('=')).strip(), part.substring(part.indexOf('=') + 1));
        }
        return flat(fields);
    }

    private static String[] flat(Map<String, String> fields) {
        return fields.entrySet().stream()
                .flatMap(each -> Stream.of(each.getKey(), each.getValue()))
                .toArray(String[]::new);
    }

    private void look(String address) throws Exception {
        asked = address;
        shown(answer(get(address), "bram"));
    }

    private void shown(MockHttpServletResponse answer) throws Exception {
        raw = answer.getContentAsString();
        page = plain(raw).replaceFirst("^.*?Sign out", "");
        assertThat(answer.getStatus()).as(asked).isIn(200, 422);
        asked += " " + against(raw);
    }

    /** What stands against a form. */
    private static String against(String html) {
        return Pattern.compile("class=\"[^\"]*field-error[^>]*>([^<]+)<")
                .matcher(html)
                .results()
                .map(each -> each.group(1).strip())
                .filter(said -> !said.isEmpty())
                .collect(Collectors.joining("; "));
    }

    private String to(MockHttpServletResponse answer, String where) throws Exception {
        assertThat(answer.getStatus())
                .as("%s: %s", where, against(answer.getContentAsString()))
                .isEqualTo(302);
        return String.valueOf(answer.getRedirectedUrl());
    }

    private static long number(String address) {
        return Long.parseLong(address.replaceFirst("\\?.*", "").replaceAll("\\D", ""));
    }

    private static String plain(String html) {
        return HtmlUtils.htmlUnescape(
                        html.replaceAll("(?s)<(script|style)\\b.*?</\\1>", " ").replaceAll("<[^>]+>", " "))
                .replace('\u00a0', ' ')
                .replace('\u202f', ' ')
                .replaceAll("\\s+", " ")
                .replaceAll(" ([.,;:!?])", "$1");
    }
}
