package riposo.core.movement;

import java.util.ArrayList;
import java.util.List;
import riposo.core.limit.Axis;
import riposo.core.limit.Side;

/**
 * One demand that a modifier changes.
 *
 * @param side BOTH where it changes alike on both sides or the axis has none
 * @param from the demand without the modifier, in the unit of the axis
 * @param to the demand with it
 */
public record Effect(String axisId, Side side, int from, int to) {

  /**
   * Every demand in which two forms of a movement differ, in the order of the axes; where the other
   * is done one side at a time and the plain one is not, with the left at work.
   */
  static List<Effect> between(Variant plain, Variant other) {
    int[] a = plain.whole();
    int[] b = other.oneSided() && !plain.oneSided() ? other.half(Side.LEFT) : other.whole();
    List<Effect> all = new ArrayList<>();
    for (int i = 0; i < a.length; i++) {
      Axis axis = Axis.ofCell(i);
      Side side = Axis.sideOfCell(i);
      int right = axis.cell(Side.RIGHT);
      if (side == Side.LEFT && a[i] == a[right] && b[i] == b[right]) {
        side = Side.BOTH;
      } else if (side == Side.RIGHT) {
        int left = axis.cell(Side.LEFT);
        if (a[i] == a[left] && b[i] == b[left]) {
          continue;
        }
      }
      if (a[i] != b[i]) {
        all.add(new Effect(axis.id, side, a[i], b[i]));
      }
    }
    return all;
  }
}
