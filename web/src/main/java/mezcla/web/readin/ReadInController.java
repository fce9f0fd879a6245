package mezcla.web.readin;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import mezcla.measure.Refusal;
import mezcla.web.access.SignedIn;
import mezcla.web.forms.FieldErrors;
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
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.ModelAndView;

/** Lists from a file: chosen, looked at line by line, and read in. */
@Controller
@PreAuthorize("hasRole('STEWARD')")
class ReadInController {
    private static final int MOST_BYTES = 400_000;
    private static final int MOST_KEPT = 20;
    private static final Duration SHOWN_FOR = Duration.ofMinutes(30);

    private final ReadInService service;
    private final OneTimeForms forms;

    /** What came of the lists that were read in last: it holds passwords, so it is kept for a while and nowhere else. */
    private final Cache<KeptFor, Page> kept = Caffeine.newBuilder()
            .maximumSize(MOST_KEPT)
            .expireAfterWrite(SHOWN_FOR)
            .build();

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

    /**
     * What came of it stands on the next page, with the passwords that were made: for half an hour, to whoever read the list
     * in, however often they look.
     */
    @PostMapping("/house/read-in/keep")
    ModelAndView keep(Sent<ListForm> sent, @AuthenticationPrincipal SignedIn who) {
        ReadInService.Prepared list = sent.errors().none()
                        && forms.ledTo(sent.key()).isEmpty()
                ? sent.read(
                        "text",
                        () -> service.prepare(sent.form().kind(), sent.form().text()))
                : null;
        return forms.answer(
                sent,
                form -> {
                    List<ReadInService.Line> lines = service.keep(who, FieldErrors.known(list));
                    kept.put(new KeptFor(who.id(), sent.key()), preview(form.kind(), form.text(), lines));
                    return "/house/read-in/kept?of=" + sent.key();
                },
                () -> again(sent));
    }

    /** Which list a steward read in. */
    private record KeptFor(long steward, String key) {}

    @GetMapping("/house/read-in/kept")
    ModelAndView kept(@RequestParam(defaultValue = "") String of, @AuthenticationPrincipal SignedIn who) {
        ModelAndView page = new ModelAndView("readin/kept");
        page.addObject("kept", kept.getIfPresent(new KeptFor(who.id(), of)));
        return page;
    }
}
