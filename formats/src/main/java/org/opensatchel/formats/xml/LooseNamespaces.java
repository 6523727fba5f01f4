package org.opensatchel.formats.xml;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.Map;
import javax.xml.XMLConstants;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import javax.xml.stream.util.StreamReaderDelegate;

/**
 * Namespaces (Namespaces in XML 1.0) over a reader that knows none, so that a prefix nobody declared is no fault: there
 * are programs that write such documents, and others that open them. What has an undeclared prefix is in no namespace.
 */
final class LooseNamespaces extends StreamReaderDelegate {

    private static final String DECLARES = "xmlns";

    /** What an element declared; shared with the elements in it that declare nothing. */
    private final Deque<Map<String, String>> scopes = new ArrayDeque<>();
    private int[] attributes = new int[16];
    private int count;
    private boolean ended;

    LooseNamespaces(XMLStreamReader reader) {
        super(reader);
        // A prefix that everybody knows means what it means everywhere, declared or not.
        scopes.push(Map.of("xml", XMLConstants.XML_NS_URI, "xlink", "http://www.w3.org/1999/xlink"));
    }

    @Override
    public int next() throws XMLStreamException {
        if (ended) {
            scopes.pop();
        }
        int event = super.next();
        ended = event == XMLStreamConstants.END_ELEMENT;
        if (event == XMLStreamConstants.START_ELEMENT) {
            open();
        }
        return event;
    }

    private void open() {
        int all = super.getAttributeCount();
        if (attributes.length < all) {
            attributes = new int[all];
        }
        count = 0;
        Map<String, String> scope = scopes.peek();
        for (int i = 0; i < all; i++) {
            String name = super.getAttributeLocalName(i);
            if (name.equals(DECLARES) || name.startsWith(DECLARES + ":")) {
                scope = scope == scopes.peek() ? new HashMap<>(scope) : scope;
                scope.put(name.equals(DECLARES) ? "" : name.substring(DECLARES.length() + 1), super.getAttributeValue(i));
            } else {
                attributes[count++] = i;
            }
        }
        scopes.push(scope);
    }

    private static String prefix(String name) {
        int colon = name.indexOf(':');
        return colon < 0 ? "" : name.substring(0, colon);
    }

    private static String local(String name) {
        return name.substring(name.indexOf(':') + 1);
    }

    @Override
    public String getLocalName() {
        return local(super.getLocalName());
    }

    @Override
    public String getPrefix() {
        return prefix(super.getLocalName());
    }

    @Override
    public String getNamespaceURI() {
        return scopes.peek().getOrDefault(getPrefix(), "");
    }

    @Override
    public int getAttributeCount() {
        return count;
    }

    @Override
    public String getAttributeLocalName(int index) {
        return local(super.getAttributeLocalName(attributes[index]));
    }

    @Override
    public String getAttributePrefix(int index) {
        return prefix(super.getAttributeLocalName(attributes[index]));
    }

    /** An attribute without a prefix is in no namespace, whatever the default one is. */
    @Override
    public String getAttributeNamespace(int index) {
        String prefix = getAttributePrefix(index);
        return prefix.isEmpty() ? "" : scopes.peek().getOrDefault(prefix, "");
    }

    @Override
    public String getAttributeValue(int index) {
        return super.getAttributeValue(attributes[index]);
    }

    /** @param namespace null and empty mean no namespace */
    @Override
    public String getAttributeValue(String namespace, String name) {
        for (int i = 0; i < count; i++) {
            if (getAttributeLocalName(i).equals(name) && getAttributeNamespace(i).equals(namespace == null ? "" : namespace)
                    && (namespace != null || getAttributePrefix(i).isEmpty())) {
                return getAttributeValue(i);
            }
        }
        return null;
    }
}
