package mezcla.web.adopt;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import mezcla.leaflet.Bath;
import mezcla.leaflet.Leaflet;
import mezcla.log.Bottle;
import mezcla.measure.Refusal;
import mezcla.measure.TypedObjection;
import mezcla.measure.Volume;
import mezcla.web.access.SignedIn;
import mezcla.web.bench.mix.MixView;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.declared.Asked;
import mezcla.web.forms.declared.FieldReader;
import mezcla.web.forms.declared.RefusedAt;
import mezcla.web.forms.declared.Sent;
import mezcla.web.forms.declared.Takes;
import mezcla.web.settings.HouseService;
import mezcla.web.sheets.Leaflets;
import mezcla.web.words.Units;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.servlet.ModelAndView;

/** The page on which a batch is taken over. */
@Controller
class AdoptController {
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

    /** How many rolls a bath has behind it. */
    static final class RollsDone implements FieldReader<Double> {
        @Override
        public Double read(String typed) {
            String text = typed.strip().replace(',', '.');
            if (text.isEmpty()) {
                throw Refusal.of(new TypedObjection.Missing());
            }
            if (!text.matches("[0-9]{1,3}(\\.[0-9]{1,2})?") || Double.parseDouble(text) > MOST_ROLLS) {
                throw Refusal.of(new FormObjection.NotRollsDone(typed.strip()));
            }
            return Double.valueOf(text);
        }
    }

    /** A batch that stands there already; of each bath how much, in which bottle, and its rolls where they differ. */
    @RefusedAt("bottles")
    record AdoptForm(
            @Takes(asTyped = true) String leaflet,
            @Takes(most = 40) String name,
            @Takes(asTyped = true) String mixed,
            @Takes(by = RollsDone.class) double rolls,
            Map<String, String> volumes,
            Map<String, String> bottles,
            Map<String, String> bathRolls,
            @Nullable Money cost) {}

    @GetMapping("/adopt")
    ModelAndView ask(Sent<Asked> sent) {
        return forms.isKey(sent.key()) ? page(sent) : forms.askAgainWithNewKey();
    }

    @PostMapping("/adoptions")
    ModelAndView adopt(Sent<AdoptForm> sent, @AuthenticationPrincipal SignedIn member) {
        Leaflet leaflet = leaflet(sent);
        Instant mixed = sent.read("mixed", () -> adoptions.mixedOn(sent.typed("mixed")));
        List<AdoptService.Standing> baths = leaflet == null ? List.of() : standing(sent, leaflet);
        return forms.answer(
                sent,
                form -> "/batches/"
                        + adoptions.adopt(
                                member,
                                FieldErrors.known(leaflet),
                                form.name(),
                                FieldErrors.known(mixed),
                                form.cost(),
                                baths)
                        + "?mixed",
                () -> page(sent));
    }

    private @Nullable Leaflet leaflet(Sent<?> sent) {
        return sent.read("leaflet", () -> leaflets.chosen(sent.typed("leaflet")));
    }

    private static List<AdoptService.Standing> standing(Sent<?> sent, Leaflet leaflet) {
        Map<String, String> volumes = sent.of("volumes");
        List<AdoptService.Standing> baths = new ArrayList<>();
        for (Bath bath : leaflet.baths()) {
            String typed = volumes.getOrDefault(bath.key(), "").strip();
            if (!typed.isEmpty()) {
                Volume volume = sent.read(
                        "volume-" + bath.key(),
                        () -> Volume.parse(typed, Units.shown().volume()));
                String own = sent.typed("bathRolls[" + bath.key() + "]");
                Double done = own.isBlank()
                        ? sent.read("rolls", () -> new RollsDone().read(sent.typed("rolls")))
                        : sent.read("rolls-" + bath.key(), () -> new RollsDone().read(own));
                if (volume != null) {
                    baths.add(new AdoptService.Standing(
                            bath,
                            MixView.asTyped(typed),
                            volume,
                            sent.typed("bottles[" + bath.key() + "]"),
                            done == null ? 0 : done));
                }
            }
        }
        return baths;
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
            String currency) {}

    private ModelAndView page(Sent<?> sent) {
        Leaflet leaflet = sent.typed("leaflet").isEmpty() ? null : leaflet(sent);
        if (leaflet != null && sent.errors().none()) {
            sent.beginBlank("name", leaflet.name());
        }
        return PageView.of(
                "adopt/adopt",
                new Page(
                        forms.ledTo(sent.key()).orElse(null),
                        leaflets.offered(),
                        leaflets.offered().stream().map(this::shape).toList(),
                        leaflet,
                        adoptions.freeBottles(),
                        houses.house().currency().getCode()),
                sent);
    }
}
