package mezcla.web.members;

import java.time.ZoneId;
import java.util.List;
import mezcla.web.access.Device;
import mezcla.web.access.Devices;
import mezcla.web.access.Members;
import mezcla.web.access.SignedIn;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.declared.Sent;
import mezcla.web.forms.declared.Takes;
import mezcla.web.settings.HouseService;
import mezcla.web.words.Figures;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.servlet.ModelAndView;

/** How a member comes in, and with which devices; and the record of it, for stewards. */
@Controller
class MeController {
    private final Members members;
    private final Devices devices;
    private final HouseService houses;
    private final OneTimeForms forms;

    MeController(Members members, Devices devices, HouseService houses, OneTimeForms forms) {
        this.members = members;
        this.devices = devices;
        this.houses = houses;
        this.forms = forms;
    }

    /** A device in a list, in words. */
    record DeviceLine(long id, String name, boolean here, String began, String seen) {}

    /** A line of the record, in words. */
    record RecordLine(String when, String who, String what) {}

    @GetMapping("/me")
    ModelAndView me(@AuthenticationPrincipal SignedIn member) {
        refuseGuest();
        return page(member, Sent.nothing());
    }

    /** What is a member's own is changed on their own device, or with their PIN. */
    private static void refuseGuest() {
        if (Device.here().filter(Device::isOfAGuest).isPresent()) {
            throw new AccessDeniedException("a guest at a shared device");
        }
    }

    /** A member’s own devices and password. */
    record Page(List<DeviceLine> devices) {}

    private ModelAndView page(SignedIn member, Sent<?> sent) {
        ZoneId zone = houses.house().timeZone();
        return PageView.of(
                "access/me",
                new Page(devices.of(member.id()).stream()
                        .map(each -> line(each, zone))
                        .toList()),
                sent);
    }

    private static DeviceLine line(Devices.Listed device, ZoneId zone) {
        return new DeviceLine(
                device.id(),
                device.name(),
                Device.here().filter(here -> here.signInId() == device.id()).isPresent(),
                Figures.dayAndHour(device.began(), zone),
                Figures.dayAndHour(device.seen(), zone));
    }

    /** Another password, twice. */
    record PasswordForm(
            @Takes(asTyped = true) String password,
            @Takes(asTyped = true) String old,
            @Takes(asTyped = true) String again) {}

    @PostMapping("/me/password")
    ModelAndView changePassword(Sent<PasswordForm> sent, @AuthenticationPrincipal SignedIn member) {
        refuseGuest();
        if (!sent.typed("again").equals(sent.typed("password"))) {
            sent.errors().add("again", new FormObjection.PasswordsDiffer());
        }
        long here = Device.here().map(Device::signInId).orElse(0L);
        return forms.answer(
                sent,
                "/me?saved",
                form -> members.changePassword(member.id(), form.old(), form.password(), here),
                () -> page(member, sent));
    }

    @PostMapping("/me/devices/{id}/end")
    String end(@PathVariable long id, @AuthenticationPrincipal SignedIn member) {
        refuseGuest();
        devices.endOwn(member.id(), id);
        return "redirect:/me?ended";
    }

    /** Who came in, and the devices of the house. */
    record RecordPage(List<DeviceLine> devices, List<RecordLine> record) {}

    @GetMapping("/house/access")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView record() {
        ZoneId zone = houses.house().timeZone();
        return PageView.of(
                "access/record",
                new RecordPage(
                        devices.shared().stream().map(each -> line(each, zone)).toList(),
                        devices.recorded().stream()
                                .map(each ->
                                        new RecordLine(Figures.dayAndHour(each.at(), zone), each.who(), each.what()))
                                .toList()));
    }
}
