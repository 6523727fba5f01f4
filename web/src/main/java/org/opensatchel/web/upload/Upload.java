package org.opensatchel.web.upload;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Optional;
import org.apache.commons.fileupload.FileItemIterator;
import org.apache.commons.fileupload.FileItemStream;
import org.apache.commons.fileupload.FileUpload;
import org.apache.commons.fileupload.FileUploadException;
import org.apache.commons.fileupload.InvalidFileNameException;
import org.apache.commons.fileupload.MultipartStream;
import org.apache.commons.fileupload.RequestContext;
import org.opensatchel.web.storage.ContentStore;
import org.opensatchel.web.storage.ContentStore.Stored;
import org.opensatchel.web.storage.NoRoom;
import org.opensatchel.web.text.Speech;

/**
 * Takes an upload off a request as a stream: the raw body as our script sends it, or the file part of a form
 * ({@code multipart/form-data}, RFC 7578) from a browser without script. It is never held in memory.
 */
public final class Upload {

    /** What came: a file, or the sentence that says why there is none. */
    public record Taken(Optional<Stored> stored, String fileName, String refusal) {
        static Taken refused(String sentence) {
            return new Taken(Optional.empty(), "", sentence);
        }
    }

    private final ContentStore store;
    private final long mostBytes;

    public Upload(ContentStore store, long mostBytes) {
        this.store = store;
        this.mostBytes = mostBytes;
    }

    public Taken take(HttpServletRequest request, String fileName) throws IOException {
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

    /** The first file of a form; fields and whatever comes after it are passed over. */
    private Taken form(HttpServletRequest request) throws IOException {
        try {
            FileUpload parts = new FileUpload();
            parts.setHeaderEncoding(StandardCharsets.UTF_8.name());
            for (FileItemIterator each = parts.getItemIterator(new Form(request)); each.hasNext();) {
                FileItemStream part = each.next();
                if (!part.isFormField()) {
                    return file(part);
                }
            }
            return Taken.refused(Speech.say("hand-in.choose"));
        } catch (FileUploadException noForm) {
            if (noForm.getCause() instanceof IOException broken && !(broken instanceof MultipartStream.MalformedStreamException)) {
                throw broken;
            }
            return Taken.refused(Speech.say("hand-in.form"));
        }
    }

    private Taken file(FileItemStream part) throws IOException {
        String name = fileName(part);
        if (name.isEmpty()) {
            return Taken.refused(Speech.say("hand-in.choose"));
        }
        try (InputStream content = part.openStream()) {
            return kept(store.store(content, mostBytes, 1), name);
        }
    }

    private static String fileName(FileItemStream part) {
        try {
            return Optional.ofNullable(part.getName()).orElse("");
        } catch (InvalidFileNameException asItIs) {
            return asItIs.getName();
        }
    }

    /** The request as the reader of forms sees it. */
    private record Form(HttpServletRequest request) implements RequestContext {
        @Override
        public String getCharacterEncoding() {
            return StandardCharsets.UTF_8.name();
        }

        @Override
        public String getContentType() {
            return request.getContentType();
        }

        @Override
        @Deprecated
        public int getContentLength() {
            return (int) Math.min(Integer.MAX_VALUE, request.getContentLengthLong());
        }

        @Override
        public InputStream getInputStream() throws IOException {
            return request.getInputStream();
        }
    }

    private static Taken kept(Stored stored, String fileName) {
        String cut = fileName.replace('\\', '/');
        return new Taken(Optional.of(stored), cut.substring(cut.lastIndexOf('/') + 1), "");
    }

    private Taken tooLarge() {
        return Taken.refused(Speech.say("hand-in.too-large", Speech.words().size(mostBytes)));
    }
}
