package mezcla.web.readin;

import java.util.Arrays;
import java.util.List;
import mezcla.measure.Refusal;
import mezcla.web.access.SignedIn;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.declared.RefusedAt;
import mezcla.web.forms.declared.Sent;
import mezcla.web.forms.declared.Takes;
import mezcla.web.forms.typed.TypedFile;
import mezcla.web.words.Figures;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
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
        return again(Sent.nothing());
    }

    private static ModelAndView again(Sent<?> sent) {
        ListKind kind = Arrays.stream(ListKind.values())
                .filter(each -> each.name().equals(sent.typed("kind")))
                .findFirst()
                .orElse(null);
        return PageView.of(
                "readin/readin", page(kind, sent.typed("text"), List.of(), "Which list is to be read in?"), sent);
    }

    /** A list that is looked at: a file, or what was typed. */
    @RefusedAt("text")
    record LookedForm(
            @Takes(or = FormObjection.UnknownList.class) ListKind kind,
            @Takes(asTyped = true) String text,
            @Nullable MultipartFile file) {}

    /** Shows what each line would do; nothing is kept. */
    @PostMapping("/house/read-in")
    ModelAndView look(Sent<LookedForm> sent, @AuthenticationPrincipal SignedIn who) {
        MultipartFile file = sent.file("file");
        String table = file == null || file.isEmpty()
                ? sent.read("text", () -> notEmpty(sent.typed("text")))
                : sent.read("file", () -> TypedFile.text(file, MOST_BYTES));
        if (table != null) {
            sent.put("text", table);
        }
        List<ReadInService.Line> lines = table == null || !sent.errors().none()
                ? null
                : sent.read("text", () -> service.look(who, sent.form().kind(), table));
        return table == null || lines == null
                ? again(sent)
                : PageView.of("readin/preview", preview(sent.form().kind(), table, lines), sent);
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

    private static String notEmpty(String text) {
        if (text.isBlank()) {
            throw Refusal.of(new FormObjection.FileMissing());
        }
        return text;
    }

    /** A list that is read in. */
    @RefusedAt("text")
    record ListForm(@Takes(or = FormObjection.UnknownList.class) ListKind kind, @Takes(asTyped = true) String text) {}

    /** What came of it stands on the next page, with the passwords that were made, and is not told again. */
    @PostMapping("/house/read-in/keep")
    ModelAndView keep(Sent<ListForm> sent, @AuthenticationPrincipal SignedIn who, RedirectAttributes told) {
        return forms.answer(
                sent,
                "/house/read-in/kept",
                form -> told.addFlashAttribute(
                        "kept", preview(form.kind(), form.text(), service.keep(who, form.kind(), form.text()))),
                () -> again(sent));
    }

    @GetMapping("/house/read-in/kept")
    ModelAndView kept() {
        return new ModelAndView("readin/kept");
    }
}
