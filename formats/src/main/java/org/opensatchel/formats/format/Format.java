package org.opensatchel.formats.format;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.opensatchel.formats.kind.FileKind;
import org.opensatchel.formats.link.LinkReader;
import org.opensatchel.formats.media.MediaReader;
import org.opensatchel.formats.timeline.TimelineReader;

/**
 * A file format: what its files are called, how they begin, and what can be read of them. Its readers lie beside it; one list has all.
 */
public final class Format {

    private final String id;
    private final Map<String, FileKind> endings = new LinkedHashMap<>();
    private final Set<String> certain = new HashSet<>();
    private final List<String> beginnings = new ArrayList<>();
    private ContentWording title = ContentWording.TEXT;
    private Set<String> mediaTypes = Set.of();
    private boolean text;
    private boolean written;
    private boolean compressed;
    private LinkReader links;
    private MediaReader facts;
    private TimelineReader timelines;

    private Format(String id) {
        this.id = id;
    }

    /** @param id its key in code, reports and bundles, which say what people call it; in small letters */
    public static Format of(String id) {
        return new Format(id);
    }

    // How it is described, once, by whoever makes it.

    /** What its files are called: endings in small letters without their dots, which tell what kind of thing such a file is. */
    public Format endings(FileKind kind, String... some) {
        for (String ending : some) {
            endings.put(ending, kind);
            certain.add(ending);
        }
        return this;
    }

    /** What its files may be called too, and files of other formats as well: how these begin is not held against their endings. */
    public Format looseEndings(FileKind kind, String... some) {
        for (String ending : some) {
            endings.put(ending, kind);
        }
        return this;
    }

    /**
     * How its files always begin.
     *
     * @param what what such a file is, in words
     * @param types the media types that are fine under its endings (RFC 6838)
     * @param some bytes as ISO 8859-1, a dot standing for any byte
     */
    public Format begins(ContentWording what, Set<String> types, String... some) {
        title = what;
        mediaTypes = types;
        beginnings.addAll(List.of(some));
        return this;
    }

    /** That its files are text, whatever they say. */
    public Format text() {
        text = true;
        return this;
    }

    /** That its files are code or settings, which people write for machines. */
    public Format written() {
        written = true;
        return this;
    }

    /** That its files are compressed already: to do it again costs time and saves nothing. */
    public Format compressed() {
        compressed = true;
        return this;
    }

    /** Reads which files it names. */
    public Format links(LinkReader reader) {
        links = reader;
        return this;
    }

    /** Reads what it says of itself. */
    public Format facts(MediaReader reader) {
        facts = reader;
        return this;
    }

    /** Reads its timelines. */
    public Format timelines(TimelineReader reader) {
        timelines = reader;
        return this;
    }

    // What it is.

    public String id() {
        return id;
    }

    /** The endings of its files, in small letters without their dots, the usual one first. */
    public List<String> endings() {
        return List.copyOf(endings.keySet());
    }

    /** Its endings with what kind of thing a file is that is called so. */
    public Map<String, FileKind> kinds() {
        return Collections.unmodifiableMap(endings);
    }

    /** Whether its files may be called so. */
    public boolean hasEnding(String ending) {
        return endings.containsKey(ending);
    }

    /** Whether files that are called so always begin as this format does, or are always text. */
    public boolean isCertain(String ending) {
        return (text || !beginnings.isEmpty()) && certain.contains(ending);
    }

    /** Whether its files are text, whatever they say. */
    public boolean isText() {
        return text;
    }

    /** Whether its files are code or settings. */
    public boolean isWritten() {
        return written;
    }

    /** Whether its files are compressed already. */
    public boolean isCompressed() {
        return compressed;
    }

    /** What such a file is, in words. */
    public ContentWording title() {
        return title;
    }

    /** The media types that are fine under its endings. */
    public Set<String> mediaTypes() {
        return mediaTypes;
    }

    /** How its files always begin, as ISO 8859-1, a dot standing for any byte; empty where that tells nothing. */
    public List<String> beginnings() {
        return beginnings;
    }

    /** What kind of thing its usual file is. */
    public FileKind kind() {
        return endings.values().stream().findFirst().orElse(FileKind.OTHER);
    }

    public Optional<LinkReader> links() {
        return Optional.ofNullable(links);
    }

    public Optional<MediaReader> facts() {
        return Optional.ofNullable(facts);
    }

    public Optional<TimelineReader> timelines() {
        return Optional.ofNullable(timelines);
    }

    @Override
    public String toString() {
        return id;
    }
}
