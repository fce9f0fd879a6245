package mezcla.web.adopt;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import mezcla.leaflet.Bath;
import mezcla.leaflet.Leaflet;
import mezcla.log.Bottle;
import mezcla.measure.Refusal;
import mezcla.measure.TypedObjection;
import mezcla.measure.Volume;
import mezcla.web.access.SignedIn;
import mezcla.web.bench.mix.MixView;
import mezcla.web.forms.Beside;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.typed.TypedMoney;
import mezcla.web.forms.typed.TypedText;
import mezcla.web.house.HouseService;
import mezcla.web.leaflet.Leaflets;
import mezcla.web.words.Units;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.servlet.ModelAndView;

/** The page on which a batch is taken over. */
@Controller
class AdoptController {
    private static final int NAME_CHARACTERS = 40;
    private static final double MOST_ROLLS = 500;

    private final AdoptService adoptions;
    private final Leaflets leaflets;
    private final HouseService houses;
    private final OneTimeForms forms;

    AdoptController(AdoptService adoptions, Leaflets leaflets, HouseService houses, OneTimeForms forms) {
        this.houses = houses;
        this.adoptions = adoptions;
        this.leaflets = leaflets;
        this.forms = forms;
    }

    @GetMapping("/adopt")
    ModelAndView ask(@ModelAttribute("form") AdoptForm form) {
        if (!forms.isKey(form.getFormKey())) {
            return forms.askAgainWithNewKey();
        }
        return page(form, new FieldErrors());
    }

    @PostMapping("/adoptions")
    ModelAndView adopt(@ModelAttribute("form") AdoptForm form, @AuthenticationPrincipal SignedIn member) {
        FieldErrors errors = new FieldErrors();
        Leaflet leaflet = errors.read("leaflet", () -> leaflets.chosen(form.getLeaflet()));
        String name =
                errors.read("name", () -> TypedText.of(form.getName(), NAME_CHARACTERS, new TypedObjection.Missing()));
        Instant mixed = errors.read("mixed", () -> adoptions.mixedOn(form.getMixed()));
        Double rolls = errors.read("rolls", () -> rolls(form.getRolls()));
        List<AdoptService.Standing> baths = leaflet == null ? List.of() : standing(form, leaflet, rolls, errors);
        Money cost = form.getCost().isBlank()
                ? null
                : errors.read(
                        "cost",
                        () -> TypedMoney.of(form.getCost(), houses.house().currency()));
        return forms.answer(
                errors,
                form.getFormKey(),
                () -> "/batches/"
                        + adoptions.adopt(
                                member,
                                FieldErrors.known(leaflet),
                                FieldErrors.known(name),
                                FieldErrors.known(mixed),
                                cost,
                                baths,
                                errors)
                        + "?mixed",
                Beside.field("bottles").or("volumes"),
                () -> page(form, errors));
    }

    private static List<AdoptService.Standing> standing(
            AdoptForm form, Leaflet leaflet, @Nullable Double rolls, FieldErrors errors) {
        List<AdoptService.Standing> baths = new ArrayList<>();
        for (Bath bath : leaflet.baths()) {
            String typed = form.getVolumes().getOrDefault(bath.key(), "").strip();
            if (!typed.isEmpty()) {
                Volume volume = errors.read(
                        "volume-" + bath.key(),
                        () -> Volume.parse(typed, Units.shown().volume()));
                String own = form.getBathRolls().getOrDefault(bath.key(), "");
                Double done = own.isBlank() ? rolls : errors.read("rolls-" + bath.key(), () -> rolls(own));
                if (volume != null) {
                    baths.add(new AdoptService.Standing(
                            bath,
                            MixView.asTyped(typed),
                            volume,
                            form.getBottles().getOrDefault(bath.key(), ""),
                            done == null ? 0 : done));
                }
            }
        }
        return baths;
    }

    private static double rolls(String typed) {
        String text = typed.strip().replace(',', '.');
        if (text.isEmpty()) {
            throw Refusal.of(new TypedObjection.Missing());
        }
        if (!text.matches("[0-9]{1,3}(\\.[0-9]{1,2})?") || Double.parseDouble(text) > MOST_ROLLS) {
            throw Refusal.of(new FormObjection.NotRollsDone(typed.strip()));
        }
        return Double.parseDouble(text);
    }

    /** A leaflet to choose, as its baths are drawn. */
    record Shape(long id, String name, String process, List<String> letters) {}

    private Shape shape(Leaflets.Sheet offered) {
        Leaflet sheet = leaflets.version(offered.id());
        return new Shape(
                offered.id(),
                offered.name(),
                sheet.process().name(),
                sheet.baths().stream().map(bath -> bath.role().letters()).toList());
    }

    /** What stood there already. */
    record Page(
            @Nullable String already,
            List<Leaflets.Sheet> sheets,
            List<Shape> shapes,
            @Nullable Leaflet leaflet,
            List<Bottle> bottles,
            String currency,
            AdoptForm form) {}

    private ModelAndView page(AdoptForm form, FieldErrors errors) {
        Leaflet leaflet =
                form.getLeaflet().isEmpty() ? null : errors.read("leaflet", () -> leaflets.chosen(form.getLeaflet()));
        if (leaflet != null && form.getName().isEmpty() && errors.none()) {
            form.setName(leaflet.name());
        }
        return PageView.of(
                "adopt/adopt",
                new Page(
                        forms.ledTo(form.getFormKey()).orElse(null),
                        leaflets.offered(),
                        leaflets.offered().stream().map(this::shape).toList(),
                        leaflet,
                        adoptions.freeBottles(),
                        houses.house().currency().getCode(),
                        form),
                errors);
    }
}
