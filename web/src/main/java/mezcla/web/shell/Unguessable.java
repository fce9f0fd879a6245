package mezcla.web.shell;

import java.security.SecureRandom;

/** Codes and passwords that nobody guesses and everybody can read off a console. */
public final class Unguessable {
    private static final String LETTERS = "ABCDEFGHJKLMNPQRSTUVWXYZ23456789";
    private static final SecureRandom RANDOM = new SecureRandom();

    private Unguessable() {}

    /** So many letters and digits, none of which looks like another. */
    public static String letters(int length) {
        StringBuilder letters = new StringBuilder();
        for (int i = 0; i < length; i++) {
            letters.append(LETTERS.charAt(RANDOM.nextInt(LETTERS.length())));
        }
        return letters.toString();
    }
}
