package mezcla.web.journal;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import mezcla.log.EntryGroup;
import mezcla.web.access.SignedIn;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.typed.TypedText;
import mezcla.web.journal.telling.EntryLine;
import mezcla.web.log.LogFile;
import mezcla.web.words.Spreadsheet;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
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
    private static final int REASON_CHARACTERS = 200;

    private final JournalService journal;
    private final LogFile file;
    private final OneTimeForms forms;

    JournalController(JournalService journal, LogFile file, OneTimeForms forms) {
        this.journal = journal;
        this.file = file;
        this.forms = forms;
    }

    @GetMapping("/journal")
    ModelAndView journal(
            @ModelAttribute("filter") JournalFilter filter,
            @RequestParam(defaultValue = "1") int page,
            @AuthenticationPrincipal SignedIn member,
            Model model) {
        FieldErrors errors = new FieldErrors();
        int first = (int) Math.min(Integer.MAX_VALUE, Math.max(0, page - 1L) * PAGE);
        JournalService.Page shown = journal.page(filter, first, PAGE, errors);
        model.addAttribute("odd", member.isSteward() ? journal.odd() : List.of());
        model.addAttribute("lines", shown.lines());
        model.addAttribute("days", days(shown.lines()));
        model.addAttribute("count", (shown.more() ? "More than " : "") + shown.count());
        model.addAttribute("newer", first > 0 ? pageAddress(page - 1) : null);
        model.addAttribute("older", shown.more() || first + (long) PAGE < shown.count() ? pageAddress(page + 1) : null);
        model.addAttribute(
                "csv",
                ServletUriComponentsBuilder.fromCurrentRequest()
                        .replacePath("/journal.csv")
                        .replaceQueryParam("page")
                        .scheme(null)
                        .host(null)
                        .port(null)
                        .build()
                        .toUriString());
        model.addAttribute("kinds", EntryGroup.values());
        model.addAttribute("errors", errors);
        return new ModelAndView(
                "journal/journal", model.asMap(), errors.none() ? HttpStatus.OK : HttpStatus.UNPROCESSABLE_CONTENT);
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

    /** Names to choose from; there may be hundreds, so they come only when somebody asks. */
    @GetMapping("/journal/writers")
    String writers(Model model) {
        model.addAttribute("writers", journal.writers());
        return "journal/writers";
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

    @GetMapping("/journal/{sequence}/void")
    String ask(@PathVariable long sequence, Model model) {
        return page(sequence, "", forms.newKey(), new FieldErrors(), model);
    }

    @PostMapping("/journal/{sequence}/void")
    ModelAndView voidEntry(
            @PathVariable long sequence,
            @RequestParam(defaultValue = "") String reason,
            @RequestParam(defaultValue = "") String formKey,
            @AuthenticationPrincipal SignedIn member,
            Model model) {
        FieldErrors errors = new FieldErrors();
        String why =
                errors.read("reason", () -> TypedText.of(reason, REASON_CHARACTERS, new FormObjection.ReasonMissing()));
        return forms.answer(
                errors,
                formKey,
                () -> {
                    journal.voidEntry(member, sequence, FieldErrors.known(why));
                    return "/journal?voided=" + sequence;
                },
                objection -> "reason",
                () -> new ModelAndView(page(sequence, reason, formKey, errors, model), model.asMap()));
    }

    private String page(long sequence, String reason, String formKey, FieldErrors errors, Model model) {
        model.addAttribute("line", journal.line(sequence));
        model.addAttribute("reason", reason);
        model.addAttribute("formKey", formKey);
        model.addAttribute("errors", errors);
        return "journal/void";
    }
}
