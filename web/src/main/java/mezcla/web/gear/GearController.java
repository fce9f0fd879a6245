package mezcla.web.gear;

import java.util.List;
import mezcla.leaflet.Leaflet;
import mezcla.web.bench.mix.MixService;
import mezcla.web.bench.mix.MixView;
import mezcla.web.forms.PageView;
import mezcla.web.settings.HouseService;
import mezcla.web.sheets.Leaflets;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.servlet.ModelAndView;

/** What has to be at home before a kit is bought. */
@Controller
class GearController {
    private final MixService mixes;
    private final Leaflets leaflets;
    private final HouseService houses;

    GearController(MixService mixes, Leaflets leaflets, HouseService houses) {
        this.mixes = mixes;
        this.leaflets = leaflets;
        this.houses = houses;
    }

    /** What it takes to mix a kit, and to run film with it. */
    record Gear(long leafletId, Leaflet leaflet, MixView mix, List<MixView.SetUp> running) {}

    /** What it takes to mix a kit and to run film with it, before one is bought. */
    @GetMapping("/leaflets/{id}/gear")
    ModelAndView gear(@PathVariable long id) {
        Leaflet leaflet = leaflets.version(id);
        return PageView.of("bench/gear", new Gear(id, leaflet, mixes.gear(leaflet), RunningGear.of(leaflet, houses)));
    }
}
