package mezcla.web.money.buy;

import java.util.Map;
import mezcla.planning.BatchSize;
import mezcla.planning.Season;
import mezcla.web.drawing.cost.SeasonDrawing;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.PageView;
import mezcla.web.words.Figures;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

/** Which kit to buy, and how much of it to mix at once. */
@Controller
class BuyController {
    private final BuyPages pages;
    private final Seasons seasons;

    BuyController(BuyPages pages, Seasons seasons) {
        this.pages = pages;
        this.seasons = seasons;
    }

    @GetMapping("/money/kits")
    ModelAndView kits(@RequestParam Map<String, String> typed) {
        FieldErrors errors = new FieldErrors();
        return PageView.of("money/kits", pages.page(typed, errors), errors);
    }

    /**
     * Seasons: how far they are, or how they spread.
     *
     * @param done how many there are
     * @param all how many there will be
     * @param over whether all are there
     * @param heading what they come to
     * @param spread the same in more words
     * @param drawing the same as a picture; null before
     * @param query the same question, as an address carries it
     */
    record Thought(
            int done,
            int all,
            boolean over,
            String heading,
            String spread,
            @Nullable SeasonDrawing drawing,
            String query) {}

    @GetMapping("/money/kits/seasons")
    ModelAndView seasons(@RequestParam Map<String, String> typed) {
        FieldErrors errors = new FieldErrors();
        BuyPages.Asked asked = pages.asked(typed, errors);
        BatchSize size = pages.best(asked).orElse(null);
        Seasons.Going going = size == null ? null : seasons.of(size, asked.process(), asked.perWeek(), asked.saved());
        Season season = going == null ? null : going.season();
        return PageView.of(
                "money/seasons",
                new Thought(
                        going == null ? Seasons.COUNT : going.done(),
                        Seasons.COUNT,
                        size == null || season != null,
                        heading(size, season),
                        spread(season),
                        season == null || season.isEmpty() ? null : SeasonDrawing.of(season),
                        BuyPages.query(asked)),
                new FieldErrors());
    }

    private static String heading(@Nullable BatchSize size, @Nullable Season season) {
        if (size == null) {
            return "No kit with a known price yet";
        }
        if (season == null) {
            return "Seasons are being thought up";
        }
        return season.isEmpty()
                ? "No season had any film"
                : "Most seasons cost %s to %s a roll"
                        .formatted(
                                Figures.money(season.cheap()),
                                season.dear().getAmount().toPlainString());
    }

    private static String spread(@Nullable Season season) {
        return season == null || season.isEmpty()
                ? ""
                : ("Eight of ten seasons of half a year lie between; the middle one cost %s a roll, with %s run and %s poured"
                                + " away unused.")
                        .formatted(
                                Figures.money(season.middle()),
                                Figures.countOfRolls(season.rolls()),
                                season.poured() == 0 ? "nothing" : "room for " + Figures.countOfRolls(season.poured()));
    }
}
