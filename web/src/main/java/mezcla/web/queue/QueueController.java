package mezcla.web.queue;

import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import mezcla.leaflet.FilmProcess;
import mezcla.log.FilmStage;
import mezcla.log.Roll;
import mezcla.measure.FilmFormat;
import mezcla.measure.Refusal;
import mezcla.web.access.SignedIn;
import mezcla.web.accounts.KitOffers;
import mezcla.web.film.FilmTyped;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.declared.Asked;
import mezcla.web.forms.declared.RefusedAt;
import mezcla.web.forms.declared.Sent;
import mezcla.web.forms.declared.Takes;
import mezcla.web.forms.typed.TypedChoice;
import mezcla.web.settings.HouseService;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
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

    QueueController(QueuePages pages, QueueService queue, KitOffers offers, HouseService houses, OneTimeForms forms) {
        this.pages = pages;
        this.queue = queue;
        this.offers = offers;
        this.houses = houses;
        this.forms = forms;
    }

    @GetMapping("/queue")
    ModelAndView queue(@RequestParam(defaultValue = "") String from, @AuthenticationPrincipal SignedIn member) {
        return PageView.of("queue/queue", pages.page(member, from), Sent.nothing());
    }

    private ModelAndView page(SignedIn member, Sent<?> sent) {
        return PageView.of("queue/queue", pages.page(member, ""), sent);
    }

    /** The form of film that is left. */
    record Leaving(
            FilmTyped form,
            List<FilmProcess> processes,
            List<FilmFormat> formats,
            List<String> pushes,
            String houseName,
            @Nullable String already) {}

    /** Film that somebody leaves or announces. */
    @RefusedAt("count0")
    record LeftForm(
            @Takes(asTyped = true) String process, @Nullable LocalDate by, @Takes(most = 40) @Nullable String alike) {}

    /** What film is called matters in a queue. */
    private static final class LeftFilm extends FilmTyped {
        LeftFilm(Sent<?> sent) {
            super(sent);
        }

        @Override
        public boolean isMore() {
            return true;
        }
    }

    @GetMapping("/queue/new")
    ModelAndView leaving(Sent<Asked> sent, @AuthenticationPrincipal SignedIn member) {
        if (!forms.isKey(sent.key())) {
            return forms.askAgainWithNewKey();
        }
        new FilmTyped(sent).beginWith(member.owner());
        return leaving(sent);
    }

    private ModelAndView leaving(Sent<?> sent) {
        sent.begin("process", FilmProcess.COLOUR_NEGATIVE.key());
        return PageView.of(
                "queue/new",
                new Leaving(
                        new LeftFilm(sent),
                        processes(),
                        List.of(FilmFormat.values()),
                        FilmTyped.PUSHES,
                        houses.house().name(),
                        forms.ledTo(sent.key()).orElse(null)),
                sent);
    }

    private List<FilmProcess> processes() {
        return Stream.concat(FilmProcess.KNOWN.stream(), offers.processes().stream())
                .distinct()
                .toList();
    }

    @PostMapping("/queue")
    ModelAndView leave(Sent<LeftForm> sent, @AuthenticationPrincipal SignedIn member) {
        FilmProcess process = sent.read("process", () -> processes().stream()
                .filter(each -> each.key().equals(sent.typed("process")))
                .findFirst()
                .orElseThrow(() -> Refusal.of(new FormObjection.UnknownProcess())));
        List<Roll> rolls = new FilmTyped(sent).rolls(process);
        return forms.answer(
                sent,
                form -> "/queue?left="
                        + queue
                                .leave(
                                        member,
                                        rolls,
                                        FieldErrors.known(process),
                                        new QueueService.Wish(
                                                form.by(), !sent.typed("here").equals("no"), form.alike()))
                                .stream()
                                .map(number -> Long.toString(number))
                                .collect(Collectors.joining(",")),
                () -> leaving(sent));
    }

    /** Loads that are taken. */
    @RefusedAt("queue")
    record LoadsForm(@Takes(asTyped = true) String loads) {}

    @PostMapping("/queue/loads")
    ModelAndView take(Sent<LoadsForm> sent, @AuthenticationPrincipal SignedIn member) {
        return forms.answer(
                sent, "/evening?planned", form -> queue.take(member, keys(form.loads())), () -> page(member, sent));
    }

    /** A load is named by a batch and films with commas, so several are separated by blanks. */
    private static List<String> keys(String loads) {
        return Arrays.stream(loads.strip().split(" ", -1))
                .filter(key -> !key.isEmpty())
                .toList();
    }

    /** Where film is now. */
    @RefusedAt("queue")
    record StageForm(@Takes(asTyped = true) String stage) {}

    @PostMapping("/queue/{id}/stages")
    ModelAndView stage(@PathVariable long id, Sent<StageForm> sent, @AuthenticationPrincipal SignedIn member) {
        FilmStage stage = sent.read(
                "queue",
                () -> TypedChoice.of(FilmStage.values(), sent.typed("stage"), new FormObjection.UnknownStage()));
        return forms.answer(
                sent,
                "/queue?handled",
                form -> queue.handle(member, id, FieldErrors.known(stage)),
                () -> page(member, sent));
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
                                .toUriString()));
    }
}
