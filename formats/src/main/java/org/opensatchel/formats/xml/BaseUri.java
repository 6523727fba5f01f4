package org.opensatchel.formats.xml;

/** How one base of links is set within another. */
public final class BaseUri {

    private BaseUri() {
    }

    /** The inner base where it stands for itself, else joined to the outer one's folder. */
    public static String within(String outer, String inner) {
        boolean absolute = inner.startsWith("/") || inner.startsWith("\\") || inner.matches("(?s)[A-Za-z][A-Za-z0-9+.-]*:.*");
        if (outer.isEmpty() || absolute) {
            return inner;
        }
        return outer.substring(0, outer.lastIndexOf('/') + 1) + inner;
    }
}
