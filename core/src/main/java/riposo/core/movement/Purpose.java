package riposo.core.movement;

import java.util.Locale;
import java.util.Map;
import java.util.Set;

/**
 * What a slot is for. Families serve one purpose; a slot may move to a neighbour when none is open.
 */
public enum Purpose {
  SIT_STAND("sit and stand"),
  SPLIT_STEP("split and step"),
  HIPS("hips"),
  CALF("calf and foot"),
  PUSH("push"),
  PUSH_OVERHEAD("push overhead"),
  PULL("pull"),
  ELBOW_BEND("elbow bend"),
  ELBOW_STRAIGHTEN("elbow straighten"),
  TRUNK_FRONT("trunk, front"),
  TRUNK_TURN("trunk, side and turn"),
  BALANCE("balance"),
  PULSE("pulse"),
  MOBILITY("mobility"),
  BREATHING("breathing");

  private static final Map<Purpose, Set<Purpose>> NEIGHBOURS =
      Map.ofEntries(
          Map.entry(SIT_STAND, Set.of(SPLIT_STEP, HIPS, CALF)),
          Map.entry(SPLIT_STEP, Set.of(SIT_STAND, HIPS)),
          Map.entry(HIPS, Set.of(SIT_STAND, BALANCE)),
          Map.entry(CALF, Set.of(SIT_STAND, BALANCE)),
          Map.entry(PUSH, Set.of(PUSH_OVERHEAD, ELBOW_STRAIGHTEN)),
          Map.entry(PUSH_OVERHEAD, Set.of(PUSH, ELBOW_BEND)),
          Map.entry(PULL, Set.of(ELBOW_BEND)),
          Map.entry(ELBOW_BEND, Set.of(PULL)),
          Map.entry(ELBOW_STRAIGHTEN, Set.of(PUSH)),
          Map.entry(TRUNK_FRONT, Set.of(TRUNK_TURN)),
          Map.entry(TRUNK_TURN, Set.of(TRUNK_FRONT)),
          Map.entry(BALANCE, Set.of(CALF, HIPS)),
          Map.entry(PULSE, Set.of(MOBILITY)),
          Map.entry(MOBILITY, Set.of(BREATHING, PULSE)),
          Map.entry(BREATHING, Set.of(MOBILITY)));

  public final String words;

  Purpose(String words) {
    this.words = words;
  }

  /** The purposes a slot may move to when its own has nothing open. */
  public Set<Purpose> neighbours() {
    return NEIGHBOURS.getOrDefault(this, Set.of());
  }

  public String id() {
    return name().toLowerCase(Locale.ROOT).replace('_', '-');
  }

  public static Purpose ofId(String id) {
    return valueOf(id.toUpperCase(Locale.ROOT).replace('-', '_'));
  }
}
