package mezcla.log;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A fill was poured over, put somewhere else, or the air over it was dealt with.
 *
 * @param stamp who and when
 * @param fillId the fill
 * @param bottle what it is in now
 * @param place where that stands now; null where nobody said
 * @param air what keeps air out now
 */
public record FillMoved(Stamp stamp, long fillId, Bottle bottle, @Nullable Place place, AirKept air)
        implements OfOneFill {
    @Override
    public List<InBottle> bottlesTaken() {
        return List.of(new InBottle(fillId, bottle.id()));
    }

    @Override
    public boolean freesBottles() {
        return true;
    }

    @Override
    public EntryKind kind() {
        return EntryKind.FILL_MOVED;
    }

    @Override
    public <R> R accept(EntryVisitor<R> visitor) {
        return visitor.fillMoved(this);
    }
}
