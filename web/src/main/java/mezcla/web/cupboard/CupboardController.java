package mezcla.web.cupboard;

import java.util.List;
import mezcla.web.cupboard.arrival.KitProposal;
import mezcla.web.cupboard.arrival.KitProposals;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.PageView;
import mezcla.web.sheets.Leaflets;
import mezcla.web.words.Figures;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.servlet.ModelAndView;

/** The Cupboard. */
@Controller
class CupboardController {
    private final CupboardService cupboard;
    private final KitProposals proposals;
    private final Leaflets leaflets;

    CupboardController(CupboardService cupboard, KitProposals proposals, Leaflets leaflets) {
        this.cupboard = cupboard;
        this.proposals = proposals;
        this.leaflets = leaflets;
    }

    /** A kit that somebody says came. */
    public record Proposed(long id, String words) {}

    /** The cupboard. */
    record Page(
            List<KitView> kits, List<Proposed> proposals, List<String> orders, List<String> longSealed, String title) {}

    @GetMapping("/cupboard")
    ModelAndView cupboard() {
        List<KitView> kits = cupboard.kits();
        long mixable = kits.stream().filter(KitView::mixable).count();
        return PageView.of(
                "cupboard/cupboard",
                new Page(
                        kits,
                        proposals.open().stream().map(this::proposed).toList(),
                        cupboard.orders(),
                        cupboard.longSealed(),
                        kits.isEmpty()
                                ? "The cupboard is empty"
                                : "%s %s can be mixed from"
                                        .formatted(
                                                Figures.sentence(Figures.number(mixable)),
                                                mixable == 1 ? "kit" : "kits")),
                new FieldErrors());
    }

    /** A sheet that was withdrawn since is named all the same. */
    private Proposed proposed(KitProposal proposal) {
        String count = proposal.at("count");
        String name = leaflets.version(Long.parseLong(proposal.at("leaflet"))).name();
        return new Proposed(
                proposal.id(),
                "%s says that %s came".formatted(proposal.who(), count.equals("1") ? name : count + " of " + name));
    }
}
