package org.opensatchel.formats.media;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;

/** Writes numbers as formats have them. */
final class Out {

    private final ByteArrayOutputStream bytes = new ByteArrayOutputStream();

    /** Numbers of one byte each. */
    static Out of(int... values) {
        Out out = new Out();
        for (int value : values) {
            out.bytes.write(value);
        }
        return out;
    }

    Out text(String text) {
        return add(text.getBytes(StandardCharsets.ISO_8859_1));
    }

    Out add(byte[] more) {
        bytes.writeBytes(more);
        return this;
    }

    Out add(Out more) {
        return add(more.bytes());
    }

    Out u8(int value) {
        bytes.write(value);
        return this;
    }

    Out u16(int value) {
        return u8(value >> 8).u8(value);
    }

    Out u24(int value) {
        return u8(value >> 16).u16(value);
    }

    Out u32(long value) {
        return u16((int) (value >> 16)).u16((int) value);
    }

    Out u64(long value) {
        return u32(value >> 32).u32(value);
    }

    Out le16(int value) {
        return u8(value).u8(value >> 8);
    }

    Out le24(int value) {
        return le16(value).u8(value >> 16);
    }

    Out le32(long value) {
        return le16((int) value).le16((int) (value >> 16));
    }

    Out le64(long value) {
        return le32(value).le32(value >> 32);
    }

    Out zeros(int count) {
        return add(new byte[count]);
    }

    int size() {
        return bytes.size();
    }

    byte[] bytes() {
        return bytes.toByteArray();
    }
}
