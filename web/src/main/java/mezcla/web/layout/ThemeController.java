package mezcla.web.layout;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Duration;
import mezcla.web.forms.LocalAddress;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseCookie;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.CookieValue;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Switches between the light theme and the dim one, for eyes adapted to a dim room. */
@Controller
class ThemeController {
    private static final Duration KEPT = Duration.ofDays(365);

    @PostMapping("/theme")
    ResponseEntity<Void> change(
            @CookieValue(name = "theme", defaultValue = "light") String theme,
            @CookieValue(name = "dim-told", defaultValue = "") String told,
            @RequestParam(defaultValue = "/shelf") String back,
            HttpServletRequest request) {
        boolean dim = !theme.equals("dim");
        boolean tell = dim && told.isEmpty();
        ResponseEntity.HeadersBuilder<?> answer = ResponseEntity.status(HttpStatus.SEE_OTHER)
                .header(HttpHeaders.SET_COOKIE, cookie(request, "theme", dim ? "dim" : "light"));
        if (tell) {
            answer.header(HttpHeaders.SET_COOKIE, cookie(request, "dim-told", "yes"));
        }
        return answer.header(HttpHeaders.LOCATION, page(back, tell)).build();
    }

    private static String cookie(HttpServletRequest request, String name, String value) {
        return ResponseCookie.from(name, value)
                .path("/")
                .maxAge(KEPT)
                .httpOnly(true)
                .secure(request.isSecure())
                .sameSite("Lax")
                .build()
                .toString();
    }

    /** A page of ours, whatever was sent. */
    private static String page(String back, boolean tell) {
        String page = LocalAddress.or(back, "/shelf");
        return tell ? page + (page.contains("?") ? "&" : "?") + "dim" : page;
    }
}
