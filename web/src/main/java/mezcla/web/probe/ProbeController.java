package mezcla.web.probe;

import java.util.List;
import java.util.Map;
import mezcla.measure.TypedObjection;
import mezcla.web.access.SignedIn;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.typed.TypedText;
import mezcla.web.house.House;
import mezcla.web.house.HouseService;
import mezcla.web.words.Figures;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The house's probes. */
@Controller
class ProbeController {
    private static final int NAME_CHARACTERS = 40;

    private final ProbeService probes;
    private final HouseService houses;
    private final OneTimeForms forms;

    ProbeController(ProbeService probes, HouseService houses, OneTimeForms forms) {
        this.probes = probes;
        this.houses = houses;
        this.forms = forms;
    }

    @GetMapping("/probes")
    ModelAndView probes() {
        return page(Map.of(), new FieldErrors());
    }

    /** The token is shown on the next page, and never again. */
    @PostMapping("/probes")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView add(
            @RequestParam Map<String, String> typed,
            @AuthenticationPrincipal SignedIn member,
            RedirectAttributes told) {
        FieldErrors errors = new FieldErrors();
        String name = errors.read(
                "probe",
                () -> TypedText.of(typed.getOrDefault("probe", ""), NAME_CHARACTERS, new TypedObjection.Missing()));
        return forms.answer(
                errors,
                typed.getOrDefault("formKey", ""),
                () -> {
                    told.addFlashAttribute("token", probes.add(member, FieldErrors.known(name)));
                    return "/probes";
                },
                objection -> "probe",
                () -> page(typed, errors));
    }

    @PostMapping("/probes/{id}/removals")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView remove(@PathVariable long id, @RequestParam Map<String, String> typed) {
        FieldErrors errors = new FieldErrors();
        return forms.answer(
                errors,
                typed.getOrDefault("formKey", ""),
                () -> {
                    probes.remove(id);
                    return "/probes?removed";
                },
                objection -> "probe",
                () -> page(typed, errors));
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
    record Page(List<Line> probes, String heading, String address, Map<String, String> typed) {}

    private ModelAndView page(Map<String, String> typed, FieldErrors errors) {
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
                        house.address() == null ? "http://localhost:8080" : house.address(),
                        typed),
                errors);
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
