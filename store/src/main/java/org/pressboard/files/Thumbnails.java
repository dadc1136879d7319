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
import net.coobird.thumbnailator.filters.Canvas;
import net.coobird.thumbnailator.geometry.Positions;
import org.pressboard.problem.ProblemsFound;

/** Small copies of pictures, as JPEG on white, turned the way the camera was held. */
final class Thumbnails {

    /** The longer edges of the copies, in pixels: for lists and for cards, on screens with fine pixels. */
    static final List<Integer> EDGES = List.of(192, 960);

    /** More would take too much memory to look at; cameras have fewer. */
    private static final long MOST_PIXELS = 60_000_000;

    /** Of kinds that are not read line by line: four bytes for each in a quarter of the memory there is. */
    private static final long MOST_PIXELS_AT_ONCE = Runtime.getRuntime().maxMemory() / 16;

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
    static Map<Integer, byte[]> of(byte[] picture, String mediaType) {
        int longer = longerEdge(picture, mediaType.equals("image/webp") ? Math.min(MOST_PIXELS, MOST_PIXELS_AT_ONCE) : MOST_PIXELS);
        List<Integer> edges = EDGES.stream().filter(edge -> longer > edge).toList();
        return edges.isEmpty() ? Map.of() : copies(picture, edges);
    }

    private static int longerEdge(byte[] picture, long most) {
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
            if (width * height > most) {
                throw ProblemsFound.of("attachment.many-pixels", most / 1_000_000);
            }
            return (int) Math.max(width, height);
        } catch (IOException broken) {
            throw ProblemsFound.of("attachment.no-picture");
        }
    }

    /** The picture itself is read once, for the largest of them. */
    private static Map<Integer, byte[]> copies(byte[] picture, List<Integer> edges) {
        Map<Integer, byte[]> copies = new TreeMap<>();
        try {
            BufferedImage read = scaled(net.coobird.thumbnailator.Thumbnails.of(new ByteArrayInputStream(picture)),
                    edges.getLast());
            for (int edge : edges) {
                copies.put(edge, onWhite(scaled(net.coobird.thumbnailator.Thumbnails.of(read), edge)));
            }
        } catch (IOException | RuntimeException broken) {
            throw ProblemsFound.of("attachment.no-picture");
        }
        return copies;
    }

    private static BufferedImage scaled(net.coobird.thumbnailator.Thumbnails.Builder<?> picture, int edge)
            throws IOException {
        return picture.size(edge, edge).asBufferedImage();
    }

    private static byte[] onWhite(BufferedImage picture) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        net.coobird.thumbnailator.Thumbnails.of(picture).scale(1)
                .addFilter(new Canvas(picture.getWidth(), picture.getHeight(), Positions.CENTER, Color.WHITE))
                .imageType(BufferedImage.TYPE_INT_RGB).outputFormat("jpg").outputQuality(QUALITY).toOutputStream(out);
        return out.toByteArray();
    }
}
