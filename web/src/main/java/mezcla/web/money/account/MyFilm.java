package mezcla.web.money.account;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import mezcla.batch.BatchState;
import mezcla.batch.LogState;
import mezcla.log.FilmInspected;
import mezcla.log.Roll;
import mezcla.log.RunLogged;
import mezcla.web.access.SignedIn;
import mezcla.web.access.names.KnownNames;
import mezcla.web.log.DarkroomLog;
import mezcla.web.settings.HouseService;
import mezcla.web.telling.EntryWords;
import mezcla.web.words.Figures;
import mezcla.web.words.Spreadsheet;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** A member's own film: what was run, when, through which batch, how it came out, what it was charged. */
@Service
class MyFilm {
    private final DarkroomLog log;
    private final HouseService houses;

    MyFilm(DarkroomLog log, HouseService houses) {
        this.log = log;
        this.houses = houses;
    }

    /**
     * A member's film.
     *
     * @param heading how much it is
     * @param houseName the house
     * @param rolls the rolls, the latest first
     */
    record Page(String heading, String houseName, List<Line> rolls) {}

    /** A roll. */
    record Line(
            boolean own,
            String day,
            String format,
            String name,
            long batch,
            String process,
            String came,
            String charged) {}

    @Transactional(readOnly = true)
    Page page(SignedIn member) {
        List<Line> lines = lines(member);
        int own = (int) lines.stream().filter(Line::own).count();
        return new Page(heading(own, lines.size() - own), houses.house().name(), lines);
    }

    private static String heading(int own, int borne) {
        if (own + borne == 0) {
            return "No film of yours was run yet";
        }
        String guests = Figures.count(borne, "roll") + " that you pay for";
        return Figures.sentence(
                own == 0
                        ? guests
                        : Figures.count(own, "roll") + " of yours so far" + (borne == 0 ? "" : ", and " + guests));
    }

    /** Film that is the member's own, or that they bear. */
    private List<Line> lines(SignedIn member) {
        LogState state = log.state();
        KnownNames names = log.names();
        record Run(BatchState batch, RunLogged run) {}
        List<Line> lines = new ArrayList<>();
        state.batches().values().stream()
                .flatMap(batch -> batch.runs().stream().map(run -> new Run(batch, run)))
                .sorted(Comparator.comparing((Run each) -> each.run().stamp().happenedAt())
                        .reversed())
                .forEach(each -> {
                    for (int i = 0; i < each.run().rolls().size(); i++) {
                        Roll roll = each.run().rolls().get(i);
                        boolean bears = !each.run().charges().isEmpty()
                                && isNow(member, each.run().charges().get(i).account(), names);
                        boolean owns = isNow(member, roll.owner(), names);
                        if (owns || bears) {
                            lines.add(line(each.batch(), each.run(), i, owns));
                        }
                    }
                });
        return lines;
    }

    private static boolean isNow(SignedIn member, String name, KnownNames names) {
        return names.present(name).equals(member.name());
    }

    private Line line(BatchState batch, RunLogged run, int i, boolean owns) {
        Roll roll = run.rolls().get(i);
        String name = roll.film() == null || roll.film().name() == null
                ? (owns ? "" : "of " + roll.owner())
                : roll.film().name();
        return new Line(
                owns,
                Figures.dayAndYear(run.stamp().happenedAt(), houses.house().timeZone()),
                roll.format().label(),
                name,
                batch.id(),
                batch.process().name(),
                batch.looks().stream()
                        .filter(look -> look.run() == run.stamp().sequence() && look.roll() == i)
                        .map(FilmInspected::result)
                        .map(EntryWords::seen)
                        .reduce((first, last) -> last)
                        .orElse("not looked at yet"),
                run.charges().isEmpty()
                        ? ""
                        : run.charges().get(i).amount().getAmount().toPlainString());
    }

    @Transactional(readOnly = true)
    String csv(SignedIn member) {
        return Spreadsheet.of(
                List.of("date", "format", "name", "batch", "process", "came out", "charged"),
                lines(member).stream()
                        .map(line -> List.<Object>of(
                                line.day(),
                                line.format(),
                                line.name(),
                                line.batch(),
                                line.process(),
                                line.came(),
                                line.charged()))
                        .toList());
    }
}
