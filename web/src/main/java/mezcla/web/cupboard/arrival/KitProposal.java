package mezcla.web.cupboard.arrival;

import java.time.Instant;
import java.util.Map;

/**
 * A kit that a member says came, until a steward logs it.
 *
 * @param id its number
 * @param typed what was typed, by the names of the fields
 * @param who who says so
 * @param at when
 */
public record KitProposal(long id, Map<String, String> typed, String who, Instant at) {}
