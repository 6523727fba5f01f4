package org.opensatchel.formats.script;

import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.kind.FileKind;

/** Scripts of web pages (ECMAScript 2024). */
public final class Script {

    public static final Format FORMAT = Format.of("script")
            .endings(FileKind.TEXT, "js")
            .endings(FileKind.OTHER, "mjs", "jsx")
            .written()
            .links(new ScriptLinks());

    private Script() {
    }
}
