package org.opensatchel.formats.kind;

/** What is known of files by how their names end: for readers that have to tell names of files from other words. */
public interface Endings {

    /**
     * What kind of thing a file is that is called so.
     *
     * @param ending in small letters without its dot
     */
    FileKind kind(String ending);

    /** Whether documents whose links are read are called so. */
    boolean isDocument(String ending);
}
