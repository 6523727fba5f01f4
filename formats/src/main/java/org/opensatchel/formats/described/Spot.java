package org.opensatchel.formats.described;

import org.opensatchel.base.place.SourcePosition;

/**
 * One value of a document.
 *
 * @param text as the document's own syntax has it: entities and JSON's escapes undone
 * @param level the innermost part of the document that it stands in
 * @param anchor tells the value from all others of the document, in their order, wherever it is said to stand
 */
public record Spot(Where where, String text, SourcePosition place, Level level, long anchor) {}
