package mezcla.web.cupboard.arrival;

import java.time.Instant;
import java.util.List;
import mezcla.leaflet.Leaflet;
import mezcla.measure.Refusal;
import mezcla.web.access.Members;
import mezcla.web.access.SignedIn;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.declared.Asked;
import mezcla.web.forms.declared.RefusedAt;
import mezcla.web.forms.declared.Sent;
import mezcla.web.forms.declared.Takes;
import mezcla.web.forms.typed.TypedChoice;
import mezcla.web.forms.typed.TypedMoney;
import mezcla.web.settings.HouseService;
import mezcla.web.sheets.Leaflets;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.servlet.ModelAndView;

/** A kit came: it is chosen by its picture, and what it cost is typed. */
@Controller
class ArrivalController {
    private final ArrivalService arrivals;
    private final KitProposals proposals;
    private final Leaflets leaflets;
    private final Members members;
    private final HouseService houses;
    private final OneTimeForms forms;

    ArrivalController(
            ArrivalService arrivals,
            KitProposals proposals,
            Leaflets leaflets,
            Members members,
            HouseService houses,
            OneTimeForms forms) {
        this.arrivals = arrivals;
        this.proposals = proposals;
        this.leaflets = leaflets;
        this.members = members;
        this.houses = houses;
        this.forms = forms;
    }

    /** A kit that came, or some of its parts; what it cost, and who paid. */
    @RefusedAt("parts")
    record ArrivalForm(
            @Takes(asTyped = true) String leaflet,
            @Takes(least = 1, most = 24, or = FormObjection.NotSoMany.class) int count,
            @Takes(asTyped = true) String proposal,
            List<String> parts,
            Money price,
            @Nullable Money delivery,
            @Nullable Money other,
            @Takes(most = 40) @Nullable String lot,
            @Takes(most = 160) @Nullable String note,
            @Nullable String paidBy,
            @Nullable Instant came) {
        ArrivalService.Arrival of(Leaflet leaflet) {
            return new ArrivalService.Arrival(
                    leaflet,
                    count,
                    parts,
                    price,
                    TypedMoney.orNone(delivery, price),
                    TypedMoney.orNone(other, price),
                    lot,
                    note,
                    paidBy,
                    came);
        }
    }

    @GetMapping("/kits/new")
    ModelAndView ask(Sent<Asked> sent) {
        if (!forms.isKey(sent.key())) {
            return forms.askAgainWithNewKey();
        }
        return page(proposals
                .one(sent.typed("proposal"))
                .map(proposal -> proposal.sentAgain(sent.key()))
                .orElse(sent));
    }

    @PostMapping("/kits")
    ModelAndView arrive(Sent<ArrivalForm> sent, @AuthenticationPrincipal SignedIn member) {
        Leaflet leaflet = leaflet(sent);
        sent.read("paidBy", () -> payer(sent.typed("paidBy")));
        return forms.answer(
                sent,
                form -> {
                    ArrivalService.Arrival arrival = form.of(FieldErrors.known(leaflet));
                    return member.isSteward()
                            ? "/cupboard?came=" + logged(form.proposal(), arrival, member)
                            : proposed(sent, arrival, member);
                },
                () -> page(sent));
    }

    private @Nullable Leaflet leaflet(Sent<?> sent) {
        return sent.read("leaflet", () -> leaflets.chosen(sent.typed("leaflet")));
    }

    private long logged(String proposal, ArrivalService.Arrival arrival, SignedIn member) {
        long kit = arrivals.arrive(member, arrival);
        if (!proposal.isEmpty()) {
            proposals.answer(
                    TypedChoice.number(proposal, new FormObjection.ProposalAnswered("There is no such proposal.")),
                    "%s logged it as kit %d.".formatted(member.name(), kit));
        }
        return kit;
    }

    private String proposed(Sent<?> sent, ArrivalService.Arrival arrival, SignedIn member) {
        arrival.parts().forEach(arrival.leaflet()::part);
        proposals.add(member, sent.chosen());
        return "/cupboard?proposed";
    }

    @PostMapping("/kits/proposals/{id}/thrown-away")
    String throwAway(@PathVariable long id, @AuthenticationPrincipal SignedIn member) {
        proposals.answer(id, member.name() + " did not want it.");
        return "redirect:/cupboard";
    }

    private String payer(String chosen) {
        if (!chosen.isEmpty()
                && members.all().stream().noneMatch(member -> member.name().equals(chosen))) {
            throw Refusal.of(new FormObjection.UnknownMember());
        }
        return chosen;
    }

    /** A kit that came. */
    record Page(
            List<ArrivalService.Choice> choices,
            String currency,
            List<String> members,
            @Nullable Leaflet leaflet,
            @Nullable KitProposal proposal,
            List<ArrivalService.Vessel> vessels,
            @Nullable String already) {}

    private ModelAndView page(Sent<?> sent) {
        Leaflet leaflet = sent.typed("leaflet").isEmpty() ? null : leaflet(sent);
        sent.begin("count", "1");
        return PageView.of(
                leaflet == null && sent.errors().none() ? "cupboard/choose" : "cupboard/arrival",
                new Page(
                        arrivals.choices(),
                        houses.house().currency().getCode(),
                        members.all().stream().map(SignedIn::name).toList(),
                        leaflet,
                        proposals.one(sent.typed("proposal")).orElse(null),
                        leaflet == null ? List.of() : arrivals.vessels(leaflet),
                        forms.ledTo(sent.key()).orElse(null)),
                sent);
    }
}
