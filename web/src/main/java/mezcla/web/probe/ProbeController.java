package mezcla.web.probe;

import java.util.List;
import mezcla.web.access.SignedIn;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.declared.RefusedAt;
import mezcla.web.forms.declared.Sent;
import mezcla.web.forms.declared.Takes;
import mezcla.web.probes.Probe;
import mezcla.web.probes.ProbeService;
import mezcla.web.settings.HouseService;
import mezcla.web.settings.things.House;
import mezcla.web.words.Figures;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The house's probes. */
@Controller
class ProbeController {
    private final ProbeService probes;
    private final HouseService houses;
    private final OneTimeForms forms;

    ProbeController(ProbeService probes, HouseService houses, OneTimeForms forms) {
        this.probes = probes;
        this.houses = houses;
        this.forms = forms;
    }

    /** A probe that may send temperatures. */
    record ProbeForm(@Takes(most = 40) String probe) {}

    /** A probe that sends none any more. */
    @RefusedAt("probe")
    record RemovalForm() {}

    @GetMapping("/probes")
    ModelAndView probes() {
        return page(Sent.nothing());
    }

    /** The token is shown on the next page, and never again. */
    @PostMapping("/probes")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView add(Sent<ProbeForm> sent, @AuthenticationPrincipal SignedIn member, RedirectAttributes told) {
        return forms.answer(
                sent,
                "/probes",
                form -> told.addFlashAttribute("token", probes.add(member, form.probe())),
                () -> page(sent));
    }

    @PostMapping("/probes/{id}/removals")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView remove(@PathVariable long id, Sent<RemovalForm> sent) {
        return forms.answer(sent, "/probes?removed", form -> probes.remove(id), () -> page(sent));
    }

    /**
     * A probe on the list.
     *
     * @param id which one
     * @param name what it is called
     * @param last what it showed last
     */
    public record Line(long id, String name, String last) {}

    /** The probes that may send temperatures. */
    record Page(List<Line> probes, String heading, String address) {}

    private ModelAndView page(Sent<?> sent) {
        List<Line> lines = probes.probes().stream()
                .map(probe -> new Line(probe.id(), probe.name(), last(probe)))
                .toList();
        House house = houses.house();
        return PageView.of(
                "probe/probes",
                new Page(
                        lines,
                        lines.isEmpty()
                                ? "No probe sends temperatures yet"
                                : Figures.sentence(Figures.count(lines.size(), "probe")) + " may send temperatures",
                        house.address() == null ? "http://localhost:8080" : house.address()),
                sent);
    }

    private String last(Probe probe) {
        return probes.last(probe)
                .map(reading -> "%s at %s"
                        .formatted(
                                Figures.celsius(reading.celsius()),
                                Figures.since(
                                        reading.at(),
                                        probes.now(),
                                        houses.house().timeZone())))
                .orElse("nothing yet");
    }
}
