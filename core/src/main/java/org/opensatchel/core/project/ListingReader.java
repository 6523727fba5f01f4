package org.opensatchel.core.project;

import java.io.IOException;
import java.nio.file.Path;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.json.JsonDocuments;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;

/** Reads version 1 of the listing document as a stream, into the order of the paths; keys it does not know are passed over. */
final class ListingReader {

    /** Stands for the content of a file that is only listed. */
    private static final Object NO_CONTENT = "";

    private final ReadLimits limits;
    private final List<SourceEntry> files = new ArrayList<>();
    private final List<String> folders = new ArrayList<>();
    private final List<PackageFault> faults = new ArrayList<>();
    private Optional<String> root = Optional.empty();
    private final DepthGuard depth;
    private boolean isListing;

    ListingReader(ReadLimits limits) {
        this.limits = limits;
        this.depth = new DepthGuard(limits, faults);
    }

    /** What is wrong with a listing, as a sentence; goes no further than {@link #read}. */
    private static final class Wrong extends IOException {
        private static final long serialVersionUID = 1L;

        Wrong(String sentence) {
            super(sentence);
        }
    }

    Intake read(Path listing) throws IOException {
        try (JsonParser parser = JsonDocuments.FACTORY.createParser(tools.jackson.core.ObjectReadContext.empty(), listing.toFile())) {
            document(parser);
            if (parser.nextToken() != null) {
                throw new Wrong("Something stands after the end of this listing.");
            }
        } catch (Wrong wrong) {
            return Intake.unreadable(wrong.getMessage());
        } catch (JacksonException broken) {
            return Intake.unreadable("This listing is no JSON document" + (broken.getLocation() == null ? "" : " (line " + broken.getLocation().getLineNr() + ")") + ".");
        }
        if (!isListing) {
            return Intake.unreadable("This is no listing: it does not begin with \"listing\": 1.");
        }
        if (files.size() > limits.files()) {
            return Intake.bomb("This listing names more than " + limits.files() + " files.");
        }
        if (files.isEmpty() && folders.isEmpty() && faults.isEmpty()) {
            return Intake.unreadable("This listing is empty.");
        }
        SourceEntry[] order = files.toArray(SourceEntry[]::new);
        PathOrder.sort(order, SourceEntry::path);
        for (int i = 1; i < order.length; i++) {
            if (order[i].path().equals(order[i - 1].path())) {
                return Intake.unreadable("“" + order[i].path() + "” stands twice in this listing.");
            }
        }
        return new Intake.Opened(new SourceListing(true, root, Arrays.asList(order), folders, faults));
    }

    private void document(JsonParser parser) throws IOException {
        if (parser.nextToken() != JsonToken.START_OBJECT) {
            throw new Wrong("This is no listing: it is not a JSON object.");
        }
        while (parser.nextToken() != JsonToken.END_OBJECT) {
            String key = parser.currentName();
            parser.nextToken();
            switch (key) {
                case "listing" -> isListing = parser.currentToken() == JsonToken.VALUE_NUMBER_INT && parser.getLongValue() == 1;
                case "root" -> root = Optional.of(text(parser, "\"root\" must be a text.")).filter(name -> !name.isBlank());
                case "files" -> files(parser);
                case "folders" -> folders(parser);
                default -> parser.skipChildren();
            }
        }
    }

    private void files(JsonParser parser) throws IOException {
        if (parser.currentToken() != JsonToken.START_ARRAY) {
            throw new Wrong("\"files\" must be a list.");
        }
        int index = 0;
        while (parser.nextToken() != JsonToken.END_ARRAY && files.size() <= limits.files()) {
            if (parser.currentToken() != JsonToken.START_OBJECT) {
                throw new Wrong("Entry " + index + " of \"files\" must be an object.");
            }
            entry(parser, index++);
        }
        while (parser.currentToken() != JsonToken.END_ARRAY) {
            // Over the limit: the rest is passed over, and the listing is refused as a whole.
            parser.skipChildren();
            parser.nextToken();
        }
    }

    private void entry(JsonParser parser, int index) throws IOException {
        String path = null;
        long bytes = -1;
        Optional<Instant> time = Optional.empty();
        Optional<String> sha256 = Optional.empty();
        boolean placeholder = false;
        while (parser.nextToken() != JsonToken.END_OBJECT) {
            String key = parser.currentName();
            JsonToken value = parser.nextToken();
            boolean text = value == JsonToken.VALUE_STRING;
            switch (key) {
                case "path" -> path = text ? parser.getString() : wrong("The path of entry " + index + " of this listing must be a text.");
                case "bytes" -> bytes = isSize(parser, value) ? parser.getLongValue() : Long.parseLong(wrong(named(path, index) + " has a size that is no whole number of bytes."));
                case "time" -> time = time(text ? parser.getString() : wrong(named(path, index) + " has a time that is no text."));
                case "sha256" -> sha256 = Optional.of(text && isHash(parser.getString()) ? lowered(parser.getString())
                        : wrong(named(path, index) + (text ? " has a SHA-256 that is not 64 hexadecimal digits." : " has a hash that is no text.")));
                case "placeholder" -> placeholder = value == JsonToken.VALUE_TRUE;
                default -> parser.skipChildren();
            }
        }
        if (path == null || path.isEmpty()) {
            throw new Wrong("Entry " + index + " of this listing has no path.");
        }
        if (bytes < 0) {
            throw new Wrong("“" + path + "” in this listing has no size in \"bytes\".");
        }
        Optional<String> safe = safe(path);
        if (safe.isPresent() && depth.admits(safe.get(), false)) {
            files.add(new SourceEntry(safe.get(), bytes, time, sha256, placeholder, 0, NO_CONTENT));
        }
    }

    /** The path made safe; empty, and told, when it leads out of the project. */
    private Optional<String> safe(String raw) {
        String prefix = companion(raw);
        EntryPath read = EntryPath.read(raw.substring(prefix.length()));
        if (read instanceof EntryPath.Unsafe unsafe) {
            faults.add(new PackageFault(Code.PACKAGE_UNSAFE_ENTRY, raw, unsafe.reason()));
            return Optional.empty();
        }
        return Optional.of(prefix + ((EntryPath.Safe) read).path());
    }

    /** {@code ../} of a path that leads into a folder beside the root; whether the kit knows that one is told later. */
    private static String companion(String raw) {
        if (!raw.startsWith("..")) {
            return "";
        }
        String path = raw.replace('\\', '/');
        return path.startsWith("../") && path.indexOf('/', 3) > 3 && !path.startsWith("../../") ? "../" : "";
    }

    private void folders(JsonParser parser) throws IOException {
        if (parser.currentToken() != JsonToken.START_ARRAY) {
            throw new Wrong("\"folders\" must be a list.");
        }
        while (parser.nextToken() != JsonToken.END_ARRAY) {
            String raw = text(parser, "Each of \"folders\" must be a text.");
            EntryPath read = EntryPath.read(raw);
            if (read instanceof EntryPath.Safe safe && !safe.path().isEmpty()) {
                if (depth.admits(safe.path(), true)) {
                    folders.add(safe.path());
                }
            } else if (read instanceof EntryPath.Unsafe unsafe) {
                faults.add(new PackageFault(Code.PACKAGE_UNSAFE_ENTRY, raw, unsafe.reason()));
            }
            if (folders.size() > limits.files()) {
                throw new Wrong("This listing names more than " + limits.files() + " folders.");
            }
        }
    }

    private static String text(JsonParser parser, String otherwise) throws Wrong {
        if (parser.currentToken() != JsonToken.VALUE_STRING) {
            throw new Wrong(otherwise);
        }
        return parser.getString();
    }

    /** How a sentence names an entry; made only for one that is wrong. */
    private static String named(String path, int index) {
        return path == null ? "Entry " + index + " of this listing" : "“" + path + "” in this listing";
    }

    private static String wrong(String sentence) throws Wrong {
        throw new Wrong(sentence);
    }

    private static boolean isSize(JsonParser parser, JsonToken value) {
        return value == JsonToken.VALUE_NUMBER_INT && parser.getNumberType() != JsonParser.NumberType.BIG_INTEGER && parser.getLongValue() >= 0;
    }

    private static boolean isHash(String text) {
        if (text.length() != 64) {
            return false;
        }
        for (int i = 0; i < 64; i++) {
            char c = text.charAt(i);
            boolean digit = (c >= '0' && c <= '9') || (c >= 'a' && c <= 'f') || (c >= 'A' && c <= 'F');
            if (!digit) {
                return false;
            }
        }
        return true;
    }

    /** Nearly every hash is written in small letters. */
    private static String lowered(String hash) {
        for (int i = 0; i < hash.length(); i++) {
            if (hash.charAt(i) < 'a' && hash.charAt(i) > '9') {
                return hash.toLowerCase(Locale.ROOT);
            }
        }
        return hash;
    }

    private static Optional<Instant> time(String text) {
        try {
            return Optional.of(OffsetDateTime.parse(text).toInstant());
        } catch (DateTimeException noTime) {
            return Optional.empty();
        }
    }
}
