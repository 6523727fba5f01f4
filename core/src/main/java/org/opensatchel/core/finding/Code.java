package org.opensatchel.core.finding;

import java.util.Optional;

/**
 * Every code a finding can have, with its default severity. Codes are a contract: kits name them, and reports are
 * compared by them. What is said about a code stands beside the check that gives it.
 */
public enum Code {
    PACKAGE_UNSAFE_ENTRY(Family.PACKAGE, "unsafe-entry", Severity.MUST),
    PACKAGE_SHORTCUT(Family.PACKAGE, "shortcut", Severity.MUST),
    PACKAGE_PLACEHOLDER(Family.PACKAGE, "placeholder", Severity.MUST),
    PACKAGE_UNREADABLE(Family.PACKAGE, "unreadable", Severity.MUST),
    PACKAGE_BOMB(Family.PACKAGE, "bomb", Severity.MUST),
    PACKAGE_NESTED_ROOT(Family.PACKAGE, "nested-root", Severity.SHOULD),
    PACKAGE_SEVERAL_ROOTS(Family.PACKAGE, "several-roots", Severity.SHOULD),
    PACKAGE_NO_ROOT(Family.PACKAGE, "no-root", Severity.SHOULD),
    PACKAGE_JUNK(Family.PACKAGE, "junk", Severity.NOTE),
    PACKAGE_RULE_FAILED(Family.PACKAGE, "rule-failed", Severity.NOTE),
    STRUCTURE_FOLDER_MISSING(Family.STRUCTURE, "folder-missing", Severity.MUST),
    STRUCTURE_FOLDER_RENAMED(Family.STRUCTURE, "folder-renamed", Severity.MUST),
    STRUCTURE_FOLDER_MOVED(Family.STRUCTURE, "folder-moved", Severity.MUST),
    STRUCTURE_FOLDER_FORBIDDEN(Family.STRUCTURE, "folder-forbidden", Severity.MUST),
    STRUCTURE_TOO_FEW(Family.STRUCTURE, "too-few", Severity.MUST),
    STRUCTURE_DOCUMENT_MISSING(Family.STRUCTURE, "document-missing", Severity.MUST),
    STRUCTURE_DOCUMENT_MISPLACED(Family.STRUCTURE, "document-misplaced", Severity.MUST),
    STRUCTURE_SEALED_TOUCHED(Family.STRUCTURE, "sealed-touched", Severity.MUST),
    STRUCTURE_FILE_MISPLACED(Family.STRUCTURE, "file-misplaced", Severity.SHOULD),
    STRUCTURE_MANAGED_GONE(Family.STRUCTURE, "managed-gone", Severity.SHOULD),
    STRUCTURE_COMPANION_MISSING(Family.STRUCTURE, "companion-missing", Severity.SHOULD),
    STRUCTURE_REPEATS_TOO_FEW(Family.STRUCTURE, "repeats-too-few", Severity.SHOULD),
    STRUCTURE_TOO_DEEP(Family.STRUCTURE, "too-deep", Severity.SHOULD),
    STRUCTURE_KIT_OUTDATED(Family.STRUCTURE, "kit-outdated", Severity.NOTE),
    STRUCTURE_FOLDER_OTHER(Family.STRUCTURE, "folder-other", Severity.NOTE),
    NAME_ROOT(Family.NAME, "root", Severity.MUST),
    NAME_DOCUMENT(Family.NAME, "document", Severity.MUST),
    NAME_FILE(Family.NAME, "file", Severity.MUST),
    NAME_CHARACTER(Family.NAME, "character", Severity.MUST),
    NAME_CASE_CLASH(Family.NAME, "case-clash", Severity.MUST),
    NAME_SOMEONE_ELSE(Family.NAME, "someone-else", Severity.MUST),
    NAME_SPACE(Family.NAME, "space", Severity.SHOULD),
    NAME_TOO_LONG(Family.NAME, "too-long", Severity.SHOULD),
    NAME_PLACEHOLDER_NAME(Family.NAME, "placeholder-name", Severity.SHOULD),
    NAME_VERSION_MISSING(Family.NAME, "version-missing", Severity.SHOULD),
    NAME_VERSION_GAP(Family.NAME, "version-gap", Severity.NOTE),
    NAME_NOT_COMPOSED(Family.NAME, "not-composed", Severity.NOTE),
    LINK_PINNED(Family.LINK, "pinned", Severity.MUST),
    LINK_MOVED(Family.LINK, "moved", Severity.MUST),
    LINK_OUTSIDE(Family.LINK, "outside", Severity.MUST),
    LINK_MISSING(Family.LINK, "missing", Severity.MUST),
    LINK_OTHER_PROJECT(Family.LINK, "other-project", Severity.MUST),
    LINK_NETWORK_SHARE(Family.LINK, "network-share", Severity.MUST),
    LINK_TEMPORARY(Family.LINK, "temporary", Severity.MUST),
    LINK_SEQUENCE_GAP(Family.LINK, "sequence-gap", Severity.MUST),
    LINK_MISSPELT(Family.LINK, "misspelt", Severity.SHOULD),
    LINK_WEB_ROOT(Family.LINK, "web-root", Severity.SHOULD),
    LINK_CYCLE(Family.LINK, "cycle", Severity.SHOULD),
    LINK_DOCUMENT_UNREADABLE(Family.LINK, "document-unreadable", Severity.SHOULD),
    LINK_DOCUMENT_BINARY(Family.LINK, "document-binary", Severity.SHOULD),
    LINK_REMOTE(Family.LINK, "remote", Severity.NOTE),
    LINK_UNKNOWN(Family.LINK, "unknown", Severity.NOTE),
    ASSET_REQUIRED_MISSING(Family.ASSET, "required-missing", Severity.MUST),
    ASSET_STARTER_MISSING(Family.ASSET, "starter-missing", Severity.MUST),
    ASSET_STARTER_CHANGED(Family.ASSET, "starter-changed", Severity.MUST),
    ASSET_STARTER_RENAMED(Family.ASSET, "starter-renamed", Severity.MUST),
    ASSET_STARTER_MOVED(Family.ASSET, "starter-moved", Severity.MUST),
    ASSET_EMPTY(Family.ASSET, "empty", Severity.MUST),
    ASSET_TRUNCATED(Family.ASSET, "truncated", Severity.MUST),
    ASSET_TOO_LARGE(Family.ASSET, "too-large", Severity.MUST),
    ASSET_TOTAL_TOO_LARGE(Family.ASSET, "total-too-large", Severity.MUST),
    ASSET_TYPE_LIES(Family.ASSET, "type-lies", Severity.SHOULD),
    ASSET_TYPE_NOT_ACCEPTED(Family.ASSET, "type-not-accepted", Severity.SHOULD),
    ASSET_PROXY_ALONE(Family.ASSET, "proxy-alone", Severity.SHOULD),
    ASSET_DUPLICATE(Family.ASSET, "duplicate", Severity.NOTE),
    ASSET_UNUSED(Family.ASSET, "unused", Severity.NOTE),
    ASSET_REBUILDABLE(Family.ASSET, "rebuildable", Severity.NOTE),
    MEDIA_SIZE(Family.MEDIA, "size", Severity.SHOULD),
    MEDIA_ASPECT(Family.MEDIA, "aspect", Severity.SHOULD),
    MEDIA_FRAME_RATE(Family.MEDIA, "frame-rate", Severity.SHOULD),
    MEDIA_TOO_LONG(Family.MEDIA, "too-long", Severity.SHOULD),
    MEDIA_TOO_SHORT(Family.MEDIA, "too-short", Severity.SHOULD),
    MEDIA_CODEC(Family.MEDIA, "codec", Severity.SHOULD),
    MEDIA_SILENT(Family.MEDIA, "silent", Severity.SHOULD),
    MEDIA_PEAK_HIGH(Family.MEDIA, "peak-high", Severity.SHOULD),
    MEDIA_CLIPPING(Family.MEDIA, "clipping", Severity.SHOULD),
    MEDIA_MIXED_RATES(Family.MEDIA, "mixed-rates", Severity.NOTE),
    MEDIA_BELOW_TIMELINE(Family.MEDIA, "below-timeline", Severity.NOTE),
    TIMELINE_EMPTY(Family.TIMELINE, "empty", Severity.MUST),
    TIMELINE_TRACKS_TOO_FEW(Family.TIMELINE, "tracks-too-few", Severity.SHOULD),
    TIMELINE_TRACK_NAME(Family.TIMELINE, "track-name", Severity.SHOULD),
    TIMELINE_RATE_DIFFERS(Family.TIMELINE, "rate-differs", Severity.SHOULD),
    TIMELINE_NAME(Family.TIMELINE, "name", Severity.SHOULD),
    TIMELINE_STARTS_LATE(Family.TIMELINE, "starts-late", Severity.NOTE),
    HABIT_VERSIONS_TOO_FEW(Family.HABIT, "versions-too-few", Severity.SHOULD),
    HABIT_EXPORT_STALE(Family.HABIT, "export-stale", Severity.SHOULD),
    HABIT_AUTOSAVE_MISSING(Family.HABIT, "autosave-missing", Severity.NOTE),
    HABIT_LATE(Family.HABIT, "late", Severity.NOTE),
    LOCATION_AVOIDED_PLACE(Family.LOCATION, "avoided-place", Severity.MUST),
    LOCATION_STORAGE_KIND(Family.LOCATION, "storage-kind", Severity.MUST),
    LOCATION_SUBFOLDER(Family.LOCATION, "subfolder", Severity.MUST),
    LOCATION_PARENT(Family.LOCATION, "parent", Severity.MUST),
    LOCATION_ROOT_NAME(Family.LOCATION, "root-name", Severity.MUST),
    LOCATION_TOO_LONG(Family.LOCATION, "too-long", Severity.SHOULD),
    LOCATION_TEAM_DIFFERS(Family.LOCATION, "team-differs", Severity.SHOULD),
    LOCATION_UNDECLARED(Family.LOCATION, "undeclared", Severity.NOTE),
    LOCATION_DIFFERS(Family.LOCATION, "differs", Severity.NOTE);

    private final Family family;
    private final String word;
    private final Severity severity;

    Code(Family family, String word, Severity severity) {
        this.family = family;
        this.word = word;
        this.severity = severity;
    }

    public Family family() {
        return family;
    }

    public Severity severity() {
        return severity;
    }

    /** {@code family.name}, as kits and reports write it. */
    public String id() {
        return family.word() + "." + word;
    }

    public static Optional<Code> of(String id) {
        for (Code code : values()) {
            if (code.id().equals(id)) {
                return Optional.of(code);
            }
        }
        return Optional.empty();
    }
}
