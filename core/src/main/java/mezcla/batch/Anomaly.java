package mezcla.batch;

import mezcla.log.LogEntry;
import mezcla.measure.Objection;

/**
 * A row that could not be applied and was left out of what the log adds up to (rules, 12): it names what is not there at
 * its time, or what is there already. Voiding it takes it off the list; nothing else rests on it.
 *
 * @param entry the row
 * @param why what is wrong with it
 */
public record Anomaly(LogEntry entry, Objection why) {}
