package mezcla.web.histories;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import mezcla.due.NeedsDoing;
import mezcla.leaflet.Unit;
import mezcla.measure.ProcessingTime;
import mezcla.verdict.FillLimits;
import mezcla.verdict.RunPlan;
import mezcla.verdict.State;
import mezcla.web.words.Figures;
import mezcla.web.words.verdict.StateWords;

/**
 * Reads every page that shows figures of a batch as text, and holds each against the one answer and against the second
 * computation.
 */
final class PagesRead {
    private final Function<String, String> page;
    private final Set<String> read = new HashSet<>();

    /** How a page is asked for, by its address. */
    PagesRead(Function<String, String> page) {
        this.page = page;
    }

    /**
     * What pages have to show.
     *
     * @param when which step that is
     * @param answer the next roll through the batch
     * @param plan the same by the second computation
     * @param baths the baths, by their keys, of the second computation
     * @param soFar what a roll cost so far by it, either way where it is on the edge; empty before the first
     * @param atPrint what a roll costs as printed by it, likewise; empty for no print
     * @param parts what is left of each kit's parts by it, by kit and name
     * @param wall the wall's secret address
     * @param calendar the calendar's
     * @param othersPlan the address of another member's plan, in the tank of the answer
     */
    record Asked(
            String when,
            RunPlan answer,
            PlainBatch.Plan plan,
            Map<String, PlainBath> baths,
            Set<String> soFar,
            Set<String> atPrint,
            Map<Long, Map<String, double[]>> parts,
            String wall,
            String calendar,
            String othersPlan) {
        private String word() {
            return StateWords.of(answer);
        }

        private long id() {
            return answer.batch().id();
        }

        /** The developer's time, where pages show one. */
        private Optional<String> time() {
            return answer.verdict().state() == State.DISCARD
                    ? Optional.empty()
                    : answer.imageDeveloper()
                            .flatMap(RunPlan.PlannedBath::shown)
                            .map(ProcessingTime::toString);
        }
    }

    /** Reads them all; every route that says it shows something has to be among them. */
    void all(Asked asked) {
        assertThat(asked.answer().fits())
                .as(asked.when())
                .isEqualTo(asked.plan().fits());
        assertThat(asked.answer().verdict().state().name())
                .as(asked.when())
                .isEqualTo(asked.plan().state());
        crate(asked, "/shelf", "/batches/" + asked.id());
        crate(asked, "/run", "/batches/" + asked.id() + "/run");
        crate(asked, "/wall/{secret}", "");
        crate(asked, "/wall-sheet", "");
        batch(asked);
        othersPlan(asked);
        card(asked);
        labels(asked);
        calendar(asked);
        week(asked);
        bottles(asked);
        kits(asked);
        cost(asked);
        warmth(asked);
    }

    /** The routes that were read. */
    Set<String> read() {
        return read;
    }

    private String text(Asked asked, String route) {
        read.add(route);
        return words(page.apply(route.replace("{id}", Long.toString(asked.id()))
                .replace("/wall/{secret}", "/wall/" + asked.wall())
                .replace("/calendar/{secret}", "/calendar/" + asked.calendar())));
    }

    private static String words(String html) {
        return html.replace('\u00a0', ' ').replace("&nbsp;", " ");
    }

    /** A crate, a line of a full board, or a row of the wall sheet: its state's word and its time. */
    private void crate(Asked asked, String route, String link) {
        String all = text(asked, route).replaceAll("To do today: [^<]*", "");
        String block = link.isEmpty() ? aroundNumber(asked, all) : linked(all, link);
        assertThat(block)
                .as("%s: batch %d on %s", asked.when(), asked.id(), route)
                .isNotEmpty();
        assertThat(block).as("%s: %s", asked.when(), route).contains(asked.word());
        asked.time()
                .ifPresent(time ->
                        assertThat(block).as("%s: %s", asked.when(), route).contains(time));
    }

    private static String linked(String all, String link) {
        Matcher matcher = Pattern.compile("<a[^>]*href=\"" + Pattern.quote(link) + "\"[^>]*>.*?</a>", Pattern.DOTALL)
                .matcher(all);
        StringBuilder found = new StringBuilder();
        while (matcher.find()) {
            found.append(matcher.group());
        }
        return found.toString();
    }

    private static String aroundNumber(Asked asked, String all) {
        String name = asked.answer().batch().mixed().name();
        for (String each : all.split("(?=<div class=\"crate-place\")|(?=<li[ >])|(?=<a )")) {
            if (each.contains("Crate %d, %s:".formatted(asked.id(), name))
                    || each.contains(">%d %s<".formatted(asked.id(), name))
                    || each.contains("%d, %s".formatted(asked.id(), name))) {
                return each;
            }
        }
        return "";
    }

    private void batch(Asked asked) {
        String all = text(asked, "/batches/{id}");
        assertThat(all).as(asked.when()).contains(asked.word());
        asked.time().ifPresent(time -> assertThat(all).as(asked.when()).contains(time));
        shows(asked, all, asked.soFar(), "<dt>so far</dt><dd>%s</dd>");
        shows(asked, all, asked.atPrint(), "<dt>at printed capacity</dt><dd>%s</dd>");
    }

    /** Another member's plan, in the same tank: the same times. */
    private void othersPlan(Asked asked) {
        read.add("/batches/{id}/run");
        String all = words(page.apply(asked.othersPlan()));
        assertThat(all).as(asked.when() + ": another member's plan").contains(asked.word());
        if (asked.plan().fits()) {
            asked.plan().seconds().values().forEach(seconds -> assertThat(all)
                    .as(asked.when() + ": another member's plan")
                    .contains(Figures.clock(seconds)));
        }
    }

    private void card(Asked asked) {
        String all = text(asked, "/batches/{id}/card");
        if (asked.plan().fits()) {
            asked.plan().seconds().values().forEach(seconds -> assertThat(all)
                    .as(asked.when() + ": card")
                    .contains(Figures.clock(seconds)));
            boolean goesOn = !asked.plan().states().containsValue("DISCARD");
            asked.plan().lastDays().values().stream()
                    .filter(day -> goesOn)
                    .min(Comparator.naturalOrder())
                    .ifPresent(
                            day -> assertThat(all).as(asked.when() + ": card").contains(Figures.day(day)));
        }
    }

    private void labels(Asked asked) {
        String all = text(asked, "/batches/{id}/labels");
        List<String> labels = List.of(all.split("<article class=\"bottle-label\""));
        for (FillLimits limits : asked.answer().limits()) {
            String bottle = "Label for bottle " + limits.fill().bottle().label() + "\"";
            String label = labels.stream()
                    .filter(each -> each.contains(bottle))
                    .findFirst()
                    .orElseThrow(() -> new AssertionError(asked.when() + ": no " + bottle));
            String key = limits.fill().mixed().bathKey();
            LocalDate last = asked.plan().lastDays().get(key);
            if (last != null) {
                assertThat(label).as(asked.when() + ": label").contains(Figures.dayAndYear(last));
            }
            Double inAll = asked.plan().inAll().get(key);
            if (inAll != null) {
                long boxes = label.split("aria-hidden=\"true\"[^>]*>[0-9]+</span>", -1).length - 1L;
                assertThat(boxes)
                        .as(asked.when() + ": boxes")
                        .isIn((long) Math.min(24, Math.floor(inAll + 1e-9)), (long)
                                Math.min(24, Math.floor(inAll - 1e-9)));
            }
        }
    }

    private void calendar(Asked asked) {
        String all = text(asked, "/calendar/{secret}.ics").replaceAll("\\R[ \t]", "");
        asked.plan().lastDays().values().forEach(last -> assertThat(all)
                .as(asked.when() + ": calendar")
                .contains("DTSTART;VALUE=DATE:" + last.toString().replace("-", "")));
        assertThat(all.contains("ast day of batch %d\\,".formatted(asked.id())))
                .as(asked.when() + ": calendar")
                .isEqualTo(!asked.plan().lastDays().isEmpty());
    }

    /** What is to be tested, poured away, or has its last day soon. */
    private void week(Asked asked) {
        String all = text(asked, "/week");
        String batch = "Batch %d, %s: "
                .formatted(asked.id(), asked.answer().batch().mixed().name());
        LocalDate today = LocalDate.ofInstant(
                asked.answer().question().at(), asked.answer().question().zone());
        assertThat(all.contains(batch + "test before film that matters"))
                .as(asked.when() + ": week, tested")
                .isEqualTo(asked.plan().state().equals(State.CHECK.name()));
        assertThat(all.contains(batch + "replace ") || all.contains(batch + "discard"))
                .as(asked.when() + ": week, poured away")
                .isEqualTo(asked.plan().state().equals(State.DISCARD.name()));
        assertThat(all.contains(batch + "last day of "))
                .as(asked.when() + ": week, last days")
                .isEqualTo(asked.plan().lastDays().values().stream()
                        .anyMatch(last -> !last.isBefore(today) && last.isBefore(today.plusDays(NeedsDoing.DAYS))));
    }

    private void bottles(Asked asked) {
        read.add("/fills/{id}");
        asked.answer().baths().forEach(planned -> {
            PlainBath bath = Objects.requireNonNull(
                    asked.baths().get(planned.fill().mixed().bathKey()));
            assertThat(words(page.apply("/fills/" + planned.fill().id())))
                    .as(asked.when() + ": bottle")
                    .contains(Figures.ml(bath.volume).replace('\u00a0', ' ') + " in bottle");
        });
    }

    private void kits(Asked asked) {
        read.add("/kits/{id}");
        String cupboard = text(asked, "/cupboard");
        asked.parts().forEach((kit, parts) -> {
            String own = words(page.apply("/kits/" + kit));
            boolean usedUp = parts.values().stream().anyMatch(left -> left[0] < 1e-6);
            parts.forEach((name, left) -> {
                String figure = "%s: kit %d, %s".formatted(asked.when(), kit, name);
                assertThat(own).as(figure).containsPattern(either(left));
                if (!usedUp) {
                    assertThat(cupboard).as(figure + " in the cupboard").containsPattern(either(left));
                }
            });
        });
    }

    /** A figure on the edge between two roundings may be written either way. */
    private static String either(double[] left) {
        Unit unit = Unit.values()[(int) left[1]];
        return ">(%s|%s|%s) of "
                .formatted(
                        written(left[0], unit),
                        written(Math.max(0, left[0] - 1e-6), unit),
                        written(left[0] + 1e-6, unit));
    }

    private static String written(double amount, Unit unit) {
        return Pattern.quote(Figures.amount(amount, unit).replaceFirst("\u00a0.*", ""));
    }

    private void cost(Asked asked) {
        read.add("/money");
        String all = words(page.apply("/money?batch=" + asked.id()));
        shows(asked, all, asked.soFar(), "%s");
        shows(asked, all, asked.atPrint(), "%s");
    }

    private static void shows(Asked asked, String all, Set<String> figures, String where) {
        if (!figures.isEmpty()) {
            assertThat(figures.stream().map(where::formatted))
                    .as(asked.when() + ": " + where)
                    .anyMatch(all::contains);
        }
    }

    private static final Pattern POUR = Pattern.compile("pour at ([0-9]{2}:[0-9]{2})");

    /** The run's page and the warm-up's page say the same hour. */
    private void warmth(Asked asked) {
        Optional<String> run = hour(words(page.apply(asked.othersPlan())));
        String query = asked.othersPlan()
                .replaceFirst("^[^?]*\\?", "")
                .replace("&", "%26")
                .replace("=", "%3D");
        read.add("/batches/{id}/warm-up");
        Optional<String> warm = hour(words(page.apply("/batches/" + asked.id() + "/warm-up?plan=" + query)));
        if (run.isPresent()) {
            assertThat(warm).as(asked.when() + ": warm at").isEqualTo(run);
        }
    }

    private static Optional<String> hour(String text) {
        Matcher matcher = POUR.matcher(text);
        return matcher.find() ? Optional.of(matcher.group(1)) : Optional.empty();
    }

    /** What is asked only where there is something to ask for: the acts that plan an evening and leave film read these. */
    private static final Set<String> ANSWERED_IN_ACTS = Set.of("/evening", "/queue");

    /** The routes that show figures and have to be read after every step of every history. */
    static Set<String> wanted() {
        Set<String> wanted = new HashSet<>();
        ShownFigures.SHOWN.forEach((route, figures) -> {
            if (!figures.isEmpty()) {
                wanted.add(route);
            }
        });
        wanted.removeAll(ANSWERED_IN_ACTS);
        return wanted;
    }
}
