package org.jontrel.serve.publicsite;

import java.io.StringWriter;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;

/** Writes small XML documents for programs that read sites. */
final class SiteXml {
    private static final XMLOutputFactory FACTORY = XMLOutputFactory.newInstance();
    private final StringWriter text = new StringWriter();
    private final XMLStreamWriter xml;

    /** What stands within an element. */
    interface Content {
        void write(SiteXml xml) throws XMLStreamException;
    }

    private SiteXml() throws XMLStreamException {
        xml = FACTORY.createXMLStreamWriter(text);
    }

    /** @param namespace of all elements */
    static String document(String root, String namespace, Content content) {
        try {
            var made = new SiteXml();
            made.xml.writeStartDocument("UTF-8", "1.0");
            made.xml.writeStartElement(root);
            made.xml.writeDefaultNamespace(namespace);
            content.write(made);
            made.xml.writeEndElement();
            made.xml.writeEndDocument();
            return made.text.toString();
        } catch (XMLStreamException e) {
            throw new IllegalStateException(e);
        }
    }

    void element(String name, Content content) throws XMLStreamException {
        xml.writeStartElement(name);
        content.write(this);
        xml.writeEndElement();
    }

    void text(String name, String words) throws XMLStreamException {
        xml.writeStartElement(name);
        xml.writeCharacters(legal(words));
        xml.writeEndElement();
    }

    void link(String relation, String type, String address) throws XMLStreamException {
        xml.writeEmptyElement("link");
        xml.writeAttribute("rel", relation);
        xml.writeAttribute("type", type);
        xml.writeAttribute("href", address);
    }

    /** XML has no place for most control characters, nor for halves of characters. */
    private static String legal(String words) {
        return words.codePoints()
                .filter(each -> each == '\t'
                        || each == '\n'
                        || each >= 0x20 && each < 0xD800
                        || each > 0xDFFF && each < 0xFFFE
                        || each > 0xFFFF)
                .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append)
                .toString();
    }
}
