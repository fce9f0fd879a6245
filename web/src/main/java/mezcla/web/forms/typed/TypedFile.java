package mezcla.web.forms.typed;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import mezcla.measure.Refusal;
import mezcla.web.forms.FormObjection;
import org.jspecify.annotations.Nullable;
import org.springframework.web.multipart.MultipartFile;

/** A file of text that a person chose. */
public final class TypedFile {
    private static final String BYTE_ORDER_MARK = "\uFEFF";

    private TypedFile() {}

    /**
     * What is in it.
     *
     * @param file what the form sent
     * @param most how many bytes are allowed
     * @throws Refusal {@code file-missing}, {@code file-too-big} or {@code file-not-text}
     */
    public static String text(@Nullable MultipartFile file, int most) {
        if (file == null || file.isEmpty()) {
            throw Refusal.of(new FormObjection.FileMissing());
        }
        if (file.getSize() > most) {
            throw Refusal.of(new FormObjection.FileTooBig());
        }
        try {
            return StandardCharsets.UTF_8
                    .newDecoder()
                    .decode(ByteBuffer.wrap(file.getBytes()))
                    .toString()
                    .replaceFirst("^" + BYTE_ORDER_MARK, "");
        } catch (CharacterCodingException e) {
            throw Refusal.of(new FormObjection.FileNotText());
        } catch (IOException e) {
            throw Refusal.of(new FormObjection.FileMissing());
        }
    }
}
