package org.opensatchel.web.resumable;

import java.util.List;
import org.opensatchel.web.storage.ContentStore.Stored;
import org.opensatchel.web.storage.PartialContent.Wanted;

/**
 * A list of files with their hashes, as it was read.
 *
 * @param list the stored document
 * @param contents each content once; files that hold nothing have none
 * @param files how many files
 * @param bytes how long they are together
 */
record Listed(Stored list, List<Wanted> contents, int files, long bytes) {}
