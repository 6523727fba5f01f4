package org.opensatchel.web.home;

import java.util.EnumSet;
import java.util.Set;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.words.Words;

/**
 * A finding as one thread: what stands on the left, what on the right, and how the thread between them runs.
 *
 * @param kind a line style of the thread map: {@code ok}, {@code pinned}, {@code broken}, {@code name}, {@code far}
 */
public record CodeExample(String left, String right, String kind) {

    private static final Set<Code> PINNED = EnumSet.of(Code.PACKAGE_SHORTCUT, Code.LINK_PINNED);
    /** The thread ends in the air: what it leads to is not there. */
    private static final Set<Code> BROKEN = EnumSet.of(Code.PACKAGE_UNSAFE_ENTRY, Code.PACKAGE_UNREADABLE, Code.PACKAGE_BOMB,
            Code.PACKAGE_RULE_FAILED, Code.STRUCTURE_FOLDER_MISSING, Code.STRUCTURE_FOLDER_FORBIDDEN, Code.STRUCTURE_TOO_FEW,
            Code.STRUCTURE_REPEATS_TOO_FEW, Code.STRUCTURE_MANAGED_GONE, Code.STRUCTURE_COMPANION_MISSING, Code.STRUCTURE_TOO_DEEP,
            Code.NAME_VERSION_GAP, Code.STRUCTURE_DOCUMENT_MISSING, Code.NAME_CHARACTER, Code.LINK_MOVED, Code.LINK_OUTSIDE,
            Code.LINK_MISSING, Code.LINK_OTHER_PROJECT, Code.LINK_NETWORK_SHARE, Code.LINK_TEMPORARY, Code.LINK_SEQUENCE_GAP,
            Code.LINK_DOCUMENT_UNREADABLE, Code.ASSET_REQUIRED_MISSING, Code.ASSET_STARTER_MISSING, Code.ASSET_EMPTY, Code.ASSET_TRUNCATED,
            Code.ASSET_TOO_LARGE, Code.ASSET_PROXY_ALONE,
            Code.ASSET_TOTAL_TOO_LARGE, Code.MEDIA_SILENT, Code.TIMELINE_EMPTY, Code.TIMELINE_OFFLINE, Code.TIMELINE_GAP,
            Code.HABIT_AUTOSAVE_MISSING, Code.LOCATION_AVOIDED_PLACE, Code.LOCATION_STORAGE_KIND);
    /** What it leads to is far, or of no weight. */
    private static final Set<Code> FAR = EnumSet.of(Code.PACKAGE_PLACEHOLDER, Code.PACKAGE_JUNK, Code.STRUCTURE_FOLDER_OTHER,
            Code.STRUCTURE_KIT_OUTDATED, Code.LINK_REMOTE, Code.LINK_UNKNOWN, Code.ASSET_DUPLICATE, Code.ASSET_UNUSED,
            Code.ASSET_REBUILDABLE,
            Code.MEDIA_NOT_JUDGED,
            Code.TIMELINE_NOT_JUDGED,
            Code.LOCATION_UNDECLARED, Code.LOCATION_DIFFERS);

    static CodeExample of(Code code, Words words) {
        String kind = PINNED.contains(code) ? "pinned" : BROKEN.contains(code) ? "broken" : FAR.contains(code) ? "far" : "name";
        return new CodeExample(words.plain(code.id() + ".example.from"), words.plain(code.id() + ".example.to"), kind);
    }
}
