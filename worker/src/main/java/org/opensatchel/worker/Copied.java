package org.opensatchel.worker;

import java.util.List;

/**
 * What became of a project that was copied.
 *
 * @param readable whether it could be opened
 * @param left what of it did not come along, by its path
 * @param full whether there was no room for it
 */
public record Copied(boolean readable, List<String> left, boolean full) {}
