package mezcla.web.readin;

import java.util.List;
import mezcla.measure.Refusal;
import mezcla.web.access.SignedIn;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.typed.TypedChoice;
import mezcla.web.forms.typed.TypedFile;
import mezcla.web.words.Figures;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Lists from a file: chosen, looked at line by line, and read in. */
@Controller
@PreAuthorize("hasRole('STEWARD')")
class ReadInController {
    private static final int MOST_BYTES = 400_000;

    private final ReadInService service;
    private final OneTimeForms forms;

    ReadInController(ReadInService service, OneTimeForms forms) {
        this.service = service;
        this.forms = forms;
    }

    /**
     * The page.
     *
     * @param heading what there is to do
     * @param kinds what can be read in
     * @param kind what was chosen; null for nothing yet
     * @param text what was in the file
     * @param lines its lines; none as long as nothing was looked at
     * @param fine how many of them are read in
     * @param refused how many are not
     */
    record Page(
            String heading,
            List<ListKind> kinds,
            @Nullable ListKind kind,
            String text,
            List<ReadInService.Line> lines,
            long fine,
            long refused) {}

    private static Page page(@Nullable ListKind kind, String text, List<ReadInService.Line> lines, String heading) {
        long fine = lines.stream().filter(line -> line.refused().isEmpty()).count();
        return new Page(heading, List.of(ListKind.values()), kind, text, lines, fine, lines.size() - fine);
    }

    @GetMapping("/house/read-in")
    ModelAndView choose() {
        return again(null, "", new FieldErrors());
    }

    private static ModelAndView again(@Nullable ListKind kind, String text, FieldErrors errors) {
        return PageView.of("readin/readin", page(kind, text, List.of(), "Which list is to be read in?"), errors);
    }

    /** Shows what each line would do; nothing is kept. */
    @PostMapping("/house/read-in")
    ModelAndView look(
            @RequestParam(defaultValue = "") String kind,
            @RequestParam(defaultValue = "") String text,
            @RequestParam(required = false) @Nullable MultipartFile file,
            @AuthenticationPrincipal SignedIn who) {
        FieldErrors errors = new FieldErrors();
        ListKind known = errors.read("kind", () -> kind(kind));
        String table = file == null || file.isEmpty()
                ? errors.read("text", () -> notEmpty(text))
                : errors.read("file", () -> TypedFile.text(file, MOST_BYTES));
        if (known != null && table != null) {
            List<ReadInService.Line> lines = errors.read("text", () -> service.look(who, known, table));
            if (lines != null) {
                return PageView.of("readin/preview", preview(known, table, lines), errors);
            }
        }
        return again(known, table == null ? text : table, errors);
    }

    private static Page preview(ListKind kind, String text, List<ReadInService.Line> lines) {
        Page counted = page(kind, text, lines, "");
        return page(
                kind,
                text,
                lines,
                counted.refused() == 0
                        ? "All %s can be read in".formatted(Figures.count(lines.size(), "line"))
                        : "%s of %s can be read in"
                                .formatted(
                                        Figures.sentence(Figures.number(counted.fine())),
                                        Figures.count(lines.size(), "line")));
    }

    private static ListKind kind(String typed) {
        return TypedChoice.of(ListKind.values(), typed, new FormObjection.UnknownList());
    }

    private static String notEmpty(String text) {
        if (text.isBlank()) {
            throw Refusal.of(new FormObjection.FileMissing());
        }
        return text;
    }

    /** What came of it stands on the next page, with the passwords that were made, and is not told again. */
    @PostMapping("/house/read-in/keep")
    ModelAndView keep(
            @RequestParam(defaultValue = "") String kind,
            @RequestParam(defaultValue = "") String text,
            @RequestParam(defaultValue = "") String formKey,
            @AuthenticationPrincipal SignedIn who,
            RedirectAttributes told) {
        FieldErrors errors = new FieldErrors();
        ListKind known = errors.read("kind", () -> kind(kind));
        return forms.answer(
                errors,
                formKey,
                () -> {
                    List<ReadInService.Line> lines = service.keep(who, FieldErrors.known(known), text);
                    told.addFlashAttribute("kept", preview(FieldErrors.known(known), text, lines));
                    return "/house/read-in/kept";
                },
                objection -> "text",
                () -> again(known, text, errors));
    }

    @GetMapping("/house/read-in/kept")
    ModelAndView kept() {
        return new ModelAndView("readin/kept");
    }
}
