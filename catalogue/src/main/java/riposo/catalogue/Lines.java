package riposo.catalogue;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.snakeyaml.engine.v2.api.LoadSettings;
import org.snakeyaml.engine.v2.api.lowlevel.Compose;
import org.snakeyaml.engine.v2.nodes.MappingNode;
import org.snakeyaml.engine.v2.nodes.Node;
import org.snakeyaml.engine.v2.nodes.NodeTuple;
import org.snakeyaml.engine.v2.nodes.ScalarNode;
import org.snakeyaml.engine.v2.nodes.SequenceNode;

/** On which line of a YAML or JSON text each field stands, by JSON pointer. */
final class Lines {
  private final Map<String, Integer> lines = new HashMap<>();

  private Lines() {}

  /** The lines of a text that has parsed once already; throws the parser's exception otherwise. */
  static Lines of(String text) {
    Lines l = new Lines();
    new Compose(LoadSettings.builder().build()).composeString(text).ifPresent(n -> l.put("", n));
    return l;
  }

  private void put(String pointer, Node node) {
    node.getStartMark().ifPresent(m -> lines.putIfAbsent(pointer, m.getLine() + 1));
    if (node instanceof MappingNode map) {
      for (NodeTuple t : map.getValue()) {
        if (t.getKeyNode() instanceof ScalarNode key) {
          String at = pointer + "/" + key.getValue().replace("~", "~0").replace("/", "~1");
          key.getStartMark().ifPresent(m -> lines.put(at, m.getLine() + 1));
          put(at, t.getValueNode());
        }
      }
    } else if (node instanceof SequenceNode list) {
      List<Node> nodes = list.getValue();
      for (int i = 0; i < nodes.size(); i++) {
        put(pointer + "/" + i, nodes.get(i));
      }
    }
  }

  /** The line of the field, or of the nearest field around it that is there. */
  int at(String pointer) {
    String p = pointer;
    while (!lines.containsKey(p) && !p.isEmpty()) {
      p = p.substring(0, p.lastIndexOf('/'));
    }
    return lines.getOrDefault(p, 1);
  }
}
