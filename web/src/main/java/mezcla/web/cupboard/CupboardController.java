package mezcla.web.cupboard;

import java.util.List;
import mezcla.web.shell.Figures;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;

/** The Cupboard. */
@Controller
class CupboardController {
    private final CupboardService cupboard;

    CupboardController(CupboardService cupboard) {
        this.cupboard = cupboard;
    }

    @GetMapping("/cupboard")
    String cupboard(Model model) {
        List<KitView> kits = cupboard.kits();
        long mixable = kits.stream().filter(KitView::mixable).count();
        model.addAttribute("kits", kits);
        model.addAttribute(
                "title",
                kits.isEmpty()
                        ? "The cupboard is empty"
                        : "%s %s can be mixed from"
                                .formatted(Figures.sentence(Figures.number(mixable)), mixable == 1 ? "kit" : "kits"));
        return "cupboard/cupboard";
    }
}
