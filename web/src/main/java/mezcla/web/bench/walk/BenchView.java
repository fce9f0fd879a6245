package mezcla.web.bench.walk;

import java.util.List;
import mezcla.web.drawing.JugDrawing;
import org.jspecify.annotations.Nullable;

/**
 * A mix at the bench, one act at a time.
 *
 * @param id the mix
 * @param heading what is mixed, how far it is, and who is at it
 * @param title the act, in a sentence
 * @param baths all acts at the side, by bath
 * @param now the act to do; null when all are done
 * @param next the act after that; empty for none
 * @param jug the jug as it fills; null where nothing is in one
 * @param letters the letters of the bath
 * @param consequences what has turned out otherwise than planned, and what that does
 * @param undo the act that can be taken back; null for none
 * @param batchId the batch that it will be
 * @param renewal whether it takes the place of a bath that stands or stood there
 * @param bottled whether a label can be printed already
 */
public record BenchView(
        long id,
        String heading,
        String title,
        List<Bath> baths,
        @Nullable Now now,
        String next,
        @Nullable JugDrawing jug,
        String letters,
        List<String> consequences,
        @Nullable Undo undo,
        long batchId,
        boolean renewal,
        boolean bottled) {
    /**
     * A bath, with its acts.
     *
     * @param letters its letters
     * @param name its name
     * @param lines its acts
     */
    public record Bath(String letters, String name, List<Line> lines) {}

    /**
     * An act at the side.
     *
     * @param words what it is
     * @param state {@code ticked}, {@code now} or {@code later}
     * @param otherwise what it really was; empty for as planned
     */
    public record Line(String words, String state, String otherwise) {}

    /**
     * The act to do now.
     *
     * @param number its number
     * @param verb what is done
     * @param figure the figure that matters, large; empty for none
     * @param of what it is a figure of
     * @param with with what it is measured
     * @param exactly how exactly that is, and has to be
     * @param warnings what to look out for
     * @param button what is said when it is done
     * @param measured what the field for another amount is called; empty where nothing is measured
     * @param warmth whether a temperature can be noted
     * @param secondsLeft how long there is to wait; -1 for no wait
     * @param spoken the act, to be read out
     */
    public record Now(
            int number,
            String verb,
            String figure,
            String of,
            String with,
            String exactly,
            List<String> warnings,
            String button,
            String measured,
            boolean warmth,
            long secondsLeft,
            String spoken) {}

    /**
     * The act that was done last.
     *
     * @param number its number
     * @param words what it is
     */
    public record Undo(int number, String words) {}

    /** A mix that is under way, in a list. */
    public record UnderWay(long id, String name, String how, String act) {}
}
