package mezcla.web.layout;

import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.http.HttpServletRequest;
import mezcla.measure.Refusal;
import mezcla.web.access.SignedIn;
import mezcla.web.forms.FormObjection;
import mezcla.web.store.StoreGuard;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.servlet.ModelAndView;

/** Pages for what was refused before it came to a place. Nobody asks for them; they are forwarded to. */
@Controller
class RefusedController {
    private final StoreGuard store;

    RefusedController(StoreGuard store) {
        this.store = store;
    }

    @RequestMapping("/refused/{why}")
    ModelAndView refused(@PathVariable String why, HttpServletRequest request) {
        if (request.getAttribute(RequestDispatcher.FORWARD_REQUEST_URI) == null) {
            throw Refusal.of(new FormObjection.UnknownThing(why));
        }
        return switch (why) {
            case "old" ->
                RefusedPages.page(
                        HttpStatus.FORBIDDEN,
                        "This page was open too long",
                        "Nothing was saved. Go back, load the page again, and send it once more.");
            case "pin" -> asksForPin();
            case "too-big" ->
                RefusedPages.page(
                        HttpStatus.CONTENT_TOO_LARGE,
                        "That is too much at once",
                        "Nothing was saved. A photo can have 8 MB, all that is sent at once 32 MB, and a form what you type into it.");
            case "unknown-length" ->
                RefusedPages.page(
                        HttpStatus.LENGTH_REQUIRED,
                        "That could not be read",
                        "Nothing was saved. What is sent has to say first how long it is.");
            case "unreadable" -> RefusedPages.unreadable(HttpStatus.BAD_REQUEST);
            case "store" ->
                RefusedPages.page(
                        HttpStatus.SERVICE_UNAVAILABLE,
                        "That does not go just now",
                        store.trouble()
                                .map(found -> found.what() + " " + found.then())
                                .orElse("Wait a little, then try again."));
            default -> RefusedPages.denied();
        };
    }

    /** What a member has to do before this device shows what is theirs. */
    private static ModelAndView asksForPin() {
        SignedIn member = SignedIn.here().filter(each -> each.id() != 0).orElse(null);
        String title = "This page takes your PIN";
        if (member == null) {
            return RefusedPages.page(
                    HttpStatus.FORBIDDEN,
                    title,
                    "Everybody uses this device. Say who you are, with your PIN.",
                    "/who",
                    "Say who you are");
        }
        return member.pinHash() != null
                ? RefusedPages.page(
                        HttpStatus.FORBIDDEN,
                        title,
                        "Everybody uses this device, so money and what is yours alone is shown after your PIN.",
                        "/who?member=" + member.id(),
                        "Type your PIN")
                : RefusedPages.page(
                        HttpStatus.FORBIDDEN,
                        title,
                        "Everybody uses this device, and %s has no PIN yet. Sign in on a device of your own and set one under House, You. Then tap your name here again."
                                .formatted(member.name()),
                        "/shelf",
                        "To the Shelf");
    }
}
