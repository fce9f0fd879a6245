package mezcla.web.access.door;

import java.util.Objects;
import mezcla.measure.Refusal;
import mezcla.web.access.Device;
import mezcla.web.access.Devices;
import mezcla.web.access.SignedIn;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.typed.TypedChoice;
import org.springframework.http.HttpStatus;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

/** Who is at this shared device? And which devices are shared? */
@Controller
class WhoController {
    private final Devices devices;
    private final KeptForms kept;

    WhoController(Devices devices, KeptForms kept) {
        this.devices = devices;
        this.kept = kept;
    }

    @GetMapping("/who")
    ModelAndView who(@RequestParam(defaultValue = "") String member, Model model) {
        return page(member, new FieldErrors(), model);
    }

    @PostMapping("/who")
    ModelAndView choose(
            @RequestParam(defaultValue = "") String member, @RequestParam(defaultValue = "") String pin, Model model) {
        FieldErrors errors = new FieldErrors();
        Device device = Device.here().orElseThrow(() -> Refusal.of(new FormObjection.DeviceNotShared()));
        Long chosen = errors.read("pin", () -> {
            long id = TypedChoice.number(member, new FormObjection.UnknownMember());
            devices.choose(device, id, pin.strip());
            return id;
        });
        return chosen == null
                ? page(member, errors, model)
                : new ModelAndView("redirect:" + Objects.requireNonNullElse(kept.page(device.signInId()), "/shelf"));
    }

    private ModelAndView page(String member, FieldErrors errors, Model model) {
        if (Device.here().filter(Device::shared).isEmpty()) {
            throw Refusal.of(new FormObjection.DeviceNotShared());
        }
        model.addAttribute("people", devices.people());
        model.addAttribute(
                "asked",
                devices.people().stream()
                        .filter(each -> Long.toString(each.id()).equals(member) && each.pinHash() != null)
                        .findFirst()
                        .orElse(null));
        model.addAttribute("errors", errors);
        return new ModelAndView(
                "layout/who", model.asMap(), errors.none() ? HttpStatus.OK : HttpStatus.UNPROCESSABLE_CONTENT);
    }

    /** Takes a device back that the house had. */
    @PostMapping("/house/devices/{id}/end")
    @PreAuthorize("hasRole('STEWARD')")
    String end(@PathVariable long id, @AuthenticationPrincipal SignedIn steward) {
        devices.endShared(steward, id);
        return Device.here().filter(here -> here.signInId() == id).isPresent()
                ? "redirect:/sign-in?out"
                : "redirect:/house/access";
    }
}
