package mezcla.web.cupboard.arrival;

import java.time.Clock;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import mezcla.measure.Refusal;
import mezcla.web.access.SignedIn;
import mezcla.web.forms.FormObjection;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Kits that members say came; a steward logs them, or throws the proposal away. */
@Service
public class KitProposals {
    private static final int MOST_OPEN = 40;
    private static final JsonMapper JSON = JsonMapper.shared();

    private final KitProposalMapper mapper;
    private final Clock clock;

    KitProposals(KitProposalMapper mapper, Clock clock) {
        this.mapper = mapper;
        this.clock = clock;
    }

    /** Those that no steward has looked at yet, the first one first. */
    @Transactional(readOnly = true)
    public List<KitProposal> open() {
        return mapper.open().stream()
                .map(row -> new KitProposal(row.id(), typed(row.typed()), row.who()))
                .toList();
    }

    /** An open one. */
    @Transactional(readOnly = true)
    public Optional<KitProposal> one(String id) {
        return open().stream()
                .filter(proposal -> Long.toString(proposal.id()).equals(id))
                .findFirst();
    }

    /**
     * Keeps what a member says came.
     *
     * @throws Refusal {@code too-many-proposals}
     */
    @Transactional
    public void add(SignedIn who, Map<String, List<String>> typed) {
        if (mapper.open().size() >= MOST_OPEN) {
            throw Refusal.of(new FormObjection.TooManyProposals(MOST_OPEN));
        }
        mapper.add(JSON.writeValueAsString(typed), who.id(), clock.instant());
    }

    /** What was typed, by field; of earlier versions each field has one text. */
    private static Map<String, List<String>> typed(String json) {
        Map<String, List<String>> typed = new LinkedHashMap<>();
        JSON.readTree(json)
                .properties()
                .forEach(field -> typed.put(
                        field.getKey(),
                        field.getValue().isArray()
                                ? field.getValue()
                                        .valueStream()
                                        .map(JsonNode::asString)
                                        .toList()
                                : List.of(field.getValue().asString(""))));
        return typed;
    }

    /**
     * It is logged, or not wanted: either way it is not open any more. The same answer twice, as by a double tap, is one.
     *
     * @param became what became of it, for whoever answers it once more
     * @throws Refusal {@code proposal-answered} with what became of it, where it is open no longer or never was
     */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void answer(long id, String became) {
        if (mapper.answer(id, became) == 0) {
            String before = mapper.became(id);
            if (became.equals(before)) {
                return;
            }
            throw Refusal.of(new FormObjection.ProposalAnswered(
                    before == null
                            ? "There is no such proposal."
                            : before.isEmpty() ? "A steward has answered this proposal already." : before));
        }
    }
}
