package mezcla.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.time.Clock;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import mezcla.log.PaymentRecorded;
import mezcla.log.RunLogged;
import mezcla.planning.QueuedFilm;
import mezcla.web.log.DarkroomLog;
import mezcla.web.run.evening.EveningService;
import mezcla.web.settings.HouseService;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.springframework.web.util.HtmlUtils;
import org.testng.annotations.Test;

/** Film is left, proposed, taken, run, and collected. */
public class QueueTest extends DemoPagesTest {
    @Autowired
    private DarkroomLog log;

    @Autowired
    private EveningService evenings;

    @Autowired
    private HouseService houses;

    @Autowired
    private Clock clock;

    private QueuedFilm film(long id) {
        return QueuedFilm.of(log.book().entries()).stream()
                .filter(each -> each.id() == id)
                .findFirst()
                .orElseThrow();
    }

    private long newest() {
        return QueuedFilm.of(log.book().entries()).stream()
                .map(QueuedFilm::id)
                .max(Comparator.naturalOrder())
                .orElseThrow();
    }

    private List<String> proposed(String page) {
        return Pattern.compile("name=\"loads\" value=\"([0-9:, ]+)\"")
                .matcher(page)
                .results()
                .map((MatchResult each) -> each.group(1))
                .filter(key -> !key.contains(" "))
                .distinct()
                .toList();
    }

    private void leave(String who, String... more) throws Exception {
        MockHttpServletResponse answer = send("/queue", who, more);
        assertThat(answer.getRedirectedUrl()).startsWith("/queue?left=");
    }

    private static String[] roll(String owner, String format, String... more) {
        return Stream.concat(
                        Stream.of(
                                "film[0].count",
                                "1",
                                "film[0].format",
                                format,
                                "film[0].owner",
                                owner,
                                "push",
                                "0",
                                "process",
                                "colour-negative",
                                "here",
                                "yes"),
                        Stream.of(more))
                .toArray(String[]::new);
    }

    @Test
    public void theDemonstrationProposesLoadsAndSaysWhyFilmWaits() throws Exception {
        String page = page("/queue", "bram");
        assertThat(page)
                .contains("eight films wait", "Load 1, pour at", "cannot be made again", "Oda")
                .contains(
                        "Cine negative: one waits",
                        "No batch of it stands on the shelf",
                        "Mixing 300 ml for it alone makes")
                .contains("Run, not collected yet", "weir in the rain");
        assertThat(proposed(page)).hasSizeGreaterThan(1);
    }

    private static String text(String page) {
        return page.replaceAll("\\s+", " ");
    }

    @Test(dependsOnMethods = "aProposalBecomesALoadAndLoggingItEmptiesTheQueue")
    public void filmThatIsKeptAlikeGoesThroughOneBatchOrIsToldWhyNot() throws Exception {
        for (int i = 0; i < 2; i++) {
            leave("ines", roll("Ines", "135-36", "film[0].name", "the vows", "alike", "Wedding"));
        }
        String[] dance = roll("Ines", "135-36", "film[0].name", "the dance", "alike", "wedding");
        dance[List.of(dance).indexOf("here") + 1] = "no";
        leave("ines", dance);
        long last = newest();
        List<Long> wedding = List.of(last - 2, last - 1, last);
        assertThat(text(page("/queue", "ines")))
                .contains("kept alike: “Wedding”")
                .contains("is kept alike, and K%d of it is still to come.".formatted(last));
        send("/queue/" + last + "/stages", "ines", "stage", "HERE");
        List<String> with = proposed(page("/queue", "ines")).stream()
                .filter(key -> Stream.of(key.replaceAll(".*:", "").split(","))
                        .anyMatch(each -> wedding.contains(Long.valueOf(each))))
                .toList();
        assertThat(with.stream().map(key -> key.replaceAll(":.*", "")).distinct())
                .as("one batch for all of it: %s", with)
                .hasSize(1);
        assertThat(text(page("/queue", "ines")))
                .contains("is kept alike: one batch, one evening, 38.0 °C for all of it");
        String other = with.get(0).startsWith("4:") ? "3" : "4";
        String run =
                "/batches/" + other + "/run?film[0].count=1&film[0].format=135-36&film[0].owner=Ines&film[0].queued="
                        + last + "&push=0&tank=1&formKey=" + UUID.randomUUID();
        assertThat(text(page(run, "ines")))
                .contains("“Wedding” is kept alike: run K%d, K%d this evening too.".formatted(last - 2, last - 1));
        for (long film : wedding) {
            send("/queue/" + film + "/stages", "ines", "stage", "WITHDRAWN");
        }
    }

    @Test(dependsOnMethods = "filmThatIsKeptAlikeGoesThroughOneBatchOrIsToldWhyNot")
    public void anEveningIsOverAtTheHourOfTheHouse() throws Exception {
        String[] around = {
            "coldWater",
            "14 °C",
            "hotWater",
            "52 °C",
            "room",
            "20 °C",
            "deliveryWeeks",
            "3",
            "dryMinutes",
            "120",
            "eveningEnds"
        };
        String before = page("/house/this", "bram");
        assertThat(before).contains("Evenings are over at");
        LocalTime now = LocalTime.now(clock.withZone(houses.house().timeZone()));
        String soon = now.plusMinutes(1).withSecond(0).withNano(0).toString();
        String[] over = Stream.concat(Stream.of(around), Stream.of(soon)).toArray(String[]::new);
        assertThat(send("/house/surroundings", "bram", over).getStatus()).isEqualTo(302);
        assertThat(text(page("/queue", "bram"))).contains("The evening is over at " + soon + ".");
        assertThat(proposed(page("/queue", "bram"))).isEmpty();
        String[] odd = Stream.concat(Stream.of(around), Stream.of("late")).toArray(String[]::new);
        assertThat(send("/house/surroundings", "bram", odd).getContentAsString())
                .contains("late");
        String[] none = Stream.concat(Stream.of(around), Stream.of("")).toArray(String[]::new);
        assertThat(send("/house/surroundings", "bram", none).getStatus()).isEqualTo(302);
        assertThat(proposed(page("/queue", "bram"))).isNotEmpty();
    }

    @Test(dependsOnMethods = "theDemonstrationProposesLoadsAndSaysWhyFilmWaits")
    public void aProposalBecomesALoadAndLoggingItEmptiesTheQueue() throws Exception {
        leave("devi", roll("", "135-24", "film[0].guest", "Wren of the ferry", "film[0].name", "the ferry"));
        long id = newest();
        assertThat(film(id).dropped().broughtBy()).isEqualTo("Devi");
        String load = proposed(page("/queue", "devi")).stream()
                .filter(key -> List.of(key.replaceAll(".*:", "").split(",")).contains("" + id))
                .findFirst()
                .orElseThrow();
        MockHttpServletResponse taken = send("/queue/loads", "devi", "loads", load);
        assertThat(taken.getRedirectedUrl()).isEqualTo("/evening?planned");
        assertThat(evenings.queued()).contains(id);
        assertThat(page("/queue", "devi")).contains("planned for this evening");
        assertThat(send("/queue/loads", "devi", "loads", load).getStatus())
                .as("it is planned already")
                .isEqualTo(422);

        String evening = page("/evening", "devi");
        Matcher run = new Matcher(evening, "/batches/([0-9]+)/run\\?([^\"]+)\"");
        String batch = run.group(1);
        String plan = answer(
                        MockMvcRequestBuilders.get(URI.create("/batches/" + batch + "/run?"
                                + run.group(2).replace("&amp;", "&") + "&formKey=" + UUID.randomUUID())),
                        "devi")
                .getContentAsString();
        assertThat(plan).contains("name=\"film[0].queued\"", "the ferry");
        String[] fields = Fields.of(plan);
        MockHttpServletResponse started = send("/batches/" + batch + "/starts", "devi", fields);
        assertThat(started.getRedirectedUrl()).endsWith("/ribbon");
        assertThat(film(id).where()).isEqualTo(QueuedFilm.Where.IN_THE_TANK);
        String at = String.valueOf(started.getRedirectedUrl()).replace("/ribbon", "");
        MockHttpServletResponse logged = send(at + "/end", "devi", Fields.of(page(at, "devi")));
        assertThat(logged.getStatus()).as(logged.getContentAsString()).isEqualTo(302);
        assertThat(film(id).where()).isEqualTo(QueuedFilm.Where.HANGS);
        RunLogged row = (RunLogged) log.book().entry(film(id).run());
        int place = row.rolls().stream().map(roll -> roll.queued()).toList().indexOf(id);
        assertThat(row.charges().get(place).account()).as("she brought it").isEqualTo("Devi");

        send("/queue/" + id + "/stages", "devi", "stage", "DRIED");
        send("/queue/" + id + "/stages", "devi", "stage", "SLEEVED");
        assertThat(page("/queue", "devi")).contains("Cut and sleeved");
        assertThat(send("/queue/" + id + "/stages", "devi", "stage", "DRIED").getStatus())
                .as("not back again")
                .isEqualTo(422);
        send("/journal/" + row.stamp().sequence() + "/void", "bram", "reason", "it was another load");
        assertThat(film(id).where()).as("its run goes on").isEqualTo(QueuedFilm.Where.IN_THE_TANK);
        send(at + "/call-off", "devi", "why", "it never went in");
        assertThat(film(id).where()).as("the queue has it back").isEqualTo(QueuedFilm.Where.WAITS);
    }

    @Test
    public void announcedFilmIsNotProposedUntilItIsHere() throws Exception {
        String[] film = roll("Tomasz", "135-36", "film[0].name", "coming on Friday");
        film[List.of(film).indexOf("here") + 1] = "no";
        leave("tomasz", film);
        long id = newest();
        assertThat(film(id).where()).isEqualTo(QueuedFilm.Where.ANNOUNCED);
        assertThat(proposed(page("/queue", "tomasz"))).noneMatch(key -> key.matches(".*[:,]" + id + "(,.*)?"));
        send("/queue/" + id + "/stages", "bram", "stage", "HERE");
        assertThat(film(id).where()).isEqualTo(QueuedFilm.Where.WAITS);
        send("/queue/" + id + "/stages", "bram", "stage", "WITHDRAWN");
    }

    @Test(dependsOnMethods = "aProposalBecomesALoadAndLoggingItEmptiesTheQueue")
    public void filmIsTakenBackByWhoeverBroughtIt() throws Exception {
        leave("ines", roll("Ines", "120", "film[0].name", "a mistake"));
        long id = newest();
        assertThat(send("/queue/" + id + "/stages", "ines", "stage", "COLLECTED")
                        .getStatus())
                .as("not run yet")
                .isEqualTo(422);
        send("/queue/" + id + "/stages", "ines", "stage", "WITHDRAWN");
        assertThat(film(id).where()).isEqualTo(QueuedFilm.Where.WITHDRAWN);
        assertThat(page("/queue", "ines")).doesNotContain("a mistake");
    }

    @Test
    public void aCanHasALabel() throws Exception {
        String labels = page("/queue/labels?film=3,5", "ines");
        assertThat(labels)
                .contains(">K3<", ">K5<", "harbour, cold morning", "cannot be made again")
                .doesNotContain(">K4<");
        assertThat(page("/queue/labels", "ines")).contains(">K4<");
    }

    @Test
    public void paymentsOfOthersStandInNobodysJournalButTheStewards() throws Exception {
        assertThat(page("/journal?kind=MONEY", "bram")).contains("Devi paid NZ$25.00");
        assertThat(page("/journal?kind=MONEY", "ines"))
                .contains("Ines paid NZ$40.00")
                .doesNotContain("Devi paid");
        assertThat(page("/journal?text=paid", "ines")).doesNotContain("Devi paid");
        long entry = log.book().entries().stream()
                .filter(row ->
                        row instanceof PaymentRecorded paid && paid.account().equals("Devi"))
                .findFirst()
                .orElseThrow()
                .stamp()
                .sequence();
        assertThat(answer(MockMvcRequestBuilders.get("/journal/" + entry + "/void"), "ines")
                        .getStatus())
                .isEqualTo(403);
    }

    /** The first match of a pattern. */
    private static final class Matcher {
        private final java.util.regex.Matcher match;

        Matcher(String text, String pattern) {
            match = Pattern.compile(pattern).matcher(text);
            assertThat(match.find()).as(pattern).isTrue();
        }

        String group(int i) {
            return match.group(i);
        }
    }

    /** What the form of a page would send, as it stands. */
    private static final class Fields {
        private static final Pattern FIELD = Pattern.compile("(?s)<input\\b([^>]*)>|<select\\b([^>]*)>(.*?)</select>");

        static String[] of(String page) {
            List<String> fields = new ArrayList<>();
            FIELD.matcher(page).results().forEach(field -> {
                boolean input = field.group(1) != null;
                String tag = input ? field.group(1) : field.group(2);
                String name = attribute(tag, "name");
                String type = attribute(tag, "type");
                boolean off = (type.equals("checkbox") || type.equals("radio")) && !tag.contains("checked");
                if (!name.isEmpty()
                        && !off
                        && !List.of("_csrf", "formKey", "back").contains(name)) {
                    fields.add(name);
                    fields.add(input ? attribute(tag, "value") : chosen(field.group(3)));
                }
            });
            return fields.toArray(String[]::new);
        }

        private static String chosen(String options) {
            String first = "";
            for (MatchResult option : Pattern.compile("<option\\b([^>]*)>")
                    .matcher(options)
                    .results()
                    .toList()) {
                String value = attribute(option.group(1), "value");
                first = option.start() == 0 ? value : first;
                if (option.group(1).contains("selected")) {
                    return value;
                }
            }
            return first;
        }

        private static String attribute(String tag, String name) {
            java.util.regex.Matcher value =
                    Pattern.compile("(?<![-\\w])" + name + "=\"([^\"]*)\"").matcher(tag);
            return value.find() ? HtmlUtils.htmlUnescape(value.group(1)) : "";
        }
    }

    /** A long queue is read a page at a time, the most urgent film first; nobody's film is left out. */
    @Test(dependsOnMethods = "filmIsTakenBackByWhoeverBroughtIt")
    public void aLongQueueIsReadPageByPage() throws Exception {
        for (int i = 0; i < 4; i++) {
            send("/queue", "devi", film("24", "135-36", "", "process", "colour-negative"));
        }
        Set<String> seen = new TreeSet<>();
        String page = page("/queue", "devi");
        while (true) {
            java.util.regex.Matcher film =
                    Pattern.compile("id=\"film-([0-9]+)\"").matcher(page);
            int on = 0;
            while (film.find()) {
                assertThat(seen.add(film.group(1))).isTrue();
                on++;
            }
            assertThat(on).isBetween(1, 40);
            java.util.regex.Matcher next =
                    Pattern.compile("/queue\\?from=([0-9]+)\">Less urgent film").matcher(page);
            if (!next.find()) {
                break;
            }
            page = page("/queue?from=" + next.group(1), "devi");
        }
        assertThat(seen).hasSizeGreaterThanOrEqualTo(96);
        assertThat(page("/queue?from=nonsense", "devi"))
                .contains("Less urgent film")
                .doesNotContain("More urgent film");
    }

    /** Whoever begins a load that somebody else has begun hears of it, and starts nothing. */
    @Test(dependsOnMethods = "aLongQueueIsReadPageByPage")
    public void aLoadIsBegunOnce() throws Exception {
        send("/batches/5/loads", "ines", film("1", "135-36", "1", "madeFor", "colour-negative"));
        java.util.regex.Matcher load =
                Pattern.compile("/evening/loads/([0-9]+)/drops").matcher(page("/evening", "bram"));
        String last = "";
        while (load.find()) {
            last = load.group(1);
        }
        start("ines", 5, "135-36", "1", "load", last);
        long rows = log.book().lastSequence();
        MockHttpServletResponse again = send(
                "/batches/5/starts",
                "devi",
                film("1", "135-36", "1", "madeFor", "colour-negative", "load", last, "seen", "" + rows));
        assertThat(again.getStatus()).isEqualTo(422);
        assertThat(again.getContentAsString()).contains("Somebody has started this load already.");
        assertThat(log.book().lastSequence()).isEqualTo(rows);
    }
}
