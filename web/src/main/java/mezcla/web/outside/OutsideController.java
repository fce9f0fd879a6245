package mezcla.web.outside;

import jakarta.servlet.http.HttpServletRequest;
import java.net.InetAddress;
import java.net.UnknownHostException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.regex.Pattern;
import mezcla.measure.Refusal;
import mezcla.web.access.SignedIn;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.PageView;
import mezcla.web.settings.HouseService;
import mezcla.web.settings.things.House;
import mezcla.web.words.Figures;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import org.springframework.web.servlet.support.ServletUriComponentsBuilder;

/** The calendar and the wall, and the room in which their addresses are made. */
@Controller
class OutsideController {
    /** Set where this machine itself asks: somebody at it, or a proxy for somebody else. */
    private static final String FROM_THIS_MACHINE = "org.apache.tomcat.request.forwarded";

    private static final List<String> OF_A_PROXY =
            List.of("X-Forwarded-For", "X-Forwarded-Proto", "X-Forwarded-Host", "Forwarded", "Via");

    private static final Pattern WRITTEN_OUT = Pattern.compile(
            "(?:(?:25[0-5]|2[0-4][0-9]|1?[0-9]?[0-9])[.]){3}(?:25[0-5]|2[0-4][0-9]|1?[0-9]?[0-9])|[0-9a-fA-F]{0,4}(?::[0-9a-fA-F.]{0,15}){2,7}(?:%[0-9a-zA-Z]+)?");

    private final SecretAddresses addresses;
    private final DaysCalendar calendar;
    private final WallPages walls;
    private final HouseService houses;
    private final boolean believed;

    OutsideController(
            SecretAddresses addresses,
            DaysCalendar calendar,
            WallPages walls,
            HouseService houses,
            @Value("${mezcla.proxy-says-who}") boolean believed) {
        this.believed = believed;
        this.addresses = addresses;
        this.calendar = calendar;
        this.walls = walls;
        this.houses = houses;
    }

    /** Since when there is an address for each; empty for never. */
    record Page(String calendarSince, String wallSince) {}

    @GetMapping("/house/outside")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView outside() {
        return PageView.of(
                "outside/outside",
                new Page(since(SecretAddresses.Kind.CALENDAR), since(SecretAddresses.Kind.WALL)),
                new FieldErrors());
    }

    private String since(SecretAddresses.Kind kind) {
        return addresses
                .since(kind)
                .map(at -> Figures.dayAndYear(at, houses.house().timeZone()))
                .orElse("");
    }

    /** The address is shown on the next page, and never again. */
    @PostMapping("/house/outside/{kind}")
    @PreAuthorize("hasRole('STEWARD')")
    String make(@PathVariable String kind, @AuthenticationPrincipal SignedIn who, RedirectAttributes told) {
        SecretAddresses.Kind known = kind(kind);
        String secret = addresses.make(who, known);
        told.addFlashAttribute(
                "made",
                base() + (known == SecretAddresses.Kind.WALL ? "/wall/" + secret : "/calendar/" + secret + ".ics"));
        told.addFlashAttribute("madeFor", known.words());
        return "redirect:/house/outside";
    }

    @PostMapping("/house/outside/{kind}/end")
    @PreAuthorize("hasRole('STEWARD')")
    String end(@PathVariable String kind, @AuthenticationPrincipal SignedIn who) {
        addresses.end(who, kind(kind));
        return "redirect:/house/outside?ended";
    }

    private static SecretAddresses.Kind kind(String typed) {
        return Arrays.stream(SecretAddresses.Kind.values())
                .filter(kind -> kind.name().toLowerCase(Locale.ROOT).equals(typed))
                .findFirst()
                .orElseThrow(() -> Refusal.of(new FormObjection.UnknownThing(typed)));
    }

    private String base() {
        House house = houses.house();
        return house.address() != null
                ? house.address()
                : ServletUriComponentsBuilder.fromCurrentContextPath().build().toUriString();
    }

    @GetMapping("/calendar/{secret}.ics")
    ResponseEntity<byte[]> calendar(@PathVariable String secret) {
        refuseUnlessHeld(SecretAddresses.Kind.CALENDAR, secret);
        return ResponseEntity.ok()
                .contentType(new MediaType("text", "calendar", StandardCharsets.UTF_8))
                .cacheControl(CacheControl.noStore())
                .body(calendar.text().getBytes(StandardCharsets.UTF_8));
    }

    /**
     * The wall is shown in the house alone: to whoever knows its address and asks from the house's own network. What a proxy
     * says of where it is asked from counts only where the house has said that its proxy finds that out itself.
     */
    @GetMapping("/wall/{secret}")
    ModelAndView wall(@PathVariable String secret, HttpServletRequest request) {
        refuseUnlessHeld(SecretAddresses.Kind.WALL, secret);
        if ((isTold(request) && !believed) || !isInTheHouse(request.getRemoteAddr())) {
            throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        }
        ModelAndView page = PageView.of("outside/wall", walls.page(), new FieldErrors());
        page.addObject("secret", secret);
        return page;
    }

    @GetMapping("/wall-sheet")
    ModelAndView sheet() {
        return PageView.of("outside/sheet", walls.page(), new FieldErrors());
    }

    private void refuseUnlessHeld(SecretAddresses.Kind kind, String secret) {
        if (!addresses.holds(kind, secret)) {
            throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        }
    }

    /** Whether it is a proxy on this machine that says from where it is asked. */
    private static boolean isTold(HttpServletRequest request) {
        return request.getAttribute(FROM_THIS_MACHINE) != null
                && (OF_A_PROXY.stream().anyMatch(header -> request.getHeader(header) != null)
                        || !request.getRemoteAddr().matches("127[.].*|::1|0:0:0:0:0:0:0:1"));
    }

    /**
     * Whether an address is one of a network of a house, or of this machine. Only what is written out is one: a name is not
     * looked up, and nothing is filled in.
     */
    static boolean isInTheHouse(String address) {
        if (!WRITTEN_OUT.matcher(address).matches()) {
            return false;
        }
        try {
            InetAddress from = InetAddress.getByName(address);
            boolean unique = from.getAddress().length > 4 && (from.getAddress()[0] & 0xfe) == 0xfc;
            return from.isLoopbackAddress() || from.isSiteLocalAddress() || from.isLinkLocalAddress() || unique;
        } catch (UnknownHostException e) {
            return false;
        }
    }
}
