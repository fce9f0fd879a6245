package mezcla.web.cupboard.arrival;

import java.time.Instant;
import java.util.List;
import mezcla.leaflet.Leaflet;
import mezcla.measure.Refusal;
import mezcla.measure.TypedObjection;
import mezcla.web.access.Members;
import mezcla.web.access.SignedIn;
import mezcla.web.clock.LogClock;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.typed.TypedDay;
import mezcla.web.forms.typed.TypedMoney;
import mezcla.web.forms.typed.TypedText;
import mezcla.web.house.House;
import mezcla.web.house.HouseService;
import mezcla.web.leaflet.Leaflets;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.servlet.ModelAndView;

/** A kit came: it is chosen by its picture, and what it cost is typed. */
@Controller
class ArrivalController {
    private static final int LOT_CHARACTERS = 40;
    private static final int NOTE_CHARACTERS = 160;
    private static final int MOST_AT_ONCE = 24;

    private final ArrivalService arrivals;
    private final KitProposals proposals;
    private final Leaflets leaflets;
    private final Members members;
    private final HouseService houses;
    private final OneTimeForms forms;
    private final LogClock clock;

    ArrivalController(
            ArrivalService arrivals,
            KitProposals proposals,
            Leaflets leaflets,
            Members members,
            HouseService houses,
            OneTimeForms forms,
            LogClock clock) {
        this.arrivals = arrivals;
        this.proposals = proposals;
        this.leaflets = leaflets;
        this.members = members;
        this.houses = houses;
        this.forms = forms;
        this.clock = clock;
    }

    @GetMapping("/kits/new")
    ModelAndView ask(@ModelAttribute("form") ArrivalForm form) {
        if (!forms.isKey(form.getFormKey())) {
            return forms.askAgainWithNewKey();
        }
        ArrivalForm asked = proposals
                .one(form.getProposal())
                .map(proposal -> ArrivalForm.of(proposal, form.getFormKey()))
                .orElse(form);
        return page(asked, new FieldErrors());
    }

    @PostMapping("/kits")
    ModelAndView arrive(@ModelAttribute("form") ArrivalForm form, @AuthenticationPrincipal SignedIn member) {
        FieldErrors errors = new FieldErrors();
        ArrivalService.Arrival arrival = read(form, errors);
        return forms.answer(
                errors,
                form.getFormKey(),
                () -> member.isSteward()
                        ? "/cupboard?came=" + logged(form, FieldErrors.known(arrival), member)
                        : proposed(form, FieldErrors.known(arrival), member),
                objection -> "parts",
                () -> page(form, errors));
    }

    private long logged(ArrivalForm form, ArrivalService.Arrival arrival, SignedIn member) {
        long kit = arrivals.arrive(member, arrival);
        proposals.one(form.getProposal()).ifPresent(proposal -> proposals.answer(proposal.id()));
        return kit;
    }

    private String proposed(ArrivalForm form, ArrivalService.Arrival arrival, SignedIn member) {
        arrival.parts().forEach(arrival.leaflet()::part);
        proposals.add(member, form);
        return "/cupboard?proposed";
    }

    @PostMapping("/kits/proposals/{id}/thrown-away")
    String throwAway(@PathVariable long id) {
        proposals.answer(id);
        return "redirect:/cupboard";
    }

    private ArrivalService.@Nullable Arrival read(ArrivalForm form, FieldErrors errors) {
        House house = houses.house();
        CurrencyUnit currency = house.currency();
        Leaflet leaflet = errors.read("leaflet", () -> leaflets.chosen(form.getLeaflet()));
        Integer count = errors.read("count", () -> count(form.getCount()));
        Money price = errors.read("price", () -> TypedMoney.of(form.getPrice(), currency));
        Money delivery = errors.read("delivery", () -> TypedMoney.orNone(form.getDelivery(), currency));
        Money other = errors.read("other", () -> TypedMoney.orNone(form.getOther(), currency));
        String note = words(form.getNote(), "note", NOTE_CHARACTERS, errors);
        String lot = words(form.getLot(), "lot", LOT_CHARACTERS, errors);
        String paidBy = errors.read("paidBy", () -> payer(form.getPaidBy()));
        Instant came = form.getCame().isBlank()
                ? null
                : errors.read("came", () -> TypedDay.noonOf(form.getCame(), house.timeZone(), clock.instant()));
        return leaflet == null || count == null || price == null || delivery == null || other == null
                ? null
                : new ArrivalService.Arrival(
                        leaflet,
                        count,
                        form.getParts(),
                        price,
                        delivery,
                        other,
                        lot,
                        note,
                        paidBy == null || paidBy.isEmpty() ? null : paidBy,
                        came);
    }

    private static int count(String typed) {
        String text = typed.strip();
        if (text.isEmpty()) {
            throw Refusal.of(new TypedObjection.Missing());
        }
        if (!text.matches("[0-9]{1,3}") || Integer.parseInt(text) < 1 || Integer.parseInt(text) > MOST_AT_ONCE) {
            throw Refusal.of(new FormObjection.NotSoMany(text, MOST_AT_ONCE));
        }
        return Integer.parseInt(text);
    }

    private String payer(String chosen) {
        if (!chosen.isEmpty()
                && members.all().stream().noneMatch(member -> member.name().equals(chosen))) {
            throw Refusal.of(new FormObjection.UnknownMember());
        }
        return chosen;
    }

    private static @Nullable String words(String typed, String field, int most, FieldErrors errors) {
        return typed.isBlank()
                ? null
                : errors.read(field, () -> TypedText.of(typed, most, new TypedObjection.Missing()));
    }

    /** A kit that came. */
    record Page(
            List<ArrivalService.Choice> choices,
            String currency,
            List<String> members,
            ArrivalForm form,
            @Nullable Leaflet leaflet,
            @Nullable KitProposal proposal,
            List<ArrivalService.Vessel> vessels,
            @Nullable String already) {}

    private ModelAndView page(ArrivalForm form, FieldErrors errors) {
        Leaflet leaflet =
                form.getLeaflet().isEmpty() ? null : errors.read("leaflet", () -> leaflets.chosen(form.getLeaflet()));
        List<ArrivalService.Choice> choices = arrivals.choices();
        return PageView.of(
                leaflet == null && errors.none() ? "cupboard/choose" : "cupboard/arrival",
                new Page(
                        choices,
                        houses.house().currency().getCode(),
                        members.all().stream().map(SignedIn::name).toList(),
                        form,
                        leaflet,
                        proposals.one(form.getProposal()).orElse(null),
                        leaflet == null ? List.of() : arrivals.vessels(leaflet),
                        forms.ledTo(form.getFormKey()).orElse(null)),
                errors);
    }
}
