package org.opensatchel.formats.mp4;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.opensatchel.formats.binary.Window;

/**
 * A box of an ISO base media file (ISO/IEC 14496-12, section 4.2), or an atom of a MOV file.
 *
 * @param body where its content begins
 * @param end where it says that it ends, whether the file goes so far or not
 */
record Box(String type, long at, long body, long end) {

    private static final int MOST_CHILDREN = 20_000;

    /** The box at a place; empty where no box can be. */
    static Optional<Box> at(Window file, long at, long limit) throws IOException {
        if (at + 8 > limit) {
            return Optional.empty();
        }
        long size = file.u32(at);
        String type = file.text(at + 4, 4);
        if (size == 1) {
            return at + 16 > limit || file.u63(at + 8) < 16 ? Optional.empty()
                    : Optional.of(new Box(type, at, at + 16, sum(at, file.u63(at + 8))));
        }
        if (size == 0) {
            return Optional.of(new Box(type, at, at + 8, limit));
        }
        return size < 8 ? Optional.empty() : Optional.of(new Box(type, at, at + 8, at + size));
    }

    private static long sum(long at, long size) {
        return size > Long.MAX_VALUE - at ? Long.MAX_VALUE : at + size;
    }

    /** The boxes between two places. */
    static List<Box> between(Window file, long from, long to) throws IOException {
        List<Box> out = new ArrayList<>();
        long limit = Math.min(to, file.length());
        long at = from;
        for (int i = 0; i < MOST_CHILDREN; i++) {
            Optional<Box> box = at(file, at, limit);
            if (box.isEmpty()) {
                break;
            }
            out.add(box.get());
            at = box.get().end;
        }
        return out;
    }

    List<Box> children(Window file) throws IOException {
        return between(file, body, end);
    }

    /** The first box along a way of types, each in the one before. */
    Optional<Box> find(Window file, String... way) throws IOException {
        Optional<Box> here = Optional.of(this);
        for (String step : way) {
            here = first(here.get().children(file), step);
            if (here.isEmpty()) {
                return here;
            }
        }
        return here;
    }

    static Optional<Box> first(List<Box> boxes, String type) {
        return boxes.stream().filter(box -> box.type.equals(type)).findFirst();
    }

    /** Of a box with a version: which it is. */
    int version(Window file) throws IOException {
        return file.u8(body);
    }
}
