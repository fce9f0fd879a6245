package mezcla.web.label;

import mezcla.web.drawing.QrDrawing;

/**
 * A label for a bottle.
 *
 * @param house whose it is
 * @param batch the batch, with its name
 * @param letters the bath's letters
 * @param bath the bath in words
 * @param volume how much it was
 * @param mixed when and by whom
 * @param limits what is printed about how long it lasts
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
        String volume,
        String mixed,
        String limits,
        String mixture,
        String cautions,
        String waste,
        String code,
        QrDrawing qr,
        String bottle) {}
