package mezcla.web.photo;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
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
    private static final float QUALITY = 0.85f;
    private static final List<String> FORMATS = List.of("jpeg", "png");

    /**
     * The photo that a form sent; null for none.
     *
     * @throws Refusal {@code photo-too-big} above 8 MB or 60 million pixels, {@code photo-unreadable} for anything but
     *     a JPEG or PNG
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
                    throw Refusal.of(new FormObjection.PhotoTooBig());
                }
                return Math.max(width, height);
            } finally {
                reader.dispose();
            }
        }
    }

    private static BufferedImage onWhite(BufferedImage picture) {
        BufferedImage paper = new BufferedImage(picture.getWidth(), picture.getHeight(), BufferedImage.TYPE_INT_RGB);
        Graphics2D canvas = paper.createGraphics();
        canvas.drawImage(picture, 0, 0, Color.WHITE, null);
        canvas.dispose();
        return paper;
    }
}
