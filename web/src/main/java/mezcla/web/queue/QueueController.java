package mezcla.web.queue;

import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import mezcla.leaflet.FilmProcess;
import mezcla.log.FilmStage;
import mezcla.log.Roll;
import mezcla.measure.FilmFormat;
import mezcla.web.access.SignedIn;
import mezcla.web.clock.LogClock;
import mezcla.web.film.FilmForm;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.typed.TypedChoice;
import mezcla.web.house.HouseService;
import mezcla.web.money.KitOffers;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.support.ServletUriComponentsBuilder;

/** Whose film goes in next. */
@Controller
class QueueController {
    private final QueuePages pages;
    private final QueueService queue;
    private final KitOffers offers;
    private final HouseService houses;
    private final OneTimeForms forms;
    private final LogClock clock;

    QueueController(
            QueuePages pages,
            QueueService queue,
            KitOffers offers,
            HouseService houses,
            OneTimeForms forms,
            LogClock clock) {
        this.pages = pages;
        this.queue = queue;
        this.offers = offers;
        this.houses = houses;
        this.forms = forms;
        this.clock = clock;
    }

    @GetMapping("/queue")
    ModelAndView queue(@AuthenticationPrincipal SignedIn member) {
        return page(member, new FieldErrors());
    }

    private ModelAndView page(SignedIn member, FieldErrors errors) {
        return PageView.of("queue/queue", pages.page(member), errors);
    }

    /** The form of film that is left. */
    record Leaving(
            QueueForm form,
            List<FilmProcess> processes,
            List<FilmFormat> formats,
            List<String> pushes,
            String houseName,
            @Nullable String already) {}

    @GetMapping("/queue/new")
    ModelAndView leaving(@ModelAttribute("form") QueueForm form, @AuthenticationPrincipal SignedIn member) {
        if (!forms.isKey(form.getFormKey())) {
            return forms.askAgainWithNewKey();
        }
        form.beginWith(member.owner(), "");
        return leaving(form, new FieldErrors());
    }

    private ModelAndView leaving(QueueForm form, FieldErrors errors) {
        form.padded();
        return PageView.of(
                "queue/new",
                new Leaving(
                        form,
                        processes(),
                        List.of(FilmFormat.values()),
                        FilmForm.PUSHES,
                        houses.house().name(),
                        forms.ledTo(form.getFormKey()).orElse(null)),
                errors);
    }

    private List<FilmProcess> processes() {
        return Stream.concat(FilmProcess.KNOWN.stream(), offers.processes().stream())
                .distinct()
                .toList();
    }

    @PostMapping("/queue")
    ModelAndView leave(@ModelAttribute("form") QueueForm form, @AuthenticationPrincipal SignedIn member) {
        FieldErrors errors = new FieldErrors();
        FilmProcess process = errors.read("process", () -> form.readProcess(processes()));
        List<Roll> rolls = form.rolls(errors, process);
        LocalDate by = errors.read(
                "by",
                () -> form.readBy(
                        clock.instant().atZone(houses.house().timeZone()).toLocalDate()));
        return forms.answer(
                errors,
                form.getFormKey(),
                () -> "/queue?left="
                        + queue.leave(member, rolls, FieldErrors.known(process), by, form.isThere()).stream()
                                .map(number -> Long.toString(number))
                                .collect(Collectors.joining(",")),
                objection -> "count0",
                () -> leaving(form, errors));
    }

    @PostMapping("/queue/loads")
    ModelAndView take(@RequestParam Map<String, String> typed, @AuthenticationPrincipal SignedIn member) {
        FieldErrors errors = new FieldErrors();
        return forms.answer(
                errors,
                typed.getOrDefault("formKey", ""),
                () -> {
                    queue.take(member, keys(typed));
                    return "/evening?planned";
                },
                objection -> "queue",
                () -> page(member, errors));
    }

    /** A load is named by a batch and films with commas, so several are separated by blanks. */
    private static List<String> keys(Map<String, String> typed) {
        return Arrays.stream(typed.getOrDefault("loads", "").strip().split(" ", -1))
                .filter(key -> !key.isEmpty())
                .toList();
    }

    @PostMapping("/queue/{id}/stages")
    ModelAndView stage(
            @PathVariable long id, @RequestParam Map<String, String> typed, @AuthenticationPrincipal SignedIn member) {
        FieldErrors errors = new FieldErrors();
        FilmStage stage = errors.read(
                "queue",
                () -> TypedChoice.of(
                        FilmStage.values(), typed.getOrDefault("stage", ""), new FormObjection.UnknownStage()));
        return forms.answer(
                errors,
                typed.getOrDefault("formKey", ""),
                () -> {
                    queue.handle(member, id, FieldErrors.known(stage));
                    return "/queue?handled";
                },
                objection -> "queue",
                () -> page(member, errors));
    }

    @GetMapping("/queue/labels")
    ModelAndView labels(@RequestParam(defaultValue = "") String film) {
        List<Long> ids = Arrays.stream(film.split(",", -1))
                .filter(id -> id.matches("[0-9]{1,9}"))
                .map(Long::valueOf)
                .toList();
        return PageView.of(
                "queue/labels",
                pages.labels(
                        ids,
                        ServletUriComponentsBuilder.fromCurrentContextPath()
                                .build()
                                .toUriString()),
                new FieldErrors());
    }
}
