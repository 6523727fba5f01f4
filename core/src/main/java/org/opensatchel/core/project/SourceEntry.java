package org.opensatchel.core.project;

import java.time.Instant;
import java.util.Optional;

/**
 * A file as a source lists it.
 *
 * @param path from the source's top, names separated by {@code /}
 * @param bytes its size as told by the source
 * @param sha256 its content's hash in hexadecimal, where the source tells it
 * @param placeholder whether the source marks it as online-only
 * @param checksum what the source keeps to tell contents apart cheaply, 0 where it keeps nothing
 * @param handle what the source finds the content by
 */
public record SourceEntry(String path, long bytes, Optional<Instant> time, Optional<String> sha256, boolean placeholder, long checksum,
        EntryHandle handle) {}
