package org.opensatchel.worker;

import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;

/** What server and worker say to each other over the worker's standard streams: a sign, a length of four bytes, and so many bytes. */
final class Frames {

    /** Server to worker: a {@link WorkOrder}. */
    static final byte ORDER = 'O';
    /** Server to worker: an {@link Errand}. */
    static final byte ERRAND = 'Q';
    /** Worker to server: a page of the index of files, compressed. */
    static final byte FILES = 'F';
    /** What is worth preparing: a list of {@link Errand.Wish}. */
    static final byte WISHES = 'W';
    /** The next part of an errand's answer. */
    static final byte ANSWER = 'A';
    /** Worker to server: how many files and bytes were read so far. */
    static final byte PROGRESS = 'P';
    /** The summary's columns. */
    static final byte SUMMARY = 'S';
    /** The digest, compressed. */
    static final byte DIGEST = 'D';
    /** The next page of links, compressed. */
    static final byte LINKS = 'L';
    /** The next part of the report, compressed as a whole. */
    static final byte REPORT = 'R';
    /** The check is done; the worker waits for the next. */
    static final byte END = 'E';
    /** The check broke; what is said is for the log. */
    static final byte BROKE = 'B';
    /** The archive could not be read here: a fault of ours. */
    static final byte STORE = 'X';

    /** An order is our own words; what is longer is no order. */
    static final int LONGEST = 64 << 20;

    private Frames() {
    }

    /** One message. */
    record Frame(byte sign, byte[] content) {}

    static void write(OutputStream out, byte sign, byte[] content) throws IOException {
        DataOutputStream data = new DataOutputStream(out);
        data.writeByte(sign);
        data.writeInt(content.length);
        data.write(content);
        data.flush();
    }

    /**
     * The next message.
     *
     * @throws EOFException when there is none
     */
    static Frame read(InputStream in) throws IOException {
        DataInputStream data = new DataInputStream(in);
        byte sign = data.readByte();
        int length = data.readInt();
        if (length < 0 || length > LONGEST) {
            throw new IOException("a message of " + length + " bytes");
        }
        byte[] content = data.readNBytes(length);
        if (content.length < length) {
            throw new EOFException();
        }
        return new Frame(sign, content);
    }
}
