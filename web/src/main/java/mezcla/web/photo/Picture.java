package mezcla.web.photo;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Iterator;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.locks.Lock;
import java.util.concurrent.locks.ReentrantLock;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import mezcla.measure.Refusal;
import mezcla.web.forms.FormObjection;
import net.coobird.thumbnailator.Thumbnails;
import org.jspecify.annotations.Nullable;
import org.springframework.web.multipart.MultipartFile;

/**
 * A photo as it is kept: a JPEG of its own, no more than 1600 pixels long, upright, and with nothing of what the camera
 * wrote beside the picture.
 *
 * @param jpeg the file
 * @param width in pixels
 * @param height in pixels
 */
@SuppressWarnings("ArrayRecordComponent")
public record Picture(byte[] jpeg, int width, int height) {
    /** How many bytes may be sent. */
    public static final int MOST_BYTES = 8 * 1024 * 1024;

    /** A large picture takes much memory while it is read: several members who send theirs at once take turns. */
    private static final Lock ONE_AT_A_TIME = new ReentrantLock();

    private static final int LONGEST = 1600;
    private static final long MOST_PIXELS = 60_000_000;
    private static final int MILLION = 1_000_000;
    private static final float QUALITY = 0.85f;
    private static final int BYTE = 0xFF;
    private static final int MARK = 0xFF;
    private static final int SCAN = 0xDA;
    private static final int SEGMENT = 4;
    private static final byte[] JPEG_END = {(byte) 0xFF, (byte) 0xD9};
    private static final byte[] PNG_END = "IEND".getBytes(StandardCharsets.US_ASCII);
    private static final List<String> FORMATS = List.of("jpeg", "png");

    /**
     * The photo that a form sent; null for none.
     *
     * @throws Refusal {@code photo-too-big} above 8 MB, {@code photo-too-many-pixels} above 60 million, {@code
     *     photo-cut-off} where its end is missing, {@code photo-unreadable} for anything but a JPEG or PNG
     */
    public static @Nullable Picture of(@Nullable MultipartFile file) {
        if (file == null || file.isEmpty()) {
            return null;
        }
        if (file.getSize() > MOST_BYTES) {
            throw Refusal.of(new FormObjection.PhotoTooBig());
        }
        ONE_AT_A_TIME.lock();
        try {
            return of(file.getBytes());
        } catch (IOException | IllegalArgumentException | IndexOutOfBoundsException e) {
            throw Refusal.of(new FormObjection.PhotoUnreadable());
        } finally {
            ONE_AT_A_TIME.unlock();
        }
    }

    private static Picture of(byte[] sent) throws IOException {
        boolean shrinks = longestSide(sent) > LONGEST;
        Thumbnails.Builder<? extends InputStream> upright = Thumbnails.of(new ByteArrayInputStream(sent));
        BufferedImage picture = (shrinks ? upright.size(LONGEST, LONGEST) : upright.scale(1))
                .addFilter(Picture::onWhite)
                .asBufferedImage();
        ByteArrayOutputStream jpeg = new ByteArrayOutputStream();
        Thumbnails.of(picture)
                .scale(1)
                .outputFormat("jpg")
                .outputQuality(QUALITY)
                .toOutputStream(jpeg);
        return new Picture(jpeg.toByteArray(), picture.getWidth(), picture.getHeight());
    }

    /** What the file says of its size, before any of it is taken apart: a small file can hold a very large picture. */
    private static int longestSide(byte[] sent) throws IOException {
        try (ImageInputStream input = ImageIO.createImageInputStream(new ByteArrayInputStream(sent))) {
            Iterator<ImageReader> readers = ImageIO.getImageReaders(input);
            if (!readers.hasNext()) {
                throw Refusal.of(new FormObjection.PhotoUnreadable());
            }
            ImageReader reader = readers.next();
            try {
                reader.setInput(input, true, true);
                if (!FORMATS.contains(reader.getFormatName().toLowerCase(Locale.ROOT))) {
                    throw Refusal.of(new FormObjection.PhotoUnreadable());
                }
                int width = reader.getWidth(0);
                int height = reader.getHeight(0);
                if ((long) width * height > MOST_PIXELS) {
                    throw Refusal.of(
                            new FormObjection.PhotoTooManyPixels(width, height, (int) (MOST_PIXELS / MILLION)));
                }
                if (!isWhole(sent)) {
                    throw Refusal.of(new FormObjection.PhotoCutOff());
                }
                return Math.max(width, height);
            } finally {
                reader.dispose();
            }
        }
    }

    /**
     * Whether a JPEG or PNG has its end: what reads them draws half a picture as if it were one. In a JPEG the mark of the
     * end counts after the first scan only, because a small picture for previews may stand before it.
     */
    private static boolean isWhole(byte[] sent) {
        int first = sent[0] & BYTE;
        if (first != MARK) {
            return indexOf(sent, PNG_END, 0) > 0;
        }
        int at = 2;
        while (at + SEGMENT < sent.length && (sent[at] & BYTE) == MARK && (sent[at + 1] & BYTE) != SCAN) {
            at += 2 + ((sent[at + 2] & BYTE) << Byte.SIZE) + (sent[at + 3] & BYTE);
        }
        return indexOf(sent, JPEG_END, at) > 0;
    }

    private static int indexOf(byte[] sent, byte[] sought, int from) {
        for (int at = from; at + sought.length <= sent.length; at++) {
            if (Arrays.equals(sent, at, at + sought.length, sought, 0, sought.length)) {
                return at;
            }
        }
        return -1;
    }

    private static BufferedImage onWhite(BufferedImage picture) {
        BufferedImage paper = new BufferedImage(picture.getWidth(), picture.getHeight(), BufferedImage.TYPE_INT_RGB);
        Graphics2D canvas = paper.createGraphics();
        canvas.drawImage(picture, 0, 0, Color.WHITE, null);
        canvas.dispose();
        return paper;
    }
}
