package org.opensatchel.core.example;

import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;

/** Writes database files for tests in the documented SQLite 3 format: tables of texts and whole numbers, over as many pages as they need. */
final class DatabaseWriter {

    private static final int PAGE = 512;

    private final List<byte[]> pages = new ArrayList<>();
    private final List<List<Object>> schema = new ArrayList<>();

    DatabaseWriter() {
        pages.add(new byte[PAGE]);
    }

    DatabaseWriter table(String sql, String name, List<List<Object>> rows) {
        List<byte[]> cells = new ArrayList<>();
        for (int i = 0; i < rows.size(); i++) {
            cells.add(cell(i + 1, record(rows.get(i))));
        }
        schema.add(List.of("table", name, name, (long) tree(cells), sql));
        return this;
    }

    byte[] bytes() {
        List<byte[]> cells = new ArrayList<>();
        for (int i = 0; i < schema.size(); i++) {
            cells.add(cell(i + 1, record(schema.get(i))));
        }
        byte[] first = leaf(cells, 100);
        byte[] head = "SQLite format 3\0".getBytes(StandardCharsets.US_ASCII);
        System.arraycopy(head, 0, first, 0, head.length);
        ByteBuffer.wrap(first).putShort(16, (short) PAGE).put(18, (byte) 1).put(19, (byte) 1).put(21, (byte) 64).put(22, (byte) 32)
                .put(23, (byte) 32).putInt(28, pages.size()).putInt(44, 4).putInt(56, 1);
        pages.set(0, first);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        pages.forEach(out::writeBytes);
        return out.toByteArray();
    }

    /** Leaves, and one page above them; the number of the top. */
    private int tree(List<byte[]> cells) {
        List<Integer> leaves = new ArrayList<>();
        List<Integer> last = new ArrayList<>();
        List<byte[]> now = new ArrayList<>();
        int size = 8;
        for (int i = 0; i < cells.size(); i++) {
            if (size + cells.get(i).length + 2 > PAGE) {
                leaves.add(page(leaf(now, 0)));
                last.add(i);
                now = new ArrayList<>();
                size = 8;
            }
            now.add(cells.get(i));
            size += cells.get(i).length + 2;
        }
        leaves.add(page(leaf(now, 0)));
        if (leaves.size() == 1) {
            return leaves.get(0);
        }
        ByteBuffer top = ByteBuffer.allocate(PAGE);
        top.put(0, (byte) 5).putShort(3, (short) (leaves.size() - 1)).putInt(8, leaves.get(leaves.size() - 1));
        int at = PAGE;
        for (int i = 0; i < leaves.size() - 1; i++) {
            byte[] key = varint(last.get(i));
            at -= 4 + key.length;
            top.putInt(at, leaves.get(i));
            System.arraycopy(key, 0, top.array(), at + 4, key.length);
            top.putShort(12 + 2 * i, (short) at);
        }
        top.putShort(5, (short) at);
        return page(top.array());
    }

    private int page(byte[] page) {
        pages.add(page);
        return pages.size();
    }

    private static byte[] leaf(List<byte[]> cells, int from) {
        ByteBuffer page = ByteBuffer.allocate(PAGE);
        page.put(from, (byte) 13).putShort(from + 3, (short) cells.size());
        int at = PAGE;
        for (int i = 0; i < cells.size(); i++) {
            at -= cells.get(i).length;
            System.arraycopy(cells.get(i), 0, page.array(), at, cells.get(i).length);
            page.putShort(from + 8 + 2 * i, (short) at);
        }
        page.putShort(from + 5, (short) at);
        return page.array();
    }

    /** A row; what does not fit goes on in pages of its own. */
    private byte[] cell(long id, byte[] record) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.writeBytes(varint(record.length));
        out.writeBytes(varint(id));
        int most = PAGE - 35;
        int least = (PAGE - 12) * 32 / 255 - 23;
        if (record.length <= most) {
            out.writeBytes(record);
            return out.toByteArray();
        }
        int fitting = least + (record.length - least) % (PAGE - 4);
        int here = fitting <= most ? fitting : least;
        out.write(record, 0, here);
        int next = 0;
        int count = (record.length - here + PAGE - 5) / (PAGE - 4);
        for (int i = count - 1; i >= 0; i--) {
            int from = here + i * (PAGE - 4);
            ByteBuffer page = ByteBuffer.allocate(PAGE).putInt(next);
            page.put(record, from, Math.min(PAGE - 4, record.length - from));
            next = page(page.array());
        }
        out.writeBytes(ByteBuffer.allocate(4).putInt(next).array());
        return out.toByteArray();
    }

    private static byte[] record(List<Object> values) {
        ByteArrayOutputStream types = new ByteArrayOutputStream();
        ByteArrayOutputStream body = new ByteArrayOutputStream();
        for (Object value : values) {
            if (value instanceof Long number) {
                types.writeBytes(varint(4));
                body.writeBytes(ByteBuffer.allocate(4).putInt(number.intValue()).array());
            } else {
                byte[] text = ((String) value).getBytes(StandardCharsets.UTF_8);
                types.writeBytes(varint(13 + 2L * text.length));
                body.writeBytes(text);
            }
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.writeBytes(varint(types.size() + 1L));
        out.writeBytes(types.toByteArray());
        out.writeBytes(body.toByteArray());
        return out.toByteArray();
    }

    private static byte[] varint(long value) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        int groups = 1;
        while (groups < 8 && value >> (7 * groups) != 0) {
            groups++;
        }
        for (int i = groups - 1; i >= 0; i--) {
            out.write((int) (value >> (7 * i) & 0x7F) | (i > 0 ? 0x80 : 0));
        }
        return out.toByteArray();
    }
}
