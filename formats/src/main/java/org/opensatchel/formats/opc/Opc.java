package org.opensatchel.formats.opc;

import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.kind.FileKind;

/** Packages of the Open Packaging Conventions (ECMA-376 part 2): Office Open XML documents and 3MF models. */
public final class Opc {

    public static final Format FORMAT = Format.of("opc")
            .endings(FileKind.OTHER, "docx", "docm", "dotx", "dotm", "xlsx", "xlsm", "xltx", "xltm", "pptx", "pptm", "potx", "potm", "ppsx",
                    "ppsm")
            .endings(FileKind.MODEL, "3mf")
            .links(new OpcLinks());

    private Opc() {
    }
}
