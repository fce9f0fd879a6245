package mezcla.web.cupboard.arrival;

/**
 * A kit that a member says came, until a steward logs it.
 *
 * @param id its number
 * @param form what was typed
 * @param who who says so
 */
public record KitProposal(long id, ArrivalForm form, String who) {}
