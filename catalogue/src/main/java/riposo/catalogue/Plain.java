package riposo.catalogue;

import java.util.Map;
import java.util.function.BiConsumer;
import riposo.core.typed.PlainText;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** A document's texts without what cannot be seen, and its numbers within what a number can be. */
final class Plain {
  /** What a number of a document holds exactly; a moment in milliseconds is far below. */
  private static final double MOST = 1L << 53;

  private Plain() {}

  /**
   * The document so, in a copy.
   *
   * @param refused is told the place (RFC 6901) and a sentence of each number out of range
   */
  static JsonNode of(JsonNode node, BiConsumer<String, String> refused) {
    return of("", node, refused);
  }

  private static JsonNode of(String at, JsonNode node, BiConsumer<String, String> refused) {
    JsonNodeFactory make = JsonNodeFactory.instance;
    if (node.isString()) {
      return make.stringNode(PlainText.of(node.stringValue()));
    }
    if (node.isNumber() && !(Math.abs(node.doubleValue()) <= MOST)) {
      refused.accept(at, "A number here is larger than it can be.");
    }
    if (node instanceof ArrayNode list) {
      ArrayNode out = make.arrayNode();
      for (int i = 0; i < list.size(); i++) {
        out.add(of(at + "/" + i, list.get(i), refused));
      }
      return out;
    }
    if (node instanceof ObjectNode map) {
      ObjectNode out = make.objectNode();
      for (Map.Entry<String, JsonNode> e : map.properties()) {
        String name = e.getKey().replace("~", "~0").replace("/", "~1");
        out.set(e.getKey(), of(at + "/" + name, e.getValue(), refused));
      }
      return out;
    }
    return node;
  }
}
