package org.opensatchel.formats.described;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Locale;
import org.opensatchel.base.place.SourcePosition;
import org.opensatchel.formats.link.ReadWording;
import org.opensatchel.formats.link.Unreadable;

/**
 * A database in one file, in the documented SQLite 3 format (Database File Format, sections 1.2 to 1.6 and 2.1 to 2.6): the rows of its
 * tables, told to a {@link TreeWalk} as {@code /table/row/column}. Tables without row ids, virtual ones and what only stands in a log
 * beside the file are not read. Pages are walked once each, so that no cycle of them goes on; nothing it claims is believed.
 */
final class Database {

    private static final byte[] MAGIC = "SQLite format 3\0".getBytes(StandardCharsets.US_ASCII);
    private static final int HEADER = 100;
    private static final int INTERIOR = 5;
    private static final int LEAF = 13;
    private static final int LONGEST_VALUE = 1 << 20;
    private static final int DEEPEST = 40;
    private static final int MOST_COLUMNS = 2_000;

    private final byte[] bytes;
    private final int page;
    private final int usable;
    private final int pages;
    private final Charset charset;
    private final BitSet walked = new BitSet();

    /** Takes the rows of a table. */
    private interface Rows {
        void row(long id, List<String> values) throws Unreadable;
    }

    private record Table(String name, int root, List<String> columns, int key) {}

    private Database(byte[] bytes) throws Unreadable {
        this.bytes = bytes;
        if (!isOne(bytes) || bytes.length < HEADER) {
            throw broken();
        }
        int size = (bytes[16] & 0xFF) << 8 | (bytes[17] & 0xFF);
        page = size == 1 ? 65_536 : size;
        usable = page - (bytes[20] & 0xFF);
        if (page < 512 || Integer.bitCount(page) != 1 || usable < 480) {
            throw broken();
        }
        pages = bytes.length / page;
        charset = switch (bytes[59]) {
            case 2 -> StandardCharsets.UTF_16LE;
            case 3 -> StandardCharsets.UTF_16BE;
            default -> StandardCharsets.UTF_8;
        };
    }

    static boolean isOne(byte[] bytes) {
        return bytes.length >= MAGIC.length && Arrays.equals(bytes, 0, MAGIC.length, MAGIC, 0, MAGIC.length);
    }

    static void read(byte[] bytes, Trail trail, SpotSink sink) throws Unreadable {
        Database database = new Database(bytes);
        TreeWalk walk = new TreeWalk(trail, sink, false);
        int[] order = new int[1];
        for (Table table : database.tables()) {
            walk.enter(table.name, true);
            if (walk.wanted()) {
                database.rows(table.root, table.columns.size(), 0, (id, values) -> {
                    walk.enter("", false);
                    for (int i = 0; i < Math.min(values.size(), table.columns.size()); i++) {
                        String column = table.columns.get(i);
                        String pointer = "/" + table.name.replace("~", "~0").replace("/", "~1") + "/" + id + "/"
                                + column.replace("~", "~0").replace("/", "~1");
                        int at = ++order[0];
                        walk.value(column, i == table.key ? Long.toString(id) : values.get(i),
                                () -> new SourcePosition.InTree(pointer, at));
                    }
                    walk.leave();
                });
            }
            walk.leave();
        }
    }

    private static Unreadable broken() {
        return Unreadable.broken(SourcePosition.WHOLE, ReadWording.NOT_TO_ITS_END);
    }

    private List<Table> tables() throws Unreadable {
        List<Table> out = new ArrayList<>();
        rows(1, 5, 0, (id, values) -> {
            if (values.size() >= 5 && values.get(0).equals("table") && !values.get(1).startsWith("sqlite_")) {
                table(values.get(1), values.get(3), values.get(4), out);
            }
        });
        return out;
    }

    private static void table(String name, String root, String sql, List<Table> out) {
        int begin = sql.indexOf('(');
        boolean plain = begin > 0 && root.matches("[1-9][0-9]{0,8}")
                && !sql.substring(sql.lastIndexOf(')') + 1).toUpperCase(Locale.ROOT).contains("WITHOUT");
        if (!plain) {
            return;
        }
        List<String> columns = new ArrayList<>();
        int key = -1;
        for (String definition : definitions(sql.substring(begin + 1, Math.max(begin + 1, sql.lastIndexOf(')'))))) {
            String column = name(definition);
            if (column.isEmpty() || columns.size() >= MOST_COLUMNS) {
                continue;
            }
            if (definition.toUpperCase(Locale.ROOT).matches("(?s)\\S+\\s+INTEGER\\s+PRIMARY\\s+KEY.*")) {
                key = columns.size();
            }
            columns.add(column);
        }
        out.add(new Table(name, Integer.parseInt(root), columns, key));
    }

    /** The definitions between the outer brackets, parted by commas that stand in no bracket and in no quotation marks. */
    private static List<String> definitions(String inner) {
        List<String> out = new ArrayList<>();
        StringBuilder one = new StringBuilder();
        int depth = 0;
        char quote = 0;
        for (char c : inner.toCharArray()) {
            if (quote != 0) {
                quote = c == quote ? 0 : quote;
            } else if (c == '"' || c == '\'' || c == '`') {
                quote = c;
            } else if (c == '[') {
                quote = ']';
            } else {
                depth += c == '(' ? 1 : c == ')' ? -1 : 0;
            }
            if (c == ',' && depth == 0 && quote == 0) {
                out.add(one.toString().strip());
                one.setLength(0);
            } else {
                one.append(c);
            }
        }
        out.add(one.toString().strip());
        return out;
    }

    /** The name a definition begins with; empty for a condition of the whole table. */
    private static String name(String definition) {
        if (definition.isEmpty()) {
            return "";
        }
        char first = definition.charAt(0);
        int quote = "\"'`[".indexOf(first);
        if (quote >= 0) {
            int end = definition.indexOf("\"'`]".charAt(quote), 1);
            return end < 0 ? "" : definition.substring(1, end);
        }
        String name = definition.split("[\\s(]", 2)[0];
        boolean whole = List.of("PRIMARY", "UNIQUE", "CHECK", "FOREIGN", "CONSTRAINT").contains(name.toUpperCase(Locale.ROOT));
        return whole ? "" : name;
    }

    /** The rows below a page of a table's tree. */
    private void rows(int number, int columns, int depth, Rows rows) throws Unreadable {
        if (number < 1 || number > pages || depth > DEEPEST || walked.get(number)) {
            throw broken();
        }
        walked.set(number);
        int start = (number - 1) * page;
        int head = number == 1 ? start + HEADER : start;
        int kind = bytes[head];
        int cells = two(head + 3);
        int pointers = head + (kind == INTERIOR ? 12 : 8);
        if ((kind != INTERIOR && kind != LEAF) || pointers + 2L * cells > start + page) {
            throw broken();
        }
        for (int i = 0; i < cells; i++) {
            int cell = two(pointers + 2 * i);
            if (cell < 8 || cell >= usable - 3) {
                throw broken();
            }
            if (kind == INTERIOR) {
                rows(four(start + cell), columns, depth + 1, rows);
            } else {
                row(start + cell, start + page, columns, rows);
            }
        }
        if (kind == INTERIOR) {
            rows(four(head + 8), columns, depth + 1, rows);
        }
    }

    private void row(int cell, int end, int columns, Rows rows) throws Unreadable {
        Cursor at = new Cursor(bytes, cell, end);
        long length = at.varint();
        long id = at.varint();
        if (length < 1 || length > bytes.length) {
            throw broken();
        }
        rows.row(id, values(payload(at, (int) length, end), columns));
    }

    /** A row's bytes, from its page and those it goes on in (section 1.6). */
    private byte[] payload(Cursor at, int length, int end) throws Unreadable {
        int most = usable - 35;
        int least = (usable - 12) * 32 / 255 - 23;
        int fitting = least + (length - least) % (usable - 4);
        int here = length <= most ? length : fitting <= most ? fitting : least;
        if (at.at + here + (here < length ? 4 : 0) > end) {
            throw broken();
        }
        byte[] out = new byte[length];
        System.arraycopy(bytes, at.at, out, 0, here);
        int next = here < length ? four(at.at + here) : 0;
        int got = here;
        BitSet passed = new BitSet();
        while (got < length) {
            if (next < 1 || next > pages || passed.get(next)) {
                throw broken();
            }
            passed.set(next);
            int start = (next - 1) * page;
            int part = Math.min(usable - 4, length - got);
            System.arraycopy(bytes, start + 4, out, got, part);
            got += part;
            next = four(start);
        }
        return out;
    }

    /** The values of a record (section 2.1): texts, whole numbers as they are written, empty for anything else. */
    private List<String> values(byte[] record, int most) throws Unreadable {
        Cursor types = new Cursor(record, 0, record.length);
        long header = types.varint();
        if (header < 1 || header > record.length) {
            throw broken();
        }
        List<String> out = new ArrayList<>();
        long at = header;
        while (types.at < header && out.size() < most) {
            long type = types.varint();
            long length = type >= 12 ? (type - 12) / 2 : new int[]{0, 1, 2, 3, 4, 6, 8, 8, 0, 0, 0, 0}[(int) Math.max(0, type)];
            if (type < 0 || at + length > record.length) {
                throw broken();
            }
            out.add(value(record, (int) at, type, (int) length));
            at += length;
        }
        return out;
    }

    private String value(byte[] record, int at, long type, int length) {
        if (type >= 13 && type % 2 == 1) {
            return new String(record, at, Math.min(length, LONGEST_VALUE), charset);
        }
        if (type >= 12) {
            // Some write texts as bytes.
            return length <= LONGEST_VALUE ? Chars.UTF_8.decode(record, at, length).orElse("") : "";
        }
        if (type >= 1 && type <= 6) {
            return new java.math.BigInteger(record, at, length).toString();
        }
        return type == 8 ? "0" : type == 9 ? "1" : "";
    }

    private int two(int at) {
        return (bytes[at] & 0xFF) << 8 | (bytes[at + 1] & 0xFF);
    }

    private int four(int at) {
        return two(at) << 16 | two(at + 2);
    }

    /** Reads numbers of variable length (section 1.6). */
    private static final class Cursor {
        private final byte[] bytes;
        private final int end;
        private int at;

        Cursor(byte[] bytes, int at, int end) {
            this.bytes = bytes;
            this.at = at;
            this.end = end;
        }

        long varint() throws Unreadable {
            long out = 0;
            for (int i = 0; i < 9; i++) {
                if (at >= end) {
                    throw broken();
                }
                byte next = bytes[at++];
                if (i == 8) {
                    return out << 8 | (next & 0xFF);
                }
                out = out << 7 | (next & 0x7F);
                if (next >= 0) {
                    return out;
                }
            }
            return out;
        }
    }
}
