package mezcla.web.house.begin;

import jakarta.servlet.http.HttpServletRequest;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.PageView;
import mezcla.web.forms.declared.Asked;
import mezcla.web.forms.declared.RefusedAt;
import mezcla.web.forms.declared.Sent;
import mezcla.web.forms.declared.Takes;
import mezcla.web.house.hall.HouseFields;
import mezcla.web.house.hall.HouseRooms;
import mezcla.web.house.hall.HouseholdService;
import mezcla.web.settings.things.House;
import mezcla.web.words.Units;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.servlet.ModelAndView;

/** The first page of a house that nobody belongs to yet. */
@Controller
class BeginController {
    private final HouseholdService household;
    private final BeginningCode code;

    BeginController(HouseholdService household, BeginningCode code) {
        this.household = household;
        this.code = code;
    }

    /** The house, and its first steward. */
    @RefusedAt("signInName")
    record BeginForm(
            @Takes(asTyped = true) String code,
            String houseName,
            @Takes(by = HouseFields.Currency.class) CurrencyUnit currency,
            @Takes(by = HouseFields.Zone.class) ZoneId timeZone,
            @Takes(or = FormObjection.UnknownUnits.class) Units units,
            @Takes(by = HouseFields.Address.class) @Nullable String address,
            String name,
            @Takes(asTyped = true) String signInName,
            @Takes(asTyped = true) String password) {}

    /** Where this machine thinks it is; nothing where that is no place. */
    private static String here() {
        String zone = ZoneId.systemDefault().getId();
        return zone.contains("/") && !zone.startsWith("Etc/") ? zone : "";
    }

    @GetMapping("/begin")
    ModelAndView begin(Sent<Asked> sent) {
        sent.begin("timeZone", here());
        return household.begun() ? new ModelAndView("redirect:/sign-in") : page(sent);
    }

    @PostMapping("/begin")
    ModelAndView begun(Sent<BeginForm> sent, HttpServletRequest request) {
        if (household.begun()) {
            return new ModelAndView("redirect:/sign-in");
        }
        sent.read("code", () -> {
            code.check(sent.typed("code"), request.getRemoteAddr());
            return true;
        });
        Boolean begun = sent.errors().none() ? sent.plan(() -> begun(sent.form())) : null;
        return begun == null ? page(sent) : new ModelAndView("redirect:/sign-in?begun");
    }

    private boolean begun(BeginForm form) {
        household.begin(
                new House(form.houseName(), form.currency(), form.timeZone(), form.units(), form.address()),
                form.name(),
                form.signInName().strip(),
                form.password());
        code.forget();
        return true;
    }

    /** What the first page offers to choose from. */
    record Page(List<Units> allUnits, List<String> zones, Map<String, String> currencies) {}

    private static ModelAndView page(Sent<?> sent) {
        return PageView.of(
                "house/begin", new Page(List.of(Units.values()), HouseRooms.zones(), HouseRooms.currencies()), sent);
    }
}
