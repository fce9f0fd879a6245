package mezcla.log;

import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * How the house does something was decided: from now on others get it so.
 *
 * @param stamp who and when
 * @param topic what it is about
 * @param subject which one of these: a process, a role, or what a thing is called; empty where there is only one
 * @param before how it was until then, in words; empty where nobody had said
 * @param after how it is from then on, in words; empty for nothing any more
 * @param setting how it was, as it is kept, so that it can be brought back; null where that cannot be done
 */
public record HouseDecided(
        Stamp stamp, Topic topic, String subject, String before, String after, @Nullable String setting)
        implements LogEntry {
    /** What a house decides for everybody. */
    public enum Topic {
        /** How runs of a process begin. */
        WAY("How runs begin"),
        /** What happens on every run. */
        HABITS("On every run"),
        /** How strictly film of a process is judged. */
        LIMITS("Limits"),
        /** What the house allows of a bath beside its leaflet. */
        OWN_LIMIT("The house’s own limit"),
        /** What counts where a leaflet prints no limit. */
        STAND_IN("Default limit"),
        /** Water, room and delivery. */
        SURROUNDINGS("Water and room"),
        /** The water bath. */
        WATER_BATH("Water bath"),
        /** Tanks, bottles, places, tools, jugs and heaters. */
        THING("Things");

        private final String words;

        Topic(String words) {
            this.words = words;
        }

        /** In words, to begin a line with. */
        public String words() {
            return words;
        }
    }

    @Override
    public Set<Subject> touches() {
        return Set.of();
    }

    @Override
    public Set<Subject> restsOn() {
        return Set.of();
    }

    @Override
    public Voidable voidable() {
        return Voidable.WHERE_DECIDED;
    }

    @Override
    public EntryKind kind() {
        return EntryKind.HOUSE_DECIDED;
    }

    @Override
    public <R> R accept(EntryVisitor<R> visitor) {
        return visitor.houseDecided(this);
    }
}
