package org.pressboard.attachment;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import javax.xml.XMLConstants;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.parsers.ParserConfigurationException;
import javax.xml.parsers.SAXParserFactory;
import javax.xml.transform.OutputKeys;
import javax.xml.transform.Transformer;
import javax.xml.transform.TransformerException;
import javax.xml.transform.TransformerFactory;
import javax.xml.transform.dom.DOMSource;
import javax.xml.transform.stream.StreamResult;
import org.w3c.dom.Attr;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.NamedNodeMap;
import org.w3c.dom.Node;
import org.w3c.dom.NodeList;
import org.xml.sax.Attributes;
import org.xml.sax.SAXException;
import org.xml.sax.helpers.DefaultHandler;

/**
 * Drawings in SVG with nothing in them but shapes, texts and pictures of their own: no scripts, no styles that load
 * anything, no links. What is not known to be harmless is left out (W3C SVG 2, chapters 5 to 16, for what there is).
 */
public final class Drawing {

    private static final String SVG = "http://www.w3.org/2000/svg";

    private static final Set<String> ELEMENTS = Set.of("svg", "g", "defs", "symbol", "use", "title", "desc", "path",
            "rect", "circle", "ellipse", "line", "polyline", "polygon", "text", "tspan", "textpath", "marker", "pattern",
            "clippath", "mask", "lineargradient", "radialgradient", "stop", "image", "switch", "filter", "feblend",
            "fecolormatrix", "fecomponenttransfer", "fecomposite", "feconvolvematrix", "fediffuselighting",
            "fedisplacementmap", "fedropshadow", "feflood", "fefunca", "fefuncb", "fefuncg", "fefuncr",
            "fegaussianblur", "femerge", "femergenode", "femorphology", "feoffset", "fespecularlighting", "fetile",
            "feturbulence", "fedistantlight", "fepointlight", "fespotlight");

    /** Addresses within the drawing, or a picture that it carries in itself. */
    private static final Pattern OWN = Pattern.compile(
            "\\s*#.*|\\s*data:image/(png|jpeg|gif|webp);base64,[A-Za-z0-9+/=\\s]*",
            Pattern.DOTALL | Pattern.CASE_INSENSITIVE);

    /** What a value may not have in it: an address outside, or what once ran scripts. */
    private static final Pattern LEADING_OUT = Pattern.compile(
            "url\\s*\\(\\s*['\"]?\\s*(?!['\"]?\\s*#)|@import|expression\\s*\\(|javascript:|-moz-binding|\\\\",
            Pattern.CASE_INSENSITIVE);

    /** Of larger ones nothing is read. */
    public static final int MOST_BYTES = 1024 * 1024;

    public static final int MOST_ELEMENTS = 20_000;

    /** Less than what XML parsers of some versions of Java go down to, so that it is the same on all. */
    public static final int DEEPEST = 90;

    private Drawing() {
    }

    /** Whether there is more to it than is looked at; found out without holding it, before anything is made of it. */
    public static boolean isTooLarge(byte[] bytes) {
        if (bytes.length > MOST_BYTES) {
            return true;
        }
        Extent extent = new Extent();
        try {
            SAXParserFactory factory = SAXParserFactory.newInstance();
            factory.setFeature(XMLConstants.FEATURE_SECURE_PROCESSING, true);
            factory.setFeature("http://xml.org/sax/features/external-general-entities", false);
            factory.setFeature("http://xml.org/sax/features/external-parameter-entities", false);
            factory.setFeature("http://apache.org/xml/features/nonvalidating/load-external-dtd", false);
            factory.newSAXParser().parse(new ByteArrayInputStream(bytes), extent);
            return false;
        } catch (SAXException | IOException broken) {
            return extent.isTooLarge();
        } catch (ParserConfigurationException broken) {
            throw new IllegalStateException(broken);
        }
    }

    /** Counts, and ends the reading where there is too much. */
    private static final class Extent extends DefaultHandler {

        private int elements;
        private int depth;

        @Override
        public void startElement(String uri, String localName, String name, Attributes attributes) throws SAXException {
            elements++;
            depth++;
            if (isTooLarge()) {
                throw new SAXException("More than is looked at");
            }
        }

        @Override
        public void endElement(String uri, String localName, String name) {
            depth--;
        }

        private boolean isTooLarge() {
            return elements > MOST_ELEMENTS || depth > DEEPEST;
        }
    }

    /** The drawing made harmless; empty where the bytes are none. */
    public static Optional<byte[]> sanitised(byte[] bytes) {
        try {
            Document document = parsed(bytes);
            Element root = document.getDocumentElement();
            if (!SVG.equals(root.getNamespaceURI()) || !"svg".equals(root.getLocalName())) {
                return Optional.empty();
            }
            clean(root);
            return Optional.of(written(root));
        } catch (SAXException | IOException noDrawing) {
            return Optional.empty();
        } catch (ParserConfigurationException | TransformerException broken) {
            throw new IllegalStateException(broken);
        }
    }

    /** Nothing is fetched, and what stands for something else in the text is left out; it could be made endless. */
    private static Document parsed(byte[] bytes) throws ParserConfigurationException, SAXException, IOException {
        DocumentBuilderFactory factory = DocumentBuilderFactory.newInstance();
        factory.setNamespaceAware(true);
        factory.setFeature(XMLConstants.FEATURE_SECURE_PROCESSING, true);
        factory.setFeature("http://xml.org/sax/features/external-general-entities", false);
        factory.setFeature("http://xml.org/sax/features/external-parameter-entities", false);
        factory.setFeature("http://apache.org/xml/features/nonvalidating/load-external-dtd", false);
        factory.setExpandEntityReferences(false);
        var builder = factory.newDocumentBuilder();
        builder.setErrorHandler(null);
        return builder.parse(new ByteArrayInputStream(bytes));
    }

    private static void clean(Element element) {
        spellOut(element);
        attributes(element).stream().filter(attribute -> !isHarmless(attribute))
                .forEach(element::removeAttributeNode);
        for (Node child : children(element)) {
            boolean isText = child.getNodeType() == Node.TEXT_NODE || child.getNodeType() == Node.CDATA_SECTION_NODE;
            if (child instanceof Element inner && isKnown(inner)) {
                clean(inner);
            } else if (!isText) {
                element.removeChild(child);
            }
        }
    }

    /** Styles in attributes become attributes of their own, which need no leave to be followed. */
    private static void spellOut(Element element) {
        for (String part : element.getAttribute("style").split(";")) {
            String[] pair = part.split(":", 2);
            if (pair.length == 2 && pair[0].strip().matches("[a-z-]+")) {
                element.setAttribute(pair[0].strip(), pair[1].strip());
            }
        }
        element.removeAttribute("style");
    }

    private static boolean isKnown(Element element) {
        return SVG.equals(element.getNamespaceURI())
                && ELEMENTS.contains(element.getLocalName().toLowerCase(Locale.ROOT));
    }

    private static boolean isHarmless(Attr attribute) {
        String name = attribute.getName().toLowerCase(Locale.ROOT);
        if (name.equals("href") || name.equals("xlink:href")) {
            return OWN.matcher(attribute.getValue()).matches();
        }
        boolean isOfAnother = name.startsWith("xmlns") && !Set.of("xmlns", "xmlns:xlink").contains(name);
        return !name.startsWith("on") && !isOfAnother && (name.indexOf(':') < 0 || name.startsWith("xml"))
                && !LEADING_OUT.matcher(attribute.getValue()).find();
    }

    /** As it is now: what is taken out of it is not missed on the way. */
    private static List<Attr> attributes(Element element) {
        NamedNodeMap attributes = element.getAttributes();
        return IntStream.range(0, attributes.getLength()).mapToObj(i -> (Attr) attributes.item(i)).toList();
    }

    private static List<Node> children(Element element) {
        NodeList children = element.getChildNodes();
        return IntStream.range(0, children.getLength()).mapToObj(children::item).toList();
    }

    private static byte[] written(Element root) throws TransformerException {
        Transformer transformer = TransformerFactory.newInstance().newTransformer();
        transformer.setOutputProperty(OutputKeys.OMIT_XML_DECLARATION, "yes");
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        transformer.transform(new DOMSource(root), new StreamResult(out));
        return out.toByteArray();
    }
}
