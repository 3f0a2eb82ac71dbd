package phalanx.formats.musicxml;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/** Shorthand for looking into XML elements. */
final class Elements {
    private Elements() {}

    static List<Element> children(Element parent) {
        List<Element> children = new ArrayList<>();
        for (Node node = parent.getFirstChild(); node != null; node = node.getNextSibling()) {
            if (node instanceof Element element) {
                children.add(element);
            }
        }
        return children;
    }

    static List<Element> children(Element parent, String name) {
        return children(parent).stream()
                .filter(child -> child.getTagName().equals(name))
                .toList();
    }

    static Optional<Element> child(Element parent, String name) {
        return children(parent, name).stream().findFirst();
    }

    /** The trimmed text of a child; nothing if there is no such child or it is blank. */
    static Optional<String> text(Element parent, String name) {
        return child(parent, name)
                .map(element -> element.getTextContent().trim())
                .filter(text -> !text.isEmpty());
    }

    static boolean has(Element parent, String name) {
        return child(parent, name).isPresent();
    }

    static List<Element> descendants(Element parent, String name) {
        List<Element> found = new ArrayList<>();
        var nodes = parent.getElementsByTagName(name);
        for (int i = 0; i < nodes.getLength(); i++) {
            found.add((Element) nodes.item(i));
        }
        return found;
    }
}
