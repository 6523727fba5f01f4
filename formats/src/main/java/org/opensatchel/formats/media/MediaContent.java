package org.opensatchel.formats.media;

import java.util.Optional;
import java.util.OptionalLong;

/** What a file of media holds that is neither picture nor sound. */
public sealed interface MediaContent {

    /** Words with times; how long they go on is the file's length. */
    record Cues(int count) implements MediaContent {}

    /**
     * Letters.
     *
     * @param family as people choose it, like {@code Dayroom Sans}
     * @param style like {@code Bold Italic}
     */
    record Font(Optional<String> family, Optional<String> style, OptionalLong glyphs) implements MediaContent {}

    /**
     * A model of surfaces.
     *
     * @param vertices as many as are stored, whatever uses them
     * @param faces triangles, or surfaces of any number of corners where a format has such
     * @param textures pictures that lie in the file itself
     * @param width of the largest of them, in pixels; 0 for none that could be read
     */
    record Model(long vertices, long faces, int textures, int width, int height) implements MediaContent {}
}
