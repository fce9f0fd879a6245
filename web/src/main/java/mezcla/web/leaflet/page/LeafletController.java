package mezcla.web.leaflet.page;

import java.util.ArrayList;
import java.util.List;
import mezcla.leaflet.CriticalFigure;
import mezcla.leaflet.Leaflet;
import mezcla.measure.Refusal;
import mezcla.web.access.SignedIn;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.declared.Asked;
import mezcla.web.forms.declared.RefusedAt;
import mezcla.web.forms.declared.Sent;
import mezcla.web.forms.declared.Takes;
import mezcla.web.forms.typed.TypedFile;
import mezcla.web.leaflet.draft.SheetDraft;
import mezcla.web.leaflet.draft.SheetDrafts;
import mezcla.web.settings.HouseService;
import mezcla.web.sheets.LeafletFile;
import mezcla.web.sheets.Leaflets;
import mezcla.web.sheets.Revising;
import mezcla.web.sheets.WhyRevised;
import mezcla.web.sheets.told.SheetWords;
import mezcla.web.sheets.typed.SheetForm;
import mezcla.web.sheets.typed.SheetReading;
import mezcla.web.sheets.typed.SheetRemark;
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

    /** Every sheet. */
    record All(List<Leaflets.Sheet> sheets, List<Leaflets.Sheet> withdrawn, List<SheetDraft> drafts) {}

    @GetMapping("/leaflets")
    ModelAndView all() {
        return PageView.of(
                "leaflet/leaflets",
                new All(
                        leaflets.offered(),
                        leaflets.sheets().stream()
                                .filter(Leaflets.Sheet::withdrawn)
                                .toList(),
                        drafts.inHand()));
    }

    /** A sheet as it is drawn, and what is odd about it. */
    record Drawn(DrawnSheet drawn, List<SheetRemark> remarks) {
        static Drawn of(SheetForm form) {
            SheetReading reading = new SheetReading(form);
            return new Drawn(DrawnSheet.of(reading), reading.remarks());
        }
    }

    /** One sheet. */
    record One(
            long id,
            Leaflet leaflet,
            boolean withdrawn,
            DrawnSheet drawn,
            List<SheetRemark> remarks,
            List<SheetWords.Example> examples,
            boolean latest,
            List<String> retypings) {}

    @GetMapping("/leaflets/{id}")
    ModelAndView one(@PathVariable long id) {
        Leaflet leaflet = leaflets.version(id);
        Drawn sheet = Drawn.of(SheetForm.asTyped(leaflets, id));
        return PageView.of(
                "leaflet/leaflet",
                new One(
                        id,
                        leaflet,
                        leaflets.isWithdrawn(id),
                        sheet.drawn(),
                        sheet.remarks(),
                        SheetWords.examples(leaflet),
                        leaflets.latest(leaflet.key()).version() == leaflet.version(),
                        leaflets.retypings(id).stream()
                                .map(each -> "%s on %s: %s"
                                        .formatted(
                                                each.who(),
                                                Figures.day(
                                                        each.at(),
                                                        houses.house().timeZone()),
                                                each.differences().isEmpty() ? "all the same" : each.differences()))
                                .toList()));
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

    /** The figures of a sheet, typed a second time. */
    @RefusedAt("figures")
    record RetypedForm() {}

    /**
     * A figure to type again.
     *
     * @param id its field
     * @param label what it is
     * @param lines whether it is typed in several lines
     */
    public record Blank(String id, String label, boolean lines) {}

    /** A sheet that is typed a second time. */
    record Retyping(long id, Leaflet leaflet, List<Blank> blanks, @Nullable String already) {}

    @GetMapping("/leaflets/{id}/retype")
    ModelAndView retype(@PathVariable long id, Sent<Asked> sent, @AuthenticationPrincipal SignedIn member) {
        if (!forms.isKey(sent.key())) {
            return forms.askAgainWithNewKey();
        }
        sent.read("figures", () -> {
            leaflets.refuseOwn(id, member);
            return id;
        });
        return retyping(id, sent);
    }

    @PostMapping("/leaflets/{id}/retypings")
    ModelAndView retyped(@PathVariable long id, Sent<RetypedForm> sent, @AuthenticationPrincipal SignedIn member) {
        Leaflet leaflet = leaflets.version(id);
        Units units = Units.shown();
        List<String> differences = new ArrayList<>();
        for (CriticalFigure figure : CriticalFigure.of(leaflet)) {
            String text = sent.typed(figure.id());
            CriticalFigure.Typed again =
                    sent.read(figure.id(), () -> figure.read(text, leaflet, units.volume(), units.temperature()));
            if (again != null && !figure.agrees(again)) {
                differences.add("%s: typed as “%s”"
                        .formatted(
                                SheetWords.figure(leaflet, figure), text.strip().replaceAll("\\s*\\R\\s*", ", ")));
            }
        }
        return forms.answer(
                sent,
                "/leaflets/" + id + "?retyped",
                form -> leaflets.retype(id, member, String.join("; ", differences)),
                () -> retyping(id, sent));
    }

    private ModelAndView retyping(long id, Sent<?> sent) {
        Leaflet leaflet = leaflets.version(id);
        return PageView.of(
                "leaflet/retype",
                new Retyping(
                        id,
                        leaflet,
                        CriticalFigure.of(leaflet).stream()
                                .map(figure -> new Blank(
                                        figure.id(),
                                        SheetWords.start(SheetWords.figure(leaflet, figure)),
                                        SheetWords.isLines(figure)))
                                .toList(),
                        forms.ledTo(sent.key()).orElse(null)),
                sent);
    }

    /**
     * A file that may be read in.
     *
     * @param document what is in it; null before one was chosen
     * @param faults what is wrong with it
     * @param added what it would add; null where it adds nothing
     * @param drawn that as it is drawn; null likewise
     */
    record Bringing(
            @Nullable String document,
            List<String> faults,
            @Nullable Leaflet added,
            List<SheetWords.Example> examples,
            @Nullable DrawnSheet drawn,
            List<SheetRemark> remarks) {}

    /** A file of a sheet. */
    @RefusedAt("file")
    record FileForm(@Nullable MultipartFile file) {}

    /** A file that was looked at, and why there is another version. */
    @RefusedAt("file")
    record DocumentForm(@Takes(asTyped = true) String document) {}

    @GetMapping("/leaflets/import")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView bringFile() {
        return PageView.of(
                "leaflet/import", new Bringing(null, List.of(), null, List.of(), null, List.of()), Sent.nothing());
    }

    /** Shows what a file would add, before anything is added. */
    @PostMapping("/leaflets/import")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView preview(Sent<FileForm> sent) {
        MultipartFile file = sent.file("file");
        return preview(sent.read("file", () -> TypedFile.text(file, MOST_BYTES)), sent);
    }

    @PostMapping("/leaflets/imports")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView bring(Sent<DocumentForm> sent, @AuthenticationPrincipal SignedIn member) {
        String document = sent.typed("document");
        Leaflet read = LeafletFile.of(document).leaflet();
        WhyRevised why = read != null && leaflets.isKnown(read.key()) ? WhyRevised.of(sent) : null;
        return forms.answer(
                sent,
                form -> {
                    if (read == null) {
                        throw Refusal.of(new FormObjection.FileBroken());
                    }
                    Leaflet added = leaflets.asAdded(read);
                    Leaflet before = added.version() == 1 ? null : leaflets.latest(added.key());
                    long id = leaflets.add(added, member);
                    if (before != null && why != null) {
                        revising.revised(member, before, added, why.why(), why.reason());
                    }
                    return "/leaflets/" + id + "?added";
                },
                () -> preview(document, sent));
    }

    private ModelAndView preview(@Nullable String document, Sent<?> sent) {
        LeafletFile file = document == null ? null : LeafletFile.of(document);
        Leaflet leaflet = file == null ? null : file.leaflet();
        Leaflet added = leaflet == null ? null : sent.read("file", () -> leaflets.asAdded(leaflet));
        Drawn sheet = added == null ? null : Drawn.of(SheetForm.of(added));
        ModelAndView page = PageView.of(
                "leaflet/import",
                new Bringing(
                        document,
                        file == null ? List.of() : file.faults(),
                        added,
                        added == null ? List.of() : SheetWords.examples(added),
                        sheet == null ? null : sheet.drawn(),
                        sheet == null ? List.of() : sheet.remarks()),
                sent);
        if (leaflet == null) {
            page.setStatus(HttpStatus.UNPROCESSABLE_CONTENT);
        }
        return page;
    }
}
