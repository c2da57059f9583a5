package riposo.core.adapt;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What the session as a whole makes of a slot that was settled by itself: told beside the slot's
 * own choice and cost, which stay what they are.
 *
 * @param own what the slot would do by itself
 * @param parts what is done
 * @param cost what is done instead costs, both sides together; the own cost where nothing changes
 * @param otherKey the slot it would repeat or repeats; null where it is moved for the floor's sake
 */
public record Turn(
    Kind kind, List<Performed> own, List<Performed> parts, Cost cost, @Nullable String otherKey) {
  /** Why. */
  public enum Kind {
    /** Another option of its own, so that nothing comes twice that was not asked for twice. */
    VARIED,
    /** It comes twice: nothing else is as near. */
    REPEATED,
    /** Another option of its own, so that work on the floor stays together. */
    TOGETHER
  }

  public Turn {
    own = List.copyOf(own);
    parts = List.copyOf(parts);
  }
}
