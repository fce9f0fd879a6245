package mezcla.log;

/**
 * What a fill took of a part.
 *
 * @param kitId the kit
 * @param part the part's key
 * @param amount how much, in the part's unit
 * @param kitShare the share of the kit's value that this is, 0 to 1
 */
public record PartUse(long kitId, String part, double amount, double kitShare) {}
