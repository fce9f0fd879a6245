package mezcla.web.layout;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Clock;
import mezcla.web.access.Device;
import mezcla.web.access.SignedIn;
import mezcla.web.clock.LogClock;
import mezcla.web.drawing.Drawn;
import mezcla.web.drawing.Hatching;
import mezcla.web.settings.HouseService;
import mezcla.web.settings.things.House;
import mezcla.web.store.StoreGuard;
import mezcla.web.words.Figures;
import mezcla.web.words.Units;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.CookieValue;
import org.springframework.web.bind.annotation.ModelAttribute;

/** What every page shows around its content. */
@ControllerAdvice
class PageAdvice {
    private final HouseService houses;
    private final Hatching hatching;
    private final Drawn drawn;
    private final StoreGuard store;
    private final LogClock logClock;
    private final Clock clock;

    PageAdvice(HouseService houses, Hatching hatching, Drawn drawn, StoreGuard store, LogClock logClock, Clock clock) {
        this.logClock = logClock;
        this.store = store;
        this.hatching = hatching;
        this.drawn = drawn;
        this.houses = houses;
        this.clock = clock;
    }

    @ModelAttribute("member")
    @Nullable
    SignedIn member(@AuthenticationPrincipal @Nullable SignedIn member) {
        return member;
    }

    @ModelAttribute("sharedDevice")
    boolean sharedDevice() {
        return Device.here().filter(Device::shared).isPresent();
    }

    @ModelAttribute("deviceName")
    String deviceName() {
        return Device.here().map(Device::name).orElse("");
    }

    /** Whether nobody has said yet who is at a shared device. */
    @ModelAttribute("asksWho")
    boolean asksWho() {
        return Device.here().filter(Device::asksWho).isPresent();
    }

    /** Whether somebody is at a shared device who may not change what is theirs alone. */
    @ModelAttribute("guest")
    boolean guest() {
        return Device.here().filter(Device::isOfAGuest).isPresent();
    }

    /** How baths are hatched in drawings. */
    @ModelAttribute("hatching")
    Hatching hatching() {
        return hatching;
    }

    /** Drawings that were drawn already. */
    @ModelAttribute("drawn")
    Drawn drawn() {
        return drawn;
    }

    /** What is wrong with the file in which everything is kept; empty for nothing. */
    @ModelAttribute("trouble")
    String trouble() {
        return store.trouble()
                .map(found -> found.what() + " Nothing can be saved. " + found.then())
                .orElse("");
    }

    @ModelAttribute("units")
    Units units() {
        return Units.shown();
    }

    @ModelAttribute("theme")
    String theme(@CookieValue(name = "theme", defaultValue = "light") String theme) {
        return theme.equals("dim") ? "dim" : "light";
    }

    /** The page itself, to come back to; the Shelf for one that was sent a form. */
    @ModelAttribute("here")
    String here(HttpServletRequest request) {
        String query = request.getQueryString();
        return request.getMethod().equals("GET")
                ? request.getRequestURI() + (query == null ? "" : "?" + query)
                : "/shelf";
    }

    /** Where one is, and what time it is there. */
    @ModelAttribute
    void house(Model model) {
        House house = houses.house();
        LogClock.Odd odd = logClock.odd();
        model.addAttribute("clock", odd == null ? "" : ClockWords.said(odd, house.timeZone()));
        model.addAttribute("houseName", house.name());
        model.addAttribute(
                "printed",
                "%s, %s"
                        .formatted(
                                Figures.weekday(clock.instant(), house.timeZone()),
                                Figures.hour(clock.instant(), house.timeZone())));
        model.addAttribute("now", Figures.weekdayAndHour(clock.instant(), house.timeZone()));
    }
}
