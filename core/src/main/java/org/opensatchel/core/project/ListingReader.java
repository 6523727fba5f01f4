package org.opensatchel.core.project;

import static org.opensatchel.base.fact.FactName.EXPECTED;
import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.MOST;
import static org.opensatchel.base.fact.FactName.NUMBER;

import java.io.IOException;
import java.io.InputStream;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.base.text.Shortened;
import org.opensatchel.core.finding.Code;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;

/** Reads version 1 of the listing document as a stream, into the order of the paths; keys it does not know are passed over. */
final class ListingReader {

    /** Stands for the content of a file of which there is nothing but its entry. */
    private enum Listed implements EntryHandle { ALONE }

    private static final int SHOWN = 60;

    private final ReadLimits limits;
    private final List<SourceEntry> files = new ArrayList<>();
    private final List<String> folders = new ArrayList<>();
    private final List<PackageFault> faults = new ArrayList<>();
    private Optional<String> root = Optional.empty();
    private final DepthGuard depth;
    private boolean isListing;
    private boolean seesEmpty = true;

    ListingReader(ReadLimits limits) {
        this.limits = limits;
        this.depth = new DepthGuard(limits, faults);
    }

    /** What is wrong with a listing; goes no further than {@link #read}. */
    private static final class Wrong extends IOException {
        private static final long serialVersionUID = 1L;

        private final transient Phrase what;

        Wrong(Phrase what) {
            super(what.key());
            this.what = what;
        }
    }

    Intake read(InputStream listing) throws IOException {
        try (JsonParser parser = JsonDocuments.FACTORY.createParser(tools.jackson.core.ObjectReadContext.empty(), listing)) {
            document(parser);
            if (parser.nextToken() != null) {
                throw new Wrong(PackageWording.LISTING_GOES_ON.say());
            }
        } catch (Wrong wrong) {
            return Intake.unreadable(wrong.what);
        } catch (JacksonException broken) {
            return Intake.unreadable(PackageWording.LISTING_NO_JSON
                    .say(Facts.NONE.and(NUMBER, Optional.ofNullable(broken.getLocation()).map(at -> at.getLineNr()))));
        }
        if (!isListing) {
            return Intake.unreadable(PackageWording.LISTING_NOT_ONE.say());
        }
        if (files.size() > limits.files()) {
            return Intake.bomb(PackageWording.LISTING_TOO_MANY.say(Facts.of(MOST, limits.files())));
        }
        if (files.isEmpty() && folders.isEmpty() && faults.isEmpty()) {
            return Intake.unreadable(PackageWording.LISTING_EMPTY.say());
        }
        SourceEntry[] order = files.toArray(SourceEntry[]::new);
        PathOrder.sort(order, SourceEntry::path);
        Set<String> around = new HashSet<>(folders);
        for (int i = 0; i < order.length; i++) {
            if (i > 0 && order[i].path().equals(order[i - 1].path())) {
                return Intake.unreadable(PackageWording.LISTING_TWICE.say(Facts.of(FOUND, order[i].path())));
            }
            SourceTops.parents(order[i].path(), around);
        }
        for (SourceEntry file : order) {
            if (around.contains(file.path())) {
                return Intake.unreadable(PackageWording.LISTING_FILE_AND_FOLDER.say(Facts.of(FOUND, file.path())));
            }
        }
        return new Intake.Opened(new SourceListing(true, root, Arrays.asList(order), folders, faults, seesEmpty));
    }

    private void document(JsonParser parser) throws IOException {
        if (parser.nextToken() != JsonToken.START_OBJECT) {
            throw new Wrong(PackageWording.LISTING_NO_OBJECT.say());
        }
        while (parser.nextToken() != JsonToken.END_OBJECT) {
            String key = parser.currentName();
            parser.nextToken();
            switch (key) {
                case "listing" -> isListing = parser.currentToken() == JsonToken.VALUE_NUMBER_INT && parser.getLongValue() == 1;
                case "root" -> root = root(text(parser, PackageWording.LISTING_ROOT_NO_TEXT));
                case "files" -> files(parser);
                case "folders" -> folders(parser);
                case "emptyFolders" -> seesEmpty = flag(parser.currentToken(), key, null, 0);
                default -> parser.skipChildren();
            }
        }
    }

    private void files(JsonParser parser) throws IOException {
        if (parser.currentToken() != JsonToken.START_ARRAY) {
            throw new Wrong(PackageWording.LISTING_FILES_NO_LIST.say());
        }
        int index = 0;
        while (parser.nextToken() != JsonToken.END_ARRAY && files.size() <= limits.files()) {
            if (parser.currentToken() != JsonToken.START_OBJECT) {
                throw new Wrong(PackageWording.LISTING_ENTRY_NO_OBJECT.say(Facts.of(NUMBER, index)));
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
                case "path" -> path = text ? parser.getString() : wrong(PackageWording.LISTING_PATH_NO_TEXT, null, index);
                case "bytes" -> bytes = isSize(parser, value) ? parser.getLongValue()
                        : Long.parseLong(wrong(PackageWording.LISTING_BAD_SIZE, path, index));
                case "time" -> time = time(text ? parser.getString() : wrong(PackageWording.LISTING_TIME_NO_TEXT, path, index));
                case "sha256" -> sha256 = Optional.of(text && isHash(parser.getString()) ? lowered(parser.getString())
                        : wrong(text ? PackageWording.LISTING_BAD_HASH : PackageWording.LISTING_HASH_NO_TEXT, path, index));
                case "placeholder" -> placeholder = flag(value, key, path, index);
                default -> parser.skipChildren();
            }
        }
        if (path == null || path.isEmpty()) {
            throw new Wrong(PackageWording.LISTING_NO_PATH.say(Facts.of(NUMBER, index)));
        }
        if (bytes < 0) {
            throw new Wrong(PackageWording.LISTING_NO_SIZE.say(Facts.of(FOUND, path)));
        }
        notTooLong(path);
        Optional<String> safe = safe(path);
        if (safe.isPresent() && depth.admits(safe.get(), false)) {
            files.add(new SourceEntry(safe.get(), bytes, time, sha256, placeholder, 0, Listed.ALONE));
        }
    }

    /** The root's name: one name, and none that leads anywhere. */
    private static Optional<String> root(String name) throws Wrong {
        if (name.equals(".") || name.equals("..") || name.length() > ProjectPath.LONGEST
                || name.chars().anyMatch(c -> c == '/' || c == '\\' || c == 0)) {
            throw new Wrong(
                    PackageWording.LISTING_BAD_ROOT.say(Facts.of(FOUND, Shortened.end(name, SHOWN))));
        }
        return Optional.of(name).filter(text -> !text.isBlank());
    }

    private static boolean flag(JsonToken value, String key, String path, int index) throws Wrong {
        if (value != JsonToken.VALUE_TRUE && value != JsonToken.VALUE_FALSE) {
            throw new Wrong(PackageWording.LISTING_NO_FLAG
                    .say((path == null ? Facts.of(NUMBER, index) : Facts.of(FOUND, path)).and(EXPECTED, key)));
        }
        return value == JsonToken.VALUE_TRUE;
    }

    /** No computer has a file at such a path; nothing is to be done once for each folder on the way to it. */
    private static void notTooLong(String path) throws Wrong {
        if (path.length() > ProjectPath.LONGEST) {
            throw new Wrong(
                    PackageWording.LISTING_LONG_PATH.say(Facts.of(FOUND, Shortened.end(path, SHOWN)).and(MOST, ProjectPath.LONGEST)));
        }
    }

    /** The path made safe; empty, and told, when it leads out of the project. */
    private Optional<String> safe(String raw) {
        String prefix = companion(raw);
        EntryPath read = EntryPath.read(raw.substring(prefix.length()));
        if (read instanceof EntryPath.Unsafe unsafe) {
            faults.add(PackageFault.of(Code.PACKAGE_UNSAFE_ENTRY, raw, unsafe.what()));
            return Optional.empty();
        }
        return Optional.of(prefix + ((EntryPath.Safe) read).path());
    }

    /** {@code ../} of a path that leads into a folder beside the root; whether the kit knows that one is told later. */
    private static String companion(String raw) {
        String path = raw.replace('\\', '/');
        return path.startsWith("../") && path.indexOf('/', 3) > 3 && !path.startsWith("../../") ? "../" : "";
    }

    private void folders(JsonParser parser) throws IOException {
        if (parser.currentToken() != JsonToken.START_ARRAY) {
            throw new Wrong(PackageWording.LISTING_FOLDERS_NO_LIST.say());
        }
        while (parser.nextToken() != JsonToken.END_ARRAY) {
            String raw = text(parser, PackageWording.LISTING_FOLDER_NO_TEXT);
            notTooLong(raw);
            EntryPath read = EntryPath.read(raw);
            if (read instanceof EntryPath.Safe safe && !safe.path().isEmpty()) {
                if (depth.admits(safe.path(), true)) {
                    folders.add(safe.path());
                }
            } else if (read instanceof EntryPath.Unsafe unsafe) {
                faults.add(PackageFault.of(Code.PACKAGE_UNSAFE_ENTRY, raw, unsafe.what()));
            }
            if (folders.size() > limits.files()) {
                throw new Wrong(PackageWording.LISTING_TOO_MANY_FOLDERS.say(Facts.of(MOST, limits.files())));
            }
        }
    }

    private static String text(JsonParser parser, PackageWording otherwise) throws Wrong {
        if (parser.currentToken() != JsonToken.VALUE_STRING) {
            throw new Wrong(otherwise.say());
        }
        return parser.getString();
    }

    /** An entry is named by its path, or counted where it has none yet. */
    private static String wrong(PackageWording what, String path, int index) throws Wrong {
        throw new Wrong(what.say(path == null ? Facts.of(NUMBER, index) : Facts.of(FOUND, path)));
    }

    private static boolean isSize(JsonParser parser, JsonToken value) {
        return value == JsonToken.VALUE_NUMBER_INT && parser.getNumberType() != JsonParser.NumberType.BIG_INTEGER
                && parser.getLongValue() >= 0;
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
