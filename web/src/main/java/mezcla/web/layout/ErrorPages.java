package mezcla.web.layout;

import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.http.HttpServletRequest;
import org.springframework.boot.webmvc.error.ErrorController;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.servlet.ModelAndView;

/** What was refused before it came to any page, as a page of ours. */
@Controller
class ErrorPages implements ErrorController {
    @RequestMapping("/error")
    ModelAndView error(HttpServletRequest request) {
        if (!(request.getAttribute(RequestDispatcher.ERROR_STATUS_CODE) instanceof Integer code)) {
            return RefusedPages.missing();
        }
        HttpStatus status = HttpStatus.resolve(code);
        if (status == null || status.is5xxServerError()) {
            return RefusedPages.page(
                    HttpStatus.INTERNAL_SERVER_ERROR,
                    "Something went wrong here",
                    "What you last saved is safe. Tell a steward what you did.");
        }
        return status == HttpStatus.NOT_FOUND
                ? RefusedPages.missing()
                : status == HttpStatus.FORBIDDEN ? RefusedPages.denied() : RefusedPages.unreadable(status);
    }
}
