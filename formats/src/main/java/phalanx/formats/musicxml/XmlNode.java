package phalanx.formats.musicxml;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** An XML element with its own text and children; names are without their namespace's prefix. */
final class XmlNode {
    private final String name;
    // most elements have no attributes and no children, and a score has millions
    private Map<String, String> attributes = Map.of();
    private List<XmlNode> children = List.of();
    private String text = "";

    XmlNode(String name) {
        this.name = name;
    }

    void add(XmlNode child) {
        children = children.isEmpty() ? new ArrayList<>(4) : children;
        children.add(child);
    }

    void put(String attribute, String value) {
        attributes = attributes.isEmpty() ? new HashMap<>(4) : attributes;
        attributes.put(attribute, value);
    }

    void addText(String more) {
        text = text.isEmpty() ? more : text + more;
    }

    /** How long its text is so far. */
    int length() {
        return text.length();
    }

    String name() {
        return name;
    }

    /** An attribute's value; empty if there is none. */
    String attribute(String attribute) {
        return attributes.getOrDefault(attribute, "");
    }

    boolean hasAttribute(String attribute) {
        return attributes.containsKey(attribute);
    }

    /** Its own text, trimmed. */
    String text() {
        return text.trim();
    }

    List<XmlNode> children() {
        return children;
    }

    List<XmlNode> children(String child) {
        List<XmlNode> named = List.of();
        for (XmlNode node : children) {
            if (node.name.equals(child)) {
                named = named.isEmpty() ? new ArrayList<>(2) : named;
                named.add(node);
            }
        }
        return named;
    }

    Optional<XmlNode> child(String child) {
        for (XmlNode node : children) {
            if (node.name.equals(child)) {
                return Optional.of(node);
            }
        }
        return Optional.empty();
    }

    boolean has(String child) {
        return child(child).isPresent();
    }

    /** The trimmed text of a child; nothing if there is no such child or it is blank. */
    Optional<String> text(String child) {
        return child(child).map(XmlNode::text).filter(some -> !some.isEmpty());
    }
}
