package org.opensatchel.web.viewer;

import jakarta.annotation.PreDestroy;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Iterator;
import java.util.Optional;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.Future;
import java.util.concurrent.RejectedExecutionException;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.concurrent.atomic.AtomicReference;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import org.apache.commons.lang3.concurrent.BasicThreadFactory;
import org.springframework.stereotype.Component;

/**
 * Draws pictures anew and small, one after the other on a thread of its own: each may take some memory, and one that takes too long, or has
 * too many pixels, is given up.
 */
@Component
class SmallPictures {

    private static final long MOST_PIXELS = 120_000_000;
    private static final int MOST_WAITING = 64;
    private static final long MOST_SECONDS = 8;

    private final ThreadPoolExecutor thread = new ThreadPoolExecutor(1, 1, 0, TimeUnit.SECONDS, new ArrayBlockingQueue<>(MOST_WAITING),
            BasicThreadFactory.builder().namingPattern("small-pictures-%d").daemon(true).build());

    /** @param largest how long the longer side becomes at most, in pixels */
    Optional<byte[]> drawn(byte[] content, int largest) {
        AtomicReference<ImageReader> reading = new AtomicReference<>();
        Future<Optional<byte[]>> drawing;
        try {
            drawing = thread.submit(() -> draw(content, largest, reading));
        } catch (RejectedExecutionException busy) {
            return Optional.empty();
        }
        try {
            return drawing.get(MOST_SECONDS, TimeUnit.SECONDS);
        } catch (TimeoutException slow) {
            drawing.cancel(true);
            Optional.ofNullable(reading.get()).ifPresent(ImageReader::abort);
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
            drawing.cancel(true);
        } catch (ExecutionException broken) {
            // Readers of pictures meet damaged ones in many ways; such a picture cannot be shown.
            return Optional.empty();
        }
        return Optional.empty();
    }

    private static Optional<byte[]> draw(byte[] content, int largest, AtomicReference<ImageReader> reading) throws IOException {
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(content))) {
            Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
            if (!readers.hasNext()) {
                return Optional.empty();
            }
            ImageReader reader = readers.next();
            reading.set(reader);
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

    @PreDestroy
    void close() {
        thread.shutdownNow();
    }
}
