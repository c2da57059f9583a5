package riposo.core.adapt;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import riposo.core.limit.Axis;
import riposo.core.limit.Caps;
import riposo.core.limit.Side;
import riposo.core.movement.Modifier;
import riposo.core.movement.Movement;
import riposo.core.movement.SidePattern;
import riposo.core.movement.Tempo;
import riposo.core.movement.Variant;
import riposo.core.plan.FormatKind;
import riposo.core.plan.Piece;
import riposo.core.plan.SessionPlan;
import riposo.core.plan.Sides;
import riposo.core.plan.Slot;

/**
 * What the clock is told of a slot: for each thing done in it its side, tempo and longest hold, the
 * sides as the slot asks for them where the movement can be done so.
 *
 * @param holdCap greatest still effort in seconds; {@link Integer#MAX_VALUE} when nothing caps it
 */
record SlotPieces(SessionPlan.Asked at, boolean holdAsked, int holdCap) {

  /**
   * @param asked the movement the plan asks for: where that is a hold, the time asked is held
   */
  static SlotPieces of(SessionPlan.Asked at, @Nullable Movement asked, Caps caps) {
    return of(at, asked, caps.cap(Axis.HOLD, Side.BOTH));
  }

  static SlotPieces of(SessionPlan.Asked at, @Nullable Movement asked, int holdCap) {
    boolean timed = !at.block().format().kind().countKept() || held(at);
    return new SlotPieces(at, timed && (held(at) || asked != null && asked.isHold()), holdCap);
  }

  private static boolean held(SessionPlan.Asked at) {
    return at.block().format().kind() == FormatKind.HOLDS;
  }

  /**
   * The longest hold of a variant here in seconds; 0 where it may be held not at all, null for a
   * moving exercise. The time asked for is the dose; only limits shorten it. A stretch is no still
   * effort.
   */
  @Nullable Integer hold(Variant v) {
    if (!v.movement().isHold()) {
      return held(at) ? (Integer) holdCap : null;
    }
    Integer own = at.slot().hold();
    int asked = own != null ? own : holdAsked ? Integer.MAX_VALUE : Math.max(1, v.holdSeconds());
    if (v.modifiers().contains(Modifier.SHORT_HOLDS) && holdCap == Integer.MAX_VALUE) {
      // as short as a cap asks; where none does, as the modifier says
      asked = Math.min(asked, v.holdSeconds());
    }
    return v.stretch() ? asked : Math.min(asked, holdCap);
  }

  /**
   * A variant done on a side.
   *
   * @param tempo the tempo it is done at
   * @param most greatest number of repetitions; null for no such
   */
  List<Piece> of(Variant v, Side side, Tempo tempo, @Nullable Integer most) {
    Movement m = v.movement();
    Integer hold = hold(v);
    List<Piece> pieces = new ArrayList<>();
    Sides ways = sides(v);
    if (side == Side.BOTH && (ways == Sides.ONE_THEN_OTHER || ways == Sides.BY_ROUND)) {
      for (Side s : List.of(Side.LEFT, Side.RIGHT)) {
        pieces.add(new Piece(s, v.position(), tempo, hold, false, most));
      }
    } else {
      Side only = side == Side.BOTH && ways == Sides.ONE_ONLY ? at.slot().startSide() : side;
      boolean inTurn = only == Side.BOTH && ways == Sides.IN_TURN;
      pieces.add(new Piece(only, v.position(), tempo, hold, inTurn && !m.isHold(), most));
    }
    return pieces;
  }

  /** How the sides of a variant come here; null where both work at once. */
  @Nullable Sides sides(Variant v) {
    Slot slot = at.slot();
    Sides usual =
        v.oneSided()
            ? Sides.ONE_THEN_OTHER
            : v.movement().sides() == SidePattern.ALTERNATING ? Sides.IN_TURN : null;
    Sides asked = slot.sides();
    if (asked == null || usual == null || at.block().format().kind() == FormatKind.PHRASE) {
      return usual; // a phrase names its sides itself
    }
    boolean can = asked.fits(v.movement()) || v.oneSided() && asked != Sides.IN_TURN;
    return can ? asked : usual;
  }
}
