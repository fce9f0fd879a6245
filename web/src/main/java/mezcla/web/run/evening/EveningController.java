package mezcla.web.run.evening;

import java.time.Duration;
import java.time.LocalTime;
import java.util.List;
import java.util.Optional;
import mezcla.measure.Refusal;
import mezcla.verdict.Evening;
import mezcla.web.access.SignedIn;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.declared.Asked;
import mezcla.web.forms.declared.RefusedAt;
import mezcla.web.forms.declared.Sent;
import mezcla.web.forms.typed.TypedHour;
import mezcla.web.settings.HouseService;
import mezcla.web.words.Figures;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.servlet.ModelAndView;

/** The evening: several loads in a row. */
@Controller
class EveningController {
    private final EveningService evenings;
    private final HouseService houses;
    private final OneTimeForms forms;

    EveningController(EveningService evenings, HouseService houses, OneTimeForms forms) {
        this.evenings = evenings;
        this.houses = houses;
        this.forms = forms;
    }

    /** A load that is taken out of the evening. */
    @RefusedAt("evening")
    record DropForm() {}

    @GetMapping("/evening")
    ModelAndView evening(Sent<Asked> sent) {
        return page(sent);
    }

    @PostMapping("/evening/loads/{id}/drops")
    ModelAndView drop(@PathVariable long id, Sent<DropForm> sent, @AuthenticationPrincipal SignedIn member) {
        return forms.answer(sent, "/evening?dropped", form -> evenings.drop(member, id), () -> page(sent));
    }

    /**
     * The evening.
     *
     * @param evening its loads; null where there are none, or they cannot be planned
     * @param stuck the loads that are planned, for dropping what holds the rest back
     * @param pour when the first load is poured, as typed
     * @param between how long there is between two loads, as typed
     * @param warm whether everything is said to be warm
     * @param staysWarm how long a batch is taken to stay warm, in words
     */
    record Page(
            @Nullable EveningView evening,
            List<EveningService.Load> stuck,
            String pour,
            String between,
            boolean warm,
            String staysWarm) {}

    private ModelAndView page(Sent<?> sent) {
        String pour = sent.typed("pour").strip();
        String minutes = sent.typed()
                .getOrDefault("between", Long.toString(Evening.BETWEEN.toMinutes()))
                .strip();
        boolean warm = sent.typed("warm").equals("yes");
        LocalTime pourAt = pour.isEmpty() ? null : sent.read("pour", () -> TypedHour.of(pour));
        Duration between = sent.read("between", () -> between(minutes));
        Optional<EveningView> evening = sent.read("evening", () -> evenings.plan(
                        pourAt, between == null ? Evening.BETWEEN : between, warm)
                .map(plan -> EveningView.of(plan, evenings.now(), houses.house().timeZone())));
        return PageView.of(
                "run/evening",
                new Page(
                        evening == null ? null : evening.orElse(null),
                        evenings.loads(),
                        pour,
                        minutes,
                        warm,
                        Figures.count((int) Evening.STAYS_WARM.toHours(), "hour")),
                sent);
    }

    private static Duration between(String typed) {
        if (!typed.matches("[0-9]{1,3}")
                || Integer.parseInt(typed) < Evening.LEAST_BETWEEN_MINUTES
                || Integer.parseInt(typed) > Evening.MOST_BETWEEN_MINUTES) {
            throw Refusal.of(
                    new FormObjection.NotBetween(typed, Evening.LEAST_BETWEEN_MINUTES, Evening.MOST_BETWEEN_MINUTES));
        }
        return Duration.ofMinutes(Integer.parseInt(typed));
    }
}
