package mezcla.web.label;

import java.util.List;
import mezcla.web.drawing.QrDrawing;

/**
 * A label for a bottle.
 *
 * @param house whose it is
 * @param batch the batch, with its name
 * @param letters the bath's letters
 * @param bath the bath in words
 * @param process what film it is for; empty for a concentrate
 * @param volume how much it was
 * @param mixed when and by whom
 * @param limits what is printed about how long it lasts
 * @param dates the days that matter: from when it is tested first, and its last; empty for none
 * @param boxes one for each roll, to be ticked by pen
 * @param mixture what it was mixed of; empty where that is as printed
 * @param cautions what to look out for
 * @param waste where it goes in the end
 * @param code its short code
 * @param qr leads to the batch
 * @param bottle the bottle that it is for
 */
public record LabelView(
        String house,
        String batch,
        String letters,
        String bath,
        String process,
        String volume,
        String mixed,
        String limits,
        String dates,
        List<Box> boxes,
        String mixture,
        String cautions,
        String waste,
        String code,
        QrDrawing qr,
        String bottle) {
    /**
     * A roll to be ticked.
     *
     * @param number which
     * @param test whether from this one on a snip of film is tested first
     * @param done whether that roll has been done
     */
    public record Box(int number, boolean test, boolean done) {}
}
