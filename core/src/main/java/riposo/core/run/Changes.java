package riposo.core.run;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.core.limit.Side;

/**
 * What every slot of a run has become: the changes taken, in order, and the movements left because
 * pain was over the client's line in two of their sets.
 */
public final class Changes {
  /** How hard the form of a slot is; what is asked has no option. */
  @FunctionalInterface
  public interface Hardness {
    /** Nothing is known of any: none is harder than another. */
    Hardness UNKNOWN = (person, slotKey, option) -> 0;

    /** 0 to 100; 0 where it is not known. */
    int of(UUID person, String slotKey, @Nullable String option);
  }

  private static final int LEAVES = 2;

  private record SlotKey(UUID person, String slotKey) {}

  private record SetOf(int round, Side side) {}

  private final Map<SlotKey, List<Change>> taken = new HashMap<>();
  private final Map<SlotKey, Set<SetOf>> hurt = new HashMap<>();
  private final Map<SlotKey, Integer> left = new HashMap<>();

  private final Hardness hardness;

  Changes(Hardness hardness) {
    this.hardness = hardness;
  }

  void take(UUID person, Change c) {
    if (c.to() == Change.To.OPTION && times(person, c.slotKey()) > 0) {
      // a device that had not heard of the pain may have taken it: nothing is made harder after
      // that
      Doing now = of(person, c.slotKey(), c.round(), c.side());
      if (hardness.of(person, c.slotKey(), c.option())
          > hardness.of(person, c.slotKey(), now.option())) {
        return;
      }
    }
    taken.computeIfAbsent(new SlotKey(person, c.slotKey()), k -> new ArrayList<>()).add(c);
  }

  /** Pain over the line in a set: the second one leaves the movement. */
  void hurt(UUID person, String slotKey, int round, Side side) {
    SlotKey key = new SlotKey(person, slotKey);
    boolean news = hurt.computeIfAbsent(key, k -> new HashSet<>()).add(new SetOf(round, side));
    if (news && times(person, slotKey) >= LEAVES) {
      List<Change> all = taken.computeIfAbsent(key, k -> new ArrayList<>());
      left.put(key, all.size());
      all.add(Change.left(slotKey));
    }
  }

  /** Sets of the slot in which pain was over the client's line. */
  public int times(UUID person, String slotKey) {
    return hurt.getOrDefault(new SlotKey(person, slotKey), Set.of()).size();
  }

  /** What is done in a set that is still to come, or was not told yet. */
  public Doing of(UUID person, String slotKey, int round, Side side) {
    SlotKey key = new SlotKey(person, slotKey);
    List<Change> all = taken.getOrDefault(key, List.of());
    Doing d = Doing.AS_ASKED;
    for (int i = 0; i < all.size(); i++) {
      if (all.get(i).holds(round, side)) {
        d = left.getOrDefault(key, -1) == i ? d.hurts() : d.after(all.get(i));
      }
    }
    return d;
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof Changes c
        && taken.equals(c.taken)
        && hurt.equals(c.hurt)
        && left.equals(c.left);
  }

  @Override
  public int hashCode() {
    return Objects.hash(taken, hurt, left);
  }

  @Override
  public String toString() {
    return taken + ", hurt " + hurt;
  }
}
