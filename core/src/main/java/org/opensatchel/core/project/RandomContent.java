package org.opensatchel.core.project;

import java.io.IOException;

/** A content that can be read at any place without reading what lies before it: a stream of a source may be one as well. */
public interface RandomContent {

    /** How long it is, in bytes. */
    long length() throws IOException;

    /** As many bytes from a place as are asked for; fewer where it ends. Where the stream stands is not changed. */
    byte[] read(long at, int count) throws IOException;
}
