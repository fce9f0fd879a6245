package mezcla.web.leaflet.editor;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import mezcla.leaflet.Addition;
import mezcla.leaflet.BathRole;
import mezcla.leaflet.CriticalFigure;
import mezcla.leaflet.FilmProcess;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.Recipe;
import mezcla.leaflet.Unit;
import mezcla.measure.Mass;
import mezcla.measure.ProcessingTime;
import mezcla.measure.Refusal;
import mezcla.measure.Temperature;
import mezcla.measure.TypedObjection;
import mezcla.measure.Volume;
import mezcla.web.access.SignedIn;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.TypedFile;
import mezcla.web.house.HouseService;
import mezcla.web.leaflet.LeafletFile;
import mezcla.web.leaflet.Leaflets;
import mezcla.web.words.Figures;
import mezcla.web.words.Units;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.ModelAndView;

/** Leaflets: what the printed sheets of kits say, typed in or read from files. */
@Controller
class LeafletController {
    private static final int MOST_BYTES = 200_000;

    private final Leaflets leaflets;
    private final HouseService houses;
    private final OneTimeForms forms;

    LeafletController(Leaflets leaflets, HouseService houses, OneTimeForms forms) {
        this.leaflets = leaflets;
        this.houses = houses;
        this.forms = forms;
    }

    @GetMapping("/leaflets")
    String all(Model model) {
        model.addAttribute("sheets", leaflets.sheets());
        return "leaflet/leaflets";
    }

    @GetMapping("/leaflets/{id}")
    String one(@PathVariable long id, Model model) {
        Leaflet leaflet = leaflets.version(id);
        model.addAttribute("id", id);
        model.addAttribute("errors", new FieldErrors());
        model.addAttribute("asides", List.of());
        model.addAttribute("leaflet", leaflet);
        model.addAttribute("sheet", SheetForm.of(leaflet));
        model.addAttribute("remarks", SheetWords.remarks(leaflet, true));
        model.addAttribute("examples", SheetWords.examples(leaflet));
        model.addAttribute("latest", leaflets.latest(leaflet.key()).version() == leaflet.version());
        model.addAttribute(
                "retypings",
                leaflets.retypings(id).stream()
                        .map(each -> "%s on %s: %s"
                                .formatted(
                                        each.who(),
                                        Figures.day(each.at(), houses.house().timeZone()),
                                        each.differences().isEmpty() ? "all the same" : each.differences()))
                        .toList());
        return "leaflet/leaflet";
    }

    @GetMapping("/leaflets/{id}/file")
    ResponseEntity<String> file(@PathVariable long id) {
        String name = leaflets.version(id).key() + "-" + leaflets.version(id).version() + ".json";
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_JSON)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment().filename(name).build().toString())
                .body(leaflets.file(id));
    }

    @GetMapping("/leaflets/new")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView empty(
            @RequestParam(name = "from", required = false) @Nullable Long from,
            @RequestParam(defaultValue = "") String formKey,
            Model model) {
        if (!forms.isKey(formKey)) {
            return forms.askAgainWithNewKey();
        }
        Map<String, String> typed = new LinkedHashMap<>(
                from == null ? Map.of() : SheetForm.of(leaflets.version(from)).typed());
        typed.put("formKey", formKey);
        typed.put("from", from == null ? "" : from.toString());
        return editor(new SheetForm(typed), null, new FieldErrors(), model);
    }

    /** One more row, or just another look at what was typed. */
    @PostMapping("/leaflets/draft")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView draft(@RequestParam Map<String, String> typed, Model model) {
        SheetForm form = new SheetForm(typed);
        String more = form.at("more");
        boolean known = more.matches("parts|baths|bath[0-9]{1,2}-adds");
        return editor(known ? form.withAnother(more) : form, null, new FieldErrors(), model);
    }

    /** What is odd so far, while somebody types; fields that are still empty are not mentioned. */
    @PostMapping("/leaflets/check")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView check(@RequestParam Map<String, String> typed, Model model) {
        SheetForm form = new SheetForm(typed);
        SheetReading reading = new SheetReading(form);
        FieldErrors typedOnly = new FieldErrors();
        reading.errors().all().forEach((field, sentence) -> {
            if (!form.at(field).isBlank()) {
                typedOnly.say(field, sentence);
            }
        });
        return editor(form, reading, typedOnly, model);
    }

    @PostMapping("/leaflets")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView add(@RequestParam Map<String, String> typed, @AuthenticationPrincipal SignedIn member, Model model) {
        SheetForm form = new SheetForm(typed);
        SheetReading reading = new SheetReading(form);
        Leaflet before = form.at("from").isEmpty() ? null : leaflets.chosen(form.at("from"));
        Leaflet leaflet = reading.leaflet(before == null ? null : leaflets.latest(before.key()));
        return forms.answer(
                reading.errors(),
                form.at("formKey"),
                () -> "/leaflets/" + leaflets.add(FieldErrors.known(leaflet), member) + "?added",
                objection -> "name",
                () -> editor(form, reading, reading.errors(), model));
    }

    private ModelAndView editor(SheetForm form, @Nullable SheetReading reading, FieldErrors errors, Model model) {
        SheetReading read = reading == null ? new SheetReading(form) : reading;
        Leaflet sketch = read.sketch();
        model.addAttribute("form", form);
        model.addAttribute("errors", errors);
        model.addAttribute("asides", read.asides());
        model.addAttribute("remarks", sketch == null ? List.of() : SheetWords.remarks(sketch, read.isWhole()));
        model.addAttribute("examples", sketch == null ? List.of() : SheetWords.examples(sketch));
        model.addAttribute("roles", BathRole.standard());
        model.addAttribute(
                "processes", List.of(FilmProcess.COLOUR_NEGATIVE, FilmProcess.COLOUR_SLIDE, FilmProcess.CINE_NEGATIVE));
        model.addAttribute("modes", Recipe.Mode.values());
        model.addAttribute("cares", Addition.Care.values());
        model.addAttribute("already", forms.ledTo(form.at("formKey")).orElse(null));
        model.addAttribute(
                "before",
                form.at("from").isEmpty()
                        ? null
                        : leaflets.chosen(form.at("from")).name());
        return new ModelAndView("leaflet/editor", model.asMap());
    }

    @GetMapping("/leaflets/{id}/retype")
    ModelAndView retype(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String formKey,
            @AuthenticationPrincipal SignedIn member,
            Model model) {
        if (!forms.isKey(formKey)) {
            return forms.askAgainWithNewKey();
        }
        FieldErrors errors = new FieldErrors();
        errors.read("figures", () -> {
            leaflets.refuseOwn(id, member);
            return id;
        });
        return retyping(id, Map.of("formKey", formKey), errors, model);
    }

    @PostMapping("/leaflets/{id}/retypings")
    ModelAndView retyped(
            @PathVariable long id,
            @RequestParam Map<String, String> typed,
            @AuthenticationPrincipal SignedIn member,
            Model model) {
        Leaflet leaflet = leaflets.version(id);
        FieldErrors errors = new FieldErrors();
        List<String> differences = new ArrayList<>();
        for (CriticalFigure figure : CriticalFigure.of(leaflet)) {
            Double value = errors.read(figure.id(), () -> read(leaflet, figure, typed.getOrDefault(figure.id(), "")));
            if (value != null && !figure.agrees(value)) {
                differences.add("%s is %s in Mezcla, and was typed as %s"
                        .formatted(
                                SheetWords.figure(leaflet, figure),
                                SheetWords.value(leaflet, figure, figure.value()),
                                SheetWords.value(leaflet, figure, value)));
            }
        }
        return forms.answer(
                errors,
                typed.getOrDefault("formKey", ""),
                () -> {
                    leaflets.retype(id, member, String.join("; ", differences));
                    return "/leaflets/" + id + "?retyped";
                },
                objection -> "figures",
                () -> retyping(id, typed, errors, model));
    }

    private static double read(Leaflet leaflet, CriticalFigure figure, String typed) {
        Units units = Units.shown();
        return switch (figure.kind()) {
            case KIT_AMOUNT, AMOUNT ->
                leaflet.part(figure.part()).unit() == Unit.G
                        ? Mass.parse(typed).grams()
                        : Volume.parse(typed, units.volume()).ml();
            case MAKES, START_WATER -> Volume.parse(typed, units.volume()).ml();
            case TIME -> ProcessingTime.parse(typed).seconds();
            case TEMPERATURE -> Temperature.parse(typed, units.temperature()).celsius();
            case MOST_ROLLS, MOST_DAYS -> {
                String text = typed.strip();
                if (text.isEmpty()) {
                    throw Refusal.of(new TypedObjection.Missing());
                }
                if (!text.matches("[0-9]{1,4}([.,][0-9]{1,2})?")) {
                    throw Refusal.of(new FormObjection.NotANumber(text));
                }
                yield Double.parseDouble(text.replace(',', '.'));
            }
        };
    }

    /**
     * A figure to type again.
     *
     * @param id its field
     * @param label what it is
     */
    public record Blank(String id, String label) {}

    private ModelAndView retyping(long id, Map<String, String> typed, FieldErrors errors, Model model) {
        Leaflet leaflet = leaflets.version(id);
        model.addAttribute("id", id);
        model.addAttribute("leaflet", leaflet);
        model.addAttribute(
                "blanks",
                CriticalFigure.of(leaflet).stream()
                        .map(figure -> new Blank(figure.id(), SheetWords.figure(leaflet, figure)))
                        .toList());
        model.addAttribute("typed", typed);
        model.addAttribute("errors", errors);
        model.addAttribute(
                "already", forms.ledTo(typed.getOrDefault("formKey", "")).orElse(null));
        return new ModelAndView("leaflet/retype", model.asMap());
    }

    @GetMapping("/leaflets/import")
    @PreAuthorize("hasRole('STEWARD')")
    String bringFile(Model model) {
        model.addAttribute("errors", new FieldErrors());
        return "leaflet/import";
    }

    /** Shows what a file would add, before anything is added. */
    @PostMapping("/leaflets/import")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView preview(@RequestParam(name = "file", required = false) @Nullable MultipartFile file, Model model) {
        FieldErrors errors = new FieldErrors();
        String document = errors.read("file", () -> TypedFile.text(file, MOST_BYTES));
        return preview(document, forms.newKey(), errors, model);
    }

    @PostMapping("/leaflets/imports")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView bring(
            @RequestParam(defaultValue = "") String document,
            @RequestParam(defaultValue = "") String formKey,
            @AuthenticationPrincipal SignedIn member,
            Model model) {
        FieldErrors errors = new FieldErrors();
        return forms.answer(
                errors,
                formKey,
                () -> {
                    Leaflet leaflet = LeafletFile.of(document).leaflet();
                    if (leaflet == null) {
                        throw Refusal.of(new FormObjection.FileBroken());
                    }
                    return "/leaflets/" + leaflets.add(leaflets.asAdded(leaflet), member) + "?added";
                },
                objection -> "file",
                () -> preview(document, formKey, errors, model));
    }

    private ModelAndView preview(@Nullable String document, String formKey, FieldErrors errors, Model model) {
        LeafletFile file = document == null ? null : LeafletFile.of(document);
        Leaflet leaflet = file == null ? null : file.leaflet();
        Leaflet added = leaflet == null ? null : errors.read("file", () -> leaflets.asAdded(leaflet));
        model.addAttribute("errors", errors);
        model.addAttribute("faults", file == null ? List.of() : file.faults());
        model.addAttribute("document", document);
        model.addAttribute("formKey", formKey);
        model.addAttribute("added", added);
        if (added != null) {
            model.addAttribute("asides", List.of());
            model.addAttribute("sheet", SheetForm.of(added));
            model.addAttribute("remarks", SheetWords.remarks(added, true));
            model.addAttribute("examples", SheetWords.examples(added));
        }
        boolean refused = !errors.none() || leaflet == null;
        return new ModelAndView(
                "leaflet/import", model.asMap(), refused ? HttpStatus.UNPROCESSABLE_CONTENT : HttpStatus.OK);
    }
}
