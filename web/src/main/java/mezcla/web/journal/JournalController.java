package mezcla.web.journal;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import mezcla.log.EntryGroup;
import mezcla.web.access.SignedIn;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.declared.Sent;
import mezcla.web.forms.declared.Takes;
import mezcla.web.log.LogFile;
import mezcla.web.telling.EntryLine;
import mezcla.web.words.Spreadsheet;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.support.ServletUriComponentsBuilder;

/** The Journal. */
@Controller
class JournalController {
    private static final int PAGE = 30;
    private final JournalService journal;
    private final LogFile file;
    private final OneTimeForms forms;

    JournalController(JournalService journal, LogFile file, OneTimeForms forms) {
        this.journal = journal;
        this.file = file;
        this.forms = forms;
    }

    /** A page of the journal. */
    record Page(
            List<JournalService.Odd> odd,
            List<EntryLine> lines,
            List<Day> days,
            String count,
            @Nullable String newer,
            @Nullable String older,
            String csv,
            List<EntryGroup> kinds) {}

    @GetMapping("/journal")
    ModelAndView journal(
            @ModelAttribute("filter") JournalFilter filter,
            @RequestParam(defaultValue = "1") int page,
            @AuthenticationPrincipal SignedIn member) {
        FieldErrors errors = new FieldErrors();
        int first = (int) Math.min(Integer.MAX_VALUE, Math.max(0, page - 1L) * PAGE);
        JournalService.Page shown = journal.page(filter, first, PAGE, errors);
        return PageView.of(
                "journal/journal",
                new Page(
                        member.isSteward() ? journal.odd() : List.of(),
                        shown.lines(),
                        days(shown.lines()),
                        (shown.more() ? "More than " : "") + shown.count(),
                        first > 0 ? pageAddress(page - 1) : null,
                        shown.more() || first + (long) PAGE < shown.count() ? pageAddress(page + 1) : null,
                        ServletUriComponentsBuilder.fromCurrentRequest()
                                .replacePath("/journal.csv")
                                .replaceQueryParam("page")
                                .scheme(null)
                                .host(null)
                                .port(null)
                                .build()
                                .toUriString(),
                        List.of(EntryGroup.values())),
                errors);
    }

    /** The entries of a day, in the order of the page. */
    record Day(String day, List<EntryLine> lines) {}

    private static List<Day> days(List<EntryLine> lines) {
        List<Day> days = new ArrayList<>();
        for (EntryLine line : lines) {
            if (days.isEmpty() || !days.get(days.size() - 1).day().equals(line.day())) {
                days.add(new Day(line.day(), new ArrayList<>()));
            }
            days.get(days.size() - 1).lines().add(line);
        }
        return days;
    }

    private static String pageAddress(int page) {
        return ServletUriComponentsBuilder.fromCurrentRequest()
                .replaceQueryParam("page", page)
                .scheme(null)
                .host(null)
                .port(null)
                .build()
                .toUriString();
    }

    /** Everybody who ever wrote something. */
    record Writers(List<String> writers) {}

    /** Names to choose from; there may be hundreds, so they come only when somebody asks. */
    @GetMapping("/journal/writers")
    ModelAndView writers() {
        return PageView.of("journal/writers", new Writers(journal.writers()));
    }

    @GetMapping("/journal.csv")
    ResponseEntity<byte[]> csv(@ModelAttribute JournalFilter filter) {
        String text = journal.csv(journal.lines(filter, new FieldErrors()));
        return Spreadsheet.saved("journal.csv", text);
    }

    /** The whole log in the open format, to keep or to take to another house. */
    @GetMapping("/journal.jsonl")
    @PreAuthorize("hasRole('STEWARD')")
    ResponseEntity<byte[]> log() {
        return ResponseEntity.ok()
                .contentType(new MediaType("application", "jsonl", StandardCharsets.UTF_8))
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"mezcla-log.jsonl\"")
                .body((String.join("\n", file.lines()) + "\n").getBytes(StandardCharsets.UTF_8));
    }

    /** Why an entry is voided. */
    record VoidForm(@Takes(most = 200, or = FormObjection.ReasonMissing.class) String reason) {}

    @GetMapping("/journal/{sequence}/void")
    ModelAndView ask(@PathVariable long sequence) {
        return page(sequence, Sent.nothing());
    }

    @PostMapping("/journal/{sequence}/void")
    ModelAndView voidEntry(@PathVariable long sequence, Sent<VoidForm> sent, @AuthenticationPrincipal SignedIn member) {
        return forms.answer(
                sent,
                "/journal?voided=" + sequence,
                form -> journal.voidEntry(member, sequence, form.reason()),
                () -> page(sequence, sent));
    }

    /** What voiding an entry asks for. */
    record VoidPage(EntryLine line) {}

    private ModelAndView page(long sequence, Sent<?> sent) {
        return PageView.of("journal/void", new VoidPage(journal.line(sequence)), sent);
    }
}
