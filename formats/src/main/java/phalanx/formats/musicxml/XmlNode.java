package phalanx.formats.musicxml;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** An XML element with its own text and children; names are without their namespace's prefix. */
final class XmlNode {
    private final String name;
    private final Map<String, String> attributes = new HashMap<>(4);
    private final List<XmlNode> children = new ArrayList<>(4);
    private final StringBuilder text = new StringBuilder(0);

    XmlNode(String name) {
        this.name = name;
    }

    void add(XmlNode child) {
        children.add(child);
    }

    void put(String attribute, String value) {
        attributes.put(attribute, value);
    }

    StringBuilder ownText() {
        return text;
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
        return text.toString().trim();
    }

    List<XmlNode> children() {
        return children;
    }

    List<XmlNode> children(String child) {
        return children.stream().filter(node -> node.name.equals(child)).toList();
    }

    Optional<XmlNode> child(String child) {
        return children.stream().filter(node -> node.name.equals(child)).findFirst();
    }

    boolean has(String child) {
        return child(child).isPresent();
    }

    /** The trimmed text of a child; nothing if there is no such child or it is blank. */
    Optional<String> text(String child) {
        return child(child).map(XmlNode::text).filter(some -> !some.isEmpty());
    }
}
