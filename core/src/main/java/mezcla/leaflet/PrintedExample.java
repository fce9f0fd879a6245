package mezcla.leaflet;

/**
 * A time that the sheet works out itself: "after 7 rolls, 2 more: 3:40". It shows whether the sheet was typed in as it
 * was meant.
 *
 * @param bath the bath's key
 * @param rollsBefore roll equivalents that its printed volume has done
 * @param rolls roll equivalents that follow
 * @param seconds the printed time, in seconds
 */
public record PrintedExample(String bath, double rollsBefore, double rolls, double seconds) {}
