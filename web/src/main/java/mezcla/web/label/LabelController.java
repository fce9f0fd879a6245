package mezcla.web.label;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import mezcla.measure.FilmFormat;
import mezcla.measure.Refusal;
import mezcla.processing.Movement;
import mezcla.web.access.SignedIn;
import mezcla.web.clock.LogClock;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.declared.RefusedAt;
import mezcla.web.forms.declared.Sent;
import mezcla.web.forms.declared.Takes;
import mezcla.web.forms.typed.TypedChoice;
import mezcla.web.forms.typed.TypedDay;
import mezcla.web.forms.typed.TypedText;
import mezcla.web.settings.HouseService;
import mezcla.web.settings.things.Tank;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.support.ServletUriComponentsBuilder;

/** Labels, their codes, and the card for an evening without a screen. */
@Controller
class LabelController {
    private static final int OWNER_CHARACTERS = 40;
    private static final int ON_A_SHEET = 8;

    private final LabelService labels;
    private final HouseService houses;
    private final OneTimeForms forms;
    private final LogClock clock;

    LabelController(LabelService labels, HouseService houses, OneTimeForms forms, LogClock clock) {
        this.labels = labels;
        this.houses = houses;
        this.forms = forms;
        this.clock = clock;
    }

    @GetMapping("/batches/{id}/labels")
    ModelAndView ofBatch(
            @PathVariable long id,
            @RequestParam(defaultValue = "a4") String on,
            @RequestParam(defaultValue = "1") String from,
            HttpServletRequest request) {
        return sheet(labels.ofBatch(id, address(request)), "/batches/" + id, on, from);
    }

    @GetMapping("/mixes/{id}/labels")
    ModelAndView ofMix(
            @PathVariable long id,
            @RequestParam(defaultValue = "a4") String on,
            @RequestParam(defaultValue = "1") String from,
            HttpServletRequest request) {
        return sheet(labels.ofMix(id, address(request)), "/mixes/" + id, on, from);
    }

    @GetMapping("/kits/{id}/labels")
    ModelAndView ofVials(
            @PathVariable long id,
            @RequestParam(defaultValue = "a4") String on,
            @RequestParam(defaultValue = "1") String from,
            HttpServletRequest request) {
        return sheet(labels.ofVials(id, address(request)), "/kits/" + id, on, from);
    }

    private static String address(HttpServletRequest request) {
        return ServletUriComponentsBuilder.fromContextPath(request).build().toUriString();
    }

    /** Labels to print. */
    record Sheet(List<LabelView> labels, String back, String on, int from, int onASheet) {}

    private static ModelAndView sheet(List<LabelView> labels, String back, String on, String from) {
        int first = from.matches("[1-8]") ? Integer.parseInt(from) : 1;
        return PageView.of(
                "label/labels",
                new Sheet(labels, back, on.equals("roll") ? "roll" : "a4", first, ON_A_SHEET),
                new FieldErrors());
    }

    /** Where a scanned or typed code leads. */
    @GetMapping("/codes/{code}")
    String scanned(@PathVariable String code) {
        return labels.batchOf(code)
                .map(batch -> "redirect:/batches/" + batch)
                .orElseThrow(() -> Refusal.of(new FormObjection.UnknownThing(code)));
    }

    @GetMapping("/batches/{id}/card")
    ModelAndView card(@PathVariable long id) {
        return card(id, Sent.nothing());
    }

    /** The boxes that were ticked on a card: a row for each. */
    @RefusedAt("ticked")
    record TicksForm(@Takes(asTyped = true) String tank, boolean turned) {}

    @PostMapping("/batches/{id}/ticks")
    ModelAndView enter(@PathVariable long id, Sent<TicksForm> sent, @AuthenticationPrincipal SignedIn member) {
        Tank tank = sent.read(
                "tank", () -> houses.tank(TypedChoice.number(sent.typed("tank"), new FormObjection.UnknownTank()))
                        .moved(sent.typed().containsKey("turned") ? Movement.ROTARY : Movement.PRINTED));
        Map<Integer, LabelService.Ticked> boxes = new LinkedHashMap<>();
        for (int i = 1; i <= LabelService.CARD_ROLLS; i++) {
            if (sent.typed().containsKey("ticked" + i)) {
                read(sent, i, boxes);
            }
        }
        if (boxes.isEmpty() && sent.errors().none()) {
            sent.errors().add("ticked", new FormObjection.BoxesMissing());
        }
        return forms.answer(
                sent,
                "/batches/" + id + "?logged",
                form -> labels.enter(member, id, FieldErrors.known(tank), boxes),
                () -> card(id, sent));
    }

    private void read(Sent<?> sent, int row, Map<Integer, LabelService.Ticked> boxes) {
        String owner = sent.read(
                "owner" + row,
                () -> TypedText.of(sent.typed("owner" + row), OWNER_CHARACTERS, new FormObjection.OwnerMissing()));
        FilmFormat format = sent.read("format" + row, () -> FilmFormat.labelled(sent.typed("format" + row)));
        String day = sent.typed("day" + row);
        Instant when = day.isBlank()
                ? clock.instant()
                : sent.read(
                        "day" + row, () -> TypedDay.noonOf(day, houses.house().timeZone(), clock.instant()));
        if (owner != null && format != null && when != null) {
            boxes.put(row, new LabelService.Ticked(owner, format, when, told(sent.typed("told" + row))));
        }
    }

    /** What the card told, as its form carries it; what is none of that says nothing. */
    private static Map<Long, Integer> told(String typed) {
        Map<Long, Integer> told = new LinkedHashMap<>();
        if (typed.matches("[0-9]{1,9}:[0-9]{1,5}(,[0-9]{1,9}:[0-9]{1,5}){0,11}")) {
            for (String each : typed.split(",", -1)) {
                String[] parts = each.split(":", 2);
                told.put(Long.valueOf(parts[0]), Integer.valueOf(parts[1]));
            }
        }
        return told;
    }

    /** The card for an evening without power, and what is entered from it. */
    record CardPage(long batchId, LabelService.Card card, List<Tank> tanks, List<FilmFormat> formats) {}

    private ModelAndView card(long id, Sent<?> sent) {
        return PageView.of(
                "label/card", new CardPage(id, labels.card(id), houses.tanks(), List.of(FilmFormat.values())), sent);
    }
}
