package mezcla.web.leaflet.editor;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import mezcla.leaflet.Addition;
import mezcla.leaflet.BathRole;
import mezcla.leaflet.FilmProcess;
import mezcla.measure.Refusal;
import mezcla.web.access.SignedIn;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.typed.TypedChoice;
import mezcla.web.house.HouseService;
import mezcla.web.leaflet.Leaflets;
import mezcla.web.leaflet.WhyRevised;
import mezcla.web.leaflet.draft.SheetDraft;
import mezcla.web.leaflet.draft.SheetDrafts;
import mezcla.web.leaflet.draft.SheetShape;
import mezcla.web.leaflet.page.DrawnSheet;
import mezcla.web.leaflet.sheet.SheetForm;
import mezcla.web.leaflet.sheet.SheetReading;
import mezcla.web.leaflet.sheet.SheetRemark;
import mezcla.web.leaflet.sheet.SheetWords;
import mezcla.web.words.Figures;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

/** A sheet as it is typed, a view at a time, in the order of the paper. */
@Controller
class SheetController {
    private static final String ANOTHER = "another:";
    private static final String TO = "to:";

    private final SheetDrafts drafts;
    private final Leaflets leaflets;
    private final HouseService houses;
    private final OneTimeForms forms;

    SheetController(SheetDrafts drafts, Leaflets leaflets, HouseService houses, OneTimeForms forms) {
        this.drafts = drafts;
        this.leaflets = leaflets;
        this.houses = houses;
        this.forms = forms;
    }

    /** A draft in the list of those in hand. */
    public record InHand(long id, String name, String who, boolean proposed) {}

    @GetMapping("/leaflets/new")
    ModelAndView begin(@RequestParam(defaultValue = "") String formKey, Model model) {
        if (!forms.isKey(formKey)) {
            return forms.askAgainWithNewKey();
        }
        return beginning(formKey, new FieldErrors(), model);
    }

    private ModelAndView beginning(String formKey, FieldErrors errors, Model model) {
        model.addAllAttributes(Map.of(
                "formKey", formKey,
                "errors", errors,
                "shapes", SheetShape.values(),
                "sheets",
                        leaflets.offered().stream()
                                .filter(Leaflets.Sheet::latest)
                                .toList(),
                "drafts", drafts.inHand().stream().map(this::inHand).toList()));
        model.addAttribute("already", forms.ledTo(formKey).orElse(null));
        return new ModelAndView("leaflet/begin", model.asMap());
    }

    private InHand inHand(SheetDraft draft) {
        String name = draft.form().at("name").strip();
        return new InHand(
                draft.id(),
                name.isEmpty() ? "A sheet without a name yet" : name,
                "begun by %s, last typed by %s on %s"
                        .formatted(
                                draft.begunBy(),
                                draft.changedBy(),
                                Figures.day(draft.changedAt(), houses.house().timeZone())),
                draft.proposed());
    }

    @PostMapping("/leaflets/drafts")
    ModelAndView begun(
            @RequestParam(defaultValue = "") String formKey,
            @RequestParam(defaultValue = "") String shape,
            @RequestParam(defaultValue = "") String from,
            @AuthenticationPrincipal SignedIn member,
            Model model) {
        FieldErrors errors = new FieldErrors();
        Long version = from.isEmpty()
                ? null
                : errors.read("from", () -> TypedChoice.number(from, new FormObjection.LeafletMissing()));
        SheetShape chosen = from.isEmpty()
                ? errors.read(
                        "shape", () -> TypedChoice.of(SheetShape.values(), shape, new FormObjection.LeafletMissing()))
                : null;
        return forms.answer(
                errors,
                formKey,
                () -> "/leaflets/drafts/"
                        + (version == null
                                ? drafts.begin(FieldErrors.known(chosen), member)
                                : drafts.begin(leaflets.idOf(leaflets.chosen(version.toString())), member)),
                objection -> version == null ? "shape" : "from",
                () -> beginning(formKey, errors, model));
    }

    @GetMapping("/leaflets/drafts/{id}")
    ModelAndView draft(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String at,
            @AuthenticationPrincipal SignedIn member) {
        SheetDraft draft = drafts.one(id);
        if (draft.became() != null) {
            return new ModelAndView("redirect:/leaflets/" + draft.became());
        }
        return editor(draft, SheetSection.of(draft.form(), at), false, member, HttpStatus.OK);
    }

    /** What was typed so far, while somebody types. */
    @PostMapping("/leaflets/drafts/{id}/typed")
    ModelAndView typed(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String at,
            @RequestParam Map<String, String> typed,
            @AuthenticationPrincipal SignedIn member) {
        SheetDraft draft = drafts.type(id, touched(typed), "", member);
        ModelAndView page = editor(draft, SheetSection.of(draft.form(), at), false, member, HttpStatus.OK);
        page.setViewName("leaflet/typed");
        page.addObject(
                "fields", typed.keySet().stream().filter(SheetForm::isField).toList());
        return page;
    }

    /** Where the page says into which fields somebody typed, only those: the others may be another member's by now. */
    private static Map<String, String> touched(Map<String, String> typed) {
        String names = typed.get("touched");
        if (names == null) {
            return typed;
        }
        Map<String, String> all = new HashMap<>(typed);
        all.keySet().retainAll(Set.of(names.split(" ")));
        return all;
    }

    /** Keeps a view and goes on: to the next, back, or to the same with a row more. */
    @PostMapping("/leaflets/drafts/{id}")
    ModelAndView go(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String at,
            @RequestParam(defaultValue = "next") String go,
            @RequestParam Map<String, String> typed,
            @AuthenticationPrincipal SignedIn member) {
        boolean another = go.startsWith(ANOTHER);
        SheetDraft draft = drafts.type(id, touched(typed), another ? go.substring(ANOTHER.length()) : "", member);
        SheetSection section = SheetSection.of(draft.form(), at);
        SheetReading reading = new SheetReading(draft.form());
        boolean faulty = reading.errors().all().keySet().stream()
                .anyMatch(field -> SheetSection.holding(draft.form(), field).equals(section));
        if (go.startsWith(TO)) {
            String to = go.substring(TO.length());
            SheetSection there = SheetSection.of(draft.form(), to.replaceFirst("#.*$", ""));
            String field = to.contains("#") ? to.replaceFirst("^[^#]*#", "") : "";
            return new ModelAndView("redirect:/leaflets/drafts/" + id + "?at=" + there.key()
                    + (SheetForm.isField(field) ? "#" + field : ""));
        }
        if (faulty && go.equals("next")) {
            return editor(draft, section, true, member, HttpStatus.UNPROCESSABLE_CONTENT);
        }
        SheetSection to = another ? section : beside(draft.form(), section, go.equals("back") ? -1 : 1);
        return new ModelAndView("redirect:/leaflets/drafts/" + id + "?at=" + to.key());
    }

    private static SheetSection beside(SheetForm form, SheetSection section, int by) {
        List<SheetSection> all = SheetSection.of(form);
        int at = Math.max(0, all.indexOf(section)) + by;
        return all.get(Math.max(0, Math.min(all.size() - 1, at)));
    }

    @PostMapping("/leaflets/drafts/{id}/kept")
    ModelAndView keep(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String at,
            @RequestParam Map<String, String> typed,
            @AuthenticationPrincipal SignedIn member) {
        SheetDraft draft = drafts.one(id);
        if (draft.became() != null) {
            return new ModelAndView("redirect:/leaflets/" + draft.became());
        }
        drafts.type(id, touched(typed), "", member);
        FieldErrors said = new FieldErrors();
        WhyRevised why = draft.from() == null || !member.isSteward() ? null : WhyRevised.of(typed, said);
        if (!said.none()) {
            return unsaid(id, at, typed, said, member);
        }
        try {
            return new ModelAndView("redirect:"
                    + (member.isSteward()
                            ? "/leaflets/" + drafts.keep(id, member, why) + "?added"
                            : proposed(id, member)));
        } catch (Refusal refusal) {
            SheetDraft now = drafts.one(id);
            ModelAndView page =
                    editor(now, SheetSection.of(now.form(), at), true, member, HttpStatus.UNPROCESSABLE_CONTENT);
            FieldErrors errors = (FieldErrors) page.getModel().get("errors");
            if (errors != null) {
                errors.add(refusal.objection() instanceof FormObjection.LeafletNameTaken ? "name" : "keep", refusal);
            }
            return page;
        }
    }

    /** Whoever keeps a later version did not say why there is one. */
    private ModelAndView unsaid(long id, String at, Map<String, String> typed, FieldErrors said, SignedIn member) {
        SheetDraft now = drafts.one(id);
        ModelAndView page =
                editor(now, SheetSection.of(now.form(), at), true, member, HttpStatus.UNPROCESSABLE_CONTENT);
        page.addObject("typed", typed);
        FieldErrors errors = (FieldErrors) page.getModel().get("errors");
        if (errors != null) {
            said.all().forEach(errors::say);
        }
        return page;
    }

    private String proposed(long id, SignedIn member) {
        drafts.propose(id, member);
        return "/leaflets/drafts/" + id + "?proposed";
    }

    @PostMapping("/leaflets/drafts/{id}/thrown-away")
    String throwAway(@PathVariable long id, @AuthenticationPrincipal SignedIn member) {
        drafts.throwAway(id, member);
        return "redirect:/leaflets?thrown-away";
    }

    /**
     * A view in the row of views.
     *
     * @param key its key
     * @param words what it is called
     * @param state {@code done}, {@code now}, {@code fault} or empty
     */
    public record Tab(String key, String words, String state) {}

    /** Something that is said, and where it stands. */
    public record Said(String kind, String section, String field, String sentence) {}

    private ModelAndView editor(
            SheetDraft draft, SheetSection section, boolean asked, SignedIn member, HttpStatus status) {
        SheetForm form = draft.form();
        SheetReading reading = new SheetReading(form);
        List<SheetRemark> remarks = reading.remarks();
        Map<String, String> sentences = reading.sentences();
        FieldErrors errors = new FieldErrors();
        reading.errors().all().forEach(errors::say);
        if (asked) {
            remarks.stream()
                    .filter(remark -> remark.kind() == SheetRemark.Kind.MISSING)
                    .filter(remark -> SheetSection.holding(form, remark.field()).equals(section))
                    .forEach(remark -> errors.say(remark.field(), remark.sentence()));
        }
        List<SheetSection> all = SheetSection.of(form);
        int place = Math.max(0, all.indexOf(section));
        ModelAndView page = new ModelAndView("leaflet/editor");
        page.setStatus(status);
        page.addObject("draft", draft);
        page.addObject("form", form);
        page.addObject("section", section);
        page.addObject("errors", errors);
        page.addObject("sentences", sentences);
        page.addObject(
                "said", remarks.stream().map(remark -> said(form, remark)).toList());
        page.addObject(
                "hindering", remarks.stream().filter(SheetRemark::hinders).count());
        page.addObject("tabs", tabs(form, section, remarks));
        page.addObject("next", place + 1 < all.size() ? nextWords(form, all.get(place), all.get(place + 1)) : null);
        page.addObject("first", place == 0);
        page.addObject("drawn", DrawnSheet.of(form, reading));
        page.addObject("examples", examples(reading));
        page.addObject("roles", BathRole.standard());
        page.addObject("processes", FilmProcess.KNOWN);
        page.addObject("cares", Addition.Care.values());
        page.addObject("mayChange", member.isSteward() || member.id() == draft.begunById());
        page.addObject("typed", Map.of());
        page.addObject("asksWhy", draft.from() != null && member.isSteward());
        page.addObject("title", title(form, section));
        page.addObject("before", before(draft));
        return page;
    }

    private static List<SheetWords.Example> examples(SheetReading reading) {
        var sketch = reading.sketch();
        return sketch == null ? List.of() : SheetWords.examples(sketch);
    }

    private @Nullable String before(SheetDraft draft) {
        Long from = draft.from();
        return from == null ? null : leaflets.version(from).name();
    }

    private static Said said(SheetForm form, SheetRemark remark) {
        return new Said(
                remark.kind().name().toLowerCase(java.util.Locale.ROOT),
                SheetSection.holding(form, remark.field()).key(),
                remark.field(),
                remark.sentence());
    }

    private static List<Tab> tabs(SheetForm form, SheetSection now, List<SheetRemark> remarks) {
        return Arrays.stream(SheetSection.Kind.values())
                .map(kind -> {
                    List<SheetSection> views = SheetSection.of(form).stream()
                            .filter(each -> each.kind() == kind)
                            .toList();
                    List<SheetRemark> open = remarks.stream()
                            .filter(SheetRemark::hinders)
                            .filter(remark ->
                                    SheetSection.holding(form, remark.field()).kind() == kind)
                            .toList();
                    boolean faulty = open.stream().anyMatch(remark -> remark.kind() == SheetRemark.Kind.FAULT);
                    boolean begun = form.filledIn().stream()
                            .anyMatch(field -> SheetSection.holding(form, field).kind() == kind);
                    String state =
                            kind == now.kind() ? "now" : faulty ? "fault" : open.isEmpty() && begun ? "done" : "";
                    return new Tab(views.isEmpty() ? "box" : views.get(0).key(), kind.words(), state);
                })
                .toList();
    }

    private static String nextWords(SheetForm form, SheetSection now, SheetSection next) {
        return next.bath() >= 0 && next.kind() == now.kind()
                ? form.bathName(next.bath()).toLowerCase(java.util.Locale.ROOT)
                : next.kind().words().toLowerCase(java.util.Locale.ROOT);
    }

    private static String title(SheetForm form, SheetSection section) {
        String bath = section.bath() < 0 ? "" : form.bathName(section.bath()).toLowerCase(java.util.Locale.ROOT);
        return switch (section.kind()) {
            case BOX -> "What is in the box?";
            case MIXING -> "How is the " + bath + " mixed?";
            case TIMES -> "How long does the " + bath + " take?";
            case MOVEMENT -> "How is the tank moved, and what comes when?";
            case LASTS -> "How much and how long does it last?";
            case EXAMPLES -> "Does the sheet work anything out itself?";
        };
    }
}
