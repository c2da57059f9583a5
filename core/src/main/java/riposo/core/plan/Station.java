package riposo.core.plan;

import java.util.List;
import org.jspecify.annotations.Nullable;
import riposo.core.limit.Side;
import riposo.core.movement.Tempo;

/**
 * A slot ready for the timeline: one piece done as it is, or one for the left and one for the
 * right.
 *
 * @param key the slot's key, with its round where the round changes it
 * @param oneSided each side has a turn of its own
 * @param sides how its sides come where the slot says so; null as the block has it
 * @param holdCap greatest still effort in seconds; {@link Integer#MAX_VALUE} when nothing caps it
 * @param tempo what the time of counted work is reckoned with
 * @param more sets beyond those of the block, where it is done in sets and repetitions; 0 elsewhere
 */
public record Station(
    String key,
    boolean oneSided,
    @Nullable Sides sides,
    int holdCap,
    Tempo tempo,
    List<Piece> pieces,
    int more) {
  public Station {
    if (more < 0) {
      throw new IllegalArgumentException("sets are added, never taken off: was " + more);
    }
    if (pieces.isEmpty() || pieces.size() > 2) {
      throw new IllegalArgumentException("a station has one or two pieces");
    }
    pieces = List.copyOf(pieces);
  }

  public Station(String key, boolean oneSided, int holdCap, Tempo tempo, List<Piece> pieces) {
    this(key, oneSided, null, holdCap, tempo, pieces, 0);
  }

  public Station(
      String key,
      boolean oneSided,
      @Nullable Sides sides,
      int holdCap,
      Tempo tempo,
      List<Piece> pieces) {
    this(key, oneSided, sides, holdCap, tempo, pieces, 0);
  }

  /** The same with so many sets beyond those of the block. */
  public Station more(int sets) {
    return new Station(key, oneSided, sides, holdCap, tempo, pieces, sets);
  }

  /** The piece of a side: its own, or the one for both. */
  Piece piece(@Nullable Side side) {
    return pieces.stream().filter(p -> p.side() == side).findFirst().orElse(pieces.get(0));
  }
}
