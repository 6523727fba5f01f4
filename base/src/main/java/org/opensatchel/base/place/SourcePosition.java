package org.opensatchel.base.place;

/** Where inside a file something stands. Totally ordered, so that reports are stable. */
public sealed interface SourcePosition extends Comparable<SourcePosition> {

    /** The whole file, folder or project. */
    record Whole() implements SourcePosition {
        @Override
        public String text() {
            return "";
        }
    }

    /** A place in text; line and column count from 1, columns in code points. */
    record InText(int line, int column) implements SourcePosition {
        @Override
        public String text() {
            return line + ":" + column;
        }
    }

    /** A place in a structured file: a JSON pointer (RFC 6901) or a path of elements and an attribute. */
    record InTree(String pointer, int order) implements SourcePosition {
        @Override
        public String text() {
            return pointer;
        }
    }

    /** A place in a file that is no text, in bytes from its beginning. */
    record InBytes(long offset) implements SourcePosition {
        @Override
        public String text() {
            return "byte " + offset;
        }
    }

    SourcePosition WHOLE = new Whole();

    /** The place as reports write it, empty for the whole. */
    String text();

    /** In reading order: the whole first, then by position. */
    @Override
    default int compareTo(SourcePosition other) {
        long mine = position(this);
        long its = position(other);
        return mine != its ? Long.compare(mine, its) : text().compareTo(other.text());
    }

    private static long position(SourcePosition place) {
        if (place instanceof InText at) {
            return ((long) at.line << 32) + at.column;
        }
        if (place instanceof InBytes at) {
            return at.offset;
        }
        return place instanceof InTree at ? at.order : -1L;
    }
}
