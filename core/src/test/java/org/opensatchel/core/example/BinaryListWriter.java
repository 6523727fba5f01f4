package org.opensatchel.core.example;

import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Writes binary property lists for tests: dictionaries, lists and texts. */
final class BinaryListWriter {

    private final List<byte[]> objects = new ArrayList<>();

    private BinaryListWriter() {
    }

    static byte[] write(Invented.Scene scene) {
        List<Object> items = new ArrayList<>();
        for (Clip clip : scene.clips()) {
            Map<String, Object> one = new LinkedHashMap<>();
            one.put("name", clip.label());
            one.put("file", clip.relative());
            items.add(one);
        }
        Map<String, Object> top = new LinkedHashMap<>();
        top.put("title", scene.title());
        top.put("items", items);
        return new BinaryListWriter().bytes(top);
    }

    private byte[] bytes(Object top) {
        add(top);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.writeBytes("bplist00".getBytes(StandardCharsets.US_ASCII));
        List<Integer> offsets = new ArrayList<>();
        for (byte[] object : objects) {
            offsets.add(out.size());
            out.writeBytes(object);
        }
        int table = out.size();
        offsets.forEach(offset -> out.writeBytes(ByteBuffer.allocate(4).putInt(offset).array()));
        out.writeBytes(new byte[]{0, 0, 0, 0, 0, 0, 4, 2});
        out.writeBytes(ByteBuffer.allocate(24).putLong(objects.size()).putLong(0).putLong(table).array());
        return out.toByteArray();
    }

    private int add(Object object) {
        int index = objects.size();
        objects.add(new byte[0]);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        if (object instanceof Map<?, ?> map) {
            head(out, 0xD0, map.size());
            List<Integer> keys = map.keySet().stream().map(this::add).toList();
            List<Integer> values = map.values().stream().map(this::add).toList();
            keys.forEach(key -> reference(out, key));
            values.forEach(value -> reference(out, value));
        } else if (object instanceof List<?> list) {
            head(out, 0xA0, list.size());
            list.stream().map(this::add).toList().forEach(item -> reference(out, item));
        } else {
            String text = (String) object;
            boolean plain = text.chars().allMatch(c -> c < 128);
            head(out, plain ? 0x50 : 0x60, text.length());
            out.writeBytes(text.getBytes(plain ? StandardCharsets.US_ASCII : StandardCharsets.UTF_16BE));
        }
        objects.set(index, out.toByteArray());
        return index;
    }

    private static void head(ByteArrayOutputStream out, int kind, int length) {
        if (length < 15) {
            out.write(kind | length);
        } else {
            out.write(kind | 15);
            out.write(0x12);
            out.writeBytes(ByteBuffer.allocate(4).putInt(length).array());
        }
    }

    private static void reference(ByteArrayOutputStream out, int index) {
        out.writeBytes(ByteBuffer.allocate(2).putShort((short) index).array());
    }
}
