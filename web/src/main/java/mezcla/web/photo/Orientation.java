package mezcla.web.photo;

import java.awt.geom.AffineTransform;
import java.nio.BufferUnderflowException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;

/** How a camera was held, as it says in its JPEG: one of eight ways, of which the first is upright. */
record Orientation(int number) {
    private static final Orientation UPRIGHT = new Orientation(1);
    private static final int START = 0xFFD8;
    private static final int EXIF_SEGMENT = 0xFFE1;
    private static final int PICTURE_DATA = 0xFFDA;
    private static final byte[] EXIF = "Exif\0\0".getBytes(StandardCharsets.US_ASCII);
    private static final short LITTLE_ENDIAN = 0x4949;
    private static final int ORIENTATION_TAG = 0x0112;
    private static final int ENTRY_BYTES = 12;
    private static final int FIRST_SIDEWAYS = 5;
    private static final int LAST = 8;

    /** What a file says; upright where it says nothing that makes sense. */
    static Orientation of(byte[] file) {
        try {
            return find(ByteBuffer.wrap(file));
        } catch (BufferUnderflowException | IllegalArgumentException | IndexOutOfBoundsException e) {
            return UPRIGHT;
        }
    }

    private static Orientation find(ByteBuffer file) {
        if ((file.getShort() & 0xFFFF) != START) {
            return UPRIGHT;
        }
        while (file.remaining() > 4) {
            int segment = file.getShort() & 0xFFFF;
            int length = file.getShort() & 0xFFFF;
            if (segment == PICTURE_DATA) {
                return UPRIGHT;
            }
            byte[] content = new byte[length - 2];
            file.get(content);
            if (segment == EXIF_SEGMENT && Arrays.equals(content, 0, EXIF.length, EXIF, 0, EXIF.length)) {
                return inExif(ByteBuffer.wrap(content, EXIF.length, content.length - EXIF.length)
                        .slice());
            }
        }
        return UPRIGHT;
    }

    private static Orientation inExif(ByteBuffer exif) {
        exif.order(exif.getShort(0) == LITTLE_ENDIAN ? ByteOrder.LITTLE_ENDIAN : ByteOrder.BIG_ENDIAN);
        int directory = exif.getInt(4);
        int entries = exif.getShort(directory) & 0xFFFF;
        for (int i = 0; i < entries; i++) {
            int entry = directory + 2 + i * ENTRY_BYTES;
            if ((exif.getShort(entry) & 0xFFFF) == ORIENTATION_TAG) {
                int number = exif.getShort(entry + 8) & 0xFFFF;
                return number >= 1 && number <= LAST ? new Orientation(number) : UPRIGHT;
            }
        }
        return UPRIGHT;
    }

    boolean turnsSideways() {
        return number >= FIRST_SIDEWAYS;
    }

    /** What brings a picture of that size, in pixels, upright. */
    AffineTransform turn(int width, int height) {
        return switch (number) {
            case 2 -> new AffineTransform(-1, 0, 0, 1, width, 0);
            case 3 -> new AffineTransform(-1, 0, 0, -1, width, height);
            case 4 -> new AffineTransform(1, 0, 0, -1, 0, height);
            case 5 -> new AffineTransform(0, 1, 1, 0, 0, 0);
            case 6 -> new AffineTransform(0, 1, -1, 0, height, 0);
            case 7 -> new AffineTransform(0, -1, -1, 0, height, width);
            case 8 -> new AffineTransform(0, -1, 1, 0, 0, width);
            default -> new AffineTransform();
        };
    }
}
