package riposo.core.plan;

import org.jspecify.annotations.Nullable;
import riposo.core.limit.Side;
import riposo.core.movement.Position;
import riposo.core.movement.Tempo;

/**
 * What the timeline needs to know of one thing done in a slot.
 *
 * @param position null for rest, which keeps the posture before it
 * @param tempo null for rest
 * @param hold greatest length of one hold in s, 0 where it may be held not at all; null for a
 *     moving exercise
 * @param alternating repetitions alternate sides, so their number is even
 * @param most greatest number of repetitions this client does of it at a time; null for no such
 */
public record Piece(
    Side side,
    @Nullable Position position,
    @Nullable Tempo tempo,
    @Nullable Integer hold,
    boolean alternating,
    @Nullable Integer most) {
  public Piece(
      Side side,
      @Nullable Position position,
      @Nullable Tempo tempo,
      @Nullable Integer hold,
      boolean alternating) {
    this(side, position, tempo, hold, alternating, null);
  }

  public static Piece rest(Side side) {
    return new Piece(side, null, null, null, false);
  }

  public boolean isRest() {
    return tempo == null;
  }

  /** Whether both can be done at once: the same posture at the same tempo. */
  boolean like(Piece other) {
    return !isRest()
        && position == other.position
        && java.util.Objects.equals(tempo, other.tempo)
        && java.util.Objects.equals(hold, other.hold);
  }

  /** Repetitions done where so many are asked for. */
  int reps(int asked) {
    return most == null ? asked : Math.min(asked, most);
  }
}
