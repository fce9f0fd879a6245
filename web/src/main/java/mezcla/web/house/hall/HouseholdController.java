package mezcla.web.house.hall;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.LocalTime;
import java.time.ZoneId;
import mezcla.measure.Refusal;
import mezcla.measure.Temperature;
import mezcla.verdict.School;
import mezcla.web.access.Device;
import mezcla.web.access.Devices;
import mezcla.web.access.Members;
import mezcla.web.access.SignedIn;
import mezcla.web.access.door.SignIns;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.declared.RefusedAt;
import mezcla.web.forms.declared.Sent;
import mezcla.web.forms.declared.Takes;
import mezcla.web.forms.typed.TypedChoice;
import mezcla.web.forms.typed.TypedHour;
import mezcla.web.settings.things.RunHabits;
import mezcla.web.settings.things.Surroundings;
import mezcla.web.words.Units;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.servlet.ModelAndView;

/** The House and the rooms that hold how it does things, what it is called, and how each member reads it. */
@Controller
class HouseholdController {
    private final HouseholdService household;
    private final Members members;
    private final SchoolsService schools;
    private final HouseRooms rooms;
    private final OneTimeForms forms;
    private final Devices devices;
    private final SignIns signIns;

    HouseholdController(
            HouseholdService household,
            Members members,
            SchoolsService schools,
            HouseRooms rooms,
            OneTimeForms forms,
            Devices devices,
            SignIns signIns) {
        this.devices = devices;
        this.signIns = signIns;
        this.schools = schools;
        this.household = household;
        this.members = members;
        this.rooms = rooms;
        this.forms = forms;
    }

    /** What the house is called, and how it reads figures. */
    record HouseForm(
            String houseName,
            @Takes(by = HouseFields.Zone.class) ZoneId timeZone,
            @Takes(or = FormObjection.UnknownUnits.class) Units units,
            @Takes(by = HouseFields.Address.class) @Nullable String address,
            @Takes(by = HouseFields.Currency.class) @Nullable CurrencyUnit currency) {}

    /** How strictly film of a process is judged. */
    record SchoolForm(@Takes(asTyped = true) String process) {}

    /** Its water, its room, how long a kit takes to come and film to dry. */
    @RefusedAt("hotWater")
    record SurroundingsForm(
            Temperature coldWater,
            Temperature hotWater,
            Temperature room,
            @Takes(most = 52, or = FormObjection.NotWeeks.class) int deliveryWeeks,
            @Takes(least = 10, most = 1440, or = FormObjection.NotDryMinutes.class) int dryMinutes,
            @Takes(by = TypedHour.class) @Nullable LocalTime eveningEnds) {}

    /** What it does during a run. */
    @RefusedAt("habits")
    record HabitsForm(boolean scans, boolean advises) {}

    /** How a member reads figures, and their PIN. */
    @RefusedAt("pin")
    record MeForm(
            @Takes(or = FormObjection.UnknownUnits.class) @Nullable Units ownUnits,
            @Takes(asTyped = true) String pin,
            boolean noPin,
            boolean careful) {}

    /** What a device of the house is called. */
    record DeviceForm(@Takes(most = 40) String deviceName) {}

    @GetMapping("/house")
    ModelAndView house() {
        return PageView.of("house/house", rooms.hall());
    }

    @GetMapping("/house/strictness")
    ModelAndView strictness() {
        return strictness(Sent.nothing());
    }

    private ModelAndView strictness(Sent<?> sent) {
        return PageView.of("house/strictness", rooms.strictness(), sent);
    }

    @GetMapping("/house/ways")
    ModelAndView ways() {
        return ways(Sent.nothing());
    }

    private ModelAndView ways(Sent<?> sent) {
        return PageView.of("house/ways", rooms.ways(), sent);
    }

    @GetMapping("/house/this")
    ModelAndView thisHouse() {
        return thisHouse(Sent.nothing());
    }

    private ModelAndView thisHouse(Sent<?> sent) {
        return PageView.of("house/this", rooms.thisHouse(sent.typed()), sent);
    }

    @GetMapping("/house/you")
    ModelAndView you() {
        return you(Sent.nothing());
    }

    private ModelAndView you(Sent<?> sent) {
        return PageView.of("house/you", rooms.you(), sent);
    }

    @PostMapping("/house/details")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView change(Sent<HouseForm> sent) {
        return forms.answer(
                sent,
                "/house/this?saved=house",
                form -> household.change(
                        form.houseName(), form.currency(), form.timeZone(), form.units(), form.address()),
                () -> thisHouse(sent));
    }

    @PostMapping("/house/schools")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView choose(Sent<SchoolForm> sent, @AuthenticationPrincipal SignedIn member) {
        String process = sent.typed("process");
        School school = sent.read(
                "school-" + process,
                () -> TypedChoice.of(
                        School.values(), sent.typed("school-" + process), new FormObjection.UnknownSchool()));
        if (schools.all().stream().noneMatch(each -> each.process().equals(process))) {
            throw Refusal.of(new FormObjection.UnknownProcess());
        }
        return forms.answer(
                sent,
                "/house/strictness?saved=school",
                form -> schools.choose(member, process, FieldErrors.known(school)),
                () -> strictness(sent));
    }

    @PostMapping("/house/surroundings")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView changeSurroundings(Sent<SurroundingsForm> sent) {
        return forms.answer(
                sent,
                "/house/this?saved=surroundings",
                form -> household.change(new Surroundings(
                        form.coldWater().celsius(),
                        form.hotWater().celsius(),
                        form.room().celsius(),
                        form.deliveryWeeks(),
                        form.dryMinutes(),
                        form.eveningEnds() == null ? null : form.eveningEnds().toString())),
                () -> thisHouse(sent));
    }

    @PostMapping("/house/habits")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView changeHabits(Sent<HabitsForm> sent) {
        return forms.answer(
                sent,
                "/house/ways?saved=habits",
                form -> household.change(new RunHabits(form.scans(), form.advises())),
                () -> ways(sent));
    }

    /** Nobody sets these for somebody else at a shared device. */
    @PostMapping("/house/me")
    ModelAndView changeMe(
            Sent<MeForm> sent, @ModelAttribute("guest") boolean guest, @AuthenticationPrincipal SignedIn member) {
        if (guest) {
            throw new AccessDeniedException("a guest at a shared device");
        }
        return forms.answer(
                sent,
                "/house/you?saved=me",
                form -> {
                    String pin = form.pin().strip();
                    if (form.noPin() || !pin.isEmpty()) {
                        members.setPin(member.id(), form.noPin() ? "" : pin);
                    }
                    members.setUnits(member.id(), form.ownUnits());
                    household.careful(member.id(), form.careful());
                },
                () -> you(sent));
    }

    /** Gives this device to the house, under a name that the Journal will say. */
    @PostMapping("/house/device")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView share(
            Sent<DeviceForm> sent,
            @AuthenticationPrincipal SignedIn steward,
            HttpServletRequest request,
            HttpServletResponse response) {
        return forms.answer(
                sent,
                "/who",
                form -> {
                    Device device = Device.here()
                            .filter(here -> !here.shared())
                            .orElseThrow(() -> Refusal.of(new FormObjection.UnknownDevice()));
                    devices.share(steward, device.signInId(), form.deviceName());
                    signIns.keepLonger(request, response);
                },
                () -> you(sent));
    }
}
