package org.opensatchel.formats.described;

import java.util.Optional;

/**
 * The simplest description of where links stand in files of no known format, as a kit has it.
 *
 * @param files which files it reads
 * @param pattern a regular expression with a group {@code link}, matched in linear time
 * @param element {@code //name/@attribute} or an element's text
 * @param pointer a JSON pointer with {@code *}
 * @param fromRoot whether relative links start from the root instead of the document's folder
 * @param uri whether they are percent-encoded
 */
public record CustomLinkRule(String files, Optional<String> pattern, Optional<String> element, Optional<String> pointer, boolean fromRoot,
        boolean uri) {}
