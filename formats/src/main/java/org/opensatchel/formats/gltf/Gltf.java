package org.opensatchel.formats.gltf;

import java.util.Set;
import org.opensatchel.formats.format.ContentWording;
import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.kind.FileKind;

/** glTF scenes (ISO/IEC 12113), as text and as one binary file. */
public final class Gltf {

    public static final Format TEXT = Format.of("gltf")
            .endings(FileKind.MODEL, "gltf")
            .text()
            .links(new GltfLinks())
            .facts(new GltfFacts());
    public static final Format BINARY = Format.of("glb")
            .endings(FileKind.MODEL, "glb")
            .begins(ContentWording.GLTF, Set.of("model/gltf-binary", "model/gltf.binary"), "glTF")
            .links(new GlbLinks())
            .facts(new GlbFacts());

    private Gltf() {
    }
}
