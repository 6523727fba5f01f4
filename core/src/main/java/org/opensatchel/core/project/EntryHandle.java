package org.opensatchel.core.project;

/** What a source finds the content of an entry by; each source has a kind of its own. */
public interface EntryHandle {
}
