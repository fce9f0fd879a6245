package mezcla.web.photo;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.AffineTransform;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Iterator;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.locks.Lock;
import java.util.concurrent.locks.ReentrantLock;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.stream.ImageInputStream;
import javax.imageio.stream.ImageOutputStream;
import mezcla.measure.Refusal;
import mezcla.web.forms.FormObjection;
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
                return written(upright(read(reader), Orientation.of(sent)));
            } finally {
                reader.dispose();
            }
        }
    }

    /** Reads no more pixels than it takes: a small file can hold a very large picture. */
    private static BufferedImage read(ImageReader reader) throws IOException {
        int width = reader.getWidth(0);
        int height = reader.getHeight(0);
        if ((long) width * height > MOST_PIXELS) {
            throw Refusal.of(new FormObjection.PhotoTooBig());
        }
        int every = (int) Math.ceil(Math.max(width, height) / (1.5 * LONGEST));
        ImageReadParam fewer = reader.getDefaultReadParam();
        fewer.setSourceSubsampling(every, every, 0, 0);
        return reader.read(0, fewer);
    }

    private static BufferedImage upright(BufferedImage picture, Orientation orientation) {
        double scale = Math.min(1, LONGEST / (double) Math.max(picture.getWidth(), picture.getHeight()));
        int width = Math.max(1, (int) Math.round(picture.getWidth() * scale));
        int height = Math.max(1, (int) Math.round(picture.getHeight() * scale));
        BufferedImage turned = orientation.turnsSideways()
                ? new BufferedImage(height, width, BufferedImage.TYPE_INT_RGB)
                : new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Graphics2D canvas = turned.createGraphics();
        canvas.setColor(Color.WHITE);
        canvas.fillRect(0, 0, turned.getWidth(), turned.getHeight());
        canvas.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
        AffineTransform turn = orientation.turn(width, height);
        turn.scale(width / (double) picture.getWidth(), height / (double) picture.getHeight());
        canvas.drawImage(picture, turn, null);
        canvas.dispose();
        return turned;
    }

    private static Picture written(BufferedImage picture) throws IOException {
        ImageWriter writer = ImageIO.getImageWritersByFormatName("jpeg").next();
        ByteArrayOutputStream jpeg = new ByteArrayOutputStream();
        try (ImageOutputStream output = ImageIO.createImageOutputStream(jpeg)) {
            writer.setOutput(output);
            ImageWriteParam how = writer.getDefaultWriteParam();
            how.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
            how.setCompressionQuality(QUALITY);
            writer.write(null, new IIOImage(picture, null, null), how);
        } finally {
            writer.dispose();
        }
        return new Picture(jpeg.toByteArray(), picture.getWidth(), picture.getHeight());
    }
}
