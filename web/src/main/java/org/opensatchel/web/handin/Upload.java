package org.opensatchel.web.handin;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.PipedInputStream;
import java.io.PipedOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.commons.fileupload.MultipartStream;
import org.opensatchel.web.storage.ContentStore;
import org.opensatchel.web.storage.ContentStore.Stored;
import org.opensatchel.web.storage.NoRoom;
import org.opensatchel.web.text.Speech;

/**
 * Takes an upload off a request as a stream: the raw body as our script sends it, or the file part of a form
 * ({@code multipart/form-data}, RFC 7578) from a browser without script. It is never held in memory.
 */
final class Upload {

    private static final Pattern BOUNDARY = Pattern.compile("boundary=(?:\"([^\"]{1,200})\"|([^;\\s]{1,200}))");
    private static final Pattern FILE_NAME = Pattern.compile("filename=\"((?:[^\"\\\\]|\\\\.)*)\"");
    private static final int BUFFER = 1 << 16;

    /** What came: a file, or the sentence that says why there is none. */
    record Taken(Optional<Stored> stored, String fileName, String refusal) {
        static Taken refused(String sentence) {
            return new Taken(Optional.empty(), "", sentence);
        }
    }

    private final ContentStore store;
    private final long mostBytes;

    Upload(ContentStore store, long mostBytes) {
        this.store = store;
        this.mostBytes = mostBytes;
    }

    Taken take(HttpServletRequest request, String fileName) throws IOException {
        long declared = request.getContentLengthLong();
        if (declared > mostBytes) {
            return tooLarge();
        }
        if (Math.max(declared, 0) > store.room()) {
            throw new NoRoom("no room for an upload of " + declared + " bytes", null);
        }
        String type = request.getContentType() == null ? "" : request.getContentType().toLowerCase(Locale.ROOT);
        try {
            if (type.startsWith("multipart/form-data")) {
                return form(request);
            }
            return kept(store.store(request.getInputStream(), mostBytes, Math.max(1, declared)), fileName);
        } catch (ContentStore.TooLarge longer) {
            return tooLarge();
        } catch (ContentStore.Incomplete less) {
            return Taken.refused(Speech.say("hand-in.less", less.isEmpty()));
        } catch (NoRoom ours) {
            throw ours;
        } catch (IOException broken) {
            return Taken.refused(Speech.say("hand-in.broke-off"));
        }
    }

    private Taken form(HttpServletRequest request) throws IOException {
        Matcher boundary = BOUNDARY.matcher(request.getContentType());
        if (!boundary.find()) {
            return Taken.refused(Speech.say("hand-in.form"));
        }
        String mark = boundary.group(1) != null ? boundary.group(1) : boundary.group(2);
        MultipartStream parts = new MultipartStream(request.getInputStream(), mark.getBytes(StandardCharsets.ISO_8859_1), BUFFER, null);
        boolean more = parts.skipPreamble();
        while (more) {
            String headers = new String(parts.readHeaders().getBytes(StandardCharsets.ISO_8859_1), StandardCharsets.UTF_8);
            Matcher name = FILE_NAME.matcher(headers);
            if (name.find()) {
                return name.group(1).isEmpty() ? Taken.refused(Speech.say("hand-in.choose")) : part(parts, name.group(1));
            }
            parts.discardBodyData();
            more = parts.readBoundary();
        }
        return Taken.refused(Speech.say("hand-in.choose"));
    }

    private Taken part(MultipartStream parts, String fileName) throws IOException {
        PartCopy copy = new PartCopy(parts);
        Stored stored;
        try (InputStream content = copy.start()) {
            stored = store.store(content, mostBytes, 1);
        }
        copy.finish();
        return kept(stored, fileName);
    }

    private static Taken kept(Stored stored, String fileName) {
        String cut = fileName.replace('\\', '/');
        return new Taken(Optional.of(stored), cut.substring(cut.lastIndexOf('/') + 1), "");
    }

    private Taken tooLarge() {
        return Taken.refused(Speech.say("hand-in.too-large", Speech.words().size(mostBytes)));
    }

    /** The parser pushes a part, the store pulls it: a pipe of bounded size between the two. */
    private static final class PartCopy {
        private final MultipartStream parts;
        private Thread copier;
        private volatile IOException failure;

        PartCopy(MultipartStream parts) {
            this.parts = parts;
        }

        InputStream start() throws IOException {
            PipedInputStream in = new PipedInputStream(BUFFER);
            PipedOutputStream out = new PipedOutputStream(in);
            copier = new Thread(() -> copy(out), "upload-part");
            copier.setDaemon(true);
            copier.start();
            return in;
        }

        private void copy(OutputStream out) {
            try (out) {
                parts.readBodyData(out);
            } catch (IOException broken) {
                failure = broken;
            }
        }

        void finish() throws IOException {
            try {
                copier.join();
            } catch (InterruptedException interrupted) {
                Thread.currentThread().interrupt();
                throw new IOException("interrupted while an upload was read", interrupted);
            }
            if (failure != null) {
                throw failure;
            }
        }
    }
}
