package org.opensatchel.formats.xml;

import com.ctc.wstx.api.WstxInputProperties;
import com.ctc.wstx.stax.WstxInputFactory;
import java.io.ByteArrayInputStream;
import java.io.InputStream;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLResolver;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import org.opensatchel.base.place.SourcePosition;
import org.opensatchel.formats.link.ReadProblem;
import org.opensatchel.formats.link.ReadWording;
import org.opensatchel.formats.link.Unreadable;

/**
 * Walks an XML document (XML 1.0, Namespaces 1.0) as a stream and tells each element with its place, like
 * {@code /svg[1]/image[2]}. Nothing outside the document is ever opened: external DTDs and entities are empty, internal
 * entities are bounded.
 */
public final class XmlScan {

    private static final int MAX_DEPTH = 1_000;
    private static final int LONGEST_PLACE = 4_096;
    private static final int MAX_ENTITIES = 10_000;
    private static final int MAX_VALUE = 64 << 20;
    private static final WstxInputFactory FACTORY = factory();

    /** An element that has been opened. */
    public final class Element {
        private final Element parent;
        private final String name;
        private final String namespace;
        private final int index;
        private final String base;
        /** Made with the first child: most elements have none, and there are very many of them. */
        private Map<String, Integer> children;

        private Element(Element parent, XMLStreamReader reader) {
            this.parent = parent;
            this.name = reader.getPrefix() == null || reader.getPrefix().isEmpty() ? reader.getLocalName()
                    : reader.getPrefix() + ":" + reader.getLocalName();
            this.namespace = reader.getNamespaceURI() == null ? "" : reader.getNamespaceURI();
            this.index = parent == null ? 1 : parent.next(name);
            String own = reader.getAttributeValue("http://www.w3.org/XML/1998/namespace", "base");
            this.base = own == null ? (parent == null ? "" : parent.base) : BaseUri.within(parent == null ? "" : parent.base, own);
        }

        private int next(String child) {
            if (children == null) {
                children = new HashMap<>(4);
            }
            return children.merge(child, 1, Integer::sum);
        }

        public String namespace() {
            return namespace;
        }

        /** The name as it is written, prefix and all. */
        public String name() {
            return name;
        }

        /** The name without its prefix. */
        public String localName() {
            return name.substring(name.indexOf(':') + 1);
        }

        /** Whether it lies under exactly these names from the root, or anywhere under names that end so; prefixes may be left out. */
        public boolean isAt(List<String> names, boolean anywhere) {
            Element at = this;
            for (int i = names.size() - 1; i >= 0; i--) {
                if (at == null || !(at.name.equals(names.get(i)) || at.localName().equals(names.get(i)))) {
                    return false;
                }
                at = at.parent;
            }
            return anywhere || at == null;
        }

        /** What relative links in it start from, by {@code xml:base}; empty for the document. */
        public String base() {
            return base;
        }

        /** The element's own place. */
        public SourcePosition place() {
            return new SourcePosition.InTree(path(), ++order);
        }

        /** The place of one of its attributes, named as it is written. */
        public SourcePosition place(String attribute) {
            return new SourcePosition.InTree(path() + "/@" + attribute, ++order);
        }

        private String path() {
            Deque<String> steps = new ArrayDeque<>();
            int length = 0;
            Element at = this;
            for (; at != null && length < LONGEST_PLACE; at = at.parent) {
                String step = "/" + at.name + "[" + at.index + "]";
                length += step.length();
                steps.push(step);
            }
            // A place is for people to find; what nests very deep under very long names is nothing anybody would look for.
            String path = String.join("", steps);
            return at == null && length <= LONGEST_PLACE ? path : "…" + path.substring(Math.max(0, length - LONGEST_PLACE));
        }
    }

    /** Takes what is met on the walk. */
    public interface Listener {

        /** An element begins; the reader stands on it, for its attributes. */
        void element(Element element, XMLStreamReader reader);

        /** Text directly in an element, in one piece. */
        default void text(Element element, String text) {
        }

        /** An element ends. */
        default void end(Element element) {
        }

        /** A processing instruction before or in the root. */
        default void instruction(String target, String data, SourcePosition at) {
        }
    }

    /** An attribute's name as it is written, prefix and all. */
    public static String written(XMLStreamReader reader, int attribute) {
        String prefix = reader.getAttributePrefix(attribute);
        return prefix == null || prefix.isEmpty() ? reader.getAttributeLocalName(attribute)
                : prefix + ":" + reader.getAttributeLocalName(attribute);
    }

    private final Listener listener;
    private int order;
    private int instructions;

    public XmlScan(Listener listener) {
        this.listener = listener;
    }

    /**
     * @throws Unreadable when it is no XML, or takes in other files as parts of its text (XML 1.0, section 4.2.2); then all else was read
     */
    public void read(InputStream xml) throws Unreadable {
        XMLStreamReader reader = null;
        Outside.TAKEN_IN.remove();
        try {
            reader = new LooseNamespaces(FACTORY.createXMLStreamReader(xml));
            walk(reader);
            if (Outside.TAKEN_IN.get() != null) {
                throw new Unreadable(
                        new ReadProblem(ReadProblem.Kind.UNSUPPORTED, SourcePosition.WHOLE, ReadWording.TAKES_IN_OTHERS.say()));
            }
        } catch (XMLStreamException | IllegalArgumentException broken) {
            throw Unreadable.broken(place(reader), ReadWording.NO_XML);
        } finally {
            Outside.TAKEN_IN.remove();
        }
    }

    /** Gives nothing for what lies outside a document, and remembers for whoever reads it that it was asked for. */
    private static final class Outside implements XMLResolver {
        /** The factory is shared, and its resolvers are not told for whom they resolve. */
        private static final ThreadLocal<Boolean> TAKEN_IN = new ThreadLocal<>();

        @Override
        public Object resolveEntity(String publicId, String systemId, String base, String namespace) {
            TAKEN_IN.set(true);
            return new ByteArrayInputStream(new byte[0]);
        }
    }

    private void walk(XMLStreamReader reader) throws XMLStreamException, Unreadable {
        Deque<Element> open = new ArrayDeque<>();
        Deque<StringBuilder> texts = new ArrayDeque<>();
        while (reader.hasNext()) {
            switch (reader.next()) {
                case XMLStreamConstants.START_ELEMENT -> {
                    Element element = new Element(open.peek(), reader);
                    open.push(element);
                    texts.push(new StringBuilder());
                    listener.element(element, reader);
                }
                case XMLStreamConstants.END_ELEMENT -> {
                    String text = texts.pop().toString();
                    Element element = open.pop();
                    if (!text.isEmpty()) {
                        listener.text(element, text);
                    }
                    listener.end(element);
                }
                case XMLStreamConstants.CHARACTERS, XMLStreamConstants.CDATA -> text(reader, texts);
                case XMLStreamConstants.PROCESSING_INSTRUCTION -> {
                    SourcePosition at = new SourcePosition.InTree("/processing-instruction()[" + ++instructions + "]", ++order);
                    listener.instruction(reader.getPITarget(), reader.getPIData() == null ? "" : reader.getPIData(), at);
                }
                default -> {
                    // Comments, blanks and the document type say nothing here.
                }
            }
        }
    }

    private static void text(XMLStreamReader reader, Deque<StringBuilder> texts) throws Unreadable {
        if (texts.isEmpty()) {
            return;
        }
        StringBuilder text = texts.peek();
        if (text.length() + (long) reader.getTextLength() > MAX_VALUE) {
            throw Unreadable.tooLarge(MAX_VALUE);
        }
        text.append(reader.getTextCharacters(), reader.getTextStart(), reader.getTextLength());
    }

    private static SourcePosition place(XMLStreamReader reader) {
        boolean known = reader != null && reader.getLocation() != null && reader.getLocation().getLineNumber() > 0;
        return known ? new SourcePosition.InText(reader.getLocation().getLineNumber(), Math.max(1, reader.getLocation().getColumnNumber()))
                : SourcePosition.WHOLE;
    }

    @SuppressWarnings("deprecation") // Parsed lazily, a fault would come up at a place where nobody expects it; nothing else says so.
    private static WstxInputFactory factory() {
        WstxInputFactory factory = new WstxInputFactory();
        XMLResolver nothing = (publicId, systemId, base, namespace) -> new ByteArrayInputStream(new byte[0]);
        factory.setProperty(XMLInputFactory.IS_NAMESPACE_AWARE, false);
        factory.setProperty(XMLInputFactory.SUPPORT_DTD, true);
        // Supported in name only, so that a reference to one is no fault: every resolver gives nothing.
        factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, true);
        factory.setProperty(WstxInputProperties.P_LAZY_PARSING, false);
        factory.setProperty(XMLInputFactory.IS_COALESCING, false);
        factory.setXMLResolver(nothing);
        factory.setProperty(WstxInputProperties.P_DTD_RESOLVER, nothing);
        factory.setProperty(WstxInputProperties.P_ENTITY_RESOLVER, new Outside());
        // A page's &nbsp; is declared in a DTD that is not opened: it stands for nothing that could be a link.
        factory.setProperty(WstxInputProperties.P_UNDECLARED_ENTITY_RESOLVER, nothing);
        factory.setProperty(WstxInputProperties.P_MAX_ELEMENT_DEPTH, MAX_DEPTH);
        factory.setProperty(WstxInputProperties.P_MAX_ENTITY_COUNT, MAX_ENTITIES);
        factory.setProperty(WstxInputProperties.P_MAX_ENTITY_DEPTH, 16);
        factory.setProperty(WstxInputProperties.P_MAX_ATTRIBUTE_SIZE, MAX_VALUE);
        factory.setProperty(WstxInputProperties.P_MAX_ATTRIBUTES_PER_ELEMENT, 10_000);
        return factory;
    }
}
