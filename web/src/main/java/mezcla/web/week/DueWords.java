package mezcla.web.week;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import mezcla.batch.DrumLevel;
import mezcla.due.Due;
import mezcla.log.Roll;
import mezcla.log.RunLogged;
import mezcla.measure.Slack;
import mezcla.planning.QueuedFilm;
import mezcla.verdict.RunPlan;
import mezcla.web.words.Figures;
import mezcla.web.words.PartWords;
import mezcla.web.words.verdict.StateWords;

/** What needs doing, in words: what, why, and the step that ends it. */
public final class DueWords implements Due.Told<DueWords.Line> {
    private final LocalDate today;
    private final ZoneId zone;

    DueWords(LocalDate today, ZoneId zone) {
        this.today = today;
        this.zone = zone;
    }

    /** What is drawn beside a line. */
    public enum Look {
        BOTTLE,
        DRUM,
        FILM,
        BOX,
        LIST
    }

    /**
     * A line.
     *
     * @param look what is drawn beside it
     * @param what the thing to do
     * @param why its reason
     * @param shortly the same in a few words, for the days ahead and a calendar
     * @param act the step that ends it
     * @param address where that is done
     */
    public record Line(Look look, String what, String why, String shortly, String act, String address) {}

    private static String batch(RunPlan plan) {
        return "Batch %d, %s".formatted(plan.batch().id(), plan.batch().mixed().name());
    }

    private static String shortly(RunPlan plan) {
        return "batch %d, %s".formatted(plan.batch().id(), plan.batch().mixed().name());
    }

    private static String page(RunPlan plan) {
        return "/batches/" + plan.batch().id();
    }

    @Override
    public Line testFirst(Due.TestFirst due) {
        boolean now = !due.day().isAfter(today);
        return new Line(
                Look.BOTTLE,
                now
                        ? "%s: test before film that matters".formatted(batch(due.plan()))
                        : "%s: test first from %s".formatted(batch(due.plan()), Figures.day(due.day())),
                now ? StateWords.because(due.plan()) : StateWords.outlook(due.plan()) + ".",
                "test " + shortly(due.plan()),
                now ? "Record a clip test" : "See batch",
                page(due.plan()) + (now ? "/run#test" : ""));
    }

    @Override
    public Line discard(Due.Discard due) {
        List<String> renew = StateWords.toRenew(due.plan());
        return new Line(
                Look.BOTTLE,
                "%s: %s"
                        .formatted(
                                batch(due.plan()), renew.isEmpty() ? "discard" : "replace " + String.join(", ", renew)),
                StateWords.because(due.plan()),
                (renew.isEmpty() ? "discard " : "replace baths of ") + shortly(due.plan()),
                renew.isEmpty() ? "Pour away" : "Mix fresh",
                page(due.plan()));
    }

    @Override
    public Line batchEnds(Due.BatchEnds due) {
        String baths = due.fills().stream()
                .map(fill -> Figures.within(fill.bath().role().name()))
                .distinct()
                .collect(Collectors.joining(", "));
        return new Line(
                Look.BOTTLE,
                "%s: last day of %s".formatted(batch(due.plan()), baths),
                "%s. %s.".formatted(day(due.day()), StateWords.outlook(due.plan())),
                "last day of %s (%s)".formatted(shortly(due.plan()), baths),
                "See batch",
                page(due.plan()));
    }

    @Override
    public Line lastRolls(Due.LastRolls due) {
        double rolls = Slack.floor(due.rolls());
        return new Line(
                Look.BOTTLE,
                "%s: %s"
                        .formatted(
                                batch(due.plan()),
                                rolls < 1 ? "no whole roll left" : Figures.countOfRolls(rolls) + " left"),
                "%s%s"
                        .formatted(
                                due.waiting() == 0
                                        ? "No film of its process is waiting."
                                        : Figures.sentence(Figures.count(due.waiting(), "film"))
                                                + (due.waiting() == 1 ? " is waiting." : " are waiting."),
                                due.day().isAfter(today)
                                        ? " Used up about %s at the rate of the last weeks."
                                                .formatted(Figures.day(due.day()))
                                        : ""),
                shortly(due.plan()) + " used up, about",
                "Mix the next",
                "/bench");
    }

    @Override
    public Line switchLeaflet(Due.SwitchLeaflet due) {
        return new Line(
                Look.BOTTLE,
                batch(due.plan()) + ": its leaflet was corrected",
                "Version %d is right; the batch still goes by the one that was mistyped."
                        .formatted(due.remark().version()),
                "switch leaflet of " + shortly(due.plan()),
                "See what changes",
                page(due.plan()) + "/leaflet");
    }

    @Override
    public Line checkShelf(Due.CheckShelf due) {
        return new Line(
                Look.BOTTLE,
                due.bottles() == 1
                        ? "1 bottle hasn’t been checked for a month"
                        : "%d bottles haven’t been checked for a month".formatted(due.bottles()),
                "Find each and say where it is, or that it is gone.",
                "shelf check",
                "Start shelf check",
                "/walk");
    }

    @Override
    public Line collectDrum(Due.CollectDrum due) {
        DrumLevel level = due.level();
        return new Line(
                Look.DRUM,
                level.drum().name() + " is ready for collection",
                "%s of %s in it."
                        .formatted(
                                Figures.inAll(level.levelMl()),
                                Figures.inAll(level.drum().capacityMl())),
                level.drum().name().toLowerCase(Locale.ROOT),
                "Record collection",
                "/waste");
    }

    @Override
    public Line order(Due.Order due) {
        Double lasts = due.supply().lastsWeeks();
        return new Line(
                Look.BOX,
                "Order " + due.supply().leaflet().name(),
                "%s; delivery takes %s."
                        .formatted(
                                lasts == null || lasts < 1
                                        ? "Less than a week’s supply left"
                                        : "Enough for about " + Figures.count((int) Math.floor(lasts), "more week"),
                                Figures.count(due.deliveryWeeks(), "week")),
                "order " + due.supply().leaflet().name(),
                "Kit arrived",
                "/kits/new");
    }

    @Override
    public Line partEnds(Due.PartEnds due) {
        return new Line(
                Look.BOX,
                "%s of kit %d, %s: %s"
                        .formatted(
                                due.part().part().name(),
                                due.kit().id(),
                                due.kit().arrival().leaflet().name(),
                                due.past() ? "past its life" : "last day"),
                due.past()
                        ? "What is mixed from it is tested before film that matters."
                        : "%s. %s".formatted(day(due.day()), Figures.sentence(PartWords.keeps(due.part()))),
                "%s of kit %d"
                        .formatted(
                                Figures.within(due.part().part().name()),
                                due.kit().id()),
                "See kit",
                "/kits/" + due.kit().id());
    }

    @Override
    public Line finishMix(Due.FinishMix due) {
        return new Line(
                Look.BOTTLE,
                "A mix is standing at the bench",
                "Batch %d, begun by %s, %s.".formatted(due.batch(), due.by(), Figures.dayAndHour(due.since(), zone)),
                "finish mix",
                "Finish mix",
                "/mixes/" + due.mix());
    }

    @Override
    public Line endRun(Due.EndRun due) {
        return new Line(
                Look.FILM,
                "A run was started and never finished",
                "%s, batch %d, %s."
                        .formatted(
                                due.run().stamp().who(),
                                due.run().batchId(),
                                Figures.dayAndHour(due.run().stamp().happenedAt(), zone)),
                "finish run",
                "Finish run",
                "/runs/" + due.run().stamp().sequence());
    }

    @Override
    public Line lookAtFilm(Due.LookAtFilm due) {
        RunLogged last = due.runs().get(due.runs().size() - 1);
        return new Line(
                Look.FILM,
                "Film to look at: "
                        + due.runs().stream()
                                .flatMap(run -> run.rolls().stream())
                                .map(Roll::owner)
                                .distinct()
                                .collect(Collectors.joining(", ")),
                "%s through batch %d, the last on %s."
                        .formatted(
                                Figures.sentence(Figures.count(due.runs().size(), "run")),
                                due.batch().id(),
                                Figures.day(last.stamp().happenedAt(), zone)),
                "look at film of batch " + due.batch().id(),
                "Record look",
                "/batches/%d/looks/%d".formatted(due.batch().id(), last.stamp().sequence()));
    }

    @Override
    public Line pickUp(Due.PickUp due) {
        int films = due.film().size();
        return new Line(
                Look.FILM,
                "%s: %s dry".formatted(due.owner(), films == 1 ? "1 film is" : films + " films are"),
                "%s, since %s."
                        .formatted(
                                due.film().stream().map(QueuedFilm::code).collect(Collectors.joining(", ")),
                                Figures.day(
                                        due.film().stream()
                                                .map(QueuedFilm::since)
                                                .min(Comparator.naturalOrder())
                                                .orElseThrow(),
                                        zone)),
                "film of %s dry".formatted(due.owner()),
                "Record pick-up",
                "/queue#after");
    }

    @Override
    public Line filmWanted(Due.FilmWanted due) {
        QueuedFilm film = due.film();
        LocalDate by = film.dropped().by();
        return new Line(
                Look.FILM,
                "%s’s %s is wanted by %s"
                        .formatted(film.roll().owner(), film.code(), by == null ? "" : Figures.day(by)),
                "%s, %s; %s."
                        .formatted(
                                film.roll().format().label(),
                                Figures.within(film.process().name()),
                                film.where() == QueuedFilm.Where.WAITS ? "in the darkroom" : "not here yet"),
                film.code() + " wanted by",
                "Plan loads",
                "/queue#film-" + film.id());
    }

    @Override
    public Line decideProposal(Due.DecideProposal due) {
        return new Line(
                Look.BOX,
                due.by() + " says a kit arrived",
                "Its price is entered once a steward agrees.",
                "kit arrived",
                "Decide",
                "/cupboard");
    }

    @Override
    public Line signOff(Due.SignOff due) {
        return new Line(
                Look.LIST,
                due.members().size() == 1
                        ? "Sign %s off".formatted(due.members().get(0))
                        : "%d members wait to be signed off"
                                .formatted(due.members().size()),
                "%s practised, or ran film for the first time.".formatted(String.join(", ", due.members())),
                "sign off members",
                "See members",
                "/practice/members");
    }

    @Override
    public Line copyTooOld(Due.CopyTooOld due) {
        LocalDate last = due.last();
        return new Line(
                Look.LIST,
                last == null ? "No copy has been made yet" : "The last copy is of " + Figures.day(last),
                "A copy is made each day. If none is, its page says why.",
                "copy too old",
                "See copies",
                "/house/data");
    }

    @Override
    public Line clockInDoubt(Due.ClockInDoubt due) {
        return new Line(
                Look.LIST,
                "The clock may be wrong",
                "Days, ages and charges go by it.",
                "clock in doubt",
                "Set it right",
                "/house/clock");
    }

    private String day(LocalDate day) {
        return day.equals(today) ? "Today" : Figures.day(day);
    }
}
