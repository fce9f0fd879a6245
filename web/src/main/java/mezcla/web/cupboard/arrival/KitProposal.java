package mezcla.web.cupboard.arrival;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import mezcla.web.forms.declared.Asked;
import mezcla.web.forms.declared.Sent;

/**
 * A kit that a member says came, until a steward logs it.
 *
 * @param id its number
 * @param typed what was typed, by field
 * @param who who says so
 */
public record KitProposal(long id, Map<String, List<String>> typed, String who) {
    /** Keeps its own map. */
    public KitProposal {
        typed = Map.copyOf(typed);
    }

    /** What was typed into a field; nothing where nobody did. */
    public String at(String field) {
        return typed.getOrDefault(field, List.of()).stream().findFirst().orElse("");
    }

    /** What was proposed, to be sent with another key. */
    Sent<Asked> sentAgain(String formKey) {
        Map<String, List<String>> all = new LinkedHashMap<>(typed);
        all.put("proposal", List.of(Long.toString(id)));
        all.put("formKey", List.of(formKey));
        return Sent.before(all);
    }
}
