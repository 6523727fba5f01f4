package org.opensatchel.core.finding;

import static org.opensatchel.base.fact.FactName.ALLOWED;
import static org.opensatchel.base.fact.FactName.ASKED;
import static org.opensatchel.base.fact.FactName.ASKED_COUNT;
import static org.opensatchel.base.fact.FactName.ASKED_HEIGHT;
import static org.opensatchel.base.fact.FactName.ASKED_LENGTH;
import static org.opensatchel.base.fact.FactName.ASKED_SHAPE;
import static org.opensatchel.base.fact.FactName.ASKED_WIDTH;
import static org.opensatchel.base.fact.FactName.BYTES;
import static org.opensatchel.base.fact.FactName.CANDIDATE;
import static org.opensatchel.base.fact.FactName.CHANGE;
import static org.opensatchel.base.fact.FactName.CODEC;
import static org.opensatchel.base.fact.FactName.CODES;
import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.DIFFERENCE;
import static org.opensatchel.base.fact.FactName.EXAMPLE;
import static org.opensatchel.base.fact.FactName.EXPECTED;
import static org.opensatchel.base.fact.FactName.FAULT;
import static org.opensatchel.base.fact.FactName.FORMAT;
import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.HEIGHT;
import static org.opensatchel.base.fact.FactName.HIGH;
import static org.opensatchel.base.fact.FactName.HOW;
import static org.opensatchel.base.fact.FactName.LEAST;
import static org.opensatchel.base.fact.FactName.LENGTH;
import static org.opensatchel.base.fact.FactName.LOCATION;
import static org.opensatchel.base.fact.FactName.LOW;
import static org.opensatchel.base.fact.FactName.MACHINES;
import static org.opensatchel.base.fact.FactName.MOST;
import static org.opensatchel.base.fact.FactName.MOST_BYTES;
import static org.opensatchel.base.fact.FactName.NEWER;
import static org.opensatchel.base.fact.FactName.NUMBER;
import static org.opensatchel.base.fact.FactName.OLD_ROOT;
import static org.opensatchel.base.fact.FactName.OTHER;
import static org.opensatchel.base.fact.FactName.OTHERS;
import static org.opensatchel.base.fact.FactName.OVERLOOKED;
import static org.opensatchel.base.fact.FactName.PARTS;
import static org.opensatchel.base.fact.FactName.PATTERN;
import static org.opensatchel.base.fact.FactName.PEOPLE;
import static org.opensatchel.base.fact.FactName.PERSON;
import static org.opensatchel.base.fact.FactName.PLACE;
import static org.opensatchel.base.fact.FactName.PROJECT;
import static org.opensatchel.base.fact.FactName.PURPOSE;
import static org.opensatchel.base.fact.FactName.RANGES;
import static org.opensatchel.base.fact.FactName.REASON;
import static org.opensatchel.base.fact.FactName.REST;
import static org.opensatchel.base.fact.FactName.ROLE;
import static org.opensatchel.base.fact.FactName.ROOT;
import static org.opensatchel.base.fact.FactName.SHAPE;
import static org.opensatchel.base.fact.FactName.STORAGE;
import static org.opensatchel.base.fact.FactName.TARGET;
import static org.opensatchel.base.fact.FactName.TEXT;
import static org.opensatchel.base.fact.FactName.THERE;
import static org.opensatchel.base.fact.FactName.TYPE;
import static org.opensatchel.base.fact.FactName.TYPES;
import static org.opensatchel.base.fact.FactName.UNIT;
import static org.opensatchel.base.fact.FactName.VALUE;
import static org.opensatchel.base.fact.FactName.VERSION;
import static org.opensatchel.base.fact.FactName.WANTED;
import static org.opensatchel.base.fact.FactName.WHAT;
import static org.opensatchel.base.fact.FactName.WIDTH;

import java.util.Arrays;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Facts;

/**
 * Every code a finding can have, with its default severity and its facts. Codes are a contract: kits name them, and reports are
 * compared by them. Which
 * of them some rule gives, the rules say; what is said about each stands in the bundles of words, filled with the facts that it declares
 * here.
 */
public enum Code {
    PACKAGE_UNSAFE_ENTRY(Family.PACKAGE, "unsafe-entry", Severity.MUST, FAULT),
    PACKAGE_SHORTCUT(Family.PACKAGE, "shortcut", Severity.MUST),
    PACKAGE_PLACEHOLDER(Family.PACKAGE, "placeholder", Severity.MUST, HOW, BYTES, FOUND),
    PACKAGE_UNREADABLE(Family.PACKAGE, "unreadable", Severity.MUST, FAULT),
    PACKAGE_BOMB(Family.PACKAGE, "bomb", Severity.MUST, FAULT),
    PACKAGE_NESTED_ROOT(Family.PACKAGE, "nested-root", Severity.SHOULD, HOW, FOUND, PLACE),
    PACKAGE_SEVERAL_ROOTS(Family.PACKAGE, "several-roots", Severity.SHOULD, FOUND, OTHERS),
    PACKAGE_NO_ROOT(Family.PACKAGE, "no-root", Severity.SHOULD, OTHERS),
    PACKAGE_NAMES_UNSURE(Family.PACKAGE, "names-unsure", Severity.SHOULD, COUNT, OTHERS),
    PACKAGE_JUNK(Family.PACKAGE, "junk", Severity.NOTE, FAULT),
    PACKAGE_RULE_FAILED(Family.PACKAGE, "rule-failed", Severity.NOTE, HOW, FORMAT, CODES),
    STRUCTURE_FOLDER_MISSING(Family.STRUCTURE, "folder-missing", Severity.MUST, PURPOSE),
    STRUCTURE_FOLDER_RENAMED(Family.STRUCTURE, "folder-renamed", Severity.MUST, EXPECTED, HOW),
    STRUCTURE_FOLDER_MOVED(Family.STRUCTURE, "folder-moved", Severity.MUST, EXPECTED, HOW),
    STRUCTURE_FOLDER_FORBIDDEN(Family.STRUCTURE, "folder-forbidden", Severity.MUST, PURPOSE),
    STRUCTURE_TOO_FEW(Family.STRUCTURE, "too-few", Severity.MUST, FOUND, COUNT, LEAST, TYPES),
    STRUCTURE_DOCUMENT_MISSING(Family.STRUCTURE, "document-missing", Severity.MUST, ROLE, EXPECTED, PLACE, OTHERS),
    STRUCTURE_DOCUMENT_MISPLACED(Family.STRUCTURE, "document-misplaced", Severity.MUST, ROLE, EXPECTED, PLACE),
    STRUCTURE_FILE_FORBIDDEN(Family.STRUCTURE, "file-forbidden", Severity.MUST, ROLE, PURPOSE),
    STRUCTURE_SEALED_TOUCHED(Family.STRUCTURE, "sealed-touched", Severity.MUST, HOW, FOUND),
    STRUCTURE_OTHER_KIT(Family.STRUCTURE, "other-kit", Severity.MUST, HOW, FOUND, EXPECTED),
    STRUCTURE_TOO_MANY(Family.STRUCTURE, "too-many", Severity.SHOULD, FOUND, COUNT, MOST, TYPES),
    STRUCTURE_NUMBER_GAP(Family.STRUCTURE, "number-gap", Severity.SHOULD, PATTERN, RANGES),
    STRUCTURE_FILE_MISPLACED(Family.STRUCTURE, "file-misplaced", Severity.SHOULD, PLACE, OTHERS),
    STRUCTURE_MANAGED_GONE(Family.STRUCTURE, "managed-gone", Severity.SHOULD, PURPOSE),
    STRUCTURE_COMPANION_MISSING(Family.STRUCTURE, "companion-missing", Severity.SHOULD, FOUND, PURPOSE),
    STRUCTURE_REPEATS_TOO_FEW(Family.STRUCTURE, "repeats-too-few", Severity.SHOULD, COUNT, LEAST, PURPOSE),
    STRUCTURE_TOO_DEEP(Family.STRUCTURE, "too-deep", Severity.SHOULD, COUNT, LEAST, MOST, MACHINES),
    STRUCTURE_KIT_OUTDATED(Family.STRUCTURE, "kit-outdated", Severity.NOTE, HOW, VERSION, NEWER, CHANGE),
    STRUCTURE_FOLDER_OTHER(Family.STRUCTURE, "folder-other", Severity.NOTE, COUNT),
    NAME_ROOT(Family.NAME, "root", Severity.MUST, FOUND, HOW, REST, WHAT, EXPECTED),
    NAME_DOCUMENT(Family.NAME, "document", Severity.MUST, ROLE, HOW, REST, WHAT, EXPECTED, OTHER),
    NAME_FILE(Family.NAME, "file", Severity.MUST, ROLE, HOW, REST, WHAT, EXPECTED, OTHER),
    NAME_CHARACTER(Family.NAME, "character", Severity.MUST, FOUND, FAULT),
    NAME_CASE_CLASH(Family.NAME, "case-clash", Severity.MUST, OTHERS),
    NAME_SOMEONE_ELSE(Family.NAME, "someone-else", Severity.MUST, FOUND, PERSON, HOW),
    NAME_SPACE(Family.NAME, "space", Severity.SHOULD, FOUND),
    NAME_TOO_LONG(Family.NAME, "too-long", Severity.SHOULD, FOUND, COUNT, MOST, UNIT, MACHINES),
    NAME_PLACEHOLDER_NAME(Family.NAME, "placeholder-name", Severity.SHOULD, FOUND, OTHER),
    NAME_VERSION_MISSING(Family.NAME, "version-missing", Severity.SHOULD, ROLE, EXPECTED),
    NAME_VERSION_GAP(Family.NAME, "version-gap", Severity.NOTE, ROLE, RANGES),
    NAME_NOT_COMPOSED(Family.NAME, "not-composed", Severity.NOTE, FOUND, MACHINES),
    LINK_PINNED(Family.LINK, "pinned", Severity.MUST, TARGET, TEXT, OLD_ROOT, HOW, MACHINES),
    LINK_MOVED(Family.LINK, "moved", Severity.MUST, WANTED, TARGET, OTHERS, THERE),
    LINK_OUTSIDE(Family.LINK, "outside", Severity.MUST, WANTED, TEXT, HOW, PERSON, CANDIDATE, THERE),
    LINK_MISSING(Family.LINK, "missing", Severity.MUST, WANTED, CANDIDATE, REASON, HOW, DIFFERENCE, THERE),
    LINK_OTHER_PROJECT(Family.LINK, "other-project", Severity.MUST, WANTED, TEXT, PROJECT, CANDIDATE, THERE),
    LINK_NETWORK_SHARE(Family.LINK, "network-share", Severity.MUST, WANTED, TEXT, CANDIDATE, THERE),
    LINK_TEMPORARY(Family.LINK, "temporary", Severity.MUST, WANTED, TEXT, CANDIDATE, THERE),
    LINK_SEQUENCE_GAP(Family.LINK, "sequence-gap", Severity.MUST, TEXT, RANGES),
    LINK_TOO_FEW(Family.LINK, "too-few", Severity.MUST, ROLE, COUNT, LEAST, PLACE, OTHER, FOUND),
    LINK_MISSPELT(Family.LINK, "misspelt", Severity.SHOULD, TARGET, TEXT, OVERLOOKED, MACHINES, DIFFERENCE),
    LINK_WEB_ROOT(Family.LINK, "web-root", Severity.SHOULD, TEXT, MACHINES),
    LINK_CYCLE(Family.LINK, "cycle", Severity.SHOULD, OTHERS),
    LINK_DOCUMENT_UNREADABLE(Family.LINK, "document-unreadable", Severity.SHOULD, FORMAT, FAULT),
    LINK_DOCUMENT_BINARY(Family.LINK, "document-binary", Severity.SHOULD, FORMAT, FAULT),
    LINK_PROFILE_DIFFERS(Family.LINK, "profile-differs", Severity.SHOULD, FORMAT),
    LINK_OLDER(Family.LINK, "older", Severity.NOTE, COUNT, OTHERS),
    LINK_REMOTE(Family.LINK, "remote", Severity.NOTE, TEXT, HOW, COUNT, OTHERS),
    LINK_UNKNOWN(Family.LINK, "unknown", Severity.NOTE, TEXT, HOW),
    ASSET_REQUIRED_MISSING(Family.ASSET, "required-missing", Severity.MUST, HOW, ROLE, EXPECTED, PLACE, FOUND, OTHERS),
    ASSET_STARTER_MISSING(Family.ASSET, "starter-missing", Severity.MUST),
    ASSET_STARTER_CHANGED(Family.ASSET, "starter-changed", Severity.MUST),
    ASSET_STARTER_RENAMED(Family.ASSET, "starter-renamed", Severity.MUST, EXPECTED),
    ASSET_STARTER_MOVED(Family.ASSET, "starter-moved", Severity.MUST, EXPECTED),
    ASSET_EMPTY(Family.ASSET, "empty", Severity.MUST),
    ASSET_TRUNCATED(Family.ASSET, "truncated", Severity.MUST, WHAT),
    ASSET_TOO_LARGE(Family.ASSET, "too-large", Severity.MUST, BYTES, MOST_BYTES, TYPES, PLACE, MACHINES),
    ASSET_TOTAL_TOO_LARGE(Family.ASSET, "total-too-large", Severity.MUST, BYTES, MOST_BYTES, TYPES, PLACE),
    ASSET_TYPE_LIES(Family.ASSET, "type-lies", Severity.SHOULD, WHAT),
    ASSET_TYPE_NOT_ACCEPTED(Family.ASSET, "type-not-accepted", Severity.SHOULD, TYPES, TYPE, ROLE),
    ASSET_PROXY_ALONE(Family.ASSET, "proxy-alone", Severity.SHOULD, HOW, EXPECTED, OTHER),
    ASSET_DUPLICATE(Family.ASSET, "duplicate", Severity.NOTE, OTHERS),
    ASSET_UNUSED(Family.ASSET, "unused", Severity.NOTE),
    ASSET_REBUILDABLE(Family.ASSET, "rebuildable", Severity.NOTE, HOW, COUNT, BYTES),
    MEDIA_SIZE(Family.MEDIA, "size", Severity.SHOULD, HOW, WIDTH, HEIGHT, ASKED_WIDTH, ASKED_HEIGHT, COUNT, ASKED_COUNT),
    MEDIA_ASPECT(Family.MEDIA, "aspect", Severity.SHOULD, SHAPE, ASKED_SHAPE, WIDTH, HEIGHT),
    MEDIA_FRAME_RATE(Family.MEDIA, "frame-rate", Severity.SHOULD, VALUE, ASKED),
    MEDIA_VARIABLE_RATE(Family.MEDIA, "variable-rate", Severity.SHOULD, VALUE),
    MEDIA_TOO_LONG(Family.MEDIA, "too-long", Severity.SHOULD, LENGTH, ASKED_LENGTH),
    MEDIA_TOO_SHORT(Family.MEDIA, "too-short", Severity.SHOULD, LENGTH, ASKED_LENGTH),
    MEDIA_CODEC(Family.MEDIA, "codec", Severity.SHOULD, CODEC, TYPES, HOW),
    MEDIA_SILENT(Family.MEDIA, "silent", Severity.SHOULD, HOW),
    MEDIA_SOUND(Family.MEDIA, "sound", Severity.SHOULD),
    MEDIA_PEAK_HIGH(Family.MEDIA, "peak-high", Severity.SHOULD, VALUE, LOW, HIGH),
    MEDIA_PEAK_LOW(Family.MEDIA, "peak-low", Severity.SHOULD, VALUE, LOW, HIGH),
    MEDIA_CLIPPING(Family.MEDIA, "clipping", Severity.SHOULD, COUNT),
    MEDIA_LOUDNESS(Family.MEDIA, "loudness", Severity.SHOULD, VALUE, LOW, HIGH, HOW),
    MEDIA_SAMPLE_RATE(Family.MEDIA, "sample-rate", Severity.SHOULD, COUNT, ASKED_COUNT),
    MEDIA_CHANNELS(Family.MEDIA, "channels", Severity.SHOULD, COUNT, ASKED_COUNT),
    MEDIA_BIT_DEPTH(Family.MEDIA, "bit-depth", Severity.SHOULD, COUNT, ASKED_COUNT, HOW),
    MEDIA_ALPHA(Family.MEDIA, "alpha", Severity.SHOULD, HOW),
    MEDIA_NOT_JUDGED(Family.MEDIA, "not-judged", Severity.NOTE, PARTS, HOW, CODEC),
    MEDIA_MIXED_RATES(Family.MEDIA, "mixed-rates", Severity.NOTE, HOW, TYPES, VALUE, COUNT, OTHERS),
    MEDIA_BELOW_TIMELINE(Family.MEDIA, "below-timeline", Severity.NOTE, COUNT, OTHERS, ASKED_WIDTH, ASKED_HEIGHT),
    TIMELINE_EMPTY(Family.TIMELINE, "empty", Severity.MUST),
    TIMELINE_TRACKS_TOO_FEW(Family.TIMELINE, "tracks-too-few", Severity.SHOULD, HOW, COUNT, LEAST),
    TIMELINE_TRACKS_TOO_MANY(Family.TIMELINE, "tracks-too-many", Severity.SHOULD, HOW, COUNT, MOST),
    TIMELINE_TRACK_NAME(Family.TIMELINE, "track-name", Severity.SHOULD, FOUND, HOW, TYPES),
    TIMELINE_TRACK_UNNAMED(Family.TIMELINE, "track-unnamed", Severity.SHOULD, HOW, NUMBER),
    TIMELINE_RATE_DIFFERS(Family.TIMELINE, "rate-differs", Severity.SHOULD, VALUE, ASKED),
    TIMELINE_NAME(Family.TIMELINE, "name", Severity.SHOULD, FOUND, EXPECTED),
    TIMELINE_TOO_LONG(Family.TIMELINE, "too-long", Severity.SHOULD, LENGTH, ASKED_LENGTH),
    TIMELINE_TOO_SHORT(Family.TIMELINE, "too-short", Severity.SHOULD, LENGTH, ASKED_LENGTH),
    TIMELINE_OFFLINE(Family.TIMELINE, "offline", Severity.SHOULD, FOUND),
    TIMELINE_GAP(Family.TIMELINE, "gap", Severity.SHOULD, COUNT, MOST, FOUND),
    TIMELINE_FLASH_FRAME(Family.TIMELINE, "flash-frame", Severity.SHOULD, FOUND, COUNT, LEAST),
    TIMELINE_PROXY_USED(Family.TIMELINE, "proxy-used", Severity.SHOULD, COUNT, OTHERS),
    TIMELINE_STARTS_LATE(Family.TIMELINE, "starts-late", Severity.NOTE, FOUND, EXPECTED),
    TIMELINE_NOT_JUDGED(Family.TIMELINE, "not-judged", Severity.NOTE, HOW),
    HABIT_VERSIONS_TOO_FEW(Family.HABIT, "versions-too-few", Severity.SHOULD, ROLE, COUNT, LEAST),
    HABIT_STEP_OPEN(Family.HABIT, "step-open", Severity.NOTE, FOUND),
    HABIT_EXPORT_STALE(Family.HABIT, "export-stale", Severity.SHOULD, FOUND, LENGTH),
    HABIT_AUTOSAVE_MISSING(Family.HABIT, "autosave-missing", Severity.NOTE, PURPOSE),
    HABIT_LATE(Family.HABIT, "late", Severity.NOTE, LENGTH),
    LOCATION_AVOIDED_PLACE(Family.LOCATION, "avoided-place", Severity.MUST, HOW, FOUND, EXAMPLE),
    LOCATION_STORAGE_KIND(Family.LOCATION, "storage-kind", Severity.MUST, STORAGE, ALLOWED, EXAMPLE),
    LOCATION_SUBFOLDER(Family.LOCATION, "subfolder", Severity.MUST, HOW, FOUND, EXPECTED, EXAMPLE),
    LOCATION_PARENT(Family.LOCATION, "parent", Severity.MUST, FOUND, EXPECTED, EXAMPLE),
    LOCATION_ROOT_NAME(Family.LOCATION, "root-name", Severity.MUST, HOW, FOUND, EXPECTED, EXAMPLE),
    LOCATION_TOO_LONG(Family.LOCATION, "too-long", Severity.SHOULD, HOW, COUNT, MOST, EXAMPLE),
    LOCATION_CONTRADICTS(Family.LOCATION, "contradicts", Severity.SHOULD, HOW, FOUND, EXAMPLE),
    LOCATION_TEAM_DIFFERS(Family.LOCATION, "team-differs", Severity.SHOULD, FOUND, OTHERS, PEOPLE),
    LOCATION_UNDECLARED(Family.LOCATION, "undeclared", Severity.NOTE),
    LOCATION_DIFFERS(Family.LOCATION, "differs", Severity.NOTE, LOCATION, ROOT);

    private static final Map<String, Code> BY_ID = Arrays.stream(values()).collect(Collectors.toUnmodifiableMap(Code::id, code -> code));

    private final Family family;
    private final String id;
    private final Severity severity;
    private final Set<FactName> facts;

    /** @param facts what its findings may tell, apart from their path and place */
    Code(Family family, String word, Severity severity, FactName... facts) {
        this.family = family;
        this.id = family.word() + "." + word;
        this.severity = severity;
        this.facts = Facts.declared(facts);
    }

    public Family family() {
        return family;
    }

    public Severity severity() {
        return severity;
    }

    public Set<FactName> facts() {
        return facts;
    }

    /** {@code family.name}, as kits and reports write it. */
    public String id() {
        return id;
    }

    public static Optional<Code> of(String id) {
        return Optional.ofNullable(BY_ID.get(id));
    }
}
