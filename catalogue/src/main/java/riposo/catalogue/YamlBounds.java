package riposo.catalogue;

import org.jspecify.annotations.Nullable;
import org.snakeyaml.engine.v2.api.LoadSettings;
import org.snakeyaml.engine.v2.api.lowlevel.Parse;
import org.snakeyaml.engine.v2.events.AliasEvent;
import org.snakeyaml.engine.v2.events.CollectionEndEvent;
import org.snakeyaml.engine.v2.events.CollectionStartEvent;
import org.snakeyaml.engine.v2.events.Event;
import org.snakeyaml.engine.v2.events.NodeEvent;
import riposo.catalogue.CatalogueException.Problem;

/**
 * What a YAML text may be before anything is made of it: a few bytes of aliases can stand for more
 * than a memory holds. Looks at one token after the other and keeps none.
 */
final class YamlBounds {
  /** The deepest document the product writes has 9 levels. */
  static final int DEPTH = 32;

  /** The largest document the product ships has some 20,000 values. */
  static final int NODES = 60_000;

  private YamlBounds() {}

  /**
   * What is wrong with a text; null where nothing is. Text that is no YAML at all throws the
   * parser's exception.
   */
  static @Nullable Problem broken(String file, String text) {
    int depth = 0;
    int nodes = 0;
    for (Event e : new Parse(LoadSettings.builder().build()).parseString(text)) {
      if (e instanceof AliasEvent || e instanceof NodeEvent n && n.getAnchor().isPresent()) {
        return at(file, e, "Anchors and aliases (& and *) are not read: write it out in full.");
      }
      if (e instanceof NodeEvent && ++nodes > NODES) {
        return at(file, e, "More than " + NODES + " values are not read: send it in parts.");
      }
      if (e instanceof CollectionStartEvent && ++depth > DEPTH) {
        return at(file, e, "Lists and maps more than " + DEPTH + " deep are not read.");
      }
      if (e instanceof CollectionEndEvent) {
        depth--;
      }
    }
    return null;
  }

  private static Problem at(String file, Event e, String words) {
    return new Problem(file, e.getStartMark().map(m -> m.getLine() + 1).orElse(1), "", words);
  }
}
