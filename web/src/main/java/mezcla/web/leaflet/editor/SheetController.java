package mezcla.web.leaflet.editor;

import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import mezcla.leaflet.Addition;
import mezcla.leaflet.BathRole;
import mezcla.leaflet.FilmProcess;
import mezcla.web.access.SignedIn;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.declared.Asked;
import mezcla.web.forms.declared.RefusedAt;
import mezcla.web.forms.declared.Sent;
import mezcla.web.forms.declared.Takes;
import mezcla.web.forms.typed.TypedChoice;
import mezcla.web.leaflet.draft.SheetDraft;
import mezcla.web.leaflet.draft.SheetDrafts;
import mezcla.web.leaflet.draft.SheetShape;
import mezcla.web.leaflet.page.DrawnSheet;
import mezcla.web.settings.HouseService;
import mezcla.web.sheets.Leaflets;
import mezcla.web.sheets.WhyRevised;
import mezcla.web.sheets.told.SheetWords;
import mezcla.web.sheets.typed.SheetForm;
import mezcla.web.sheets.typed.SheetReading;
import mezcla.web.sheets.typed.SheetRemark;
import mezcla.web.words.Figures;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
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
    private static final String EDITOR = "leaflet/editor";

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

    /** What a sheet can be begun with. */
    record Beginning(
            List<SheetShape> shapes, List<Leaflets.Sheet> sheets, List<InHand> drafts, @Nullable String already) {}

    /** What a sheet is begun with: a shape, or an earlier version. */
    record BeginForm(@Takes(asTyped = true) String shape, @Takes(asTyped = true) String from) {}

    @GetMapping("/leaflets/new")
    ModelAndView begin(Sent<Asked> sent) {
        return forms.isKey(sent.key()) ? beginning(sent) : forms.askAgainWithNewKey();
    }

    private ModelAndView beginning(Sent<?> sent) {
        return PageView.of(
                "leaflet/begin",
                new Beginning(
                        List.of(SheetShape.values()),
                        leaflets.offered().stream()
                                .filter(Leaflets.Sheet::latest)
                                .toList(),
                        drafts.inHand().stream().map(this::inHand).toList(),
                        forms.ledTo(sent.key()).orElse(null)),
                sent);
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
    ModelAndView begun(Sent<BeginForm> sent, @AuthenticationPrincipal SignedIn member) {
        String from = sent.typed("from");
        SheetShape shape = from.isEmpty()
                ? sent.read(
                        "shape",
                        () -> TypedChoice.of(
                                SheetShape.values(), sent.typed("shape"), new FormObjection.LeafletMissing()))
                : null;
        if (!from.isEmpty()) {
            sent.read("from", () -> TypedChoice.number(from, new FormObjection.LeafletMissing()));
        }
        return forms.answer(
                sent,
                form -> "/leaflets/drafts/"
                        + (from.isEmpty()
                                ? drafts.begin(FieldErrors.known(shape), member)
                                : drafts.begin(leaflets.idOf(leaflets.chosen(from)), member)),
                () -> beginning(sent));
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
        return editor(EDITOR, draft, SheetSection.of(draft.form(), at), false, member, Sent.nothing());
    }

    /** What was typed so far, while somebody types. */
    @PostMapping("/leaflets/drafts/{id}/typed")
    ModelAndView typed(@PathVariable long id, Sent<Asked> sent, @AuthenticationPrincipal SignedIn member) {
        SheetDraft draft = drafts.type(id, touched(sent.typed()), "", member);
        SheetSection section = SheetSection.of(draft.form(), sent.typed("at"));
        return editor("leaflet/typed", draft, section, false, member, sent);
    }

    /** Where the page says into which fields somebody typed, only those: the others may be another member's by now. */
    private static Map<String, String> touched(Map<String, String> typed) {
        String names = typed.get("touched");
        if (names == null) {
            return typed;
        }
        Map<String, String> all = new HashMap<>(typed);
        Set<String> kept = new HashSet<>(List.of(names.split(" ")));
        kept.add("rows");
        all.keySet().retainAll(kept);
        return all;
    }

    /** Keeps a view and goes on: to the next, back, or to the same with a row more. */
    @PostMapping("/leaflets/drafts/{id}")
    ModelAndView go(@PathVariable long id, Sent<Asked> sent, @AuthenticationPrincipal SignedIn member) {
        String go = sent.typed().getOrDefault("go", "next");
        boolean another = go.startsWith(ANOTHER);
        SheetDraft draft =
                drafts.type(id, touched(sent.typed()), another ? another(go, sent.typed("put")) : "", member);
        SheetSection section = SheetSection.of(draft.form(), sent.typed("at"));
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
            return refused(editor(EDITOR, draft, section, true, member, sent));
        }
        SheetSection to = another ? section : beside(draft.form(), section, go.equals("back") ? -1 : 1);
        return new ModelAndView("redirect:/leaflets/drafts/" + id + "?at=" + to.key());
    }

    /** What is asked for; a bath that is put in is named in a field of its own. */
    private static String another(String go, String put) {
        String what = go.substring(ANOTHER.length());
        return what.equals("put") ? "put-" + put : what;
    }

    private static SheetSection beside(SheetForm form, SheetSection section, int by) {
        List<SheetSection> all = SheetSection.of(form);
        int at = Math.max(0, all.indexOf(section)) + by;
        return all.get(Math.max(0, Math.min(all.size() - 1, at)));
    }

    /** A sheet that is kept, and why there is another version. */
    @RefusedAt(
            value = "keep",
            of = {"name=name"})
    record KeptForm(@Takes(asTyped = true) String at) {}

    @PostMapping("/leaflets/drafts/{id}/kept")
    ModelAndView keep(@PathVariable long id, Sent<KeptForm> sent, @AuthenticationPrincipal SignedIn member) {
        SheetDraft draft = drafts.one(id);
        if (draft.became() != null) {
            return new ModelAndView("redirect:/leaflets/" + draft.became());
        }
        drafts.type(id, touched(sent.typed()), "", member);
        WhyRevised why = draft.from() == null || !member.isSteward() ? null : WhyRevised.of(sent);
        String kept = !sent.errors().none()
                ? null
                : sent.plan(() -> member.isSteward()
                        ? "/leaflets/" + drafts.keep(id, member, why) + "?added"
                        : proposed(id, member));
        if (kept != null) {
            return new ModelAndView("redirect:" + kept);
        }
        SheetDraft now = drafts.one(id);
        return refused(editor(EDITOR, now, SheetSection.of(now.form(), sent.typed("at")), true, member, sent));
    }

    private static ModelAndView refused(ModelAndView page) {
        page.setStatus(HttpStatus.UNPROCESSABLE_CONTENT);
        return page;
    }

    private String proposed(long id, SignedIn member) {
        drafts.propose(id, member);
        return "/leaflets/drafts/" + id + "?proposed";
    }

    @PostMapping("/leaflets/drafts/{id}/thrown-away")
    String throwAway(@PathVariable long id, @AuthenticationPrincipal SignedIn member) {
        drafts.throwAway(id, member);
        return "redirect:/leaflets?discarded";
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

    /**
     * A sheet that is typed, at one of its views.
     *
     * @param sentences what is asked beside each field
     * @param said what is wrong, missing or odd
     * @param hindering how much of that hinders keeping it
     * @param next what the next view is called; null at the last
     * @param first whether it is the first view
     * @param mayChange whether the member may type into it
     * @param typed what was typed of why there is another version
     * @param asksWhy whether that is asked
     * @param before what the version before is called; null for none
     * @param fields the fields that were sent
     */
    record Editor(
            SheetDraft draft,
            SheetForm form,
            SheetSection section,
            Map<String, String> sentences,
            List<Said> said,
            long hindering,
            List<Tab> tabs,
            @Nullable String next,
            boolean first,
            DrawnSheet drawn,
            List<SheetWords.Example> examples,
            List<BathRole> roles,
            List<FilmProcess> processes,
            List<Addition.Care> cares,
            boolean mayChange,
            Map<String, String> typed,
            boolean asksWhy,
            String title,
            @Nullable String before,
            List<String> fields) {}

    private ModelAndView editor(
            String template, SheetDraft draft, SheetSection section, boolean asked, SignedIn member, Sent<?> sent) {
        SheetForm form = draft.form();
        SheetReading reading = new SheetReading(form);
        List<SheetRemark> remarks = reading.remarks();
        FieldErrors errors = new FieldErrors();
        reading.errors().all().forEach(errors::say);
        if (asked) {
            remarks.stream()
                    .filter(remark -> remark.kind() == SheetRemark.Kind.MISSING)
                    .filter(remark -> SheetSection.holding(form, remark.field()).equals(section))
                    .forEach(remark -> errors.say(remark.field(), remark.sentence()));
        }
        sent.errors().all().forEach(errors::say);
        List<SheetSection> all = SheetSection.of(form);
        int place = Math.max(0, all.indexOf(section));
        ModelAndView page = PageView.of(
                template,
                new Editor(
                        draft,
                        form,
                        section,
                        reading.sentences(),
                        remarks.stream().map(remark -> said(form, remark)).toList(),
                        remarks.stream().filter(SheetRemark::hinders).count(),
                        tabs(form, section, remarks),
                        place + 1 < all.size() ? nextWords(form, all.get(place), all.get(place + 1)) : null,
                        place == 0,
                        DrawnSheet.of(reading),
                        examples(reading),
                        BathRole.standard(),
                        FilmProcess.KNOWN,
                        List.of(Addition.Care.values()),
                        member.isSteward() || member.id() == draft.begunById(),
                        sent.typed(),
                        draft.from() != null && member.isSteward(),
                        title(form, section),
                        before(draft),
                        sent.typed().keySet().stream()
                                .filter(SheetForm::isField)
                                .toList()),
                errors);
        page.setStatus(HttpStatus.OK);
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
