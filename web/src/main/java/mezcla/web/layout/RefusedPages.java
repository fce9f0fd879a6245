package mezcla.web.layout;

import jakarta.servlet.http.HttpServletRequest;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import mezcla.measure.Objection;
import mezcla.measure.Refusal;
import mezcla.web.store.StoreGuard;
import mezcla.web.store.StoreTrouble;
import mezcla.web.words.ObjectionWords;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.InvalidPropertyException;
import org.springframework.http.HttpStatus;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.web.ErrorResponse;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.util.UriUtils;

/** Pages for what could not be shown or done. */
@ControllerAdvice
class RefusedPages {
    private static final Logger LOG = LoggerFactory.getLogger(RefusedPages.class);

    private final StoreGuard store;

    RefusedPages(StoreGuard store) {
        this.store = store;
    }

    @ExceptionHandler
    ModelAndView refused(Refusal refusal, HttpServletRequest request) {
        if (refusal.objection() instanceof Objection.OfNothing nothing) {
            return isAskedFor(nothing.asked(), request)
                    ? page(
                            HttpStatus.NOT_FOUND,
                            "There is nothing of that number",
                            "It may be written wrongly, or belong to another house.")
                    : unexpected(refusal, request);
        }
        return page(HttpStatus.UNPROCESSABLE_CONTENT, "That was not possible", ObjectionWords.of(refusal));
    }

    /** Only what somebody asked for can be written wrongly; anything else that is not there is a fault of ours. */
    private static boolean isAskedFor(String name, HttpServletRequest request) {
        return Arrays.stream(UriUtils.decode(request.getRequestURI(), StandardCharsets.UTF_8)
                                .split("/"))
                        .anyMatch(part -> part.equals(name) || part.startsWith(name + "."))
                || request.getParameterMap().values().stream()
                        .flatMap(Arrays::stream)
                        .anyMatch(name::equals);
    }

    @ExceptionHandler
    ModelAndView misread(MethodArgumentTypeMismatchException mismatch) {
        return page(
                HttpStatus.NOT_FOUND,
                "There is nothing of that number",
                "It may be written wrongly, or belong to another house.");
    }

    @ExceptionHandler
    ModelAndView denied(AccessDeniedException denied) {
        return denied();
    }

    static ModelAndView denied() {
        return page(HttpStatus.FORBIDDEN, "Only a steward can do that", "Ask one of them; nothing has been changed.");
    }

    @ExceptionHandler
    ModelAndView unexpected(Exception unexpected, HttpServletRequest request) {
        if (unexpected instanceof ErrorResponse known && known.getStatusCode().is4xxClientError()) {
            HttpStatus status = HttpStatus.valueOf(known.getStatusCode().value());
            return status == HttpStatus.NOT_FOUND ? missing() : unreadable(status);
        }
        if (isOfNoForm(unexpected)) {
            return unreadable(HttpStatus.BAD_REQUEST);
        }
        Optional<StoreTrouble> trouble = store.heard(unexpected);
        if (trouble.isPresent()) {
            LOG.warn("{} {}", trouble.get().what(), unexpected.getMessage());
            return page(
                    HttpStatus.SERVICE_UNAVAILABLE,
                    request.getMethod().equals("GET") ? "That cannot be read just now" : "Nothing was saved",
                    trouble.get().what() + " " + trouble.get().then());
        }
        String reference = UUID.randomUUID().toString().substring(0, 8);
        LOG.error("Unexpected, reference {}", reference, unexpected);
        return page(
                HttpStatus.INTERNAL_SERVER_ERROR,
                "Something went wrong here",
                "What you last saved is safe. Tell a steward this number: " + reference + ".");
    }

    /** A field that no form of ours has, as film[-1] or film[a], is no fault of ours. */
    private static boolean isOfNoForm(Exception failure) {
        return failure instanceof InvalidPropertyException
                || ((failure instanceof NumberFormatException || failure instanceof IndexOutOfBoundsException)
                        && Arrays.stream(failure.getStackTrace())
                                .anyMatch(frame -> frame.getClassName().startsWith("org.springframework.beans.")));
    }

    static ModelAndView missing() {
        return page(HttpStatus.NOT_FOUND, "There is no such page", "It may be written wrongly. Start from the Shelf.");
    }

    static ModelAndView unreadable(HttpStatus status) {
        return page(
                status,
                "That could not be read",
                "Nothing was saved. Go back and try it another way, or start from the Shelf.");
    }

    static ModelAndView page(HttpStatus status, String title, String what) {
        return page(status, title, what, "/shelf", "To the Shelf");
    }

    static ModelAndView page(HttpStatus status, String title, String what, String to, String go) {
        return new ModelAndView(
                "error/page", Map.of("errorTitle", title, "errorText", what, "errorTo", to, "errorGo", go), status);
    }
}
