package mezcla.web.shelf;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;

/** The Shelf. */
@Controller
class ShelfController {
    private final ShelfService shelves;

    ShelfController(ShelfService shelves) {
        this.shelves = shelves;
    }

    @GetMapping("/shelf")
    String shelf(Model model) {
        model.addAttribute("shelf", shelves.shelf());
        return "shelf/shelf";
    }
}
