package chalktrace.media.file;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.Iterator;
import java.util.List;
import javax.xml.namespace.QName;
import javax.xml.stream.XMLEventFactory;
import javax.xml.stream.XMLEventReader;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.events.Attribute;
import javax.xml.stream.events.StartElement;
import javax.xml.stream.events.XMLEvent;
import javax.xml.stream.util.EventReaderDelegate;

/**
 * Leaves out of a drawing what SVG 1.1, 5.8, says is not to be shown: of a switch all but its first part that needs no extension, and
 * anywhere else what needs one. What stands in other languages than SVG goes too. A switch itself comes out as a group. A path ends before the
 * first thing in it that is none (SVG 2, 9.5.4), at which the library would look for ever.
 */
final class SvgSwitches extends EventReaderDelegate {

    private static final String SVG = "http://www.w3.org/2000/svg";

    private static final QName PATH = new QName("d");

    private static final String COMMANDS = "MmLlHhVvCcSsQqTtAa";
    private static final String OF_NUMBERS = "0123456789.,eE+- \t\r\n\f";

    private final XMLEventFactory events = XMLEventFactory.newFactory();

    /** For each open element whether it is a switch that has shown nothing so far, one that has, or none. */
    private enum Open {
        PLAIN,
        SWITCH,
        SETTLED_SWITCH
    }

    private final Deque<Open> open = new ArrayDeque<>();
    private XMLEvent next;

    SvgSwitches(XMLEventReader reader) {
        super(reader);
    }

    @Override
    public boolean hasNext() {
        return next != null || super.hasNext();
    }

    @Override
    public Object next() {
        try {
            return nextEvent();
        } catch (XMLStreamException e) {
            throw new IllegalArgumentException(e.getMessage(), e);
        }
    }

    @Override
    public XMLEvent peek() throws XMLStreamException {
        if (next == null && super.hasNext()) {
            next = shown();
        }
        return next;
    }

    @Override
    public XMLEvent nextEvent() throws XMLStreamException {
        XMLEvent event = next == null ? shown() : next;
        next = null;
        return event;
    }

    private XMLEvent shown() throws XMLStreamException {
        XMLEvent event = super.nextEvent();
        while (event.isStartElement() && !isShown(event.asStartElement())) {
            skip();
            event = super.nextEvent();
        }
        if (event.isStartElement()) {
            StartElement start = event.asStartElement();
            boolean choice = start.getName().getLocalPart().equals("switch");
            if (open.peek() == Open.SWITCH) {
                open.pop();
                open.push(Open.SETTLED_SWITCH);
            }
            open.push(choice ? Open.SWITCH : Open.PLAIN);
            if (choice) {
                QName name = start.getName();
                return events.createStartElement(
                        name.getPrefix(), name.getNamespaceURI(), "g", start.getAttributes(), start.getNamespaces());
            }
            return withWholePath(start);
        } else if (event.isEndElement() && !open.isEmpty()) {
            open.pop();
            QName name = event.asEndElement().getName();
            if (name.getLocalPart().equals("switch")) {
                return events.createEndElement(name.getPrefix(), name.getNamespaceURI(), "g");
            }
        }
        return event;
    }

    private StartElement withWholePath(StartElement element) {
        Attribute path = element.getAttributeByName(PATH);
        String data = path == null ? "" : path.getValue();
        int whole = wholePath(data);
        if (whole == data.length()) {
            return element;
        }
        List<Attribute> attributes = new ArrayList<>();
        for (Iterator<Attribute> all = element.getAttributes(); all.hasNext(); ) {
            Attribute attribute = all.next();
            attributes.add(
                    attribute.getName().equals(PATH)
                            ? events.createAttribute(PATH, data.substring(0, whole))
                            : attribute);
        }
        return events.createStartElement(element.getName(), attributes.iterator(), element.getNamespaces());
    }

    /** How many characters of a path are commands and their numbers; behind a Z comes a command. */
    private static int wholePath(String data) {
        boolean numbers = false;
        for (int i = 0; i < data.length(); i++) {
            char c = data.charAt(i);
            if (COMMANDS.indexOf(c) >= 0) {
                numbers = true;
            } else if (c == 'Z' || c == 'z') {
                numbers = false;
            } else if (!Character.isWhitespace(c) && !(numbers && OF_NUMBERS.indexOf(c) >= 0)) {
                return i;
            }
        }
        return data.length();
    }

    private boolean isShown(StartElement element) {
        Attribute needed = element.getAttributeByName(new QName("requiredExtensions"));
        String namespace = element.getName().getNamespaceURI();
        boolean ours = namespace == null || namespace.isEmpty() || namespace.equals(SVG);
        return open.peek() != Open.SETTLED_SWITCH
                && ours
                && needed == null
                && !element.getName().getLocalPart().equals("foreignObject");
    }

    /** To the end of the element that has just started. */
    private void skip() throws XMLStreamException {
        int depth = 1;
        while (depth > 0) {
            XMLEvent event = super.nextEvent();
            depth += event.isStartElement() ? 1 : event.isEndElement() ? -1 : 0;
        }
    }
}
