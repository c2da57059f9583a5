package riposo.core.plan;

import java.util.List;
import riposo.core.movement.Tempo;

/**
 * A slot ready for the timeline: one piece done as it is, or one for the left and one for the
 * right.
 *
 * @param key the slot's key, with its round where the round changes it
 * @param oneSided the movement asked for is done one side at a time
 * @param holdCap greatest still effort in seconds; {@link Integer#MAX_VALUE} when nothing caps it
 * @param tempo what the time of counted work is reckoned with
 */
public record Station(String key, boolean oneSided, int holdCap, Tempo tempo, List<Piece> pieces) {
  public Station {
    if (pieces.isEmpty() || pieces.size() > 2) {
      throw new IllegalArgumentException("a station has one or two pieces");
    }
    pieces = List.copyOf(pieces);
  }
}
