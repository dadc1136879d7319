package org.pressboard.files;

import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import net.coobird.thumbnailator.geometry.Positions;
import net.coobird.thumbnailator.filters.Canvas;
import org.pressboard.problem.ProblemsFound;

/** Small copies of pictures, as JPEG on white, turned the way the camera was held. */
final class Thumbnails {

    /** The longer edges of the copies, in pixels: for lists and for cards, on screens with fine pixels. */
    static final List<Integer> EDGES = List.of(192, 960);

    /** More would take too much memory to look at; cameras have fewer. */
    private static final long MOST_PIXELS = 60_000_000;

    private static final double QUALITY = 0.82;

    static {
        // of pictures that are large for the memory there is, no more is read than a small copy needs
        System.setProperty("thumbnailator.conserveMemoryWorkaround", "true");
    }

    private Thumbnails() {
    }

    /**
     * The copies by their edge; none of an edge that the picture itself does not exceed.
     *
     * @throws ProblemsFound when it is no picture that can be read, or has too many pixels
     */
    static Map<Integer, byte[]> of(byte[] picture) {
        int longer = longerEdge(picture);
        Map<Integer, byte[]> copies = new TreeMap<>();
        for (int edge : EDGES) {
            if (longer > edge) {
                copies.put(edge, copy(picture, edge));
            }
        }
        return copies;
    }

    private static int longerEdge(byte[] picture) {
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(picture))) {
            Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
            if (!readers.hasNext()) {
                throw ProblemsFound.of("attachment.no-picture");
            }
            ImageReader reader = readers.next();
            reader.setInput(in);
            long width = reader.getWidth(0);
            long height = reader.getHeight(0);
            reader.dispose();
            if (width * height > MOST_PIXELS) {
                throw ProblemsFound.of("attachment.many-pixels", MOST_PIXELS / 1_000_000);
            }
            return (int) Math.max(width, height);
        } catch (IOException broken) {
            throw ProblemsFound.of("attachment.no-picture");
        }
    }

    private static byte[] copy(byte[] picture, int edge) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            BufferedImage small = net.coobird.thumbnailator.Thumbnails.of(new ByteArrayInputStream(picture))
                    .size(edge, edge).asBufferedImage();
            net.coobird.thumbnailator.Thumbnails.of(small).scale(1)
                    .addFilter(new Canvas(small.getWidth(), small.getHeight(), Positions.CENTER, Color.WHITE))
                    .imageType(BufferedImage.TYPE_INT_RGB).outputFormat("jpg").outputQuality(QUALITY).toOutputStream(out);
        } catch (IOException | RuntimeException broken) {
            throw ProblemsFound.of("attachment.no-picture");
        }
        return out.toByteArray();
    }
}
