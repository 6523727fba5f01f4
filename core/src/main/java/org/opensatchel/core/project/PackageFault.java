package org.opensatchel.core.project;

import org.opensatchel.core.finding.Code;

/**
 * Something about a package that has to be told.
 *
 * @param path the member concerned, from the source's top
 */
public record PackageFault(Code code, String path, String message) {
}
