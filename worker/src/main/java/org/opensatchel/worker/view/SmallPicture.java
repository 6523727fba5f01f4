package org.opensatchel.worker.view;

import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Iterator;
import java.util.Optional;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;

/** Draws pictures anew and small, as PNG. One that has too many pixels, or is damaged, cannot be shown. */
final class SmallPicture {

    private static final long MOST_PIXELS = 120_000_000;

    private SmallPicture() {
    }

    static Optional<byte[]> drawn(byte[] content, int largest) {
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(content))) {
            Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
            return readers.hasNext() ? drawn(readers.next(), in, largest) : Optional.empty();
        } catch (IOException | RuntimeException damaged) {
            // Readers of pictures meet damaged ones in many ways.
            return Optional.empty();
        }
    }

    private static Optional<byte[]> drawn(ImageReader reader, ImageInputStream in, int largest) throws IOException {
        try {
            reader.setInput(in, true, true);
            long width = reader.getWidth(0);
            long height = reader.getHeight(0);
            if (width * height > MOST_PIXELS || width < 1 || height < 1) {
                return Optional.empty();
            }
            ImageReadParam param = reader.getDefaultReadParam();
            int step = (int) Math.max(1, Math.max(width, height) / (largest * 2L));
            param.setSourceSubsampling(step, step, 0, 0);
            return Optional.of(small(reader.read(0, param), largest));
        } finally {
            reader.dispose();
        }
    }

    private static byte[] small(BufferedImage image, int largest) throws IOException {
        double scale = Math.min(1.0, (double) largest / Math.max(image.getWidth(), image.getHeight()));
        int width = Math.max(1, (int) Math.round(image.getWidth() * scale));
        int height = Math.max(1, (int) Math.round(image.getHeight() * scale));
        BufferedImage out = new BufferedImage(width, height, BufferedImage.TYPE_INT_ARGB);
        Graphics2D graphics = out.createGraphics();
        graphics.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
        graphics.drawImage(image, 0, 0, width, height, null);
        graphics.dispose();
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        ImageIO.write(out, "png", bytes);
        return bytes.toByteArray();
    }
}
