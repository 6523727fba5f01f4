package org.opensatchel.worker;

import java.util.List;
import java.util.Map;

/**
 * A description tried on a project.
 *
 * @param documents the documents it read, with how many links have which outcome
 * @param differing documents that are built otherwise
 * @param unread documents whose names it takes and that it did not know
 * @param digest what a page shows of the check, compressed
 */
public record Trial(Map<String, Map<String, Integer>> documents, List<String> differing, List<String> unread, byte[] digest) {}
