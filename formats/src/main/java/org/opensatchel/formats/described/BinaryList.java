package org.opensatchel.formats.described;

import java.util.BitSet;
import org.opensatchel.base.place.SourcePosition;
import org.opensatchel.formats.described.BinaryPropertyList.Item;
import org.opensatchel.formats.link.ReadWording;
import org.opensatchel.formats.link.Unreadable;

/**
 * A binary property list, told to a {@link TreeWalk}. What refers to itself, and what would unfold to more than a bounded number of values,
 * is a fault.
 */
final class BinaryList {

    private static final int DEEPEST = 200;
    private static final int MOST_VALUES = 2_000_000;

    private final BinaryPropertyList list;
    private final TreeWalk walk;
    private final BitSet open = new BitSet();
    private int values;

    private BinaryList(byte[] bytes, Trail trail, SpotSink sink) throws Unreadable {
        list = new BinaryPropertyList(bytes);
        walk = new TreeWalk(trail, sink, list.item(list.top()).kind() == 0xA);
        contents(list.top(), 0);
    }

    static void read(byte[] bytes, Trail trail, SpotSink sink) throws Unreadable {
        new BinaryList(bytes, trail, sink);
    }

    private void contents(int object, int depth) throws Unreadable {
        if (depth > DEEPEST || open.get(object)) {
            throw Unreadable.broken(SourcePosition.WHOLE, ReadWording.NESTED_TOO_DEEP);
        }
        open.set(object);
        Item item = list.item(object);
        list.requireMembers(item);
        for (int i = 0; i < item.length(); i++) {
            String key = item.isMap() ? list.text(list.item(list.member(item, i))) : "";
            member(key, list.member(item, item.isMap() ? item.length() + i : i), depth);
        }
        open.clear(object);
    }

    private void member(String key, int object, int depth) throws Unreadable {
        if (++values > MOST_VALUES) {
            throw Unreadable.broken(SourcePosition.WHOLE, ReadWording.NESTED_TOO_DEEP);
        }
        Item item = list.item(object);
        if (item.isMap() || item.isList()) {
            walk.enter(key, !item.isMap());
            contents(object, depth + 1);
            walk.leave();
        } else {
            walk.value(key, walk.wanted() ? list.text(item) : "");
        }
    }
}
