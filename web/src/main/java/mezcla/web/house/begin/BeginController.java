package mezcla.web.house.begin;

import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import mezcla.measure.Refusal;
import mezcla.measure.TypedObjection;
import mezcla.web.forms.Beside;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.PageView;
import mezcla.web.forms.typed.TypedText;
import mezcla.web.house.House;
import mezcla.web.house.hall.HouseRooms;
import mezcla.web.house.hall.HouseholdService;
import mezcla.web.words.Units;
import org.joda.money.CurrencyUnit;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.servlet.ModelAndView;

/** The first page of a house that nobody belongs to yet. */
@Controller
class BeginController {
    private static final int NAME_CHARACTERS = 60;

    private final HouseholdService household;
    private final BeginningCode code;

    BeginController(HouseholdService household, BeginningCode code) {
        this.household = household;
        this.code = code;
    }

    @GetMapping("/begin")
    ModelAndView begin(@ModelAttribute("form") BeginForm form) {
        return household.begun() ? new ModelAndView("redirect:/sign-in") : page(new FieldErrors());
    }

    @PostMapping("/begin")
    ModelAndView begun(@ModelAttribute("form") BeginForm form) {
        FieldErrors errors = new FieldErrors();
        if (household.begun()) {
            return new ModelAndView("redirect:/sign-in");
        }
        String houseName = errors.read(
                "houseName", () -> TypedText.of(form.getHouseName(), NAME_CHARACTERS, new TypedObjection.Missing()));
        CurrencyUnit currency = errors.read("currency", () -> HouseholdService.currency(form.getCurrency()));
        ZoneId zone = errors.read("timeZone", () -> HouseholdService.timeZone(form.getTimeZone()));
        Units units = errors.read("units", () -> HouseholdService.units(form.getUnits()));
        String address = errors.read("address", () -> HouseholdService.address(form.getAddress()));
        String name =
                errors.read("name", () -> TypedText.of(form.getName(), NAME_CHARACTERS, new TypedObjection.Missing()));
        errors.read("code", () -> {
            code.check(form.getCode());
            return true;
        });
        if (houseName != null && currency != null && zone != null && units != null && name != null && errors.none()) {
            try {
                household.begin(
                        new House(houseName, currency, zone, units, address),
                        name,
                        form.getSignInName().strip(),
                        form.getPassword());
                code.forget();
                return new ModelAndView("redirect:/sign-in?begun");
            } catch (Refusal refusal) {
                errors.add(Beside.field("signInName").or("password").apply(refusal.objection()), refusal);
            }
        }
        return page(errors);
    }

    /** What the first page offers to choose from. */
    record Page(List<Units> allUnits, List<String> zones, Map<String, String> currencies) {}

    private static ModelAndView page(FieldErrors errors) {
        return PageView.of(
                "house/begin", new Page(List.of(Units.values()), HouseRooms.zones(), HouseRooms.currencies()), errors);
    }
}
