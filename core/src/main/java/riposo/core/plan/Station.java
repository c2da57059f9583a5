package riposo.core.plan;

import java.util.List;

/**
 * A slot ready for the timeline: one piece done as it is, or one for the left and one for the
 * right, of equal length.
 */
public record Station(String slotKey, Block block, int seconds, List<Piece> pieces) {
  public Station {
    if (pieces.isEmpty() || pieces.size() > 2) {
      throw new IllegalArgumentException("a station has one or two pieces");
    }
    pieces = List.copyOf(pieces);
  }
}
