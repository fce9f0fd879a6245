package mezcla.web.leaflet.page;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import mezcla.leaflet.CriticalFigure;
import mezcla.leaflet.Leaflet;
import mezcla.measure.Refusal;
import mezcla.web.access.SignedIn;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.typed.TypedFile;
import mezcla.web.house.HouseService;
import mezcla.web.leaflet.LeafletFile;
import mezcla.web.leaflet.Leaflets;
import mezcla.web.leaflet.Revising;
import mezcla.web.leaflet.WhyRevised;
import mezcla.web.leaflet.draft.SheetDrafts;
import mezcla.web.leaflet.sheet.SheetForm;
import mezcla.web.leaflet.sheet.SheetReading;
import mezcla.web.leaflet.sheet.SheetWords;
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
    private final SheetDrafts drafts;
    private final HouseService houses;
    private final OneTimeForms forms;
    private final Revising revising;

    LeafletController(
            Leaflets leaflets, SheetDrafts drafts, HouseService houses, OneTimeForms forms, Revising revising) {
        this.revising = revising;
        this.leaflets = leaflets;
        this.drafts = drafts;
        this.houses = houses;
        this.forms = forms;
    }

    @GetMapping("/leaflets")
    String all(Model model) {
        model.addAttribute("sheets", leaflets.offered());
        model.addAttribute(
                "withdrawn",
                leaflets.sheets().stream().filter(Leaflets.Sheet::withdrawn).toList());
        model.addAttribute("drafts", drafts.inHand());
        return "leaflet/leaflets";
    }

    @GetMapping("/leaflets/{id}")
    String one(@PathVariable long id, Model model) {
        Leaflet leaflet = leaflets.version(id);
        model.addAttribute("id", id);
        model.addAttribute("leaflet", leaflet);
        model.addAttribute("withdrawn", leaflets.isWithdrawn(id));
        said(SheetForm.asTyped(leaflets, id), model);
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

    private static void said(SheetForm form, Model model) {
        SheetReading reading = new SheetReading(form);
        model.addAttribute("drawn", DrawnSheet.of(form, reading));
        model.addAttribute("remarks", reading.remarks());
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

    @PostMapping("/leaflets/{id}/offer")
    @PreAuthorize("hasRole('STEWARD')")
    String offer(
            @PathVariable long id,
            @RequestParam(defaultValue = "false") boolean withdrawn,
            @AuthenticationPrincipal SignedIn member) {
        leaflets.offer(id, withdrawn, member);
        return "redirect:/leaflets/" + id;
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
        Units units = Units.shown();
        FieldErrors errors = new FieldErrors();
        List<String> differences = new ArrayList<>();
        for (CriticalFigure figure : CriticalFigure.of(leaflet)) {
            String text = typed.getOrDefault(figure.id(), "");
            CriticalFigure.Typed again =
                    errors.read(figure.id(), () -> figure.read(text, leaflet, units.volume(), units.temperature()));
            if (again != null && !figure.agrees(again)) {
                differences.add("%s: typed as “%s”"
                        .formatted(
                                SheetWords.figure(leaflet, figure), text.strip().replaceAll("\\s*\\R\\s*", ", ")));
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

    /**
     * A figure to type again.
     *
     * @param id its field
     * @param label what it is
     * @param lines whether it is typed in several lines
     */
    public record Blank(String id, String label, boolean lines) {}

    private ModelAndView retyping(long id, Map<String, String> typed, FieldErrors errors, Model model) {
        Leaflet leaflet = leaflets.version(id);
        model.addAttribute("id", id);
        model.addAttribute("leaflet", leaflet);
        model.addAttribute(
                "blanks",
                CriticalFigure.of(leaflet).stream()
                        .map(figure -> new Blank(
                                figure.id(),
                                SheetWords.start(SheetWords.figure(leaflet, figure)),
                                SheetWords.isLines(figure)))
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
            @RequestParam Map<String, String> typed,
            @AuthenticationPrincipal SignedIn member,
            Model model) {
        FieldErrors errors = new FieldErrors();
        Leaflet read = LeafletFile.of(document).leaflet();
        WhyRevised why = read != null && leaflets.isKnown(read.key()) ? WhyRevised.of(typed, errors) : null;
        model.addAttribute("typed", typed);
        return forms.answer(
                errors,
                formKey,
                () -> {
                    Leaflet leaflet = LeafletFile.of(document).leaflet();
                    if (leaflet == null) {
                        throw Refusal.of(new FormObjection.FileBroken());
                    }
                    Leaflet added = leaflets.asAdded(leaflet);
                    Leaflet before = added.version() == 1 ? null : leaflets.latest(added.key());
                    long id = leaflets.add(added, member);
                    if (before != null && why != null) {
                        revising.revised(member, before, added, why.why(), why.reason());
                    }
                    return "/leaflets/" + id + "?added";
                },
                objection -> "file",
                () -> preview(document, formKey, errors, model));
    }

    private ModelAndView preview(@Nullable String document, String formKey, FieldErrors errors, Model model) {
        LeafletFile file = document == null ? null : LeafletFile.of(document);
        Leaflet leaflet = file == null ? null : file.leaflet();
        Leaflet added = leaflet == null ? null : errors.read("file", () -> leaflets.asAdded(leaflet));
        model.addAttribute("errors", errors);
        if (!model.containsAttribute("typed")) {
            model.addAttribute("typed", Map.of());
        }
        model.addAttribute("faults", file == null ? List.of() : file.faults());
        model.addAttribute("document", document);
        model.addAttribute("formKey", formKey);
        model.addAttribute("added", added);
        if (added != null) {
            model.addAttribute("examples", SheetWords.examples(added));
            said(SheetForm.of(added), model);
        }
        boolean refused = !errors.none() || leaflet == null;
        return new ModelAndView(
                "leaflet/import", model.asMap(), refused ? HttpStatus.UNPROCESSABLE_CONTENT : HttpStatus.OK);
    }
}
