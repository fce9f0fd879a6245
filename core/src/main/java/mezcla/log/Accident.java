package mezcla.log;

import java.util.Arrays;
import java.util.Optional;

/**
 * What can go wrong in a run (rules, section 7), as a member says it. Whatever touches a person comes first.
 *
 * @see RunAccident
 */
public enum Accident {
    /** A bath on skin or in an eye (rules, section 11). */
    ON_SKIN(1, "on-skin", "On skin or in an eye"),
    /** The tank stood still when it was to be moved. */
    FORGOT_TO_MOVE(2, "forgot-to-move", "Forgot to move it"),
    /** The bath is colder than it is to be. */
    TOO_COLD(3, "too-cold", "Too cold"),
    /** The bath is warmer than it is to be. */
    TOO_WARM(4, "too-warm", "Too warm"),
    /** The lid came off, or light was seen. */
    LIGHT(5, "light", "The lid came off"),
    /** Another bath than the one whose turn it was is in the tank. */
    WRONG_BATH(6, "wrong-bath", "Wrong bath went in"),
    /** A bath was poured back into another one's bottle. */
    WRONG_BOTTLE(7, "wrong-bottle", "Back into the wrong bottle"),
    /** The solution does not cover the film. */
    TOO_LITTLE(8, "too-little", "Not enough in the tank"),
    /** Some of a bath ran out, or water got in. */
    LEAK(9, "leak", "It leaks or was spilled"),
    /** A bath was poured out before its time. */
    TOO_SHORT(10, "too-short", "Poured out too soon"),
    /** A bath stayed in past its time. */
    TOO_LONG(11, "too-long", "Left in too long"),
    /** A bath or a wash was passed over. */
    LEFT_OUT(12, "left-out", "A step was left out"),
    /** Power, heater or this page was gone for a while. */
    POWER(13, "power", "Power or page went"),
    /** Film sticks, or has come off its reel. */
    FILM_STUCK(14, "film-stuck", "Film stuck or off its reel"),
    /** Anything else. */
    OTHER(15, "other", "Something else");

    private final int number;
    private final String key;
    private final String words;

    Accident(int number, String key, String words) {
        this.number = number;
        this.key = key;
        this.words = words;
    }

    /** Lower case with hyphens. */
    public String key() {
        return key;
    }

    /** Whether a developer that it happened to is tried with a clip before the next film. */
    public boolean asksForClipTest() {
        return this == LEAK;
    }

    /** In a member's words. */
    public String words() {
        return words;
    }

    /** The number by which a ribbon notes it, from 1. */
    public int number() {
        return number;
    }

    /** The accident of a number; empty where there is none of it. */
    public static Optional<Accident> of(int number) {
        return Arrays.stream(values())
                .filter(accident -> accident.number == number)
                .findFirst();
    }
}
