package mezcla.web.house.standin;

import java.util.List;
import java.util.Objects;
import mezcla.leaflet.BathRole;
import mezcla.leaflet.Range;
import mezcla.leaflet.SheetLines;
import mezcla.measure.Refusal;
import mezcla.verdict.StandIns;
import mezcla.web.access.SignedIn;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.declared.RefusedAt;
import mezcla.web.forms.declared.Sent;
import mezcla.web.settings.HouseService;
import mezcla.web.words.Figures;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.servlet.ModelAndView;

/** A page for what stands in where a sheet prints no limit: everybody reads it, a steward changes it. */
@Controller
class StandInController {
    private static final double MOST_DAYS = 3650;
    private static final double MOST_ROLLS = 500;

    private final HouseService houses;
    private final StandInService standIns;
    private final OneTimeForms forms;

    StandInController(HouseService houses, StandInService standIns, OneTimeForms forms) {
        this.houses = houses;
        this.standIns = standIns;
        this.forms = forms;
    }

    /**
     * A bath in the table.
     *
     * @param key its role
     * @param name what it is called
     * @param life how long it lasts, as it could be typed; empty for no limit
     * @param rolls how many rolls a litre takes, likewise
     */
    public record Line(String key, String name, String life, String rolls) {}

    private record Changed(BathRole role, @Nullable Double life, @Nullable Double rolls) {}

    /** What stands in, by the role of a bath. */
    @RefusedAt("life-developer")
    record StandInForm() {}

    @GetMapping("/house/stand-ins")
    ModelAndView all() {
        return page(Sent.nothing());
    }

    @PostMapping("/house/stand-ins")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView change(Sent<StandInForm> sent, @AuthenticationPrincipal SignedIn member) {
        List<Changed> read = BathRole.standard().stream()
                .map(role -> new Changed(
                        role,
                        sent.read("life-" + role.key(), () -> life(sent.typed("life-" + role.key()))),
                        sent.read("rolls-" + role.key(), () -> rolls(sent.typed("rolls-" + role.key())))))
                .toList();
        return forms.answer(sent, "/house/stand-ins?changed", form -> change(read, member), () -> page(sent));
    }

    private void change(List<Changed> read, SignedIn member) {
        StandIns now = houses.standIns();
        for (Changed each : read) {
            BathRole.Nature nature = each.role().nature();
            boolean same = Objects.equals(now.lifeDays().get(nature), each.life())
                    && Objects.equals(now.rollsALitre().get(nature), each.rolls());
            if (!same) {
                standIns.decide(member, nature, new StandInService.Limits(each.life(), each.rolls()));
            }
        }
    }

    private static @Nullable Double life(String typed) {
        return one(typed, SheetLines.life(typed.isBlank() ? "1" : typed), MOST_DAYS);
    }

    private static @Nullable Double rolls(String typed) {
        return one(typed, SheetLines.range(typed.isBlank() ? "1" : typed), MOST_ROLLS);
    }

    private static @Nullable Double one(String typed, Range read, double most) {
        if (typed.isBlank()) {
            return null;
        }
        if (read.min() != read.max() || read.max() > most) {
            throw Refusal.of(new FormObjection.NotALimit(typed.strip()));
        }
        return read.max();
    }

    /** What counts where sheets print nothing. */
    record Page(List<Line> lines) {}

    private ModelAndView page(Sent<?> sent) {
        StandIns now = houses.standIns();
        return PageView.of(
                "house/stand-ins",
                new Page(BathRole.standard().stream()
                        .map(role -> new Line(
                                role.key(),
                                role.name(),
                                figure(now.lifeDays().get(role.nature())),
                                figure(now.rollsALitre().get(role.nature()))))
                        .toList()),
                sent);
    }

    private static String figure(@Nullable Double value) {
        return value == null ? "" : Figures.plain(value, 2);
    }
}
