package mezcla.web.access.secrets;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.text.Normalizer;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import mezcla.measure.Refusal;
import mezcla.web.forms.FormObjection;
import org.springframework.core.io.ClassPathResource;
import org.springframework.stereotype.Component;

/** What a new password has to be like: long, and nothing that anybody would try first. */
@Component
public class NewPasswords {
    private static final int LEAST_CHARACTERS = 12;
    /** More than that the hash would not take; a letter with an accent is two. */
    private static final int MOST_BYTES = 72;

    private static final int LEAST_DIFFERENT = 5;
    private static final int LEAST_BESIDE_A_NAME = 8;
    private static final List<String> ROWS =
            List.of("abcdefghijklmnopqrstuvwxyz", "01234567890123456789", "qwertyuiopasdfghjklzxcvbnm");

    private final Set<String> common;

    NewPasswords() {
        try {
            common = new ClassPathResource("access/common-passwords.txt")
                    .getContentAsString(StandardCharsets.UTF_8)
                    .lines()
                    .filter(line -> !line.startsWith("#"))
                    .collect(Collectors.toUnmodifiableSet());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /**
     * Refuses a password that is too short or too long, holds what cannot be typed, or would be guessed.
     *
     * @param password what was typed
     * @param names what the member is called, and signs in as
     * @throws Refusal {@code password-short}, {@code password-unprintable} or {@code password-common}
     */
    public void refuse(String password, String... names) {
        if (password.codePointCount(0, password.length()) < LEAST_CHARACTERS
                || password.getBytes(StandardCharsets.UTF_8).length > MOST_BYTES) {
            throw Refusal.of(new FormObjection.PasswordShort(LEAST_CHARACTERS, MOST_BYTES));
        }
        if (password.codePoints().anyMatch(NewPasswords::isUnprintable)) {
            throw Refusal.of(new FormObjection.PasswordUnprintable());
        }
        if (isGuessed(password, names)) {
            throw Refusal.of(new FormObjection.PasswordCommon());
        }
    }

    private static boolean isUnprintable(int letter) {
        return Character.isISOControl(letter)
                || Character.getType(letter) == Character.FORMAT
                || Character.getType(letter) == Character.LINE_SEPARATOR
                || Character.getType(letter) == Character.PARAGRAPH_SEPARATOR
                || Character.getType(letter) == Character.SURROGATE;
    }

    private boolean isGuessed(String password, String... names) {
        String plain = Normalizer.normalize(password, Normalizer.Form.NFKC).toLowerCase(Locale.ROOT);
        String word = plain.replace('@', 'a')
                .replace('0', 'o')
                .replace('3', 'e')
                .replace('$', 's')
                .replaceAll("[^\\p{L}]", "");
        String letters = plain.replaceAll("[^\\p{L}]", "");
        if (plain.codePoints().distinct().count() < LEAST_DIFFERENT
                || common.contains(word)
                || common.contains(letters)) {
            return true;
        }
        String bare = plain.replaceAll("[^\\p{L}\\p{N}]", "");
        if (!bare.isEmpty() && ROWS.stream().anyMatch(row -> runsAlong(bare, row))) {
            return true;
        }
        for (String name : names) {
            String without = plain.replace(name.toLowerCase(Locale.ROOT), "");
            if (!name.isBlank() && !without.equals(plain) && without.length() < LEAST_BESIDE_A_NAME) {
                return true;
            }
        }
        return false;
    }

    /** Whether it is made of one piece of a row of letters, digits or keys, forwards or backwards. */
    private static boolean runsAlong(String bare, String row) {
        return (row + row).contains(bare)
                || new StringBuilder(row + row).reverse().toString().contains(bare);
    }
}
