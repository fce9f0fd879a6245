package mezcla.years;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import mezcla.stress.Visitor;
import mezcla.web.MezclaApplication;
import mezcla.web.copies.HouseCopy;
import mezcla.web.log.DarkroomLog;
import mezcla.web.log.LogFile;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.core.io.ClassPathResource;
import org.springframework.test.util.ReflectionTestUtils;
import org.springframework.web.util.HtmlUtils;
import org.testng.annotations.AfterClass;
import org.testng.annotations.Test;

/**
 * A house is begun, filled, copied while twenty members log, brought back elsewhere and handed over, through the pages
 * that people use.
 */
public class HouseOfYearsTest {
    private static final int MEMBERS = 20;
    private static final int RUNS_EACH = 3;

    private final List<ConfigurableApplicationContext> open = new ArrayList<>();
    private Path folder;
    private ConfigurableApplicationContext house;
    private Visitor steward;
    private Map<String, String> passwords;
    private Path copy;

    @AfterClass(alwaysRun = true)
    public void close() {
        open.forEach(ConfigurableApplicationContext::close);
    }

    private ConfigurableApplicationContext started(Path data) {
        ConfigurableApplicationContext context = new SpringApplicationBuilder(MezclaApplication.class)
                .run("--mezcla.data=" + data, "--server.port=0", "--spring.main.banner-mode=off");
        open.add(context);
        return context;
    }

    private static String address(ConfigurableApplicationContext context) {
        return "http://localhost:" + context.getEnvironment().getProperty("local.server.port");
    }

    private static String sent(Visitor who, String page, String... fields) throws IOException, InterruptedException {
        String[] keyed = new String[fields.length + 2];
        System.arraycopy(fields, 0, keyed, 0, fields.length);
        keyed[fields.length] = "formKey";
        keyed[fields.length + 1] = Visitor.key();
        HttpResponse<String> answer = who.post(page, keyed);
        assertThat(answer.statusCode())
                .as(page + ": " + HtmlUtils.htmlUnescape(answer.body()))
                .isEqualTo(302);
        return answer.headers().firstValue("Location").orElse("");
    }

    private String shelf() throws IOException, InterruptedException {
        return steward.get("/shelf").body().replace('\u00a0', ' ');
    }

    @Test
    public void anEmptyHouseLeadsFromItsCodeToItsMembers() throws Exception {
        folder = Files.createTempDirectory("mezcla-years").resolve("house");
        house = started(folder);
        steward = new Visitor(address(house));
        Object code = ReflectionTestUtils.getField(house.getBean("beginningCode"), "code");
        assertThat(steward.get("/begin").body()).contains("list=\"zones\"", "Pacific/Chatham", "list=\"currencies\"");
        HttpResponse<String> begun = steward.post(
                "/begin",
                "code",
                String.valueOf(code),
                "houseName",
                "Gasworks Darkroom",
                "currency",
                "eur",
                "timeZone",
                "lisbon",
                "units",
                "METRIC",
                "address",
                "",
                "name",
                "Odile",
                "signInName",
                "odile",
                "password",
                "a quiet red lamp");
        assertThat(begun.statusCode()).isEqualTo(302);
        steward.signIn("odile", "a quiet red lamp");
        assertThat(shelf()).contains("One of nine steps are done. Next: Water and room");
        sent(
                steward,
                "/house/details",
                "houseName",
                "Gasworks",
                "timeZone",
                "Europe/Lisbon",
                "units",
                "METRIC",
                "currency",
                "NZD");
        sent(
                steward,
                "/house/surroundings",
                "coldWater",
                "12",
                "hotWater",
                "58",
                "room",
                "19",
                "deliveryWeeks",
                "2",
                "dryMinutes",
                "120");
        sent(steward, "/house/bath", "litres", "12", "power", "300", "loss", "8");
        sent(steward, "/house/tanks", "tank", "Two reels", "tankVolume", "0,5 l", "holdsR135", "2");
        assertThat(sent(steward, "/house/bottles", "bottle", "D1 to D6", "bottleVolume", "1,5 l", "material", "GLASS"))
                .endsWith("/house/things?saved=bottle#list-bottles");
        assertThat(shelf()).contains("Next: Cylinders, syringes, scales");
        sent(
                steward,
                "/house/tools",
                "tool",
                "Cylinder",
                "toolKind",
                "CYLINDER",
                "toolCapacity",
                "100 ml",
                "toolGraduation",
                "1 ml");
        String leaflet = new ClassPathResource("demo/leaflets/oxbow-negative-liquid.json")
                .getContentAsString(StandardCharsets.UTF_8);
        sent(steward, "/leaflets/imports", "document", leaflet);
        assertThat(shelf()).contains("Next: The first kit, or what stands there already");
        String batch = sent(
                steward,
                "/adoptions",
                "leaflet",
                "1",
                "name",
                "What stood there",
                "mixed",
                LocalDate.now(ZoneOffset.UTC).minusDays(3).toString(),
                "rolls",
                "0",
                "volumes[dev]",
                "1,2 l",
                "bottles[dev]",
                "1",
                "volumes[bx]",
                "1,2 l",
                "bottles[bx]",
                "2",
                "volumes[fr]",
                "1,2 l",
                "bottles[fr]",
                "3");
        assertThat(batch).contains("/batches/1");
        assertThat(shelf()).contains("Next: Members", "What stood there");
        steward.post("/house/begin/aside");
        assertThat(shelf()).doesNotContain("Next: Members");
    }

    @Test(dependsOnMethods = "anEmptyHouseLeadsFromItsCodeToItsMembers")
    public void membersComeFromAListWithTheirPasswords() throws Exception {
        String list = "name,sign-in name,password\n"
                + IntStream.rangeClosed(1, MEMBERS)
                        .mapToObj("Member %1$d of the gasworks,m%1$d,\n"::formatted)
                        .collect(Collectors.joining());
        assertThat(steward.post("/house/read-in", "kind", "MEMBERS", "text", list)
                        .body())
                .contains("All 20 lines can be read in");
        String kept = sent(steward, "/house/read-in/keep", "kind", "MEMBERS", "text", list)
                .replaceFirst("^http://[^/]*", "");
        passwords = new LinkedHashMap<>();
        Pattern.compile("<td>(m[0-9]+)</td>.*?password ([A-Z0-9]+)<", Pattern.DOTALL)
                .matcher(steward.get(kept).body())
                .results()
                .forEach((MatchResult each) -> passwords.put(each.group(1), each.group(2)));
        assertThat(passwords).hasSize(MEMBERS);
        Visitor first = Visitor.signedIn(address(house), "m1", passwords.get("m1"));
        assertThat(first.get("/shelf").body()).contains("Your first evening");
        assertThat(first.get("/guide").body()).contains("Letters on bottles", "Bleach-fix");
        first.post("/me/first-evening/aside");
        assertThat(first.get("/shelf").body()).doesNotContain("Your first evening");
    }

    @Test(dependsOnMethods = "membersComeFromAListWithTheirPasswords")
    public void itIsCopiedWhileEverybodyLogs() throws Exception {
        ExecutorService people = Executors.newFixedThreadPool(MEMBERS);
        List<Future<Integer>> logged = new ArrayList<>();
        passwords.forEach((name, password) -> logged.add(people.submit(() -> log(name, password))));
        List<Long> rows = new ArrayList<>();
        do {
            Path made = folder.resolveSibling("while-" + rows.size() + ".zip");
            rows.add(HouseCopy.write(folder, made, "1", Instant.EPOCH).rows());
        } while (logged.stream().anyMatch(each -> !each.isDone()));
        int confirmed = 0;
        for (Future<Integer> each : logged) {
            confirmed += each.get();
        }
        people.shutdown();
        assertThat(people.awaitTermination(10, TimeUnit.SECONDS)).isTrue();
        assertThat(confirmed).isEqualTo(MEMBERS * RUNS_EACH);
        assertThat(rows).as("copies were made in between").isSorted().hasSizeGreaterThan(1);
        List<String> all = house.getBean(LogFile.class).lines();
        for (int i = 0; i < rows.size(); i += Math.max(1, rows.size() / 2)) {
            Path there = folder.resolveSibling("there-" + i);
            HouseCopy.restore(folder.resolveSibling("while-" + i + ".zip"), there);
            ConfigurableApplicationContext other = started(there);
            List<String> lines = other.getBean(LogFile.class).lines();
            assertThat(lines).isEqualTo(all.subList(0, lines.size()));
            assertThat(other.getBean(DarkroomLog.class).state().anomalies()).isEmpty();
        }
        assertThat(sent(steward, "/house/data/copies")).endsWith("/house/data?made");
        try (Stream<Path> kept = Files.list(folder.resolve("copies"))) {
            copy = kept.findFirst().orElseThrow();
        }
    }

    private int log(String name, String password) throws IOException, InterruptedException {
        Visitor member = Visitor.signedIn(address(house), name, password);
        String owner = "Member %s of the gasworks".formatted(name.substring(1));
        for (int i = 0; i < RUNS_EACH; i++) {
            String page = sent(
                    member,
                    "/batches/1/runs",
                    "film[0].count",
                    "1",
                    "film[0].owner",
                    owner,
                    "film[0].format",
                    "135-36",
                    "film[0].name",
                    "film " + i,
                    "push",
                    "0",
                    "tank",
                    "1",
                    "done",
                    "true",
                    "others",
                    "true");
            assertThat(page).contains("logged=");
        }
        return RUNS_EACH;
    }

    @Test(dependsOnMethods = "itIsCopiedWhileEverybodyLogs")
    public void broughtBackElsewhereItIsHandedOver() throws Exception {
        Path there = folder.resolveSibling("handed-over");
        HouseCopy.Contents contents = HouseCopy.restore(copy, there);
        assertThat(contents.rows())
                .isEqualTo(house.getBean(DarkroomLog.class).book().entries().size());
        ConfigurableApplicationContext other = started(there);
        assertThat(other.getBean(DarkroomLog.class).state())
                .isEqualTo(house.getBean(DarkroomLog.class).state());
        String before = shelf().replaceAll("(?s).*<div id=\"shelf\">", "");
        steward = Visitor.signedIn(address(other), "odile", "a quiet red lamp");
        assertThat(shelf().replaceAll("(?s).*<div id=\"shelf\">", ""))
                .as("the same shelf")
                .isEqualTo(before);
        Visitor next = Visitor.signedIn(address(other), "m7", passwords.get("m7"));
        String id = Pattern.compile("/house/members/([0-9]+)\">Member 7 of")
                .matcher(steward.get("/house/members").body())
                .results()
                .map(each -> each.group(1))
                .findFirst()
                .orElseThrow();
        assertThat(steward.get("/house/members/" + id).body())
                .contains("Three runs logged", "Nothing of theirs is waiting");
        sent(steward, "/house/members/" + id + "/role", "steward", "true");
        next.signIn("m7", passwords.get("m7"));
        sent(next, "/house/members/1/leave");
        assertThat(steward.get("/shelf").statusCode())
                .as("whoever left is out at once")
                .isEqualTo(302);
        assertThat(next.get("/house/data").body()).contains("No copy has been made yet");
        assertThat(next.get("/health").body()).contains("\"status\":\"up\"");
    }
}
