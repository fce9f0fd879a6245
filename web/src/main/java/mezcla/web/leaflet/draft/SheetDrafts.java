package mezcla.web.leaflet.draft;

import java.time.Clock;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import mezcla.leaflet.Leaflet;
import mezcla.measure.Refusal;
import mezcla.web.access.SignedIn;
import mezcla.web.forms.FormObjection;
import mezcla.web.sheets.Leaflets;
import mezcla.web.sheets.Revising;
import mezcla.web.sheets.WhyRevised;
import mezcla.web.sheets.typed.SheetForm;
import mezcla.web.sheets.typed.SheetReading;
import mezcla.web.sheets.typed.SheetRemark;
import mezcla.web.words.Units;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/**
 * Sheets that are being typed: everything that is typed is kept at once, so that somebody else can go on, and a sheet
 * becomes a leaflet once.
 */
@Service
public class SheetDrafts {
    private static final int MOST_IN_HAND = 40;
    private static final JsonMapper JSON = JsonMapper.shared();
    private static final TypeReference<Map<String, String>> FIELDS = new TypeReference<>() {};

    private final SheetDraftMapper mapper;
    private final Leaflets leaflets;
    private final Revising revising;
    private final Clock clock;

    SheetDrafts(SheetDraftMapper mapper, Leaflets leaflets, Revising revising, Clock clock) {
        this.revising = revising;
        this.mapper = mapper;
        this.leaflets = leaflets;
        this.clock = clock;
    }

    /** Every sheet that is being typed, the one that was typed on last first. */
    @Transactional(readOnly = true)
    public List<SheetDraft> inHand() {
        return mapper.inHand().stream().map(SheetDrafts::draft).toList();
    }

    /**
     * A draft.
     *
     * @throws Refusal {@code unknown-draft}
     */
    @Transactional(readOnly = true)
    public SheetDraft one(long id) {
        SheetDraftMapper.Row row = mapper.one(id);
        if (row == null || row.thrownAway()) {
            throw Refusal.of(new FormObjection.UnknownDraft(Long.toString(id)));
        }
        return draft(row);
    }

    private static SheetDraft draft(SheetDraftMapper.Row row) {
        return new SheetDraft(
                row.id(),
                new SheetForm(JSON.readValue(row.typed(), FIELDS)),
                row.fromId(),
                row.begunById(),
                row.begunBy(),
                row.changedBy(),
                row.changedAt(),
                row.proposed(),
                row.becameId());
    }

    /**
     * Begins a sheet of a shape.
     *
     * @throws Refusal {@code too-many-drafts}
     */
    @Transactional
    public long begin(SheetShape shape, SignedIn who) {
        return begin(shape.form(Units.shown()), null, who);
    }

    /**
     * Begins a sheet from a leaflet that is there, as its next version.
     *
     * @throws Refusal {@code too-many-drafts}, {@code unknown-leaflet}
     */
    @Transactional
    public long begin(long version, SignedIn who) {
        return begin(SheetForm.asTyped(leaflets, version), version, who);
    }

    private long begin(SheetForm form, @Nullable Long from, SignedIn who) {
        if (mapper.inHand().size() >= MOST_IN_HAND) {
            throw Refusal.of(new FormObjection.TooManyDrafts(MOST_IN_HAND));
        }
        return mapper.begin(JSON.writeValueAsString(form.typed()), from, who.id(), clock.instant());
    }

    /**
     * Keeps what was typed, and adds a row where one was asked for.
     *
     * @param id the draft
     * @param typed the fields that were sent
     * @param another what {@link SheetForm#withAnother} takes; empty for nothing
     * @param who whoever typed
     * @return the draft as it is now
     * @throws Refusal {@code unknown-draft}, {@code draft-is-done}; {@code baths-moved} where somebody put in, moved or took
     *     out a bath since the page was shown
     * @throws AccessDeniedException where another member began it
     */
    @Transactional
    public SheetDraft type(long id, Map<String, String> typed, String another, SignedIn who) {
        SheetDraft draft = inHand(id, who);
        String seen = typed.getOrDefault("rows", "");
        if (!seen.isEmpty() && !seen.equals(draft.form().moves())) {
            throw Refusal.of(new FormObjection.BathsMoved());
        }
        SheetForm form = draft.form().with(typed).withAnother(another);
        if (!form.equals(draft.form())) {
            mapper.type(id, JSON.writeValueAsString(form.typed()), who.id(), clock.instant());
        }
        return one(id);
    }

    /** Says that a sheet is ready for a steward. */
    @Transactional
    public void propose(long id, SignedIn who) {
        SheetDraft draft = inHand(id, who);
        leaflet(draft);
        mapper.propose(id);
    }

    /** Throws a sheet away. */
    @Transactional
    public void throwAway(long id, SignedIn who) {
        inHand(id, who);
        mapper.throwAway(id);
    }

    /**
     * Keeps a sheet as a leaflet.
     *
     * @param why why there is another version; null for a leaflet that is new
     * @return the id of the version
     * @throws Refusal {@code unknown-draft}, {@code sheet-unfinished}, {@code leaflet-name-taken}
     */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public long keep(long id, SignedIn who, @Nullable WhyRevised why) {
        SheetDraft draft = one(id);
        if (draft.became() != null) {
            return draft.became();
        }
        Leaflet leaflet = leaflet(draft);
        Map<String, String> typed = new HashMap<>(draft.form().typed());
        for (int i = 0, part = 0; i < draft.form().parts(); i++) {
            if (!draft.form().at("part" + i + "-name").isBlank()) {
                typed.put("part" + i + "-key", leaflet.parts().get(part++).key());
            }
        }
        List<Integer> rows = draft.form().bathRows();
        for (int i = 0; i < rows.size(); i++) {
            typed.put("bath" + rows.get(i) + "-key", leaflet.baths().get(i).key());
        }
        long version = leaflets.add(leaflet, JSON.writeValueAsString(typed), who);
        mapper.become(id, version);
        Long from = draft.from();
        if (from != null && why != null) {
            revising.revised(who, leaflets.version(from), leaflet, why.why(), why.reason());
        }
        return version;
    }

    private Leaflet leaflet(SheetDraft draft) {
        SheetReading reading = new SheetReading(draft.form());
        Long from = draft.from();
        Leaflet leaflet = reading.leaflet(
                from == null ? null : leaflets.latest(leaflets.version(from).key()));
        if (leaflet == null) {
            throw Refusal.of(new FormObjection.SheetUnfinished((int)
                    reading.remarks().stream().filter(SheetRemark::hinders).count()));
        }
        return leaflet;
    }

    private SheetDraft inHand(long id, SignedIn who) {
        SheetDraft draft = one(id);
        if (draft.became() != null) {
            throw Refusal.of(new FormObjection.DraftIsDone());
        }
        if (draft.begunById() != who.id() && !who.isSteward()) {
            throw new AccessDeniedException("the draft of another member");
        }
        return draft;
    }
}
