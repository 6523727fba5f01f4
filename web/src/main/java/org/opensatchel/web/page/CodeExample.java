package org.opensatchel.web.page;

import java.util.EnumMap;
import java.util.Map;
import org.opensatchel.core.finding.Code;

/**
 * A finding as one thread: what stands on the left, what on the right, and how the thread between them runs.
 *
 * @param kind a line style of the thread map: {@code ok}, {@code pinned}, {@code broken}, {@code name}, {@code far}
 */
public record CodeExample(String left, String right, String kind) {

    private static final Map<Code, CodeExample> ALL = new EnumMap<>(Code.class);

    static {
        put(Code.PACKAGE_UNSAFE_ENTRY, "hand-in.zip", "../../elsewhere/a.mov", "broken");
        put(Code.PACKAGE_SHORTCUT, "footage/lamps.mov.lnk", "C:\\Takes\\lamps.mov", "pinned");
        put(Code.PACKAGE_PLACEHOLDER, "footage/lamps.mov", "only online", "far");
        put(Code.PACKAGE_UNREADABLE, "hand-in.zip", "footage/lamps.mov, damaged", "broken");
        put(Code.PACKAGE_BOMB, "hand-in.zip", "900 GB of zeros", "broken");
        put(Code.PACKAGE_NESTED_ROOT, "MOV120_A2_Marsh", "MOV120_A2_Marsh/MOV120_A2_Marsh", "name");
        put(Code.PACKAGE_SEVERAL_ROOTS, "hand-in.zip", "two project folders", "name");
        put(Code.PACKAGE_NO_ROOT, "hand-in.zip", "loose files", "name");
        put(Code.PACKAGE_JUNK, "hand-in.zip", ".DS_Store", "far");
        put(Code.PACKAGE_RULE_FAILED, "a rule of ours", "edit/cut.otio", "broken");
        put(Code.STRUCTURE_FOLDER_MISSING, "delivery", "nothing there", "broken");
        put(Code.STRUCTURE_FOLDER_RENAMED, "footage", "Fotage", "name");
        put(Code.STRUCTURE_FOLDER_MOVED, "sound", "story/sound", "name");
        put(Code.STRUCTURE_FOLDER_FORBIDDEN, "scrap", "is there", "broken");
        put(Code.STRUCTURE_FOLDER_OTHER, "extra", "no plan names it", "far");
        put(Code.STRUCTURE_TOO_FEW, "story, 2 or more", "1 file", "broken");
        put(Code.STRUCTURE_REPEATS_TOO_FEW, "shots/{word}, 3 or more", "2 folders", "broken");
        put(Code.STRUCTURE_DOCUMENT_MISSING, "edit", "no timeline", "broken");
        put(Code.STRUCTURE_DOCUMENT_MISPLACED, "edit/Marsh_v02.otio", "Marsh_v02.otio", "name");
        put(Code.STRUCTURE_FILE_MISPLACED, "footage", "sound/lamps.mov", "name");
        put(Code.STRUCTURE_KIT_OUTDATED, "kit v3", "v2 in hand", "far");
        put(Code.NAME_ROOT, "MOV120_A2_Marsh_Ottoline", "MOV120_A2_Marsh_Otoline", "name");
        put(Code.NAME_DOCUMENT, "Marsh_A2_v02.otio", "Marsh_v02.otio", "name");
        put(Code.NAME_FILE, "Marsh_A2_final.mp4", "final_FINAL2.mp4", "name");
        put(Code.NAME_CHARACTER, "story/what?.pdf", "no name to Windows", "broken");
        put(Code.NAME_CASE_CLASH, "Board.pdf", "board.pdf", "name");
        put(Code.NAME_SOMEONE_ELSE, "Marsh_Ottoline", "Marsh_Odile", "name");
        put(Code.NAME_SPACE, "tea_pot.wav", "tea pot.wav", "name");
        put(Code.NAME_TOO_LONG, "60 characters", "74 characters", "name");
        put(Code.NAME_PLACEHOLDER_NAME, "story", "untitled 3.pdf", "name");
        put(Code.LINK_PINNED, "edit/cut.otio", "F:\\A2\\footage\\lamps.mov", "pinned");
        put(Code.LINK_MOVED, "edit/cut.otio", "lamps.mov, now in stills", "broken");
        put(Code.LINK_OUTSIDE, "edit/cut.otio", "C:\\Users\\mara\\Desktop\\rain.wav", "broken");
        put(Code.LINK_MISSING, "page.html", "pictures/gone.png", "broken");
        put(Code.LINK_OTHER_PROJECT, "edit/cut.otio", "../MOV120_A1_Marsh/bus.mov", "broken");
        put(Code.LINK_NETWORK_SHARE, "edit/cut.otio", "\\\\pool\\takes\\rain.wav", "broken");
        put(Code.LINK_TEMPORARY, "edit/cut.otio", "/tmp/rain.wav", "broken");
        put(Code.LINK_SEQUENCE_GAP, "shot.####.png", "0017-0019 missing", "broken");
        put(Code.LINK_MISSPELT, "Lamp.png", "lamp.png", "name");
        put(Code.LINK_WEB_ROOT, "page.html", "/pictures/lamp.png", "name");
        put(Code.LINK_CYCLE, "a.usda", "b.usda, which includes a.usda", "name");
        put(Code.LINK_DOCUMENT_UNREADABLE, "edit/cut.otio", "breaks off at 12:5", "broken");
        put(Code.LINK_DOCUMENT_BINARY, "scene.usda", "no text in it", "name");
        put(Code.LINK_REMOTE, "page.html", "https://example.org/a.png", "far");
        put(Code.LINK_UNKNOWN, "scene.usda", "$MAPS/steel.png", "far");
        put(Code.ASSET_REQUIRED_MISSING, "delivery", "no finished film", "broken");
        put(Code.ASSET_STARTER_MISSING, "sound/market-bell.wav", "nothing there", "broken");
        put(Code.ASSET_STARTER_CHANGED, "sound/market-bell.wav", "other content", "name");
        put(Code.ASSET_STARTER_RENAMED, "market-bell.wav", "bell.wav", "name");
        put(Code.ASSET_STARTER_MOVED, "sound/market-bell.wav", "market-bell.wav", "name");
        put(Code.ASSET_EMPTY, "footage/lamps.mov", "0 bytes", "broken");
        put(Code.ASSET_TOO_LARGE, "2 GB a file", "3.4 GB", "broken");
        put(Code.ASSET_TOTAL_TOO_LARGE, "4 GB in all", "5.1 GB", "broken");
        put(Code.ASSET_TYPE_LIES, "lamp.png", "a JPEG picture", "name");
        put(Code.ASSET_TYPE_NOT_ACCEPTED, "sound", "notes.docx", "name");
        put(Code.ASSET_DUPLICATE, "lamp.png", "lamp copy.png", "far");
        put(Code.ASSET_UNUSED, "stills/lamp.png", "no document", "far");
        put(Code.LOCATION_AVOIDED_PLACE, "C:\\Users\\mara\\Desktop", "the desktop", "broken");
        put(Code.LOCATION_STORAGE_KIND, "a drive you carry", "a network share", "broken");
        put(Code.LOCATION_SUBFOLDER, "E:\\Marsh_A2", "E:\\Marsh_A2\\edit", "name");
        put(Code.LOCATION_PARENT, "E:\\Marsh_A2", "E:\\", "name");
        put(Code.LOCATION_ROOT_NAME, "Marsh_A2", "E:\\My project", "name");
        put(Code.LOCATION_TOO_LONG, "80 characters", "112 characters", "name");
        put(Code.LOCATION_UNDECLARED, "the project", "nowhere said", "far");
        put(Code.LOCATION_DIFFERS, "E:\\Marsh_A2", "links made at F:\\A2", "far");
    }

    private static void put(Code code, String left, String right, String kind) {
        ALL.put(code, new CodeExample(left, right, kind));
    }

    /** The example of a code; empty sides where there is none yet, which a test does not let pass. */
    static CodeExample of(Code code) {
        return ALL.getOrDefault(code, new CodeExample("", "", "ok"));
    }
}
